import type { PaperSize } from '../../db/queries/doors/paper.ts';
import type { SheetFigures } from '../../core/figure/sheet-figure.ts';
import type { SessionSheet } from '../../core/session/session-sheet.ts';

export interface PaperSession {
  /** `Wednesday 13 May, week 3` */
  readonly above: string;
  readonly sheet: SessionSheet;
  /** What its movements look like. */
  readonly figures: SheetFigures;
  readonly changes: readonly string[];
}

/** What goes on paper: a day or a week of days. */
export interface Paper {
  readonly title: string;
  readonly size: PaperSize;
  /** What a browser calls the file. */
  readonly file: string;
  readonly sessions: readonly PaperSession[];
  /** Written at the foot, as a picture and in letters. */
  readonly link?: { readonly url: string; readonly words: string } | undefined;
}
