import type { Amount, Dose, Sides } from '../../../document/document.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC } from '../../../limits.ts';
import type { Draft } from './item-draft.ts';
import { D, N, N0, re, toNumber, toSeconds } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

const SIDE = '(?:sides?|legs?|arms?|way|direction|hand|foot|hip|knee)';

const METRES: readonly [RegExp, number][] = [
  [/^(?:km|kilomet(?:re|er)s?|k)$/, 1000],
  [/^(?:miles?|mi)$/, 1609],
  [/^(?:yards?|yds?)$/, 0.9144],
];

/** What is done on one side at a time by its name. */
const ONE_SIDED = /\b(?:single|one|split|side|leg|arm|pigeon|balance|lunge|calf|hamstring|hip|quad|glute|shoulder)\b/;

export function takeSides(strip: Strip, draft: Draft): Sides | undefined {
  // "10 presses, 5 each arm": the same number once more, by side.
  const twice =
    re`(?:^|[^\\w])(${N0})\\s[^\\d]*?[\\s,(]+(?:so )?(${N0})\\s*(?:per|each|on each|a|with each)\\s*${SIDE}\\)?\\W*$`.exec(
      strip.text,
    );
  if (twice && toNumber(twice[1]!) === 2 * toNumber(twice[2]!)) {
    const from = twice.index + twice[0].indexOf(twice[1]!);
    strip.takeRange(from, from + twice[1]!.length, 'dose');
    strip.takeRange(twice.index + twice[0].lastIndexOf(twice[2]!) + twice[2]!.length, strip.text.length, 'side');
    return 'each';
  }
  if (strip.take(/[\s,]*\b(?:left and right|each side) (?:alternately|in turn|by turns)\b/, 'side')) return 'alternate';
  // "8/8 lunges": as many with each side.
  const pair = /(?:^|[\s(,])(\d{1,3})\s*\/\s*\1(?![\d/])(?=\s)/.exec(strip.text);
  if (pair) {
    const slash = pair.index + pair[0].indexOf('/');
    strip.takeRange(slash, pair.index + pair[0].length, 'side');
    return 'each';
  }
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
    strip.take(/\s+ea\b\.?(?=\W*$)/, 'side') ??
    (ONE_SIDED.test(strip.text) ? strip.take(/(?<=\d)\s+each\b(?=\W*$)/, 'side') : undefined) ??
    (ONE_SIDED.test(strip.text)
      ? strip.take(/(?<=\d\s*(?:s|secs?|seconds?|mins?|minutes?))\s+each\b(?=\W*$)/, 'side')
      : undefined)
  )
    return 'each';
  const one =
    strip.take(/\b(left|right)(?= (?:side|leg|arm|hand)\b)(?: (?:side|leg|arm|hand))(?: only)?\b/, 'side') ??
    strip.take(/\(?\s*(?:\bon )?(?:the )?\b(left|right|l|r) only\b\s*\)?/, 'side');
  if (one) {
    draft.side = one[1]!.startsWith('l') ? 'left' : 'right';
    return undefined;
  }
  if (strip.take(/\(?\s*\balternat(?:e|ing)\b\s*(?:sides|legs|arms)?\s*\)?|\(?\balt\b\.?\)?/, 'side'))
    return 'alternate';
  return undefined;
}

/** A distance or an energy. */
export function takeMeasured(strip: Strip, draft: Draft): Dose | undefined {
  const far = strip.take(
    /(?:\b|(?<=\dx))(\d{1,5}(?:[.,]\d+)?)\s*-?\s*(km|kilomet(?:re|er)s?|k|m|met(?:re|er)s?|miles?|mi|yards?|yds?)(?![\w'])/,
    'dose',
  );
  if (far) {
    const factor = METRES.find(([pattern]) => pattern.test(far[2]!))?.[1] ?? 1;
    const metres = Math.round(Number(far[1]!.replace(',', '.')) * factor);
    if (metres >= 1 && metres <= MAX_AMOUNT * 10) return { kind: 'distance', metres };
  }
  // "15/12 cal": the lower one is for who wants it (common practice).
  const energy = strip.take(/\b(\d{1,4})(?:\s*\/\s*(\d{1,4}))?\s*(?:k?cals?|calories)\b/, 'dose');
  if (energy?.[2] !== undefined) draft.words.push(`or ${energy[2]} cal`);
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
export function takeDose(
  strip: Strip,
  measured: Dose | undefined,
  sides: Sides | undefined,
): { dose?: Dose; sets?: number } {
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
