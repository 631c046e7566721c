import { Button } from 'antd';
import { useState } from 'react';
import type { Finding, FindingChange } from '../../core/session/findings/finding.ts';
import { groupFindings } from '../../core/session/findings/group-findings.ts';
import { changeWords, findingsHeading, findingWords } from '../../words/en/findings.ts';

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
        {shown.map(({ code, severity, findings: own }) => (
          <li key={code} className={`is-${severity}`}>
            {own.length === 1 ? (
              <FindingWords finding={own[0]!} onGoTo={onGoTo} onTake={onTake} onKnow={onKnow} />
            ) : (
              <details>
                <summary>{findingsHeading({ code, severity, findings: own })}</summary>
                {newNames(own).length > 1 && (
                  <p>
                    <Button
                      color="primary"
                      variant="outlined"
                      size="small"
                      className="offer"
                      onClick={() => onKnow(newNames(own))}
                    >
                      make all {newNames(own).length} known
                    </Button>
                  </p>
                )}
                {code === 'natural-words' && (
                  <p>
                    <Button
                      color="primary"
                      variant="outlined"
                      size="small"
                      className="offer"
                      onClick={() => onTake(allSpelt(own))}
                    >
                      write all {own.length} so
                    </Button>
                  </p>
                )}
                <ul>
                  {own.map((f) => (
                    <li key={`${f.line}-${findingWords(f)}`}>
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
        <Button type="link" size="small" className="link small" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'only the weightiest' : `and ${groups.length - SHOWN} more`}
        </Button>
      )}
    </section>
  );
}

/** All lines in natural words, written in the usual spelling at once. */
const allSpelt = (findings: readonly Finding[]): FindingChange => ({
  does: { kind: 'spell-as-usual' },
  edits: findings.flatMap((f) => f.changes.flatMap((c) => c.edits)),
});

const newNames = (findings: readonly Finding[]) => findings.flatMap((f) => (f.code === 'new-movement' ? [f.name] : []));

function FindingWords({ finding, onGoTo, onTake, onKnow }: { finding: Finding } & Omit<FindingsListProps, 'findings'>) {
  const { line, changes } = finding;
  const [newName] = newNames([finding]);
  return (
    <>
      {line !== null && (
        <>
          <Button type="link" size="small" className="link" onClick={() => onGoTo(line)}>
            Line {line}.
          </Button>{' '}
        </>
      )}
      {findingWords(finding)}
      {(changes.length > 0 || newName !== undefined) && (
        <p>
          {changes.slice(0, 3).map((c) => (
            <Button
              color="primary"
              variant="outlined"
              size="small"
              className="offer"
              key={changeWords(c.does)}
              onClick={() => onTake(c)}
            >
              {changeWords(c.does)}
            </Button>
          ))}
          {newName !== undefined && (
            <Button color="primary" variant="outlined" size="small" className="offer" onClick={() => onKnow([newName])}>
              make it known
            </Button>
          )}
        </p>
      )}
    </>
  );
}
