import { Link } from 'react-router';
import type { FitChange } from '../../core/movement/fit-session.ts';
import { explainChange } from '../../core/movement/fit-session.ts';
import type { SessionRecord } from '../../core/record/record.ts';
import { OUTCOME_WORDS } from '../../core/record/record.ts';
import { formatScore } from '../../core/record/score.ts';
import type { Block, SessionDocument } from '../../core/session/document.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import type { MovementNotes } from '../../core/movement/movement-notes.ts';
import { TodayCard } from './today-card.tsx';

export interface DaySession {
  readonly document: SessionDocument;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  readonly number: number;
  readonly changeNote: string;
  readonly record: SessionRecord | null;
  /** What this person does in another shape. */
  readonly changes: readonly FitChange[];
  readonly notes: MovementNotes;
}

/** A day on a participant's page, with what they can do with it or have said about it. */
export function DayView({
  base,
  dayKey,
  session,
  above,
}: {
  base: string;
  dayKey: string;
  session: DaySession;
  above: string;
}) {
  const { record, number, changeNote, changes } = session;
  const actions = (
    <div className="today-actions">
      {number > 1 && <p className="notice">Corrected by your coach{changeNote ? `: ${changeNote}` : '.'}</p>}
      {record && (
        <p className="notice logged">
          You logged this: <b>{OUTCOME_WORDS[record.outcome]}</b>
          {record.effort !== null && `, effort ${record.effort}`}
          {record.scores.length > 0 && `, ${record.scores.map(formatScore).join(', ')}`}.
        </p>
      )}
      {changes.length > 0 && (
        <details className="fit-note">
          <summary>{changes.length === 1 ? 'One line is' : `${changes.length} lines are`} in your shape</summary>
          <ul>
            {changes.map((c, i) => (
              <li key={i}>{explainChange(c)}</li>
            ))}
          </ul>
        </details>
      )}
      <Link className="big-action" to={`${base}/${dayKey}/clock`}>
        {record ? 'Do it again with the clock' : 'Start with the clock'}
      </Link>
      <Link className="quiet-action" to={`${base}/${dayKey}/log`}>
        {record ? 'Correct what you logged' : 'I’ve done it my way'}
      </Link>
    </div>
  );
  return (
    <TodayCard
      above={above}
      document={session.document}
      blocks={session.blocks}
      plan={session.plan}
      actions={actions}
      notes={session.notes}
    />
  );
}
