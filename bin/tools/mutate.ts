/**
 * What the tests hold: `npm run mutate [-- core|server] [COUNT] [SEED]`. In a copy of the last commit one operator or number at a time
 * is changed, and the tests that reach its file are run; what survives is behaviour that no test holds, or code that isn't needed.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ts from 'typescript';
import { seededRandom } from '../../demo/random.ts';
import { CommandError, runCommand, say } from '../parts/say.ts';

interface Area {
  readonly folders: readonly string[];
  readonly projects: readonly string[];
  /** Of all that is changed in core, at least this share is to be noticed. */
  readonly leastPct: number;
}

const AREAS: Readonly<Record<string, Area>> = {
  core: { folders: ['core', 'words'], projects: ['unit'], leastPct: 90 },
  server: { folders: ['db', 'server'], projects: ['unit', 'data'], leastPct: 0 },
};
/** Made for tests, or read by people: nothing that a figure rests on. */
const LEFT_OUT = /\.test\.|\.generated\.|arbitrary|fixture|\/library\/|examples/;
const PATIENCE_MS = 300_000;

const SWAPS = new Map<ts.SyntaxKind, string>([
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
]);

interface Site {
  readonly file: string;
  readonly start: number;
  readonly end: number;
  readonly becomes: string;
}

/** Every operator and number of a file, with what it can be turned into. Types are left alone. */
function findSites(file: string, text: string): Site[] {
  const sites: Site[] = [];
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const add = (node: ts.Node, becomes: string) =>
    sites.push({ file, start: node.getStart(source), end: node.getEnd(), becomes });
  const isText = (node: ts.Node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node);
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const becomes = SWAPS.get(node.operatorToken.kind);
      if (becomes !== undefined && !isText(node.left) && !isText(node.right)) add(node.operatorToken, becomes);
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      add(node, node.operand.getText(source));
    if (ts.isNumericLiteral(node)) {
      const value = Number(node.text);
      add(node, String(Number.isInteger(value) ? value + 1 : value * 1.5));
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return sites;
}

/** Whether the tests that reach a file notice what was changed in it. */
function isNoticed(copy: string, file: string, projects: readonly string[]): boolean {
  const { status, error } = spawnSync(
    process.execPath,
    [
      'node_modules/vitest/vitest.mjs',
      'related',
      file,
      '--run',
      ...projects.flatMap((project) => ['--project', project]),
      ...['--bail', '1', '--reporter', 'dot'],
    ],
    { cwd: copy, timeout: PATIENCE_MS, stdio: 'ignore' },
  );
  return error !== undefined || status !== 0;
}

const lineOf = (text: string, at: number): number => text.slice(0, at).split('\n').length;

runCommand(async () => {
  const [name = 'core', count = '60', seed = '1'] = process.argv.slice(2);
  const area = AREAS[name];
  if (!area) throw new CommandError(`There is no area “${name}”.`, `Areas are ${Object.keys(AREAS).join(' and ')}.`);
  const copy = mkdtempSync(join(tmpdir(), 'ysodos-mutate-'));
  try {
    execFileSync('git', ['clone', '--quiet', '--depth', '1', `file://${process.cwd()}`, copy]);
    symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));
    const files = execFileSync('git', ['ls-files', ...area.folders.map((f) => `${f}/*.ts`)], {
      cwd: copy,
      encoding: 'utf8',
    })
      .split('\n')
      .filter((file) => file !== '' && !LEFT_OUT.test(file));
    const random = seededRandom(Number(seed));
    const all = files.flatMap((file) => findSites(file, readFileSync(join(copy, file), 'utf8')));
    const chosen = all
      .map((site) => ({ site, at: random() }))
      .sort((a, b) => a.at - b.at)
      .slice(0, Number(count))
      .map(({ site }) => site);
    say(`${chosen.length} of ${all.length} places of ${name}, seed ${seed}`);
    let noticed = 0;
    for (const { file, start, end, becomes } of chosen) {
      const text = readFileSync(join(copy, file), 'utf8');
      writeFileSync(join(copy, file), text.slice(0, start) + becomes + text.slice(end));
      if (isNoticed(copy, file, area.projects)) noticed++;
      else {
        const line = lineOf(text, start);
        const was = text.slice(start, end);
        say(
          `not noticed: ${file}:${line} ${was} became ${becomes}: ${text.split('\n')[line - 1]!.trim().slice(0, 110)}`,
        );
      }
      writeFileSync(join(copy, file), text);
    }
    const pct = (100 * noticed) / chosen.length;
    process.stdout.write(`${noticed} of ${chosen.length} noticed (${pct.toFixed(0)} %)\n`);
    return pct >= area.leastPct ? 0 : 1;
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
});
