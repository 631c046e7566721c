import { Button } from 'antd';
import { Link } from 'react-router';
import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey, dayName, weekdayName } from '../../core/calendar/day.ts';
import { UNREAD_TITLE } from '../../core/session/session-title.ts';
import { plural } from '../../core/words/words.ts';
import { makeTrack, recurring } from '../../core/progress/track/make-track.ts';
import type { Plan } from './use-plan.ts';

/** Beside a plan in which nothing is written: what is most likely done next. */
export function PlanBeginning({ plan, writeBase }: { plan: Plan; writeBase: string }) {
  const { programme } = plan;
  const first = programme.days.find((d) => d.text.trim() === '');
  return (
    <section className="plan-beginning" aria-label="To begin with">
      <h2>Nothing is written yet</h2>
      {first ? (
        <>
          <p>Write the first session. It can then be repeated every week, and grow as it goes.</p>
          <p className="panel-tools">
            <Link className="button-main" to={`${writeBase}/${dayKey(first)}`}>
              Write {dayName(first, programme.firstWeekday)}
            </Link>
            <Link className="button-quiet" to={`${writeBase}/${dayKey(first)}?paste=on`}>
              Paste a plan
            </Link>
          </p>
        </>
      ) : (
        <p>There is no day with a session. Choose a day of the weeks beside, and put a session there.</p>
      )}
    </section>
  );
}

/** Sessions offered at once; the others follow when these are taken. */
const MOST_OFFERED = 3;

/** Sessions but that of the chosen day, which is asked about in its own place: those that stand on one day, before days of their weekday that wait to be written: each the same every week, in one press. */
export function RecurOffers({ plan, except }: { plan: Plan; except: DayPlace | undefined }) {
  const { programme, tools, locked, propose } = plan;
  const offers = recurring(programme, tools.planner, locked).filter(
    ({ place }) => !except || dayKey(place) !== dayKey(except),
  );
  if (offers.length === 0) return null;
  return (
    <section className="plan-beginning" aria-label="To go on with">
      <h2>The same every week?</h2>
      <p className="small soft">
        Repeated as a track, it comes on each later day of its weekday that is still to write, and grows in the way that
        you choose.
      </p>
      {offers.slice(0, MOST_OFFERED).map(({ place, title, later }) => {
        const weekday = weekdayName(place.weekday, programme.firstWeekday);
        return (
          <p key={dayKey(place)} className="plan-offer">
            <span>
              “{title || UNREAD_TITLE}”, week {place.week}; {plural(later, weekday)} to write
            </span>
            <Button
              htmlType="button"
              onClick={() => {
                const made = makeTrack(programme, place, tools.planner, locked);
                if (made) propose(made.edits, made.words);
              }}
            >
              Repeat it every {weekday}
            </Button>
          </p>
        );
      })}
    </section>
  );
}
