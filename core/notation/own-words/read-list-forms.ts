import { MAX_ROUNDS } from '../../limits.ts';
import { addItem, applyHeader, isRestAlone, nameBlock, roleAfter } from './apply-lines.ts';
import { openBlock } from './build-blocks.ts';
import { isItem, lettersBeside, partsOf, readParts } from './list-parts.ts';
import type { HeaderFacts } from './phrases/header-facts.ts';
import { takeHeader } from './phrases/header-phrases.ts';
import { takeRole } from './phrases/role-phrases.ts';
import type { ItemFacts } from './phrases/item-phrases.ts';
import { takeItem } from './phrases/item-phrases.ts';
import { FILLERS } from './phrases/name-phrases.ts';
import { D, re, toSeconds } from './phrases/spoken-numbers.ts';
import { Strip } from './phrases/strip.ts';
import { blockTarget, current, isSaid, open, take, takeAll } from './reading-state.ts';
import type { State, Target } from './reading-state.ts';

/** "Legs: squats 4x10, lunges 3x12": what a list is called, where that names no movement. "Today 20 mins: …": how long it is. */
export function readNamedList(state: State, start: number, end: number): boolean {
  const { text } = new Strip(state.source, start, end);
  const found = /^([^:]{3,30}):\s+(?=\S)/.exec(text);
  if (!found || FILLERS.test(found[1]!.trim())) return false;
  const rest = start + found[0].length;
  const parts = partsOf(state, rest, end);
  const isList =
    parts.length >= 2 &&
    parts.every((p) => isItem(state, p.start, p.end) || isRestAlone(new Strip(state.source, p.start, p.end)));
  if (!isList) return false;
  const head = new Strip(state.source, start, start + found[1]!.length);
  const long = head.take(re`(${D})`, 'length');
  if (long && state.isHead && state.targetSec === undefined && lettersBeside(head) === 0) {
    const sec = toSeconds(long[1]!);
    if (sec < 300 || sec % 60 !== 0) return false;
    state.targetSec = sec;
    takeAll(state, head, { kind: 'field', field: 'Target' });
  } else {
    if (long || /\d/.test(found[1]!) || isItem(state, start, start + found[1]!.length, true)) return false;
    const label = new Strip(state.source, start, start + found[0].length);
    if (isSaid(takeHeader(label))) return false;
    if (takeRole(new Strip(state.source, start, start + found[0].length))) return false;
    const block = current(state);
    const target = block?.items.length === 0 && !isSaid(block.facts) ? block : open(state, openBlock(roleAfter(block)));
    take(state, start, start + found[1]!.trimEnd().length, 'role', blockTarget(state));
    nameBlock(state, target, found[1]!.trim());
  }
  readParts(state, rest, end);
  return true;
}

/** "1 burpee 1 squat, 2 burpees 2 squats, up to 10": the numbers by round, and what is done. */
export function readGrowing(state: State, start: number, end: number): boolean {
  const { text } = new Strip(state.source, start, end);
  const found =
    /^\W*(\d{1,3}) ([^\d,;]+?)(?:[, ]+(?:and )?\1 ([^\d,;]+?))?[,;]\s*(?:then )?(\d{1,3}) [^\d,;]+?(?:[, ]+(?:and )?\4 [^\d,;]+?)?[,;\s…]*(?:and so on|etc\.?|\.\.\.)?[,;\s]*(?:(?:all the way |and so on )?(?:up|down)? ?to) (\d{1,3})\W*$/.exec(
      text,
    );
  if (!found) return false;
  const [from, next, last] = [Number(found[1]), Number(found[4]), Number(found[5])];
  const step = Math.abs(next - from);
  if (step === 0 || next > from !== last > from || Math.abs(last - from) / step > MAX_ROUNDS) return false;
  const names = [found[2]!, ...(found[3] === undefined ? [] : [found[3]])];
  const places = names.map((name, i) => {
    const at = start + text.indexOf(name, i === 0 ? 0 : text.indexOf(names[0]!) + names[0]!.length);
    return { start: at, end: at + name.length };
  });
  if (!places.every((p) => isItem(state, p.start, p.end, true))) return false;
  const list = Array.from({ length: Math.floor(Math.abs(last - from) / step) + 1 }, (_, i) => from + i * (next - from));
  const waiting = current(state);
  const block = waiting?.items.length === 0 ? waiting : open(state, openBlock(roleAfter(waiting)));
  block.facts.list = list;
  for (const place of places) readParts(state, place.start, place.end);
  const behind = places.at(-1)!.end;
  take(state, start, places[0]!.start, 'count', blockTarget(state));
  take(state, behind, end, 'count', blockTarget(state));
  if (places[1]) take(state, places[0]!.end, places[1].start, 'count', blockTarget(state));
  return true;
}

/** "Team relay: everyone does 10 burpees, then everyone does 5". */
export function readRelay(state: State, start: number, end: number): boolean {
  const { text } = new Strip(state.source, start, end);
  const WHO = '(?:everyone|everybody|each(?: one| member| person| of you)?|every member|all(?: of you)?)(?: does| do)?';
  const found =
    re`\\brelay\\b[\\s,:-]*(?:${WHO}\\s*)?(\\d{1,3})\\s+([^\\d,;]+?)((?:[\\s,;]+(?:and )?then\\s+(?:${WHO}\\s*)?\\d{1,3})+)\\W*$`.exec(
      text,
    );
  if (!found) return false;
  const at = start + text.indexOf(found[2]!, found.index + found[0].indexOf(found[1]!));
  if (!isItem(state, at, at + found[2]!.length, true)) return false;
  const head = new Strip(state.source, start, start + found.index);
  const role = takeRole(head)?.role;
  const block = open(
    state,
    openBlock(role ?? (/\b(?:finish|end)/.test(head.text) ? 'Finisher' : roleAfter(current(state)))),
  );
  block.facts.list = [Number(found[1]), ...(found[3]!.match(/\d+/g) ?? []).map(Number)];
  block.facts.isRelay = true;
  readParts(state, at, at + found[2]!.length);
  take(state, start, at, 'clock', blockTarget(state));
  take(state, at + found[2]!.length, end, 'count', blockTarget(state));
  return true;
}

/** "…, alternate between A and B": two movements that take turns. */
export function readTurnAbout(state: State, facts: HeaderFacts, head: Strip): boolean {
  const about = /\balternat(?:e|ing)(?: between)?\s+([^\d\u0001]+?)\s+(?:and|with)\s+([^\d\u0001]+?)[\s.]*$/.exec(
    head.text,
  );
  if (!about) return false;
  const waiting = current(state);
  const isAlone = !/[\p{L}\p{N}]/u.test(head.text.slice(0, about.index));
  const waits = isAlone && waiting?.items.length === 0 && waiting.facts.time !== undefined;
  if (!isSaid(facts) && !waits) return false;
  const from = head.start + about.index + about[0].indexOf(about[1]!);
  const second = head.start + about.index + about[0].lastIndexOf(about[2]!);
  const parts = [
    { start: from, end: from + about[1]!.length },
    { start: second, end: second + about[2]!.length },
  ];
  if (!parts.every((p) => isItem(state, p.start, p.end, true))) return false;
  const alone = new Strip(state.source, head.start, head.start + about.index);
  if (isSaid(facts)) applyHeader(state, takeHeader(alone), alone);
  take(state, head.start + about.index, from, 'clock', blockTarget(state));
  for (const { start, end } of parts) readParts(state, start, end);
  return true;
}

/** "Ankle rehab, stage 3": a number behind such a word counts sessions, not repetitions. */
export const isHeading = (state: State, line: string): boolean =>
  state.isHead &&
  state.title === undefined &&
  /\b(?:stage|phase|level|lesson|class|session|unit|workout|day|week|number|no\.?|part|term|block)\s*\d{1,3}\W*$/i.test(
    line,
  );

/** "5-4-3-2-1 back squats @ 80 kg": the numbers by round are the block's, what else is said is the movement's. */
export function openByRound(state: State, item: ItemFacts, strip: Strip): void {
  const { dose, ...rest } = item.item;
  const list = dose?.kind === 'reps' && dose.amount.kind === 'list' ? [...dose.amount.values] : [];
  open(state, openBlock(roleAfter(current(state)), { list }));
  const sides = dose?.kind === 'reps' ? dose.sides : undefined;
  addItem(state, { ...item, item: { ...rest, ...(sides && { dose: { kind: 'given', sides } }) } }, strip);
}

/** "How many push-ups can you do in 2 minutes?", "max sit-ups in 2 minutes": as many as go in one interval. */
export function readTest(state: State, start: number, end: number): boolean {
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

/** A movement that says itself which part it is: "2 min warm-up walk". */
export function readPartOf(state: State, start: number, end: number): boolean {
  const strip = new Strip(state.source, start, end);
  const named =
    strip.take(/\b(?:warm|cool)[\s-]?(?:up|down)\b(?= \p{L}{3})/u, 'role') ??
    strip.take(/[\s,]*\bto (?:get (?:you )?warm(?:ed up)?|warm (?:you )?up|cool down)\b(?=\W*$)/, 'role');
  if (!named) return false;
  const item = takeItem(strip, state.library);
  if (!item?.isKnown || !item.hasNumber || item.hasWords) return false;
  open(state, openBlock(named[0].includes('warm') ? 'Warm-up' : 'Cool-down'));
  addItem(state, item, strip);
  return true;
}
