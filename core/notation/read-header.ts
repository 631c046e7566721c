import { cutLetters } from '../letters.ts';
import type { BetweenRest, Block, CountRule, Span, TimeRule } from '../document/document.ts';
import type { Cursor } from './cursor.ts';
import { MAX_PARTNERS, MAX_ROUNDS, MAX_SETS, MAX_SLOTS, MAX_TEAM } from '../limits.ts';
import { UnreadableError } from './cursor.ts';
import { formatClock } from '../words/format-clock.ts';
import type { NotationIssue } from './issue.ts';
import { nearestWords } from '../words/nearest.ts';
import type { Token } from './tokens.ts';

/** The clauses of a block header, as a coach would look them up. */
export const CLAUSES = [
  'flow',
  'rounds',
  'reps',
  'for time',
  'cap',
  'amrap',
  'every',
  'emom',
  'work',
  'work cap',
  'windows',
  'pyramid',
  'turns of',
  'relay',
  'stations',
  'by feel',
  'rest',
  'sets',
  'then rest',
  'same as',
  'routine',
] as const;

type Clock =
  | Extract<TimeRule, { kind: 'span' | 'windows' }>
  | { kind: 'slots'; slotSec: number; forSec?: number; slots?: number }
  | { kind: 'intervals'; workSec: number[]; restSec: number[]; total?: number; pyramidStep?: number };

/** What the clauses of one header said, before they are held against each other. */
interface Said {
  clock?: { rule: Clock; token: Token; lastToken: Token };
  flow?: Token;
  rounds?: { span: Span; token: Token };
  list?: { values: number[]; cycling: boolean; token: Token };
  forTime?: Token;
  capSec?: number;
  capToken?: Token;
  workCap?: { sec: number; token: Token };
  stations?: Token;
  byFeel?: Token;
  relay?: { values: number[]; teamSize?: number; token: Token };
  between?: BetweenRest;
  sets?: { count: number; restSec?: number; token: Token };
  thenRestSec?: number;
  source?: Block['source'];
  sourceToken?: Token;
  /** What a bare `rest 1:00` after the last clause would belong to. */
  restGoesTo?: 'work' | 'sets';
}

export type HeaderRules = Pick<
  Block,
  'time' | 'count' | 'rounds' | 'between' | 'sets' | 'thenRestSec' | 'relay' | 'source'
>;

/** Reads `clause, clause, ...` after the colon. Every unreadable clause is reported; the others still count. */
export function readClauses(cursor: Cursor, issues: NotationIssue[]): HeaderRules {
  const said: Said = {};
  while (!cursor.done) {
    const before = issues.length;
    const from = cursor.at;
    try {
      readClause(cursor, said);
      if (!cursor.done && !cursor.takeMark(',')) {
        const token = cursor.peek()!;
        cursor.fail(
          'unknown-clause',
          `“${token.text}” doesn’t go on from what stands before; write a comma between two clauses.`,
        );
      }
    } catch (error) {
      if (!(error instanceof UnreadableError)) throw error;
      issues.push(error.issue);
      if (cursor.at < from) cursor.at = from;
      while (!cursor.done && !cursor.takeMark(',')) cursor.at++;
    }
    if (cursor.at === from && issues.length === before) break;
  }
  try {
    return combine(cursor, said);
  } catch (error) {
    if (!(error instanceof UnreadableError)) throw error;
    issues.push(error.issue);
    return { time: { kind: 'flow' } };
  }
}

function once(cursor: Cursor, taken: unknown, token: Token, what: string): void {
  if (taken !== undefined) cursor.fail('repeated', `${what} is said twice in one header; keep one.`, [], token);
}

function setClock(cursor: Cursor, said: Said, rule: Clock, token: Token): void {
  if (said.clock) {
    cursor.fail(
      'two-clocks',
      'A block has one clock, and this is its second; begin a new block for it.',
      [],
      token,
      cursor.tokens[cursor.at - 1],
    );
  }
  said.clock = { rule, token, lastToken: cursor.tokens[cursor.at - 1]! };
}

function readClause(cursor: Cursor, said: Said): void {
  const token = cursor.peek()!;
  const restGoesTo = said.restGoesTo;
  said.restGoesTo = undefined;
  if (token.kind === 'number') readNumbered(cursor, said, token);
  else if (cursor.takeWords('flow')) {
    once(cursor, said.flow, token, 'flow');
    said.flow = token;
  } else if (cursor.takeWords('reps')) {
    once(cursor, said.list, token, 'The list of reps');
    const values = cursor.list('The number of reps');
    said.list = { values, cycling: cursor.takeWords('cycling'), token };
  } else if (cursor.takeWords('for', 'time')) {
    once(cursor, said.forTime, token, 'for time');
    said.forTime = token;
  } else if (cursor.takeWords('cap')) {
    once(cursor, said.capSec, token, 'The cap');
    said.capSec = cursor.duration('The cap');
    said.capToken = token;
  } else if (cursor.takeWords('amrap')) {
    setClock(cursor, said, { kind: 'span', sec: cursor.duration('The length of the amrap') }, token);
  } else if (cursor.takeWords('emom')) {
    setClock(cursor, said, { kind: 'slots', slotSec: 60, forSec: cursor.duration('The length of the emom') }, token);
  } else if (cursor.takeWords('every')) readEvery(cursor, said, token);
  else if (cursor.takeWords('work', 'cap')) {
    once(cursor, said.workCap, token, 'The work cap');
    said.workCap = { sec: cursor.duration('The work cap'), token };
  } else if (cursor.takeWords('work')) readWork(cursor, said, token);
  else if (cursor.takeWords('windows')) readWindows(cursor, said, token);
  else if (cursor.takeWords('pyramid')) readPyramid(cursor, said, token);
  else if (cursor.takeWords('turns')) {
    if (!cursor.takeWords('of')) cursor.fail('missing', 'Turns are written like “turns of 2 in 5:00”.');
    const turnsOf = cursor.count('The number of partners', 2, MAX_PARTNERS);
    if (!cursor.takeWords('in')) cursor.fail('missing', 'Say how long the turns go on: “turns of 2 in 5:00”.');
    setClock(cursor, said, { kind: 'span', sec: cursor.duration('The length of the turns'), turnsOf }, token);
  } else if (cursor.takeWords('relay')) {
    once(cursor, said.relay, token, 'The relay');
    const values = cursor.list('The number of reps');
    let teamSize: number | undefined;
    if (cursor.takeWords('teams', 'of')) teamSize = cursor.count('The size of a team', 2, MAX_TEAM);
    said.relay = { values, ...(teamSize && { teamSize }), token };
  } else if (cursor.takeWords('stations')) {
    once(cursor, said.stations, token, 'stations');
    said.stations = token;
  } else if (cursor.takeWords('by', 'feel')) {
    once(cursor, said.byFeel, token, 'by feel');
    said.byFeel = token;
  } else if (cursor.takeWords('then', 'rest')) {
    once(cursor, said.thenRestSec, token, 'The rest after the block');
    said.thenRestSec = cursor.duration('The rest');
  } else if (cursor.takeWords('rest')) readRest(cursor, said, token, restGoesTo);
  else if (cursor.takeWords('same', 'as')) {
    once(cursor, said.source, token, 'Where the items come from');
    said.source = { kind: 'same-as', label: readWords(cursor, 'the label of a block') };
    said.sourceToken = token;
  } else if (cursor.takeWords('routine')) {
    once(cursor, said.source, token, 'Where the items come from');
    said.source = { kind: 'routine', name: readWords(cursor, 'the name of a stored routine') };
    said.sourceToken = token;
  } else {
    let end = cursor.at;
    while (end < cursor.tokens.length && cursor.tokens[end]!.text !== ',') end++;
    if (end === cursor.at) cursor.fail('missing', 'Nothing stands between two commas; take one out.', [], token);
    const words = cutLetters(cursor.slice(cursor.at, end), 60);
    cursor.fail(
      'unknown-clause',
      `“${words}” is no clause of a block header.`,
      nearestWords(token.kind === 'word' ? token.text : words, CLAUSES),
      token,
      token.kind === 'word' ? token : cursor.tokens[end - 1],
    );
  }
}

function readWords(cursor: Cursor, what: string): string {
  const from = cursor.at;
  const first = cursor.peek();
  if (first?.kind === 'quoted') {
    cursor.at++;
    if (first.text === '') return cursor.fail('missing', `Write ${what} between the quotation marks.`, [], first);
    return first.text;
  }
  while (!cursor.done && cursor.peek()!.text !== ',') cursor.at++;
  const words = cursor.slice(from, cursor.at);
  if (words === '') return cursor.fail('missing', `Write ${what} here.`);
  return words;
}

function readNumbered(cursor: Cursor, said: Said, token: Token): void {
  const low = cursor.count('The number', 1, MAX_ROUNDS);
  const high = cursor.takeWords('to') ? cursor.count('The higher number', 1, MAX_ROUNDS) : low;
  if (high < low)
    cursor.fail(
      'contradiction',
      `A range goes from the smaller to the larger: ${high} is less than ${low}.`,
      [],
      token,
    );
  if (cursor.takeOneOf('rounds', 'round')) {
    once(cursor, said.rounds, token, 'The number of rounds');
    said.rounds = { span: { low, high }, token };
  } else if (cursor.takeOneOf('sets', 'set')) {
    once(cursor, said.sets, token, 'The number of sets');
    if (high !== low)
      cursor.fail('bad-value', 'Sets are one number; “2 to 3” goes with rounds.', [`${low} to ${high} rounds`], token);
    if (low > MAX_SETS) cursor.fail('bad-value', `At most ${MAX_SETS} sets are read.`, [], token);
    said.sets = { count: low, token };
    said.restGoesTo = 'sets';
  } else {
    cursor.fail(
      'missing',
      `${low} of what? Write “${low} rounds” or “${low} sets”.`,
      [`${low} rounds`, `${low} sets`],
      token,
      cursor.peek()?.kind === 'word' ? cursor.peek() : token,
    );
  }
}

function readEvery(cursor: Cursor, said: Said, token: Token): void {
  const slotSec = cursor.duration('The length of a slot');
  if (cursor.takeMark('x')) {
    setClock(cursor, said, { kind: 'slots', slotSec, slots: cursor.count('The number of slots', 1, MAX_SLOTS) }, token);
    return;
  }
  if (!cursor.takeWords('for')) {
    cursor.fail(
      'missing',
      'Say how long the slots go on: “every 1:00 for 16:00”, or “every 1:00 x 16”.',
      [],
      token,
      cursor.tokens[cursor.at - 1],
    );
  }
  setClock(cursor, said, { kind: 'slots', slotSec, forSec: cursor.duration('The length of the clock') }, token);
}

/** `0:45`, or a list by round with its unit at the end: `25/35/45s`. */
function durationList(cursor: Cursor, what: string): number[] {
  const first = cursor.peek();
  if (cursor.isNumber() && cursor.peek(1)?.text === '/') {
    const numbers: number[] = [];
    do {
      const token = cursor.peek();
      if (token?.kind !== 'number') return cursor.fail('missing', 'A number is missing in this list.');
      cursor.at++;
      numbers.push(token.value);
    } while (cursor.takeMark('/'));
    const factor = cursor.takeTimeUnit();
    if (factor === undefined) {
      return cursor.fail(
        'missing',
        'The list needs its unit at the end.',
        [`${numbers.join('/')}s`, `${numbers.join('/')} min`],
        first,
      );
    }
    if (numbers.length > MAX_ROUNDS)
      return cursor.fail('bad-value', `At most ${MAX_ROUNDS} rounds are read.`, [], first);
    return numbers.map((n) => cursor.checkedDuration(n * factor, what, first));
  }
  const values = [cursor.duration(what)];
  while (cursor.takeMark('/')) values.push(cursor.duration(what));
  if (values.length > MAX_ROUNDS) return cursor.fail('bad-value', `At most ${MAX_ROUNDS} rounds are read.`, [], first);
  return values;
}

function readWork(cursor: Cursor, said: Said, token: Token): void {
  const workSec = durationList(cursor, 'The work time');
  const restSec = cursor.takeWords('rest') ? durationList(cursor, 'The rest time') : [];
  const total = cursor.takeMark('x') ? cursor.count('The number of intervals', 1, MAX_SLOTS) : undefined;
  setClock(cursor, said, { kind: 'intervals', workSec, restSec, ...(total && { total }) }, token);
  if (restSec.length === 0 && total === undefined) said.restGoesTo = 'work';
}

function readWindows(cursor: Cursor, said: Said, token: Token): void {
  const windowSec = cursor.duration('The length of a window');
  if (!cursor.takeMark('x')) cursor.fail('missing', 'Say how many windows: “windows 2:30 x 4”.');
  const windows = cursor.count('The number of windows', 1, MAX_ROUNDS);
  const restSec = cursor.takeWords('rest') ? cursor.duration('The rest between windows') : 0;
  setClock(cursor, said, { kind: 'windows', windowSec, windows, restSec }, token);
}

function readPyramid(cursor: Cursor, said: Said, token: Token): void {
  if (!cursor.takeMark('+'))
    cursor.fail('missing', 'A pyramid says what each set adds: “pyramid +3 in 1:15 rest 0:45”.');
  const step = cursor.count('What each set adds', 1, 100);
  if (!cursor.takeWords('in')) cursor.fail('missing', 'Say how long each way is: “pyramid +3 in 1:15 rest 0:45”.');
  const workSec = cursor.duration('The time of each way');
  const restSec = cursor.takeWords('rest') ? [cursor.duration('The rest')] : [];
  setClock(cursor, said, { kind: 'intervals', workSec: [workSec], restSec, pyramidStep: step }, token);
}

function readRest(cursor: Cursor, said: Said, token: Token, goesTo: Said['restGoesTo']): void {
  if (goesTo === 'work' && said.clock?.rule.kind === 'intervals') {
    const restSec = durationList(cursor, 'The rest time');
    if (!isBetween(cursor)) {
      said.clock.rule.restSec = restSec;
      return;
    }
    cursor.at = cursor.tokens.indexOf(token) + 1;
  }
  const lowSec = cursor.duration('The rest');
  const highSec = cursor.takeWords('to') ? cursor.duration('The longer rest') : lowSec;
  if (highSec < lowSec) cursor.fail('contradiction', 'A range goes from the shorter to the longer rest.', [], token);
  const between = cursor.takeOneOf('between');
  if (!between && goesTo === 'sets' && said.sets && lowSec === highSec) {
    said.sets.restSec = lowSec;
    return;
  }
  const of = cursor.takeOneOf('rounds', 'round') ? 'rounds' : cursor.takeOneOf('items', 'item') ? 'items' : undefined;
  if (!between || !of) {
    const words = cursor.slice(cursor.tokens.indexOf(token), cursor.at).replace(/ between$/, '');
    cursor.fail(
      'missing',
      'Where is this rest? Between rounds, between items, or after the block.',
      [`${words} between rounds`, `${words} between items`, `then ${words}`],
      token,
      cursor.tokens[cursor.at - 1],
    );
  }
  once(cursor, said.between, token, 'The rest between');
  said.between = { of: of, lowSec, highSec };
}

const isBetween = (cursor: Cursor) => ['between', 'to'].includes(cursor.peek()?.text ?? '');

/** Holds the clauses against each other and makes the block's rules of them. */
function combine(cursor: Cursor, said: Said): HeaderRules {
  const contradict = (message: string, token: Token, suggestions: string[] = []): never =>
    cursor.fail('contradiction', message, suggestions, token);
  const clock = said.clock?.rule;
  if (said.source) {
    const other =
      said.clock?.token ??
      said.flow ??
      said.rounds?.token ??
      said.list?.token ??
      said.forTime ??
      said.relay?.token ??
      said.byFeel ??
      said.capToken ??
      said.stations ??
      said.workCap?.token;
    if (other) contradict('The block that is meant brings its own clock and count; leave this out.', other);
  }
  if (clock && said.forTime) contradict('“for time” runs without a clock; take one of the two out.', said.forTime);
  if (clock && said.flow) contradict('“flow” is unhurried, without a clock; take one of the two out.', said.flow);
  if (said.capToken && clock)
    contradict('A cap goes with “for time” or rounds; this block’s clock ends it already.', said.capToken);
  if (said.flow && (said.rounds || said.list || said.forTime || said.relay || said.byFeel || said.capToken)) {
    contradict('“flow” is once through, unhurried; take it out, or what stands beside it.', said.flow);
  }
  if (said.workCap && clock?.kind !== 'slots')
    contradict('A work cap goes with a slot clock like “every 1:15 for 30:00”.', said.workCap.token);
  if (said.stations && (clock?.kind !== 'intervals' || clock.pyramidStep)) {
    contradict('Stations go with an interval clock like “work 0:45 rest 0:15”.', said.stations);
  }
  if (said.relay && (clock || said.list || said.rounds || said.byFeel))
    contradict('A relay has its own numbers and runs without a clock.', said.relay.token);
  if (said.rounds && clock && clock.kind !== 'intervals') {
    contradict('The clock of this block says how long it goes on; leave the rounds out.', said.rounds.token);
  }
  if (said.list && said.byFeel) contradict('By feel owes no number; take the list out, or “by feel”.', said.byFeel);
  if (
    said.rounds &&
    said.list &&
    !said.list.cycling &&
    said.list.values.length > 1 &&
    (said.rounds.span.low !== said.list.values.length || said.rounds.span.high !== said.list.values.length)
  ) {
    contradict(
      `The list of reps has ${said.list.values.length} numbers, and so as many rounds; the rounds say something else.`,
      said.rounds.token,
    );
  }
  if (said.list?.cycling && !clock && !said.rounds)
    contradict('A cycling list needs a clock or a number of rounds.', said.list.token);
  const count: CountRule | undefined = said.relay
    ? { kind: 'list', values: said.relay.values, cycling: false }
    : said.list
      ? { kind: 'list', values: said.list.values, cycling: said.list.cycling }
      : said.byFeel
        ? { kind: 'by-feel' }
        : clock?.kind === 'intervals' && clock.pyramidStep
          ? { kind: 'pyramid', step: clock.pyramidStep }
          : undefined;
  if (clock?.kind === 'intervals' && clock.pyramidStep && (said.list || said.byFeel || said.rounds)) {
    contradict(
      'A pyramid carries its own numbers from set to set.',
      (said.list?.token ?? said.byFeel ?? said.rounds?.token)!,
    );
  }
  return {
    time: timeRule(cursor, said),
    ...(count && { count }),
    ...(said.rounds && { rounds: said.rounds.span }),
    ...(said.between && { between: said.between }),
    ...(said.sets && { sets: { count: said.sets.count, ...(said.sets.restSec && { restSec: said.sets.restSec }) } }),
    ...(said.thenRestSec && { thenRestSec: said.thenRestSec }),
    ...(said.relay && { relay: { ...(said.relay.teamSize && { teamSize: said.relay.teamSize }) } }),
    ...(said.source && { source: said.source }),
  };
}

function timeRule(cursor: Cursor, said: Said): TimeRule {
  const clock = said.clock?.rule;
  if (!clock) {
    const own = said.rounds || said.list || said.forTime || said.capSec || said.relay || said.byFeel;
    return own
      ? { kind: 'own', forTime: said.forTime !== undefined, ...(said.capSec && { capSec: said.capSec }) }
      : { kind: 'flow' };
  }
  const token = said.clock!.token;
  switch (clock.kind) {
    case 'span':
    case 'windows':
      return clock;
    case 'slots': {
      const { slotSec, forSec } = clock;
      const slots = clock.slots ?? forSec! / slotSec;
      if (forSec !== undefined && slotSec > forSec)
        cursor.fail('contradiction', 'One slot is longer than the whole clock.', [], token);
      if (!Number.isInteger(slots)) {
        const whole = Math.floor(slots);
        cursor.fail(
          'contradiction',
          `${formatClock(forSec!)} doesn’t hold a whole number of slots of ${formatClock(slotSec)}.`,
          [whole, whole + 1].map((n) => `every ${formatClock(slotSec)} for ${formatClock(n * slotSec)}`),
          token,
          said.clock!.lastToken,
        );
      }
      if (slots > MAX_SLOTS)
        cursor.fail('bad-value', `That would be ${slots} slots; at most ${MAX_SLOTS} are read.`, [], token);
      if (said.workCap && said.workCap.sec > slotSec)
        cursor.fail('contradiction', 'The work cap is later than the end of the slot.', [], said.workCap.token);
      return { kind: 'slots', slotSec, slots, ...(said.workCap && { workCapSec: said.workCap.sec }) };
    }
    case 'intervals': {
      const { workSec, restSec, total } = clock;
      const byRound = Math.max(workSec.length, restSec.length);
      if (workSec.length > 1 && restSec.length > 1 && workSec.length !== restSec.length) {
        cursor.fail(
          'contradiction',
          `Work is given for ${workSec.length} rounds and rest for ${restSec.length}.`,
          [],
          token,
        );
      }
      if (total !== undefined && byRound > 1)
        cursor.fail(
          'contradiction',
          '“x” counts intervals of one length; with a list by round the list says how many.',
          [],
          token,
        );
      if (total !== undefined && said.rounds)
        cursor.fail(
          'contradiction',
          '“x” says how many intervals there are; leave the rounds out.',
          [],
          said.rounds.token,
        );
      if (said.rounds && byRound > 1 && said.rounds.span.high !== byRound) {
        cursor.fail(
          'contradiction',
          `The clock is given for ${byRound} rounds, and the rounds say ${said.rounds.span.high}.`,
          [],
          said.rounds.token,
        );
      }
      return {
        kind: 'intervals',
        workSec,
        restSec,
        ...(total !== undefined && { total }),
        stations: said.stations !== undefined,
      };
    }
  }
}
