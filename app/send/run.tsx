import { changeRun } from '../../server/send/change-run.ts';
import { useState } from 'react';
import { Form, Link, useNavigation, useSubmit } from 'react-router';
import { formatShortDay, addDays } from '../../core/calendar/day.ts';
import { plural } from '../../core/words/words.ts';
import { hasSent, listRunNames } from '../../db/queries/run.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { coachToday, coachZone } from '../../server/doors/coach-zone.ts';
import { nowMs, publicUrl } from '../../server/config.ts';
import { RunClockForm } from './run-clock-form.tsx';
import { LinkToGive } from './link-to-give.tsx';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import { SaveNote } from '../parts/save-note.tsx';
import { useZones } from '../parts/use-zones.ts';
import { runName } from '../shell/run-name.ts';
import sendCss from './send.css?url';
import type { Route } from './+types/run';
import { lastDate } from '../../core/calendar/release.ts';

export const meta: Route.MetaFunction = () => [{ title: 'This run · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: sendCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(
    request,
    params.programmeId,
    async (db, { programme }) => {
      const today = coachToday(request);
      return {
        programme: {
          key: programme.key,
          id: programme.id,
          title: programme.title,
          weeks: programme.weeks,
          people: programme.people,
        },
        run: programme.run,
        origin: publicUrl().origin,
        zone: coachZone(request),
        today,
        lastDay: lastDate(programme.run.rules, programme.weeks),
        canMove: !(await hasSent(db, programme.runId)),
        runs: await listRunNames(db, programme.id),
      };
    },
    'coach',
  );
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const now = new Date(nowMs());
  return withProgramme(request, params.programmeId, (db, scope) => changeRun(db, scope, request, form, now));
}

/** One run: how it goes out, who may come in, its end, and its like another time. */
export default function RunPage({ loaderData, actionData }: Route.ComponentProps) {
  const { run, programme, runs, origin, zone, today, lastDay, canMove } = loaderData;
  const said = unlessAsked(actionData);
  const errors: Record<string, string> = said?.errors ?? {};
  const busy = useNavigation().state !== 'idle';
  const submit = useSubmit();
  const leaving = useLeaving(actionData, (form) => void submit(form, { method: 'post' }), busy);
  const error = (name: string) => errors[name] && <span className="field-error">{errors[name]}</span>;
  const others = runs.filter((r) => r.id !== run.id);
  return (
    <div className="run-page" onSubmitCapture={leaving.onSubmitCapture}>
      {leaving.dialog}
      <div className="page-title">
        <h1>{runName(run.title, run.rules.startsOn)}</h1>
        <p className="soft">
          {programme.title} · {formatShortDay(run.rules.startsOn)} to {formatShortDay(run.endedOn ?? lastDay)} ·{' '}
          {plural(programme.people, 'person', 'people')}
          {run.archivedAtMs !== null && ' · put away'}
        </p>
      </div>
      {(said?.told || errors.form) && (
        <SaveNote isBad={errors.form !== undefined}>{errors.form ?? said?.told}</SaveNote>
      )}
      <div className="run-columns">
        <GoesOut
          key={JSON.stringify({ ...run.rules, gaps: undefined })}
          {...loaderData}
          errors={errors}
          busy={busy}
          canMove={canMove}
        />
        <div>
          <section aria-labelledby="run-join">
            <h2 id="run-join">Who may come in</h2>
            <p className="soft small">
              A page on which people join by themselves: what it asks and how long it takes, what is stored, the usual
              cautions, their zone, kit and what to avoid.
            </p>
            {run.join.code !== null && <LinkToGive url={`${origin}/join/${run.join.code}`} words="The join page" />}
            <Form method="post" className="run-form">
              <input type="hidden" name="intent" value="join" />
              <label className="run-check">
                <input type="checkbox" name="joinOpen" value="yes" defaultChecked={run.join.isOpen} /> Open
              </label>
              <label>
                At most so many people (nothing: no limit)
                <input name="joinLimit" inputMode="numeric" defaultValue={run.join.limit ?? ''} size={6} />
                {error('joinLimit')}
              </label>
              <label>
                What people read there first
                <textarea name="joinWords" rows={2} maxLength={500} defaultValue={run.join.words} />
                {error('joinWords')}
              </label>
              <button type="submit" className="button-quiet" disabled={busy}>
                {run.join.code === null ? 'Make the join page' : 'Save'}
              </button>
            </Form>
            {run.join.code !== null && (
              <Form method="post" className="run-inline">
                <button type="submit" className="tool" name="intent" value="join-off">
                  take its link away
                </button>
              </Form>
            )}
          </section>
          <RunClockForm key={JSON.stringify(run.clock)} clock={run.clock} errors={errors} busy={busy} />
          <section aria-labelledby="run-feed">
            <h2 id="run-feed">In your calendar</h2>
            {said?.feed ? (
              <>
                <LinkToGive url={`${origin}${said.feed}`} words="Your calendar of this run" />
                <p className="soft small">Shown this once. Give it to your calendar program as a subscription.</p>
              </>
            ) : (
              <p className="soft small">
                {run.hasFeed
                  ? 'It has an address, shown once when it was made.'
                  : 'Each day at its hour, live sessions at theirs.'}
              </p>
            )}
            <Form method="post" className="run-inline">
              <button type="submit" className="button-quiet" name="intent" value="feed">
                {run.hasFeed ? 'Make a new address' : 'Make an address'}
              </button>
              {run.hasFeed && (
                <button type="submit" className="tool" name="intent" value="feed-off">
                  take it away
                </button>
              )}
            </Form>
          </section>
          <section aria-labelledby="run-end">
            <h2 id="run-end">Its end</h2>
            <Form method="post" className="run-form run-inline">
              {run.endedOn === null ? (
                <>
                  <label>
                    Its last day
                    <input type="date" name="endedOn" defaultValue={lastDay} min={run.rules.startsOn} />
                    {error('endedOn')}
                  </label>
                  <button type="submit" className="button-quiet" name="intent" value="end">
                    End it then
                  </button>
                </>
              ) : (
                <button type="submit" className="button-quiet" name="intent" value="go-on">
                  Let it go on to {formatShortDay(lastDay)}
                </button>
              )}
            </Form>
            <Form method="post" className="run-inline">
              <button
                type="submit"
                className="tool"
                name="intent"
                value={run.archivedAtMs === null ? 'archive' : 'unarchive'}
              >
                {run.archivedAtMs === null ? 'put it away' : 'bring it back'}
              </button>
            </Form>
          </section>
          <section aria-labelledby="run-copy">
            <h2 id="run-copy">Another time</h2>
            <p className="soft small">
              The same programme for others, or once more: people, dates and what is sent are its own. Plan and texts
              are shared.
            </p>
            <Form method="post" className="run-form">
              <input type="hidden" name="intent" value="copy" />
              <label>
                Its name
                <input name="title" maxLength={80} placeholder="Autumn" />
                {error('copy-title')}
              </label>
              <label>
                It begins on
                <input
                  type="date"
                  name="startsOn"
                  min={today}
                  defaultValue={lastDay >= today ? addDays(lastDay, 1) : today}
                  required
                />
                {error('copy-startsOn')}
              </label>
              <label className="run-check">
                <input type="checkbox" name="people" value="yes" /> With the{' '}
                {plural(programme.people, 'person', 'people')} of this one
              </label>
              <button type="submit" className="button-quiet" disabled={busy}>
                Make this run
              </button>
            </Form>
            {others.length > 0 && (
              <ul className="run-others">
                {others.map((r) => (
                  <li key={r.id}>
                    <Link to={`/programmes/${programme.id}-${r.id}/run`}>{runName(r.title, r.startsOn)}</Link>{' '}
                    <span className="soft small">
                      {plural(r.people, 'person', 'people')}
                      {r.isArchived && ', put away'}
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </div>
      </div>
      <p className="sr">Your zone is {zone}.</p>
    </div>
  );
}

/** How a run goes out. */
function GoesOut({
  run,
  errors,
  busy,
  canMove,
  zone,
}: Pick<Route.ComponentProps['loaderData'], 'run' | 'canMove' | 'zone'> & {
  errors: Record<string, string>;
  busy: boolean;
}) {
  const [release, setRelease] = useState<'local' | 'instant'>(run.rules.releaseZone === null ? 'local' : 'instant');
  const zones = useZones();
  const error = (name: string) => errors[name] && <span className="field-error">{errors[name]}</span>;
  const choice = (name: string, value: string, isChosen: boolean, words: string, more?: string) => (
    <label className="run-choice">
      <input
        type="radio"
        name={name}
        value={value}
        defaultChecked={isChosen}
        onChange={() => name === 'release' && setRelease(value as 'local' | 'instant')}
      />
      <span>
        {words}
        {more && <small className="soft">{more}</small>}
      </span>
    </label>
  );
  const { rules } = run;
  return (
    <section aria-labelledby="run-goes">
      <h2 id="run-goes">How it goes out</h2>
      <Form method="post" className="run-form">
        <input type="hidden" name="intent" value="settings" />
        <label>
          Its name
          <input name="title" maxLength={80} defaultValue={run.title} placeholder="Spring" />
          {error('title')}
        </label>
        <label>
          Day 1
          <input type="date" name="startsOn" defaultValue={rules.startsOn} readOnly={!canMove} />
          {!canMove && <small className="soft">Something was sent, so it stays.</small>}
          {error('startsOn')}
        </label>
        <fieldset>
          <legend>Days go out</legend>
          {choice(
            'by',
            'itself',
            !run.isByHand,
            'by themselves, once they are marked ready',
            'One that isn’t warns you two days, a day and three hours ahead.',
          )}
          {choice('by', 'hand', run.isByHand, 'when I send them')}
        </fieldset>
        <fieldset>
          <legend>On whose calendar</legend>
          {choice('calendar', 'host', rules.calendar === 'host', 'all on the same dates')}
          {choice(
            'calendar',
            'own',
            rules.calendar === 'own',
            'each from their own day 1',
            'On weekdays of their own, if they like.',
          )}
        </fieldset>
        <fieldset>
          <legend>At what hour</legend>
          <label className="run-hour">
            At <input type="time" name="releaseTime" defaultValue={rules.releaseTime} required />
            {error('releaseTime')}
          </label>
          {choice('release', 'local', rules.releaseZone === null, 'of each person’s own clock')}
          {choice('release', 'instant', rules.releaseZone !== null, 'for all at one instant, by the clock of')}
          {release === 'instant' && (
            <label>
              <span className="sr">Zone</span>
              <input name="releaseZone" defaultValue={rules.releaseZone ?? zone} list="run-zones" />
              <datalist id="run-zones">
                {zones.map((z) => (
                  <option key={z} value={z} />
                ))}
              </datalist>
              {error('releaseZone')}
            </label>
          )}
        </fieldset>
        <div className="run-pair">
          <label>
            May be looked at, days ahead
            <input name="lookAheadDays" inputMode="numeric" defaultValue={rules.lookAheadDays} size={4} />
            {error('lookAheadDays')}
          </label>
          <label>
            Can be made up for, days (nothing: at any time)
            <input name="makeUpDays" inputMode="numeric" defaultValue={rules.makeUpDays ?? ''} size={4} />
            {error('makeUp')}
          </label>
        </div>
        <fieldset>
          <legend>Who joins late begins</legend>
          {choice('joinsLate', 'with-rest', run.joinsLate === 'with-rest', 'today, with the rest')}
          {choice('joinsLate', 'from-day-1', run.joinsLate === 'from-day-1', 'from day 1, on a calendar of their own')}
        </fieldset>
        <p>
          <button type="submit" className="button-main" disabled={busy}>
            Save
          </button>
        </p>
      </Form>
      <Form method="post" className="run-inline">
        <button type="submit" className="button-quiet" name="intent" value={run.heldAtMs === null ? 'hold' : 'let-go'}>
          {run.heldAtMs === null ? 'Hold everything' : 'Let it go'}
        </button>
      </Form>
    </section>
  );
}
