import type { DayDate } from '../core/calendar/day.ts';
import { addDays, dayKey } from '../core/calendar/day.ts';
import { localDate, localTime, instantAt } from '../core/calendar/release.ts';
import { painWords } from '../core/record/detail-words.ts';
import { OUTCOME_WORDS } from '../core/record/record.ts';
import { formatScore } from '../core/record/score.ts';
import { blockName } from '../core/session/explain.ts';
import type { Db } from '../db/pool.ts';
import type { RosterRow } from '../db/queries/person.ts';
import { listPainSince } from '../db/queries/pain.ts';
import type { StoredRecord } from '../db/queries/record.ts';
import { getVersionDocument, listRecordsSince } from '../db/queries/record.ts';

/** One record as a coach reads it in passing. */
export interface Said {
  readonly enrolmentId: number;
  readonly name: string;
  readonly dayKey: string;
  /** `part of it, about half` */
  readonly outcome: string;
  readonly effort: number | null;
  readonly scores: readonly string[];
  readonly remark: string;
  /** On the coach's clock. */
  readonly at: string;
}

export interface SaidLately {
  readonly day: 'today' | 'yesterday';
  readonly count: number;
  /** Those with words first, then the newest. */
  readonly said: readonly Said[];
  /** Where something hurt, the newest first. */
  readonly pains: readonly Pain[];
}

/** A pain as a coach reads it in passing. */
export interface Pain {
  readonly enrolmentId: number;
  readonly name: string;
  readonly dayKey: string;
  /** `knee, at squat: left it out` */
  readonly words: string;
  readonly at: string;
}

/** What is shown at once; the rest is counted. */
const SHOWN = 40;

/** What has been said today on the coach's clock; where nothing has yet, what was said yesterday. Null where that is nothing either. */
export async function saidLately(
  db: Db,
  at: { readonly runId: number; readonly today: DayDate; readonly timeZone: string },
  people: readonly RosterRow[],
  days: readonly { readonly dayId: number; readonly week: number; readonly weekday: number }[],
): Promise<SaidLately | null> {
  const midnightMs = (date: DayDate) => instantAt(date, '00:00', at.timeZone);
  const sinceMs = midnightMs(addDays(at.today, -1));
  const [records, told] = await Promise.all([
    listRecordsSince(db, at.runId, sinceMs),
    listPainSince(db, at.runId, sinceMs),
  ]);
  const isToday = (ms: number) => localDate(ms, at.timeZone) === at.today;
  const own = records.filter((r) => isToday(r.loggedAtMs));
  const hasToday = own.length > 0 || told.some((p) => isToday(p.toldAtMs));
  const shown = hasToday ? own : records;
  if (shown.length === 0 && told.length === 0) return null;
  const first = shown.toSorted((a, b) => Number(b.remark !== '') - Number(a.remark !== '')).slice(0, SHOWN);
  const documents = new Map(
    await Promise.all(
      [...new Set(first.map((r) => r.versionId))].map(async (id) => [id, await getVersionDocument(db, id)] as const),
    ),
  );
  const names = new Map(people.map((p) => [p.enrolmentId, p.name]));
  const places = new Map(days.map((d) => [d.dayId, dayKey(d)]));
  const toSaid = (r: StoredRecord): Said => ({
    enrolmentId: r.enrolmentId,
    name: names.get(r.enrolmentId) ?? '',
    dayKey: places.get(r.dayId) ?? '',
    outcome: `${OUTCOME_WORDS[r.outcome]}${r.outcome === 'part' ? `, ${Math.round(r.shareRatio * 100)} %` : ''}`,
    effort: r.effort,
    scores: r.scores.map(
      (s) => `${blockName(documents.get(r.versionId)!.blocks[s.block] ?? { role: 'Main' })} ${formatScore(s)}`,
    ),
    remark: r.remark,
    at: localTime(r.loggedAtMs, at.timeZone),
  });
  return {
    day: hasToday ? 'today' : 'yesterday',
    count: shown.length,
    said: first.map(toSaid),
    // Of both days: a pain isn't over because a new one has begun.
    pains: told.map((p) => ({
      enrolmentId: p.enrolmentId,
      name: names.get(p.enrolmentId) ?? '',
      dayKey: places.get(p.dayId) ?? '',
      words: painWords(p),
      at: `${isToday(p.toldAtMs) ? '' : 'yesterday, '}${localTime(p.toldAtMs, at.timeZone)}`,
    })),
  };
}
