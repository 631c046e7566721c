import { lazy, Suspense } from 'react';
import { useInBrowser } from '../fields/use-in-browser.ts';
import type { DataTableProps } from './columns.ts';
import { PlainTable } from './plain-table.tsx';

const AntdTable = lazy(() => import('./antd-table.tsx'));

/** Rows under named columns. The toolkit's table is loaded where a page has one; until then the browser's own stands there. */
export function DataTable<Row extends object>(props: DataTableProps<Row>) {
  const isInBrowser = useInBrowser();
  const plain = <PlainTable {...props} />;
  return (
    // Wider than its place, it scrolls: by key too.
    <div className="table-scroll" role="region" aria-label={props.label} tabIndex={0}>
      {isInBrowser ? (
        <Suspense fallback={plain}>
          <AntdTable {...(props as unknown as DataTableProps<object>)} />
        </Suspense>
      ) : (
        plain
      )}
    </div>
  );
}
