import { addItem, applyBelow, isRestAlone, readRest } from './apply-lines.ts';
import { keepAsNote } from './keep-words.ts';
import { takeHeader } from './phrases/header-phrases.ts';
import type { ItemFacts } from './phrases/item-phrases.ts';
import { takeItem } from './phrases/item-phrases.ts';
import { FILLERS } from './phrases/name-phrases.ts';
import { Strip } from './phrases/strip.ts';
import type { State } from './reading-state.ts';
import { blockTarget, current, isSaid, take } from './reading-state.ts';

const SEPARATOR =
  /(?:^|\s+)\d{1,2}\)\s+(?=\S)|\s*[,;]\s+(?:and |then )*|\s+\+\s+|\s+&\s+|\.\s+(?=\S)|\s+(?:supersetted|superset|super-set|paired|s\/s|ss)(?:ted)?(?:\s+(?:with|by))?\s+|\s+into\s+(?=\d)|\s+(?:and then|then|and|plus)\s+(?=(?:an?|\d+|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty)\b)/g;

/** Items, or small words, from one place to another. */
export const isFew = (state: State, start: number, end: number): boolean =>
  partsOf(state, start, end).every(
    (p) =>
      isRestAlone(new Strip(state.source, p.start, p.end)) ||
      isItem(state, p.start, p.end, true) ||
      FILLERS.test(state.source.slice(p.start, p.end).trim()),
  );

/** Letters that a header doesn't take, but for small words. */
export const lettersBeside = (head: Strip): number =>
  head
    .left()
    .filter(({ text }) => !FILLERS.test(text))
    .reduce((sum, { text }) => sum + text.replace(/[^\p{L}\p{N}]/gu, '').length, 0);

/** A sentence that says more than a movement and how much of it. */
export function isProse(item: ItemFacts, text: string): boolean {
  const count = (text: string): number => text.match(/\p{L}+/gu)?.length ?? 0;
  const name = count(item.item.choices[0]!.name);
  const beside = (item.item.words ?? []).reduce((sum, w) => sum + count(w), 0);
  // A movement before a comma is named for its own sake, whatever is said of it.
  if (item.isKnown) return beside > (item.hasNumber ? 16 : item.isFirst ? 8 : 3);
  // Of a new name, words beside it that nothing sets apart make a sentence.
  const isSentence = beside > 0 && !/[,;(:]/.test(text);
  return item.hasNumber ? isSentence || name > 5 || beside > 10 : name > 3 || beside > 0;
}

export const isItem = ({ source, library }: State, start: number, end: number, mayBeBare = false): boolean => {
  const item = takeItem(new Strip(source, start, end), library);
  return item !== undefined && (item.isKnown ? item.hasNumber || mayBeBare || !item.hasWords : false);
};

/** A list in a line, part by part; a part in brackets isn't taken apart. */
export function partsOf({ source }: State, start: number, end: number): { start: number; end: number }[] {
  const text = new Strip(source, start, end).text;
  const parts: { start: number; end: number }[] = [];
  let at = 0;
  // "squats / lunges / plank": three and more names without a number are a list.
  const slashed = text.split(/\s\/\s/);
  const isSlashed =
    slashed.length >= 3 && !/[,;]/.test(text) && (!/\d/.test(text) || slashed.every((part) => /^\W*\d/.test(part)));
  for (const { index, 0: mark } of text.matchAll(isSlashed ? /\s+\/\s+/g : SEPARATOR)) {
    const isOpen = (text.slice(0, index).match(/\(/g)?.length ?? 0) > (text.slice(0, index).match(/\)/g)?.length ?? 0);
    if (index === 0 && /\d\)/.test(mark)) {
      at = mark.length;
      continue;
    }
    if (isOpen || index === 0) continue;
    parts.push({ start: start + at, end: start + index });
    at = index + mark.length;
  }
  parts.push({ start: start + at, end });
  return parts.filter((p) => /[\p{L}\p{N}]/u.test(source.slice(p.start, p.end)));
}

export function readParts(state: State, start: number, stop: number): void {
  const end = takeTail(state, start, stop);
  const parts = partsOf(state, start, end);
  // "3 left, 3 right": what is no item by itself belongs to the one before it.
  const joined: { start: number; end: number }[] = [];
  for (const part of parts) {
    const last = joined.at(-1);
    const isSmall = FILLERS.test(state.source.slice(part.start, part.end).trim());
    if (last && !isSmall && !isRule(state, last.start, last.end) && !takesPart(state, part.start, part.end))
      last.end = part.end;
    else joined.push({ ...part });
  }
  const last = joined.findLastIndex(({ start, end }) => !FILLERS.test(state.source.slice(start, end).trim()));
  const tail = last > 0 ? namesAtEnd(state, joined[last]!) : undefined;
  if (tail) joined.splice(last, 1, ...tail);
  // In a list of names alone a new name is one too; beside numbers it is words.
  const block = current(state);
  const isJoined = joined.some((p, i) => i > 0 && /^[\s]*\+/.test(state.source.slice(joined[i - 1]!.end, p.start)));
  // "run + push-ups" under a clock of turns: both in each.
  if (isJoined && block?.facts.time?.kind === 'slots' && block.items.length === 0) {
    block.facts.holdsAll = true;
    block.facts.slotRounds ??= block.facts.time.slots;
  }
  const isBareList = joined.length === 1 || joined.every((p) => !/\d/.test(state.source.slice(p.start, p.end)));
  for (const part of joined) {
    const header = new Strip(state.source, part.start, part.end);
    const facts = takeHeader(header);
    if (header.lettersLeft === 0 && isSaid(facts)) {
      applyBelow(state, facts, header);
      continue;
    }
    if (readRest(state, new Strip(state.source, part.start, part.end))) continue;
    const strip = new Strip(state.source, part.start, part.end);
    const item = takeItem(strip, state.library);
    if (
      item &&
      (item.isKnown || item.hasNumber || isBareList) &&
      !(isProse(item, state.source.slice(part.start, part.end)) && joined.length > 1)
    )
      addItem(state, item, strip);
    else keepAsNote(state, new Strip(state.source, part.start, part.end));
  }
}

/** "…, lunges and planks": the last two of a list of names. */
function namesAtEnd(
  { source, library }: State,
  { start, end }: { start: number; end: number },
): { start: number; end: number }[] | undefined {
  const both = /^\s*([^\d,]+?)\s+and\s+([^\d,]+?)(?:,\s*(.*))?$/i.exec(source.slice(start, end));
  if (!both || (both[3] !== undefined && !FILLERS.test(both[3].trim()))) return undefined;
  if (!library.findByName(both[1]!) || !library.findByName(both[2]!)) return undefined;
  const first = start + both[0].indexOf(both[1]!);
  const second = start + both[0].indexOf(both[2]!, both[1]!.length);
  return [
    { start: first, end: first + both[1]!.length },
    { start: second, end: second + both[2]!.length },
  ];
}

/** `(5 rounds)` at the end of a list in a line belongs to its header. */
function takeTail(state: State, start: number, end: number): number {
  const strip = new Strip(state.source, start, end);
  const aside = /\s-\s+([^-()]+)$/.exec(strip.text);
  if (aside && FILLERS.test(aside[1]!.trim())) {
    const from = start + aside.index + aside[0].length - aside[1]!.length;
    take(state, from, from + aside[1]!.trimEnd().length, 'note', blockTarget(state));
    return start + aside.index;
  }
  const tail = /\(([^()]+)\)\W*$/.exec(strip.text);
  if (!tail || tail.index === 0) return end;
  const inside = new Strip(state.source, start + tail.index, end);
  const facts = takeHeader(inside);
  if (inside.lettersLeft > 0 || !isSaid(facts)) return end;
  applyBelow(state, facts, inside);
  return start + tail.index;
}

/** Whether all of a stretch says something of the list. */
export function isRule({ source }: State, start: number, end: number): boolean {
  const strip = new Strip(source, start, end);
  return isSaid(takeHeader(strip)) && strip.lettersLeft === 0;
}

function takesPart({ source, library }: State, start: number, end: number): boolean {
  const header = new Strip(source, start, end);
  const facts = takeHeader(header);
  if (header.lettersLeft === 0 && isSaid(facts)) return true;
  if (isRestAlone(new Strip(source, start, end))) return true;
  const item = takeItem(new Strip(source, start, end), library);
  return item !== undefined && (item.isKnown || item.hasNumber);
}
