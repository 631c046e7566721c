export interface DayFieldProps {
  readonly name: string;
  /** `2026-05-11`; empty for none. */
  readonly defaultValue: string;
  readonly min?: string;
  readonly max?: string;
  readonly readOnly?: boolean;
  readonly required?: boolean;
  readonly isBad?: boolean;
}
export type HourFieldProps = Pick<DayFieldProps, 'name' | 'defaultValue' | 'isBad'>;
