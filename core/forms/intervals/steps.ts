import type { IntervalsRule } from '../../document/time-rule.ts';
import { exactly } from '../../pace/pace.ts';
import { intervalParts, restPart } from '../dose-parts.ts';
import { countRounds } from '../rounds.ts';
import type { Step } from '../step.ts';
import { atRound, betweenStep, makeStep, restStep } from '../steps.ts';
import type { FormSteps } from '../form.ts';
import { byRound } from './shared.ts';

export const steps: FormSteps<IntervalsRule> = {
  unroll(rule, scope) {
    const { block, library } = scope;
    const span = countRounds(block, byRound(rule));
    const steps: Step[] = [];
    const count = rule.total ?? span.high * block.items.length;
    for (let i = 0; i < count; i++) {
      const index = i % block.items.length;
      const turn = Math.floor(i / block.items.length);
      const round = turn + 1;
      const optional = rule.total === undefined && round > span.low;
      const item = block.items[index]!;
      const between = i > 0 ? betweenStep(scope, index > 0 ? 'items' : 'rounds', round, optional) : undefined;
      if (between) steps.push(between);
      const work = atRound(rule.workSec, turn);
      const rest = atRound(rule.restSec, turn);
      const parts =
        item.kind === 'rest'
          ? [restPart(exactly(work), index, false)]
          : intervalParts(item, index, block.count, turn, work, library);
      const purpose = item.kind === 'rest' ? 'rest' : 'interval';
      steps.push(makeStep(scope, purpose, round, 'clock', parts, [index], { optional }));
      if (rest > 0) steps.push(restStep(scope, 'rest', exactly(rest), round, optional));
    }
    return steps;
  },
  ownRounds: (rule) => byRound(rule),
  rounds: (rule, block) =>
    rule.total === undefined
      ? countRounds(block, byRound(rule))
      : { low: Math.floor(rule.total / block.items.length), high: Math.ceil(rule.total / block.items.length) },
  intervals: (_rule, _block, likely) =>
    likely.filter((s) => s.purpose === 'interval' || (s.purpose === 'rest' && s.items.length > 0)).length,
  turns: (rule, block) =>
    rule.total === undefined
      ? countRounds(block, byRound(rule)).high
      : Math.ceil(rule.total / Math.max(1, block.items.length)),
};
