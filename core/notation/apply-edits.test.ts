import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { usualDose } from '../movement/usual-dose.ts';
import { collectNotes } from '../fit/movement-notes.ts';
import type { Block, Item } from '../document/document.ts';
import type { SessionEdit } from './session-edit.ts';
import { applyEdits } from './apply-edits.ts';
import { parseSession } from './read-session.ts';
import { printDose } from './print.ts';

const TEXT = `# Monday
Title: Legs  # short
Kit: chair

# the heart of it
Main (One): 3 rounds  # slow
# first
10 squat
8 push-up  # wide

Finisher: flow
5 march
# that is all
`;
const squats = (n: number): Item => ({
  kind: 'work',
  dose: { kind: 'reps', amount: { kind: 'fixed', value: n } },
  choices: [{ name: 'squat' }],
  inTurn: false,
});
const block: Block = { role: 'Skill', label: 'New', time: { kind: 'flow' }, items: [squats(3)] };
const edit = (...edits: SessionEdit[]) => applyEdits(TEXT, edits, baseLibrary);
const swap = (from: string, to: string) => TEXT.replace(from, to);

describe('one edit, as few lines as it is about', () => {
  test.each<[string, SessionEdit, string]>([
    [
      'a dose keeps its comment',
      { kind: 'set-item', block: 0, item: 1, next: squats(12) },
      swap('8 push-up  # wide', '12 squat  # wide'),
    ],
    [
      'a header keeps its comment',
      {
        kind: 'set-header',
        block: 0,
        next: { ...block, role: 'Main', label: 'One', time: { kind: 'span', sec: 300 } },
      },
      swap('Main (One): 3 rounds  #', 'Main (One): amrap 5:00  #'),
    ],
    [
      'a new item goes behind the one before it',
      { kind: 'insert-item', block: 0, at: 1, next: squats(1) },
      swap('10 squat\n', '10 squat\n1 squat\n'),
    ],
    [
      'a new first item goes right below the header',
      { kind: 'insert-item', block: 0, at: 0, next: squats(1) },
      swap('# slow\n', '# slow\n1 squat\n'),
    ],
    [
      'what is taken out takes the remark above it along',
      { kind: 'remove-item', block: 0, item: 0 },
      swap('# first\n10 squat\n', ''),
    ],
    [
      'an item that moves takes its remarks along',
      { kind: 'move-item', block: 0, item: 0, toBlock: 1, at: 1 },
      swap('# first\n10 squat\n', '').replace('5 march\n', '5 march\n# first\n10 squat\n'),
    ],
    [
      'a field keeps its comment',
      { kind: 'set-field', field: 'Title', value: 'Arms' },
      swap('Title: Legs  #', 'Title: Arms  #'),
    ],
    [
      'a new field stands in its order',
      { kind: 'set-field', field: 'Target', value: '20 min' },
      swap('# short\n', '# short\nTarget: 20 min\n'),
    ],
    ['a field is taken out', { kind: 'set-field', field: 'Kit', value: null }, swap('Kit: chair\n', '')],
    ['a field that isn’t there is taken out without a trace', { kind: 'set-field', field: 'Note', value: null }, TEXT],
    [
      'a block goes before another',
      { kind: 'insert-block', at: 1, next: block },
      swap('Finisher', 'Skill (New): flow\n3 squat\n\nFinisher'),
    ],
    [
      'a last block leaves the last remark last',
      { kind: 'insert-block', at: 2, next: block },
      swap('# that', '\nSkill (New): flow\n3 squat\n\n# that'),
    ],
    [
      'a block is taken out',
      { kind: 'remove-block', block: 0 },
      swap('# the heart of it\nMain (One): 3 rounds  # slow\n# first\n10 squat\n8 push-up  # wide\n\n', ''),
    ],
    ['a block that stays where it is changes nothing', { kind: 'move-block', block: 0, at: 1 }, TEXT],
  ])('%s', (_name, change, wanted) => {
    expect(edit(change)).toBe(wanted);
  });
  test('several are done one after the other, each on what the one before left', () => {
    expect(
      edit({ kind: 'remove-item', block: 0, item: 0 }, { kind: 'set-item', block: 0, item: 0, next: squats(7) }),
    ).toContain('# slow\n7 squat  # wide\n');
  });
  test('an empty text becomes a session, block by block', () => {
    const one = applyEdits(
      '',
      [
        { kind: 'insert-block', at: 0, next: block },
        { kind: 'set-field', field: 'Title', value: 'First' },
      ],
      baseLibrary,
    );
    expect(one).toBe('Title: First\n\nSkill (New): flow\n3 squat\n');
    expect(applyEdits(one, [{ kind: 'remove-block', block: 0 }], baseLibrary)).toBe('Title: First\n');
    expect(applyEdits('', [], baseLibrary)).toBe('');
  });
  test('line ends of other systems are read', () => {
    expect(
      applyEdits('Main: flow\r\n5 squat\r\n', [{ kind: 'set-item', block: 0, item: 0, next: squats(6) }], baseLibrary),
    ).toBe('Main: flow\n6 squat\n');
  });
});

test('the usual dose of every movement can be written before it', () => {
  for (const movement of baseLibrary.movements) {
    const { document, issues } = parseSession(
      `Main: 3 rounds\n${printDose(usualDose(movement))} ${movement.name}`,
      baseLibrary,
    );
    expect([movement.id, issues]).toEqual([movement.id, []]);
    expect(document.blocks[0]!.items[0]).toMatchObject({ dose: usualDose(movement) });
  }
});

test('notes of what is done, the choices too; nothing of what is not known', () => {
  const { document } = parseSession('Main: flow\n5 squat or chair squat\n5 wobble', baseLibrary);
  expect(Object.keys(collectNotes(document.blocks, baseLibrary))).toEqual(['squat', 'chair squat']);
  expect(collectNotes([], baseLibrary)).toEqual({});
});
