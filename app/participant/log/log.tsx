import { loadLog } from '../../../server/participant/load-log.ts';
import { useMemo, useState, useSyncExternalStore } from 'react';
import { data, Link, redirect, useNavigate, useSubmit } from 'react-router';
import {
  BODY_FEELINGS,
  BODY_WORDS,
  MAX_REMARK_LENGTH,
  OUTCOMES,
  REASON_WORDS,
  REASONS,
  tellsPace,
} from '../../../core/record/record.ts';
import { scoresAgain } from '../../../core/record/scores/again.ts';
import { againWords, sumWords } from '../../../words/en/record/scores.ts';
import { readScores } from '../../../core/record/scores/score.ts';
import { optionValue } from '../../../core/record/option-fields.ts';
import { isSeenName } from '../clock/seen-names.ts';
import { fewerWords } from '../../../words/en/record/record.ts';
import type { SeenChoices } from '../../../core/record/read-seen.ts';
import { readChoices } from '../../../core/record/read-seen.ts';
import { findDoubts, outcomeDoubt } from '../../../core/record/scores/doubts.ts';
import { scoreSums } from '../../../core/record/scores/score-sums.ts';
import { groupBy } from '../../../core/group-by.ts';
import { capitalized, plural } from '../../../core/words/words.ts';
import { learnPace } from '../../../server/participant/learn-pace.ts';
import { insertRecord } from '../../../db/queries/record.ts';
import { nowMs } from '../../../server/config.ts';
import { readLogForm } from '../../../server/participant/log-form.ts';
import { withLoggedDay } from '../../../server/participant/logged-day.ts';
import { withOwnDay } from '../../../server/participant/own-day.ts';
import { personForm } from '../../../server/doors/personal-link.ts';
import type { KeptLog } from '../base/outbox-store.ts';
import { deliverLog, keepLog, nextMadeAtMs, readKept } from '../base/outbox-store.ts';
import { ScoreInput } from './score-input.tsx';
import { clockKey, forgetClock } from '../clock/use-running-clock.ts';
import { orKeptPage } from '../base/kept-pages.ts';
import { pageTitle } from '../../parts/page-title.ts';
import type { Route } from './+types/log';
import { OUTCOME_WORDS, EFFORT_WORDS } from '../../../words/en/record/record.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => pageTitle('How did it go?', loaderData?.title);

export async function loader({ params, request }: Route.LoaderArgs) {
  // Whoever says how it went has begun with what they see here.
  return withOwnDay(request, params, 'begun', (db) => loadLog(db));
}

export async function action({ params, request }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  return withLoggedDay(params, form, async ({ db, scope, versionId, fitted, bounds, book }) => {
    const read = await readLogForm(form, { ...fitted, bounds }, nowMs());
    if (read.status === 'error') return data({ errors: read.errors, values: read.values }, { status: 400 });
    await insertRecord(db, {
      workspaceId: scope.workspaceId,
      enrolmentId: scope.enrolment.enrolmentId,
      versionId,
      clientId: read.clientId,
      record: read.record,
      fit: fitted.changes,
    });
    if (tellsPace(read.record)) await learnPace(db, scope.enrolment, book);
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

const USUAL_SHARES: ReadonlySet<string> = new Set(['25', '50', '75', '90']);

const noChanges = () => () => undefined;

/** The address's own words where one comes from the clock, else what it left on the phone. */
function readSeen(versionId: number): string {
  try {
    return window.location.search || (localStorage.getItem(`${clockKey(versionId)}-log`) ?? '');
  } catch {
    return ''; // A store that may not be read saw nothing.
  }
}

/** What the clock saw. Known only once the page runs: a kept page may be of another address. */
function useSeen(versionId: number): Record<string, string> {
  const search = useSyncExternalStore(
    noChanges,
    () => readSeen(versionId),
    () => '',
  );
  return useMemo(
    () => Object.fromEntries([...new URLSearchParams(search)].filter(([name]) => isSeenName(name))),
    [search],
  );
}

/** What the clock says was chosen: shapes, and where fewer repetitions were done. */
function seenChoices(seen: string | undefined): SeenChoices {
  try {
    return readChoices(JSON.parse(seen ?? '') as object);
  } catch {
    return readChoices(null); // No clock ran.
  }
}

export const clientLoader = (args: Route.ClientLoaderArgs) => orKeptPage(args);

export default function Log({ loaderData, actionData, params }: Route.ComponentProps) {
  const { title, clientId, scored, hasRecord, toMatch, versionId, bounds, loads, options, rounds, turns } = loaderData;
  const [typed, setTyped] = useState<Record<string, string>>({});
  const seen = useSeen(versionId);
  const [doubts, setDoubts] = useState<Record<string, string>>({});
  const values: Record<string, string> = { ...loaderData.values, ...seen, ...actionData?.values };
  const errors: Record<string, string> = { ...actionData?.errors, ...doubts };
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
    const said = new Map(fields);
    // Asked here, where somebody can still answer: what is kept for later can't be.
    const value = (name: string) => said.get(name) ?? '';
    const unclear = outcomeDoubt(scored, value, said.get('outcome'));
    if (unclear !== undefined) return setDoubts({ outcome: unclear });
    if (said.get('sure') !== 'yes' && said.get('outcome') !== 'not-done') {
      const found = findDoubts(scored, value, bounds);
      const asked: Record<string, string> = found.length > 0 ? { sure: 'Is that right?' } : {};
      for (const { name, message } of found) asked[name] = message;
      setDoubts(asked);
      if (found.length > 0) return;
    }
    const log: KeptLog = {
      clientId: said.get('client-id') ?? '',
      url: form.action,
      body: new URLSearchParams(fields).toString(),
      madeAtMs: nextMadeAtMs(Date.now(), await readKept()),
    };
    setOutcome('sending');
    const isSafe = await keepLog(log);
    const result = await deliverLog(log);
    if (isSafe || result.status === 'stored') forgetClock(versionId);
    if (result.status === 'stored') void navigate(back);
    else if (!isSafe) setOutcome('unsafe');
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
        key={Object.keys(seen).length}
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
          {loaderData.corrections > 0 && ` · corrected ${plural(loaderData.corrections, 'time')}, all of it is kept`}
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
        <input type="hidden" name="version-id" value={versionId} />
        {loaderData.after !== null && <input type="hidden" name="after" value={loaderData.after} />}
        <input type="hidden" name="seen" value={values.seen ?? ''} />
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
              {values.share !== undefined && !USUAL_SHARES.has(values.share) && (
                <option value={values.share}>
                  {values.share} %{values.share === seen.share && ', by the clock'}
                </option>
              )}
            </select>
          </div>
          {error('outcome')}
          {error('share')}
        </fieldset>
        <label className="log-choice is-reason">
          <span>Because (if you like to say)</span>
          <select name="reason" defaultValue={values.reason ?? ''}>
            <option value=""> </option>
            {REASONS.map((r) => (
              <option key={r} value={r}>
                {REASON_WORDS[r]}
              </option>
            ))}
          </select>
        </label>
        {options.map((field) => {
          const value = values[field.name] ?? optionValue(field, seenChoices(values.seen).chosen);
          return (
            <fieldset key={field.name} className="options-done">
              <legend>Which did you do?</legend>
              {field.lines.map((words, n) => (
                <label key={n}>
                  <input type="radio" name={field.name} value={n} defaultChecked={value === String(n)} /> {words}
                </label>
              ))}
            </fieldset>
          );
        })}
        {Object.entries(seenChoices(values.seen).fewer).map(([block, places]) => (
          <p key={block} className="soft">
            The clock saw {fewerWords(places)}; that is kept with it.
          </p>
        ))}
        {rounds.map(({ name, blockName, low, high }) => (
          <label key={name} className="log-choice">
            <span>Rounds of {blockName}</span>
            <select name={name} defaultValue={values[name] ?? ''}>
              <option value=""> </option>
              {Array.from({ length: high - low + 1 }, (_, i) => (
                <option key={i} value={low + i}>
                  {low + i}
                </option>
              ))}
            </select>
          </label>
        ))}
        {scored.map((s) => (
          <fieldset key={s.name} className="score">
            <legend>{s.name}</legend>
            <MatchWords
              scored={s}
              all={scored}
              toMatch={toMatch}
              values={{ ...values, ...typed }}
              perRound={(block) => bounds[block]?.perRound ?? undefined}
            />
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
        <Together scored={scored} values={{ ...values, ...typed }} perRound={bounds} />
        {loads.length > 0 && (
          <fieldset className="score">
            <legend>{loads.every((l) => l.scale) ? 'Resistance used' : 'Weight used'}</legend>
            {loads.map((l) => (
              <div key={l.name}>
                {l.scale ? (
                  <label className="log-choice">
                    <span>{l.movement}</span>
                    <select name={l.name} defaultValue={values[l.name] ?? l.scale.written}>
                      {l.scale.steps.map((step) => (
                        <option key={step}>{step}</option>
                      ))}
                    </select>
                  </label>
                ) : (
                  <ScoreInput
                    field={{ name: l.name, part: l.name, label: `${l.movement}, kg`, hint: '', write: 'half' }}
                    defaultValue={values[l.name] ?? (l.writtenKg === null ? '' : String(l.writtenKg))}
                    invalid={errors[l.name] !== undefined}
                  />
                )}
                {error(l.name)}
                {l.goal && (
                  <>
                    <label className="log-sets">
                      <span>
                        reps, set by set, of{' '}
                        {l.goal.low === l.goal.high ? l.goal.low : `${l.goal.low} to ${l.goal.high}`}
                        <small>like 12 12 11; the last set alone is enough</small>
                      </span>
                      <input
                        name={l.lastName}
                        defaultValue={values[l.lastName] ?? ''}
                        inputMode="decimal"
                        autoComplete="off"
                        aria-invalid={errors[l.lastName] !== undefined || undefined}
                      />
                    </label>
                    {error(l.lastName)}
                  </>
                )}
              </div>
            ))}
          </fieldset>
        )}
        {turns.map((t) => (
          <fieldset key={t.name} className="score">
            <legend>
              {t.label}: turns that ran over, of {t.turns}
            </legend>
            <ScoreInput
              field={{ name: t.name, part: t.name, label: 'ran over (if you know)', hint: '', write: 'whole' }}
              defaultValue={values[t.name] ?? ''}
              invalid={errors[t.name] !== undefined}
            />
            {error(t.name)}
          </fieldset>
        ))}
        {errors.sure && (
          <label className="me-seen notice">
            <input type="checkbox" name="sure" value="yes" /> Yes, the numbers above are right
          </label>
        )}
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
        <fieldset className="outcome body-feeling">
          <legend>How does the body feel?</legend>
          {BODY_FEELINGS.map((b) => (
            <label key={b}>
              <input type="radio" name="body" value={b} defaultChecked={values.body === b} />
              <span>{BODY_WORDS[b]}</span>
            </label>
          ))}
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

/** Scores that belong together, added as they are typed. */
function Together({
  scored,
  values,
  perRound,
}: {
  scored: readonly Scored[];
  values: Readonly<Record<string, string>>;
  perRound: Route.ComponentProps['loaderData']['bounds'];
}) {
  const times = [...groupBy(scored, (s) => s.block)].map(([block, own]) => ({
    block,
    sets: Math.max(...own.map((s) => s.set)),
    persons: Math.max(...own.map((s) => s.person)),
  }));
  const { scores } = readScores(scored, (name) => values[name] ?? '');
  return scoreSums(scores, times, (block) => perRound[block]?.perRound ?? undefined).map((sum) => (
    <p key={`${sum.block} ${sum.of} ${sum.person}`} className="to-match" role="status">
      <b>{capitalized(sumWords(sum))}</b>
    </p>
  ));
}

type Scored = Route.ComponentProps['loaderData']['scored'][number];

/** The number that a score is held against: of an earlier day, and of the block that it repeats, as it stands in this form. */
function MatchWords({
  scored,
  all,
  toMatch,
  values,
  perRound,
}: {
  scored: Scored;
  all: readonly Scored[];
  toMatch: Route.ComponentProps['loaderData']['toMatch'];
  values: Readonly<Record<string, string>>;
  perRound: (block: number) => number | undefined;
}) {
  const first = toMatch.sameAs[scored.block];
  const numbers = all
    .filter((s) => s.block === first && (s.part ?? 1) === (scored.part ?? 1))
    .flatMap((s) => s.fields.flatMap((f) => (values[f.name] ? [`${values[f.name]} ${f.label}`] : [])))
    .join(', ');
  const words = numbers || toMatch.words[scored.block];
  const own = all.filter((s) => s.block === scored.block || s.block === first);
  const { scores } = readScores(own, (name) => values[name] ?? '');
  const again = scoresAgain(toMatch.sameAs, scores, perRound).find(
    (a) => a.block === scored.block && a.score.part === scored.part,
  );
  if (again)
    return (
      <p className="to-match" role="status">
        <b>{againWords(again, false)}</b>
      </p>
    );
  return words ? (
    <p className="to-match">
      Match or beat: <b>{words}</b>
    </p>
  ) : null;
}
