import type { FlowRule } from '../../document/time-rule.ts';
import type { FormWords } from '../form.ts';

export const words: FormWords<FlowRule> = {
  lengthWords: () => '',
  short: () => 'once through, unhurried',
  lines: () => [],
  turnWord: 'time',
  stage: () => ({ title: '', taps: null }),
};
