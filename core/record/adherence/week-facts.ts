import type { Placed, TeamRow } from '../scores/boards.ts';
import type { DayState, Standing } from './strand.ts';
import { isKept, isOwed } from './strand.ts';

/** How much a part is taken for where nobody said. */
const HALF = 0.5;

/** What a week came to, for its letters. */
export interface WeekFacts {
  readonly programme: string;
  readonly week: number;
  readonly coach: string;
  readonly due: number;
  readonly done: number;
  readonly minutes: number;
  readonly here: number;
  readonly joined: number;
  readonly teams: readonly Placed<TeamRow>[];
  readonly shared: { readonly words: string; readonly total: number } | null;
  /** Titles of the next days' sessions. */
  readonly next: readonly string[];
  readonly nextNote: string;
  /** Who needs a word, and why; for the coach. */
  readonly needs: readonly { readonly name: string; readonly why: string }[];
  /** For whom a good word is due. */
  readonly good: readonly { readonly name: string; readonly why: string }[];
  readonly proposals: number;
}

/** Sessions that were due and done in a week, by everybody, and about how long all that was. */
export function sumWeek(
  week: number,
  days: readonly { readonly week: number; readonly likelySec: number }[],
  people: readonly {
    readonly states: readonly DayState[];
    readonly records: readonly (Pick<Standing, 'shareRatio'> | undefined)[];
  }[],
): Pick<WeekFacts, 'due' | 'done' | 'minutes'> {
  let [due, done, sec] = [0, 0, 0];
  for (const [i, day] of days.entries()) {
    if (day.week !== week) continue;
    for (const { states, records } of people) {
      if (isOwed(states[i]!)) due++;
      if (!isKept(states[i]!)) continue;
      done++;
      sec += day.likelySec * (states[i] === 'part' ? (records[i]?.shareRatio ?? HALF) : 1);
    }
  }
  return { due, done, minutes: Math.round(sec / 60) };
}
