import type { MovementLibrary } from '../../movement/library.ts';
import { fitSlots } from '../../forms/slot-fit.ts';
import { formOf } from '../../forms/forms.ts';
import type { Block, SessionDocument } from '../../document/document.ts';
import { blockName } from '../../session/explain/explain.ts';
import { applyLever, readLever } from './apply-lever.ts';
import type { Lever } from './lever.ts';
import { formatBy, leverName } from './lever.ts';

/** A step that suits a session's forms, as it can be taken at once. */
export interface LeverOffer {
  readonly lever: Lever;
  readonly by: number;
  /** `+1 round a week` */
  readonly words: string;
  /** What goes wrong, and when, if it is taken every week; empty where nothing does. */
  readonly warning: string;
}

/** What a session could grow by, first what its forms grow by first; each with what would go wrong over so many weeks. */
export function leverOffers(document: SessionDocument, weeks: number, library: MovementLibrary): LeverOffer[] {
  const wished = new Map<Lever['kind'], number>();
  for (const block of document.blocks) {
    if (block.source || block.role === 'Warm-up' || block.role === 'Cool-down') continue;
    for (const { lever, by } of formOf(block.time).levers.growsBy) if (!wished.has(lever)) wished.set(lever, by);
  }
  return [...wished].flatMap(([kind, by]): LeverOffer[] => {
    const lever: Lever = { kind };
    if (readLever(document, lever, library) === undefined) return [];
    return [
      {
        lever,
        by,
        words: `${leverName(lever)} ${formatBy(kind, by)} a week`,
        warning: warnOf((week) => applyLever(document, { lever, by: by * (week - 1) }, library), weeks, library),
      },
    ];
  });
}

/**
 * The first week in which a session as it grows no longer holds: a slot is overfull, or a rest has come down to the least there is.
 * `at` is the session of a week, from 1. Empty where it holds to the end, or didn't hold as it was written.
 */
export function warnOf(at: (week: number) => SessionDocument, weeks: number, library: MovementLibrary): string {
  const before = troubles(at(1), library);
  for (let week = 2; week <= weeks; week++) {
    const fresh = troubles(at(week), library).find((t) => !before.includes(t));
    if (fresh) return `from week ${week} on, ${fresh}`;
  }
  return '';
}

/** What doesn't hold in a session. */
function troubles(document: SessionDocument, library: MovementLibrary): string[] {
  return document.blocks.flatMap((block): string[] => [
    ...(fitSlots(block, library).some((f) => f.status === 'overfull')
      ? [`a turn of ${blockName(block)} doesn’t hold its work`]
      : []),
    ...(isRestGone(block) ? [`the rest in ${blockName(block)} is 5 s or less`] : []),
  ]);
}

const LEAST_REST_SEC = 5;
const isRestGone = (block: Block): boolean => {
  const pulse = formOf(block.time).rule.pulse(block.time);
  return (
    (pulse?.restSec.some((sec) => sec <= LEAST_REST_SEC) ?? false) ||
    (block.between !== undefined && block.between.lowSec <= LEAST_REST_SEC)
  );
};
