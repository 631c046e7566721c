import { data, Form, Link, useNavigation } from 'react-router';
import { seesHealth } from '../../core/coach-role.ts';
import { dayKey, formatDay, formatShortDay, weekdayOf } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { explainChange } from '../../core/fit/fit-session.ts';
import { SPARE_WORDS } from '../../core/movement/spare.ts';
import { helpedSince } from '../../core/record/attention/attention.ts';
import type { ActKind } from '../../core/record/attention/attention-rules.ts';
import { isAttentionCode } from '../../core/record/attention/attention-rules.ts';
import { detailWords, painWords } from '../../core/record/adherence/detail-words.ts';
import { ownNumbers } from '../../core/record/scores/own-numbers.ts';
import { packStrand } from '../../core/record/adherence/packed-strand.ts';
import { formatScore } from '../../core/record/scores/score.ts';
import { isKept, isOwed } from '../../core/record/adherence/strand.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { formatHours, plural } from '../../core/words/words.ts';
import { listActs } from '../../db/queries/act.ts';
import { listNumbers } from '../../db/queries/own.ts';
import { listPainOf } from '../../db/queries/pain.ts';
import { listSaidBy, listSentTo } from '../../db/queries/person-page.ts';
import { getEnrolment } from '../../db/queries/person.ts';
import { keepNote, takeBack } from '../../server/follow-up/attention-acts.ts';
import { noteRead } from '../../server/doors/audit.ts';
import { coachForm, notFound, withProgramme } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { fitDay } from '../../server/participant/fitted-view.ts';
import { formText } from '../../server/http/form-text.ts';
import { instantWords } from '../../server/messages/compose.ts';
import { parseId } from '../../server/http/parse-number.ts';
import { historyOf, loadRunFollow } from '../../server/follow-up/run-follow.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import { listSentDays } from '../../db/queries/record.ts';
import { STATE_WORDS } from '../../words/en/days.ts';
import { attentionWords, DONE_WORDS, helpedWords, RULE_WORDS } from '../../words/en/attention.ts';
import { EffortLine } from '../plan/charts/effort-line.tsx';
import { NumberLine } from '../charts/number-line.tsx';
import { MESSAGE_WORDS, SENT_WORDS } from '../send/message-words.ts';
import { OwnStrand, ownBeads } from '../participant/base/own-strand.tsx';
import followCss from './follow-up.css?url';
import type { Route } from './+types/person';
import { OUTCOME_WORDS } from '../../words/en/record.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.name ?? 'Person'} · Ysodos` }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

const SHOWN_MESSAGES = 60;
/** Messages that are shown at once. */
const FEW_SENT = 5;

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme, coach }) => {
    const canSee = seesHealth(coach.role);
    const enrolmentId = parseId(params.enrolmentId);
    const follow = await loadRunFollow(db, programme);
    const person = follow.people.find((p) => p.enrolmentId === enrolmentId);
    if (!person) return notFound();
    const zone = coachZone(request);
    const [enrolment, said, sentTo, acts, pains, numbers, book, sentDays] = await Promise.all([
      getEnrolment(db, person.enrolmentId),
      listSaidBy(db, person.enrolmentId),
      listSentTo(db, person.enrolmentId, SHOWN_MESSAGES),
      listActs(db, person.enrolmentId),
      listPainOf(db, person.enrolmentId),
      listNumbers(db, person.enrolmentId),
      loadWorkspaceBook(db),
      listSentDays(db, programme.runId),
    ]);
    if (canSee) noteRead(coach, enrolment.personId);
    const { days } = follow;
    const { own, today } = person.calendar;
    const dateOf = new Map(days.map((d, i) => [d.dayId, own[i]!.date]));
    const titleOf = new Map(days.map((d) => [d.dayId, d.facts?.title ?? '']));
    const keyOf = new Map(days.map((d) => [d.dayId, dayKey(d)]));
    const history = historyOf(follow, person);
    // The session that is theirs today or next, as far as it was sent.
    const next = days.findIndex((d, i) => d.sent && own[i]!.date >= today);
    const nextVersion = sentDays.find((d) => d.dayId === days[next]?.dayId);
    const fitted = canSee && nextVersion ? await fitDay(db, nextVersion, { enrolment }, book) : undefined;
    const { profile } = enrolment;
    return {
      key: programme.key,
      id: person.enrolmentId,
      name: person.name,
      team: person.detail,
      firstWeekday: weekdayOf(enrolment.startsOn ?? programme.startsOn),
      timeZone: person.timeZone.replaceAll('_', ' '),
      joined: formatDay(person.joinedOn),
      isHere: person.isHere,
      adherence: person.adherence,
      behind: days.flatMap((d, i) =>
        isOwed(person.states[i]!)
          ? [
              {
                key: dayKey(d),
                words: formatShortDay(own[i]!.date),
                state: person.states[i]!,
                isKept: isKept(person.states[i]!),
              },
            ]
          : [],
      ),
      dayKeys: days.map((d) => dayKey(d)).join(' '),
      strand: packStrand(person.states.map((state, i) => ({ state, shareRatio: person.records[i]?.shareRatio }))),
      canSee,
      items: !canSee ? [] : person.items.map((item) => ({ code: item.code, why: attentionWords(item) })),
      numbers: ownNumbers(
        numbers.flatMap(({ dayId, document, scores, fit, details }) => {
          const date = dateOf.get(dayId);
          return date === undefined
            ? []
            : [
                {
                  date,
                  title: sessionTitle(document),
                  retest: document.retest ?? null,
                  blocks: document.blocks,
                  scores,
                  shapes: [...fit, ...(details.chosen ?? [])],
                },
              ];
        }),
      ),
      efforts: days.flatMap((d, i) =>
        isKept(person.states[i]!)
          ? [
              {
                key: dayKey(d),
                words: formatShortDay(own[i]!.date),
                planned: d.facts?.effort ?? null,
                felt: person.records[i]?.effort ?? null,
              },
            ]
          : [],
      ),
      said: said.map((s) => ({
        key: keyOf.get(s.dayId) ?? '',
        words: dateOf.has(s.dayId) ? formatShortDay(dateOf.get(s.dayId)!) : '',
        title: titleOf.get(s.dayId) ?? '',
        told: [
          `${OUTCOME_WORDS[s.outcome]}${s.outcome === 'part' ? `, ${Math.round(s.shareRatio * 100)} %` : ''}`,
          ...(s.effort === null ? [] : [`effort ${s.effort}`]),
          ...s.scores.map(formatScore),
          ...(canSee ? detailWords(s.details) : []),
        ].join(' · '),
        remark: canSee ? s.remark : '',
      })),
      pains: !canSee
        ? []
        : pains.map((p) => ({ words: painWords(p), at: formatShortDay(localDate(p.toldAtMs, person.timeZone)) })),
      sentTo: !canSee
        ? []
        : sentTo.map((m) => ({
            words: m.subject === '' ? MESSAGE_WORDS[m.kind] : m.subject,
            day: m.dayId === null ? '' : (titleOf.get(m.dayId) ?? ''),
            state: `${SENT_WORDS[m.state]}${m.reason === '' || m.state === 'accepted' ? '' : `: ${m.reason}`}`,
            at: instantWords(m.atMs, zone),
          })),
      fit: fitted
        ? { of: fitted.document.title ?? sessionTitle(fitted.document), changes: fitted.changes.map(explainChange) }
        : null,
      profile: !canSee
        ? []
        : [
            profile.kit === undefined
              ? 'whatever kit is asked'
              : profile.kit.length === 0
                ? 'no kit'
                : `has ${profile.kit.join(', ')}`,
            ...(profile.spares.length > 0 ? [`avoids ${profile.spares.map((s) => SPARE_WORDS[s]).join(', ')}`] : []),
            ...(person.level === null ? [] : [`level ${person.level} at the lowest`]),
            ...profile.swaps.map((s) => `${s.to} instead of ${s.from}`),
            ...(profile.doses.length > 0 ? profile.doses.map((d) => d.words) : []),
          ],
      acts: !canSee
        ? []
        : acts.map((a) => ({
            id: a.id,
            isNote: a.kind === 'note',
            what: a.kind === 'note' ? '' : DONE_WORDS[a.kind as ActKind],
            why: isAttentionCode(a.code) ? RULE_WORDS[a.code].name.toLowerCase() : '',
            words: a.words,
            by: a.by,
            at: instantWords(a.madeAtMs, zone),
            helped:
              a.kind === 'note' || a.kind === 'snoozed'
                ? ''
                : helpedWords(helpedSince(history, localDate(a.madeAtMs, person.timeZone))),
          })),
    };
  });
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
          <textarea name="words" rows={2} maxLength={2000} />
        </label>
        {error && (
          <p className="field-error" role="alert">
            {error}
          </p>
        )}
        <button type="submit" className="button-quiet" disabled={state !== 'idle'}>
          Keep the note
        </button>
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
              <button type="submit" className="tool">
                {a.isNote ? 'delete' : 'take back'}
              </button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}
