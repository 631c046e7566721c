import { loadProgrammes } from '../../../server/shell/load-programmes.ts';
import { dropProgramme, dropTemplate, readStartForm, startProgramme } from '../../../server/shell/change-programmes.ts';
import { UNREAD_TITLE } from '../../../core/session/session-title.ts';
import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { data, Link, redirect, useSubmit } from 'react-router';
import { addDays, formatDay, mondayOf } from '../../../core/calendar/day.ts';
import { plural } from '../../../core/words/words.ts';
import { readChoices, rememberChoices } from '../../../server/shell/new-choices.ts';
import { coachForm, withCoach } from '../../../server/doors/coach-scope.ts';
import { BODY_BYTES } from '../../../server/http/limits/limits.ts';
import { coachToday } from '../../../server/doors/coach-zone.ts';
import { CoachHead } from '../coach-head.tsx';
import { FirstProgramme, NewProgramme } from './new-programme.tsx';
import { StartPicture } from './start-card.tsx';
import { TodayBoard } from './today-board.tsx';
import { spineDays, usualDay } from '../spine-days.ts';
import type { SpineDay } from '../spine.tsx';
import { Spine, STATE_LABEL } from '../spine.tsx';
import { formText } from '../../../server/http/form-text.ts';
import type { Route } from './+types/programmes';

export const meta: Route.MetaFunction = () => [{ title: 'Programmes · Ysodos' }];

export async function loader({ request }: Route.LoaderArgs) {
  const { programmes, planOf, ...starts } = await withCoach(request, loadProgrammes);
  const today = coachToday(request);
  return {
    ...starts,
    programmes: programmes.map(({ own, ...programme }) => {
      const days = spineDays(programme, own, today, planOf);
      return { ...programme, days, usualDay: usualDay(days), doors: nextDoors(days) };
    }),
    todayWords: formatDay(today),
    nextMonday: addDays(mondayOf(today), 7),
    choices: readChoices(request),
  };
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

export async function action({ request }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.programme);
  const intent = formText(form, 'intent');
  if (intent === 'delete-template') return withCoach(request, (db) => dropTemplate(db, form));
  if (intent === 'delete-programme') return withCoach(request, (db, coach) => dropProgramme(db, coach, form));
  const asked = await readStartForm(form);
  if (Object.keys(asked.errors).length > 0) return data({ errors: asked.errors }, { status: 400 });
  const answer = await withCoach(request, (db, coach) => startProgramme(db, coach, asked));
  if (!('id' in answer)) return data({ errors: { from: answer.message } }, { status: 400 });
  const headers = asked.from === 'empty' ? rememberChoices(asked.choices) : {};
  return redirect(`/programmes/${answer.id}/plan`, { headers });
}

export default function Programmes({ loaderData, actionData }: Route.ComponentProps) {
  const errors: Record<string, string> = actionData?.errors ?? {};
  const [from, setFrom] = useState<string>();
  const submit = useSubmit();
  const { programmes, nextMonday, choices, templates, examples, todayWords } = loaderData;
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
        {programmes.some((p) => p.people > 0) && <TodayBoard todayWords={todayWords} />}
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
                  <Button type="text" size="small" className="tool" aria-label={`Delete the programme ${p.title}`}>
                    delete
                  </Button>
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
                  <Button type="text" size="small" className="tool" aria-label={`Delete the template ${start.title}`}>
                    delete
                  </Button>
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
