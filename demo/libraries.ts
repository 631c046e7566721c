import type { Temper } from './orchestra.ts';
import { pick, seededRandom } from './random.ts';

/** "Stairs and Stories, 28 days": readers of a town's library branches, twelve minutes a day. */
export const LIBRARY_ROUTINES = [
  { name: 'Between the shelves', text: 'Warm-up: 2 rounds\n10 march\n6 shoulder roll\n6/side leg swing\n' },
  { name: 'Last page', text: 'Cool-down: flow\n0:20/side calf stretch\n0:20/side side stretch\n1:00 calm breathing\n' },
] as const;

const BRANCHES = ['Harbour', 'Old Mill', 'Station', 'Hillside', 'Market', 'Orchard', 'Lighthouse'] as const;
const GIVEN = [
  'Ada',
  'Bruno',
  'Clio',
  'Denis',
  'Edda',
  'Fabian',
  'Greta',
  'Hugo',
  'Ilse',
  'Jamal',
  'Katya',
  'Leif',
  'Mina',
  'Noor',
  'Otis',
  'Petra',
  'Ravi',
  'Selma',
  'Tariq',
  'Una',
] as const;
const FAMILY = [
  'Arden',
  'Bellweather',
  'Corvane',
  'Dunmarsh',
  'Elderby',
  'Fennick',
  'Garrowhill',
  'Hatherly',
  'Inchmere',
  'Jessop',
  'Kilvane',
  'Lorimer',
  'Marchbank',
  'Netherby',
] as const;
const TEMPERS: readonly Temper[] = [
  'steady',
  'steady',
  'usual',
  'usual',
  'usual',
  'weekend',
  'fader',
  'late',
  'late',
  'late',
];

/** Readers in seven branch teams; of up to 280 each has a name of their own, later ones get a number to it. */
/** Some whose stories the demo is to show, among all the others. */
const TOLD: Readonly<Record<number, Temper>> = {
  20: 'too-hard',
  21: 'too-easy',
  22: 'leaver',
  23: 'paused',
  24: 'comeback',
};
const told = (i: number, usual: Temper): Temper => TOLD[i] ?? usual;

export function libraryPeople(count = 140): (readonly [name: string, branch: string, zone: string, temper: Temper])[] {
  const random = seededRandom(28);
  return Array.from(
    { length: count },
    (_, i) =>
      [
        `${GIVEN[i % GIVEN.length]} ${FAMILY[(i + Math.floor(i / GIVEN.length) * 3) % FAMILY.length]}${i < 280 ? '' : ` ${Math.floor(i / 280) + 1}`}`,
        BRANCHES[i % BRANCHES.length]!,
        'Europe/Dublin',
        told(i, pick(random, TEMPERS)),
      ] as const,
  );
}
