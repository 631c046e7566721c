import { Link, NavLink, useRouteLoaderData, Form, useFetcher } from 'react-router';
import type { loader as coachLoader } from '../routes/coach.tsx';
import { Mark } from './mark.tsx';

interface CoachHeadProps {
  readonly programme?: {
    readonly key: string;
    readonly title: string;
    readonly people: number;
    readonly zones: number;
  };
  /** The day that Write and Send go to. */
  readonly dayKey?: string;
}

const plural = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** The stages of the work in their order, and the shelves beside them. */
export function CoachHead({ programme, dayKey }: CoachHeadProps) {
  const coach = useRouteLoaderData<typeof coachLoader>('routes/coach');
  const base = programme && `/programmes/${programme.key}`;
  return (
    <header className="head no-print">
      <Link className="head-word" to="/programmes">
        <Mark /> Ysodos
      </Link>
      {programme && (
        <p className="head-run">
          <Link to="/programmes" title="All programmes">
            {programme.title}
          </Link>{' '}
          <span className="soft">
            {programme.people === 0
              ? 'nobody in it yet'
              : `${plural(programme.people, 'person', 'people')} · ${plural(programme.zones, 'time zone', 'time zones')}`}
          </span>
        </p>
      )}
      {base && (
        <nav className="head-stages" aria-label="Stages">
          <NavLink to={`${base}/plan`}>Plan</NavLink>
          <NavLink to={`${base}/write/${dayKey}`}>Write</NavLink>
          <NavLink to={`${base}/send/${dayKey}`}>Send</NavLink>
          <NavLink to={`${base}/follow-up`}>Follow up</NavLink>
        </nav>
      )}
      <nav className="head-shelves" aria-label="Shelves">
        {base && <NavLink to={`${base}/movements`}>Movements</NavLink>}
        {base && <NavLink to={`${base}/people`}>People</NavLink>}
        <details
          className="head-self"
          onKeyDown={(event) => {
            if (event.key !== 'Escape' || !event.currentTarget.open) return;
            event.currentTarget.open = false;
            event.currentTarget.querySelector('summary')?.focus();
          }}
          onBlur={(event) => {
            if (!event.currentTarget.contains(event.relatedTarget)) event.currentTarget.open = false;
          }}
        >
          <summary>{coach?.coachName.split(' ')[0] ?? 'You'}</summary>
          <div>
            <p className="soft small">
              {coach?.coachName}
              <br />
              {coach?.workspaceName}
            </p>
            <ThemeChoice />
            <Form method="post" action="/sign-out">
              <button type="submit">Sign out</button>
            </Form>
          </div>
        </details>
      </nav>
    </header>
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
