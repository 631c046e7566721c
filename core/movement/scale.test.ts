import { describe, expect, test } from 'vitest';
import { withOwnDoses } from '../fit/own-doses.ts';
import { parseSession } from '../notation/read-session.ts';
import { rewriteText } from '../notation/rewrite.ts';
import { applyLever, readLever } from '../progress/levers/apply-lever.ts';
import { loadFields } from '../record/scores/load.ts';
import { analyseText } from '../session/analyse.ts';
import { EMPTY_LAYER, layerLibrary } from './layer.ts';
import { baseLibrary } from './library.ts';
import { findStep, scaleFault, SHIPPED_SCALES, stepAlong } from './scale.ts';

const OURS = { id: 'our-bands', name: 'Our bands', steps: ['yellow band', 'green band', 'blue band'] };
const { library } = layerLibrary(baseLibrary, { ...EMPTY_LAYER, scales: [OURS] });
const TEXT = 'Main: 3 rounds\n12 band row @ green band\n10 squat @ heavy\n8 push-up';

describe('a scale', () => {
  test('those that ship can stand behind @, each step on one of them', () => {
    for (const [i, scale] of SHIPPED_SCALES.entries()) {
      expect(scaleFault(scale, SHIPPED_SCALES.slice(0, i))).toBeUndefined();
      for (const step of scale.steps) {
        const { issues, document } = parseSession(`Main: flow\n10 squat @ ${step}`, baseLibrary);
        expect(issues).toEqual([]);
        expect(document.blocks[0]!.items[0]).toMatchObject({ load: { kind: 'step', step } });
      }
    }
  });
  test('goes to its ends and no further; a step that no scale has stays', () => {
    const along = (step: string, by: number) => stepAlong(library.scales, step, by);
    expect([along('yellow band', 1), along('green band', 9), along('green band', -9)]).toEqual([
      'green band',
      'blue band',
      'yellow band',
    ]);
    expect(along('purple band', 1)).toBe('purple band');
    expect(findStep(library.scales, ' Green  Band ')).toMatchObject({ at: 1, scale: { name: 'Our bands' } });
  });
  test.each([
    ['', ['a', 'b'], 'Give the scale a name.'],
    ['x'.repeat(61), ['a', 'b'], 'A scale’s name has at most 60 letters.'],
    ['X', ['a'], 'A scale has two steps or more, one a line, the easiest first.'],
    ['X', ['a', 'a'], 'Step 2, “a”, stands on this scale twice.'],
    ['X', ['a', 'green band'], 'Step 2, “green band”, stands on “Our bands” already; a step is on one scale.'],
    ['X', ['a', 'b'.repeat(41)], 'Step 2 has more than 40 letters.'],
  ])('%j of %j can’t stand: %s', (name, steps, why) => {
    expect(scaleFault({ name, steps }, [OURS])).toBe(why);
  });
  test.each(['2 bands', 'green, thin', 'one or two', 'effort high', 'kg more', '@', '-'])(
    'a step %j can’t stand behind @',
    (step) => {
      expect(scaleFault({ name: 'X', steps: ['a', step] }, [])).toMatch(/can’t stand behind @/);
    },
  );
  test('the workspace’s own come before those that ship, and in place of one of the same id; a broken one is passed by', () => {
    const broken = [{ id: 'x', name: 'X', steps: null }, null, { id: 'y', name: 'Y', steps: ['a'] }] as never[];
    const layered = layerLibrary(baseLibrary, {
      ...EMPTY_LAYER,
      scales: [OURS, { id: 'bands', name: 'Bands', steps: ['thin band', 'thick band'] }, ...broken],
    });
    expect(layered.passedBy).toHaveLength(3);
    expect(layered.library.scales.map((s) => s.id).slice(0, 2)).toEqual(['our-bands', 'bands']);
    expect(findStep(layered.library.scales, 'medium band')).toBeUndefined();
  });
});

describe('what a scale is for', () => {
  test('a rule on load goes a step along; a line whose step is on no scale stays', () => {
    const parsed = parseSession(`${TEXT}\n6 pull-up @ purple band`, library);
    const lever = { kind: 'load' } as const;
    expect(readLever(parsed.document, lever, library)).toBe('green band/heavy');
    const next = applyLever(parsed.document, { lever, by: 2 }, library);
    expect(rewriteText({ text: `${TEXT}\n6 pull-up @ purple band`, ...parsed }, next, library)).toBe(
      'Main: 3 rounds\n12 band row, @ blue band\n10 squat, @ very heavy\n8 push-up\n6 pull-up @ purple band',
    );
  });
  test('what was agreed with one person goes a step along for them', () => {
    const { blocks } = analyseText(TEXT, library);
    const dose = { movement: 'band-row', loadBy: 1, since: '2026-05-01' as never, words: 'a step' };
    expect(withOwnDoses(blocks[0]!, [dose], library).items[0]).toMatchObject({
      load: { kind: 'step', step: 'blue band' },
    });
  });
  test('the log asks which step it was, among those of its scale', () => {
    const fields = loadFields(analyseText(TEXT, library).blocks, library.scales);
    expect(fields.map((f) => [f.movement, f.scale?.written, f.scale?.steps.length, f.writtenKg])).toEqual([
      ['band row', 'green band', 3, null],
      ['squat', 'heavy', 4, null],
    ]);
  });
});
