import { object } from 'yup';
import { firstError, words } from '../http/form-schema.ts';
import type pg from 'pg';
import { EASE_DAYS } from '../../core/calendar/absence.ts';
import { addDays, parseDayDate } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import type { Participant } from '../../db/queries/person.ts';
import { updatePlace } from '../../db/queries/person.ts';
import { deleteAbsence, endPause, insertAbsences } from '../../db/queries/absence.ts';
import { nowMs } from '../config.ts';
import { formLines, formText } from '../http/form-text.ts';
import { parseId } from '../http/parse-number.ts';

const awaySchema = object({ note: words(200, 'A note has at most 200 letters.') });

/** What a coach changes about someone's days; undefined where `intent` is nothing of the kind. */
export async function changeDays(
  db: pg.PoolClient,
  workspaceId: number,
  { enrolmentId, timeZone }: Participant,
  intent: string,
  form: FormData,
): Promise<{ readonly error?: string } | undefined> {
  const today = localDate(nowMs(), timeZone);
  switch (intent) {
    case 'away': {
      const from = parseDayDate(formText(form, 'from') || today);
      const toText = formText(form, 'to');
      const to = toText === '' ? null : parseDayDate(toText);
      const note = formLines(form, 'note').trim();
      if (!from || to === undefined) return { error: 'Say from which day to which, or leave the end open.' };
      if (to !== null && to < from) return { error: 'It ends before it begins.' };
      const wrong = await firstError(awaySchema, { note });
      if (wrong) return { error: wrong.message };
      const kind = formText(form, 'kind') === 'excused' ? 'excused' : 'pause';
      await insertAbsences(db, {
        workspaceId,
        enrolmentIds: [enrolmentId],
        absence: { kind, from, to },
        saidBy: 'coach',
        note,
        now: new Date(nowMs()),
      });
      return {};
    }
    case 'not-away':
      await deleteAbsence(db, enrolmentId, parseId(form.get('absence')) ?? 0);
      return {};
    case 'back':
      await endPause(db, enrolmentId, today);
      return {};
    case 'ease':
      await updatePlace(db, enrolmentId, { easedUntil: addDays(today, EASE_DAYS - 1) });
      return {};
    case 'no-ease':
      // Said no: the proposal doesn't come again.
      await updatePlace(db, enrolmentId, { easedUntil: addDays(today, -1) });
      return {};
    case 'left':
      await updatePlace(db, enrolmentId, { leftOn: today });
      return {};
    case 'not-left':
      await updatePlace(db, enrolmentId, { leftOn: null });
      return {};
    default:
      return undefined;
  }
}
