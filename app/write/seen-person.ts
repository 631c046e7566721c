import type { FitPerson } from '../../core/movement/fit-movement.ts';

/** Someone of a programme, as the writer fits a session to them. */
export interface SeenPerson {
  readonly id: number;
  readonly name: string;
  readonly person: FitPerson;
}
