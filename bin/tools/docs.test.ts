import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect, test } from 'vitest';

const DOCS = ['docs', 'docs/decisions']
  .flatMap((folder) => readdirSync(folder).map((name) => join(folder, name)))
  .filter((file) => file.endsWith('.md'))
  .concat('README.md', 'CONTRIBUTING.md');

test('every file and folder of ours that the docs name is there', () => {
  const missing = DOCS.flatMap((file) =>
    [
      ...readFileSync(file, 'utf8').matchAll(
        /`((?:app|bin|core|db|demo|deploy|docs|server|stand-in|tests)\/[\w/.-]+)`/g,
      ),
    ]
      .map(([, path]) => path!)
      .filter((path) => !existsSync(path))
      .map((path) => `${file}: ${path}`),
  );
  expect(missing).toEqual([]);
});

test('every link between the docs leads somewhere', () => {
  const broken = DOCS.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/\]\(([^()]+)\)/g)]
      .map(([, link]) => link!.split('#')[0]!)
      .filter((link) => link !== '' && !/^(https?|mailto):/.test(link))
      .filter((path) => !existsSync(join(dirname(file), path)))
      .map((path) => `${file}: ${path}`),
  );
  expect(broken).toEqual([]);
});

test('the plan of the house is one page, and answers each question with at most four files', () => {
  const lines = readFileSync('docs/architecture.md', 'utf8').trim().split('\n');
  expect(lines.length).toBeLessThanOrEqual(60);
  const answers = lines.filter((line) => line.startsWith('| ') && line.includes('`'));
  expect(answers.length).toBeGreaterThan(10);
  for (const line of answers) expect([line, line.match(/`/g)!.length / 2 <= 4]).toEqual([line, true]);
});

test('no folder holds more than 25 files', () => {
  const full: string[] = [];
  const look = (folder: string): void => {
    const entries = readdirSync(folder, { withFileTypes: true }).filter((e) => !e.name.startsWith('+'));
    const files = entries.filter((e) => e.isFile()).length;
    if (files > 25) full.push(`${folder}: ${files}`);
    for (const entry of entries) if (entry.isDirectory()) look(join(folder, entry.name));
  };
  for (const floor of ['app', 'bin', 'core', 'db', 'demo', 'docs', 'server', 'stand-in', 'tests', 'words']) look(floor);
  expect(full).toEqual([]);
});

test('the picture of the tables shows all of them, with what each belongs to', () => {
  const schema = readFileSync('db/schema.sql', 'utf8');
  const picture = readFileSync('docs/tables.svg', 'utf8');
  const tables = [...schema.matchAll(/CREATE TABLE public\.(\w+)/g)].map(([, name]) => name!);
  expect(tables.filter((name) => !new RegExp(`[>, ]${name}[<, :]`).test(picture))).toEqual([]);
  for (const name of tables) {
    const keys = schema.matchAll(
      new RegExp(`ONLY public\\.${name}\\s+ADD CONSTRAINT \\w+ FOREIGN KEY [^;]*? REFERENCES public\\.(\\w+)`, 'g'),
    );
    const belongsTo = [...new Set([...keys].map(([, to]) => to!))].filter((to) => to !== 'workspace').sort();
    if (belongsTo.length > 0)
      expect(picture.slice(picture.indexOf(`>${name}<`)), name).toMatch(
        new RegExp(`^>${name}<[^→]{0,300}→ ${belongsTo.join(', ')}<`),
      );
  }
});

test('the units shut each process into what it needs', () => {
  const units = readdirSync('deploy').filter((name) => name.endsWith('.service'));
  expect(units).toEqual(['ysodos-work@.service', 'ysodos@.service']);
  const folder = mkdtempSync(join(tmpdir(), 'units-'));
  for (const unit of units) {
    const lines = readFileSync(join('deploy', unit), 'utf8').split('\n');
    for (const line of [
      'User=ysodos',
      'NoNewPrivileges=yes',
      'CapabilityBoundingSet=',
      'ProtectSystem=strict',
      'ProtectHome=yes',
      'PrivateDevices=yes',
      'RestrictAddressFamilies=AF_UNIX AF_INET AF_INET6',
      'SystemCallFilter=@system-service',
    ])
      expect(lines, `${unit}: ${line}`).toContain(line);
    // Its own judge, where there is one: under 3 of 10.
    const file = join(folder, unit.replace('@', '-x'));
    copyFileSync(join('deploy', unit), file);
    const { status, error } = spawnSync('systemd-analyze', [
      'security',
      '--offline=true',
      '--threshold=29',
      '--no-pager',
      file,
    ]);
    if (!error) expect([unit, status]).toEqual([unit, 0]);
  }
});
