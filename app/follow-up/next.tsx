import { Button, Input } from 'antd';
import { useState } from 'react';
import { data, Link, useFetcher } from 'react-router';
import { cutLetters } from '../../core/letters.ts';
import type { ChangedLine } from '../../core/progress/person/change-person.ts';
import type { ProposalKind } from '../../core/progress/person/propose.ts';
import { PROPOSAL_KINDS } from '../../core/progress/person/propose.ts';
import { plural } from '../../core/words/words.ts';
import { coachForm, notFound, withProgramme } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import type { DrawnProposal } from '../../server/follow-up/drawn-proposal.ts';
import { formText } from '../../server/http/form-text.ts';
import { instantWords } from '../../server/messages/compose.ts';
import { parseId } from '../../server/http/parse-number.ts';
import type { NextAnswer } from '../../server/follow-up/proposal-answers.ts';
import { answerPace, answerProposals, letGo, parseBy, undoAnswer } from '../../server/follow-up/proposal-answers.ts';
import type { ChangedDay, GroupProposal, PersonProposal } from '../../server/follow-up/proposals.ts';
import { loadWhatNext } from '../../server/follow-up/proposals.ts';
import { FollowLinks } from './strands/follow-links.tsx';
import followCss from './follow-up.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/next';
import { PROPOSAL_WORDS } from '../../words/en/proposals.ts';

export const meta: Route.MetaFunction = ({ matches }) => programmePage(matches, 'What next');
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

/** Answers shown; older ones stand with their person. */
const SHOWN_ANSWERS = 40;
const MOST_AT_ONCE = 500;

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(
    request,
    params.programmeId,
    async (db, { programme }) => {
      const { group, people, paces, answers } = await loadWhatNext(db, programme);
      const zone = coachZone(request);
      return {
        key: programme.key,
        group,
        people,
        paces,
        answers: answers.slice(0, SHOWN_ANSWERS).map((a) => ({
          id: a.id,
          name: a.name,
          enrolmentId: a.enrolmentId,
          answer: a.answer,
          isHeld: a.isHeld,
          words: a.words,
          by: a.by,
          at: instantWords(a.atMs, zone),
        })),
      };
    },
    'coach',
  );
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request, 256 * 1024);
  return withProgramme(request, params.programmeId, async (db, scope) => {
    const intent = formText(form, 'intent');
    const reply = (answer: NextAnswer | undefined) =>
      answer ? data(answer, { status: answer.status === 'refused' ? 409 : 200 }) : notFound();
    if (intent === 'undo') return reply(await undoAnswer(db, scope, parseId(formText(form, 'id')) ?? 0));
    if (intent === 'let-go') return reply(await letGo(db, scope, parseId(formText(form, 'id')) ?? 0));
    if (intent !== 'accept' && intent !== 'decline') return notFound();
    const by = parseBy(formText(form, 'by'));
    if (by === 'none')
      return data({ status: 'refused' as const, message: 'A number from −50 to 50, and not 0.' }, { status: 400 });
    const pace = cutLetters(formText(form, 'pace'), 200);
    if (pace !== '') return reply(await answerPace(db, scope, pace, intent === 'accept' ? 'accepted' : 'declined'));
    const picks = form
      .getAll('pick')
      .slice(0, MOST_AT_ONCE)
      .flatMap((pick) => {
        const [id, key] = (typeof pick === 'string' ? pick : '').split('|');
        return key ? [{ enrolmentId: id === '' ? null : (parseId(id) ?? 0), key: cutLetters(key, 200), by }] : [];
      });
    return reply(await answerProposals(db, scope, picks, intent === 'accept' ? 'accepted' : 'declined'));
  });
}

type LoaderData = Route.ComponentProps['loaderData'];

export default function WhatNext({ loaderData }: Route.ComponentProps) {
  const { group, people, paces, answers } = loaderData;
  const fetcher = useFetcher<NextAnswer>({ key: 'next' });
  const told = fetcher.state === 'idle' ? fetcher.data : undefined;
  const changing = group.filter((p) => p.change !== null);
  const saying = group.filter((p) => p.change === null);
  const count = people.filter((p) => p.change !== null).length + changing.length;
  return (
    <div className="next-page">
      <div className="page-title follow-title">
        <h1>What next</h1>
        <p className="soft">
          {count === 0
            ? 'nothing to decide'
            : `${plural(count, 'proposal')} after the last week that is over and wasn’t lighter; you decide`}
        </p>
        <FollowLinks current="next" />
      </div>
      {told && (
        <p className={told.status === 'done' ? 'notice' : 'notice bad'} role="status">
          {told.status === 'done' ? told.words : told.message}
        </p>
      )}
      <section>
        <h2>For all</h2>
        {group.length === 0 && (
          <p className="soft">
            Once a week is over, and a third of those who were due have said how it was (five at least; two in a group
            of fewer than five), what follows from it stands here.
          </p>
        )}
        {changing.map((p) => (
          <GroupCard key={p.key} proposal={p} />
        ))}
        {saying.map((p) => (
          <p key={p.key} className="next-line">
            <b>{PROPOSAL_WORDS[p.kind]}</b> {p.title}
            {p.kind === 'go-on' ? '' : `: ${p.words}`} <span className="soft">{p.why}</span>
            {p.kind !== 'go-on' && <span className="soft small"> Nothing like it is still unsent.</span>}
          </p>
        ))}
      </section>
      <section>
        <h2>For each</h2>
        {people.length === 0 && <p className="soft">Nobody has a week behind them that isn’t answered yet.</p>}
        {PROPOSAL_KINDS.map((kind) => (
          <KindList
            key={kind}
            kind={kind}
            people={people.filter((p) => p.kind === kind)}
            programmeKey={loaderData.key}
          />
        ))}
      </section>
      {paces.length > 0 && <Paces paces={paces} />}
      {answers.length > 0 && <Answers answers={answers} />}
    </div>
  );
}

/** One proposal's ways: take it, with another number where it has one, or leave it. */
function AnswerForm({ pick, by, name }: { pick: string; by: number | undefined; name: string }) {
  const fetcher = useFetcher<NextAnswer>({ key: 'next' });
  const isBusy = fetcher.state !== 'idle';
  return (
    <fetcher.Form method="post" className="next-form">
      <input type="hidden" name="pick" value={pick} />
      {by !== undefined && (
        <label className="small soft">
          by{' '}
          <Input
            name="by"
            inputMode="decimal"
            defaultValue={by > 0 ? `+${by}` : `−${-by}`}
            aria-label={`by how much, ${name}`}
          />
        </label>
      )}
      <Button htmlType="submit" name="intent" value="accept" disabled={isBusy} aria-label={`Accept, ${name}`}>
        Accept
      </Button>
      <Button
        type="text"
        size="small"
        htmlType="submit"
        name="intent"
        value="decline"
        className="tool"
        disabled={isBusy}
        aria-label={`Decline, ${name}`}
      >
        decline
      </Button>
    </fetcher.Form>
  );
}

function GroupCard({ proposal: p }: { proposal: GroupProposal }) {
  return (
    <article className="next-card" aria-label={p.title}>
      <p className="next-what">
        <b>{PROPOSAL_WORDS[p.kind]}</b> {p.title}: {p.words}
        <span className="soft"> because {p.why}</span>
      </p>
      <ul>
        {p.days.map((d) => (
          <li key={`${d.place.week} ${d.place.weekday}`}>
            <span className="soft">{d.name}</span>
            <Diff day={d} />
          </li>
        ))}
      </ul>
      <AnswerForm pick={`|${p.key}`} by={p.change?.kind === 'pull' ? p.change.by : undefined} name={p.title} />
    </article>
  );
}

const MOST_LINES = 8;

/** Lines of a session that would be otherwise: as they stand, and as they would. */
function Diff({ day }: { day: ChangedDay }) {
  const [before, after] = [day.before.split('\n'), day.after.split('\n')];
  const lines =
    before.length === after.length
      ? before.flatMap((was, i) => (was === after[i] ? [] : [{ was, is: after[i]! }]))
      : [];
  if (lines.length === 0) return <span className="next-diff">as the week before, line by line</span>;
  return (
    <span className="next-diff">
      <DiffLines lines={lines} />
    </span>
  );
}

function DiffLines({ lines }: { lines: readonly ChangedLine[] }) {
  return (
    <>
      {lines.slice(0, MOST_LINES).map(({ was, is }, i) => (
        <span key={i}>
          <del>{was}</del> <ins>{is}</ins>
        </span>
      ))}
      {lines.length > MOST_LINES && <span className="soft">and {lines.length - MOST_LINES} more</span>}
    </>
  );
}

const KIND_TITLES: Record<ProposalKind, string> = {
  'step-up': 'Step up',
  ease: 'Ease',
  hold: 'Hold',
  'go-on': 'Go on',
};

function KindList({
  kind,
  people,
  programmeKey,
}: {
  kind: ProposalKind;
  people: readonly PersonProposal[];
  programmeKey: string;
}) {
  const fetcher = useFetcher<NextAnswer>({ key: 'next' });
  const [isOpen, setOpen] = useState(false);
  if (people.length === 0) return null;
  const changes = people.filter((p) => p.change !== null);
  const isPlain = changes.length === 0;
  return (
    <div className="next-kind">
      <h3>
        {KIND_TITLES[kind]} <span className="soft">{people.length}</span>
        {changes.length > 1 && (
          <fetcher.Form method="post" className="inline-form">
            {changes.map((p) => (
              <input key={p.enrolmentId} type="hidden" name="pick" value={`${p.enrolmentId}|${p.key}`} />
            ))}
            <Button
              type="text"
              size="small"
              htmlType="submit"
              name="intent"
              value="accept"
              className="tool"
              disabled={fetcher.state !== 'idle'}
            >
              accept all {changes.length}
            </Button>
          </fetcher.Form>
        )}
        {isPlain && (
          <Button type="text" size="small" className="tool" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
            {isOpen ? 'fewer words' : 'why?'}
          </Button>
        )}
      </h3>
      {isPlain && !isOpen ? (
        <p className="next-names">
          {people.map((p, i) => (
            <span key={p.enrolmentId}>
              {i > 0 && ' · '}
              <Link to={`/programmes/${programmeKey}/follow-up/person/${p.enrolmentId}`} dir="auto">
                {p.name}
              </Link>
            </span>
          ))}
        </p>
      ) : (
        <ul>
          {people.map((p) => (
            <PersonItem key={p.enrolmentId} proposal={p} programmeKey={programmeKey} />
          ))}
        </ul>
      )}
    </div>
  );
}

/** The number of a change that can be another one. */
function byOf(change: NonNullable<PersonProposal['change']>): number | undefined {
  if (change.kind === 'lever') return change.by;
  return change.kind === 'dose' ? (change.loadBy ?? change.repsBy) : undefined;
}

/** What is proposed for one person, and on a press what their next session would be. */
function PersonItem({ proposal: p, programmeKey }: { proposal: PersonProposal; programmeKey: string }) {
  const fetcher = useFetcher<DrawnProposal>({ key: `drawn ${p.enrolmentId}` });
  const [isOpen, setOpen] = useState(false);
  const show = (event: React.MouseEvent<HTMLButtonElement>) => {
    setOpen(!isOpen);
    if (isOpen) return;
    const by = event.currentTarget.closest('li')?.querySelector<HTMLInputElement>('input[name=by]')?.value ?? '';
    void fetcher.load(`/programmes/${programmeKey}/follow-up/next/${p.enrolmentId}?by=${encodeURIComponent(by)}`);
  };
  return (
    <li className="next-person">
      <Link to={`/programmes/${programmeKey}/follow-up/person/${p.enrolmentId}`}>
        <b dir="auto">{p.name}</b> <span className="soft small">{p.team}</span>
      </Link>
      <span>
        {p.words} <span className="soft">{p.why}</span>
        {p.change !== null && (
          <>
            {' '}
            <Button
              type="text"
              size="small"
              className="tool"
              aria-expanded={isOpen}
              onClick={show}
              aria-label={`${isOpen ? 'hide' : 'what would change'}, ${p.name}`}
            >
              {isOpen ? 'hide' : 'what would change'}
            </Button>
            {isOpen && <Drawn told={fetcher.state === 'idle' ? fetcher.data : undefined} />}
          </>
        )}
      </span>
      {p.change !== null ? (
        <AnswerForm pick={`${p.enrolmentId}|${p.key}`} by={byOf(p.change)} name={p.name} />
      ) : (
        <span />
      )}
    </li>
  );
}

/** Someone's next session that would be otherwise, line by line. */
function Drawn({ told }: { told: DrawnProposal | undefined }) {
  if (!told)
    return (
      <span className="next-diff soft" role="status">
        reading their next sessions
      </span>
    );
  const { day, looked } = told;
  if (!day)
    return (
      <span className="next-diff" role="status">
        {looked === 0
          ? 'Nothing is written yet that it could change.'
          : `Nothing of their next ${plural(looked, 'session')} changes by it: nothing there is of its kind.`}
      </span>
    );
  return (
    <span className="next-diff" role="status">
      <span className="soft">
        {day.name}: {day.title}
      </span>
      <DiffLines lines={day.lines} />
    </span>
  );
}

/** Seconds a repetition as they were seen, to plan with from now on. */
function Paces({ paces }: { paces: LoaderData['paces'] }) {
  const fetcher = useFetcher<NextAnswer>({ key: 'next' });
  return (
    <section>
      <h2>Seconds a repetition</h2>
      <p className="soft small">
        What records of blocks at one’s own pace show, drawn toward your movements’ own figures the more the fewer
        records there are. Accepted, lengths and fits go by it; it stands under Movements.
      </p>
      <ul>
        {paces.map((p) => (
          <li key={p.key} className="next-person">
            <b>{p.name}</b>
            <span>
              {p.seen.likely} s instead of {p.now.likely}{' '}
              <span className="soft">out of {plural(p.records, 'record')}</span>
              {p.byLevel.length > 1 && (
                <span className="soft small">
                  {' '}
                  {p.byLevel
                    .map(
                      (l) =>
                        `${l.level === 0 ? 'no level' : `level ${l.level}`} ${Math.round(p.now.likely * l.factor * 10) / 10} s (${l.records})`,
                    )
                    .join(', ')}
                </span>
              )}
            </span>
            <fetcher.Form method="post" className="next-form">
              <input type="hidden" name="pace" value={p.key} />
              <Button htmlType="submit" name="intent" value="accept" aria-label={`Accept, ${p.name}`}>
                Accept
              </Button>
              <Button
                type="text"
                size="small"
                htmlType="submit"
                name="intent"
                value="decline"
                className="tool"
                aria-label={`Decline, ${p.name}`}
              >
                decline
              </Button>
            </fetcher.Form>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Answers({ answers }: { answers: LoaderData['answers'] }) {
  const fetcher = useFetcher<NextAnswer>({ key: 'next' });
  return (
    <section>
      <h2>Answered</h2>
      <ul className="next-answers">
        {answers.map((a) => (
          <li key={a.id}>
            <span>
              <b>{a.answer}</b>, <span dir="auto">{a.name}</span>: {a.words}
            </span>{' '}
            <span className="soft small">
              {a.by}, {a.at}
            </span>{' '}
            <fetcher.Form method="post" className="inline-form">
              <input type="hidden" name="id" value={a.id} />
              {a.isHeld && (
                <Button
                  size="small"
                  htmlType="submit"
                  name="intent"
                  value="let-go"
                  aria-label={`Let go, ${a.name}: ${a.words}`}
                >
                  Let go
                </Button>
              )}{' '}
              <Button
                type="text"
                size="small"
                htmlType="submit"
                name="intent"
                value="undo"
                className="tool"
                aria-label={`take it back, ${a.name}: ${a.words}`}
              >
                take it back
              </Button>
            </fetcher.Form>
          </li>
        ))}
      </ul>
    </section>
  );
}
