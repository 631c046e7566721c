import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { choose, decideSend, demo, openBrowser, openPage, PHONE, signIn, SOON, writeText } from './helpers.ts';

let browser: Browser;
let coach: Page;
let base: string;
beforeAll(async () => {
  browser = await openBrowser();
  coach = await openPage(browser);
  await signIn(coach, 1);
  base = `/programmes/${demo().workspaces[1]!.programmeId}`;
});
afterAll(async () => {
  await coach.close();
  await browser.close();
});

describe('people', () => {
  test('a roster is shown row by row before anything is written, and wrong rows are left out only when said', async () => {
    await coach.goto(`${base}/people`);
    await coach.getByText('140 in this programme').waitFor();
    await coach.getByRole('button', { name: 'Add people' }).click();
    await coach
      .getByLabel('Names, one a line')
      .fill('name,time zone,kit,spare,level\nZora Quill,Europe/Lisbon,chair; band,knees,3\nYann Moor,Mars,,,\n');
    await coach.getByText('“Mars” is no time zone').waitFor();
    await coach.getByRole('button', { name: 'Cancel' }).click();
    await coach.reload();
    await coach.getByText('140 in this programme').waitFor();
    await coach.getByRole('button', { name: 'Add people' }).click();
    await coach.getByText('A list from elsewhere').click();
    await coach.locator('input[type=file]').setInputFiles({
      name: 'roster.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('name;zone;spare\nZora Quill;Europe/Lisbon;knees\nYann Moor;Mars;\n'),
    });
    await coach.getByRole('button', { name: 'Add 1 person, leave out 1' }).click();
    await decideSend(coach, 'From their next session on');
    await coach.getByText('One person is in.').waitFor();
    await coach.getByRole('button', { name: 'Later' }).click();
    await coach.getByText('141 in this programme').waitFor();
  });

  test('what fits a person is changed beside the list; a swap that names no movement is refused at its place', async () => {
    await coach.getByLabel('Find a person').fill('Zora');
    await coach.getByRole('link', { name: 'Zora Quill' }).click();
    const panel = coach.getByRole('complementary', { name: 'Zora Quill' });
    await panel.getByLabel('quiet floor').check();
    await panel.getByLabel(/Standing swaps/).fill('squat -> wobble');
    await panel.getByRole('button', { name: 'Save' }).click();
    await panel.getByText('doesn’t name two movements').waitFor();
    await panel.getByLabel(/Standing swaps/).fill('squat -> chair squat');
    await panel.getByRole('button', { name: 'Save' }).click();
    await panel.getByText('Saved.').waitFor();
    await coach
      .getByRole('row', { name: /Zora Quill/ })
      .getByText(/sore knees, quiet floor · 1 swap/)
      .waitFor();
  });
});

describe('see as', () => {
  test('one session, seen as someone and as everyone', async () => {
    await coach.goto(`${base}/write/w4d7`);
    await coach.locator('.cm-content').waitFor();
    await writeText(coach, 'Title: Seen\nMain: 3 rounds\n10 burpee\n10 squat');
    await coach.getByText('saved', { exact: true }).waitFor();
    await choose(coach.getByLabel('See as'), 'Zora Quill');
    await coach.getByText('instead of burpee: sore knees').waitFor();
    await coach.getByText('instead of squat: as agreed').waitFor();
    await choose(coach.getByLabel('See as'), 'all 140: who gets what');
    await coach.locator('.see-as li', { hasText: 'as written' }).first().waitFor();
    const counts = await coach.locator('.see-as li').first().innerText();
    expect(
      counts
        .match(/\d+/g)!
        .map(Number)
        .reduce((a, b) => a + b, 0),
    ).toBe(140);
  });
});

describe('a participant says what fits them', () => {
  test('kit and things to spare change their session, and the coach sees it', async () => {
    const phone = await openPage(browser, PHONE);
    const { linkPath } = demo().workspaces[1]!;
    await phone.goto(`${linkPath}/me`);
    await phone.getByLabel('I have only this:').check();
    while (await phone.locator('input[name=kit]:checked').count())
      await phone.locator('input[name=kit]:checked').first().uncheck();
    await phone.getByRole('button', { name: 'Save my kit' }).click();
    await phone.getByText('Saved. Your sessions follow it').waitFor();
    await phone.getByRole('link', { name: 'Avoid', exact: true }).click();
    await phone.getByRole('heading', { name: 'What I avoid', level: 1 }).waitFor();
    while (await phone.locator('input[name=spare]:checked').count())
      await phone.locator('input[name=spare]:checked').first().uncheck();
    await phone.getByLabel('seated only').check();
    await phone.getByRole('button', { name: 'Save what I avoid' }).click();
    await phone.getByText('Saved. Your sessions follow it').waitFor();
    await phone.goto(`${linkPath}/w3d3`);
    await phone.getByText(/lines are in your shape/).click();
    await phone.getByText('instead of squat: seated only').waitFor();
    await phone.locator('.today-kit').getByText('nothing but yourself').waitFor();
    await phone.close();
  });

  test('a yes to the questions asks for a clinician first; the coach sees only that they wait; all of it can be forgotten', async () => {
    const phone = await openPage(browser, PHONE);
    const { linkPath, linkName } = demo().workspaces[1]!;
    await phone.goto(`${linkPath}/me/health`);
    await phone.getByRole('button', { name: 'Save this' }).click();
    await phone.getByText('Please answer each question; nothing was changed.').waitFor();
    for (let i = 0; i < 5; i++)
      await phone.locator(`input[name="care-${i}"][value="${i === 2 ? 'yes' : 'no'}"]`).check();
    await phone.getByRole('button', { name: 'Save this' }).click();
    await phone.getByText('Please see a clinician before you start.').waitFor();
    await phone.goto(linkPath);
    await phone.getByText('Before you start: please see a clinician first.').waitFor();
    await coach.goto(`${base}/people`);
    await coach.getByLabel('Find a person').fill(linkName);
    const row = coach.getByRole('row', { name: new RegExp(linkName) });
    await row.getByText('wait', { exact: true }).waitFor();
    expect(await coach.content()).not.toContain('pregnancy, or');
    await phone.goto(`${linkPath}/me/health`);
    await phone.getByText('Forget what I said about my health').click();
    await phone.getByRole('button', { name: 'Yes, forget it' }).click();
    await phone.getByText('Not answered yet.').waitFor();
    await phone.close();
  });
});

describe('movements', () => {
  test('are found by words and filters, and their ladder is walked', async () => {
    await coach.goto(`${base}/movements`);
    await coach.getByLabel('Words').fill('press-up');
    await coach.getByRole('link', { name: 'push-up', exact: true }).first().click();
    const panel = coach.getByRole('complementary', { name: 'push-up' });
    await panel.getByText('chest before face').waitFor();
    await panel
      .getByRole('list', { name: 'Push-up, easiest first' })
      .getByRole('link', { name: 'wall push-up' })
      .click();
    await coach.getByRole('complementary', { name: 'wall push-up' }).waitFor();
    await coach.getByLabel('Words').fill('');
    await choose(coach.getByLabel('pattern'), 'push');
    await choose(coach.getByLabel('avoid'), 'not down to the floor');
    await choose(coach.getByRole('combobox', { name: 'kit' }), 'none');
    await coach.getByText(/^\d of \d+$/).waitFor();
  });

  test('a coach adds one and changes one; a name that is taken and a pace the wrong way round are refused at their fields', async () => {
    await coach.goto(`${base}/movements?edit=new`);
    await coach.getByLabel('Name', { exact: true }).fill('squat');
    await coach.getByLabel('Seconds each, quick').fill('5');
    await coach.getByRole('button', { name: 'Save' }).click();
    await coach.getByText('“squat” is a movement already.').waitFor();
    await coach.getByText('Paces go from quick to careful').waitFor();
    await coach.getByLabel('Name', { exact: true }).fill('Harbour step');
    await coach.getByLabel('Seconds each, quick').fill('1');
    await coach.getByRole('button', { name: 'Save' }).click();
    await coach.getByRole('heading', { name: 'Harbour step' }).waitFor();
    await coach.goto(`${base}/write/w4d7`);
    await coach.locator('.cm-content').waitFor();
    await writeText(coach, 'Main: 3 rounds\n10 Harbour step');
    await coach.getByRole('row', { name: /Harbour step/ }).waitFor();
    await expect.poll(() => coach.getByText('is new here').count(), SOON).toBe(0);
    await coach.getByText('saved', { exact: true }).waitFor();
    await coach.goto(`${base}/movements?m=harbour-step`);
    await coach.getByRole('link', { name: 'A new ladder with it' }).click();
    await coach.getByLabel('Ladder', { exact: true }).fill('Harbour');
    await coach.getByLabel(/Steps, easiest first/).fill('march\nHarbour step: with a turn\nmarch');
    await coach.getByRole('button', { name: 'Save' }).click();
    await coach.getByText('stands on this ladder twice').waitFor();
    await coach.getByLabel(/Steps, easiest first/).fill('march\nHarbour step: with a turn');
    await coach.getByRole('button', { name: 'Save' }).click();
    await coach.getByRole('list', { name: 'Harbour, easiest first' }).waitFor();
    await coach.goto(`${base}/movements?m=harbour-step`);
    await coach.getByRole('button', { name: 'delete' }).click();
    await coach.getByRole('button', { name: 'Delete', exact: true }).click();
    await coach.waitForURL('**/movements');
  });
});
