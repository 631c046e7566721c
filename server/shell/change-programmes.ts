import { MAX_WEEKS, formatDay } from '../../core/calendar/day.ts';
import { day, whole, words, yupErrors } from '../http/form-schema.ts';
import type pg from 'pg';
import { data } from 'react-router';
import { array, number, object, string } from 'yup';
import type { DayDate } from '../../core/calendar/day.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { deleteProgramme } from '../../db/queries/programme.ts';
import { deleteTemplate } from '../../db/queries/template.ts';
import { programmeToStartFrom } from './start-programme.ts';
import { note } from '../doors/audit.ts';
import { nowMs } from '../config.ts';
import { formId, formLines, formText } from '../http/form-text.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
const WEEKS = `Say how many weeks: a whole number from 1 to ${MAX_WEEKS}.`;

const schema = object({
  title: words(120, 'A title has at most 120 letters.'),
  startsOn: day('Say when it begins, on a day of the calendar.'),
  from: string(),
  weeks: number().when('from', {
    is: 'empty',
    then: () => whole(1, MAX_WEEKS, WEEKS).required(WEEKS),
  }),
  lighterEvery: whole(0, MAX_WEEKS, `Every how many weeks: a whole number up to ${MAX_WEEKS}, or 0 for none.`),
  weekdays: array(number().integer().min(1).max(7).required()).when('from', {
    is: 'empty',
    then: (s) => s.min(1, 'Choose at least one day of the week.').required(),
  }),
});

/** Deletes a template. */
export async function dropTemplate(db: pg.PoolClient, form: FormData) {
  await deleteTemplate(db, formId(form, 'template'));
  return data({ errors: {} });
}

/** Deletes a programme in which nobody is and of which nothing was sent; 409 otherwise. */
export async function dropProgramme(db: pg.PoolClient, coach: SignedInCoach, form: FormData) {
  const title = await deleteProgramme(db, formId(form, 'programme'));
  if (title === undefined)
    return data(
      { errors: { programme: 'Someone is in that programme by now, or a session of it was sent; so it stays.' } },
      { status: 409 },
    );
  await note(db, coach, 'programme-deleted', { detail: title });
  return data({ errors: {} });
}

/** What the form for a new programme says, with what is wrong in it by field. */
export async function readStartForm(form: FormData) {
  const from = formText(form, 'from') || 'empty';
  const values = {
    title: formText(form, 'title'),
    weeks: from === 'empty' ? formText(form, 'weeks') : undefined,
    startsOn: formText(form, 'startsOn'),
    weekdays: form.getAll('weekdays').map(Number),
    from,
    lighterEvery: Number(formText(form, 'lighterEvery') || 0),
  };
  return {
    errors: await yupErrors(schema, values),
    from,
    title: values.title.trim(),
    startsOn: values.startsOn as DayDate,
    choices: { weeks: Number(values.weeks), weekdays: values.weekdays, lighterEvery: values.lighterEvery },
    document: formLines(form, 'document'),
  };
}

/** Stores a new programme and gives its id; a message where what it should start from can't be read. */
export async function startProgramme(
  db: pg.PoolClient,
  coach: SignedInCoach,
  { from, title, startsOn, choices, document }: Awaited<ReturnType<typeof readStartForm>>,
) {
  const start = await programmeToStartFrom(db, from, { ...choices, startsOn, document });
  if ('message' in start) return start;
  return {
    id: await insertProgramme(db, {
      workspaceId: coach.workspaceId,
      programme: {
        ...start.programme,
        title: title || start.programme.title || `Programme from ${formatDay(startsOn)}`,
      },
      startsOn,
      now: new Date(nowMs()),
    }),
  };
}
