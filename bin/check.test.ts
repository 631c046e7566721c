import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';

let folder: string;
const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const run = (command: string, args: readonly string[], input = '') => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', `bin/${command}.ts`, ...args], {
    input,
    encoding: 'utf8',
  });
  return { status, stdout, stderr };
};
const check = (args: readonly string[], input = '') => run('check', args, input);
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'ysodos-check-'));
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

const GOOD = 'Title: Good\nMain (Pair): work 0:40 rest 0:20, 3 rounds\n10 push-up\neach side side plank\n';

describe('check', () => {
  test('prints the plan, and ends with 0', () => {
    const { status, stdout } = check([file('good.txt', GOOD)]);
    expect(status).toBe(0);
    expect(stdout).toContain('good.txt: Good, 6:00');
    expect(stdout).toContain('Pair: 0:40 work, 0:20 rest, 3 rounds (3 rounds × 2 × 1:00)');
    expect(stdout).toContain('counted: 30 push-up');
  });

  test('an error is named with its place and ends with 1; the other files are still read', () => {
    const bad = file('bad.txt', 'Main: evry 1:00\n5 squat\n');
    const { status, stdout, stderr } = check([bad, file('good.txt', GOOD)]);
    expect(status).toBe(1);
    expect(stderr).toContain(`${bad}:1:7: `);
    expect(stderr).toContain('Nearest: every');
    expect(stdout).toContain('Good, 6:00');
  });

  test('--json is one array, an object a file, with at least what the notation page names', () => {
    const { status, stdout } = check(['--json', '-'], `${GOOD}Finisher: amrap 5:00\n5 Nordic hop-over\nmax squat\n`);
    expect(status).toBe(0);
    const [report, ...others] = JSON.parse(stdout) as Record<string, unknown>[];
    expect(others).toEqual([]);
    expect(report).toMatchObject({
      file: 'standard input',
      ok: true,
      errors: [],
      clockSeconds: { low: 660, likely: 660, high: 660 },
      estimated: false,
      reps: { 'push-up': 30 },
      kit: [],
      blocks: [
        {
          role: 'Main',
          label: 'Pair',
          estimated: false,
          clockSeconds: { low: 360, likely: 360, high: 360 },
          workSeconds: 240,
          restSeconds: 120,
          rounds: { low: 3, high: 3 },
          intervals: 6,
          score: 'none',
          reps: { 'push-up': 30 },
        },
        { role: 'Finisher', label: null, rounds: null, intervals: null, score: 'rounds+reps' },
      ],
    });
    const timeline = report!.timeline as {
      start: number;
      end: number;
      side: string | null;
      movement: string | null;
      kind: string;
    }[];
    expect(timeline[0]).toEqual({
      start: 0,
      end: 40,
      kind: 'work',
      block: 0,
      round: 1,
      movement: 'push-up',
      side: null,
      reps: 10,
      estimated: false,
    });
    expect(
      timeline
        .filter((s) => s.movement === 'side-plank')
        .slice(0, 2)
        .map((s) => [s.side, s.end - s.start, s.kind]),
    ).toEqual([
      ['left', 20, 'hold'],
      ['right', 20, 'hold'],
    ]);
    expect((report!.workSeconds as number) + (report!.restSeconds as number)).toBe(660);
    const findings = report!.findings as { code: string; severity: string; line: number | null; message: string }[];
    expect(findings.map((f) => f.code)).toEqual(expect.arrayContaining(['new-movement', 'score-unclear']));
    expect(Object.keys(findings[0]!).sort()).toEqual(['code', 'line', 'message', 'severity']);
  });

  test('no file, an unreadable one and an unknown option say what to do', () => {
    expect(check([])).toMatchObject({ status: 1, stderr: expect.stringContaining('Name one file') as string });
    expect(check([join(folder, 'nowhere.txt')])).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('can’t be read') as string,
    });
    expect(check(['--jsn'])).toMatchObject({ status: 1, stderr: expect.stringContaining('--json') as string });
  });
});

describe('read', () => {
  const PLAN =
    'Easy one (about 20 minutes)\n3 rounds:\n10 squats each leg 4-1-2\n8 push ups\nsee you at 9 on the hill\n';

  test('--json is an object a file: the notation, its plan, pieces with their lines, doubts with their choices', () => {
    const { status, stdout } = run('read', ['--json', '-'], PLAN);
    const [report] = JSON.parse(stdout) as {
      file: string;
      text: string;
      plan: { ok: boolean; reps: Record<string, number> };
      pieces: { start: number; end: number; as: string; line: number | null }[];
      doubts: { start: number; end: number; message: string; choices: string[] }[];
    }[];
    expect(status).toBe(1); // A number is left that was read as nothing.
    expect(report!.text).toBe(
      'Title: Easy one\nTarget: 20 min\n\nMain: 3 rounds\n10/side squat, tempo 4-1-2\n8 push-up, "see you at 9 on the hill"\n',
    );
    expect(report!.plan).toMatchObject({ ok: true, reps: { squat: 60, 'push-up': 24 } });
    const said = (p: { start: number; end: number }) => PLAN.slice(p.start, p.end);
    expect(report!.pieces.map((p) => [p.as, said(p), p.line])).toEqual([
      ['title', 'Easy one', 1],
      ['length', 'about 20 minutes', 2],
      ['rounds', '3 rounds', 4],
      ['dose', '10', 5],
      ['movement', 'squats', 5],
      ['side', 'each leg', 5],
      ['tempo', '4-1-2', 5],
      ['dose', '8', 6],
      ['movement', 'push ups', 6],
      ['unread', 'see you at 9 on the hill', 6],
    ]);
    expect(report!.doubts.map((d) => [said(d), d.choices])).toEqual([
      ['4-1-2', ['a tempo: 4 s down, 1 s pause, 2 s up', '4, 1 and 2 by round']],
      ['see you at 9 on the hill', ['kept as a note']],
    ]);
  });

  test('a plan of several days has them, and its pieces name their day', () => {
    const { status, stdout } = run('read', ['--json', '-'], 'Mon: 10 squats\nThu: 8 lunges each leg\n');
    const [report] = JSON.parse(stdout) as {
      days: { text: string; weekday: number; plan: { reps: object } }[];
      pieces: { day: number; as: string }[];
    }[];
    expect(status).toBe(0);
    expect(report!.days.map((d) => [d.weekday, d.text, d.plan.reps])).toEqual([
      [1, 'Main: flow\n10 squat\n', { squat: 10 }],
      [4, 'Main: flow\n8/side forward lunge\n', { 'forward-lunge': 16 }],
    ]);
    expect(report!.pieces.filter((p) => p.as === 'day').map((p) => p.day)).toEqual([0, 1]);
  });

  test('for people it prints the session, and what is asked beside the file’s name and line', () => {
    const { stdout, stderr } = run('read', ['-'], PLAN);
    expect(stdout).toContain('Main: 3 rounds');
    expect(stderr).toContain('standard input:3: “4-1-2” is taken as a tempo');
  });
});

describe('sheet', () => {
  test('prints what a participant reads; an error is named, and ends with 1', () => {
    const { status, stdout } = run('sheet', ['-'], GOOD);
    expect(status).toBe(0);
    expect(stdout).toContain('Pair: 0:40 work, 0:20 rest, 3 rounds · 6 min\n- 10 push-up');
    const bad = run('sheet', ['-'], 'Main: evry 1:00\n5 squat\n');
    expect(bad).toMatchObject({ status: 1, stderr: expect.stringContaining('standard input:1:7') as string });
  });
});

describe('calls', () => {
  test('gives what the clock calls, with time, movement, side and number; an error ends with 1', () => {
    const { status, stdout } = run(
      'calls',
      ['--json', '-'],
      'Main: work 0:40 rest 0:20 x 1\nside plank, half each side\n',
    );
    expect(status).toBe(0);
    const report = JSON.parse(stdout) as unknown;
    expect(report).toMatchObject([{ file: 'standard input', calls: expect.any(Array) as unknown[] }]);
    const [{ calls }] = report as [
      { calls: { at: number; kind: string; side: string | null; movement: string | null }[] },
    ];
    const marked = calls.filter((c) => c.kind === 'go' || c.kind === 'switch');
    expect(marked.map((c) => [c.at, c.kind, c.movement, c.side])).toEqual([
      [5, 'go', 'side-plank', 'left'],
      [25, 'switch', 'side-plank', 'right'],
    ]);
    expect(run('calls', ['-'], 'Main: evry 1:00\n5 squat\n').status).toBe(1);
  });
});
