import { DataTable } from '../../parts/table/data-table.tsx';
import { memo, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { dayKey, dayName } from '../../../core/calendar/day-place.ts';
import type { Weekday } from '../../../core/calendar/day-place.ts';
import type { Attendance } from '../../../core/record/adherence/strand.ts';
import { STATE_WORDS } from '../../../words/en/days.ts';
import { StrandRow, strandPct } from '../../charts/strand-row.tsx';
import { usePrinting } from '../../parts/use-printing.ts';
import { useWindowedRows } from '../../parts/use-windowed-rows.ts';
import type { GridDay, Row } from './rows.ts';
import { strandDays } from './rows.ts';

const ROW_PX = 39;
const PAGE_ROWS = 10;
/** The strands begin low on a first screen. */
const FIRST_PX = 8 * ROW_PX;

interface StrandGridProps {
  readonly rows: readonly Row[];
  readonly all: number;
  readonly days: readonly GridDay[];
  readonly weeks: number;
  readonly firstWeekday: Weekday;
  readonly today: { readonly week: number; readonly weekday: number } | null;
  readonly chosen: Row | undefined;
  readonly chosenDayId: number | null;
  readonly pathOf: (row: Row) => string;
  readonly onPick: (row: Row, dayKey: string) => void;
}

/** Everybody's weeks, a row each, drawn as far as they are in sight. With keys: up and down people, left and right days, Enter opens. */
export function StrandGrid(props: StrandGridProps) {
  const { rows, all, days, weeks, today, chosen, chosenDayId, pathOf, onPick, firstWeekday } = props;
  const { attach, rows: inSight, heightPx } = useWindowedRows(rows.length, ROW_PX, FIRST_PX);
  const isPrinting = usePrinting();
  const drawn = isPrinting ? rows.map((_, index) => ({ index, topPx: index * ROW_PX })) : inSight;
  const [cursor, setCursor] = useState<{ readonly row: number; readonly day: number } | null>(null);
  const at = cursor && rows[cursor.row] ? { row: rows[cursor.row]!, place: cursor } : undefined;
  const atDay = at && strandDays(at.row, days)[at.place.day];
  const move = (event: React.KeyboardEvent<HTMLDivElement>) => {
    const startRow = chosen ? Math.max(0, rows.indexOf(chosen)) : 0;
    const startDay = today
      ? Math.max(
          0,
          days.findLastIndex((d) => d.week < today.week || (d.week === today.week && d.weekday <= today.weekday)),
        )
      : 0;
    const now = cursor ?? { row: startRow, day: startDay };
    const to = (row: number, day: number) => {
      event.preventDefault();
      const next = {
        row: Math.min(rows.length - 1, Math.max(0, row)),
        day: Math.min(days.length - 1, Math.max(0, day)),
      };
      setCursor(next);
      const box = event.currentTarget.getBoundingClientRect();
      const topPx = box.top + next.row * ROW_PX;
      if (topPx < 60) window.scrollBy(0, topPx - 60);
      else if (topPx + ROW_PX > window.innerHeight) window.scrollBy(0, topPx + ROW_PX - window.innerHeight + 8);
    };
    switch (event.key) {
      case 'ArrowDown':
        return to(cursor ? now.row + 1 : now.row, now.day);
      case 'ArrowUp':
        return to(now.row - 1, now.day);
      case 'ArrowRight':
        return to(now.row, now.day + 1);
      case 'ArrowLeft':
        return to(now.row, now.day - 1);
      case 'PageDown':
        return to(now.row + PAGE_ROWS, now.day);
      case 'PageUp':
        return to(now.row - PAGE_ROWS, now.day);
      case 'Home':
        return to(event.ctrlKey ? 0 : now.row, event.ctrlKey ? now.day : 0);
      case 'End':
        return to(event.ctrlKey ? rows.length - 1 : now.row, event.ctrlKey ? now.day : days.length - 1);
      case 'Enter':
        if (event.target !== event.currentTarget || !at || !atDay) return;
        event.preventDefault();
        return onPick(at.row, dayKey(atDay));
    }
  };
  return (
    <div className="follow-grid">
      <div className="follow-row follow-head">
        <span className="soft small">{rows.length === all ? `${all} people` : `${rows.length} of ${all} people`}</span>
        <svg width="100%" height="16" aria-hidden="true">
          {Array.from(
            { length: weeks },
            (_, w) =>
              (weeks <= 16 || w % 4 === 0) && (
                <text
                  key={w}
                  className={today?.week === w + 1 ? 'is-now' : ''}
                  x={`${strandPct(w + 1, 1, weeks)}%`}
                  dx="-4"
                  y="12"
                >
                  {weeks <= 16 ? `week ${w + 1}` : w + 1}
                </text>
              ),
          )}
        </svg>
        <span className="soft small right">done of due</span>
      </div>
      <div
        ref={attach}
        className="follow-rows"
        style={{ height: heightPx }}
        tabIndex={rows.length > 0 ? 0 : undefined}
        role="group"
        aria-label="Strands: arrow keys move, Enter opens a day"
        onKeyDown={move}
        onBlur={(e) => {
          if (!e.currentTarget.contains(e.relatedTarget)) setCursor(null);
        }}
      >
        {drawn.map(({ index, topPx }) => {
          const row = rows[index]!;
          return (
            <PersonStrand
              key={row.id}
              row={row}
              days={days}
              weeks={weeks}
              today={today}
              topPx={topPx}
              isChosen={row === chosen}
              selected={row === chosen ? chosenDayId : null}
              cursor={cursor?.row === index ? (days[cursor.day]?.dayId ?? null) : null}
              path={pathOf(row)}
              onPick={onPick}
            />
          );
        })}
      </div>
      <p className="sr" role="status">
        {at && atDay ? `${at.row.name}, ${dayName(atDay, firstWeekday)}: ${STATE_WORDS[atDay.state]}` : ''}
      </p>
      {rows.length === 0 && <p className="empty">Nobody is like that here. Take a filter away.</p>}
    </div>
  );
}

interface PersonStrandProps {
  readonly row: Row;
  readonly days: readonly GridDay[];
  readonly weeks: number;
  readonly today: StrandGridProps['today'];
  readonly topPx: number;
  readonly isChosen: boolean;
  readonly selected: number | null;
  readonly cursor: number | null;
  readonly path: string;
  readonly onPick: StrandGridProps['onPick'];
}

const PersonStrand = memo(function PersonStrand(props: PersonStrandProps) {
  const { row, days, weeks, today, topPx, isChosen, selected, cursor, path, onPick } = props;
  const beads = useMemo(() => strandDays(row, days), [row, days]);
  return (
    <div className={`follow-row${isChosen ? ' is-chosen' : ''}`} style={{ top: topPx }}>
      <Link className="follow-name" to={path} preventScrollReset>
        <b dir="auto">{row.name}</b> <span className="soft small">{row.team}</span>
      </Link>
      <StrandRow
        beads={beads}
        weeks={weeks}
        today={today}
        selected={cursor ?? selected}
        label={`${row.name}: ${row.attendance.done} of ${row.attendance.due} done`}
        onPick={(bead) => onPick(row, dayKey(bead))}
      />
      <AttendanceWords attendance={row.attendance} isHere={row.isHere} />
    </div>
  );
});

function AttendanceWords({ attendance: { done, due, ratio }, isHere }: { attendance: Attendance; isHere: boolean }) {
  if (ratio === undefined) return <span className="right soft small">nothing due yet</span>;
  return (
    <span className={`right${isHere ? '' : ' soft'}`}>
      <b>{`${Math.round(ratio * 100)} %`}</b> <span className="soft small">{`${done}/${due}`}</span>
    </span>
  );
}

/** The same as a table: for whoever reads it aloud, copies it, or wants figures. */
export function StrandTable({ rows, days, pathOf }: Pick<StrandGridProps, 'rows' | 'days' | 'pathOf'>) {
  return (
    <DataTable
      label="Who did how much"
      rows={rows}
      keyOf={(row) => row.id}
      columns={[
        {
          head: 'Name',
          isName: true,
          cell: (row) => (
            <Link to={pathOf(row)} preventScrollReset dir="auto">
              {row.name}
            </Link>
          ),
        },
        { head: 'Team', cell: (row) => <span dir="auto">{row.team}</span> },
        { head: 'Done of due', isFigure: true, cell: (row) => `${row.attendance.done} of ${row.attendance.due}` },
        { head: 'In a row', isFigure: true, cell: (row) => row.inARow },
        {
          head: 'The last days',
          cell: (row) =>
            strandDays(row, days)
              .filter((b) => !['before', 'ahead', 'unsent'].includes(b.state))
              .slice(-5)
              .map((b) => STATE_WORDS[b.state])
              .join(', '),
        },
      ]}
    />
  );
}
