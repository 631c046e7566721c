import { useId, useState } from 'react';
import { printRules, readRules, RULE_EXAMPLES } from '../../../core/progress/lever-text.ts';
import type { LeverRule } from '../../../core/progress/schedule.ts';
import { sameData } from '../../../core/same-data.ts';

interface LeverTextProps {
  readonly rules: readonly LeverRule[];
  readonly onChange: (rules: readonly LeverRule[]) => void;
}

/** A track's levers as lines, as the text bundle has them: what can be read is drawn at once, what can't keeps what was typed. */
export function LeverText({ rules, onChange }: LeverTextProps) {
  const [draft, setDraft] = useState<string>();
  const id = useId();
  const shown = draft ?? printRules(rules);
  const { issues } = readRules(shown);
  const type = (text: string) => {
    setDraft(text);
    const read = readRules(text);
    if (read.issues.length === 0 && !sameData(read.rules, rules)) onChange(read.rules);
  };
  return (
    <div className="lever-text">
      <textarea
        aria-label="Levers, one a line" aria-describedby={id} aria-invalid={issues.length > 0} rows={Math.max(3, shown.split('\n').length)} spellCheck={false} value={shown} placeholder="rounds: at week 4 +1"
        onChange={(event) => type(event.target.value)} onBlur={() => { if (issues.length === 0) setDraft(undefined); }}
      />
      <div id={id}>{issues.map((issue) => <p key={issue.line} className="field-error" role="alert">Line {issue.line}: {issue.message}</p>)}</div>
      <details><summary>How a line is written</summary><dl>{RULE_EXAMPLES.map(({ line, means }) => <div key={line}><dt>{line}</dt><dd>{means}</dd></div>)}</dl></details>
    </div>
  );
}
