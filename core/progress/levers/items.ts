import { convertDose, countsSides } from '../../movement/convert-dose.ts';
import { stepOn } from '../../movement/ladders-with.ts';
import { findStep } from '../../movement/scale.ts';
import { hasWeights } from '../../movement/kit.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { Tempo, WorkItem } from '../../document/document.ts';
import { asCounted } from '../../document/option.ts';
import type { LeverAction } from './lever-action.ts';
import { clamp } from '../../forms/change.ts';
import { heavierSteps, pullLoad } from '../../forms/pull-item.ts';
import { mapItems, readItems } from './lever-action.ts';

const MAX_DOWN_SEC = 20;

/** The weight that is written; where a share of one's best is written, its per cent. */
export const load: LeverAction = {
  read: (block, lever, library) =>
    readItems(block, lever, library, (item) => {
      const own = asCounted(item).load;
      if (own?.kind === 'weight')
        return `${own.pieces === 1 ? '' : `${own.pieces}x`}${[own.kg, ...(own.laterKg ?? [])].join('/')} kg`;
      if (own?.kind === 'share') return `${own.pct}%`;
      if (own?.kind === 'step') return findStep(library.scales, own.step) && own.step;
      return isWeighted(item, library) ? stepsWords(stepsOf(item)) || 'as at hand' : undefined;
    }),
  pull: (block, by, lever, library) =>
    mapItems(
      block,
      lever,
      library,
      (item): WorkItem =>
        pullLoad(item, by, library.scales) ??
        (isWeighted(item, library) ? withSteps(item, stepsOf(item) + heavierSteps(by)) : item),
    ),
};

const STEPS = /^(\d+) steps? (heavier|lighter) than at first$/;

const isWeighted = (item: WorkItem, library: MovementLibrary): boolean =>
  asCounted(item).load === undefined && hasWeights(library.findByName(item.choices[0]!.name));

const stepsWords = (steps: number): string =>
  steps === 0
    ? ''
    : `${Math.abs(steps)} step${Math.abs(steps) === 1 ? '' : 's'} ${steps > 0 ? 'heavier' : 'lighter'} than at first`;

function stepsOf(item: WorkItem): number {
  const said = item.words?.map((w) => STEPS.exec(w)).find((m) => m !== null);
  return said ? Number(said[1]) * (said[2] === 'heavier' ? 1 : -1) : 0;
}

function withSteps(item: WorkItem, steps: number): WorkItem {
  const { words = [], ...rest } = item;
  const own = words.filter((w) => !STEPS.test(w));
  const next = steps === 0 ? own : [...own, stepsWords(steps)];
  return next.length === 0 ? rest : { ...rest, words: next };
}

/** The name so many steps on along the first ladder that the movement is on; undefined where it is on none or at the end. */
function stepName(name: string, by: number, library: MovementLibrary): string | undefined {
  const movement = library.findByName(name);
  return movement && stepOn(movement, by, library)?.name;
}

/** The next shape of the movement's ladder; the dose keeps its number, and its sides follow the new shape. */
export const shape: LeverAction = {
  read: (block, lever, library) =>
    readItems(block, lever, library, (item) => {
      const names = item.choices.map((c) => c.name);
      return names.some((n) => stepName(n, 1, library) ?? stepName(n, -1, library)) ? names.join(' or ') : undefined;
    }),
  pull: (block, by, lever, library) =>
    mapItems(block, lever, library, (item): WorkItem => {
      const stepped = item.choices.map((c) => stepName(c.name, by, library));
      if (stepped.every((n) => n === undefined)) return item;
      const choices = item.choices.map((c, i) => (stepped[i] === undefined ? c : { ...c, name: stepped[i] }));
      const from = library.findByName(item.choices[0]!.name);
      const to = library.findByName(choices[0]!.name);
      if (!from || !to || item.inTurn || (from.isOneSided === to.isOneSided && from.isHold === to.isHold))
        return { ...item, choices };
      const dose = convertDose(item, from, to);
      const { dose: _dose, halfEachSide, side, ...bare } = item;
      const keepsSide = to.isOneSided && !countsSides(dose);
      return {
        ...bare,
        ...(dose && { dose }),
        ...(keepsSide && side && { side }),
        ...(keepsSide && halfEachSide && { halfEachSide }),
        choices,
      };
    }),
};

/** Slower on the way down. */
export const tempo: LeverAction = {
  read: (block, lever, library) =>
    readItems(block, lever, library, (item) => {
      const own = asCounted(item).tempo;
      return own ? `${own.downSec}-${own.pauseSec}-${own.upSec}` : undefined;
    }),
  pull: (block, by, lever, library) =>
    mapItems(block, lever, library, (item): WorkItem => {
      const slower = (own: Tempo): Tempo => ({
        ...own,
        downSec: clamp(own.downSec + by, Math.min(1, own.downSec), MAX_DOWN_SEC),
      });
      if (!item.tempo && !item.choices.some((c) => c.tempo)) return item;
      return {
        ...item,
        ...(item.tempo && { tempo: slower(item.tempo) }),
        choices: item.choices.map((c) => (c.tempo ? { ...c, tempo: slower(c.tempo) } : c)),
      };
    }),
};
