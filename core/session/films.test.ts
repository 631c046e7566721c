import { describe, expect, test } from 'vitest';
import { isFilmAddress } from '../document/film.ts';
import { sheetText } from '../exchange/session-text.ts';
import { layerLibrary } from '../movement/layer.ts';
import { baseLibrary } from '../movement/library.ts';
import { applyEdits } from '../notation/apply-edits.ts';
import { completeLine } from '../notation/help/complete.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { analyseText } from './analyse.ts';
import { freezeRoutines, resolveBlocks } from './resolve.ts';
import { buildSheet, sheetFilms } from './session-sheet.ts';

const A = 'https://films.example.org/a';
const B = 'https://films.example.org/b?x=1,2#t';
const TEXT = `Title: Legs\nFilm: ${A}\n\nMain (One): 3 rounds\nFilm: ${B}\n10 squat\n\nFinisher: same as "One"\n`;
const read = (text: string) => parseSession(text, baseLibrary);
const { library } = layerLibrary(baseLibrary, {
  overrides: [{ movementId: 'squat', fields: { film: 'https://films.example.org/squat' } }],
  ladders: [],
  scales: [],
});

describe('a film of the coach’s own', () => {
  test('stands above the first block for the session, in a block for the block, and prints back', () => {
    const { document, issues, source } = read(TEXT);
    expect(issues).toEqual([]);
    expect([document.film, ...document.blocks.map((b) => b.film)]).toEqual([A, B, undefined]);
    expect(source.blocks.map((b) => b.film)).toEqual([5, undefined]);
    expect(printSession(document, baseLibrary)).toBe(TEXT);
  });

  test.each([
    [`Main: flow\nFilm: ${A}\nFilm: ${B}\n5 squat`, 'repeated', 3],
    ['Main: flow\nFilm: films.example.org\n5 squat', 'bad-value', 2],
    ['Main: flow\nFilm:\n5 squat', 'missing', 2],
    [`Main: flow\nFilm: ${A} and more\n5 squat`, 'bad-value', 2],
    ['Main: flow\nKit: chair\n5 squat', 'out-of-place', 2],
  ])('%j is refused in its line', (text, code, line) => {
    expect(read(text).issues.map((i) => [i.code, i.line])).toEqual([[code, line]]);
  });

  test('another field in a block is marked by its own word', () => {
    const [issue] = read('Main: flow\nKit: chair\n5 squat').issues;
    expect([issue!.column, issue!.endColumn]).toEqual([1, 4]);
  });

  test('a remark on it isn’t lost', () => {
    const { document } = read(`Main: flow\nFilm: ${A} # filmed at home\n5 squat`);
    expect(document.blocks[0]!.items[0]!.comments).toEqual({ before: ['filmed at home'] });
  });

  test('what goes first into its block goes under it', () => {
    const march = read('Main: flow\n8 march').document.blocks[0]!.items[0]!;
    const text = applyEdits(TEXT, [{ kind: 'insert-item', block: 0, at: 0, next: march }], baseLibrary);
    expect(text).toContain(`Film: ${B}\n8 march\n10 squat`);
    const block = read(TEXT).document.blocks[0]!;
    expect(applyEdits('', [{ kind: 'insert-block', at: 0, next: block }], baseLibrary)).toContain(`Film: ${B}`);
  });

  test('a block that is the same as another shows that one’s film, or its own', () => {
    expect(resolveBlocks(read(TEXT).document)[1]!.film).toBe(B);
    expect(resolveBlocks(read(`${TEXT}Film: ${A}`).document)[1]!.film).toBe(A);
    const routine = read(`Main: flow\nFilm: ${B}\n5 squat`).document.blocks[0]!;
    const frozen = (text: string) => freezeRoutines(read(text).document, new Map([['mine', routine]])).blocks[0]!.film;
    expect(frozen('Main: routine mine')).toBe(B);
    expect(frozen(`Main: routine mine\nFilm: ${A}`)).toBe(A);
  });

  test('is offered above the first block and in a block, where the other fields are not', () => {
    const offered = (inBlock: boolean) =>
      completeLine('', 0, { library: baseLibrary, labels: [], routines: [], inBlock })!
        .options.filter((o) => o.kind === 'field')
        .map((o) => o.label);
    expect(offered(true)).toEqual(['Film:']);
    expect(offered(false)).toContain('Kit:');
  });

  test('all of a session’s, each once, stand in its words: the session’s, its blocks’, its movements’', () => {
    const { document, blocks, plan } = analyseText(`${TEXT}\nCool-down: flow\n5 march or squat\n5 slow squat`, library);
    const sheet = buildSheet(document, blocks, plan, library);
    const squat = { of: 'squat', url: 'https://films.example.org/squat' };
    expect(sheetFilms(sheet)).toEqual([
      { of: 'Legs', url: A },
      { of: 'One', url: B },
      squat,
      { of: 'Finisher', url: B },
    ]);
    // A film shows the movement itself, not one that is read of its name.
    expect(sheet.blocks[2]!.lines.map((l) => l.films)).toEqual([[squat], undefined]);
    expect(sheetText(sheet).split('\n').slice(-4)).toEqual([
      `Film of Legs: ${A}`,
      `Film of One: ${B}`,
      'Film of squat: https://films.example.org/squat',
      `Film of Finisher: ${B}`,
    ]);
  });
});

test.each([
  ['https://example.org', true],
  ['http://example.org/ü', true],
  [`https://example.org/${'x'.repeat(280)}`, true],
  [`https://example.org/${'x'.repeat(281)}`, false],
  ['javascript:alert(1)', false],
  ['https://', false],
  ['https://a b', false],
  ['https://example.org/"', false],
])('%s may be a film’s address: %s', (text, may) => expect(isFilmAddress(text)).toBe(may));
