import { loadJoin, takeJoin } from '../../../server/participant/join.ts';
import { data, Form } from 'react-router';
import { WEEKDAYS } from '../../../core/calendar/day.ts';
import { CARE_NOTES } from '../../../core/care.ts';
import { SCREENING_QUESTIONS } from '../../../core/screening.ts';
import { SPARE_WORDS, SPARES } from '../../../core/movement/spare.ts';
import { plural } from '../../../core/words/words.ts';
import { findJoin } from '../../../db/queries/run.ts';
import { inWorkspace, onDatabase } from '../../../server/database.ts';
import { ADDRESS_HEADER } from '../../../server/http/address-header.ts';
import { networkOf } from '../../../server/http/limits/network.ts';
import { formText } from '../../../server/http/form-text.ts';
import { readForm } from '../../../server/http/read-body.ts';
import { isSeldom } from '../../../server/doors/sign-in.ts';
import { useZones } from '../../parts/use-zones.ts';
import { useBrowserZone } from './use-browser-zone.ts';
import participantCss from '../participant.css?url';
import type { Route } from './+types/join';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `Join ${loaderData?.title ?? ''} · Ysodos` }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: participantCss }];

/** People that can join from one network in a quarter of an hour: a class on one connection. */
/** Tries to join with one address, from one network in a quarter of an hour: each may send a message there. */
const MOST_TO_ONE = 5;
const MOST_JOINS = 60;

async function joinOf(code: string) {
  const found = /^[a-z0-9]{12,40}$/.test(code) ? await onDatabase((db) => findJoin(db, code)) : undefined;
  if (!found) throw data({ kind: 'missing' }, { status: 404 });
  return found;
}

export async function loader({ params }: Route.LoaderArgs) {
  const { workspaceId, runId } = await joinOf(params.code);
  return inWorkspace(workspaceId, (db) => loadJoin(db, runId));
}

/** Joins somebody: a person, their place, their link, and where they gave an address, a message that asks whether it is theirs. */
export async function action({ request, params }: Route.ActionArgs) {
  const { workspaceId, runId } = await joinOf(params.code);
  const { form } = await readForm(request);
  const network = networkOf(request.headers.get(ADDRESS_HEADER));
  const address = (formText(form, 'email') || formText(form, 'phone')).trim().toLowerCase();
  const limits = { [`join-from ${network}`]: MOST_JOINS, [`join ${address} from ${network}`]: MOST_TO_ONE };
  if (!(await isSeldom(address === '' ? { [`join-from ${network}`]: MOST_JOINS } : limits)))
    return data(
      { errors: { form: 'Many are joining from here just now. Try again in a few minutes.' }, said: {} },
      { status: 429 },
    );
  return inWorkspace(workspaceId, (db) => takeJoin(db, runId, form, workspaceId));
}

export default function Join({ loaderData, actionData }: Route.ComponentProps) {
  const { title, run, words, state, weeks, sessions, begins, isOwn, coach, pieces } = loaderData;
  const errors: Record<string, string> = actionData?.errors ?? {};
  const said: Record<string, string> = actionData?.said ?? {};
  const zones = useZones();
  const zone = useBrowserZone();
  const error = (name: string) =>
    errors[name] && (
      <p className="field-error" id={`${name}-error`} role="alert">
        {errors[name]}
      </p>
    );
  return (
    <main className="person me join">
      <p className="soft small today-above">{coach} invites you</p>
      <h1>{title}</h1>
      {run !== '' && <p className="soft">{run}</p>}
      {words !== '' && <p>{words}</p>}
      <p>
        {plural(sessions, 'session')} in {plural(weeks, 'week')}. {begins} Each comes to you on its morning, in your own
        time, in a shape that suits you.
      </p>
      {state !== 'open' ? (
        <p className="notice" role="status">
          {state === 'full' ? 'All places are taken.' : 'Nobody can join here just now.'} Ask {coach}.
        </p>
      ) : (
        <Form method="post" noValidate>
          {errors.form && (
            <p className="notice bad" role="alert">
              {errors.form}
            </p>
          )}
          {Object.keys(errors).length > 0 && !errors.form && (
            <p className="notice bad" role="alert">
              Something is missing; it stands beside it below. Nothing you wrote is lost.
            </p>
          )}
          <h2>You</h2>
          <label className="join-field">
            Your name
            <input
              name="name"
              autoComplete="name"
              maxLength={60}
              defaultValue={said.name}
              aria-invalid={!!errors.name}
            />
          </label>
          {error('name')}
          <label className="join-field">
            Your time zone
            <input
              key={zone}
              name="timeZone"
              list="zones"
              defaultValue={said.timeZone ?? zone ?? ''}
              placeholder="Europe/Lisbon"
              aria-invalid={!!errors.timeZone}
            />
          </label>
          <datalist id="zones">
            {zones.map((z) => (
              <option key={z} value={z} />
            ))}
          </datalist>
          {error('timeZone')}
          {isOwn && (
            <fieldset className="join-days">
              <legend>On which weekdays (none: as planned)</legend>
              {WEEKDAYS.map((day, i) => (
                <label key={day}>
                  <input type="checkbox" name="weekday" value={i + 1} /> {day.slice(0, 3)}
                </label>
              ))}
            </fieldset>
          )}
          <h2>How it reaches you</h2>
          <fieldset>
            <legend className="sr">By what</legend>
            <label>
              <input type="radio" name="channel" value="email" defaultChecked={(said.channel ?? 'email') === 'email'} />{' '}
              by e-mail
            </label>
            <input
              name="email"
              type="email"
              autoComplete="email"
              aria-label="Your e-mail"
              defaultValue={said.email}
              maxLength={120}
            />
            {error('email')}
            <label>
              <input type="radio" name="channel" value="text" defaultChecked={said.channel === 'text'} /> by a short
              text with a link
            </label>
            <input
              name="phone"
              type="tel"
              autoComplete="tel"
              aria-label="Your number"
              defaultValue={said.phone}
              maxLength={30}
            />
            {error('phone')}
            <label>
              <input type="radio" name="channel" value="none" defaultChecked={said.channel === 'none'} /> not at all: I
              look myself
            </label>
          </fieldset>
          <h2>What is at hand</h2>
          <fieldset>
            <legend className="sr">Kit</legend>
            <label>
              <input type="radio" name="kit-said" value="all" defaultChecked={said['kit-said'] !== 'only'} /> I find
              whatever a session asks for
            </label>
            <label>
              <input type="radio" name="kit-said" value="only" defaultChecked={said['kit-said'] === 'only'} /> I have
              only this:
            </label>
            <div className="me-kit">
              {pieces.map((piece) => (
                <label key={piece}>
                  <input type="checkbox" name="kit" value={piece} /> {piece}
                </label>
              ))}
            </div>
          </fieldset>
          <h2>What to avoid</h2>
          <fieldset className="me-spares">
            <legend className="sr">What to avoid</legend>
            {SPARES.map((s) => (
              <label key={s}>
                <input type="checkbox" name="spare" value={s} /> {SPARE_WORDS[s]}
              </label>
            ))}
          </fieldset>
          <h2>Before you start</h2>
          <p>Do you have, or have you had:</p>
          {error('care')}
          {SCREENING_QUESTIONS.map((question, i) => (
            <fieldset key={question} className="me-question">
              <legend>{question}?</legend>
              <label>
                <input type="radio" name={`care-${i}`} value="no" defaultChecked={said[`care-${i}`] === 'no'} /> no
              </label>
              <label>
                <input type="radio" name={`care-${i}`} value="yes" defaultChecked={said[`care-${i}`] === 'yes'} /> yes
              </label>
            </fieldset>
          ))}
          <label className="me-seen">
            <input type="checkbox" name="seen" value="yes" defaultChecked={said.seen === 'yes'} /> A clinician knows of
            it and says I may take part
          </label>
          <p className="soft small">
            {CARE_NOTES.before} {CARE_NOTES.stop} Minors take part with a guardian’s consent, and with someone beside
            them.
          </p>
          <h2>What is stored, and who sees it</h2>
          <p className="soft small">
            Your name, zone, address, kit and what you avoid, and what you log: {coach} and further coaches of theirs
            see it, nobody else does. The answers above are not stored, only whether you may start. You can change all
            of it on your own page, and ask for it to be deleted.
          </p>
          {error('consent')}
          <label className="me-seen">
            <input type="checkbox" name="consent" value="yes" /> I agree to that
          </label>
          <button className="big-action" type="submit">
            Take part
          </button>
        </Form>
      )}
    </main>
  );
}
