import { expect, test } from 'vitest';
import { doneGlanceWords, dropOffWords, feltGlanceWords, loadGlanceWords, unplannedWords } from './at-a-glance.ts';

test('what was done, in a sentence', () => {
  expect(doneGlanceWords({ kind: 'too-few', due: 38 }, 'week')).toBe(
    'Too few to compare yet: 38 were due, and 20 a group say something.',
  );
  expect(doneGlanceWords({ kind: 'alike', low: 0.784, high: 0.8 }, 'weekday')).toBe(
    'The weekdays differ by no more than chance: 78 % to 80 % was done.',
  );
  expect(doneGlanceWords({ kind: 'alike', low: 0.801, high: 0.802 }, 'length')).toBe(
    'The lengths differ by no more than chance: about 80 % was done in each.',
  );
  const apart = { kind: 'apart', label: 'week 4', isMore: false, ratio: 0.48, othersRatio: 0.8, due: 104 } as const;
  expect(doneGlanceWords(apart, 'week')).toBe(
    'Week 4 was done less than the others: 48 %, not 80 %. With 104 sessions due that is more than chance.',
  );
  expect(doneGlanceWords({ ...apart, label: 'Friday', isMore: true }, 'weekday')).toMatch(
    /^What falls on Friday was done more/,
  );
  expect(doneGlanceWords({ ...apart, label: 'up to 15 min' }, 'length')).toMatch(/^What takes up to 15 min was/);
  expect(doneGlanceWords({ ...apart, label: 'skill' }, 'theme')).toMatch(/^“skill” was/);
});

test('who is still there, in a sentence', () => {
  const step = (time: number, events: number) => ({ time, events, atRisk: 9, share: 0.5, se: 0, low: 0, high: 1 });
  const off = { people: 20, median: undefined, lastWeek: 5 };
  expect(dropOffWords({ ...off, gone: 0, steps: [] })).toBe('All 20 are still there.');
  expect(dropOffWords({ ...off, people: 1, gone: 0, steps: [] })).toBe('The one person is still there.');
  expect(dropOffWords({ ...off, gone: 1, steps: [step(2, 1)] })).toBe(
    '1 person of 20 dropped off within 5 weeks; it was in week 2.',
  );
  expect(dropOffWords({ ...off, gone: 4, steps: [step(1, 1), step(2, 3)] })).toBe(
    '4 people of 20 dropped off within 5 weeks; 3 of them in week 2.',
  );
  expect(dropOffWords({ ...off, gone: 2, steps: [step(1, 1), step(2, 1)] })).toBe(
    '2 people of 20 dropped off within 5 weeks.',
  );
});

test('felt and load, in a sentence', () => {
  const glance = { by: 0.49, said: 9, unplanned: 0, furthest: undefined };
  expect(feltGlanceWords(glance)).toBe('Sessions feel about as hard as planned.');
  expect(feltGlanceWords({ ...glance, by: -0.5 })).toBe('Sessions feel easier than planned, by 0.5 of 10 on average.');
  expect(feltGlanceWords({ ...glance, by: 1.24, furthest: { week: 3, title: 'Legs', by: 2.04 } })).toBe(
    'Sessions feel harder than planned, by 1.2 of 10 on average; most of all “Legs” in week 3, by 2.0.',
  );
  expect(feltGlanceWords({ ...glance, said: 0 })).toMatch(/^None of these sessions/);
  expect(unplannedWords(1)).toMatch(/^1 session has no planned effort/);
  expect(loadGlanceWords({ ratio: 1.004, weeks: 2 })).toBe('Over 2 weeks people felt the load that was planned.');
  expect(loadGlanceWords({ ratio: 0.9, weeks: 1 })).toBe(
    'Over the week that is over people felt 10 % less load than was planned.',
  );
});
