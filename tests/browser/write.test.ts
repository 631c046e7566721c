import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { choose, demo, markReady, openBrowser, openPage, signIn, SOON, writeText } from './helpers.ts';

let browser: Browser;
let page: Page;
let base: string;
beforeAll(async () => {
  browser = await openBrowser();
  page = await openPage(browser);
  await signIn(page);
  base = `/programmes/${demo().workspaces[0]!.programmeId}`;
});
afterAll(async () => {
  await page.close();
  await browser.close();
});

const open = async (day: string, text: string) => {
  // What the test before left is stored first, else this page would begin from an older text.
  if (await page.locator('.write-foot').count()) await page.getByText('saved', { exact: true }).waitFor();
  await page.goto(`${base}/write/${day}`);
  await page.locator('.cm-content').waitFor();
  await writeText(page, text);
  await page.getByText('saved', { exact: true }).waitFor();
};
/** The text as the editor holds it. */
const written = async () =>
  (await page.locator('.cm-line').allInnerTexts())
    .map((l) => l.replace(/\n$/, ''))
    .join('\n')
    .trim();
const showCards = async () => {
  await page.getByText('Cards', { exact: true }).click();
  await page.locator('.block-card').first().waitFor();
};
/** Right after a drag the first click is still taken as its end: it is pressed until the text is there. */
const showText = () =>
  expect
    .poll(async () => {
      await page.getByText('Text', { exact: true }).click();
      return page.locator('.cm-content').isVisible();
    }, SOON)
    .toBe(true);

const SESSION = '# my own words\nMain: 3 rounds\n10 squat  # deep\n8 push-up\n12 march';

describe('typing', () => {
  test('completion offers movements after a dose, and clauses in a header', async () => {
    await open('w8d3', 'Main: ');
    await page.locator('.cm-content').press('Control+End');
    await page.keyboard.type('amr');
    await page.getByRole('option', { name: /^amrap/ }).waitFor();
    await page.waitForTimeout(150); // The list takes no key in its first moment, so that none meant for the text is lost.
    await page.keyboard.press('Enter');
    await page.keyboard.press('End');
    await page.keyboard.type('\n8 burp');
    await page
      .getByRole('option', { name: /^burpee/ })
      .first()
      .waitFor();
    await page.waitForTimeout(150);
    await page.keyboard.press('Enter');
    await expect.poll(written, SOON).toBe('Main: amrap 10:00\n8 burpee');
  });

  test('Tab goes from number to number and leaves after the last', async () => {
    await open('w8d3', 'Main: every 1:00 x 8\n10 squat\n8/side split squat');
    await page.keyboard.press('Control+Home');
    for (const next of ['2:00', '6', '12', '9']) {
      await page.keyboard.press('Tab');
      await page.keyboard.type(next);
    }
    await expect.poll(written, SOON).toBe('Main: every 2:00 x 6\n12 squat\n9/side split squat');
    // No list opens over a number, which would take the key.
    await page.waitForTimeout(400);
    expect(await page.locator('.cm-tooltip-autocomplete').count()).toBe(0);
    await page.keyboard.press('Tab');
    await expect
      .poll(() => page.locator('.cm-content').evaluate((el) => el === document.activeElement), SOON)
      .toBe(false);
  });

  test('a finding offers the change, and one undo takes it back', async () => {
    await open('w8d3', 'Main: every 1:00 x 8\n14 burpee\n8 squat');
    await page.getByRole('button', { name: '10 instead of 14' }).click();
    await expect.poll(written, SOON).toBe('Main: every 1:00 x 8\n10 burpee\n8 squat');
    await page.getByText('more than the 1:00 of the slot').waitFor({ state: 'detached' });
    await page.locator('.cm-content').press('Control+z');
    await expect.poll(written, SOON).toBe('Main: every 1:00 x 8\n14 burpee\n8 squat');
  });

  test('a number opens its sum', async () => {
    await open('w8d3', 'Main: every 1:00 x 8\n10 squat\n8 march');
    await page.locator('.cm-line', { hasText: '10 squat' }).locator('.nt-number').hover();
    await page.getByText('10 × 4 turns = 40').waitFor();
    await page.mouse.move(5, 5);
  });
});

describe('cards', () => {
  test('an item is dragged with the pointer, and takes its comment along', async () => {
    await open('w8d3', SESSION);
    await showCards();
    const handle = page.getByRole('button', { name: /^move squat/ });
    const from = (await handle.boundingBox())!;
    const to = (await page
      .locator('.item-card', { has: page.getByRole('button', { name: /^move march/ }) })
      .boundingBox())!;
    await page.mouse.move(from.x + 8, from.y + 8);
    await page.mouse.down();
    await page.mouse.move(from.x + 8, from.y + 40, { steps: 4 });
    await page.mouse.move(to.x + 20, to.y + to.height, { steps: 6 });
    await page.locator('.is-drop-after').waitFor();
    await page.mouse.up();
    await showText();
    await expect.poll(written, SOON).toBe('# my own words\nMain: 3 rounds\n8 push-up\n12 march\n10 squat  # deep');
  });

  test('a block is dragged before another', async () => {
    await open('w8d3', 'Main: 2 rounds\n10 squat\n\nWarm-up: flow\n8 march');
    await showCards();
    const handle = (await page.getByRole('button', { name: /^move Warm-up/ }).boundingBox())!;
    const target = (await page.locator('.block-card-head').first().boundingBox())!;
    await page.mouse.move(handle.x + 8, handle.y + 8);
    await page.mouse.down();
    await page.mouse.move(handle.x + 8, handle.y - 30, { steps: 4 });
    await page.mouse.move(target.x + 20, target.y + 2, { steps: 6 });
    await page.mouse.up();
    await showText();
    await expect.poll(written, SOON).toBe('Warm-up: flow\n8 march\n\nMain: 2 rounds\n10 squat');
  });

  test('doses are stepped, sides chosen, a form picked from its picture; undo goes through cards and text alike', async () => {
    await open('w8d3', SESSION);
    await showCards();
    await page.getByRole('button', { name: 'more of push-up' }).click();
    await page.getByRole('button', { name: /^sides of squat/ }).click();
    await page.getByRole('button', { name: /form of this block/ }).click();
    await page.getByRole('button', { name: /^work and rest/ }).click();
    await page.getByRole('button', { name: 'more work' }).click();
    await showText();
    const all = '# my own words\nMain: work 0:45 rest 0:20, 3 rounds\n10/side squat  # deep\n9 push-up\n12 march';
    await expect.poll(written, SOON).toBe(all);
    await page.locator('.cm-content').press('Control+z');
    await page.locator('.cm-content').press('Control+z');
    await showCards();
    await page.getByRole('button', { name: 'more of push-up' }).focus();
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await page.getByRole('button', { name: 'Redo', exact: true }).click();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await showText();
    await expect.poll(written, SOON).toBe(SESSION);
    await page.locator('.cm-content').press('Control+Shift+Z');
    await expect.poll(written, SOON).toBe(SESSION.replace('8 push-up', '9 push-up'));
  });

  test('a dose that can’t be read says why and stays as typed', async () => {
    await open('w8d3', SESSION);
    await showCards();
    const dose = page.getByLabel('dose of march');
    await dose.fill('0');
    await dose.press('Enter');
    await page.getByText('A dose of 0 is no work').waitFor();
    await expect.poll(() => dose.inputValue(), SOON).toBe('0');
    await dose.fill('0:40');
    await dose.press('Enter');
    await showText();
    await expect.poll(written, SOON).toContain('0:40 march');
  });

  test('by keyboard alone, from an empty day to a session', async () => {
    await open('w8d3', '');
    await page.getByText('Cards', { exact: true }).click();
    await page.getByRole('button', { name: 'Add a block' }).focus();
    await page.keyboard.press('Enter');
    await page
      .locator('.shapes')
      .getByRole('button', { name: /^every …/ })
      .focus();
    await page.keyboard.press('Enter');
    for (const name of ['squat', 'push-up']) {
      await page.getByLabel('add a movement to Warm-up').focus();
      await page.keyboard.type(name);
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: new RegExp(`^move ${name}`) }).waitFor();
    }
    await choose(page.getByLabel('role of Warm-up'), 'Main');
    await page.getByRole('button', { name: 'more of squat' }).focus();
    await page.keyboard.press('ArrowUp');
    await page.getByRole('button', { name: /^move push-up/ }).focus();
    await page.keyboard.press('ArrowUp');
    await expect
      .poll(
        () => page.getByRole('button', { name: /^move push-up/ }).evaluate((el) => el === document.activeElement),
        SOON,
      )
      .toBe(true);
    await showText();
    await expect.poll(written, SOON).toBe('Main: every 1:00 for 4:00\n8 push-up\n11 squat');
  });
});

describe('from elsewhere and to elsewhere', () => {
  test('a plan in plain text is shown as it would be read before it is taken', async () => {
    await open('w8d3', 'Main: flow\n5 squat');
    await page.getByRole('button', { name: 'Paste a plan' }).click();
    await page.getByLabel('Your text').fill('3 rounds\n1. Push ups x 10\n2. 30 sec plank\n3. wobble 5');
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByText('“wobble” is no movement that is known here').waitFor();
    await page.getByRole('button', { name: 'Take it', exact: true }).click();
    await expect.poll(written, SOON).toBe('Main: flow\n5 squat\n\nMain: 3 rounds\n10 push-up\n0:30 plank\n5 wobble');
    await page.locator('.cm-content').press('Control+z');
    await expect.poll(written, SOON).toBe('Main: flow\n5 squat');
  });

  test('a header in natural words is taken, and its usual spelling is one press away; so it is where its unit is missing', async () => {
    await open('w8d3', 'Main: 30 sec on, 15 off, four rounds\nsquat');
    await page.getByText('Taken as “Main: work 0:30 rest 0:15, 4 rounds”.').waitFor();
    await page.getByRole('button', { name: 'write it so' }).click();
    await expect.poll(written, SOON).toBe('Main: work 0:30 rest 0:15, 4 rounds\nsquat');
    await open('w8d3', 'Main: work 30 rest 15, 4 rounds\nsquat');
    await page.getByRole('heading', { name: 'One thing can’t be read' }).waitFor();
    await page.locator('.worth').getByRole('button', { name: 'Main: work 0:30 rest 0:15, 4 rounds' }).click();
    await expect.poll(written, SOON).toBe('Main: work 0:30 rest 0:15, 4 rounds\nsquat');
  });

  test('what is asked of a pasted plan is answered in one press, what it became lights up, a file can be dropped', async () => {
    await open('w8d3', '');
    await page.getByRole('button', { name: 'Paste a plan' }).first().click();
    const field = page.getByLabel('Your text');
    const data = await page.evaluateHandle(() => {
      const transfer = new DataTransfer();
      transfer.items.add(
        new File(['3 rounds\n5 chair squats 4-1-2\nbreathe as you like'], 'plan.txt', { type: 'text/plain' }),
      );
      return transfer;
    });
    await field.dispatchEvent('drop', { dataTransfer: data });
    const line = page.getByRole('button', { name: '5 chair squat, tempo 4-1-2, "breathe as you like"' });
    await line.click();
    await page.locator('mark.is-lit', { hasText: 'chair squats' }).waitFor();
    await page.locator('mark.is-note', { hasText: 'breathe as you like' }).waitFor();
    await page.getByRole('button', { name: '4, 1 and 2 by round' }).click();
    await page.getByRole('button', { name: '4-1-2 chair squat, "breathe as you like"' }).waitFor();
    await page.getByRole('button', { name: 'Take it, 1 left as a note' }).click();
    await expect.poll(written, SOON).toBe('Main: 3 rounds\n4-1-2 chair squat, "breathe as you like"');
  });

  test('a session is copied to another day; what stands there is replaced only when said, and can be had back', async () => {
    await open('w8d5', 'Title: Before\nMain: flow\n5 march');
    await open('w8d3', 'Title: Copied\nMain: flow\n5 squat');
    await page.getByRole('button', { name: 'Copy to …' }).click();
    await page.getByRole('button', { name: /^Fri week 8 Before/ }).click();
    await page.getByRole('button', { name: 'Replace “Before”' }).click();
    await page.getByText(/Copied to/).waitFor();
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await page.getByText('Friday, week 8 is as it was').waitFor();
    // Several at once, one of them taken; one press has them all back.
    const tuesday = page.getByRole('button', { name: /^Tue week 8/ });
    await tuesday.click();
    await page.getByRole('button', { name: /^Fri week 8 Before/ }).click();
    await page.getByText('“Before” is replaced').waitFor();
    await page.getByRole('button', { name: 'Copy to 2 days, replacing 1' }).click();
    await page.getByText(/Copied to Tuesday, week 8, Friday, week 8/).waitFor();
    await page.getByRole('button', { name: /^Tue week 8 Copied/ }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await page.getByText('Tuesday, week 8 and Friday, week 8 are as they were').waitFor();
    await page.getByRole('button', { name: /^Fri week 8 Before/ }).waitFor();
    expect(await tuesday.textContent()).toMatch(/^Tue week 8$/);
    await page.getByRole('button', { name: /^Thu week 8/ }).click();
    await page.getByRole('button', { name: 'Copy', exact: true }).click();
    await page.getByText(/Copied to Thursday/).waitFor();
    await page.getByRole('link', { name: 'Thursday, week 8', exact: true }).click();
    await page.waitForURL('**/write/w8d4');
    await page.locator('.cm-line', { hasText: 'Title: Copied' }).waitFor();
    await page.goto(`${base}/write/w8d5`);
    await page.locator('.cm-line', { hasText: 'Title: Before' }).waitFor();
  });

  test('a block is kept as a routine, referred to, and written out when it is sent', async () => {
    await open('w8d3', 'Warm-up: 2 rounds\n6 wrist circle\n8 march\n\nMain: flow\n5 squat');
    await showCards();
    await page.locator('.block-card').first().getByRole('button', { name: 'save as routine' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Slow start');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByText('“Slow start” is saved').waitFor();
    await page.getByRole('button', { name: 'Back to the session' }).click();
    await open('w8d5', 'Title: With a routine\nMain: flow\n5 squat');
    await page.getByRole('button', { name: 'Routines' }).click();
    // The focus goes to the first of them once it stands.
    await page.locator('.routines button:focus').waitFor();
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Slow start' })
      .getByRole('button', { name: 'refer to it' })
      .click();
    await expect
      .poll(written, SOON)
      .toBe('Title: With a routine\n\nWarm-up: routine "Slow start"\n\nMain: flow\n5 squat');
    await page.getByRole('row', { name: /wrist circle/ }).waitFor();
    await markReady(page);
    await page.waitForURL('**/send/w8d5');
    await page.locator('.send-phone').getByText('wrist circle').waitFor();
    await page.goto(`${base}/write/w8d5`);
    await page.getByRole('button', { name: 'Routines' }).click();
    await page.getByRole('listitem').filter({ hasText: 'Slow start' }).getByRole('button', { name: 'delete' }).click();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await page.getByText('No routine is stored under “Slow start”').waitFor();
  });
});

test('? shows the keys', async () => {
  await page.goto(`${base}/write/w8d3`);
  await page.locator('.cm-content').waitFor();
  await page.locator('h1').click();
  await page.keyboard.press('?');
  const guide = page.getByRole('region', { name: 'How a session is written' });
  await guide.getByText('Keys', { exact: true }).click();
  await guide.getByText('to the next thing worth a look').waitFor();
  await page.locator('h1').click();
  await page.keyboard.press('?');
  await guide.waitFor({ state: 'hidden' });
});
