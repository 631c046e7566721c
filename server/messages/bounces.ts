import type { AddressInfo } from 'node:net';
import type pg from 'pg';
import { SMTPServer } from 'smtp-server';
import { withConnection } from '../../db/pool.ts';
import { findMessageWorkspace, getMessagePerson, updateMessages } from '../../db/queries/messages/message.ts';
import { updateAddressState } from '../../db/queries/person.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { readBounceTag } from '../doors/derived-token.ts';
import type { DeliveryReport } from './delivery-report.ts';
import { readReportApart } from './read-report-apart.ts';

/** A delivery report says little; more isn't read. */
const MOST_BYTES = 64_000;

/** Records a report about a message: a failure for good ends it, and, where the address itself is at fault, what is sent there. */
export async function recordReport(pool: pg.Pool, messageId: number, report: DeliveryReport): Promise<boolean> {
  if (report.action !== 'failed') return false;
  const workspaceId = await withConnection(pool, (db) => findMessageWorkspace(db, messageId));
  if (workspaceId === undefined) return false;
  return withWorkspace(pool, workspaceId, async (db) => {
    const changed = await updateMessages(db, [messageId], { state: 'bounced', reason: report.reason });
    const personId = await getMessagePerson(db, messageId);
    // 5.1.x says that the address is none; anything else may be of that day.
    if (personId !== null && /^5\.1\./.test(report.status))
      await updateAddressState(db, personId, 'bounced', report.reason);
    return changed > 0;
  });
}

export interface BounceServer {
  readonly port: number;
  readonly close: () => Promise<void>;
}

/**
 * Takes delivery reports by SMTP. Only mail to a return path of ours is taken, and only a report in it is read; anything else is
 * refused at the door. What can't be recorded now is put off, so that the mail server comes again.
 */
export async function listenForBounces(
  at: { readonly host: string; readonly port: number },
  { pool, secret }: { readonly pool: pg.Pool; readonly secret: string },
): Promise<BounceServer> {
  const messageOf = (address: string) => readBounceTag(secret, /\+b-([0-9a-f-]+)@/i.exec(address)?.[1] ?? '');
  const server = new SMTPServer({
    disabledCommands: ['AUTH', 'STARTTLS'],
    size: MOST_BYTES,
    maxClients: 20,
    logger: false,
    onRcptTo: ({ address }, _session, done) =>
      done(
        messageOf(address) === undefined ? Object.assign(new Error('No such mailbox'), { responseCode: 550 }) : null,
      ),
    onData: (stream, session, done) => {
      const chunks: Buffer[] = [];
      let bytes = 0;
      stream.on('data', (chunk: Buffer) => {
        bytes += chunk.length;
        if (bytes <= MOST_BYTES) chunks.push(chunk);
      });
      stream.on('end', () => {
        const take = async () => {
          if (bytes > MOST_BYTES) return;
          const report = await readReportApart(Buffer.concat(chunks));
          const id = messageOf(session.envelope.rcptTo[0]?.address ?? '');
          if (report && id !== undefined) await recordReport(pool, id, report);
        };
        take().then(
          () => done(null),
          () => done(Object.assign(new Error('Try again later'), { responseCode: 451 })),
        );
      });
    },
  });
  server.on('error', () => undefined);
  await new Promise<void>((ready, failed) => {
    server.server.once('error', failed);
    server.listen(at.port, at.host, () => ready());
  });
  return {
    port: (server.server.address() as AddressInfo).port,
    close: () => new Promise((done) => server.close(() => done())),
  };
}
