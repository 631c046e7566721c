import { useState } from 'react';
import type { Finding, FindingChange } from '../../core/session/findings/finding.ts';
import { groupFindings } from '../../core/session/findings/group-findings.ts';

const SHOWN = 4;

interface FindingsListProps {
  readonly findings: readonly Finding[];
  readonly onGoTo: (line: number) => void;
  readonly onTake: (change: FindingChange) => void;
  /** Makes new movements known, by their names. */
  readonly onKnow: (names: readonly string[]) => void;
}

/** What is worth a look, weightiest first, each with its way out; several of one kind are one, with their lines. */
export function FindingsList({ findings, onGoTo, onTake, onKnow }: FindingsListProps) {
  const [all, setAll] = useState(false);
  if (findings.length === 0) return null;
  const groups = groupFindings(findings);
  const shown = all ? groups : groups.slice(0, SHOWN);
  return (
    <section className="findings" aria-label="Worth a look">
      <h2>Worth a look</h2>
      <ul>
        {shown.map(({ code, severity, heading, findings: own }) => (
          <li key={code} className={`is-${severity}`}>
            {heading === '' ? (
              <FindingWords finding={own[0]!} onGoTo={onGoTo} onTake={onTake} onKnow={onKnow} />
            ) : (
              <details>
                <summary>{heading}</summary>
                {newNames(own).length > 1 && (
                  <p>
                    <button type="button" className="offer" onClick={() => onKnow(newNames(own))}>
                      make all {newNames(own).length} known
                    </button>
                  </p>
                )}
                <ul>
                  {own.map((f) => (
                    <li key={`${f.line}-${f.message}`}>
                      <FindingWords finding={f} onGoTo={onGoTo} onTake={onTake} onKnow={onKnow} />
                    </li>
                  ))}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
      {groups.length > SHOWN && (
        <button type="button" className="link small" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'only the weightiest' : `and ${groups.length - SHOWN} more`}
        </button>
      )}
    </section>
  );
}

const newNames = (findings: readonly Finding[]) => findings.flatMap((f) => f.newName ?? []);

function FindingWords({ finding, onGoTo, onTake, onKnow }: { finding: Finding } & Omit<FindingsListProps, 'findings'>) {
  const { line, message, changes, newName } = finding;
  return (
    <>
      {line !== null && (
        <>
          <button type="button" className="link" onClick={() => onGoTo(line)}>
            Line {line}.
          </button>{' '}
        </>
      )}
      {message}
      {(changes.length > 0 || newName !== undefined) && (
        <p>
          {changes.slice(0, 3).map((c) => (
            <button type="button" className="offer" key={c.label} onClick={() => onTake(c)}>
              {c.label}
            </button>
          ))}
          {newName !== undefined && (
            <button type="button" className="offer" onClick={() => onKnow([newName])}>
              make it known
            </button>
          )}
        </p>
      )}
    </>
  );
}
