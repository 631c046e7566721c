import type { RunningDemo } from '../../bin/parts/running-demo.ts';
import { NASTY_PIECES, nastyText } from '../../core/notation/nasty-text-fixture.ts';
import { post } from './hostile-demo.ts';

/** Sends the longest and most twisted texts, lists and files that a coach's pages take, one after the other. */
export async function sendWorst(demo: RunningDemo, cookie: string): Promise<void> {
  const programme = `/programmes/${demo.workspaces[0]!.programmeId}`;
  const texts = NASTY_PIECES.map((nasty) => nastyText(nasty, 199_000)).filter((text) => text.isWellFormed());
  const headers = { cookie, origin: demo.base, 'content-type': 'application/json' };
  for (const text of texts) {
    const at = `${demo.base}${programme}/write/w8d1`;
    const page = await fetch(`${at}/draft`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ text: '', revision: 1 }),
    });
    const { stale } = (await page.json()) as { stale?: { revision: number } };
    await fetch(`${at}/draft`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ text, revision: stale?.revision ?? 2 }),
    });
    await post(demo, `${programme}/write/w8d1`, { intent: 'ready', revision: '2' }, { cookie });
    await fetch(`${demo.base}${programme}/days`, { headers: { cookie } });
    await post(demo, '/routines', { name: 'Nasty', text: text.slice(0, 19_000) }, { cookie });
  }
  await post(demo, `${programme}/new-people`, { text: `name\n${'"a,'.repeat(100_000)}` }, { cookie });
  await post(demo, `${programme}/new-people`, { text: 'name,'.repeat(90_000) }, { cookie });
  const days = Array.from({ length: 364 }, (_, i) => ({
    week: 1 + Math.floor(i / 7),
    weekday: 1 + (i % 7),
    text: 'Main: flow\n5 squat\n',
  }));
  const file = { format: 'ysodos-programme', version: 1, title: 'x', weeks: 52, days };
  await post(
    demo,
    '/programmes',
    { title: 'Year', from: 'file', startsOn: '2026-05-18', document: JSON.stringify(file) },
    { cookie },
  );
  await post(
    demo,
    '/programmes',
    { title: 'x', from: 'file', startsOn: '2026-05-18', document: '['.repeat(700_000) },
    { cookie },
  );
  await post(demo, '/sign-in', { email: `${'a@'.repeat(20_000)}b`, password: 'x' });
}
