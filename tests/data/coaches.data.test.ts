import * as OTPAuth from 'otpauth';
import { afterAll, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import type { CoachRole } from '../../core/coach-role.ts';
import { forgetAudit, listAudit } from '../../db/queries/doors/audit.ts';
import { updateCoachGone, updateCoachRole } from '../../db/queries/doors/coach.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { hashPassword } from '../../server/doors/hash-password.ts';
import { hashToken, makeToken } from '../../server/doors/token.ts';
import type { RouteAnswer } from '../call-route.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

const SECRET = 'a secret of the tests, long enough to be one';
const PASSWORD = 'several words in a row';
const NOW = Date.parse('2026-05-13T09:00:00Z');
const MINUTE = 60_000;
const DAY = 86_400_000;

let db: ThrowawayDatabase;
let workspaceId: number;
let coachId: number;
let hash: string;
let clock = NOW;

/** Of routes that a test calls; loaded once the environment is set. */
const load = async () => ({
  you: await import('../../app/account/you.tsx'),
  coaches: await import('../../app/account/coaches.tsx'),
  done: await import('../../app/account/done.tsx'),
  doneCsv: await import('../../app/account/done-csv.ts'),
  door: await import('../../app/account/door.tsx'),
  signIn: await import('../../app/account/sign-in.tsx'),
  code: await import('../../app/account/sign-in-code.tsx'),
  forgot: await import('../../app/account/forgot.tsx'),
});
let routes: Awaited<ReturnType<typeof load>>;

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  vi.stubEnv('DATABASE_URL', db.appUrl);
  vi.stubEnv('PUBLIC_URL', 'http://127.0.0.1:4310');
  vi.stubEnv('SECRET', SECRET);
  vi.spyOn(Date, 'now').mockImplementation(() => clock);
  ({ workspaceId, coachId } = await makeWorkspace(db.owner, 'coaches'));
  hash = await hashPassword(PASSWORD);
  await db.owner.query('update coach set password_hash = $1', [hash]);
  routes = await load();
}, 120_000);
afterAll(async () => {
  vi.restoreAllMocks();
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});
beforeEach(async () => {
  clock = NOW;
  await db.owner.query('delete from sign_in_attempt');
});

const cookieIn = (setCookie: string | null): string => /ysodos_coach=[^;]+/.exec(setCookie ?? '')?.[0] ?? '';
const signInAs = async (email = 'coach@coaches.example.org', password = PASSWORD): Promise<RouteAnswer> =>
  callRoute(routes.signIn.action, '/sign-in', { form: { email, password } });
const signedIn = async (email?: string) => cookieIn((await signInAs(email)).setCookie);
const you = (cookie: string, form: Record<string, string>) =>
  callRoute(routes.you.action, '/account', { cookie, form });
const page = (cookie: string, path = '/account') => callRoute(routes.you.loader, path, { cookie });
const change = (cookie: string, form: Record<string, string>) =>
  callRoute(routes.coaches.action, '/account/coaches', { cookie, form });
const noted = () =>
  withWorkspace(db.pool, workspaceId, (c) =>
    listAudit(c, { coachId: null, kinds: null, personId: null, beforeId: null, limit: 100 }),
  );
const lastNoted = async () => (await noted())[0];

async function addCoach(email: string, role: CoachRole): Promise<number> {
  const { rows } = await db.owner.query<{ id: number }>(
    'insert into coach (workspace_id, email, name, password_hash, role) values ($1, $2, $3, $4, $5) returning id',
    [workspaceId, email, email.split('@')[0], hash, role],
  );
  return rows[0]!.id;
}

describe('sessions', () => {
  test('are listed, and one of them can be signed out from another', async () => {
    const [one, two] = [await signedIn(), await signedIn()];
    const { sessions } = (await page(one)).data;
    expect(sessions.filter((s: { isThis: boolean }) => s.isThis)).toHaveLength(1);
    const other = sessions.find((s: { isThis: boolean }) => !s.isThis);
    // Of others' sessions none can be ended.
    const reader = await addCoach('reader@coaches.example.org', 'reader');
    const theirs = await signedIn('reader@coaches.example.org');
    expect((await you(theirs, { intent: 'end-session', session: String(other.id) })).data.told).toContain('already');
    expect((await page(two)).status).toBe(200);
    expect((await you(one, { intent: 'end-session', session: String(other.id) })).data.told).toBe('It is signed out.');
    expect((await page(two)).location).toContain('/sign-in');
    await db.owner.query('delete from audit where coach_id = $1', [reader]);
    await db.owner.query('delete from coach where id = $1', [reader]);
  });

  test('end after fourteen days without use, are kept by use, and none lasts longer than ninety', async () => {
    const [idle, used] = [await signedIn(), await signedIn()];
    for (let day = 1; day <= 88; day += 13) {
      clock = NOW + day * DAY;
      expect((await page(used)).status).toBe(200);
      // What is noted in the background has a connection of its own.
      await vi.waitFor(async () => {
        const { rows } = await db.owner.query('select 1 from coach_session where seen_at = $1', [new Date(clock)]);
        expect(rows).toHaveLength(1);
      });
    }
    clock = NOW + 14 * DAY + 1;
    expect((await page(idle)).location).toContain('/sign-in');
    clock = NOW + 90 * DAY - 1000;
    expect((await page(used)).status).toBe(200);
    clock = NOW + 90 * DAY;
    expect((await page(used)).location).toContain('/sign-in');
  });
});

describe('one’s own name, address and password', () => {
  test('a password needs the present one, isn’t a common one, and ends every other sign-in', async () => {
    const [one, two] = [await signedIn(), await signedIn()];
    const set = (own: string, password: string) =>
      you(one, { intent: 'password', 'own-password': own, password }).then((a) => a.data.errors);
    expect(await set('', 'a new one for today')).toHaveProperty('own-password');
    expect(await set('not this one', 'a new one for today')).toHaveProperty('own-password');
    expect(await set(PASSWORD, 'short')).toHaveProperty('password');
    // In every list of the most common ones that has so long ones.
    for (const common of ['1234567890', 'qwertyuiop', '1Q2W3E4R5T'])
      expect((await set(PASSWORD, common)).password).toContain('tried first');
    expect(await set(PASSWORD, 'a new one for today')).toEqual({});
    expect([(await page(one)).status, (await page(two)).location]).toEqual([200, expect.stringContaining('/sign-in')]);
    // A flood of wrong ones is one line a minute.
    expect((await signInAs()).status).toBe(400);
    expect((await lastNoted())!.kind).toBe('password');
    clock += MINUTE;
    expect((await signInAs()).status).toBe(400);
    expect((await lastNoted())!.kind).toBe('wrong-password');
    const { rows } = await db.owner.query(`select extra->>'subject' as subject from message where kind = 'told'`);
    expect(rows).toEqual([{ subject: 'Your password was changed' }]);
    await db.owner.query('update coach set password_hash = $1 where id = $2', [hash, coachId]);
  });

  test('an address counts once its own mailbox has said so; the one before is told, and everybody signs in anew', async () => {
    const cookie = await signedIn();
    const ask = (email: string) => you(cookie, { intent: 'address', email });
    expect((await ask('no address')).data.errors).toHaveProperty('email');
    await addCoach('taken@coaches.example.org', 'coach');
    const taken = await ask('taken@coaches.example.org');
    const asked = await ask('new@coaches.example.org');
    // Nobody learns which addresses are coaches'.
    expect(taken.data.told.replace('taken', 'new')).toBe(asked.data.told);
    const { rows } = await db.owner.query<{ address: string; salt: string }>(
      `select address, extra->>'salt' as salt from message where kind = 'address' and state = 'waiting'`,
    );
    expect(rows.map((r) => r.address)).toEqual(['new@coaches.example.org']);
    const { deriveToken } = await import('../../server/doors/derived-token.ts');
    const token = deriveToken(SECRET, 'door', rows[0]!.salt);
    const open = () => callRoute(routes.door.action, `/door/${token}`, { params: { token }, form: { x: '' } });
    expect((await page(cookie)).data.email).toBe('coach@coaches.example.org');
    expect((await open()).location).toBe('/sign-in');
    expect((await open()).status).toBe(404);
    expect((await page(cookie)).location).toContain('/sign-in');
    expect((await signInAs('coach@coaches.example.org')).status).toBe(400);
    expect((await signInAs('new@coaches.example.org')).location).toBe('/programmes');
    const told = await db.owner.query(`select address from message where kind = 'told' order by id desc limit 1`);
    expect(told.rows).toEqual([{ address: 'coach@coaches.example.org' }]);
    await db.owner.query(`update coach set email = 'coach@coaches.example.org' where id = $1`, [coachId]);
    await db.owner.query(`delete from coach where email = 'taken@coaches.example.org'`);
  });
});

describe('the second step', () => {
  const codeOf = (key: string, at = clock) =>
    new OTPAuth.TOTP({ secret: OTPAuth.Secret.fromBase32(key), period: 30, digits: 6 }).generate({ timestamp: at });
  const enter = (cookie: string, code: string) =>
    callRoute(routes.code.action, '/sign-in/code', { cookie, form: { code } });
  let key: string;
  let codes: string[];

  test('is on once an authenticator has shown its code', async () => {
    const cookie = await signedIn();
    const { offer } = (await page(cookie, '/account?second=on')).data;
    key = offer.key;
    expect(offer.address).toMatch(/^otpauth:\/\/totp\/Ysodos:.*secret=/);
    const wrong = await you(cookie, { intent: 'second-on', key, code: '000000' });
    expect([wrong.data.errors.code, wrong.data.typed]).toEqual([expect.stringContaining('not the code'), key]);
    const other = await signedIn();
    const on = await you(cookie, { intent: 'second-on', key, code: codeOf(key) });
    codes = on.data.codes;
    expect(codes).toHaveLength(10);
    expect(new Set(codes).size).toBe(10);
    expect((await page(other)).location).toContain('/sign-in');
    // The database has neither the key nor a code as they are.
    const { rows } = await db.owner.query<{ sealed: Buffer }>('select totp_sealed as sealed from coach where id = $1', [
      coachId,
    ]);
    expect(rows[0]!.sealed.includes(Buffer.from(OTPAuth.Secret.fromBase32(key).buffer))).toBe(false);
  });

  test('nothing opens before the code, each code opens once, one from before or after half a minute does', async () => {
    clock = NOW + MINUTE;
    const answer = await callRoute(routes.signIn.action, '/sign-in?to=/programmes/3/plan', {
      form: { email: 'coach@coaches.example.org', password: PASSWORD },
    });
    expect(answer.location).toBe('/sign-in/code?to=%2Fprogrammes%2F3%2Fplan');
    const cookie = cookieIn(answer.setCookie);
    expect((await page(cookie)).location).toContain('/sign-in/code');
    expect((await you(cookie, { intent: 'name', name: 'Mallory' })).location).toContain('/sign-in/code');
    expect((await enter(cookie, codeOf(key, clock - 2 * MINUTE))).status).toBe(400);
    const code = codeOf(key, clock - 30_000);
    expect((await enter(cookie, code)).location).toBe('/programmes');
    expect((await page(cookie)).status).toBe(200);
    const again = cookieIn((await signInAs()).setCookie);
    expect((await enter(again, code)).status).toBe(400);
    expect((await noted()).filter((n) => n.kind === 'wrong-code')).toHaveLength(1);
    expect((await enter(again, codeOf(key, clock + 30_000))).location).toBe('/programmes');
  });

  test('few codes may be tried, and the half-open session ends after ten minutes', async () => {
    clock = NOW + 10 * MINUTE;
    const cookie = cookieIn((await signInAs()).setCookie);
    for (let i = 0; i < 10; i++) expect((await enter(cookie, '123456')).status).toBe(400);
    expect((await enter(cookie, codeOf(key))).status).toBe(429);
    await db.owner.query('delete from sign_in_attempt');
    clock += 10 * MINUTE;
    expect((await enter(cookie, codeOf(key))).location).toBe('/sign-in');
  });

  test('a recovery code opens once, a new password doesn’t go round the second step, another SECRET opens nothing', async () => {
    clock = NOW + 40 * MINUTE;
    const first = cookieIn((await signInAs()).setCookie);
    expect((await enter(first, codes[0]!.toUpperCase().replaceAll('-', ' '))).location).toBe('/programmes');
    expect((await lastNoted())!.kind).toBe('recovery-code');
    expect((await enter(cookieIn((await signInAs()).setCookie), codes[0]!)).status).toBe(400);
    const { insertCoachDoor } = await import('../../db/queries/doors/coach-door.ts');
    const token = makeToken();
    await withWorkspace(db.pool, workspaceId, (c) =>
      insertCoachDoor(c, {
        workspaceId,
        kind: 'reset',
        coachId,
        email: 'coach@coaches.example.org',
        salt: crypto.randomUUID(),
        tokenHash: hashToken(token),
        now: new Date(clock),
        expiresAt: new Date(clock + DAY),
      }),
    );
    const reset = await callRoute(routes.door.action, `/door/${token}`, {
      params: { token },
      form: { password: PASSWORD },
    });
    expect(reset.location).toBe('/sign-in/code');
    expect((await page(cookieIn(reset.setCookie))).location).toContain('/sign-in/code');
    vi.stubEnv('SECRET', 'quite another secret, long enough as well');
    const cookie = cookieIn((await signInAs()).setCookie);
    expect((await enter(cookie, codeOf(key))).status).toBe(400);
    vi.stubEnv('SECRET', SECRET);
    expect((await enter(cookie, codeOf(key))).location).toBe('/programmes');
  });

  test('off, and new recovery codes, take password and code', async () => {
    clock = NOW + 60 * MINUTE;
    const cookie = cookieIn((await signInAs()).setCookie);
    await enter(cookie, codeOf(key));
    clock += MINUTE;
    const fresh = { 'own-password': PASSWORD, 'own-code': codeOf(key) };
    expect((await you(cookie, { intent: 'second-off', 'own-password': PASSWORD })).data.errors).toHaveProperty(
      'own-code',
    );
    const anew = await you(cookie, { intent: 'codes', ...fresh });
    expect(anew.data.codes).toHaveLength(10);
    expect(anew.data.codes).not.toContain(codes[1]);
    expect((await you(cookie, { intent: 'second-off', ...fresh })).data.errors).toHaveProperty('own-code');
    clock += MINUTE;
    const off = await you(cookie, { intent: 'second-off', 'own-password': PASSWORD, 'own-code': codeOf(key) });
    expect(off.data.told).toBe('The second step is off.');
    expect((await signInAs()).location).toBe('/programmes');
  });
});

describe('who coaches here', () => {
  test('an owner invites as a role, withdraws, changes and removes, having shown their password', async () => {
    const cookie = await signedIn();
    clock += 11 * MINUTE;
    const invite = (more: Record<string, string> = {}) =>
      change(cookie, { intent: 'invite', email: 'tam@coaches.example.org', role: 'reader', ...more });
    expect((await invite()).data.errors).toHaveProperty('own-password');
    expect((await invite({ 'own-password': 'wrong' })).data.errors).toHaveProperty('own-password');
    expect((await invite({ 'own-password': PASSWORD })).data.told).toContain('on its way');
    const list = async () =>
      (await callRoute(routes.coaches.loader, '/account/coaches', { cookie })).data.invitations as { email: string }[];
    expect(await list()).toMatchObject([{ email: 'tam@coaches.example.org', role: 'reader' }]);
    expect((await change(cookie, { intent: 'withdraw', email: 'tam@coaches.example.org' })).data.told).not.toBe('');
    expect(await list()).toEqual([]);
    const { rows } = await db.owner.query(`select state from message where kind = 'invite'`);
    expect(rows).toEqual([{ state: 'dropped' }]);
    // Invited again, as a reader: the door makes one.
    await invite();
    const { deriveToken } = await import('../../server/doors/derived-token.ts');
    const door = await db.owner.query<{ salt: string }>(
      `select salt from coach_door where kind = 'invite' and used_at is null`,
    );
    const token = deriveToken(SECRET, 'door', door.rows[0]!.salt);
    const came = await callRoute(routes.door.action, `/door/${token}`, {
      params: { token },
      form: { password: PASSWORD, name: 'Tam' },
    });
    expect(came.location).toBe('/programmes');
    const theirs = cookieIn(came.setCookie);
    expect((await lastNoted())!.kind).toBe('signed-in');
    const { coaches } = (await callRoute(routes.coaches.loader, '/account/coaches', { cookie })).data;
    const tam = coaches.find((c: { name: string }) => c.name === 'Tam');
    expect(tam.role).toBe('reader');
    // Readers and coaches change nobody, and see nothing of what was done.
    const asked = { intent: 'role', coach: String(tam.id), role: 'owner' };
    expect((await change(theirs, asked)).status).toBe(403);
    expect((await callRoute(routes.done.loader, '/account/done', { cookie: theirs })).status).toBe(403);
    expect((await change(cookie, { ...asked, role: 'coach' })).data.told).toBe('Tam is a coach now.');
    expect((await change(theirs, asked)).status).toBe(403);
    expect((await change(cookie, { intent: 'remove', coach: String(tam.id) })).data.told).toContain('no longer');
    expect((await page(theirs)).location).toContain('/sign-in');
    expect((await signInAs('tam@coaches.example.org')).status).toBe(400);
    // The address is free again.
    expect((await invite()).data.told).toContain('on its way');
  });

  test('there is always an owner', async () => {
    const second = await addCoach('second@coaches.example.org', 'coach');
    const at = <T>(work: Parameters<typeof withWorkspace<T>>[2]) => withWorkspace(db.pool, workspaceId, work);
    expect(await at((c) => updateCoachRole(c, coachId, 'coach'))).toBe(false);
    expect(await at((c) => updateCoachGone(c, coachId, new Date(NOW)))).toBe(false);
    expect(await at((c) => updateCoachRole(c, second, 'owner'))).toBe(true);
    // Both step down at once: one of them stays.
    const both = await Promise.all([coachId, second].map((id) => at((c) => updateCoachRole(c, id, 'reader'))));
    expect(both.filter(Boolean)).toHaveLength(1);
    await db.owner.query(
      `update coach set role = case when id = $1 then 'owner' else 'reader' end where gone_at is null`,
      [coachId],
    );
  });
});

describe('what was done', () => {
  test('is seen and taken out by owners, can’t be changed by the application, and is forgotten after 400 days', async () => {
    const cookie = await signedIn();
    const { lines } = (await callRoute(routes.done.loader, '/account/done?what=sign-in', { cookie })).data;
    expect(lines[0]).toMatchObject({ who: 'Coach', words: 'signed in' });
    expect((await callRoute(routes.doneCsv.loader, '/account/done.csv', { cookie })).status).toBe(200);
    expect(await lastNoted()).toMatchObject({ kind: 'exported', detail: 'what was done' });
    clock += 11 * MINUTE;
    expect((await callRoute(routes.doneCsv.loader, '/account/done.csv', { cookie })).location).toContain(
      '/account/again',
    );
    for (const sql of ['update audit set kind = kind', 'delete from audit'])
      await expect(withWorkspace(db.pool, workspaceId, (c) => c.query(sql))).rejects.toThrow(/permission denied/);
    const before = (await noted()).length;
    expect(await forgetAudit(db.pool, new Date(NOW - 400 * DAY))).toBe(0);
    expect(await forgetAudit(db.pool, new Date(NOW + 91 * DAY))).toBe(before);
  });
});
