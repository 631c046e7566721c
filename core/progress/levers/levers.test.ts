import { describe, expect, it } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { rewriteText } from '../../notation/rewrite.ts';
import { applyLever, readLever } from './apply-lever.ts';
import type { LeverKind } from './lever.ts';
import { LEVER_KINDS } from './lever.ts';

const read = (text: string) => {
  const parsed = parseSession(text, baseLibrary);
  expect(parsed.issues).toEqual([]);
  return { text, ...parsed };
};
const standsAt = (text: string): Partial<Record<LeverKind, string>> => {
  const { document } = read(text);
  return Object.fromEntries(
    LEVER_KINDS.flatMap((kind) => {
      const now = readLever(document, { kind }, baseLibrary);
      return now === undefined ? [] : [[kind, now]];
    }),
  );
};
/** The lines that a lever changes, as they are then. */
function changed(text: string, kind: LeverKind, by: number): readonly string[] {
  const own = read(text);
  const before = text.split('\n');
  return rewriteText(own, applyLever(own.document, { lever: { kind }, by }, baseLibrary), baseLibrary)
    .split('\n')
    .filter((line, i) => line !== before[i]);
}

describe('what each form of a block offers the levers', () => {
  it.each([
    [
      'own pace',
      'Main: 3 rounds, rest 1:00 between rounds\n10 squat\n0:30 plank\n',
      { rounds: '3', reps: '10', work: '0:30', rest: '1:00' },
    ],
    [
      'own pace with a cap',
      'Main: for time, cap 12:00, reps 9-7-5\nsquat\nburpee\n',
      { rounds: '3', reps: '9-7-5', clock: '12:00' },
    ],
    ['a span', 'Main: amrap 8:00\n5 squat\n', { reps: '5', clock: '8:00' }],
    ['slots', 'Main: every 1:00 x 12\n10 squat\n8 march\n', { rounds: '6', reps: '10/8', clock: '1:00' }],
    ['intervals', 'Main: work 0:40 rest 0:20, 3 rounds\nsquat\n', { rounds: '3', work: '0:40', rest: '0:20' }],
    [
      'so many intervals',
      'Main: work 0:20 rest 0:10 x 8\nsquat\n',
      { rounds: '8 intervals', work: '0:20', rest: '0:10' },
    ],
    ['growing intervals', 'Main: work 30/40/50s rest 30s\nsquat\n', { rounds: '3', work: '30/40/50 s', rest: '0:30' }],
    [
      'windows',
      'Main: windows 2:00 x 5 rest 0:30\n8 squat\nmax burpee\n',
      { reps: '8', rest: '0:30', windows: '5', clock: '2:00' },
    ],
    ['unhurried', 'Main: flow\n6 squat\n', { reps: '6' }],
  ] as const)('%s', (_form, text, offers) => {
    const { shape: _shape, ...rest } = standsAt(text);
    expect(rest).toEqual(offers);
  });

  it('load, tempo and effort where they are written, a share of one’s best as such', () => {
    expect(standsAt('Effort: 6\n\nMain: flow\n5 goblet squat @ 12 kg, tempo 3-1-1\n')).toMatchObject({
      load: '12 kg',
      tempo: '3-1-1',
      effort: '6',
    });
    expect(standsAt('Main: flow\n5 goblet squat @ 70%\n')).toMatchObject({ load: '70%' });
    expect(standsAt('Main: flow\n0:30 plank\n')).not.toHaveProperty('reps');
  });

  it('nothing of a session without work', () => {
    expect(standsAt('Warm-up: 2 rounds\n10 march\n\nCool-down: flow\n0:30 child’s pose\n')).toEqual({});
    expect(standsAt('')).toEqual({});
  });
});

describe('what a lever changes, line by line', () => {
  it.each([
    ['rounds', 'Main: 3 rounds\n10 squat\n', 1, ['Main: 4 rounds']],
    ['rounds', 'Main: 2 to 3 rounds\n10 squat\n', 1, ['Main: 3 to 4 rounds']],
    ['rounds', 'Main: every 1:00 x 12\n10 squat\n8 march\n', -1, ['Main: every 1:00 for 10:00']],
    ['rounds', 'Main: work 0:20 rest 0:10 x 8\nsquat\n', 2, ['Main: work 0:20 rest 0:10 x 10']],
    ['rounds', 'Main: for time, reps 9-7-5\nsquat\n', 1, ['Main: for time, reps 9-7-5-3']],
    ['reps', 'Main: flow\n10 to 12 squat\n', 2, ['12 to 14 squat']],
    ['reps', 'Main: flow\n10/side split squat\n', 1, ['11/side split squat']],
    ['reps', 'Main: flow\n10 alt step-back lunge\n', 1, ['12 alt step-back lunge']],
    ['work', 'Main: flow\n0:30/side side plank\n', 5, ['0:35/side side plank']],
    [
      'rest',
      'Main: 3 rounds, rest 0:40 to 1:00 between rounds\n5 squat\n',
      -10,
      ['Main: 3 rounds, rest 0:30 to 0:50 between rounds'],
    ],
    ['load', 'Main: flow\n5 goblet squat @ 12 kg\n', 0.3, ['5 goblet squat, @ 12.25 kg']],
    ['load', 'Main: flow\n5 goblet squat @ 70%\n', 5, ['5 goblet squat, @ 75%']],
    ['load', 'Main: flow\n5 goblet squat @ 2 kg\n', -9, ['5 goblet squat, @ 0.5 kg']],
    ['clock', 'Main: for time, cap 12:00\n20 squat\n', -60, ['Main: for time, cap 11:00']],
    ['clock', 'Main: windows 2:00 x 5 rest 0:30\n8 squat\n', 15, ['Main: windows 2:15 x 5 rest 0:30']],
    ['windows', 'Main: windows 2:00 x 5 rest 0:30\n8 squat\n', -9, ['Main: windows 2:00 x 1 rest 0:30']],
    ['effort', 'Effort: 6\n\nMain: flow\n5 squat\n', -9, ['Effort: 0']],
  ] as const)('%s of %j by %d', (kind, text, by, lines) => {
    expect(changed(text, kind, by)).toEqual(lines);
  });

  it('a slot that gets shorter takes its work cap along', () => {
    expect(changed('Main: every 1:00 x 12, work cap 0:50\n10 squat\n', 'clock', -15)).toEqual([
      'Main: every 0:45 for 9:00, work cap 0:45',
    ]);
  });
});
