import { Button } from 'antd';
import { useDroppable } from '@dnd-kit/core';
import { isWork } from '../../../core/words/describe-item.ts';
import type { SheetFigure } from '../../../core/figure/sheet-figure.ts';
import type { MovementLibrary } from '../../../core/movement/library.ts';
import { usualDose } from '../../../core/movement/usual-dose.ts';
import { formatClock } from '../../../core/words/format-clock.ts';
import { printClauses } from '../../../core/notation/print.ts';
import { headerNumbers, stepHeaderNumber, withHeaderNumber, withShape } from '../../../core/forms/clock-shape.ts';
import { printCount } from '../../../core/forms/count.ts';
import { formOf, shapeOf } from '../../../core/forms/forms.ts';
import { BARE_REST_SEC } from '../../../core/limits.ts';
import type { Block, Role } from '../../../core/document/document.ts';
import { ROLES } from '../../../core/document/document.ts';
import { formatLength } from '../../../core/session/explain/explain.ts';
import type { BlockPlan } from '../../../core/session/plan.ts';
import type { SessionEdit } from '../../../core/notation/session-edit.ts';
import { CommitInput } from '../../parts/commit-input.tsx';
import { ItemCard } from './item-card.tsx';
import { ShapePicker } from './shape-picker.tsx';
import { Stepper } from './stepper.tsx';
import { Choice } from '../../parts/fields/choice.tsx';
import { useCardDrag } from './use-card-drag.ts';

export interface DropPlace {
  readonly block: number;
  readonly item: number;
  readonly side: 'before' | 'after';
}

interface BlockCardProps {
  readonly index: number;
  readonly block: Block;
  readonly plan: BlockPlan | undefined;
  readonly library: MovementLibrary;
  /** What a movement looks like, by its name. */
  readonly figureOf: (name: string) => SheetFigure | null;
  /** Something in the header's line can't be read: it is left to the text. */
  readonly isUnreadable: boolean;
  readonly markedItems: ReadonlySet<number>;
  readonly drop: DropPlace | undefined;
  readonly isBlockDrop: boolean;
  readonly labels: readonly string[];
  readonly onEdit: (...edits: SessionEdit[]) => void;
  readonly onMove: (by: 1 | -1) => void;
  readonly onMoveItem: (item: number, by: 1 | -1) => void;
  readonly onKeep: () => void;
}

/** A block as a card: its form as a picture, its numbers to be stepped, its items to be dragged. */
export function BlockCard({
  index,
  block,
  plan,
  library,
  figureOf,
  isUnreadable,
  markedItems,
  drop,
  isBlockDrop,
  labels,
  onEdit,
  onMove,
  onMoveItem,
  onKeep,
}: BlockCardProps) {
  const id = `block-${index}`;
  const { attributes, listeners, setNodeRef: setDrag, isDragging } = useCardDrag(id);
  const { setNodeRef: setDrop } = useDroppable({ id });
  const setHeader = (next: Block) => onEdit({ kind: 'set-header', block: index, next });
  const name = block.label ?? block.role;
  const onHandleKey = (event: React.KeyboardEvent) => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    onMove(event.key === 'ArrowUp' ? -1 : 1);
  };
  const add = (text: string): string | undefined => {
    const typed = text.replace(/["“”\s]+/g, ' ').trim();
    if (typed === '') return undefined;
    const movement = library.findByName(typed);
    onEdit({
      kind: 'insert-item',
      block: index,
      at: block.items.length,
      next: {
        kind: 'work',
        ...(movement && { dose: usualDose(movement) }),
        choices: [{ name: movement && library.findOnShelf(movement.id) ? movement.name : typed }],
        inTurn: false,
      },
    });
    return undefined;
  };
  return (
    <section
      className={`block-card is-${block.role.toLowerCase()}${isDragging ? ' is-dragged' : ''}${isBlockDrop ? ' is-block-drop' : ''}`}
      ref={setDrag}
      aria-label={name}
    >
      <div className="block-card-head" ref={setDrop}>
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
        {isUnreadable ? (
          <p className="plan-off">Something in this header can’t be read; mend it in the text.</p>
        ) : (
          <>
            {!block.source && (
              <ShapePicker current={shapeOf(block)} onPick={(shape) => setHeader(withShape(block, shape))} />
            )}
            <Choice
              isQuiet
              label={`role of ${name}`}
              value={block.role}
              onChange={(role) => setHeader({ ...block, role: role as Role })}
              options={ROLES}
            />
            <CommitInput
              className="block-label"
              aria-label={`name of ${name}`}
              placeholder="name"
              value={block.label ?? ''}
              maxLength={60}
              onCommit={(text) => {
                const next = text.replace(/["“”#\s]+/g, ' ').trim();
                if (labels.some((l) => l.toLowerCase() === next.toLowerCase() && l !== block.label))
                  return 'Another block has this name.';
                const { label: _label, ...bare } = block;
                setHeader(next === '' ? bare : { ...bare, label: next });
                return undefined;
              }}
            />
            <b className="num block-length">{plan ? formatLength(plan.clockSec) : ''}</b>
            <Button
              type="link"
              size="small"
              className="link small"
              onClick={onKeep}
              title="Save this block as a routine"
            >
              save as routine
            </Button>
            <button
              type="button"
              className="item-remove"
              aria-label={`take ${name} out`}
              onClick={() => onEdit({ kind: 'remove-block', block: index })}
            >
              ×
            </button>
            <div className="block-numbers">
              {block.source && <span className="soft">{printClauses(block)[0]}</span>}
              {headerNumbers(block).map((n) => (
                <span key={n.key}>
                  <Stepper
                    label={n.label}
                    value={<b>{n.unit === 'sec' ? formatClock(n.value) : n.value}</b>}
                    onStep={(by) => setHeader(withHeaderNumber(block, n.key, stepHeaderNumber(n, by)))}
                  />{' '}
                  {n.label}
                </span>
              ))}
              {block.count && <span className="soft">{printCount(block.count)}</span>}
            </div>
          </>
        )}
      </div>
      <ol>
        {block.items.map((item, i) => (
          <ItemCard
            key={i}
            id={`item-${index}-${i}`}
            item={item}
            figure={isWork(item) ? figureOf(item.choices[0]!.name) : null}
            isMarked={markedItems.has(i)}
            drop={drop?.block === index && drop.item === i ? drop.side : undefined}
            onSet={(next) => onEdit({ kind: 'set-item', block: index, item: i, next })}
            onRemove={() => onEdit({ kind: 'remove-item', block: index, item: i })}
            onMove={(by) => onMoveItem(i, by)}
          />
        ))}
      </ol>
      {!block.source && (
        <AddItem
          key={block.items.length}
          name={name}
          onAdd={add}
          onRest={() =>
            onEdit({
              kind: 'insert-item',
              block: index,
              at: block.items.length,
              next: {
                kind: 'rest',
                ...(formOf(block.time).notation.restNeedsLength && { sec: BARE_REST_SEC }),
              },
            })
          }
        />
      )}
    </section>
  );
}

function AddItem({
  name,
  onAdd,
  onRest,
}: {
  name: string;
  onAdd: (text: string) => string | undefined;
  onRest: () => void;
}) {
  return (
    <p className="item-add">
      <CommitInput
        list="movement-names"
        value=""
        placeholder="add a movement"
        aria-label={`add a movement to ${name}`}
        onCommit={onAdd}
      />
      <Button type="link" size="small" className="link small" onClick={onRest}>
        add a rest
      </Button>
    </p>
  );
}
