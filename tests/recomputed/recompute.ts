import { Temporal } from 'temporal-polyfill';

/**
 * The figures of docs/formulas.md once more, in the plainest way, from raw rows: written from that page alone, slow, and without
 * anything of `core`. What both come to must be the same.
 */
export interface RawDay {
  readonly week: number;
  readonly weekday: number;
  readonly sent: boolean;
  readonly firstSentMs: number;
  readonly effort: number | null;
  readonly likelySec: number;
  readonly workSec: number;
}
export interface RawRecord {
  /** Place of its day. */
  readonly day: number;
  readonly outcome: 'done' | 'part' | 'not-done';
  readonly share: number;
  readonly effort: number | null;
  readonly madeAtMs: number;
}
export interface RawPerson {
  readonly zone: string;
  readonly joinedOn: string;
  readonly leftOn: string | null;
  /** Their own day 1. */
  readonly startsOn: string | null;
  readonly absences: readonly { readonly from: string; readonly to: string | null }[];
  /** In the order in which they came in. */
  readonly records: readonly RawRecord[];
}
export interface RawRun {
  readonly nowMs: number;
  readonly startsOn: string;
  readonly releaseTime: string;
  readonly releaseZone: string | null;
  readonly makeUpDays: number | null;
  readonly days: readonly RawDay[];
  readonly people: readonly RawPerson[];
}

const plus = (date: string, days: number): string => Temporal.PlainDate.from(date).add({ days }).toString();
const between = (from: string, to: string): number => Temporal.PlainDate.from(from).until(to).days;
const instant = (date: string, time: string, zone: string): number =>
  Temporal.PlainDateTime.from(`${date}T${time}`).toZonedDateTime(zone, { disambiguation: 'compatible' })
    .epochMilliseconds;
const dateAt = (ms: number, zone: string): string =>
  Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(zone).toPlainDate().toString();

const HOUR = 3_600_000;

function ownDay(run: RawRun, person: RawPerson, day: RawDay) {
  const planned = plus(person.startsOn ?? run.startsOn, 7 * (day.week - 1) + day.weekday - 1);
  const opens = instant(planned, run.releaseTime, run.releaseZone ?? person.zone);
  const date = run.releaseZone === null ? planned : dateAt(opens, person.zone);
  const midnight = instant(plus(date, 1), '00:00', person.zone);
  const closes = run.makeUpDays === null ? Infinity : instant(plus(date, run.makeUpDays + 1), '00:00', person.zone);
  return { date, opens, midnight, closes };
}

export interface PersonFigures {
  readonly states: readonly string[];
  readonly dates: readonly string[];
  readonly due: number;
  readonly done: number;
  readonly inPart: number;
  readonly beside: number;
  readonly prescribed: number;
  readonly worked: number;
  readonly inARow: number;
  readonly longestRow: number;
  readonly missedInARow: number;
  readonly lastOn: string | null;
  readonly isHere: boolean;
  /** Week in which they dropped off or left, or were last seen; null before anything was due. */
  readonly survival: { readonly week: number; readonly isGone: boolean } | null;
}

/** What stands of a day: the record made last. */
function standing(person: RawPerson, day: number): RawRecord | undefined {
  let last: RawRecord | undefined;
  for (const record of person.records)
    if (record.day === day && (!last || record.madeAtMs >= last.madeAtMs)) last = record;
  return last;
}

function stateOf(run: RawRun, person: RawPerson, place: number): string {
  const day = run.days[place]!;
  const own = ownDay(run, person, day);
  const today = dateAt(run.nowMs, person.zone);
  const record = standing(person, place);
  const isAway =
    person.absences.some((a) => a.from <= own.date && (a.to === null || own.date <= a.to)) ||
    (person.leftOn !== null && own.date > person.leftOn);
  const openFrom = Math.max(own.opens, day.firstSentMs);
  const wasOpen = own.midnight - openFrom >= Math.min(HOUR, own.midnight - own.opens);
  let state: string;
  if (own.date < person.joinedOn) state = 'before';
  else if (isAway) state = 'excused';
  else if (!day.sent) state = 'unsent';
  else if (run.nowMs < own.opens) state = 'ahead';
  else if (own.date >= today) state = 'due';
  else state = wasOpen ? 'missed' : 'not-due';
  if (!record) return state;
  // What wasn't owed: done beside; said not to be done it stays what it was.
  const isFree = ['before', 'excused', 'unsent'].includes(state);
  if (record.outcome === 'not-done') return isFree || state === 'not-due' ? state : 'not-done';
  if (isFree) return 'bonus';
  if (record.madeAtMs < own.closes) return record.outcome;
  return state === 'not-due' ? 'bonus' : 'late';
}

const isDone = (state: string): boolean => state === 'done' || state === 'part';
const isDue = (state: string): boolean =>
  isDone(state) || state === 'missed' || state === 'not-done' || state === 'late';

/** Twice the middle of the sessions a week, four at least. */
export function rhythm(days: readonly RawDay[]): number {
  const weeks = [...new Set(days.map((d) => d.week))].map((w) => days.filter((d) => d.week === w).length);
  const sorted = weeks.sort((a, b) => a - b);
  const middle =
    sorted.length === 0
      ? 0
      : (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2;
  return Math.max(4, Math.round(2 * middle));
}

export function personFigures(run: RawRun, person: RawPerson): PersonFigures {
  const states = run.days.map((_, i) => stateOf(run, person, i));
  const dates = run.days.map((d) => ownDay(run, person, d).date);
  const due = states.flatMap((s, i) => (isDue(s) ? [i] : []));
  const done = due.filter((i) => isDone(states[i]!));
  const kept = due.map((i) => (isDone(states[i]!) ? 'x' : '.')).join('');
  const rows = kept.split('.').map((row) => row.length);
  const did = states.flatMap((s, i) => (isDone(s) || s === 'bonus' || s === 'late' ? [dates[i]!] : [])).sort();
  const missedInARow = /\.*$/.exec(kept)![0].length;
  const today = dateAt(run.nowMs, person.zone);
  const hasLeft = person.leftOn !== null && person.leftOn <= today;
  const lost = rhythm(run.days);
  let survival: PersonFigures['survival'] = null;
  if (due.length > 0) {
    const first = dates[due[0]!]!;
    const from = first < person.joinedOn ? person.joinedOn : first;
    const weekOf = (date: string) => Math.max(1, Math.floor(between(from, date) / 7) + 1);
    const lastDone = done.length === 0 ? undefined : dates[done.at(-1)!];
    survival = hasLeft
      ? { week: weekOf(person.leftOn), isGone: true }
      : missedInARow >= lost
        ? { week: lastDone === undefined ? 1 : weekOf(lastDone), isGone: true }
        : { week: weekOf(today), isGone: false };
  }
  const workOf = (i: number) => run.days[i]!.workSec * (states[i] === 'part' ? (standing(person, i)?.share ?? 1) : 1);
  return {
    states,
    dates,
    due: due.length,
    done: done.length,
    inPart: done.filter((i) => states[i] === 'part').length,
    beside: states.filter((s) => s === 'bonus' || s === 'late').length,
    prescribed: due.reduce((n, i) => n + run.days[i]!.workSec, 0),
    worked: done.reduce((n, i) => n + workOf(i), 0),
    inARow: rows.at(-1) ?? 0,
    longestRow: Math.max(0, ...rows),
    missedInARow,
    lastOn: did.at(-1) ?? null,
    isHere: !hasLeft && missedInARow < lost,
    survival,
  };
}

/** Wilson's interval by solving its quadratic: those p for which |count/of - p| = z sqrt(p(1-p)/of). */
export function wilsonBounds(count: number, of: number): readonly [number, number] {
  const z2 = 1.959964 ** 2;
  const p = count / of;
  const [a, b, c] = [1 + z2 / of, -(2 * p + z2 / of), p * p];
  const root = Math.sqrt(b * b - 4 * a * c);
  return [Math.max(0, (-b - root) / (2 * a)), Math.min(1, (-b + root) / (2 * a))];
}

/** The share that is still there after each week in which somebody went. */
export function survivalCurve(seen: readonly { readonly week: number; readonly isGone: boolean }[]) {
  const weeks = [...new Set(seen.filter((s) => s.isGone).map((s) => s.week))].sort((a, b) => a - b);
  let share = 1;
  let variance = 0;
  return weeks.map((week) => {
    const atRisk = seen.filter((s) => s.week >= week).length;
    const gone = seen.filter((s) => s.isGone && s.week === week).length;
    share = (share * (atRisk - gone)) / atRisk;
    if (atRisk > gone) variance += gone / (atRisk * (atRisk - gone));
    const theta = share > 0 && share < 1 ? (1.959964 * Math.sqrt(variance)) / Math.log(share) : 0;
    const [low, high] =
      share > 0 && share < 1 ? [share ** Math.exp(-theta), share ** Math.exp(theta)] : ([share, share] as const);
    return { week, atRisk, gone, share, low: Math.min(low, high), high: Math.max(low, high) };
  });
}

/** Half way between the neighbours where a quantile falls between two. */
function quantile(sorted: readonly number[], q: number): number {
  const at = (sorted.length - 1) * q;
  const [low, high] = [sorted[Math.floor(at)]!, sorted[Math.ceil(at)]!];
  return low + (high - low) * (at - Math.floor(at));
}

export interface RunFigures {
  readonly people: readonly PersonFigures[];
  readonly done: number;
  readonly due: number;
  readonly weeks: readonly { readonly week: number; readonly done: number; readonly due: number }[];
  readonly felt: readonly {
    readonly day: number;
    readonly mean: number;
    readonly low: number;
    readonly high: number;
    readonly said: number;
    readonly loadAu: number;
    readonly perDueAu: number;
  }[];
  readonly loads: readonly {
    readonly week: number;
    readonly planned: number | undefined;
    readonly felt: number | undefined;
    readonly perDue: number | undefined;
    readonly monotony: number | undefined;
    readonly strain: number | undefined;
    readonly said: number;
    readonly due: number;
  }[];
  readonly gone: number;
  readonly curve: ReturnType<typeof survivalCurve>;
}

export function runFigures(run: RawRun): RunFigures {
  const people = run.people.map((p) => personFigures(run, p));
  const dueOn = (i: number) => people.filter((p) => isDue(p.states[i]!)).length;
  const doneOn = (i: number) => people.filter((p) => isDone(p.states[i]!)).length;
  const places = run.days.map((_, i) => i);
  const weekNumbers = [...new Set(run.days.map((d) => d.week))].sort((a, b) => a - b);
  const weeks = weekNumbers.map((week) => {
    const own = places.filter((i) => run.days[i]!.week === week);
    return {
      week,
      done: own.reduce((n, i) => n + doneOn(i), 0),
      due: own.reduce((n, i) => n + dueOn(i), 0),
    };
  });
  const felt = places.flatMap((i) => {
    const said = people.flatMap((p, k) => {
      const record = standing(run.people[k]!, i);
      return isDone(p.states[i]!) && record && record.effort !== null
        ? [{ effort: record.effort, did: record.outcome === 'part' ? record.share : 1 }]
        : [];
    });
    if (said.length === 0) return [];
    const efforts = said.map((s) => s.effort).sort((a, b) => a - b);
    const minutes = run.days[i]!.likelySec / 60;
    const load = said.reduce((n, s) => n + s.effort * minutes * s.did, 0);
    return [
      {
        day: i,
        mean: efforts.reduce((a, b) => a + b, 0) / efforts.length,
        low: quantile(efforts, 0.25),
        high: quantile(efforts, 0.75),
        said: said.length,
        loadAu: load / said.length,
        perDueAu: load / dueOn(i),
      },
    ];
  });
  const isOver = (i: number) =>
    people.length > 0 && people.every((p, k) => p.dates[i]! < dateAt(run.nowMs, run.people[k]!.zone));
  const loads = weekNumbers.flatMap((week) => {
    const all = places.filter((i) => run.days[i]!.week === week);
    const own = all.filter((i) => run.days[i]!.sent);
    if (own.length === 0 || !all.every(isOver)) return [];
    const feltOf = (i: number) => felt.find((f) => f.day === i);
    const plannedOf = (i: number) => {
      const { effort, likelySec } = run.days[i]!;
      return effort === null ? undefined : (effort * likelySec) / 60;
    };
    const total = (list: readonly (number | undefined)[]) =>
      list.includes(undefined) ? undefined : list.reduce<number>((a, b) => a + b!, 0);
    const daily = own.map((i) => feltOf(i)?.loadAu);
    const feltAu = total(daily);
    let monotony: number | undefined;
    if (feltAu !== undefined && feltAu > 0) {
      const seven = [...(daily as number[]), ...Array<number>(7).fill(0)].slice(0, 7);
      const mean = seven.reduce((a, b) => a + b, 0) / 7;
      const sd = Math.sqrt(seven.reduce((n, x) => n + (x - mean) ** 2, 0) / 6);
      monotony = sd === 0 ? Infinity : mean / sd;
    }
    return [
      {
        week,
        planned: total(own.map(plannedOf)),
        felt: feltAu,
        perDue: own.every((i) => !feltOf(i)) ? undefined : own.reduce((n, i) => n + (feltOf(i)?.perDueAu ?? 0), 0),
        monotony,
        strain: monotony === undefined ? undefined : monotony * feltAu!,
        said: own.reduce((n, i) => n + (feltOf(i)?.said ?? 0), 0),
        due: own.reduce((n, i) => n + dueOn(i), 0),
      },
    ];
  });
  const seen = people.flatMap((p) => p.survival ?? []);
  return {
    people,
    done: weeks.reduce((n, w) => n + w.done, 0),
    due: weeks.reduce((n, w) => n + w.due, 0),
    weeks,
    felt,
    loads,
    gone: seen.filter((s) => s.isGone).length,
    curve: survivalCurve(seen),
  };
}
