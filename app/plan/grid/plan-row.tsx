import { memo } from 'react';
import type { Weekday } from '../../../core/calendar/day.ts';
import { dayKey, dayName, WEEKDAYS } from '../../../core/calendar/day.ts';
import { formatClock } from '../../../core/words/format-clock.ts';
import type { Guard } from '../../../core/progress/guards/guard.ts';
import type { DayDifference } from '../../../core/progress/edit/find-differences.ts';
import type { WeekPlan } from '../../../core/progress/plan-programme.ts';
import type { ProgrammeDocument } from '../../../core/progress/programme-document.ts';
import { themeOf } from '../../../core/progress/programme-document.ts';
import type { WeekChange } from '../../../core/progress/week/week-change.ts';
import { findLoadChange, formatChange } from '../../../core/progress/week/week-change.ts';
import { plural, wholeMinutes } from '../../../core/words/words.ts';
import type { WeekFiguresLayout } from '../charts/week-figures-layout.ts';
import { layoutWeekFigures } from '../charts/week-figures-layout.ts';
import { AreaColumns } from '../charts/week-figures.tsx';
import type { SpineDay } from '../../shell/spine.tsx';
import { PlanCell } from './plan-cell.tsx';
import { guardSubject, guardWords } from '../../../words/en/guards.ts';
import { EFFORT_REMEDY } from '../../../words/en/plan.ts';

/** A place on the plan; a week's head is weekday 0. */
export interface PlanSpot {
  readonly week: number;
  readonly weekday: number;
}

export const spotId = ({ week, weekday }: PlanSpot): string =>
  weekday === 0 ? `week-${week}` : dayKey({ week, weekday });
const AREA_SIZE = { widthPx: 94, heightPx: 30 };

/** What a row shows of its week; the same object for as long as that is the same. */
export interface PlanRowData {
  readonly week: WeekPlan;
  readonly change: WeekChange | undefined;
  readonly figures: WeekFiguresLayout;
  readonly longestSec: number;
}

const LOAD_PX = 66;

/** The rows of a plan's weeks, their pictures on one scale. */
export function planRows(weeks: readonly WeekPlan[]): PlanRowData[] {
  const longestSec = Math.max(1, ...weeks.flatMap((w) => w.days.map((d) => d?.plan?.clockSec.likely ?? 0)));
  const figures = layoutWeekFigures(weeks, {
    loadWidthPx: LOAD_PX,
    areaWidthPx: AREA_SIZE.widthPx,
    areaHeightPx: AREA_SIZE.heightPx,
  });
  return weeks.map((week, i) => ({ week, change: findLoadChange(weeks, i), figures: figures[i]!, longestSec }));
}

interface PlanRowProps {
  readonly row: PlanRowData;
  /** What is worth a look in this week. */
  readonly guards: readonly Guard[];
  readonly firstWeekday: Weekday;
  readonly themes: ProgrammeDocument['themes'];
  readonly stored: ReadonlyMap<string, SpineDay>;
  readonly locked: ReadonlySet<string>;
  readonly blocked: ReadonlyMap<string, string>;
  readonly changes: ReadonlyMap<string, DayDifference>;
  readonly isNow: boolean;
  readonly isDrawn: boolean;
  /** Weekdays of this week, 0 for its head; absent where they lie in another one. */
  readonly selectedWeekday?: number;
  readonly focusWeekday?: number;
  readonly carriedWeekday?: number;
}

const wordsOf = ({ kind, words }: DayDifference): string => (kind === 'words-only' ? words : `${kind} ${words}`.trim());

/** One week of the plan: its seven days, what it asks in all, and what is worth a look. */
export const PlanRow = memo(function PlanRow(props: PlanRowProps) {
  const { guards, firstWeekday, themes, stored, locked, blocked, changes, isNow } = props;
  const { week, change, figures, longestSec } = props.row;
  const keys = WEEKDAYS.map((_, i) => dayKey({ week: week.week, weekday: i + 1 }));
  const isDone = !isNow && keys.every((key) => stored.get(key)?.isPast);
  const work = figures.bars
    .filter((b) => b.workSec > 0)
    .map((b) => {
      const reps = week.repsByArea[b.area];
      return `${b.area} ${wholeMinutes(b.workSec)} min${reps ? ` (${plural(reps, 'repetition')})` : ''}`;
    })
    .join(', ');
  return (
    <div
      role="row"
      data-week={week.week}
      className={`plan-row${isNow ? ' is-now' : ''}${week.isLighter ? ' is-lighter' : ''}`}
    >
      <div
        role="rowheader"
        data-cell={spotId({ week: week.week, weekday: 0 })}
        className={`plan-week${props.selectedWeekday === 0 ? ' is-selected' : ''}`}
        tabIndex={props.focusWeekday === 0 ? 0 : -1}
      >
        <span className="sr">
          Week {week.week}
          {week.isLighter && ', lighter'}
          {isNow && ', now'}
        </span>
        <b aria-hidden="true">Week {week.week}</b>
        <span className="soft small" aria-hidden="true">
          {[isNow && 'now', week.isLighter ? 'lighter' : isDone && 'done'].filter(Boolean).join(', ')}
        </span>
      </div>
      {week.days.map((d, i) => {
        const key = keys[i]!;
        const known = stored.get(key);
        const difference = changes.get(key);
        const state = !d
          ? 'none'
          : !d.plan
            ? 'empty'
            : d.plan.errors > 0
              ? 'faulty'
              : difference && difference.kind !== 'words-only'
                ? 'draft'
                : (known?.state ?? 'draft');
        return (
          <PlanCell
            key={key}
            id={key}
            day={d?.day}
            plan={d?.plan}
            state={state}
            words={known?.words ?? dayName({ week: week.week, weekday: i + 1 }, firstWeekday)}
            theme={d ? themeOf({ themes }, d.day) : undefined}
            blocked={blocked.get(key) ?? ''}
            isToday={known?.isToday ?? false}
            isPast={known?.isPast ?? false}
            isSelected={props.selectedWeekday === i + 1}
            isFocus={props.focusWeekday === i + 1}
            isCarried={props.carriedWeekday === i + 1}
            change={difference ? wordsOf(difference) || difference.kind : ''}
            mark={difference?.words.split(', ')[0] ?? ''}
            longestSec={longestSec}
            column={i + 2}
            isDrawn={props.isDrawn}
            canMove={d !== undefined && !locked.has(key)}
          />
        );
      })}
      <div role="gridcell" className="plan-sum">
        <span className="sr">planned load</span>
        <i style={{ width: `${figures.loadPx}px` }} className={week.isLighter ? 'is-lighter' : undefined} />
        {week.loadAu > 0 ? (
          <b>{Math.round(week.loadAu)}</b>
        ) : (
          (week.unratedSessions > 0 || week.toWrite === 0) && <b>{week.unratedSessions > 0 ? '–' : 0}</b>
        )}
        <span className="soft small" title={change && `against week ${change.against.week}`}>
          {change && formatChange(change.pct)}
        </span>
        <span
          className="plan-minutes soft small"
          {...(week.unratedSessions > 0
            ? { title: `Load is effort times minutes. ${EFFORT_REMEDY}` }
            : week.workSec > 0 && { title: `work ${formatClock(week.workSec)}` })}
        >
          {[
            ...(week.likelySec > 0 ? [`${wholeMinutes(week.likelySec)} min`] : []),
            ...(week.toWrite > 0 ? [`${week.toWrite} to write`] : []),
            ...(week.unratedSessions > 0 ? [`${week.unratedSessions} without effort`] : []),
          ].join(' · ')}
        </span>
        {guards.length > 0 && (
          <span
            className="plan-flags"
            title={guards.map((g) => `${guardSubject(g, firstWeekday)}: ${guardWords(g, firstWeekday)}`).join('\n')}
          >
            <span className="sr">{guards.length} worth a look</span>
            {guards.slice(0, 5).map((_g, k) => (
              <i key={k} />
            ))}
          </span>
        )}
      </div>
      <div role="gridcell" className="plan-areas">
        <AreaColumns
          bars={figures.bars}
          widthPx={AREA_SIZE.widthPx}
          heightPx={AREA_SIZE.heightPx}
          title={`Week ${week.week}, work: ${work || 'none'}`}
        />
      </div>
    </div>
  );
});
