import { Button } from 'antd';
import { Link } from 'react-router';
import { dayKey, dayName, weekdayName } from '../../core/calendar/day.ts';
import { makeTrack } from '../../core/progress/track/make-track.ts';
import type { Plan } from './use-plan.ts';

/** Beside a plan without tracks: what is most likely done next. */
export function PlanBeginning({ plan, writeBase }: { plan: Plan; writeBase: string }) {
  const { programme, tools } = plan;
  const written = programme.days.find((d) => d.text.trim() !== '');
  const first = programme.days.find((d) => d.text.trim() === '');
  if (!written)
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
  const made = makeTrack(programme, written, tools.planner, plan.locked);
  const own = tools.planner.of(written.text);
  return (
    <section className="plan-beginning" aria-label="To go on with">
      <h2>Shall it recur?</h2>
      <p>
        “{own?.title}” stands on one day. As a track it is repeated every{' '}
        {weekdayName(written.weekday, programme.firstWeekday)} that has a session still to write, and grows in the way
        that you choose.
      </p>
      {made ? (
        <Button htmlType="button" onClick={() => plan.propose(made.edits, made.words)}>
          Repeat it every {weekdayName(written.weekday, programme.firstWeekday)}
        </Button>
      ) : (
        <p className="soft">It was sent already: choose another written day, and make it a track there.</p>
      )}
    </section>
  );
}
