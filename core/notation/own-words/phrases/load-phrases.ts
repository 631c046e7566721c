import type { Load } from '../../../document/document.ts';
import { MAX_KG, MAX_SHARE_PCT } from '../../../limits.ts';
import type { Draft } from './item-draft.ts';
import { re } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

const KG_A_POUND = 0.45359237;

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

export function takeLoad(strip: Strip, draft: Draft): void {
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
  const pairs = strip.take(/\(\s*([12])\s*x\s*(\d{1,3})\s*\)/, 'load');
  if (pairs && Number(pairs[2]) > 0) {
    draft.load = { kind: 'weight', kg: Number(pairs[2]), pieces: Number(pairs[1]) };
    draft.words.push(`${pairs[1]}x${pairs[2]}`);
    return;
  }
  const bare = strip.take(/@\s*(\d{1,3}(?:\.\d)?)(?![\d.%x/:]|\s*(?:%|kgs?|lbs?|rpe|rm|\d))/, 'load');
  if (bare && Number(bare[1]) > 0 && Number(bare[1]) <= MAX_KG) {
    // Without a unit it is taken as kilograms, and what was written stays.
    draft.load = { kind: 'weight', kg: Number(bare[1]), pieces: 1 };
    draft.words.push(`@ ${bare[1]}`);
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
