import { describe, expect, test } from 'vitest';
import { readScaleForm } from './movement-form.ts';
import { EMPTY_LAYER, layerLibrary } from '../../core/movement/layer.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { suggestMovement, toQuick } from '../../core/movement/quick-movement.ts';
import { MOST_KNOWN_AT_ONCE, readKnownForm } from './known-form.ts';

const form = (movements: unknown): FormData => {
  const data = new FormData();
  data.set('movements', typeof movements === 'string' ? movements : JSON.stringify(movements));
  return data;
};
const row = (written: string, more = {}) => ({ ...toQuick(suggestMovement(written, baseLibrary)), written, ...more });
const read = (movements: unknown) => readKnownForm(form(movements), baseLibrary, EMPTY_LAYER);
const errorAt = (movements: unknown, at: number) => {
  const result = read(movements);
  return result.status === 'error' ? result.errors[at] : undefined;
};

describe('movements made known', () => {
  test('several in one pass, each under the name that stands in the session', () => {
    const result = read([
      row('crane dance', { kit: ['chair'], asks: ['knees'] }),
      row('heron walk', { name: 'heron step' }),
    ]);
    if (result.status !== 'success') throw new Error(JSON.stringify(result));
    const { library, passedBy } = layerLibrary(baseLibrary, { overrides: result.overrides, ladders: [], scales: [] });
    expect(passedBy).toEqual([]);
    expect(library.findByName('Crane dance')).toMatchObject({ kit: ['chair'], demand: { knee: 2 } });
    expect(library.findByName('heron walk')?.name).toBe('heron step');
  });
  test('what was read wrongly becomes the workspace’s own, under the same id', () => {
    const name = 'DB reverse lunge + curl';
    const before = baseLibrary.findByName(name)!;
    const result = read([row(name, { effortClass: 2 })]);
    if (result.status !== 'success') throw new Error(JSON.stringify(result));
    const { library } = layerLibrary(baseLibrary, { overrides: result.overrides, ladders: [], scales: [] });
    expect(library.findByName(name)).toMatchObject({ id: before.id, effortClass: 2 });
    expect(library.read(name)).toBeUndefined();
    expect(library.findByName('reverse lunge to curl with dumbbells')?.id).toBe(before.id);
  });
  test.each([
    ['not a list', 'nonsense', -1, /load it again/],
    ['a NUL in a name', [row('crane dance', { name: 'a\0b' })], -1, /load it again/],
    ['none', [], -1, /Between one/],
    [
      'too many',
      Array.from({ length: MOST_KNOWN_AT_ONCE + 1 }, (_, i) => row(`crane dance ${'x'.repeat(i + 1)}`)),
      -1,
      /Between one/,
    ],
    ['no name', [row('crane dance', { name: '' })], 0, /needs a name/],
    ['a name of 81 letters', [row('crane dance', { name: 'x'.repeat(81) })], 0, /80 letters/],
    ['a name that is taken', [row('crane dance', { name: 'squat' })], 0, /already/],
    ['the same twice', [row('crane dance'), row('crane dance')], 1, /already/],
    ['no seconds', [row('crane dance', { likelySec: null })], 0, /seconds/],
    ['seconds of 0', [row('crane dance', { likelySec: 0 })], 0, /more than 0/],
    ['seconds of 601', [row('crane dance', { likelySec: 601 })], 0, /at most 600/],
    ['a pattern that is none', [row('crane dance', { pattern: 'flying' })], 0, /./],
    ['21 pieces of kit', [row('crane dance', { kit: Array(21).fill('chair') })], 0, /20 pieces/],
    ['nothing at all', [null], 0, /./],
    ['half of one', ['x'], 0, /./],
    ['a list', [[]], 0, /./],
    ['one with a prototype', '[{"__proto__":{"written":"x"},"name":"constructor"}]', 0, /./],
  ])('refused: %s', (_what, movements, at, message) => {
    expect(errorAt(movements, at)).toMatch(message);
  });
  test('one that is refused holds the others back, so that nothing is kept by halves', () => {
    expect(read([row('crane dance'), row('heron walk', { name: '' })])).toMatchObject({
      status: 'error',
      errors: { 1: expect.any(String) as string },
    });
  });
});

test('a scale is read a step a line; its own id is kept, a name that is there already isn’t taken', () => {
  const scaleForm = (fields: Record<string, string>) => {
    const data = new FormData();
    for (const [name, value] of Object.entries(fields)) data.append(name, value);
    return readScaleForm(data, baseLibrary, []);
  };
  expect(scaleForm({ name: 'Our bands', steps: ' Green  band\n\nblue band ' })).toEqual({
    status: 'success',
    scale: { id: 'our-bands', name: 'Our bands', steps: ['green band', 'blue band'] },
  });
  expect(scaleForm({ id: 'bands', name: 'Our bands', steps: 'thin band\nthick band' })).toMatchObject({
    scale: { id: 'bands' },
  });
  expect(scaleForm({ name: 'Bands', steps: 'thin band\nthick band' })).toMatchObject({ status: 'error' });
  expect(scaleForm({ id: 'gone', name: 'X', steps: 'a\nb' })).toMatchObject({ error: expect.stringContaining('gone') });
  expect(scaleForm({ name: 'X', steps: 'a' })).toMatchObject({ error: expect.stringContaining('two steps') });
});
