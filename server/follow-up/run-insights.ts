import { dayKey, weekdayName, weekdayOf } from '../../core/calendar/day.ts';
import { findProgrammeDay, themeOf } from '../../core/progress/programme-document.ts';
import type {
  Completion,
  CompletionBy,
  DropOff,
  FeltDay,
  InsightDay,
  InsightPerson,
  LeftAt,
  SlopeSummary,
  WeekLoad,
} from '../../core/record/insights/insights.ts';
import {
  blockAtShare,
  COMPLETION_BY,
  completionBy,
  countDays,
  dropOff,
  feltDays,
  retestSlopes,
  summariseSlopes,
  weekLoads,
} from '../../core/record/insights/insights.ts';
import type { Share } from '../../core/record/insights/shares.ts';
import { wilson } from '../../core/record/insights/shares.ts';
import type { Retention } from '../../core/record/adherence/strand.ts';
import type { Db } from '../../db/pool.ts';
import { getPlan } from '../../db/queries/plan.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { countParts, countSwaps } from '../../db/queries/standing.ts';
import type { RunFollow } from './run-follow.ts';
import { loadRunFollow } from './run-follow.ts';

/** Whether a plan works, in figures that each carry their counts. */
export interface RunInsights {
  readonly people: number;
  readonly retention: Retention;
  readonly attendance: Share | undefined;
  readonly completion: Readonly<Record<CompletionBy, readonly Completion[]>>;
  readonly dropOff: DropOff;
  /** Due days missed in a row that are taken as a drop-off. */
  readonly lostAfter: number;
  readonly felt: readonly FeltDay[];
  readonly loads: readonly WeekLoad[];
  readonly slopes: readonly SlopeSummary[];
  readonly swaps: readonly {
    readonly from: string;
    readonly to: string;
    readonly times: number;
    readonly people: number;
  }[];
  readonly left: readonly LeftAt[];
}

const MOST_SWAPS = 12;
const MOST_LEFT = 12;

/** The insights of a run as it stands. */
export async function loadInsights(
  db: Db,
  programme: Programme,
  { now, follow: known }: { readonly now?: number; readonly follow?: RunFollow } = {},
): Promise<RunInsights> {
  const follow = known ?? (await loadRunFollow(db, programme, now, false));
  const { runId } = programme;
  const [stored, swaps, parts] = await Promise.all([
    getPlan(db, { id: programme.id, runId }),
    countSwaps(db, runId, MOST_SWAPS),
    countParts(db, runId),
  ]);
  const first = weekdayOf(programme.startsOn);
  const plan = stored.programme;
  const days = follow.days.map((d): InsightDay => ({
    dayId: d.dayId,
    key: dayKey(d),
    week: d.week,
    weekdayName: weekdayName(d.weekday, first),
    title: d.facts?.title ?? '',
    form: d.facts?.form ?? '',
    theme: themeOf(plan, findProgrammeDay(plan, d) ?? d) ?? '',
    likelySec: d.facts?.likelySec ?? 0,
    planned: d.facts?.effort ?? null,
  }));
  const people = follow.people.map((p): InsightPerson => ({
    states: p.states,
    dates: p.calendar.own.map((o) => o.date),
    records: p.records,
    joinedOn: p.joinedOn,
    leftOn: p.leftOn,
    today: p.calendar.today,
  }));
  const counts = countDays(people, days.length);
  const felt = feltDays(days, counts);
  const slopes = follow.people.flatMap((p) => retestSlopes(p.retests));
  const sum = (of: 'due' | 'done') => counts.reduce((n, c) => n + c[of], 0);
  // A week counts once all of its days are over for everybody.
  const isOpenYet = (i: number) => people.some((p) => p.dates[i]! >= p.today);
  const openWeeks = new Set(days.filter((_, i) => people.length === 0 || isOpenYet(i)).map((d) => d.week));
  const wasSent = new Set(follow.days.filter((d) => d.sent).map((d) => d.dayId));
  return {
    people: people.length,
    retention: follow.retention,
    attendance: wilson(sum('done'), sum('due')),
    completion: Object.fromEntries(
      COMPLETION_BY.map((by) => [by, completionBy(by, days, counts)]),
    ) as unknown as RunInsights['completion'],
    dropOff: dropOff(people, follow.lostAfter),
    lostAfter: follow.lostAfter,
    felt,
    loads: weekLoads(
      days.map((d, i) => ({ ...d, due: counts[i]!.due })).filter((d) => wasSent.has(d.dayId) && !openWeeks.has(d.week)),
      felt,
    ),
    slopes: summariseSlopes(slopes),
    swaps,
    left: leftAt(parts, follow.days, counts),
  };
}

/** Where sessions were left, the most first: by the clock where it ran, else by the share that was said. */
function leftAt(
  parts: Awaited<ReturnType<typeof countParts>>,
  days: Awaited<ReturnType<typeof loadRunFollow>>['days'],
  counts: readonly { readonly done: number }[],
): LeftAt[] {
  const placeOf = new Map(days.map((d, i) => [d.dayId, i]));
  const found = new Map<string, { title: string; block: string; count: number; of: number }>();
  for (const { dayId, shareRatio, lastBlock, count } of parts) {
    const place = placeOf.get(dayId);
    const facts = place === undefined ? undefined : days[place]!.facts;
    if (!facts) continue;
    const block =
      lastBlock !== null && facts.blocks[lastBlock]
        ? facts.blocks[lastBlock].name
        : blockAtShare(facts.blocks, shareRatio);
    const key = `${facts.title}\n${block}`;
    const own = found.get(key) ?? { title: facts.title, block, count: 0, of: 0 };
    own.count += count;
    found.set(key, own);
  }
  for (const own of found.values())
    own.of = days.reduce((n, d, i) => n + (d.facts?.title === own.title ? counts[i]!.done : 0), 0);
  return [...found.values()].sort((a, b) => b.count - a.count).slice(0, MOST_LEFT);
}
