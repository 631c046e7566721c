import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey, parseDayKey } from '../../core/calendar/day.ts';
import { MAX_TEXT_BYTES } from '../../core/notation/parse.ts';
import { StaleError } from '../../db/errors.ts';
import type { Db } from '../../db/pool.ts';
import { deleteEmptyDay, insertDay, lockDay, updateDayText } from '../../db/queries/programme.ts';

/** Days that one copy goes to at most. */
export const MAX_COPIES = 60;

/** Reads days as they are sent, `w1d2 w3d4`, each once; undefined where one is no day, and for none or too many. */
export function readCopyDays(words: string): readonly DayPlace[] | undefined {
  const keys = [...new Set(words.split(' ').filter(Boolean))];
  const places = keys.flatMap((key) => parseDayKey(key) ?? []);
  const isGood = keys.length > 0 && keys.length <= MAX_COPIES && places.length === keys.length;
  return isGood ? places : undefined;
}

/** A programme that is copied to, by one of its runs. */
export interface CopyTarget {
  readonly id: number;
  readonly runId: number;
  readonly workspaceId: number;
}

/** A day that was written to, with what it takes to have it back. */
export interface Copied {
  readonly key: string;
  /** What stood there; null where there was no day. */
  readonly before: string | null;
  readonly revision: number;
}

/** What stands on one of the days already; nothing was copied then. */
export interface Taken {
  readonly taken: DayPlace;
}

/**
 * Writes a text to each of some days, making those that aren't there. Without `replaces` nothing is written where one of them has a text.
 * Copies that come at once go one after the other.
 */
export async function copyText(
  db: Db,
  target: CopyTarget,
  places: readonly DayPlace[],
  { text, replaces, now }: { readonly text: string; readonly replaces: boolean; readonly now: Date },
): Promise<readonly Copied[] | Taken> {
  const locked = [];
  // In one order for all, so that two copies never wait for each other.
  for (const place of places.toSorted((a, b) => a.week - b.week || a.weekday - b.weekday)) {
    const isMade = await insertDay(db, { workspaceId: target.workspaceId, programmeId: target.id, ...place, now });
    const day = await lockDay(db, target, place);
    if (day.text.trim() !== '' && !replaces) {
      // Nothing is written, so no empty days stay behind either.
      for (const made of locked) if (made.isMade) await deleteEmptyDay(db, made.day.id);
      return { taken: place };
    }
    locked.push({ place, day, isMade });
  }
  const copied: Copied[] = [];
  for (const { place, day, isMade } of locked) {
    const revision = await updateDayText(db, { dayId: day.id, revision: day.revision, text, now });
    copied.push({ key: dayKey(place), before: isMade ? null : day.text, revision });
  }
  return copied;
}

/** Reads what a page sends to have copies back; undefined where it isn't that. */
export function readCopied(value: unknown): readonly Copied[] | undefined {
  if (!Array.isArray(value) || value.length === 0 || value.length > MAX_COPIES) return undefined;
  const isCopied = (c: unknown): c is Copied => {
    const { key, before, revision } = (c ?? {}) as Record<string, unknown>;
    return (
      typeof key === 'string' &&
      parseDayKey(key) !== undefined &&
      (before === null || (typeof before === 'string' && Buffer.byteLength(before) <= MAX_TEXT_BYTES)) &&
      typeof revision === 'number' &&
      Number.isSafeInteger(revision) &&
      revision > 0
    );
  };
  return value.every(isCopied) ? value : undefined;
}

/** Puts back what stood on days before a copy, all of them or, where one was changed since, none: then StaleError. */
export async function takeBackCopies(db: Db, target: CopyTarget, copied: readonly Copied[], now: Date): Promise<void> {
  const days = [];
  for (const copy of copied.toSorted((a, b) => (a.key < b.key ? -1 : 1))) {
    const day = await lockDay(db, target, parseDayKey(copy.key)!);
    if (day.revision !== copy.revision) throw new StaleError(day.revision);
    days.push({ id: day.id, ...copy });
  }
  // Only once all of them are as they were left: until here nothing is written.
  for (const { id, before, revision } of days) {
    await updateDayText(db, { dayId: id, revision, text: before ?? '', now });
    if (before === null) await deleteEmptyDay(db, id);
  }
}
