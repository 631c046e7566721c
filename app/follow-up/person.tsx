import { Button, Input } from 'antd';
import { loadPerson } from '../../server/follow-up/load-person.ts';
import { data, Form, Link, useNavigation } from 'react-router';
import { dayKey } from '../../core/calendar/day.ts';
import { formatHours, plural } from '../../core/words/words.ts';
import { keepNote, takeBack } from '../../server/follow-up/attention-acts.ts';
import { letPersonGo } from '../../server/follow-up/proposal-answers.ts';
import { coachForm, notFound, withProgramme } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { formText } from '../../server/http/form-text.ts';
import { parseId } from '../../server/http/parse-number.ts';
import { STATE_WORDS } from '../../words/en/days.ts';
import { RULE_WORDS } from '../../words/en/attention.ts';
import { EffortLine } from '../plan/charts/effort-line.tsx';
import { NumberLine } from '../charts/number-line.tsx';
import { OwnStrand, ownBeads } from '../participant/base/own-strand.tsx';
import followCss from './follow-up.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/person';

export const meta: Route.MetaFunction = ({ loaderData, matches }) =>
  programmePage(matches, loaderData?.name ?? 'Person');
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

/** Messages that are shown at once. */
const FEW_SENT = 5;

export async function loader({ request, params }: Route.LoaderArgs) {
  const asked = { enrolmentId: parseId(params.enrolmentId), zone: coachZone(request) };
  return withProgramme(request, params.programmeId, (db, scope) => loadPerson(db, scope, asked));
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  return withProgramme(request, params.programmeId, async (db, scope) => {
    const enrolmentId = parseId(params.enrolmentId);
    const intent = formText(form, 'intent');
    const answer =
      enrolmentId === undefined
        ? undefined
        : intent === 'note'
          ? await keepNote(db, scope, enrolmentId, form)
          : intent === 'undo-act'
            ? await takeBack(db, scope, form)
            : intent === 'let-go'
              ? await letPersonGo(db, scope, enrolmentId)
              : undefined;
    if (!answer) return notFound();
    return data(answer, { status: answer.status === 'refused' ? 400 : 200 });
  });
}

export default function PersonPage({ loaderData, actionData }: Route.ComponentProps) {
  const { name, team, adherence: a, key, firstWeekday } = loaderData;
  const beads = ownBeads(loaderData.dayKeys, loaderData.strand);
  const base = `/programmes/${key}`;
  return (
    <div className="one-person">
      <p className="small">
        <Link to={`${base}/follow-up`}>Follow up</Link>
      </p>
      <div className="page-title">
        <h1 dir="auto">{name}</h1>
        <p className="soft">
          {[team, `joined ${loaderData.joined}`, loaderData.timeZone].filter(Boolean).join(' · ')}
          {!loaderData.isHere && <b className="plan-off"> · no longer takes part</b>} ·{' '}
          <Link to={`${base}/people?person=${loaderData.id}`}>what fits them</Link>
        </p>
      </div>
      {loaderData.items.length > 0 && (
        <ul className="one-asks">
          {loaderData.items.map((i) => (
            <li key={i.code}>
              <Link to={`${base}/follow-up?person=${loaderData.id}&item=${i.code}`}>{RULE_WORDS[i.code].name}</Link>{' '}
              {i.why}
            </li>
          ))}
        </ul>
      )}
      <div className="one-columns">
        <div>
          <OwnStrand
            beads={beads}
            base=""
            firstWeekday={firstWeekday}
            title="Weeks"
            linkTo={(bead) => `${base}/follow-up?person=${loaderData.id}&day=${dayKey(bead)}`}
          />
          <section>
            <h2>Adherence</h2>
            {a.due === 0 ? (
              <p className="soft">Nothing was due yet.</p>
            ) : (
              <dl className="one-figures">
                <dt>attendance</dt>
                <dd>
                  <b>{Math.round((100 * a.done) / a.due)} %</b>, {a.done} of {plural(a.due, 'session')} due
                  {a.inPart > 0 && `, ${a.inPart} of them in part`}
                  <Behind days={loaderData.behind} base={`${base}/follow-up?person=${loaderData.id}`} />
                </dd>
                <dt>dose</dt>
                <dd>
                  <b>{a.prescribed === 0 ? '–' : `${Math.round((100 * a.worked) / a.prescribed)} %`}</b>,{' '}
                  {formatHours(a.worked)} of {formatHours(a.prescribed)} of work
                </dd>
                <dt>in a row</dt>
                <dd>
                  <b>{a.inARow}</b> due days done, {a.longestRow} at the most
                </dd>
                {a.bonus > 0 && (
                  <>
                    <dt>beside</dt>
                    <dd>{plural(a.bonus, 'session')} that weren’t due, or came after their window</dd>
                  </>
                )}
              </dl>
            )}
          </section>
          {loaderData.efforts.some((e) => e.felt !== null) && (
            <section>
              <h2>Effort felt, beside planned</h2>
              <EffortLine
                points={loaderData.efforts}
                label="Effort felt as points beside the line of what was planned"
              />
              <details className="small">
                <summary>as a list</summary>
                <ul>
                  {loaderData.efforts.map((e) => (
                    <li key={e.key}>
                      {e.words}: felt {e.felt ?? 'not said'}, planned {e.planned ?? 'not said'}
                    </li>
                  ))}
                </ul>
              </details>
            </section>
          )}
          {loaderData.canSee && (
            <section>
              <h2>Their fit, and why</h2>
              <p className="small">{loaderData.profile.join(' · ')}</p>
              {loaderData.pace !== '' && <p className="small">{loaderData.pace}</p>}
              {loaderData.heldWeek !== null && (
                <Form method="post" preventScrollReset>
                  <input type="hidden" name="intent" value="let-go" />
                  <p>
                    They keep the numbers of week {loaderData.heldWeek}, in every session that goes on from it.{' '}
                    <Button htmlType="submit">Let go</Button>
                  </p>
                </Form>
              )}
              {loaderData.fit &&
                (loaderData.fit.changes.length === 0 ? (
                  <p className="soft">{loaderData.fit.of}: as it is written.</p>
                ) : (
                  <>
                    <p className="soft small">{loaderData.fit.of}:</p>
                    <ul className="one-said">
                      {loaderData.fit.changes.map((c) => (
                        <li key={c}>{c}</li>
                      ))}
                    </ul>
                  </>
                ))}
            </section>
          )}
          <section className="one-numbers">
            <h2>Numbers over time</h2>
            {loaderData.numbers.length === 0 && (
              <p className="soft">No session of theirs has asked for a number yet.</p>
            )}
            {loaderData.numbers.map((series) => (
              <figure key={series.key}>
                <figcaption>
                  <b>{series.label}</b>
                  {series.shape !== '' && <span className="soft"> in their shape: {series.shape}</span>}
                </figcaption>
                {series.points.length > 1 && <NumberLine series={series} />}
                <p className="small soft">{series.points.map((p) => `${p.dayWords} ${p.words}`).join(' · ')}</p>
              </figure>
            ))}
          </section>
        </div>
        <div>
          {loaderData.canSee && (
            <Notes loaderData={loaderData} error={actionData?.status === 'refused' ? actionData.message : undefined} />
          )}
          <section>
            <h2>{loaderData.canSee ? 'What they said' : 'What they did'}</h2>
            {loaderData.pains.map((p) => (
              <p key={`${p.at} ${p.words}`}>
                <b className="plan-off">It hurt: {p.words}</b> <span className="soft small">{p.at}</span>
              </p>
            ))}
            {loaderData.said.length === 0 && <p className="soft">Nothing yet.</p>}
            <ul className="one-said">
              {loaderData.said.map((s) => (
                <li key={s.key}>
                  <Link to={`${base}/follow-up?person=${loaderData.id}&day=${s.key}`}>{s.words}</Link> {s.title}{' '}
                  <span className="soft">{s.told}</span>
                  {s.remark !== '' && <q dir="auto">{s.remark}</q>}
                </li>
              ))}
            </ul>
          </section>
          {loaderData.canSee && (
            <section>
              <h2>What they were sent</h2>
              {loaderData.sentTo.length === 0 && <p className="soft">Nothing yet.</p>}
              <SentList messages={loaderData.sentTo.slice(0, FEW_SENT)} />
              {loaderData.sentTo.length > FEW_SENT && (
                <details className="small">
                  <summary>earlier ones</summary>
                  <SentList messages={loaderData.sentTo.slice(FEW_SENT)} />
                </details>
              )}
            </section>
          )}
        </div>
      </div>
    </div>
  );
}

function SentList({ messages }: { messages: Route.ComponentProps['loaderData']['sentTo'] }) {
  return (
    <ul className="one-said">
      {messages.map((m, i) => (
        <li key={i}>
          {m.words} {m.day} <span className="soft">{m.state}</span> <span className="soft small">{m.at}</span>
        </li>
      ))}
    </ul>
  );
}

function Behind({ days, base }: { days: Route.ComponentProps['loaderData']['behind']; base: string }) {
  const list = (kept: boolean) =>
    days
      .filter((d) => d.isKept === kept)
      .map((d, i) => (
        <span key={d.key}>
          {i > 0 && ', '}
          <Link to={`${base}&day=${d.key}`}>{d.words}</Link>
          {!kept && ` ${STATE_WORDS[d.state]}`}
        </span>
      ));
  return (
    <details className="small">
      <summary>the days behind it</summary>
      <p>
        Done: {list(true)}
        <br />
        Not done: {days.some((d) => !d.isKept) ? list(false) : 'none'}
      </p>
    </details>
  );
}

function Notes({ loaderData, error }: { loaderData: Route.ComponentProps['loaderData']; error: string | undefined }) {
  const { state } = useNavigation();
  return (
    <section>
      <h2>Your notes, and what you did</h2>
      <Form method="post" className="note-form" key={loaderData.acts.length}>
        <input type="hidden" name="intent" value="note" />
        <label>
          A note, for you and your fellow coaches; it is in the copy of their data that they can take
          <Input.TextArea name="words" rows={2} maxLength={2000} />
        </label>
        {error && (
          <p className="field-error" role="alert">
            {error}
          </p>
        )}
        <Button htmlType="submit" disabled={state !== 'idle'}>
          Keep the note
        </Button>
      </Form>
      <ul className="one-said">
        {loaderData.acts.map((a) => (
          <li key={a.id}>
            {a.isNote ? (
              <q dir="auto">{a.words}</q>
            ) : (
              <>
                <b>
                  {a.by === '' ? '' : `${a.by.split(' ')[0]} `}
                  {a.what}
                </b>{' '}
                {a.why !== '' && <span className="soft">because of: {a.why}</span>}
                {a.words !== '' && (
                  <details className="small">
                    <summary>what exactly</summary>
                    <p className="as-written">{a.words}</p>
                  </details>
                )}
              </>
            )}{' '}
            {a.helped !== '' && <b className="one-helped">{a.helped}</b>}{' '}
            <span className="soft small">
              {a.isNote && a.by !== '' ? `${a.by}, ` : ''}
              {a.at}
            </span>{' '}
            <Form method="post" className="inline-form">
              <input type="hidden" name="intent" value="undo-act" />
              <input type="hidden" name="enrolmentId" value={loaderData.id} />
              <input type="hidden" name="actId" value={a.id} />
              <Button type="text" size="small" htmlType="submit" className="tool">
                {a.isNote ? 'delete' : 'take back'}
              </Button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}
