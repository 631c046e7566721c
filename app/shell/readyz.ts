import { probeWriting } from '../../db/queries/writable.ts';
import { onDatabase } from '../../server/database.ts';

/** The process can serve: its database answers, and takes what is written. */
export async function loader() {
  const headers = { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' };
  try {
    await onDatabase(probeWriting);
    return new Response('ready\n', { headers });
  } catch {
    return new Response('the database does not answer, or nothing can be written\n', { status: 503, headers });
  }
}
