import { sameData } from '../../same-data.ts';
import type { NewRounds } from '../../forms/form.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { Block, SessionDocument } from '../../document/document.ts';
import { formOf } from '../../forms/forms.ts';
import { blockName } from '../../session/explain/explain.ts';
import { load, shape, tempo } from './items.ts';
import type { LeverAction } from './lever-action.ts';
import { clamp } from '../../forms/change.ts';
import { reps } from './reps.ts';
import { clock, rest, rounds, sets, step, windows, work } from './form-levers.ts';
import type { Lever, LeverKind } from './lever.ts';
import { isSameLever, LEVER_WORDS } from './lever.ts';
import type { Pull } from '../track/schedule.ts';

const ACTIONS: Record<Exclude<LeverKind, 'effort'>, LeverAction> = {
  rounds,
  reps,
  work,
  rest,
  load,
  shape,
  tempo,
  windows,
  clock,
  sets,
  step,
};

/** Blocks that a lever means: those of that label or role, else all of the work. What is taken from elsewhere follows its source. */
function meansBlock(lever: Lever, block: Block): boolean {
  if (block.source) return false;
  if (lever.in === undefined) return block.role !== 'Warm-up' && block.role !== 'Cool-down';
  const wanted = lever.in.toLowerCase();
  return blockName(block).toLowerCase() === wanted || block.role.toLowerCase() === wanted;
}

/** What a lever stands at in a session, in words (`8/10/12`, `0:45`); undefined where the session has nothing that it could pull. */
export function readLever(document: SessionDocument, lever: Lever, library: MovementLibrary): string | undefined {
  if (lever.kind === 'effort') return document.effort === undefined ? undefined : String(document.effort);
  const action = ACTIONS[lever.kind];
  const found = document.blocks.flatMap((block) =>
    meansBlock(lever, block) ? (action.read(block, lever, library) ?? []) : [],
  );
  return found.length === 0 ? undefined : found.join(', ');
}

/**
 * The session with a lever pulled by `by` (whole numbers; kg may be quarters). Values stop at their limits: never fewer
 * than one, no stretch under 5 s, no shape beyond the ends of its ladder. Growing and shrinking rounds keep their steps.
 * Where nothing fits the lever, or `by` is 0, the same document comes back.
 */
export function applyLever(
  document: SessionDocument,
  { lever, by, inProportion }: Pull,
  library: MovementLibrary,
): SessionDocument {
  if (by === 0) return document;
  if (lever.kind === 'effort')
    return document.effort === undefined ? document : { ...document, effort: clamp(document.effort + by, 0, 10) };
  const action = ACTIONS[lever.kind];
  const blocks = document.blocks.map((block) =>
    meansBlock(lever, block) ? action.pull(block, by, lever, library, inProportion) : block,
  );
  return blocks.every((b, i) => b === document.blocks[i]) ? document : { ...document, blocks };
}

const NEW_ROUNDS = ['go-on', 'as-last', 'from-first'] as const;

/**
 * What rounds that are added have, as it stands: said by the coach, or what comes of saying nothing. Undefined where it makes no
 * difference, since no list by round grows with them.
 */
export function newRoundsOf(document: SessionDocument, lever: Lever, library: MovementLibrary): NewRounds | undefined {
  if (lever.kind !== 'rounds') return undefined;
  const { newRounds: _said, ...bare } = lever;
  const withOneMore = (own: Lever) => applyLever(document, { lever: own, by: 1 }, library);
  const each = NEW_ROUNDS.map((newRounds) => withOneMore({ ...bare, newRounds }));
  if (each.every((other) => sameData(other, each[0]))) return undefined;
  const unsaid = withOneMore(bare);
  // A list of which nothing is said holds its last number, which is the same work as with that number written again.
  return lever.newRounds ?? NEW_ROUNDS[each.findIndex((other) => sameData(other, unsaid))] ?? 'as-last';
}

/** Pulls at the same lever added up, in order of first appearance; those that come to nothing left out. */
export function sumPulls(pulls: readonly Pull[]): Pull[] {
  const sums: { -readonly [K in keyof Pull]: Pull[K] }[] = [];
  for (const pull of pulls) {
    const same = sums.find((s) => isSameLever(s.lever, pull.lever) && s.inProportion === pull.inProportion);
    if (same) same.by += pull.by;
    else sums.push({ ...pull });
  }
  return sums.filter((s) => s.by !== 0);
}

export const applyPulls = (
  document: SessionDocument,
  pulls: readonly Pull[],
  library: MovementLibrary,
): SessionDocument => sumPulls(pulls).reduce((doc, pull) => applyLever(doc, pull, library), document);

/** Every lever that a session has something for, with what it stands at. */
export function leversOf(
  document: SessionDocument,
  kinds: readonly LeverKind[],
  library: MovementLibrary,
): { readonly kind: LeverKind; readonly now: string }[] {
  return kinds.flatMap((kind) => {
    const now = readLever(document, { kind }, library);
    return now === undefined ? [] : [{ kind, now }];
  });
}

/** What a step of a lever usually is in this session: as its forms say, first of all; else as the lever is. */
export function usualBy(kind: LeverKind, document: SessionDocument): number {
  for (const block of document.blocks) {
    if (!meansBlock({ kind }, block)) continue;
    const own = formOf(block.time).levers.growsBy.find((g) => g.lever === kind);
    if (own) return own.by;
  }
  return LEVER_WORDS[kind].usualBy;
}
