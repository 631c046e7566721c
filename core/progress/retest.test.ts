import { describe, expect, it } from 'vitest';
import { planner, singles, STARTS_ON } from './programme-fixture.ts';
import { findRetests, placeRetest, retestEdit, retestWeeks } from './retest.ts';

const TEST = 'Title: Baseline\nEffort: 7\n\nMain (Engine): amrap 8:00\n8 squat\n';
const at = { planner, run: { startsOn: STARTS_ON }, locked: new Set<string>() };

describe('retests: the start, about three weeks on, and the end (common practice)', () => {
  it.each([
    [1, [1]],
    [2, [1, 2]],
    [4, [1, 4]],
    [8, [1, 4, 8]],
    [12, [1, 4, 7, 10, 12]],
    [5, [1, 5]],
  ] as const)('%i weeks: %j', (weeks, expected) => {
    expect(retestWeeks(weeks)).toEqual(expected);
  });

  it('takes a day to write first, then a free one away from hard days', () => {
    const hard = 'Title: Hard\nEffort: 9\n\nMain: flow\n5 squat\n';
    const programme = singles(
      [
        [1, 1, TEST],
        [4, 1, hard],
        [4, 3, ''],
        [8, 1, hard],
        [8, 3, hard],
      ],
      8,
    );
    expect(placeRetest(programme, { week: 1, weekday: 1 }, at)).toEqual([
      { place: { week: 1, weekday: 1 }, replaces: undefined },
      { place: { week: 4, weekday: 3 }, replaces: undefined },
      { place: { week: 8, weekday: 5 }, replaces: undefined },
    ]);
  });

  it('says what will be compared', () => {
    const programme = singles([[1, 1, TEST]], 4);
    const edit = retestEdit(
      programme,
      { week: 1, weekday: 1 },
      'spring',
      [
        { week: 1, weekday: 1 },
        { week: 4, weekday: 2 },
      ],
      planner,
    );
    expect(edit).toMatchObject({
      kind: 'place-retest',
      text: TEST.replace('Effort: 7\n', 'Effort: 7\nRetest: spring\n'),
    });
    const text = edit.kind === 'place-retest' ? edit.text : '';
    expect(
      findRetests(
        singles([
          [1, 1, text],
          [4, 2, text],
        ]),
        planner,
      ),
    ).toEqual([
      {
        name: 'spring',
        places: [
          { week: 1, weekday: 1 },
          { week: 4, weekday: 2 },
        ],
        scores: [{ block: 'Engine', score: 'rounds+reps' }],
      },
    ]);
    expect(findRetests(programme, planner)).toEqual([]);
  });
});
