import type { MovementNames } from '../notation/read-item.ts';
import { parseSession } from '../notation/read-session.ts';
import { countSteps, MAX_ROUTINE_STEPS } from '../forms/count-steps.ts';
import type { Block } from '../document/document.ts';
import type { Routines } from './resolve.ts';

/** Stored routines by their name in lower case. One whose text is no longer one readable block is left out. */
export function readRoutines(
  stored: readonly { readonly name: string; readonly text: string }[],
  names: MovementNames,
): Routines {
  return new Map(
    stored.flatMap(({ name, text }) => {
      const block = readRoutine(text, names);
      return block ? [[name.toLowerCase(), block] as const] : [];
    }),
  );
}

/** The one block of a routine's text; undefined where it isn't exactly one that can be read, or refers elsewhere. */
export function readRoutine(text: string, names: MovementNames): Block | undefined {
  const { document, issues } = parseSession(text, names);
  const [block, ...others] = document.blocks;
  const isOne = issues.length === 0 && others.length === 0 && block !== undefined && !block.source;
  return isOne && countSteps(block) <= MAX_ROUTINE_STEPS ? block : undefined;
}
