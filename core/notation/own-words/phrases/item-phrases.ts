import { FILLERS, takeName, takeNumbered } from './name-phrases.ts';
import type { Amount, Choice, Dose, Load, Sides, Tempo, WorkItem } from '../../../document/document.ts';
import { mayBeWork } from './open-words.ts';
import { inParts } from './word-parts.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC, MAX_KG, MAX_SHARE_PCT } from '../../../limits.ts';
import type { MovementLibrary } from '../../../movement/library.ts';
import { nearestMovements } from '../../../movement/nearest-movements.ts';
import { MAX_OPTIONS } from '../../read-item.ts';
import type { Offered } from './option-phrases.ts';
import { takeOffered } from './option-phrases.ts';
import type { Doubt as WholeDoubt } from '../piece.ts';
import { D, N, N0, toNumber, toSeconds, re } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

/** A doubt before anybody has answered it. */
type Doubt = Omit<WholeDoubt, 'chosen'>;

/** What a line says of one movement. */
export interface ItemFacts {
  readonly item: WorkItem;
  /** So many sets of it, where the line says so. */
  readonly sets?: number;
  /** A rest that the line names behind it. */
  readonly restSec?: number;
  /** Whether the movement is one that the library knows, or reads. */
  readonly isKnown: boolean;
  /** Whether it says how much. */
  readonly hasNumber: boolean;
  /** Whether its name begins the line, and what follows is set apart. */
  readonly isFirst: boolean;
  /** Whether words are left that were read as nothing. */
  readonly hasWords: boolean;
  readonly doubts: readonly Doubt[];
}

const SIDE = '(?:sides?|legs?|arms?|way|direction|hand|foot|hip|knee)';
const KG_A_POUND = 0.45359237;
const METRES: readonly [RegExp, number][] = [
  [/^(?:km|kilomet(?:re|er)s?|k)$/, 1000],
  [/^(?:miles?|mi)$/, 1609],
  [/^(?:yards?|yds?)$/, 0.9144],
];

type Draft = { -readonly [K in keyof WorkItem]?: WorkItem[K] } & { words: string[] };

/** Takes what `strip` says of a movement and how much of it; undefined where no movement is left in it. */
export const takeItem = (strip: Strip, library: MovementLibrary): ItemFacts | undefined =>
  takeRow([{ strip }], library);

/** As takeItem, of several stretches that speak of one movement: the cells of a row. Its name stands in the last. */
export function takeRow(parts: readonly { readonly strip: Strip }[], library: MovementLibrary): ItemFacts | undefined {
  const draft: Draft = { words: [] };
  const doubts: Doubt[] = [];
  const offered = parts.map(({ strip }) => takeOffered(strip, (part) => readOption(part, library), library));
  const numbered = takeNumbered(parts.at(-1)!.strip, library);
  let sides: Sides | undefined;
  let dosed: { dose?: Dose; sets?: number } = {};
  let restSec: number | undefined;
  for (const { strip } of parts) {
    restSec = takeRestBehind(strip) ?? restSec;
    takeManner(strip, draft);
    takeLoad(strip, draft);
    const doubt = takeTempo(strip, draft, parts.length > 1);
    if (doubt) doubts.push(doubt);
    sides = takeSides(strip, draft) ?? sides;
    if (dosed.dose === undefined) dosed = { ...dosed, ...takeDose(strip, takeMeasured(strip), sides) };
  }
  if (restSec === undefined && dosed.sets !== undefined && dosed.dose?.kind !== 'time')
    restSec = takeRestAtEnd(parts.at(-1)!.strip);
  const named = numbered ?? takeName(parts.at(-1)!.strip, library);
  if (!named) return undefined;
  const isMeasured = dosed.dose?.kind === 'distance' || dosed.dose?.kind === 'energy';
  const choices = isMeasured ? named.choices.map(onMachine) : named.choices;
  const { isKnown } = named;
  const hasWords = parts.map(({ strip }) => takeWords(strip, draft, doubts)).some(Boolean);
  if (!isKnown) {
    const piece = parts.at(-1)!.strip.taken.find((t) => t.as === 'movement')!;
    const name = choices[0]!.name;
    doubts.push({
      start: piece.start,
      end: piece.end,
      facts: { code: 'new-movement', name, near: nearTo(name, library) },
    });
  }
  const { dose, sets } = dosed;
  const { words, ...rest } = withOffered(draft, choices, offered);
  return {
    item: {
      kind: 'work',
      ...(dose && { dose }),
      inTurn: false,
      ...rest,
      ...(words.length > 0 && { words }),
    },
    ...(sets !== undefined && { sets }),
    ...(restSec !== undefined && { restSec }),
    isKnown,
    hasNumber: dose !== undefined && dose.kind !== 'given',
    isFirst: isSetApart(parts.at(-1)!.strip),
    hasWords,
    doubts,
  };
}

/** What is measured in metres or calories is done on a machine, whatever else the word means: "row 250 m" (common practice). */
const onMachine = (choice: Choice): Choice => (choice.name === 'bent-over row' ? { name: 'rowing machine' } : choice);

/** What an option can say of itself; its words go to the line. */
const OPTION_KEYS = new Set(['kind', 'dose', 'choices', 'inTurn', 'tempo', 'pauseSec', 'load', 'words']);

/** An option of a line; undefined where a word of it stays open. */
function readOption(strip: Strip, library: MovementLibrary): WorkItem | undefined {
  const read = takeRow([{ strip }], library);
  if (!read?.isKnown || read.hasWords || read.doubts.length > 0 || read.sets !== undefined) return undefined;
  return Object.keys(read.item).every((key) => OPTION_KEYS.has(key)) ? read.item : undefined;
}

/** What is offered beside a movement. Where each option is loaded in its own way, so is the first. */
function withOffered(
  draft: Draft,
  choices: readonly Choice[],
  offered: readonly Offered[],
): Draft & Pick<WorkItem, 'choices'> {
  // "8 dips (scale: bench dips)": what is the same thing here offers nothing.
  const others = offered
    .flatMap((o) => o.choices)
    .filter((c) => Object.keys(c).length > 1 || c.name !== choices[0]!.name);
  const harder = offered.flatMap((o) => o.harder ?? [])[0];
  const { load, tempo, pauseSec, ...line } = draft;
  const own = { ...(load && { load }), ...(tempo && { tempo }), ...(pauseSec && { pauseSec }) };
  const isOwn = offered.some((o) => o.areWhole) && choices.length === 1;
  const every = [...(isOwn ? [{ ...choices[0]!, ...own }] : choices), ...others];
  const all = every.slice(0, MAX_OPTIONS);
  const words = [
    ...line.words,
    ...offered.flatMap((o) => o.words),
    ...every.slice(MAX_OPTIONS).map((c) => `or ${c.name}`),
  ];
  return { ...line, words, ...(!isOwn && own), ...(harder !== undefined && { harder }), choices: all };
}

function isSetApart(strip: Strip): boolean {
  const name = strip.taken.find((t) => t.as === 'movement')!;
  const before = strip.source.slice(strip.start, name.start);
  return (
    !/[\p{L}\p{N}]/u.test(before) && /^\s*[,;:(-]/.test(strip.source.slice(name.end, strip.start + strip.text.length))
  );
}

/** What a new name may be meant as, in the plural too; at most three. */
const nearTo = (name: string, library: MovementLibrary): string[] =>
  [...new Set([...nearestMovements(name, library), ...nearestMovements(name.replace(/s$/, ''), library)])].slice(0, 3);

/** Keeps what is left of a strip as words; whether there was any. */
function takeWords(strip: Strip, draft: Draft, doubts: Doubt[]): boolean {
  let hasWords = false;
  for (const { from, to } of strip.left()) {
    if (FILLERS.test(strip.text.slice(from, to))) {
      strip.takeRange(from, to, 'dose');
      continue;
    }
    hasWords = true;
    draft.words.push(...inParts(strip.original(from, to).replace(/["“”„]/g, '’')));
    const isNumber = mayBeWork(strip.text.slice(from, to));
    strip.takeRange(from, to, isNumber ? 'unread' : 'note');
    if (isNumber) doubts.push({ start: strip.start + from, end: strip.start + to, facts: { code: 'unread' } });
  }
  return hasWords;
}

function takeManner(strip: Strip, draft: Draft): void {
  takeHold(strip, draft);
  const pause =
    strip.take(
      re`(?:\\(|,|-|with (?:an? )?)*\\s*(?:\\bpause\\s*(?:for )?(${D}|\\d)|(${D}|\\d)[\\s-]*(?:second )?pause)(?:\\s*(?:at|in) the (?:bottom|top|middle|end))?\\)?`,
      'tempo',
    ) ??
    strip.take(re`(?:\\(|,|-)+\\s*\\bhold(?:ing)?\\s*(?:it )?(?:for )?(${D})\\s*at the (?:top|bottom)\\)?`, 'tempo');
  if (pause) {
    const sec = toSeconds(pause[1] ?? pause[2]!, 1);
    if (sec > 0 && sec <= 60) draft.pauseSec = sec;
  }
  const speed = strip.take(/[,(]\s*(slow|steady|brisk)(?:ly)?\)?\W*$/, 'tempo');
  if (speed) draft.speed = speed[1] as 'slow' | 'steady' | 'brisk';
  if (strip.take(/\b(?:may|can) be (?:split|broken(?: up)?)\b/, 'note')) draft.mayBeSplit = true;
  if (strip.take(/\bhalf (?:on )?each side\b/, 'side')) draft.halfEachSide = true;
}

/** `…, 90 s rest`, `… with two minutes' rest between sets`, `…, r60`. */
function takeRestBehind(strip: Strip): number | undefined {
  const BETWEEN = '(?:\\s*(?:in )?(?:between|after)(?: (?:each|every))?(?: (?:sets?|ones?|rounds?|reps?))?)?';
  const found =
    strip.take(
      re`(?:[,;(/-]\\s*|\\b(?:with|and|then|take)\\s+)+(?:an? )?(${D})\\s*(?:of )?(?:rest|recovery|recover|break)\\b${BETWEEN}\\)?`,
      'rest',
    ) ??
    strip.take(
      re`(?:[,;(/-]\\s*|\\b(?:with|and|then|take)\\s+)+(?:an? )?(?:rest|recover|recovery|break|r)\\b\\s*(?:for |of |:|=|@)*\\s*(${D})${BETWEEN}\\)?`,
      'rest',
    ) ??
    strip.take(/[,;(/-]\s*(?:rest|r)\s*[:=@]?\s*(\d{2,3})(?:\s*(?:s|secs?|seconds?|"))?(?![\w:])\)?/, 'rest');
  const sec = found ? toSeconds(found[1]!, 1) : 0;
  return Number.isInteger(sec) && sec > 0 && sec <= MAX_DURATION_SEC ? sec : undefined;
}

/** "3x15 @ 8 kg - 60s": a length behind sets that are counted is their rest. */
function takeRestAtEnd(strip: Strip): number | undefined {
  const found = strip.take(re`[-,(]\\s*(${D})\\s*\\)?\\W*$`, 'rest');
  const sec = found ? toSeconds(found[1]!) : 0;
  return sec > 0 && sec <= MAX_DURATION_SEC ? sec : undefined;
}

/** So long each repetition may be held; a longer hold comes after the last one (common practice). */
const MOST_EACH_SEC = 10;

/** `12, hold 3 s`: each repetition is held. `15 and hold the last one for 20 s`: the last is. `10 x 5 s hold`: ten of five seconds. */
function takeHold(strip: Strip, draft: Draft): void {
  const parted = re`(?:^|[^\\w])(${N0})\\s*x\\s*(${D})\\s*-?\\s*holds?\\b`.exec(strip.text);
  if (parted && toNumber(parted[1]!) >= LEAST_HELD && toSeconds(parted[2]!) <= MOST_EACH_SEC) {
    draft.pauseSec = toSeconds(parted[2]!);
    const from = parted.index + parted[0].indexOf(parted[1]!) + parted[1]!.length;
    strip.takeRange(from, parted.index + parted[0].length, 'tempo');
    return;
  }
  const counts = /\d+\s*(?:reps?|times|x)[^,;]*\bhold|^\W*\d|\d[^;]*[,(]\s*hold/.test(strip.text);
  const held = counts
    ? strip.take(
        re`(?:[,(-]|and|then|\\s)+\\bhold(?:ing)? (it |each(?: one| rep)? |the last (?:one|rep) |the end |there )?(?:for )?(?:an? )?(${D})(\\s*(?:at|in) the (?:top|bottom|middle|end))?\\)?`,
        'dose',
      )
    : undefined;
  const sec = held ? toSeconds(held[2]!) : 0;
  if (!held || sec <= 0 || sec > 600) return;
  const isLast = /last|end|there|then/.test(held[0].replace(/at the end/, ''));
  if (!isLast && sec <= (held[3] === undefined ? MOST_EACH_SEC : 60)) draft.pauseSec = sec;
  else draft.thenHold = sec;
}

/** From so many on, a number before a short hold counts repetitions, not sets. */
const LEAST_HELD = 5;

/** `isColumn`: the cell of a column that is about tempo says nothing else. */
function takeTempo(strip: Strip, draft: Draft, isColumn: boolean): Doubt | undefined {
  const four =
    strip.take(/(?:@\s*)?\b(?:tempo\s*(?:of |:|@)?\s*)(\d)[\s-]?(\d)[\s-]?([\dx])(?:[\s-]?(\d))?(?![\dx-])/, 'tempo') ??
    strip.take(/(?:@\s*)\b(\d)(\d)([\dx])(\d)\b(?!\s*(?:kg|lb|%))|(?<![\w-])(\d)(\d)(x)(\d)\b/, 'tempo');
  if (four) {
    const [down, pause, up, top] = four[1] === undefined ? four.slice(5, 9) : four.slice(1, 5);
    draft.tempo = tempoOf(down!, pause!, up!);
    if (top !== undefined && top !== '0') draft.words.push(`${top} s at the top`);
    return undefined;
  }
  const named = strip.take(/[\s(,]*\b(\d)-(\d)-([\dx])\s*tempo\b\)?/, 'tempo');
  if (named) {
    draft.tempo = tempoOf(named[1]!, named[2]!, named[3]!);
    return undefined;
  }
  const three = /(?:^|[\s(,])(\d)-(\d)-(\d)(?![\d-])/.exec(strip.text);
  if (!three || (!isColumn && !/[a-z]{3}/.test(strip.text.slice(0, three.index)))) return undefined;
  const [, down, pause, up] = three;
  strip.takeRange(three.index, three.index + three[0].length, 'tempo');
  const piece = strip.taken.at(-1)!;
  draft.tempo = tempoOf(down!, pause!, up!);
  if (isColumn) return undefined;
  return {
    start: piece.start,
    end: piece.end,
    facts: { code: 'tempo-or-rounds', numbers: [Number(down), Number(pause), Number(up)] },
  };
}

/** `x`: as fast as it goes. */
const tempoOf = (down: string, pause: string, up: string): Tempo => ({
  downSec: Math.max(Number(down), Number(pause) + Number(up) === 0 ? 1 : 0),
  pauseSec: Number(pause),
  upSec: up === 'x' ? 1 : Number(up),
});

/** `60/70/80 kg`: another weight each round. */
function takeLoadByRound(strip: Strip, draft: Draft): Load | undefined {
  const by = strip.take(
    /\(?\s*(?:@|at|with|using)?\s*(\d{1,3}(?:\.\d{1,2})?(?:\s*\/\s*\d{1,3}(?:\.\d{1,2})?){1,9})\s*(?:kgs?|kilos?)\b\s*\)?/,
    'load',
  );
  const [kg, ...laterKg] = by?.[1]!.split('/').map(Number) ?? [];
  if (kg === undefined) return undefined;
  if ([kg, ...laterKg].some((n) => n <= 0 || n > MAX_KG)) {
    draft.words.push(by![0].trim());
    return undefined;
  }
  // "24/16 kg": the lighter one of two is for who wants it, not for the second round (common practice).
  if (laterKg.length === 1 && laterKg[0]! < kg) {
    draft.words.push(`or ${laterKg[0]!} kg`);
    return { kind: 'weight', kg, pieces: 1 };
  }
  return { kind: 'weight', kg, pieces: 1, laterKg };
}

function takeLoad(strip: Strip, draft: Draft): void {
  const byRound = takeLoadByRound(strip, draft);
  if (byRound) {
    draft.load = byRound;
    return;
  }
  const weight = strip.take(
    re`\\(?\\s*(?:@|at|with|using)?\\s*(?:an? )?(?:(\\d)\\s*x\\s*)?(\\d{1,3}(?:[.,]\\d{1,2})?)\\s*(kgs?|kilos?|lbs?|pounds?|#)(?![\\w/])(?:\\s*(?:each|db|dbs|kb))?\\s*\\)?`,
    'load',
  );
  if (weight) {
    const isPounds = /^(?:lb|pound|#)/.test(weight[3]!);
    const said = Number(weight[2]!.replace(',', '.'));
    const kg = isPounds ? Math.round(said * KG_A_POUND * 2) / 2 : said;
    const pieces = Math.min(8, Math.max(1, Number(weight[1] ?? 1)));
    if (kg > 0 && kg <= MAX_KG) draft.load = { kind: 'weight', kg, pieces } satisfies Load;
    if (isPounds || !draft.load)
      draft.words.push(`${weight[1] === undefined ? '' : `${weight[1]}x`}${weight[2]} ${isPounds ? 'lb' : 'kg'}`);
    return;
  }
  const share = strip.take(/\(?\s*(?:@|at)?\s*(\d{1,3})\s*%(?:\s*(?:of\s*)?(?:1?\s*rm|max))?\s*\)?/, 'load');
  if (share && Number(share[1]) > 0 && Number(share[1]) <= MAX_SHARE_PCT)
    draft.load = { kind: 'share', pct: Number(share[1]) };
  const effort = share
    ? undefined
    : strip.take(/\(?\s*(?:@|at)?\s*(?:rpe|effort)\s*(\d{1,2})(?:\s*\/\s*10)?\s*\)?/, 'load');
  if (effort && Number(effort[1]) <= 10) draft.load = { kind: 'effort', effort: Number(effort[1]) };
}

/** What is done on one side at a time by its name. */
const ONE_SIDED = /\b(?:single|one|split|side|leg|arm|pigeon|balance|lunge|calf|hamstring|hip|quad|glute|shoulder)\b/;

function takeSides(strip: Strip, draft: Draft): Sides | undefined {
  const both =
    /(?:^|[^\w])(\d{1,3})\s*(?:l|left)\b\s*(?:[/,+&-]|and)*\s*(\d{1,3})\s*(?:r|right)\b(?:,?\s*then (?:swap|switch))?/.exec(
      strip.text,
    );
  if (both && both[1] === both[2]) {
    // The number stays for the dose to take.
    const at = both.index + both[0].indexOf(both[1]!) + both[1]!.length;
    strip.takeRange(at, both.index + both[0].length, 'side');
    return 'each';
  }
  if (
    strip.take(re`\\(?\\s*(?:/|\\b(?:per|each|on each|for each|every|e)\\b\\s*/?)\\s*${SIDE}\\b\\s*\\)?`, 'side') ??
    strip.take(/\(?\s*(?<![a-z])e\/?s\b\s*\)?/, 'side') ??
    strip.take(
      /\(?\b(?:both sides|left and right|l\/r|l & r|l and r|l\+r)\b\)?(?:,?\s*then (?:swap|switch))?/,
      'side',
    ) ??
    strip.take(/(?<=\d)\s*ea(?:ch)?\b\.?/, 'side') ??
    (ONE_SIDED.test(strip.text)
      ? strip.take(/(?<=\d\s*(?:s|secs?|seconds?|mins?|minutes?))\s+each\b(?=\W*$)/, 'side')
      : undefined)
  )
    return 'each';
  const one = strip.take(/\b(left|right)(?= (?:side|leg|arm|hand)\b)(?: (?:side|leg|arm|hand))(?: only)?\b/, 'side');
  if (one) {
    draft.side = one[1] as 'left' | 'right';
    return undefined;
  }
  if (strip.take(/\(?\s*\balternat(?:e|ing)\b\s*(?:sides|legs|arms)?\s*\)?|\(?\balt\b\.?\)?/, 'side'))
    return 'alternate';
  return undefined;
}

/** A distance or an energy. */
function takeMeasured(strip: Strip): Dose | undefined {
  const far = strip.take(
    /\b(\d{1,5}(?:[.,]\d+)?)\s*-?\s*(km|kilomet(?:re|er)s?|k|m|met(?:re|er)s?|miles?|mi|yards?|yds?)(?![\w'])/,
    'dose',
  );
  if (far) {
    const factor = METRES.find(([pattern]) => pattern.test(far[2]!))?.[1] ?? 1;
    const metres = Math.round(Number(far[1]!.replace(',', '.')) * factor);
    if (metres >= 1 && metres <= MAX_AMOUNT * 10) return { kind: 'distance', metres };
  }
  const energy = strip.take(/\b(\d{1,4})\s*(?:k?cals?|calories)\b/, 'dose');
  return energy && Number(energy[1]) > 0 ? { kind: 'energy', kcal: Number(energy[1]) } : undefined;
}

const amount = (low: number, high?: number): Amount | undefined =>
  !Number.isInteger(low) || low < 1 || low > MAX_AMOUNT
    ? undefined
    : high !== undefined && high > low && high <= MAX_AMOUNT
      ? { kind: 'range', low, high }
      : { kind: 'fixed', value: low };

const REPS = '(?:\\s*(?:reps?|repetitions|times|x)\\b)?';
const RANGE = `(${N})(?:\\s*(?:-|to)\\s*(${N}))?`;

/** How many sets, and how much. */
function takeDose(strip: Strip, measured: Dose | undefined, sides: Sides | undefined): { dose?: Dose; sets?: number } {
  const timed = (text: string): Dose | undefined => {
    const sec = toSeconds(text);
    return sec > 0 && sec <= MAX_DURATION_SEC && Number.isInteger(sec)
      ? { kind: 'time', amountSec: { kind: 'fixed', value: sec }, ...(sides === 'each' && { sides }) }
      : undefined;
  };
  const counted = (low: string, high?: string): Dose | undefined => {
    const said = amount(toNumber(low), high === undefined ? undefined : toNumber(high));
    return said && { kind: 'reps', amount: said, ...(sides && { sides }) };
  };
  const withSides = (dose: Dose): Dose =>
    sides && (dose.kind === 'distance' || dose.kind === 'max') ? { ...dose, sides } : dose;
  const setsOf = strip.take(re`(?:\\b|^)(${N0})\\s*(?:sets?\\s*(?:of|x)?|x)\\s*(?=${D})`, 'count');
  const toMost = strip.take(
    re`(?:\\b|^)(${N0})\\s*(?:sets?\\s*(?:of|x)?|x)\\s*(?:max(?:imum)?(?: reps?)?|amrap|f|failure|to failure)\\b`,
    'count',
  );
  if (toMost) return { dose: withSides({ kind: 'max' }), sets: toNumber(toMost[1]!) };
  const bySets = setsOf
    ? undefined
    : strip.take(re`(?:\\b|^)(${N0})\\s*(?:sets?\\s*(?:of|x)?|x)\\s*${RANGE}${REPS}`, 'count');
  if (bySets) return { dose: counted(bySets[2]!, bySets[3]) ?? measured, sets: toNumber(bySets[1]!) };
  const onlySets =
    setsOf ??
    (measured
      ? strip.take(re`\\bx\\s*(${N})|\\b(${N0})\\s*x(?!\\w)`, 'count')
      : strip.take(re`\\b(${N})\\s*sets?(?: of)?\\b`, 'count'));
  const sets = onlySets ? { sets: toNumber(onlySets[1] ?? onlySets[2]!) } : {};
  if (measured) return { dose: withSides(measured), ...sets };
  strip.take(/[\s,]*\b(?:in|with) (?:the )?(?:remaining time|time (?:left|remaining))(?: left)?\b/, 'dose');
  const most = strip.take(
    /\b(?:max(?:imum)?(?: reps?| effort)?|amrap|as many as (?:you can|possible)|(?:to|until|till) (?:you )?fail(?:ure)?)\b/,
    'dose',
  );
  // "As many as you can in 2 min" is a count; its time is no item's to say, and is asked about.
  const isCount = most?.[0].startsWith('as many') === true;
  const long = isCount ? undefined : strip.take(re`(?:\\bfor\\s*)?(${D})(?:\\s*(?:of|each)(?!\\w))?`, 'dose');
  if (long) {
    const often =
      sets.sets === undefined ? strip.take(re`\\b(${N0})\\s*(?:times|x)(?!\\w)|\\bx\\s*(${N})`, 'count') : undefined;
    const dose = timed(long[1]!) ?? (most && ({ kind: 'max' } as const));
    return { ...(dose && { dose }), ...sets, ...(often && { sets: toNumber(often[1] ?? often[2]!) }) };
  }
  if (most) return { dose: withSides({ kind: 'max' }), ...sets };
  const list = strip.take(/(?:^|[\s:(])(\d{1,3}(?:\s*-\s*\d{1,3}){2,})(?![\d%])/, 'dose');
  if (list) {
    const values = list[1]!
      .match(/\d+/g)!
      .map(Number)
      .filter((n) => n >= 1);
    // "5-5-5-5-5" is five sets of five.
    if (sets.sets === undefined && values.length > 0 && values.every((n) => n === values[0]))
      return { dose: counted(String(values[0]!))!, sets: values.length };
    if (values.length > 0)
      return { dose: { kind: 'reps', amount: { kind: 'list', values }, ...(sides && { sides }) }, ...sets };
  }
  const count =
    strip.take(re`\\bx\\s*${RANGE}${REPS}`, 'dose') ??
    strip.take(re`(?:^|[\\s(:,-])${RANGE}${REPS}(?:\\s+(?:total|in all|of))?`, 'dose');
  const dose = count ? counted(count[1]!, count[2]) : undefined;
  return {
    ...((dose ?? (sides && ({ kind: 'given', sides } as const))) && { dose: dose ?? { kind: 'given', sides: sides! } }),
    ...sets,
  };
}
