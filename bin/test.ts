/** All checks, one after the other, with one closing line: `./ysodos test [--only types,lint,unit,data,hostile,browser,faults]`. */
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { ensureBuild } from './parts/build.ts';
import { CommandError, runCommand, say } from './parts/say.ts';

const KINDS = ['types', 'lint', 'unit', 'data', 'hostile', 'browser', 'faults'] as const;
type Kind = (typeof KINDS)[number];

interface Outcome {
  readonly passed: number;
  readonly failed: number;
  readonly skipped: number;
}

function readKinds(): Kind[] {
  let only;
  try {
    only = parseArgs({ options: { only: { type: 'string' } } }).values.only;
  } catch (error) {
    throw new CommandError((error as Error).message, 'The one option is --only KINDS.');
  }
  if (only === undefined) return [...KINDS];
  const wanted = only.split(',').map((k) => k.trim());
  const unknown = wanted.find((k) => !KINDS.some((kind) => kind === k));
  if (unknown !== undefined)
    throw new CommandError(`There is no kind of test “${unknown}”.`, `Kinds are ${KINDS.join(', ')}.`);
  return KINDS.filter((k) => wanted.includes(k));
}

const run = (args: readonly string[]): Promise<number> =>
  new Promise((done, failed) => {
    const child = spawn(process.execPath, args, { stdio: ['ignore', 'inherit', 'inherit'] });
    child.on('error', failed);
    child.on('close', (code) => done(code ?? 1));
  });

const plainly = async (...commands: readonly (readonly string[])[]): Promise<Outcome> => {
  for (const args of commands) if ((await run(args)) !== 0) return { passed: 0, failed: 1, skipped: 0 };
  return { passed: 1, failed: 0, skipped: 0 };
};

/** Runs one of Vitest's projects. A run that breaks before it counts anything is one failure. */
async function vitest(project: string, ...options: readonly string[]): Promise<Outcome> {
  const report = `.local/test/${project}.json`;
  mkdirSync('.local/test', { recursive: true });
  rmSync(report, { force: true });
  const code = await run([
    'node_modules/vitest/vitest.mjs',
    'run',
    '--project',
    project,
    ...options,
    '--reporter=dot',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  try {
    const {
      numPassedTests: passed,
      numFailedTests,
      numPendingTests: skipped,
    } = JSON.parse(readFileSync(report, 'utf8')) as Record<string, number>;
    const failed = numFailedTests ?? 0;
    return { passed: passed ?? 0, failed: code !== 0 ? Math.max(1, failed) : failed, skipped: skipped ?? 0 };
  } catch {
    return { passed: 0, failed: 1, skipped: 0 };
  }
}

const RUNS: Record<Kind, () => Promise<Outcome>> = {
  types: () =>
    plainly(['node_modules/@react-router/dev/bin.js', 'typegen'], ['node_modules/typescript/bin/tsc', '--noEmit']),
  lint: () =>
    plainly(
      ['node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn'],
      ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0'],
      [
        'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
        '--config',
        '.dependency-cruiser.mjs',
        'app',
        'bin',
        'core',
        'db',
        'demo',
        'server',
        'stand-in',
      ],
      // What core, server and db export is used by more than tests.
      ['node_modules/knip/bin/knip.js', '--production', '--include', 'exports,types'],
    ),
  // Beside lint, which fills the other core.
  unit: () => vitest('unit', '--maxWorkers=1'),
  data: () => vitest('data'),
  hostile: async () => {
    ensureBuild();
    return vitest('hostile');
  },
  browser: async () => {
    ensureBuild();
    return vitest('browser');
  },
  // Beside nothing: it kills what it started, and what it kills is to have been at work.
  faults: () => vitest('faults'),
};

/**
 * Stages, one after the other, each of lanes beside each other, each of kinds one after the other: two cores are kept busy, and what
 * measures how long it is kept waiting runs beside nothing but the database's tests.
 */
const STAGES: readonly (readonly (readonly Kind[])[])[] = [
  [['lint'], ['types', 'unit']],
  [['data'], ['hostile']],
  [['browser', 'faults']],
];

runCommand(async () => {
  const total = { passed: 0, failed: 0, skipped: 0 };
  const faulty: string[] = [];
  const wanted = readKinds();
  const runKind = async (kind: Kind) => {
    const startedMs = performance.now();
    say(`${kind} …`);
    const outcome = await RUNS[kind]();
    const seconds = ((performance.now() - startedMs) / 1000).toFixed(0);
    say(`${kind}: ${outcome.passed} passed, ${outcome.failed} failed, ${seconds} s`);
    for (const key of ['passed', 'failed', 'skipped'] as const) total[key] += outcome[key];
    if (outcome.failed > 0 || outcome.passed === 0) faulty.push(kind);
  };
  const runLane = async (lane: readonly Kind[]) => {
    for (const kind of lane) if (wanted.includes(kind)) await runKind(kind);
  };
  for (const lanes of STAGES) await Promise.all(lanes.map(runLane));
  if (faulty.length > 0) say(`failed: ${faulty.join(', ')}`);
  const skipped = total.skipped > 0 ? `, ${total.skipped} skipped` : '';
  process.stdout.write(`${total.passed} passed, ${total.failed} failed${skipped}\n`);
  return faulty.length > 0 ? 1 : 0;
});
