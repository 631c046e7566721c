import { loadWeeks } from '../../../server/participant/load-weeks.ts';
import { useEffect, useMemo, useState } from 'react';
import { data, Form, Link, redirect } from 'react-router';
import { localDate } from '../../../core/calendar/release.ts';
import { deletePerson } from '../../../db/queries/own.ts';
import { updatePlace } from '../../../db/queries/person.ts';
import { nowMs } from '../../../server/config.ts';
import { formText } from '../../../server/http/form-text.ts';
import { personForm, withPersonalLink } from '../../../server/doors/personal-link.ts';
import { NumberLine } from '../../charts/number-line.tsx';
import { forgetPages, orKeptPage, readKeptDays } from '../base/kept-pages.ts';
import { OwnStrand, ownBeads } from '../base/own-strand.tsx';
import type { Route } from './+types/weeks';

export const meta: Route.MetaFunction = () => [{ title: 'My weeks · Ysodos' }];

/** By then what is new has been kept. */
const KEEPING_MS = 5_000;

export async function loader({ params, request }: Route.LoaderArgs) {
  return withPersonalLink(params.token, (db, scope) => loadWeeks(db, scope, request));
}

export async function action({ params, request }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  return withPersonalLink(params.token, async (db, { enrolment }) => {
    const part = formText(form, 'part');
    if (part === 'leave' || part === 'return') {
      const today = localDate(nowMs(), enrolment.timeZone);
      await updatePlace(db, enrolment.enrolmentId, { leftOn: part === 'leave' ? today : null });
      return redirect(`/p/${params.token}/weeks`);
    }
    if (part !== 'delete') return data({ error: 'Nothing like that can be asked here.' }, { status: 400 });
    if (formText(form, 'sure') !== 'yes')
      return data({ error: 'Tick the box first: nobody can bring it back.' }, { status: 400 });
    await deletePerson(db, enrolment.personId);
    return data({ error: null, gone: true as const });
  });
}

export async function clientAction({ serverAction, params }: Route.ClientActionArgs) {
  const answer = await serverAction();
  if (answer && typeof answer === 'object' && 'gone' in answer) await forgetPages(params.token);
  return answer;
}

/** Nothing is asked again of someone who has just been deleted. */
export const shouldRevalidate = ({ actionResult }: { actionResult?: { gone?: boolean } }): boolean =>
  actionResult?.gone !== true;

export const clientLoader = (args: Route.ClientLoaderArgs) => orKeptPage(args);

export default function Weeks({ loaderData, actionData, params }: Route.ComponentProps) {
  const { days, strand, adherence, next, numbers, programmeTitle, name, hasLeft } = loaderData;
  const beads = useMemo(() => ownBeads(days, strand), [strand, days]);
  const base = `/p/${params.token}`;
  if (actionData && 'gone' in actionData)
    return (
      <main className="person">
        <h1>You are gone from here</h1>
        <p>
          Your name, address, records, numbers and messages are deleted, and this link opens nothing any more. The
          figures of your coach no longer have you in them. A message that had already left can’t be called back.
        </p>
      </main>
    );
  return (
    <main className="person weeks">
      <p className="small">
        <Link to={base}>To today</Link>
      </p>
      <h1>My weeks</h1>
      <p className="soft">
        {programmeTitle}
        {adherence.due > 0 && ` · ${adherence.done} of ${adherence.due} done`}
        {adherence.inARow > 2 && `, ${adherence.inARow} in a row`}
        {loaderData.hasBoards && (
          <>
            {' · '}
            <Link to={`${base}/team`}>my team</Link>
          </>
        )}
      </p>
      {hasLeft && (
        <Form method="post" className="notice">
          You have left. Nothing is expected of you, and no message comes.{' '}
          <button type="submit" className="quiet-button" name="part" value="return">
            Take part again
          </button>
        </Form>
      )}
      <OwnStrand beads={beads} base={base} firstWeekday={loaderData.firstWeekday} />
      {next.length > 0 && (
        <section>
          <h2>What is coming</h2>
          <ul className="open-days">
            {next.map((n) => (
              <li key={n.words}>
                {n.words} <span className="soft">opens at {n.time}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <KeptHere token={params.token} />
      <section className="own-numbers">
        <h2>My numbers</h2>
        {numbers.length === 0 ? (
          <p className="soft">Where a session asks for a number, yours stand here over time.</p>
        ) : (
          numbers.map((series) => (
            <figure key={series.key}>
              <figcaption>
                <b>{series.label}</b>
                {series.shape !== '' && <span className="soft"> in your shape: {series.shape}</span>}
              </figcaption>
              {series.points.length > 1 && <NumberLine series={series} />}
              <ol>
                {series.points.map((p) => (
                  <li key={p.date}>
                    <span className="soft">{p.dayWords}</span> {p.words}
                    {p.isBest && series.points.length > 1 && <b> best</b>}
                  </li>
                ))}
              </ol>
            </figure>
          ))
        )}
      </section>
      <section>
        <h2>What is mine here</h2>
        <p className="me-lone">
          <Link to={`${base}/me`}>My kit, what I avoid, messages, days away</Link>
        </p>
        <p>
          A copy of everything stored about me:{' '}
          <a href={`${base}/copy.json`} download>
            all of it (JSON)
          </a>
          {', '}
          <a href={`${base}/copy.csv`} download>
            what I logged (CSV)
          </a>
        </p>
        {!hasLeft && (
          <details>
            <summary>Leave this programme …</summary>
            <p className="soft small">
              Nothing is expected of you from tomorrow on, and no message comes. What you did stays, here and with your
              coach. You can come back.
            </p>
            <Form method="post">
              <button type="submit" className="quiet-button" name="part" value="leave">
                Leave
              </button>
            </Form>
          </details>
        )}
        <details open={loaderData.isAsked || (actionData?.error ?? null) !== null}>
          <summary>Delete me …</summary>
          <p className="soft small">
            {name}, your name, address, answers, records, numbers and messages are taken out of every programme here,
            for good. Your coach keeps nothing of it: their counts are then those of the others. Only copies that your
            coach has already taken out, and messages that have left, are beyond our reach.
          </p>
          <Form method="post">
            <label className="me-seen">
              <input type="checkbox" name="sure" value="yes" /> Yes, delete all of it; nobody can bring it back
            </label>
            {actionData?.error && (
              <p className="field-error" role="alert">
                {actionData.error}
              </p>
            )}
            <button type="submit" className="quiet-button" name="part" value="delete">
              Delete me
            </button>
          </Form>
        </details>
      </section>
    </main>
  );
}

/** Which days can be opened here without network. */
function KeptHere({ token }: { token: string }) {
  const [days, setDays] = useState<readonly string[]>([]);
  useEffect(() => {
    const look = () => void readKeptDays(token).then(setDays, () => undefined); // Nothing is kept, so nothing is said.
    look();
    const timer = setTimeout(look, KEEPING_MS);
    return () => clearTimeout(timer);
  }, [token]);
  return days.length === 0 ? null : (
    <p className="soft small">
      Kept on this phone, for when there is no network: {days.join(', ')}; each opens at its hour.
    </p>
  );
}
