import type { DayDate } from '../../core/calendar/day.ts';
import { addDays, dayKey } from '../../core/calendar/day.ts';
import { instantAt, localTime } from '../../core/calendar/release.ts';
import { painWords } from '../../words/en/record/record.ts';
import { formatScore } from '../../core/record/scores/score.ts';
import { blockName } from '../../core/session/explain/explain.ts';
import type { Db } from '../../db/pool.ts';
import type { RosterRow } from '../../db/queries/person.ts';
import { listPainSince } from '../../db/queries/pain.ts';
import type { StoredRecord } from '../../db/queries/record.ts';
import { listSaid, listVersionDocuments } from '../../db/queries/record.ts';
import { OUTCOME_WORDS } from '../../words/en/record/record.ts';

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

/** What was said today and yesterday on the coach's clock, as it is stored. */
export async function askLately(
  db: Db,
  at: { readonly runId: number; readonly today: DayDate; readonly timeZone: string },
) {
  const midnightMs = (date: DayDate) => instantAt(date, '00:00', at.timeZone);
  const [fromMs, thenMs] = [midnightMs(addDays(at.today, -1)), midnightMs(at.today)];
  const [{ since, before }, told] = await Promise.all([
    listSaid(db, { runId: at.runId, fromMs, thenMs, most: SHOWN }),
    listPainSince(db, at.runId, fromMs),
  ]);
  const hasToday = since.count > 0 || told.some((p) => p.toldAtMs >= thenMs);
  const shown = hasToday ? since : before;
  const documents = await listVersionDocuments(db, [...new Set(shown.first.map((r) => r.versionId))]);
  return { timeZone: at.timeZone, hasToday, shown, told, documents, thenMs };
}

/** What has been said today on the coach's clock; where nothing has yet, what was said yesterday. Null where that is nothing either. */
export function saidLately(
  { timeZone, hasToday, shown, told, documents, thenMs }: Awaited<ReturnType<typeof askLately>>,
  people: readonly Pick<RosterRow, 'enrolmentId' | 'name'>[],
  days: readonly { readonly dayId: number; readonly week: number; readonly weekday: number }[],
): SaidLately | null {
  if (shown.count === 0 && told.length === 0) return null;
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
    at: localTime(r.loggedAtMs, timeZone),
  });
  return {
    day: hasToday ? 'today' : 'yesterday',
    count: shown.count,
    said: shown.first.map(toSaid),
    // Of both days: a pain isn't over because a new one has begun.
    pains: told.map((p) => ({
      enrolmentId: p.enrolmentId,
      name: names.get(p.enrolmentId) ?? '',
      dayKey: places.get(p.dayId) ?? '',
      words: painWords(p),
      at: `${p.toldAtMs >= thenMs ? '' : 'yesterday, '}${localTime(p.toldAtMs, timeZone)}`,
    })),
  };
}
