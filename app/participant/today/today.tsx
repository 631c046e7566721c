import { loadToday } from '../../../server/participant/load-today.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { withPersonalLink } from '../../../server/doors/personal-link.ts';
import { toDaySession } from './day-session.ts';
import { LiveCard } from './live-card.tsx';
import { OwnStrand, ownBeads } from '../base/own-strand.tsx';
import { DayView } from '../base/day-view.tsx';
import { orKeptPage } from '../base/kept-pages.ts';
import { pageTitle } from '../../parts/page-title.ts';
import type { Route } from './+types/today';

export const meta: Route.MetaFunction = ({ loaderData }) =>
  pageTitle('Today', loaderData?.session?.sheet.title, loaderData?.programmeTitle);

export async function loader({ params, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const { shown, ...view } = await withPersonalLink(params.token, (db, scope) => loadToday(db, scope, request, search));
  if (!shown) return { ...view, session: null };
  const { key, fitted, open, toMatch } = shown;
  return { ...view, session: { ...toDaySession(fitted, open, toMatch), key } };
}

export const clientLoader = (args: Route.ClientLoaderArgs) => orKeptPage(args);

export default function Today({ loaderData, params }: Route.ComponentProps) {
  const {
    care,
    session,
    adherence,
    next,
    place,
    open,
    todayWords,
    days,
    strand,
    programmeTitle,
    name,
    why,
    live,
    others,
    welcome,
    asked,
    liveTold,
  } = loaderData;
  const beads = useMemo(() => ownBeads(days, strand), [days, strand]);
  const base = `/p/${params.token}`;
  // On top while it is near, at the end of the page before.
  const liveCard = (
    <>
      {liveTold && (
        <p className="notice bad" role="alert">
          {liveTold}
        </p>
      )}
      {live && <LiveCard live={live} base={base} />}
    </>
  );
  return (
    <main className="person">
      {welcome && (
        <section className="notice welcome">
          <h2>Welcome to {programmeTitle}</h2>
          {welcome.map((words) => (
            <p key={words}>{words}</p>
          ))}
        </section>
      )}
      {!welcome && asked !== null && (
        <p className="notice">
          Messages wait until you confirm your address: look for ours at {asked}.{' '}
          <Link to={`${base}/me/messages`}>Change it</Link>
        </p>
      )}
      {care === 'wait' && (
        <p className="notice">
          Before you start: please see a clinician first. <Link to={`${base}/me/health`}>Why, and what then</Link>
        </p>
      )}
      {live?.isNear && liveCard}
      {session ? (
        <DayView
          base={base}
          dayKey={session.key}
          session={session}
          next={next}
          above={`${todayWords} · ${place}${adherence.due > 0 ? ` · ${adherence.done} of ${adherence.due} done` : ''}`}
        />
      ) : (
        <article className="today">
          <p className="soft small today-above">
            {programmeTitle} · {todayWords}
          </p>
          <h1>
            {why ? 'Today' : 'Nothing today'}, {name.split(' ')[0]}
          </h1>
          {why && <p className="notice">{why}</p>}
          <p>
            {next
              ? `Your next session opens on ${next.words} at ${next.time}, your time.`
              : why
                ? ''
                : 'No further session has been sent yet.'}
          </p>
          {open.length > 0 && (
            <section>
              <h2>If you have time</h2>
              <ul className="open-days">
                {open.map((o) => (
                  <li key={o.key}>
                    <Link to={`${base}/${o.key}`}>{o.title}</Link> <span className="soft">{o.words}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </article>
      )}
      {others.length > 0 && (
        <section className="other-runs">
          <h2>Also today</h2>
          <ul className="open-days">
            {others.map((o) => (
              <li key={o.key}>
                <Link to={`${base}/${o.key}`}>{o.title}</Link> <span className="soft">{o.programmeTitle}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {!live?.isNear && liveCard}
      <OwnStrand beads={beads} base={base} firstWeekday={loaderData.firstWeekday} />
      <p className="small me-door">
        <Link to={`${base}/weeks`}>My weeks and my numbers</Link>{' '}
        <Link to={`${base}/me`}>My kit, what I avoid, messages, days away</Link>
      </p>
    </main>
  );
}
