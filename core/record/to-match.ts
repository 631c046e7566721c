import type { DayDate } from '../calendar/day.ts';
import { formatShortDay } from '../calendar/day.ts';
import type { SessionDocument } from '../document/document.ts';
import { blockName } from '../session/explain.ts';
import type { SessionPlan } from '../session/plan.ts';
import type { Score } from './score.ts';
import { formatScore, isBetter, scoreFields } from './score.ts';

/** What someone scored on another day of the same retest. */
export interface EarlierRecord {
  /** Short words for the day: `Wed 13 May`. */
  readonly dayWords: string;
  readonly scores: readonly Score[];
}

/** A day of someone, as far as a retest is concerned. */
interface RetestDay {
  readonly dayId: number;
  readonly date: DayDate;
  readonly retest: string | null;
  readonly record: { readonly scores: readonly Score[] } | undefined;
}

/** The records of a retest before one day, in the order of `days`; each day once, as it stands. None for a day that isn't there. */
export function earlierRecords(days: readonly RetestDay[], dayId: number, retest: string | undefined): EarlierRecord[] {
  const until = days.findIndex((d) => d.dayId === dayId);
  if (retest === undefined || until < 0) return [];
  return days
    .slice(0, until)
    .flatMap(({ date, record, retest: own }) =>
      record && own?.toLowerCase() === retest.toLowerCase()
        ? [{ dayWords: formatShortDay(date), scores: record.scores }]
        : [],
    );
}

/** What is to be matched or beaten in a session, by block counted from 0. */
export interface ToMatch {
  /** In words, for the page before it: numbers of earlier days, or the block whose score it is. */
  readonly words: Readonly<Record<number, string>>;
  /** The block of the same session whose score is to be matched. */
  readonly sameAs: Readonly<Record<number, number>>;
}

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

const ofBlock = (record: EarlierRecord, block: number, kind: Score['kind']): Score | undefined =>
  record.scores.find((s) => s.block === block && s.kind === kind && (s.part ?? 1) === 1);

/** `7 rounds + 4 reps on Wed 13 May; best 8 rounds on Wed 22 Apr`: the last and the best of some records, newest last; empty without any. */
export function lastAndBest(earlier: readonly EarlierRecord[], block: number, kind: Score['kind']): string {
  const found = earlier.flatMap((record) => {
    const score = ofBlock(record, block, kind);
    return score ? [{ score, dayWords: record.dayWords }] : [];
  });
  const last = found.at(-1);
  if (!last) return '';
  const best = found.reduce((a, b) => (isBetter(b.score, a.score) ? b : a));
  const say = ({ score, dayWords }: typeof last) => `${formatScore(score)} on ${dayWords}`;
  return best.score === last.score || !isBetter(best.score, last.score)
    ? `${say(last)}${found.length > 1 ? ', your best' : ''}`
    : `${say(last)}; best ${say(best)}`;
}

/** What each scored block of a session is to be held against: other days of its retest, or the block that it repeats. */
export function toMatch(document: SessionDocument, plan: SessionPlan, earlier: readonly EarlierRecord[]): ToMatch {
  const words: Record<number, string> = {};
  const sameAs: Record<number, number> = {};
  for (const { block, kind } of scoreFields(plan)) {
    const first = sameAsOf(document, block);
    if (first !== undefined) sameAs[block] = first;
    const before = lastAndBest(earlier, block, kind);
    const said = [before, first === undefined ? '' : `the score of ${blockName(document.blocks[first]!)}`];
    if (said.some(Boolean)) words[block] = said.filter(Boolean).join('; ');
  }
  return { words, sameAs };
}
