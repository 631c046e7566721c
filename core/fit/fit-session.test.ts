import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { arbitraryDocument } from '../notation/arbitrary-document.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { isWork } from '../words/describe-item.ts';
import { computePlan } from '../session/plan.ts';
import { resolveBlocks } from '../session/resolve.ts';
import type { FitPerson, Level } from '../movement/fit-movement.ts';
import { ANYONE, findObstacle } from '../movement/fit-movement.ts';
import { fitSession } from './fit-session.ts';
import { baseLibrary } from '../movement/library.ts';
import { PATTERNS } from '../movement/movement.ts';
import { SPARES } from '../movement/spare.ts';
import { runs } from '../../tests/long.ts';

const ids = baseLibrary.movements.map((m) => m.id);
const arbitraryPerson: fc.Arbitrary<FitPerson> = fc
  .record({
    kit: fc.option(fc.subarray(['chair', 'band', 'bottle', 'towel', 'step', 'rope', 'bar']), { nil: undefined }),
    spares: fc.subarray([...SPARES]),
    levels: fc.dictionary(
      fc.constantFrom(...PATTERNS),
      fc.integer({ min: 1, max: 5 }).map((n) => n as Level),
      { maxKeys: 4 },
    ),
    swaps: fc.array(fc.record({ from: fc.constantFrom(...ids), to: fc.constantFrom(...ids) }), { maxLength: 3 }),
  })
  .map(({ kit, ...rest }) => ({ ...rest, ...(kit && { kit }) }));

describe('whoever it is for, and whatever is written', () => {
  test('the fitted session reads back, with the same blocks, clocks, numbers of items and scores', () => {
    fc.assert(
      fc.property(arbitraryDocument, arbitraryPerson, (document, person) => {
        const blocks = resolveBlocks(document);
        const { document: fitted, changes } = fitSession(document, blocks, person, baseLibrary);
        expect(fitted.blocks.map((b) => [b.role, b.label, b.time, b.count, b.rounds, b.sets, b.items.length])).toEqual(
          blocks.map((b) => [b.role, b.label, b.time, b.count, b.rounds, b.sets, b.items.length]),
        );
        const written = fitted.blocks.filter((b) => b.items.length > 0);
        const { document: again, issues } = parseSession(
          printSession({ ...fitted, blocks: written }, baseLibrary),
          baseLibrary,
        );
        expect(issues).toEqual([]);
        expect(again.blocks).toEqual(written);
        // An alternative that the coach wrote with a dose of its own may bring another kind of score.
        const scores = (d: typeof document) =>
          computePlan(d, baseLibrary).blocks.map((b, i) =>
            changes.some((c) => c.block === i && c.how === 'choice') ? 'chosen' : b.score,
          );
        expect(scores(fitted)).toEqual(scores({ ...document, blocks }));
      }),
      { numRuns: runs(800) },
    );
  });

  test('nothing that is done breaks what is to be spared, the kit or the level; each change says why', () => {
    fc.assert(
      fc.property(arbitraryDocument, arbitraryPerson, (document, person) => {
        const { document: fitted, changes } = fitSession(
          document,
          resolveBlocks(document),
          { ...person, swaps: [] },
          baseLibrary,
        );
        for (const block of fitted.blocks) {
          for (const item of block.items) {
            if (!isWork(item)) continue;
            for (const choice of item.choices) {
              const movement = baseLibrary.findByName(choice.name);
              expect({ name: choice.name, obstacle: movement && findObstacle(movement, person) }).toEqual({
                name: choice.name,
                obstacle: undefined,
              });
            }
          }
        }
        for (const change of changes) {
          expect(change.reason).not.toBe('');
          expect(change.from).not.toBe(change.to);
        }
      }),
      { numRuns: runs(800) },
    );
  });

  test('blocks that the clock rules are as long as before', () => {
    fc.assert(
      fc.property(arbitraryDocument, arbitraryPerson, (document, person) => {
        const blocks = resolveBlocks(document);
        const { document: fitted } = fitSession(document, blocks, person, baseLibrary);
        const [before, after] = [computePlan({ ...document, blocks }, baseLibrary), computePlan(fitted, baseLibrary)];
        for (const [i, block] of blocks.entries()) {
          if (['slots', 'intervals', 'span', 'windows'].includes(block.time.kind) && !block.between)
            expect(after.blocks[i]!.clockSec).toEqual(before.blocks[i]!.clockSec);
        }
      }),
      { numRuns: runs(400) },
    );
  });

  test('a session that is fitted once needs no further fit, swaps aside', () => {
    fc.assert(
      fc.property(arbitraryDocument, arbitraryPerson, (document, person) => {
        const who = { ...person, swaps: [] };
        const { document: fitted } = fitSession(document, resolveBlocks(document), who, baseLibrary);
        expect(fitSession(fitted, fitted.blocks, who, baseLibrary).changes).toEqual([]);
      }),
      { numRuns: runs(400) },
    );
  });
});

describe('what the coach offers goes before what the library knows', () => {
  const fit = (text: string, person: FitPerson) => {
    const { document } = parseSession(text, baseLibrary);
    return fitSession(document, resolveBlocks(document), person, baseLibrary);
  };
  const noJumping: FitPerson = { levels: {}, spares: ['no-jumping'], swaps: [] };
  test('the easier version is taken where it is for this person, and is offered no more', () => {
    const { document, changes } = fit('Main: flow\n10 squat jump, easier chair squat, harder tuck jump', noJumping);
    expect(changes).toMatchObject([{ from: 'squat jump', to: 'chair squat', how: 'choice' }]);
    expect(document.blocks[0]!.items[0]).toMatchObject({ choices: [{ name: 'chair squat' }], harder: 'tuck jump' });
    expect(document.blocks[0]!.items[0]).not.toHaveProperty('easier');
  });
  test('one that isn’t for them either is passed by', () => {
    const { changes } = fit('Main: flow\n10 squat jump, easier tuck jump', noJumping);
    expect(changes[0]!.to).not.toBe('tuck jump');
  });
  test('of two options the one that is for them is whole: its dose, sides and load', () => {
    const { document } = fit('Main: flow\n10 squat jump @ 4 kg or 5/side split squat @ 8 kg, tempo 3-0-1', noJumping);
    expect(document.blocks[0]!.items[0]).toEqual({
      kind: 'work',
      dose: { kind: 'reps', amount: { kind: 'fixed', value: 5 }, sides: 'each' },
      load: { kind: 'weight', kg: 8, pieces: 1 },
      tempo: { downSec: 3, pauseSec: 0, upSec: 1 },
      choices: [{ name: 'split squat' }],
      inTurn: false,
    });
  });
});

test('a weight isn’t told of what is done in another shape without one', () => {
  const { document } = parseSession('Main: 3 rounds\n8 bent-over row, @ 12 kg\n', baseLibrary);
  const swapTo = (to: string) =>
    fitSession(document, document.blocks, { ...ANYONE, swaps: [{ from: 'bent-over-row', to }] }, baseLibrary).document
      .blocks[0]!.items[0];
  expect(swapTo('band-row')).not.toHaveProperty('load');
  expect(swapTo('goblet-squat')).toMatchObject({ load: { kind: 'weight', kg: 12 } });
});
