import { useMemo } from 'react';
import type { Weekday } from '../../../core/calendar/day.ts';
import { dayKey, weekdaysFrom } from '../../../core/calendar/day.ts';
import type { MovementLibrary } from '../../../core/movement/library.ts';
import { analyseText } from '../../../core/session/analyse.ts';
import { sessionTitle, UNREAD_TITLE } from '../../../core/session/session-title.ts';
import { wholeMinutes } from '../../../core/words/words.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';
import type { Placing } from './use-placing.ts';

const SIZE = { widthPx: 110, heightPx: 26 };

interface PlacingWeeksProps {
  readonly placing: Placing;
  readonly firstWeekday: Weekday;
  readonly library: MovementLibrary;
}

/** The weeks that a pasted plan touches, each as it stands now and as it will stand. */
export function PlacingWeeks({ placing, firstWeekday, library }: PlacingWeeksProps) {
  const weeks = [...new Set(placing.days.map((d) => d.week))];
  const coming = new Map(placing.days.filter((d) => d.isWritten).map((d) => [d.key, d.text]));
  return weeks.map((week) => (
    <table key={week} className="placing-week">
      <caption>
        Week {week}
        {week > placing.weeks && ' (after the last week of the programme)'}
      </caption>
      <thead>
        <tr>
          <td />
          {weekdaysFrom(firstWeekday).map((name) => (
            <th key={name} scope="col">
              {name.slice(0, 3)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">now</th>
          {WEEK.map((weekday) => {
            const key = dayKey({ week, weekday });
            return <PlacingCell key={key} text={placing.standing.get(key) ?? ''} library={library} isNew={false} />;
          })}
        </tr>
        <tr>
          <th scope="row">then</th>
          {WEEK.map((weekday) => {
            const key = dayKey({ week, weekday });
            const text = coming.get(key) ?? placing.standing.get(key) ?? '';
            return <PlacingCell key={key} text={text} library={library} isNew={coming.has(key)} />;
          })}
        </tr>
      </tbody>
    </table>
  ));
}

const WEEK = [1, 2, 3, 4, 5, 6, 7] as const;

/** A day's ribbon, minutes and title. */
function PlacingCell({ text, library, isNew }: { text: string; library: MovementLibrary; isNew: boolean }) {
  const session = useMemo(() => {
    if (text.trim() === '') return undefined;
    const { plan, document } = analyseText(text, library);
    return { plan, ribbon: layoutRibbon(plan, SIZE), title: sessionTitle(document) || UNREAD_TITLE };
  }, [text, library]);
  return (
    <td className={isNew ? 'is-new' : undefined}>
      {session && (
        <>
          {session.plan.timeline.length > 0 && (
            <span className="placing-ribbon" aria-hidden="true">
              <Ribbon layout={session.ribbon} stretch />
            </span>
          )}
          <span className="placing-title">
            <b>{wholeMinutes(session.plan.clockSec.likely)}</b> {session.title}
          </span>
        </>
      )}
    </td>
  );
}
