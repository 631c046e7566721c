import type { ReactNode } from 'react';
import { CARE_NOTES } from '../../core/care.ts';
import type { Block, SessionDocument } from '../../core/session/document.ts';
import { formatMinutes, wholeMinutes } from '../../core/session/explain.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import { layoutRibbon } from '../charts/ribbon-layout.ts';
import { Ribbon } from '../charts/ribbon.tsx';
import type { MovementNotes } from '../../core/movement/movement-notes.ts';
import { SessionList } from './session-list.tsx';

interface TodayCardProps {
  readonly above: ReactNode;
  readonly document: SessionDocument;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  /** What can be done with it: absent in a coach's preview. */
  readonly actions?: ReactNode;
  /** How each movement is done. */
  readonly notes?: MovementNotes;
}

/** A session on a participant's page: how long, what to have ready, the ribbon, the list, notes of care. */
export function TodayCard({ above, document, blocks, plan, actions, notes }: TodayCardProps) {
  const [low, high] = [wholeMinutes(plan.clockSec.low), wholeMinutes(plan.clockSec.high)];
  const range = low === high ? '' : `${low} to ${high}`;
  const kit =
    plan.kit.length === 0 ? 'nothing but yourself' : plan.kit.map((k) => (k === 'wall' ? 'a free wall' : k)).join(', ');
  return (
    <article className="today">
      <p className="soft small today-above">{above}</p>
      <h1>{document.title ?? 'Today’s session'}</h1>
      <p className="today-length">
        <b>{formatMinutes(plan.clockSec)}</b>
        <span className="soft">
          {[range, document.effort === undefined ? '' : `effort ${document.effort} of 10`].filter(Boolean).join(' · ')}
        </span>
      </p>
      <Ribbon
        layout={layoutRibbon(plan, { widthPx: 350, heightPx: 56 })}
        stretch
        title={`${plan.blocks.length} parts, ${formatMinutes(plan.clockSec)} in all`}
      />
      <p className="today-kit">
        <b>Have ready:</b> {kit}
      </p>
      {document.note && <p className="notice">{document.note}</p>}
      {actions}
      <SessionList blocks={blocks} plan={plan} {...(notes && { notes })} />
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
    </article>
  );
}
