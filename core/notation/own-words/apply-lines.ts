import { sameData } from '../../same-data.ts';
import type { Role, WorkItem } from '../../document/document.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS } from '../../limits.ts';
import { MAX_BLOCKS, MAX_ITEMS } from '../parse.ts';
import type { OpenBlock } from './build-blocks.ts';
import { openBlock } from './build-blocks.ts';
import type { HeaderFacts } from './phrases/header-facts.ts';
import type { ItemFacts } from './phrases/item-phrases.ts';
import { D, toSeconds, re } from './phrases/spoken-numbers.ts';
import { Strip } from './phrases/strip.ts';
import type { Target, State } from './reading-state.ts';
import { current, open, blockTarget, takeAll, setTitle, isSaid } from './reading-state.ts';
import { note, keepAsNote } from './keep-words.ts';

const restAlone = (strip: Strip): RegExpExecArray | null =>
  re`^\\W*(?:then )?(?:take |have )?(?:an? )?(?:rest|recover(?:y)?|break|pause|r(?=\\d))(?:\\b|(?=\\d))\\s*(?:for |of |:|-)*\\s*(${D})?\\W*$|^\\W*(${D})\\s*(?:of |[:-]\\s*)?(?:rest|recovery|break)\\W*$`.exec(
    strip.text,
  );

/** Whether a stretch says rest, perhaps how long, and nothing else. */
export const isRestAlone = (strip: Strip): boolean => restAlone(strip) !== null;

/** A line that says rest and nothing else: a slot, a pause between two items, or one behind the block. */
export function readRest(state: State, strip: Strip): boolean {
  const block = current(state);
  const long = restAlone(strip);
  if (!long || !block) return false;
  const said = long[1] ?? long[2];
  const sec = said === undefined ? undefined : toSeconds(said);
  const { time } = block.facts;
  // Longer than a slot: it comes after them.
  const isBehind = time?.kind === 'slots' && sec !== undefined && sec > time.slotSec;
  const hasClock = time?.kind === 'slots';
  if (sec === undefined && !hasClock && block.facts.time?.kind !== 'intervals') return false;
  if (sec !== undefined && (sec < 1 || sec > MAX_DURATION_SEC)) return false;
  strip.takeRange(0, strip.text.length, 'rest');
  if (sec !== undefined && (state.blankBefore || isBehind) && block.items.length > 0) block.facts.thenRestSec = sec;
  else if (state.items < MAX_ITEMS) {
    state.items++;
    block.items.push({ kind: 'rest', ...(sec !== undefined && !hasClock && { sec }) });
    block.sets.push(undefined);
    takeAll(state, strip, { kind: 'item', block: state.blocks.length - 1, item: block.items.length - 1 });
    return true;
  }
  takeAll(state, strip, blockTarget(state));
  return true;
}

/** Takes a header: into the block that waits for its items, below the one that has them, or as a new one. */
export function applyHeader(state: State, facts: HeaderFacts, strip: Strip, hasWords = true): void {
  const block = current(state);
  const said = strip.source.slice(strip.start, strip.start + strip.text.length).toLowerCase();
  const below =
    /\b(?:repeat|again|each round|each part|all of|whole|everything|do (?:it|this|that)|go (?:through|round)|through|over|times)\b|^\W*(?:x\s*\d|\d+\s*x)\W*$/.test(
      said,
    ) && !/:\s*$|\bfollowing\b/.test(said);
  const isSmall = facts.time === undefined && facts.list === undefined && facts.role === undefined && !facts.isOnce;
  const goesOn =
    facts.time?.kind === 'span' &&
    facts.role === undefined &&
    /^\W*(?:then |and )*(?:repeat|go|keep|carry)\b/.test(said);
  const isSame =
    facts.time?.kind === 'intervals' &&
    block?.facts.time?.kind === 'intervals' &&
    block.items.length > 0 &&
    facts.role === undefined &&
    sameData([facts.time.workSec, facts.time.restSec], [block.facts.time.workSec, block.facts.time.restSec]);
  if (state.saysStations && facts.time?.kind === 'intervals') facts.time = { ...facts.time, stations: true };
  const isFree = block !== undefined && block.items.length > 0 && block.facts.time === undefined;
  const belongsBelow = isSmall && block && block.items.length > 0 && (below || facts.rounds === undefined);
  if (belongsBelow || (goesOn && isFree) || isSame) {
    applyBelow(state, facts, strip, hasWords);
    return;
  }
  const role: Role = facts.role ?? roleAfter(block);
  const waits = block && block.items.length === 0 && (facts.role === undefined || facts.isPart || !isSaid(block.facts));
  const target = waits ? block : open(state, openBlock(facts.role ?? (facts.isOnce ? 'Main' : role)));
  if (waits && facts.role) target.role = facts.role;
  nameBlock(state, target, facts.label);
  if (facts.isPart) shareClock(state, target);
  Object.assign(target.facts, { ...facts, role: undefined });
  if (facts.swaps !== undefined) {
    const swap = strip.taken.find((t) => t.as === 'unread')!;
    target.words.push(facts.swaps);
    state.doubts.push({ start: swap.start, end: swap.end, facts: { code: 'unread' } });
  }
  agree(target);
  if (hasWords) for (const { from, to } of strip.left()) note(state, strip, from, to);
  takeAll(state, strip, blockTarget(state));
}

/** What stands above several parts that are alike holds for each of them. */
function shareClock(state: State, block: OpenBlock): void {
  if (block.facts.time)
    state.shared = { time: block.facts.time, ...(block.facts.rounds && { rounds: block.facts.rounds }) };
  else if (state.shared) Object.assign(block.facts, state.shared);
}

/** A part's own name is the session's title where it stands above everything. */
export function nameBlock(state: State, block: OpenBlock, label: string | undefined): void {
  if (label === undefined) return;
  if (state.blocks.length === 1 && state.title === undefined && block.items.length === 0) setTitle(state, label);
  else if (!state.blocks.some((b) => b.label?.toLowerCase() === label)) block.label ??= label;
}

/** What no line says stands in the part before it; work with a clock of its own is no warm-up any more. */
export const roleAfter = (block: OpenBlock | undefined): Role =>
  block === undefined || block.role === 'Warm-up' || block.role === 'Skill' ? 'Main' : block.role;

/** Rounds of a list under a clock of turns say how long it goes on, where nothing else does. */
function agree({ facts }: OpenBlock): void {
  if (facts.time?.kind !== 'slots' || !facts.rounds || !facts.lacksLength) return;
  facts.slotRounds = facts.rounds.high;
  facts.lacksLength = false;
}

export function applyBelow(state: State, facts: HeaderFacts, strip: Strip, hasWords = true): void {
  const isCap = facts.capSec !== undefined && facts.time === undefined && facts.rounds === undefined;
  const capped = isCap ? state.blocks.findLast((b) => b.facts.forTime ?? b.facts.list ?? b.facts.rounds) : undefined;
  const block = capped ?? current(state) ?? open(state, openBlock('Main'));
  const { role: _role, ...said } = facts;
  const text = strip.source.slice(strip.start, strip.start + strip.text.length).toLowerCase();
  // "Three times." behind a list ends it.
  if (
    facts.rounds &&
    block.items.length > 0 &&
    /^[^\p{L}\p{N}]*(?:[\p{L}\s]*\b)?(?:times|twice|thrice|once more|through|over)\b\W*$/u.test(text)
  )
    block.isClosed = true;
  for (const of of [...earlierOf(state, block, said, text), block]) {
    Object.assign(of.facts, said);
    agree(of);
  }
  if (hasWords) for (const { from, to } of strip.left()) note(state, strip, from, to);
  takeAll(state, strip, blockTarget(state));
}

/** Blocks above that the same words hold for: parts that are alike, or exercises in sets whose rest is said once for all. */
function earlierOf(state: State, block: OpenBlock, said: HeaderFacts, text: string): OpenBlock[] {
  const others = state.blocks.slice(0, state.blocks.indexOf(block));
  if (/\b(?:each|every|both|all|the) (?:rounds?|parts?|blocks?)\b/.test(text) && state.shared && said.rounds)
    return others.filter((b) => b.facts.isPart);
  if (said.between?.of === 'items' && block.facts.isPart)
    return others.filter((b) => b.facts.isPart && b.facts.between === undefined);
  const isRest =
    said.between !== undefined && Object.keys(said).every((key) => /^(?:between|isBetweenOpen)$/.test(key));
  if (!isRest || !isOfSets(block)) return [];
  const from = others.findLastIndex((b) => !isOfSets(b) || b.role !== block.role || b.facts.between !== undefined);
  return others.slice(from + 1);
}

/** Exercises that each say how many sets, under no name of their own. */
const isOfSets = ({ facts, label, sets }: OpenBlock): boolean =>
  label === undefined && facts.time === undefined && facts.rounds === undefined && sets.some((s) => s !== undefined);

/** An item that is done another number of times than what stands above it is a block of its own. */
function startsAnew(block: OpenBlock, { sets, hasNumber }: ItemFacts, betweenSec: number | undefined): boolean {
  const { facts, items } = block;
  // Sets with a rest between them have no place under another clock.
  if (betweenSec !== undefined && items.length > 0 && (facts.time ?? facts.forTime)) return true;
  if (sets === undefined)
    return (
      hasNumber &&
      isOfSets(block) &&
      block.sets.every((s) => s !== undefined && s > 1) &&
      block.facts.between === undefined
    );
  if (items.length === 0 || facts.list || facts.time || facts.forTime || block.label !== undefined) return false;
  const said = block.sets.filter((s) => s !== undefined);
  if (facts.between?.lowSec !== betweenSec) return true;
  return (facts.rounds?.high ?? (said.length > 0 ? Math.max(...said) : 1)) !== sets;
}

export function addItem(state: State, item: ItemFacts, strip: Strip): void {
  if (state.items >= MAX_ITEMS || state.blocks.length >= MAX_BLOCKS) {
    state.doubts.push({ start: strip.start, end: strip.start + strip.text.length, facts: { code: 'too-much' } });
    keepAsNote(state, new Strip(state.source, strip.start, strip.start + strip.text.length));
    return;
  }
  let block = current(state) ?? open(state, openBlock('Main'));
  if (block.facts.time?.kind === 'climb' && isOfClimb(block, item)) {
    takeAll(state, strip, { kind: 'item', block: state.blocks.length - 1, item: 0 });
    return;
  }
  if (block.isClosed) block = open(state, openBlock(block.role));
  const isAfter = /^\W*(?:after that|afterwards|finally|lastly)\b|\bto (?:finish|end)(?: off)?\W*$/i.test(
    strip.source.slice(strip.start, strip.start + strip.text.length),
  );
  const between = item.sets !== undefined && item.sets > 1 ? item.restSec : undefined;
  if (startsAnew(block, item, between) || (isAfter && block.items.length > 0 && isSaid(block.facts)))
    block = open(state, openBlock(block.role));
  // "Breathing exercise, ten deep breaths": the first names what the second counts.
  const last = block.items.at(-1);
  if (item.hasNumber && last?.kind === 'work' && last.dose === undefined && isSameMovement(last, item.item)) {
    const { choices: _choices, ...kept } = last;
    block.items[block.items.length - 1] = { ...kept, ...item.item };
    takeAll(state, strip, { kind: 'item', block: state.blocks.length - 1, item: block.items.length - 1 });
    return;
  }
  state.items++;
  state.isHead = false;
  block.items.push(item.item);
  block.sets.push(item.sets !== undefined && item.sets <= MAX_ROUNDS ? item.sets : undefined);
  const target: Target = { kind: 'item', block: state.blocks.length - 1, item: block.items.length - 1 };
  state.doubts.push(...item.doubts.map((d) => ({ ...d, target })));
  takeAll(state, strip, target);
  if (between !== undefined) block.facts.between = { of: 'rounds', lowSec: between, highSec: between };
  else if (item.restSec !== undefined) addRest(state, block, item.restSec);
}

/** "1 burpee, 2 burpees, …" below a climb says the same once more. */
function isOfClimb({ items }: OpenBlock, { item }: ItemFacts): boolean {
  const dose = item.dose?.kind === 'reps' && item.dose.amount.kind === 'fixed' ? item.dose.amount.value : undefined;
  const same = items.findIndex((i) => i.kind === 'work' && i.choices[0]!.name === item.choices[0]!.name);
  return same >= 0 && (dose !== undefined || item.dose === undefined);
}

const isSameMovement = (a: WorkItem, b: WorkItem): boolean =>
  a.choices.length === 1 && b.choices.length === 1 && a.choices[0]!.name === b.choices[0]!.name;

/** A rest behind an item that is done once in its list. */
function addRest(state: State, block: OpenBlock, sec: number): void {
  if (state.items >= MAX_ITEMS) return;
  state.items++;
  block.items.push({ kind: 'rest', ...(block.facts.time?.kind !== 'slots' && { sec }) });
  block.sets.push(undefined);
}
