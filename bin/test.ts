/**
 * All checks, with one closing line: `./ysodos test [--only types,lint,unit,data,hostile,browser,faults] [--quick] [--long]`.
 * `--quick`, for work in between: types, and style and unit tests of what changed. `--long`: every case of the tests that try many.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { relative } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureBuild } from './parts/build.ts';
import { CommandError, runCommand, say } from './parts/say.ts';

const KINDS = ['types', 'lint', 'unit', 'data', 'hostile', 'browser', 'faults'] as const;
type Kind = (typeof KINDS)[number];

interface Outcome {
  readonly passed: number;
  readonly failed: number;
  readonly skipped: number;
  /** Which tests failed, with what each says first, for the end of the report: what is printed at its end is what a short log keeps. */
  readonly faults?: readonly string[];
}

/** What of Vitest's report in JSON is read here. */
interface Report {
  readonly numPassedTests?: number;
  readonly numFailedTests?: number;
  readonly numPendingTests?: number;
  readonly testResults?: readonly {
    readonly name: string;
    readonly status: string;
    readonly message: string;
    readonly assertionResults: readonly {
      readonly fullName: string;
      readonly status: string;
      readonly failureMessages: readonly string[];
    }[];
  }[];
}

interface Wishes {
  readonly kinds: readonly Kind[];
  readonly isQuick: boolean;
}

function readWishes(): Wishes {
  let values;
  try {
    values = parseArgs({
      options: { only: { type: 'string' }, quick: { type: 'boolean' }, long: { type: 'boolean' } },
    }).values;
  } catch (error) {
    throw new CommandError((error as Error).message, 'Options are --only KINDS, --quick and --long.');
  }
  if (values.long) process.env.YSODOS_LONG = 'yes';
  return { kinds: readKinds(values.only), isQuick: values.quick ?? false };
}

function readKinds(only: string | undefined): Kind[] {
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

/** The first lines of what a test says when it fails; a property's seed stands there. */
const FAULT_LINES = 6;

const faultsOf = ({ testResults = [] }: Report): string[] =>
  testResults.flatMap((file) => {
    const failed = file.assertionResults.filter((t) => t.status === 'failed');
    const name = relative(process.cwd(), file.name);
    if (failed.length === 0) return file.status === 'failed' ? [`${name}: ${firstLines(file.message)}`] : [];
    return failed.map((t) => `${name}: ${t.fullName}: ${firstLines(t.failureMessages.join('\n'))}`);
  });

const firstLines = (text: string): string => text.split('\n').slice(0, FAULT_LINES).join('\n    ');

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
    const found = JSON.parse(readFileSync(report, 'utf8')) as Report;
    const failed = found.numFailedTests ?? 0;
    return {
      passed: found.numPassedTests ?? 0,
      failed: code !== 0 ? Math.max(1, failed) : failed,
      skipped: found.numPendingTests ?? 0,
      faults: faultsOf(found),
    };
  } catch {
    return { passed: 0, failed: 1, skipped: 0 };
  }
}

const TYPES = [
  ['node_modules/@react-router/dev/bin.js', 'typegen'],
  ['node_modules/typescript/bin/tsc', '--noEmit', '--incremental', '--tsBuildInfoFile', '.local/tsc.json'],
];
const IMPORTS = [
  'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
  '--config',
  '.dependency-cruiser.mjs',
  ...['app', 'bin', 'core', 'db', 'demo', 'server', 'stand-in', 'words'],
];
// What core, server and db export is used by more than tests.
const EXPORTS = ['node_modules/knip/bin/knip.js', '--production', '--include', 'exports,types'];
const prettier = (...files: readonly string[]) => [
  'node_modules/prettier/bin/prettier.cjs',
  '--check',
  '--ignore-unknown',
  '--log-level',
  'warn',
  ...files,
];
const eslint = (...files: readonly string[]) => [
  'node_modules/eslint/bin/eslint.js',
  '--max-warnings',
  '0',
  '--no-warn-ignored',
  ...files,
];

const RUNS: Record<Kind, () => Promise<Outcome>> = {
  types: () => plainly(...TYPES),
  lint: () => plainly(prettier('.'), eslint('.'), IMPORTS, EXPORTS),
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

/** What differs from the last commit, or where nothing does, what that changed; undefined without git. */
function changedFiles(): { readonly since: string; readonly files: readonly string[] } | undefined {
  const git = (...args: readonly string[]) => spawnSync('git', args, { encoding: 'utf8' });
  const list = (since: string) => {
    const { status, stdout } = git('diff', '--name-only', since);
    return status === 0 ? stdout.split('\n').filter((name) => name !== '' && existsSync(name)) : undefined;
  };
  const fresh = git('ls-files', '--others', '--exclude-standard').stdout.split('\n').filter(Boolean);
  const now = list('HEAD');
  if (!now) return undefined;
  if (now.length + fresh.length > 0) return { since: 'HEAD', files: [...now, ...fresh] };
  return { since: 'HEAD~1', files: list('HEAD~1') ?? [] };
}

/** Types, imports, and style and unit tests of what changed. */
async function runQuick(): Promise<number> {
  const changed = changedFiles();
  if (!changed) throw new CommandError('git can’t say what changed.', 'Run the whole: ./ysodos test');
  const { since, files } = changed;
  const code = files.filter((name) => /\.(tsx?|mjs|js)$/.test(name));
  say(`${files.length} files differ from ${since}`);
  const lanes = await Promise.all([
    plainly(
      ...(files.length > 0 ? [prettier(...files)] : []),
      ...(code.length > 0 ? [eslint(...code)] : []),
      IMPORTS,
      EXPORTS,
    ),
    plainly(...TYPES),
  ]);
  const unit = await vitest('unit', '--changed', since, '--passWithNoTests');
  const failed = [...lanes, unit].reduce((sum, outcome) => sum + outcome.failed, 0);
  process.stdout.write(`${unit.passed} unit tests passed, ${failed} failed\n`);
  return failed > 0 ? 1 : 0;
}

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
  const { kinds: wanted, isQuick } = readWishes();
  if (isQuick) return runQuick();
  const total = { passed: 0, failed: 0, skipped: 0 };
  const faulty: string[] = [];
  const faults: string[] = [];
  const runKind = async (kind: Kind) => {
    const startedMs = performance.now();
    say(`${kind} …`);
    const outcome = await RUNS[kind]();
    const seconds = ((performance.now() - startedMs) / 1000).toFixed(0);
    say(`${kind}: ${outcome.passed} passed, ${outcome.failed} failed, ${seconds} s`);
    for (const key of ['passed', 'failed', 'skipped'] as const) total[key] += outcome[key];
    if (outcome.failed > 0 || outcome.passed === 0) faulty.push(kind);
    faults.push(...(outcome.faults ?? []));
  };
  const runLane = async (lane: readonly Kind[]) => {
    for (const kind of lane) if (wanted.includes(kind)) await runKind(kind);
  };
  for (const lanes of STAGES) await Promise.all(lanes.map(runLane));
  for (const fault of faults) say(fault);
  if (faulty.length > 0) say(`failed: ${faulty.join(', ')}`);
  const skipped = total.skipped > 0 ? `, ${total.skipped} skipped` : '';
  process.stdout.write(`${total.passed} passed, ${total.failed} failed${skipped}\n`);
  return faulty.length > 0 ? 1 : 0;
});
