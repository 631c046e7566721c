import { describe, expect, test } from 'vitest';
import { FIT_KITS, shapesTally } from './every-reading-fixture.ts';
import { ANYONE, findObstacle, fitMovement } from '../fit-movement.ts';
import { baseLibrary } from '../library.ts';
import { laddersWith } from '../ladders-with.ts';
import type { Movement } from '../movement.ts';
import { JOINTS } from '../movement.ts';
import { servesAs } from '../kit.ts';
import { analyseText } from '../../session/analyse.ts';
import { SPARES } from '../spare.ts';
import { everyReading } from './every-reading-fixture.ts';
import { MODIFIERS } from './modifiers.ts';
import { isReading, readShapes } from './read-name.ts';
import { UNREAD } from './unread-fixture.ts';
import { nameWords } from './words.ts';
import { everyNth } from '../../../tests/long.ts';

const { book } = baseLibrary;
const singles = everyReading(1);
// A fortieth of the pairs, and another one each time in the long form: all of them in time.
const from = Number(process.env.YSODOS_FROM ?? 0);
const pairs = everyReading(2, { oneIn: 40, from });

describe('words that name no movement', () => {
  test('are at least 60', () => expect(UNREAD.length).toBeGreaterThanOrEqual(60));
  test.each(UNREAD)('“%s” stays as it is written', (words) => {
    expect(baseLibrary.findByName(words)).toBeUndefined();
    expect(baseLibrary.read(words)).toBeUndefined();
  });
  test('nothing is read out of long or strange texts, and no time is lost on them', () => {
    for (const text of [
      'squat '.repeat(60),
      'dumbbell '.repeat(14),
      'with to and '.repeat(4),
      '\u0000',
      '😀 squat',
      '-',
      '',
    ])
      expect([text, baseLibrary.findByName(text)]).toEqual([text, undefined]);
  });
});

test('words that every object has are words like any other', () => {
  for (const word of ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf']) {
    expect([word, baseLibrary.findByName(word), baseLibrary.find(word)]).toEqual([word, undefined, undefined]);
    const { plan } = analyseText(`Kit: ${word}, chair\n\nMain: flow\n10 ${word}\n8 sit-to-stand`, baseLibrary);
    expect([word, plan.kit]).toEqual([word, ['chair']]);
    expect(servesAs(word, 'dumbbell') || servesAs('dumbbell', word)).toBe(false);
  }
});

describe('the same movement in other words', () => {
  test.each([
    ['jump squat', 'squat jump', 'jumping squats', 'Squat-Jumps', 'plyo squat'],
    [
      'reverse lunge with biceps curl',
      'step-back lunge and curl',
      'reverse lunge + curl',
      'backward lunge to bicep curl',
    ],
    ['press-up', 'push-up', 'push ups', 'PUSHUPS'],
    ['dumbbell thruster', 'DB thrusters', 'squat to overhead press with dumbbells', 'thruster with dumbbells'],
    ['single-leg RDL', 'SL RDL', 'one-leg Romanian deadlift', '1-leg rdl', 'romanian deadlift on one leg'],
    ['knee push-up', 'push-up on the knees', 'kneeling push-ups', 'press-ups from knees'],
    ['sit to stand', 'sit-to-stand', 'chair stands'],
    ['skip', 'jump rope', 'skipping', 'rope skips'],
    [
      'alternating dumbbell curl',
      'dumbbell alternating biceps curls',
      'alt. DB curl',
      'curl with dumbbells, alternating'.replace(',', ''),
    ],
    ['no-jump burpee', 'burpee without jump', 'low-impact burpees', 'burpee (no jump)'],
  ])('%s', (first, ...others) => {
    const id = baseLibrary.findByName(first)!.id;
    for (const other of others) expect([other, baseLibrary.findByName(other)?.id]).toEqual([other, id]);
  });
  test('has one id, by which it is found again, for every reading', () => {
    for (const { movement } of [...singles, ...pairs]) {
      expect(baseLibrary.findByName(movement.name)?.id).toBe(movement.id);
      expect(baseLibrary.find(movement.id)?.id).toBe(movement.id);
    }
  });
  test('whatever the order of its modifiers', () => {
    let compared = 0;
    for (const { shapes, movement } of pairs) {
      const [{ head, modifiers }] = shapes as [(typeof shapes)[0]];
      const before = modifiers.filter((m) => !m.isBehind).map((m) => m.name);
      if (before.length < 2) continue;
      const names = [before, [...before].reverse()].map((words) => `${words.join(' ')} ${book.lexicon.headName(head)}`);
      // Two that make a third together ("half", "kneeling") are said in one order only.
      const joins = names.some((name) => {
        const words = nameWords(name);
        return before.some((w) => {
          const at = words.indexOf(nameWords(w)[0]!);
          return at >= 0 && (book.lexicon.matches(words, at).at(-1)?.length ?? 0) > nameWords(w).length;
        });
      });
      if (joins) continue;
      compared++;
      const [one, other] = names.map((name) => baseLibrary.findByName(name)?.id);
      expect([names[0], one]).toEqual([names[0], other]);
      if (one !== undefined && before.length === modifiers.length) expect([names, one]).toEqual([names, movement.id]);
    }
    expect(compared).toBeGreaterThan(200);
  });
});

describe('what a modifier does', () => {
  const grades = (m: Movement) => [...JOINTS.map((j) => m.demand[j]), m.impact, m.noise, m.effortClass];
  test('adding an implement never makes a movement easier', () => {
    const added = singles.filter((r) => r.shapes[0]!.modifiers[0]!.family === 'implement' && r.head.kit.length === 0);
    expect(added.length).toBeGreaterThan(500);
    for (const { movement, head, shapes, isShelf } of added) {
      if (isShelf) continue;
      const [before, after] = [grades(head), grades(movement)];
      expect({ name: movement.name, falls: after.some((g, i) => g < before[i]!) }).toEqual({
        name: movement.name,
        falls: false,
      });
      if (shapes[0]!.modifiers[0]!.id !== 'overhead')
        expect([movement.name, movement.kit.length > 0]).toEqual([movement.name, true]);
    }
  });
  test('removing impact never raises the demand on the ankle, nor anything else', () => {
    const stepped = singles.filter((r) => r.shapes[0]!.modifiers[0]!.id === 'no-jump');
    expect(stepped.length).toBeGreaterThan(30);
    for (const { movement, head } of stepped) {
      expect(movement.impact).toBeLessThan(2);
      for (const joint of JOINTS)
        expect([movement.name, joint, movement.demand[joint] <= head.demand[joint]]).toEqual([
          movement.name,
          joint,
          true,
        ]);
      expect(movement.effortClass).toBeLessThanOrEqual(head.effortClass);
    }
  });
  test('what eases takes nothing away from what is spared: no joint but the knees is asked for more', () => {
    for (const { movement, head, shapes, isShelf } of singles) {
      const [modifier] = shapes[0]!.modifiers;
      if (!modifier!.eases || isShelf) continue;
      expect([movement.name, movement.effortClass <= head.effortClass]).toEqual([movement.name, true]);
      for (const joint of JOINTS)
        if (joint !== 'knee')
          expect([movement.name, joint, movement.demand[joint] <= head.demand[joint]]).toEqual([
            movement.name,
            joint,
            true,
          ]);
    }
  });
  test('every grade, pace and effort stays within its bounds, and a name within its letters', () => {
    for (const { movement: m } of [...singles, ...pairs]) {
      expect(
        JOINTS.every((j) => m.demand[j] >= 0 && m.demand[j] <= 3) && m.effortClass >= 1 && m.effortClass <= 5,
      ).toBe(true);
      expect(m.paceSec.low > 0 && m.paceSec.low <= m.paceSec.likely && m.paceSec.likely <= m.paceSec.high).toBe(true);
      expect([m.name, m.doing.length <= 200 && m.kit.length <= 5]).toEqual([m.name, true]);
    }
  });
  test('each modifier can be said of some head, by each of its words', () => {
    const used = new Set(singles.map((r) => r.shapes[0]!.modifiers[0]!.id));
    expect(MODIFIERS.filter((m) => m.family !== 'empty' && !used.has(m.id)).map((m) => m.id)).toEqual([]);
  });
});

describe('a compound', () => {
  const of = (name: string) => baseLibrary.findByName(name)!;
  test('asks for what its parts ask for, takes as long as they, and knows them', () => {
    const m = of('reverse lunge with biceps curl');
    const parts = m.parts.map((id) => baseLibrary.find(id)!);
    expect(parts.map((p) => p.name)).toEqual(['step-back lunge', 'biceps curl']);
    for (const joint of JOINTS) expect(m.demand[joint]).toBe(Math.max(...parts.map((p) => p.demand[joint])));
    expect(m.paceSec.likely).toBeCloseTo(parts[0]!.paceSec.likely + parts[1]!.paceSec.likely, 1);
    expect([m.kit, m.isOneSided, m.isHold]).toEqual([['2 bottles'], true, false]);
  });
  test('is counted as one, is held nowhere, and is harder than its hard parts', () => {
    const m = of('plank to downward dog');
    expect([m.isHold, m.paceSec.likely]).toEqual([false, 4]);
    expect(of('burpee to tuck jump').effortClass).toBe(5);
    expect(of('squat to lateral lunge').effortClass).toBe(4);
    expect(of('squat to seated march')).toMatchObject({ position: 'standing' });
    expect(of('squat to dead bug')).toMatchObject({ position: 'supine', isOnFloor: true });
  });
  test('says itself, and where it took the higher grade', () => {
    const read = baseLibrary.read('DB reverse lunge + curl')!;
    expect(read.said).toBe('step-back lunge, then curl; with dumbbells');
    expect(read.safeSide).toEqual(['shoulder', 'noise', 'effort']);
    expect(baseLibrary.read('squat')).toBeUndefined();
  });
});

describe('easier shapes of what is read', () => {
  const fit = (name: string, spares: readonly (typeof SPARES)[number][], kit?: readonly string[]) =>
    fitMovement(baseLibrary.findByName(name)!, { ...ANYONE, spares, ...(kit && { kit }) }, baseLibrary)?.movement.name;
  test.each([
    ['dumbbell jump squat', ['no-jumping'], undefined, 'dumbbell squat'],
    ['dumbbell jump squat', [], [], 'squat jump'],
    ['reverse lunge with biceps curl', ['knees'], undefined, 'held step-back lunge and biceps curl'],
    ['reverse lunge with biceps curl', [], [], 'step-back lunge'],
    ['decline push-up with pause', ['shoulders'], undefined, 'pause wall push-up'],
    ['burpee to tuck jump', ['quiet'], undefined, 'step-back squat thrust'],
    ['weighted plank', ['wrists'], undefined, 'kneeling plank'],
  ] as const)('%s, sparing %j, with %j', (name, spares, kit, wanted) => {
    expect(fit(name, spares, kit)).toBe(wanted);
  });
  test('stand on a ladder of their own, from the easiest, with what changes', () => {
    const [ladder] = laddersWith(baseLibrary.findByName('dumbbell jump squat')!, baseLibrary);
    expect(ladder!.steps.map((s) => baseLibrary.find(s.movementId)!.name)).toEqual([
      'sit-to-stand',
      'squat',
      'squat to toes',
      'squat jump',
      'dumbbell squat jump',
    ]);
    expect(ladder!.steps.at(-1)!.change).toBe('with dumbbells');
    for (const { movement } of singles) {
      for (const l of laddersWith(movement, baseLibrary)) {
        expect(l.steps.some((s) => s.movementId === movement.id)).toBe(true);
        expect(new Set(l.steps.map((s) => s.movementId)).size).toBe(l.steps.length);
        expect([l.id, l.steps.filter((s) => !baseLibrary.find(s.movementId))]).toEqual([l.id, []]);
      }
    }
  });
  test('for everybody: one modifier and two, whatever is spared, whatever the kit; nothing harder, calm in under 3 %', () => {
    const tally = shapesTally(everyNth([...singles, ...pairs], 5).map((r) => r.movement));
    const all = Object.values<number>({ ...tally }).reduce((a, b) => a + b, 0);
    expect(tally.harder).toBe(0);
    expect((100 * tally.calm) / all).toBeLessThan(3);
    expect(tally.calm / (all - tally.asIs)).toBeLessThan(0.03);
  }, 120_000);
  test('are given by the fit just as by the order', () => {
    const some = [...singles, ...pairs];
    for (let i = 0; i < 2000; i++) {
      const { movement } = some[(i * 7919) % some.length] as (typeof some)[0];
      const kit = FIT_KITS[i % FIT_KITS.length];
      const person = { ...ANYONE, spares: SPARES.filter((_, s) => (i * 31) & (1 << s)), ...(kit && { kit }) };
      const given = fitMovement(movement, person, baseLibrary)?.movement ?? movement;
      expect([movement.name, given.name, findObstacle(given, person)]).toEqual([movement.name, given.name, undefined]);
      expect(given.effortClass).toBeLessThanOrEqual(movement.effortClass);
    }
  });
});

test('a shape that says nothing new is the movement itself', () => {
  const squat = baseLibrary.find('squat')!;
  expect(readShapes([{ head: squat, modifiers: [] }], book)).toBe(squat);
  const read = readShapes([{ head: squat, modifiers: MODIFIERS.filter((m) => m.id === 'deep') }], book)!;
  expect(isReading(read)).toBe(true);
});
