import { changeRun } from '../../server/send/change-run.ts';
import { Button, Checkbox, Input } from 'antd';
import { Form, Link, useNavigation, useSubmit } from 'react-router';
import { formatShortDay, addDays } from '../../core/calendar/day.ts';
import { plural } from '../../core/words/words.ts';
import { hasSent, listRunNames } from '../../db/queries/run.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { coachToday, coachZone } from '../../server/doors/coach-zone.ts';
import { nowMs, publicUrl } from '../../server/config.ts';
import { listCoachNames } from '../../db/queries/doors/coach.ts';
import { RunAnswersForm } from './run-forms/run-answers-form.tsx';
import { RunClockForm } from './run-forms/run-clock-form.tsx';
import { LinkToGive } from './link-to-give.tsx';
import { RunRulesForm } from './run-forms/run-rules-form.tsx';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import { SaveNote } from '../parts/save-note.tsx';
import { DayField } from '../parts/fields/day-field.tsx';
import { Field } from '../parts/fields/field.tsx';
import { runName } from '../shell/run-name.ts';
import sendCss from './send.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/run';
import { lastDate } from '../../core/calendar/release.ts';

export const meta: Route.MetaFunction = ({ loaderData, matches }) =>
  programmePage(matches, loaderData ? runName(loaderData.run.title, loaderData.run.rules.startsOn) : 'This run');
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
        firstCoach: (await listCoachNames(db))[0] ?? '',
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

/** One run: how it goes out, who may come in, what clocks say, its end, and the same programme for others. */
export default function RunPage({ loaderData, actionData }: Route.ComponentProps) {
  const { run, programme, today, lastDay, canMove, zone, firstCoach } = loaderData;
  const said = unlessAsked(actionData);
  const errors: Record<string, string> = said?.errors ?? {};
  const busy = useNavigation().state === 'submitting';
  const submit = useSubmit();
  const leaving = useLeaving(actionData, (form) => void submit(form, { method: 'post' }), busy);
  const part = { ...loaderData, errors, busy, feed: said?.feed };
  return (
    <div className="run-page" onSubmitCapture={leaving.onSubmitCapture}>
      {leaving.dialog}
      <div className="page-title">
        <h1>{runName(run.title, run.rules.startsOn)}</h1>
        <p className="soft">
          {programme.title} · {formatShortDay(run.rules.startsOn)} to {formatShortDay(run.endedOn ?? lastDay)} ·{' '}
          {plural(programme.people, 'person', 'people')}
          {run.archivedAtMs !== null && ' · archived'}
        </p>
      </div>
      {(said?.told || errors.form) && (
        <SaveNote isBad={errors.form !== undefined}>{errors.form ?? said?.told}</SaveNote>
      )}
      <div className="run-columns">
        <div className="run-side">
          <section aria-labelledby="run-goes">
            <h2 id="run-goes">When its sessions go out</h2>
            <RunRulesForm
              key={JSON.stringify({ ...run.rules, gaps: undefined })}
              {...{ run, errors, busy, canMove, zone }}
            />
            <Form method="post" className="run-inline">
              <Button htmlType="submit" name="intent" value={run.heldAtMs === null ? 'hold' : 'let-go'}>
                {run.heldAtMs === null ? 'Hold everything' : 'Let it go'}
              </Button>
              <span className="soft small">
                {run.heldAtMs === null
                  ? 'Nothing goes out until you let it go: for a day on which something is wrong.'
                  : 'Held: nothing goes out.'}
              </span>
            </Form>
          </section>
          <RunEnd {...part} />
          <RunCopy {...part} today={today} />
        </div>
        <div className="run-side">
          <JoinPage {...part} />
          <RunClockForm key={JSON.stringify(run.clock)} clock={run.clock} errors={errors} busy={busy} />
          <RunAnswersForm key={run.replyTo} replyTo={run.replyTo} firstCoach={firstCoach} errors={errors} busy={busy} />
          <RunFeed {...part} />
        </div>
      </div>
      <p className="sr">Your zone is {zone}.</p>
    </div>
  );
}

type PartProps = Pick<
  Route.ComponentProps['loaderData'],
  'run' | 'programme' | 'origin' | 'lastDay' | 'runs' | 'today'
> & {
  readonly errors: Record<string, string>;
  readonly busy: boolean;
  readonly feed: string | undefined;
};

/** The page on which people join by themselves. */
function JoinPage({ run, origin, errors, busy }: PartProps) {
  const { join } = run;
  return (
    <section aria-labelledby="run-join">
      <h2 id="run-join">Who may join</h2>
      <p className="soft small">
        A page on which people join by themselves: what it asks and how long it takes, what is stored, the usual
        cautions, their zone, kit and what to avoid.
      </p>
      {join.code !== null && <LinkToGive url={`${origin}/join/${join.code}`} words="The join page" />}
      <Form method="post" className="run-form">
        <input type="hidden" name="intent" value="join" />
        <Checkbox name="joinOpen" value="yes" defaultChecked={join.isOpen}>
          People can join now
        </Checkbox>
        <Field label="Places" hint="Left empty, there is no limit." error={errors.joinLimit}>
          <Input name="joinLimit" inputMode="numeric" defaultValue={join.limit ?? ''} className="run-number" />
        </Field>
        <Field label="What people read there first" error={errors.joinWords}>
          <Input.TextArea name="joinWords" rows={2} maxLength={500} defaultValue={join.words} />
        </Field>
        <p className="run-inline">
          <Button htmlType="submit" disabled={busy}>
            {join.code === null ? 'Make the join page' : 'Save the join page'}
          </Button>
        </p>
      </Form>
      {join.code !== null && (
        <Form method="post" className="run-inline">
          <Button htmlType="submit" type="link" name="intent" value="join-off">
            Take its link away
          </Button>
        </Form>
      )}
    </section>
  );
}

/** The run in the coach's own calendar program. */
function RunFeed({ run, origin, feed }: PartProps) {
  return (
    <section aria-labelledby="run-feed">
      <h2 id="run-feed">In your calendar</h2>
      {feed ? (
        <>
          <LinkToGive url={`${origin}${feed}`} words="Your calendar of this run" />
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
        <Button htmlType="submit" name="intent" value="feed">
          {run.hasFeed ? 'Make a new address' : 'Make an address'}
        </Button>
        {run.hasFeed && (
          <Button htmlType="submit" type="link" name="intent" value="feed-off">
            Take it away
          </Button>
        )}
      </Form>
    </section>
  );
}

/** Its last day, and out of the way. */
function RunEnd({ run, lastDay, errors }: PartProps) {
  return (
    <section aria-labelledby="run-end">
      <h2 id="run-end">When it ends</h2>
      <Form method="post" className="run-form">
        {run.endedOn === null ? (
          <>
            <Field label="Last day" hint="Days behind it aren’t sent. All that was done stays." error={errors.endedOn}>
              <DayField name="endedOn" defaultValue={lastDay} min={run.rules.startsOn} />
            </Field>
            <p className="run-inline">
              <Button htmlType="submit" name="intent" value="end">
                End it on that day
              </Button>
            </p>
          </>
        ) : (
          <p className="run-inline">
            <Button htmlType="submit" name="intent" value="go-on">
              Let it go on to {formatShortDay(lastDay)}
            </Button>
          </p>
        )}
      </Form>
      <Form method="post" className="run-inline">
        <Button htmlType="submit" type="link" name="intent" value={run.archivedAtMs === null ? 'archive' : 'unarchive'}>
          {run.archivedAtMs === null ? 'Archive this run' : 'Bring it back'}
        </Button>
      </Form>
    </section>
  );
}

/** The same programme for others, or once more. */
function RunCopy({ run, programme, runs, lastDay, today, errors, busy }: PartProps) {
  const others = runs.filter((r) => r.id !== run.id);
  return (
    <section aria-labelledby="run-copy">
      <h2 id="run-copy">Give the programme again</h2>
      <p className="soft small">
        To others, or once more: people, dates and what is sent are its own. Plan and texts are shared.
      </p>
      <Form method="post" className="run-form">
        <input type="hidden" name="intent" value="copy" />
        <Field label="Name of the new run" error={errors['copy-title']}>
          <Input name="title" maxLength={80} placeholder="Autumn" />
        </Field>
        <Field label="First day" error={errors['copy-startsOn']}>
          <DayField
            name="startsOn"
            min={today}
            defaultValue={lastDay >= today ? addDays(lastDay, 1) : today}
            required
          />
        </Field>
        <Checkbox name="people" value="yes">
          With the {plural(programme.people, 'person', 'people')} of this one
        </Checkbox>
        <p className="run-inline">
          <Button htmlType="submit" disabled={busy}>
            Make this run
          </Button>
        </p>
      </Form>
      {others.length > 0 && (
        <ul className="run-others">
          {others.map((r) => (
            <li key={r.id}>
              <Link to={`/programmes/${programme.id}-${r.id}/run`}>{runName(r.title, r.startsOn)}</Link>{' '}
              <span className="soft small">
                {plural(r.people, 'person', 'people')}
                {r.isArchived && ', archived'}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
