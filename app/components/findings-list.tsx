import { useState } from 'react';
import type { Finding, FindingChange } from '../../core/session/finding.ts';

const SHOWN = 4;

/** What is worth a look, weightiest first, each with its way out. The rest waits behind a line. */
export function FindingsList({
  findings,
  onGoTo,
  onTake,
}: {
  findings: readonly Finding[];
  onGoTo: (line: number) => void;
  onTake: (change: FindingChange) => void;
}) {
  const [all, setAll] = useState(false);
  if (findings.length === 0) return null;
  const shown = all ? findings : findings.slice(0, SHOWN);
  return (
    <section className="findings" aria-label="Worth a look">
      <h2>Worth a look</h2>
      <ul>
        {shown.map((f) => (
          <li key={`${f.code}-${f.line}-${f.message}`} className={`is-${f.severity}`}>
            {f.line !== null && (
              <>
                <button type="button" className="link" onClick={() => onGoTo(f.line!)}>
                  Line {f.line}.
                </button>{' '}
              </>
            )}
            {f.message}
            {f.changes.length > 0 && (
              <p>
                {f.changes.slice(0, 3).map((c) => (
                  <button type="button" className="offer" key={c.label} onClick={() => onTake(c)}>
                    {c.label}
                  </button>
                ))}
              </p>
            )}
          </li>
        ))}
      </ul>
      {findings.length > SHOWN && (
        <button type="button" className="link small" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'only the weightiest' : `and ${findings.length - SHOWN} more`}
        </button>
      )}
    </section>
  );
}
