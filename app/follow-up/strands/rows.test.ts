import { expect, test } from 'vitest';
import { packLines, unpackLines } from '../../parts/packed-lines.ts';
import type { NeedItem, Row } from './rows.ts';
import { packItems, packRows, unpackItems, unpackRows } from './rows.ts';

const row = (own: Partial<Row>): Row => ({
  id: 7,
  name: 'Ada Arden',
  team: 'Harbour',
  zone: 'Europe/Oslo',
  level: 0,
  strand: 'ddp50mua',
  attendance: { done: 3, due: 4, ratio: 0.75 },
  inARow: 0,
  need: 70,
  isHere: true,
  ...own,
});

test('people come out as they went in, whatever they are called', () => {
  const zones = ['America/Bogota', 'Europe/Oslo'];
  const rows = [
    row({}),
    row({ id: 8, name: 'A|B', team: '', attendance: { done: 0, due: 0, ratio: undefined }, isHere: false, level: 2 }),
    row({ id: 9, name: '50 % 25%', team: '%7C|%\n', zone: 'America/Bogota' }),
    row({ id: 10, name: 'Zoë 🦩', team: '“‘|’”', strand: '' }),
  ];
  expect(unpackRows(packRows(rows, zones), zones)).toEqual(rows);
  expect(unpackRows(packRows([row({ zone: 'Mars/Base' })], zones), zones)[0]!.zone).toBe('');
  expect(unpackRows(packRows([], zones), zones)).toEqual([]);
});

test('what asks for a word comes with all that it rests on', () => {
  const items: NeedItem[] = [
    {
      id: 7,
      code: 'missed-in-a-row',
      why: 'missed 3 of 4 | in a row',
      toThem: 'you missed 3 of 4',
      evidence: [
        ['w3d1', 'missed'],
        ['w3d3', ''],
      ],
      occasion: '2026-05-18',
    },
    { id: 8, code: 'never-started', why: 'none of 6', toThem: 'none of 6', evidence: [], occasion: '' },
  ];
  expect(unpackItems(packItems(items))).toEqual(items);
  expect(unpackItems(packItems([]))).toEqual([]);
});

test('lines of cells stay lines of cells', () => {
  const lines = [['a', '', '|'], ['\n'], ['%', '%25', '%0A', '7C']];
  expect(unpackLines(packLines(lines))).toEqual(lines);
});
