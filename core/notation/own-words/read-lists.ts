import { addItem, applyBelow, applyHeader, isRestAlone, nameBlock, roleAfter } from './apply-lines.ts';
import { openBlock } from './build-blocks.ts';
import { isFew, isItem, isProse, isRule, lettersBeside, partsOf, readParts } from './list-parts.ts';
import type { HeaderFacts } from './phrases/header-facts.ts';
import { takeHeader } from './phrases/header-phrases.ts';
import { takeRole } from './phrases/role-phrases.ts';
import type { ItemFacts } from './phrases/item-phrases.ts';
import { takeItem } from './phrases/item-phrases.ts';
import { FILLERS } from './phrases/name-phrases.ts';
import { takeClimbEnd } from './phrases/rarer-clocks.ts';
import { D, re, toSeconds } from './phrases/spoken-numbers.ts';
import { Strip } from './phrases/strip.ts';
import {
  isHeading,
  openByRound,
  readGrowing,
  readNamedList,
  readPartOf,
  readRelay,
  readTest,
  readTurnAbout,
} from './read-list-forms.ts';
import type { State } from './reading-state.ts';
import { blockTarget, current, isSaid, open, take, takeAll } from './reading-state.ts';

const HEAD_END = /:\s+(?=\S)|:\s*$|\b(?:of|through)\s*:?\s+(?=\S)/g;

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
  if (readNamedList(state, start, end)) return true;
  if (readGrowing(state, start, end) || readRelay(state, start, end)) return true;
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
  const said = parts.filter(
    (p) => isItem(state, p.start, p.end) || isRestAlone(new Strip(source, p.start, p.end)),
  ).length;
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

const IS_PART = /^\W*(?:part|block|set|section|round)\s+(?:[a-h]|\d)\s*:/i;

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
    const isList = parts.length >= 2 && parts.every((p) => isItem(state, p.start, p.end, true));
    const clause = /^[^:]*:(?=\s)/.exec(whole.text.slice(rest - start))?.[0];
    const hasHead = clause !== undefined && isRule(state, rest, rest + clause.length);
    if (!isWith && !isList && !hasHead) return false;
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

/** What stands before a colon or "of" is a header where it reads as one; behind it come its items. */
function readBehindHead(state: State, start: number, end: number): boolean {
  const { source } = state;
  const { text } = new Strip(source, start, end);
  for (const { index, 0: mark } of text.matchAll(HEAD_END)) {
    const head = new Strip(source, start, start + index);
    const facts = takeHeader(head);
    const rest = index + mark.length;
    const isColon = mark.startsWith(':');
    if (!(isSaid(facts) || (isColon && (facts.role || facts.isOnce))) || lettersBeside(head) > MOST_BESIDE) continue;
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
