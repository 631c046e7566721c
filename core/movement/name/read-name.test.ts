import { describe, expect, test } from 'vitest';
import type { Area } from '../movement.ts';
import { areaOf } from '../movement.ts';
import { baseLibrary } from '../library.ts';
import { FURTHER_NAMES } from './further-names-fixture.ts';
import { TRADE_NAMES } from './trade-names-fixture.ts';

const AREA_OF: Record<string, Area> = {
  L: 'legs',
  H: 'hips and back',
  P: 'push',
  U: 'pull',
  T: 'trunk',
  C: 'heart and lungs',
  M: 'mobility',
};
const rows = TRADE_NAMES.trim()
  .split('\n')
  .map((line) => line.split('|').map((c) => c.trim()) as [string, string, string, string, string]);

/** What a name is taken for: its movement, or the heads that its reading is made of. */
function headsOf(name: string): string[] {
  const movement = baseLibrary.findByName(name);
  const reading = baseLibrary.read(name);
  if (!movement) return [];
  const { lexicon } = baseLibrary.book;
  if (!reading) return [movement.name, lexicon.shapeOf(movement).head.name];
  return [
    reading.from.map((m) => m.name).join(' + '),
    reading.shapes.map((s) => s.head.name).join(' + '),
    movement.name,
  ];
}

describe('names of the trade', () => {
  test('are at least 400, each once', () => {
    expect(rows.length).toBeGreaterThanOrEqual(400);
    expect(new Set(rows.map(([name]) => name)).size).toBe(rows.length);
  });
  test.each(rows)('%s', (name, head, kit, flags, area) => {
    const movement = baseLibrary.findByName(name);
    expect(headsOf(name)).toContain(head);
    expect({
      kit: movement!.kit.join(', '),
      isOneSided: movement!.isOneSided,
      isHold: movement!.isHold,
      area: areaOf(movement!),
    }).toEqual({ kit, isOneSided: flags.includes('1'), isHold: flags.includes('h'), area: AREA_OF[area] });
  });
});

describe('further names of the trade', () => {
  const names = FURTHER_NAMES.trim()
    .split('\n')
    .map((line) => line.split(' |').map((cell) => cell.trim()));
  const share = (part: number, all: number) => (100 * part) / all;
  const read = names.flatMap(([name, one]) => {
    const movement = baseLibrary.findByName(name!);
    return movement ? [{ name, isRight: movement.isOneSided === (one === '1') }] : [];
  });

  test('are read, at least 98 of 100', () => expect(share(read.length, names.length)).toBeGreaterThanOrEqual(98));

  test('say how sides are counted, at least 95 of 100', () =>
    expect(share(read.filter((r) => r.isRight).length, read.length)).toBeGreaterThanOrEqual(95));
});
