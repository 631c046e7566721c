import type { MovementLibrary } from '../../movement/library.ts';
import { PATTERNS } from '../../movement/movement.ts';
import type { NewPerson } from './read-people.ts';
import type { PEOPLE_COLUMNS } from './column-names.ts';

/** A row of a roster: a text for each of its columns. */
export type RosterLine = Readonly<Record<(typeof PEOPLE_COLUMNS)[number], string>>;

/**
 * People as the rows of a roster, in the columns that `readPeople` takes: read again, they are the same people. A kit of nothing is
 * `none`; an empty one says that they find whatever is asked for. Swaps go by the names that `library` has.
 */
export const writePeople = (people: readonly NewPerson[], library: MovementLibrary): RosterLine[] =>
  people.map((p) => ({
    name: p.name,
    group: p.detail,
    'time zone': p.timeZone,
    joined: p.joinedOn,
    address: p.address,
    kit: p.kit === undefined ? '' : p.kit.length === 0 ? 'none' : p.kit.join('; '),
    avoid: p.spares.join('; '),
    level: PATTERNS.flatMap((pattern) => (p.levels[pattern] ? [`${pattern}=${p.levels[pattern]}`] : [])).join('; '),
    swaps: p.swaps
      .map(({ from, to }) => `${library.find(from)?.name ?? from} -> ${library.find(to)?.name ?? to}`)
      .join('; '),
  }));
