import { expect } from 'vitest';
import { completionBy, countDays, dropOff, feltDays, weekLoads } from '../../core/record/insights/insights.ts';
import type { InsightDay, InsightPerson } from '../../core/record/insights/insights.ts';
import { wilson } from '../../core/record/insights/shares.ts';
import type { Adherence, DayState } from '../../core/record/adherence/strand.ts';
import type { RawRun } from './recompute.ts';
import { personFigures, runFigures, wilsonBounds } from './recompute.ts';

/** A person as the project sees them. */
export interface OursPerson extends InsightPerson {
  readonly adherence: Adherence;
  readonly isHere: boolean;
}

const near = (ours: number | undefined, theirs: number | undefined, what: string): void => {
  if (ours === undefined || theirs === undefined || !Number.isFinite(ours) || !Number.isFinite(theirs))
    expect([what, ours]).toEqual([what, theirs]);
  else if (Math.abs(ours - theirs) > 1e-6 * Math.max(1, Math.abs(theirs)))
    expect(`${what} ${ours}`).toBe(`${what} ${theirs}`);
};

/** That one person comes to the same twice: their states, and each sum over them. */
export function samePerson(raw: RawRun, place: number, ours: OursPerson): void {
  const theirs = personFigures(raw, raw.people[place]!);
  expect(ours.states).toEqual(theirs.states as readonly DayState[]);
  expect(ours.dates).toEqual(theirs.dates);
  const a = ours.adherence;
  expect({
    due: a.due,
    done: a.done,
    inPart: a.inPart,
    beside: a.bonus,
    prescribed: a.prescribed,
    inARow: a.inARow,
    longestRow: a.longestRow,
    missedInARow: a.missedInARow,
    lastOn: a.lastOn,
    isHere: ours.isHere,
  }).toEqual({
    due: theirs.due,
    done: theirs.done,
    inPart: theirs.inPart,
    beside: theirs.beside,
    prescribed: theirs.prescribed,
    inARow: theirs.inARow,
    longestRow: theirs.longestRow,
    missedInARow: theirs.missedInARow,
    lastOn: theirs.lastOn,
    isHere: theirs.isHere,
  });
  // What was worked is kept to a hundredth of a second.
  expect(Math.abs(a.worked - theirs.worked)).toBeLessThanOrEqual(0.005 + 1e-9);
}

/** The figures of a run as the project has them. */
export interface OursRun {
  readonly days: readonly InsightDay[];
  readonly people: readonly OursPerson[];
  readonly lostAfter: number;
}

/** That a run comes to the same twice: shares with their intervals, efforts, loads, and who is still there. */
export function sameRun(raw: RawRun, { days, people, lostAfter }: OursRun): void {
  const theirs = runFigures(raw);
  const counts = countDays(people, days.length);
  const weeks = completionBy('week', days, counts);
  expect(weeks.map((w) => [w.label, w.share.count, w.share.of])).toEqual(
    theirs.weeks.filter((w) => w.due > 0).map((w) => [`week ${w.week}`, w.done, w.due]),
  );
  for (const { share, label } of weeks) {
    const [low, high] = wilsonBounds(share.count, share.of);
    near(share.low, low, `${label} low`);
    near(share.high, high, `${label} high`);
  }
  const all = wilson(
    counts.reduce((n, c) => n + c.done, 0),
    counts.reduce((n, c) => n + c.due, 0),
  );
  expect([all?.count ?? 0, all?.of ?? 0]).toEqual([theirs.done, theirs.due]);
  const felt = feltDays(days, counts);
  expect(felt.map((f) => [f.dayId, f.said])).toEqual(theirs.felt.map((f) => [days[f.day]!.dayId, f.said]));
  for (const [i, f] of felt.entries())
    for (const key of ['mean', 'low', 'high', 'loadAu', 'perDueAu'] as const)
      near(key === 'perDueAu' ? f.loadPerDueAu : f[key], theirs.felt[i]![key], `felt ${i} ${key}`);
  const isOpen = (i: number) => people.some((p) => p.dates[i]! >= p.today);
  const open = new Set(days.filter((_, i) => people.length === 0 || isOpen(i)).map((d) => d.week));
  const loads = weekLoads(
    days.map((d, i) => ({ ...d, due: counts[i]!.due })).filter((d, i) => raw.days[i]!.sent && !open.has(d.week)),
    felt,
  );
  expect(loads.map((w) => [w.week, w.said, w.due])).toEqual(theirs.loads.map((w) => [w.week, w.said, w.due]));
  for (const [i, w] of loads.entries()) {
    const t = theirs.loads[i]!;
    near(w.plannedAu, t.planned, `planned load, week ${w.week}`);
    near(w.feltAu, t.felt, `felt load, week ${w.week}`);
    near(w.perDueAu, t.perDue, `felt a person due, week ${w.week}`);
    near(w.monotony, t.monotony, `monotony, week ${w.week}`);
    near(w.strain, t.strain, `strain, week ${w.week}`);
  }
  const off = dropOff(people, lostAfter);
  expect([off.gone, off.steps.map((s) => [s.time, s.atRisk, s.events])]).toEqual([
    theirs.gone,
    theirs.curve.map((s) => [s.week, s.atRisk, s.gone]),
  ]);
  for (const [i, s] of off.steps.entries())
    for (const key of ['share', 'low', 'high'] as const) near(s[key], theirs.curve[i]![key], `survival ${i} ${key}`);
}
