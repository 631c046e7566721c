import type { Lever } from '../../../core/progress/levers/lever.ts';
import { leverName } from '../../../core/progress/levers/lever.ts';
import type { SentenceScope } from '../../../core/progress/track/progress-sentence.ts';
import { readProgress, sayProgress } from '../../../core/progress/track/progress-sentence.ts';
import type { LeverRule } from '../../../core/progress/track/schedule.ts';
import { capitalized } from '../../../core/words/words.ts';
import { CommitInput } from '../../parts/commit-input.tsx';

/** Programmes longer than this are said by their rule: a year of numbers is no sentence. */
export const MOST_SAID_WEEKS = 16;

interface ProgressSentenceProps {
  readonly rule: LeverRule;
  readonly scope: SentenceScope;
  readonly onChange: (rule: LeverRule) => void;
}

/** `Rounds 5, 5, 5, then 6 in week 4`: what changes and how, to be read and to be rewritten in place. */
export function ProgressSentence({ rule, scope, onChange }: ProgressSentenceProps) {
  const { lever } = rule;
  const said = sayProgress(rule, scope);
  return (
    <div className="progress-sentence">
      <LeverLabel lever={lever} />{' '}
      <CommitInput
        aria-label={`How ${leverName(lever)} progress`}
        value={said}
        maxLength={400}
        size={Math.min(42, Math.max(14, said.length))}
        onCommit={(next) => {
          const read = readProgress(next, lever, scope);
          if (read.status === 'refused') return read.message;
          onChange(read.value);
          return undefined;
        }}
      />
    </div>
  );
}

const LeverLabel = ({ lever }: { lever: Lever }) => <b>{capitalized(leverName(lever))}</b>;
