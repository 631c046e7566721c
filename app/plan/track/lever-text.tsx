import { Input } from 'antd';
import { useEffect, useId, useState } from 'react';
import { printRules, readRules, RULE_EXAMPLES } from '../../../core/progress/levers/lever-text.ts';
import type { LeverRule } from '../../../core/progress/track/schedule.ts';
import { sameData } from '../../../core/same-data.ts';

interface LeverTextProps {
  readonly rules: readonly LeverRule[];
  readonly onChange: (rules: readonly LeverRule[]) => void;
}

/** A line that is still being typed isn't wrong yet. */
const PATIENCE_MS = 600;

/** A track's levers as lines, as the text bundle has them: what can be read is drawn at once, what can't keeps what was typed. */
export function LeverText({ rules, onChange }: LeverTextProps) {
  const [draft, setDraft] = useState<string>();
  const id = useId();
  const shown = draft ?? printRules(rules);
  const [looked, setLooked] = useState(shown);
  useEffect(() => {
    const timer = setTimeout(() => setLooked(shown), PATIENCE_MS);
    return () => clearTimeout(timer);
  }, [shown]);
  const { issues } = readRules(shown);
  const told = looked === shown ? issues : [];
  const type = (text: string) => {
    setDraft(text);
    const read = readRules(text);
    if (read.issues.length === 0 && !sameData(read.rules, rules)) onChange(read.rules);
  };
  return (
    <div className="lever-text">
      <Input.TextArea
        aria-label="What changes, one a line"
        aria-describedby={id}
        aria-invalid={told.length > 0}
        rows={Math.max(3, shown.split('\n').length)}
        spellCheck={false}
        value={shown}
        placeholder="rounds: at week 4 +1"
        onChange={(event) => type(event.target.value)}
        onBlur={() => {
          setLooked(shown);
          if (issues.length === 0) setDraft(undefined);
        }}
      />
      <div id={id}>
        {told.map((issue) => (
          <p key={issue.line} className="field-error" role="alert">
            Line {issue.line}: {issue.message}
          </p>
        ))}
      </div>
      <details>
        <summary>How a line is written</summary>
        <dl>
          {RULE_EXAMPLES.map(({ line, means }) => (
            <div key={line}>
              <dt>{line}</dt>
              <dd>{means}</dd>
            </div>
          ))}
        </dl>
      </details>
    </div>
  );
}
