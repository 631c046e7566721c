import { createHmac, randomUUID } from 'node:crypto';
import { simpleParser } from 'mailparser';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { GRACE_MS, insertMessage, insertRepetition } from '../../db/queries/messages/lay-messages.ts';
import { insertParticipants, listParticipants, updateProfile } from '../../db/queries/person.ts';
import { findPersonalLink } from '../../db/queries/doors/link.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { insertWithdrawals, updateReleasedVersion } from '../../db/queries/messages/release.ts';
import { updateDayWithdrawn, updateRunHeld, updateRunReplyTo } from '../../db/queries/run.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { releaseRun, sendDay } from '../../server/jobs/release-run.ts';
import { bounceTag, readBounceTag } from '../../server/doors/derived-token.ts';
import type { BounceServer } from '../../server/messages/bounces.ts';
import { listenForBounces } from '../../server/messages/bounces.ts';
import { readDeliveryReport } from '../../server/messages/delivery-report.ts';
import { deliverWorkspace } from '../../server/messages/deliver.ts';
import { openSmtp } from '../../server/messages/smtp.ts';
import { openTextGateway, signBody } from '../../server/messages/text-gateway.ts';
import { hashToken } from '../../server/doors/token.ts';
import type { StandIn } from '../../stand-in/server.ts';
import { CALM } from '../../stand-in/kept-message.ts';
import { startStandIn } from '../../stand-in/server.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

const SECRET = 'a secret of the tests, long enough to be one';
const TEXT_SECRET = 'shared with the text service';
const FROM = 'sessions@ysodos.example.org';
const MORNING = Date.parse('2026-05-11T05:00:00Z');

let db: ThrowawayDatabase;
let bounces: BounceServer;
let standIn: StandIn;
let mail: ReturnType<typeof openSmtp>;
let workspaceId: number;
let coachId: number;
let programmeId: number;
let runId: number;
let clock: number;

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  bounces = await listenForBounces({ host: '127.0.0.1', port: 0 }, { pool: db.pool, secret: SECRET });
  standIn = await startStandIn({ textSecret: TEXT_SECRET, bounceTo: { host: '127.0.0.1', port: bounces.port } });
  mail = openSmtp(new URL(`smtp://127.0.0.1:${standIn.smtpPort}`), FROM, SECRET);
}, 120_000);
afterAll(async () => {
  mail.close();
  await standIn.close();
  await bounces.close();
  await db.drop();
});
beforeEach(async () => {
  Object.assign(standIn.dials, CALM);
  clock = MORNING;
  ({ workspaceId, coachId } = await makeWorkspace(db.owner, `m${randomUUID().slice(0, 8)}`));
  await here(async (c) => {
    programmeId = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 1, weekdays: [1] }),
      startsOn: '2026-05-11' as DayDate,
      now: new Date(MORNING),
    });
    const programme = await getProgramme(c, programmeId, { now: new Date(MORNING) });
    ({ runId } = programme);
    const day = (await listDays(c, programme))[0]!;
    const text = 'Title: Legs & <b>back</b>\nFilm: https://films.example.org/legs\nMain: 3 rounds\n10 squat\n8 push-up';
    const revision = await updateDayText(c, { dayId: day.id, revision: day.revision, text, now: new Date(MORNING) });
    await updateDayReady(c, { dayId: day.id, revision, isReady: true });
  });
});

const here = <T>(work: Parameters<typeof withWorkspace<T>>[2]) => withWorkspace(db.pool, workspaceId, work);
/** Each test's people have addresses of their own, so that the stand-in's mail can be told apart. */
const join = (...people: readonly { name: string; address: string; spares?: readonly ['wrists'] }[]) =>
  here((c) =>
    insertParticipants(c, {
      workspaceId,
      runId,
      people: people.map(({ name, address, spares = [] as never }) => ({
        name,
        detail: '',
        timeZone: 'UTC',
        joinedOn: '2026-05-01' as DayDate,
        profile: { address, spares },
      })),
    }),
  );
const tick = () => here((c) => releaseRun(c, workspaceId, runId, clock));
const deliver = (isStopping?: () => boolean, without?: 'text') =>
  deliverWorkspace(
    db.pool,
    {
      workspaceId,
      origin: 'https://ysodos.example.org',
      secret: SECRET,
      channels: {
        hand: {
          email: mail.hand,
          text:
            without === 'text'
              ? undefined
              : openTextGateway({ url: new URL(`http://127.0.0.1:${standIn.httpPort}/text`), secret: TEXT_SECRET }),
        },
        close: () => undefined,
      },
      now: () => clock,
      random: () => 0.5,
    },
    isStopping,
  );
const states = async () =>
  (
    await db.owner.query<{ kind: string; state: string; reason: string; attempts: number; id: number }>(
      'select id, kind, state, reason, attempts from message where workspace_id = $1 and person_id is not null order by id',
      [workspaceId],
    )
  ).rows;
const mailTo = (address: string) => standIn.messages.filter((m) => m.to === address);
const workspaceName = async () =>
  (await db.owner.query<{ name: string }>('select name from workspace where id = $1', [workspaceId])).rows[0]!.name;
const unique = (name: string) => `${name}-${workspaceId}@example.org`;

describe('a message by e-mail', () => {
  test('is one glance long: the session as this person does it, a link that opens it, one click to stop', async () => {
    await join({ name: 'Ana Fennick', address: unique('ana'), spares: ['wrists'] });
    await tick();
    expect(await deliver()).toBe(1);
    const [kept] = mailTo(unique('ana'));
    const parsed = await simpleParser(kept!.raw);
    expect(parsed.subject).toMatch(/^Legs & <b>back<\/b>, about \d+ min$/);
    expect(parsed.text).toContain('Have ready: nothing but yourself');
    expect(parsed.text).toContain('- 10 squat');
    expect(parsed.text).not.toContain('- 8 push-up');
    expect(parsed.text).toMatch(/1 line is in your shape: .* instead of push-up/);
    expect(parsed.text).toContain('Film of Legs & <b>back</b>: https://films.example.org/legs');
    expect(parsed.html).toContain('Legs &amp; &lt;b&gt;back&lt;/b&gt;');
    expect(parsed.html).not.toMatch(/<img|<script|src=/);
    expect(parsed.html).toContain('prefers-color-scheme:dark');
    expect(parsed.from?.text).toContain(FROM);
    // RFC 8058: both heads, and https.
    expect(kept!.raw.replace(/\r?\n[ \t]+/g, ' ')).toMatch(
      /List-Unsubscribe: <https:\/\/ysodos\.example\.org\/stop\/[0-9a-f-]{36}>/,
    );
    expect(kept!.raw).toContain('List-Unsubscribe-Post: List-Unsubscribe=One-Click');
    const token = /https:\/\/ysodos\.example\.org\/p\/([\w-]{27})\/r\d+-w1d1/.exec(parsed.text ?? '')![1]!;
    const [person] = await here((c) => listParticipants(c, runId));
    expect(await findPersonalLink(db.pool, hashToken(token))).toEqual({ workspaceId, personId: person!.personId });
    const { rows } = await db.owner.query('select 1 from message where extra::text like $1 or reason like $1', [
      `%${token}%`,
    ]);
    expect(rows).toEqual([]);
  });

  test('is answered to the coach who wrote, or where the run says; a note is nobody’s machine; what corrects stands under the first', async () => {
    const address = unique('answers');
    const made = await join({ name: 'Ana', address });
    await tick();
    await deliver();
    const first = (await states())[0]!.id;
    const person = (await here((c) => listParticipants(c, runId)))[0]!;
    const { rows: others } = await db.owner.query<{ id: number }>(
      `insert into coach (workspace_id, email, name, password_hash, role) values ($1, $2, 'Second', 'x', 'coach') returning id`,
      [workspaceId, unique('second')],
    );
    const lay = (kind: 'note' | 'withdrawn', extra: object) =>
      here((c) =>
        insertMessage(c, {
          workspaceId,
          kind,
          channel: 'email',
          address,
          personId: person.personId,
          enrolmentId: made.get('Ana')!,
          runId,
          ...(kind === 'withdrawn' && { dayId }),
          expiresAt: new Date(clock + 3600e3),
          now: new Date(clock),
          extra,
        }),
      );
    const { rows: days } = await db.owner.query<{ day_id: number }>('select day_id from message where id = $1', [
      first,
    ]);
    const dayId = days[0]!.day_id;
    await lay('note', { subject: 'Hello', words: 'How is it?', byCoach: others[0]!.id });
    await lay('withdrawn', { note: 'The hall is closed.' });
    await deliver();
    const [session, note, withdrawn] = await Promise.all(mailTo(address).map((m) => simpleParser(m.raw)));
    const answersOf = (m: typeof session) => m!.replyTo?.value.map((v) => v.address);
    expect([answersOf(session), answersOf(note)]).toEqual([
      [`coach@${(await workspaceName()).toLowerCase()}.example.org`],
      [unique('second')],
    ]);
    expect([session!.headers.get('auto-submitted'), note!.headers.get('auto-submitted')]).toEqual([
      'auto-generated',
      undefined,
    ]);
    const id = `<ysodos-${first}@ysodos.example.org>`;
    expect([session!.messageId, session!.inReplyTo, withdrawn!.inReplyTo, withdrawn!.references]).toEqual([
      id,
      undefined,
      id,
      id,
    ]);
    await here((c) => updateRunReplyTo(c, runId, 'desk@example.org'));
    await lay('note', { subject: 'Again', words: 'And now?', byCoach: others[0]!.id });
    await deliver();
    const last = await simpleParser(mailTo(address).at(-1)!.raw);
    expect(last.replyTo?.value).toEqual([{ address: 'desk@example.org', name: 'Mornings' }]);
  });

  test('keeps its id over tries, and its link over messages', async () => {
    await join({ name: 'Ana', address: unique('same') });
    standIn.dials.putOffPct = 100;
    await tick();
    expect(await deliver()).toBe(0);
    expect(await states()).toMatchObject([
      { state: 'waiting', attempts: 1, reason: expect.stringContaining('come again') as string },
    ]);
    standIn.dials.putOffPct = 0;
    clock += 59_000;
    expect(await deliver()).toBe(0);
    clock += 2_000;
    expect(await deliver()).toBe(1);
    const { id } = (await states())[0]!;
    expect(mailTo(unique('same')).map((m) => m.id)).toEqual([`<ysodos-${id}@ysodos.example.org>`]);
    expect(
      await here((c) =>
        insertRepetition(c, {
          runId,
          messageId: Number(id),
          expiresAt: new Date(clock + 3600e3),
          now: new Date(clock),
        }),
      ),
    ).toBe(true);
    expect(await deliver()).toBe(1);
    const links = mailTo(unique('same')).map((m) => /\/p\/([\w-]+)\//.exec(m.text)![1]);
    expect(links).toHaveLength(2);
    expect(links[0]).toBe(links[1]);
  });

  test('that is refused for good, or put off until its day has passed, ends with a reason', async () => {
    await join({ name: 'Ana', address: unique('never') });
    standIn.dials.refusePct = 100;
    await tick();
    await deliver();
    expect(await states()).toMatchObject([
      { state: 'refused', reason: expect.stringContaining('Not wanted') as string },
    ]);
    await join({ name: 'Luis', address: unique('late') });
    Object.assign(standIn.dials, { refusePct: 0, putOffPct: 100 });
    await tick();
    for (let i = 0; i < 12; i++) {
      await deliver();
      clock += 9 * 3600_000;
    }
    const luis = (await states()).at(-1)!;
    expect(luis.state).toBe('gave-up');
    expect(luis.attempts).toBe(9);
  });

  test('that comes back as a delivery report ends as bounced, and nothing more goes to that address', async () => {
    await join({ name: 'Gone', address: unique('gone') });
    await tick();
    await deliver();
    // Read on a thread of its own, which takes a moment to begin.
    await expect.poll(async () => (await states())[0]!.state, { timeout: 20_000 }).toBe('bounced');
    expect((await states())[0]!.reason).toContain('There is no such mailbox');
    await expect
      .poll(async () => (await here((c) => listParticipants(c, runId)))[0]!.profile.contact.addressState)
      .toBe('bounced');
  });

  test('waits while all is held, in quiet hours, and is dropped where it isn’t wanted any more', async () => {
    const ids = await join({ name: 'Quiet', address: unique('quiet') }, { name: 'Stops', address: unique('stops') });
    await here((c) => updateProfile(c, ids.get('Quiet')!, { quiet: { from: '22:00', to: '07:00' } }));
    await tick();
    await here((c) => updateRunHeld(c, runId, new Date(clock)));
    expect(await deliver()).toBe(0);
    expect((await states()).map((m) => m.state)).toEqual(['waiting', 'waiting']);
    await here((c) => updateRunHeld(c, runId, null));
    await here((c) => updateProfile(c, ids.get('Stops')!, { addressState: 'stopped' }));
    expect(await deliver()).toBe(0);
    expect((await states()).sort((a, b) => (a.state < b.state ? -1 : 1))).toMatchObject([
      { state: 'dropped', reason: 'they want no messages' },
      { state: 'waiting', reason: 'in their quiet hours', attempts: 0 },
    ]);
    clock = Date.parse('2026-05-11T07:00:00Z');
    expect(await deliver()).toBe(1);
  });

  test('of a withdrawn session is dropped', async () => {
    await join({ name: 'Ana', address: unique('withdrawn') });
    await tick();
    await here(async (c) => {
      const day = (await listDays(c, { id: programmeId, runId }))[0]!;
      await updateDayWithdrawn(c, { workspaceId, runId, dayId: day.id, at: new Date(clock), note: '' });
    });
    await deliver();
    expect(await states()).toMatchObject([{ state: 'dropped', reason: 'the session was withdrawn' }]);
  });
});

test('a short text goes by one signed post, with the link, in two parts at the most', async () => {
  await join({ name: 'Tess', address: '+351 910 000 111' });
  await tick();
  expect(await deliver()).toBe(1);
  const text = standIn.messages.findLast((m) => m.kind === 'text')!;
  expect(text.text).toMatch(
    /^\S.*, Mornings: Legs & <b>back<\/b>, about \d+ min\. Have ready: nothing but yourself\. https:\/\/ysodos\.example\.org\/p\/[\w-]{27}\/r\d+-w1d1$/,
  );
  expect(text.text.length).toBeLessThanOrEqual(320);
});

test('a correction and a withdrawal reach who is told by text as they reach who is told by mail, each once', async () => {
  const people = [
    { name: 'Tess', address: '+351 910 000 333' },
    { name: 'Ana', address: unique('both') },
  ];
  await join(...people);
  await tick();
  await deliver();
  const sent = () =>
    standIn.messages.filter((m) => people.some((p) => m.to.replace(/\s/g, '') === p.address.replace(/\s/g, '')));
  const before = sent().length;
  expect(before).toBe(2);
  clock += 600e3;
  const moment = { expiresAt: new Date(clock + 8 * 3600e3), now: new Date(clock) };
  const dayId = await here(async (c) => {
    const programme = await getProgramme(c, programmeId, { now: new Date(clock) });
    const day = (await listDays(c, programme))[0]!;
    const text = 'Title: Legs, shorter\nMain: 2 rounds\n10 squat';
    await updateDayText(c, { dayId: day.id, revision: day.revision, text, now: new Date(clock) });
    const newer = (await listDays(c, programme))[0]!;
    const note = 'The rope is broken';
    const version = (await sendDay(c, {
      workspaceId,
      programme,
      day: newer,
      changeNote: note,
      coachId,
      nowMs: clock,
    }))!;
    await updateReleasedVersion(c, { workspaceId, runId, dayId: day.id, version, note, ...moment });
    return day.id;
  });
  expect(await deliver()).toBe(0);
  clock += GRACE_MS;
  expect(await deliver()).toBe(2);
  await here(async (c) => {
    const note = 'The hall is closed.';
    await updateDayWithdrawn(c, { workspaceId, runId, dayId, at: new Date(clock), note });
    await insertWithdrawals(c, { workspaceId, runId, dayId, sequence: 1, note, ...moment, now: new Date(clock) });
  });
  clock += GRACE_MS;
  expect(await deliver()).toBe(2);
  const [change, gone] = sent()
    .filter((m) => m.kind === 'text')
    .slice(1);
  expect(
    sent()
      .slice(before)
      .map((m) => m.kind)
      .sort(),
  ).toEqual(['mail', 'mail', 'text', 'text']);
  expect(change!.text).toMatch(
    /^\S.*, Mornings: Monday 11 May is corrected\. The rope is broken\. Have ready: nothing but yourself\. https:\/\/\S+\/r\d+-w1d1$/,
  );
  expect(gone!.text).toMatch(
    /^\S.*, Mornings: Monday 11 May is withdrawn\. The hall is closed\. Nothing is missing on your side\. https:\/\/\S+$/,
  );
});

test('a channel that isn’t set up hands nothing on, and nothing leaves by another', async () => {
  await join({ name: 'Uma', address: '+351 910 000 222' });
  await tick();
  const before = standIn.messages.length;
  expect(await deliver(undefined, 'text')).toBe(0);
  expect(standIn.messages.length).toBe(before);
  expect((await states()).map((m) => [m.state, m.reason])).toEqual([
    ['refused', 'no text service is set up (TEXT_URL)'],
  ]);
});

test('the signature of a post is HMAC-SHA-256 over time and body', () => {
  const body = '{"id":"1"}';
  const signed = signBody('s', body, 1_000);
  expect(signed).toBe(`t=1000,v1=${createHmac('sha256', 's').update(`1000.${body}`).digest('hex')}`);
});

test('a worker that dies with a batch gives it back by its lease, and nothing is accepted twice', async () => {
  await join(...Array.from({ length: 60 }, (_, i) => ({ name: `P${i}`, address: unique(`p${i}`) })));
  await tick();
  // It takes them all, sends twenty, and dies before it has said so.
  await db.owner.query(`update message set state = 'sending', lease_until = $2, attempts = 1 where workspace_id = $1`, [
    workspaceId,
    new Date(clock + 120_000),
  ]);
  const twenty = (await states()).slice(0, 20);
  for (const [i, m] of twenty.entries())
    await mail.hand({
      messageId: Number(m.id),
      to: unique(`p${i}`),
      toName: `P${i}`,
      fromName: 'x',
      written: { subject: 's', text: 't', html: 'h', short: 's' },
      sentAtMs: clock,
    });
  expect(await deliver()).toBe(0);
  clock += 121_000;
  const accepted = await Promise.all([deliver(), deliver(), deliver()]);
  expect(accepted.reduce((a, b) => a + b, 0)).toBe(60);
  expect((await states()).every((m) => m.state === 'accepted')).toBe(true);
  const mine = standIn.messages.filter((m) => m.to.includes(`-${workspaceId}@`));
  // A second copy of a mail has the id of the first.
  expect(mine).toHaveLength(60);
  expect(mine.filter((m) => m.copies === 2)).toHaveLength(20);
});

test('words that are laid for someone at the same moment are all laid', async () => {
  const [enrolmentId] = (await join({ name: 'Vera', address: unique('vera') })).values();
  const { rows } = await db.owner.query<{ person_id: number }>('select person_id from enrolment where id = $1', [
    enrolmentId,
  ]);
  const note = () =>
    here((c) =>
      insertMessage(c, {
        workspaceId,
        kind: 'note',
        channel: 'email',
        address: unique('vera'),
        personId: rows[0]!.person_id,
        enrolmentId: enrolmentId!,
        runId,
        expiresAt: new Date(clock + 3600e3),
        now: new Date(clock),
        extra: { subject: 'A word', words: 'Hello' },
      }),
    );
  await Promise.all([note(), note(), note()]);
  expect((await states()).filter((m) => m.kind === 'note')).toHaveLength(3);
});

test('a coach’s message carries its one link', async () => {
  await here((c) =>
    insertMessage(c, {
      workspaceId,
      kind: 'flag',
      channel: 'email',
      address: unique('coach'),
      coachId,
      runId,
      expiresAt: new Date(clock + 3600e3),
      now: new Date(clock),
      extra: {
        programmeTitle: 'Mornings',
        dayWords: 'Monday 11 May',
        first: 'Auckland',
        why: 'it is still to write',
        path: '/programmes/1-1/write/w1d1',
      },
    }),
  );
  expect(await deliver()).toBe(1);
  expect(mailTo(unique('coach'))[0]!.text).toContain('first to Auckland, and it is still to write');
  expect(mailTo(unique('coach'))[0]!.text).toContain('https://ysodos.example.org/programmes/1-1/write/w1d1');
});

test('a return path of ours is told from any other', () => {
  const tag = bounceTag(SECRET, 41);
  expect(readBounceTag(SECRET, tag)).toBe(41);
  expect(readBounceTag(SECRET, tag.toUpperCase())).toBe(41);
  expect(readBounceTag(SECRET, tag.replace('41-', '42-'))).toBeUndefined();
  expect(readBounceTag('another secret', tag)).toBeUndefined();
  for (const wrong of ['', '41', '41-', `${tag}0`, '0-0000000000000000'])
    expect(readBounceTag(SECRET, wrong)).toBeUndefined();
});

// The report of RFC 3464, appendix D (from memory, shortened).
test('a delivery report as the standard shows it is read; a mail that is none isn’t', async () => {
  const report = [
    'From: Mail Delivery Subsystem <MAILER-DAEMON@cs.example.org>',
    'To: <owner@pure.example.org>',
    'MIME-Version: 1.0',
    'Content-Type: multipart/report; report-type=delivery-status; boundary="RAA14128.773615765/CS.EXAMPLE.ORG"',
    '',
    '--RAA14128.773615765/CS.EXAMPLE.ORG',
    '',
    'The original message was received at Fri, 8 Jul 1994 13:36:25 -0400',
    '--RAA14128.773615765/CS.EXAMPLE.ORG',
    'content-type: message/delivery-status',
    '',
    'Reporting-MTA: dns; cs.example.org',
    '',
    'Original-Recipient: rfc822;louisl@larry.example.org',
    'Final-Recipient: rfc822;louisl@larry.example.org',
    'Action: failed',
    'Status: 4.0.0',
    'Diagnostic-Code: smtp; 426 connection',
    '    timed out',
    '',
    '--RAA14128.773615765/CS.EXAMPLE.ORG--',
  ].join('\r\n');
  expect(await readDeliveryReport(report)).toEqual({
    action: 'failed',
    status: '4.0.0',
    reason: '426 connection timed out',
  });
  expect(await readDeliveryReport('Subject: Hello\r\n\r\nAction: failed')).toBeUndefined();
  expect(await readDeliveryReport('')).toBeUndefined();
});
