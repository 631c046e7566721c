import { resolve } from 'node:path';
import ICAL from 'ical.js';
import ical from 'node-ical';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { RunningDemo } from '../../bin/parts/running-demo.ts';
import { FIXED_NOW, startDemo } from '../../bin/parts/running-demo.ts';
import { writeClock } from '../../bin/parts/move-clock.ts';
import { findFaults } from './axe.ts';
import { decideSend, demo, markReady, openBrowser, openPage, PHONE, postForm, setDemo, writeTime } from './helpers.ts';
import { findSmall } from './small.ts';

/** A demo with workers, a stand-in for the outside, and a clock that this file moves. */
const CLOCK = resolve('.local/messages-clock');
const moveClock = (iso: string) => writeClock(CLOCK, iso);
/** Workers look every quarter of a minute. */
const SENT = { timeout: 40_000, interval: 500 };

let own: RunningDemo;
let browser: Browser;
let coach: Page;
let base: string;

beforeAll(async () => {
  moveClock(FIXED_NOW);
  own = await startDemo('.local/messages-test', [], { YSODOS_CLOCK_FILE: CLOCK });
  setDemo(own);
  browser = await openBrowser();
  moveClock('2026-10-23T12:00:00Z');
}, 180_000);
afterAll(async () => {
  await browser?.close();
  await own?.stop();
});

interface Kept {
  readonly no: number;
  readonly kind: 'mail' | 'text';
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly raw: string;
  readonly copies: number;
}
const inbox = async (to: string): Promise<Kept[]> => {
  const response = await fetch(`${own.inbox}/messages.json?last=5000`);
  return ((await response.json()) as Kept[]).filter((m) => m.to === to);
};
const subjects = async (to: string) => (await inbox(to)).map((m) => m.subject);
const linkIn = (message: Kept, pattern: RegExp) => new URL(pattern.exec(message.text)![0]).pathname;

const post = (path: string, form: Record<string, string>) => postForm(coach, `${own.base}${path}`, form);
const write = async (day: string, text: string) => {
  const response = await coach.request.post(`${own.base}${base}/write/${day}/draft`, {
    data: { text, revision: 1 },
    headers: { origin: own.base },
  });
  expect(response.status()).toBe(200);
  await post(`${base}/write/${day}`, { intent: 'ready', revision: '2' });
};

const ANA = 'ana@example.org';
const LUIS = 'luis@example.org';

describe('every morning, across the end of summer time', () => {
  let luis: Page;

  test(
    'a programme that goes out by itself; one joins by the coach, one by the join page',
    { timeout: 120_000 },
    async () => {
      coach = await openPage(browser, { timezoneId: 'Europe/Lisbon' });
      await coach.goto('/sign-in');
      await coach.getByLabel('E-mail').fill(own.newcomerEmail);
      await coach.getByLabel('Password').fill(own.password);
      await coach.getByRole('button', { name: 'Sign in' }).click();
      await coach.waitForURL('**/programmes');
      const made = await post('/programmes', {
        title: 'Mornings',
        weeks: '1',
        startsOn: '2026-10-24',
        weekdays: '6',
        lighterEvery: '0',
        from: 'empty',
      });
      base = /\/programmes\/\d+/.exec(made.headers().location!)![0];
      for (const day of ['w1d2', 'w1d3']) await post(`${base}/write/${day}`, { intent: 'add' });
      await write('w1d1', 'Title: First\nMain: 3 rounds\n10 squat');
      await write('w1d2', 'Title: Second\nMain: 3 rounds\n12 squat');
      await post(`${base}/new-people`, { text: `Ana, ${ANA}`, timeZone: 'Pacific/Auckland', joinedOn: '2026-10-24' });

      await coach.goto(`${base}/run`);
      await coach.getByLabel('People can join now').check();
      await coach.getByLabel('What people read there first').fill('Three mornings, together.');
      await coach.getByRole('button', { name: 'Make the join page' }).click();
      const join = await coach.locator('.link-to-give code').textContent();

      luis = await openPage(browser, { ...PHONE, timezoneId: 'Europe/Lisbon' });
      await luis.goto(join!);
      await luis.getByText('Three mornings, together.').waitFor();
      await luis.waitForFunction(() => (document.querySelector('[name=timeZone]') as HTMLInputElement)?.value !== '');
      expect({ faults: await findFaults(luis), small: await findSmall(luis) }).toEqual({ faults: [], small: [] });
      await luis.getByLabel('Your name').fill('Luis Alder');
      await luis.getByLabel('Your e-mail').fill(LUIS);
      await luis.getByRole('button', { name: 'Take part' }).click();
      await luis.getByText('Please answer each question.').waitFor();
      expect(await luis.getByLabel('Your name').inputValue()).toBe('Luis Alder');
      expect(await luis.getByLabel('Your time zone').inputValue()).toBe('Europe/Lisbon');
      for (const no of await luis.getByLabel('no', { exact: true }).all()) await no.check();
      await luis.getByLabel('I agree to that').check();
      await luis.getByRole('button', { name: 'Take part' }).click();
      await luis.getByRole('heading', { name: 'Welcome to Mornings' }).waitFor();
      await luis.getByText(/coaches you. 3 sessions, from Saturday 24 October to Monday 26 October/).waitFor();
      await luis.getByText('Three mornings, together.').waitFor();
      expect(await findFaults(luis)).toEqual([]);
      await expect.poll(() => subjects(LUIS), SENT).toEqual(['Is this you? Mornings']);
      const confirm = linkIn((await inbox(LUIS))[0]!, /http:\S+\/confirm\/[\w-]+/);
      const page = await openPage(browser, PHONE);
      await page.goto(confirm);
      expect(await findFaults(page)).toEqual([]);
      await page.getByRole('button', { name: 'Yes, send them here' }).click();
      await page.getByRole('heading', { name: 'Thank you' }).waitFor();
      await page.getByRole('link', { name: 'Open your page' }).click();
      await page.getByText(/Luis/).first().waitFor();
      await page.close();
    },
  );

  test('each gets each day once, at five of their own clock', { timeout: 240_000 }, async () => {
    moveClock('2026-10-23T15:59:00Z');
    await coach.goto(`${base}/send`);
    await coach.getByText(/Next: First, Saturday 24 October/).waitFor();
    moveClock('2026-10-23T16:00:00Z'); // Saturday 05:00 in Auckland, already on summer time.
    await expect.poll(() => subjects(ANA), SENT).toEqual([expect.stringMatching(/^First, /)]);
    moveClock('2026-10-24T04:00:00Z'); // Saturday 05:00 in Lisbon, still on summer time.
    await expect.poll(() => subjects(LUIS), SENT).toEqual([expect.anything(), expect.stringMatching(/^First, /)]);
    moveClock('2026-10-24T16:00:00Z');
    await expect.poll(() => subjects(ANA), SENT).toHaveLength(2);
    // Sunday 05:00 in Lisbon is 05:00 UTC by now: an hour before it is four there.
    moveClock('2026-10-25T04:00:00Z');
    await new Promise((done) => setTimeout(done, 3_000));
    expect(await subjects(LUIS)).toHaveLength(2);
    moveClock('2026-10-25T05:00:00Z');
    await expect.poll(() => subjects(LUIS), SENT).toHaveLength(3);
    expect((await subjects(LUIS))[2]).toMatch(/^Second, /);
    for (const to of [ANA, LUIS])
      expect((await inbox(to)).map((m) => m.copies)).toEqual((await inbox(to)).map(() => 1));
  });

  test(
    'the link in the message opens the day; a correction reaches who hasn’t begun, who has keeps theirs',
    { timeout: 120_000 },
    async () => {
      const day = linkIn((await inbox(LUIS))[2]!, /http:\S+\/p\/\S+w1d2/);
      await luis.goto(day);
      await luis.getByRole('heading', { name: 'Second' }).waitFor();
      await luis.goto(`${day}/clock`);
      await luis.getByRole('button', { name: 'Start' }).waitFor();
      await coach.goto(`${base}/write/w1d2`);
      await coach.locator('.cm-content').click();
      await coach.keyboard.press('Control+a');
      await coach.keyboard.insertText('Title: Second\nMain: 3 rounds\n8 squat');
      await coach.getByText('saved', { exact: true }).waitFor();
      await markReady(coach);
      await coach.waitForURL('**/send/w1d2');
      await coach.getByRole('button', { name: 'Send version 2 to 2 people' }).click();
      await coach.getByLabel(/What changed/).fill('8, not 12');
      await coach.getByRole('dialog').getByRole('button', { name: 'Send to 2 people' }).click();
      await coach.getByText('Version 2 is out.').waitFor();
      await expect.poll(() => subjects(ANA), SENT).toContainEqual('Corrected: Second');
      expect((await inbox(ANA)).at(-1)!.text).toContain('8, not 12');
      expect((await inbox(ANA)).at(-1)!.text).toContain('- 8 squat');
      expect(await subjects(LUIS)).not.toContain('Corrected: Second');
      await luis.goto(day);
      await luis.getByText(/corrected it since you began: 8, not 12/).waitFor();
      await luis.getByText('12', { exact: true }).first().waitFor();
    },
  );

  test('an unwritten day: people are told so, the coach was warned', { timeout: 120_000 }, async () => {
    moveClock('2026-10-26T06:00:00Z');
    await luis.goto(`/p/${/\/p\/([\w-]+)/.exec((await inbox(LUIS))[1]!.text)![1]}`);
    await luis.getByText('Your coach is still writing today’s session.').waitFor();
    await expect
      .poll(async () => (await subjects(own.newcomerEmail)).some((s) => s.startsWith('Not ready: ')), SENT)
      .toBe(true);
    await coach.goto(`${base}/send`);
    await coach
      .getByRole('heading', { name: 'Monday, week 1' })
      .or(coach.getByText('No further session goes out: the programme is at its end.'))
      .first()
      .waitFor();
  });

  test(
    'held, nothing goes; stopped, nothing comes, by one click from a mail program too',
    { timeout: 120_000 },
    async () => {
      await coach.goto(`${base}/send/w1d3`);
      await coach.getByRole('button', { name: 'Hold everything' }).click();
      await coach.getByText('All is held').waitFor();
      await write('w1d3', 'Title: Third\nMain: 3 rounds\n14 squat');
      await new Promise((done) => setTimeout(done, 3_000));
      expect((await subjects(ANA)).filter((s) => s.startsWith('Third'))).toEqual([]);
      const stop = linkIn((await inbox(LUIS))[1]!, /http:\S+\/stop\/[\w-]+/);
      const oneClick = await fetch(`${own.base}${stop}`, {
        method: 'POST',
        body: 'List-Unsubscribe=One-Click',
        // A mail program is no page (RFC 8058, 3.1).
        headers: { 'content-type': 'application/x-www-form-urlencoded', origin: 'null' },
      });
      expect(oneClick.status).toBe(200);
      await coach.getByRole('button', { name: 'Let it go' }).click();
      await decideSend(coach);
      await coach.getByRole('button', { name: 'Hold everything' }).waitFor();
      await expect.poll(async () => (await subjects(ANA)).filter((s) => s.startsWith('Third')).length, SENT).toBe(1);
      expect((await subjects(LUIS)).filter((s) => s.startsWith('Third'))).toEqual([]);
      const page = await openPage(browser, PHONE);
      await page.goto(stop);
      expect(await findFaults(page)).toEqual([]);
      await page.close();
    },
  );

  test('the outbox shows what each was sent, finds, and sends once more', { timeout: 120_000 }, async () => {
    await coach.goto(`${base}/outbox?q=ana`);
    const rows = coach.locator('.outbox-rows .ant-table-row');
    await expect.poll(() => rows.count()).toBe(4);
    const before = (await inbox(ANA)).length;
    await rows.first().getByRole('button', { name: 'Once more to Ana' }).click();
    await coach.getByText('It goes out once more.').waitFor();
    await expect.poll(async () => (await inbox(ANA)).length, SENT).toBe(before + 1);
    expect((await inbox(ANA)).at(-1)!.subject).toBe((await inbox(ANA)).at(-2)!.subject);
    // It is a message of its own, not a second copy.
    expect((await inbox(ANA)).at(-1)!.copies).toBe(1);
  });

  test(
    'a calendar of one’s own: accepted by two readers, 304 while nothing changes, gone when it is taken back',
    { timeout: 60_000 },
    async () => {
      const link = /\/p\/[\w-]+/.exec((await inbox(ANA))[0]!.text)![0];
      const ana = await openPage(browser, { ...PHONE, timezoneId: 'Pacific/Auckland' });
      await ana.goto(`${link}/me/days`);
      await ana.getByRole('button', { name: 'Make an address for it' }).click();
      const feed = (await ana.locator('.me-feed').textContent())!;
      const first = await fetch(feed);
      expect(first.headers.get('content-type')).toContain('text/calendar');
      const file = await first.text();
      const calendar = new ICAL.Component(ICAL.parse(file) as unknown[] as never);
      const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
      expect(events.map((e) => [e.summary, e.startDate.toJSDate().toISOString()])).toEqual([
        ['First', '2026-10-23T16:00:00.000Z'],
        ['Second', '2026-10-24T16:00:00.000Z'],
        ['Third', '2026-10-25T16:00:00.000Z'],
      ]);
      const read = Object.values(ical.sync.parseICS(file)).filter((c) => c?.type === 'VEVENT');
      expect(read.map((e) => (e as { summary: string }).summary)).toEqual(['First', 'Second', 'Third']);
      expect(file.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
      const again = await fetch(feed, { headers: { 'if-none-match': first.headers.get('etag')! } });
      expect(again.status).toBe(304);
      // It opens nothing but the calendar, and the link is no calendar.
      expect((await fetch(feed.replace('/calendar.ics', ''))).status).toBe(404);
      expect((await fetch(`${own.base}${link}/calendar.ics`)).status).toBe(404);
      await ana.getByRole('button', { name: 'Take it away' }).click();
      await ana.waitForURL('**kept=calendar-off');
      expect((await fetch(feed)).status).toBe(404);
      await ana.close();
    },
  );

  test(
    'a live session: said yes to, reminded of, ticked by the room’s code, a done day',
    { timeout: 120_000 },
    async () => {
      moveClock('2026-10-26T09:00:00Z');
      await post(`${base}/write/w1d4`, { intent: 'add' });
      await write('w1d4', 'Title: Together\nMain: 3 rounds\n16 squat');
      await coach.goto(`${base}/send/w1d4`);
      await coach.getByRole('button', { name: 'Make it a live session' }).click();
      await writeTime(coach.getByLabel('Date'), '2026-10-27');
      await writeTime(coach.getByLabel('Hour, in Europe/Lisbon'), '18:00');
      await coach.getByLabel('Place or link').fill('Hall 2');
      await coach.getByLabel('Places, if they are limited').fill('1');
      await coach.locator('.live-form').getByRole('button', { name: 'Save' }).click();
      await coach.getByText('0 of 1 place taken').waitFor();
      const code = (await coach.locator('.live-code').textContent())!;
      const link = /\/p\/[\w-]+/.exec((await inbox(ANA))[0]!.text)![0];
      const ana = await openPage(browser, { ...PHONE, timezoneId: 'Pacific/Auckland' });
      await ana.goto(link);
      // 18:00 in Lisbon is seven in the morning of the day after in Auckland.
      await ana.getByText('Wednesday 28 October, 07:00').waitFor();
      // On top from a day before on: it stands after the heading of the page until then.
      const isOnTop = () =>
        ana.evaluate(() => {
          const [card, heading] = [document.querySelector('.live-card')!, document.querySelector('h1')!];
          return (card.compareDocumentPosition(heading) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
        });
      expect(await isOnTop()).toBe(false);
      await ana.getByRole('button', { name: 'I come', exact: true }).click();
      await expect
        .poll(() => ana.getByRole('button', { name: 'I come', exact: true }).getAttribute('aria-pressed'))
        .toBe('true');
      await luis.goto(`/p/${/\/p\/([\w-]+)/.exec((await inbox(LUIS))[1]!.text)![1]}`);
      await luis.getByText('It is full.').waitFor();
      moveClock('2026-10-26T16:00:00Z'); // Tuesday 05:00 in Auckland.
      await expect.poll(() => subjects(ANA), SENT).toContainEqual(expect.stringMatching(/^Together, /));
      moveClock('2026-10-27T15:00:00Z');
      await expect.poll(() => subjects(ANA), SENT).toContainEqual('Live soon: Together');
      moveClock('2026-10-27T18:05:00Z');
      await ana.goto(link);
      expect(await isOnTop()).toBe(true);
      await ana.getByLabel('The code that the room sees').fill('AAAA');
      await ana.getByRole('button', { name: 'I am here' }).click();
      await ana.getByText('That is not the code of the room.').waitFor();
      await ana.getByLabel('The code that the room sees').fill(code.toLowerCase());
      await ana.getByRole('button', { name: 'I am here' }).click();
      await ana.getByText('You were there.').waitFor();
      await coach.goto(`${base}/send/w1d4`);
      await coach.getByText(/1 came/).waitFor();
      await ana.close();
    },
  );
});

test(
  'a forgotten password: a message, a door that opens once, and every other sign-in ends',
  { timeout: 120_000 },
  async () => {
    const page = await openPage(browser);
    await page.goto('/forgot');
    await page.getByLabel('Your e-mail').fill(own.newcomerEmail);
    await page.getByRole('button', { name: 'Send me a link' }).click();
    await page.getByText(/a message is on its way/).waitFor();
    await expect.poll(() => subjects(own.newcomerEmail), SENT).toContainEqual('A new password');
    const message = (await inbox(own.newcomerEmail)).find((m) => m.subject === 'A new password')!;
    const door = linkIn(message, /http:\S+\/door\/\S+/);
    await page.goto(door);
    expect(await findFaults(page)).toEqual([]);
    await page.getByLabel('A password').fill('short');
    await page.getByRole('button', { name: 'Set it, and sign in' }).click();
    await page.getByText(/At least ten letters/).waitFor();
    await page.getByLabel('A password').fill('three quiet squats');
    await page.getByRole('button', { name: 'Set it, and sign in' }).click();
    await page.waitForURL('**/programmes');
    await coach.goto('/programmes');
    await coach.waitForURL('**/sign-in**');
    expect((await page.goto(door))!.status()).toBe(404);
    await page.close();
  },
);

test('an invitation brings a second coach into the workspace', { timeout: 120_000 }, async () => {
  const page = await openPage(browser);
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(demo().workspaces[0]!.coachEmail);
  await page.getByLabel('Password').fill(own.password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('**/programmes');
  await page.goto('/account/coaches');
  await page.getByLabel('Their e-mail address').fill('second@example.org');
  await page.getByRole('button', { name: 'Send the invitation' }).click();
  await page.getByText(/An invitation is on its way/).waitFor();
  await expect.poll(() => subjects('second@example.org'), SENT).toEqual(['Mirja Solheim invites you']);
  const second = await openPage(browser);
  await second.goto(linkIn((await inbox('second@example.org'))[0]!, /http:\S+\/door\/\S+/));
  await second.getByLabel('Your name').fill('Sanna Ruiz');
  await second.getByLabel('A password').fill('a band and a chair');
  await second.getByRole('button', { name: 'Come in' }).click();
  await second.waitForURL('**/programmes');
  await second.getByRole('heading', { name: 'Eight weeks to the summer tour' }).waitFor();
  await page.goto('/account');
  await page.getByRole('button', { name: 'Sign out everywhere' }).click();
  await page.waitForURL('**/sign-in**');
  await page.close();
  await second.close();
});
