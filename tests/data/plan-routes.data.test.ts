import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { readBundle, unzipBundle } from '../../core/exchange/programme-bundle.ts';
import { parseProgramme } from '../../core/exchange/programme-json.ts';
import { formatProgramme } from '../../core/exchange/writing/write-programme.ts';
import { toEditsJson } from '../../core/exchange/writing/write-edits.ts';
import { findExample } from '../../core/progress/examples/examples.ts';
import type { ProgrammeEdit } from '../../core/progress/edit/programme-edit.ts';
import type { ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { placeDays, placingEdits } from '../../core/progress/edit/place-days.ts';
import { emptyProgramme, findProgrammeDay } from '../../core/progress/programme-document.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, insertVersion, listDays } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

process.env.YSODOS_NOW = '2026-05-13T09:00:00Z';
const NOW = new Date('2026-05-13T09:00:00Z');
const MONDAY = '2026-05-11' as DayDate;
const PASSWORD = 'slow hands';

let db: ThrowawayDatabase;
let workspaceId: number;
let coachId: number;
let cookie: string;
let othersId: number;

const insert = (into: number, programme: ProgrammeDocument) =>
  withWorkspace(db.pool, into, (c) => insertProgramme(c, { workspaceId: into, programme, startsOn: MONDAY, now: NOW }));
const make = (programme: ProgrammeDocument = findExample('stairs-and-stories')!) => insert(workspaceId, programme);

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
  const { hashPassword } = await import('../../server/doors/hash-password.ts');
  ({ workspaceId, coachId } = await makeWorkspace(db.owner, 'one'));
  const other = await makeWorkspace(db.owner, 'two');
  await db.owner.query('update coach set password_hash = $1', [await hashPassword(PASSWORD)]);
  othersId = await insert(other.workspaceId, findExample('stairs-and-stories')!);
  const { action } = await import('../../app/account/sign-in.tsx');
  cookie = (
    await callRoute(action, '/sign-in', { form: { email: 'coach@one.example.org', password: PASSWORD } })
  ).setCookie!.split(';')[0]!;
}, 120_000);
afterAll(async () => {
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});

const params = (id: number) => ({ programmeId: String(id) });
const load = async (id: number, as?: string) =>
  callRoute((await import('../../app/plan/plan.tsx')).loader, `/programmes/${id}/plan`, {
    params: params(id),
    ...(as !== 'nobody' && { cookie }),
  });
const planOf = async (id: number) =>
  (await load(id)).data as { programme: ProgrammeDocument; revision: number; undo: string | null; redo: string | null };
const post = async (id: number, form: Record<string, string>) =>
  callRoute((await import('../../app/plan/plan-change.ts')).action, `/programmes/${id}/plan/change`, {
    params: params(id),
    cookie,
    form,
  });
const change = async (id: number, edits: readonly ProgrammeEdit[] | string, over: Record<string, string> = {}) =>
  post(id, {
    intent: 'change',
    words: 'a change',
    revision: String((await planOf(id)).revision),
    edits: typeof edits === 'string' ? edits : toEditsJson(edits),
    ...over,
  });
const home = async (form?: Record<string, string | readonly string[]>, more = '') => {
  const { action, loader } = await import('../../app/shell/programmes/programmes.tsx');
  return callRoute(form ? action : loader, '/programmes', { cookie: `${cookie}; ${more}`, ...(form && { form }) });
};
const out = async (id: number, as: string): Promise<Response> => {
  const { loader } = await import('../../app/plan/out.ts');
  return await loader({
    request: new Request(`http://127.0.0.1/programmes/${id}/out?as=${as}`, { headers: { cookie } }),
    params: params(id),
  } as never);
};
const at = (week: number, weekday: number) => ({ week, weekday });

describe('the plan’s own address', () => {
  test('has all that the page draws; another workspace’s is a 404, and without signing in it leads there', async () => {
    const id = await make();
    expect(await planOf(id)).toMatchObject({
      programme: findExample('stairs-and-stories'),
      revision: expect.any(Number) as number,
      undo: null,
      redo: null,
    });
    expect((await load(othersId)).status).toBe(404);
    expect(await load(id, 'nobody')).toMatchObject({
      status: 302,
      location: expect.stringMatching(/^\/sign-in\?to=/) as string,
    });
  });

  test('a change is made, told, taken back and made again', async () => {
    const id = await make();
    const { revision } = await planOf(id);
    expect(
      await change(id, [{ kind: 'move-day', from: at(1, 1), to: at(2, 1) }], { words: '  Monday later  ' }),
    ).toMatchObject({ status: 200, data: { status: 'changed', revision: revision + 1, words: 'Monday later' } });
    expect(await planOf(id)).toMatchObject({ undo: 'Monday later', redo: null });
    expect(await post(id, { intent: 'undo' })).toMatchObject({ status: 200, data: { status: 'changed' } });
    expect(await planOf(id)).toMatchObject({
      undo: null,
      redo: 'Monday later',
      programme: findExample('stairs-and-stories'),
    });
    expect(await post(id, { intent: 'undo' })).toMatchObject({
      data: { status: 'refused', message: 'There is nothing to undo.' },
    });
  });
  test('days of a pasted plan are one change; what is taken back is this one, and not what came after it', async () => {
    const id = await make(emptyProgramme({ title: 'Pasted', weeks: 1, weekdays: [] }));
    const days = async (query = '') => {
      const { loader } = await import('../../app/plan/days.ts');
      return (await callRoute(loader, `/programmes/${id}/days${query}`, { params: params(id), cookie })).data as {
        revision: number;
        weeks: number;
        days: { key: string; text?: string }[];
      };
    };
    expect(await days()).toMatchObject({ weeks: 1, days: [] });
    const placed = placeDays(
      [
        { text: 'Main: flow\n5 squat\n', week: 1, weekday: 1 },
        { text: 'Main: flow\n5 plank\n', week: 2, weekday: 3 },
      ],
      1,
    );
    const written = await change(id, placingEdits(placed, { weeks: 1, addWeeks: 1 }));
    const { revision } = written.data as { revision: number };
    expect(await days('?texts=yes')).toMatchObject({
      weeks: 2,
      revision,
      days: [
        { key: 'w1d1', text: 'Main: flow\n5 squat\n' },
        { key: 'w2d3', text: 'Main: flow\n5 plank\n' },
      ],
    });
    expect((await days()).days[0]).not.toHaveProperty('text');
    await change(id, [{ kind: 'set-title', title: 'Meanwhile' }]);
    expect(await post(id, { intent: 'undo-this', revision: String(revision) })).toMatchObject({
      status: 409,
      data: { status: 'refused' },
    });
    expect((await planOf(id)).programme.title).toBe('Meanwhile');
    await post(id, { intent: 'undo' });
    // Taking that back was a change too: its revision is the one that stands now.
    expect(await post(id, { intent: 'undo-this', revision: 'x' })).toMatchObject({ status: 400 });
    const now = String((await planOf(id)).revision);
    expect(await post(id, { intent: 'undo-this', revision: now })).toMatchObject({ data: { status: 'changed' } });
    expect(await days()).toMatchObject({ weeks: 1, days: [] });
  });

  test('one drawn on an older plan is a 409 and changes nothing; one without a revision is no change at all', async () => {
    const id = await make();
    await change(id, [{ kind: 'set-title', title: 'First' }]);
    for (const revision of ['1', '99'])
      expect(await change(id, [{ kind: 'set-title', title: 'Second' }], { revision })).toMatchObject({
        status: 409,
        data: { status: 'refused' },
      });
    for (const revision of ['', 'x', '1.5', '2147483648', '-1'])
      expect(await change(id, [{ kind: 'set-title', title: 'Second' }], { revision })).toMatchObject({
        status: 400,
        data: { field: 'revision' },
      });
    expect((await planOf(id)).programme.title).toBe('First');
  });

  test.each([
    ['', /can’t be read/],
    ['[]', /can’t be read/],
    ['{"kind":"shift"}', /can’t be read/],
    ['[{"kind":"set-track"}]', /missing/],
    ['[{"kind":"remove-week","week":53}]', /There is no week 53/],
    ['[{"kind":"remove-day","place":{"week":52,"weekday":7}}]', /There is no session on Sunday, week 52/],
    ['[{"kind":"shift","from":{"week":1,"weekday":1},"days":0}]', /Shift by 1 to 56 days/],
    ['[{"kind":"set-title","title":" "}]', /needs a title/],
    ['[{"kind":"join-track","id":"nowhere","places":[]}]', /track is gone/],
  ])('%s is a 400 in words, and leaves the plan alone', async (edits, words) => {
    const id = await make();
    const before = await planOf(id);
    expect(await change(id, edits)).toMatchObject({
      status: 400,
      data: { status: 'refused', message: expect.stringMatching(words) as string },
    });
    expect(await planOf(id)).toEqual(before);
  });

  test('a day named twice joins once; another workspace’s plan and unknown steps change nothing', async () => {
    const id = await make();
    const track = (await planOf(id)).programme.tracks[0]!.id;
    expect(await change(id, [{ kind: 'join-track', id: track, places: [at(1, 1), at(1, 1)] }])).toMatchObject({
      status: 200,
    });
    expect(
      (
        await post(othersId, {
          intent: 'change',
          revision: '1',
          words: 'x',
          edits: toEditsJson([{ kind: 'set-title', title: 'mine' }]),
        })
      ).status,
    ).toBe(404);
    expect((await post(othersId, { intent: 'undo' })).status).toBe(404);
    expect(await post(id, { intent: 'dance' })).toMatchObject({ status: 400 });
  });
});

describe('out and in', () => {
  test('as JSON and as texts: what comes out reads as the plan; the name of the file is plain', async () => {
    const id = await make({
      ...findExample('stairs-and-stories')!,
      title: 'Äpfel & "Stairs"\\..',
      blocked: [{ date: '2026-05-16' as DayDate, words: 'Concert', rule: 'no session' }],
    });
    const { programme } = await planOf(id);
    const json = await out(id, 'json');
    expect(json.headers.get('content-disposition')).toBe('attachment; filename="a-pfel-stairs.json"');
    expect(parseProgramme(await json.text())).toEqual({ status: 'read', programme });
    const texts = await out(id, 'texts');
    expect(texts.headers.get('content-type')).toBe('application/zip');
    expect(readBundle(unzipBundle(new Uint8Array(await texts.arrayBuffer()))!)).toEqual({ status: 'read', programme });
    await expect(out(othersId, 'json')).rejects.toMatchObject({ init: { status: 404 } });
  });

  test('a new programme from a file is the file’s, blocked days included', async () => {
    const programme: ProgrammeDocument = {
      ...findExample('eight-weeks')!,
      blocked: [{ date: '2026-05-16' as DayDate, words: 'Concert', rule: 'no session' }],
    };
    const answer = await home({
      title: 'From a file',
      from: 'file',
      startsOn: MONDAY,
      document: formatProgramme(programme),
    });
    const id = Number(/\/programmes\/(\d+)\/plan$/.exec(answer.location ?? '')![1]);
    expect((await planOf(id)).programme).toEqual({ ...programme, title: 'From a file' });
    expect(
      await home({
        title: 'Broken',
        from: 'file',
        startsOn: MONDAY,
        document: '{"format":"ysodos-programme","version":1}',
      }),
    ).toMatchObject({ status: 400, data: { errors: { from: expect.stringMatching(/title/) as string } } });
    expect(await home({ title: 'x'.repeat(121), from: 'empty', startsOn: '2026-02-30', weeks: '0' })).toMatchObject({
      status: 400,
      data: {
        errors: {
          title: expect.any(String) as string,
          startsOn: 'Say when it begins, on a day of the calendar.',
          weeks: expect.any(String) as string,
          weekdays: expect.any(String) as string,
        },
      },
    });
  });

  test('it begins on any day, and its weeks are counted from there; what was chosen is remembered', async () => {
    const answer = await home({
      title: ' ',
      from: 'empty',
      startsOn: '2026-05-13',
      weeks: '2',
      weekdays: ['1', '3'],
      lighterEvery: '0',
    });
    const id = Number(/\/programmes\/(\d+)\/plan$/.exec(answer.location ?? '')![1]);
    const { programme } = await planOf(id);
    expect([programme.title, programme.firstWeekday]).toEqual(['Programme from Wednesday 13 May', 3]);
    // Wednesday is day 1 of its weeks, Monday day 6.
    expect(programme.days.map((d) => `w${d.week}d${d.weekday}`)).toEqual(['w1d1', 'w1d6', 'w2d1', 'w2d6']);
    const cookies = answer.setCookie!.split(';')[0]!;
    expect(((await home(undefined, cookies)).data as { choices: object }).choices).toEqual({
      weeks: 2,
      weekdays: [1, 3],
      lighterEvery: 0,
    });
    expect(((await home(undefined, 'ysodos_new=9999.0.x')).data as { choices: object }).choices).toMatchObject({
      weeks: 4,
    });
    const from = await home({ title: '', from: 'example:eight-weeks', startsOn: '2026-05-14' });
    const started = (await planOf(Number(/(\d+)\/plan$/.exec(from.location!)![1]))).programme;
    expect([started.title, started.firstWeekday]).toEqual([findExample('eight-weeks')!.title, 4]);
  });

  test('a template needs a title, goes without dates, and another workspace doesn’t see it', async () => {
    const id = await make({
      ...findExample('stairs-and-stories')!,
      blocked: [{ date: '2026-05-16' as DayDate, words: 'Concert', rule: 'no session' }],
    });
    expect(await post(id, { intent: 'save-template', title: ' ' })).toMatchObject({ status: 400 });
    expect(await post(id, { intent: 'save-template', title: 'Every spring' })).toMatchObject({
      status: 200,
      data: { words: 'Saved as the template “Every spring”' },
    });
    const { templates } = (await home()).data as {
      templates: { id: number; start: { title: string; picture: unknown[][] } }[];
    };
    expect(templates.map((t) => t.start.title)).toEqual(['Every spring']);
    expect(templates[0]!.start.picture.map((week) => week.filter(Boolean).length)).toEqual([7, 7, 7, 7]);
    const started = await home({ title: 'Again', from: `template:${templates[0]!.id}`, startsOn: MONDAY });
    expect((await planOf(Number(/(\d+)\/plan$/.exec(started.location!)![1]))).programme.blocked).toEqual([]);
    expect(await home({ intent: 'delete-template', template: String(templates[0]!.id) })).toMatchObject({
      status: 200,
    });
    expect(((await home()).data as { templates: unknown[] }).templates).toEqual([]);
  });
});

describe('deleting a programme', () => {
  const isListed = async (id: number) =>
    ((await home()).data as { programmes: { id: number }[] }).programmes.some((p) => p.id === id);
  const remove = (id: number) => home({ intent: 'delete-programme', programme: String(id) });

  test('takes it with its days, changes and run, where nobody is in it', async () => {
    const id = await make();
    await change(id, [{ kind: 'set-title', title: 'Gone soon' }]);
    expect(await remove(id)).toMatchObject({ status: 200 });
    expect(await isListed(id)).toBe(false);
    for (const table of ['day', 'run', 'programme_change']) {
      const { rows } = await db.owner.query<{ count: string }>(
        `select count(*) from ${table} where programme_id = $1`,
        [id],
      );
      expect([table, Number(rows[0]!.count)]).toEqual([table, 0]);
    }
    expect((await load(id)).status).toBe(404);
  });

  test('leaves one that was sent, one with people, and another workspace’s', async () => {
    const [sent, peopled] = [await make(), await make()];
    await withWorkspace(db.pool, workspaceId, async (c) => {
      const programme = await getProgramme(c, sent, { now: NOW });
      const { runId } = programme;
      const day = (await listDays(c, programme))[0]!;
      await insertVersion(c, {
        workspaceId,
        runId,
        dayId: day.id,
        number: 1,
        text: day.text,
        document: { blocks: [] },
        changeNote: '',
        coachId,
        now: NOW,
      });
    });
    const { action } = await import('../../app/people/new-people.ts');
    expect(
      (
        await callRoute(action, '/x', {
          params: params(peopled),
          cookie,
          form: { text: 'Ada', timeZone: 'Europe/Vienna', joinedOn: MONDAY },
        })
      ).status,
    ).toBeLessThan(400);
    for (const id of [sent, peopled]) {
      expect(await remove(id)).toMatchObject({
        status: 409,
        data: { errors: { programme: expect.stringMatching(/so it stays/) as string } },
      });
      expect(await isListed(id)).toBe(true);
    }
    expect(await remove(othersId)).toMatchObject({ status: 409 });
    const { rows } = await db.owner.query('select from programme where id = $1', [othersId]);
    expect(rows).toHaveLength(1);
    expect(findProgrammeDay((await planOf(sent)).programme, at(1, 1))).toBeDefined();
  });
});
