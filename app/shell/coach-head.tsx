import type { ReactNode } from 'react';
import { Link, NavLink, useLocation, useRouteLoaderData, Form, useFetcher } from 'react-router';
import type { DayDate } from '../../core/calendar/day.ts';
import { plural } from '../../core/words/words.ts';
import type { RunName } from '../../db/queries/run.ts';
import { runName } from './run-name.ts';
import type { loader as coachLoader } from './coach.tsx';
import { Mark } from './frame/mark.tsx';

interface CoachHeadProps {
  readonly programme?: {
    readonly id: number;
    readonly key: string;
    readonly title: string;
    readonly people: number;
    readonly zones: number;
    readonly run: { readonly id: number; readonly title: string; readonly rules: { readonly startsOn: DayDate } };
  };
  /** The runs of the programme. */
  readonly runs?: readonly RunName[];
  /** The day that Write goes to, and Send where the page is about it. */
  readonly dayKey?: string;
  readonly hasDay?: boolean;
}

/** The stages of the work in their order, and the shelves beside them. */
export function CoachHead({ programme, runs = [], dayKey, hasDay = false }: CoachHeadProps) {
  const coach = useRouteLoaderData<typeof coachLoader>('shell/coach');
  const base = programme && `/programmes/${programme.key}`;
  return (
    <header className="head no-print">
      <Link className="head-word" to="/programmes">
        <Mark /> Ysodos
      </Link>
      {programme && (
        <div className="head-run">
          <Link to="/programmes" title="All programmes">
            {programme.title}
          </Link>{' '}
          <RunChoice programme={programme} runs={runs} />
        </div>
      )}
      {base && (
        <nav className="head-stages" aria-label="Stages">
          <NavLink to={`${base}/plan`}>Plan</NavLink>
          <NavLink to={`${base}/write/${dayKey}`}>Write</NavLink>
          <NavLink to={hasDay ? `${base}/send/${dayKey}` : `${base}/send`}>Send</NavLink>
          <NavLink to={`${base}/follow-up`}>Follow up</NavLink>
        </nav>
      )}
      <nav className="head-shelves" aria-label="Shelves">
        {base && <NavLink to={`${base}/movements`}>Movements</NavLink>}
        {base && <NavLink to={`${base}/people`}>People</NavLink>}
        <Folded className="head-self" summary={coach?.coachName.split(' ')[0] ?? 'You'}>
          <p className="soft small">
            {coach?.coachName}
            <br />
            {coach?.workspaceName}
          </p>
          <ThemeChoice />
          <Form method="post" action="/sign-out">
            <button type="submit">Sign out</button>
          </Form>
          <Link to="/account">Your sign-in</Link>
          <Link to="/account/coaches">Who coaches here</Link>
        </Folded>
      </nav>
    </header>
  );
}

/** The run that Send, Follow up and People are about, and the others. */
function RunChoice({
  programme,
  runs,
}: {
  programme: NonNullable<CoachHeadProps['programme']>;
  runs: readonly RunName[];
}) {
  const { pathname } = useLocation();
  const coach = useRouteLoaderData<typeof coachLoader>('shell/coach');
  const { run, id, key } = programme;
  const rest = pathname.split('/').slice(3, 4).join('/') || 'plan';
  const stage = ['write', 'send'].includes(rest) ? 'send' : rest;
  return (
    <Folded
      className="head-runs"
      summary={`${runName(run.title, run.rules.startsOn)}, ${programme.people === 0 ? 'nobody in it yet' : plural(programme.people, 'person', 'people')}`}
    >
      <ul>
        {runs.map((r) => (
          <li key={r.id}>
            <Link
              to={`/programmes/${id}-${r.id}/${stage}`}
              {...(r.id === run.id && { 'aria-current': 'true' as const })}
            >
              {runName(r.title, r.startsOn)}
            </Link>{' '}
            <span className="soft small">
              {plural(r.people, 'person', 'people')}
              {r.isArchived && ', archived'}
            </span>
          </li>
        ))}
        {coach?.role !== 'reader' && (
          <li>
            <Link to={`/programmes/${key}/run`}>This run: hours, join page, another time</Link>
          </li>
        )}
      </ul>
    </Folded>
  );
}

/** What opens below its name, and closes with Escape, or when one goes elsewhere. */
function Folded({ className, summary, children }: { className: string; summary: ReactNode; children: ReactNode }) {
  const { key } = useLocation();
  return (
    <details
      key={key}
      className={className}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !event.currentTarget.open) return;
        event.currentTarget.open = false;
        event.currentTarget.querySelector('summary')?.focus();
      }}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) event.currentTarget.open = false;
      }}
    >
      <summary>{summary}</summary>
      <div>{children}</div>
    </details>
  );
}

function ThemeChoice() {
  const fetcher = useFetcher();
  return (
    <fetcher.Form method="post" action="/theme" className="theme-choice">
      <span className="small soft">Paper</span>
      {(['light', 'dark', 'device'] as const).map((theme) => (
        <button key={theme} type="submit" name="theme" value={theme}>
          {theme === 'device' ? 'as the device' : theme}
        </button>
      ))}
    </fetcher.Form>
  );
}
