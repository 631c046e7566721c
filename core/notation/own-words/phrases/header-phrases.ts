import { MAX_ROUNDS } from '../../../limits.ts';
import {
  M,
  isDuration,
  numbersOf,
  takeEach,
  takeIntervals,
  takeSlots,
  takeSpan,
  takeWindows,
} from './clock-phrases.ts';
import type { HeaderFacts } from './header-facts.ts';
import { takeAccumulate, takeClimb, takePartners } from './rarer-clocks.ts';
import { takeRole } from './role-phrases.ts';
import { D, N, N0, TIMES, re, toNumber, toSeconds, toTimes } from './spoken-numbers.ts';
import type { Strip } from './strip.ts';

/** Takes all that `strip` says of a list. */
export function takeHeader(strip: Strip): HeaderFacts {
  const facts: HeaderFacts = {};
  const named = takeRole(strip);
  if (named) Object.assign(facts, named);
  if (strip.take(/\b(?:buy[\s-]?in)\b/, 'role')) facts.isOnce = true;
  takePartners(strip, facts);
  const hasEach = takeEach(strip, facts);
  takeRest(strip, facts);
  if (hasEach) restInChange(facts);
  // One clock a list: the first that is named.
  else [takeClimb, takeIntervals, takeSlots, takeSpan, takeWindows].some((takeClock) => takeClock(strip, facts));
  takeAccumulate(strip, facts);
  takeList(strip, facts);
  takeOwn(strip, facts);
  takeRounds(strip, facts);
  restOfRounds(strip, facts);
  return facts;
}

function takeRest(strip: Strip, facts: HeaderFacts): void {
  const REST = '(?:rest(?:ing)?|recover(?:y|ing)?|break|pause|r)';
  const LONG = `(?:(${N})\\s*(?:-|to)\\s*)?(${D})`;
  const BETWEEN =
    '(?:(?:in[\\s-]?)?(?:between|btw|b/w|after|per|at the end of)\\s*(?:each|every|them|the|all|your)?\\s*(rounds?|rds?|sets?|circuits?|laps?|exercises?|items?|movements?|stations?|moves?|ones?)?)';
  const found =
    strip.take(
      re`(?:take |with |and )?\\b${REST}\\b\\s*(?:for |of |:|-|about )?\\s*${LONG}\\s*(?:of |for |'s )?\\s*${BETWEEN}`,
      'rest',
    ) ??
    strip.take(re`(?:take |with |and )?${LONG}\\s*(?:of |'s )?\\s*${REST}\\b\\s*${BETWEEN}`, 'rest') ??
    strip.take(re`(?:take |with |and |^|[,;(]\\s*)(?:the )?${LONG}\\s*(?:off )?${BETWEEN}`, 'rest') ??
    // A range alone is a rest that somebody takes as they need it: after each round.
    strip.take(re`^\\W*${REST}\\b\\s*(?:for |of |:|-)*\\s*(${N0})\\s*(?:-|to)\\s*(${D})\\W*$`, 'rest') ??
    strip.take(re`^\\W*(${N0})\\s*(?:-|to)\\s*(${D})\\s*(?:of )?${REST}\\b\\W*$`, 'rest');
  if (found) {
    const high = toSeconds(found[2]!);
    const unit = /(?:\d\s*s|secs?|sec\.|seconds?'?|"|'')$/.test(found[2]!.trim()) ? 1 : 60;
    const low = found[1] === undefined ? high : toNumber(found[1]) * unit;
    const of = /exer|item|move|stat|one/.test(found[3] ?? '') ? ('items' as const) : ('rounds' as const);
    if (isDuration(high) && low <= high) {
      facts.between = { of, lowSec: low, highSec: high };
      if (found[3] === undefined) facts.isBetweenOpen = true;
    }
  }
  strip.take(
    /\b(?:with )?no (?:rests?|breaks?)(?: (?:in )?between(?: \w+)?)?\b|\bwithout (?:a )?(?:rest|break|stopping)\b|\bback to back\b/,
    'rest',
  );
  const then = strip.take(re`\\bthen (?:a )?(?:rest|break)\\s*(?:of |for )?(${D})`, 'rest');
  if (then && isDuration(toSeconds(then[1]!))) facts.thenRestSec = toSeconds(then[1]!);
}

/** "5 rounds, 2 min rest": a rest beside rounds is between them. */
function restOfRounds(strip: Strip, facts: HeaderFacts): void {
  if (!facts.rounds || facts.between || facts.time) return;
  const found = strip.take(
    re`(?:^|[,;(\\u0001-])\\s*(?:with |and )?(?:(${D})\\s*(?:of )?(?:rest|recovery|break)|(?:rest|recovery|break)\\s*(?:of |for |:)?\\s*(${D}))\\s*\\)?(?=[\\s\\u0001:).]*$)`,
    'rest',
  );
  const sec = found ? toSeconds(found[1] ?? found[2]!) : 0;
  if (isDuration(sec)) facts.between = { of: 'rounds', lowSec: sec, highSec: sec };
}

/** A rest between movements that each have their length is the change from one to the next. */
function restInChange(facts: HeaderFacts): void {
  const { time, between } = facts;
  if (time?.kind !== 'intervals' || time.restSec.length > 0 || !between) return;
  if (between.of !== 'items' && !facts.isBetweenOpen) return;
  facts.time = { ...time, restSec: [between.lowSec] };
  delete facts.between;
}

/** Numbers of repetitions by round: `21-15-9`, `10 to 1`, `up by 2s from 2 to 10`, `4-8-12 and start over`. */
function takeList(strip: Strip, facts: HeaderFacts): void {
  const REPS = '(?:\\s*(?:reps?|repetitions)(?:\\s*of\\b)?|\\s*of\\b)?';
  const by = strip.take(/\b(?:(?:up|down|going (?:up|down)) )?by (\d)(?:'?s)?\b|\bin (\d)'?s\b/, 'count');
  const step = Number(by?.[1] ?? by?.[2] ?? 1);
  const list = strip.take(
    re`(?:^|[^\\w.:@])(\\d{1,3}(?:\\s*[-,/]\\s*\\d{1,3}){2,})(?![\\w:%])(?!\\s*(?:tempo|kgs?|kilos?|lbs?|pounds?)\\b)${REPS}`,
    'count',
  );
  // A nought in it is a pause of a tempo.
  if (list && !numbersOf(list[1]!).includes(0)) facts.list = numbersOf(list[1]!);
  else if (!list) {
    const run =
      strip.take(
        re`\\bladder\\b[^\\d\\u0001]{0,14}(\\d{1,3})\\s*(?:to|-|down to|up to|\\.\\.)\\s*(\\d{1,3})\\b${REPS}`,
        'count',
      ) ??
      strip.take(
        re`\\b(\\d{1,3})\\s*(?:down to|up to|to|-|\\.\\.)\\s*(\\d{1,3})\\b\\s*(?:reps?\\s*)?ladder\\b`,
        'count',
      ) ??
      (by || /^\W*(?:from )?\d{1,3}\s*(?:to|down to)\s*\d{1,3}\W*(?:$|:|for time|reps?)/.test(strip.text)
        ? strip.take(re`\\b(?:from )?(\\d{1,3})\\s*(?:down to|up to|to|-|\\.\\.)\\s*(\\d{1,3})\\b${REPS}`, 'count')
        : strip.take(/\b(?:from )?(\d{1,3})\s*(?:down to|up to|all the way to)\s*(\d{1,3})\b/, 'count'));
    if (run) facts.list = runOf(Number(run[1]), Number(run[2]), step);
  }
  if (facts.list) {
    facts.list = facts.list.filter((n) => n >= 1).slice(0, MAX_ROUNDS);
    if (facts.list.length === 0) delete facts.list;
    if (
      strip.take(
        /\b(?:and |then )?(?:start (?:over|again)|from the top again|repeat(?:ing)? the pattern|over and over)\b/,
        'count',
      )
    )
      facts.cycling = true;
    strip.take(
      /\b(?:ladder|pyramid|then (?:back )?(?:down|up)|(?:and )?back (?:down|up)|(?:going )?(?:up|down))\b/,
      'count',
    );
  }
}

function runOf(from: number, to: number, step: number): number[] {
  const out: number[] = [];
  const way = Math.sign(to - from) * Math.max(1, step);
  for (let n = from; way !== 0 && (way > 0 ? n <= to : n >= to) && out.length < MAX_ROUNDS; n += way) out.push(n);
  return out;
}

function takeOwn(strip: Strip, facts: HeaderFacts): void {
  const cap =
    strip.take(re`\\b(${M})[\\s-]*(?:time[\\s-]*)?cap\\b`, 'clock') ??
    strip.take(re`\\b(?:time[\\s-]*)?cap(?:ped)?(?:\\s*(?:of|at|:|is|=))*\\s*(${M})`, 'clock') ??
    strip.take(
      re`\\b(?:max(?:imum)?|at most|no more than|stop (?:at|after)|time limit(?: of)?:?)\\s*(${D})(?:\\s*in all)?`,
      'clock',
    );
  const capSec = cap ? toSeconds(cap[1]!) : 0;
  if (isDuration(capSec)) {
    facts.capSec = capSec;
    facts.forTime = true;
  }
  if (
    strip.take(/\bnot for time\b|\b(?:at )?your own (?:pace|time|speed)\b|\bno (?:rush|hurry)\b|\bunhurried\b/, 'clock')
  )
    return;
  if (
    strip.take(/\b(?:all )?for time\b|\bagainst the clock\b|\bas (?:fast|quickly) as (?:you can|possible)\b/, 'clock')
  )
    facts.forTime = true;
}

/** What goes before "3 times" where it is the list that is done so often. */
const AGAIN =
  '(?:(?:the above )?(?:to be )?(?:repeat(?:ed)?|perform(?:ed)?|do(?:ne)?|go(?:es)?(?: through| round)?)(?: (?:the )?(?:following(?: (?:circuit|list|exercises|moves))?|whole(?: thing| list| series| lot| sequence)?|series|sequence|lot|everything|all(?: of (?:that|this|it))?|it|this|that|list|circuit))?|(?:the whole|everything|all of (?:that|this|it))(?:(?: is)? (?:to be )?(?:repeated|done))?)';

function takeRounds(strip: Strip, facts: HeaderFacts): void {
  if (facts.slotRounds !== undefined) return;
  const ROUND = '(?:rounds?|rds?|rft|circuits?|laps?|times (?:through|round|over)|turns? through)';
  const more = strip.take(
    re`\\b(?:and )?(?:you |we )?${AGAIN}[\\s,:]*(once|twice|thrice|${N0}\\s*times?)\\s+more\\b|\\b${AGAIN}[\\s,:]*(${N0})\\s+more\\s+times?\\b`,
    'rounds',
  );
  if (more) {
    const all = toTimes(more[1] ?? more[2]!) + 1;
    if (all <= MAX_ROUNDS) facts.rounds = { low: all, high: all };
    return;
  }
  const range = strip.take(re`\\b(${N})\\s*(?:-|to|or)\\s*(${N})\\s*${ROUND}(?:\\s*of\\b)?(?:\\s*all\\b)?`, 'rounds');
  const one =
    range ??
    strip.take(
      re`(?:\\b(?:and )?(?:you |we )?${AGAIN}\\s*)?(?:\\bfor |\\bx\\s?|\\b)(${N})\\s*${ROUND}(?:\\s*of\\b)?(?:\\s*(?:in all|total|through|round)\\b)?`,
      'rounds',
    ) ??
    strip.take(
      re`\\b(?:and )?(?:you |we )?${AGAIN}[\\s,:]*(?:x\\s*)?(${TIMES}|${N}(?=\\W*$))(?! (?:a|per|each|every) )(?:\\s*(?:through|round|over|in all)\\b)?`,
      'rounds',
    ) ??
    strip.take(re`(?:^|[^\\w])(${TIMES})\\s*(?:through|round|over)\\b`, 'rounds') ??
    strip.take(/\b(once|twice|thrice)\b(?! (?:a|per|each|every) )(?:\s*(?:through|round|over)\b)?/, 'rounds') ??
    strip.take(re`\\(\\s*(?:x\\s*)?(${N0}\\s*x|${N0}\\s*times)\\s*\\)`, 'rounds') ??
    strip.take(re`\\brounds?\\s*[:=]\\s*(${N})`, 'rounds') ??
    strip.take(re`^[^\\p{L}\\p{N}]*(?:repeat\\s*)?x\\s*(${N})[^\\p{L}\\p{N}]*$`, 'rounds') ??
    strip.take(re`^[^\\p{L}\\p{N}]*(${N0}\\s*(?:x|times))[^\\p{L}\\p{N}]*$`, 'rounds') ??
    (facts.time?.kind === 'intervals' || facts.between
      ? strip.take(re`\\b(${N})\\s*sets?(?:\\s*of)?\\b`, 'rounds')
      : undefined);
  if (one) {
    const low = toTimes(one[1]!);
    const high = one[2] === undefined ? low : toNumber(one[2]);
    if (low >= 1 && high >= low && high <= MAX_ROUNDS) facts.rounds = { low, high };
    if (/\brft\b/.test(one[0])) facts.forTime = true;
    return;
  }
  const sets = strip.take(
    re`^[^\\p{L}\\p{N}]*(${N0})\\s*sets?(?:\\s*of\\s*(${N}))?(?:\\s*reps?)?(?:\\s*(?:of )?(?:each|all))?[^\\p{L}\\p{N}]*$`,
    'rounds',
  );
  if (!sets) return;
  const count = toNumber(sets[1]!);
  if (count >= 1 && count <= MAX_ROUNDS) facts.rounds = { low: count, high: count };
  if (sets[2] !== undefined) facts.list = [toNumber(sets[2])];
}
