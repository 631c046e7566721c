import type { DayDate } from '../../calendar/day.ts';
import { formatShortDay } from '../../calendar/day.ts';
import type { Block } from '../../document/document.ts';
import { blockName } from '../../session/explain/explain.ts';
import type { Score } from './score.ts';
import { formatScore, isBetter, scoreAmount } from './score.ts';

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

/**
 * What someone has reached over time, one series for what may be compared: the same clock and movements in the same shapes (their
 * keys); of what was stored without a key, the same block of the same retest as it was written. Those with most numbers first.
 */
export function ownNumbers(records: readonly NumberedRecord[]): NumberSeries[] {
  const series = new Map<string, { label: string; shape: string; scores: { date: DayDate; score: Score }[] }>();
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
  return [...series]
    .map(([key, { label, shape, scores }]): NumberSeries => {
      const ordered = scores.toSorted((a, b) => (a.date < b.date ? -1 : 1));
      const best = ordered.reduce((a, b) => (isBetter(b.score, a.score) ? b : a));
      return {
        key,
        label,
        shape,
        points: ordered.map((at) => ({
          date: at.date,
          dayWords: formatShortDay(at.date),
          words: formatScore(at.score),
          amount: scoreAmount(at.score),
          isBest: at === best,
        })),
      };
    })
    .sort((a, b) => b.points.length - a.points.length || (a.label < b.label ? -1 : 1));
}
