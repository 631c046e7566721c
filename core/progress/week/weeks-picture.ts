import type { SessionDocument } from '../../document/document.ts';
import type { EstimateSec } from '../../pace/pace.ts';
import { wholeMinutes } from '../../words/words.ts';
import type { ProgrammeDocument } from '../programme-document.ts';

/** A session in a picture of weeks: its likely minutes and planned effort, or 0 and null where nothing is written. */
export type PictureDay = readonly [minutes: number, effort: number | null];

/** A programme's weeks for a small picture: seven places a week, null where no session is. */
export type WeeksPicture = readonly (readonly (PictureDay | null)[])[];

interface Pictured {
  readonly document: Pick<SessionDocument, 'effort'>;
  readonly plan: { readonly clockSec: EstimateSec };
}

/** What of a programme can be seen in a thumbnail. `planOf` gives the plan of a text that isn't empty. */
export function pictureWeeks(
  programme: Pick<ProgrammeDocument, 'weeks' | 'days'>,
  planOf: (text: string) => Pictured,
): WeeksPicture {
  const weeks = Array.from({ length: programme.weeks }, () => Array<PictureDay | null>(7).fill(null));
  for (const day of programme.days) {
    const row = weeks[day.week - 1];
    if (!row) continue;
    const planned = day.text.trim() === '' ? undefined : planOf(day.text);
    row[day.weekday - 1] = planned
      ? [wholeMinutes(planned.plan.clockSec.likely), planned.document.effort ?? null]
      : [0, null];
  }
  return weeks;
}

/** How often a week has a session, most: `3`, or `3 to 5` where weeks differ; 0 where there is none. */
export function sessionsAWeek(picture: WeeksPicture): string {
  const counts = picture.map((week) => week.filter((d) => d !== null).length);
  const [least, most] = [Math.min(...counts), Math.max(...counts)];
  return counts.length === 0 ? '0' : least === most ? String(most) : `${least} to ${most}`;
}
