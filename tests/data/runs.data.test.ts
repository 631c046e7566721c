import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { SCREENING_QUESTIONS } from '../../core/screening.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

process.env.YSODOS_NOW = '2026-05-13T09:00:00Z';
const NOW = new Date('2026-05-13T09:00:00Z');
const PASSWORD = 'quiet feet';
const TEXT = 'Title: Łódź legs\nMain: 3 rounds\n10 squat\n8 push-up';

let db: ThrowawayDatabase;
let workspaceId: number;
let programmeId: number;
let cookie: string;

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
  const { hashPassword } = await import('../../server/doors/hash-password.ts');
  ({ workspaceId } = await makeWorkspace(db.owner, 'runs'));
  await db.owner.query('update coach set password_hash = $1', [await hashPassword(PASSWORD)]);
  programmeId = await withWorkspace(db.pool, workspaceId, async (c) => {
    const id = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 2, weekdays: [1, 3] }),
      startsOn: '2026-05-11' as DayDate,
      run: { title: 'Spring' },
      now: NOW,
    });
    const programme = await getProgramme(c, id, { now: NOW });
    for (const day of await listDays(c, programme)) {
      const revision = await updateDayText(c, { dayId: day.id, revision: 1, text: TEXT, now: NOW });
      await updateDayReady(c, { dayId: day.id, revision, isReady: true });
    }
    return id;
  });
  const { action } = await import('../../app/account/sign-in.tsx');
  const answer = await callRoute(action, '/sign-in', { form: { email: 'coach@runs.example.org', password: PASSWORD } });
  cookie = answer.setCookie!.split(';')[0]!;
}, 120_000);
afterAll(async () => {
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});

const run = async (form?: Record<string, string>, key = String(programmeId)) => {
  const { loader, action } = await import('../../app/send/run.tsx');
  return callRoute(form ? action : loader, `/programmes/${key}/run`, {
    params: { programmeId: key },
    cookie,
    ...(form && { form }),
  });
};
const send = async (day: string, key = String(programmeId), form?: Record<string, string>) => {
  const { loader, action } = await import('../../app/send/send.tsx');
  return callRoute(form ? action : loader, `/programmes/${key}/send/${day}`, {
    params: { programmeId: key, day },
    cookie,
    ...(form && { form }),
  });
};
const addPeople = async (form: Record<string, string>, key = String(programmeId)) => {
  const { action } = await import('../../app/people/new-people.ts');
  // Today's session goes to them: said with its number first, and decided.
  const asked = await callRoute(action, `/programmes/${key}/new-people`, {
    params: { programmeId: key },
    cookie,
    form,
  });
  if (asked.status !== 409) return asked;
  return callRoute(action, `/programmes/${key}/new-people`, {
    params: { programmeId: key },
    cookie,
    form: { ...form, leaving: 'send' },
  });
};

describe('a second run of a programme', () => {
  let autumn: string;
  test('has people and dates of its own; what is sent in one is not sent in the other', async () => {
    expect((await addPeople({ text: 'Ada, ada@example.org\nBruno' })).data).toMatchObject({ added: 2 });
    const made = await run({ intent: 'copy', title: 'Autumn', startsOn: '2026-09-02', people: 'yes' });
    expect(made.status).toBe(302);
    autumn = /programmes\/(\d+-\d+)\/run/.exec(made.location!)![1]!;
    expect((await run(undefined, autumn)).data).toMatchObject({
      run: { title: 'Autumn', rules: { startsOn: '2026-09-02' } },
      programme: { people: 2, key: autumn },
      canMove: true,
    });
    const { revision } = ((await send('w1d1')).data as { day: { revision: number } }).day;
    expect((await send('w1d1', String(programmeId), { revision: String(revision) })).status).toBe(302);
    expect((await send('w1d1')).data).toMatchObject({ day: { sentNumber: 1 }, name: 'Monday, week 1' });
    // The autumn's first day is a Wednesday.
    expect((await send('w1d1', autumn)).data).toMatchObject({
      day: { sentNumber: 0 },
      name: 'Wednesday, week 1',
      words: 'Wednesday 2 September',
    });
    expect((await run()).data).toMatchObject({ run: { title: 'Spring' }, canMove: false });
    expect((await run({ intent: 'settings', startsOn: '2026-05-18' })).data).toMatchObject({
      errors: { startsOn: expect.stringContaining('stays') as string },
    });
    expect((await run({ intent: 'settings', startsOn: '2026-09-09' }, autumn)).status).toBe(200);
  });

  test('people of both have one link; it opens the run that has begun, and names a day of the other', async () => {
    const { action } = await import('../../app/people/people.tsx');
    const made = await callRoute(action, '/x', {
      params: { programmeId: String(programmeId) },
      cookie,
      form: { intent: 'links' },
    });
    const token = (made.data as { made: { name: string; path: string }[] }).made[0]!.path.slice('/p/'.length);
    const again = await callRoute(action, '/x', { params: { programmeId: autumn }, cookie, form: { intent: 'links' } });
    expect(again.data).toMatchObject({ made: [] });
    const { loader } = await import('../../app/participant/today/today.tsx');
    expect((await callRoute(loader, `/p/${token}`, { params: { token } })).data).toMatchObject({
      programmeTitle: 'Mornings',
      // It is ready and its hour has come: it opens to them before a worker has come.
      session: { key: 'w1d3' },
    });
    const { loader: day } = await import('../../app/participant/today/day.tsx');
    const autumnRun = autumn.split('-')[1]!;
    expect((await callRoute(day, '/x', { params: { token, day: 'w1d1' } })).data).toMatchObject({
      session: { sheet: { title: 'Łódź legs' } },
    });
    expect((await callRoute(day, '/x', { params: { token, day: `r${autumnRun}-w1d1` } })).status).toBe(404);
    expect((await callRoute(day, '/x', { params: { token, day: 'r999999-w1d1' } })).status).toBe(404);
  });

  test('is held, ended, archived and brought back', async () => {
    for (const [intent, told] of [
      ['hold', 'Nothing goes out'],
      ['let-go', 'It goes on'],
      ['archive', 'Archived'],
      ['unarchive', 'It is back'],
    ] as const)
      expect((await run({ intent }, autumn)).data).toMatchObject({ told: expect.stringContaining(told) as string });
    expect((await run({ intent: 'end', endedOn: '2026-09-10' }, autumn)).data).toMatchObject({ errors: {} });
    expect((await run(undefined, autumn)).data).toMatchObject({ run: { endedOn: '2026-09-10' } });
    expect((await run(undefined, `${programmeId}-999999`)).status).toBe(404);
  });
});

test('a day on paper can be read again: title, numbers, letters of any alphabet that the font has', async () => {
  const { loader } = await import('../../app/send/sheet.ts');
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const read = async (path: string) => {
    const request = new Request(`http://127.0.0.1:4310${path}`, { headers: { cookie } });
    const response = await loader({
      request,
      params: { programmeId: String(programmeId), day: 'w1d1' },
      context: {},
    } as never);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    const pdf = await getDocument({ data: new Uint8Array(await response.arrayBuffer()), verbosity: 0 }).promise;
    const pages = await Promise.all(
      Array.from({ length: pdf.numPages }, async (_, i) => {
        const { items } = await (await pdf.getPage(i + 1)).getTextContent();
        return items.map((item) => ('str' in item ? item.str : '')).join(' ');
      }),
    );
    return pages;
  };
  const day = await read(`/programmes/${programmeId}/send/w1d1/sheet.pdf`);
  expect(day).toHaveLength(1);
  expect(day[0]).toContain('Łódź legs');
  expect(day[0]).toContain('10 squat');
  expect(day[0]).toContain('Monday 11 May, week 1');
  const week = await read(`/programmes/${programmeId}/send/w1d1/week.pdf`);
  expect(week).toHaveLength(2);
  expect(week[1]).toContain('Wednesday 13 May, week 1');
  expect(week[1]).toContain('2 of 2');
  // On the paper that the coach says is in the printer, for everybody; with a name that says what it is.
  const mediaOf = async () => {
    const request = new Request(`http://127.0.0.1:4310/programmes/${programmeId}/send/w1d1/sheet.pdf`, {
      headers: { cookie },
    });
    const params = { programmeId: String(programmeId), day: 'w1d1' };
    const response = await loader({ request, params, context: {} } as never);
    const media = /MediaBox \[([^\]]*)\]/.exec(Buffer.from(await response.arrayBuffer()).toString('latin1'))![1];
    return [media, response.headers.get('content-disposition')];
  };
  const name = 'inline; filename="Mornings, Monday, week 1, 2026-05-11.pdf"';
  expect(await mediaOf()).toEqual(['0 0 595.28 841.89', name]);
  expect((await send('w1d1', String(programmeId), { intent: 'paper', paper: 'letter' })).status).toBe(200);
  expect(await mediaOf()).toEqual(['0 0 612 792', name]);
  expect((await send('w1d1', String(programmeId), { intent: 'paper', paper: 'napkin' })).status).toBe(400);
  expect(await mediaOf()).toEqual(['0 0 612 792', name]);
  const page = await import('../../app/send/week.tsx');
  const paper = await callRoute(page.loader as never, `/programmes/${programmeId}/send/w1d1/week`, {
    cookie,
    params: { programmeId: String(programmeId), day: 'w1d1' },
  });
  expect((paper.data as { sessions: { above: string }[] }).sessions.map((s) => s.above)).toEqual([
    'Monday 11 May, week 1',
    'Wednesday 13 May, week 1',
  ]);
});

describe('who joins by the page', () => {
  const joinForm = (name: string, more: Record<string, string> = {}) => ({
    name,
    timeZone: 'Europe/Lisbon',
    channel: 'none',
    consent: 'yes',
    ...Object.fromEntries(SCREENING_QUESTIONS.map((_, i) => [`care-${i}`, 'no'])),
    ...more,
  });
  let code: string;
  const join = async (form?: Record<string, string>) => {
    const { loader, action } = await import('../../app/participant/doors/join.tsx');
    return callRoute(form ? action : loader, `/join/${code}`, { params: { code }, ...(form && { form }) });
  };

  test('of several who take the last place at once one gets it; closed or taken away, nobody does', async () => {
    await run({ intent: 'join', joinOpen: 'yes', joinLimit: '3', joinWords: 'Come in.' });
    code = ((await run()).data as { run: { join: { code: string } } }).run.join.code;
    expect((await join()).data).toMatchObject({ state: 'open', words: 'Come in.', sessions: 4, weeks: 2 });
    const answers = await Promise.all(['Cy', 'Di', 'Ed'].map((name) => join(joinForm(name))));
    expect(answers.map((a) => a.status).sort()).toEqual([302, 409, 409]);
    expect((await join()).data).toMatchObject({ state: 'full' });
    await run({ intent: 'join', joinLimit: '' });
    expect((await join()).data).toMatchObject({ state: 'closed' });
    expect((await join(joinForm('Fay'))).status).toBe(409);
    await run({ intent: 'join-off' });
    expect((await join()).status).toBe(404);
  });
});

test('what the clocks of a run say is kept and goes along with its copy; what is wrong is named and changes nothing', async () => {
  const clockOf = async (key?: string) => ((await run(undefined, key)).data as { run: { clock: unknown } }).run.clock;
  expect(await clockOf()).toEqual({ voice: 'all', warmUp: { words: '', film: '' } });
  const said = await run({
    intent: 'clock',
    voice: 'changes',
    warmUp: '  March,\nthen circle. ',
    warmUpFilm: 'https://example.org/f',
  });
  expect(said.status).toBe(200);
  const kept = { voice: 'changes', warmUp: { words: 'March,\nthen circle.', film: 'https://example.org/f' } };
  expect(await clockOf()).toEqual(kept);
  const wrong = await run({
    intent: 'clock',
    voice: 'loud',
    warmUp: 'x'.repeat(1001),
    warmUpFilm: 'javascript:alert(1)',
  });
  expect([wrong.status, Object.keys((wrong.data as { errors: object }).errors).sort()]).toEqual([
    400,
    ['voice', 'warmUp', 'warmUpFilm'],
  ]);
  expect(await clockOf()).toEqual(kept);
  const made = await run({ intent: 'copy', title: 'Once more', startsOn: '2026-06-01' });
  expect(await clockOf(/programmes\/(\d+-\d+)\/run/.exec(made.location!)![1])).toEqual(kept);
});

test(
  '5,000 people come in at once, each once; a second time their names are taken and nothing is half done',
  { timeout: 120_000 },
  async () => {
    const made = await run({ intent: 'copy', title: 'Many', startsOn: '2026-06-01' });
    const key = /programmes\/(\d+-\d+)\/run/.exec(made.location!)![1]!;
    const text = Array.from({ length: 5000 }, (_, i) => `Reader ${i},r${i}@example.org`).join('\n');
    const first = await addPeople({ text: `name,address\n${text}`, timeZone: 'UTC', joinedOn: '2026-06-01' }, key);
    if (first.status === 200) {
      expect(first.data).toMatchObject({ added: 5000 });
      const again = await addPeople({ text: `name,address\n${text}`, timeZone: 'UTC', joinedOn: '2026-06-01' }, key);
      expect(again.status).toBe(400);
      expect((await run(undefined, key)).data).toMatchObject({ programme: { people: 5000 } });
    } else
      expect(first.data).toMatchObject({
        error: expect.stringMatching(/at most|too (many|large)/i) as string,
        added: null,
      });
  },
);

test('the coach’s calendar of a run: every day, live ones at their hour, withdrawn ones cancelled under the same name', async () => {
  const { feed } = (await run({ intent: 'feed' })).data as { feed: string };
  const token = feed.slice('/calendar/'.length);
  const { loader } = await import('../../app/send/run-calendar.ts');
  const fetchFeed = async () => {
    const response = await loader({
      request: new Request(`http://127.0.0.1:4310${feed}`),
      params: { token },
      context: {},
    } as never);
    const events = new ICAL.Component(ICAL.parse(await response.text()) as never).getAllSubcomponents('vevent');
    return events.map((e) => ({
      uid: String(e.getFirstPropertyValue('uid')),
      status: String(e.getFirstPropertyValue('status')),
      sequence: Number(e.getFirstPropertyValue('sequence')),
      start: (e.getFirstPropertyValue('dtstart') as ICAL.Time).toJSDate().toISOString(),
      place: e.getFirstPropertyValue('location'),
    }));
  };
  const before = await fetchFeed();
  expect(before.map((e) => [e.start, e.status])).toEqual([
    ['2026-05-11T05:00:00.000Z', 'CONFIRMED'],
    ['2026-05-13T05:00:00.000Z', 'CONFIRMED'],
    ['2026-05-18T05:00:00.000Z', 'CONFIRMED'],
    ['2026-05-20T05:00:00.000Z', 'CONFIRMED'],
  ]);
  expect(
    (
      await send('w2d1', String(programmeId), {
        intent: 'live',
        isLive: 'yes',
        date: '2026-05-18',
        time: '18:00',
        timeZone: 'Europe/Lisbon',
        place: 'Hall 2',
      })
    ).status,
  ).toBe(200);
  await send('w1d1', String(programmeId), { intent: 'withdraw', note: 'wrong day' });
  const after = await fetchFeed();
  expect(after.map((e) => e.uid)).toEqual(before.map((e) => e.uid));
  expect(after[0]).toMatchObject({ status: 'CANCELLED', sequence: before[0]!.sequence + 1 });
  expect(after[2]).toMatchObject({
    start: '2026-05-18T17:00:00.000Z',
    place: 'Hall 2',
    sequence: before[2]!.sequence + 1,
  });
  await run({ intent: 'feed-off' });
  await expect(fetchFeed()).rejects.toMatchObject({ init: { status: 404 } });
});

test('a pause, an excused day, a lighter way back in, who has left: by the coach', async () => {
  const { loader, action } = await import('../../app/people/people.tsx');
  const key = String(programmeId);
  const { rows } = await db.owner.query<{ id: number }>(
    `select e.id from enrolment e join person p on p.id = e.person_id join run r on r.id = e.run_id where p.name = 'Bruno' and r.title = 'Spring'`,
  );
  const id = String(rows[0]!.id);
  const act = (form: Record<string, string>) =>
    callRoute(action, '/x', { params: { programmeId: key }, cookie, form: { enrolmentId: id, ...form } });
  const chosen = async () => {
    const address = `/programmes/${key}/people?person=${id}`;
    const { data } = await callRoute(loader, address, { params: { programmeId: key }, cookie });
    return (data as { chosen: Record<string, unknown> }).chosen;
  };
  expect((await act({ intent: 'away', from: '2026-05-10', to: '2026-05-01' })).data).toMatchObject({
    errors: { absence: 'It ends before it begins.' },
  });
  await act({ intent: 'away', from: '2026-05-01', to: '2026-05-12', kind: 'pause' });
  expect(await chosen()).toMatchObject({
    backAfter: 12,
    absences: [{ kind: 'pause', words: 'Friday 1 May to Tuesday 12 May' }],
  });
  await act({ intent: 'ease' });
  expect(await chosen()).toMatchObject({ backAfter: null, easedUntil: 'Tuesday 19 May' });
  await act({ intent: 'no-ease' });
  expect(await chosen()).toMatchObject({ backAfter: null, easedUntil: null });
  await act({ intent: 'away', from: '2026-06-01', kind: 'pause' });
  await act({ intent: 'left' });
  expect(await chosen()).toMatchObject({ hasLeft: true });
  await act({ intent: 'not-left' });
  expect(await chosen()).toMatchObject({ hasLeft: false });
  const absences = (await chosen()).absences as { id: number }[];
  for (const a of absences) await act({ intent: 'not-away', absence: String(a.id) });
  expect(await chosen()).toMatchObject({ absences: [] });
});
