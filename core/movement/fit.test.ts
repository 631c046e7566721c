import { describe, expect, test } from 'vitest';
import { parseSession } from '../notation/read-session.ts';
import { printItem } from '../notation/print.ts';
import { computePlan } from '../session/plan.ts';
import { resolveBlocks } from '../session/resolve.ts';
import type { FitPerson } from './fit-movement.ts';
import { ANYONE, findObstacle, fitMovement, standInOrder } from './fit-movement.ts';
import { explainChange } from '../fit/fit-change.ts';
import { fitSession } from '../fit/fit-session.ts';
import { baseLibrary } from './library.ts';
import { askedBits, SPARES, spareBits } from './spare.ts';
import { everyNth } from '../../tests/long.ts';

const KITS: readonly (readonly string[] | undefined)[] = [
  undefined,
  [],
  ['chair'],
  ['band', 'towel', 'chair', 'bottle'],
  ['bottle', 'step', 'rope'],
  ['chair', 'band', 'bottle', 'bar', 'table', 'towel', 'step', 'rope'],
];

/** Of things to spare, as bits: all 4,096 in the long form. */
const COMBINATIONS = everyNth(
  Array.from({ length: 1 << SPARES.length }, (_, bits) => bits),
  7,
);

test(
  'every movement, every combination of things to spare, every class of kit: an answer that breaks nothing, calm in under 3 %',
  { timeout: 120_000 },
  () => {
    const tally = { asIs: 0, ladder: 0, pattern: 0, area: 0, calm: 0 };
    const counts: Record<string, number> = tally;
    for (const kit of KITS) {
      // What a combination of spares allows depends on its bits alone; every movement is asked once for each kit.
      const isKitThere = new Map(
        baseLibrary.movements.map((m) => [m.id, findObstacle(m, { ...ANYONE, ...(kit && { kit }) }) === undefined]),
      );
      for (const movement of baseLibrary.movements) {
        const order = standInOrder(movement, baseLibrary);
        for (const bits of COMBINATIONS) {
          if ((askedBits(movement) & bits) === 0 && isKitThere.get(movement.id)) {
            counts.asIs = counts.asIs! + 1;
            continue;
          }
          const found = order.find((c) => (askedBits(c.movement) & bits) === 0 && isKitThere.get(c.movement.id));
          if (!found)
            throw new Error(
              `${movement.id} has no answer for ${SPARES.filter((_, i) => bits & (1 << i)).join(', ')} with ${kit?.join(', ') ?? 'any kit'}`,
            );
          if (found.movement.effortClass > movement.effortClass)
            throw new Error(`${found.movement.id} is harder than ${movement.id}`);
          counts[found.how] = counts[found.how]! + 1;
        }
      }
    }
    const all = Object.values(counts).reduce((a, b) => a + b, 0);
    expect(all).toBe(KITS.length * baseLibrary.movements.length * COMBINATIONS.length);
    expect({ calmPct: (100 * tally.calm) / all }).toSatisfy((x: { calmPct: number }) => x.calmPct < 3);
    // Of those that need another shape at all, too.
    expect(tally.calm / (all - tally.asIs)).toBeLessThan(0.03);
  },
);

test('fitMovement gives just what the order and the obstacles say', () => {
  let state = 7;
  const random = (n: number) => {
    state = (state * 48271) % 2147483647;
    return state % n;
  };
  for (let i = 0; i < 3000; i++) {
    const movement = baseLibrary.movements[random(baseLibrary.movements.length)]!;
    const bits = random(4096);
    const kit = KITS[random(KITS.length)];
    const person: FitPerson = {
      ...ANYONE,
      spares: SPARES.filter((_, s) => bits & (1 << s)),
      levels: random(3) === 0 ? { [movement.pattern]: 1 + random(5) } : {},
      ...(kit && { kit }),
    };
    const fit = fitMovement(movement, person, baseLibrary);
    expect(spareBits(person.spares)).toBe(bits);
    if (!fit) {
      expect(findObstacle(movement, person)).toBeUndefined();
      continue;
    }
    expect(findObstacle(fit.movement, person)).toBeUndefined();
    expect(fit.movement.effortClass).toBeLessThanOrEqual(movement.effortClass);
    expect(fit.reason).not.toBe('');
  }
});

const person = (spares: FitPerson['spares'], more: Partial<FitPerson> = {}): FitPerson => ({
  ...ANYONE,
  spares,
  ...more,
});

/** Fits by hand: what is written, who does it, the lines they do, and what is said of it. */
const BY_HAND: readonly [string, FitPerson, string, string][] = [
  ['10 squat', ANYONE, '10 squat', ''],
  [
    '10 burpee',
    person(['quiet']),
    '10 step-back squat thrust',
    'step-back squat thrust instead of burpee: quiet floor',
  ],
  [
    '10 burpee',
    person(['no-floor', 'no-jumping']),
    '10 step-back squat thrust',
    'step-back squat thrust instead of burpee: no jumping',
  ],
  [
    '10 burpee',
    person(['wrists', 'quiet']),
    '10 wall squat thrust',
    'wall squat thrust instead of burpee: sore wrists',
  ],
  ['10 push-up', person(['wrists']), '10 fist push-up', 'fist push-up instead of push-up: sore wrists'],
  ['10 push-up', person(['wrists', 'shoulders']), '10 wall push-up', 'wall push-up instead of push-up: sore wrists'],
  ['10 push-up', person(['no-floor']), '10 chair push-up', 'chair push-up instead of push-up: not down to the floor'],
  [
    '10 push-up',
    person(['no-floor'], { kit: [] }),
    '10 wall push-up',
    'wall push-up instead of push-up: not down to the floor',
  ],
  [
    '10 push-up',
    person([], { levels: { push: 3 } }),
    '10 knee push-up',
    'knee push-up instead of push-up: level 3 of 5 in push',
  ],
  ['12 squat jump', person(['no-jumping']), '12 squat to toes', 'squat to toes instead of squat jump: no jumping'],
  ['12 squat', person(['knees']), '12 chair squat', 'chair squat instead of squat: sore knees'],
  [
    '12 squat',
    person(['knees'], { kit: ['towel'] }),
    '12 seated heel press',
    'seated heel press instead of squat: sore knees',
  ],
  [
    '10/side step-back lunge',
    person(['knees']),
    '10/side held step-back lunge',
    'held step-back lunge instead of step-back lunge: sore knees',
  ],
  [
    '10 alt step-back lunge',
    person(['seated-only']),
    '10 alt seated knee lift',
    'seated knee lift instead of step-back lunge: seated only',
  ],
  ['0:40 plank', person(['wrists']), '0:40 forearm plank', 'forearm plank instead of plank: sore wrists'],
  ['0:40 plank', person(['shoulders']), '0:40 kneeling plank', 'kneeling plank instead of plank: sore shoulders'],
  [
    '0:30/side side plank',
    person(['no-floor']),
    '0:30/side wall side plank',
    'wall side plank instead of side plank: not down to the floor',
  ],
  [
    '10 bottle press',
    person(['no-overhead']),
    '10 seated front reach',
    'seated front reach instead of bottle press: nothing overhead',
  ],
  [
    '10 band row',
    person([], { kit: ['bottle'] }),
    '10 elbow draw-back',
    'elbow draw-back instead of band row: no band at hand',
  ],
  [
    '10 band row',
    person([], { kit: ['bottle'], swaps: [{ from: 'band-row', to: 'bent-over-row' }] }),
    '10 bent-over row',
    'bent-over row instead of band row: as agreed',
  ],
  ['20 jumping jack', person(['quiet']), '20 step jack', 'step jack instead of jumping jack: quiet floor'],
  [
    '8 chair dip or wall push-up',
    person(['wrists', 'shoulders']),
    '8 wall push-up',
    'wall push-up instead of chair dip: sore wrists',
  ],
  [
    '50 double skip',
    person([], { kit: [] }),
    '50 rope-free skip',
    'rope-free skip instead of double skip: no rope at hand',
  ],
  ['10 sit-up', person(['pregnancy']), '10 seated lean-back', 'seated lean-back instead of sit-up: pregnancy'],
  ['6 chin-up', person([], { kit: ['band'] }), '6 band pull-down', 'band pull-down instead of chin-up: no bar at hand'],
  ['10 dragon flag', person(['back']), '10 dragon flag', ''],
  [
    '0:40 L-sit',
    person([], { levels: { brace: 4 } }),
    '0:20 short l-sit',
    'short l-sit instead of l-sit, 0:20 instead of 0:40: level 4 of 5 in brace',
  ],
];

const fit = (text: string, who: FitPerson) => {
  const { document, issues } = parseSession(text, baseLibrary);
  expect(issues).toEqual([]);
  return { written: document, ...fitSession(document, resolveBlocks(document), who, baseLibrary) };
};

describe('fits by hand', () => {
  test.each(BY_HAND)('%s', (line, who, wanted, said) => {
    const { document, changes } = fit(`Main: 3 rounds\n${line}`, who);
    expect(document.blocks[0]!.items.map((i) => printItem(i, baseLibrary))).toEqual([wanted]);
    expect(changes.map(explainChange)).toEqual(said === '' ? [] : [said]);
  });
});

describe('a whole session', () => {
  const TEXT = `Warm-up: 2 rounds
6 wrist rock
8 march

Main (Every): every 1:00 x 12
10 burpee
14 push-up
0:40 plank

Finisher: amrap 6:00
8 squat jump
10/side split squat
max [push-up, squat]`;
  test('keeps its clocks, its order and its blocks, and says which scores are of another shape', () => {
    const { written, document, changes } = fit(TEXT, person(['quiet', 'wrists'], { kit: ['chair'] }));
    const [before, after] = [computePlan(written, baseLibrary), computePlan(document, baseLibrary)];
    expect(document.blocks.map((b) => [b.role, b.label, b.time])).toEqual(
      written.blocks.map((b) => [b.role, b.label, b.time]),
    );
    expect(document.blocks.map((b) => b.items.length)).toEqual(written.blocks.map((b) => b.items.length));
    expect(after.blocks.slice(1).map((b) => b.clockSec)).toEqual(before.blocks.slice(1).map((b) => b.clockSec));
    expect(after.blocks.map((b) => b.score)).toEqual(before.blocks.map((b) => b.score));
    expect(changes.filter((c) => c.isScored).map((c) => c.from)).toEqual(['squat jump', 'push-up']);
  });
  test('takes fewer where the new shape is slower than its slot', () => {
    const { document, changes } = fit(
      'Main: every 0:20 x 6\n12 jumping jack',
      person(['quiet'], { swaps: [{ from: 'jumping-jack', to: 'side-lunge' }] }),
    );
    expect(printItem(document.blocks[0]!.items[0]!, baseLibrary)).toBe('6 alt side lunge');
    expect(explainChange(changes[0]!)).toBe('side lunge instead of jumping jack, 6 alt instead of 12: as agreed');
  });
  test('a hold stands in for as long as the repetitions took, and the other way round keeps the time', () => {
    const swap = (from: string, to: string) => person([], { swaps: [{ from, to }] });
    expect(
      printItem(fit('Main: flow\n10 squat', swap('squat', 'wall-sit')).document.blocks[0]!.items[0]!, baseLibrary),
    ).toBe('0:20 wall sit');
    expect(
      printItem(fit('Main: flow\n0:30 plank', swap('plank', 'dead-bug')).document.blocks[0]!.items[0]!, baseLibrary),
    ).toBe('0:30 dead bug');
  });
  test('anyone gets it as written, and what the library doesn’t know is named', () => {
    expect(fit(TEXT, ANYONE).changes).toEqual([]);
    expect(fit('Main: flow\n10 dragon flag', person(['back'])).unjudged).toEqual(['dragon flag']);
  });
  test('is the same however often it is asked', () => {
    const who = person(['knees', 'quiet', 'shoulders'], { kit: ['band'], levels: { push: 2 } });
    expect(fit(TEXT, who)).toEqual(fit(TEXT, who));
  });
});
