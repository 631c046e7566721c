import type { OwnRule } from '../../document/time-rule.ts';
import { formatRange } from '../../words/format-range.ts';
import { joinWords } from '../say.ts';
import type { FormWords } from '../form.ts';

export const words: FormWords<OwnRule> = {
  lengthWords: (_rule, _block, { clockSec }) => formatRange(clockSec),
  short: (rule, { relay }) => (relay ? 'a relay' : rule.forTime ? 'for time' : 'at your own pace'),
  lines: (rule, { relay }) => [
    ...(rule.capSec ? ['what is done by the cap is the score'] : []),
    ...(relay
      ? [
          joinWords(
            `${relay.teamSize ? `teams of ${relay.teamSize}` : 'teams'}: one works, the others wait`,
            'each does the number, then the next of the team',
          ),
        ]
      : []),
  ],
  turnWord: 'round',
  stage: () => ({ title: '', taps: null }),
};
