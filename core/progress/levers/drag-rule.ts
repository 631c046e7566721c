import type { LeverKind } from './lever.ts';
import { LEVER_WORDS } from './lever.ts';
import type { LeverRule, Schedule, ScheduleKind, ScheduleScope } from '../track/schedule.ts';
import { buildWeeks, lighterFor, pullsAt } from '../track/schedule.ts';

/** The smallest step of a lever when it is dragged or stepped by key. */
export const leverStep = (kind: LeverKind): number =>
  kind === 'load' ? 0.5 : kind === 'clock' ? 15 : kind === 'work' || kind === 'rest' ? 5 : 1;

const toStep = (value: number, kind: LeverKind): number => {
  const step = leverStep(kind);
  return Math.round(value / step) * step;
};

/** What a rule pulls its own lever by in a week; no pull is 0, never the -0 that a product of signs can come to. */
export const offsetAt = (rule: LeverRule, week: number, scope: ScheduleScope): number =>
  pullsAt(rule, week, scope)[0]!.by + 0;

/**
 * The rule changed so that in `week` it pulls by `by`, as near as its kind can: the step a week changes, or a step is set
 * there, or the list's own value. A lighter week changes only what lighter weeks get. The first week of a rule that grows
 * is as written: the same rule comes back, as it does for a double progression.
 */
export function dragRule(rule: LeverRule, week: number, by: number, scope: ScheduleScope): LeverRule {
  const { schedule, lever } = rule;
  const wanted = toStep(by, lever.kind);
  if (schedule.kind === 'list') {
    const values = Array.from(
      { length: Math.max(week, schedule.values.length) },
      (_, i) => schedule.values[Math.min(i, schedule.values.length - 1)] ?? 0,
    );
    values[week - 1] = wanted;
    return { ...rule, schedule: { ...schedule, values } };
  }
  const lighter = lighterFor(rule, scope.lighter);
  if (lighter.includes(week)) return { ...rule, lighterBy: wanted };
  const at = buildWeeks(lighter, week) - 1;
  switch (schedule.kind) {
    case 'each-week':
    case 'until-length':
      return at === 0 ? rule : { ...rule, schedule: { ...schedule, by: toStep(wanted / at, lever.kind) } };
    case 'at-weeks': {
      const more = wanted - offsetAt(rule, week, scope);
      const own = schedule.steps.find((s) => s.week === week);
      const steps = own
        ? schedule.steps.map((s) => (s === own ? { ...s, by: s.by + more } : s))
        : [...schedule.steps, { week, by: more }];
      return {
        ...rule,
        schedule: { ...schedule, steps: steps.filter((s) => s.by !== 0).sort((a, b) => a.week - b.week) },
      };
    }
    case 'wave': {
      const easyBefore = lighter.filter((l) => l < week);
      const since = week - 1 - Math.max(0, ...easyBefore);
      if (since > 0)
        return {
          ...rule,
          schedule: { ...schedule, by: toStep((wanted - easyBefore.length * schedule.carry) / since, lever.kind) },
        };
      return easyBefore.length === 0
        ? rule
        : { ...rule, schedule: { ...schedule, carry: toStep(wanted / easyBefore.length, lever.kind) } };
    }
    case 'double':
      return rule;
  }
}

/**
 * The rule with another kind of schedule, beginning from what is usual; a list begins from the offsets that stood, and a
 * length to grow to is the session's target where that is longer than the session is, else a fifth more in whole fives of minutes.
 */
export function withScheduleKind(
  rule: LeverRule,
  kind: ScheduleKind,
  weeks: number,
  scope: ScheduleScope & { readonly lengthSec: number; readonly targetSec?: number | undefined },
): LeverRule {
  if (rule.schedule.kind === kind) return rule;
  const by = LEVER_WORDS[rule.lever.kind].usualBy;
  const schedules: Record<ScheduleKind, Schedule> = {
    'each-week': { kind: 'each-week', by },
    'at-weeks': { kind: 'at-weeks', steps: [{ week: Math.max(1, Math.min(weeks, 4)), by }] },
    list: { kind: 'list', values: Array.from({ length: weeks }, (_, i) => offsetAt(rule, i + 1, scope)) },
    wave: { kind: 'wave', by, carry: 0 },
    double: { kind: 'double', ceiling: (scope.baseReps ?? 8) + 4, loadBy: 2 },
    'until-length': {
      kind: 'until-length',
      by,
      sec:
        scope.targetSec !== undefined && scope.targetSec > scope.lengthSec
          ? scope.targetSec
          : Math.ceil((scope.lengthSec * 1.2) / 300) * 300,
    },
  };
  const { lighterBy, ...rest } = rule;
  return { ...rest, schedule: schedules[kind], ...(kind !== 'list' && lighterBy !== undefined && { lighterBy }) };
}

/** The rule with a lighter week of the progression passed by, or taken lighter again. */
export function withLighterWeek(rule: LeverRule, week: number, isLighter: boolean): LeverRule {
  const { notLighterIn = [], ...rest } = rule;
  const weeks = isLighter ? notLighterIn.filter((w) => w !== week) : [...new Set([...notLighterIn, week])];
  return weeks.length === 0 ? rest : { ...rest, notLighterIn: weeks.sort((a, b) => a - b) };
}
