import { Link } from 'react-router';
import type { SessionRecord } from '../../../core/record/record.ts';
import type { SheetFigures } from '../../../core/figure/sheet-figure.ts';
import type { MovementNotes } from '../../../core/fit/movement-notes.ts';
import type { SessionSheet } from '../../../core/session/session-sheet.ts';
import type { PackedRibbon } from '../../charts/session/pack-ribbon.ts';
import { TodayCard } from './today-card.tsx';

export interface DaySession {
  readonly sheet: SessionSheet;
  readonly ribbon: PackedRibbon;
  readonly number: number;
  readonly changeNote: string;
  /** A newer version, which isn't theirs because they had begun. */
  readonly newer: { readonly changeNote: string } | null;
  /** What was logged, in words: how much of it, and its scores. */
  readonly record:
    (Pick<SessionRecord, 'effort'> & { readonly outcomeWords: string; readonly scoreWords: readonly string[] }) | null;
  /** What it was worth, where it is logged, a line each. */
  readonly worth: readonly string[];
  /** What this person does in another shape, in words. */
  readonly changes: readonly string[];
  readonly notes: MovementNotes;
  readonly figures: SheetFigures;
  /** What is to be matched or beaten, by block. */
  readonly toMatch: Readonly<Record<number, string>>;
  /** Why an earlier score isn't held against, by block. */
  readonly apart: Readonly<Record<number, string>>;
}

/** A day on a participant's page, with what they can do with it or have said about it. */
export function DayView({
  base,
  dayKey,
  session,
  above,
  next,
}: {
  base: string;
  dayKey: string;
  session: DaySession;
  above: string;
  /** When the next session opens; null where none is to come. */
  next: { readonly words: string; readonly time: string } | null;
}) {
  const { record, number, changeNote, changes, newer, worth } = session;
  const actions = (
    <div className="today-actions">
      {newer ? (
        <p className="notice">
          Your coach has corrected it since you began{newer.changeNote ? `: ${newer.changeNote}` : ''}. What you began
          stays as it was for you.
        </p>
      ) : (
        number > 1 && <p className="notice">Corrected by your coach{changeNote ? `: ${changeNote}` : '.'}</p>
      )}
      {record && (
        <p className="notice logged">
          You logged this: <b>{record.outcomeWords}</b>
          {record.effort !== null && `, effort ${record.effort}`}
          {record.scoreWords.length > 0 && `, ${record.scoreWords.join(', ')}`}.
        </p>
      )}
      {worth.length > 0 && (
        <section className="worth">
          <h2>What it was worth</h2>
          <ul>
            {worth.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </section>
      )}
      {record && next && (
        <p>
          Your next session opens on {next.words} at {next.time}, your time.
        </p>
      )}
      {changes.length > 0 && (
        <details className="fit-note">
          <summary>{changes.length === 1 ? 'One line is' : `${changes.length} lines are`} in your shape</summary>
          <ul>
            {changes.map((c, i) => (
              <li key={i}>{c}</li>
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
      <p className="small on-paper">
        On paper: <a href={`${base}/${dayKey}/sheet.pdf`}>this session</a>{' '}
        <Link to={`${base}/${dayKey}/week`}>its week</Link>
      </p>
    </div>
  );
  return (
    <TodayCard
      above={above}
      sheet={session.sheet}
      ribbon={session.ribbon}
      actions={actions}
      notes={session.notes}
      figures={session.figures}
      toMatch={session.toMatch}
      apart={session.apart}
    />
  );
}
