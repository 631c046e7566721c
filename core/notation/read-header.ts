import { cutLetters } from '../letters.ts';
import type { Block, CountRule } from '../document/document.ts';
import { CLAUSE_WORDS, CLOCK_CLAUSES, EXTRA_CLAUSES } from '../forms/clauses.ts';
import type { BesideClock, TimeForm } from '../forms/form.ts';
import type { TimeRule } from '../document/time-rule.ts';
import { formOf } from '../forms/forms.ts';
import type { ExtraKey, Said } from '../forms/said.ts';
import { MAX_ROUNDS, MAX_SETS } from '../limits.ts';
import { nearestWords } from '../words/nearest.ts';
import type { Cursor } from '../text/cursor.ts';
import { UnreadableError } from '../text/cursor.ts';
import type { NotationIssue } from '../text/issue.ts';
import type { Token } from '../text/tokens.ts';

export type HeaderRules = Pick<
  Block,
  'time' | 'count' | 'rounds' | 'between' | 'sets' | 'thenRestSec' | 'relay' | 'source' | 'scored' | 'pacePerMin'
> & {
  /** Of a block that takes its items from elsewhere: its clock and count are written again, to be held against those. */
  readonly repeats?: true;
};

const FLOW: TimeRule = { kind: 'flow' };
const OWN = formOf({ kind: 'own', forTime: false });

/** Reads `clause, clause, ...` after the colon. Every unreadable clause is reported; the others still count. */
export function readClauses(cursor: Cursor, issues: NotationIssue[]): HeaderRules {
  const said: Said = { extras: {} };
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
    return { time: FLOW };
  }
}

function once(cursor: Cursor, taken: unknown, token: Token, what: string): void {
  if (taken !== undefined) cursor.fail('repeated', `${what} is said twice in one header; keep one.`, [], token);
}

function readClause(cursor: Cursor, said: Said): void {
  const token = cursor.peek()!;
  const restGoesTo = said.restGoesTo;
  delete said.restGoesTo;
  if (token.kind === 'number') return readNumbered(cursor, said, token);
  if (readExtra(cursor, said, token) || readClock(cursor, said, token)) return;
  if (cursor.takeWords('reps')) {
    once(cursor, said.list, token, 'The list of reps');
    const values = cursor.list('The number of reps');
    said.list = { values, cycling: cursor.takeWords('cycling'), token };
  } else if (cursor.takeWords('by', 'feel')) {
    once(cursor, said.byFeel, token, 'by feel');
    said.byFeel = token;
  } else if (cursor.takeWords('pace')) {
    once(cursor, said.pacePerMin, token, 'The pace');
    said.pacePerMin = cursor.count('The pace', 1, MAX_PACE);
    if (!cursor.takeWords('a', 'minute'))
      cursor.fail('missing', 'A pace is written like “pace 12 a minute”.', [], token);
  } else if (cursor.takeWords('scored')) {
    once(cursor, said.scored, token, 'scored');
    said.scored = token;
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
  } else failUnknown(cursor, token);
}

function failUnknown(cursor: Cursor, token: Token): never {
  let end = cursor.at;
  while (end < cursor.tokens.length && cursor.tokens[end]!.text !== ',') end++;
  if (end === cursor.at) cursor.fail('missing', 'Nothing stands between two commas; take one out.', [], token);
  const words = cutLetters(cursor.slice(cursor.at, end), 60);
  return cursor.fail(
    'unknown-clause',
    `“${words}” isn’t known in the first line of a block.`,
    nearestWords(token.kind === 'word' ? token.text : words, CLAUSE_WORDS),
    token,
    token.kind === 'word' ? token : cursor.tokens[end - 1],
  );
}

/** A clause that goes with one form or a few. */
function readExtra(cursor: Cursor, said: Said, token: Token): boolean {
  for (const extra of Object.values(EXTRA_CLAUSES)) {
    if (!cursor.takeWords(...extra.words)) continue;
    once(cursor, said.extras[extra.key], token, extra.named);
    Object.assign(said.extras, { [extra.key]: { value: extra.read(cursor), token } });
    return true;
  }
  return false;
}

/** The clause that begins a clock, or says that there is none to mind. */
function readClock(cursor: Cursor, said: Said, token: Token): boolean {
  for (const { form, clause } of CLOCK_CLAUSES) {
    if (!cursor.takeWords(...clause.words)) continue;
    const draft = clause.read(cursor, token);
    const lastToken = cursor.tokens[cursor.at - 1]!;
    if (said.clock) {
      const { kind, token: first } = said.clock;
      const isUnhurried = kind === 'flow' || form.kind === 'flow';
      if (kind === form.kind && kind === 'flow') once(cursor, true, token, 'flow');
      if (isUnhurried)
        cursor.fail(
          'contradiction',
          '“flow” is unhurried, without a clock; remove one of the two.',
          [],
          form.kind === 'flow' ? token : first,
        );
      cursor.fail(
        'two-clocks',
        'A block has one clock, and this is its second; begin a new block for it.',
        [],
        token,
        lastToken,
      );
    }
    said.clock = { kind: form.kind, draft, token, lastToken };
    if (form.notation.takeRest) said.restGoesTo = 'clock';
    return true;
  }
  return false;
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
  if (said.rounds && cursor.takeWords('more', 'if', 'time')) return moreIfTime(cursor, said.rounds, low, token);
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

/** `3 rounds, 1 more if time`: as `3 to 4 rounds`. */
function moreIfTime(cursor: Cursor, rounds: NonNullable<Said['rounds']>, more: number, token: Token): void {
  const { low, high } = rounds.span;
  if (high + more > MAX_ROUNDS) cursor.fail('bad-value', `At most ${MAX_ROUNDS} rounds are read.`, [], token);
  rounds.span = { low, high: high + more };
}

/** More repetitions a minute than anybody does of anything (common practice, no source). */
const MAX_PACE = 200;

function readRest(cursor: Cursor, said: Said, token: Token, goesTo: Said['restGoesTo']): void {
  if (goesTo === 'clock' && said.clock) {
    const form = CLOCK_CLAUSES.find((c) => c.form.kind === said.clock!.kind)!.form;
    if (form.notation.takeRest?.(said.clock.draft, cursor)) return;
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
  said.between = { of, lowSec, highSec };
  said.betweenToken = token;
}

/** Which clauses beside the clock stand in a header, with their places. */
const besides = (said: Said): [BesideClock, Token][] => [
  ...(said.rounds ? ([['rounds', said.rounds.token]] as [BesideClock, Token][]) : []),
  ...(said.list ? ([['list', said.list.token]] as [BesideClock, Token][]) : []),
  ...(said.byFeel ? ([['by-feel', said.byFeel]] as [BesideClock, Token][]) : []),
  ...(said.betweenToken ? ([['between', said.betweenToken]] as [BesideClock, Token][]) : []),
];

/** The form that a header means: its clock's, else own pace where anything counts, else flow. */
function formSaid(said: Said): TimeForm {
  if (said.clock) return CLOCK_CLAUSES.find((c) => c.form.kind === said.clock!.kind)!.form;
  const counts = said.rounds ?? said.list ?? said.byFeel ?? Object.values(said.extras)[0];
  return counts ? OWN : formOf(FLOW);
}

/** Holds the clauses against each other and makes the block's rules of them. */
function combine(cursor: Cursor, said: Said): HeaderRules {
  const contradict = (message: string, token: Token, suggestions: string[] = []): never =>
    cursor.fail('contradiction', message, suggestions, token);
  const form = formSaid(said);
  const extras = Object.entries(said.extras) as [ExtraKey, { value: unknown; token: Token }][];
  for (const [key, { token }] of extras) {
    if (form.kind === 'flow' && said.clock) {
      const beside = form.notation.takes.rounds;
      if (typeof beside === 'string') contradict(beside, said.clock.token);
    }
    if (!form.notation.extras.includes(key)) contradict(EXTRA_CLAUSES[key].refusal, token);
    if (key === 'stations' && !said.clock) contradict(EXTRA_CLAUSES[key].refusal, token);
  }
  const { relay } = said.extras;
  if (relay && (said.list || said.rounds || said.byFeel)) contradict(EXTRA_CLAUSES.relay.refusal, relay.token);
  for (const [beside, token] of besides(said)) {
    const answer = form.notation.takes[beside];
    if (answer !== true) contradict(answer, form.kind === 'flow' ? said.clock!.token : token);
  }
  if (said.list && said.byFeel) contradict('By feel owes no number; remove the list, or “by feel”.', said.byFeel);
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
  if (said.list?.cycling && !said.clock && !said.rounds)
    contradict('A cycling list needs a clock or a number of rounds.', said.list.token);
  const count: CountRule | undefined = relay
    ? { kind: 'list', values: relay.value.values, cycling: false }
    : said.list
      ? { kind: 'list', values: said.list.values, cycling: said.list.cycling }
      : said.byFeel
        ? { kind: 'by-feel' }
        : undefined;
  const token = said.clock?.token ?? cursor.tokens[0]!;
  const time = form.notation.make(said.clock?.draft, said, {
    cursor,
    token,
    lastToken: said.clock?.lastToken ?? token,
  });
  const repeats = said.source && (said.clock ?? count ?? said.rounds ?? extras[0]);
  return {
    time,
    ...(count && { count }),
    ...(said.rounds && { rounds: said.rounds.span }),
    ...(said.between && { between: said.between }),
    ...(said.sets && { sets: { count: said.sets.count, ...(said.sets.restSec && { restSec: said.sets.restSec }) } }),
    ...(said.thenRestSec && { thenRestSec: said.thenRestSec }),
    ...(relay && { relay: { ...(relay.value.teamSize && { teamSize: relay.value.teamSize }) } }),
    ...(said.source && { source: said.source }),
    ...(said.scored && { scored: true as const }),
    ...(said.pacePerMin !== undefined && { pacePerMin: said.pacePerMin }),
    ...(repeats && { repeats: true as const }),
  };
}
