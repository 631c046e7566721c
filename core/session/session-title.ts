import type { Block, SessionDocument } from '../document/document.ts';
import { cutLetters } from '../letters.ts';
import { isWork, itemName } from '../words/describe-item.ts';
import { capitalized, listWords } from '../words/words.ts';

/** For a text of which nothing can be read yet. */
export const UNREAD_TITLE = 'nothing readable yet';

/** Movements that a title names; more of them are counted. */
const MOST_NAMED = 3;
const MOST_LETTERS = 60;

/**
 * What a session is called: the title that was written, else what its main work says (the block's own name, or its movements);
 * `Squat, push-up and plank`, `Squat, push-up and 3 more`. Empty only where there is no block yet.
 */
export function sessionTitle({ title, blocks }: Pick<SessionDocument, 'title' | 'blocks'>): string {
  if (title !== undefined) return title;
  const main =
    blocks.find((b) => b.role === 'Main') ??
    blocks.find((b) => b.role !== 'Warm-up' && b.role !== 'Cool-down') ??
    blocks[0];
  return main === undefined ? '' : shorten(capitalized(blockTitle(main)));
}

function blockTitle({ role, label, source, items }: Block): string {
  if (label !== undefined) return label;
  if (source) return source.kind === 'routine' ? source.name : source.label;
  const names = [...new Set(items.filter(isWork).map(itemName))];
  if (names.length === 0) return role;
  return names.length <= MOST_NAMED
    ? listWords(names)
    : `${names.slice(0, MOST_NAMED - 1).join(', ')} and ${names.length - MOST_NAMED + 1} more`;
}

const shorten = (words: string): string => {
  const cut = cutLetters(words, MOST_LETTERS);
  return cut === words ? words : `${cut.trimEnd()}…`;
};
