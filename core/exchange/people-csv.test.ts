import { expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { baseLibrary } from '../movement/library.ts';
import { readPeopleCsv } from './people-csv.ts';

const read = (text: string, existing: string[] = []) =>
  readPeopleCsv(text, { timeZone: 'Europe/Vienna', joinedOn: '2026-05-11' as DayDate }, existing);

test('names, zones, kit, things to spare and levels', () => {
  const { rows, unknownColumns } = read(
    'Name,Time zone,Kit,Spare,Level,Shoe size\r\n"Fennick, Ada",Europe/Lisbon,chair; band,knees/quiet,push=2; squat=3,39\r\nBruno,,none,,4,\r\n',
  );
  expect(unknownColumns).toEqual(['Shoe size']);
  expect(rows[0]).toEqual({
    line: 2,
    name: 'Fennick, Ada',
    errors: [],
    person: {
      name: 'Fennick, Ada',
      detail: '',
      timeZone: 'Europe/Lisbon',
      joinedOn: '2026-05-11',
      channel: '',
      kit: ['chair', 'band'],
      spares: ['knees', 'quiet'],
      levels: { push: 2, squat: 3 },
      swaps: [],
    },
  });
  expect(rows[1]!.person).toMatchObject({ timeZone: 'Europe/Vienna', kit: [], levels: { push: 4, mobility: 4 } });
});

test('semicolons and tabs part columns too, and a byte-order mark is no part of a name', () => {
  expect(read('\ufeffname;zone\nAda;Asia/Tokyo').rows[0]!.person).toMatchObject({
    name: 'Ada',
    timeZone: 'Asia/Tokyo',
  });
  expect(read('name\tteam\nAda\tHarbour').rows[0]!.person).toMatchObject({ detail: 'Harbour' });
});

test('each wrong cell is named by line and column, and the good rows stay good', () => {
  const { rows } = read(
    'name,zone,since,spare,level\nAda,Mars/Base,2026-02-30,elbow grease,9\n,,,,\nBruno,,,,\nbruno,,,,',
    ['Clio'],
  );
  expect(rows.map((r) => [r.line, r.errors.map((e) => e.column)])).toEqual(
    [
      [2, ['time zone', 'since', 'spare', 'level']],
      [3, []],
      [4, ['name']],
    ].map(([l, e]) => (l === 3 ? [3, []] : [l, e])),
  );
  expect(rows[0]!.person).toBeUndefined();
  expect(read('name\nClio', ['clio']).rows[0]!.errors[0]!.message).toContain('there already');
});

test.each([
  ['', 'nothing in it'],
  ['zone\nUTC', 'name'],
  ['name,name\na,b', 'twice'],
  [`name\n${'x\n'.repeat(401)}`, '400'],
])('a file that can’t be read as a whole: %j', (text, words) => {
  const { rows, error } = read(text);
  expect(rows).toEqual([]);
  expect(error).toContain(words);
});

test('swaps are of the shelf or read from names; what names none is told', () => {
  const withLibrary = (text: string) =>
    readPeopleCsv(text, { timeZone: 'Europe/Vienna', joinedOn: '2026-05-11' as DayDate }, [], baseLibrary).rows[0]!;
  expect(
    withLibrary('name,swaps\nAda,push-up -> wall push-up; DB reverse lunge -> reverse lunge').person!.swaps,
  ).toEqual([
    { from: 'push-up', to: 'wall-push-up' },
    { from: 'dumbbell-step-back-lunge', to: 'step-back-lunge' },
  ]);
  const told = (cell: string) => withLibrary(`name,swaps\nAda,${cell}`).errors.map((e) => `${e.column}: ${e.message}`);
  expect(told('crane dance -> squat')).toEqual([
    expect.stringMatching(/^swaps: “crane dance -> squat” doesn’t name two/),
  ]);
  expect(told('squat -> air squats')).toEqual([expect.stringMatching(/for itself/)]);
  expect(told('squat -> lunge -> plank')).toEqual([expect.stringMatching(/two movements/)]);
  expect(told(Array(21).fill('squat -> lunge').join('; '))).toEqual(['swaps: At most 20 swaps.']);
  expect(read('name,swaps\nAda,anything').rows[0]!.person!.swaps).toEqual([]);
});
