import { Skeleton } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { zoneName } from '../../../core/calendar/day-place.ts';
import { plural } from '../../../core/words/words.ts';
import type { HomeRun } from '../../../server/shell/load-home.ts';
import { RULE_WORDS } from '../../../words/en/attention.ts';
import { runName } from '../run-name.ts';

/** Today is looked at anew so often while the page is seen. */
const LOOK_MS = 60_000;

/** Today over all runs; undefined where it can't be had. */
async function askHome(signal: AbortSignal): Promise<readonly HomeRun[] | undefined> {
  try {
    const response = await fetch('/home.json', { signal });
    return response.ok && !response.redirected ? ((await response.json()) as { runs: HomeRun[] }).runs : undefined;
  } catch {
    return undefined;
  }
}

/** Today over all runs: what goes out, what can't yet, who needs a word, what came in. Each line leads to its place. */
export function TodayBoard({ todayWords }: { todayWords: string }) {
  const [runs, setRuns] = useState<readonly HomeRun[]>();
  const [isMissing, setMissing] = useState(false);
  useEffect(() => {
    const stop = new AbortController();
    // Asked for beside the router: without network what was seen last stays, and so does the page.
    const look = () =>
      void askHome(stop.signal).then((found) => {
        if (stop.signal.aborted) return;
        if (found) setRuns(found);
        setMissing(!found);
      });
    look();
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') look();
    }, LOOK_MS);
    return () => {
      stop.abort();
      clearInterval(timer);
    };
  }, []);
  if (runs?.length === 0) return null;
  return (
    <section className="today-board" aria-labelledby="today-board">
      <h2 id="today-board">Today, {todayWords}</h2>
      {isMissing && (
        <p className="soft" role="status">
          Today can’t be looked up just now; it is tried again each minute.
        </p>
      )}
      {!runs ? (
        !isMissing && <Skeleton active title={false} paragraph={{ rows: 4 }} aria-label="Today is being looked up" />
      ) : (
        <div className="today-columns">
          <Column title="Goes out" nothing="Nothing is ready to go out.">
            {runs.flatMap((run) => outLines(run, runs))}
          </Column>
          <Column title="Not ready" nothing="Everything of the next two days is ready.">
            {runs.flatMap((run) =>
              run.unready.map((day) => (
                <Line key={`${run.key} ${day.key}`} run={run} of={runs}>
                  <Link to={`/programmes/${run.key}/${day.stage}/${day.key}`}>{day.title || day.date}</Link>{' '}
                  {day.title !== '' && <span className="soft">{day.date}: </span>}
                  <span className="soft">goes out {day.when}, and </span>
                  <b className="plan-off">{day.why}</b>
                </Line>
              )),
            )}
          </Column>
          {runs.some((run) => run.need) && (
            <Column title="Needs a word" nothing="Nobody.">
              {runs.flatMap((run) => needLines(run, runs))}
            </Column>
          )}
          {runs.some((run) => run.need) && (
            <Column title="Came in" nothing="Nothing since yesterday.">
              {runs.flatMap((run) => cameLines(run, runs))}
            </Column>
          )}
        </div>
      )}
    </section>
  );
}

/** What goes out of a run, or why nothing does. */
function outLines(run: HomeRun, of: readonly HomeRun[]) {
  const { line, next, key } = run;
  const base = `/programmes/${key}/send`;
  return [
    run.isHeld && (
      <Line key={`${key} held`} run={run} of={of}>
        <Link to={`/programmes/${key}/run`}>All is held</Link> <span className="plan-off">Nothing goes out.</span>
      </Line>
    ),
    ...run.heldBack.map((day) => (
      <Line key={`${key} ${day.key}`} run={run} of={of}>
        <Link to={`${base}/${day.key}`}>Held back</Link>{' '}
        <span className="plan-off">from {plural(day.people, 'person', 'people')}, until you decide</span>
      </Line>
    )),
    line.people > 0 && (
      <Line key={`${key} today`} run={run} of={of}>
        <Link to={`/programmes/${key}/follow-up`}>Today’s session</Link>{' '}
        <span className="soft">
          is with {line.released} of {line.people}, {line.logged} logged it
          {line.asleep[0] && `; next at ${line.asleep[0].opens} in ${zoneName(line.asleep[0].zone)}`}
        </span>
      </Line>
    ),
    next && (
      <Line key={`${key} next`} run={run} of={of}>
        <Link to={`${base}/${next.key}`}>{next.title}</Link>{' '}
        <span className="soft">
          {next.date}, {next.when}
        </span>
      </Line>
    ),
  ].filter((line) => line !== false && line !== null);
}

function needLines(run: HomeRun, of: readonly HomeRun[]) {
  const { need, key } = run;
  if (!need) return [];
  const more = need.people - need.first.length;
  const path = `/programmes/${key}/follow-up`;
  return [
    ...need.first.map((p) => (
      <Line key={`${key} ${p.enrolmentId}`} run={run} of={of}>
        <Link to={`${path}?person=${p.enrolmentId}&item=${p.code}`} dir="auto">
          {p.name}
        </Link>{' '}
        <span className="plan-off">{RULE_WORDS[p.code].name}.</span> <span className="soft">{p.why}</span>
      </Line>
    )),
    ...(more > 0
      ? [
          <Line key={`${key} more`} run={run} of={of}>
            <Link to={path}>and {plural(more, 'more person', 'more people')}</Link>
          </Line>,
        ]
      : []),
  ];
}

/** Words shown of each run; the rest is behind the number. */
const WORDS = 3;

function cameLines(run: HomeRun, of: readonly HomeRun[]) {
  const { came, key } = run;
  if (!came) return [];
  const path = `/programmes/${key}/follow-up`;
  return [
    <Line key={key} run={run} of={of}>
      <Link to={path}>{plural(came.logged, 'session')} logged</Link>{' '}
      <span className="soft">{came.day === 'today' ? 'since midnight' : 'yesterday'}</span>
    </Line>,
    ...came.words.slice(0, WORDS).map((w) => (
      <Line key={`${key} ${w.enrolmentId} ${w.words}`} run={run} of={of}>
        <Link to={`${path}/person/${w.enrolmentId}`} dir="auto">
          {w.name}
        </Link>{' '}
        <span className="as-written" dir="auto">
          {w.words}
        </span>
      </Line>
    )),
  ];
}

function Column({ title, nothing, children }: { title: string; nothing: string; children: React.ReactNode[] }) {
  return (
    <div>
      <h3>{title}</h3>
      {children.length === 0 ? <p className="soft">{nothing}</p> : <ul>{children}</ul>}
    </div>
  );
}

/** One line, with its run where there are several. */
const Line = ({ run, of, children }: { run: HomeRun; of: readonly HomeRun[]; children: React.ReactNode }) => (
  <li>
    {children}
    {of.length > 1 && (
      <small className="soft">
        {run.programme}
        {of.filter((r) => r.programme === run.programme).length > 1 &&
          `, ${runName(run.run.title, run.run.startsOn).toLowerCase()}`}
      </small>
    )}
  </li>
);
