import type pg from 'pg';
import { seesHealth } from '../../core/coach-role.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays, dayKey, formatDay } from '../../core/calendar/day.ts';
import { lastDate, localTime } from '../../core/calendar/release.ts';
import type { AttentionCode } from '../../core/record/attention/attention-rules.ts';
import { ATTENTION_RULES } from '../../core/record/attention/attention-rules.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import { listHeldDays } from '../../db/queries/messages/stop.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { getProgramme, listDays } from '../../db/queries/programme.ts';
import { planText } from '../write/session-view.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { listOpenRuns } from '../../db/queries/run.ts';
import { attentionWords } from '../../words/en/attention.ts';
import { loadRunFollow, needOf } from '../follow-up/run-follow.ts';
import { askLately, saidLately } from '../follow-up/said-lately.ts';
import type { TodayLine } from '../follow-up/today-line.ts';
import { loadTodayLine } from '../follow-up/today-line.ts';
import type { Calendar } from '../jobs/release-run.ts';
import { zoneName } from '../../core/calendar/day-place.ts';
import { loadCalendars, unreadyDays, WHY_UNREADY } from '../jobs/release-run.ts';
import { formatWait } from '../send/send-view.ts';

/** What a coach has to know of one run today. */
export interface HomeRun {
  /** As addresses name it. */
  readonly key: string;
  readonly programme: string;
  readonly run: { readonly title: string; readonly startsOn: DayDate };
  readonly isHeld: boolean;
  /** Days that a decision of the coach waits for. */
  readonly heldBack: readonly { readonly key: string; readonly people: number }[];
  readonly line: Pick<TodayLine, 'people' | 'released' | 'logged' | 'asleep'>;
  /** The next day that goes out to anybody, if it can. */
  readonly next: HomeDay | null;
  /** Days that go out within two days and can't as they are. */
  readonly unready: readonly (HomeDay & { readonly why: string; readonly stage: 'write' | 'send' })[];
  /** Null for those who don't see how people are. */
  readonly need: { readonly people: number; readonly first: readonly HomeNeed[] } | null;
  /** What was logged and told; null where nothing was, or where it isn't theirs to see. */
  readonly came: HomeCame | null;
}

export interface HomeDay {
  readonly key: string;
  readonly title: string;
  /** `Friday 15 May` */
  readonly date: string;
  /** `in 1 d 16 h, first in Tokyo` */
  readonly when: string;
}

export interface HomeNeed {
  readonly enrolmentId: number;
  readonly name: string;
  readonly code: AttentionCode;
  readonly why: string;
}

export interface HomeCame {
  readonly day: 'today' | 'yesterday';
  readonly logged: number;
  /** Those who wrote something or said that it hurts. */
  readonly words: readonly { readonly enrolmentId: number; readonly name: string; readonly words: string }[];
}

/** Runs looked at; a workspace with more sees those that begin last. */
const MOST_RUNS = 8;
/** People and words named of each run; the others are counted. */
const NAMED = 3;
/** So long after its last day a run still stands here: people make up for days. */
const AFTER_DAYS = 7;

/** Today over all runs of a workspace that are going on or to come, the one that began first on top. */
export async function loadHome(
  db: pg.PoolClient,
  coach: SignedInCoach,
  at: { readonly nowMs: number; readonly today: DayDate; readonly timeZone: string },
): Promise<HomeRun[]> {
  const runs = await listOpenRuns(db, MOST_RUNS);
  const found: HomeRun[] = [];
  for (const { programmeId, runId } of runs) {
    const programme = await getProgramme(db, programmeId, { now: new Date(at.nowMs), runId });
    if (addDays(lastDate(programme.run.rules, programme.weeks), AFTER_DAYS) < at.today) continue;
    found.push(await loadHomeRun(db, coach, programme, at));
  }
  return found;
}

async function loadHomeRun(
  db: pg.PoolClient,
  coach: SignedInCoach,
  programme: Programme,
  at: { readonly nowMs: number; readonly today: DayDate; readonly timeZone: string },
): Promise<HomeRun> {
  const { run, runId } = programme;
  const canSee = seesHealth(coach.role);
  const [book, days, calendars, line, held, follow, asked] = await Promise.all([
    loadWorkspaceBook(db),
    listDays(db, programme),
    loadCalendars(db, programme),
    loadTodayLine(db, programme, at.nowMs),
    listHeldDays(db, runId, new Date(at.nowMs)),
    canSee ? loadRunFollow(db, programme, at.nowMs) : null,
    canSee ? askLately(db, { runId, ...at }) : null,
  ]);
  const texts = new Map(days.map((d) => [d.id, d.text]));
  const titleOf = (dayId: number): string => {
    const text = texts.get(dayId) ?? '';
    return text.trim() === '' ? '' : sessionTitle(planText(text, book).document);
  };
  const worried = (follow?.people ?? [])
    .filter((p) => p.items.some((item) => !ATTENTION_RULES[item.code].isGood))
    .sort((a, b) => needOf(b) - needOf(a));
  return {
    key: `${programme.id}-${runId}`,
    programme: programme.title,
    run: { title: run.title, startsOn: run.rules.startsOn },
    isHeld: run.heldAtMs !== null,
    heldBack: held.filter((h) => h.kind !== 'grace').map((h) => ({ key: dayKey(h), people: h.people })),
    line,
    next: nextToGo(programme, calendars, at.nowMs, titleOf),
    unready: unreadyDays(programme, calendars, at.nowMs).map(({ day, firstMs, firstZone, firstDate, why }) => ({
      ...homeDay({ ...day, title: titleOf(day.dayId) }, firstDate, firstZone, firstMs, at.nowMs),
      why: WHY_UNREADY[why],
      stage: why === 'by-hand' ? ('send' as const) : ('write' as const),
    })),
    need: follow && {
      people: worried.length,
      first: worried.slice(0, NAMED).map((p) => {
        const item = p.items.find((i) => !ATTENTION_RULES[i.code].isGood)!;
        return { enrolmentId: p.enrolmentId, name: p.name, code: item.code, why: attentionWords(item) };
      }),
    },
    came: follow && asked && cameIn(saidLately(asked, follow.people, follow.days)),
  };
}

function homeDay(
  day: { readonly week: number; readonly weekday: number; readonly title: string },
  date: DayDate,
  zone: string,
  firstMs: number,
  nowMs: number,
): HomeDay {
  return {
    key: dayKey(day),
    title: day.title,
    date: formatDay(date),
    when: `in ${formatWait(firstMs - nowMs)}, at ${localTime(firstMs, zone)} in ${zoneName(zone)}`,
  };
}

/** The next day that hasn't gone out to anybody, where it goes out by itself. */
function nextToGo(
  { run }: Programme,
  calendars: readonly Calendar[],
  nowMs: number,
  titleOf: (dayId: number) => string,
): HomeDay | null {
  if (run.isByHand || run.heldAtMs !== null) return null;
  const ahead = calendars
    .flatMap(({ group, days }) => days.map((own) => ({ own, zone: group.timeZone })))
    .filter(({ own }) => own.releaseMs > nowMs && own.day.version === null && own.day.isReady && !own.day.isWithdrawn)
    .filter(({ own }) => run.endedOn === null || own.date <= run.endedOn)
    .sort((a, b) => a.own.releaseMs - b.own.releaseMs)[0];
  if (!ahead) return null;
  const { day, date, releaseMs } = ahead.own;
  return homeDay({ ...day, title: titleOf(day.dayId) }, date, ahead.zone, releaseMs, nowMs);
}

function cameIn(lately: ReturnType<typeof saidLately>): HomeCame | null {
  if (!lately) return null;
  const hurts = lately.pains.map(({ enrolmentId, name, words }) => ({ enrolmentId, name, words }));
  const remarks = lately.said
    .filter((s) => s.remark !== '' && !hurts.some((h) => h.enrolmentId === s.enrolmentId))
    .map(({ enrolmentId, name, remark }) => ({ enrolmentId, name, words: `“${remark}”` }));
  return { day: lately.day, logged: lately.count, words: [...hurts, ...remarks] };
}
