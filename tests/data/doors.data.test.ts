import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertCoachDoor, useCoachDoor as goThrough } from '../../db/queries/doors/coach-door.ts';
import { addAttemptWithin } from '../../db/queries/doors/sign-in-attempt.ts';
import { closeDoors, findPersonalLink, insertPersonalLink, messageLinkSalts } from '../../db/queries/doors/link.ts';
import { claimMessages, renewLeases, updateMessages } from '../../db/queries/messages/message.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import { insertParticipants } from '../../db/queries/person.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { deriveToken, makeSalt } from '../../server/doors/derived-token.ts';
import { composeMessages } from '../../server/messages/compose.ts';
import { hashToken, makeToken } from '../../server/doors/token.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

// The clock is read where the settings are first loaded.
vi.hoisted(() => {
  process.env.YSODOS_NOW = '2026-05-13T09:00:00Z';
});

const NOW = new Date('2026-05-13T09:00:00Z');
const LATER = new Date('2026-05-14T09:00:00Z');
const SECRET = 'a secret that is long enough to be one';

let db: ThrowawayDatabase;
let workspaceId: number;
let coachId: number;
let runId: number;
let programmeId: number;
const people = new Map<string, { enrolmentId: number; personId: number }>();

const here = <T>(work: Parameters<typeof withWorkspace<T>>[2]) => withWorkspace(db.pool, workspaceId, work);

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
  ({ workspaceId, coachId } = await makeWorkspace(db.owner, 'doors'));
  await here(async (c) => {
    programmeId = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 2, weekdays: [1, 3] }),
      startsOn: '2026-05-11' as DayDate,
      now: NOW,
    });
    ({ runId } = await getProgramme(c, programmeId, { now: NOW }));
    const ids = await insertParticipants(c, {
      workspaceId,
      runId,
      people: ['Ada', 'Bo', 'Cleo'].map((name) => ({
        name,
        detail: '',
        timeZone: 'UTC',
        joinedOn: '2026-05-11' as DayDate,
        profile: { address: `${name.toLowerCase()}@example.org` },
      })),
    });
    for (const [name, enrolmentId] of ids) {
      const { rows } = await c.query<{ person_id: number }>('select person_id from enrolment where id = $1', [
        enrolmentId,
      ]);
      people.set(name, { enrolmentId, personId: rows[0]!.person_id });
    }
  });
}, 120_000);
afterAll(async () => {
  delete process.env.YSODOS_NOW;
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});

const note = (name: string, extra: object = {}, kind: 'note' | 'confirm' = 'note') =>
  here((c) =>
    insertMessage(c, {
      workspaceId,
      kind,
      channel: 'email',
      address: `${name.toLowerCase()}@example.org`,
      ...people.get(name)!,
      runId,
      expiresAt: LATER,
      now: NOW,
      extra: { subject: 'Hello', words: 'How is it?', ...extra },
    }),
  );
/** Writes out what waits, as a worker does. */
const compose = () =>
  here(async (c) => {
    const claimed = await claimMessages(c, { now: NOW, leaseUntil: LATER, limit: 20 });
    const composed = await composeMessages(c, claimed, {
      workspaceId,
      origin: 'https://ysodos.example.org',
      secret: SECRET,
      nowMs: NOW.getTime(),
    });
    await updateMessages(
      c,
      claimed.map((m) => m.id),
      { state: 'accepted', at: NOW },
    );
    return [...composed.values()];
  });

describe('revoking', () => {
  test('ends page, calendar and the links in messages at once, and no message brings another until a coach hands one out', async () => {
    const { personId } = people.get('Ada')!;
    const [personal, calendar] = [makeToken(), makeToken()];
    await here(async (c) => {
      await insertPersonalLink(c, { workspaceId, personId, tokenHash: hashToken(personal), now: NOW });
      await insertPersonalLink(c, {
        workspaceId,
        personId,
        kind: 'calendar',
        tokenHash: hashToken(calendar),
        now: NOW,
      });
    });
    const salts = await here((c) =>
      messageLinkSalts(c, { workspaceId, personIds: [personId], makeLink: () => makeSalt(SECRET, 'link'), now: NOW }),
    );
    const inMessages = deriveToken(SECRET, 'link', salts.get(personId)!);
    const opens = async () =>
      Promise.all(
        [personal, inMessages, calendar].map(
          async (t) =>
            (await findPersonalLink(db.pool, hashToken(t), ['personal', 'message', 'calendar'])) !== undefined,
        ),
      );
    expect(await opens()).toEqual([true, true, true]);
    await note('Ada');
    await here((c) => closeDoors(c, personId, NOW));
    expect(await opens()).toEqual([false, false, false]);
    // What waited is dropped; what is laid afterwards all the same isn't written.
    await note('Ada');
    expect(await compose()).toEqual([{ dropped: 'their link was taken away' }]);
    const { rows } = await db.owner.query(`select 1 from personal_link where person_id = $1 and revoked_at is null`, [
      personId,
    ]);
    expect(rows).toEqual([]);
    await here((c) => insertPersonalLink(c, { workspaceId, personId, tokenHash: hashToken(makeToken()), now: NOW }));
    await note('Ada');
    expect(await compose()).toMatchObject([{ toName: 'Ada', written: { text: expect.stringContaining('/p/') } }]);
  });

  test('a new link ends those in messages that were sent before it', async () => {
    const { personId } = people.get('Bo')!;
    await note('Bo');
    const [sent] = (await compose()) as { written: { text: string } }[];
    const old = /\/p\/([\w-]+)/.exec(sent!.written.text)![1]!;
    expect(await findPersonalLink(db.pool, hashToken(old))).toBeDefined();
    await here((c) => insertPersonalLink(c, { workspaceId, personId, tokenHash: hashToken(makeToken()), now: NOW }));
    expect(await findPersonalLink(db.pool, hashToken(old))).toBeUndefined();
  });
});

describe('confirming an address', () => {
  const ask = async () => {
    await db.owner.query(`update person set address_state = 'asked' where id = $1`, [people.get('Cleo')!.personId]);
    await note('Cleo', { salt: randomUUID() }, 'confirm');
    const [written] = (await compose()) as { written: { text: string } }[];
    return /\/confirm\/([\w-]+)/.exec(written!.written.text)![1]!;
  };
  const state = async () =>
    (
      await db.owner.query<{ s: string }>(`select address_state as s from person where id = $1`, [
        people.get('Cleo')!.personId,
      ])
    ).rows[0]!.s;
  const go = async (token: string, form?: Record<string, string>) => {
    const { loader, action } = await import('../../app/participant/doors/confirm.tsx');
    return (await callRoute(form ? action : loader, `/confirm/${token}`, { params: { token }, ...(form && { form }) }))
      .status;
  };

  test('takes a key of its own, once; an earlier one ends with the next', async () => {
    const [first, second] = [await ask(), await ask()];
    expect(await go(first)).toBe(404);
    expect([await go(second), await state()]).toEqual([200, 'asked']);
    vi.stubEnv('SECRET', SECRET);
    const { action } = await import('../../app/participant/doors/confirm.tsx');
    const confirmed = await callRoute(action, `/confirm/${second}`, { params: { token: second }, form: {} });
    vi.unstubAllEnvs();
    expect([confirmed.status, await state()]).toEqual([200, 'confirmed']);
    // It leads to their own page: the link that each of their messages brings.
    const token = (confirmed.data as { page: string }).page.replace('/p/', '');
    expect(await findPersonalLink(db.pool, hashToken(token))).toMatchObject({
      personId: people.get('Cleo')!.personId,
    });
    expect([await go(second), await go(second, {})]).toEqual([404, 404]);
    expect(await go('no-key-at-all')).toBe(404);
  });

  test('is for that address alone, for some days', async () => {
    const token = await ask();
    await db.owner.query(`update address_key set expires_at = $1`, [NOW]);
    expect(await go(token, {})).toBe(404);
    const other = await ask();
    await db.owner.query(`update person set address = 'else@example.org' where id = $1`, [
      people.get('Cleo')!.personId,
    ]);
    expect([await go(other), await go(other, {}), await state()]).toEqual([404, 404, 'asked']);
    await db.owner.query(`update person set address = 'cleo@example.org' where id = $1`, [
      people.get('Cleo')!.personId,
    ]);
  });
});

describe('a coach’s doors', () => {
  const door = async (email: string, kind: 'reset' | 'invite' = 'reset') => {
    const tokenHash = hashToken(makeToken());
    await here((c) =>
      insertCoachDoor(c, {
        workspaceId,
        kind,
        coachId: kind === 'reset' ? coachId : null,
        email,
        salt: randomUUID(),
        tokenHash,
        now: new Date(),
        expiresAt: LATER,
      }),
    );
    return tokenHash;
  };
  test('work once, and end their siblings, those still on their way included', async () => {
    const [one, two] = [await door('coach@doors.example.org'), await door('coach@doors.example.org')];
    const [invite, other] = [await door('new@example.org', 'invite'), await door('else@example.org', 'invite')];
    await here((c) =>
      insertMessage(c, {
        workspaceId,
        kind: 'reset',
        channel: 'email',
        address: 'coach@doors.example.org',
        coachId,
        expiresAt: LATER,
        now: NOW,
        extra: { salt: randomUUID() },
      }),
    );
    expect(await here((c) => goThrough(c, two, NOW))).toBe(true);
    expect(await here((c) => goThrough(c, one, NOW))).toBe(false);
    expect(await here((c) => claimMessages(c, { now: NOW, leaseUntil: LATER, limit: 5 }))).toEqual([]);
    expect([await here((c) => goThrough(c, invite, NOW)), await here((c) => goThrough(c, invite, NOW))]).toEqual([
      true,
      false,
    ]);
    expect(await here((c) => goThrough(c, other, NOW))).toBe(true);
  });

  test('what is refused isn’t counted, and others’ asking takes nothing from the owner', async () => {
    const since = new Date(NOW.getTime() - 1000);
    const ask = (pair: string, network: string) =>
      addAttemptWithin(
        db.pool,
        [
          { keyHash: hashToken(pair), most: 2 },
          { keyHash: hashToken(network), most: 3 },
        ],
        NOW,
        since,
      );
    expect([await ask('a from x', 'x'), await ask('a from x', 'x'), await ask('a from x', 'x')]).toEqual([
      true,
      true,
      false,
    ]);
    expect(await ask('a from y', 'y')).toBe(true);
    // The refused one has left room in its network.
    expect([await ask('b from x', 'x'), await ask('c from x', 'x')]).toEqual([true, false]);
  });
});

describe('messages that are being sent have an owner', () => {
  test('who has lost a lease finishes nothing, and who has it renews it', async () => {
    await note('Bo');
    const [mine, theirs] = [randomUUID(), randomUUID()];
    const soon = new Date(NOW.getTime() + 1000);
    const [first] = await here((c) => claimMessages(c, { now: NOW, leaseUntil: soon, owner: mine, limit: 5 }));
    expect(await here((c) => claimMessages(c, { now: NOW, leaseUntil: soon, owner: theirs, limit: 5 }))).toEqual([]);
    expect(await here((c) => renewLeases(c, { ids: [first!.id], owner: mine, leaseUntil: LATER }))).toEqual([
      first!.id,
    ]);
    expect(await here((c) => claimMessages(c, { now: soon, leaseUntil: LATER, owner: theirs, limit: 5 }))).toEqual([]);
    expect(
      await here((c) =>
        claimMessages(c, { now: LATER, leaseUntil: new Date(LATER.getTime() + 1), owner: theirs, limit: 5 }),
      ),
    ).toHaveLength(1);
    expect(await here((c) => renewLeases(c, { ids: [first!.id], owner: mine, leaseUntil: LATER }))).toEqual([]);
    expect(await here((c) => updateMessages(c, [first!.id], { state: 'accepted', at: LATER }, mine))).toBe(0);
    expect(await here((c) => updateMessages(c, [first!.id], { state: 'accepted', at: LATER }, theirs))).toBe(1);
  });
});

test('readiness is red where nothing can be written', async () => {
  const { loader } = await import('../../app/shell/readyz.ts');
  const { closeDatabase } = await import('../../server/database.ts');
  const name = new URL(db.appUrl).pathname.slice(1);
  expect((await loader()).status).toBe(200);
  await db.owner.query(`alter database "${name}" set default_transaction_read_only = on`);
  await closeDatabase();
  expect((await loader()).status).toBe(503);
  await db.owner.query(`set default_transaction_read_only = off`);
  await db.owner.query(`alter database "${name}" reset default_transaction_read_only`);
  await closeDatabase();
  expect((await loader()).status).toBe(200);
});
