import { onDatabase } from '../../server/database.ts';

/** The process can serve: its database answers. */
export async function loader() {
  const headers = { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' };
  try {
    await onDatabase((db) => db.query('select 1'));
    return new Response('ready\n', { headers });
  } catch {
    return new Response('the database does not answer\n', { status: 503, headers });
  }
}
