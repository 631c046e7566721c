import { expect, test } from 'vitest';
import { emptyProgramme } from '../progress/programme-document.ts';
import { applyProgrammeEdits } from '../progress/edit/apply-programme-edit.ts';
import { createTrackBook } from '../progress/edit/regenerate.ts';
import { buildTrackNote } from '../progress/track/track-note.ts';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { readRoutines } from '../session/read-routines.ts';
import { printSession } from './print.ts';
import { parseSession } from './read-session.ts';
import { MAX_NEXT, turnRoutineLines } from './next-routine.ts';

const routines = readRoutines(
  [
    { name: 'pump-a', text: 'Finisher: 2 rounds\n10 push-up\n' },
    { name: 'pump-b', text: 'Finisher: 3 rounds\n10 squat\n' },
    { name: 'slow, start', text: 'Finisher: flow\n1:00 plank\n' },
  ],
  baseLibrary,
);
const TEXT = 'Finisher (Pump): flow\nnext of pump-a, pump-b, "slow, start"\n';
const faults = (text: string) => parseSession(text, baseLibrary).issues.map((i) => i.message);

test('the first of the list is this week’s; reading and printing keep the list', () => {
  const { document, issues } = parseSession(TEXT, baseLibrary);
  expect(issues).toEqual([]);
  expect(document.blocks[0]!.source).toEqual({ kind: 'routine', name: 'pump-a', next: ['pump-b', 'slow, start'] });
  expect(printSession(document, baseLibrary)).toBe(TEXT);
  expect(analyseText(TEXT, baseLibrary, routines).plan.reps).toEqual({ 'push-up': 20 });
});

test('a routine that isn’t stored is missed in this week, whichever week it would come in', () => {
  const { findings } = analyseText('Finisher: flow\nnext of pump-a, pump-x\n', baseLibrary, routines);
  expect(findings.filter((f) => f.code === 'unknown-routine')).toMatchObject([{ name: 'pump-x', line: 1 }]);
});

test('what contradicts is said with a remedy', () => {
  expect(faults('Finisher: flow\nnext of pump-a\n')[0]).toContain('at least two');
  expect(faults('Finisher: flow\nnext of pump-a,, pump-b\n')[0]).toContain('between two commas');
  expect(faults('Finisher: flow\nnext of "pump"-a, pump-b\n')[0]).toContain('Quotation marks');
  expect(faults(`Finisher: flow\nnext of ${'a, '.repeat(MAX_NEXT)}a\n`)[0]).toContain(`at most ${MAX_NEXT}`);
  expect(faults(`Finisher: flow\nnext of ${'a, '.repeat(MAX_NEXT - 1)}a\n`)).toEqual([]);
  expect(faults('Finisher: 3 rounds\nnext of a, b\n')[0]).toContain('brings its own clock');
  expect(faults('Finisher: routine a\nnext of a, b\n')[0]).toContain('keep one');
  expect(faults('Finisher: flow\n5 squat\nnext of a, b\n')[0]).toContain('before its items');
});

test('weeks turn the list, and after the last the first comes again', () => {
  const turns = [0, 1, 2, 3].map((weeks) => turnRoutineLines(TEXT, weeks).split('\n')[1]);
  expect(turns).toEqual([
    'next of pump-a, pump-b, "slow, start"',
    'next of pump-b, "slow, start", pump-a',
    'next of "slow, start", pump-a, pump-b',
    'next of pump-a, pump-b, "slow, start"',
  ]);
  expect(turnRoutineLines('Note: the next of kin # x\nnext of a, b # mine\n', 1)).toBe(
    'Note: the next of kin # x\nnext of b, a # mine\n',
  );
});

test('a track takes the next each week, says which, and a copied week too', () => {
  const book = createTrackBook({ library: baseLibrary, routines });
  const programme = emptyProgramme({ title: 'P', weeks: 4, weekdays: [] });
  const scope = { book, locked: new Set<string>() };
  const places = [1, 2, 3, 4].map((week) => ({ week, weekday: 1 }));
  const track = { id: 't', name: 'Pump', text: TEXT, school: 'by-feel' as const, levers: [] };
  const made = applyProgrammeEdits(
    programme,
    [
      { kind: 'set-track', track },
      { kind: 'join-track', id: 't', places },
    ],
    scope,
  );
  if (made.status !== 'changed') throw new Error(made.message);
  const names = made.programme.days.map((d) => /next of ("[^"]*"|[^,]*)/.exec(d.text)![1]);
  expect(names).toEqual(['pump-a', 'pump-b', '"slow, start"', 'pump-a']);
  expect(buildTrackNote(made.programme, made.programme.days[1], book)!.words).toContain('pump-a → pump-b');
  const copied = applyProgrammeEdits(
    { ...programme, days: [{ week: 1, weekday: 2, text: TEXT }] },
    [{ kind: 'copy-week', from: 1, to: 3 }],
    scope,
  );
  expect(copied.status === 'changed' && copied.programme.days[1]!.text).toContain('next of "slow, start", pump-a');
});
