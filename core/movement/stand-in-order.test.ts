import { describe, expect, test } from 'vitest';
import { fitMovement, standInOrder } from './fit-movement.ts';
import { withFields } from './layer.ts';
import { buildLibrary } from './library.ts';
import type { Movement } from './movement.ts';

const make = (movementId: string, fields: Partial<Omit<Movement, 'id'>> = {}): Movement =>
  withFields(undefined, { movementId, fields: { pattern: 'push', position: 'seated', ...fields } });
const written = make('written');
const order = (others: readonly Movement[], steps: readonly string[] = []) => {
  const ladders =
    steps.length === 0 ? [] : [{ id: 'l', name: 'L', steps: steps.map((movementId) => ({ movementId, change: '' })) }];
  const calm = [
    make('seated-march', { pattern: 'locomotion', effortClass: 1 }),
    make('calm-breathing', { pattern: 'mobility', effortClass: 1 }),
  ];
  const library = buildLibrary([written, ...others, ...calm], ladders);
  return standInOrder(written, library).map((c) => `${c.how} ${c.movement.id}`);
};
const pushes = (others: readonly Movement[], steps?: readonly string[]) =>
  order(others, steps).filter((o) => !o.startsWith('calm'));

describe('what stands in for a movement', () => {
  test('is the nearest of its pattern: sides weigh least, then position, effort, further kit, and a hold most', () => {
    expect(
      pushes([
        make('a-hold', { isHold: true }),
        make('b-easier', { effortClass: 2 }),
        make('c-position', { position: 'kneeling' }),
        make('d-sides', { isOneSided: true }),
        make('e-kit', { kit: ['band'] }),
        make('f-alike'),
      ]),
    ).toEqual(['f-alike', 'd-sides', 'c-position', 'b-easier', 'e-kit', 'a-hold'].map((id) => `pattern ${id}`));
  });
  test('adds differences up: two small ones outweigh a larger', () => {
    expect(pushes([make('a', { isOneSided: true, position: 'kneeling' }), make('b', { kit: ['band'] })])).toEqual([
      'pattern a',
      'pattern b',
    ]);
    expect(pushes([make('a', { isOneSided: true, kit: ['band'] }), make('b', { isHold: true })])).toEqual([
      'pattern b',
      'pattern a',
    ]);
    expect(pushes([make('a', { effortClass: 1 }), make('b', { position: 'kneeling', effortClass: 2 })])).toEqual([
      'pattern b',
      'pattern a',
    ]);
  });
  test('asks for no kit that the written one does without, while something else is near; a wall or step counts as none', () => {
    const near = [
      make('a', { kit: ['cable machine'], effortClass: 2 }),
      make('b', { position: 'kneeling', effortClass: 2 }),
    ];
    expect(pushes(near)).toEqual(['pattern b', 'pattern a']);
    expect(pushes([make('a', { kit: ['wall'] }), make('b', { isOneSided: true })])).toEqual(['pattern a', 'pattern b']);
  });
  test('among equals goes by id, is never harder, and the area comes after the pattern', () => {
    expect(pushes([make('b'), make('a'), make('c', { effortClass: 4 }), make('d', { pattern: 'press' })])).toEqual([
      'pattern a',
      'pattern b',
      'area d',
    ]);
  });
  test('on a ladder is the next step, the easier one of two as near; then whatever else is near', () => {
    const steps = ['far', 'near', 'written', 'other', 'farther'];
    const others = ['far', 'near', 'other', 'farther'].map((id) => make(id, { position: 'supine' }));
    expect(pushes([...others, make('alike')], steps)).toEqual([
      'ladder near',
      'ladder other',
      'ladder far',
      'ladder farther',
      'pattern alike',
    ]);
  });
  test('is something calm where nothing else is left', () => {
    expect(order([])).toEqual(['calm seated-march', 'calm calm-breathing']);
    const library = buildLibrary([written, make('seated-march', { pattern: 'locomotion', effortClass: 1 })]);
    const person = { levels: { push: 1 as const }, spares: [], swaps: [] };
    expect(fitMovement(written, person, library)).toMatchObject({ how: 'calm', reason: 'level 1 of 5 in push' });
    expect(() => fitMovement(written, person, buildLibrary([written]))).toThrow(RangeError);
  });
});
