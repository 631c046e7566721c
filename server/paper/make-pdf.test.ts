import { PDFDocument, PDFDict, PDFName, PDFString } from 'pdf-lib';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { analyseText } from '../../core/session/analyse.ts';
import { buildSheet } from '../../core/session/session-sheet.ts';
import { makePdf } from './make-pdf.ts';
import type { Paper } from './printed.ts';

const CREATED = Date.parse('2026-05-13T00:00:00Z');
function sheetOf(text: string) {
  const { document, blocks, plan } = analyseText(text, baseLibrary);
  return buildSheet(document, blocks, plan, baseLibrary);
}
const paperOf = (texts: readonly string[], more: Partial<Paper> = {}): Paper => ({
  title: 'Mornings, week 1',
  size: 'a4',
  file: 'x.pdf',
  sessions: texts.map((text, i) => ({
    above: `Monday ${i + 11} May, week 1`,
    sheet: sheetOf(text),
    figures: {},
    changes: [],
  })),
  ...more,
});
const make = async (paper: Paper) => new Uint8Array(await makePdf(paper, CREATED));

interface Run {
  readonly str: string;
  readonly dir: string;
  readonly x: number;
  readonly y: number;
  readonly right: number;
}

async function readPages(bytes: Uint8Array) {
  const pdf = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const pages = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const page = await pdf.getPage(i);
    const { items } = await page.getTextContent();
    const runs = items.flatMap((item): Run[] =>
      'str' in item && item.str.trim() !== ''
        ? [
            {
              str: item.str,
              dir: item.dir,
              x: (item.transform as number[])[4]!,
              y: (item.transform as number[])[5]!,
              right: (item.transform as number[])[4]! + item.width,
            },
          ]
        : [],
    );
    pages.push({ page, runs, text: runs.map((r) => r.str).join(' '), tree: await page.getStructTree() });
  }
  return { pdf, pages };
}

const SQUATS = 'Main: 3 rounds\n10 squat';

test('whoever has it read aloud knows its language, its title, and what each part is', async () => {
  const bytes = await make(
    paperOf([`Title: Legs\nNote: Slowly.\n${SQUATS}\n8 push-up`, `Title: Arms\n${SQUATS}`], {
      link: { url: 'https://ysodos.example/join/abc', words: 'Take part:' },
    }),
  );
  const { pdf, pages } = await readPages(bytes);
  expect(await pdf.getMarkInfo()).toMatchObject({ Marked: true });
  expect((await pdf.getOutline()).map((o) => o.title)).toEqual([
    'Legs, Monday 11 May, week 1',
    'Arms, Monday 12 May, week 1',
  ]);
  const roles = (node: { role?: string; children?: unknown[] }): string =>
    node.role === undefined
      ? ''
      : `${node.role}(${(node.children ?? [])
          .map((c) => roles(c as never))
          .filter(Boolean)
          .join(' ')})`;
  const item = 'LI(Lbl() LBody())';
  expect(roles(pages[0]!.tree as never)).toBe(`Root(Document(Sect(P() H1() P() P() H2() L(${item} ${item}) P())))`);
  expect(roles(pages[1]!.tree as never)).toBe(
    `Root(Document(Sect(P() H1() P() H2() L(${item}) P()) Figure() P() P()))`,
  );
  // Lines stand behind their boxes, boxes a little within what they belong to.
  const placeOf = (words: string) => Math.round(pages[0]!.runs.find((r) => r.str === words)!.x - 48);
  expect(['Main', '☐', '10 squat'].map(placeOf)).toEqual([0, 14, 32]);
  // The same by another reader.
  const other = await PDFDocument.load(bytes);
  expect([other.getTitle(), other.getPageCount()]).toEqual(['Mornings, week 1', 2]);
  expect(other.catalog.lookup(PDFName.of('Lang'), PDFString).decodeText()).toBe('en');
  const preferences = other.catalog.lookup(PDFName.of('ViewerPreferences'), PDFDict);
  expect(String(preferences.get(PDFName.of('DisplayDocTitle')))).toBe('true');
  expect(String(other.catalog.lookup(PDFName.of('MarkInfo'), PDFDict).get(PDFName.of('Marked')))).toBe('true');
});

test('on the paper that is in the printer (ISO 216; US Letter is 8.5 by 11 inches)', async () => {
  for (const [size, width, height] of [
    ['a4', 595.28, 841.89],
    ['letter', 612, 792],
  ] as const) {
    const bytes = await make(paperOf([SQUATS], { size }));
    const page = (await PDFDocument.load(bytes)).getPage(0);
    expect([page.getWidth(), page.getHeight()]).toEqual([width, height]);
    const [view] = (await readPages(bytes)).pages;
    for (const run of view!.runs) expect(run.right).toBeLessThanOrEqual(width - 48 + 0.5);
  }
});

test.each([
  ['Greek and Cyrillic', 'Πρωινό για πόδια, утро для ног', 'ltr'],
  ['Japanese', '朝の脚と背中', 'ltr'],
  ['Korean', '아침 운동', 'ltr'],
  ['Chinese', '早晨腿部训练', 'ltr'],
  ['Arabic', 'تمرين الصباح', 'rtl'],
  ['Hebrew', 'אימון בוקר לרגליים', 'rtl'],
] as const)('letters of %s are read again as they were written', async (_name, title, dir) => {
  const { pages } = await readPages(await make(paperOf([`Title: ${title}\n${SQUATS}`])));
  const [{ runs, text }] = pages as [(typeof pages)[number]];
  const plain = (words: string) => words.normalize('NFKC').replace(/\s/g, '');
  expect(plain(text)).toContain(plain(title));
  expect(text).not.toContain('in the fonts');
  const own = runs.filter((r) => plain(title).includes(plain(r.str)) && plain(r.str) !== '');
  expect(own.every((r) => r.dir === dir)).toBe(true);
  // What is read from the right begins there.
  if (dir === 'rtl') expect(Math.max(...own.map((r) => r.right))).toBeGreaterThan(595 - 48 - 2);
  else expect(Math.min(...own.map((r) => r.x))).toBeCloseTo(48, 0);
});

test('brackets and numbers among letters from the right stand as they are read', async () => {
  const { pages } = await readPages(await make(paperOf([`Title: אימון (Monday 3) סוף\n${SQUATS}`])));
  const { y } = pages[0]!.runs.find((r) => r.str.includes('אימון'))!;
  const line = pages[0]!.runs.filter((r) => r.y === y).sort((a, b) => a.x - b.x);
  // From the left: the last word, what is read from the left, the first word; brackets beside, told in the order of reading.
  expect(line.map((r) => [r.str.replace(/\s/g, ''), r.dir])).toEqual([
    ['(סוף', 'rtl'],
    ['Monday3', 'ltr'],
    ['אימון)', 'rtl'],
  ]);
});

test('long words, many lines and pages: nothing beyond the margins, each page with its number', async () => {
  const long = `Title: ${'x'.repeat(60)}\nNote: ${'long words '.repeat(20)}${'W'.repeat(80)}\nMain: 3 rounds\n${'10 squat\n8 push-up\n'.repeat(40)}`;
  const { pages } = await readPages(await make(paperOf([long])));
  expect(pages.length).toBeGreaterThan(1);
  for (const [i, { runs, text }] of pages.entries()) {
    expect(text).toContain(`Mornings, week 1, ${i + 1} of ${pages.length}`);
    for (const run of runs) {
      expect(run.x).toBeGreaterThanOrEqual(47.9);
      expect(run.right).toBeLessThanOrEqual(595.28 - 48 + 0.5);
      expect(run.y).toBeGreaterThan(15);
    }
  }
  const all = pages.map((p) => p.text).join(' ');
  expect(all.match(/10 squat/g)).toHaveLength(40);
  expect(all.replace(/\s/g, '')).toContain('W'.repeat(80));
});

test('a letter that no font has is a box, and is named with another way to print it', async () => {
  const { pages } = await readPages(await make(paperOf([`Title: ก ข ค\n${SQUATS}`])));
  expect(pages[0]!.text).toContain('3 letters aren’t in the fonts of this file');
  expect(pages[0]!.text).toContain('U+0E01, U+0E02, U+0E04');
  expect(pages[0]!.text).toContain('□ □ □');
});

test('the same paper is the same file; an empty one says so', async () => {
  const paper = paperOf([SQUATS]);
  expect(Buffer.from(await make(paper)).equals(Buffer.from(await make(paper)))).toBe(true);
  expect((await readPages(await make(paperOf([])))).pages[0]!.text).toBe('Nothing is planned.');
});
