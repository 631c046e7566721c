import type { CountRule } from '../document/document.ts';

/** What a rule of counting answers; one that leaves an answer out doesn't compile. */
interface CountForm<R extends CountRule> {
  /** The clause as it is printed. */
  print(rule: R): string;
  /** The rule in words, for participants: `9, 7, 5 of each`. */
  words(rule: R): string;
  /** Rounds that the rule decides; undefined where it decides none. */
  rounds(rule: R): number | undefined;
  /** The number of each item on a turn, counted from 0; undefined where it owes none. */
  at(rule: R, turn: number): number | undefined;
}

const COUNT_FORMS: { readonly [K in CountRule['kind']]: CountForm<Extract<CountRule, { kind: K }>> } = {
  list: {
    print: ({ values, cycling }) => `reps ${values.join('-')}${cycling ? ' cycling' : ''}`,
    words: ({ values, cycling }) =>
      cycling ? `${values.join(', ')} of each, then from ${values[0]} again` : `${values.join(', ')} of each`,
    rounds: ({ values, cycling }) => (cycling ? undefined : values.length),
    at: ({ values, cycling }, turn) =>
      cycling ? values[turn % values.length] : values[Math.min(turn, values.length - 1)],
  },
  'by-feel': {
    print: () => 'by feel',
    words: () => 'by feel: no number is owed',
    rounds: () => undefined,
    at: () => undefined,
  },
};

const formOf = (count: CountRule) => COUNT_FORMS[count.kind] as CountForm<CountRule>;

export const printCount = (count: CountRule): string => formOf(count).print(count);
export const countWords = (count: CountRule | undefined): string => (count ? formOf(count).words(count) : '');
/** How many rounds the count decides; undefined where it decides none. */
export const countedRounds = (count: CountRule | undefined): number | undefined => count && formOf(count).rounds(count);
/** The number of each item without a dose of its own on this turn. */
export const countAt = (count: CountRule | undefined, turn: number): number | undefined =>
  count && formOf(count).at(count, turn);
/** The numbers that a list names; empty where there is no list. */
export const listedNumbers = (count: CountRule | undefined): readonly number[] =>
  count?.kind === 'list' ? count.values : [];
