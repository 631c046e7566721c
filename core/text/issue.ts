/** What a reader could not read, and where: lines and columns count from 1, columns in UTF-16 units. */
export interface NotationIssue {
  readonly line: number;
  readonly column: number;
  /** The column after the last marked character. */
  readonly endColumn: number;
  readonly code: IssueCode;
  /** What stands there and what to write instead. */
  readonly message: string;
  /** Right spellings, nearest first. */
  readonly suggestions: readonly string[];
  /** The whole line in the usual spelling, where its own words have one reading. */
  readonly usual?: string;
  /** Whole lines that come nearest to it, where it has none. */
  readonly nearest?: readonly string[];
}

export type IssueCode =
  | 'too-large'
  | 'too-many-items'
  | 'unexpected-character'
  | 'unclosed-quote'
  | 'unclosed-bracket'
  | 'unknown-line'
  | 'unknown-clause'
  | 'unknown-modifier'
  | 'repeated'
  | 'out-of-place'
  | 'bad-value'
  | 'missing'
  | 'two-clocks'
  | 'contradiction'
  | 'unknown-label'
  | 'no-items';
