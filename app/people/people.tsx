import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { data, Form, redirect, useActionData, useNavigation, useSubmit } from 'react-router';
import { seesHealth } from '../../core/coach-role.ts';
import { dayName, formatDay, formatShortDay, parseDayKey, weekdayOf } from '../../core/calendar/day.ts';
import { localDate, localTime } from '../../core/calendar/release.ts';
import { returnFromPause } from '../../core/calendar/absence.ts';
import { absenceWords } from '../../server/participant/me-changes.ts';
import { changeDays } from '../../server/people/people-days.ts';
import { SPARE_WORDS } from '../../core/movement/spare.ts';
import type { Participant, PersonProfile } from '../../db/queries/person.ts';
import { deleteParticipants, listParticipants, updateProfile, usualChannel } from '../../db/queries/person.ts';
import { closeDoors, insertPersonalLink, insertPersonalLinks } from '../../db/queries/doors/link.ts';
import { countLogged, deletePerson } from '../../db/queries/own.ts';
import { plural } from '../../core/words/words.ts';
import { listAbsences } from '../../db/queries/absence.ts';
import { note, noteOfPeople, noteRead } from '../../server/doors/audit.ts';
import { proveAgain } from '../../server/doors/prove-again.ts';
import { coachForm, notFound, requireRole, withProgramme } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { nowMs, publicUrl } from '../../server/config.ts';
import { hashToken, makeToken } from '../../server/doors/token.ts';
import { formId, formText } from '../../server/http/form-text.ts';
import { rosterDefaults } from '../../server/people/roster-defaults.ts';
import { readProfileForm } from '../../server/people/profile-form.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import { useWindowedRows } from '../parts/use-windowed-rows.ts';
import type { PanelPerson } from './panel-person.ts';
import type { Db } from '../../db/pool.ts';
import type { DayPlace } from '../../core/calendar/day.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { findDay } from '../../db/queries/programme.ts';
import { listRunDayStates } from '../../db/queries/run.ts';
import { listLiveReplies } from '../../db/queries/live.ts';
import type { RollPerson } from './live-roll.tsx';
import { LiveRoll } from './live-roll.tsx';
import { decideSend } from '../../server/send/send-decision.ts';
import { parseId } from '../../server/http/parse-number.ts';
import { AddPeople, FirstPeople } from './add-people.tsx';
import { packPeople, unpackPeople } from './packed-people.ts';
import type { LinkQuestion } from './person-row.tsx';
import { PersonRow } from './person-row.tsx';
import type { MadeLink } from './links-dialog.tsx';
import { LinksDialog } from './links-dialog.tsx';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import { HandOutLinks } from './hand-out-links.tsx';
import { asksProof, ProveAgain } from '../account/prove-again.tsx';
import { PersonPanel } from './person-panel.tsx';
import { Dialog } from '../parts/dialog.tsx';
import sendCss from '../send/send.css?url';
import type { Route } from './+types/people';

export const meta: Route.MetaFunction = () => [{ title: 'People · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: sendCss }];

/** Every row has its place; long words are cut, and whole in the person's own panel. */
const ROW_PX = 62;

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme, coach }) => {
    const canSee = seesHealth(coach.role);
    const people = await listParticipants(db, programme.runId);
    const chosen = people.find((p) => p.enrolmentId === parseId(new URL(request.url).searchParams.get('person')));
    if (chosen && canSee) noteRead(coach, chosen.personId);
    const now = nowMs();
    const clocks = new Map([...new Set(people.map((p) => p.timeZone))].map((zone) => [zone, localTime(now, zone)]));
    return {
      programmeId: programme.key,
      defaults: rosterDefaults(programme.startsOn, people, coachZone(request)),
      origin: publicUrl().origin,
      // One text for all: hundreds of small things cost more to encode one by one, here and on the page.
      packed: packPeople(
        people.map((p) => ({
          id: p.enrolmentId,
          name: p.name,
          detail: p.detail,
          timeZone: p.timeZone,
          address: p.profile.address,
          fit: canSee ? fitWords(p.profile) : '',
          isWaiting: canSee && p.profile.care === 'wait',
          joined: formatShortDay(p.joinedOn),
          isLate: p.joinedOn > programme.startsOn,
          hasLink: p.hasLink,
          isClosed: p.isClosed,
        })),
      ),
      clocks: Object.fromEntries(clocks),
      chosen: chosen && canSee ? await panelPerson(db, chosen) : null,
      roll: await liveRoll(db, programme, people, parseDayKey(new URL(request.url).searchParams.get('live') ?? '')),
      partly: !canSee ? [] : people.filter((p) => p.profile.isPartly).map((p) => p.name),
    };
  });
}

/** Who said what of a live day, and who came; null where it is none. */
async function liveRoll(db: Db, programme: Programme, people: readonly Participant[], place: DayPlace | undefined) {
  const day = place && (await findDay(db, programme, place.week, place.weekday));
  const state = day && (await listRunDayStates(db, programme.runId)).find((s) => s.dayId === day.id);
  if (!day || !state?.live) return null;
  const replies = new Map((await listLiveReplies(db, state.runDayId)).map((r) => [r.enrolmentId, r]));
  return {
    words: dayName(day, weekdayOf(programme.startsOn)),
    action: `/programmes/${programme.key}/send/w${day.week}d${day.weekday}`,
    people: people.map(({ enrolmentId, name }): RollPerson => {
      const reply = replies.get(enrolmentId);
      return { id: enrolmentId, name, answer: reply?.answer ?? null, came: reply?.came ?? false };
    }),
  };
}

async function panelPerson(db: Db, person: Participant): Promise<PanelPerson> {
  const { library } = await loadWorkspaceBook(db);
  const name = (id: string) => library.find(id)?.name ?? id;
  const swapWords = person.profile.swaps.map((s) => `${name(s.from)} -> ${name(s.to)}`).join('\n');
  const today = localDate(nowMs(), person.timeZone);
  const back = returnFromPause(person.absences, today);
  const isEased = person.easedUntil !== null && person.easedUntil >= today;
  return {
    enrolmentId: person.enrolmentId,
    name: person.name,
    detail: person.detail,
    timeZone: person.timeZone,
    profile: person.profile,
    swapWords,
    absences: (await listAbsences(db, person.enrolmentId)).map((a) => ({
      id: a.id,
      kind: a.kind,
      words: absenceWords(a),
    })),
    ownStart: person.startsOn === null ? null : formatDay(person.startsOn),
    hasLeft: person.leftOn !== null && person.leftOn <= today,
    backAfter: back && !isEased && person.easedUntil === null ? back.days : null,
    easedUntil: isEased ? formatDay(person.easedUntil) : null,
    today,
    logged: await countLogged(db, person.personId),
  };
}

/** Kit, things to spare and levels in a few words; only what differs from anyone. Empty where nothing does. */
function fitWords({ kit, spares, levels, swaps }: PersonProfile): string {
  const limits = Object.entries(levels).filter(([, level]) => level < 5);
  const levelWords =
    limits.length > 3
      ? `level ${Math.min(...limits.map(([, l]) => l))} and up`
      : limits.map(([pattern, level]) => `${pattern} ${level}`).join(', ');
  return [
    spares.map((s) => SPARE_WORDS[s]).join(', '),
    kit === undefined ? '' : kit.length === 0 ? 'no kit' : kit.join(', '),
    levelWords,
    swaps.length === 0 ? '' : `${swaps.length} ${swaps.length === 1 ? 'swap' : 'swaps'}`,
  ]
    .filter((w) => w !== '')
    .join(' · ');
}

interface PeopleAnswer {
  errors: Record<string, string>;
  kept?: number;
  made?: MadeLink[];
}
const answer = (a: PeopleAnswer, status = 200) => data(a, { status });

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const intent = formText(form, 'intent');
  const now = new Date(nowMs());
  if (intent === 'remove' && formText(form, 'with-records') === 'yes') {
    const unproved = await proveAgain(await requireRole(request), form);
    if (unproved) return answer({ errors: unproved }, 400);
  }
  return withProgramme(request, params.programmeId, async (db, { coach, programme }) => {
    const people = await listParticipants(db, programme.runId);
    return decideSend(db, { ...coach, runIds: [programme.runId] }, form, async () => {
      if (intent === 'links') {
        // To everybody who has none.
        const made = people.filter((p) => !p.hasLink && !p.isClosed).map((p) => ({ ...p, token: makeToken() }));
        await noteOfPeople(db, coach, 'person-link', {
          personIds: made.map((m) => m.personId),
          programmeId: programme.id,
        });
        await insertPersonalLinks(db, {
          workspaceId: coach.workspaceId,
          links: made.map((m) => ({ personId: m.personId, tokenHash: hashToken(m.token) })),
          now,
        });
        return answer({ errors: {}, made: made.map((m) => ({ name: m.name, path: `/p/${m.token}` })) });
      }
      if (intent === 'remove') {
        const own = new Set(people.map((p) => p.enrolmentId));
        const ids = form.getAll('enrolmentId').flatMap((id) => parseId(id) ?? []);
        if (ids.length === 0 || ids.some((id) => !own.has(id))) return notFound();
        if (formText(form, 'with-records') === 'yes') {
          const personIds = people.flatMap((p) => (ids.includes(p.enrolmentId) ? [p.personId] : []));
          await noteOfPeople(db, coach, 'person-deleted', { personIds, programmeId: programme.id });
          for (const personId of personIds) await deletePerson(db, personId);
          return redirect(`/programmes/${programme.key}/people`);
        }
        const gone = await deleteParticipants(db, ids);
        await noteOfPeople(db, coach, 'person-removed', {
          personIds: people.flatMap((p) => (gone.includes(p.enrolmentId) ? [p.personId] : [])),
          programmeId: programme.id,
        });
        return gone.length === ids.length
          ? redirect(`/programmes/${programme.key}/people`)
          : answer(
              {
                errors: {
                  form: 'Who has logged a session stays by this. Open them to remove them with what they logged, or revoke their link.',
                },
              },
              409,
            );
      }
      const enrolmentId = formId(form, 'enrolmentId');
      const person = people.find((p) => p.enrolmentId === enrolmentId);
      if (!person) return notFound();
      const about = { personId: person.personId, programmeId: programme.id };
      if (intent === 'profile') {
        const read = await readProfileForm(form, (await loadWorkspaceBook(db)).library);
        if (read.status === 'error') return answer({ errors: read.errors }, 400);
        const { address } = read.change;
        // Where a new address is written, messages go there.
        const isNew = address !== undefined && address !== person.profile.address;
        await updateProfile(db, person.enrolmentId, {
          ...read.change,
          ...(isNew && { channel: usualChannel(address), addressState: 'given' as const }),
        });
        await note(db, coach, 'person-changed', { ...about, detail: 'what fits them' });
        return answer({ errors: {}, kept: person.enrolmentId });
      }
      const days = await changeDays(db, coach.workspaceId, person, intent, form);
      if (days && days.error === undefined) await note(db, coach, 'person-changed', { ...about, detail: 'their days' });
      if (days)
        return answer(
          { errors: days.error === undefined ? {} : { absence: days.error } },
          days.error === undefined ? 200 : 400,
        );
      if (intent === 'link') {
        const token = makeToken();
        await insertPersonalLink(db, {
          workspaceId: coach.workspaceId,
          personId: person.personId,
          tokenHash: hashToken(token),
          now,
        });
        await note(db, coach, 'person-link', about);
        return answer({ errors: {}, made: [{ name: person.name, path: `/p/${token}` }] });
      }
      if (intent === 'revoke') {
        await closeDoors(db, person.personId, now);
        await note(db, coach, 'person-revoked', about);
        return answer({ errors: {} });
      }
      return answer({ errors: { form: 'That is no step of this page; load it again.' } }, 400);
    });
  });
}

/** What can't be undone is asked first. */
const QUESTIONS: Record<LinkQuestion['what'], { title: (name: string) => string; ok: string; says: string }> = {
  link: {
    title: (name) => `A new link for ${name}?`,
    ok: 'Make a new one',
    says: 'The one they have stops working, and those in messages sent so far.',
  },
  revoke: {
    title: (name) => `Revoke ${name}’s link?`,
    ok: 'Revoke it',
    says: 'Their page, their calendar and the links in their messages stop working at once, and no message goes to them until you make a new link.',
  },
  remove: {
    title: (name) => `Remove ${name} from this programme?`,
    ok: 'Remove',
    says: 'Their link stops working, and what is known of them here is gone.',
  },
};

export default function People({ loaderData }: Route.ComponentProps) {
  const { packed, origin, programmeId, defaults, clocks, chosen, partly } = loaderData;
  const people = useMemo(() => unpackPeople(packed), [packed]);
  const existing = useMemo(() => people.map((p) => p.name), [people]);
  const [adding, setAdding] = useState(false);
  const [justIn, setJustIn] = useState<readonly number[]>([]);
  const [wanted, setWanted] = useState('');
  const [shown, setShown] = useState<PeopleAnswer['made']>();
  const [asking, setAsking] = useState<LinkQuestion>();
  const actionData = useActionData<typeof action>();
  const result = unlessAsked(actionData);
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const leaving = useLeaving(actionData, (form) => void submit(form, { method: 'post' }), busy);
  const [seen, setSeen] = useState(result);
  if (result !== seen) {
    setSeen(result);
    if (result?.made) {
      setShown(result.made);
      setAdding(false);
    }
    if (!asksProof(result?.errors)) setAsking(undefined);
  }
  const missing = people.filter((p) => !p.hasLink && !p.isClosed).length;
  const list = useMemo(() => {
    const words = wanted.trim().toLowerCase();
    return people.filter((p) => `${p.name} ${p.detail} ${p.timeZone} ${p.address}`.toLowerCase().includes(words));
  }, [people, wanted]);
  const { attach, rows: rowsInSight, heightPx } = useWindowedRows(list.length, ROW_PX);
  const post = (values: Record<string, string>) => void submit(values, { method: 'post' });
  const loggedBy = (id: number) => (chosen?.enrolmentId === id ? chosen.logged : 0);
  const onUndo = (ids: readonly number[]) => {
    const form = new FormData();
    form.set('intent', 'remove');
    for (const id of ids) form.append('enrolmentId', String(id));
    void submit(form, { method: 'post' });
    setAdding(false);
    setJustIn([]);
  };
  const onLinks = () => {
    setAdding(false);
    post({ intent: 'links' });
  };
  return (
    <div className="people" onSubmitCapture={leaving.onSubmitCapture}>
      {leaving.dialog}
      <div className="page-title">
        <h1>People</h1>
        <p className="soft">
          {people.length === 0
            ? 'Nobody is in this programme yet.'
            : `${people.length} in this programme${missing > 0 ? `, ${missing} without a link` : ''}`}
        </p>
        <div className="follow-tools">
          {people.length > 0 && (
            <Input
              allowClear
              placeholder="Find a person"
              aria-label="Find a person"
              onChange={(e) => setWanted(e.target.value)}
            />
          )}
          <HandOutLinks programmeId={programmeId} missing={missing} origin={origin} isMain={false} />
          {people.length > 0 && (
            <Button type="primary" onClick={() => setAdding(true)}>
              Add people
            </Button>
          )}
        </div>
      </div>
      {loaderData.roll && <LiveRoll {...loaderData.roll} />}
      {justIn.length > 0 && people.length > 0 && (
        <p role="status">
          {justIn.length === 1 ? 'One person is' : `${justIn.length} people are`} in. Their links can be handed out now,
          or once the first session is sent.{' '}
          <button type="button" className="link" onClick={() => onUndo(justIn)}>
            Undo
          </button>
        </p>
      )}
      {partly.length > 0 && (
        <p className="notice bad" role="status">
          A part of what is stored of {partly.join(', ')} can’t be used and is passed by. Open them, look it through,
          and save it anew.
        </p>
      )}
      {people.length === 0 ? (
        <>
          <p className="empty">
            Write who takes part. Each gets a personal link instead of a password, and sessions open at their own hour.
          </p>
          <FirstPeople
            programmeId={programmeId}
            defaults={defaults}
            existing={existing}
            onLinks={onLinks}
            onUndo={onUndo}
            onAdded={setJustIn}
          />
        </>
      ) : (
        <div className={chosen ? 'people-columns' : ''}>
          <div className="people-list" role="table" aria-label="People" aria-rowcount={list.length + 1}>
            <div className="people-row people-head" role="row" aria-rowindex={1}>
              {['Name', 'Adaptations', 'Their clock', 'Joined', 'Personal link'].map((words) => (
                <span key={words} role="columnheader">
                  {words}
                </span>
              ))}
            </div>
            <div ref={attach} className="people-rows" role="rowgroup" style={{ height: heightPx }}>
              {rowsInSight.map(({ index, topPx }) => {
                const person = list[index]!;
                return (
                  <PersonRow
                    key={person.id}
                    person={person}
                    index={index}
                    topPx={topPx}
                    nowThere={clocks[person.timeZone]!}
                    isChosen={person.id === chosen?.enrolmentId}
                    onAsk={setAsking}
                    onMake={(id) => post({ intent: 'link', enrolmentId: String(id) })}
                  />
                );
              })}
            </div>
          </div>
          {chosen && (
            <PersonPanel
              person={chosen}
              errors={result?.errors ?? {}}
              onRemove={() => setAsking({ what: 'remove', id: chosen.enrolmentId, name: chosen.name })}
              isKept={result?.kept === chosen.enrolmentId}
              close="?"
            />
          )}
        </div>
      )}
      {result?.errors.form && (
        <p className="notice bad" role="alert">
          {result.errors.form}
        </p>
      )}
      {people.length > 0 && list.length === 0 && <p className="empty">Nobody is called that here.</p>}
      {shown && <LinksDialog made={shown} origin={origin} onClose={() => setShown(undefined)} />}
      <Dialog
        open={asking !== undefined}
        title={asking ? QUESTIONS[asking.what].title(asking.name) : ''}
        okText={asking ? QUESTIONS[asking.what].ok : ''}
        cancelText="Cancel"
        busy={busy}
        onCancel={() => setAsking(undefined)}
        onOk={() => {
          const form = document.querySelector<HTMLFormElement>('#remove-person');
          if (form) void submit(form);
          else if (asking) post({ intent: asking.what, enrolmentId: String(asking.id) });
        }}
      >
        {asking?.what === 'remove' && loggedBy(asking.id) > 0 ? (
          <Form method="post" id="remove-person" className="dialog-form" noValidate>
            <input type="hidden" name="intent" value="remove" />
            <input type="hidden" name="enrolmentId" value={asking.id} />
            <input type="hidden" name="with-records" value="yes" />
            <p>
              It goes for good, as if they had deleted themselves: their name, address and link,{' '}
              {plural(loggedBy(asking.id), 'session')} that they logged with numbers and words, what hurt, messages and
              notes about them, in every programme that they are in.
            </p>
            <p>
              What stays is without them: sums in letters that were sent. All other figures are counted anew from those
              who are left. They can have a copy of their data first, from their own page.
            </p>
            <ProveAgain errors={result?.errors} />
          </Form>
        ) : (
          <p>{asking && QUESTIONS[asking.what].says}</p>
        )}
      </Dialog>
      {adding && (
        <AddPeople
          programmeId={programmeId}
          defaults={defaults}
          existing={existing}
          onLinks={onLinks}
          onUndo={onUndo}
          onClose={() => setAdding(false)}
        />
      )}
    </div>
  );
}
