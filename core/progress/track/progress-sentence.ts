import type { SessionDocument } from '../../document/document.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { Result } from '../../result.ts';
import { done, refused } from '../../result.ts';
import { applyLever, readLever } from '../levers/apply-lever.ts';
import { leverStep, offsetAt } from '../levers/drag-rule.ts';
import type { Lever } from '../levers/lever.ts';
import { formatSigned, LEVER_WORDS, leverName } from '../levers/lever.ts';
import type { LeverRule, Pull, ScheduleScope } from './schedule.ts';
import { pullsAt } from './schedule.ts';

/** Where a sentence about what changes is said. */
export interface SentenceScope extends ScheduleScope {
  /** The track's session as it is written. */
  readonly document: SessionDocument;
  readonly library: MovementLibrary;
  /** Weeks of the progression. */
  readonly weeks: number;
}

const AS_WRITTEN = 'as written';
/** How far a value that is said may lie from what is written, in steps of its lever. */
const MOST_STEPS = 400;

const standOf = (pull: Pull, { document, library }: SentenceScope): string | undefined =>
  readLever(applyLever(document, pull, library), pull.lever, library);

/** What a lever stands at after being pulled, as it is said: its value (`6`, `0:45`, `8/6`), or what is added where there are several. */
function sayAt(pull: Pull, scope: SentenceScope, isPlain: boolean): string {
  if (isPlain) return standOf(pull, scope)!;
  return pull.by === 0 ? AS_WRITTEN : formatSigned(pull.by);
}

/** Whether values can be said as they stand: none is a list of several with commas. */
const isPlainLever = (pulls: readonly Pull[], scope: SentenceScope): boolean =>
  pulls.every((pull) => {
    const stand = standOf(pull, scope);
    return stand !== undefined && !stand.includes(',');
  });

/** `5, 5, 5, then 6 in week 4`: what a rule comes to week by week, the last change with its week. `5 every week` where nothing changes. */
export function sayProgress(rule: LeverRule, scope: SentenceScope): string {
  const pulls = Array.from({ length: scope.weeks }, (_, i) => pullsAt(rule, i + 1, scope)[0]!);
  const isPlain = isPlainLever(pulls, scope);
  const said = pulls.map((pull) => sayAt(pull, scope, isPlain));
  const last = said.at(-1) ?? '';
  const from = said.findLastIndex((s) => s !== last) + 1;
  if (from === 0) return `${last} every week`;
  return `${said.slice(0, from).join(', ')}, then ${last} ${from === said.length - 1 ? 'in' : 'from'} week ${from + 1}`;
}

/**
 * Reads such a sentence as a rule for `lever`: values week by week, parted by commas; `then VALUE in week N` goes on with what was
 * said before up to there; what is said last stands for the weeks after it. A value is said as it stands (`6`, `0:45`), or as what is
 * added (`+1`, `-5`, `as written`). What can't be read, or can't be reached, comes back as a message with a remedy.
 */
export function readProgress(sentence: string, lever: Lever, scope: SentenceScope): Result<LeverRule> {
  const name = leverName(lever);
  const plain = sentence.trim().replace(/[−–]/g, '-').replace(/\s+/g, ' ').replace(/\.$/, '');
  const own = plain.toLowerCase().startsWith(name.toLowerCase()) ? plain.slice(name.length).trim() : plain;
  const parts = own
    .split(/,|;|\bthen\b/i)
    .map((p) => p.trim())
    .filter((p) => p !== '');
  if (parts.length === 0) return refused(`Say what ${name} are week by week, like “${exampleOf(lever, scope)}”.`);
  const offsets: number[] = [];
  for (const part of parts) {
    const said = /^(.*?)(?: (?:in|from) week (\d{1,2}))?(?: on)?$/i.exec(part)!;
    const week = said[2] === undefined ? offsets.length + 1 : Number(said[2]);
    const value = said[1]!.replace(/ every week$/i, '').trim();
    if (week < 1 || week > scope.weeks) return refused(`There is no week ${week}; the progression has ${scope.weeks}.`);
    if (week <= offsets.length) return refused(`Week ${week} is said already; say the weeks in their order.`);
    const by = offsetOf(value, lever, scope, scope.lighter.includes(week));
    if (by === undefined)
      return refused(`“${value}” is nothing that ${name} can come to; write it like “${exampleOf(lever, scope)}”.`);
    while (offsets.length < week - 1) offsets.push(offsets.at(-1) ?? 0);
    offsets.push(by);
  }
  while (offsets.length < scope.weeks) offsets.push(offsets.at(-1)!);
  return done(ruleOf(lever, offsets, scope));
}

/** A sentence that could be said: one step more from half of the weeks on. */
function exampleOf(lever: Lever, scope: SentenceScope): string {
  const week = Math.max(2, Math.ceil(scope.weeks / 2));
  const { usualBy } = LEVER_WORDS[lever.kind];
  return sayProgress(
    { lever, schedule: { kind: 'at-weeks', steps: [{ week, by: usualBy }] } },
    { ...scope, weeks: Math.max(scope.weeks, week), lighter: [] },
  );
}

/** How far a lever is pulled where it stands at what was said; undefined where that can't be reached. */
function offsetOf(value: string, lever: Lever, scope: SentenceScope, isLighter: boolean): number | undefined {
  const wanted = value.toLowerCase();
  if (wanted === AS_WRITTEN) return 0;
  const signed = /^([+-])\s*(\d+(?:[.]\d+)?)$/.exec(stripUnit(wanted, lever));
  if (signed) return Number(signed[2]) * (signed[1] === '-' ? -1 : 1);
  const stands = (by: number) => {
    const inProportion = isLighter && lever.kind === 'reps' && by < 0;
    const stand = standOf({ lever, by, ...(inProportion && { inProportion }) }, scope)?.toLowerCase();
    return stand !== undefined && (stand === wanted || stripUnit(stand, lever) === stripUnit(wanted, lever));
  };
  // Nearest first, by usual steps and then by the finest: values stop at their limits, and the smallest pull that gets there is meant.
  for (const step of [leverStep(lever.kind), lever.kind === 'load' ? 0.25 : 1])
    for (let n = 0; n <= MOST_STEPS; n++)
      for (const by of n === 0 ? [0] : [n * step, -n * step]) if (stands(by)) return by;
  return undefined;
}

/** `12` for `12 kg`, `6` for `6 rounds`. */
function stripUnit(words: string, { kind }: Lever): string {
  const { unit, units, name } = LEVER_WORDS[kind];
  const last = words.slice(words.lastIndexOf(' ') + 1);
  return words.includes(' ') && [unit, units, name].includes(last) ? words.slice(0, words.lastIndexOf(' ')) : words;
}

/** Steps that are still said one by one. */
const MOST_AT_WEEKS = 3;

interface OffsetAt {
  readonly week: number;
  readonly by: number;
}
const at = (lever: Lever, steps: readonly OffsetAt[]): LeverRule => ({ lever, schedule: { kind: 'at-weeks', steps } });

/** Where offsets change, each by how much. */
const stepsOf = (offsets: readonly OffsetAt[]): OffsetAt[] =>
  offsets.flatMap(({ week, by }, i) => {
    const more = by - (offsets[i - 1]?.by ?? 0);
    return more === 0 ? [] : [{ week, by: more }];
  });

/** The plainest rule that comes to these offsets, week by week. */
function ruleOf(lever: Lever, offsets: readonly number[], scope: SentenceScope): LeverRule {
  const lighter = scope.lighter.filter((w) => w <= offsets.length);
  const eased = lighter.map((w) => offsets[w - 1]!);
  const lighterBy = eased.length > 0 && eased.every((e) => e === eased[0]) ? { lighterBy: eased[0]! } : {};
  const building = offsets.flatMap((by, i) => (lighter.includes(i + 1) ? [] : [{ week: i + 1, by }]));
  const by = (building[1]?.by ?? 0) - (building[0]?.by ?? 0);
  const all = stepsOf(offsets.map((o, i) => ({ week: i + 1, by: o })));
  const built = stepsOf(building);
  const candidates: LeverRule[] = [
    ...(all.length <= 1 ? [at(lever, all)] : []),
    { lever, schedule: { kind: 'each-week', by } },
    { lever, schedule: { kind: 'each-week', by }, ...lighterBy },
    ...(built.length <= MOST_AT_WEEKS ? [{ ...at(lever, built), ...lighterBy }] : []),
    ...(all.length <= MOST_AT_WEEKS ? [at(lever, all)] : []),
    ...waves(lever, building, lighter).map((rule) => ({ ...rule, ...lighterBy })),
  ];
  const isMeant = (rule: LeverRule) => offsets.every((o, i) => offsetAt(rule, i + 1, scope) === o);
  const last = offsets.at(-1)!;
  const values = offsets.slice(0, offsets.findLastIndex((o) => o !== last) + 2);
  return candidates.find(isMeant) ?? { lever, schedule: { kind: 'list', values } };
}

/** From the start again after each lighter week, some higher: where there is a lighter week to go by. */
function waves(lever: Lever, building: readonly OffsetAt[], lighter: readonly number[]): LeverRule[] {
  const [first, second] = building;
  const after = building.find((b) => b.week > (lighter[0] ?? Infinity));
  if (!first || !after) return [];
  const by = second && second.week === first.week + 1 ? second.by - first.by : 0;
  return [{ lever, schedule: { kind: 'wave', by, carry: after.by - first.by } }];
}
