import { assertNever } from '../../assert-never.ts';
import { formatClock } from '../../words/format-clock.ts';
import type { SessionDocument } from '../../document/document.ts';
import { isExact } from '../../pace/pace.ts';
import { computePlan } from '../../session/plan.ts';
import { nextRoutines } from '../../notation/next-routine.ts';
import { readLever } from '../levers/apply-lever.ts';
import type { ProgressScope, ReadTrack, TrackWeek } from '../track/build-track.ts';
import type { Lever } from '../levers/lever.ts';
import { formatBy, formatSigned, isSameLever, LEVER_KINDS, leverName } from '../levers/lever.ts';
import type { LeverRule } from '../track/schedule.ts';
import { lighterFor } from '../track/schedule.ts';
import { findSchool } from '../track/schools.ts';

/** What one lever stands at in two sessions. */
export interface LeverChange {
  readonly lever: Lever;
  readonly from: string;
  readonly to: string;
}

/** What differs between two sessions in terms of levers; those that stand the same left out. */
export function findLeverChanges(
  before: SessionDocument,
  now: SessionDocument,
  levers: readonly Lever[],
  { library }: ProgressScope,
): LeverChange[] {
  return levers.flatMap((lever, i) => {
    if (levers.findIndex((l) => isSameLever(l, lever)) < i) return [];
    const from = readLever(before, lever, library);
    const to = readLever(now, lever, library);
    return from === undefined || to === undefined || from === to ? [] : [{ lever, from, to }];
  });
}

export interface WeekExplained {
  readonly changes: readonly LeverChange[];
  /** Likely seconds before and now, where they differ. */
  readonly lengthSec?: { readonly from: number; readonly to: number; readonly isEstimated: boolean };
  /** `rounds 6 → 7, 24:00 → 28:00`, or `as in week 3`. */
  readonly words: string;
  /** Why, by the rules that moved; empty where nothing did. */
  readonly why: readonly string[];
}

/**
 * What changed in a track's session from one week of the progression to another, and why. Lengths compare the whole
 * session. Two weeks that are alike say so.
 */
export function explainWeek(read: ReadTrack, now: TrackWeek, before: TrackWeek): WeekExplained {
  const { library, routines } = read.scope;
  const levers = [...read.track.levers, ...before.pulls, ...now.pulls]
    .map((p) => p.lever)
    .sort((a, b) => LEVER_KINDS.indexOf(a.kind) - LEVER_KINDS.indexOf(b.kind));
  const changes = findLeverChanges(before.document, now.document, levers, read.scope);
  const [was, is] = [before, now].map((w) => computePlan(w.document, library, routines).clockSec);
  const lengthSec =
    was!.likely === is!.likely ? undefined : { from: was!.likely, to: is!.likely, isEstimated: !isExact(is!) };
  const turns = now.document.blocks.flatMap((block, b) => {
    const to = nextRoutines(block)[0];
    const from = before.document.blocks[b] && nextRoutines(before.document.blocks[b])[0];
    return to !== undefined && from !== undefined && to !== from ? [{ from, to }] : [];
  });
  const words = [
    ...turns.map(({ from, to }) => `${from} → ${to}`),
    ...changes.map((c) => `${leverName(c.lever)} ${c.from} → ${c.to}`),
    ...(lengthSec
      ? [`${lengthSec.isEstimated ? 'about ' : ''}${formatClock(lengthSec.from)} → ${formatClock(lengthSec.to)}`]
      : []),
  ];
  const why = changes.flatMap(({ lever }) =>
    read.track.levers.flatMap((rule) => (pullsLever(rule, lever) ? [reason(rule, lever, now)] : [])),
  );
  return {
    changes,
    ...(lengthSec && { lengthSec }),
    words: words.length === 0 ? `as in week ${before.week}` : words.join(', '),
    why: why.length === 0 ? [] : [findSchool(read.track.school).name, ...why],
  };
}

const pullsLever = (rule: LeverRule, lever: Lever): boolean =>
  isSameLever(rule.lever, lever) ||
  (rule.schedule.kind === 'double' && lever.kind === 'load' && (rule.lever.of ?? '') === (lever.of ?? ''));

function reason(rule: LeverRule, lever: Lever, { week, isLighter }: TrackWeek): string {
  const name = leverName(lever);
  const isOwn = lighterFor(rule, isLighter ? [week] : []).length > 0;
  if (isOwn && rule.schedule.kind !== 'list' && rule.lighterBy !== undefined)
    return `${name}: a lighter week, ${formatBy(lever.kind, rule.lighterBy)} on what is written${lever.kind === 'reps' && rule.lighterBy < 0 ? ', each line by the same share' : ''}`;
  return `${name}: ${describeSchedule(rule, week)}`;
}

/** A rule in words, as a coach would say it; with `week`, only what concerns that week. */
export function describeSchedule({ lever, schedule }: LeverRule, week?: number): string {
  const { kind } = lever;
  switch (schedule.kind) {
    case 'each-week':
      return `${formatBy(kind, schedule.by)} every week`;
    case 'at-weeks': {
      const steps = schedule.steps.filter((s) => week === undefined || s.week <= week);
      return steps.length === 0
        ? 'as written'
        : steps.map((s) => `${formatBy(kind, s.by)} from week ${s.week}`).join(', ');
    }
    case 'list':
      return week === undefined
        ? `week by week ${schedule.values.map(formatSigned).join(' ')}`
        : `${formatBy(kind, schedule.values[Math.min(week, schedule.values.length) - 1] ?? 0)} on what is written, by its list`;
    case 'wave':
      return [
        schedule.by === 0
          ? 'the same up to a lighter week'
          : `${formatBy(kind, schedule.by)} a week up to a lighter one`,
        schedule.carry === 0
          ? 'then from the start again'
          : `${formatBy(kind, schedule.carry)} after each lighter week`,
      ].join(', ');
    case 'double':
      return `reps by one a week to ${schedule.ceiling}, then ${formatBy('load', schedule.loadBy)} and from the start again`;
    case 'until-length':
      return `${formatBy(kind, schedule.by)} a week until ${formatClock(schedule.sec)}`;
    default:
      return assertNever(schedule);
  }
}
