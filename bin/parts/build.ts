import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { CommandError, say } from './say.ts';

const SOURCES = [
  'app',
  'core',
  'db',
  'server',
  'words',
  'package-lock.json',
  'vite.config.ts',
  'vite.worker.config.ts',
  'react-router.config.ts',
  'bin/tools/antd-style.tsx',
  'public',
];
const STAMP = 'build/.stamp';

function* files(path: string): Generator<string> {
  if (!existsSync(path)) return;
  let entries;
  try {
    entries = readdirSync(path, { withFileTypes: true });
  } catch {
    yield path;
    return;
  }
  for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (entry.name.includes('.generated.') || entry.name.includes('.test.')) continue;
    const full = join(path, entry.name);
    if (entry.isDirectory()) yield* files(full);
    else yield full;
  }
}

/** What the files of these folders hash to. */
export function hashSources(sources: readonly string[] = SOURCES): string {
  const hash = createHash('sha256');
  for (const source of sources) {
    for (const file of files(source)) hash.update(file).update('\0').update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}

function run(args: readonly string[]): void {
  const env = { ...process.env, NODE_ENV: 'production' };
  const result = spawnSync(process.execPath, args, { encoding: 'utf8', env, maxBuffer: 64 << 20 });
  if (result.status !== 0)
    throw new CommandError(
      'The build failed.',
      `${result.stdout}\n${result.stderr}`.trim().split('\n').slice(-30).join('\n  '),
    );
}

/** The style sheet of the antd components in use, which the coach's pages link. */
export const buildAntdStyle = (): void => run(['--import', 'tsx', 'bin/tools/antd-style.tsx']);

/** Makes the production build unless it is already that of these sources. */
export function ensureBuild(): void {
  const wanted = hashSources();
  if (existsSync('build/server/index.js') && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  say('building the application (about half a minute)');
  buildAntdStyle();
  process.env.YSODOS_BUILD = wanted.slice(0, 12);
  run(['node_modules/@react-router/dev/bin.js', 'build']);
  run(['node_modules/vite/bin/vite.js', 'build', '--config', 'vite.worker.config.ts', '--logLevel', 'warn']);
  writeFileSync(STAMP, wanted);
}
