import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { findFaults } from './axe.ts';
import { readBare } from './before-script.ts';
import { demo, isHydrated, openBrowser, openPage, PHONE, signIn } from './helpers.ts';
import { findSmall } from './small.ts';

interface View {
  readonly name: string;
  /** The route, and the components whose dialogs, menus or panels are open. */
  readonly shows: readonly string[];
  readonly as?: 'coach' | 'newcomer' | 'person' | 'nobody';
  /** Below the programme (coach) or the personal link (person); whole where it begins with `/`. */
  readonly path: string;
  readonly act?: (page: Page) => Promise<void>;
}

const press = (name: string | RegExp) => async (page: Page) =>
  page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();
const opened = async (page: Page) => page.getByRole('dialog').waitFor();
const pressed = (name: string | RegExp) => async (page: Page) => {
  await press(name)(page);
  await opened(page);
};
const editor = async (page: Page) => page.locator('.cm-content').waitFor();
const write = async (page: Page, text: string) => {
  await editor(page);
  await page.locator('.cm-content').click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(text);
  await page.locator('.plan-length').waitFor();
};

/** Every view, with what can stand over it, beside it, or in place of it. A new route or dialog has to be in it. */
export const VIEWS: readonly View[] = [
  { name: 'sign-in', shows: ['account/sign-in.tsx'], as: 'nobody', path: '/sign-in' },
  {
    name: 'sign-in, refused',
    shows: ['account/sign-in.tsx'],
    as: 'nobody',
    path: '/sign-in',
    act: async (page) => {
      await press('Sign in')(page);
      await page.getByText('Write your e-mail address.').waitFor();
    },
  },
  { name: 'a page that isn’t there', shows: ['shell/missing.tsx', 'root.tsx'], as: 'nobody', path: '/nowhere' },
  { name: 'a link that opens nothing', shows: ['root.tsx'], as: 'nobody', path: '/p/unknown' },
  { name: 'the first programme', shows: ['shell/programmes/programmes.tsx'], as: 'newcomer', path: '/programmes' },
  {
    name: 'programmes',
    shows: ['shell/programmes/programmes.tsx', 'shell/programmes/today-board.tsx', 'shell/coach.tsx'],
    path: '/programmes',
    act: async (page) => page.getByRole('heading', { name: 'Came in' }).waitFor(),
  },
  {
    name: 'new programme',
    shows: ['shell/programmes/new-programme.tsx'],
    path: '/programmes',
    act: pressed('New programme'),
  },
  {
    name: 'the coach’s own menu',
    shows: ['shell/coach-head.tsx'],
    path: '/programmes',
    act: async (page) => page.locator('.head-self summary').click(),
  },
  { name: 'plan', shows: ['plan/plan.tsx', 'shell/programme.tsx'], path: 'plan' },
  { name: 'plan, a day', shows: ['plan/day-panel.tsx'], path: 'plan?at=w6d1' },
  {
    name: 'plan, what changes opened, a proposal',
    shows: ['plan/track/lever-row.tsx', 'plan/proposal-bar.tsx'],
    path: 'plan?at=w6d1',
    act: async (page) => {
      await press('how it changes')(page);
      await press('as text')(page);
      await page.getByRole('slider', { name: 'rounds, week 5' }).focus();
      await page.keyboard.press('ArrowUp');
      await press('Day by day')(page);
    },
  },
  {
    name: 'plan, a sentence that can’t be read',
    shows: ['plan/track/progress-sentence.tsx'],
    path: 'plan?at=w6d1',
    act: async (page) => {
      await page.getByLabel('How rounds progress').fill('sixteen');
      await page.keyboard.press('Enter');
      await page.getByText('nothing that rounds can come to').waitFor();
    },
  },
  { name: 'plan, a week', shows: ['plan/week-panel.tsx'], path: 'plan?at=week-6' },
  {
    name: 'plan, arrange',
    shows: ['plan/dialogs/arrange-dialog.tsx'],
    path: 'plan?at=week-6',
    act: async (page) => {
      await pressed('Arrange week 6')(page);
      await page.getByText('Runner-up').waitFor();
    },
  },
  {
    name: 'plan, blocked days',
    shows: ['plan/dialogs/blocked-dialog.tsx'],
    path: 'plan',
    act: pressed('Blocked days'),
  },
  {
    name: 'plan, export and import',
    shows: ['plan/dialogs/exchange-dialog.tsx'],
    path: 'plan',
    act: pressed('Export and import'),
  },
  { name: 'plan, as a table', shows: ['plan/dialogs/figures-dialog.tsx'], path: 'plan', act: pressed('As a table') },
  { name: 'plan, keys', shows: ['parts/keys-help.tsx'], path: 'plan', act: pressed('Keys') },
  {
    name: 'plan, compare',
    shows: ['plan/dialogs/compare-dialog.tsx'],
    path: 'plan?at=week-6',
    act: pressed('Compare'),
  },
  {
    name: 'plan, move all later days',
    shows: ['plan/dialogs/small-dialogs.tsx'],
    path: 'plan?at=w6d1',
    act: pressed('move all later days'),
  },
  {
    name: 'plan, a retest',
    shows: ['plan/dialogs/small-dialogs.tsx'],
    path: 'plan?at=w6d1',
    act: pressed('place as a retest'),
  },
  {
    name: 'plan, a track’s session',
    shows: ['plan/dialogs/small-dialogs.tsx'],
    path: 'plan?at=w6d1',
    act: pressed('its session'),
  },
  { name: 'write', shows: ['write/write.tsx'], path: 'write/w6d3', act: editor },
  {
    name: 'write, with errors and findings',
    shows: ['write/write.tsx'],
    path: 'write/w8d6',
    act: async (page) => {
      await write(page, 'Target: 90 min\n\nMain: every 1:00 x 4\n30 burpee, tempo 4\n10 crane dance\n');
      await page.getByText('One thing can’t be read').waitFor();
      await page.getByText('saved', { exact: true }).waitFor();
      await page.locator('.cm-lint-marker').first().waitFor();
    },
  },
  { name: 'write, nothing yet', shows: ['write/session-start.tsx'], path: 'write/w8d3', act: editor },
  { name: 'write, the guide', shows: ['write/writing-guide.tsx'], path: 'write/w6d3?guide=on', act: editor },
  { name: 'write, cards', shows: ['write/cards/session-cards.tsx'], path: 'write/w6d3?as=cards' },
  {
    name: 'write, forms',
    shows: ['write/cards/shape-picker.tsx'],
    path: 'write/w6d3?as=cards',
    act: async (page) => {
      await page
        .getByRole('button', { name: /form of this block/ })
        .nth(1)
        .click();
      await page.locator('.shapes').waitFor();
    },
  },
  {
    name: 'write, routines',
    shows: ['write/routine-menu.tsx'],
    path: 'write/w6d3',
    act: async (page) => {
      await press('Routines')(page);
      await page.locator('.routines').waitFor();
    },
  },
  { name: 'a week on paper', shows: ['send/week.tsx'], path: 'send/w5d1/week' },
  { name: 'write, sent', shows: ['write/write.tsx'], path: 'write/w5d1', act: editor },
  { name: 'write, a day without a session', shows: ['write/write.tsx'], path: 'write/w6d2' },
  {
    name: 'write, paste a plan',
    shows: ['write/paste/paste-dialog.tsx'],
    path: 'write/w6d3?paste=on',
    act: async (page) => {
      await opened(page);
      await page
        .getByLabel('Your text')
        .fill(
          'Monday: Quiet\nwarm up, twice:\n5 chair squats 4-1-2\nmarch, as many as feels right\n\n20 min, every 2 min on the minute:\n8 bottle presses each arm (easier: wall push-ups)\n12 lunges, alternating\nbreathe through the nose if you can\n\nTuesday\nsomething else\n5 push ups',
        );
      await press('Read it')(page);
      await page.locator('.paste-source').waitFor();
    },
  },
  {
    name: 'write, copy',
    shows: ['write/copy-dialog.tsx'],
    path: 'write/w6d3',
    act: async (page) => {
      await editor(page);
      await pressed('Copy to …')(page);
      await page.locator('.copy-days button').first().waitFor();
    },
  },
  {
    name: 'write, save as routine',
    shows: ['write/keep-routine-dialog.tsx'],
    path: 'write/w6d3?as=cards',
    act: async (page) => {
      await page.getByRole('button', { name: 'save as routine' }).first().click();
      await opened(page);
    },
  },
  {
    name: 'write, make it known',
    shows: ['write/make-known-dialog.tsx'],
    path: 'write/w8d6',
    act: async (page) => {
      await write(page, 'Main: flow\n10 crane dance\n8 pebble toss\n');
      await page.getByText('2 movements are new here').click();
      await pressed('make all 2 known')(page);
    },
  },
  { name: 'send, sent', shows: ['send/send.tsx'], path: 'send/w5d1' },
  {
    name: 'send, asked',
    shows: ['send/send.tsx'],
    path: 'send/w5d5',
    act: pressed(/^Send to/),
  },
  { name: 'send, nothing to send', shows: ['send/send.tsx'], path: 'send/w6d2' },
  { name: 'send, as a message', shows: ['send/send.tsx'], path: 'send/w5d5?see=message&as=1' },
  {
    name: 'send, live',
    shows: ['send/send.tsx'],
    path: 'send/w5d6',
    act: press('Make it a live session'),
  },
  {
    name: 'send, to withdraw',
    shows: ['send/send.tsx'],
    path: 'send/w5d1',
    act: press('Withdraw'),
  },
  { name: 'outbox', shows: ['send/outbox.tsx'], path: 'outbox' },
  { name: 'outbox, nothing like that', shows: ['send/outbox.tsx'], path: 'outbox?q=zzzz' },
  { name: 'the run', shows: ['send/run.tsx'], path: 'run' },
  {
    name: 'the run, with a join page',
    shows: ['send/run.tsx'],
    path: 'run',
    act: async (page) => {
      await page
        .getByRole('button', { name: /^(Make|Save) the join page$/ })
        .last()
        .click();
      await page.getByText('The join page', { exact: true }).waitFor();
    },
  },
  {
    name: 'your sign-in',
    shows: ['account/you.tsx', 'account/account-page.tsx'],
    path: '/account',
  },
  { name: 'your sign-in, the second step', shows: ['account/you.tsx'], path: '/account?second=on' },
  { name: 'who coaches here', shows: ['account/coaches.tsx'], path: '/account/coaches' },
  {
    name: 'who coaches here, a change',
    shows: ['account/coaches.tsx'],
    path: '/account/coaches',
    act: pressed(/^Remove /),
  },
  { name: 'what was done', shows: ['account/done.tsx'], path: '/account/done' },
  {
    name: 'the password once more',
    shows: ['account/again.tsx', 'account/prove-again.tsx'],
    path: '/account/again?to=/account/done.csv',
  },
  { name: 'a forgotten password', shows: ['account/forgot.tsx'], as: 'nobody', path: '/forgot' },
  { name: 'follow up', shows: ['follow-up/follow-up.tsx'], path: 'follow-up' },
  {
    name: 'follow up, someone’s day',
    shows: ['follow-up/follow-up.tsx'],
    path: 'follow-up',
    act: async (page) => {
      await page.locator('.follow-name').first().click();
      await page.locator('.follow-days a').first().click();
      await page.locator('.follow-record').waitFor();
    },
  },
  {
    name: 'follow up, a word to someone',
    shows: ['follow-up/follow-up.tsx'],
    path: 'follow-up',
    act: async (page) => {
      await page.locator('.needs-name').first().click();
      await page.locator('.act-form').waitFor();
    },
  },
  {
    name: 'follow up, what the list asks about',
    shows: ['follow-up/follow-up.tsx'],
    path: 'follow-up?rules=yes',
  },
  { name: 'follow up, as a table', shows: ['follow-up/follow-up.tsx'], path: 'follow-up?view=table' },
  { name: 'follow up, one person', shows: ['follow-up/person.tsx'], path: 'follow-up/person/2' },
  { name: 'what next', shows: ['follow-up/next.tsx'], path: 'follow-up/next' },
  {
    name: 'what next, what would change',
    shows: ['follow-up/next.tsx'],
    path: 'follow-up/next',
    act: async (page) => {
      await press(/^what would change/)(page);
      await page.locator('.next-person ins').first().waitFor();
    },
  },
  { name: 'is it working', shows: ['follow-up/working.tsx'], path: 'follow-up/working' },
  {
    name: 'is it working, the days behind',
    shows: ['follow-up/working.tsx'],
    path: 'follow-up/working',
    act: async (page) => page.getByText('as a table, with the days behind').first().click(),
  },
  { name: 'teams and letters', shows: ['follow-up/teams.tsx'], path: 'follow-up/teams' },
  {
    name: 'a letter to send',
    shows: ['follow-up/teams.tsx'],
    path: 'follow-up/teams',
    act: pressed(/^Send to/),
  },
  { name: 'the run on paper', shows: ['follow-up/summary.tsx'], path: 'summary' },
  { name: 'people', shows: ['people/people.tsx'], path: 'people' },
  {
    name: 'people, one of them',
    shows: ['people/person-panel.tsx'],
    path: 'people',
    act: async (page) => {
      await page.locator('.people-name').first().click();
      await page.locator('.person-panel').waitFor();
    },
  },
  {
    name: 'people, added',
    shows: ['people/add-people.tsx'],
    path: 'people',
    act: async (page) => {
      await pressed('Add people')(page);
      await page.getByLabel('Names, one a line').fill('Zora Quill\nMaeve Tanaka');
    },
  },
  {
    name: 'people, what would leave at once',
    shows: ['parts/leaving.tsx'],
    path: 'people',
    act: async (page) => {
      await pressed('Add people')(page);
      await page.getByLabel('Names, one a line').fill('Zora Quill, zora@example.org');
      await page.getByRole('button', { name: 'Add 1 person' }).click();
      await page.getByRole('dialog', { name: 'This sends to 1 person at once' }).waitFor();
    },
  },
  {
    name: 'people, a new link',
    shows: ['people/links-dialog.tsx', 'people/people.tsx'],
    path: 'people',
    act: async (page) => {
      await page
        .getByRole('button', { name: /^replace the link of/ })
        .last()
        .click();
      await opened(page);
      await page.getByRole('button', { name: 'Make a new one' }).click();
      await page.locator('.made-qr').waitFor();
    },
  },
  {
    name: 'people, a link to revoke',
    shows: ['people/people.tsx'],
    path: 'people',
    act: async (page) => {
      await page
        .getByRole('button', { name: /^revoke the link of/ })
        .first()
        .click();
      await opened(page);
    },
  },
  { name: 'movements', shows: ['movements/movements.tsx'], path: 'movements?q=squat&m=squat' },
  {
    name: 'movements, as drawings',
    shows: ['movements/movement-wall.tsx'],
    path: 'movements?wall=yes&q=lunge&m=side-lunge',
  },
  {
    name: 'movements, to be changed',
    shows: ['movements/movement-form.tsx'],
    path: 'movements?m=squat&edit=movement',
  },
  { name: 'movements, scales', shows: ['movements/scales.tsx'], path: 'movements?edit=scales&scale=bands' },
  { name: 'movements, nothing like that', shows: ['movements/movements.tsx'], path: 'movements?q=zzzz' },
  { name: 'today', shows: ['participant/today/today.tsx', 'participant/person.tsx'], as: 'person', path: '' },
  { name: 'a day', shows: ['participant/today/day.tsx'], as: 'person', path: '/w2d5' },
  { name: 'their week on paper', shows: ['participant/paper/week.tsx'], as: 'person', path: '/w2d5/week' },
  { name: 'log', shows: ['participant/log/log.tsx'], as: 'person', path: '/w2d5/log' },
  {
    name: 'log, part of it',
    shows: ['participant/log/log.tsx'],
    as: 'person',
    path: '/w2d3/log',
    act: async (page) => page.getByText('part of it').click(),
  },
  { name: 'clock, before', shows: ['participant/clock/clock.tsx'], as: 'person', path: '/w2d5/clock' },
  {
    name: 'clock, running',
    shows: ['participant/clock/clock.tsx'],
    as: 'person',
    path: '/w2d3/clock',
    act: async (page) => {
      await press('Start')(page);
      await page.getByRole('timer').waitFor();
    },
  },
  {
    name: 'clock, easier or harder',
    shows: ['participant/clock/clock.tsx'],
    as: 'person',
    path: '/w2d1/clock',
    act: async (page) => {
      await press('Start')(page);
      await press('easier / harder')(page);
      await page.getByRole('dialog', { name: 'Easier or harder' }).waitFor();
    },
  },
  {
    name: 'clock, where it hurts',
    shows: ['participant/clock/clock.tsx'],
    as: 'person',
    path: '/w1d1/clock',
    act: async (page) => {
      await press('Start')(page);
      await press('this hurts')(page);
      await page.getByRole('dialog', { name: 'Where does it hurt?' }).waitFor();
    },
  },
  {
    name: 'clock, stop it',
    shows: ['participant/clock/clock.tsx'],
    as: 'person',
    path: '/w1d3/clock',
    act: async (page) => {
      await press('Start')(page);
      await press('this hurts')(page);
      await page.getByRole('button', { name: 'knee' }).click();
      await page.getByText('Your coach is told').waitFor();
    },
  },
  { name: 'my weeks', shows: ['participant/me/weeks.tsx'], as: 'person', path: '/weeks' },
  { name: 'my team', shows: ['participant/me/team.tsx'], as: 'person', path: '/team' },
  {
    name: 'my weeks, deleting',
    shows: ['participant/me/weeks.tsx'],
    as: 'person',
    path: '/weeks?ask=delete',
    act: async (page) => {
      await press('Delete me')(page);
      await page.getByText('Tick the box first').waitFor();
    },
  },
  {
    name: 'log, a great deal',
    shows: ['participant/log/log.tsx'],
    as: 'person',
    path: '/w1d5/log',
    act: async (page) => {
      await page.locator('input[name^=score-]').first().fill('9000');
      await press('Send to coach')(page);
      await page.getByText('the numbers above are right').waitFor();
    },
  },
  { name: 'my kit', shows: ['participant/me/me.tsx'], as: 'person', path: '/me' },
  { name: 'my messages', shows: ['participant/me/me.tsx'], as: 'person', path: '/me/messages' },
  { name: 'my days', shows: ['participant/me/me.tsx'], as: 'person', path: '/me/days' },
  {
    name: 'what I avoid, not all answered',
    shows: ['participant/me/me.tsx'],
    as: 'person',
    path: '/me/health',
    act: async (page) => {
      await press('Save this')(page);
      await page.getByText('Please answer each question').waitFor();
    },
  },
  { name: 'a day that isn’t open', shows: ['root.tsx'], as: 'person', path: '/w4d5' },
];

/** Pages that only a message, an open join page, or a second step leads to: shown and looked over in messages.test.ts and coaches.test.ts. */
export const SHOWN_THERE = new Set([
  'participant/doors/stop.tsx',
  'participant/doors/confirm.tsx',
  'account/door.tsx',
  'account/door-layout.tsx',
  'participant/doors/join.tsx',
  'account/sign-in-code.tsx',
]);

/** Where pictures of the views are wanted (`npm run views`), they are taken, and nothing else is looked at. */
const PICTURES = process.env.VIEW_PICTURES;

async function takePictures(page: Page, { name }: View): Promise<void> {
  const file = name.replace(/[^a-z0-9]+/gi, '-').toLowerCase();
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    const path = join(PICTURES!, `${file}-${colorScheme}.png`);
    await page.screenshot({ path, fullPage: true, animations: 'disabled', caret: 'hide' });
  }
  await page.goto('about:blank');
}

/** Of two files, which run beside each other, each looks at every other view. */
export function lookAtViews(half: 0 | 1): void {
  let browser: Browser;
  beforeAll(async () => {
    browser = await openBrowser();
  });
  afterAll(async () => {
    await browser.close();
  });

  // One page for each kind of visitor: signing in takes longer than looking.
  const own = (as: View['as']) => VIEWS.filter((v) => (v.as ?? 'coach') === as).filter((_, i) => i % 2 === half);
  const groups = (['nobody', 'newcomer', 'coach', 'person'] as const).filter((as) => own(as).length > 0);

  describe.each(groups)('as %s', (as) => {
    let page: Page;
    beforeAll(async () => {
      page = await openPage(browser, { colorScheme: 'light', ...(as === 'person' && PHONE) });
      if (as === 'coach') await signIn(page);
      if (as === 'newcomer') await signIn(page, 'new');
    });
    afterAll(async () => {
      await page.close();
    });
    const [first, second] = [0, 1].map((w) => () => demo().workspaces[w]!) as [
      () => ReturnType<typeof demo>['workspaces'][number],
      () => ReturnType<typeof demo>['workspaces'][number],
    ];
    const address = ({ path }: View): string =>
      path.startsWith('/') && as !== 'person'
        ? path
        : as === 'person'
          ? `${second().linkPath}${path}`
          : `/programmes/${first().programmeId}/${path}`;

    test.each(own(as).map((v) => [v.name, v] as const))(
      '%s: nothing for axe to find in light and dark, nothing too small to hit or to read',
      async (_name, view) => {
        await page.goto(address(view));
        await isHydrated(page);
        await view.act?.(page);
        if (PICTURES !== undefined) return takePictures(page, view);
        expect({ faults: await findFaults(page), small: await findSmall(page) }).toEqual({ faults: [], small: [] });
        expect(
          await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
        ).toBeLessThanOrEqual(0);
        await page.goto('about:blank');
      },
    );

    test('before any script: one heading, a title that names the page, nothing that refers to nothing', async () => {
      await page.goto(demo().base);
      for (const path of new Set(own(as).map(address))) {
        const { h1, title, dangling } = await readBare(page, path);
        expect([path, h1.length, h1.includes(''), dangling]).toEqual([path, 1, false, []]);
        expect(title, path).toMatch(/^\S.* · Ysodos$/);
      }
      await page.goto('about:blank');
    });
  });
}
