import { UNREAD_TITLE } from '../../core/session/session-title.ts';
import { hasAtMost } from '../../core/letters.ts';
import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { data, Link, redirect, useSubmit } from 'react-router';
import { array, number, object, string } from 'yup';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays, formatShortDay, mondayOf, parseDayDate } from '../../core/calendar/day.ts';
import { countSessions } from '../../core/progress/count-sessions.ts';
import { EXAMPLES } from '../../core/progress/examples/examples.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { deleteProgramme, listDaysByProgramme, listProgrammes } from '../../db/queries/programme.ts';
import { deleteTemplate, listTemplates } from '../../db/queries/template.ts';
import { programmeToStartFrom } from '../../server/start-programme.ts';
import { coachForm, withCoach } from '../../server/coach-scope.ts';
import { BODY_BYTES } from '../../server/limits.ts';
import { coachToday } from '../../server/coach-zone.ts';
import { nowMs } from '../../server/config.ts';
import { yupErrors } from '../../server/log-form.ts';
import { loadWorkspaceBook } from '../../server/workspace-book.ts';
import { planText } from '../../server/session-view.ts';
import { CoachHead } from '../components/coach-head.tsx';
import { NewProgramme } from '../components/new-programme.tsx';
import { spineDays, usualDay } from '../components/spine-days.ts';
import type { SpineDay } from '../components/spine.tsx';
import { Spine, STATE_LABEL } from '../components/spine.tsx';
import { formId, formText } from '../../server/form-text.ts';
import type { Route } from './+types/programmes';

export const meta: Route.MetaFunction = () => [{ title: 'Programmes · Ysodos' }];

export async function loader({ request }: Route.LoaderArgs) {
  return withCoach(request, async (db) => {
    const today = coachToday(request);
    const programmes = await listProgrammes(db);
    const book = await loadWorkspaceBook(db);
    const byProgramme = await listDaysByProgramme(db);
    const withDays = programmes.map((programme) => {
      const own = byProgramme.get(programme.id) ?? [];
      const days = spineDays(programme, own, today, (text) => planText(text, book));
      return {
        ...programme,
        days,
        usualDay: usualDay(days),
        starts: formatShortDay(programme.startsOn),
        ends: formatShortDay(addDays(programme.startsOn, programme.weeks * 7 - 1)),
        ...countSessions(own),
        canDelete: programme.people === 0 && own.every((d) => d.sent === null),
        doors: nextDoors(days),
      };
    });
    const examples = Object.entries(EXAMPLES).map(([id, e]) => ({
      from: `example:${id}`,
      title: e.title,
      about: e.about,
    }));
    return {
      programmes: withDays,
      nextMonday: addDays(mondayOf(today), 7),
      templates: await listTemplates(db),
      examples,
    };
  });
}

/** What a coach most likely came for: today's session, the next to send, the next to write. */
function nextDoors(
  days: readonly SpineDay[],
): { label: string; stage: 'write' | 'send'; key: string; words: string }[] {
  const name = (d: SpineDay) => `${d.title || UNREAD_TITLE}, ${d.words}`;
  const ahead = days.filter((d) => !d.isPast);
  const today = days.find((d) => d.isToday && d.state !== 'none');
  const toSend = ahead.find((d) => d.state === 'ready');
  const toWrite = ahead.find((d) => d.state === 'empty');
  return [
    ...(today
      ? [{ label: 'Today', stage: 'send' as const, key: today.key, words: today.title || STATE_LABEL[today.state] }]
      : []),
    ...(toSend ? [{ label: 'Ready to send', stage: 'send' as const, key: toSend.key, words: name(toSend) }] : []),
    ...(toWrite ? [{ label: 'Next to write', stage: 'write' as const, key: toWrite.key, words: toWrite.words }] : []),
  ];
}

const schema = object({
  title: string()
    .trim()
    .required('Give it a title.')
    .test('letters', 'A title has at most 120 letters.', hasAtMost(120)),
  startsOn: string()
    .required('Say when it starts.')
    .test('monday', 'A programme starts on a Monday.', (v) => {
      const date = parseDayDate(v);
      return date !== undefined && mondayOf(date) === date;
    }),
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

export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.programme);
  if (formText(form, 'intent') === 'delete-template') {
    await withCoach(request, (db) => deleteTemplate(db, formId(form, 'template')));
    return data({ errors: {} });
  }
  if (formText(form, 'intent') === 'delete-programme') {
    const isGone = await withCoach(request, (db) => deleteProgramme(db, formId(form, 'programme')));
    return isGone
      ? data({ errors: {} })
      : data(
          { errors: { programme: 'Someone is in that programme by now, or a session of it was sent; so it stays.' } },
          { status: 409 },
        );
  }
  const from = formText(form, 'from') || 'empty';
  const values = {
    title: formText(form, 'title'),
    weeks: from === 'empty' ? formText(form, 'weeks') : undefined,
    startsOn: formText(form, 'startsOn'),
    weekdays: form.getAll('weekdays').map(Number),
    from,
    lighterEvery: Number(formText(form, 'lighterEvery') || 0),
  };
  const errors = await yupErrors(schema, values);
  if (Object.keys(errors).length > 0) return data({ errors }, { status: 400 });
  const answer = await withCoach(request, async (db, coach) => {
    const start = await programmeToStartFrom(db, from, {
      weeks: Number(values.weeks),
      weekdays: values.weekdays,
      lighterEvery: values.lighterEvery,
      document: formText(form, 'document'),
    });
    if ('message' in start) return start;
    const programme = { ...start.programme, title: values.title.trim() };
    return {
      id: await insertProgramme(db, {
        workspaceId: coach.workspaceId,
        programme,
        startsOn: values.startsOn as DayDate,
        now: new Date(nowMs()),
      }),
    };
  });
  return 'id' in answer
    ? redirect(`/programmes/${answer.id}/plan`)
    : data({ errors: { from: answer.message } }, { status: 400 });
}

export default function Programmes({ loaderData, actionData }: Route.ComponentProps) {
  const errors: Record<string, string> = actionData?.errors ?? {};
  const [from, setFrom] = useState<string>();
  const submit = useSubmit();
  const { programmes, nextMonday, templates, examples } = loaderData;
  return (
    <>
      <CoachHead />
      <main id="main" className="page">
        <div className="page-title">
          <h1>Programmes</h1>
          <Button type="primary" onClick={() => setFrom('empty')}>
            New programme
          </Button>
        </div>
        {errors.programme && (
          <p className="plan-off" role="alert">
            {errors.programme}
          </p>
        )}
        {programmes.length === 0 && (
          <p className="empty">
            Nothing is planned yet. A programme is weeks of days; give the first one a title and its days of the week
            and write from there, or start from a whole one below.
          </p>
        )}
        {programmes.map((p) => (
          <section key={p.id} className="programme-row">
            <h2>
              <Link to={`/programmes/${p.id}/plan`}>{p.title}</Link>
            </h2>
            <p className="soft">
              {p.starts} to {p.ends} · {p.sessions} {p.sessions === 1 ? 'session' : 'sessions'}
              {p.toWrite > 0 && `, ${p.toWrite} to write`} · {p.people} {p.people === 1 ? 'person' : 'people'}
              {p.canDelete && (
                <Popconfirm
                  title={`Delete “${p.title}”, with all its sessions?`}
                  description="It can’t be had back. To keep it, take it out as a file or as a template first."
                  okText="Delete"
                  cancelText="Keep"
                  onConfirm={() =>
                    void submit({ intent: 'delete-programme', programme: String(p.id) }, { method: 'post' })
                  }
                >
                  {' '}
                  <button type="button" className="tool" aria-label={`Delete the programme ${p.title}`}>
                    delete
                  </button>
                </Popconfirm>
              )}
            </p>
            <ul className="programme-doors">
              {p.doors.map((door) => (
                <li key={door.label}>
                  <span className="soft">{door.label}</span>{' '}
                  <Link to={`/programmes/${p.id}/${door.stage}/${door.key}`}>{door.words}</Link>
                </li>
              ))}
            </ul>
            <Spine days={p.days} selected={undefined} linkTo={(key) => `/programmes/${p.id}/write/${key}`} />
          </section>
        ))}
        <section className="starts" aria-label="To start from">
          <h2>To start from</h2>
          <ul>
            {examples.map((e) => (
              <li key={e.from}>
                <b>{e.title}</b> <span className="soft">{e.about}</span>{' '}
                <button type="button" className="tool" onClick={() => setFrom(e.from)}>
                  start from it
                </button>
              </li>
            ))}
            {templates.map((t) => (
              <li key={t.id}>
                <b>{t.title}</b>{' '}
                <span className="soft">
                  Your template, {t.weeks} {t.weeks === 1 ? 'week' : 'weeks'}, {t.sessions}{' '}
                  {t.sessions === 1 ? 'session' : 'sessions'}.
                </span>{' '}
                <button type="button" className="tool" onClick={() => setFrom(`template:${t.id}`)}>
                  start from it
                </button>{' '}
                <Popconfirm
                  title={`Delete the template “${t.title}”?`}
                  okText="Delete"
                  cancelText="Keep"
                  onConfirm={() =>
                    void submit({ intent: 'delete-template', template: String(t.id) }, { method: 'post' })
                  }
                >
                  <button type="button" className="tool" aria-label={`Delete the template ${t.title}`}>
                    delete
                  </button>
                </Popconfirm>
              </li>
            ))}
          </ul>
        </section>
        {from !== undefined && (
          <NewProgramme
            key={from}
            from={from}
            onClose={() => setFrom(undefined)}
            nextMonday={nextMonday}
            starts={[
              ...examples.map((e) => ({ from: e.from, title: e.title })),
              ...templates.map((t) => ({ from: `template:${t.id}`, title: t.title })),
            ]}
          />
        )}
      </main>
    </>
  );
}
