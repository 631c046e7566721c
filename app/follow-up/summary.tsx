import { Link } from 'react-router';
import { formatDay } from '../../core/calendar/day.ts';
import { formatHours, plural, tenth } from '../../core/words/words.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { coachToday } from '../../server/doors/coach-zone.ts';
import { loadHost } from '../../server/follow-up/run-host.ts';
import { loadInsights } from '../../server/follow-up/run-insights.ts';
import { DropOffChart, SharesChart } from './charts/insight-charts.tsx';
import '../participant/paper/paper.css';
import followCss from './follow-up.css?url';
import type { Route } from './+types/summary';
import { lastDate } from '../../core/calendar/release.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'A run'}, summary · Ysodos` },
];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme, coach }) => {
    const { follow, host } = await loadHost(db, programme);
    const insights = await loadInsights(db, programme, { follow });
    const sum = (of: 'done' | 'due' | 'worked' | 'prescribed') =>
      follow.people.reduce((n, p) => n + p.adherence[of], 0);
    return {
      key: programme.key,
      title: programme.title,
      coachName: coach.coachName,
      from: formatDay(programme.startsOn),
      to: formatDay(lastDate(programme.run.rules, programme.weeks)),
      today: formatDay(coachToday(request)),
      done: sum('done'),
      due: sum('due'),
      worked: sum('worked'),
      prescribed: sum('prescribed'),
      retention: follow.retention,
      completion: insights.completion.week,
      dropOff: insights.dropOff,
      slopes: insights.slopes.map(({ label, people, better, medianPct }) => ({ label, people, better, medianPct })),
      teams: host.teams,
      shared: host.settings.shared ? { words: host.settings.shared.words, total: host.total } : null,
    };
  });
}

/** A run on one page, as it goes on paper. */
export default function Summary({ loaderData: d }: Route.ComponentProps) {
  return (
    <main className="paper run-summary">
      <nav className="paper-nav">
        <Link to={`/programmes/${d.key}/follow-up/teams`}>Back</Link>
        <button type="button" className="button-main" onClick={() => window.print()}>
          Print
        </button>
      </nav>
      <h1>{d.title}</h1>
      <p>
        {d.from} to {d.to}, led by {d.coachName}. As of {d.today}.
      </p>
      <p>
        <b>
          {d.done} of {plural(d.due, 'session')} due
        </b>{' '}
        {d.due > 0 && `(${Math.round((100 * d.done) / d.due)} %)`} were done by{' '}
        {plural(d.retention.joined, 'person', 'people')}; {formatHours(d.worked)} of {formatHours(d.prescribed)} of
        work. <b>{d.retention.here}</b> of {d.retention.joined} still take part.
        {d.shared && (
          <>
            {' '}
            <b>{d.shared.total.toLocaleString('en')}</b> {d.shared.words}.
          </>
        )}
      </p>
      {d.completion.length > 0 && (
        <>
          <h2>Done of due, by week</h2>
          <SharesChart rows={d.completion} label="Done of due, by week" />
        </>
      )}
      {d.dropOff.people > 0 && (
        <>
          <h2>Still taking part, by weeks since joining</h2>
          <DropOffChart data={d.dropOff} />
          <p>
            {d.dropOff.steps.length === 0
              ? 'Nobody has dropped off.'
              : d.dropOff.steps
                  .map((s) => `after week ${s.time}: ${Math.round(s.share * 100)} % (${s.events} of ${s.atRisk})`)
                  .join('; ')}
          </p>
        </>
      )}
      {d.slopes.length > 0 && (
        <>
          <h2>Retests, first to last</h2>
          {d.slopes.map((s) => (
            <p key={s.label}>
              {s.label}: {s.better.count} of {s.people} went up; in the middle {Math.round(s.medianPct)} %.
            </p>
          ))}
        </>
      )}
      {d.teams.length > 0 && (
        <>
          <h2>Teams, by days kept a member</h2>
          <ol>
            {d.teams.map(({ place, isShared, of: t }) => (
              <li key={t.team} value={place}>
                {t.team}: {tenth(t.mean)} ({t.kept} by {plural(t.members, 'member')}){isShared && ', level with others'}
              </li>
            ))}
          </ol>
        </>
      )}
      <footer>
        <p>
          Due is what was sent, from joining to now, less rest, excused and paused days. There is no agreed definition;
          both numbers always stand there.
        </p>
      </footer>
    </main>
  );
}
