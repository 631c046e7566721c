import type { PersonLine } from './person-row.tsx';

const KEYS = [
  'id',
  'name',
  'detail',
  'timeZone',
  'address',
  'fit',
  'isWaiting',
  'joined',
  'isLate',
  'hasLink',
] as const satisfies readonly (keyof PersonLine)[];

/** A list of people as one text: the values of each, without the names of the fields over and over. */
export const packPeople = (people: readonly PersonLine[]): string =>
  JSON.stringify(people.map((person) => KEYS.map((key) => person[key])));

/** The list again. */
export const unpackPeople = (packed: string): PersonLine[] =>
  (JSON.parse(packed) as unknown[][]).map(
    (values) => Object.fromEntries(KEYS.map((key, i) => [key, values[i]])) as unknown as PersonLine,
  );
