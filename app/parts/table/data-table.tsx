import { lazy, Suspense } from 'react';
import type { DataTableProps } from './antd-table.tsx';

export type { Column } from './antd-table.tsx';

const AntdTable = lazy(() => import('./antd-table.tsx'));

/** Rows under named columns. The toolkit's table is loaded where a page has one. */
export const DataTable = <Row extends object>(props: DataTableProps<Row>) => (
  <Suspense fallback={<p className="soft small">The table is coming …</p>}>
    <AntdTable {...(props as unknown as DataTableProps<object>)} />
  </Suspense>
);
