import { openBlock } from './build-blocks.ts';
import type { HeaderFacts } from './phrases/header-phrases.ts';
import { takeHeader, takeRole } from './phrases/header-phrases.ts';
import type { ItemFacts } from './phrases/item-phrases.ts';
import { takeItem } from './phrases/item-phrases.ts';
import { FILLERS } from './phrases/name-phrases.ts';
import { takeClimbEnd } from './phrases/rarer-clocks.ts';
import { D, re, toSeconds } from './phrases/spoken-numbers.ts';
import { Strip } from './phrases/strip.ts';
import type { State } from './reading-state.ts';
import type { Target } from './reading-state.ts';
import { current, open, blockTarget, take, takeAll, isSaid } from './reading-state.ts';
import { applyHeader, nameBlock, roleAfter, applyBelow, addItem, readRest, isRestAlone } from './apply-lines.ts';
import { keepAsNote } from './keep-words.ts';

const HEAD_END = /:\s+(?=\S)|:\s*$|\b(?:of|through)\s*:?\s+(?=\S)/g;

const SEPARATOR =
  /\s*[,;]\s+(?:and |then )*|\s+\+\s+|\s+&\s+|\.\s+(?=\S)|\s+(?:supersetted|superset|super-set|paired|s\/s|ss)(?:ted)?(?:\s+(?:with|by))?\s+|\s+into\s+(?=\d)|\s+(?:and then|then|and|plus)\s+(?=(?:an?|\d+|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty)\b)/g;

/** A header, items, or a header with its items behind it. False where it is neither. */
export function readList(state: State, start: number, end: number): boolean {
  const { source, library } = state;
  const asHeader = new Strip(source, start, end);
  const facts = takeHeader(asHeader);
  if (asHeader.lettersLeft === 0 && (isSaid(facts) || facts.role || facts.isOnce)) {
    applyHeader(state, facts, asHeader);
    return true;
  }
  if (current(state)?.facts.time?.kind === 'climb' && asHeader.lettersLeft > 0) {
    const ending = new Strip(source, start, end);
    if (takeClimbEnd(ending) && ending.lettersLeft === 0) {
      takeAll(state, ending, blockTarget(state));
      return true;
    }
  }
  if (IS_PART.test(asHeader.source.slice(start, end)) && readBehindHead(state, start, end)) return true;
  if (readTurnAbout(state, facts, asHeader)) return true;
  if (readPartOf(state, start, end)) return true;
  const single = new Strip(source, start, end);
  const item = takeItem(single, library);
  const isWhole = item !== undefined && item.isKnown && item.hasNumber && !item.hasWords;
  const isByRound = item?.item.dose?.kind === 'reps' && item.item.dose.amount.kind === 'list';
  if (isHeading(state, source.slice(start, end))) return false;
  if (readTest(state, start, end)) return true;
  if (isWhole && isByRound && beginsBlock(state, item) && (item.item.load ?? item.item.tempo)) {
    openByRound(state, item, single);
    return true;
  }
  if (isWhole && !(isByRound && beginsBlock(state, item))) {
    addItem(state, item, single);
    return true;
  }
  if (readBehindRole(state, start, end)) return true;
  if (readBehindHead(state, start, end)) return true;
  const parts = partsOf(state, start, end);
  const said = parts.filter((p) => isItem(state, p.start, p.end)).length;
  if (parts.length > 1 && said >= Math.max(2, parts.length - 2) && !isSaid(facts)) {
    readParts(state, start, end);
    return true;
  }
  if (isSaid(facts) && readBeside(state, facts, asHeader, item)) return true;
  // A first line that begins with words no movement is called is what the session is called.
  const isTitle =
    state.isHead &&
    state.title === undefined &&
    item?.isKnown === false &&
    item.hasWords &&
    /^\W*\p{L}{2}/u.test(asHeader.source.slice(start, end));
  if (item && !isTitle && (item.isKnown || item.hasNumber) && !isProse(item, source.slice(start, end))) {
    addItem(state, item, single);
    return true;
  }
  return false;
}

/** Whether numbers by round begin a block of their own: not where the block above has as many rounds. */
function beginsBlock(state: State, item: ItemFacts): boolean {
  const block = current(state);
  const { dose } = item.item;
  const count = dose?.kind === 'reps' && dose.amount.kind === 'list' ? dose.amount.values.length : 0;
  return (
    count >= 3 &&
    (block === undefined || block.items.length > 0 || block.facts.time !== undefined || !block.facts.rounds) &&
    block?.facts.rounds?.high !== count
  );
}

/** "…, alternate between A and B": two movements that take turns. */
function readTurnAbout(state: State, facts: HeaderFacts, head: Strip): boolean {
  const about = /\balternat(?:e|ing)(?: between)?\s+([^\d\u0001]+?)\s+(?:and|with)\s+([^\d\u0001]+?)[\s.]*$/.exec(
    head.text,
  );
  if (!about || !isSaid(facts)) return false;
  const from = head.start + about.index + about[0].indexOf(about[1]!);
  const second = head.start + about.index + about[0].lastIndexOf(about[2]!);
  const parts = [
    { start: from, end: from + about[1]!.length },
    { start: second, end: second + about[2]!.length },
  ];
  if (!parts.every((p) => isItem(state, p.start, p.end, true))) return false;
  const alone = new Strip(state.source, head.start, head.start + about.index);
  applyHeader(state, takeHeader(alone), alone);
  for (const { start, end } of parts) readParts(state, start, end);
  return true;
}

/** "Ankle rehab, stage 3": a number behind such a word counts sessions, not repetitions. */
const isHeading = (state: State, line: string): boolean =>
  state.isHead &&
  state.title === undefined &&
  /\b(?:stage|phase|level|lesson|class|session|unit|workout|day|week|number|no\.?|part|term|block)\s*\d{1,3}\W*$/i.test(
    line,
  );

/** "5-4-3-2-1 back squats @ 80 kg": the numbers by round are the block's, what else is said is the movement's. */
function openByRound(state: State, item: ItemFacts, strip: Strip): void {
  const { dose, ...rest } = item.item;
  const list = dose?.kind === 'reps' && dose.amount.kind === 'list' ? [...dose.amount.values] : [];
  open(state, openBlock(roleAfter(current(state)), { list }));
  const sides = dose?.kind === 'reps' ? dose.sides : undefined;
  addItem(state, { ...item, item: { ...rest, ...(sides && { dose: { kind: 'given', sides } }) } }, strip);
}

/** "How many push-ups can you do in 2 minutes?", "max sit-ups in 2 minutes": as many as go in one interval. */
function readTest(state: State, start: number, end: number): boolean {
  const { text } = new Strip(state.source, start, end);
  const found =
    re`^[^\\d]{0,40}?\\bhow many\\s+([^\\d]+?)\\s+can you (?:do|get|manage|complete|make)(?: in)?(?: the)?\\s+(${D})\\W*$`.exec(
      text,
    ) ??
    re`^\\W*(?:then |and |do )*(?:max(?:imum)?(?: reps?)?(?: of)?|as many)\\s+([^\\d]+?)\\s+(?:as (?:you can|possible) )?in\\s+(${D})\\W*$`.exec(
      text,
    );
  const sec = found ? toSeconds(found[2]!) : 0;
  if (!found || sec < 10) return false;
  const from = start + found.index + found[0].indexOf(found[1]!, found[0].search(/how many|max|as many/));
  const strip = new Strip(state.source, from, from + found[1]!.length);
  const item = takeItem(strip, state.library);
  if (!item?.isKnown || item.hasWords || item.hasNumber) return false;
  const block = current(state);
  const target = block?.items.length === 0 && !isSaid(block.facts) ? block : open(state, openBlock(roleAfter(block)));
  target.facts.time = { kind: 'intervals', workSec: [sec], restSec: [], stations: false };
  target.facts.isMost = true;
  addItem(state, item, strip);
  const of: Target = { kind: 'item', block: state.blocks.length - 1, item: 0 };
  take(state, start, from, 'dose', of);
  take(state, from + found[1]!.length, end, 'clock', of);
  return true;
}

const IS_PART = /^\W*(?:part|block|set|section|round)\s+(?:[a-h]|\d)\s*:/i;

/** A movement that says itself which part it is: "2 min warm-up walk". */
function readPartOf(state: State, start: number, end: number): boolean {
  const strip = new Strip(state.source, start, end);
  const named = strip.take(/\b(?:warm|cool)[\s-]?(?:up|down)\b(?= \p{L}{3})/u, 'role');
  if (!named) return false;
  const item = takeItem(strip, state.library);
  if (!item?.isKnown || !item.hasNumber || item.hasWords) return false;
  open(state, openBlock(named[0].startsWith('warm') ? 'Warm-up' : 'Cool-down'));
  addItem(state, item, strip);
  return true;
}

/** A part of the session named at the beginning of a line, with its items behind it: `Cool down - 2 minutes walk`. */
function readBehindRole(state: State, start: number, end: number): boolean {
  const whole = new Strip(state.source, start, end);
  const role = takeRole(whole);
  const taken = whole.taken[0];
  if (!role || !taken || taken.start - start > MOST_LEAD) return false;
  const lead = whole.text.slice(0, taken.start - start);
  const isWith = /with$/.test(state.source.slice(taken.start, taken.end).toLowerCase());
  if (!isWith && /[\p{L}\p{N}]/u.test(lead) && !FILLERS.test(lead.trim())) return false;
  // "(5 min)" behind a part's name is how long it is to last: nothing of its first item.
  const lasting = re`^\\s*\\(?\\s*(?:about |~)?${D}\\s*\\)`.exec(whole.text.slice(taken.end - start))?.[0] ?? '';
  const behind = taken.end + lasting.length;
  if (re`^\\s*${D}[\\s,.]*$`.test(whole.text.slice(behind - start))) return readPartAlone(state, start, end);
  const rest = behind + /^[^\p{L}\p{N}(]*/u.exec(whole.text.slice(behind - start))![0].length;
  if (rest >= end) return readPartAlone(state, start, end);
  if (/^\s*:/.test(state.source.slice(behind, end)) || !isItem(state, rest, end)) {
    const parts = partsOf(state, rest, end);
    if (!isWith && (parts.length < 2 || !parts.every((p) => isItem(state, p.start, p.end, true)))) return false;
  }
  const head = new Strip(state.source, start, behind);
  applyHeader(state, takeHeader(head), head);
  readOn(state, rest, end);
  return true;
}

/** A part with its length and nothing else: "Workout (25 min)", "warm up 5 mins". */
function readPartAlone(state: State, start: number, end: number): boolean {
  const strip = new Strip(state.source, start, end);
  const { role } = takeRole(strip)!;
  const long = strip.take(re`\\(?\\s*(?:about |~)?(${D})\\s*\\)?`, 'length');
  const sec = long ? toSeconds(long[1]!) : 0;
  if (!long || sec <= 0 || strip.left().some(({ from, to }) => !FILLERS.test(strip.text.slice(from, to)))) return false;
  const isMain = role === 'Main' && sec % 60 === 0 && state.targetSec === undefined;
  if (!isMain && (role === 'Main' || !/\p{L}/u.test(long[1]!) || long[0].includes('('))) return false;
  open(state, openBlock(role));
  if (isMain) {
    state.targetSec = sec;
    take(state, strip.taken[1]!.start, strip.taken[1]!.end, 'length', { kind: 'field', field: 'Target' });
    take(state, strip.taken[0]!.start, strip.taken[0]!.end, 'role', blockTarget(state));
    return true;
  }
  // What is done in that time is left to whoever does it.
  const item = takeItem(new Strip(state.source, start, end), state.library);
  if (item) addItem(state, item, new Strip(state.source, start, end));
  takeAll(state, strip, { kind: 'item', block: state.blocks.length - 1, item: 0 });
  return item !== undefined;
}

/** So far from a line's beginning a part of the session may be named. */
const MOST_LEAD = 40;

/** What stands behind a header in its line: further clauses, items, or its name. */
function readOn(state: State, start: number, end: number): void {
  const behind = new Strip(state.source, start, end);
  const more = takeHeader(behind);
  const isMore = isSaid(more) && !more.role;
  const left = behind.left();
  if (isMore && left.every(({ from, to }) => isFew(state, start + from, start + to))) {
    applyBelow(state, more, behind, false);
    for (const { from, to } of left) readParts(state, start + from, start + to);
    return;
  }
  readParts(state, start, end);
}

/** Items, or small words, from one place to another. */
const isFew = (state: State, start: number, end: number): boolean =>
  partsOf(state, start, end).every(
    (p) =>
      isRestAlone(new Strip(state.source, p.start, p.end)) ||
      isItem(state, p.start, p.end, true) ||
      FILLERS.test(state.source.slice(p.start, p.end).trim()),
  );

/** What stands before a colon or "of" is a header where it reads as one; behind it come its items. */
function readBehindHead(state: State, start: number, end: number): boolean {
  const { source } = state;
  const { text } = new Strip(source, start, end);
  for (const { index, 0: mark } of text.matchAll(HEAD_END)) {
    const head = new Strip(source, start, start + index);
    const facts = takeHeader(head);
    const rest = index + mark.length;
    const isColon = mark.startsWith(':');
    if (!(isSaid(facts) || (isColon && (facts.role || facts.isOnce))) || head.lettersLeft > MOST_BESIDE) continue;
    applyHeader(state, facts, head);
    if (!/[\p{L}\p{N}]/u.test(text.slice(rest))) return true;
    if (
      isName(state, start + rest, end) &&
      (facts.role === undefined || facts.role === 'Main' || facts.role === 'Skill')
    ) {
      const label = source.slice(start + rest, end).trim();
      take(
        state,
        start + rest,
        start + rest + source.slice(start + rest, end).trimEnd().length,
        'role',
        blockTarget(state),
      );
      nameBlock(state, current(state)!, label.toLowerCase());
    } else readOn(state, start + rest, end);
    return true;
  }
  return false;
}

/** Words without a number that name no movement: what a part of the session is called. */
function isName(state: State, start: number, end: number): boolean {
  const words = state.source.slice(start, end).trim();
  return (
    /^[\p{L}\s&-]{3,40}$/u.test(words) &&
    partsOf(state, start, end).every((p) => !isItem(state, p.start, p.end, true)) &&
    takeHeader(new Strip(state.source, start, end)).time === undefined
  );
}

/** Letters beside a header that are kept as words: a longer line is no header. */
const MOST_BESIDE = 24;

/** A header whose items stand in the same line, before or behind it. */
function readBeside(state: State, facts: HeaderFacts, strip: Strip, item: ItemFacts | undefined): boolean {
  const left = strip.left();
  const parts = left.flatMap(({ from, to }) => partsOf(state, strip.start + from, strip.start + to));
  const known = parts.filter((p) => isItem(state, p.start, p.end, true));
  if (known.length > 0) {
    const isBelow =
      known[0]!.start < (strip.taken[0]?.start ?? 0) && facts.time === undefined && facts.list === undefined;
    if (isBelow) open(state, openBlock(roleAfter(current(state)), { ...facts }));
    else applyHeader(state, facts, strip, false);
    for (const { from, to } of left) readParts(state, strip.start + from, strip.start + to);
    if (isBelow) takeAll(state, strip, blockTarget(state));
    return true;
  }
  if (item?.isKnown && item.hasNumber) return false;
  applyHeader(state, facts, strip);
  return true;
}

/** A sentence that says more than a movement and how much of it. */
function isProse(item: ItemFacts, text: string): boolean {
  const count = (text: string): number => text.match(/\p{L}+/gu)?.length ?? 0;
  const name = count(item.item.choices[0]!.name);
  const beside = (item.item.words ?? []).reduce((sum, w) => sum + count(w), 0);
  // A movement before a comma is named for its own sake, whatever is said of it.
  if (item.isKnown) return beside > (item.hasNumber ? 16 : item.isFirst ? 8 : 3);
  // Of a new name, words beside it that nothing sets apart make a sentence.
  const isSentence = beside > 0 && !/[,;(:]/.test(text);
  return item.hasNumber ? isSentence || name > 5 || beside > 10 : name > 3 || beside > 0;
}

const isItem = ({ source, library }: State, start: number, end: number, mayBeBare = false): boolean => {
  const item = takeItem(new Strip(source, start, end), library);
  return item !== undefined && (item.isKnown ? item.hasNumber || mayBeBare || !item.hasWords : false);
};

/** A list in a line, part by part; a part in brackets isn't taken apart. */
function partsOf({ source }: State, start: number, end: number): { start: number; end: number }[] {
  const text = new Strip(source, start, end).text;
  const parts: { start: number; end: number }[] = [];
  let at = 0;
  // "squats / lunges / plank": three and more names without a number are a list.
  const isSlashed = !/[\d,;]/.test(text) && (text.match(/\s\/\s/g)?.length ?? 0) >= 2;
  for (const { index, 0: mark } of text.matchAll(isSlashed ? /\s+\/\s+/g : SEPARATOR)) {
    const isOpen = (text.slice(0, index).match(/\(/g)?.length ?? 0) > (text.slice(0, index).match(/\)/g)?.length ?? 0);
    if (isOpen || index === 0) continue;
    parts.push({ start: start + at, end: start + index });
    at = index + mark.length;
  }
  parts.push({ start: start + at, end });
  return parts.filter((p) => /[\p{L}\p{N}]/u.test(source.slice(p.start, p.end)));
}

function readParts(state: State, start: number, stop: number): void {
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
function isRule({ source }: State, start: number, end: number): boolean {
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
