import { UNREAD_TITLE } from '../../../core/session/session-title.ts';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { memo } from 'react';
import type { DayPlan } from '../../../core/progress/day-plan.ts';
import type { ProgrammeDay, Theme } from '../../../core/progress/programme-document.ts';
import { wholeMinutes } from '../../../core/words/words.ts';
import type { RibbonLayout } from '../../charts/ribbon-layout.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';
import { STATE_LABEL } from '../../shell/spine.tsx';
import type { SpineDay } from '../../shell/spine.tsx';

const SIZE = { widthPx: 130, heightPx: 28 };
const layouts = new WeakMap<DayPlan, RibbonLayout>();

/** The ribbon of a session on the plan, laid out once. */
export function planRibbon(plan: DayPlan): RibbonLayout {
  let layout = layouts.get(plan);
  if (!layout) {
    layout = layoutRibbon(plan.plan, SIZE);
    layouts.set(plan, layout);
  }
  return layout;
}

interface PlanCellProps {
  readonly id: string;
  readonly day: ProgrammeDay | undefined;
  readonly plan: DayPlan | undefined;
  readonly state: SpineDay['state'];
  readonly words: string;
  readonly theme: Theme | undefined;
  readonly blocked: string;
  readonly mark: string;
  readonly isToday: boolean;
  readonly isPast: boolean;
  readonly isSelected: boolean;
  readonly isFocus: boolean;
  readonly isCarried: boolean;
  /** What a proposal does here, in words; empty where it does nothing. */
  readonly change: string;
  readonly longestSec: number;
  readonly column: number;
  readonly canMove: boolean;
  /** False far out of sight: the place of the ribbon is kept. */
  readonly isDrawn: boolean;
}

/** A day on the plan: its ribbon to the scale of all, its minutes and name, and what is special about it. */
export const PlanCell = memo(function PlanCell(props: PlanCellProps) {
  const { id, day, plan, state, words, theme, blocked, mark, change, longestSec, canMove } = props;
  const { setNodeRef: dropRef, isOver } = useDroppable({ id });
  const { setNodeRef: dragRef, listeners, isDragging } = useDraggable({ id, disabled: !canMove });
  const isPinned = day?.track?.isPinned === true;
  const label = [
    words,
    plan
      ? `${plan.title || UNREAD_TITLE}, ${wholeMinutes(plan.clockSec.likely)} min`
      : day
        ? STATE_LABEL.empty
        : STATE_LABEL.none,
    day && plan ? STATE_LABEL[state] : '',
    isPinned ? 'kept as it is' : '',
    theme ?? '',
    blocked ? `blocked: ${blocked}` : '',
    change ? `proposed: ${change}` : '',
  ]
    .filter(Boolean)
    .join(', ');
  const classes = [
    'plan-cell',
    `is-${state}`,
    props.isToday ? 'is-today' : '',
    props.isPast ? 'is-past' : '',
    props.isSelected ? 'is-selected' : '',
    props.isCarried || isDragging ? 'is-carried' : '',
    isOver ? 'is-over' : '',
    change ? 'is-changed' : '',
    blocked ? 'is-blocked' : '',
  ]
    .filter(Boolean)
    .join(' ');
  return (
    <div
      ref={(node) => {
        dropRef(node);
        dragRef(node);
      }}
      className={classes}
      role="gridcell"
      data-cell={id}
      aria-selected={props.isSelected}
      aria-colindex={props.column}
      tabIndex={props.isFocus ? 0 : -1}
      title={[words, theme, blocked && `blocked: ${blocked}`].filter(Boolean).join(' · ')}
      {...(canMove && listeners)}
    >
      <span className="sr">{label}</span>
      {!day ? (
        <span className="plan-none" />
      ) : (
        <span className="plan-drawn" aria-hidden="true">
          {plan && plan.plan.timeline.length > 0 ? (
            <span className="plan-ribbon" style={{ width: `${(100 * plan.clockSec.likely) / longestSec}%` }}>
              {props.isDrawn ? <Ribbon layout={planRibbon(plan)} stretch /> : <span className="plan-undrawn" />}
            </span>
          ) : (
            <span className="plan-empty" />
          )}
          <span className="plan-words">
            {plan && <b>{wholeMinutes(plan.clockSec.likely)}</b>} {isPinned && <b className="plan-pin">kept </b>}
            {plan?.retest && <b className="plan-pin">retest </b>}
            {state === 'to-read' && <b className="plan-pin">{STATE_LABEL[state]} </b>}
            {change && mark ? (
              <b className="plan-change">{mark}</b>
            ) : plan ? (
              plan.title || UNREAD_TITLE
            ) : (
              STATE_LABEL.empty
            )}
            {plan && ['ready', 'changed', 'faulty'].includes(state) && (
              <span className={`plan-state is-${state}`}> · {STATE_LABEL[state]}</span>
            )}
          </span>
        </span>
      )}
      {blocked && <span className="plan-blocked" aria-hidden="true" />}
    </div>
  );
});
