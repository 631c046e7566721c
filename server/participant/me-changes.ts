import { WORTH_MS } from '../../core/calendar/spans.ts';
import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import type { Absence } from '../../core/calendar/absence.ts';
import { formatDay, parseDayDate } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import type { ProfileChange } from '../../db/queries/person.ts';
import { updatePlace, updateProfile } from '../../db/queries/person.ts';
import { endLinks, insertPersonalLink } from '../../db/queries/doors/link.ts';
import { deleteAbsence, endPause, insertAbsences, listAbsences } from '../../db/queries/absence.ts';
import { nowMs } from '../config.ts';
import { formText } from '../http/form-text.ts';
import { parseId } from '../http/parse-number.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import { hashToken, makeToken } from '../doors/token.ts';

/** `from Monday 11 May, until further notice`. */
export const absenceWords = ({ from, to }: Absence): string =>
  to === null
    ? `from ${formatDay(from)}, until further notice`
    : from === to
      ? formatDay(from)
      : `${formatDay(from)} to ${formatDay(to)}`;

/** Changes what someone says of themselves. A new address is asked whether it is theirs before anything else goes there. */
export async function changeMe(
  db: pg.PoolClient,
  { workspaceId, enrolment }: LinkScope,
  part: string,
  change: ProfileChange,
): Promise<void> {
  const { profile } = enrolment;
  const now = new Date(nowMs());
  if (part !== 'messages') return updateProfile(db, enrolment.enrolmentId, change);
  const address = change.address ?? profile.address;
  const { addressState: was, channel } = profile.contact;
  const isSame = address === profile.address && change.channel === channel;
  // Another address, another way, or one that was stopped: it begins anew.
  const addressState = isSame && (was === 'given' || was === 'confirmed') ? was : 'asked';
  await updateProfile(db, enrolment.enrolmentId, change.channel === 'none' ? change : { ...change, addressState });
  if (change.channel !== 'none' && change.channel !== undefined && addressState === 'asked')
    await insertMessage(db, {
      workspaceId,
      kind: 'confirm',
      channel: change.channel,
      address,
      personId: enrolment.personId,
      enrolmentId: enrolment.enrolmentId,
      runId: enrolment.runId,
      expiresAt: new Date(nowMs() + WORTH_MS.confirm),
      now,
      extra: { salt: randomUUID() },
    });
}

export interface PlaceAnswer {
  readonly error?: string;
  /** The address of a new calendar, shown this once. */
  readonly feed?: string;
}

/** Changes when someone's days are: pauses, excused days, weekdays, their calendar's address. Undefined where `part` is none of these. */
export async function changePlace(
  db: pg.PoolClient,
  { workspaceId, enrolment }: LinkScope,
  part: string,
  form: FormData,
): Promise<PlaceAnswer | undefined> {
  const { enrolmentId, personId, timeZone } = enrolment;
  const today = localDate(nowMs(), timeZone);
  const now = new Date(nowMs());
  switch (part) {
    case 'pause': {
      const from = parseDayDate(formText(form, 'from') || today);
      const toText = formText(form, 'to');
      const to = toText === '' ? null : parseDayDate(toText);
      if (!from || to === undefined) return { error: 'Say from which day to which, or leave the end open.' };
      if (from < today) return { error: 'A pause begins today or later.' };
      if (to !== null && to < from) return { error: 'It ends before it begins.' };
      if ((await listAbsences(db, enrolmentId)).length >= MOST_ABSENCES)
        return { error: 'There are very many already; take some away first.' };
      const kind = to !== null && to === from ? 'excused' : 'pause';
      await insertAbsences(db, {
        workspaceId,
        enrolmentIds: [enrolmentId],
        absence: { kind, from, to },
        saidBy: 'person',
        note: '',
        now,
      });
      return {};
    }
    case 'back':
      await endPause(db, enrolmentId, today);
      return {};
    case 'absence-off': {
      const id = parseId(form.get('absence'));
      const mine = (await listAbsences(db, enrolmentId)).find((a) => a.id === id && a.saidBy === 'person');
      if (!mine) return { error: 'That was set by your coach.' };
      await deleteAbsence(db, enrolmentId, mine.id);
      return {};
    }
    case 'weekdays': {
      const weekdays = [...new Set(form.getAll('weekday').map(Number))].filter(
        (d) => Number.isInteger(d) && d >= 1 && d <= 7,
      );
      await updatePlace(db, enrolmentId, { weekdays: weekdays.length === 0 ? null : weekdays.sort((a, b) => a - b) });
      return {};
    }
    case 'calendar': {
      const token = makeToken();
      await insertPersonalLink(db, { workspaceId, personId, kind: 'calendar', tokenHash: hashToken(token), now });
      return { feed: `/p/${token}/calendar.ics` };
    }
    case 'calendar-off':
      await endLinks(db, personId, now, ['calendar']);
      return {};
    default:
      return undefined;
  }
}

const MOST_ABSENCES = 50;
