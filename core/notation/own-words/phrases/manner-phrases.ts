import type { Tempo } from '../../../document/document.ts';
import { MAX_DURATION_SEC } from '../../../limits.ts';
import type { Doubt, Draft } from './item-draft.ts';
import { D, N0, re, toNumber, toSeconds } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

export function takeManner(strip: Strip, draft: Draft): void {
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
  const speed =
    strip.take(/[,(]\s*(slow|steady|brisk)(?:ly)?\)?\W*$/, 'tempo') ?? strip.take(/\b(slow|steadi|brisk)ly\b/, 'tempo');
  if (speed) draft.speed = (speed[1] === 'steadi' ? 'steady' : speed[1]) as 'slow' | 'steady' | 'brisk';
  if (strip.take(/\b(?:may|can) be (?:split|broken(?: up)?)\b/, 'note')) draft.mayBeSplit = true;
  if (strip.take(/\bhalf (?:on )?each side\b/, 'side')) draft.halfEachSide = true;
}

/** `R3` in shorthand: three minutes. */
const takeMinutesOfRest = (strip: Strip): RegExpExecArray | undefined =>
  strip.take(/[,;(/-]\s*r(\d)(?![\w:'"])\)?/, 'rest');

/** `…, 90 s rest`, `… with two minutes' rest between sets`, `…, r60`. */
export function takeRestBehind(strip: Strip): number | undefined {
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
    takeMinutesOfRest(strip) ??
    strip.take(/[,;(/-]\s*(?:rest|r)\s*[:=@]?\s*(\d{2,3})(?:\s*(?:s|secs?|seconds?|"))?(?![\w:])\)?/, 'rest');
  const sec = found ? toSeconds(found[1]!, /^\d$/.test(found[1]!) ? 60 : 1) : 0;
  return Number.isInteger(sec) && sec > 0 && sec <= MAX_DURATION_SEC ? sec : undefined;
}

/** "3x15 @ 8 kg - 60s": a length behind sets that are counted is their rest. */
export function takeRestAtEnd(strip: Strip): number | undefined {
  const found = strip.take(re`[-,(]\\s*(${D})\\s*\\)?\\W*$`, 'rest');
  const sec = found ? toSeconds(found[1]!) : 0;
  return sec > 0 && sec <= MAX_DURATION_SEC ? sec : undefined;
}

/** So long each repetition may be held; a longer hold comes after the last one (common practice). */
const MOST_EACH_SEC = 10;

/** `12, hold 3 s`: each repetition is held. `15 and hold the last one for 20 s`: the last is. `10 x 5 s hold`: ten of five seconds. */
function takeHold(strip: Strip, draft: Draft): void {
  const parted = re`(?:^|[^\\w])(${N0})\\s*x\\s*(${D})(\\s*-?\\s*holds?\\b)?`.exec(strip.text);
  const mostSec = parted?.[3] === undefined ? MOST_UNSAID_SEC : MOST_EACH_SEC;
  if (parted && toNumber(parted[1]!) >= LEAST_HELD && toSeconds(parted[2]!) <= mostSec) {
    draft.pauseSec = toSeconds(parted[2]!);
    const from = parted.index + parted[0].indexOf(parted[1]!) + parted[1]!.length;
    strip.takeRange(from, parted.index + parted[0].length, 'tempo');
    return;
  }
  const behind = strip.take(re`(?<=\\d[^,;]*)[,;]\\s*(?:each |with )?(?:an? )?(${D})\\s*-?\\s*holds?\\b`, 'tempo');
  if (behind && toSeconds(behind[1]!) > 0 && toSeconds(behind[1]!) <= 60) {
    draft.pauseSec = toSeconds(behind[1]!);
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

/** So long without the word "hold": ten of five seconds each. */
const MOST_UNSAID_SEC = 6;

/** From so many on, a number before a short hold counts repetitions, not sets. */
const LEAST_HELD = 5;

/** `isColumn`: the cell of a column that is about tempo says nothing else. */
export function takeTempo(strip: Strip, draft: Draft, isColumn: boolean): Doubt | undefined {
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
