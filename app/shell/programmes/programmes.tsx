import { UNREAD_TITLE } from '../../../core/session/session-title.ts';
import { hasAtMost } from '../../../core/letters.ts';
import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { data, Link, redirect, useSubmit } from 'react-router';
import { array, number, object, string } from 'yup';
import type { DayDate } from '../../../core/calendar/day.ts';
import { addDays, formatDay, formatShortDay, mondayOf, parseDayDate } from '../../../core/calendar/day.ts';
import { countSessions } from '../../../core/progress/week/count-sessions.ts';
import { EXAMPLES, findExample } from '../../../core/progress/examples/examples.ts';
import { pictureWeeks } from '../../../core/progress/week/weeks-picture.ts';
import { plural } from '../../../core/words/words.ts';
import { insertProgramme } from '../../../db/queries/plan.ts';
import { deleteProgramme, listDaysByProgramme, listProgrammes } from '../../../db/queries/programme.ts';
import { deleteTemplate } from '../../../db/queries/template.ts';
import { readChoices, rememberChoices } from '../../../server/shell/new-choices.ts';
import { programmeToStartFrom } from '../../../server/shell/start-programme.ts';
import { note } from '../../../server/doors/audit.ts';
import { coachForm, withCoach } from '../../../server/doors/coach-scope.ts';
import { BODY_BYTES } from '../../../server/http/limits/limits.ts';
import { coachToday } from '../../../server/doors/coach-zone.ts';
import { nowMs } from '../../../server/config.ts';
import { yupErrors } from '../../../server/participant/log-form.ts';
import { loadWorkspaceBook } from '../../../server/write/workspace-book.ts';
import { planText } from '../../../server/write/session-view.ts';
import { listPicturedTemplates } from '../../../server/shell/template-pictures.ts';
import { CoachHead } from '../coach-head.tsx';
import { FirstProgramme, NewProgramme } from './new-programme.tsx';
import type { ProgrammeStart } from './start-card.tsx';
import { StartPicture } from './start-card.tsx';
import { spineDays, usualDay } from '../spine-days.ts';
import type { SpineDay } from '../spine.tsx';
import { Spine, STATE_LABEL } from '../spine.tsx';
import { formId, formLines, formText } from '../../../server/http/form-text.ts';
import type { Route } from './+types/programmes';
import { lastDate } from '../../../core/calendar/release.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Programmes · Ysodos' }];

export async function loader({ request }: Route.LoaderArgs) {
  return withCoach(request, async (db) => {
    const today = coachToday(request);
    const programmes = await listProgrammes(db, new Date(nowMs()));
    const book = await loadWorkspaceBook(db);
    const byProgramme = await listDaysByProgramme(
      db,
      programmes.map((p) => p.runId),
    );
    const withDays = programmes.map((programme) => {
      const own = byProgramme.get(programme.id) ?? [];
      const days = spineDays(programme, own, today, (text) => planText(text, book));
      return {
        ...programme,
        days,
        usualDay: usualDay(days),
        starts: formatShortDay(programme.startsOn),
        ends: formatShortDay(lastDate(programme.run.rules, programme.weeks)),
        ...countSessions(own),
        canDelete: programme.people === 0 && own.every((d) => d.sent === null),
        doors: nextDoors(days),
      };
    });
    const planOf = (text: string) => planText(text, book);
    const examples = Object.entries(EXAMPLES).map(([id, { title, about }]): ProgrammeStart => ({
      from: `example:${id}`,
      title,
      about,
      picture: pictureWeeks(findExample(id)!, planOf),
    }));
    const templates = (await listPicturedTemplates(db, book)).map(({ id, title, picture }) => ({
      id,
      start: {
        from: `template:${id}`,
        title,
        about: picture ? 'Your template.' : 'Your template; a part of it can’t be read any more.',
        picture,
      } satisfies ProgrammeStart,
    }));
    return {
      programmes: withDays,
      nextMonday: addDays(mondayOf(today), 7),
      choices: readChoices(request),
      templates,
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

export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.programme);
  if (formText(form, 'intent') === 'delete-template') {
    await withCoach(request, (db) => deleteTemplate(db, formId(form, 'template')));
    return data({ errors: {} });
  }
  if (formText(form, 'intent') === 'delete-programme') {
    const isGone = await withCoach(request, async (db, coach) => {
      const title = await deleteProgramme(db, formId(form, 'programme'));
      if (title !== undefined) await note(db, coach, 'programme-deleted', { detail: title });
      return title !== undefined;
    });
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
  const startsOn = values.startsOn as DayDate;
  const choices = { weeks: Number(values.weeks), weekdays: values.weekdays, lighterEvery: values.lighterEvery };
  const answer = await withCoach(request, async (db, coach) => {
    const start = await programmeToStartFrom(db, from, {
      ...choices,
      startsOn,
      document: formLines(form, 'document'),
    });
    if ('message' in start) return start;
    const title = values.title.trim() || start.programme.title || `Programme from ${formatDay(startsOn)}`;
    return {
      id: await insertProgramme(db, {
        workspaceId: coach.workspaceId,
        programme: { ...start.programme, title },
        startsOn,
        now: new Date(nowMs()),
      }),
    };
  });
  if (!('id' in answer)) return data({ errors: { from: answer.message } }, { status: 400 });
  return redirect(`/programmes/${answer.id}/plan`, from === 'empty' ? { headers: rememberChoices(choices) } : {});
}

export default function Programmes({ loaderData, actionData }: Route.ComponentProps) {
  const errors: Record<string, string> = actionData?.errors ?? {};
  const [from, setFrom] = useState<string>();
  const submit = useSubmit();
  const { programmes, nextMonday, choices, templates, examples } = loaderData;
  const starts = [...examples, ...templates.map((t) => t.start)];
  const remove = (fields: Record<string, string>) => void submit(fields, { method: 'post' });
  if (programmes.length === 0)
    return (
      <>
        <CoachHead />
        <main id="main" className="page">
          <div className="page-title">
            <h1>Your first programme</h1>
            <p className="soft">
              A programme is weeks of days, each with a session. Choose when it begins and on which days, or start from
              one that is whole; everything can be changed later.
            </p>
          </div>
          <FirstProgramme from="empty" starts={starts} nextMonday={nextMonday} choices={choices} />
        </main>
      </>
    );
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
        {programmes.map((p) => (
          <section key={p.id} className="programme-row" aria-label={p.title}>
            <h2>
              <Link to={`/programmes/${p.id}/plan`}>{p.title}</Link>
            </h2>
            <p className="soft">
              {p.starts} to {p.ends} · {plural(p.sessions, 'session')}
              {p.toWrite > 0 && `, ${p.toWrite} to write`} · {plural(p.people, 'person', 'people')}
              {p.canDelete && (
                <Popconfirm
                  title={`Delete “${p.title}”, with all its sessions?`}
                  description="It can’t be had back. To keep it, export it or save it as a template first."
                  okText="Delete"
                  cancelText="Don’t delete"
                  onConfirm={() => remove({ intent: 'delete-programme', programme: String(p.id) })}
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
            <Spine
              days={p.days}
              selected={undefined}
              label={`Days of ${p.title}`}
              linkTo={(key) => `/programmes/${p.id}/write/${key}`}
            />
          </section>
        ))}
        <section className="starts" aria-label="To start from">
          <h2>To start from</h2>
          <ul className="start-list">
            {examples.map((e) => (
              <li key={e.from}>
                <button type="button" className="start-card" onClick={() => setFrom(e.from)}>
                  <StartPicture start={e} />
                </button>
              </li>
            ))}
            {templates.map(({ id, start }) => (
              <li key={id}>
                <button type="button" className="start-card" onClick={() => setFrom(start.from)}>
                  <StartPicture start={start} />
                </button>
                <Popconfirm
                  title={`Delete the template “${start.title}”?`}
                  description="It can’t be had back. Programmes that started from it stay."
                  okText="Delete"
                  cancelText="Don’t delete"
                  onConfirm={() => remove({ intent: 'delete-template', template: String(id) })}
                >
                  <button type="button" className="tool" aria-label={`Delete the template ${start.title}`}>
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
            choices={choices}
            starts={starts}
          />
        )}
      </main>
    </>
  );
}
