import { Table } from 'antd';

export interface Column<Row> {
  /** Names the column in its head; read out only where `isHidden`. */
  readonly head: React.ReactNode;
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

export default function AntdTable({ label, rows, keyOf, columns, className, rowClass }: DataTableProps<object>) {
  return (
    <Table<object>
      size="small"
      pagination={false}
      className={`data-table ${className ?? ''}`}
      aria-label={label}
      dataSource={[...rows]}
      rowKey={keyOf}
      scroll={{ x: 'max-content' }}
      {...(rowClass && { rowClassName: rowClass })}
      columns={columns.map((c, i) => ({
        key: i,
        title: c.isHidden ? <span className="sr">{c.head}</span> : c.head,
        align: c.isFigure ? ('right' as const) : ('left' as const),
        ...(c.isName && { rowScope: 'row' as const }),
        render: (_value: unknown, row: object, index: number) => c.cell(row, index),
      }))}
    />
  );
}
