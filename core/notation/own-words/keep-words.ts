import type { WorkItem } from '../../document/document.ts';
import { countLetters } from '../../letters.ts';
import { FILLERS } from './phrases/name-phrases.ts';
import { mayBeWork } from './phrases/open-words.ts';
import { inParts } from './phrases/word-parts.ts';
import type { Strip } from './phrases/strip.ts';
import type { Target, State } from './reading-state.ts';
import { current, blockTarget, takeAll, setTitle, isSaid } from './reading-state.ts';

/** Keeps words of a strip where they stand: on the item before them, or above the session. */
export function note(state: State, strip: Strip, from: number, to: number): void {
  const words = strip
    .original(from, to)
    .replace(/["“”„]/g, '’')
    .replace(/\s+/g, ' ')
    .trim();
  if (FILLERS.test(words)) {
    strip.takeRange(from, to, strip.taken[0]?.as ?? 'note');
    return;
  }
  const isNumber = mayBeWork(words);
  strip.takeRange(from, to, isNumber ? 'unread' : 'note');
  if (isNumber) state.doubts.push({ start: strip.start + from, end: strip.start + to, facts: { code: 'unread' } });
  keep(state, words);
}

const withWords = (item: WorkItem, words: string): WorkItem => ({
  ...item,
  words: [...(item.words ?? []), ...inParts(words)],
});

export function keep(state: State, words: string): Target {
  const block = current(state);
  const at = block ? block.items.findLastIndex((i) => i.kind === 'work') : -1;
  const item = block?.items[at];
  if (block && item?.kind !== 'work' && isSaid(block.facts)) {
    block.words.push(...inParts(words));
    return { kind: 'block', block: state.blocks.length - 1 };
  }
  if (!block || item?.kind !== 'work') {
    state.notes.push(words.replace(/#/g, ' '));
    return { kind: 'field', field: 'Note' };
  }
  block.items[at] = withWords(item, words);
  return { kind: 'item', block: state.blocks.length - 1, item: at };
}

/** A line that is no part of the work: the title where it comes first, else words that are kept where they stand. */
export function keepAsNote(state: State, strip: Strip): void {
  const words = strip.original(0, strip.text.length).trim();
  if (FILLERS.test(words)) {
    strip.takeRange(0, strip.text.length, 'note');
    takeAll(state, strip, blockTarget(state));
    return;
  }
  const isTitle =
    state.isHead &&
    state.title === undefined &&
    state.notes.length === 0 &&
    countLetters(words) <= 60 &&
    !(mayBeWork(words) && /,/.test(words)) &&
    !/[!?]|\.\s|^(?:hi|hey|hello|dear|morning|good (?:morning|day|evening)|ok|okay|right)\b/i.test(words) &&
    /\p{L}/u.test(words);
  if (isTitle) {
    strip.takeRange(0, strip.text.length, 'title');
    setTitle(state, words);
    takeAll(state, strip, { kind: 'field', field: 'Title' });
    return;
  }
  const isNumber = mayBeWork(words);
  strip.takeRange(0, strip.text.length, isNumber ? 'unread' : 'note');
  for (const t of strip.taken)
    if (isNumber) state.doubts.push({ start: t.start, end: t.end, facts: { code: 'unread' } });
  const target = words === '' ? null : keep(state, words.replace(/["“”„]/g, '’').replace(/\s+/g, ' '));
  takeAll(state, strip, target);
}

/** Keeps words on the last movement before a block; above the session where there is none. */
export function keepBehind(state: State, before: number, words: string): Target {
  for (let b = before - 1; b >= 0; b--) {
    const block = state.blocks[b]!;
    const at = block.items.findLastIndex((i) => i.kind === 'work');
    const item = block.items[at];
    if (item?.kind !== 'work') continue;
    block.items[at] = withWords(item, words);
    return { kind: 'item', block: b, item: at };
  }
  state.notes.push(words.replace(/#/g, ' '));
  return { kind: 'field', field: 'Note' };
}
