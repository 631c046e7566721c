import { Button, Checkbox, Form as AntForm, Input, InputNumber } from 'antd';
import { useState } from 'react';
import { data, Link, redirect, useActionData, useNavigation, useSubmit } from 'react-router';
import { array, number, object, string } from 'yup';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays, formatShortDay, mondayOf, parseDayDate, WEEKDAYS } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { listDaysByProgramme, listProgrammes } from '../../db/queries/programme.ts';
import { withCoach } from '../../server/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { yupErrors } from '../../server/log-form.ts';
import { loadWorkspaceBook } from '../../server/workspace-book.ts';
import { planText } from '../../server/session-view.ts';
import { CoachHead } from '../components/coach-head.tsx';
import { Dialog } from '../components/dialog.tsx';
import { spineDays, usualDay } from '../components/spine-days.ts';
import type { SpineDay } from '../components/spine.tsx';
import { Spine } from '../components/spine.tsx';
import { formText } from '../../server/form-text.ts';
import type { Route } from './+types/programmes';

export const meta: Route.MetaFunction = () => [{ title: 'Programmes · Ysodos' }];

export async function loader({ request }: Route.LoaderArgs) {
  return withCoach(request, async (db) => {
    const today = localDate(nowMs(), 'UTC');
    const programmes = await listProgrammes(db);
    const book = await loadWorkspaceBook(db);
    const byProgramme = await listDaysByProgramme(db);
    const withDays = programmes.map((programme) => {
      const days = spineDays(programme, byProgramme.get(programme.id) ?? [], today, (text) => planText(text, book));
      return {
        ...programme, days, usualDay: usualDay(days), starts: formatShortDay(programme.startsOn), ends: formatShortDay(addDays(programme.startsOn, programme.weeks * 7 - 1)),
        sessions: days.filter((d) => d.state !== 'none').length, toWrite: days.filter((d) => d.state === 'empty').length, doors: nextDoors(days),
      };
    });
    return { programmes: withDays, nextMonday: addDays(mondayOf(today), 7) };
  });
}

/** What a coach most likely came for: today's session, the next to send, the next to write. */
function nextDoors(days: readonly SpineDay[]): { label: string; stage: 'write' | 'send'; key: string; words: string }[] {
  const name = (d: SpineDay) => `${d.title || 'no title yet'}, ${d.words}`;
  const ahead = days.filter((d) => !d.isPast);
  const today = days.find((d) => d.isToday && d.state !== 'none');
  const toSend = ahead.find((d) => d.state === 'ready');
  const toWrite = ahead.find((d) => d.state === 'empty');
  return [
    ...(today ? [{ label: 'Today', stage: 'send' as const, key: today.key, words: today.title || 'no title yet' }] : []),
    ...(toSend ? [{ label: 'Ready to send', stage: 'send' as const, key: toSend.key, words: name(toSend) }] : []),
    ...(toWrite ? [{ label: 'Next to write', stage: 'write' as const, key: toWrite.key, words: toWrite.words }] : []),
  ];
}

const schema = object({
  title: string().trim().required('Give it a title.').max(120, 'A title has at most 120 letters.'),
  weeks: number().typeError('Say how many weeks.').integer('Whole weeks, please.').min(1, 'At least one week.').max(52, 'At most 52 weeks.').required('Say how many weeks.'),
  startsOn: string().required('Say when it starts.').test('monday', 'A programme starts on a Monday.', (v) => {
    const date = parseDayDate(v);
    return date !== undefined && mondayOf(date) === date;
  }),
  weekdays: array(number().min(1).max(7).required()).min(1, 'Choose at least one day of the week.').required(),
});

export async function action({ request }: Route.ActionArgs) {
  const form = await request.formData();
  const values = { title: formText(form, 'title'), weeks: formText(form, 'weeks'), startsOn: formText(form, 'startsOn'), weekdays: form.getAll('weekdays').map(Number) };
  const errors = await yupErrors(schema, values);
  if (Object.keys(errors).length > 0) return data({ errors, values }, { status: 400 });
  const id = await withCoach(request, (db, coach) => insertProgramme(db, {
    workspaceId: coach.workspaceId, programme: emptyProgramme({ title: values.title.trim(), weeks: Number(values.weeks), weekdays: values.weekdays }), startsOn: values.startsOn as DayDate, now: new Date(nowMs()),
  }));
  return redirect(`/programmes/${id}/plan`);
}

export default function Programmes({ loaderData }: Route.ComponentProps) {
  const [open, setOpen] = useState(false);
  const { programmes, nextMonday } = loaderData;
  return (
    <>
      <CoachHead />
      <main id="main" className="page">
        <div className="page-title">
          <h1>Programmes</h1>
          <Button type="primary" onClick={() => setOpen(true)}>New programme</Button>
        </div>
        {programmes.length === 0 && <p className="empty">Nothing is planned yet. A programme is weeks of days; give the first one a title and its days of the week, and write from there.</p>}
        {programmes.map((p) => (
          <section key={p.id} className="programme-row">
            <h2><Link to={`/programmes/${p.id}/plan`}>{p.title}</Link></h2>
            <p className="soft">{p.starts} to {p.ends} · {p.sessions} sessions{p.toWrite > 0 && `, ${p.toWrite} to write`} · {p.people} {p.people === 1 ? 'person' : 'people'}</p>
            <ul className="programme-doors">
              {p.doors.map((door) => <li key={door.label}><span className="soft">{door.label}</span> <Link to={`/programmes/${p.id}/${door.stage}/${door.key}`}>{door.words}</Link></li>)}
            </ul>
            <Spine days={p.days} selected={undefined} linkTo={(key) => `/programmes/${p.id}/write/${key}`} />
          </section>
        ))}
        <NewProgramme open={open} onClose={() => setOpen(false)} nextMonday={nextMonday} />
      </main>
    </>
  );
}

interface NewValues { title: string; weeks: number; startsOn: string; weekdays: number[] }

function NewProgramme({ open, onClose, nextMonday }: { open: boolean; onClose: () => void; nextMonday: string }) {
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const answer = useActionData<typeof action>();
  const [form] = AntForm.useForm<NewValues>();
  const errors: Record<string, string> = answer?.errors ?? {};
  const onFinish = (v: NewValues) => {
    const body = new FormData();
    body.set('title', v.title ?? '');
    body.set('weeks', String(v.weeks ?? ''));
    body.set('startsOn', v.startsOn ?? '');
    for (const day of v.weekdays ?? []) body.append('weekdays', String(day));
    void submit(body, { method: 'post' });
  };
  const help = (name: keyof NewValues) => (errors[name] ? { validateStatus: 'error' as const, help: errors[name] } : {});
  return (
    <Dialog open={open} title="New programme" okText="Make it" onCancel={onClose} onOk={() => form.submit()} busy={busy}>
      <AntForm form={form} layout="vertical" onFinish={onFinish} initialValues={{ weeks: 4, startsOn: nextMonday, weekdays: [1, 3, 5] }} requiredMark={false}>
        <AntForm.Item name="title" label="Title" {...help('title')}><Input maxLength={120} autoComplete="off" /></AntForm.Item>
        <div className="two-fields">
          <AntForm.Item name="weeks" label="Weeks" {...help('weeks')}><InputNumber min={1} max={52} /></AntForm.Item>
          <AntForm.Item name="startsOn" label="Starts on a Monday" {...help('startsOn')}><Input type="date" /></AntForm.Item>
        </div>
        <AntForm.Item name="weekdays" label="Sessions on" {...help('weekdays')}>
          <Checkbox.Group options={WEEKDAYS.map((w, i) => ({ label: w.slice(0, 3), value: i + 1 }))} />
        </AntForm.Item>
      </AntForm>
    </Dialog>
  );
}
