import type { DayPlace } from '../../calendar/day.ts';
import { dayKey, MAX_WEEKS } from '../../calendar/day.ts';
import type { ProgrammeEdit } from './programme-edit.ts';

/** A day of a plan that is to be put on a programme: where its heading says it belongs. */
export interface DayToPlace {
  readonly text: string;
  /** The week by the plan's own count; null where it names none. */
  readonly week: number | null;
  /** 1 to 7 of the programme's week; null where the heading names no day. */
  readonly weekday: number | null;
}

/** What will stand on a day of the programme. */
export interface PlacedDay extends DayPlace {
  readonly text: string;
  /** The days of the plan that it is made of, by their number; several where the plan has two parts for one day. */
  readonly from: readonly number[];
}

/** What stands on a day before anything is put there. */
export interface StandingDay {
  readonly text: string;
  readonly isSent: boolean;
}

/**
 * - `free`: no text stands there.
 * - `same`: the same text stands there already.
 * - `taken`: another text stands there.
 * - `sent`: what stands there was sent, and stays.
 * - `beyond`: the day lies after the programme's last week.
 */
export type Conflict = 'free' | 'same' | 'taken' | 'sent' | 'beyond';

/** What is put below a session brings its blocks, not its fields. */
export const withoutFields = (text: string): string =>
  text.replace(/^(?:(?:Title|Target|Group|Kit|Effort|Retest): .*\n)+\n?/, '');

/**
 * Puts each day of a plan on a day of the programme. The plan's first week is `firstWeek`; a day that names no week stands in it.
 * `choices` are places that the coach chose for a day, by its number; null for one that is left out. Days without a place, and
 * empty ones, are left out.
 */
export function placeDays(
  days: readonly DayToPlace[],
  firstWeek: number,
  choices: ReadonlyMap<number, DayPlace | null> = new Map(),
): readonly PlacedDay[] {
  const planFirst = Math.min(...days.flatMap((d) => d.week ?? []));
  const placed = new Map<string, PlacedDay>();
  for (const [number, day] of days.entries()) {
    if (day.text.trim() === '') continue;
    const own =
      day.weekday === null
        ? undefined
        : { week: firstWeek + (day.week === null ? 0 : day.week - planFirst), weekday: day.weekday };
    const chosen = choices.get(number);
    const place = chosen === undefined ? own : chosen;
    if (!place) continue;
    const { week, weekday } = place;
    const above = placed.get(dayKey({ week, weekday }));
    const text = above ? `${above.text.trimEnd()}\n\n${withoutFields(day.text)}` : day.text;
    placed.set(dayKey({ week, weekday }), { week, weekday, text, from: [...(above?.from ?? []), number] });
  }
  return [...placed.values()].sort((a, b) => a.week - b.week || a.weekday - b.weekday);
}

/** What a placed day meets on the programme. `weeks` is the programme's length. */
export function findConflict(day: PlacedDay, there: StandingDay | undefined, weeks: number): Conflict {
  if (day.week > weeks) return 'beyond';
  if (there && there.text.trim() === day.text.trim()) return 'same';
  if (there?.isSent) return 'sent';
  return !there || there.text.trim() === '' ? 'free' : 'taken';
}

/** How many weeks a programme must become longer to hold all placed days; never beyond what a programme can have. */
export const weeksToAdd = (placed: readonly PlacedDay[], weeks: number): number =>
  Math.max(0, Math.min(MAX_WEEKS, Math.max(0, ...placed.map((d) => d.week))) - weeks);

/** The edits that write placed days: first as many weeks as are added at the programme's end, then each day's text. */
export const placingEdits = (
  placed: readonly PlacedDay[],
  { weeks, addWeeks }: { weeks: number; addWeeks: number },
): readonly ProgrammeEdit[] => [
  ...Array.from({ length: addWeeks }, (_, i) => ({
    kind: 'insert-week' as const,
    at: weeks + 1 + i,
    as: 'pause' as const,
  })),
  ...placed
    .filter((d) => d.week <= weeks + addWeeks)
    .map(({ week, weekday, text }) => ({ kind: 'set-text' as const, place: { week, weekday }, text })),
];
