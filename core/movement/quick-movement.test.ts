import { describe, expect, test } from 'vitest';
import { checkMovement, layerLibrary } from './layer.ts';
import { baseLibrary } from './library.ts';
import { readLoosely } from './name/read-loosely.ts';
import { fromQuick, suggestMovement, toQuick } from './quick-movement.ts';

describe('a name that isn’t read as it stands', () => {
  const loose = (name: string) => readLoosely(name, baseLibrary);
  test('is read with a misspelt word mended', () => {
    expect(loose('revrese lunge')?.name).toBe('step-back lunge');
    expect(loose('dumbbell thurster')?.name).toBe('dumbbell thruster');
    expect(loose('kettelbell swing')?.name).toBe('swing');
  });
  test('is read without one word that nobody knows, beside a movement that has two', () => {
    expect(loose('zigzag reverse lunge')).toMatchObject({ name: 'step-back lunge', left: ['zigzag'] });
    expect(loose('zigzag lunge')).toBeUndefined();
    expect(loose('crazy zigzag reverse lunge')).toBeUndefined();
  });
  test('is nothing where it is known, names nothing, or is too long', () => {
    for (const name of ['squat', 'dumbbell squat', 'the usual', '', 'x '.repeat(20), 'seated burpee'])
      expect([name, loose(name)]).toEqual([name, undefined]);
  });
});

describe('what the words of a new name suggest', () => {
  const suggest = (name: string) => toQuick(suggestMovement(name, baseLibrary));
  test('is what of it can be read', () => {
    expect(suggest('zigzag dumbbell reverse lunge')).toMatchObject({
      name: 'zigzag dumbbell reverse lunge',
      pattern: 'lunge',
      isOneSided: true,
      kit: ['2 dumbbells'],
      asks: ['hips', 'knees'],
    });
  });
  test('is the nearest of its kind, else what single words say', () => {
    expect(suggest('banana squat')).toMatchObject({ pattern: 'squat', isHold: false });
    expect(suggest('moonlight stretch')).toMatchObject({
      pattern: 'mobility',
      isHold: true,
      likelySec: 30,
      effortClass: 1,
    });
    expect(suggest('harbour jump').asks).toContain('jumping');
    expect(suggest('harbour leap')).toMatchObject({ pattern: 'jump', asks: ['jumping'] });
    expect(suggest('dragon flag')).toMatchObject({ pattern: 'brace', asks: ['floor'] });
    expect(suggest('lasagne')).toMatchObject({ pattern: 'mobility', isHold: false, asks: [] });
  });
  test('of a reading is the reading', () => {
    expect(suggest('dumbbell jump squat')).toMatchObject({
      name: 'dumbbell squat jump',
      asks: ['back', 'hips', 'knees', 'ankles', 'jumping'],
    });
  });
});

describe('the few answers about it', () => {
  const suggested = suggestMovement('zigzag dumbbell reverse lunge', baseLibrary);
  const quick = toQuick(suggested);
  const taken = (changes: Partial<typeof quick>) => {
    const override = fromQuick({ ...quick, ...changes }, suggested);
    const { library, passedBy } = layerLibrary(baseLibrary, { overrides: [override], ladders: [], scales: [] });
    expect(passedBy).toEqual([]);
    return library.findByName('zigzag dumbbell reverse lunge')!;
  };
  test('taken as they are, change nothing', () => {
    const { id: _id, parts: _parts, ...fields } = suggested;
    expect(taken({})).toMatchObject(fields);
  });
  test('raise and lower what is asked for to the bounds by which it is spared, and no further', () => {
    const m = taken({ asks: ['wrists', 'jumping', 'overhead', 'floor'] });
    expect(m.demand).toMatchObject({ wrist: 2, hip: 1, knee: 1 });
    expect([m.impact, m.noise, m.isOverhead, m.isOnFloor]).toEqual([2, 2, true, true]);
    expect(taken({ asks: ['knees'] }).demand.knee).toBe(suggested.demand.knee);
  });
  test('scale the pace around the likely one, and count kit', () => {
    const m = taken({ likelySec: suggested.paceSec.likely * 2, kit: ['dumbbell', '2 dumbbells', 'step'] });
    expect(m.paceSec.low).toBeCloseTo(suggested.paceSec.low * 2, 1);
    expect(m.paceSec.high).toBeCloseTo(suggested.paceSec.high * 2, 1);
    expect(m.kit).toEqual(['2 dumbbells', 'step']);
  });
  test('are held to the rules of any movement', () => {
    const override = fromQuick({ ...quick, name: 'squat' }, suggested);
    const next = layerLibrary(baseLibrary, { overrides: [override], ladders: [], scales: [] });
    expect(next.passedBy).toHaveLength(1);
    expect(checkMovement({ ...suggested, name: '' }, baseLibrary.movements).map((i) => i.field)).toEqual(['name']);
  });
  test('leave a movement of the floor standing where it isn’t on the floor', () => {
    const plank = suggestMovement('moonlight plank', baseLibrary);
    const { fields } = fromQuick({ ...toQuick(plank), asks: [] }, plank);
    expect([fields.isOnFloor, fields.position]).toEqual([false, 'standing']);
  });
});
