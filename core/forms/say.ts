import type { Block } from '../document/document.ts';
import { formatClock } from '../words/format-clock.ts';
import { isWork, itemName } from '../words/describe-item.ts';
import type { WorkItem } from '../document/document.ts';
import { listWords } from '../words/words.ts';
import { begunField, downField } from './down-field.ts';
import type { LeverAnswer, MaxAdvice, ScoreForm, ScoreKind, ScoreLabel, Shape, RoundPart } from './form.ts';

/** Words that several forms say. */

export const times = (values: readonly number[]): string => values.map((sec) => formatClock(sec)).join(', ');

/** `push-up and squat`: the work of a block as one reads it, at most three by name. */
export function workNames(block: Block): string {
  const names = [...new Set(block.items.filter(isWork).map(itemName))];
  return names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : listWords(names);
}

const lastWork = (block: Block): string | undefined => {
  const last = block.items.findLast(isWork);
  return last && itemName(last);
};

/** What is counted of an item: kcal and metres as their machines show them, seconds of a hold, else repetitions. */
const countUnit = (item: WorkItem): string =>
  item.dose?.kind === 'energy' ? 'kcal' : item.dose?.kind === 'distance' ? 'metres' : 'reps';

const field = (part: string, label: string, hint = '', write: ScoreLabel['write'] = 'whole'): ScoreLabel => ({
  part,
  label,
  hint,
  write,
});

const form = (kind: Exclude<ScoreKind, 'none'>, fields: readonly ScoreLabel[], persons = 1): ScoreForm => ({
  kind,
  fields,
  persons,
});

/** A single movement, as many as one can: it is counted itself, its rounds would say nothing. */
export function isOnlyMax(block: Block): boolean {
  const works = block.items.filter(isWork);
  return works.length === 1 && works[0]!.dose?.kind === 'max';
}

/** Whole rounds of the list, and the repetitions of the round that wasn't finished; one movement is counted alone. */
export function roundsScore(block: Block, persons = 1): ScoreForm {
  const works = block.items.filter(isWork);
  if (isOnlyMax(block))
    return form('reps', [field('reps', `${countUnit(works[0]!)} of ${itemName(works[0]!)}`)], persons);
  return form(
    'rounds+reps',
    [
      field(
        'rounds',
        works.length === 1 ? `whole rounds of ${itemName(works[0]!)}` : 'whole rounds',
        works.length === 1 ? '' : `once through ${workNames(block)}`,
      ),
      field('reps', 'and reps of the next round', 'as far as you got, counted from the top'),
    ],
    persons,
  );
}

export const timeScore = (block: Block, capSec?: number): ScoreForm =>
  form('time', [
    field('time', `time for ${workNames(block)}`, 'from the start to the last rep, like 3:04', 'clock'),
    ...(capSec ? [field('reps', `or reps by the cap of ${formatClock(capSec)}`, 'where the time was up first')] : []),
  ]);

/** The lines of a round with the repetitions up to the end of each; undefined where a round has no fixed number of every line. */
export function partsOfRound({ items, count }: Pick<Block, 'items' | 'count'>): RoundPart[] | undefined {
  if (count !== undefined) return undefined;
  let reps = 0;
  const parts: RoundPart[] = [];
  for (const item of items) {
    if (!isWork(item)) continue;
    const { dose } = item;
    if (dose?.kind !== 'reps' || dose.amount.kind !== 'fixed' || item.inTurn || item.choices.length > 1)
      return undefined;
    reps += dose.amount.value * (dose.sides === 'each' || dose.sides === 'pairs' ? 2 : 1);
    parts.push({ words: `${dose.amount.value} ${itemName(item)}`, reps });
  }
  return parts.length === 0 ? undefined : parts;
}

/** As many as one can in each window: what is done behind the fixed numbers, or all where there are none. */
export function windowScore(block: Block, windows: number): ScoreForm {
  const works = block.items.filter(isWork);
  const last = lastWork(block) ?? '';
  const lead = works.slice(0, -1).filter((w) => w.dose?.kind !== 'max');
  const isLastOpen = works.at(-1)?.dose?.kind === 'max' || works.at(-1)?.dose === undefined;
  return form(
    'reps-per-window',
    Array.from({ length: windows }, (_, i) => {
      const turn = works.at(-1);
      const name = turn?.inTurn ? turn.choices[i % turn.choices.length]!.name : last;
      const without =
        isLastOpen && lead.length > 0 ? `without the ${listWords(lead.map((w) => doseAndName(w, i)))}` : '';
      return field(String(i), isLastOpen ? `${name} in window ${i + 1}` : `reps in window ${i + 1}`, without);
    }),
  );
}

/** `12 goblet squat`; of movements that take turns, this turn's. */
function doseAndName(item: WorkItem, turn: number): string {
  const count = item.dose?.kind === 'reps' && item.dose.amount.kind === 'fixed' ? `${item.dose.amount.value} ` : '';
  return `${count}${item.inTurn ? item.choices[turn % item.choices.length]!.name : itemName(item)}`;
}

/** The sets of each pair of movements that were finished: on the way up, and coming down again. */
export function topSetScore(block: Block): ScoreForm {
  const works = block.items.filter(isWork);
  const pairs: string[] = [];
  for (let i = 0; i < works.length; i += 2) pairs.push(listWords(works.slice(i, i + 2).map(itemName)));
  return form(
    'top-set',
    pairs.flatMap((pair, i) => [
      field(String(i), `top set of ${pair}`, 'the last set that you finished on the way up; a half counts', 'half'),
      field(begunField(i), `and reps of the next`, 'of the set that you stopped in, where it wasn’t whole'),
      field(downField(i), `and sets coming down`, `of ${pair}, from the set you stopped in`, 'half'),
    ]),
  );
}

export const wholeSlotsScore = (block: Block, slotSec: number): ScoreForm =>
  form('whole-slots', [
    field(
      'slots',
      `last whole ${slotSec === 60 ? 'minute' : 'turn'} of ${workNames(block)}`,
      'the last one that held all its reps',
    ),
  ]);

/** All that was counted, together: for a block that isn't scored by itself. */
export const repsScore = (block: Block): ScoreForm =>
  form('reps', [field('reps', `reps of ${workNames(block)}`, 'all of them together')]);

/** What is said of the first `max` of a block; null where there is none. */
export function adviseMax(block: Block, why: MaxAdvice['why']): MaxAdvice | null {
  const item = block.items.findIndex((i) => isWork(i) && i.dose?.kind === 'max');
  return item < 0 ? null : { item, why, putLast: false };
}

/** `max` anywhere is a number to write down; nothing else is scored. */
export function maxScore(block: Block, persons = 1): ScoreForm | null {
  const max = block.items.filter(isWork).filter((w) => w.dose?.kind === 'max');
  return max.length === 0
    ? null
    : form(
        'reps',
        [
          field(
            'reps',
            `${countUnit(max[0]!)} of ${listWords(max.map(itemName))}`,
            max.length > 1 ? 'all together' : '',
          ),
        ],
        persons,
      );
}

export const joinWords = (...parts: readonly (string | undefined)[]): string => parts.filter(Boolean).join(', ');

/** A shape without a picture of its own rules is a mistake of ours, so all are made here. */
export const shape = (
  id: string,
  name: string,
  means: string,
  picture: Shape['picture'],
  make: Shape['make'],
): Shape => ({
  id,
  name,
  means,
  picture,
  make,
});

/** No lever of the clock's: for forms that nothing rules. */
export const NO_LEVERS = {
  rounds: null,
  work: null,
  rest: null,
  windows: null,
  step: null,
  clock: null,
} as const satisfies Record<string, LeverAnswer | null>;
