import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { lookAtViews, SHOWN_THERE, VIEWS } from './views.ts';

test('every page and every dialog is in the list', () => {
  const shown = new Set(VIEWS.flatMap((v) => v.shows));
  const files = readdirSync('app', { recursive: true, encoding: 'utf8' }).filter(
    (f) => f.endsWith('.tsx') && !f.includes('.test.'),
  );
  const routes = readFileSync('app/routes.ts', 'utf8');
  const missing = files.filter((file) => {
    const source = readFileSync(join('app', file), 'utf8');
    const isPage = routes.includes(`'${file}'`) && source.includes('export default function');
    const opens = /<Dialog\b|<MenuPopover\b/.test(source);
    return (isPage || opens) && !shown.has(file) && !SHOWN_THERE.has(file);
  });
  expect(missing).toEqual([]);
});

lookAtViews(0);
