import { useDroppable } from '@dnd-kit/core';
import { printDose } from '../../../core/notation/print.ts';
import { readDoseText } from '../../../core/notation/read-dose.ts';
import { stepHeaderNumber } from '../../../core/forms/clock-shape.ts';
import { isWork, itemDetails, itemName, neighbourWords } from '../../../core/words/describe-item.ts';
import type { Item, WorkItem } from '../../../core/document/document.ts';
import { nextSides, stepDose } from '../../../core/session/step-dose.ts';
import { formatClock } from '../../../core/words/format-clock.ts';
import type { SheetFigure } from '../../../core/figure/sheet-figure.ts';
import { FigurePicture } from '../../parts/figure/figure-picture.tsx';
import { CommitInput } from '../../parts/commit-input.tsx';
import { Stepper } from './stepper.tsx';
import { useCardDrag } from './use-card-drag.ts';

interface ItemCardProps {
  readonly id: string;
  readonly item: Item;
  /** What its movement looks like. */
  readonly figure: SheetFigure | null;
  /** What is said about it, for instance that it doesn't fit its slot. */
  readonly isMarked: boolean;
  readonly drop: 'before' | 'after' | undefined;
  readonly onSet: (next: Item) => void;
  readonly onRemove: () => void;
  readonly onMove: (by: 1 | -1) => void;
}

/** One line of a session as a card: drag it, step its dose, name its movement. */
export function ItemCard({ id, item, figure, isMarked, drop, onSet, onRemove, onMove }: ItemCardProps) {
  const { attributes, listeners, setNodeRef: setDrag, isDragging } = useCardDrag(id);
  const { setNodeRef: setDrop } = useDroppable({ id });
  const name = isWork(item) ? itemName(item) : 'rest';
  const onHandleKey = (event: React.KeyboardEvent) => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    onMove(event.key === 'ArrowUp' ? -1 : 1);
  };
  return (
    <li
      ref={(node) => {
        setDrag(node);
        setDrop(node);
      }}
      className={`item-card${isDragging ? ' is-dragged' : ''}${isMarked ? ' is-marked' : ''}${drop ? ` is-drop-${drop}` : ''}`}
    >
      <button
        type="button"
        className="handle"
        {...attributes}
        {...listeners}
        onKeyDown={onHandleKey}
        aria-label={`move ${name}: arrow keys, or drag`}
        title="Drag, or arrow keys"
        data-handle={id}
      >
        ⠿
      </button>
      {isWork(item) ? (
        <WorkFields item={item} onSet={onSet} name={name} />
      ) : (
        <>
          <Stepper
            label="rest"
            isFixed={item.sec === undefined}
            value={<b className="item-rest">{item.sec === undefined ? 'a turn' : formatClock(item.sec)}</b>}
            onStep={(by) =>
              onSet({ ...item, sec: Math.max(5, stepHeaderNumber({ value: item.sec ?? 30, unit: 'sec' }, by)) })
            }
          />
          <span className="item-name soft">rest</span>
        </>
      )}
      {figure && (
        <span className="item-picture" aria-hidden="true">
          <FigurePicture figure={figure} />
        </span>
      )}
      <button type="button" className="item-remove" aria-label={`take ${name} out`} onClick={onRemove}>
        ×
      </button>
    </li>
  );
}

function WorkFields({ item, name, onSet }: { item: WorkItem; name: string; onSet: (next: Item) => void }) {
  const { dose } = item;
  const details = [
    ...itemDetails({ ...item, ...(dose && 'sides' in dose ? { dose: undefined } : {}) }, undefined).filter(
      (d) => d !== '',
    ),
    ...neighbourWords(item),
    ...(item.surprise ? ['a surprise'] : []),
  ];
  const withDose = (next: WorkItem['dose']): WorkItem => {
    const { dose: _dose, ...bare } = item;
    return next ? { ...bare, dose: next } : bare;
  };
  const canStep = dose !== undefined && dose.kind !== 'max' && dose.kind !== 'given';
  return (
    <>
      <Stepper
        label={`of ${name}`}
        isFixed={!canStep}
        onStep={(by) => dose && onSet(withDose(stepDose(dose, by)))}
        value={
          <CommitInput
            className="item-dose"
            aria-label={`dose of ${name}`}
            value={dose ? printDose(dose) : ''}
            placeholder="as said"
            size={8}
            onCommit={(text) => {
              const read = readDoseText(text);
              if (read.status === 'error') return read.message;
              if (read.dose && 'sides' in read.dose && read.dose.sides && (item.side || item.halfEachSide))
                return 'This line says its side already.';
              onSet(withDose(read.dose));
              return undefined;
            }}
          />
        }
      />
      {dose && dose.kind !== 'energy' && !item.side && !item.halfEachSide && (
        <button
          type="button"
          className="item-sides"
          title="How the sides are counted"
          aria-label={`sides of ${name}: ${sidesWords(dose)}`}
          onClick={() => onSet(withDose(nextSides(dose)))}
        >
          {sidesWords(dose)}
        </button>
      )}
      <span className="item-name">
        {item.choices.length === 1 ? (
          <CommitInput
            aria-label="movement"
            list="movement-names"
            value={item.choices[0]!.name}
            maxLength={80}
            onCommit={(text) => {
              const next = text.replace(/["“”\s]+/g, ' ').trim();
              if (next === '') return 'Write the movement’s name.';
              onSet({ ...item, choices: [{ name: next }] });
              return undefined;
            }}
          />
        ) : (
          <span className="item-choices">{name}</span>
        )}
        {details.length > 0 && <small>{details.join(' · ')}</small>}
      </span>
    </>
  );
}

function sidesWords(dose: NonNullable<WorkItem['dose']>): string {
  const sides = 'sides' in dose ? dose.sides : undefined;
  return sides === 'each' ? 'each side' : sides === 'alternate' ? 'alt' : sides === 'pairs' ? 'pairs' : 'in all';
}
