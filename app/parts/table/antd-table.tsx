import { Table } from 'antd';
import type { DataTableProps } from './columns.ts';

export default function AntdTable({ label, rows, keyOf, columns, className, rowClass }: DataTableProps<object>) {
  return (
    <Table<object>
      size="small"
      pagination={false}
      className={`data-table ${className ?? ''}`}
      aria-label={label}
      dataSource={[...rows]}
      rowKey={keyOf}
      {...(rowClass && { rowClassName: rowClass })}
      columns={columns.map((c) => ({
        key: c.head,
        title: c.isHidden ? <span className="sr">{c.head}</span> : c.head,
        align: c.isFigure ? ('right' as const) : ('left' as const),
        ...(c.isName && { rowScope: 'row' as const }),
        render: (_value: unknown, row: object, index: number) => c.cell(row, index),
      }))}
    />
  );
}
