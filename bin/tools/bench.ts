/**
 * Measurements, not tests: `npm run bench [-- core progress fit browser]`. Machines are noisy, so each figure stands beside the
 * budget that an issue set, and growth is a ratio within one run.
 */
import type { Page } from 'playwright-core';
import { baseLibrary } from '../../core/movement/library.ts';
import { readName } from '../../core/movement/name/read-name.ts';
import { NASTY_PIECES, nastyText } from '../../core/notation/nasty-text-fixture.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { formatProgramme } from '../../core/exchange/writing/write-programme.ts';
import { buildArrangeScope } from '../../core/progress/arrange/arrange-scope.ts';
import { arrangeWeek } from '../../core/progress/arrange/arrange-week.ts';
import { createDayPlanner } from '../../core/progress/day-plan.ts';
import { findGuards } from '../../core/progress/guards/find-guards.ts';
import { planProgramme } from '../../core/progress/plan-programme.ts';
import { createTrackBook, regenerate } from '../../core/progress/edit/regenerate.ts';
import { yearProgramme } from './year-programme.ts';
import type { FitPerson, Level } from '../../core/movement/fit-movement.ts';
import { fitSession } from '../../core/fit/fit-session.ts';
import { SPARES } from '../../core/movement/spare.ts';
import { resolveBlocks } from '../../core/session/resolve.ts';
import { analyseText } from '../../core/session/analyse.ts';
import { computePlan } from '../../core/session/plan.ts';
import type { FollowRow } from './bench-follow.ts';
import { measureFollow } from './bench-follow.ts';
import { measureRelease } from './bench-release.ts';
import { measurePages } from './bench-pages.ts';
import { measureWaits } from './bench-waits.ts';
import { measurePhone } from './bench-phone.ts';
import { openChromium } from '../parts/chromium.ts';
import { startDemo } from '../parts/running-demo.ts';
import { CommandError, runCommand, say } from '../parts/say.ts';

/** A session of 60 items in five blocks of different forms. */
export function sixtyItems(): string {
  const names = baseLibrary.movements.filter((m) => !m.isHold && !m.isOneSided).map((m) => m.name);
  const headers = [
    'Warm-up: 2 rounds',
    'Main (One): every 1:00 x 24',
    'Main (Two): work 0:40 rest 0:20, 2 rounds',
    'Finisher: for time, reps 21-15-9',
    'Cool-down: flow',
  ];
  return `Title: Sixty\nTarget: 60 min\nKit: bottle, chair\n\n${headers.map((h, b) => `${h}\n${Array.from({ length: 12 }, (_, i) => `${h.includes('reps') ? '' : `${6 + ((i * 7 + b) % 9)} `}${names[(b * 12 + i * 5) % names.length]!}`).join('\n')}`).join('\n\n')}\n`;
}

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

function time(runs: number, work: () => void): number {
  for (let i = 0; i < Math.min(20, runs); i++) work();
  const startMs = performance.now();
  for (let i = 0; i < runs; i++) work();
  return (performance.now() - startMs) / runs;
}

const line = (what: string, value: string, budget: string) =>
  process.stdout.write(`${what.padEnd(58)}${value.padStart(14)}   ${budget}\n`);

/** What a coach from elsewhere writes: names of four words that stand on no shelf. */
const UNKNOWN_NAMES = [
  'alternating dumbbell reverse lunge',
  'seated band overhead press',
  'slow single-leg glute bridge',
  'lateral lunge with kettlebell',
];

function benchNames(): void {
  const { book } = baseLibrary;
  const warm = time(5000, () => UNKNOWN_NAMES.forEach((n) => readName(n, book))) / UNKNOWN_NAMES.length;
  const anew = time(2000, () => {
    book.known.clear();
    UNKNOWN_NAMES.forEach((n) => readName(n, book));
  });
  line(
    'core: reading an unknown name of 4 words, µs (anew)',
    `${(1000 * warm).toFixed(1)} (${((1000 * anew) / UNKNOWN_NAMES.length).toFixed(0)})`,
    'under 20',
  );
}

function benchCore(): void {
  benchNames();
  const text = sixtyItems();
  const { document } = parseSession(text, baseLibrary);
  const planMs = time(400, () => computePlan(document, baseLibrary));
  line(
    'core: plans of a 60-item session in a second',
    Math.round(1000 / planMs).toLocaleString('en'),
    'at least 1,000',
  );
  line(
    'core: reading, planning and findings of that session',
    `${time(200, () => analyseText(text, baseLibrary)).toFixed(2)} ms`,
    'within a keystroke, 16 ms',
  );
  const small = 'Main: flow  # plain\n10 squat, tempo 3-1-1\n??? no line of it\n'.repeat(330).slice(0, 19_900);
  const large = small.repeat(10);
  const [smallMs, largeMs] = [
    time(20, () => parseSession(small, baseLibrary)),
    time(5, () => parseSession(large, baseLibrary)),
  ];
  const worst = NASTY_PIECES.map((piece) => {
    const nasty = nastyText(piece, 199_000);
    return { piece, ms: time(2, () => parseSession(nasty, baseLibrary)) };
  }).sort((a, b) => b.ms - a.ms)[0]!;
  line(
    `core: reading 200 kB of the worst, ${JSON.stringify(worst.piece.slice(0, 12))}`,
    `${worst.ms.toFixed(0)} ms`,
    `${(worst.ms / largeMs).toFixed(1)} times 200 kB of plain text`,
  );
  line('core: reading 200 kB against 20 kB', `${(largeMs / smallMs).toFixed(1)} times`, 'about 10 times');
}

/** People who differ in kit, level and what they spare. */
function crowd(count: number): FitPerson[] {
  const kits = [undefined, [], ['chair'], ['band', 'chair', 'bottle']];
  return Array.from({ length: count }, (_, i) => {
    const kit = kits[i % kits.length];
    return {
      levels: i % 3 === 0 ? { push: (1 + (i % 5)) as Level, squat: 2 } : {},
      spares: SPARES.filter((_s, k) => (i * 37 + k * 11) % 9 === 0),
      swaps: [],
      ...(kit && { kit }),
    };
  });
}

function benchFit(): void {
  const text = `Main (One): every 1:00 x 20\n${['burpee', 'push-up', 'squat jump', 'plank jack', 'sit-up', 'bottle swing', 'mountain climber', 'chin-up', 'step-back lunge, half each side', 'shoulder tap'].map((n) => `10 ${n}`).join('\n')}\nFinisher: amrap 8:00\n${['double skip', 'bottle press', 'squat', 'band row', 'jumping jack', 'bear crawl', 'pike push-up', 'skater jump', 'hollow hold', 'walking lunge'].map((n) => `8 ${n}`).join('\n')}`;
  const { document, issues } = parseSession(text, baseLibrary);
  if (issues.length > 0) throw new Error(issues[0]!.message);
  const blocks = resolveBlocks(document);
  const people = crowd(400);
  line(
    'core: a 20-item session fitted to 400 people',
    `${time(10, () => people.forEach((p) => fitSession(document, blocks, p, baseLibrary))).toFixed(0)} ms`,
    'under 250 ms',
  );
}

/** Everything from nothing, as after a change of every track: sessions written, planned and checked. */
function benchProgress(): void {
  const programme = yearProgramme();
  const scope = { library: baseLibrary, routines: new Map() };
  const startsOn = '2026-01-05' as DayDate;
  const all = () => {
    const [book, planner] = [createTrackBook(scope), createDayPlanner(scope)];
    const next = regenerate(programme, book, undefined, planner);
    const weeks = planProgramme(next, planner);
    return {
      next,
      planner,
      guards: findGuards({ programme: next, weeks, tracks: next.tracks.map((t) => book.read(t)), run: { startsOn } }),
    };
  };
  const { next, planner } = all();
  line(
    `core: ${new Set(next.days.map((d) => d.text)).size} sessions of 52 weeks written, planned and checked`,
    `${time(8, all).toFixed(0)} ms`,
    'under 200 ms',
  );
  const week = {
    ...next,
    days: Array.from({ length: 7 }, (_, i) => ({ ...next.days[i % 6]!, week: 1, weekday: i + 1 })),
  };
  const arrange = buildArrangeScope(
    week,
    1,
    { planner, run: { startsOn }, locked: new Set() },
    { fixed: [], weekdays: [1, 2, 3, 4, 5, 6, 7] },
  );
  line('core: the best order of seven sessions', `${time(20, () => arrangeWeek(arrange)).toFixed(1)} ms`, 'under 1 s');
}

/** Milliseconds from the move of a lever's point to the frame after the plan has changed. */
async function leverDrags(page: Page, count: number): Promise<number[]> {
  const point = page.getByRole('slider', { name: 'reps, week 3', exact: true });
  await point.scrollIntoViewIfNeeded();
  const box = (await point.boundingBox())!;
  await page.evaluate(() => {
    const w = window as unknown as { taken: number[] };
    w.taken = [];
    window.addEventListener(
      'pointermove',
      (event) => {
        // The levers' labels change in the same commit as the rows; reading a year of rows would itself take milliseconds.
        const levers = document.querySelector('.levers')!;
        const before = levers.textContent;
        requestAnimationFrame(() =>
          setTimeout(() => {
            if (levers.textContent !== before) w.taken.push(performance.now() - event.timeStamp);
          }),
        );
      },
      true,
    );
  });
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  for (let i = 1; i <= count; i++) {
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - (i % 2 === 0 ? 0 : 40));
    await page.waitForTimeout(150);
  }
  await page.mouse.up();
  return page.evaluate(() => (window as unknown as { taken: number[] }).taken);
}

/** Milliseconds from a key to the plan that has changed, key by key. */
async function keystrokes(page: Page, count: number): Promise<number[]> {
  await page.evaluate(() => {
    const w = window as unknown as { taken: number[]; pressed: number };
    w.taken = [];
    window.addEventListener(
      'keydown',
      (event) => {
        w.pressed = event.timeStamp;
      },
      true,
    );
    new MutationObserver(() => {
      w.taken.push(performance.now() - w.pressed);
    }).observe(document.querySelector('.plan-panel')!, {
      subtree: true,
      characterData: true,
      childList: true,
      attributes: true,
    });
  });
  const taken: number[] = [];
  for (let i = 0; i < count; i++) {
    await page.evaluate(() => {
      (window as unknown as { taken: number[] }).taken = [];
    });
    await page.keyboard.press(i % 2 === 0 ? '1' : 'Backspace');
    await page.waitForTimeout(40);
    const own = await page.evaluate(() => (window as unknown as { taken: number[] }).taken);
    if (own.length > 0) taken.push(own[0]!);
  }
  return taken;
}

async function benchBrowser(): Promise<void> {
  say('starting a demo for the browser');
  const demo = await startDemo('.local/bench');
  const browser = await openChromium();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: demo.base });
    await page.goto('/sign-in');
    await page.getByLabel('E-mail').fill(demo.workspaces[0]!.coachEmail);
    await page.getByLabel('Password').fill(demo.password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL('**/programmes');
    await page.goto(`/programmes/${demo.workspaces[0]!.programmeId}/write/w8d1`);
    await page.locator('.cm-content').click();
    await page.keyboard.insertText(sixtyItems());
    await page.waitForTimeout(800);
    // Right behind the first number of an item in the slots.
    await page.locator('.cm-line', { hasText: /^Main \(One\)/ }).click();
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowRight');
    const taken = await keystrokes(page, 60);
    const keyMs = taken;
    await page.goto(`/programmes/${demo.workspaces[0]!.programmeId}/plan?at=w6d1`, { waitUntil: 'networkidle' });
    const eightMs = await leverDrags(page, 24);
    line(
      'browser: a lever dragged in 8 weeks of 4, to its frame, median',
      `${median(eightMs).toFixed(1)} ms`,
      `50 ms (of ${eightMs.length} moves)`,
    );
    await page.goto('/programmes');
    await page.getByRole('button', { name: 'New programme' }).click();
    await page.getByRole('combobox', { name: 'Start from' }).click();
    await page.getByTitle('a file').click();
    await page.getByLabel('A programme’s file').setInputFiles({
      name: 'year.json',
      mimeType: 'application/json',
      buffer: Buffer.from(
        formatProgramme(regenerate(yearProgramme(), createTrackBook({ library: baseLibrary, routines: new Map() }))),
      ),
    });
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.waitForURL('**/plan', { timeout: 60_000 });
    await page.goto(`${page.url()}?at=w3d1`, { waitUntil: 'networkidle' });
    const yearMs = await leverDrags(page, 24);
    line(
      'browser: a lever dragged in 52 weeks of 6, to its frame, median',
      `${median(yearMs).toFixed(1)} ms`,
      `50 ms (of ${yearMs.length} moves)`,
    );
    line(
      'browser: a key in a 60-item session to its plan, median',
      `${median(keyMs).toFixed(1)} ms`,
      `16 ms (of ${keyMs.length} keys)`,
    );
  } finally {
    await browser.close();
    await demo.stop();
  }
}

/** Pages on the server, one request at a time, with 140 and 400 people. */
async function benchPages(): Promise<void> {
  for (const readers of [140, 400]) {
    say(`a demo of ${readers} readers`);
    for (const { page, ms, ratio, kB } of await measurePages(readers))
      line(
        `server, ${readers} people: ${page}`,
        `${ms.toFixed(1)} ms`,
        `${ratio.toFixed(1)} x an empty page, ${kB.toFixed(0)} kB`,
      );
  }
}

/** A participant's phone: first paint, and the clock's calls in a real browser. */
async function benchPhone(): Promise<void> {
  const { firstPaintMs, scriptKb, scripts, clockScriptKb, calls } = await measurePhone();
  line(
    'phone: first paint of Today, slow 4G and a quarter of the processor',
    `${Math.round(firstPaintMs)} ms`,
    '1500 ms',
  );
  line('phone: script of Today, gzip', `${scriptKb.toFixed(1)} kB in ${scripts} files`, '125 kB in 12');
  line('phone: script of the clock, gzip', `${clockScriptKb.toFixed(1)} kB`, '150 kB');
  line(`phone: calls of the clock, ${calls.count}, the latest`, `${calls.latestMs.toFixed(1)} ms late`, '50 ms');
  line('phone: calls of the clock, in the middle', `${calls.medianMs.toFixed(1)} ms late, ${calls.early} early`, '');
}

/** How long others wait while one coach keeps the server busy. */
async function benchWaits(): Promise<void> {
  for (const { what, longestMs, ratio } of await measureWaits())
    line(
      `waits: ${what}`,
      `${longestMs.toFixed(0)} ms`,
      `${ratio.toFixed(1)} x the longest of a quiet server; 100 ms asked`,
    );
}

/** A day released to 20,000 people, and its messages. */
async function benchRelease(): Promise<void> {
  say('20,000 people in five zones');
  const r = await measureRelease(20_000, 3_000);
  line(
    'release: one day to 20,000 people, with messages laid',
    `${Math.round(r.releasedPerSec)} people/s`,
    `${r.ratio.toFixed(2)} of the same rows in one plain statement (${Math.round(r.plainPerSec)} people/s); 0.5 asked`,
  );
  line(
    'release: messages written and handed to the stand-in by one worker',
    `${Math.round(r.messagesPerSec)} messages/s`,
    `200 messages/s (of ${r.messages})`,
  );
  line('release: the Send screen of 20,000 people, server time', `${r.sendMs.toFixed(0)} ms`, '150 ms');
}

/** Follow up of a run of 84 days, from 200 people to a hundred times as many. */
async function benchFollow(): Promise<void> {
  const rows: FollowRow[] = [];
  for (const people of [200, 400, 2_000, 20_000]) {
    say(`${people} people and 84 days`);
    const r = await measureFollow(people);
    rows.push(r);
    const times = (ms: number) =>
      `${(ms / r.countMs).toFixed(1)} x count(*) over ${r.records} rows (${r.countMs.toFixed(1)} ms)`;
    const goal = people === 400 ? '; 150 ms asked' : people === 20_000 ? '; 3 s asked' : '';
    line(
      `follow, ${people}: strands and attention, the first time`,
      `${r.coldMs.toFixed(0)} ms`,
      times(r.coldMs) + goal,
    );
    line(`follow, ${people}: the same on another day`, `${r.warmMs.toFixed(0)} ms`, times(r.warmMs) + goal);
    line(`follow, ${people}: the same with nothing changed`, `${r.sameMs.toFixed(0)} ms`, times(r.sameMs) + goal);
    line(
      `follow, ${people}: the same with one record corrected`,
      `${r.grownMs.toFixed(0)} ms`,
      times(r.grownMs) + goal,
    );
    line(`follow, ${people}: insights`, `${r.insightsMs.toFixed(0)} ms`, times(r.insightsMs) + goal);
    line(`follow, ${people}: sums alone, by the database`, `${r.sumsMs.toFixed(0)} ms`, times(r.sumsMs));
  }
  const [first, last] = [rows[0]!, rows.at(-1)!];
  line(
    `follow: growth of strands and attention, ${first.people} to ${last.people} people`,
    `${(last.warmMs / first.warmMs).toFixed(0)} times`,
    `${last.people / first.people} times the people`,
  );
}

const PARTS: Record<string, () => void | Promise<void>> = {
  follow: benchFollow,
  core: benchCore,
  progress: benchProgress,
  fit: benchFit,
  pages: benchPages,
  release: benchRelease,
  waits: benchWaits,
  phone: benchPhone,
  browser: benchBrowser,
};

if (process.argv[1]?.endsWith('bench.ts')) {
  runCommand(async () => {
    const wanted = process.argv.slice(2);
    const unknown = wanted.find((w) => !(w in PARTS));
    if (unknown)
      throw new CommandError(`There is no measurement “${unknown}”.`, `There are ${Object.keys(PARTS).join(' and ')}.`);
    for (const [name, part] of Object.entries(PARTS)) if (wanted.length === 0 || wanted.includes(name)) await part();
    return 0;
  });
}
