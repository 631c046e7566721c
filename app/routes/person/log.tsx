import { sessionTitle } from '../../../core/session/session-title.ts';
import { randomUUID } from 'node:crypto';
import { useState } from 'react';
import { data, Link, redirect, useNavigate, useSubmit } from 'react-router';
import { EFFORT_WORDS, MAX_REMARK_LENGTH, OUTCOME_WORDS, OUTCOMES } from '../../../core/record/record.ts';
import { scoreFields, scoreValues } from '../../../core/record/score.ts';
import { blockName } from '../../../core/session/explain.ts';
import { insertRecord } from '../../../db/queries/record.ts';
import { nowMs } from '../../../server/config.ts';
import { readLogForm } from '../../../server/log-form.ts';
import { dayToMatch } from '../../../server/earlier-scores.ts';
import { withOwnDay } from '../../../server/own-day.ts';
import { personForm } from '../../../server/personal-link.ts';
import type { KeptLog } from '../../components/outbox-store.ts';
import { forgetLog, KEPT_EVENT, keepLog, nextMadeAtMs, readKept, sendLog } from '../../components/outbox-store.ts';
import { ScoreInput } from '../../components/score-input.tsx';
import type { Route } from './+types/log';

export const meta: Route.MetaFunction = () => [{ title: 'How did it go? · Ysodos' }];

export async function loader({ params, request }: Route.LoaderArgs) {
  // Whoever says how it went has begun with what they see here.
  return withOwnDay(params, 'begun', ({ view, sent, fitted }) => {
    const { plan, blocks, document } = fitted;
    const { record } = sent;
    const seen = Object.fromEntries(
      [...new URL(request.url).searchParams].filter(([name]) => /^(score-\d+(?:\.\d+)?-\w+|clock|outcome)$/.test(name)),
    );
    const stored: Record<string, string> = record
      ? Object.assign<Record<string, string>, Record<string, string>>(
          {
            outcome: record.outcome,
            effort: record.effort === null ? '' : String(record.effort),
            remark: record.remark,
            share: String(Math.round(record.shareRatio * 100)),
          },
          Object.fromEntries(record.scores.flatMap((s) => Object.entries(scoreValues(s)))),
        )
      : {};
    return {
      title: sessionTitle(document),
      versionId: sent.versionId,
      clientId: randomUUID(),
      hasRecord: record !== undefined,
      values: { ...stored, ...seen },
      toMatch: dayToMatch(view, sent.dayId, fitted),
      scored: scoreFields(plan).map((s) => ({
        ...s,
        name: [blockName(blocks[s.block]!), s.whose].filter(Boolean).join(', '),
      })),
    };
  });
}

export async function action({ params, request }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  return withOwnDay(params, 'begun', async ({ db, scope, sent, fitted: { plan, changes } }) => {
    const read = await readLogForm(form, plan, nowMs());
    if (read.status === 'error') return data({ errors: read.errors, values: read.values }, { status: 400 });
    await insertRecord(db, {
      workspaceId: scope.workspaceId,
      enrolmentId: scope.enrolment.enrolmentId,
      versionId: sent.versionId,
      clientId: read.clientId,
      record: read.record,
      fit: changes,
    });
    return redirect(`/p/${params.token}/${params.day}`);
  });
}

/** How far a log has got: `unsafe` where it was neither sent nor could be kept. */
type Sent = 'open' | 'sending' | 'kept' | 'stuck' | 'unsafe';

function OnThisPhone({ isStuck, back }: { isStuck: boolean; back: string }) {
  return (
    <main className="person">
      <h1>Kept on this phone</h1>
      {isStuck ? (
        <p>
          It couldn’t be delivered; why stands below. It stays on this phone until it is sent: open the newest link from
          your coach and send it from there, or copy it and send it to them yourself.
        </p>
      ) : (
        <p>There is no network just now. What you logged is safe here and is sent by itself as soon as there is.</p>
      )}
      <Link className="quiet-action" to={back}>
        Back to the session
      </Link>
    </main>
  );
}

export default function Log({ loaderData, actionData, params }: Route.ComponentProps) {
  const { title, clientId, scored, hasRecord, toMatch } = loaderData;
  const [typed, setTyped] = useState<Record<string, string>>({});
  const values: Record<string, string> = { ...loaderData.values, ...actionData?.values };
  const errors: Record<string, string> = actionData?.errors ?? {};
  const [outcome, setOutcome] = useState<Sent>('open');
  const navigate = useNavigate();
  const submit = useSubmit();
  const back = `/p/${params.token}/${params.day}`;

  async function onSubmit(event: React.FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const form = event.currentTarget;
    const fields = [...new FormData(form)].flatMap(([k, v]): [string, string][] =>
      typeof v === 'string' ? [[k, v]] : [],
    );
    const log: KeptLog = {
      clientId: new Map(fields).get('client-id') ?? '',
      url: form.action,
      body: new URLSearchParams(fields).toString(),
      madeAtMs: nextMadeAtMs(Date.now(), readKept()),
    };
    setOutcome('sending');
    const isSafe = keepLog(log);
    const result = await sendLog(log);
    if (result.status === 'stored') {
      forgetLog(log.clientId);
      void navigate(back);
      return;
    }
    if (result.status === 'refused') keepLog({ ...log, problem: result.problem });
    window.dispatchEvent(new Event(KEPT_EVENT));
    if (!isSafe) setOutcome('unsafe');
    else if (result.status === 'kept') setOutcome('kept');
    else if (result.httpStatus === 400) {
      // The server names the fields, with all that was typed; until it is right it stays on the phone.
      setOutcome('open');
      void submit(form, { method: 'post' });
    } else setOutcome('stuck');
  }

  if (outcome === 'kept' || outcome === 'stuck') return <OnThisPhone isStuck={outcome === 'stuck'} back={back} />;
  const sending = outcome === 'sending';
  const error = (name: string) =>
    errors[name] && (
      <p className="field-error" id={`error-${name}`}>
        {errors[name]}
      </p>
    );
  return (
    <main className="person">
      <p className="small">
        <Link to={back}>Back to the session</Link>
      </p>
      <form
        method="post"
        action={`${back}/log`}
        className="log"
        onSubmit={(event) => void onSubmit(event)}
        onInput={(event) => {
          const { name, value } = event.target as HTMLInputElement;
          if (name.startsWith('score-')) setTyped((now) => ({ ...now, [name]: value }));
        }}
        noValidate
      >
        <h1>How did it go?</h1>
        <p className="soft">
          {title}
          {values.clock ? `. The clock saw ${values.clock}.` : ''}
        </p>
        {Object.keys(errors).length > 0 && (
          <p className="notice bad" role="alert">
            Something isn’t readable yet; it is marked below. Nothing you typed is lost.
          </p>
        )}
        {outcome === 'unsafe' && (
          <p className="notice bad" role="alert">
            It couldn’t be sent, and this browser keeps nothing by itself. Leave this page open and try again in a
            while; nothing you typed is lost as long as it stands here.
          </p>
        )}
        <input type="hidden" name="client-id" value={actionData?.values['client-id'] ?? clientId} />
        <fieldset className="outcome">
          <legend className="sr">How much of it</legend>
          {OUTCOMES.map((outcome) => (
            <label key={outcome}>
              <input
                type="radio"
                name="outcome"
                value={outcome}
                defaultChecked={(values.outcome ?? (hasRecord ? '' : 'done')) === outcome}
              />
              <span>{OUTCOME_WORDS[outcome]}</span>
            </label>
          ))}
          <div className="share">
            <label htmlFor="share">About how much?</label>
            <select id="share" name="share" defaultValue={values.share ?? '50'}>
              <option value="25">a quarter</option>
              <option value="50">half</option>
              <option value="75">three quarters</option>
              <option value="90">nearly all</option>
            </select>
          </div>
          {error('outcome')}
          {error('share')}
        </fieldset>
        {scored.map((s) => (
          <fieldset key={s.name} className="score">
            <legend>{s.name}</legend>
            <MatchWords scored={s} all={scored} toMatch={toMatch} values={{ ...values, ...typed }} />
            <div className="score-fields">
              {s.fields.map((f) => (
                <div key={f.name}>
                  <ScoreInput field={f} defaultValue={values[f.name] ?? ''} invalid={errors[f.name] !== undefined} />
                  {error(f.name)}
                </div>
              ))}
            </div>
          </fieldset>
        ))}
        <fieldset className="effort">
          <legend>
            Effort <span className="soft">0 nothing, 10 all I had</span>
          </legend>
          <div className="effort-bars">
            {EFFORT_WORDS.map((words, n) => (
              <label key={n} title={words}>
                <input
                  type="radio"
                  name="effort"
                  value={n}
                  defaultChecked={values.effort === String(n)}
                  aria-label={`${n}, ${words}`}
                />
                <i style={{ height: 14 + n * 5 }} />
                <span>{n}</span>
                <em>{words}</em>
              </label>
            ))}
          </div>
          {error('effort')}
        </fieldset>
        <label className="remark-label" htmlFor="remark">
          A word to your coach
        </label>
        <textarea
          id="remark"
          name="remark"
          rows={3}
          maxLength={MAX_REMARK_LENGTH}
          defaultValue={values.remark ?? ''}
          aria-describedby="remark-note"
        />
        <p className="soft small" id="remark-note">
          Only the coaches of this programme read it. Pain that stays or grows belongs to a clinician.
        </p>
        {error('remark')}
        <button className="big-action" type="submit" disabled={sending}>
          {sending ? 'Sending …' : 'Send to coach'}
        </button>
      </form>
    </main>
  );
}

type Scored = Route.ComponentProps['loaderData']['scored'][number];

/** The number that a score is held against: of an earlier day, and of the block that it repeats, as it stands in this form. */
function MatchWords({
  scored,
  all,
  toMatch,
  values,
}: {
  scored: Scored;
  all: readonly Scored[];
  toMatch: Route.ComponentProps['loaderData']['toMatch'];
  values: Readonly<Record<string, string>>;
}) {
  const first = toMatch.sameAs[scored.block];
  const numbers = all
    .filter((s) => s.block === first && (s.part ?? 1) === (scored.part ?? 1))
    .flatMap((s) => s.fields.flatMap((f) => (values[f.name] ? [`${values[f.name]} ${f.label}`] : [])))
    .join(', ');
  const words = numbers || toMatch.words[scored.block];
  return words ? (
    <p className="to-match">
      Match or beat: <b>{words}</b>
    </p>
  ) : null;
}
