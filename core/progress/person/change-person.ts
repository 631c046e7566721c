import type { SessionDocument } from '../../document/document.ts';
import type { FitPerson, Level } from '../../movement/fit-movement.ts';
import { easePerson } from '../../movement/fit-movement.ts';
import type { Spare } from '../../movement/spare.ts';
import type { MovementNames } from '../../notation/read-item.ts';
import type { OwnDose } from '../../movement/own-dose.ts';
import { MAX_OWN_DOSES } from '../../movement/own-dose.ts';
import { printHeader, printItem } from '../../notation/print.ts';
import type { PersonChange } from './propose.ts';

const [EASIEST, HARDEST] = [1, 5];
/** A class below what nobody has limited. */
const FIRST_BELOW = 3;

/** Levels with that of a pattern a class easier or harder; who had none in it had no limit. */
export function changedLevels(
  levels: FitPerson['levels'],
  { pattern, by }: Pick<Extract<PersonChange, { kind: 'level' }>, 'pattern' | 'by'>,
): FitPerson['levels'] {
  const now = levels[pattern] ?? (by < 0 ? FIRST_BELOW + 1 : HARDEST);
  return { ...levels, [pattern]: Math.min(HARDEST, Math.max(EASIEST, now + by)) as Level };
}

/** Counts and weights with what was agreed last; the oldest go where there are too many. */
export const changedDoses = (
  doses: readonly OwnDose[],
  change: Extract<PersonChange, { kind: 'dose' | 'lever' }>,
  said: Pick<OwnDose, 'since' | 'words'>,
): readonly OwnDose[] => {
  const { kind: _kind, ...own } =
    change.kind === 'dose' ? change : { kind: change.kind, movement: null, lever: change.lever, leverBy: change.by };
  return [...doses, { ...own, ...said }].slice(-MAX_OWN_DOSES);
};

/** What is to be spared, with one thing more. */
export const withSpare = (spares: readonly Spare[], spare: Spare): readonly Spare[] =>
  spares.includes(spare) ? spares : [...spares, spare];

/** Standing swaps with one more; what stood for the same movement goes. */
export const withSwap = (
  swaps: FitPerson['swaps'],
  { from, to }: Pick<Extract<PersonChange, { kind: 'swap' }>, 'from' | 'to'>,
): FitPerson['swaps'] => [...swaps.filter((s) => s.from !== from), { from, to }];

/** Someone as sessions are fitted to them once a proposal is taken. */
export function personAfter(
  person: FitPerson,
  change: PersonChange,
  said: Pick<OwnDose, 'since' | 'words'>,
): FitPerson {
  switch (change.kind) {
    case 'eased':
      return easePerson(person);
    case 'spare':
      return { ...person, spares: withSpare(person.spares, change.spare) };
    case 'swap':
      return { ...person, swaps: withSwap(person.swaps, change) };
    case 'level':
      return { ...person, levels: changedLevels(person.levels, change) };
    case 'dose':
    case 'lever':
      return { ...person, doses: changedDoses(person.doses ?? [], change, said) };
    case 'hold':
    case 'let-go':
      // What they keep is of their place in the run, not of their fit.
      return person;
  }
}

/** A line of a session as it stands, and as it would. */
export interface ChangedLine {
  readonly was: string;
  readonly is: string;
}

/** The lines that two fits of one session have otherwise, as they are written. Both have the same lines in the same places. */
export const changedLines = (before: SessionDocument, after: SessionDocument, names: MovementNames): ChangedLine[] =>
  before.blocks.flatMap((block, b) => {
    const other = after.blocks[b]!;
    const lines = [
      [printHeader(block), printHeader(other)],
      ...block.items.map((item, i) => [printItem(item, names), printItem(other.items[i]!, names)]),
    ] as const;
    return lines.flatMap(([was, is]) => (was === is ? [] : [{ was: was, is: is }]));
  });
