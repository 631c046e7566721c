import { Button } from 'antd';
import type { DragEndEvent, DragMoveEvent } from '@dnd-kit/core';
import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useEffect, useRef, useState } from 'react';
import type { MovementLibrary } from '../../../core/movement/library.ts';
import { printHeader, printItem } from '../../../core/notation/print.ts';
import { withShape } from '../../../core/forms/clock-shape.ts';
import type { SessionAnalysis } from '../../../core/session/analyse.ts';
import { wholeMinutes } from '../../../core/words/words.ts';
import type { Role } from '../../../core/document/document.ts';
import type { SessionEdit } from '../../../core/notation/session-edit.ts';
import type { DropPlace } from './block-card.tsx';
import { BlockCard } from './block-card.tsx';
import { CommitInput } from '../../parts/commit-input.tsx';
import { loadFigures } from '../../parts/figure/load-figures.ts';
import { useLoaded } from '../../parts/figure/use-loaded.ts';
import { ShapePicker } from './shape-picker.tsx';
import { Stepper } from './stepper.tsx';

interface SessionCardsProps {
  readonly analysis: SessionAnalysis;
  readonly library: MovementLibrary;
  readonly onEdit: (edits: readonly SessionEdit[]) => void;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly onKeep: (block: number) => void;
}

type Dragged =
  | { readonly kind: 'item'; readonly block: number; readonly item: number }
  | { readonly kind: 'block'; readonly block: number };

function readId(id: string | number | undefined): Dragged | undefined {
  const [kind, block, item] = String(id ?? '').split('-');
  if (kind === 'item') return { kind, block: Number(block), item: Number(item) };
  if (kind === 'block') return { kind, block: Number(block) };
  return undefined;
}

/** One object for good: a new one would draw every card again. */
const SENSOR = { activationConstraint: { distance: 4 } };

/** The same session without typing. Every change is written into the text, so comments, order and undo are the text's own. */
export function SessionCards({ analysis, library, onEdit, onUndo, onRedo, onKeep }: SessionCardsProps) {
  const { document: session, plan, issues, source, findings } = analysis;
  const sensors = useSensors(useSensor(PointerSensor, SENSOR));
  const [dragged, setDragged] = useState<Dragged>();
  const [drop, setDrop] = useState<
    DropPlace | { readonly block: number; readonly item: -1; readonly side: 'before' | 'after' }
  >();
  const focusNext = useRef<string>(undefined);
  const root = useRef<HTMLDivElement>(null);
  // A card that was moved by key keeps the focus where it went.
  useEffect(() => {
    if (!focusNext.current) return;
    root.current?.querySelector<HTMLElement>(`[data-handle="${focusNext.current}"]`)?.focus();
    focusNext.current = undefined;
  });
  const figures = useLoaded(loadFigures);
  const figureOf = (name: string) => {
    const movement = library.findByName(name);
    return movement && figures ? figures.sheetFigure(movement, library) : null;
  };
  const { blocks } = session;
  const onDragMove = ({ active, over }: DragMoveEvent) => {
    const target = readId(over?.id);
    const own = readId(active.id);
    const rect = active.rect.current.translated;
    if (!target || !own || !over || !rect) return setDrop(undefined);
    const side =
      rect.top + rect.height / 2 < over.rect.top + over.rect.height / 2 ? ('before' as const) : ('after' as const);
    return setDrop({ block: target.block, item: target.kind === 'item' ? target.item : -1, side });
  };
  const onDragEnd = (event: DragEndEvent) => {
    const own = readId(event.active.id);
    const place = drop;
    setDragged(undefined);
    setDrop(undefined);
    if (!own || !place || !event.over) return;
    if (own.kind === 'block') {
      const at =
        place.block > own.block || (place.block === own.block && place.side === 'after')
          ? place.block + 1
          : place.block;
      if (at !== own.block && at !== own.block + 1) onEdit([{ kind: 'move-block', block: own.block, at }]);
      return;
    }
    const at = place.item < 0 ? 0 : place.side === 'after' ? place.item + 1 : place.item;
    if (place.block === own.block && (at === own.item || at === own.item + 1)) return;
    onEdit([{ kind: 'move-item', block: own.block, item: own.item, toBlock: place.block, at }]);
  };
  const moveItem = (block: number, item: number, by: 1 | -1) => {
    const next = item + by;
    if (next >= 0 && next < blocks[block]!.items.length) {
      focusNext.current = `item-${block}-${next}`;
      onEdit([{ kind: 'move-item', block, item, toBlock: block, at: by > 0 ? item + 2 : item - 1 }]);
      return;
    }
    const toBlock = block + by;
    const target = blocks[toBlock];
    if (!target || target.source) return;
    const at = by > 0 ? 0 : target.items.length;
    focusNext.current = `item-${toBlock}-${at}`;
    onEdit([{ kind: 'move-item', block, item, toBlock, at }]);
  };
  const moveBlock = (block: number, by: 1 | -1) => {
    if (!blocks[block + by]) return;
    focusNext.current = `block-${block + by}`;
    onEdit([{ kind: 'move-block', block, at: by > 0 ? block + 2 : block - 1 }]);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (
      !(event.ctrlKey || event.metaKey) ||
      event.key.toLowerCase() !== 'z' ||
      (event.target as HTMLElement).closest('input[aria-invalid]')
    )
      return;
    event.preventDefault();
    if (event.shiftKey) onRedo();
    else onUndo();
  };
  const labels = blocks.flatMap((b) => b.label ?? []);
  const nextRole: Role = blocks.length === 0 ? 'Warm-up' : blocks.some((b) => b.role === 'Main') ? 'Finisher' : 'Main';
  const target = session.targetSec;
  const overlay = dragged?.kind === 'item' ? blocks[dragged.block]?.items[dragged.item] : undefined;
  return (
    <div className="cards" ref={root} onKeyDown={onKeyDown}>
      <datalist id="movement-names">
        {library.movements.map((m) => (
          <option key={m.id} value={m.name} />
        ))}
      </datalist>
      <div className="cards-undo" role="group" aria-label="Changes">
        <Button type="text" size="small" className="tool" title="Undo (Ctrl+Z)" onClick={onUndo}>
          Undo
        </Button>
        <Button type="text" size="small" className="tool" title="Redo (Ctrl+Shift+Z)" onClick={onRedo}>
          Redo
        </Button>
      </div>
      <div className="cards-head">
        <CommitInput
          className="cards-title"
          aria-label="Title"
          placeholder="Title"
          value={session.title ?? ''}
          maxLength={120}
          onCommit={(text) => {
            const value = text.replace(/[#\s]+/g, ' ').trim();
            onEdit([{ kind: 'set-field', field: 'Title', value: value === '' ? null : value }]);
            return undefined;
          }}
        />
        <Stepper
          label="target length, in minutes"
          value={<b>{target === undefined ? '–' : wholeMinutes(target)}</b>}
          onStep={(by) =>
            onEdit([
              {
                kind: 'set-field',
                field: 'Target',
                value: `${Math.max(1, wholeMinutes(target ?? plan.clockSec.likely) + by)} min`,
              },
            ])
          }
        />{' '}
        min
        <Stepper
          label="effort of 10"
          value={<b>{session.effort ?? '–'}</b>}
          onStep={(by) =>
            onEdit([
              {
                kind: 'set-field',
                field: 'Effort',
                value: String(Math.min(10, Math.max(0, (session.effort ?? 5) + by))),
              },
            ])
          }
        />{' '}
        effort
      </div>
      <DndContext
        id="session-cards"
        sensors={sensors}
        onDragStart={({ active }) => setDragged(readId(active.id))}
        onDragMove={onDragMove}
        onDragEnd={onDragEnd}
        onDragCancel={() => {
          setDragged(undefined);
          setDrop(undefined);
        }}
      >
        {blocks.map((block, b) => (
          <BlockCard
            key={b}
            index={b}
            block={block}
            plan={plan.blocks[b]}
            library={library}
            figureOf={figureOf}
            isUnreadable={issues.some((i) => i.line === source.blocks[b]?.line && i.code !== 'no-items')}
            labels={labels}
            markedItems={
              new Set(
                block.items.flatMap((_, i) =>
                  findings.some((f) => f.severity !== 'info' && f.line === source.blocks[b]?.items[i]?.line) ? [i] : [],
                ),
              )
            }
            drop={dragged?.kind === 'item' && drop && drop.item >= 0 ? drop : undefined}
            isBlockDrop={drop?.block === b && (dragged?.kind === 'block' || drop.item < 0)}
            onEdit={(...edits) => onEdit(edits)}
            onMove={(by) => moveBlock(b, by)}
            onMoveItem={(item, by) => moveItem(b, item, by)}
            onKeep={() => onKeep(b)}
          />
        ))}
        <DragOverlay dropAnimation={null}>
          {overlay && <div className="drag-note">{printItem(overlay, library)}</div>}
          {dragged?.kind === 'block' && blocks[dragged.block] && (
            <div className="drag-note">{printHeader(blocks[dragged.block]!)}</div>
          )}
        </DragOverlay>
      </DndContext>
      {issues.length > 0 && (
        <p className="soft small">Lines that can’t be read stay in the text and aren’t shown as cards.</p>
      )}
      <ShapePicker
        label="Add a block"
        onPick={(shape) =>
          onEdit([
            {
              kind: 'insert-block',
              at: blocks.length,
              next: withShape({ role: nextRole, time: { kind: 'flow' }, items: [] }, shape),
            },
          ])
        }
      />
    </div>
  );
}
