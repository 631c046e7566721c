import type { DayDate } from '../../calendar/day.ts';
import { formatShortDay } from '../../calendar/day.ts';
import type { Block } from '../../document/document.ts';
import { blockName } from '../../session/explain/explain.ts';
import type { Score } from './score.ts';
import { groupBy } from '../../group-by.ts';
import { formatScore, isBetter, scoreAmount } from './score.ts';
import { amountPer, perWords } from './score-rate.ts';

/** A record of someone with what it was of. */
export interface NumberedRecord {
  readonly date: DayDate;
  readonly title: string;
  readonly retest: string | null;
  readonly blocks: readonly Pick<Block, 'role' | 'label'>[];
  readonly scores: readonly Score[];
  /** Shapes that weren't the written ones, by block. */
  readonly shapes: readonly { readonly block: number; readonly to: string }[];
}

export interface NumberPoint {
  readonly date: DayDate;
  readonly dayWords: string;
  readonly words: string;
  /** Higher is better, whatever the kind. */
  readonly amount: number;
  readonly isBest: boolean;
}

/** Numbers of someone that may be compared, oldest first. */
export interface NumberSeries {
  readonly key: string;
  /** `spring-baseline: Main`, or by the session where it is no retest. */
  readonly label: string;
  /** The shapes that it was done in, where they weren't the written ones. */
  readonly shape: string;
  readonly points: readonly NumberPoint[];
}

interface OpenSeries {
  label: string;
  shape: string;
  /** `words` and `amount` where it isn't the score itself that is compared. */
  scores: { readonly date: DayDate; readonly score: Score; readonly words?: string; readonly amount?: number }[];
}

/** Scores of the same work in several lengths, by their pace. */
function pacedSeries(series: ReadonlyMap<string, OpenSeries>): [string, OpenSeries][] {
  const byRate = groupBy(
    [...series.values()].filter((own) => own.scores.every((s) => s.score.rate !== undefined)),
    (own) => own.scores[0]!.score.rate!.key,
  );
  return [...byRate].flatMap(([key, lengths]): [string, OpenSeries][] => {
    const scores = lengths.flatMap((own) =>
      own.scores.flatMap(({ date, score }) => {
        const amount = amountPer(score, score.rate!, undefined);
        if (amount === undefined) return [];
        const words = `${perWords(amount, score.rate!)} (${formatScore(score)})`;
        return [{ date, score, words, amount: score.kind === 'time' ? -amount : amount }];
      }),
    );
    const { label, shape } = lengths.at(-1)!;
    return lengths.length > 1 && scores.length > 1
      ? [[`rate ${key}`, { label: `${label}, by its pace`, shape, scores }]]
      : [];
  });
}

/**
 * What someone has reached over time, one series for what may be compared: the same clock and movements in the same shapes (their
 * keys); of what was stored without a key, the same block of the same retest as it was written. Those with most numbers first.
 */
export function ownNumbers(records: readonly NumberedRecord[]): NumberSeries[] {
  const series = new Map<string, OpenSeries>();
  for (const record of records) {
    for (const score of record.scores) {
      const shapes = [...new Set(record.shapes.filter((s) => s.block === score.block).map((s) => s.to))].filter(
        Boolean,
      );
      const name = blockName(record.blocks[score.block] ?? { role: 'Main' });
      const place = `${score.block}.${score.part ?? 1}`;
      const kept =
        score.key !== undefined
          ? `${score.key} ${score.part ?? 1}`
          : `${(record.retest ?? record.title).toLowerCase()} ${place} ${score.kind} ${shapes.join(',')}`;
      const own = series.get(kept) ?? { label: '', shape: '', scores: [] };
      own.label = `${record.retest ?? record.title}: ${name}${score.part === undefined ? '' : `, ${score.part}`}`;
      own.shape = shapes.join(', ');
      own.scores.push({ date: record.date, score });
      series.set(kept, own);
    }
  }
  for (const [key, own] of pacedSeries(series)) series.set(key, own);
  return [...series]
    .map(([key, { label, shape, scores }]): NumberSeries => {
      const ordered = scores.toSorted((a, b) => (a.date < b.date ? -1 : 1));
      const best = ordered.reduce((a, b) =>
        (b.amount === undefined || a.amount === undefined ? isBetter(b.score, a.score) : b.amount > a.amount) ? b : a,
      );
      return {
        key,
        label,
        shape,
        points: ordered.map((at) => ({
          date: at.date,
          dayWords: formatShortDay(at.date),
          words: at.words ?? formatScore(at.score),
          amount: at.amount ?? scoreAmount(at.score),
          isBest: at === best,
        })),
      };
    })
    .sort((a, b) => b.points.length - a.points.length || (a.label < b.label ? -1 : 1));
}
