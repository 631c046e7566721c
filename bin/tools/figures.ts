/**
 * Which movements have a drawing, and sheets to look at them: `npm run figures` lists, `npm run figures -- sheets DIR` writes pages of
 * drawings with their names, `npm run figures -- quiz DIR SEED` writes sixty without names in a shuffled order, and their key.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { findFaults } from '../../core/figure/check.ts';
import { figureOf } from '../../core/figure/figure-of.ts';
import type { Figure } from '../../core/figure/figure.ts';
import { drawStill, stillMarkup, viewBoxOf } from '../../core/figure/still.ts';
import { baseLibrary } from '../../core/movement/library.ts';

interface Picture {
  readonly name: string;
  readonly figure: Figure;
}

const print = (line: string): void => void process.stdout.write(`${line}\n`);

const PER_SHEET = 72;
const QUIZ_SIZE = 60;

const pictures: readonly Picture[] = baseLibrary.movements.flatMap((movement) => {
  const figure = figureOf(movement, baseLibrary);
  return figure ? [{ name: movement.name, figure }] : [];
});

function svgOf(figure: Figure): string {
  const still = drawStill(figure);
  return `<svg class="fig" viewBox="${viewBoxOf(still.frame)}">${stillMarkup(still)}</svg>`;
}

function page(shown: readonly Picture[], label: (picture: Picture, i: number) => string): string {
  const css = ['app/theme/tokens.css', 'app/parts/figure/figure.css']
    .map((file) => readFileSync(file, 'utf8'))
    .join('\n');
  const cells = shown.map(
    (picture, i) => `<figure>${svgOf(picture.figure)}<figcaption>${label(picture, i)}</figcaption></figure>`,
  );
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Drawings</title><style>${css}
body{margin:8px;background:var(--paper);color:var(--ink);font:12px system-ui;display:grid;grid-template-columns:repeat(9,1fr);gap:6px}
figure{margin:0;text-align:center}svg.fig{width:100%;height:84px}</style>${cells.join('')}</html>`;
}

/** A generator with a seed, so that a quiz can be drawn again (mulberry32, public domain). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function writeSheets(dir: string): void {
  for (let i = 0; i * PER_SHEET < pictures.length; i++) {
    const shown = pictures.slice(i * PER_SHEET, (i + 1) * PER_SHEET);
    writeFileSync(
      `${dir}/figures-${i + 1}.html`,
      page(shown, ({ name }) => name),
    );
  }
}

function writeQuiz(dir: string, seed: number): void {
  const random = seeded(seed);
  const shuffled = [...new Map(pictures.map((p) => [p.figure.poses, p])).values()]
    .map((picture) => ({ picture, at: random() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, QUIZ_SIZE)
    .map(({ picture }) => picture);
  writeFileSync(
    `${dir}/quiz.html`,
    page(shuffled, (_, i) => String(i + 1)),
  );
  writeFileSync(`${dir}/quiz-key.txt`, shuffled.map(({ name }, i) => `${i + 1} ${name}`).join('\n'));
}

const [what = 'list', dir = '', seed = '1'] = process.argv.slice(2);
if (what === 'list') {
  const without = baseLibrary.movements.filter((movement) => !figureOf(movement, baseLibrary));
  const faulty = pictures.filter(({ figure }) => findFaults(figure, false).length > 0);
  print(`${pictures.length} of ${baseLibrary.movements.length} movements have a drawing.`);
  print(`Without: ${without.map((movement) => movement.name).join(', ')}.`);
  if (faulty.length > 0) print(`Not as a body moves: ${faulty.map(({ name }) => name).join(', ')}.`);
} else if (dir === '') {
  print('Name a folder to write to: npm run figures -- sheets DIR');
  process.exitCode = 2;
} else {
  mkdirSync(dir, { recursive: true });
  if (what === 'quiz') writeQuiz(dir, Number(seed));
  else writeSheets(dir);
}
