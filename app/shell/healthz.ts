import { faultCount } from '../../server/http/faults.ts';

/** The process answers; how many errors nobody meant it has seen stands in a header. */
export function loader() {
  return new Response('ok\n', {
    headers: {
      'content-type': 'text/plain; charset=utf-8',
      'cache-control': 'no-store',
      'x-unexpected-errors': String(faultCount()),
    },
  });
}
