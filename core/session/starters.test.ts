import { describe, expect, test } from 'vitest';
import { SHAPES } from '../forms/forms.ts';
import { baseLibrary } from '../movement/library.ts';
import { applyEdits } from '../notation/apply-edits.ts';
import { analyseText, isSendable } from './analyse.ts';
import { EXAMPLE_SESSION, FIRST_SHAPES, starterBlock, starterMain } from './starters.ts';

const NOTHING = { timeline: [] };

describe('what a session begins with', () => {
  test('the example has no fault, and keeps the length that it says', () => {
    const { issues, findings, plan, document } = analyseText(EXAMPLE_SESSION, baseLibrary);
    expect(issues).toEqual([]);
    expect(findings.filter((f) => f.severity !== 'info')).toEqual([]);
    expect(Math.abs(plan.clockSec.likely - document.targetSec!)).toBeLessThanOrEqual(0.1 * document.targetSec!);
  });

  test.each(SHAPES.map((s) => [s.id, s] as const))('a main block as %s can be sent as it is', (_id, shape) => {
    const text = applyEdits('', [{ kind: 'insert-block', at: 0, next: starterMain(shape, baseLibrary) }], baseLibrary);
    const analysis = analyseText(text, baseLibrary);
    expect([text, analysis.issues]).toEqual([text, []]);
    expect(isSendable(analysis)).toBe(true);
    expect(analysis.document.blocks[0]!.items).toHaveLength(2);
  });

  test('the forms that are shown first are six different ones', () => {
    expect(new Set(FIRST_SHAPES.map((s) => s.id)).size).toBe(6);
  });

  test('a warm-up and a cool-down suit anything where nothing is written, and what is written where something is', () => {
    for (const role of ['Warm-up', 'Cool-down'] as const) {
      const block = starterBlock(role, NOTHING, baseLibrary);
      expect(block.role).toBe(role);
      expect(block.items.length).toBeGreaterThan(0);
    }
    const { plan } = analyseText('Main: every 1:00 for 8:00\n8 push-up\n', baseLibrary);
    expect(starterBlock('Warm-up', plan, baseLibrary)).not.toEqual(starterBlock('Warm-up', NOTHING, baseLibrary));
  });
});
