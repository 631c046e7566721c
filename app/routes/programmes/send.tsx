import { sessionTitle } from '../../../core/session/session-title.ts';
import { countLetters } from '../../../core/letters.ts';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { data, Link, redirect, useNavigation, useSubmit } from 'react-router';
import { dateOfDay, dayName, formatDay, weekdayOf } from '../../../core/calendar/day.ts';
import { localDate, localTime, instantAt } from '../../../core/calendar/release.ts';
import { analyseText, isSendable } from '../../../core/session/analyse.ts';
import { freezeRoutines } from '../../../core/session/resolve.ts';
import { listParticipants } from '../../../db/queries/person.ts';
import { insertVersion, listVersions } from '../../../db/queries/programme.ts';
import { coachForm, notFound, withDay } from '../../../server/coach-scope.ts';
import { coachZone } from '../../../server/coach-zone.ts';
import { nowMs, publicUrl } from '../../../server/config.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import { planText } from '../../../server/session-view.ts';
import { Dialog } from '../../components/dialog.tsx';
import { HandOutLinks } from '../../components/hand-out-links.tsx';
import { packRibbon } from '../../charts/pack-ribbon.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import { buildSheet } from '../../../core/session/session-sheet.ts';
import { TODAY_RIBBON, TodayCard } from '../../components/today-card.tsx';
import participantCss from '../../theme/participant.css?url';
import { formRevision, formText } from '../../../server/form-text.ts';
import type { Route } from './+types/send';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `Send: ${loaderData?.name ?? ''} · Ysodos` }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: participantCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withDay(request, params, async (db, { day, place, programme }) => {
    const date = dateOfDay(programme.startsOn, place);
    const people = await listParticipants(db, programme.runId);
    const now = nowMs();
    const zone = coachZone(request);
    const zones = [...new Set(people.map((p) => p.timeZone))]
      .map((timeZone) => {
        const opensMs = instantAt(date, programme.releaseTime, programme.run.rules.releaseZone ?? timeZone);
        const own = people.filter((p) => p.timeZone === timeZone && p.joinedOn <= date);
        return {
          timeZone,
          people: own.length,
          opensMs,
          isOpen: opensMs <= now,
          nowThere: `${localTime(now, timeZone)}, ${formatDay(localDate(now, timeZone))}`,
        };
      })
      .filter((z) => z.people > 0)
      .sort((a, b) => a.opensMs - b.opensMs);
    const planned = day && day.text.trim() !== '' ? planText(day.text, await loadWorkspaceBook(db)) : undefined;
    return {
      name: dayName(place, weekdayOf(programme.startsOn)),
      words: formatDay(date),
      week: place.week,
      dayKey: params.day,
      programmeId: programme.key,
      origin: publicUrl().origin,
      releaseTime: programme.releaseTime,
      zones: zones.map((z) => ({ ...z, opensIn: formatWait(z.opensMs - now) })),
      people: zones.reduce((sum, z) => sum + z.people, 0),
      withoutLink: people.filter((p) => !p.hasLink).length,
      day: day
        ? {
            isReady: day.isReady,
            revision: day.revision,
            sentNumber: day.sent?.number ?? 0,
            isAsSent: day.sent?.text === day.text,
          }
        : null,
      planned:
        planned && planned.errors === 0
          ? {
              sheet: buildSheet(planned.document, planned.blocks, planned.plan),
              ribbon: packRibbon(layoutRibbon(planned.plan, TODAY_RIBBON)),
            }
          : null,
      errors: planned?.errors ?? 0,
      versions: day
        ? (await listVersions(db, programme.runId, day.id)).map((v) => ({
            ...v,
            sentWords: `${formatDay(localDate(v.sentAtMs, zone))}, ${localTime(v.sentAtMs, zone)}${zone === 'UTC' ? ' UTC' : ''}`,
          }))
        : [],
    };
  });
}

function formatWait(ms: number): string {
  const minutes = Math.round(Math.abs(ms) / 60_000);
  const days = Math.floor(minutes / 1440);
  const hours = Math.floor((minutes % 1440) / 60);
  if (days > 0) return `${days} d ${hours} h`;
  return hours > 0 ? `${hours} h ${minutes % 60} min` : `${minutes} min`;
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const changeNote = formText(form, 'changeNote').trim();
  if (countLetters(changeNote) > 500)
    return data({ error: 'The note on what changed has at most 500 letters.', changeNote }, { status: 400 });
  const revision = formRevision(form);
  return withDay(request, params, async (db, { coach, programme, day }) => {
    if (!day) return notFound();
    if (!day.isReady || day.revision !== revision)
      return data(
        { error: 'The text was changed since it was marked ready. Look at it again under Write.', changeNote },
        { status: 409 },
      );
    if (day.sent?.text === day.text)
      return data({ error: 'This text was sent already; nothing has changed since.', changeNote }, { status: 409 });
    const book = await loadWorkspaceBook(db);
    const { document, issues, findings, plan } = analyseText(day.text, book.library, book.routines);
    if (!isSendable({ issues, findings, plan }))
      return data({ error: 'Something in the text can’t be read; mend it under Write.', changeNote }, { status: 400 });
    const id = await insertVersion(db, {
      workspaceId: coach.workspaceId,
      runId: programme.runId,
      dayId: day.id,
      number: (day.sent?.number ?? 0) + 1,
      text: day.text,
      // Under the name that it is sent with, also where none was written.
      document: { ...freezeRoutines(document, book.routines), title: sessionTitle(document) },
      changeNote,
      coachId: coach.coachId,
      now: new Date(nowMs()),
    });
    if (id === undefined)
      return data(
        { error: 'Someone sent this day a moment ago. Look at what they sent.', changeNote },
        { status: 409 },
      );
    return redirect(`/programmes/${programme.key}/send/${params.day}`);
  });
}

export default function Send({ loaderData, actionData }: Route.ComponentProps) {
  const {
    day,
    planned,
    name,
    words,
    zones,
    people,
    versions,
    dayKey,
    programmeId,
    errors,
    releaseTime,
    week,
    withoutLink,
    origin,
  } = loaderData;
  const [asking, setAsking] = useState(false);
  const [note, setNote] = useState('');
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const write = `/programmes/${programmeId}/write/${dayKey}`;
  if (!day || !planned) {
    return (
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
    );
  }
  const next = day.sentNumber + 1;
  const can = day.isReady && !day.isAsSent;
  const send = async () => {
    await submit({ revision: String(day.revision), changeNote: note }, { method: 'post' });
    setAsking(false);
    setNote('');
  };
  return (
    <div className="send">
      <section className="send-phone" aria-label="What participants see">
        <div className="person">
          <TodayCard {...planned} above={`${words} · week ${week}`} />
        </div>
      </section>
      <section className="send-what">
        <h1>{name}</h1>
        <p className="soft">
          {words}.{' '}
          {day.isAsSent
            ? `Version ${day.sentNumber} is out.`
            : day.sentNumber > 0
              ? `Version ${day.sentNumber} is out, and the text has changed since.`
              : 'Not sent yet.'}
        </p>
        {actionData?.error && (
          <p className="notice bad" role="alert">
            {actionData.error}
          </p>
        )}
        {!day.isReady && !day.isAsSent && (
          <p className="notice">
            It isn’t marked ready. <Link to={write}>Read it through under Write</Link> and mark it there.
          </p>
        )}
        {people === 0 && (
          <p className="notice">
            Nobody is in this programme yet. <Link to={`/programmes/${programmeId}/people`}>Add people</Link>; whoever
            joins before this day gets it too.
          </p>
        )}
        {can && (
          <Button type="primary" size="large" onClick={() => setAsking(true)}>
            {next > 1 ? `Send version ${next}` : 'Send'} to {people} {people === 1 ? 'person' : 'people'}
          </Button>
        )}
        {day.isAsSent && people > 0 && (
          <section className="send-links" aria-label="How they get it">
            <p>
              It opens by itself on each person’s page. No message goes out: they come by their personal link
              {withoutLink > 0
                ? `, and ${withoutLink === 1 ? 'one of them has' : `${withoutLink} of them have`} none yet.`
                : ', which all of them have.'}{' '}
              <Link to={`/programmes/${programmeId}/people`}>People</Link>
            </p>
            <HandOutLinks programmeId={programmeId} missing={withoutLink} origin={origin} isMain />
          </section>
        )}
        {!day.isAsSent && withoutLink > 0 && (
          <p className="soft small">
            {withoutLink === 1 ? 'One person has' : `${withoutLink} people have`} no personal link yet; it can be handed
            out once this is sent.
          </p>
        )}
        <h2>When it opens</h2>
        <p className="soft small">
          On {words} at {releaseTime} on each person’s own clock.
        </p>
        <ul className="send-zones">
          {zones.map((z) => (
            <li key={z.timeZone}>
              <b>{z.timeZone.split('/').at(-1)!.replaceAll('_', ' ')}</b>
              <span>
                {z.people} {z.people === 1 ? 'person' : 'people'}
              </span>
              <span>{z.isOpen ? `open for ${z.opensIn}` : `opens in ${z.opensIn}`}</span>
              <span className="soft small">now {z.nowThere}</span>
            </li>
          ))}
        </ul>
        {versions.length > 0 && (
          <>
            <h2>Sent so far</h2>
            <ul className="send-versions">
              {versions.map((v) => (
                <li key={v.number}>
                  <b>Version {v.number}</b> {v.sentWords}, by {v.sentBy}
                  {v.changeNote && <span>: {v.changeNote}</span>}
                </li>
              ))}
            </ul>
            <p className="soft small">A sent version never changes; a correction goes out as the next one.</p>
          </>
        )}
      </section>
      <Dialog
        open={asking}
        title={next > 1 ? `Send version ${next}?` : 'Send this session?'}
        okText={`Send to ${people} ${people === 1 ? 'person' : 'people'}`}
        busy={busy}
        onCancel={() => setAsking(false)}
        onOk={() => void send()}
      >
        <p>
          {planned.sheet.title}, for {words}: it opens on each person’s page at {releaseTime} of their own clock. No
          message goes out. Once it is sent it can’t be changed, only followed by a newer version.
        </p>
        {next > 1 && (
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
        )}
      </Dialog>
    </div>
  );
}
