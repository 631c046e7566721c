import { countLetters, cutLetters } from '../letters.ts';
import type { Amount, Choice, Dose, Item, Load, Sides, WorkItem } from '../document/document.ts';
import type { Cursor } from '../text/cursor.ts';
import { MAX_AMOUNT, MAX_KG, MAX_ROUNDS, MAX_SHARE_PCT, MAX_NAME_LENGTH } from '../limits.ts';
import { nearestWords } from '../words/nearest.ts';
import type { Token } from '../text/tokens.ts';
import { MAX_CUE_LENGTH } from './lead-lines.ts';

/** What the reader asks of a movement library: whether these words are a movement's name. */
export interface MovementNames {
  has(name: string): boolean;
}

/** Offsets into the line, half-open: where the dose and the movement stand. */
export interface ItemSource {
  readonly line: number;
  readonly dose?: { readonly start: number; readonly end: number };
  readonly movement: { readonly start: number; readonly end: number };
}

export interface ReadItem {
  readonly item: Item;
  readonly source: ItemSource;
}

const SPEEDS = ['brisk', 'steady', 'slow'] as const;
const MODIFIERS = [
  'tempo',
  'pause',
  'then hold',
  'half each side',
  'may be split',
  'easier',
  'harder',
  'a surprise',
  'at least',
  'cue',
  'watch',
  ...SPEEDS,
] as const;
export const MAX_OPTIONS = 3;

/** Reads `DOSE MOVEMENT[, modifier ...]`; throws an UnreadableError with the place and a remedy. */
export function readItem(cursor: Cursor, names: MovementNames): ReadItem {
  const end = segmentEnd(cursor);
  const whole = cursor.slice(cursor.at, end);
  const first = cursor.peek()!;
  if (whole.toLowerCase() === 'rest') {
    cursor.at = end;
    return finishRest(cursor, first, undefined);
  }
  const dose = isName(whole, names) ? undefined : readDose(cursor, end, names);
  const doseEnd = cursor.at;
  if (
    dose?.kind === 'time' &&
    dose.amountSec.kind === 'fixed' &&
    cursor.slice(cursor.at, end).toLowerCase() === 'rest'
  ) {
    cursor.at = end;
    return finishRest(cursor, first, dose.amountSec.value);
  }
  let side: 'left' | 'right' | undefined;
  if (!isName(cursor.slice(cursor.at, end), names) && cursor.at + 1 < end) {
    if (cursor.takeWords('left')) side = 'left';
    else if (cursor.takeWords('right')) side = 'right';
  }
  const movementAt = cursor.at;
  const { choices, inTurn, nameEnd } = readChoices(cursor, names);
  const movementEnd = nameEnd;
  if (side && dose && 'sides' in dose && dose.sides) {
    cursor.fail('contradiction', `“${side}” works one side only, so the dose can't count both sides.`, [], first);
  }
  const draft: Draft = {};
  // Behind the only movement it makes no difference whose it is.
  if (choices.length === 1 && !inTurn) {
    const { name, ...own } = choices[0]!;
    Object.assign(draft, own);
    choices[0] = { name };
  } else if (inTurn && cursor.peek()?.text === '@') readModifier(cursor, draft);
  while (!cursor.done) {
    if (cursor.peek()!.text === 'or')
      cursor.fail(
        'out-of-place',
        'What is said of one option alone stands right behind its name, without a comma.',
        [withoutCommas(cursor)],
        first,
        cursor.peek(),
      );
    if (!cursor.takeMark(',')) {
      cursor.fail(
        'unknown-modifier',
        `Write a comma before “${cursor.peek()!.text}”, or put free words in quotation marks.`,
      );
    }
    if (cursor.done)
      cursor.fail('missing', 'Nothing follows the comma; remove it, or add a modifier.', [], cursor.tokens.at(-1));
    readModifier(cursor, draft);
  }
  if (draft.halfEachSide && (side || (dose && 'sides' in dose && dose.sides))) {
    cursor.fail(
      'contradiction',
      '“half each side” shares one number out, so the dose before it must not count sides.',
      [],
      first,
    );
  }
  const item: WorkItem = {
    kind: 'work',
    ...(dose && { dose }),
    ...(side && { side }),
    choices,
    inTurn,
    ...draft,
  };
  const source: ItemSource = {
    line: cursor.line,
    ...(doseEnd > 0 && { dose: { start: first.start, end: cursor.tokens[doseEnd - 1]!.end } }),
    movement: { start: cursor.tokens[movementAt]!.start, end: cursor.tokens[movementEnd - 1]!.end },
  };
  return { item, source };
}

/** The line up to an `or`, its commas left out: a suggestion in place of it. */
const withoutCommas = (cursor: Cursor): string =>
  cursor
    .slice(0, cursor.at + 1)
    .replace(/\s*,\s*/g, ' ')
    .trim();

function finishRest(cursor: Cursor, first: Token, sec: number | undefined): ReadItem {
  if (!cursor.done) cursor.fail('out-of-place', 'A rest takes no modifiers; what follows the comma can go.');
  return {
    item: { kind: 'rest', ...(sec !== undefined && { sec }) },
    source: { line: cursor.line, movement: { start: first.start, end: cursor.tokens.at(-1)!.end } },
  };
}

/** Where a movement's words end: at the first comma or what is said of it alone, outside brackets, or at the end. */
function segmentEnd(cursor: Cursor): number {
  let depth = 0;
  for (let i = cursor.at; i < cursor.tokens.length; i++) {
    const { kind, text } = cursor.tokens[i]!;
    if (depth <= 0 && i > cursor.at && beginsOwn(cursor, i)) return i;
    if (kind !== 'mark') continue;
    if (text === '[') depth++;
    else if (text === ']') depth--;
    else if ((text === ',' || text === '@') && depth <= 0) return i;
  }
  return cursor.tokens.length;
}

/** Whether a load, tempo or pause begins at a token: each has a number behind it, so no name is mistaken for one. */
function beginsOwn(cursor: Cursor, at: number): boolean {
  const [token, next, mark] = cursor.tokens.slice(at, at + 3);
  if (token?.kind === 'mark') return token.text === '@';
  if (token?.kind !== 'word') return false;
  if (token.text === 'tempo') return next?.kind === 'number' && mark?.text === '-';
  return token.text === 'pause' && (next?.kind === 'number' || next?.kind === 'clock');
}

const isName = (words: string, names: MovementNames) =>
  words.length <= MAX_NAME_LENGTH && words !== '' && names.has(words);

function readSides(cursor: Cursor): Sides | undefined {
  if (cursor.peek()?.text === '/' && cursor.peek(1)?.text === 'side') {
    cursor.at += 2;
    return 'each';
  }
  if (cursor.takeOneOf('alt')) return 'alternate';
  if (cursor.takeOneOf('pairs', 'pair')) return 'pairs';
  return undefined;
}

/** A dose if one stands here. A word that begins a known movement's name is not read as a dose. */
function readDose(cursor: Cursor, end: number, names: MovementNames): Dose | undefined {
  const first = cursor.peek();
  if (!first) return undefined;
  if (first.kind === 'word') {
    if (isName(cursor.slice(cursor.at, end), names)) return undefined;
    if (cursor.at + 1 >= end) return undefined;
    if (cursor.takeWords('max')) {
      const sides = readSides(cursor);
      return { kind: 'max', ...(sides && { sides }) };
    }
    if (cursor.takeWords('each', 'side')) return { kind: 'given', sides: 'each' };
    if (cursor.takeWords('alt')) return { kind: 'given', sides: 'alternate' };
    if (cursor.takeWords('pairs')) return { kind: 'given', sides: 'pairs' };
    return undefined;
  }
  if (first.kind === 'clock') {
    const low = cursor.duration('the time');
    const high = cursor.takeWords('to') ? cursor.duration('the longer time') : undefined;
    return timeDose(
      cursor,
      first,
      high === undefined ? { kind: 'fixed', value: low } : range(cursor, first, low, high),
    );
  }
  if (first.kind !== 'number') return undefined;
  const amount = readAmount(cursor, first);
  const unit = cursor.takeTimeUnit();
  if (unit !== undefined) return timeDose(cursor, first, scale(cursor, first, amount, unit));
  if (cursor.takeOneOf('m', 'metres', 'meters')) {
    const sides = readSides(cursor);
    return { kind: 'distance', metres: single(cursor, first, amount, 'A distance'), ...(sides && { sides }) };
  }
  if (cursor.takeOneOf('cal', 'cals', 'kcal'))
    return { kind: 'energy', kcal: single(cursor, first, amount, 'An energy') };
  const sides = readSides(cursor);
  return { kind: 'reps', amount, ...(sides && { sides }) };
}

function timeDose(cursor: Cursor, first: Token, amountSec: Amount): Dose {
  const sides = readSides(cursor);
  if (sides && sides !== 'each')
    cursor.fail('contradiction', 'A time is held on each side: write “/side” after it.', [], first);
  return { kind: 'time', amountSec, ...(sides && { sides: 'each' as const }) };
}

function readAmount(cursor: Cursor, first: Token): Amount {
  if (first.value === 0) cursor.fail('bad-value', 'A dose of 0 is no work; remove the line, or write a number from 1.');
  const values = cursor.list('The dose');
  if (values.length > 1) return { kind: 'list', values };
  const value = values[0]!;
  if (cursor.peek()?.text === '+' && cursor.isNumber(1)) {
    cursor.at++;
    return { kind: 'growing', start: value, step: cursor.count('What is added each round', 1, MAX_AMOUNT) };
  }
  if (cursor.peek()?.text === 'to' && cursor.isNumber(1)) {
    cursor.at++;
    return range(cursor, first, value, cursor.count('The higher number', 1, MAX_AMOUNT));
  }
  return { kind: 'fixed', value };
}

function range(cursor: Cursor, first: Token, low: number, high: number): Amount {
  if (high <= low)
    cursor.fail(
      'contradiction',
      `A range goes from the smaller to the larger: ${high} is not more than ${low}.`,
      [],
      first,
    );
  return { kind: 'range', low, high };
}

function single(cursor: Cursor, first: Token, amount: Amount, what: string): number {
  if (amount.kind !== 'fixed') return cursor.fail('bad-value', `${what} is one number here.`, [], first);
  return amount.value;
}

function scale(cursor: Cursor, first: Token, amount: Amount, factor: number): Amount {
  const by = (value: number) => cursor.checkedDuration(value * factor, 'the time', first);
  switch (amount.kind) {
    case 'fixed':
      return { kind: 'fixed', value: by(amount.value) };
    case 'range':
      return { kind: 'range', low: by(amount.low), high: by(amount.high) };
    case 'list':
      return { kind: 'list', values: amount.values.map(by) };
    case 'growing':
      return { kind: 'growing', start: by(amount.start), step: by(amount.step) };
  }
}

interface ReadChoices {
  readonly choices: Choice[];
  readonly inTurn: boolean;
  /** The token behind the last movement's words. */
  readonly nameEnd: number;
}

/** `[a, b, c]`: the movements take turns. */
function readTurns(cursor: Cursor): ReadChoices {
  const opening = cursor.peek();
  cursor.takeMark('[');
  const choices: Choice[] = [];
  for (;;) {
    const from = cursor.at;
    while (cursor.at < cursor.tokens.length && ![',', ']'].includes(cursor.peek()!.text)) cursor.at++;
    choices.push({ name: readName(cursor, from, cursor.at) });
    if (cursor.takeMark(']')) break;
    if (!cursor.takeMark(','))
      cursor.fail('unclosed-bracket', 'The list is never closed; write ] after the last movement.', [], opening);
  }
  if (choices.length < 2)
    cursor.fail('missing', 'A list in brackets takes turns: it needs two movements or more.', [], opening);
  return { choices, inTurn: true, nameEnd: cursor.at };
}

/** The options of a line: each may have a dose, and behind its name, without a comma, a load, tempo and pause of its own. */
function readChoices(cursor: Cursor, names: MovementNames): ReadChoices {
  if (cursor.peek()?.text === '[') return readTurns(cursor);
  const choices: Choice[] = [];
  for (;;) {
    const end = segmentEnd(cursor);
    const isWhole = isName(cursor.slice(cursor.at, end), names);
    const stop = isWhole ? end : nextOr(cursor, end);
    const dose =
      choices.length > 0 && !isName(cursor.slice(cursor.at, stop), names) ? readDose(cursor, stop, names) : undefined;
    const first = cursor.peek();
    const name = readName(cursor, cursor.at, stop);
    if (choices.length === MAX_OPTIONS)
      cursor.fail('bad-value', `A line has at most ${MAX_OPTIONS} options; take this one out.`, [], first);
    cursor.at = stop;
    const own: OwnDraft = {};
    while (beginsOwn(cursor, cursor.at)) readModifier(cursor, own);
    choices.push({ name, ...(dose && { dose }), ...own });
    if (!cursor.takeWords('or')) return { choices, inTurn: false, nameEnd: stop };
  }
}

function nextOr(cursor: Cursor, end: number): number {
  for (let i = cursor.at; i < end; i++) {
    const { kind, text } = cursor.tokens[i]!;
    if (kind === 'word' && text === 'or') return i;
  }
  return end;
}

/** A movement's name: words as they stand, or one quotation. */
function readName(cursor: Cursor, from: number, to: number): string {
  const first = cursor.tokens[from];
  if (to <= from || !first)
    return cursor.fail(
      'missing',
      'The movement is missing; write its name after the number.',
      [],
      first ?? cursor.peek(),
    );
  if (first.kind === 'quoted' && to === from + 1) {
    if (first.text === '')
      return cursor.fail('missing', 'The quotation is empty; write the movement’s name in it.', [], first);
    return checkedName(cursor, first.text.replace(/\s+/g, ' '), first, first);
  }
  let letters = false;
  for (let i = from; i < to; i++) {
    const token = cursor.tokens[i]!;
    if (token.kind === 'quoted')
      return cursor.fail(
        'out-of-place',
        'A quoted name stands alone; write a comma before words that aren’t part of it.',
        [],
        token,
      );
    if (token.kind === 'clock')
      return cursor.fail(
        'out-of-place',
        `A time can’t stand inside a movement’s name; put it first, or the name in quotation marks.`,
        [],
        token,
      );
    if (token.kind === 'mark' && !['-', '+', '&', '/', '.', '(', ')', 'x'].includes(token.text)) {
      return cursor.fail(
        'out-of-place',
        `“${token.text}” can’t stand inside a movement’s name; put the name in quotation marks if it belongs there.`,
        [],
        token,
      );
    }
    letters ||= token.kind === 'word';
  }
  if (!letters)
    return cursor.fail(
      'missing',
      'The movement is missing; write its name after the number.',
      [],
      first,
      cursor.tokens[to - 1],
    );
  return checkedName(cursor, cursor.slice(from, to), first, cursor.tokens[to - 1]!);
}

function checkedName(cursor: Cursor, name: string, first: Token, last: Token): string {
  if (countLetters(name) > MAX_NAME_LENGTH) {
    return cursor.fail(
      'bad-value',
      `A movement’s name has at most ${MAX_NAME_LENGTH} letters; put further words in a modifier, in quotation marks.`,
      [],
      first,
      last,
    );
  }
  return name;
}

type Draft = {
  -readonly [
    K in
      | 'tempo'
      | 'pauseSec'
      | 'thenHold'
      | 'load'
      | 'halfEachSide'
      | 'mayBeSplit'
      | 'speed'
      | 'easier'
      | 'harder'
      | 'surprise'
      | 'cue'
      | 'watch'
      | 'atLeast'
      | 'words'
  ]?: WorkItem[K];
};
type OwnDraft = Pick<Draft, 'tempo' | 'pauseSec' | 'load'>;

function readModifier(cursor: Cursor, draft: Draft): void {
  const first = cursor.peek()!;
  const once = (key: keyof Draft) => {
    if (draft[key] !== undefined) cursor.fail('repeated', 'This is said twice on one line; keep one.', [], first);
  };
  if (first.kind === 'quoted') {
    if (first.text === '') cursor.fail('missing', 'The quotation is empty; remove it.', [], first);
    if (countLetters(first.text) > 200) cursor.fail('bad-value', 'Free words have at most 200 letters.', [], first);
    cursor.at++;
    draft.words = [...(draft.words ?? []), first.text.replace(/\s+/g, ' ')];
  } else if (cursor.takeWords('tempo')) {
    once('tempo');
    draft.tempo = readTempo(cursor, first);
  } else if (cursor.takeWords('pause')) {
    once('pauseSec');
    draft.pauseSec = cursor.duration('The pause');
  } else if (cursor.takeWords('then', 'hold', 'by', 'count')) {
    once('thenHold');
    draft.thenHold = 'by-count';
  } else if (cursor.takeWords('then', 'hold')) {
    once('thenHold');
    draft.thenHold = cursor.duration('The hold');
  } else if (cursor.takeMark('@')) {
    once('load');
    draft.load = readLoad(cursor);
  } else if (cursor.takeWords('half', 'each', 'side')) {
    once('halfEachSide');
    draft.halfEachSide = true;
  } else if (cursor.takeWords('may', 'be', 'split')) {
    once('mayBeSplit');
    draft.mayBeSplit = true;
  } else if (cursor.takeWords('easier')) {
    once('easier');
    draft.easier = readNeighbour(cursor);
  } else if (cursor.takeWords('harder')) {
    once('harder');
    draft.harder = readNeighbour(cursor);
  } else if (cursor.takeWords('a', 'surprise')) {
    once('surprise');
    draft.surprise = true;
  } else if (cursor.takeWords('at', 'least')) {
    once('atLeast');
    draft.atLeast = cursor.count('The least number', 1, MAX_AMOUNT);
  } else if (isSaying(cursor)) {
    const key = first.text === 'cue' ? 'cue' : 'watch';
    once(key);
    draft[key] = readSaying(cursor);
  } else if (first.kind === 'word' && SPEEDS.some((s) => s === first.text)) {
    once('speed');
    cursor.at++;
    draft.speed = first.text as (typeof SPEEDS)[number];
  } else {
    let end = cursor.at;
    while (end < cursor.tokens.length && cursor.tokens[end]!.text !== ',') end++;
    const words = cursor.slice(cursor.at, end);
    cursor.fail(
      'unknown-modifier',
      `“${cutLetters(words, 60)}” is no modifier; put free words in quotation marks.`,
      [...nearestWords(words, MODIFIERS), `"${cutLetters(words, 60)}"`],
      first,
      cursor.tokens[end - 1],
    );
  }
}

/** `cue "words"` or `watch "words"`. */
const isSaying = (cursor: Cursor): boolean =>
  ['cue', 'watch'].includes(cursor.peek()?.text ?? '') && cursor.peek(1)?.kind === 'quoted';

function readSaying(cursor: Cursor): string {
  const token = cursor.peek(1)!;
  if (token.text.trim() === '') cursor.fail('missing', 'The quotation is empty; write what is to be said.', [], token);
  if (countLetters(token.text) > MAX_CUE_LENGTH)
    cursor.fail('bad-value', `What is said has at most ${MAX_CUE_LENGTH} letters; write it shorter.`, [], token);
  cursor.at += 2;
  return token.text.trim().replace(/\s+/g, ' ');
}

/** The movement behind `easier` or `harder`: words up to the next comma. */
function readNeighbour(cursor: Cursor): string {
  let end = cursor.at;
  while (end < cursor.tokens.length && cursor.tokens[end]!.text !== ',') end++;
  const name = readName(cursor, cursor.at, end);
  cursor.at = end;
  return name;
}

function readTempo(cursor: Cursor, first: Token) {
  const part = () => cursor.count('Each part of a tempo', 0, 30);
  const downSec = part();
  if (!cursor.takeMark('-'))
    cursor.fail('missing', 'A tempo has three numbers: down, pause, up, like 4-1-2.', [], first);
  const pauseSec = part();
  if (!cursor.takeMark('-'))
    cursor.fail('missing', 'A tempo has three numbers: down, pause, up, like 4-1-2.', [], first);
  const upSec = part();
  if (downSec + pauseSec + upSec === 0) cursor.fail('bad-value', 'A tempo of 0-0-0 takes no time.', [], first);
  return { downSec, pauseSec, upSec };
}

/** The `/10/12` of `8/10/12 kg`: the weights of the rounds behind the first. */
function readLaterKg(cursor: Cursor): number[] {
  const later: number[] = [];
  while (cursor.peek()?.text === '/' && cursor.isNumber(1)) {
    later.push(cursor.peek(1)!.value);
    cursor.at += 2;
  }
  if (later.length >= MAX_ROUNDS)
    cursor.fail('bad-value', `A load has at most ${MAX_ROUNDS} weights, one a round; take some out.`);
  return later;
}

/** A step of a scale in the coach's words, up to a comma or the next option. */
function readStep(cursor: Cursor): string {
  const from = cursor.at;
  while (!cursor.done && cursor.peek()!.kind === 'word' && cursor.peek()!.text !== 'or') cursor.at++;
  const words = cursor.slice(from, cursor.at);
  // A unit or a number that is stuck to a letter is a load gone wrong.
  if (/\d|^kgs?(?!\p{L})/iu.test(words))
    cursor.fail(
      'missing',
      'After @ comes a load: “12 kg”, “2x8 kg”, “70%”, “effort 7” or “green band”.',
      [],
      cursor.tokens[from],
    );
  if (countLetters(words) > MAX_STEP_LENGTH)
    cursor.fail('bad-value', `A step of a scale has at most ${MAX_STEP_LENGTH} letters.`, [], cursor.tokens[from]);
  return words.toLowerCase().replace(/\s+/g, ' ');
}

const MAX_STEP_LENGTH = 40;

function readLoad(cursor: Cursor): Load {
  if (cursor.takeWords('effort')) return { kind: 'effort', effort: cursor.count('Effort', 0, 10) };
  const token = cursor.peek();
  if (token?.kind === 'word') return { kind: 'step', step: readStep(cursor) };
  if (token?.kind !== 'number')
    return cursor.fail('missing', 'After @ comes a load: “12 kg”, “2x8 kg”, “70%”, “effort 7” or “green band”.');
  cursor.at++;
  let pieces = 1;
  let value = token.value;
  if (cursor.takeMark('x')) {
    const second = cursor.peek();
    if (second?.kind !== 'number') return cursor.fail('missing', 'After the x comes the weight of each piece.');
    cursor.at++;
    pieces = value;
    value = second.value;
    if (!Number.isInteger(pieces) || pieces < 1 || pieces > 8)
      return cursor.fail('bad-value', 'The number of pieces is 1 to 8.', [], token);
  }
  if (pieces === 1 && cursor.takeMark('%')) {
    if (value <= 0 || value > MAX_SHARE_PCT) return cursor.fail('bad-value', 'A share is from 1 to 150 %.', [], token);
    return { kind: 'share', pct: value };
  }
  const laterKg = readLaterKg(cursor);
  if (!cursor.takeOneOf('kg'))
    return cursor.fail('missing', 'The load needs its unit.', [`${token.text} kg`, `${token.text}%`], token);
  if ([value, ...laterKg].some((kg) => kg <= 0 || kg > MAX_KG))
    return cursor.fail('bad-value', 'A load is more than 0 and at most 500 kg.', [], token);
  return { kind: 'weight', kg: value, pieces, ...(laterKg.length > 0 && { laterKg }) };
}
