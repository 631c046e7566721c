import type { DayDate } from '../../calendar/day.ts';
import { formatShortDay } from '../../calendar/day.ts';
import type { Block, SessionDocument } from '../../document/document.ts';
import { blockName } from '../../session/explain/explain.ts';
import type { SessionPlan } from '../../session/plan.ts';
import type { Score } from './score.ts';
import { formatScore, scoreFields } from './score.ts';
import type { Paced } from './score-rate.ts';
import { findPaced, pacedWords, scoreRate } from './score-rate.ts';
import { repsOfRound, scoreKey } from './score-key.ts';
import type { EarlierScore, Target } from './targets.ts';
import { addScores, findTarget, targetWords } from './targets.ts';

/** What someone scored on another day. */
export interface EarlierRecord {
  /** Short words for the day: `Wed 13 May`. */
  readonly dayWords: string;
  /** The retest that it was made in; null where it was in none. */
  readonly retest: string | null;
  readonly scores: readonly Score[];
  /** The blocks in which something was done in another shape than was written. */
  readonly reshaped: readonly number[];
}

/** A day of someone, as far as their numbers are concerned. */
interface NumberedDay {
  readonly dayId: number;
  readonly date: DayDate;
  readonly retest: string | null;
  readonly record:
    { readonly scores: readonly Score[]; readonly fit: readonly { readonly block: number }[] } | undefined;
}

/** The records before one day, in the order of `days`; each day once, as it stands. None for a day that isn't there. */
export function earlierRecords(days: readonly NumberedDay[], dayId: number): EarlierRecord[] {
  const until = days.findIndex((d) => d.dayId === dayId);
  return days
    .slice(0, Math.max(0, until))
    .flatMap(({ date, record, retest }) =>
      record && record.scores.length > 0
        ? [{ dayWords: formatShortDay(date), retest, scores: record.scores, reshaped: record.fit.map((c) => c.block) }]
        : [],
    );
}

/** What is to be matched or beaten in a session, by block counted from 0. */
export interface ToMatch {
  /** In words, for the page before it: numbers of earlier days, or the block whose score it is. */
  readonly words: Readonly<Record<number, string>>;
  /** The block of the same session whose score is to be matched. */
  readonly sameAs: Readonly<Record<number, number>>;
  /** What earlier days give to aim for. */
  readonly targets: Readonly<Record<number, Target>>;
  /** What an earlier score of another length comes to at its pace, where none is of the same length. */
  readonly paced: Readonly<Record<number, Paced>>;
  /** Why an earlier score of a block isn't held against, in words. */
  readonly apart: Readonly<Record<number, string>>;
}

/** The blocks of a session that repeat another, each with the one it repeats. */
export const repeatedBlocks = (document: SessionDocument): Readonly<Record<number, number>> =>
  Object.fromEntries(
    document.blocks.flatMap((_, block) => {
      const first = sameAsOf(document, block);
      return first === undefined ? [] : [[block, first]];
    }),
  );

/** The block that `same as` leads to, through others; undefined where it leads nowhere. */
function sameAsOf(document: SessionDocument, block: number): number | undefined {
  let at = block;
  for (let hops = 0; hops < document.blocks.length; hops++) {
    const { source } = document.blocks[at]!;
    if (source?.kind !== 'same-as') return at === block ? undefined : at;
    const label = source.label.toLowerCase();
    at = document.blocks.findIndex((b) => b.label?.toLowerCase() === label);
    if (at < 0) return undefined;
  }
  return undefined;
}

/** A session as somebody does it: resolved and fitted. */
interface DoneSession {
  readonly document: SessionDocument;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  /** The blocks in which something is done in another shape than is written. */
  readonly reshaped: readonly number[];
}

/** A score that is to be held against others. */
interface ComparedScore {
  /** `scoreKey` of what is done; empty where nobody knows it. */
  readonly key: string;
  readonly kind: Score['kind'];
  readonly block: number;
  readonly retest: string | undefined;
  /** Done in another shape than is written. */
  readonly isReshaped: boolean;
  /** Several of a day are halves of one. */
  readonly isAdded: boolean;
  /** It repeats a block of its own session, so that only the same place in another one is like it. */
  readonly isRepeat?: boolean;
  readonly perRound: number | undefined;
}

/**
 * The scores of earlier days that one may be held against, oldest first. They share its key; of what was stored without one, the same
 * block of the same retest, where neither was done in another shape. Of several in one day the one in the same place.
 */
export function comparableScores(own: ComparedScore, earlier: readonly EarlierRecord[]): EarlierScore[] {
  const isRetest = (record: EarlierRecord) =>
    own.retest !== undefined && record.retest?.toLowerCase() === own.retest.toLowerCase();
  const mayCompare = (s: Score, record: EarlierRecord) =>
    s.key !== undefined && own.key !== ''
      ? s.key === own.key
      : s.block === own.block && isRetest(record) && !own.isReshaped && !record.reshaped.includes(own.block);
  return earlier.flatMap((record) => {
    const found = record.scores.filter((s) => s.kind === own.kind && mayCompare(s, record));
    const place = found.find((s) => s.block === own.block)?.block ?? (own.isRepeat ? undefined : found[0]?.block);
    const here = found.filter((s) => s.block === place);
    const score = (own.isAdded ? addScores(here, own.perRound) : undefined) ?? here[0];
    return score ? [{ dayWords: record.dayWords, score }] : [];
  });
}

/** Why an earlier score that looks like one of the same work isn't held against; empty where there is none. */
function apartWords(
  tooFar: EarlierScore | undefined,
  block: number,
  kind: Score['kind'],
  retest: string | undefined,
  earlier: readonly EarlierRecord[],
): string {
  if (tooFar)
    return `${formatScore(tooFar.score)} on ${tooFar.dayWords} was of another length by more than half: not held against it.`;
  if (retest === undefined) return '';
  const same = earlier.findLast((r) => r.retest?.toLowerCase() === retest.toLowerCase());
  const score = same?.scores.find((s) => s.block === block && s.kind === kind);
  return score && same
    ? `${formatScore(score)} on ${same.dayWords} was of other movements, numbers or rules: not held against it.`
    : '';
}

/** What each scored block of a session is to be held against: what was done before that may be compared, or the block that it repeats. */
export function toMatch(session: DoneSession, earlier: readonly EarlierRecord[]): ToMatch {
  const { document, blocks, plan, reshaped } = session;
  const words: Record<number, string> = {};
  const sameAs: Record<number, number> = {};
  const targets: Record<number, Target> = {};
  const paced: Record<number, Paced> = {};
  const apart: Record<number, string> = {};
  const all = earlier.flatMap(({ scores, dayWords }) => scores.map((score) => ({ score, dayWords })));
  for (const block of new Set(scoreFields(plan).map((s) => s.block))) {
    const first = sameAsOf(document, block);
    if (first !== undefined) sameAs[block] = first;
    const own = plan.blocks[block]!;
    const { clockSec, sets, scoreForm } = own;
    const perRound = repsOfRound(blocks[block]!);
    const scores = comparableScores(
      {
        key: scoreKey(blocks[block]!, own),
        kind: scoreForm!.kind,
        block,
        retest: document.retest,
        isReshaped: reshaped.includes(block),
        isAdded: sets > 1 && scoreForm!.persons === 1,
        isRepeat: first !== undefined,
        perRound,
      },
      earlier,
    );
    const isExact = clockSec.low === clockSec.high && sets === 1;
    const target = findTarget(scores, { totalSec: isExact ? clockSec.likely : undefined, perRound });
    if (target) targets[block] = target;
    const rate = scoreRate(blocks[block]!, own);
    const byPace = target || first !== undefined ? {} : findPaced({ kind: scoreForm!.kind, rate, perRound }, all);
    if (byPace.paced) paced[block] = byPace.paced;
    const why =
      target || byPace.paced || first !== undefined
        ? ''
        : apartWords(byPace.tooFar, block, scoreForm!.kind, document.retest, earlier);
    if (why) apart[block] = why;
    const said = [
      target ? targetWords(target, scores.length) : '',
      byPace.paced ? pacedWords(byPace.paced) : '',
      first === undefined ? '' : `the score of ${blockName(document.blocks[first]!)}`,
    ].filter((part) => part !== '');
    if (said.length > 0) words[block] = said.join('; ');
  }
  return { words, sameAs, targets, paced, apart };
}
