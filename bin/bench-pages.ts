import { startDemo } from './running-demo.ts';

const RUNS = 25;

interface Measured {
  readonly ms: number;
  readonly kB: number;
}

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Server time of one address, one request at a time: median of some runs after a few to warm up, and the size of the answer. */
async function measure(url: string, headers: Record<string, string>): Promise<Measured> {
  const taken: number[] = [];
  let size = 0;
  for (let i = 0; i < RUNS + 8; i++) {
    const startedMs = performance.now();
    const response = await fetch(url, { headers, redirect: 'manual' });
    size = (await response.arrayBuffer()).byteLength;
    if (i >= 8) taken.push(performance.now() - startedMs);
  }
  return { ms: median(taken), kB: size / 1000 };
}

export interface PageRow extends Measured {
  readonly page: string;
  /** Times an empty page of the same layout, in the same run. */
  readonly ratio: number;
}

/** The pages of a demo of so many readers, each against an empty page of its layout. */
export async function measurePages(readers: number): Promise<PageRow[]> {
  const demo = await startDemo('.local/bench-pages', ['--without-messages', '--readers', String(readers)]);
  try {
    const { coachEmail, programmeId, linkPath } = demo.workspaces[1]!;
    const signedIn = await fetch(`${demo.base}/sign-in`, {
      method: 'POST',
      body: new URLSearchParams({ email: coachEmail, password: demo.password }),
      headers: { origin: demo.base },
      redirect: 'manual',
    });
    const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
    const coach = `/programmes/${programmeId}`;
    const at = (path: string, isCoach: boolean) =>
      measure(demo.base + path, { accept: 'text/html', ...(isCoach && { cookie }) });
    const made = await fetch(`${demo.base}/programmes`, {
      method: 'POST',
      body: new URLSearchParams({ title: 'Empty', from: 'empty', weeks: '1', weekdays: '1', startsOn: '2026-05-18' }),
      headers: { origin: demo.base, cookie },
      redirect: 'manual',
    });
    const emptyPeople = made.headers.get('location')!.replace(/plan$/, 'people');
    const empty = { person: await at('/p/unknown', false), coach: await at(emptyPeople, true) };
    const rows: PageRow[] = [
      { page: 'empty, of a participant', ratio: 1, ...empty.person },
      { page: 'empty, of a coach', ratio: 1, ...empty.coach },
    ];
    for (const [page, path, layout] of [
      ['Today', linkPath, 'person'],
      ['Today’s data', `${linkPath}.data`, 'person'],
      ['Follow up', `${coach}/follow-up`, 'coach'],
      ['People', `${coach}/people`, 'coach'],
      ['Plan', `${coach}/plan`, 'coach'],
      ['Write', `${coach}/write/w3d5`, 'coach'],
      ['Programmes', '/programmes', 'coach'],
    ] as const) {
      const measured = await at(path, layout === 'coach');
      rows.push({ page, ratio: measured.ms / empty[layout].ms, ...measured });
    }
    return rows;
  } finally {
    await demo.stop();
  }
}
