/** Takes the pictures of all main views from the fixed-clock demo into docs/screenshots/. `npm run shots -- [name ...] [--dark] [--out DIR]` */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import type { Page } from 'playwright-core';
import { openChromium } from '../parts/chromium.ts';
import type { RunningDemo } from '../parts/running-demo.ts';
import { startDemo } from '../parts/running-demo.ts';
import { runCommand, say } from '../parts/say.ts';

interface View {
  readonly name: string;
  readonly as: 'coach' | 'participant';
  readonly path: (demo: RunningDemo) => string;
  /** What to do before the picture. */
  readonly act?: (page: Page) => Promise<void>;
  readonly workspace?: 0 | 1;
}

const programme = (demo: RunningDemo, rest: string, workspace: 0 | 1 = 0) =>
  `/programmes/${demo.workspaces[workspace]!.programmeId}/${rest}`;
const link = (demo: RunningDemo, rest = '', workspace: 0 | 1 = 0) => `${demo.workspaces[workspace]!.linkPath}${rest}`;

const VIEWS: readonly View[] = [
  { name: 'programmes', as: 'coach', path: () => '/programmes' },
  { name: 'plan', as: 'coach', path: (d) => programme(d, 'plan') },
  {
    name: 'plan-lever',
    as: 'coach',
    path: (d) => programme(d, 'plan?at=w6d1'),
    act: async (page) => {
      const point = page.getByRole('slider', { name: 'rounds, week 5' });
      await point.focus();
      await page.keyboard.press('ArrowUp');
      await page.getByRole('button', { name: 'Day by day' }).click();
    },
  },
  {
    name: 'plan-arrange',
    as: 'coach',
    path: (d) => programme(d, 'plan?at=week-6'),
    act: async (page) => {
      await page.getByRole('button', { name: 'Arrange', exact: true }).click();
      await page.getByText('Runner-up').waitFor();
    },
  },
  {
    name: 'write',
    as: 'coach',
    path: (d) => programme(d, 'write/w6d3'),
    act: async (page) => {
      await page.waitForSelector('.cm-editor');
      await page.getByLabel('See as').press('ArrowDown');
      await page.getByText(/^all \d+: who gets what$/).click();
    },
  },
  {
    name: 'write-guide',
    as: 'coach',
    path: (d) => programme(d, 'write/w8d6?guide=on'),
    act: async (page) => {
      await page.waitForSelector('.cm-content');
      await page.getByRole('button', { name: 'Use this example' }).click();
      await page.locator('.cm-line', { hasText: '10 squat' }).click();
    },
  },
  { name: 'send', as: 'coach', path: (d) => programme(d, 'send/w5d5') },
  { name: 'next', as: 'coach', path: (d) => programme(d, 'follow-up/next') },
  { name: 'working', as: 'coach', path: (d) => programme(d, 'follow-up/working', 1), workspace: 1 },
  { name: 'teams', as: 'coach', path: (d) => programme(d, 'follow-up/teams', 1), workspace: 1 },
  { name: 'run', as: 'coach', path: (d) => programme(d, 'run') },
  { name: 'outbox', as: 'coach', path: (d) => programme(d, 'outbox') },
  {
    name: 'follow-up',
    as: 'coach',
    path: (d) => programme(d, 'follow-up'),
    act: async (page) => {
      await page.locator('.needs-name').first().click();
      await page.waitForSelector('.act-form');
      await page.evaluate(() => window.scrollTo(0, 0));
    },
  },
  { name: 'people', as: 'coach', path: (d) => programme(d, 'people?person=2') },
  {
    name: 'movements',
    as: 'coach',
    path: (d) => programme(d, 'movements?q=dumbbell+jump+squat&m=dumbbell-squat-jump'),
  },
  { name: 'my-weeks', as: 'participant', path: (d) => link(d, '/weeks') },
  { name: 'today', as: 'participant', path: (d) => link(d) },
  {
    name: 'clock',
    as: 'participant',
    path: (d) => link(d, '/w5d1/clock'),
    act: async (page) => {
      await page.clock.install();
      await page.getByRole('button', { name: 'Start' }).click();
      for (let i = 0; i < 12; i++) {
        const done = page.getByRole('button', { name: 'Done, on to the next' });
        await page.clock.runFor(6000);
        if (await done.isVisible()) await done.click();
      }
      for (let i = 0; i < 40 && !(await page.getByRole('heading', { name: /step-back lunge/ }).isVisible()); i++) {
        await page.clock.runFor(8000);
        const done = page.getByRole('button', { name: 'Done, on to the next' });
        if (await done.isVisible()) await done.click();
      }
      await page.clock.runFor(22_000);
    },
  },
  {
    name: 'log-score',
    as: 'participant',
    path: (d) => link(d, '/w4d6/log?score-1.1-rounds=11&score-1.2-rounds=10&clock=27:40'),
    act: async (page) => {
      await page.getByLabel(/^7,/).check({ force: true });
    },
  },
];

runCommand(async () => {
  const { values, positionals } = parseArgs({
    options: { dark: { type: 'boolean' }, out: { type: 'string' } },
    allowPositionals: true,
  });
  const out = values.out ?? 'docs/screenshots';
  mkdirSync(out, { recursive: true });
  const wanted = VIEWS.filter((v) => positionals.length === 0 || positionals.includes(v.name));
  say('starting a demo with a stopped clock');
  // With a worker: the pictures show what people see.
  const demo = await startDemo('.local/shots', []);
  const browser = await openChromium();
  try {
    for (const [as, workspace] of [
      ['coach', 0],
      ['coach', 1],
      ['participant', 0],
    ] as const) {
      const phone = as === 'participant';
      const context = await browser.newContext({
        viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
        colorScheme: values.dark ? 'dark' : 'light',
        timezoneId: 'Europe/Vienna',
        reducedMotion: 'reduce',
      });
      const views = wanted.filter((v) => v.as === as && (phone || (v.workspace ?? 0) === workspace));
      if (!phone && views.length > 0) {
        const page = await context.newPage();
        await page.goto(`${demo.base}/sign-in`);
        await page.getByLabel('E-mail').fill(demo.workspaces[workspace]!.coachEmail);
        await page.getByLabel('Password').fill(demo.password);
        await page.getByRole('button', { name: 'Sign in' }).click();
        await page.waitForURL('**/programmes');
        await page.close();
      }
      for (const view of views) {
        const page = await context.newPage();
        page.on('console', (m) => {
          if (m.type() === 'error') say(`${view.name}: ${m.text()}`);
        });
        page.on('pageerror', (e) => say(`${view.name}: ${e.message}`));
        await page.goto(demo.base + view.path(demo), { waitUntil: 'networkidle' });
        await view.act?.(page);
        await page.evaluate(() => document.fonts.ready.then(() => undefined));
        await page.waitForTimeout(250);
        await page.screenshot({ path: join(out, `${view.name}${values.dark ? '-dark' : ''}.png`) });
        say(`${view.name} taken`);
        await page.close();
      }
      await context.close();
    }
  } finally {
    await browser.close();
    await demo.stop();
  }
  return 0;
});
