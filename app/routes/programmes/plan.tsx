import { Link, useRouteLoaderData } from 'react-router';
import { WEEKDAYS } from '../../../core/calendar/day.ts';
import { wholeMinutes } from '../../../core/session/explain.ts';
import { Ribbon } from '../../charts/ribbon.tsx';
import { STATE_LABEL } from '../../components/spine.tsx';
import type { loader as programmeLoader } from './programme.tsx';

/** The spine opened up: weeks under each other, ribbons on one time scale, so that growth is seen. */
export default function Plan() {
  const { programme, days } = useRouteLoaderData<typeof programmeLoader>('routes/programmes/programme')!;
  const base = `/programmes/${programme.id}`;
  const weeks = Array.from({ length: programme.weeks }, (_, i) => days.filter((d) => d.week === i + 1));
  const longest = Math.max(1, ...days.map((d) => d.likelySec));
  const used = WEEKDAYS.map((_, i) => days.some((d) => d.weekday === i + 1 && d.state !== 'none'));
  const columns = used.map((u) => (u ? 'minmax(90px, 1fr)' : '26px')).join(' ');
  const weekSec = weeks.map((week) => week.reduce((sum, d) => sum + d.likelySec, 0));
  const most = Math.max(1, ...weekSec);
  const sessions = days.filter((d) => d.state !== 'none');
  const totalSec = weekSec.reduce((a, b) => a + b, 0);
  return (
    <div className="plan">
      <div className="page-title">
        <h1>{programme.title}</h1>
        <p className="soft">{sessions.length} sessions · {Math.floor(totalSec / 3600)} h {Math.round((totalSec % 3600) / 60)} min written · {sessions.filter((d) => d.state === 'empty').length} to write</p>
      </div>
      <div className="plan-grid" style={{ gridTemplateColumns: `84px ${columns} minmax(150px, 0.9fr)` }} role="table" aria-label="Weeks and days">
        <div className="plan-row plan-head" role="row">
          <span role="columnheader">{' '}</span>
          {WEEKDAYS.map((name, i) => <span role="columnheader" key={name} aria-label={name}>{used[i] ? name.slice(0, 3) : name[0]}</span>)}
          <span role="columnheader">minutes</span>
        </div>
        {weeks.map((week, w) => (
          <div role="row" key={w} className={`plan-row${week.some((d) => d.isToday) ? ' is-now' : ''}`}>
            <div role="rowheader" className="plan-week"><b>Week {w + 1}</b><span className="soft small">{week.some((d) => d.isToday) ? 'now' : week.every((d) => d.isPast) ? 'done' : ''}</span></div>
            {week.map((day) => (
              <div role="cell" key={day.key} className={`plan-cell is-${day.state}${day.isToday ? ' is-today' : ''}`}>
                {day.state === 'none'
                  ? <Link className="plan-none" to={`${base}/write/${day.key}`} aria-label={`${day.words}, no session`} />
                  : (
                    <Link to={`${base}/write/${day.key}`}>
                      <span className="sr">{day.words}: </span>
                      {day.ribbon
                        ? <span className="plan-ribbon" style={{ width: `${(100 * day.likelySec) / longest}%` }}><Ribbon layout={day.ribbon} stretch /></span>
                        : <span className="plan-empty" />}
                      <span className="plan-words">
                        {day.likelySec > 0 && <b>{wholeMinutes(day.likelySec)}</b>} {day.title || STATE_LABEL[day.state]}
                        {['ready', 'changed', 'faulty', 'draft'].includes(day.state) && day.title && <span className={`plan-state is-${day.state}`}> · {STATE_LABEL[day.state]}</span>}
                      </span>
                    </Link>
                  )}
              </div>
            ))}
            <div role="cell" className="plan-sum">
              <i style={{ width: `${(70 * weekSec[w]!) / most}%` }} /><b>{wholeMinutes(weekSec[w]!)}</b>
            </div>
          </div>
        ))}
      </div>
      <p className="soft small">Ribbons share one time scale. Lighter bars are at one’s own pace, an estimate; a dotted line below is a draft. A dashed place is still to write; an empty day can be given a session by opening it.</p>
    </div>
  );
}
