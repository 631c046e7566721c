import type { ClimbRule } from '../../document/time-rule.ts';
import type { Block } from '../../document/document.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC, MAX_ROUNDS } from '../../limits.ts';
import type { EstimateSec } from '../../pace/pace.ts';
import { addEstimates, exactly } from '../../pace/pace.ts';
import { formatClock } from '../../words/format-clock.ts';
import { clamp, pullSec } from '../change.ts';
import { fillTo, ownParts, restPart } from '../dose-parts.ts';
import type { Scope, TimeForm } from '../form.ts';
import { formatRange } from '../../words/format-range.ts';
import { shape, wholeSlotsScore } from '../say.ts';
import type { Part } from '../step.ts';
import { makeStep } from '../steps.ts';

const CARRIES = 'A climb has its own numbers and ends when a turn no longer holds them; leave this out.';

const countAt = (rule: ClimbRule, slot: number): number => rule.start + rule.step * slot;

const grows = (block: Block): boolean =>
  block.items.some((item) => item.kind === 'work' && (item.dose === undefined || item.dose.kind === 'given'));

const mostTurns = (rule: ClimbRule): number => Math.min(MAX_ROUNDS, Math.floor(MAX_DURATION_SEC / rule.slotSec));

/** All items of one slot, at the slot's count. */
function slotParts(rule: ClimbRule, scope: Scope, slot: number): Part[] {
  const count = {
    kind: 'list' as const,
    values: [countAt(rule, slot)],
    cycling: false,
  };
  return scope.block.items.flatMap((item, index) =>
    item.kind === 'rest'
      ? [restPart(exactly(item.sec ?? 5), index, false)]
      : ownParts(item, index, count, 0, scope.library),
  );
}

const needOf = (parts: readonly Part[]): EstimateSec => parts.map((p) => p.sec).reduce(addEstimates, exactly(0));

/** More of each item in every slot, until a slot no longer holds them (the climbing minute); the score is the last whole slot. */
export const climb: TimeForm<ClimbRule, ClimbRule> = {
  kind: 'climb',
  shapes: [
    shape(
      'climb',
      'climb',
      'one more in each turn, until it no longer holds them',
      Array.from({ length: 8 }, (_, i) => ({
        x: i * 9.6,
        width: 1.4 + i,
        height: 6 + i * 2.2,
        kind: 'work' as const,
      })),
      () => ({ time: { kind: 'climb', start: 1, step: 1, slotSec: 60 } }),
    ),
  ],
  shapeOf: () => 'climb',
  clauses: [
    {
      words: ['climb'],
      starts: [
        {
          label: 'climb',
          insert: 'climb 1 by 1 every 1:00',
          detail: 'one more each minute, until it no longer fits',
        },
      ],
      read(cursor) {
        const start = cursor.count('The count of the first turn', 1, MAX_AMOUNT);
        if (!cursor.takeWords('by'))
          cursor.fail('missing', 'Say how many more each turn has: “climb 1 by 1 every 1:00”.');
        const step = cursor.count('What each turn adds', 1, MAX_AMOUNT);
        if (!cursor.takeWords('every')) cursor.fail('missing', 'Say how long each turn is: “climb 1 by 1 every 1:00”.');
        return {
          kind: 'climb',
          start,
          step,
          slotSec: cursor.duration('The length of a turn'),
        };
      },
    },
  ],
  extras: [],
  takes: {
    rounds: CARRIES,
    list: CARRIES,
    'by-feel': CARRIES,
    between: CARRIES,
  },
  make: (draft) => draft,
  print: (rule) => [`climb ${rule.start} by ${rule.step} every ${formatClock(rule.slotSec)}`],
  restNeedsLength: true,
  mostTurns,
  unroll(rule, scope) {
    const steps = [];
    const most = mostTurns(rule);
    let isSure = true;
    for (let slot = 0; slot < most; slot++) {
      const parts = slotParts(rule, scope, slot);
      const need = needOf(parts);
      steps.push(
        makeStep(
          scope,
          'climb',
          slot + 1,
          'clock',
          fillTo(parts, rule.slotSec, null),
          parts.flatMap((p) => p.item ?? []),
          {
            optional: !isSure,
            lists: true,
            carried: countAt(rule, slot),
          },
        ),
      );
      // The slot that doesn't hold it is tried, and is the last. From where that may be, all slots are open.
      if (need.high > rule.slotSec) isSure = false;
      if (need.low > rule.slotSec || !grows(scope.block)) break;
    }
    return steps;
  },
  capSec: () => undefined,
  ownRounds: () => 1,
  rounds: () => null,
  intervals: (_rule, _block, likely) => likely.length,
  size: () => null,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => null,
  maxAdvice: (_rule, block) =>
    grows(block)
      ? null
      : {
          item: 0,
          message:
            'Nothing climbs here: every line has a number of its own. Take it from one, “burpee” instead of “5 burpee”.',
          putLast: false,
        },
  spreadsOverStations: () => false,
  lengthWords: (_rule, _block, { clockSec }) => formatRange(clockSec),
  short: (rule) => `${rule.start} of each, ${rule.step} more every ${formatClock(rule.slotSec)}`,
  lines: (rule) => [
    `${countAt(rule, 0)}, then ${countAt(rule, 1)}, ${countAt(rule, 2)} and so on, a new count every ${formatClock(rule.slotSec)}; what is left is rest`,
    'it ends when the time no longer holds the count; the last one that did is the score',
  ],
  turnWord: 'slot',
  turns: () => null,
  stage: (rule, step) => ({
    title: `${step.carried} of each`,
    taps: null,
    ends: `That ${rule.slotSec === 60 ? 'minute' : 'one'} no longer fitted`,
  }),
  score: (rule, block) => wholeSlotsScore(block, rule.slotSec),
  askedScore: (rule, block) => wholeSlotsScore(block, rule.slotSec),
  numbers: (rule) => [
    {
      key: 'start',
      label: 'from',
      value: rule.start,
      unit: 'count',
      least: 1,
      most: MAX_AMOUNT,
    },
    {
      key: 'step',
      label: 'more each',
      value: rule.step,
      unit: 'count',
      least: 1,
      most: MAX_AMOUNT,
    },
    {
      key: 'slotSec',
      label: 'every',
      value: rule.slotSec,
      unit: 'sec',
      least: 1,
      most: MAX_DURATION_SEC,
    },
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: value }),
  levers: {
    rounds: null,
    work: null,
    rest: null,
    windows: null,
    step: {
      read: (rule) => `from ${rule.start} by ${rule.step}`,
      pull: (rule, by, block) => ({
        ...block,
        time: { ...rule, start: clamp(rule.start + by, 1, MAX_AMOUNT) },
      }),
    },
    clock: {
      read: (rule) => formatClock(rule.slotSec),
      pull: (rule, by, block) => ({
        ...block,
        time: { ...rule, slotSec: pullSec(rule.slotSec, by) },
      }),
    },
  },
  growsBy: [{ lever: 'step', by: 1 }],
};
