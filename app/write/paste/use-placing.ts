import { useEffect, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import type { DayPlace } from '../../../core/calendar/day.ts';
import { dayKey } from '../../../core/calendar/day.ts';
import type { DayToPlace } from '../../../core/progress/edit/place-days.ts';
import {
  findConflict,
  placeDays,
  placingEdits,
  weeksToAdd,
  type Conflict,
  type PlacedDay,
} from '../../../core/progress/edit/place-days.ts';
import type { ProgrammeEdit } from '../../../core/progress/edit/programme-edit.ts';
import type { loader as daysLoader } from '../../plan/days.ts';

/** A day of the programme: what stands there, and what comes. */
export interface PlacingDay extends PlacedDay {
  readonly key: string;
  readonly conflict: Conflict;
  /** The title of what stands there; empty where nothing does. */
  readonly title: string;
  /** True where what comes is written. */
  readonly isWritten: boolean;
}

export interface Placing {
  readonly days: readonly PlacingDay[];
  /** Days whose heading names no day, by their number, with the place that was chosen for them. */
  readonly unnamed: readonly { readonly number: number; readonly key: string | undefined }[];
  /** What stands now, by key. */
  readonly standing: ReadonlyMap<string, string>;
  readonly weeks: number;
  /** Weeks that the programme lacks for the plan. */
  readonly missingWeeks: number;
  readonly isLonger: boolean;
  readonly setLonger: (isLonger: boolean) => void;
  readonly setPlace: (day: number, place: DayPlace | null) => void;
  readonly setReplaced: (key: string, isReplaced: boolean) => void;
  /** Forgets what was decided: another plan has other days. */
  readonly reset: () => void;
  /** What is sent to the server, or undefined while nothing would be written. */
  readonly change: { readonly revision: number; readonly edits: readonly ProgrammeEdit[] } | undefined;
}

/** Where the days of a pasted plan go on the programme, as the coach decides it. `isOn` once the plan was read. */
export function usePlacing(
  plan: readonly DayToPlace[],
  { isOn, week, programmeId }: { isOn: boolean; week: number; programmeId: string },
): Placing {
  const { load, data: programme } = useFetcher<typeof daysLoader>();
  const [places, setPlaces] = useState<ReadonlyMap<number, DayPlace | null>>(new Map());
  const [replaced, setReplaced] = useState<ReadonlySet<string>>(new Set());
  const [isLonger, setLonger] = useState(false);
  useEffect(() => {
    if (isOn) void load(`/programmes/${programmeId}/days?texts=yes`);
  }, [isOn, programmeId, load]);
  return useMemo(() => {
    const placed = programme ? placeDays(plan, week, places) : [];
    const weeks = programme?.weeks ?? 0;
    const there = new Map(programme?.days.map((d) => [d.key, d]));
    const missingWeeks = weeksToAdd(placed, weeks);
    const days = placed.map((day): PlacingDay => {
      const key = dayKey(day);
      const standing = there.get(key);
      const conflict = findConflict(day, standing && { ...standing, text: standing.text ?? '' }, weeks);
      const isWritten =
        conflict === 'free' ||
        (conflict === 'taken' && replaced.has(key)) ||
        (conflict === 'beyond' && isLonger && day.week <= weeks + missingWeeks);
      return { ...day, key, conflict, title: standing?.title ?? '', isWritten };
    });
    const written = days.filter((d) => d.isWritten);
    return {
      days,
      unnamed: [...plan.keys()]
        .filter((n) => plan[n]!.text !== '' && plan[n]!.weekday === null)
        .map((number) => ({ number, key: days.find((d) => d.from.includes(number))?.key })),
      standing: new Map(programme?.days.map((d) => [d.key, d.text ?? ''])),
      weeks,
      missingWeeks,
      isLonger,
      setLonger,
      setPlace: (day, place) => setPlaces((now) => new Map(now).set(day, place)),
      setReplaced: (key, isReplaced) =>
        setReplaced((now) => new Set(isReplaced ? [...now, key] : [...now].filter((k) => k !== key))),
      reset: () => {
        setPlaces(new Map());
        setReplaced(new Set());
        setLonger(false);
      },
      change:
        programme && written.length > 0
          ? {
              revision: programme.revision,
              edits: placingEdits(written, { weeks, addWeeks: isLonger ? missingWeeks : 0 }),
            }
          : undefined,
    };
  }, [plan, programme, week, places, replaced, isLonger]);
}
