/** A drawing as a page shows it. */
export interface SheetFigure {
  /** The part of the plane that is seen, as an `svg` says it. */
  readonly box: string;
  /** What stands within the `svg`: made of numbers and of class names of ours alone. */
  readonly markup: string;
  /** For playing it, or drawing it elsewhere: as `unpackFigure` reads it. */
  readonly packed: string;
  /** False for a hold. */
  readonly moves: boolean;
  /** How long one repetition is shown for. */
  readonly sec: number;
  /** What it shows, for those who don't see it; and what it shows as in a mirror. */
  readonly words: string;
  readonly otherWords: string;
}

/** By the name of the movement as it is written. */
export type SheetFigures = Readonly<Record<string, SheetFigure>>;
