export interface Column<Row> {
  /** Names the column in its head; only read out where it `isHidden`. */
  readonly head: string;
  readonly isHidden?: boolean;
  /** Figures stand on the right. */
  readonly isFigure?: boolean;
  /** The cell that names its row. */
  readonly isName?: boolean;
  readonly cell: (row: Row, index: number) => React.ReactNode;
}

export interface DataTableProps<Row> {
  /** What the table is, for who hears it. */
  readonly label: string;
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string | number;
  readonly columns: readonly Column<Row>[];
  readonly className?: string;
  readonly rowClass?: (row: Row) => string;
}
