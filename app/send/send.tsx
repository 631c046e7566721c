import { loadSend } from '../../server/send/load-send.ts';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link, useFetcher, useNavigation, useSubmit } from 'react-router';
import { seesHealth } from '../../core/coach-role.ts';
import { sheetText } from '../../core/exchange/session-text.ts';
import { plural } from '../../core/words/words.ts';
import { coachForm, withDay } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { parseId } from '../../server/http/parse-number.ts';
import { decideSend } from '../../server/send/send-decision.ts';
import { actOnDay } from '../../server/send/send-actions.ts';
import { Dialog } from '../parts/dialog.tsx';
import { HandOutLinks } from '../people/hand-out-links.tsx';
import { DayPeople } from './day-people.tsx';
import { LateDays } from './late-days.tsx';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import { LiveSettings } from './live-settings.tsx';
import { SaveNote } from '../parts/save-note.tsx';
import { SendPreview } from './send-preview.tsx';
import { packRibbon } from '../charts/session/pack-ribbon.ts';
import { layoutRibbon } from '../charts/ribbon-layout.ts';
import { layoutTimeline } from './send-timeline-layout.ts';
import { SendTimelineChart } from './send-timeline.tsx';
import { TODAY_RIBBON } from '../participant/base/today-card.tsx';
import { PaperChoice } from './paper-choice.tsx';
import participantCss from '../participant/participant.css?url';
import sendCss from './send.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/send';
import { GOING_WORDS } from '../../words/en/sends.ts';
import { sumTold, toldWords } from '../../core/channels/channels.ts';

export const meta: Route.MetaFunction = ({ loaderData, matches }) =>
  programmePage(matches, `Send: ${loaderData?.name ?? ''}`);
export const links: Route.LinksFunction = () => [
  { rel: 'stylesheet', href: participantCss },
  { rel: 'stylesheet', href: sendCss },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const as = parseId(new URL(request.url).searchParams.get('as'));
  const { seen, timeline, ...view } = await withDay(request, params, (db, scope) =>
    loadSend(db, scope, {
      dayKey: params.day,
      zone: coachZone(request),
      // Seen as somebody, a session says what they spare.
      asId: seesHealth(scope.coach.role) ? as : undefined,
    }),
  );
  return { ...view, timeline: layoutTimeline(timeline), preview: seen && showPreview(seen) };
}

const showPreview = ({ preview, as }: NonNullable<Awaited<ReturnType<typeof loadSend>>['seen']>) => ({
  sheet: preview.sheet,
  figures: preview.figures,
  ribbon: packRibbon(layoutRibbon(preview.plan, TODAY_RIBBON)),
  changes: preview.changes,
  subject: preview.message.subject,
  text: preview.message.text,
  plain: sheetText(preview.sheet),
  as,
});

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  return withDay(request, params, (db, scope) =>
    decideSend(db, { ...scope.coach, runIds: [scope.programme.runId] }, form, () => actOnDay(db, scope, form)),
  );
}

type Data = Route.ComponentProps['loaderData'];

/** What goes out next, and will it? */
function NextLine({
  next,
  heldWords,
  programmeId,
  isArchived,
  hasPeople,
}: Pick<Data, 'next' | 'heldWords' | 'programmeId' | 'isArchived' | 'hasPeople'>) {
  const fetcher = useFetcher();
  const busy = fetcher.state !== 'idle';
  const leaving = useLeaving(fetcher.data, (fields) => void fetcher.submit(fields, { method: 'post' }), busy);
  const submit = (intent: string) => leaving.send({ intent });
  if (isArchived) return <p className="send-next">This run is archived: nothing goes out of it.</p>;
  return (
    <div className={`send-next${heldWords !== null || (next && !next.isSure) ? ' needs-you' : ''}`}>
      <p>
        {heldWords !== null ? (
          <>
            <b>All is held</b> since {heldWords}. Nothing goes out until you let it go.
          </>
        ) : next ? (
          <>
            Next: <Link to={`/programmes/${programmeId}/send/${next.key}`}>{next.title}</Link>, {next.dateWords}, in{' '}
            <b>{next.wait}</b> to {next.zones.slice(0, 3).join(', ')}
            {next.zones.length > 3 && ` and ${next.zones.length - 3} more`} ({plural(next.people, 'person', 'people')}).{' '}
            <b>It {GOING_WORDS[next.state]}.</b>
          </>
        ) : hasPeople ? (
          'No further session goes out: the programme is at its end.'
        ) : (
          'Nobody is in this programme yet, so nothing goes out.'
        )}
      </p>
      {heldWords !== null ? (
        <Button type="primary" onClick={() => submit('let-go')}>
          Let it go
        </Button>
      ) : (
        <Button onClick={() => submit('hold')}>Hold everything</Button>
      )}
      {leaving.dialog}
    </div>
  );
}

const PROGRESS = [
  ['released', 'released'],
  ['delivered', 'delivered'],
  ['opened', 'opened'],
  ['begun', 'begun'],
  ['logged', 'logged'],
  ['bounced', 'didn’t reach them'],
] as const;

function Progress({
  progress,
  people,
  base,
  dayId,
  dayKey,
}: {
  progress: NonNullable<Data['progress']>;
  people: number;
  base: string;
  dayId: number;
  dayKey: string;
}) {
  return (
    <section aria-label="How far it has come" className="send-progress">
      <h2>How far it has come</h2>
      <ol>
        {PROGRESS.filter(([key]) => key !== 'bounced' || progress.bounced > 0).map(([key, words]) => (
          <li key={key} className={key === 'bounced' ? 'needs-you' : undefined}>
            <b>{progress[key]}</b>
            <span>{words}</span>
            <i
              style={{ width: `${people === 0 ? 0 : Math.min(100, (100 * progress[key]) / people)}%` }}
              aria-hidden="true"
            />
          </li>
        ))}
      </ol>
      <p className="small">
        Of {plural(people, 'person', 'people')}
        {progress.waiting > 0 && `; ${plural(progress.waiting, 'message waits', 'messages wait')}`}.{' '}
        <Link to={`${base}/outbox?day=${dayId}`}>What each was sent</Link>
      </p>
      <DayPeople key={dayKey} base={base} dayKey={dayKey} />
    </section>
  );
}

export default function Send({ loaderData, actionData }: Route.ComponentProps) {
  const {
    day,
    preview,
    name,
    words,
    versions,
    dayKey: key,
    programmeId,
    errors,
    reach,
    week,
    next,
    timeline,
    unready,
  } = loaderData;
  const [asking, setAsking] = useState<'send' | 'withdraw'>();
  const [note, setNote] = useState('');
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const base = `/programmes/${programmeId}`;
  const write = `${base}/write/${key}`;
  const number = (day?.sentNumber ?? 0) + 1;
  const can = day !== null && preview !== null && day.isReady && (!day.isAsSent || day.withdrawn !== null);
  const leaving = useLeaving(actionData, (posted) => submit(posted, { method: 'post' }), busy);
  const post = async (fields: Record<string, string>) => {
    await leaving.send(fields);
    setAsking(undefined);
    setNote('');
  };
  const answer = unlessAsked(actionData) as { error?: string; told?: string } | undefined;
  const messages = sumTold(reach.told);
  return (
    <>
      {leaving.dialog}
      <section className="send-out" aria-label="What goes out">
        {!loaderData.isWorking && (
          <p className="notice bad">
            No worker is running: nothing goes out by itself now, and no message leaves. Start{' '}
            <code>./ysodos work</code>; what is due meanwhile comes late where its day isn’t over, and is asked about
            here where it is.
          </p>
        )}
        <LateDays base={base} late={loaderData.late} away={loaderData.away} shifts={loaderData.shifts} />
        <NextLine {...loaderData} next={next} />
        {timeline.rows.length > 0 && (
          <SendTimelineChart layout={timeline} selected={key} linkTo={(k) => `${base}/send/${k}`} />
        )}
        {unready.length > 0 && (
          <ul className="send-unready" aria-label="Not ready yet">
            {unready.map((u) => (
              <li key={u.key}>
                <Link to={`${base}/${u.isByHand ? 'send' : 'write'}/${u.key}`}>{u.title}</Link>, {u.words}: {u.why}; it
                is due in {u.wait}.
              </li>
            ))}
          </ul>
        )}
        <p className="small send-ways">
          <Link to={`${base}/outbox`}>Outbox</Link> ·{' '}
          <Link to={`${base}/run`}>This run, its hours and its join page</Link>
        </p>
      </section>
      {!day || !preview ? (
        <div className="no-session">
          <h1>{name}</h1>
          <p className="soft">
            {words}.{' '}
            {errors > 0
              ? 'Something in its text can’t be read yet.'
              : day
                ? 'It is still to write.'
                : 'The programme has no session on this day.'}
          </p>
          <Link className="button-main" to={write}>
            Go to Write
          </Link>
        </div>
      ) : (
        <div className="send">
          <SendPreview preview={preview} above={`${words} · week ${week}`} programmeId={programmeId} />
          <section className="send-what">
            <h1>{name}</h1>
            <p className="soft">
              {words}. <Standing {...loaderData} />
            </p>
            {answer?.error && <SaveNote isBad>{answer.error}</SaveNote>}
            {answer?.told && <SaveNote>{answer.told}</SaveNote>}
            {!day.isReady && !day.isAsSent && (
              <p className="notice">
                It isn’t marked ready. <Link to={write}>Read it through under Write</Link> and mark it there.
              </p>
            )}
            {reach.people === 0 && (
              <p className="notice">
                Nobody is in this programme yet. <Link to={`${base}/people`}>Add people</Link>; whoever joins before
                this day gets it too.
              </p>
            )}
            {can && (
              <p>
                <Button
                  type={loaderData.isByHand || number > 1 ? 'primary' : 'default'}
                  size="large"
                  onClick={() => setAsking('send')}
                >
                  {number > 1 ? `Send version ${number}` : 'Send'} to {plural(reach.people, 'person', 'people')}
                </Button>{' '}
                {!loaderData.isByHand && number === 1 && loaderData.when && !loaderData.when.isOpen && (
                  <span className="soft small">
                    It goes out by itself; sent now it can be looked at, but no sooner.
                  </span>
                )}
              </p>
            )}
            {day.sentNumber > 0 &&
              (day.withdrawn ? (
                <p>
                  <Button onClick={() => void post({ intent: 'restore' })}>Take the withdrawal back</Button>
                </p>
              ) : (
                <p>
                  <Button onClick={() => setAsking('withdraw')}>Withdraw</Button>
                </p>
              ))}
            {loaderData.progress && loaderData.when?.isOpen && (
              <Progress progress={loaderData.progress} people={reach.people} base={base} dayId={day.id} dayKey={key} />
            )}
            <h2>How they get it</h2>
            <p>
              <Reach reach={reach} /> <Link to={`${base}/people`}>People</Link>
            </p>
            {day.isAsSent && reach.people > 0 && (
              <HandOutLinks
                programmeId={programmeId}
                missing={reach.unlinked}
                origin={loaderData.origin}
                isMain={reach.unreached > 0}
              />
            )}
            <div className="send-paper">
              <a href={`${base}/send/${key}/sheet.pdf`}>On paper (PDF)</a>{' '}
              <PaperChoice paper={loaderData.paper} onChoose={(paper) => void post({ intent: 'paper', paper })} /> ·{' '}
              <Link to={`${base}/send/${key}/week`}>The whole week</Link> · <CopyText text={preview.plain} />
            </div>
            <LiveSettings
              dayKey={key}
              live={loaderData.live}
              zone={loaderData.zone}
              programmeId={programmeId}
              onSave={(f) => void post(f)}
            />
            {versions.length > 0 && (
              <>
                <h2>Sent so far</h2>
                <ul className="send-versions">
                  {versions.map((v) => (
                    <li key={v.number}>
                      <b>Version {v.number}</b> {v.sentWords}, {v.sentBy === null ? 'by itself' : `by ${v.sentBy}`}
                      {v.changeNote && <span>: {v.changeNote}</span>}
                    </li>
                  ))}
                </ul>
                <p className="soft small">A sent version never changes; a correction goes out as the next one.</p>
              </>
            )}
          </section>
          <Dialog
            open={asking === 'send'}
            title={number > 1 ? `Send version ${number}?` : 'Send this session?'}
            okText={`Send to ${plural(reach.people, 'person', 'people')}`}
            busy={busy}
            onCancel={() => setAsking(undefined)}
            onOk={() => void post({ intent: 'send', revision: String(day.revision), changeNote: note })}
          >
            <p>
              {preview.sheet.title}, for {words}: it opens at {loaderData.rules.releaseTime}{' '}
              {loaderData.rules.releaseZone === null
                ? 'of each person’s own clock'
                : `in ${loaderData.rules.releaseZone}`}
              .{' '}
              {messages === 0
                ? 'No message goes out.'
                : `${plural(messages, 'person gets', 'people get')} a message then.`}{' '}
              Once it is sent it can’t be changed, only followed by a newer version.
            </p>
            {number > 1 && (
              <>
                <p>Who hasn’t begun gets the new one; who has keeps theirs, and sees what changed.</p>
                <label>
                  What changed, in a few words
                  <Input.TextArea
                    value={note}
                    maxLength={500}
                    rows={2}
                    onChange={(event) => setNote(event.target.value)}
                    placeholder="14 lunges instead of 16"
                  />
                </label>
              </>
            )}
          </Dialog>
          <Dialog
            open={asking === 'withdraw'}
            title="Withdraw this session?"
            okText="Withdraw it"
            busy={busy}
            onCancel={() => setAsking(undefined)}
            onOk={() => void post({ intent: 'withdraw', note })}
          >
            <p>
              It goes from the pages of all who haven’t done it, messages that wait are not sent, and who was told of it
              is told of this. It can be taken back.
            </p>
            <label>
              Why, in a few words
              <Input.TextArea value={note} maxLength={500} rows={2} onChange={(event) => setNote(event.target.value)} />
            </label>
          </Dialog>
        </div>
      )}
    </>
  );
}

/** How it stands with the day, in a sentence. */
function Standing({ day, when, isByHand }: Pick<Data, 'day' | 'when' | 'isByHand'>) {
  if (day?.withdrawn) return <>It was withdrawn{day.withdrawn.note === '' ? '.' : `: ${day.withdrawn.note}`}</>;
  const opens = when === null ? '' : when.isOpen ? '' : ` It opens in ${when.wait}.`;
  if (day?.isAsSent)
    return (
      <>
        Version {day.sentNumber} is out.{opens}
      </>
    );
  if (day && day.sentNumber > 0) return <>Version {day.sentNumber} is out, and the text has changed since.</>;
  return (
    <>
      Not sent yet.
      {day?.isReady && !isByHand && when && !when.isOver
        ? ` It is ready, and goes out by itself${when.isOpen ? ' within a minute' : ` in ${when.wait}`}.`
        : ''}
    </>
  );
}

function Reach({ reach }: { reach: Data['reach'] }) {
  const parts = [
    ...toldWords(reach.told),
    reach.linkOnly > 0 && `${reach.linkOnly} by their link alone`,
    reach.unreached > 0 && `${reach.unreached} by nothing yet`,
  ].filter((part) => part !== false);
  return <>{parts.length === 0 ? 'Nobody to reach yet.' : `${parts.join(', ')}.`}</>;
}

function CopyText({ text }: { text: string }) {
  const [isCopied, setCopied] = useState(false);
  return (
    <Button
      type="link"
      size="small"
      className="link"
      onClick={() => {
        void navigator.clipboard.writeText(text).then(() => setCopied(true));
      }}
    >
      {isCopied ? 'Copied' : 'Copy as plain text'}
    </Button>
  );
}
