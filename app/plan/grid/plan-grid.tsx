import type { DragEndEvent } from '@dnd-kit/core';
import { DndContext, DragOverlay, pointerWithin, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { DayPlace } from '../../../core/calendar/day.ts';
import { WEEKDAYS, dayKey, parseDayKey, weekdaysFrom } from '../../../core/calendar/day.ts';
import type { Guard } from '../../../core/progress/guards/guard.ts';
import type { ProgrammeDifference } from '../../../core/progress/edit/find-differences.ts';
import type { WeekPlan } from '../../../core/progress/plan-programme.ts';
import type { ProgrammeDocument } from '../../../core/progress/programme-document.ts';
import { AREA_WORDS } from '../charts/week-figures-layout.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';
import type { SpineDay } from '../../shell/spine.tsx';
import { planRibbon } from './plan-cell.tsx';
import { planRows, PlanRow, spotId } from './plan-row.tsx';
import type { PlanSpot } from './plan-row.tsx';
import { usePrinting } from '../../parts/use-printing.ts';
import { useNearWeeks } from './use-near-weeks.ts';

interface PlanGridProps {
  readonly programme: ProgrammeDocument;
  readonly weeks: readonly WeekPlan[];
  readonly guards: readonly Guard[];
  readonly difference: ProgrammeDifference | undefined;
  /** Words, dates and states of the days as they are stored, by key. */
  readonly stored: ReadonlyMap<string, SpineDay>;
  readonly locked: ReadonlySet<string>;
  readonly blocked: ReadonlyMap<string, string>;
  readonly selected: PlanSpot | undefined;
  readonly onSelect: (spot: PlanSpot) => void;
  readonly onMove: (from: DayPlace, to: DayPlace) => void;
  /** A key on a spot that the grid has no use for itself; true where it was taken. */
  readonly onKey: (event: React.KeyboardEvent, spot: PlanSpot) => boolean;
  readonly onOpen: (place: DayPlace) => void;
}

/** One object for good: a new one would draw every cell again. */
const SENSOR = { activationConstraint: { distance: 5 } };

const NONE: readonly Guard[] = [];

/** What is worth a look, by week. */
function guardsOfWeeks(guards: readonly Guard[]): Readonly<Record<number, readonly Guard[]>> {
  const out: Record<number, Guard[]> = {};
  for (const g of guards) for (const week of g.weeks) (out[week] ??= []).push(g);
  return out;
}

/** Widths in px of a grid with few training days, and of one whose week is full: what stands beside the days gives way to them. */
const WIDTHS = {
  few: { week: 82, day: 70, off: 26, load: 168, areas: 104 },
  full: { week: 68, day: 76, off: 22, load: 108, areas: 100 },
};
const FULL_DAYS = 6;

/** The columns of a grid, by which weekdays have sessions. */
function planColumns(used: readonly boolean[]) {
  const isFull = used.filter(Boolean).length >= FULL_DAYS;
  const { week, day, off, load, areas } = isFull ? WIDTHS.full : WIDTHS.few;
  return {
    isFull,
    template: `${week}px ${used.map((u) => (u ? `minmax(${day}px, 1fr)` : `${off}px`)).join(' ')} ${load}px ${areas}px`,
    leastPx: used.reduce((px, u) => px + (u ? day : off), week + load + areas),
  };
}

export function PlanGrid(props: PlanGridProps) {
  const { programme, weeks, guards, difference, stored, locked, blocked, selected, onSelect, onMove, onKey, onOpen } =
    props;
  const sensors = useSensors(useSensor(PointerSensor, SENSOR));
  const root = useRef<HTMLDivElement>(null);
  const [carried, setCarried] = useState<DayPlace>();
  const [dragged, setDragged] = useState<string>();
  const [said, setSaid] = useState('');
  const used = WEEKDAYS.map((_, i) => weeks.some((w) => w.days[i] !== undefined));
  const rows = useMemo(() => planRows(weeks), [weeks]);
  // Rows out of sight follow once nothing else is to do: a lever of a year is dragged by what can be seen of it.
  const settledRows = useDeferredValue(rows);
  const guardsByWeek = useMemo(() => guardsOfWeeks(guards), [guards]);
  const changes = useMemo(() => new Map(difference?.days.map((d) => [dayKey(d.place), d]) ?? []), [difference]);
  const now = weeks.find((w) =>
    WEEKDAYS.some((_, i) => stored.get(dayKey({ week: w.week, weekday: i + 1 }))?.isToday),
  )?.week;
  const focusSpot = selected ?? { week: now ?? 1, weekday: 0 };
  const near = useNearWeeks(root, weeks.length, focusSpot.week);
  const isPrinting = usePrinting();

  // A long programme opens where the address points, or where it is now; the view is put there once, and then left to the coach.
  const [opensAt] = useState(focusSpot.week);
  useEffect(() => {
    if (opensAt > 6) root.current?.querySelector(`[data-cell="week-${opensAt}"]`)?.scrollIntoView({ block: 'center' });
  }, [opensAt]);

  const go = (spot: PlanSpot) => {
    onSelect(spot);
    root.current?.querySelector<HTMLElement>(`[data-cell="${spotId(spot)}"]`)?.focus();
  };
  const drop = (to: PlanSpot) => {
    if (carried && to.weekday > 0 && dayKey(carried) !== dayKey(to)) onMove(carried, to);
    setCarried(undefined);
    setSaid('');
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const id = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]')?.dataset.cell;
    if (!id || event.altKey) return;
    const spot: PlanSpot = id.startsWith('week-') ? { week: Number(id.slice(5)), weekday: 0 } : parseDayKey(id)!;
    const steps: Record<string, PlanSpot> = {
      ArrowLeft: { ...spot, weekday: spot.weekday - 1 },
      ArrowRight: { ...spot, weekday: spot.weekday + 1 },
      ArrowUp: { ...spot, week: spot.week - 1 },
      ArrowDown: { ...spot, week: spot.week + 1 },
      Home: { ...spot, weekday: 0 },
      End: { ...spot, weekday: 7 },
      PageUp: { ...spot, week: Math.max(1, spot.week - 4) },
      PageDown: { ...spot, week: Math.min(weeks.length, spot.week + 4) },
    };
    const next = event.ctrlKey || event.metaKey ? undefined : steps[event.key];
    if (next) {
      event.preventDefault();
      if (next.week >= 1 && next.week <= weeks.length && next.weekday >= 0 && next.weekday <= 7) go(next);
    } else if (carried && (event.key === 'Enter' || event.key === 'm' || event.key === 'M' || event.key === ' ')) {
      event.preventDefault();
      drop(spot);
    } else if (carried && event.key === 'Escape') {
      event.preventDefault();
      event.stopPropagation();
      setCarried(undefined);
      setSaid('put back');
    } else if (
      (event.key === 'm' || event.key === 'M') &&
      !event.ctrlKey &&
      !event.metaKey &&
      spot.weekday > 0 &&
      weeks[spot.week - 1]!.days[spot.weekday - 1] &&
      !locked.has(id)
    ) {
      event.preventDefault();
      setCarried(spot);
      setSaid('taken up: go to another day with the arrow keys, Enter puts it there, Escape puts it back');
    } else if (event.key === 'Enter' && spot.weekday > 0) {
      event.preventDefault();
      onOpen(spot);
    } else if (onKey(event, spot)) event.preventDefault();
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    const [from, to] = [parseDayKey(String(active.id)), over && parseDayKey(String(over.id))];
    if (from && to && dayKey(from) !== dayKey(to)) onMove(from, to);
  };
  const overlay = dragged ? weeks.flatMap((w) => w.days).find((d) => d && dayKey(d.day) === dragged) : undefined;
  const columns = planColumns(used);
  return (
    <DndContext
      id="plan"
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => setDragged(String(active.id))}
      onDragEnd={onDragEnd}
      onDragCancel={() => setDragged(undefined)}
    >
      <div
        ref={root}
        className={`plan-grid${columns.isFull ? ' is-full' : ''}`}
        style={{ '--plan-columns': columns.template, '--plan-least': `${columns.leastPx}px` } as React.CSSProperties}
        role="grid"
        aria-label="Weeks and days"
        aria-rowcount={weeks.length + 1}
        aria-colcount={9}
        onKeyDown={onKeyDown}
        onClick={(event) => {
          const id = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]')?.dataset.cell;
          if (id) go(id.startsWith('week-') ? { week: Number(id.slice(5)), weekday: 0 } : parseDayKey(id)!);
        }}
        onDoubleClick={(event) => {
          const place = parseDayKey(
            (event.target as HTMLElement).closest<HTMLElement>('[data-cell]')?.dataset.cell ?? '',
          );
          if (place) onOpen(place);
        }}
      >
        <div className="plan-row plan-head" role="row">
          <span role="columnheader">
            <span className="sr">week</span>
          </span>
          {weekdaysFrom(programme.firstWeekday).map((name, i) => (
            <span
              role="columnheader"
              key={name}
              aria-label={`${name}${programme.themes[i + 1] ? `, ${programme.themes[i + 1]}` : ''}`}
            >
              {used[i] ? name.slice(0, 3) : name[0]}
              {used[i] && programme.themes[i + 1] && <i> {programme.themes[i + 1]}</i>}
            </span>
          ))}
          <span role="columnheader">planned load</span>
          <span role="columnheader">
            <span className="sr">minutes of work by area</span>
            <span className="area-words" aria-hidden="true">
              {Object.values(AREA_WORDS).map((word) => (
                <i key={word}>{word}</i>
              ))}
            </span>
          </span>
        </div>
        {rows.map((drawn, w) => {
          const { week } = drawn.week;
          const isNear = isPrinting || (near?.has(week) ?? true);
          return (
            <PlanRow
              key={week}
              row={isNear ? drawn : (settledRows[w] ?? drawn)}
              guards={guardsByWeek[week] ?? NONE}
              firstWeekday={programme.firstWeekday}
              themes={programme.themes}
              stored={stored}
              locked={locked}
              blocked={blocked}
              changes={changes}
              isNow={week === now}
              isDrawn={isNear}
              {...(selected?.week === week && { selectedWeekday: selected.weekday })}
              {...(focusSpot.week === week && { focusWeekday: focusSpot.weekday })}
              {...(carried?.week === week && { carriedWeekday: carried.weekday })}
            />
          );
        })}
      </div>
      <p className="sr" role="status">
        {said}
      </p>
      <DragOverlay dropAnimation={null}>
        {overlay && (
          <div className="plan-overlay">
            {overlay.plan && <Ribbon layout={planRibbon(overlay.plan)} />}
            <span>{overlay.plan?.title ?? 'to write'}</span>
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}
