import { MAX_DURATION_SEC } from '../../limits.ts';
import { assertNever } from '../../assert-never.ts';
import { formatClock } from '../../words/format-clock.ts';
import type { Lever } from './lever.ts';
import { formatSigned, LEVER_KINDS, leverName } from './lever.ts';
import type { Result } from '../../result.ts';
import { done, refused } from '../../result.ts';
import type { LeverRule, Schedule } from '../track/schedule.ts';

const MAX_BY = 3600;

/** How a line says what rounds that are added have. */
const NEW_ROUNDS = {
  'go-on': 'new rounds going on',
  'as-last': 'new rounds like the last',
  'from-first': 'new rounds from the first',
} as const;
const plain = (by: number) => formatSigned(by).replace('−', '-');

/** A rule as one line: `reps of goblet squat in Engine: wave +1, lighter -2`. Reading it gives the same rule. */
export function printRule({ lever, schedule, lighterBy, notLighterIn = [] }: LeverRule): string {
  return [
    `${leverName(lever)}: ${printSchedule(schedule)}`,
    ...(lever.newRounds ? [NEW_ROUNDS[lever.newRounds]] : []),
    ...(lighterBy === undefined ? [] : [`lighter ${plain(lighterBy)}`]),
    ...notLighterIn.map((week) => `not lighter in week ${week}`),
  ].join(', ');
}

export function printSchedule(schedule: Schedule): string {
  switch (schedule.kind) {
    case 'each-week':
      return `${plain(schedule.by)} a week`;
    case 'at-weeks':
      return schedule.steps.length === 0
        ? 'as written'
        : schedule.steps.map((s) => `at week ${s.week} ${plain(s.by)}`).join(', ');
    case 'list':
      return `by week ${schedule.values.map(plain).join(' ')}`;
    case 'wave':
      return `wave ${plain(schedule.by)}, carry ${plain(schedule.carry)}`;
    case 'double':
      return `double to ${schedule.ceiling}, load ${plain(schedule.loadBy)}`;
    case 'until-length':
      return `${plain(schedule.by)} a week until ${formatClock(schedule.sec)}`;
    default:
      return assertNever(schedule);
  }
}

/** All rules of a track, one a line. */
export const printRules = (rules: readonly LeverRule[]): string => rules.map(printRule).join('\n');

/** What is wrong with a line of rules, counted from 1. */
export interface RuleIssue {
  readonly line: number;
  readonly message: string;
}

/** Reads rules one a line; empty lines are passed by. Rules at one lever add up. */
export function readRules(text: string): {
  readonly rules: readonly LeverRule[];
  readonly issues: readonly RuleIssue[];
} {
  const rules: LeverRule[] = [];
  const issues: RuleIssue[] = [];
  for (const [i, words] of text.split(/\r?\n/).entries()) {
    if (words.trim() === '') continue;
    const read = readRule(words);
    if (read.status === 'refused') issues.push({ line: i + 1, message: read.message });
    else rules.push(read.value);
  }
  return { rules, issues };
}

/** Rules of our own making; a line that can't be read is our mistake, and a RangeError. */
export function needRules(lines: readonly string[]): readonly LeverRule[] {
  const { rules, issues } = readRules(lines.join('\n'));
  if (issues[0]) throw new RangeError(`“${lines[issues[0].line - 1]}”: ${issues[0].message}`);
  return rules;
}

/** One example of every way to write a rule, and what it means. */
export const RULE_EXAMPLES: readonly { readonly line: string; readonly means: string }[] = [
  { line: 'reps: +1 a week', means: 'one more with every week that isn’t lighter' },
  { line: 'rounds: at week 4 +1', means: 'a round more from week 4 on' },
  { line: 'reps of list: by week 0 +2 +4 -1', means: 'week by week, the last one standing for what follows' },
  { line: 'rounds: wave 0, carry +1, lighter -1', means: 'one more after each lighter week, one less in it' },
  { line: 'rounds: +1 a week, lighter 0, not lighter in week 8', means: 'a lighter week that this passes by' },
  { line: 'rounds: +1 a week, new rounds like the last', means: 'a list by round ends as it did, as often as needed' },
  { line: 'reps of goblet squat: double to 12, load +2', means: 'reps to 12, then 2 kg more and from the start again' },
  { line: 'rounds in Engine: +1 a week until 40:00', means: 'for as long as the session stays within 40 minutes' },
];

export type ReadRule = Result<LeverRule>;

const NUMBER = String.raw`([+\-−]?\d{1,4}(?:\.\d{1,2})?)`;
const NUMBER_PATTERN = new RegExp(`^${NUMBER}$`);
const toNumber = (text: string) => Number(text.replace('−', '-'));

const BY_CLAUSE = new RegExp(`^${NUMBER} a week$`);
const UNTIL_CLAUSE = new RegExp(String.raw`^${NUMBER} a week until (?:(?:(\d):)?(\d{1,3}):([0-5]\d)|(\d{1,3}) min)$`);
const AT_CLAUSE = new RegExp(String.raw`^at week (\d{1,2}) ${NUMBER}$`);
const WAVE_CLAUSE = new RegExp(`^wave(?: ${NUMBER})?$`);
const CARRY_CLAUSE = new RegExp(`^carry ${NUMBER}$`);
const LIGHTER_CLAUSE = new RegExp(`^lighter ${NUMBER}$`);
const NOT_LIGHTER_CLAUSE = /^not lighter in week (\d{1,2})$/;
const DOUBLE_CLAUSE = /^double to (\d{1,4})$/;
const LOAD_CLAUSE = new RegExp(`^load ${NUMBER}(?: kg)?$`);

/** Reads a rule's line; what can't be read comes back as a message with a remedy. */
export function readRule(line: string): ReadRule {
  const colon = line.indexOf(':');
  const lever = readLeverName(colon < 0 ? line : line.slice(0, colon));
  if (lever.status === 'refused') return lever;
  if (colon < 0) return refused('After what changes comes a colon and how it moves, like “rounds: +1 a week”.');
  const clauses = line
    .slice(colon + 1)
    .split(',')
    .map((c) => c.trim().replace(/\s+/g, ' ').toLowerCase())
    .filter(Boolean);
  let lighterBy: number | undefined;
  let newRounds: Lever['newRounds'];
  const notLighterIn: number[] = [];
  const rest = clauses.filter((c) => {
    const not = NOT_LIGHTER_CLAUSE.exec(c);
    if (not) notLighterIn.push(Number(not[1]));
    if (not) return false;
    const added = (['go-on', 'as-last', 'from-first'] as const).find((how) => NEW_ROUNDS[how] === c);
    if (added) newRounds = added;
    if (added) return false;
    const found = LIGHTER_CLAUSE.exec(c);
    if (found) lighterBy = toNumber(found[1]!);
    return !found;
  });
  const schedule = readSchedule(rest);
  if (typeof schedule === 'string') return refused(schedule);
  if (!isInBounds(schedule) || Math.abs(lighterBy ?? 0) > MAX_BY || notLighterIn.some((week) => week < 1 || week > 52))
    return refused(`A step is at most ${MAX_BY} either way, a week 1 to 52.`);
  if (schedule.kind === 'double' && lever.value.kind !== 'reps')
    return refused('“double” goes with reps: they grow to a ceiling, then the load goes up.');
  if (newRounds && lever.value.kind !== 'rounds') return refused('What new rounds have goes with “rounds”.');
  return done({
    lever: { ...lever.value, ...(newRounds && { newRounds }) },
    schedule,
    ...(lighterBy !== undefined && { lighterBy }),
    ...(notLighterIn.length > 0 && { notLighterIn: [...new Set(notLighterIn)].sort((a, b) => a - b) }),
  });
}

function readLeverName(text: string): Result<Lever> {
  const words = text.trim().replace(/\s+/g, ' ');
  const found = /^([a-z]+)(?: of (.+?))?(?: in (.+))?$/i.exec(words);
  const kind = LEVER_KINDS.find((k) => k === found?.[1]?.toLowerCase());
  if (!found || !kind)
    return refused(`“${text.trim()}” is nothing that can change; there are ${LEVER_KINDS.join(', ')}.`);
  return done({ kind, ...(found[2] && { of: found[2] }), ...(found[3] && { in: found[3] }) });
}

function readSchedule(clauses: readonly string[]): Schedule | string {
  const [first = '', second, ...more] = clauses;
  if (first === 'as written' && !second) return { kind: 'at-weeks', steps: [] };
  const each = BY_CLAUSE.exec(first);
  if (each && !second) return { kind: 'each-week', by: toNumber(each[1]!) };
  const until = UNTIL_CLAUSE.exec(first);
  if (until && !second)
    return {
      kind: 'until-length',
      by: toNumber(until[1]!),
      sec: until[5] ? Number(until[5]) * 60 : Number(until[2] ?? 0) * 3600 + Number(until[3]) * 60 + Number(until[4]),
    };
  if (first.startsWith('by week') && !second) {
    const values = first.slice(7).trim().split(' ');
    if (values.every((v) => NUMBER_PATTERN.test(v)) && values.length <= 52)
      return { kind: 'list', values: values.map(toNumber) };
    return 'After “by week” come at most 52 numbers with blanks between, like “by week 0 1 2 -1”.';
  }
  if (first.startsWith('at week')) {
    const steps = clauses.map((c) => AT_CLAUSE.exec(c));
    if (steps.every((s) => s !== null))
      return { kind: 'at-weeks', steps: steps.map((s) => ({ week: Number(s[1]), by: toNumber(s[2]!) })) };
    return 'A step says its week and how much, like “at week 4 +1”.';
  }
  const wave = WAVE_CLAUSE.exec(first);
  if (wave && more.length === 0) {
    const carry = second === undefined ? undefined : CARRY_CLAUSE.exec(second);
    if (carry !== null)
      return { kind: 'wave', by: wave[1] ? toNumber(wave[1]) : 0, carry: carry ? toNumber(carry[1]!) : 0 };
  }
  const double = DOUBLE_CLAUSE.exec(first);
  const load = second === undefined ? null : LOAD_CLAUSE.exec(second);
  if (double && load && more.length === 0)
    return { kind: 'double', ceiling: Number(double[1]), loadBy: toNumber(load[1]!) };
  return `“${clauses.join(', ')}” says no way to move: write “+1 a week”, “at week 4 +1”, “by week 0 1 2 -1”, “wave +1, carry +1”, “double to 12, load +2” or “+1 a week until 40:00”.`;
}

function isInBounds(schedule: Schedule): boolean {
  const small = (n: number) => Math.abs(n) <= MAX_BY;
  switch (schedule.kind) {
    case 'each-week':
      return small(schedule.by);
    case 'at-weeks':
      return schedule.steps.every((s) => small(s.by) && s.week >= 1 && s.week <= 52);
    case 'list':
      return schedule.values.length > 0 && schedule.values.every(small);
    case 'wave':
      return small(schedule.by) && small(schedule.carry);
    case 'double':
      return schedule.ceiling >= 1 && small(schedule.loadBy);
    case 'until-length':
      return small(schedule.by) && schedule.sec > 0 && schedule.sec <= MAX_DURATION_SEC;
    default:
      return assertNever(schedule);
  }
}
