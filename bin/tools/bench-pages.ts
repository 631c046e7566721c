import { startDemo } from '../parts/running-demo.ts';

const WARM_UP = 25;
const RUNS = 40;

interface Measured {
  readonly ms: number;
  readonly kB: number;
}

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** The server's own word on how long it took to answer, one answer after the other. */
function serverClock() {
  let rest = '';
  let tell: (ms: number) => void = () => undefined;
  return {
    read: (text: string) => {
      const lines = (rest + text).split('\n');
      rest = lines.pop()!;
      for (const line of lines)
        if (line.startsWith('{') && line.includes('"route"')) tell((JSON.parse(line) as { ms: number }).ms);
    },
    next: () => new Promise<number>((done) => (tell = done)),
  };
}

interface Page {
  readonly page: string;
  readonly path: string;
  readonly headers: Record<string, string>;
}

/** Server time of addresses, one request at a time and in turn, so that a slow moment is one for all: medians of a process that is warm. */
async function measure(
  base: string,
  pages: readonly Page[],
  clock: ReturnType<typeof serverClock>,
): Promise<Measured[]> {
  const taken = pages.map((): number[] => []);
  const sizes = pages.map(() => 0);
  for (let i = 0; i < WARM_UP + RUNS; i++)
    for (const [at, { path, headers }] of pages.entries()) {
      const told = clock.next();
      const response = await fetch(base + path, { headers, redirect: 'manual' });
      sizes[at] = (await response.arrayBuffer()).byteLength;
      const ms = await told;
      if (i >= WARM_UP) taken[at]!.push(ms);
    }
  return pages.map((_, at) => ({ ms: median(taken[at]!), kB: sizes[at]! / 1000 }));
}

export interface PageRow extends Measured {
  readonly page: string;
  /** Times an empty page of the same layout, in the same run. */
  readonly ratio: number;
}

/** The pages of a demo of so many readers, each against an empty page of its layout. */
export async function measurePages(readers: number): Promise<PageRow[]> {
  const clock = serverClock();
  const demo = await startDemo(
    '.local/bench-pages',
    ['--without-messages', '--readers', String(readers)],
    { LOG_LEVEL: 'info' },
    clock.read,
  );
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
    const made = await fetch(`${demo.base}/programmes`, {
      method: 'POST',
      body: new URLSearchParams({ title: 'Empty', from: 'empty', weeks: '1', weekdays: '1', startsOn: '2026-05-18' }),
      headers: { origin: demo.base, cookie },
      redirect: 'manual',
    });
    const emptyPeople = made.headers.get('location')!.replace(/plan$/, 'people');
    const person = { accept: 'text/html' };
    const signed = { accept: 'text/html', cookie };
    const [empty, emptyCoach] = [
      { page: 'empty, of a participant', path: '/p/unknown', headers: person },
      { page: 'empty, of a coach', path: emptyPeople, headers: signed },
    ];
    const pages: Page[] = [
      empty,
      emptyCoach,
      { page: 'empty data, of a participant', path: '/p/unknown.data', headers: person },
      { page: 'Today', path: linkPath, headers: person },
      { page: 'Today’s data', path: `${linkPath}.data`, headers: person },
      { page: 'Follow up', path: `${coach}/follow-up`, headers: signed },
      { page: 'People', path: `${coach}/people`, headers: signed },
      { page: 'Plan', path: `${coach}/plan`, headers: signed },
      { page: 'Write', path: `${coach}/write/w3d5`, headers: signed },
      { page: 'Programmes', path: '/programmes', headers: signed },
    ];
    const measured = await measure(demo.base, pages, clock);
    return pages.map(({ page, headers }, i) => ({
      page,
      ...measured[i]!,
      ratio: measured[i]!.ms / measured[pages.indexOf(headers === person ? empty : emptyCoach)]!.ms,
    }));
  } finally {
    await demo.stop();
  }
}
