import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../core/movement/library.ts';
import { analyseText } from '../core/session/analyse.ts';
import { readRoutine } from '../core/session/read-routines.ts';
import { LIBRARY_ROUTINES, LIBRARY_WEEKDAYS, LIBRARY_WEEKS, libraryPeople, libraryText } from './libraries.ts';
import { ORCHESTRA_PEOPLE, ORCHESTRA_ROUTINES, ORCHESTRA_WEEKDAYS, ORCHESTRA_WEEKS, orchestraText } from './orchestra.ts';
import { seededRandom } from './random.ts';

const texts = [
  ...Array.from({ length: LIBRARY_WEEKS }, (_, w) => LIBRARY_WEEKDAYS.map((d) => [`libraries, week ${w + 1}, day ${d}`, libraryText(w + 1, d)] as const)).flat(),
  ...Array.from({ length: ORCHESTRA_WEEKS }, (_, w) => ORCHESTRA_WEEKDAYS.map((d) => [`orchestra, week ${w + 1}, day ${d}`, orchestraText(w + 1, d)] as const)).flat(),
].filter(([, text]) => text !== '');

describe('every session of the demo', () => {
  test.each(texts)('%s reads, knows its movements and holds what it puts in its slots', (_name, text) => {
    const { issues, findings, plan } = analyseText(text, baseLibrary);
    expect(issues).toEqual([]);
    expect(plan.timeline.length).toBeGreaterThan(0);
    expect(findings.filter((f) => f.severity === 'warning' || f.code === 'new-movement' || f.code === 'one-sided')).toEqual([]);
  });
  test('the orchestra’s floors stay quiet', () => {
    for (const [name, text] of texts.filter(([n]) => n.startsWith('orchestra'))) {
      const loud = analyseText(text, baseLibrary).plan.movements.filter((m) => (baseLibrary.find(m.id)?.noise ?? 0) >= 2);
      expect([name, loud]).toEqual([name, []]);
    }
  });
});

test('routines are one readable block each', () => {
  for (const { text } of [...LIBRARY_ROUTINES, ...ORCHESTRA_ROUTINES]) expect(readRoutine(text, baseLibrary)).toBeDefined();
});

test('26 players in five zones, 140 readers in seven branches, no name twice', () => {
  expect(ORCHESTRA_PEOPLE).toHaveLength(26);
  expect(new Set(ORCHESTRA_PEOPLE.map((p) => p[2])).size).toBe(5);
  const readers = libraryPeople();
  expect(readers).toHaveLength(140);
  expect(new Set(readers.map((p) => p[1])).size).toBe(7);
  expect(new Set(readers.map((p) => p[0])).size).toBe(140);
});

test('the generator is seeded: the same life every time', () => {
  const [a, b, c] = [seededRandom(7), seededRandom(7), seededRandom(8)];
  const draw = (r: () => number) => Array.from({ length: 5 }, r);
  const first = draw(a);
  expect(draw(b)).toEqual(first);
  expect(draw(c)).not.toEqual(first);
  expect(first.every((x) => x >= 0 && x < 1)).toBe(true);
});
