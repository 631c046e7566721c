import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { arbitraryDocument } from '../../notation/arbitrary-document.ts';
import { parseSession } from '../../notation/read-session.ts';
import { printSession } from '../../notation/print.ts';
import { applyLever } from '../levers/apply-lever.ts';
import { turnRoutineLines } from '../../notation/next-routine.ts';
import { buildTrackWeek, readTrack } from './build-track.ts';
import type { Lever } from '../levers/lever.ts';
import { LEVER_KINDS } from '../levers/lever.ts';
import { printRule, readRule } from '../levers/lever-text.ts';
import type { LeverRule, Schedule } from './schedule.ts';
import { runs } from '../../../tests/long.ts';

const by = fc.integer({ min: -6, max: 6 });
const lever: fc.Arbitrary<Lever> = fc
  .record({
    kind: fc.constantFrom(...LEVER_KINDS),
    of: fc.option(fc.constantFrom('squat', 'push-up', 'list'), { nil: undefined, freq: 4 }),
    in: fc.option(fc.constantFrom('Main', 'Warm-up', 'Engine'), { nil: undefined, freq: 4 }),
  })
  .map(({ kind, of, in: block }) => ({
    kind,
    ...(of !== undefined && { of }),
    ...(block !== undefined && { in: block }),
  }));
const schedule: fc.Arbitrary<Schedule> = fc.oneof(
  fc.record({ kind: fc.constant('each-week' as const), by }),
  fc.record({
    kind: fc.constant('at-weeks' as const),
    steps: fc.array(fc.record({ week: fc.integer({ min: 1, max: 52 }), by }), { maxLength: 3 }),
  }),
  fc.record({ kind: fc.constant('list' as const), values: fc.array(by, { minLength: 1, maxLength: 8 }) }),
  fc.record({ kind: fc.constant('wave' as const), by, carry: by }),
  fc.record({ kind: fc.constant('until-length' as const), by, sec: fc.integer({ min: 60, max: 7200 }) }),
);
const rule: fc.Arbitrary<LeverRule> = fc.oneof(
  fc
    .record({ lever, schedule, lighterBy: fc.option(by, { nil: undefined }) })
    .map(({ lighterBy, ...r }) => ({ ...r, ...(lighterBy !== undefined && { lighterBy }) })),
  fc
    .record({ ceiling: fc.integer({ min: 2, max: 20 }), loadBy: fc.constantFrom(0.25, 1, 2.5) })
    .map((d): LeverRule => ({ lever: { kind: 'reps' }, schedule: { kind: 'double', ...d } })),
);
const scope = { library: baseLibrary, routines: new Map() };

describe('progression, on any session that can be written', () => {
  it('what levers write can always be read, without an error, and is what they meant', () => {
    fc.assert(
      fc.property(
        arbitraryDocument,
        fc.array(rule, { maxLength: 3 }),
        fc.integer({ min: 1, max: 14 }),
        (document, levers, week) => {
          const text = printSession(document, baseLibrary);
          const read = readTrack({ id: 't', name: 'T', school: 'rounds-and-reps', text, levers }, scope);
          fc.pre(read.issues === 0);
          const built = buildTrackWeek(read, week, [4, 8, 12]);
          const back = parseSession(built.text, baseLibrary);
          expect(back.issues).toEqual([]);
          expect(back.document).toEqual(built.document);
        },
      ),
      { numRuns: runs(800) },
    );
  });

  it('a lever and its inverse among the rules give the text back, whatever it is', () => {
    fc.assert(
      fc.property(
        arbitraryDocument,
        lever,
        schedule.filter((s) => s.kind === 'each-week' || s.kind === 'list' || s.kind === 'at-weeks'),
        fc.integer({ min: 1, max: 9 }),
        (document, pulledLever, plan, week) => {
          const text = printSession(document, baseLibrary);
          const inverse: Schedule =
            plan.kind === 'each-week'
              ? { ...plan, by: -plan.by }
              : plan.kind === 'list'
                ? { ...plan, values: plan.values.map((v) => -v) }
                : {
                    kind: 'at-weeks',
                    steps: plan.kind === 'at-weeks' ? plan.steps.map((s) => ({ ...s, by: -s.by })) : [],
                  };
          const read = readTrack(
            {
              id: 't',
              name: 'T',
              school: 'by-feel',
              text,
              levers: [
                { lever: pulledLever, schedule: plan },
                { lever: pulledLever, schedule: inverse },
              ],
            },
            scope,
          );
          expect(buildTrackWeek(read, week, [4]).text).toBe(turnRoutineLines(text, week - 1));
        },
      ),
      { numRuns: runs(300) },
    );
  });

  it('pulling one way and then back again gives the session back where no limit was met', () => {
    const roomy = fc.constantFrom(
      'Effort: 5\n\nMain (Four): every 1:00 x 24, work cap 0:45\n10 goblet squat @ 12 kg, tempo 5-1-1\n12/side band row\n7..12 squat\n0:40 wall sit\n',
      'Main: work 40/50/60s rest 30s\nsquat\npush-up\n',
      'Main: for time, reps 21-18-15-12, cap 12:00\nsquat\npush-up\n',
      'Main: windows 2:00 x 7 rest 0:30\n8 squat\nmax push-up\n',
      'Main: 3 rounds, rest 0:40 to 1:00 between rounds\n10 to 12 squat\n0:30/side side plank\n',
    );
    fc.assert(
      fc.property(
        roomy,
        fc.constantFrom(...LEVER_KINDS.filter((k) => k !== 'shape')),
        fc.integer({ min: 1, max: 2 }),
        (text, kind, amount) => {
          const read = { text, ...parseSession(text, baseLibrary) };
          const there = applyLever(read.document, { lever: { kind }, by: amount }, baseLibrary);
          const back = applyLever(there, { lever: { kind }, by: -amount }, baseLibrary);
          expect(back).toEqual(read.document);
        },
      ),
    );
  });

  it('a rule’s line reads back as the same rule', () => {
    fc.assert(
      fc.property(rule, (r) => {
        expect(readRule(printRule(r))).toEqual({ status: 'done', value: r });
      }),
    );
  });
});

describe('lines of levers that can’t be read', () => {
  it.each([
    ['speed: +1 a week', /nothing that can change/],
    ['rounds', /colon/],
    ['rounds: more', /no way to move/],
    ['reps: by week 1 two', /numbers/],
    ['rounds: double to 12, load +2', /goes with reps/],
    ['reps: at week 99 +1', /1 to 52/],
    ['reps: +9999 a week', /3600/],
    ['reps: at week x', /its week/],
  ])('%s', (line, message) => {
    const read = readRule(line);
    expect(read.status === 'refused' ? read.message : '').toMatch(message);
  });
});
