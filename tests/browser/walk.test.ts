import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import {
  choose,
  demo,
  markReady,
  openBrowser,
  openPage,
  PHONE,
  signIn,
  SOON,
  writeText,
  writeTime,
} from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

const SESSION = `Title: Two small things
Target: 3 min
Kit: chair
Effort: 4

Warm-up: flow
6 chair squat

Main (Pair): work 0:20 rest 0:10, 2 rounds
squat
each side side plank, "breathe"

Finisher (Fast): for time, reps 3-2
sit-to-stand
`;

describe('from a written session to a logged one', () => {
  let coach: Page;
  let reader: Page;
  let programmeUrl: string;
  let link: string;
  beforeAll(async () => {
    coach = await openPage(browser, { timezoneId: 'America/New_York' });
    reader = await openPage(browser, { ...PHONE, timezoneId: 'Pacific/Auckland' });
  });
  afterAll(async () => {
    await coach.close();
    await reader.close();
  });

  test('1 the coach signs in and makes a programme that is shown as weeks and days', async () => {
    await signIn(coach);
    await coach.getByRole('button', { name: 'New programme' }).click();
    await coach.getByLabel('Title').fill('A short one');
    await coach.getByLabel('Weeks', { exact: true }).fill('2');
    await writeTime(coach.getByLabel('Begins'), '2026-05-11');
    await coach.getByRole('button', { name: 'Make the programme' }).click();
    await coach.waitForURL('**/plan');
    programmeUrl = coach.url().replace(/\/plan$/, '');
    await coach.getByRole('row').nth(2).waitFor();
    await expect.poll(() => coach.getByRole('row').count(), SOON).toBe(3);
    await expect.poll(() => coach.getByRole('gridcell', { name: /, to write/ }).count(), SOON).toBe(6);
  });

  test('and adds someone whose link is shown once', async () => {
    await coach.getByRole('link', { name: 'People' }).click();
    await coach.getByLabel('Names, one a line').fill('Noor Garrowhill, oboe');
    await choose(coach.getByLabel('Time zone'), 'Auckland (Pacific)');
    await writeTime(coach.getByLabel('Joined'), '2026-05-11');
    await coach.getByRole('button', { name: 'Add 1 person' }).click();
    await coach.getByRole('button', { name: 'Hand out their link' }).click();
    link = await coach.getByLabel('Personal link of Noor Garrowhill').inputValue();
    expect(link).toMatch(/\/p\/[A-Za-z0-9_-]{27}$/);
    // The code says the same as the text beside it; what a camera reads of it is the toolkit's own matter.
    await coach.locator('.made-qr svg').waitFor();
    await coach.getByRole('button', { name: 'I have them' }).click();
  });

  test('2 writing shows length, blocks and counts at once, and saves by itself', async () => {
    await coach.goto(`${programmeUrl}/write/w1d3`);
    await writeText(coach, SESSION);
    // Warm-up 6 x 2.8 s = 17 s; main 2 x 2 x 30 s = 2:00; finisher 5 x 3 s = 15 s.
    await coach.getByText('2:32', { exact: true }).waitFor();
    await coach.getByText('2 rounds × 2 × 0:30').waitFor();
    const row = coach.getByRole('row', { name: /sit-to-stand/ });
    await expect.poll(() => row.getByRole('cell').last().textContent(), SOON).toBe('5');
    await coach.getByText('saved', { exact: true }).waitFor();
  });

  test('what can’t be read is marked where it stands, with a remedy, and blocks sending', async () => {
    await writeText(coach, SESSION.replace('work 0:20', 'wrok 0:20'));
    await coach.getByText('One thing can’t be read').waitFor();
    await coach.getByRole('button', { name: 'Line 9, column 14.' }).waitFor();
    await expect.poll(() => coach.getByRole('button', { name: 'Mark ready' }).isDisabled(), SOON).toBe(true);
    await coach
      .getByRole('button', { name: /work 0:20 rest 0:10/ })
      .first()
      .click();
    await coach.getByText('One thing can’t be read').waitFor({ state: 'detached' });
    await expect.poll(() => coach.locator('.cm-content').innerText(), SOON).toContain('work 0:20 rest 0:10');
    await coach.getByText('saved', { exact: true }).waitFor();
  });

  test('3 it is marked ready and sent, and the sent version stays', async () => {
    await markReady(coach);
    await coach.waitForURL('**/send/w1d3');
    await coach.getByText('Auckland').first().waitFor();
    await coach.getByRole('button', { name: 'Send to 1 person' }).click();
    await coach.getByRole('dialog').getByRole('button', { name: 'Send to 1 person' }).click();
    await coach.getByText('Version 1 is out.').waitFor();
    await expect.poll(() => coach.getByRole('button', { name: /^Send (to|version)/ }).count(), SOON).toBe(0);
    await coach.goto(`${programmeUrl}/write/w1d3`);
    await coach.locator('.cm-content').waitFor();
    await writeText(coach, SESSION.replace('Two small things', 'Changed afterwards'));
    await coach.getByText('saved', { exact: true }).waitFor();
    await reader.goto(link);
    await reader.getByRole('heading', { name: 'Two small things' }).waitFor();
  });

  test('4 the participant sees it, and follows it by the clock', async () => {
    await expect.poll(() => reader.locator('.today-kit').textContent(), SOON).toBe('Have ready: chair');
    await reader.clock.install();
    await reader.getByRole('link', { name: 'Start with the clock' }).click();
    await reader.getByRole('button', { name: 'Start', exact: true }).click();
    const heading = (name: string | RegExp) => reader.getByRole('heading', { name }).waitFor();
    await heading('Get ready');
    await reader.clock.runFor(5200);
    await heading('chair squat');
    await reader.clock.runFor(40_000);
    await heading('chair squat'); // Own pace waits.
    await reader.getByRole('button', { name: 'Done, on to the next' }).click();
    await heading('squat');
    await reader.getByText('round 1 of 2').waitFor();
    await reader.getByText('side plank').first().waitFor(); // What is next.
    await reader.clock.runFor(20_000);
    await heading('Rest');
    await reader.clock.runFor(10_000);
    await heading('side plank');
    await reader.clock.runFor(10_200);
    await reader.getByText('Switch sides').waitFor();
    await reader.getByRole('button', { name: 'pause' }).click();
    await reader.getByText('Paused').waitFor();
    const before = await reader.getByRole('timer').textContent();
    await reader.clock.runFor(30_000);
    await expect.poll(() => reader.getByRole('timer').textContent(), SOON).toBe(before);
    await reader.getByRole('button', { name: 'go on' }).click();
    await reader.getByRole('button', { name: 'back' }).click();
    await heading('side plank');
    await expect.poll(() => reader.getByRole('timer').textContent(), SOON).toBe('0:20');
    for (let i = 0; i < 3; i++) await reader.clock.runFor(31_000);
    await heading('sit-to-stand');
    await reader.clock.runFor(9000);
    await reader.getByRole('button', { name: 'Done, on to the next' }).click();
    await reader.clock.runFor(6000);
    await reader.getByRole('button', { name: 'Done, on to the next' }).click();
    await heading('That was all of it');
  });

  test('5 and logs it in two taps, with the time that the clock saw', async () => {
    await reader.getByRole('link', { name: 'Log it' }).click();
    const time = await reader.getByRole('textbox', { name: /^time for sit-to-stand/ }).inputValue();
    expect(time).toMatch(/^0:1[5-9]$/);
    await reader.getByLabel(/^7,/).check({ force: true });
    await reader.getByLabel('A word to your coach').fill('Good, short.');
    await reader.getByRole('button', { name: 'Send to coach' }).click();
    await reader.getByText('You logged this: done').waitFor();
  });

  test('6 the coach sees the bead, and opens the record', async () => {
    await coach.goto(`${programmeUrl}/follow-up`);
    await coach.getByText('100 %').waitFor();
    await coach.locator('.follow-name', { hasText: 'Noor Garrowhill' }).click();
    await coach.getByRole('link', { name: 'Wednesday, week 1' }).click();
    await coach.locator('blockquote', { hasText: 'Good, short.' }).waitFor();
    await coach.getByText(/effort 7 of 10/).waitFor();
    await coach.getByText(/Fast: 0:1[5-9]/).waitFor();
    await coach.getByText(/21:00 their time/).waitFor();
  });

  test('a correction goes out as version 2, with a word on what changed', async () => {
    await coach.goto(`${programmeUrl}/write/w1d3`);
    await markReady(coach);
    await coach.waitForURL('**/send/w1d3');
    await coach.getByRole('button', { name: 'Send version 2 to 1 person' }).click();
    await coach.getByLabel(/What changed/).fill('A better name');
    await coach.getByRole('dialog').getByRole('button', { name: 'Send to 1 person' }).click();
    await coach.getByText('Version 2 is out.').waitFor();
    await reader.goto(link);
    // They have done it: what they did stays as it was, and they see what changed.
    await reader.getByText(/corrected it since you began: A better name/).waitFor();
  });

  test('a link that is taken away opens a kind page and nothing else', async () => {
    await coach.goto(`${programmeUrl}/people`);
    await coach.getByRole('button', { name: /^revoke the link of/ }).click();
    await coach.getByRole('dialog').getByRole('button', { name: 'Revoke it' }).click();
    await coach.getByRole('row', { name: /Noor/ }).getByText('revoked').waitFor();
    const response = await reader.goto(link);
    expect(response!.status()).toBe(404);
    await reader.getByRole('heading', { name: 'This link doesn’t open anything' }).waitFor();
    expect(await reader.content()).not.toContain('Noor');
  });
});

test('one instant, two zones: a day that is open in Auckland is not yet in New York', async () => {
  const coach = await openPage(browser, { timezoneId: 'Europe/Vienna' });
  await signIn(coach);
  const { programmeId } = demo().workspaces[0]!;
  const links: Record<string, string> = {};
  for (const name of ['Maeve Tanaka', 'Gil Abernethy']) {
    await coach.goto(`/programmes/${programmeId}/people`);
    await coach
      .getByRole('row', { name: new RegExp(name) })
      .getByRole('button', { name: /^replace the link of/ })
      .click();
    await coach.getByRole('button', { name: 'Make a new one' }).click();
    links[name] = await coach.getByLabel(`Personal link of ${name}`).inputValue();
  }
  // 09:00 UTC is 21:00 in Auckland and 05:00 in New York, where Wednesday has just opened; Friday is sent to nobody yet.
  const auckland = await openPage(browser, { ...PHONE, timezoneId: 'Pacific/Auckland' });
  const newYork = await openPage(browser, { ...PHONE, timezoneId: 'America/New_York' });
  await auckland.goto(links['Maeve Tanaka']!);
  await newYork.goto(links['Gil Abernethy']!);
  for (const page of [auckland, newYork]) await page.getByText('Wednesday 13 May · week 5').waitFor();
  await coach.goto(`/programmes/${programmeId}/send/w5d5`);
  await coach.getByRole('button', { name: 'Send to 25 people' }).click();
  await coach.getByRole('dialog').getByRole('button', { name: 'Send to 25 people' }).click();
  await coach.getByText('Version 1 is out.').waitFor();
  await coach.getByText('It opens in 1 d 8 h').waitFor(); // Friday 05:00 in Auckland is Thursday 17:00 UTC.
  // In New York that is Friday 09:00 UTC, at the timeline’s end.
  await coach.getByRole('link', { name: /^New York, 05:00: .* was sent, and opens then, 4 people$/ }).waitFor();
  expect((await auckland.goto(`${links['Maeve Tanaka']!}/w5d5`))!.status()).toBe(404);
  await auckland.getByRole('heading', { name: 'Not open yet' }).waitFor();
  for (const page of [coach, auckland, newYork]) await page.close();
});

test('what is today for a coach is so by the zone of their own browser', async () => {
  const { programmeId } = demo().workspaces[0]!;
  // 09:00 UTC on Wednesday is 23:00 on Tuesday in Honolulu.
  for (const [timezoneId, today, key] of [
    ['Pacific/Honolulu', 'Tuesday 12 May', 'w5d2'],
    ['Europe/Vienna', 'Wednesday 13 May', 'w5d3'],
  ] as const) {
    const coach = await openPage(browser, { timezoneId });
    await signIn(coach);
    await coach.goto(`/programmes/${programmeId}/follow-up`);
    await coach.getByRole('heading', { name: today, exact: true }).waitFor();
    await expect.poll(() => coach.locator('.spine .is-today').getAttribute('href'), SOON).toContain(key);
    await coach.close();
  }
});
