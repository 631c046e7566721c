import { unpackPeople } from '../../app/people/packed-people.ts';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

process.env.YSODOS_NOW = '2026-05-13T09:00:00Z';
const NOW = new Date('2026-05-13T09:00:00Z');
const MONDAY = '2026-05-11' as DayDate;

let db: ThrowawayDatabase;
let programmeId: number;
let othersId: number;
let cookie: string;
const PASSWORD = 'quiet feet';

async function makeCoach(name: string): Promise<number> {
  const { hashPassword } = await import('../../server/doors/hash-password.ts');
  const { workspaceId } = await makeWorkspace(db.owner, name);
  await db.owner.query('update coach set password_hash = $1 where workspace_id = $2', [
    await hashPassword(PASSWORD),
    workspaceId,
  ]);
  return withWorkspace(db.pool, workspaceId, (c) =>
    insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: `Of ${name}`, weeks: 2, weekdays: [1, 3] }),
      startsOn: MONDAY,
      now: NOW,
    }),
  );
}

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
  programmeId = await makeCoach('one');
  othersId = await makeCoach('two');
  const { action } = await import('../../app/account/sign-in.tsx');
  const answer = await callRoute(action, '/sign-in', { form: { email: 'COACH@one.example.org', password: PASSWORD } });
  expect(answer).toMatchObject({ status: 302, location: '/programmes' });
  cookie = answer.setCookie!.split(';')[0]!;
}, 120_000);

afterAll(async () => {
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});

const params = (day?: string, programme = programmeId) => ({ programmeId: String(programme), ...(day && { day }) });
const draft = async (day: string, text: unknown, revision: unknown) =>
  callRoute((await import('../../app/write/draft.ts')).action, `/programmes/${programmeId}/write/${day}/draft`, {
    params: params(day),
    cookie,
    json: { text, revision },
  });
const write = async (day: string, form?: Record<string, string>) => {
  const { loader, action } = await import('../../app/write/write.tsx');
  return callRoute(form ? action : loader, `/programmes/${programmeId}/write/${day}`, {
    params: params(day),
    cookie,
    ...(form && { form }),
  });
};
const revisionOf = async (day: string): Promise<number> =>
  ((await write(day)).data as { day: { revision: number } }).day.revision;
/** Makes a text the one that stands on a day. */
const store = async (day: string, text: string) =>
  expect((await draft(day, text, await revisionOf(day))).status).toBe(200);

describe('sign-in', () => {
  test('a wrong password, an unknown address and a blank form are 400 with the field or form named', async () => {
    const { action } = await import('../../app/account/sign-in.tsx');
    const attempt = (form: Record<string, string>) => callRoute(action, '/sign-in', { form });
    expect(await attempt({ email: 'coach@two.example.org', password: 'no' })).toMatchObject({
      status: 400,
      data: { errors: { form: expect.any(String) as string }, email: 'coach@two.example.org' },
    });
    expect(await attempt({ email: 'nobody@example.org', password: 'no' })).toMatchObject({ status: 400 });
    expect((await attempt({ email: '', password: '' })).data).toMatchObject({
      errors: { email: expect.any(String) as string, password: expect.any(String) as string },
    });
  });
  test('without it, every coach’s page leads there and back; a cookie that was made up is no sign-in', async () => {
    const { loader } = await import('../../app/shell/programmes/programmes.tsx');
    expect(await callRoute(loader, '/programmes')).toMatchObject({
      status: 302,
      location: '/sign-in?to=%2Fprogrammes',
    });
    expect(await callRoute(loader, '/programmes', { cookie: `ysodos_coach=${'A'.repeat(27)}` })).toMatchObject({
      status: 302,
    });
  });
});

describe('what belongs to another workspace is a 404, whatever is asked', () => {
  test('loaders', async () => {
    for (const [file, day] of [
      ['shell/programme.tsx', undefined],
      ['write/write.tsx', 'w1d1'],
      ['send/send.tsx', 'w1d1'],
      ['follow-up/follow-up.tsx', undefined],
      ['follow-up/next.tsx', undefined],
      ['follow-up/working.tsx', undefined],
      ['follow-up/teams.tsx', undefined],
      ['follow-up/summary.tsx', undefined],
      ['people/people.tsx', undefined],
      ['movements/movements.tsx', undefined],
    ] as const) {
      const { loader } = (await import(/* @vite-ignore */ `../../app/${file}`)) as {
        loader: (args: unknown) => unknown;
      };
      expect([
        file,
        (await callRoute(loader, `/programmes/${othersId}/${file}`, { params: params(day, othersId), cookie })).status,
      ]).toEqual([file, 404]);
      expect([
        file,
        (await callRoute(loader, `/programmes/${programmeId}/${file}`, { params: params(day), cookie })).status,
      ]).toEqual([file, 200]);
    }
    const { loader } = await import('../../app/plan/days.ts');
    expect((await callRoute(loader, '/x', { params: params(undefined, othersId), cookie })).status).toBe(404);
    expect((await callRoute(loader, '/x', { params: { programmeId: '1; drop table' }, cookie })).status).toBe(404);
  });
  test('the list of programmes shows one’s own, each with its days', async () => {
    const { loader } = await import('../../app/shell/programmes/programmes.tsx');
    const { programmes } = (await callRoute(loader, '/programmes', { cookie })).data as {
      programmes: { title: string; sessions: number; toWrite: number; days: unknown[] }[];
    };
    expect(programmes).toMatchObject([{ title: 'Of one', sessions: 4, toWrite: 4 }]);
    expect(programmes[0]!.days).toHaveLength(14);
  });
  test('copying to it', async () => {
    const { action } = await import('../../app/write/copy.ts');
    expect(
      (
        await callRoute(action, '/x', {
          params: params(),
          cookie,
          form: { text: 'Main: flow\n5 squat', toProgramme: String(othersId), toDay: 'w1d1' },
        })
      ).status,
    ).toBe(404);
  });
});

describe('writing', () => {
  test('a draft is stored at its revision, refused at an older one with both texts, and too much of it is refused with the limit', async () => {
    const first = await revisionOf('w1d1');
    expect(await draft('w1d1', 'Main: flow\n5 squat', first)).toMatchObject({
      status: 200,
      data: { revision: first + 1 },
    });
    expect(await draft('w1d1', 'Main: flow\n6 squat', first)).toMatchObject({
      status: 409,
      data: { stale: { text: 'Main: flow\n5 squat', revision: first + 1 } },
    });
    expect(await draft('w1d1', 'x'.repeat(200_001), first + 1)).toMatchObject({
      status: 413,
      data: { message: expect.stringContaining('200 kB') as string },
    });
    expect((await draft('w1d1', 5, first)).status).toBe(400);
    expect((await draft('w1d1', 'x', 'y')).status).toBe(400);
    expect((await draft('w1d7', 'x', 1)).status).toBe(404);
  });
  test('a day is put in and taken out only while it is empty', async () => {
    expect((await write('w2d5')).data).toMatchObject({ day: null });
    await write('w2d5', { intent: 'add' });
    await write('w2d5', { intent: 'add' });
    await store('w2d5', 'Main: flow\n5 squat');
    expect((await write('w2d5', { intent: 'remove' })).status).toBe(400);
    await store('w2d5', '');
    expect(await write('w2d5', { intent: 'remove' })).toMatchObject({ status: 200, data: { error: '' } });
    expect((await write('w2d5')).data).toMatchObject({ day: null });
  });
  test('ready only without errors, with something in it, with its routines there, and at the text that was seen', async () => {
    const ready = async (text: string) => {
      await store('w1d3', text);
      return write('w1d3', { intent: 'ready', revision: String(await revisionOf('w1d3')) });
    };
    expect(await ready('Main: wat')).toMatchObject({
      status: 400,
      data: { error: expect.stringContaining('can’t be read') as string },
    });
    expect((await ready('Title: empty')).status).toBe(400);
    expect(await ready('Warm-up: routine "nowhere"\nMain: flow\n5 squat')).toMatchObject({
      status: 400,
      data: { error: expect.stringContaining('routine') as string },
    });
    expect((await write('w1d3', { intent: 'ready', revision: '0' })).status).toBe(400);
    expect(await ready('Main: flow\n5 squat')).toMatchObject({ status: 302 });
    expect((await write('w1d3', { intent: 'not-ready', revision: String(await revisionOf('w1d3')) })).status).toBe(200);
    expect((await write('w1d3', { intent: 'dance' })).status).toBe(400);
  });
  test('copying asks before it replaces, and tells what stood there', async () => {
    const { action } = await import('../../app/write/copy.ts');
    const copy = (form: Record<string, string>) =>
      callRoute(action, '/x', {
        params: params(),
        cookie,
        form: { text: 'Main: flow\n9 march', toProgramme: String(programmeId), ...form },
      });
    await store('w2d1', 'Main: flow\n1 squat');
    expect(await copy({ toDay: 'w2d1' })).toMatchObject({ status: 409, data: { status: 'taken' } });
    expect(await copy({ toDay: 'w2d1', replace: 'yes' })).toMatchObject({
      status: 200,
      data: { status: 'copied', copied: [{ key: 'w2d1', before: 'Main: flow\n1 squat' }] },
    });
    expect(await copy({ toDay: 'w2d7' })).toMatchObject({
      status: 200,
      data: { status: 'copied', copied: [{ key: 'w2d7', before: null }] },
    });
    expect((await copy({ toDay: 'w9d1' })).status).toBe(404);
    expect((await copy({ toDay: 'someday' })).status).toBe(400);
    expect((await write('w2d7')).data).toMatchObject({ day: { text: 'Main: flow\n9 march' } });
  });
  test('copies to many days are made together or not at all, and taken back together or not at all', async () => {
    const { action } = await import('../../app/write/copy.ts');
    const post = (form: Record<string, string>) =>
      callRoute(action, '/x', { params: params(), cookie, form: { toProgramme: String(programmeId), ...form } });
    const copy = (toDay: string, replace = '') => post({ text: 'Main: flow\n3 march', toDay, replace });
    const there = async () => {
      const { rows } = await db.owner.query<{ at: string }>(
        `select 'w' || week || 'd' || weekday || ': ' || text as at from day where programme_id = $1 and week = 2 and weekday between 2 and 5 order by weekday`,
        [programmeId],
      );
      return rows.map((r) => r.at);
    };
    expect((await copy('w2d5')).status).toBe(200);
    const before = await there();
    // The third of them is taken: of the two before it nothing stays behind.
    expect(await copy('w2d2 w2d3 w2d5')).toMatchObject({ status: 409, data: { status: 'taken' } });
    expect(await there()).toEqual(before);
    const made = await copy('w2d5 w2d2 w2d2', 'yes');
    expect(made).toMatchObject({ status: 200, data: { days: [{ key: 'w2d5' }, { key: 'w2d2' }] } });
    const { copied } = made.data as { copied: unknown };
    expect(await there()).not.toEqual(before);
    // Somebody writes on one of them meanwhile: then both stay.
    await store('w2d5', 'Main: flow\n2 squat');
    const takeBack = (what: unknown) => post({ intent: 'take-back', copied: JSON.stringify(what) });
    expect((await takeBack(copied)).status).toBe(409);
    expect((await there()).some((at) => at.startsWith('w2d2: Main'))).toBe(true);
    const again = await copy('w2d5 w2d2', 'yes');
    expect((await takeBack((again.data as { copied: unknown }).copied)).status).toBe(200);
    expect((await there()).filter((at) => !at.startsWith('w2d3'))).toEqual([
      'w2d2: Main: flow\n3 march',
      'w2d5: Main: flow\n2 squat',
    ]);
    expect((await takeBack([])).status).toBe(400);
  });
  test('routines: a name, one readable block, and a question before one is replaced', async () => {
    const { action } = await import('../../app/write/routines.ts');
    const keep = (form: Record<string, string>) =>
      callRoute(action, '/routines', { cookie, form: { intent: 'keep', ...form } });
    expect((await keep({ name: '', text: 'Main: flow\n5 squat' })).status).toBe(400);
    expect((await keep({ name: 'Two', text: 'Main: flow\n5 squat\nMain: flow\n5 march' })).status).toBe(400);
    expect((await keep({ name: 'Start', text: 'Warm-up: flow\n5 squat' })).status).toBe(200);
    expect(await keep({ name: 'start', text: 'Warm-up: flow\n6 squat' })).toMatchObject({
      status: 409,
      data: { taken: true },
    });
    expect((await keep({ name: 'start', text: 'Warm-up: flow\n6 squat', replace: 'yes' })).status).toBe(200);
    expect((await callRoute(action, '/routines', { cookie, form: { intent: 'delete', id: '999999' } })).status).toBe(
      404,
    );
  });
});

describe('from sending to the record', () => {
  let link: string;
  const send = async (form?: Record<string, string>) => {
    const { loader, action } = await import('../../app/send/send.tsx');
    return callRoute(form ? action : loader, `/programmes/${programmeId}/send/w1d1`, {
      params: params('w1d1'),
      cookie,
      ...(form && { form }),
    });
  };
  const people = async (form?: Record<string, string | readonly string[]>) => {
    const { loader, action } = await import('../../app/people/people.tsx');
    return callRoute(form ? action : loader, `/programmes/${programmeId}/people`, {
      params: params(),
      cookie,
      ...(form && { form }),
    });
  };

  const listed = async () => unpackPeople(((await people()).data as { packed: string }).packed);

  test('people are added all at once or not at all', async () => {
    const { action } = await import('../../app/people/new-people.ts');
    const add = (form: Record<string, string>) => callRoute(action, '/x', { params: params(), cookie, form });
    expect(await add({ text: 'name,zone\nAda,Mars\nBruno,UTC' })).toMatchObject({
      status: 400,
      data: { added: null, error: expect.stringMatching(/^One line has an error/) as string },
    });
    expect(await add({ text: '' })).toMatchObject({
      status: 400,
      data: { error: expect.stringMatching(/nobody/) as string },
    });
    expect((await add({ text: 'Ada', timeZone: 'Mars' })).status).toBe(400);
    expect((await add({ text: 'Ada', joinedOn: 'soon' })).status).toBe(400);
    expect(await listed()).toEqual([]);
    expect(await add({ text: 'name,zone,kit\nAda,Mars,\nBruno,UTC,chair', skip: 'yes' })).toMatchObject({
      status: 200,
      data: { added: 1 },
    });
    expect(
      await add({
        text: 'Noor Garrowhill, noor@example.org, oboe\nBruno 2',
        timeZone: 'Europe/Vienna',
        joinedOn: '2026-05-11',
      }),
    ).toMatchObject({ data: { added: 2 } });
    expect(await listed()).toMatchObject([
      { name: 'Bruno', fit: 'chair', timeZone: 'UTC', address: '' },
      { name: 'Bruno 2', fit: '' },
      {
        name: 'Noor Garrowhill',
        detail: 'oboe',
        address: 'noor@example.org',
        timeZone: 'Europe/Vienna',
        joined: '11 May',
      },
    ]);
  });
  test('who has no link gets one, shown this once; a second time there is none to make', async () => {
    const { made } = (await people({ intent: 'links' })).data as { made: { name: string; path: string }[] };
    expect(made.map((m) => m.name)).toEqual(['Bruno', 'Bruno 2', 'Noor Garrowhill']);
    link = made[2]!.path.slice('/p/'.length);
    expect(link).toMatch(/^[A-Za-z0-9_-]{27}$/);
    expect(new Set(made.map((m) => m.path)).size).toBe(3);
    expect(JSON.stringify((await people()).data)).not.toContain(link);
    expect((await people({ intent: 'links' })).data).toMatchObject({ made: [] });
    expect((await listed()).every((p) => p.hasLink)).toBe(true);
  });
  test('who has just come in can be taken out again; who has logged stays, and nobody of another programme is touched', async () => {
    const { action } = await import('../../app/people/new-people.ts');
    const added = await callRoute(action, '/x', { params: params(), cookie, form: { text: 'One\nTwo' } });
    const { ids } = added.data as { ids: number[] };
    expect(ids).toHaveLength(2);
    expect((await people({ intent: 'remove', enrolmentId: ids.map(String) })).status).toBe(302);
    expect((await listed()).map((p) => p.name)).toEqual(['Bruno', 'Bruno 2', 'Noor Garrowhill']);
    expect((await db.owner.query("select from person where name in ('One', 'Two')")).rowCount).toBe(0);
    for (const enrolmentId of ['999999', 'x', ''])
      expect((await people({ intent: 'remove', enrolmentId })).status).toBe(404);
  });
  test('only what was marked ready is sent, with its routines written out, and not twice', async () => {
    await store('w1d1', 'Title: One\nWarm-up: routine "start"\nMain (Go): amrap 5:00\n5 burpee\n5 squat');
    expect((await send({ revision: String(await revisionOf('w1d1')) })).status).toBe(409);
    await write('w1d1', { intent: 'ready', revision: String(await revisionOf('w1d1')), leaving: 'send' });
    const revision = String(await revisionOf('w1d1'));
    expect((await send({ revision, changeNote: 'x'.repeat(501) })).status).toBe(400);
    expect((await send({ revision, leaving: 'send' })).status).toBe(302);
    expect((await send({ revision })).status).toBe(409);
    const { rows } = await db.owner.query<{ document: { blocks: { items: unknown[] }[] } }>(
      'select document from version',
    );
    expect(rows).toHaveLength(1);
    expect(rows[0]!.document.blocks[0]!.items).toHaveLength(1);
  });
  test('the person’s page has it in their shape, and a record keeps the shapes it was done in', async () => {
    const me = await import('../../app/participant/me/me.tsx');
    const say = (form: Record<string, string | string[]>) =>
      callRoute(me.action, `/p/${link}/me`, { params: { token: link }, form });
    expect((await say({ part: 'care', 'care-0': 'yes' })).status).toBe(400);
    expect((await say({ part: 'nothing' })).status).toBe(400);
    expect(await say({ part: 'spares', spare: ['quiet', 'nonsense'] })).toMatchObject({
      status: 302,
      location: `/p/${link}/me/health?kept=spares`,
    });
    expect((await say({ part: 'kit', 'kit-said': 'only', kit: ['chair', 'spaceship'] })).status).toBe(302);
    expect((await callRoute(me.loader, `/p/${link}/me`, { params: { token: link } })).data).toMatchObject({
      spares: ['quiet'],
      kit: ['chair'],
      care: 'not-asked',
    });
    const day = await import('../../app/participant/today/day.tsx');
    const seen = (await callRoute(day.loader, `/p/${link}/w1d1`, { params: { token: link, day: 'w1d1' } })).data as {
      session: { changes: string[]; notes: object };
    };
    expect(seen.session.changes).toEqual(['step-back squat thrust instead of burpee: quiet floor']);
    expect(Object.keys(seen.session.notes)).toEqual(['squat', 'step-back squat thrust']);
    const log = await import('../../app/participant/log/log.tsx');
    const form = {
      outcome: 'done',
      effort: '7',
      remark: 'loud',
      'client-id': '00000000-0000-4000-8000-00000000000a',
      'score-1-rounds': '4',
      'score-1-reps': '3',
    };
    const put = (more: Record<string, string> = {}) =>
      callRoute(log.action, `/p/${link}/w1d1/log`, {
        params: { token: link, day: 'w1d1' },
        form: { ...form, ...more },
      });
    expect((await put({ effort: '11' })).data).toMatchObject({
      errors: { effort: expect.any(String) as string },
      values: { remark: 'loud' },
    });
    expect((await put()).status).toBe(302);
    expect((await put()).status).toBe(302);
    const { rows } = await db.owner.query<{ fit: { to: string }[]; scores: unknown[] }>(
      'select fit, scores from record',
    );
    expect(rows).toHaveLength(1);
    expect(rows[0]!.fit).toMatchObject([
      { from: 'burpee', to: 'step-back squat thrust', reason: 'quiet floor', isScored: true },
    ]);
    expect(rows[0]!.scores).toHaveLength(1);
  });
  test('the coach sees the record with its shape; a day that isn’t open and a link that isn’t are 404', async () => {
    const { loader } = await import('../../app/follow-up/follow-up.tsx');
    const list = await listed();
    const noor = list.find((p) => p.name.startsWith('Noor'))!.id;
    const followed = (
      await callRoute(loader, `/programmes/${programmeId}/follow-up?person=${noor}&day=w1d1`, {
        params: params(),
        cookie,
      })
    ).data as { record: { scoreWords: string[]; remark: string }; lately: object };
    // What was said today stands before the strands: the newest of a day, corrections included.
    expect(followed.lately).toMatchObject({
      day: 'today',
      count: 1,
      said: [{ enrolmentId: noor, name: 'Noor Garrowhill', dayKey: 'w1d1', remark: 'loud' }],
    });
    expect(followed.record.remark).toBe('loud');
    expect(followed.record.scoreWords.join()).toContain('(in another shape)');
    const day = await import('../../app/participant/today/day.tsx');
    expect((await callRoute(day.loader, '/x', { params: { token: link, day: 'w1d3' } })).status).toBe(404);
    expect((await callRoute(day.loader, '/x', { params: { token: 'B'.repeat(27), day: 'w1d1' } })).status).toBe(404);
    expect((await people({ intent: 'remove', enrolmentId: String(noor) })).status).toBe(409);
    expect((await people({ intent: 'revoke', enrolmentId: String(noor) })).status).toBe(200);
    expect((await callRoute(day.loader, '/x', { params: { token: link, day: 'w1d1' } })).status).toBe(404);
    expect((await people({ intent: 'revoke', enrolmentId: '999999' })).status).toBe(404);
  });
  test('a profile is kept, and a wrong one changes nothing', async () => {
    const list = await listed();
    const id = String(list[0]!.id);
    const fields = {
      intent: 'profile',
      enrolmentId: id,
      name: 'Bruno Corvane',
      timeZone: 'UTC',
      kit: 'none',
      'level-push': '2',
      'level-squat': 'x',
      swaps: 'push-up -> wall push-up',
    };
    expect((await people({ ...fields, swaps: 'push-up' })).status).toBe(400);
    expect((await people({ ...fields, swaps: 'push-up -> push-up' })).data).toMatchObject({
      errors: { swaps: expect.any(String) as string },
    });
    expect((await people({ ...fields, name: '' })).status).toBe(400);
    expect((await people(fields)).status).toBe(200);
    expect((await listed()).find((p) => p.id === list[0]!.id)).toMatchObject({
      name: 'Bruno Corvane',
      fit: 'no kit · push 2 · 1 swap',
    });
    const crowd = await import('../../app/write/crowd.ts');
    expect((await callRoute(crowd.loader, '/x', { params: params(), cookie })).data).toContainEqual({
      id: list[0]!.id,
      name: 'Bruno Corvane',
      person: { kit: [], levels: { push: 2 }, spares: [], swaps: [{ from: 'push-up', to: 'wall-push-up' }] },
    });
  });
});

describe('movements of one’s own', () => {
  const change = async (form: Record<string, string>) =>
    callRoute((await import('../../app/movements/movements.tsx')).action, '/x', {
      params: params(),
      cookie,
      form,
    });
  const FIELDS = {
    intent: 'movement',
    id: '',
    name: 'Harbour step',
    pattern: 'locomotion',
    position: 'standing',
    effortClass: '2',
    kit: '',
    low: '1',
    likely: '1,5',
    high: '2',
    otherNames: '',
    setUp: 'a quay',
    doing: 'step',
    watchFor: 'the edge',
    breathing: 'on',
    cautions: '',
    impact: '0',
    noise: '0',
    ...Object.fromEntries(
      ['wrist', 'elbow', 'shoulder', 'neck', 'back', 'hip', 'knee', 'ankle'].map((j) => [`demand-${j}`, '0']),
    ),
  };
  test('are added, changed and taken away; a base movement comes back as it ships', async () => {
    expect(await change(FIELDS)).toMatchObject({
      status: 302,
      location: `/programmes/${programmeId}/movements?m=harbour-step`,
    });
    expect((await change(FIELDS)).data).toMatchObject({ errors: { name: expect.any(String) as string } });
    expect((await change({ ...FIELDS, id: 'harbour-step', watchFor: 'the rope' })).status).toBe(302);
    expect((await change({ ...FIELDS, name: 'Other step', low: '3' })).data).toMatchObject({
      errors: { paceSec: expect.any(String) as string },
    });
    const { rows } = await db.owner.query<{ fields: { watchFor: string; paceSec: object } }>(
      `select fields from movement_override where movement_id = 'harbour-step'`,
    );
    expect(rows[0]!.fields).toMatchObject({ watchFor: 'the rope', paceSec: { low: 1, likely: 1.5, high: 2 } });
    expect((await change({ intent: 'reset', id: 'harbour-step' })).status).toBe(302);
    expect((await db.owner.query('select * from movement_override')).rows).toEqual([]);
  });
  test('ladders of one’s own: two steps or more, of known movements, none twice, no circle', async () => {
    const ladder = (steps: string, name = 'Ours') => change({ intent: 'ladder', id: '', name, steps });
    for (const [steps, words] of [
      ['squat', 'two steps'],
      ['squat\nwobble', 'no movement'],
      ['squat\nmarch\nsquat', 'twice'],
      ['push-up\nwall push-up', 'other way round'],
    ] as const) {
      const answer = await ladder(steps);
      expect([answer.status, (answer.data as { errors: { ladder: string } }).errors.ladder]).toEqual([
        400,
        expect.stringContaining(words),
      ]);
    }
    expect((await ladder('march\nsquat: deeper', '')).status).toBe(400);
    expect((await ladder('march\nsquat: deeper')).status).toBe(302);
    expect((await change({ intent: 'reset-ladder', id: 'ours', from: 'march' })).status).toBe(302);
    expect((await change({ intent: 'sing' })).status).toBe(400);
  });
});

describe('the loaders of one page', () => {
  const inOne = async (works: readonly ((c: { query: typeof db.pool.query }) => Promise<unknown>)[]) => {
    const { readInWorkspace } = await import('../../server/database.ts');
    const { workspaceId } = await makeWorkspace(db.owner, `reads ${Math.random()}`);
    const request = new Request('http://127.0.0.1:4310/programmes');
    return Promise.allSettled(works.map((work) => readInWorkspace(request, workspaceId, work as never)));
  };
  const transaction = async (c: { query: typeof db.pool.query }) =>
    (await c.query<{ id: string }>('select pg_current_xact_id()::text as id')).rows[0]!.id;
  test('read in one transaction, which ends with the last of them', async () => {
    const both = await inOne([transaction, transaction]);
    expect(new Set(both.map((r) => r.status === 'fulfilled' && r.value)).size).toBe(1);
    const [other] = await inOne([transaction]);
    expect(other).not.toEqual(both[0]);
    const { database } = await import('../../server/database.ts');
    expect(database().totalCount - database().idleCount).toBe(0);
  });
  test('one that finds nothing leaves the others theirs; one that ends before another begins is read alone', async () => {
    const missing = async () => {
      throw new RangeError('nothing there');
    };
    const [first, second] = await inOne([missing, transaction]);
    expect([first!.status, second!.status]).toEqual(['rejected', 'fulfilled']);
    const { readInWorkspace } = await import('../../server/database.ts');
    const { workspaceId } = await makeWorkspace(db.owner, 'reads twice');
    const request = new Request('http://127.0.0.1:4310/programmes');
    const one = await readInWorkspace(request, workspaceId, transaction as never);
    const two = await readInWorkspace(request, workspaceId, transaction as never);
    expect(one).not.toBe(two);
  });
  test('see the rows of their workspace alone', async () => {
    const [rows] = await inOne([async (c) => (await c.query('select * from programme')).rows.length]);
    expect(rows).toEqual({ status: 'fulfilled', value: 0 });
  });
});
