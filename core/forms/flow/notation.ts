import type { FlowRule } from '../../document/time-rule.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';

const BESIDE = '“flow” is once through, unhurried; remove it, or what stands beside it.';

export const notation: FormNotation<FlowRule, null> = {
  shapes: [
    shape(
      'flow',
      'flow',
      'once through, unhurried',
      'Main: flow\n0:20 calf stretch\n0:30 wall sit\n0:20 side stretch',
      () => ({ time: { kind: 'flow' } }),
    ),
  ],
  shapeOf: () => 'flow',
  clauses: [
    {
      words: ['flow'],
      starts: [{ label: 'flow', insert: 'flow', detail: 'once through, unhurried' }],
      read: () => null,
    },
  ],
  extras: [],
  takes: { rounds: BESIDE, list: BESIDE, 'by-feel': BESIDE, between: true },
  make: () => ({ kind: 'flow' }),
  print: () => ['flow'],
  restNeedsLength: true,
  numbers: () => [],
  withNumber: (rule) => rule,
};
