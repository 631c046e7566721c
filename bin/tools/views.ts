/**
 * Compares every screen before and after a change: `npm run views -- take DIR` takes a picture of each view that the browser tests
 * list, in light and dark; `npm run views -- compare BEFORE AFTER [--out DIR]` names the pictures that differ, and by how many pixels.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import { CommandError, runCommand, say } from '../parts/say.ts';

/** How far two colours may lie apart and still be the same: edges of letters are drawn a little differently each time. */
const SAME_COLOUR = 0.1;

const pictures = (folder: string): string[] => {
  if (!existsSync(folder))
    throw new CommandError(`There is no folder ${folder}.`, 'Take its pictures first: take DIR.');
  return readdirSync(folder).filter((name) => name.endsWith('.png'));
};

const readPicture = (folder: string, name: string): PNG => PNG.sync.read(readFileSync(join(folder, name)));

function take(folder: string): number {
  mkdirSync(folder, { recursive: true });
  const files = ['tests/browser/views-a.test.ts', 'tests/browser/views-b.test.ts'];
  const args = ['node_modules/vitest/vitest.mjs', 'run', '--project', 'browser', ...files, '--reporter=dot'];
  const { status } = spawnSync(process.execPath, args, {
    stdio: 'inherit',
    env: { ...process.env, VIEW_PICTURES: resolve(folder) },
  });
  say(`${pictures(folder).length} pictures in ${folder}`);
  return status ?? 1;
}

/** What differs between two pictures of a view, in words; undefined where nothing does. */
function difference(before: PNG, after: PNG, out: string | undefined): string | undefined {
  if (before.width !== after.width || before.height !== after.height)
    return `${before.width} x ${before.height} became ${after.width} x ${after.height}`;
  const { width, height } = before;
  const drawn = new PNG({ width, height });
  const pixels = pixelmatch(before.data, after.data, drawn.data, width, height, { threshold: SAME_COLOUR });
  if (pixels === 0) return undefined;
  if (out !== undefined) writeFileSync(out, PNG.sync.write(drawn));
  return `${pixels} of ${width * height} pixels`;
}

function compare(before: string, after: string, out: string | undefined): number {
  if (out !== undefined) mkdirSync(out, { recursive: true });
  const [old, now] = [pictures(before), pictures(after)];
  const lines = [
    ...old.filter((name) => !now.includes(name)).map((name) => `${name}: gone`),
    ...now.filter((name) => !old.includes(name)).map((name) => `${name}: new`),
  ];
  const both = old.filter((name) => now.includes(name));
  for (const name of both) {
    const words = difference(readPicture(before, name), readPicture(after, name), out && join(out, name));
    if (words !== undefined) lines.push(`${name}: ${words}`);
  }
  for (const line of lines) process.stdout.write(`${line}\n`);
  say(`${both.length} pictures compared, ${lines.length} differ`);
  return lines.length > 0 ? 1 : 0;
}

runCommand(async () => {
  const { values, positionals } = parseArgs({ options: { out: { type: 'string' } }, allowPositionals: true });
  const [what, first, second] = positionals;
  if (what === 'take' && first !== undefined) return take(first);
  if (what === 'compare' && first !== undefined && second !== undefined) return compare(first, second, values.out);
  throw new CommandError('Say what to do.', 'take DIR, or compare BEFORE AFTER [--out DIR].');
});
