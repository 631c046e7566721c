import { withOption } from '../document/option.ts';
import type { FitChange } from './fit-change.ts';
import { blockChanges } from './block-changes.ts';
import { libraryFor } from './paced-library.ts';
import { withOwnDoses } from './own-doses.ts';
import { fitSlots, withCount } from '../forms/slot-fit.ts';
import { printDose } from '../notation/print.ts';
import type { Block, Choice, Item, SessionDocument, WorkItem } from '../document/document.ts';
import { scoreKind } from '../forms/forms.ts';
import { convertDose, countsSides } from '../movement/convert-dose.ts';
import type { FitPerson } from '../movement/fit-movement.ts';
import { findObstacle, fitMovement } from '../movement/fit-movement.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { hasWeights } from '../movement/kit.ts';
import { takenOption } from '../movement/taken-option.ts';
import type { Movement } from '../movement/movement.ts';

export interface FittedSession {
  /** The session that this person does: the same blocks, clocks and order. */
  readonly document: SessionDocument;
  readonly changes: readonly FitChange[];
  /** Movements that the library doesn't know: left as written, for the person or coach to judge. */
  readonly unjudged: readonly string[];
}

/**
 * Turns a session into the one that a person does. `blocks` are resolved (a version's, with routines written out).
 * Nothing is dropped: every item keeps its place, its slot and its sides; a dose becomes smaller where its slot would
 * overflow, at their own pace. A person without anything to consider gets the session as it is.
 */
export function fitSession(
  document: SessionDocument,
  blocks: readonly Block[],
  person: FitPerson,
  common: MovementLibrary,
): FittedSession {
  const library = libraryFor(person, common);
  const changes: FitChange[] = [];
  const unjudged = new Set<string>();
  const fitted = blocks.map((block, b): Block => {
    const isScored = scoreKind(block) !== 'none';
    const items = block.items.map((item, i): Item => {
      if (item.kind === 'rest') return item;
      const { next, made } = fitItem(item, person, library, unjudged);
      for (const change of made) changes.push({ ...change, block: b, item: i, isScored });
      return made.length > 0 ? next : item;
    });
    const shaped = items.every((item, i) => item === block.items[i])
      ? block
      : scaleToSlots({ ...block, items }, block, b, changes, library);
    if (!person.doses || person.doses.length === 0) return shaped;
    const own = withOwnDoses(shaped, person.doses, library);
    if (own !== shaped)
      changes.push(...blockChanges(shaped, own, { block: b, how: 'own', reason: 'agreed with your coach', isScored }));
    return own;
  });
  return {
    document: changes.length > 0 ? { ...document, blocks: fitted } : { ...document, blocks: [...blocks] },
    changes,
    unjudged: [...unjudged],
  };
}

type ItemChange = Omit<FitChange, 'block' | 'item' | 'isScored'>;

function fitItem(
  item: WorkItem,
  person: FitPerson,
  library: MovementLibrary,
  unjudged: Set<string>,
): { next: WorkItem; made: ItemChange[] } {
  const made: ItemChange[] = [];
  /** The coach's own easier version, where it is for this person. */
  const easier = library.findByName(item.easier ?? '');
  const isEasierFor = easier !== undefined && findObstacle(easier, person) === undefined;
  const fitChoice = (choice: Choice): { choice: Choice; from?: Movement; to?: Movement; change?: ItemChange } => {
    const movement = library.findByName(choice.name);
    if (!movement) {
      unjudged.add(choice.name);
      return { choice };
    }
    const fit = fitMovement(movement, person, library);
    if (!fit) return { choice };
    const [to, how] =
      isEasierFor && fit.how !== 'agreed' ? ([easier, 'choice'] as const) : ([fit.movement, fit.how] as const);
    return {
      choice: { name: to.name },
      from: movement,
      to,
      change: { from: movement.name, to: to.name, how, reason: fit.reason },
    };
  };
  const results = item.choices.map(fitChoice);
  if (item.inTurn) {
    for (const r of results) if (r.change) made.push(r.change);
    return { next: { ...item, choices: results.map((r) => r.choice) }, made };
  }
  const open = item.choices.filter((_, i) => !results[i]!.change);
  if (open.length === item.choices.length) return { next: item, made };
  if (open.length > 0) {
    const { change } = results[0]!;
    const [first, ...others] = open;
    if (!change)
      return {
        next: open.length === 1 ? withOption(item, 0) : { ...item, choices: open },
        made: [{ ...results.find((r) => r.change)!.change!, to: first!.name, how: 'choice' }],
      };
    const own = takenOption(item, item.choices.indexOf(first!), library);
    return {
      next: { ...own, choices: [...own.choices, ...others] },
      made: [{ ...change, to: first!.name, how: 'choice' }],
    };
  }
  const { choice, from, to, change } = results[0]!;
  const counted = withOption(item, 0);
  const dose = convertDose(counted, from!, to!);
  const { dose: before, halfEachSide, side, ...rest } = counted;
  const keepsSide = to!.isOneSided && !countsSides(dose);
  const { easier: offered, load, ...bare } = rest;
  // A weight goes with what is done with one: nobody is told kilograms of a band.
  const keepsLoad = load !== undefined && (load.kind !== 'weight' || hasWeights(to));
  const next: WorkItem = {
    ...bare,
    // Whoever does the easier version is offered it no more.
    ...(offered !== undefined && to!.id !== easier?.id && { easier: offered }),
    ...(dose && { dose }),
    ...(keepsLoad && { load }),
    ...(keepsSide && side && { side }),
    ...(keepsSide && halfEachSide && { halfEachSide }),
    choices: [choice],
  };
  const words = [before ? printDose(before) : '', dose ? printDose(dose) : ''];
  made.push({
    ...change!,
    ...(words[0] !== words[1] && { dose: { from: words[0] || 'as said', to: words[1] || 'as said' } }),
  });
  return { next, made };
}

/** Where a new movement takes longer than its slot holds, fewer of it (docs/formulas.md 1: about two off, common practice). */
function scaleToSlots(block: Block, written: Block, b: number, changes: FitChange[], library: MovementLibrary): Block {
  const items = [...block.items];
  for (const fit of fitSlots(block, library)) {
    if (fit.status === 'fits' || fit.largestCount === undefined || block.items[fit.item] === written.items[fit.item])
      continue;
    const item = items[fit.item] as WorkItem;
    const smaller = withCount(item, fit.largestCount);
    items[fit.item] = smaller;
    const at = changes.findIndex((c) => c.block === b && c.item === fit.item);
    const before = (written.items[fit.item] as WorkItem).dose;
    if (at >= 0)
      changes[at] = {
        ...changes[at]!,
        dose: { from: before ? printDose(before) : 'as said', to: printDose(smaller.dose!) },
      };
  }
  return { ...block, items };
}
