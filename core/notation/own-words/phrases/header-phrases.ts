import type { Role, Span, TimeRule } from '../../../document/document.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS, MAX_SLOTS } from '../../../limits.ts';
import { D, N, N0, SAID, TIMES, toNumber, toSeconds, toTimes, re } from './spoken-numbers.ts';
import { takeAccumulate, takeClimb, takePartners } from './rarer-clocks.ts';
import type { Strip } from './strip.ts';

/** What the words of a line say of a list: its part of the session, its clock, how often, how many of each, where rest is. */
export interface HeaderFacts {
  role?: Role;
  label?: string;
  time?: TimeRule;
  rounds?: Span;
  list?: number[];
  cycling?: boolean;
  between?: { readonly of: 'rounds' | 'items'; readonly lowSec: number; readonly highSec: number };
  /** Nothing said between what that rest is. */
  isBetweenOpen?: boolean;
  /** Slots that go on for so many rounds of the list, however long it is. */
  slotRounds?: number;
  /** The whole list is done in every slot: a slot is long, and rounds are counted. */
  holdsAll?: boolean;
  /** Intervals in all, where the list has one item. */
  times?: number;
  thenRestSec?: number;
  capSec?: number;
  forTime?: boolean;
  /** A clock was named without its length. */
  lacksLength?: boolean;
  /** The numbers are totals, done in as many parts as it takes. */
  gathers?: boolean;
  /** One of several parts that are alike: what is said of all of them stands above or below. */
  isPart?: true;
  /** One of two partners works at a time. */
  partners?: boolean;
  /** As many of each as goes in its time. */
  isMost?: boolean;
  /** Once through, whatever else. */
  isOnce?: boolean;
}

/** What somebody says before naming what is done: "for the warm-up I want you doing …". */
const TALK =
  "(?:\\s+(?:(?:we|you)(?:'ll| will)?(?: be)?|i want you|i'd like you|let's|is|will be|it's)(?:\\s+(?:to\\s+)?(?:do|doing|have|go|be|an?))*)?";

/** One of several parts that are alike: "Round 1:". */
const PART =
  /^\s*(?:part|block|set|section|round|super-?set|tri-?set|giant set|circuit|group)\s+(?:[a-h]|\d)\b(?=\s*(?:$|[:(\u0001-]))/;

const ROLES: readonly [RegExp, Role][] = [
  [
    re`\\b(?:(?:for|to|as) )?(?:a |the |your |our )?(?:warm[\\s-]?ups?|wu|w\\/u|warming up|mobili[sz]ation|preparation|get ready|activation|primer)\\b${TALK}(?=\\s*(?:$|[:(,.\\u0001-]|\\d|once|twice|thrice|${SAID}))`,
    'Warm-up',
  ],
  [
    re`\\b(?:(?:for|to|as) )?(?:a |the |your |our )?(?:cool[\\s-]?downs?|cd|c\\/d|warm[\\s-]?down|stretch(?:es|ing)?(?: out)?|wind down)\\b${TALK}(?=\\s*(?:$|[:(,.\\u0001-]|\\d|${SAID}))`,
    'Cool-down',
  ],
  [/\b(?:the )?(?:finishers?|burn ?out|bonus|cash[\s-]?out)\b/, 'Finisher'],
  [/\b(?:finish(?: off)?|end) (?:with|by|on)\b/, 'Finisher'],
  [/^[^\p{L}]*(?:and )?(?:to (?:finish|end)(?: off)?|last thing|last of all)\b/u, 'Finisher'],
  [/\b(?:close|end|relax) with\b/, 'Cool-down'],
  [/\bwarm(?:ing)?[\s-]?up with\b/, 'Warm-up'],
  [/\bcool(?:ing)?[\s-]?down with\b/, 'Cool-down'],
  [/\b(?:the )?(?:skills?|technique|practice)\b(?=\s*(?:$|[:(\u0001-]))/, 'Skill'],
  [
    /\b(?:the )?(?:main(?: (?:set|part|session|block|work|workout|circuit))?|work ?out|wod|circuit|strength|conditioning|metcon|engine|session|hauptteil)\b(?=\s*(?:$|[:(\u0001-]))|\b(?:fitness|cardio)\b(?=\s*:)|\bhiit\b(?=\s*(?:$|[:(\u0001-]|\d))/,
    'Main',
  ],
  [PART, 'Main'],
];

/** Words for the main part that say nothing else of it; others name it. */
const PLAIN_MAIN = /main|work ?out|wod|session|circuit|part|block|set|section|round/;

const SEP = '[\\s,;:/&+.-]*';
/** Minutes, with or without saying so. */
const M = `(?:${D}|${N})`;

/** Takes the part of the session that `strip` names, if it names one. */
export function takeRole(
  strip: Strip,
): { readonly role: Role; readonly isPart?: true; readonly label?: string } | undefined {
  for (const [pattern, role] of ROLES) {
    const found = strip.take(pattern, 'role');
    if (!found) continue;
    const isNamed = role === 'Main' && !PLAIN_MAIN.test(found[0]);
    const isPart = pattern === PART;
    return {
      role,
      ...(isPart && { isPart: true as const }),
      ...(isNamed && { label: found[0].replace(/^the /, '').trim() }),
    };
  }
  return undefined;
}

/** Takes all that `strip` says of a list. */
export function takeHeader(strip: Strip): HeaderFacts {
  const facts: HeaderFacts = {};
  const named = takeRole(strip);
  if (named) Object.assign(facts, named);
  if (strip.take(/\b(?:buy[\s-]?in)\b/, 'role')) facts.isOnce = true;
  const hasEach = takeEach(strip, facts);
  takeRest(strip, facts);
  if (hasEach) restInChange(facts);
  // One clock a list: the first that is named.
  else [takeClimb, takeIntervals, takeSlots, takeSpan, takeWindows].some((takeClock) => takeClock(strip, facts));
  takeAccumulate(strip, facts);
  takePartners(strip, facts);
  takeList(strip, facts);
  takeOwn(strip, facts);
  takeRounds(strip, facts);
  restOfRounds(strip, facts);
  return facts;
}

const isDuration = (sec: number): boolean => Number.isInteger(sec) && sec > 0 && sec <= MAX_DURATION_SEC;

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

const numbersOf = (text: string): number[] => (text.match(/\d+/g) ?? []).map(Number);

function takeIntervals(strip: Strip, facts: HeaderFacts): boolean {
  const ON = '(?:on|work(?:ing)?|effort|hard|go)';
  const OFF =
    '(?:off|rest(?:ing)?|change(?:[\\s-]?over)?|transition|switch|swap|recover(?:y)?|easy|pause|break|to change|to move on)';
  const list = '\\d{1,3}(?:\\s*/\\s*\\d{1,3})+';
  const one = `(?:${D}|\\d{1,3})`;
  const found =
    strip.take(
      re`\\b(${list})\\s*(?:seconds?|secs?|s)?\\s*(?:of )?${ON}\\b${SEP}(?:and |then |with )?(${list}|${one})\\s*(?:of )?${OFF}\\b`,
      'clock',
    ) ??
    strip.take(
      re`(?:^|[^\\w:])(${one})\\s*(?:of )?${ON}\\b${SEP}(?:and |then |with )?(${list}|${one})\\s*(?:of )?${OFF}\\b`,
      'clock',
    ) ??
    strip.take(re`\\bwork(?:ing)?\\s*(?:for )?(${one})${SEP}(?:and |then )?${OFF}\\s*(?:for )?(${one})`, 'clock') ??
    (/\bintervals?\b|\btimer\b|\brounds?\b|\bx\s*\d|\bcircuit\b|\btimes\b/.test(strip.text) ||
    /^\W*\d{2}\s*\/\s*\d{2}\W*$/.test(strip.text)
      ? strip.take(
          /(?:^|[^\w/])(\d{2})\s*\/\s*(\d{2})(?![\d/])(?:\s*(?:seconds?|secs?|s)\b)?(?:\s*(?:intervals?|timer)\b)?/,
          'clock',
        )
      : undefined);
  if (found) {
    const sec = (text: string): number[] => (/^\d[\d\s/]*$/.test(text) ? numbersOf(text) : [toSeconds(text, 1)]);
    const [workSec, restSec] = [sec(found[1]!), sec(found[2]!)];
    if (![...workSec, ...restSec].every(isDuration)) return true;
    facts.time = { kind: 'intervals', workSec, restSec, stations: false };
    strip.take(re`\\b(?:${N})\\s*(?:exercises|moves|movements)\\b`, 'clock');
    if (strip.take(/\b(?:\d{1,2} |the )?stations?\b/, 'clock')) facts.time = { ...facts.time, stations: true };
    const times =
      strip.take(re`\\bx\\s*(${N})(?![\\w:])(?:\\s*(?:rounds?|sets?)\\b)?`, 'rounds') ??
      strip.take(re`(?:^|[^\\w])(${N0})\\s*x(?![\\w])`, 'rounds');
    if (times) facts.times = toNumber(times[1]!);
    return true;
  }
  const known = strip.take(/\btabata\b(?:\s*style\b)?/, 'clock');
  if (known) facts.time = { kind: 'intervals', workSec: [20], restSec: [10], total: 8, stations: false };
  return known !== undefined;
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

/** A length for each movement, perhaps with a change behind it: "45 seconds each, 15 seconds to move", "each move for 45 seconds". */
function takeEach(strip: Strip, facts: HeaderFacts): boolean {
  const ONE = '(?:exercises?|movements?|moves?|stations?|ones?|items?)';
  const each =
    strip.take(
      re`(?<!x\\s*)(${D})\\s*(?:on |at |of |for )?(?:(?:each|per|every)\\s*${ONE}\\b|each(?=\\W*(?:$|:|,|;|with|then|and|-)))`,
      'clock',
    ) ??
    strip.take(
      re`\\b(?:each|every|all)\\s*(?:of the )?${ONE}\\s*(?:is |are |lasts? |goes |go )?(?:for |:|-|=)*\\s*(${D})`,
      'clock',
    );
  if (!each || !isDuration(toSeconds(each[1]!))) return false;
  const circuit = strip.take(re`\\b(?:an? )?circuit of (?:${N}) ${ONE}\\b|\\b(?:${N}) stations\\b`, 'clock');
  const CHANGE =
    '(?:off|rest(?:ing)?(?: between)?|change(?:[\\s-]?over)?|changing|transition|switch(?:ing)?|swap(?:ping)?|move(?: on)?|rotat(?:e|ing)|recover(?:y)?|break|set ?up|get (?:there|to the next(?: one)?))';
  const change =
    strip.take(re`(?:\\b(?:and|then|with|we)\\s+)*\\b${CHANGE}\\s*(?:for |of |:)?\\s*(${D})`, 'clock') ??
    strip.take(re`(?:\\b(?:and|then|with)\\s+)*(${D})\\s*(?:of |to |for )?${CHANGE}\\b`, 'clock');
  const restSec = change && isDuration(toSeconds(change[1]!)) ? toSeconds(change[1]!) : undefined;
  strip.take(re`\\b(?:${N})\\s*(?:exercises|moves|movements)\\b`, 'clock');
  const stations = /station/.test(`${circuit?.[0] ?? ''}${each[0]}`);
  facts.time = {
    kind: 'intervals',
    workSec: [toSeconds(each[1]!)],
    restSec: restSec === undefined ? [] : [restSec],
    stations,
  };
  facts.isMost =
    strip.take(/\bas many (?:reps )?as (?:possible|you can)(?: (?:in|do))*|\bmax(?:imum)? reps\b/, 'clock') !==
    undefined;
  return true;
}

/** From this length on "every … for 5 rounds" means the whole list each time (common practice). */
const LONG_SLOT_SEC = 120;

function takeSlots(strip: Strip, facts: HeaderFacts): boolean {
  const named = strip.take(/\b(?:e(\d)?mom)\b/, 'clock');
  const every =
    named ??
    strip.take(
      re`\\b(?:on |at )?every\\s*(${D}|(?:other |2nd |second )?minute|${N}\\s*min)(?:\\s*,?\\s*on the (?:${N}[\\s-]*)?min(?:ute)?s?)?`,
      'clock',
    ) ??
    strip.take(/\bon the (?:minute|min)(?:\s*every minute)?\b/, 'clock');
  if (!every) return false;
  const slotSec = named
    ? Number(named[1] ?? 1) * 60
    : every[1] === undefined || every[1] === 'minute'
      ? 60
      : /^(?:other|2nd|second)/.test(every[1])
        ? 120
        : toSeconds(every[1]);
  if (!isDuration(slotSec)) return true;
  const counted = strip.take(
    re`\\b(?:for |of )?(${N})\\s*(rounds?|sets?|times)\\b|\\bx\\s*(${N})(?!\\s*(?:min|sec|s\\b|:))`,
    'rounds',
  );
  const lasting = counted
    ? undefined
    : (strip.take(re`(?:\\b(?:for|of|x|:|in)\\s*)?(${D})(?:\\s*(?:total|in all|long))?`, 'clock') ??
      strip.take(re`(?:\\b(?:for)\\s*)?\\b(${N})`, 'clock'));
  const totalSec = lasting ? toSeconds(lasting[1]!) : 0;
  const count = counted ? toNumber(counted[1] ?? counted[3]!) : 0;
  if (counted?.[2]?.startsWith('round')) {
    facts.slotRounds = count;
    if (slotSec >= LONG_SLOT_SEC) facts.holdsAll = true;
  }
  const slots = count > 0 ? count : totalSec >= slotSec ? Math.floor(totalSec / slotSec) : 0;
  facts.lacksLength = slots === 0;
  facts.time = { kind: 'slots', slotSec, slots: Math.min(MAX_SLOTS, slots === 0 ? 10 : slots) };
  return true;
}

function takeSpan(strip: Strip, facts: HeaderFacts): boolean {
  const many =
    'amrap|a\\.m\\.r\\.a\\.p\\.?|as many (?:rounds|reps|times)(?: and reps)?(?: as (?:possible|you can(?: do| manage)?))?';
  const found =
    strip.take(re`\\b(${M})\\s*(?:of )?(?:${many})(?![\\w])`, 'clock') ??
    strip.take(re`\\b(?:${many})(?:\\s*(?:in|for|of|x|:|-|,|\\()*\\s*(?:the )?(${M})\\)?)?`, 'clock') ??
    strip.take(
      re`\\bhow (?:many (?:rounds|times)|far) can you (?:do|get|manage|complete|go)?\\s*(?:in |for )?(${M})`,
      'clock',
    ) ??
    strip.take(
      re`\\b(?:keep (?:going|moving)|carry on|go round|go through it|repeat)\\s*(?:for|until)\\s*(?:the )?(${D})`,
      'clock',
    );
  const span =
    found ??
    strip.take(re`^\\W*(?:for|in)\\s+(?:the next )?(${D})(?=\\W*(?:$|:))`, 'clock') ??
    strip.take(re`\\b(?:repeat|go round|keep going|carry on)[^\\d\\u0001]{0,40}?\\(?(${D})\\)?\\W*$`, 'clock');
  if (!span) return false;
  strip.take(
    /[\s,;-]*\b(?:(?:and )?keep (?:going|moving)(?: round)?|(?:until|till) (?:the )?time(?:'s| is) up|round and round)\b/,
    'clock',
  );
  const length = span[1] ?? strip.take(re`(?:\\b(?:in|for|of|:)\\s*)?(${D})`, 'clock')?.[1];
  const sec = length === undefined ? 0 : toSeconds(length);
  facts.lacksLength = !isDuration(sec);
  facts.time = { kind: 'span', sec: isDuration(sec) ? sec : 600 };
  return true;
}

function takeWindows(strip: Strip, facts: HeaderFacts): boolean {
  const found =
    strip.take(re`\\b(${N0})\\s*(?:x\\s*)?(?:windows?|blocks?) of (${D})`, 'clock') ??
    strip.take(re`\\b(${N0})\\s*x\\s*(${D})\\s*windows?`, 'clock');
  if (!found) return false;
  const [windows, windowSec] = [toNumber(found[1]!), toSeconds(found[2]!)];
  if (windows >= 1 && windows <= MAX_ROUNDS && isDuration(windowSec))
    facts.time = { kind: 'windows', windows, windowSec, restSec: 0 };
  return true;
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
  if (list) facts.list = numbersOf(list[1]!);
  else {
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
    strip.take(re`\\b(?:max(?:imum)?|at most|no more than)\\s*(${D})(?:\\s*in all)?`, 'clock');
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
  '(?:(?:to be )?(?:repeat(?:ed)?|do(?:ne)?|go(?:es)?(?: through| round)?)(?: (?:the )?(?:following(?: (?:circuit|list|exercises|moves))?|whole(?: thing| list)?|everything|all(?: of (?:that|this|it))?|it|this|that|list|circuit))?|(?:the whole|everything|all of (?:that|this|it))(?:(?: is)? (?:to be )?(?:repeated|done))?)';

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
