import type { ReactNode } from 'react';
import { CARE_NOTES } from '../../../core/care.ts';
import type { SheetFigures } from '../../../core/figure/sheet-figure.ts';
import type { MovementNotes } from '../../../core/fit/movement-notes.ts';
import type { SessionSheet } from '../../../core/session/session-sheet.ts';
import type { PackedRibbon } from '../../charts/session/pack-ribbon.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';
import { SessionList } from './session-list.tsx';

/** The size of the ribbon on a participant's page. */
export const TODAY_RIBBON = { widthPx: 350, heightPx: 56 } as const;

interface TodayCardProps {
  readonly above: ReactNode;
  readonly sheet: SessionSheet;
  readonly ribbon: PackedRibbon;
  /** What can be done with it: absent in a coach's preview. */
  readonly actions?: ReactNode;
  /** How each movement is done. */
  readonly notes?: MovementNotes;
  /** What each movement looks like. */
  readonly figures?: SheetFigures;
  /** What is to be matched or beaten, by block. */
  readonly toMatch?: Readonly<Record<number, string>>;
  /** Why an earlier score isn't held against, by block. */
  readonly apart?: Readonly<Record<number, string>>;
  /** Its page has another heading: the title is then one of the second level. */
  readonly isPart?: boolean;
}

/** A session on a participant's page: how long, what to have ready, the ribbon, the list, notes of care. */
export function TodayCard({ above, sheet, ribbon, actions, notes, figures, toMatch, apart, isPart }: TodayCardProps) {
  const Title = isPart ? 'h2' : 'h1';
  const { title, length, range, effort, kit, note, film, blocks } = sheet;
  return (
    <article className="today">
      <p className="soft small today-above">{above}</p>
      <Title className="today-title">{title}</Title>
      <p className="today-length">
        <b>{length}</b>
        <span className="soft">
          {[range, effort === null ? '' : `effort ${effort} of 10`].filter(Boolean).join(' · ')}
        </span>
      </p>
      <Ribbon layout={ribbon} stretch title={`${blocks.length} parts, ${length} in all`} />
      <p className="today-kit">
        <b>Have ready:</b> {kit}
      </p>
      {note !== '' && <p className="notice">{note}</p>}
      {film !== null && (
        <p>
          <a href={film} rel="noreferrer noopener">
            The film of it
          </a>
        </p>
      )}
      {actions}
      <SessionList
        blocks={blocks}
        {...(notes && { notes })}
        {...(figures && { figures })}
        {...(toMatch && { toMatch })}
        {...(apart && { apart })}
      />
      <Care />
    </article>
  );
}

function Care() {
  return (
    <section className="care">
      <h2>With care</h2>
      <p>{CARE_NOTES.pain}</p>
      <p>{CARE_NOTES.kit}</p>
      <details>
        <summary>Before you start, and when to stop</summary>
        <p>{CARE_NOTES.before}</p>
        <p>{CARE_NOTES.stop}</p>
      </details>
    </section>
  );
}
