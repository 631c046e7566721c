import type pg from 'pg';
import { data, redirect } from 'react-router';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import { closeDoors, insertPersonalLink, insertPersonalLinks } from '../../db/queries/doors/link.ts';
import { deletePerson } from '../../db/queries/own.ts';
import type { Participant } from '../../db/queries/person.ts';
import { deleteParticipants, listParticipants, updateProfile, usualChannel } from '../../db/queries/person.ts';
import { note, noteOfPeople } from '../doors/audit.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import { notFound } from '../doors/coach-scope.ts';
import { hashToken, makeToken } from '../doors/token.ts';
import { formId, formText } from '../http/form-text.ts';
import { parseId } from '../http/parse-number.ts';
import { decideSend } from '../send/send-decision.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import type { MadeLink } from './panel-person.ts';
import { changeDays } from './people-days.ts';
import { readProfileForm } from './profile-form.ts';

export interface PeopleAnswer {
  errors: Record<string, string>;
  kept?: number;
  made?: MadeLink[];
}

export const answer = (a: PeopleAnswer, status = 200) => data(a, { status });

/** What a step of the page People needs. */
interface Step {
  readonly db: pg.PoolClient;
  readonly coach: SignedInCoach;
  readonly programme: ProgrammeScope['programme'];
  readonly people: readonly Participant[];
  readonly form: FormData;
  readonly now: Date;
}

/** Links, what fits them, their days, who goes: one step of the page People. */
export async function changePeople(
  db: pg.PoolClient,
  { coach, programme }: ProgrammeScope,
  form: FormData,
  intent: string,
  now: Date,
) {
  const people = await listParticipants(db, programme.runId);
  const step: Step = { db, coach, programme, people, form, now };
  return decideSend(db, { ...coach, runIds: [programme.runId] }, form, () =>
    intent === 'links' ? linkAll(step) : intent === 'remove' ? removePeople(step) : changePerson(step, intent),
  );
}

/** A link for everybody who has none. */
async function linkAll({ db, coach, programme, people, now }: Step) {
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

/** Takes people out of the run; with what they logged where that was asked for. */
async function removePeople({ db, coach, programme, people, form }: Step) {
  const own = new Set(people.map((p) => p.enrolmentId));
  const ids = form.getAll('enrolmentId').flatMap((id) => parseId(id) ?? []);
  if (ids.length === 0 || ids.some((id) => !own.has(id))) return notFound();
  const personIdsOf = (some: readonly number[]) =>
    people.flatMap((p) => (some.includes(p.enrolmentId) ? [p.personId] : []));
  if (formText(form, 'with-records') === 'yes') {
    const personIds = personIdsOf(ids);
    await noteOfPeople(db, coach, 'person-deleted', { personIds, programmeId: programme.id });
    for (const personId of personIds) await deletePerson(db, personId);
    return redirect(`/programmes/${programme.key}/people`);
  }
  const gone = await deleteParticipants(db, ids);
  await noteOfPeople(db, coach, 'person-removed', { personIds: personIdsOf(gone), programmeId: programme.id });
  if (gone.length === ids.length) return redirect(`/programmes/${programme.key}/people`);
  const why =
    'Who has logged a session stays by this. Open them to remove them with what they logged, or revoke their link.';
  return answer({ errors: { form: why } }, 409);
}

/** One person's fit, days or link. */
async function changePerson(step: Step, intent: string) {
  const { db, coach, programme, people, form, now } = step;
  const enrolmentId = formId(form, 'enrolmentId');
  const person = people.find((p) => p.enrolmentId === enrolmentId);
  if (!person) return notFound();
  if (intent === 'profile') return keepProfile(step, person);
  const about = { personId: person.personId, programmeId: programme.id };
  const days = await changeDays(db, coach.workspaceId, person, intent, form);
  if (days?.error !== undefined) return answer({ errors: { absence: days.error } }, 400);
  if (days) {
    await note(db, coach, 'person-changed', { ...about, detail: 'their days' });
    return answer({ errors: {} });
  }
  if (intent === 'link') {
    const token = makeToken();
    const { workspaceId } = coach;
    await insertPersonalLink(db, { workspaceId, personId: person.personId, tokenHash: hashToken(token), now });
    await note(db, coach, 'person-link', about);
    return answer({ errors: {}, made: [{ name: person.name, path: `/p/${token}` }] });
  }
  if (intent === 'revoke') {
    await closeDoors(db, person.personId, now);
    await note(db, coach, 'person-revoked', about);
    return answer({ errors: {} });
  }
  return answer({ errors: { form: 'That is no step of this page; load it again.' } }, 400);
}

async function keepProfile({ db, coach, programme, form }: Step, person: Participant) {
  const read = await readProfileForm(form, (await loadWorkspaceBook(db)).library);
  if (read.status === 'error') return answer({ errors: read.errors }, 400);
  const { address } = read.change;
  // Where a new address is written, messages go there.
  const isNew = address !== undefined && address !== person.profile.address;
  await updateProfile(db, person.enrolmentId, {
    ...read.change,
    ...(isNew && { channel: usualChannel(address), addressState: 'given' as const }),
  });
  const about = { personId: person.personId, programmeId: programme.id };
  await note(db, coach, 'person-changed', { ...about, detail: 'what fits them' });
  return answer({ errors: {}, kept: person.enrolmentId });
}
