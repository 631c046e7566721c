import type { DataTableProps } from './columns.ts';

/** A table before the toolkit's is there, and where no script runs. */
export const PlainTable = <Row extends object>({ label, rows, keyOf, columns, className }: DataTableProps<Row>) => (
  <table className={`plain-table ${className ?? ''}`} aria-label={label}>
    <thead>
      <tr>
        {columns.map((c) => (
          <th key={c.head} scope="col" className={c.isFigure ? 'right' : ''}>
            {c.isHidden ? <span className="sr">{c.head}</span> : c.head}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {rows.map((row, i) => (
        <tr key={keyOf(row)}>
          {columns.map((c) => {
            const Cell = c.isName ? 'th' : 'td';
            return (
              <Cell key={c.head} {...(c.isName && { scope: 'row' })} className={c.isFigure ? 'right' : ''}>
                {c.cell(row, i)}
              </Cell>
            );
          })}
        </tr>
      ))}
    </tbody>
  </table>
);
