import { expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { columnOf, HEADINGS, PEOPLE_COLUMNS } from './column-names.ts';
import { readPeople } from './read-people.ts';

const DEFAULTS = { timeZone: 'Europe/Vienna', joinedOn: '2026-06-01' as DayDate };

test('each heading names one column, and is found as it stands', () => {
  const columns = new Map<string, string>();
  for (const [column, headings] of Object.entries(HEADINGS))
    for (const heading of headings.split(', ')) {
      expect([heading, columns.get(heading) ?? column]).toEqual([heading, column]);
      columns.set(heading, column);
      expect([heading, columnOf(heading)]).toEqual([heading, column]);
    }
  for (const column of PEOPLE_COLUMNS) expect(columnOf(column)).toBe(column);
});

test.each([
  ['Prénom', 'name'],
  ['  E-MAIL : ', 'address'],
  ['Zeitzone', 'time zone'],
  ['Straße', undefined],
  ['Ausrüstung', 'kit'],
  ['Équipe', 'group'],
  ['time_zone', 'time zone'],
  ['Imię i  nazwisko', 'name'],
  ['Fødselsdag', undefined],
  ['constructor', undefined],
  ['', undefined],
])('“%s” is %s', (heading, column) => {
  expect(columnOf(heading)).toBe(column);
});

test('a table of an address book in another language is read; what isn’t known of it is named', () => {
  const { rows, unknownColumns, error } = readPeople(
    'Vorname;Nachname;E-Mail;Mannschaft;Geburtstag\nAda;Fennick;ada@example.org;Hörner;1.2.1990\nBo;;bo@example.org;;',
    DEFAULTS,
    [],
  );
  expect(error).toBeUndefined();
  expect(unknownColumns).toEqual(['Geburtstag']);
  expect(rows.map((r) => [r.person?.name, r.person?.address, r.person?.detail])).toEqual([
    ['Ada Fennick', 'ada@example.org', 'Hörner'],
    ['Bo', 'bo@example.org', ''],
  ]);
});

test('two columns that say the same are told, in whatever language', () => {
  expect(readPeople('Name,Nom\nAda,Bo', DEFAULTS, []).error).toMatch(/“name” stands there twice/);
});
