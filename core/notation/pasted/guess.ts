import type { Weekday } from '../../calendar/day.ts';
import { dayOfWeekFrom, WEEKDAYS } from '../../calendar/day.ts';
import { cutLetters } from '../../letters.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type {
  Amount,
  Block,
  Dose,
  Item,
  Load,
  Role,
  SessionDocument,
  Sides,
  TimeRule,
} from '../../document/document.ts';
import { capSecOf, formOf } from '../../forms/forms.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC, MAX_KG, MAX_ROUNDS } from '../../limits.ts';
import { nearestMovements } from '../../movement/nearest-movements.ts';
import { MAX_BLOCKS, MAX_ITEMS, parseSession } from '../parse.ts';
import { printSession } from '../print.ts';
import { MAX_NAME_LENGTH } from '../read-item.ts';

const NO_NUMBER = 'no number';

/** What became of one line of a text found elsewhere. */
export interface GuessedLine {
  readonly source: string;
  readonly becomes: 'title' | 'header' | 'item' | 'rest' | 'left-out';
  /** False where the reading is a guess that a person should look at. */
  readonly isSure: boolean;
  readonly why?: string;
}

export interface GuessedSession {
  /** Session notation; empty where nothing could be made of the text. */
  readonly text: string;
  readonly lines: readonly GuessedLine[];
}

/** Longer texts are cut; nobody pastes a book. */
export const MAX_GUESSED_LINES = 500;

const ROLE_WORDS: readonly [RegExp, Role][] = [
  [/\bwarm[\s-]?up\b|\bmobili[sz]e\b|\bpreparation\b/i, 'Warm-up'],
  [/\bcool[\s-]?down\b|\bstretch(?:es|ing)?\b/i, 'Cool-down'],
  [/\bfinisher\b|\bburn ?out\b|\bbonus\b/i, 'Finisher'],
  [/\bskill\b|\btechnique\b/i, 'Skill'],
  [/\bmain\b|\bworkout\b|\bcircuit\b|\bstrength\b|\bconditioning\b|\bsession\b|\bpart\b|\bblock\b/i, 'Main'],
];
const SIDES: readonly [RegExp, Sides][] = [
  [/\s*(?:\(?\s*(?:\/|per|each|on each|every|e\/)\s*(?:side|leg|arm|way|direction)s?\s*\)?)/i, 'each'],
  [/\s*\(?\s*\balternat(?:e|ing)\b\s*(?:sides|legs|arms)?\s*\)?/i, 'alternate'],
];
const SECONDS = /(\d+(?:[.,]\d+)?)\s*(?:seconds?|secs?|s|″|")(?![\p{L}])/iu;
const MINUTES = /(\d+(?:[.,]\d+)?)\s*(?:minutes?|mins?|m(?=\s*(?:of|amrap|emom)))(?![\p{L}])/iu;
const DISTANCE = /\b(\d{1,5}(?:[.,]\d+)?)\s*(km|kilomet(?:re|er)s?|m|met(?:re|er)s?|miles?|mi)\b/i;
const METRES: Readonly<Record<string, number>> = {
  km: 1000,
  kilometre: 1000,
  kilometres: 1000,
  kilometer: 1000,
  kilometers: 1000,
  m: 1,
  metre: 1,
  metres: 1,
  meter: 1,
  meters: 1,
  mile: 1609,
  miles: 1609,
  mi: 1609,
};
const CLOCK = /\b(\d{1,2}):([0-5]\d)\b/;

/** What a line says about a list: its clock, how often, how many of each. */
interface Rules {
  readonly time?: TimeRule;
  readonly rounds?: number;
  readonly list?: number[];
  readonly restBetweenSec?: number;
  /** Slots that go on for so many rounds of the list, however long it is. */
  readonly slotRounds?: number;
}

interface Open {
  role: Role;
  label?: string;
  time: TimeRule;
  rounds?: number;
  list?: number[];
  restBetweenSec?: number;
  slotRounds?: number;
  items: Item[];
  sets: (number | undefined)[];
}

/** Takes the first match of a pattern out of a text. */
function take(text: string, pattern: RegExp): { match: RegExpExecArray | null; rest: string } {
  const match = pattern.exec(text);
  return match
    ? { match, rest: `${text.slice(0, match.index)} ${text.slice(match.index + match[0].length)}` }
    : { match: null, rest: text };
}

function durationIn(text: string): { sec: number; rest: string } | undefined {
  const clock = take(text, CLOCK);
  if (clock.match) return { sec: Number(clock.match[1]) * 60 + Number(clock.match[2]), rest: clock.rest };
  for (const [pattern, factor] of [
    [SECONDS, 1],
    [MINUTES, 60],
  ] as const) {
    const found = take(text, pattern);
    if (found.match) return { sec: Math.round(Number(found.match[1]!.replace(',', '.')) * factor), rest: found.rest };
  }
  return undefined;
}

const bare = (line: string): string =>
  line
    .trim()
    .replace(/^[\p{Extended_Pictographic}\u200d\ufe0f\s]+/u, '')
    .replace(/^(?:[-*•▪◦–—·]+|\(?\d{1,2}[.)]|\(?[a-hA-H][.)])\s+/u, '')
    .replace(/[*_`]{1,3}/g, '')
    .replace(/^(?:min(?:ute)?s?\s*\d{1,2}|odd(?: min(?:ute)?s?)?|even(?: min(?:ute)?s?)?)\s*[:.)–-]\s*(?=\S)/i, '')
    .trim();

const CAP =
  /\b(?:(\d{1,3})\s*(?:min(?:ute)?s?)?[\s-]*(?:time\s*)?cap|(?:time\s*)?cap(?:\s*(?:of|at|:))?\s*(\d{1,3})\s*(?:min(?:ute)?s?)?)\b/i;

/** Own pace against the clock, with its cap where one is named. */
function ownForTime(lower: string): TimeRule {
  const cap = CAP.exec(lower);
  const minutes = Number(cap?.[1] ?? cap?.[2] ?? 0);
  return { kind: 'own', forTime: true, ...(minutes > 0 && { capSec: minutes * 60 }) };
}

const REP_LIST = /\b\d{1,3}(?:\s*-\s*\d{1,3}){2,}\b(?:\s*reps?)?(?:\s*of)?/i;

/** The movements that stand in the line of a rule itself: `21-15-9 thrusters, pull-ups`, `50 burpees for time`. */
function itemsBeside(line: string, rules: Rules, library: MovementLibrary): Item[] {
  const rest = line
    .replace(rules.list ? REP_LIST : /$^/, ' ')
    .replace(CAP, ' ')
    .replace(/\bfor time\b/gi, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:–-]+|[\s,;:–-]+$/g, '');
  if (!rules.list) {
    const item = /\bfor time\b/i.test(line) ? guessItem(rest, library) : undefined;
    return item?.isSure ? [item.item] : [];
  }
  const parts = library.findByName(rest)
    ? [rest]
    : rest.split(/\s*(?:[,;+&/]|\band\b)\s*/i).filter((part) => part !== '');
  const known = parts.map((part) => knownName(part, library));
  return known.every((name) => name !== undefined)
    ? known.map((name): Item => ({ kind: 'work', choices: [{ name: name }], inTurn: false }))
    : [];
}

/** The name under which a movement is written: the shelf's, or its own words where it was read from them. */
function knownName(words: string, library: MovementLibrary): string | undefined {
  const known = library.findByName(words);
  return known && (library.findOnShelf(known.id) ? known.name : words.toLowerCase());
}

/** The clauses that a line names as a rule for a list, if it names any. */
function headerRules(line: string): Rules | undefined {
  const lower = line.toLowerCase().replace(/×/g, 'x');
  const rest =
    /(?:\brest\b|\brecover(?:y)?\b)/.test(lower) && /between|after each round|per round/.test(lower)
      ? durationIn(lower.slice(Math.max(0, lower.search(/rest|recover/) - 14)))
      : undefined;
  const between = rest && rest.sec > 0 ? { restBetweenSec: rest.sec } : {};
  const ladder = /\bladder\b\D{0,12}?(\d{1,2})\s*(?:to|-|down to|up to|\.\.)\s*(\d{1,2})\b/.exec(lower);
  const list = /\b(\d{1,3}(?:\s*-\s*\d{1,3}){2,})\b/.exec(lower);
  const said =
    /\b(\d{1,2})\s*(?:rounds?|circuits|times through|laps|rds)\b/.exec(lower) ??
    /\b(?:repeat|x)\s*(\d{1,2})\s*(?:x|times|rounds)?\s*$/.exec(lower) ??
    /^\s*(\d{1,2})\s*x\s*:?\s*$/.exec(lower);
  const rounds = said ? { rounds: Number(said[1]) } : {};
  const amrap = /\bamrap\b|\bas many rounds\b/.test(lower);
  const every = /\be(\d+)?mom\b|\bevery minute\b|\bevery (\d+(?::\d\d)?)\s*(sec|s\b|min|:)/.exec(lower);
  const onOff =
    /(\d+)\s*(?:s|sec|secs|seconds)?\s*(?:on|work)\b[\s,/&+-]*(\d+)\s*(?:s|sec|secs|seconds)?\s*(?:off|rest)\b/.exec(
      lower,
    ) ?? (/\bintervals?\b|\btimer\b|\bwork\b/.test(lower) ? /\b(\d{2})\s*\/\s*(\d{2})\b/.exec(lower) : null);
  if (onOff)
    return {
      time: { kind: 'intervals', workSec: [Number(onOff[1])], restSec: [Number(onOff[2])], stations: false },
      ...rounds,
      ...between,
    };
  const length =
    durationIn(lower.replace(every?.[2] ? every[0] : '', '')) ??
    (amrap || every ? loneMinutes(lower.replace(said?.[0] ?? '', '').replace(every?.[0] ?? '', '')) : undefined);
  if (amrap && length) return { time: { kind: 'span', sec: length.sec } };
  if (every) {
    const slotSec = every[2]
      ? (durationIn(every[0].replace(/^every /, ''))?.sec ?? 60)
      : every[1]
        ? Number(every[1]) * 60
        : 60;
    const isLong = length && length.sec > slotSec;
    const slots = Math.max(1, Math.floor((isLong ? length.sec : slotSec * 10) / slotSec));
    return {
      time: { kind: 'slots', slotSec, slots },
      ...(!isLong && rounds.rounds !== undefined && { slotRounds: rounds.rounds }),
    };
  }
  if (ladder) {
    const [from, to] = [Number(ladder[1]), Number(ladder[2])];
    const count = Math.min(MAX_ROUNDS, Math.abs(to - from) + 1);
    const values = Array.from({ length: count }, (_, i) => from + Math.sign(to - from) * i).filter((n) => n >= 1);
    return { time: { kind: 'own', forTime: /\bfor time\b/.test(lower) }, list: values };
  }
  if (list) return { time: ownForTime(lower), list: list[1]!.split('-').map(Number) };
  const sets = /^\s*(\d{1,2})\s*sets?(?:\s*of\s*(\d{1,3}))?(?:\s*reps?)?(?:\s*(?:each|of each))?\s*:?\s*$/.exec(lower);
  if (sets)
    return {
      time: { kind: 'own', forTime: false },
      rounds: Number(sets[1]),
      ...(sets[2] && { list: [Number(sets[2])] }),
      ...between,
    };
  if (/\bfor time\b/.test(lower)) return { time: ownForTime(lower), ...rounds };
  if (said) return { time: { kind: 'own', forTime: false }, ...rounds, ...between };
  return undefined;
}

/**
 * A line that holds a whole list as several: what stands before a colon, or "of", as its header, and what commas, plus signs or
 * semicolons set apart as items. Other lines come back as they are. `(5 rounds)` at the end belongs to the header.
 */
function unfold(line: string): string[] {
  const tail = /\(([^()]*\b\d+\s*(?:rounds?|sets?|times)[^()]*)\)\s*$/i.exec(line);
  const body = tail ? line.slice(0, tail.index) : line;
  const colon =
    /^([^:]*?[^\d:\s][^:]*?)\s*:\s+(?=\S)/.exec(body) ??
    /^(.*?\b(?:rounds?|sets?|circuits?)\s+of)\s*:?\s+(?=\S)/i.exec(body);
  const head = colon?.[1]?.replace(/\s+of$/i, '') ?? '';
  const rest = colon ? body.slice(colon[0].length) : body;
  const parts = rest.split(/\s*[,;]\s+|\s+\+\s+|\s+&\s+/).map((part) => part.trim());
  const isList =
    parts.length > 1 &&
    parts.filter((p) => /\d/.test(p) && /\p{L}{2}/u.test(p)).length >= Math.max(2, parts.length - 1);
  if (!colon && headerRules(parts[0]!)) return [line];
  const hasHead = head !== '' && headerRules(`${head} ${tail?.[1] ?? ''}`) !== undefined;
  if (!isList && !(hasHead && colon && /\p{L}{2}/u.test(rest))) return [line];
  const header = [head, tail?.[1]].filter(Boolean).join(' ');
  return [...(header === '' ? [] : [header]), ...(isList ? parts : [rest])];
}

const loneMinutes = (text: string) => {
  const number = /\b(\d{1,2})\b/.exec(text);
  return number ? { sec: Number(number[1]) * 60, rest: text } : undefined;
};

function guessItem(
  line: string,
  library: MovementLibrary,
): { item: Item; sets: number | undefined; isSure: boolean; why?: string } | undefined {
  let text = line.replace(/×/g, 'x').replace(/\s+/g, ' ');
  let sides: Sides | undefined;
  for (const [pattern, kind] of SIDES) {
    const found = take(text, pattern);
    if (!found.match || sides) continue;
    sides = kind;
    text = found.rest;
  }
  const loaded = take(text, /\(?@?\s*(?:with\s+)?(?:(\d)\s*x\s*)?(\d+(?:[.,]\d+)?)\s*kg\b\)?/i);
  const kg = loaded.match ? Number(loaded.match[2]!.replace(',', '.')) : undefined;
  const load: Load | undefined =
    kg !== undefined && kg > 0 && kg <= MAX_KG
      ? { kind: 'weight', kg, pieces: Math.min(8, Math.max(1, Number(loaded.match![1] ?? 1))) }
      : undefined;
  if (load) text = loaded.rest;
  let sets: number | undefined;
  let reps: Amount | undefined;
  const far = take(text, DISTANCE);
  const metres = far.match ? Number(far.match[1]!.replace(',', '.')) * METRES[far.match[2]!.toLowerCase()]! : 0;
  const energy = take(text, /\b(\d{1,4})\s*(?:k?cals?|calories)\b/i);
  const measured: Dose | undefined =
    metres >= 1 && metres <= MAX_AMOUNT * 10
      ? { kind: 'distance', metres: Math.round(metres) }
      : energy.match && Number(energy.match[1]) > 0
        ? { kind: 'energy', kcal: Number(energy.match[1]) }
        : undefined;
  if (measured) {
    const by = take(measured.kind === 'distance' ? far.rest : energy.rest, /\b(?:x\s*(\d{1,2})|(\d{1,2})\s*x)\b/i);
    if (by.match) sets = Number(by.match[1] ?? by.match[2]);
    text = by.rest;
  }
  const bySets = take(
    text,
    /\b(\d{1,2})\s*(?:sets?\s*(?:of|x)?|x)\s*(\d{1,3})(?!\d|:)(?:\s*(?:-|to)\s*(\d{1,3}))?(?!\s*(?:s|sec|secs|seconds|min)\b)/i,
  );
  const setsOnly = take(text, /\b(\d{1,2})\s*(?:sets?\s*(?:of|x)?|x)\s*(?=\d+\s*(?:s|sec|secs|seconds|min|:))/i);
  let time: number | undefined;
  if (bySets.match) {
    sets = Number(bySets.match[1]);
    reps = toAmount(bySets.match[2]!, bySets.match[3]);
    text = bySets.rest;
  } else {
    if (setsOnly.match) {
      sets = Number(setsOnly.match[1]);
      text = setsOnly.rest;
    }
    const duration = measured ? undefined : durationIn(text);
    if (duration) {
      time = duration.sec;
      text = duration.rest;
    } else if (!measured) {
      const counted = take(
        text,
        /(?:\bx\s*|^|\s|[-:–(])(\d{1,4})(?:\s*(?:-|to)\s*(\d{1,4}))?\s*(?:x\b|reps?\b|repetitions\b|times\b)?/i,
      );
      if (counted.match) {
        reps = toAmount(counted.match[1]!, counted.match[2]);
        text = counted.rest;
      }
    }
  }
  const words = text
    .replace(/\b(?:reps?|repetitions|of|hold for|for|sets?|total)\b/gi, ' ')
    .replace(/["“”„#@[\]{}|\\<>=~^]/g, ' ')
    .replace(/\(\s*\)/g, ' ')
    .replace(/^[\s\-–—:.,;x)]+|[\s\-–—:.,;(]+$/gi, '')
    .replace(/\s+/g, ' ')
    .trim();
  if (!/\p{L}{2}/u.test(words)) return undefined;
  const known =
    library.findByName(words) ??
    library.findByName(words.replace(/\s*\(.*\)$/, '')) ??
    library.findByName(words.replace(/\bups\b/i, 'up'));
  // What is read from its words keeps them: they are the coach's.
  const own = cutLetters(words.replace(/,.*$/, '').trim().toLowerCase(), MAX_NAME_LENGTH).trim();
  const name = known && library.findOnShelf(known.id) ? known.name : own;
  if (name === '') return undefined;
  const dose: Dose | undefined =
    measured ??
    (time !== undefined && time > 0 && time <= MAX_DURATION_SEC
      ? { kind: 'time', amountSec: { kind: 'fixed', value: time }, ...(sides === 'each' && { sides }) }
      : reps
        ? { kind: 'reps', amount: reps, ...(sides && { sides }) }
        : sides
          ? { kind: 'given', sides }
          : undefined);
  const hasNumber = dose !== undefined && dose.kind !== 'given';
  return {
    item: { kind: 'work', ...(dose && { dose }), choices: [{ name }], inTurn: false, ...(load && { load }) },
    sets,
    isSure: known !== undefined && hasNumber,
    ...(known === undefined
      ? { why: `“${name}” is no movement of the library` }
      : !hasNumber
        ? { why: NO_NUMBER }
        : {}),
  };
}

function toAmount(low: string, high: string | undefined): Amount | undefined {
  const a = Number(low);
  if (a < 1 || a > MAX_AMOUNT) return undefined;
  const b = Number(high ?? 0);
  return b > a && b <= MAX_AMOUNT ? { kind: 'range', low: a, high: b } : { kind: 'fixed', value: a };
}

/**
 * Makes session notation of a plain text found elsewhere: numbered lists, "3x10", "x10", "30 sec", "8 each leg",
 * headings with rounds or a clock. A guess, line by line, for a person to look at before it is taken; what it gives
 * always reads without an error. An empty text gives an empty one.
 */
export function guessSession(plain: string, library: MovementLibrary): GuessedSession {
  const lines: GuessedLine[] = [];
  const blocks: Open[] = [];
  let title: string | undefined;
  let items = 0;
  const open = (role: Role): Open => {
    const block: Open = { role, time: { kind: 'own', forTime: false }, items: [], sets: [] };
    blocks.push(block);
    return block;
  };
  const sources = plain
    .split(/\r\n|\n|\r/)
    .map((l) => cutLetters(l, 400))
    .filter((l) => l.trim() !== '')
    .flatMap(unfold)
    .slice(0, MAX_GUESSED_LINES);
  for (const source of sources) {
    const line = bare(source);
    const current = blocks.at(-1);
    const isNumbered = bare(source) !== source.trim();
    const role = ROLE_WORDS.find(([pattern]) => pattern.test(line))?.[1];
    const rules = headerRules(line);
    const item = guessItem(line, library);
    const isKnown = item?.isSure ?? false;
    const again = /^(?:repeat\s*)?(?:x\s*(\d{1,2})|(\d{1,2})\s*x)\s*(?:times|rounds)?[.!]?$/i.exec(
      line.replace(/×/g, 'x'),
    );
    const times = Number(again?.[1] ?? again?.[2] ?? 0);
    if (current && current.items.length > 0 && times >= 1 && times <= MAX_ROUNDS) {
      // "x3" below a list: that list so many times.
      current.rounds = times;
      lines.push({ source, becomes: 'header', isSure: true });
      continue;
    }
    if (current && new RegExp(`^\\W*${CAP.source}\\W*$`, 'i').test(line)) {
      // "10 min cap" below a list is the cap of that list.
      const capped = ownForTime(line.toLowerCase());
      if (
        capSecOf({ role: 'Main', time: current.time, items: [] }) === undefined &&
        formOf(current.time).notation.clauses.length === 0
      )
        current.time = capped;
      lines.push({ source, becomes: 'header', isSure: true });
    } else if (/^rest[.!]?$/i.test(line) && current && formOf(current.time).rule.slot(current.time) !== null) {
      current.items.push({ kind: 'rest' });
      current.sets.push(undefined);
      lines.push({ source, becomes: 'rest', isSure: true });
    } else if (/^(?:rest|recover|break|pause)\b|\brest$/i.test(line) && durationIn(line) && !rules?.time) {
      const sec = durationIn(line)!.sec;
      if (current && /round|circuit/i.test(line)) current.restBetweenSec = sec;
      else if (current && sec > 0) current.items.push({ kind: 'rest', sec });
      lines.push({ source, becomes: current ? 'rest' : 'left-out', isSure: current !== undefined });
    } else if (!isKnown && (rules || (role && (/:\s*$/.test(line) || !/\d/.test(line)) && !isNumbered))) {
      const block = rules && current && current.items.length === 0 && !role ? current : open(role ?? 'Main');
      if (rules?.time) block.time = rules.time;
      if (rules?.rounds && rules.rounds >= 1 && rules.rounds <= MAX_ROUNDS) block.rounds = rules.rounds;
      if (rules?.list) block.list = rules.list.filter((n) => n >= 1).slice(0, MAX_ROUNDS);
      if (rules?.restBetweenSec) block.restBetweenSec = rules.restBetweenSec;
      if (rules?.slotRounds) block.slotRounds = rules.slotRounds;
      for (const beside of rules ? itemsBeside(line, rules, library) : []) {
        if (items >= MAX_ITEMS) break;
        items++;
        block.items.push(beside);
        block.sets.push(undefined);
      }
      lines.push({ source, becomes: 'header', isSure: true });
    } else if (
      item &&
      (item.isSure ||
        (item.item.kind === 'work' && item.item.dose) ||
        isNumbered ||
        library.findByName(line) ||
        (current && formOf(current.time).rule.pulse(current.time) !== null && line.length < 40))
    ) {
      if (items >= MAX_ITEMS) {
        lines.push({ source, becomes: 'left-out', isSure: false, why: `a session has at most ${MAX_ITEMS} items` });
        continue;
      }
      items++;
      const block = current && !startsAnew(current, item.sets) ? current : open(current?.role ?? 'Main');
      block.items.push(item.item);
      block.sets.push(item.sets);
      // Under a clock of intervals a movement alone says all.
      const isSaid = item.why === NO_NUMBER && formOf(block.time).rule.pulse(block.time) !== null;
      lines.push({
        source,
        becomes: 'item',
        isSure: item.isSure || isSaid,
        ...(item.why && !isSaid && { why: item.why }),
      });
    } else if (title === undefined && lines.length === 0 && /\p{L}/u.test(line)) {
      const words = line
        .replace(/#/g, '')
        .replace(/[:\s]+$/, '')
        .replace(/\s+/g, ' ');
      title = cutLetters(words, 120).trim();
      lines.push({ source, becomes: 'title', isSure: true });
    } else {
      lines.push({ source, becomes: 'left-out', isSure: false, why: couldBe(line, library) });
    }
  }
  const real = blocks
    .filter((b) => b.items.some((i) => i.kind === 'work'))
    .slice(0, MAX_BLOCKS)
    .flatMap((b) => readable(toBlock(b), library));
  const document: SessionDocument = { ...(title && real.length > 0 && { title }), blocks: real };
  return { text: real.length === 0 ? '' : printSession(document, library), lines };
}

/** An item that is done another number of times than what stands above it is a block of its own. */
function startsAnew({ time, rounds, list, items, sets }: Open, own: number | undefined): boolean {
  if (own === undefined || items.length === 0 || list || formOf(time).notation.clauses.length > 0) return false;
  const said = sets.filter((s) => s !== undefined);
  return (rounds ?? (said.length > 0 ? Math.max(...said) : 1)) !== own;
}

/** What a line that wasn't taken could be. */
function couldBe(line: string, library: MovementLibrary): string {
  const near = nearestMovements(
    line
      .replace(/[^\p{L} -]/gu, ' ')
      .replace(/\s+/g, ' ')
      .trim(),
    library,
  );
  if (near.length > 0) return `no number stands here; perhaps “10 ${near[0]}”`;
  if (/\d/.test(line)) return 'a number without an exercise; write what it counts behind it';
  return 'no exercise could be read here; as a note it goes behind “Note:” or #';
}

/** A block that reads back: without its clock where that is beyond what the notation takes, then without the items that are. */
function readable(block: Block, library: MovementLibrary): Block[] {
  const reads = (b: Block) => parseSession(printSession({ blocks: [b] }, library), library).issues.length === 0;
  if (reads(block)) return [block];
  const flow = { role: block.role, time: { kind: 'flow' } as const };
  const items = block.items.filter((item) => item.kind === 'work' && reads({ ...flow, items: [item] }));
  return [
    { ...block, items },
    { ...flow, items },
  ]
    .filter((b) => b.items.length > 0 && reads(b))
    .slice(0, 1);
}

function toBlock(open: Open): Block {
  const { role, rounds, list, restBetweenSec, items, sets, slotRounds } = open;
  const time = slotRounds
    ? formOf(open.time).notation.withNumber(open.time, 'slots', slotRounds * items.length)
    : open.time;
  const form = formOf(time);
  // Own pace is the form that no clause begins.
  const isOwn = form.notation.clauses.length === 0;
  const said = sets.filter((s) => s !== undefined);
  const most = said.length > 0 ? Math.min(MAX_ROUNDS, Math.max(...said)) : undefined;
  const byRounds = rounds ?? (isOwn ? most : undefined);
  const clocked = !isOwn && form.notation.takes.rounds !== true && form.rule.pulse(time) === null;
  const kept = !form.notation.restNeedsLength
    ? items
    : items.map((i): Item => (i.kind === 'rest' && i.sec === undefined ? { ...i, sec: 30 } : i));
  const isFlow = isOwn && form.notation.print(time, { role, time, items }).length === 0 && !byRounds && !list;
  return {
    role,
    time: isFlow ? { kind: 'flow' } : time,
    ...(list && list.length > 0 && isOwn && { count: { kind: 'list' as const, values: list, cycling: false } }),
    ...(byRounds && !clocked && !(list && list.length > 1) && { rounds: { low: byRounds, high: byRounds } }),
    ...(restBetweenSec &&
      !clocked && { between: { of: 'rounds' as const, lowSec: restBetweenSec, highSec: restBetweenSec } }),
    items: kept,
  };
}

/** One day of a plan that holds several. */
export interface GuessedDay extends GuessedSession {
  /** Its heading, as it stands; empty where the plan has none. */
  readonly heading: string;
  /** The day of a week that begins on `firstWeekday`, 1 to 7, where the heading names it. */
  readonly weekday: number | null;
}

const DAY_HEADING =
  /^\W*(?:week\s*\d+\W*)?(?:(mon|tue|wed|thu|fri|sat|sun)[a-z]*|day\s*(\d{1,2}))\b\W*(?:[-–:].*|\([^)]*\))?\s*$/i;

/** A plan with a heading a day (`Monday`, `Tue: legs`, `Day 3`) as its days, each guessed by itself; one without headings is one day. */
export function guessDays(plain: string, library: MovementLibrary, firstWeekday: Weekday = 1): GuessedDay[] {
  const days: { heading: string; weekday: number | null; lines: string[] }[] = [];
  for (const line of plain.split(/\r\n|\n|\r/)) {
    const found = DAY_HEADING.exec(bare(line));
    // A weekday's name that goes on as a title ("Monday burner") heads one session, not a week of them.
    if (found) {
      const weekday = found[1]
        ? dayOfWeekFrom(
            WEEKDAYS.findIndex((d) => d.toLowerCase().startsWith(found[1]!.toLowerCase())) + 1,
            firstWeekday,
          )
        : Number(found[2]) >= 1 && Number(found[2]) <= 7
          ? Number(found[2])
          : null;
      const words = /[-–:]\s*(\S.*)$/.exec(line)?.[1] ?? '';
      days.push({ heading: line.trim(), weekday, lines: words === '' ? [] : [words] });
    } else {
      if (days.length === 0) days.push({ heading: '', weekday: null, lines: [] });
      days.at(-1)!.lines.push(line);
    }
  }
  const written = days.filter((d) => d.heading !== '' || d.lines.some((l) => l.trim() !== ''));
  if (written.filter((d) => d.heading !== '').length < 2)
    return [{ heading: '', weekday: null, ...guessSession(plain, library) }];
  return written
    .slice(0, MAX_GUESSED_DAYS)
    .map(({ heading, weekday, lines }) => ({ heading, weekday, ...guessSession(lines.join('\n'), library) }));
}

/** A longer plan is a programme: it comes in by its own door. */
const MAX_GUESSED_DAYS = 14;
