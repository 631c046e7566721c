import type { Stage } from './stage.ts';

/** Whose turn it is among partners, and what of the list is theirs. */
export interface PartnerTurn {
  /** From 1. */
  readonly partner: number;
  /** The line that they do, where partners swap at every item; null where each does the whole list. */
  readonly line: number | null;
}

/** Lines in which something is done. */
const workLines = ({ lines }: Pick<Stage, 'lines'>): number[] =>
  lines.flatMap((line, at) => (line.movement === '' ? [] : [at]));

/** Whose turn it is after so many swaps; undefined where nobody takes turns. One does an item, then each other the same; then the next. */
export function turnAt(stage: Stage, swaps: number): PartnerTurn | undefined {
  if (stage.taps !== 'swap') return undefined;
  const lines = workLines(stage);
  return {
    partner: (swaps % stage.partners) + 1,
    line: stage.swapsByItem && lines.length > 0 ? lines[Math.floor(swaps / stage.partners) % lines.length]! : null,
  };
}

/** Whole rounds of the list that one partner, from 1, has done after so many swaps: they begin in their order. */
export function partnerRounds(stage: Stage, swaps: number, partner: number): number {
  const turns = Math.max(0, Math.ceil((swaps - (partner - 1)) / stage.partners));
  return stage.swapsByItem ? Math.floor(turns / Math.max(1, workLines(stage).length)) : turns;
}

/** `Partner 2: 10 squat`: whose turn begins, and with what. */
export function turnWords({ partner, line }: PartnerTurn, { lines }: Pick<Stage, 'lines'>): string {
  const own = line === null ? undefined : lines[line];
  return [`Partner ${partner}`, own && `${own.figure} ${own.name}`.trim()].filter(Boolean).join(': ');
}
