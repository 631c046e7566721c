import { expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { baseLibrary } from '../../movement/library.ts';
import Papa from 'papaparse';
import { readPeople } from './read-people.ts';
import { writePeople } from './write-people.ts';

const read = (text: string, existing: string[] = []) =>
  readPeople(text, { timeZone: 'Europe/Vienna', joinedOn: '2026-05-11' as DayDate }, existing);

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
      address: '',
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
      [2, ['time zone', 'joined', 'avoid', 'level']],
      [3, []],
      [4, ['name']],
    ].map(([l, e]) => (l === 3 ? [3, []] : [l, e])),
  );
  expect(rows[0]!.person).toBeUndefined();
  expect(read('name\nClio', ['clio']).rows[0]!.errors[0]!.message).toContain('there already');
});

test.each([
  ['', 'nobody in it'],
  [' \n\n', 'nobody in it'],
  ['zone,kit\nUTC,chair', 'name'],
  ['name,name\na,b', 'twice'],
  [`name\n${'x\n'.repeat(401)}`, '400'],
])('a file that can’t be read as a whole: %j', (text, words) => {
  const { rows, error } = read(text);
  expect(rows).toEqual([]);
  expect(error).toContain(words);
});

test.each([
  ['Ada Fennick', { name: 'Ada Fennick', address: '', detail: '', timeZone: 'Europe/Vienna' }],
  ['Ada Fennick, ada@example.org', { name: 'Ada Fennick', address: 'ada@example.org' }],
  ['Ada Fennick <ada@example.org>', { name: 'Ada Fennick', address: 'ada@example.org' }],
  ['ada@example.org; Ada Fennick', { name: 'Ada Fennick', address: 'ada@example.org' }],
  ['Ada Fennick ada@example.org', { name: 'Ada Fennick', address: 'ada@example.org' }],
  ['ada.fennick@example.org', { name: 'Ada Fennick', address: 'ada.fennick@example.org' }],
  ['Ada Fennick\t+43 1 5550100', { name: 'Ada Fennick', address: '+43 1 5550100' }],
  ['  - Ada Fennick, violins', { name: 'Ada Fennick', detail: 'violins' }],
  [
    '12. Ada Fennick, Europe/Lisbon, violins, desk 3',
    { name: 'Ada Fennick', timeZone: 'Europe/Lisbon', detail: 'violins, desk 3' },
  ],
  ['Ada-Maria O’Fennick', { name: 'Ada-Maria O’Fennick' }],
  ['שרה לוי', { name: 'שרה לוי' }],
])('a line “%s”', (line, person) => {
  const { rows, error } = read(`\n${line}\r\nBruno`);
  expect(error).toBeUndefined();
  expect(rows.map((r) => r.line)).toEqual([2, 3]);
  expect(rows[0]!.person).toMatchObject(person);
});

test('lines name what is wrong with them, and the same name twice is one of them', () => {
  const { rows } = read(`Ada\nada\n${'x'.repeat(81)}\nClio`, ['clio']);
  expect(rows.map((r) => r.errors.map((e) => e.message))).toEqual([
    [],
    ['“ada” is there already.'],
    ['A name has at most 80 letters.'],
    ['“Clio” is there already.'],
  ]);
  expect(read('Ada\n'.repeat(401)).error).toContain('400');
  expect(read('+43 1 5550100').rows[0]!.errors[0]!.message).toContain('missing');
});

test('swaps are of the shelf or read from names; what names none is told', () => {
  const withLibrary = (text: string) =>
    readPeople(text, { timeZone: 'Europe/Vienna', joinedOn: '2026-05-11' as DayDate }, [], baseLibrary).rows[0]!;
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

test('a roster that is written and read again is the same people', () => {
  const people = [
    {
      name: 'Fennick, Ada',
      detail: 'violins; second desk',
      timeZone: 'Europe/Lisbon',
      joinedOn: '2026-05-04' as DayDate,
      address: '+351 910 000 111',
      kit: ['chair', 'band'],
      spares: ['knees', 'quiet'] as const,
      levels: { push: 2, squat: 3 } as const,
      swaps: [{ from: 'push-up', to: 'wall-push-up' }],
    },
    {
      name: '=Bruno',
      detail: '',
      timeZone: 'Asia/Tokyo',
      joinedOn: '2026-05-11' as DayDate,
      address: '',
      kit: [],
      spares: [],
      levels: {},
      swaps: [],
    },
    {
      name: 'Cleo',
      detail: '',
      timeZone: 'UTC',
      joinedOn: '2026-05-11' as DayDate,
      address: 'cleo@example.org',
      spares: [],
      levels: {},
      swaps: [],
    },
  ];
  const text = Papa.unparse(writePeople(people, baseLibrary), { escapeFormulae: true, newline: '\r\n' });
  const { rows, unknownColumns } = readPeople(
    text,
    { timeZone: 'Europe/Vienna', joinedOn: '2026-06-01' as DayDate },
    [],
    baseLibrary,
  );
  expect(unknownColumns).toEqual([]);
  expect(rows.map((r) => r.person)).toEqual(people);
});
