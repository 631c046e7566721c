import { DAY_MS } from '../../core/calendar/spans.ts';
import { createHash } from 'node:crypto';
import { BoundedCache } from '../../core/bounded-cache.ts';
import { groupBy } from '../../core/group-by.ts';
import { localDate, toRunDays } from '../../core/calendar/release.ts';
import type {
  AttentionItem,
  HistoryDays,
  HistoryPlan,
  RetestScore,
  ToldPain,
} from '../../core/record/attention/history.ts';
import { findAttention, isQuiet } from '../../core/record/attention/attention.ts';
import type { AttentionSettings } from '../../core/record/attention/attention-rules.ts';
import { ATTENTION_RULES, readAttentionSettings } from '../../core/record/attention/attention-rules.ts';
import type { OwnCalendar, PlannedDay } from '../../core/record/adherence/build-strand.ts';
import { dayStates, ownCalendars, workOf } from '../../core/record/adherence/build-strand.ts';
import { painWords } from '../../words/en/record/record.ts';
import type { Score } from '../../core/record/scores/score.ts';
import { formatScore } from '../../core/record/scores/score.ts';
import type { Adherence, DayState, Retention, Standing } from '../../core/record/adherence/strand.ts';
import { computeAdherence, isStillHere } from '../../core/record/adherence/strand.ts';
import { lostAfterDue } from '../../core/record/adherence/rhythm.ts';
import type { Db } from '../../db/pool.ts';
import type { StoredAct } from '../../db/queries/act.ts';
import { getAttention, listRunActs } from '../../db/queries/act.ts';
import { listPainSince } from '../../db/queries/pain.ts';
import type { RosterRow } from '../../db/queries/person.ts';
import { listRoster } from '../../db/queries/person.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listDayPlaces } from '../../db/queries/programme.ts';
import { listSentDays, sentSince } from '../../db/queries/record.ts';
import { listStandingHurts, listStandingScores } from '../../db/queries/standing.ts';
import { listStops } from '../../db/queries/messages/stop.ts';
import { nowMs } from '../config.ts';
import { runStandings } from './run-standings.ts';
import type { SentFacts } from './sent-facts.ts';
import { sentFacts } from './sent-facts.ts';
import { sessionLoad } from '../../core/progress/week/training-load.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** A planned day of a run with what was sent for it. */
export interface FollowedDay extends PlannedDay {
  /** The track that it comes from; empty where it is from none. */
  readonly track: string;
  /** The newest version that stands. */
  readonly versionId: number | undefined;
  readonly facts: SentFacts | undefined;
}

/** Someone in a run, with all that follows from what they said. */
export interface FollowedPerson extends RosterRow {
  readonly calendar: OwnCalendar;
  /** By day, in the order of the days. */
  readonly states: readonly DayState[];
  /** What stands of each day. */
  readonly records: readonly (Standing | undefined)[];
  /** Their numbers in retests, the oldest first. */
  readonly retests: readonly RetestScore[];
  readonly adherence: Adherence;
  readonly isHere: boolean;
  /** What asks for attention and was not acted upon yet, most pressing first. */
  readonly items: readonly AttentionItem[];
}

export interface RunFollow {
  readonly plan: HistoryPlan;
  readonly days: readonly FollowedDay[];
  readonly people: readonly FollowedPerson[];
  readonly retention: Retention;
  readonly settings: AttentionSettings;
  readonly acts: readonly StoredAct[];
  /** Due days in a row without one done after which somebody has dropped off. */
  readonly lostAfter: number;
}

/** How far back what hurts is looked for: the longest that its rule can be set to. */
const PAIN_DAYS = ATTENTION_RULES.pain.threshold!.high;

/** What a run was last found to be, and of what that was made: it is the same while that is. */
interface Remembered {
  madeOf: string;
  follow: Omit<RunFollow, 'retention'> | undefined;
}
/** The runs looked at last. A page is looked at again and again, and most of the time nothing has changed but the minute. */
const remembered = new BoundedCache<string, Remembered>(12);

/** Everything that a run's coach follows, computed once for its pages: strands, adherence, and attention where it is wanted. */
export async function loadRunFollow(
  db: Db,
  programme: Programme,
  now = nowMs(),
  wantsAttention = true,
): Promise<RunFollow> {
  const facts = await askRun(db, programme, now);
  const calendarOf = ownCalendars(programme.run.rules, facts.days, now);
  const last = remembered.get(`${programme.runId} ${wantsAttention}`, () => ({ madeOf: '', follow: undefined }));
  const madeOf = fingerprint(facts, programme, calendarOf, now);
  const follow =
    last.madeOf === madeOf ? last.follow! : await followRun(db, programme, facts, calendarOf, now, wantsAttention);
  Object.assign(last, { madeOf, follow });
  return {
    ...follow,
    retention: {
      here: follow.people.filter((p) => p.isHere).length,
      joined: follow.people.length,
      on: localDate(now, 'UTC'),
    },
  };
}

/** What the database says of a run. */
type RunFacts = Awaited<ReturnType<typeof askRun>>;

async function askRun(db: Db, programme: Programme, now: number) {
  const { runId, run } = programme;
  const [people, places, sentDays, { standings, stamp }, stored, acts, told, hurts, book, stops] = await Promise.all([
    listRoster(db, runId),
    listDayPlaces(db, programme.id),
    listSentDays(db, runId),
    runStandings(db, { runId, makeUpDays: run.rules.makeUpDays }),
    getAttention(db, runId),
    listRunActs(db, runId),
    listPainSince(db, runId, now - PAIN_DAYS * DAY_MS),
    listStandingHurts(db, runId, now - PAIN_DAYS * DAY_MS),
    loadWorkspaceBook(db),
    listStops(db, runId),
  ]);
  const sent = await sentFacts(
    db,
    sentDays.map((d) => d.versionId),
    book,
  );
  const sentOf = new Map(sentDays.map((d) => [d.dayId, d]));
  const tracks = new Map(places.map((p) => [p.dayId, p.track]));
  const days = toRunDays(places).map((place): FollowedDay => {
    const version = sentOf.get(place.dayId);
    const own = version && sent.get(version.versionId);
    return Object.assign(
      {
        track: tracks.get(place.dayId) ?? '',
        versionId: version?.versionId,
        sent: version !== undefined,
        facts: own,
        ...sentSince(version),
      },
      place,
      own && { workSec: own.workSec },
    );
  });
  return {
    people,
    days,
    versions: sentDays.map((d) => [d.versionId, d.firstSentMs]),
    standings,
    stamp,
    stored,
    acts,
    told,
    hurts,
    book,
    stops,
  };
}

/** All that what follows is computed from, as one short text. Of the time only what it has opened, and each calendar's day. */
function fingerprint(
  { people, days, versions, stamp, stored, acts, told, hurts, book, stops }: RunFacts,
  { run }: Programme,
  calendarOf: (person: RosterRow) => OwnCalendar,
  now: number,
): string {
  const calendars = [...new Set(people.map(calendarOf))].map(({ today, own }) => [
    today,
    own.filter((o) => o.releaseMs <= now).length,
  ]);
  const places = days.map(({ dayId, week, weekday, track }) => [dayId, week, weekday, track]);
  return createHash('sha256')
    .update(
      JSON.stringify([
        run.rules,
        calendars,
        places,
        versions,
        stamp,
        stored,
        acts,
        told,
        hurts,
        stops,
        book.key,
        people,
      ]),
    )
    .digest('base64');
}

const historyPlan = (days: readonly FollowedDay[]): HistoryPlan => ({
  dayIds: days.map((d) => d.dayId),
  works: days.map((d) => d.facts?.work ?? ''),
  tracks: days.map((d) => d.track),
  planned: days.map((d) => d.facts?.effort ?? null),
  loadsAu: days.map((d) => sessionLoad(d.facts?.effort ?? undefined, d.facts?.likelySec ?? 0) ?? null),
});

async function followRun(
  db: Db,
  { runId }: Programme,
  { people, days, standings, stored, acts, told, hurts, stops: allStops }: RunFacts,
  calendarOf: (person: RosterRow) => OwnCalendar,
  now: number,
  wantsAttention: boolean,
): Promise<Omit<RunFollow, 'retention'>> {
  const retestDays = new Map(days.flatMap((d) => (d.facts?.retest ? [[d.dayId, d.facts.retest] as const] : [])));
  const blocksOf = new Map(days.flatMap((d) => (d.facts?.retest ? [[d.dayId, d.facts.blocks] as const] : [])));
  const numbers = await listStandingScores(db, runId, [...retestDays.keys()]);
  const settings = readAttentionSettings(stored);
  const plan = historyPlan(days);
  const lostAfter = lostAfterDue(days);
  const weights = workOf(days);
  const recordsOf = standings.by(plan.dayIds);
  const placeOf = new Map(plan.dayIds.map((id, i) => [id, i]));
  const scoresOf = groupBy(numbers, (n) => n.enrolmentId);
  const painsOf = groupBy(
    [
      ...told.map((p) => ({ ...p, atMs: p.toldAtMs, words: painWords(p) })),
      // What was told during the session isn't told again by its log.
      ...hurts
        .filter((h) => !told.some((p) => p.enrolmentId === h.enrolmentId && p.dayId === h.dayId))
        .map((h) => ({ ...h, atMs: h.madeAtMs, words: h.remark === '' ? 'said afterwards' : h.remark })),
    ].sort((a, b) => a.atMs - b.atMs),
    (p) => p.enrolmentId,
  );
  const actsOf = groupBy(acts, (a) => a.enrolmentId);
  const stopsOf = groupBy(allStops, (s) => s.enrolmentId);
  const followed = people.map((person): FollowedPerson => {
    const records = recordsOf(person.enrolmentId);
    const { joinedOn, absences } = person;
    const calendar = calendarOf(person);
    const stops = stopsOf.get(person.enrolmentId) ?? [];
    const states = dayStates(days, { joinedOn, absences, stops, records }, calendar, now);
    const adherence = computeAdherence(states, { records, dates: calendar.dates, weights });
    const retests = retestScores(scoresOf.get(person.enrolmentId) ?? [], placeOf, calendar, retestDays, blocksOf);
    const items = !wantsAttention
      ? []
      : findAttention(
          {
            today: calendar.today,
            joinedOn,
            leftOn: person.leftOn,
            plan,
            dates: calendar.dates,
            states,
            records,
            adherence,
            absences,
            pains: (painsOf.get(person.enrolmentId) ?? []).map((p): ToldPain => ({
              dayId: p.dayId,
              date: localDate(p.atMs, person.timeZone),
              words: p.words,
            })),
            retests,
            bounced: person.bounced,
          },
          settings,
        );
    const done = (actsOf.get(person.enrolmentId) ?? []).map((a) => ({
      ...a,
      madeOn: localDate(a.madeAtMs, person.timeZone),
    }));
    return {
      calendar,
      states,
      records,
      retests,
      adherence,
      isHere: isStillHere(adherence, person.leftOn, calendar.today, lostAfter),
      items: done.length === 0 ? items : items.filter((item) => !isQuiet(item, done, calendar.today)),
      ...person,
    };
  });
  return { plan, days, people: followed, settings, acts, lostAfter };
}

/** The days of someone as attention looks at them. */
export const historyOf = (
  { plan }: RunFollow,
  { calendar, states, records }: Pick<FollowedPerson, 'calendar' | 'states' | 'records'>,
): HistoryDays => ({ plan, dates: calendar.dates, states, records });

const UNKNOWN_WORK = { perRound: null, plannedReps: null };

/** What someone got in retests, the oldest first, each with the key of what it may be compared with. */
function retestScores(
  numbers: readonly { readonly dayId: number; readonly scores: readonly Score[] }[],
  placeOf: ReadonlyMap<number, number>,
  { dates }: OwnCalendar,
  retestDays: ReadonlyMap<number, string>,
  blocksOf: ReadonlyMap<number, SentFacts['blocks']>,
): RetestScore[] {
  if (numbers.length === 0) return [];
  return numbers
    .flatMap(({ dayId, scores }) =>
      scores.map((score): RetestScore => {
        const retest = retestDays.get(dayId)!;
        return {
          dayId,
          date: dates[placeOf.get(dayId)!]!,
          key: `${retest.toLowerCase()} ${score.key ?? score.block} ${score.part ?? 1} ${score.kind}`,
          label: retest,
          words: formatScore(score),
          score,
          work: blocksOf.get(dayId)?.[score.block] ?? UNKNOWN_WORK,
        };
      }),
    )
    .sort((a, b) => (a.date < b.date ? -1 : 1));
}

/** How much someone needs a word: the weight of what presses most, worries before good words. */
export const needOf = ({ items }: Pick<FollowedPerson, 'items'>): number =>
  items.length === 0 ? 0 : ATTENTION_RULES[items[0]!.code].weight;
