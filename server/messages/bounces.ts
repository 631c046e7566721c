import type { AddressInfo } from 'node:net';
import { simpleParser } from 'mailparser';
import type pg from 'pg';
import { SMTPServer } from 'smtp-server';
import { withConnection } from '../../db/pool.ts';
import { findMessageWorkspace, getMessagePerson, updateMessages } from '../../db/queries/message.ts';
import { updateAddressState } from '../../db/queries/person.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { readBounceTag } from '../derived-token.ts';

/** A delivery report says little; more isn't read. */
const MOST_BYTES = 200_000;

export interface DeliveryReport {
  readonly action: 'failed' | 'delayed' | 'delivered' | 'relayed' | 'expanded';
  /** `5.1.1` */
  readonly status: string;
  readonly reason: string;
}

/**
 * Reads the machine's part of a delivery report (RFC 3464): of its first recipient the action, the status and the diagnosis. Undefined
 * where the mail is no report.
 */
export async function readDeliveryReport(mail: Buffer | string): Promise<DeliveryReport | undefined> {
  const parsed = await simpleParser(mail, {
    keepDeliveryStatus: true,
    skipHtmlToText: true,
    skipTextToHtml: true,
    skipImageLinks: true,
  });
  const part = parsed.attachments.find((a) => a.contentType === 'message/delivery-status');
  if (!part) return undefined;
  const fields = part.content.toString('utf8').replace(/\r?\n[ \t]+/g, ' ');
  const field = (name: string) => new RegExp(`^${name}:[ \\t]*(.+?)[ \\t]*\\r?$`, 'im').exec(fields)?.[1];
  const action = field('Action')?.toLowerCase();
  if (!['failed', 'delayed', 'delivered', 'relayed', 'expanded'].includes(action ?? '')) return undefined;
  const diagnosis = field('Diagnostic-Code')?.replace(/^[\w-]+;\s*/, '');
  return {
    action: action as DeliveryReport['action'],
    status: /^\d\.\d{1,3}\.\d{1,3}/.exec(field('Status') ?? '')?.[0] ?? '',
    reason: (diagnosis ?? field('Status') ?? 'no reason was given').replace(/\s+/g, ' ').slice(0, 250),
  };
}

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
          const report = await readDeliveryReport(Buffer.concat(chunks));
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
