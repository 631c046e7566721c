import type pg from 'pg';
import { hasAtMost } from '../../core/letters.ts';
import { data } from 'react-router';
import { array, number, object, string } from 'yup';
import type { DayDate } from '../../core/calendar/day.ts';
import { formatDay, parseDayDate } from '../../core/calendar/day.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { deleteProgramme } from '../../db/queries/programme.ts';
import { deleteTemplate } from '../../db/queries/template.ts';
import { programmeToStartFrom } from './start-programme.ts';
import { note } from '../doors/audit.ts';
import { nowMs } from '../config.ts';
import { yupErrors } from '../participant/log-form.ts';
import { formId, formLines, formText } from '../http/form-text.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
const schema = object({
  title: string().trim().test('letters', 'A title has at most 120 letters.', hasAtMost(120)),
  startsOn: string()
    .required('Say when it begins.')
    .test('date', 'That is no date.', (v) => parseDayDate(v) !== undefined),
  from: string(),
  weeks: number().when('from', {
    is: 'empty',
    then: (s) =>
      s
        .typeError('Say how many weeks.')
        .integer('Whole weeks, please.')
        .min(1, 'At least one week.')
        .max(52, 'At most 52 weeks.')
        .required('Say how many weeks.'),
  }),
  lighterEvery: number()
    .typeError('Say every how many weeks.')
    .integer('Whole weeks, please.')
    .min(0, 'No fewer than none.')
    .max(52, 'At most every 52nd week.'),
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
