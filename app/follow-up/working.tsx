import { Link, useNavigate, useSearchParams } from 'react-router';
import { formatDay, formatShortDay } from '../../core/calendar/day.ts';
import type { Completion, CompletionBy } from '../../core/record/insights/insights.ts';
import { COMPLETION_BY } from '../../core/record/insights/insights.ts';
import type { Share } from '../../core/record/insights/shares.ts';
import { SMALL_NUMBER } from '../../core/record/insights/shares.ts';
import { plural } from '../../core/words/words.ts';
import { getProgramme } from '../../db/queries/programme.ts';
import type { RunName } from '../../db/queries/run.ts';
import { listRunNames } from '../../db/queries/run.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { coachToday } from '../../server/doors/coach-zone.ts';
import { nowMs } from '../../server/config.ts';
import { parseId } from '../../server/http/parse-number.ts';
import { loadAttendance } from '../../server/follow-up/run-adherence.ts';
import { loadInsights } from '../../server/follow-up/run-insights.ts';
import { DropOffChart, FeltChart, LoadsChart, SharesChart } from './charts/insight-charts.tsx';
import { FollowLinks } from './strands/follow-links.tsx';
import { runName } from '../shell/run-name.ts';
import followCss from './follow-up.css?url';
import type { Route } from './+types/working';

export const meta: Route.MetaFunction = () => [{ title: 'Is it working · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const runs = (await listRunNames(db, programme.id)).filter((r) => r.id !== programme.runId);
    const withId = parseId(new URL(request.url).searchParams.get('with'));
    const beside = runs.find((r) => r.id === withId);
    const insights = await loadInsights(db, programme);
    const other = beside ? await loadBeside(db, programme.id, beside.id) : null;
    return {
      key: programme.key,
      weeks: programme.weeks,
      words: formatDay(coachToday(request)),
      on: formatShortDay(coachToday(request)),
      insights,
      runs: await runsWithSums(db, programme.id, runs),
      other: other && beside ? { ...other, words: runName(beside.title, beside.startsOn) } : null,
    };
  });
}

async function loadBeside(db: Parameters<typeof getProgramme>[0], programmeId: number, runId: number) {
  const programme = await getProgramme(db, programmeId, { now: new Date(nowMs()), runId });
  return { key: programme.key, insights: await loadInsights(db, programme) };
}

/** Runs shown with their sums; older ones can still be chosen. */
const MOST_SUMS = 6;

/** The other runs of a programme, by name, the latest with what was done of what was due. */
async function runsWithSums(
  db: Parameters<typeof getProgramme>[0],
  programmeId: number,
  runs: readonly RunName[],
): Promise<{ id: number; words: string }[]> {
  const named = [];
  for (const [i, r] of runs.entries()) {
    const words = runName(r.title, r.startsOn);
    const programme = await getProgramme(db, programmeId, { now: new Date(nowMs()), runId: r.id });
    const { done, due } = i < MOST_SUMS ? await loadAttendance(db, programme, nowMs()) : { done: 0, due: 0 };
    named.push({ id: r.id, words: due === 0 ? words : `${words}: ${done} of ${due} done` });
  }
  return named;
}

const BY_WORDS: Record<CompletionBy, string> = {
  week: 'week',
  weekday: 'weekday',
  length: 'length',
  form: 'form',
  theme: 'theme',
};
const pct = (n: number): string => `${Math.round(n * 100)} %`;
const shareWords = (s: Share | undefined): string => (s ? `${pct(s.ratio)}, ${s.count} of ${s.of}` : 'nothing due yet');

export default function Working({ loaderData }: Route.ComponentProps) {
  const { insights, other, runs, on } = loaderData;
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const by = COMPLETION_BY.find((b) => b === search.get('by')) ?? 'week';
  const linkTo = (changes: Record<string, string>) => {
    const next = new URLSearchParams(search);
    for (const [k, v] of Object.entries(changes)) {
      if (v === '') next.delete(k);
      else next.set(k, v);
    }
    return `?${next.toString()}`;
  };
  return (
    <div className="working">
      <div className="page-title follow-title">
        <h1>Is it working?</h1>
        <FollowLinks current="working" />
      </div>
      <p className="working-lead">
        <b>{insights.attendance ? pct(insights.attendance.ratio) : '–'}</b> of what was due was done,{' '}
        {insights.attendance ? `${insights.attendance.count} of ${insights.attendance.of}` : 'nothing yet'} ·{' '}
        <b>{insights.retention.here}</b> of {insights.retention.joined} still take part on {on}
        {insights.dropOff.median !== undefined && ` · half had gone by week ${insights.dropOff.median}`}
      </p>
      <p className="small soft working-tools">
        {runs.length > 0 && (
          <label>
            beside{' '}
            <select
              value={search.get('with') ?? ''}
              onChange={(e) => void navigate(linkTo({ with: e.target.value }), { preventScrollReset: true })}
            >
              <option value="">no other run</option>
              {runs.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.words}
                </option>
              ))}
            </select>
          </label>
        )}{' '}
        <a href={`/programmes/${loaderData.key}/insights.csv`} download>
          CSV
        </a>{' '}
        <a href={`/programmes/${loaderData.key}/insights.json`} download>
          JSON
        </a>
        {other && (
          <>
            {' '}
            · {other.words}: {shareWords(other.insights.attendance)}; {other.insights.retention.here} of{' '}
            {other.insights.retention.joined} still take part
          </>
        )}
      </p>
      <div className="working-columns">
        <section>
          <h2>
            What was done, by{' '}
            {COMPLETION_BY.map((b) => (
              <Link
                key={b}
                to={linkTo({ by: b })}
                preventScrollReset
                className="working-by"
                aria-current={b === by || undefined}
              >
                {BY_WORDS[b]}
              </Link>
            ))}
          </h2>
          <CompletionFigure rows={insights.completion[by]} by={by} programmeKey={loaderData.key} />
          {other && (
            <>
              <h3>{other.words}</h3>
              <CompletionFigure rows={other.insights.completion[by]} by={by} programmeKey={other.key} />
            </>
          )}
        </section>
        <section>
          <h2>Who is still there</h2>
          {insights.dropOff.people === 0 ? (
            <p className="soft">Nothing was due yet.</p>
          ) : (
            <>
              <DropOffChart data={insights.dropOff} other={other?.insights.dropOff} />
              <p className="small soft">
                Weeks since joining (Kaplan-Meier); dropped off is who missed six due days in a row, or left:{' '}
                {insights.dropOff.gone} of {insights.dropOff.people}. {other && `Dashed: ${other.words}. `}
                {insights.dropOff.people < SMALL_NUMBER && 'These are few: it may well be chance.'}
              </p>
              <details className="small">
                <summary>as a table</summary>
                <table className="follow-table">
                  <thead>
                    <tr>
                      <th scope="col">after week</th>
                      <th scope="col" className="right">
                        at risk
                      </th>
                      <th scope="col" className="right">
                        dropped off
                      </th>
                      <th scope="col" className="right">
                        still there
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {insights.dropOff.steps.map((s) => (
                      <tr key={s.time}>
                        <th scope="row">{s.time}</th>
                        <td className="right">{s.atRisk}</td>
                        <td className="right">{s.events}</td>
                        <td className="right">
                          {pct(s.share)} ± {Math.round(s.se * 100)}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </details>
            </>
          )}
        </section>
        <section>
          <h2>Effort felt, beside planned</h2>
          {insights.felt.length === 0 ? (
            <p className="soft">Nobody has said yet how hard a session was.</p>
          ) : (
            <>
              <FeltChart days={insights.felt} />
              <p className="small soft">
                Point: the mean. Bar: the middle half. Tick: as planned. Pale: fewer than {SMALL_NUMBER} said so.
              </p>
            </>
          )}
          {insights.felt.length > 0 && (
            <details className="small">
              <summary>as a table</summary>
              <table className="follow-table">
                <thead>
                  <tr>
                    <th scope="col">session</th>
                    <th scope="col" className="right">
                      planned
                    </th>
                    <th scope="col" className="right">
                      felt
                    </th>
                    <th scope="col" className="right">
                      said so
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {insights.felt.map((f) => (
                    <tr key={f.dayId}>
                      <th scope="row">
                        w{f.week} {f.title}
                      </th>
                      <td className="right">{f.planned ?? '–'}</td>
                      <td className="right">{f.mean.toFixed(1)}</td>
                      <td className="right">{f.said}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </details>
          )}
        </section>
        <section>
          <h2>Load by week</h2>
          {insights.loads.length === 0 ? (
            <p className="soft">The first week isn’t over yet.</p>
          ) : (
            <>
              <LoadsChart weeks={insights.loads} />
              <div className="follow-table-wrap">
                <table className="follow-table small">
                  <thead>
                    <tr>
                      <th scope="col">week</th>
                      <th scope="col" className="right">
                        planned AU
                      </th>
                      <th scope="col" className="right">
                        felt AU
                      </th>
                      <th scope="col" className="right">
                        monotony
                      </th>
                      <th scope="col" className="right">
                        strain
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {insights.loads.map((w) => (
                      <tr key={w.week}>
                        <th scope="row">{w.week}</th>
                        <td className="right">{w.plannedAu ?? '–'}</td>
                        <td className="right">{w.feltAu === undefined ? '–' : Math.round(w.feltAu)}</td>
                        <td className="right">{w.monotony === undefined ? '–' : w.monotony.toFixed(2)}</td>
                        <td className="right">{w.strain === undefined ? '–' : Math.round(w.strain)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
              <p className="small soft">
                Effort times minutes, a person, in arbitrary units; dark is planned, light felt. Monotony is the mean of
                seven days over their sample SD. Numbers to talk about, no verdict.
              </p>
            </>
          )}
        </section>
        <section>
          <h2>Retests, first to last</h2>
          {insights.slopes.length === 0 && (
            <p className="soft">A retest that somebody did twice in the same shape stands here.</p>
          )}
          {insights.slopes.map((s) => (
            <div key={s.label}>
              <p>
                <b>{s.label}</b>: {s.better.count} of {plural(s.people, 'person', 'people')} went up (
                {pct(s.better.low)} to {pct(s.better.high)}); in the middle {s.medianPct >= 0 ? '+' : '−'}
                {Math.abs(s.medianPct).toFixed(0)} %{s.people < SMALL_NUMBER && <span className="soft"> (few)</span>}
              </p>
              <details className="small">
                <summary>each of them</summary>
                <ul className="one-said">
                  {s.slopes.map((one, i) => (
                    <li key={i}>
                      {one.firstWords} on {one.firstOn}, {one.lastWords} on {one.lastOn}
                    </li>
                  ))}
                </ul>
              </details>
            </div>
          ))}
        </section>
        <section>
          <h2>Swapped, and left</h2>
          {insights.swaps.length === 0 && insights.left.length === 0 && <p className="soft">Nothing yet.</p>}
          {insights.swaps.length > 0 && (
            <>
              <h3>Done in another shape most</h3>
              <ul className="one-said">
                {insights.swaps.map((s) => (
                  <li key={`${s.from} ${s.to}`}>
                    {s.to === '' ? `${s.from} left out` : `${s.to} instead of ${s.from}`}{' '}
                    <span className="soft">
                      {plural(s.times, 'time')}, {plural(s.people, 'person', 'people')}
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
          {insights.left.length > 0 && (
            <>
              <h3>Left before the end most</h3>
              <ul className="one-said">
                {insights.left.map((l) => (
                  <li key={`${l.title} ${l.block}`}>
                    {l.title}, in {l.block}{' '}
                    <span className="soft">
                      {l.count} of {l.of}
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
      </div>
    </div>
  );
}

function CompletionFigure({
  rows,
  by,
  programmeKey,
}: {
  rows: readonly Completion[];
  by: CompletionBy;
  programmeKey: string;
}) {
  if (rows.length === 0)
    return <p className="soft">{by === 'theme' ? 'No day of the plan has a theme.' : 'Nothing was due yet.'}</p>;
  return (
    <>
      <SharesChart rows={rows} label={`Done of due, by ${by}`} />
      <p className="small soft">
        Done of due with its 95 % interval (Wilson). Open: fewer than {SMALL_NUMBER}. One person’s sessions aren’t
        independent, so take the intervals as too narrow rather than too wide.
      </p>
      <details className="small">
        <summary>as a table, with the days behind</summary>
        <table className="follow-table working-figures">
          {rows.map((row) => (
            <CompletionRows key={row.label} row={row} programmeKey={programmeKey} />
          ))}
        </table>
      </details>
    </>
  );
}

/** A figure, and below it the days that it is made of, each with the way to its session. */
function CompletionRows({ row: { label, share, days }, programmeKey }: { row: Completion; programmeKey: string }) {
  return (
    <tbody>
      <tr>
        <th scope="row">{label}</th>
        <td className="right soft">
          {pct(share.low)} to {pct(share.high)}
        </td>
        <td className="right">
          {share.count} of {share.of}
        </td>
        <td className="right">{pct(share.ratio)}</td>
      </tr>
      {days.map((d) => (
        <tr key={d.key} className="working-day">
          <th scope="row" colSpan={2}>
            <Link to={`/programmes/${programmeKey}/write/${d.key}`}>
              {d.key} {d.title}
            </Link>
          </th>
          <td className="right">
            {d.done} of {d.due}
          </td>
          <td className="right">{pct(d.done / d.due)}</td>
        </tr>
      ))}
    </tbody>
  );
}
