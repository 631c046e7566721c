import { describe, expect, it } from 'vitest';
import { FOUR_TEXT, guardsOf, makeProgramme, makeTrack, singles } from '../programme-fixture.ts';
import type { GuardCode } from './guard.ts';
import { GUARD_CODES } from './guard.ts';
import type { ProgrammeDocument } from '../programme-document.ts';

const codes = (programme: ProgrammeDocument) => guardsOf(programme).map((g) => g.code);
const only = (programme: ProgrammeDocument, code: GuardCode) => guardsOf(programme).filter((g) => g.code === code);
const minutes = (min: number, effort: number, movement = 'squat') =>
  `Title: T\nEffort: ${effort}\n\nMain: work 1:00 rest 0:00 x ${min}\n${movement}\n`.replace(' rest 0:00', '');

describe('guard rails', () => {
  it('week on week: 1050 to 1330 is +26.67 %, with both figures and the threshold', () => {
    const programme = singles(
      [
        [1, 1, minutes(150, 7)],
        [2, 1, minutes(190, 7)],
      ],
      2,
    );
    const [guard] = only(programme, 'load-change');
    expect(guard).toMatchObject({
      weeks: [2],
      threshold: 10,
      against: 1,
      was: 1050,
      now: 1330,
    });
    expect(guard).toHaveProperty('pct', expect.closeTo(26.67, 2));
    expect(guard).not.toHaveProperty('between');
  });

  it('after a lighter week compares with the last usual one, and says so', () => {
    const programme = makeProgramme({ weeks: 5, lighter: [4] });
    expect(
      only({ ...programme, guards: { off: [], thresholds: { 'load-change': 1 } } }, 'load-change').find(
        (g) => g.weeks[0] === 5,
      ),
    ).toMatchObject({ against: 3, between: { kind: 'lighter' } });
  });

  it('says nothing of a week that isn’t all written, nor of one without an effort', () => {
    expect(
      only(
        singles(
          [
            [1, 1, minutes(10, 5)],
            [2, 1, minutes(60, 5)],
            [2, 3, ''],
          ],
          2,
        ),
        'load-change',
      ),
    ).toEqual([]);
    expect(
      only(
        singles(
          [
            [1, 1, minutes(10, 5)],
            [2, 1, minutes(60, 5).replace('Effort: 5\n', '')],
          ],
          2,
        ),
        'load-change',
      ),
    ).toEqual([]);
  });

  it('repetitions by pattern, from 20 more on', () => {
    const day = (reps: number) => `Main: flow\n${reps} squat\n`;
    expect(
      only(
        singles(
          [
            [1, 1, day(60)],
            [2, 1, day(90)],
          ],
          2,
        ),
        'reps-change',
      )[0],
    ).toMatchObject({ pattern: 'squat', was: 60, now: 90, pct: 50 });
    expect(
      only(
        singles(
          [
            [1, 1, day(10)],
            [2, 1, day(20)],
          ],
          2,
        ),
        'reps-change',
      ),
    ).toEqual([]);
  });

  it('monotony and strain of a week of days that are alike', () => {
    const alike = singles(
      [1, 2, 3, 4, 5, 6, 7].map((d) => [1, d, minutes(d === 7 ? 20 : 30, 6)] as const),
      1,
    );
    // Six days of 180 and one of 120: mean 171.43, sample SD 22.68.
    expect(only(alike, 'monotony')[0]).toMatchObject({
      loadAu: [1200, 1200],
      monotony: [expect.closeTo(7.559, 3), expect.closeTo(7.559, 3)],
      strainAu: [expect.closeTo(9071.1, 0), expect.closeTo(9071.1, 0)],
    });
  });

  it('no lighter week in five', () => {
    expect(only(makeProgramme({ weeks: 6, lighter: [] }), 'no-lighter-week')[0]).toMatchObject({
      weeks: [1, 2, 3, 4, 5, 6],
    });
    expect(only(makeProgramme({ weeks: 8, lighter: [4, 8] }), 'no-lighter-week')).toEqual([]);
  });

  it('a week called lighter that asks for as much as the last other one', () => {
    const weeks = (lighterMin: number) => ({
      ...singles(
        [
          [1, 1, minutes(30, 5)],
          [2, 1, minutes(lighterMin, 5)],
        ],
        2,
      ),
      lighter: [2],
    });
    expect(only(weeks(28), 'lighter-week')[0]).toMatchObject({
      weeks: [2],
      threshold: 10,
      was: 150,
      now: 140,
      against: 1,
    });
    expect(only(weeks(27), 'lighter-week')).toEqual([]);
    expect(
      only(
        singles(
          [
            [1, 1, minutes(30, 5)],
            [2, 1, minutes(30, 5)],
          ],
          2,
        ),
        'lighter-week',
      ),
    ).toEqual([]);
  });

  it('after a pause compares with the last week that had sessions', () => {
    expect(
      only(
        singles(
          [
            [1, 1, minutes(10, 5)],
            [3, 1, minutes(20, 5)],
          ],
          3,
        ),
        'work-change',
      )[0],
    ).toMatchObject({ was: 600, now: 1200, pct: 100, against: 1, between: { kind: 'pause' } });
  });

  it('hard days touching, over the end of a week too, as one thing for the same two weekdays', () => {
    const programme = singles(
      [
        [1, 5, minutes(10, 8)],
        [1, 6, minutes(10, 7, 'push-up')],
        [2, 5, minutes(10, 8)],
        [2, 6, minutes(10, 7, 'push-up')],
        [2, 7, minutes(8, 9, 'march')],
        [3, 1, minutes(8, 9, 'band row')],
      ],
      3,
    );
    const found = only(programme, 'hard-days');
    expect(found).toMatchObject([
      { weekdays: [5, 6], weeks: [1, 2], efforts: [8, 7] },
      { weekdays: [6, 7], weeks: [2] },
      { weekdays: [7, 1], weeks: [2] },
    ]);
  });

  it('the same area and the same joint on neighbouring days, with figures', () => {
    const programme = singles(
      [
        [1, 2, minutes(10, 5, 'push-up')],
        [1, 3, minutes(8, 5, 'plank')],
      ],
      1,
    );
    expect(only(programme, 'same-joint')[0]).toMatchObject({
      shared: expect.arrayContaining([{ joint: 'wrist', sec: [600, 480] }]),
    });
    const legs = singles(
      [
        [1, 2, minutes(10, 5)],
        [1, 3, minutes(8, 5, 'step-back lunge')],
      ],
      1,
    );
    expect(only(legs, 'same-area')[0]).toMatchObject({ shared: [{ area: 'legs', pct: [100, 100] }], weeks: [1] });
  });

  it('more than one change at once', () => {
    const two = makeTrack('four', FOUR_TEXT, [
      { lever: { kind: 'rounds' }, schedule: { kind: 'at-weeks', steps: [{ week: 3, by: 1 }] } },
      { lever: { kind: 'reps' }, schedule: { kind: 'each-week', by: 1 } },
    ]);
    const programme = makeProgramme();
    expect(codes(programme)).not.toContain('levers-at-once');
    expect(only({ ...programme, tracks: [two, programme.tracks[1]!] }, 'levers-at-once')[0]).toMatchObject({
      weeks: [3],
      track: 'four',
      levers: ['rounds', 'reps'],
    });
    const rest = makeTrack('four', FOUR_TEXT, [
      { lever: { kind: 'rest' }, schedule: { kind: 'each-week', by: -5 } },
      { lever: { kind: 'reps' }, schedule: { kind: 'each-week', by: -1 } },
    ]);
    expect(only({ ...programme, tracks: [rest, programme.tracks[1]!] }, 'levers-at-once')).toEqual([]);
  });

  it('fewer than two strength days, by theme or by what is in them', () => {
    expect(
      only(
        singles(
          [
            [1, 1, minutes(10, 5)],
            [1, 3, minutes(10, 5, 'march')],
          ],
          1,
        ),
        'strength-days',
      )[0],
    ).toMatchObject({ days: 1, weeks: [1] });
    expect(
      only(
        {
          ...singles(
            [
              [1, 1, minutes(10, 5)],
              [1, 3, minutes(10, 5, 'march')],
            ],
            1,
          ),
          themes: { 3: 'strength' },
        },
        'strength-days',
      ),
    ).toEqual([]);
  });

  it('a target that is broken', () => {
    expect(only(singles([[1, 1, `Target: 20 min\n${minutes(30, 5)}`]], 1), 'target-broken')[0]).toMatchObject({
      title: 'T',
      likelySec: 1800,
      targetSec: 1200,
      places: [{ week: 1, weekday: 1 }],
    });
  });

  it('blocked days, hard only or all', () => {
    const programme = {
      ...singles(
        [
          [1, 1, minutes(10, 8)],
          [1, 2, minutes(10, 3)],
          [1, 3, minutes(10, 3)],
        ],
        1,
      ),
      blocked: [
        { date: '2026-05-04' as never, words: 'Concert', rule: 'no hard session' as const },
        { date: '2026-05-05' as never, words: 'Concert', rule: 'no hard session' as const },
        { date: '2026-05-06' as never, words: 'Travel', rule: 'no session' as const },
      ],
    };
    const found = only(programme, 'blocked-day');
    expect(found).toMatchObject([
      { with: 'Concert', title: 'T', effort: 8, places: [{ week: 1, weekday: 1 }] },
      { with: 'Travel', title: 'T', places: [{ week: 1, weekday: 3 }] },
    ]);
    expect(found[1]).not.toHaveProperty('effort');
  });

  it('retests that differ', () => {
    const retest = (reps: number) => `Retest: spring\n\nMain: amrap 8:00\n${reps} squat\n`;
    expect(
      codes(
        singles([
          [1, 1, retest(8)],
          [4, 1, retest(8)],
        ]),
      ),
    ).not.toContain('retest-differs');
    expect(
      only(
        singles([
          [1, 1, retest(8)],
          [4, 1, retest(9)],
        ]),
        'retest-differs',
      )[0],
    ).toMatchObject({ retest: 'spring', first: { week: 1 }, other: { week: 4 }, weeks: [1, 4] });
  });

  it('each can be switched off and has its own threshold', () => {
    const programme = singles(
      [
        [1, 1, minutes(150, 7)],
        [2, 1, minutes(190, 7)],
      ],
      2,
    );
    for (const code of GUARD_CODES) {
      expect(codes({ ...programme, guards: { off: [code], thresholds: {} } })).not.toContain(code);
    }
    expect(codes({ ...programme, guards: { off: [], thresholds: { 'load-change': 30 } } })).not.toContain(
      'load-change',
    );
  });

  it('an empty programme has nothing to look at', () => {
    expect(guardsOf(singles([], 4))).toEqual([]);
  });
});
