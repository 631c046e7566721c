import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../core/movement/library.ts';
import { analyseText } from '../core/session/analyse.ts';
import { createDayPlanner } from '../core/progress/day-plan.ts';
import { findRetests } from '../core/progress/retest.ts';
import { readRoutine } from '../core/session/read-routines.ts';
import type { DayDate } from '../core/calendar/day.ts';
import { dayName } from '../core/calendar/day.ts';
import { LIBRARY_ROUTINES, libraryPeople } from './libraries.ts';
import { ORCHESTRA_PEOPLE, ORCHESTRA_ROUTINES } from './orchestra.ts';
import { libraryProgramme, orchestraProgramme } from './programmes.ts';
import { seededRandom } from './random.ts';

const MONDAY = '2026-04-13' as DayDate;
const texts = [['libraries', libraryProgramme()] as const, ['orchestra', orchestraProgramme(MONDAY)] as const]
  .flatMap(([name, programme]) =>
    programme.days.map((d) => [`${name}, ${dayName(d, programme.firstWeekday)}`, d.text] as const),
  )
  .filter(([, text]) => text !== '');

describe('every session of the demo', () => {
  test.each(texts)('%s reads, knows its movements and holds what it puts in its slots', (_name, text) => {
    const { issues, findings, plan } = analyseText(text, baseLibrary);
    expect(issues).toEqual([]);
    expect(plan.timeline.length).toBeGreaterThan(0);
    expect(
      findings.filter((f) => f.severity === 'warning' || f.code === 'new-movement' || f.code === 'one-sided'),
    ).toEqual([]);
  });
  test('the orchestra’s floors stay quiet', () => {
    for (const [name, text] of texts.filter(([n]) => n.startsWith('orchestra'))) {
      const loud = analyseText(text, baseLibrary).plan.movements.filter(
        (m) => (baseLibrary.find(m.id)?.noise ?? 0) >= 2,
      );
      expect([name, loud]).toEqual([name, []]);
    }
  });
});

test('routines are one readable block each', () => {
  for (const { text } of [...LIBRARY_ROUTINES, ...ORCHESTRA_ROUTINES])
    expect(readRoutine(text, baseLibrary)).toBeDefined();
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

test('the office’s calendar blocks concerts, travel and rehearsals', () => {
  expect(orchestraProgramme(MONDAY).blocked.map((b) => `${b.date} ${b.words}, ${b.rule}`)).toEqual([
    '2026-04-26 Matinée, Salt Market Hall, no hard session',
    '2026-05-07 Travel to the lakes, no hard session',
    '2026-05-08 Travel to the lakes, no hard session',
    '2026-05-23 Concert, the old granary, no hard session',
    '2026-05-24 Travel home, no hard session',
    '2026-06-06 Dress rehearsals, no hard session',
    '2026-06-07 Dress rehearsals, no hard session',
  ]);
});

test('the ladder is tested three times, the same each time, and both demos have whoever a coach must see', () => {
  const planner = createDayPlanner({ library: baseLibrary, routines: new Map() });
  expect(findRetests(orchestraProgramme(MONDAY), planner)).toMatchObject([
    {
      name: 'the ladder',
      places: [
        { week: 1, weekday: 5 },
        { week: 3, weekday: 5 },
        { week: 6, weekday: 5 },
      ],
    },
  ]);
  const texts = orchestraProgramme(MONDAY).days.filter((d) => d.text.includes('Retest: the ladder'));
  expect(new Set(texts.map((d) => d.text)).size).toBe(1);
  for (const people of [ORCHESTRA_PEOPLE, libraryPeople()])
    for (const temper of ['fader', 'comeback', 'leaver', 'paused', 'too-hard', 'too-easy'] as const)
      expect([temper, people.filter((p) => p[3] === temper).length > 0]).toEqual([temper, true]);
});
