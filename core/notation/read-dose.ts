import type { Dose } from '../document/document.ts';
import { parseStrictly } from './parse.ts';

export type DoseReading =
  | { readonly status: 'success'; readonly dose: Dose | undefined }
  | { readonly status: 'error'; readonly message: string };

const NO_NAMES = { has: () => false };

/** Reads a dose by itself as it stands before a movement: `10/side`, `0:30`, `3 to 5`; empty is no dose. */
export function readDoseText(text: string): DoseReading {
  if (text.trim() === '') return { status: 'success', dose: undefined };
  if (text.length > 200 || /["#\n\r]/.test(text))
    return { status: 'error', message: 'Write a dose like 10, 8/side, 0:30 or max.' };
  const { document, issues } = parseStrictly(`Main: 3 rounds\n${text} "it"`, NO_NAMES);
  if (issues[0]) return { status: 'error', message: issues[0].message };
  const item = document.blocks[0]?.items[0];
  const isWhole = item?.kind === 'work' && item.choices.length === 1 && item.choices[0]!.name === 'it' && !item.side;
  return isWhole && item.dose
    ? { status: 'success', dose: item.dose }
    : { status: 'error', message: 'Write a dose like 10, 8/side, 0:30 or max.' };
}
