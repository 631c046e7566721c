import { describe, expect, it } from 'vitest';
import { analyseText, isSendable } from '../../session/analyse.ts';
import { baseLibrary } from '../../movement/library.ts';
import { parseProgramme } from '../../exchange/programme-json.ts';
import { formatProgramme } from '../../exchange/writing/write-programme.ts';
import { guardsOf, planner } from '../programme-fixture.ts';
import { findRetests } from '../retest.ts';
import { EXAMPLES, findExample } from './examples.ts';

describe.each(Object.keys(EXAMPLES))('the example %s', (id) => {
  const programme = findExample(id)!;

  it('is complete: every session can be sent, and keeps the length it promises', () => {
    for (const day of programme.days) {
      const analysis = analyseText(day.text, baseLibrary);
      expect(analysis.issues).toEqual([]);
      expect(isSendable(analysis)).toBe(true);
    }
    expect(guardsOf(programme).filter((g) => g.code === 'target-broken')).toEqual([]);
  });

  it('uses only movements of the library', () => {
    const unknown = programme.days.flatMap((d) =>
      planner
        .of(d.text)!
        .plan.movements.filter((m) => !m.known)
        .map((m) => m.name),
    );
    expect(unknown).toEqual([]);
  });

  it('moves one lever at a time', () => {
    expect(guardsOf(programme).filter((g) => g.code === 'levers-at-once')).toEqual([]);
  });

  it('goes out and comes in as it is', () => {
    expect(parseProgramme(formatProgramme(programme))).toEqual({ status: 'read', programme });
  });
});

describe('the two examples', () => {
  it('are eight weeks of four days, and 28 days', () => {
    expect([findExample('eight-weeks')!.days.length, findExample('stairs-and-stories')!.days.length]).toEqual([32, 28]);
    expect(findExample('constructor')).toBeUndefined();
  });
  it('the readers meet one staircase again at the end', () => {
    expect(findRetests(findExample('stairs-and-stories')!, planner)).toEqual([
      {
        name: 'staircase',
        places: [
          { week: 1, weekday: 5 },
          { week: 4, weekday: 5 },
        ],
        scores: [{ block: 'Staircase', score: 'rounds+reps' }],
      },
    ]);
  });
  it('the players’ Mondays grow as planned', () => {
    const mondays = findExample('eight-weeks')!
      .days.filter((d) => d.weekday === 1)
      .map((d) => `${/for (\d+:\d+)/.exec(d.text)![1]} ${/\n(\d+) suitcase/.exec(d.text)![1]}`);
    expect(mondays).toEqual(['25:00 8', '25:00 9', '25:00 10', '20:00 6', '30:00 8', '30:00 9', '30:00 10', '20:00 6']);
  });
});
