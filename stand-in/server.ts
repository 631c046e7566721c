/**
 * A stand-in for the world outside: a mail server and a text service, with their moods to be dialled and their messages to be read. It
 * speaks real SMTP and the signed POST, and shares nothing with the application but those.
 */
import { createHmac, randomUUID, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { simpleParser } from 'mailparser';
import { createTransport } from 'nodemailer';
import { SMTPServer } from 'smtp-server';
import type { Dials, KeptMessage } from './kept-message.ts';
import { CALM } from './kept-message.ts';
import { renderInbox, renderMessage } from './pages.ts';

export interface StandIn {
  readonly smtpPort: number;
  readonly httpPort: number;
  readonly dials: Dials;
  readonly messages: readonly KeptMessage[];
  readonly close: () => Promise<void>;
}

export interface StandInOptions {
  readonly smtpPort?: number;
  readonly httpPort?: number;
  readonly textSecret: string;
  /** Where delivery reports go. */
  readonly bounceTo?: { readonly host: string; readonly port: number } | undefined;
  /** Kept at most; the oldest go. */
  readonly most?: number;
}

const HOST = '127.0.0.1';
const MOST = 30_000;

export async function startStandIn(options: StandInOptions): Promise<StandIn> {
  const dials: Dials = { ...CALM };
  const messages: KeptMessage[] = [];
  const byId = new Map<string, KeptMessage>();
  let count = 0;
  const chance = (pct: number) => Math.random() * 100 < pct;
  const keep = (message: Omit<KeptMessage, 'no' | 'copies' | 'at'>) => {
    const known = byId.get(message.id);
    if (known) {
      known.copies++;
      return;
    }
    const kept = { ...message, no: ++count, copies: 1, at: new Date().toISOString() };
    messages.push(kept);
    byId.set(kept.id, kept);
    if (messages.length > (options.most ?? MOST)) byId.delete(messages.shift()!.id);
  };
  const later = () => new Promise<void>((done) => setTimeout(done, dials.delayMs));

  const smtp = new SMTPServer({
    disabledCommands: ['AUTH', 'STARTTLS'],
    logger: false,
    size: 2_000_000,
    onConnect: (_session, done) => done(dials.down ? Object.assign(new Error('down'), { responseCode: 421 }) : null),
    onRcptTo: (_address, _session, done) =>
      done(chance(dials.refusePct) ? Object.assign(new Error('5.7.1 Not wanted here'), { responseCode: 550 }) : null),
    onData: (stream, session, done) => {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => {
        const take = async () => {
          await later();
          if (chance(dials.putOffPct)) throw Object.assign(new Error('4.7.1 Busy, come again'), { responseCode: 451 });
          const raw = Buffer.concat(chunks);
          const to = session.envelope.rcptTo[0]?.address ?? '';
          const from = session.envelope.mailFrom ? session.envelope.mailFrom.address : '';
          const parsed = await simpleParser(raw, { skipImageLinks: true });
          const id: string = parsed.messageId ?? randomUUID();
          keep({
            kind: 'mail',
            to,
            from,
            subject: parsed.subject ?? '',
            text: parsed.text ?? '',
            html: parsed.html === false ? '' : (parsed.html ?? ''),
            id,
            raw: raw.toString('utf8'),
          });
          const bounces = chance(dials.bouncePct) || (dials.bounceWord !== '' && to.includes(dials.bounceWord));
          if (bounces && from !== '' && options.bounceTo) void sendReport(options.bounceTo, from, to, id);
        };
        take().then(
          () => done(null),
          (error: unknown) => done(error as Error),
        );
      });
    },
  });
  smtp.on('error', () => undefined);
  await new Promise<void>((ready, failed) => {
    smtp.server.once('error', failed);
    smtp.listen(options.smtpPort ?? 0, HOST, () => ready());
  });

  const answerText = async (request: IncomingMessage, response: ServerResponse) => {
    const body = await readBody(request);
    await later();
    if (dials.down) return void request.socket.destroy();
    if (!isSignedBy(options.textSecret, body, String(request.headers['x-signature'] ?? '')))
      return void response.writeHead(401).end('the signature is wrong');
    if (chance(dials.putOffPct)) return void response.writeHead(503).end('busy, come again');
    if (chance(dials.refusePct)) return void response.writeHead(400).end('that number takes no texts');
    const { id, to, text } = JSON.parse(body) as { id: string; to: string; text: string };
    keep({ kind: 'text', to, from: '', subject: text.slice(0, 60), text, html: '', id, raw: body });
    response.writeHead(202, { 'content-type': 'application/json' }).end(JSON.stringify({ id }));
  };

  const http = createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://stand-in');
    const html = (page: string, status = 200) =>
      response
        .writeHead(status, {
          'content-type': 'text/html; charset=utf-8',
          // A message may hold anything; nothing of it runs, and nothing is fetched for it.
          'content-security-policy':
            "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-src 'self'",
        })
        .end(page);
    const serve = async () => {
      if (request.method === 'POST' && url.pathname === '/text') return answerText(request, response);
      if (request.method === 'POST' && url.pathname === '/dials') {
        const form = new URLSearchParams(await readBody(request));
        const number = (name: string, most: number) =>
          Math.max(0, Math.min(most, Math.round(Number(form.get(name) ?? 0)) || 0));
        Object.assign(dials, {
          down: form.get('down') === 'on',
          delayMs: number('delayMs', 60_000),
          putOffPct: number('putOffPct', 100),
          refusePct: number('refusePct', 100),
          bouncePct: number('bouncePct', 100),
          bounceWord: (form.get('bounceWord') ?? '').trim().slice(0, 40),
        } satisfies Dials);
        return void response.writeHead(303, { location: '/' }).end();
      }
      if (url.pathname === '/messages.json')
        return void response
          .writeHead(200, { 'content-type': 'application/json; charset=utf-8' })
          .end(JSON.stringify(messages.slice(-Number(url.searchParams.get('last') ?? 500))));
      const one = /^\/messages\/(\d+)(\/raw|\/body)?$/.exec(url.pathname);
      if (one) {
        const message = messages.find((m) => m.no === Number(one[1]));
        if (!message) return void html('<p>There is no such message.</p>', 404);
        if (one[2] === '/raw')
          return void response.writeHead(200, { 'content-type': 'text/plain; charset=utf-8' }).end(message.raw);
        if (one[2] === '/body') return void html(message.html);
        return void html(renderMessage(message));
      }
      if (url.pathname !== '/') return void html('<p>There is nothing here.</p>', 404);
      return void html(renderInbox(messages, dials, url.searchParams.get('q') ?? ''));
    };
    serve().catch(() => {
      if (!response.headersSent) response.writeHead(400).end('that was not understood');
    });
  });
  await new Promise<void>((ready, failed) => {
    http.once('error', failed);
    http.listen(options.httpPort ?? 0, HOST, () => ready());
  });
  return {
    smtpPort: (smtp.server.address() as AddressInfo).port,
    httpPort: (http.address() as AddressInfo).port,
    dials,
    messages,
    close: async () => {
      http.closeAllConnections();
      await Promise.all([
        new Promise<void>((done) => smtp.close(() => done())),
        new Promise<void>((done) => http.close(() => done())),
      ]);
    },
  };
}

async function readBody(request: IncomingMessage): Promise<string> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    if (bytes > 100_000) throw new Error('too large');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/** Judged by itself, not with the application's own function: the two are to agree. */
function isSignedBy(secret: string, body: string, signature: string): boolean {
  const [t, v1] = signature.split(',').map((part) => part.split('=')[1] ?? '');
  const wanted = createHmac('sha256', secret).update(`${t}.${body}`).digest('hex');
  return (
    v1 !== undefined &&
    v1.length === wanted.length &&
    timingSafeEqual(Buffer.from(v1), Buffer.from(wanted)) &&
    Math.abs(Date.now() / 1000 - Number(t)) < 300
  );
}

/** A delivery report as a mail server sends it (RFC 3464): what a person reads, what a machine reads, and the head of the mail. */
async function sendReport(
  at: { readonly host: string; readonly port: number },
  returnPath: string,
  failed: string,
  messageId: string,
): Promise<void> {
  const boundary = `report-${randomUUID()}`;
  const raw = [
    'From: Mail Delivery System <mailer-daemon@stand-in.example.org>',
    `To: <${returnPath}>`,
    'Subject: Undelivered mail',
    'Auto-Submitted: auto-replied',
    'MIME-Version: 1.0',
    `Content-Type: multipart/report; report-type=delivery-status; boundary="${boundary}"`,
    '',
    `--${boundary}`,
    'Content-Type: text/plain; charset=utf-8',
    '',
    `Your message to ${failed} could not be delivered: there is no such mailbox.`,
    '',
    `--${boundary}`,
    'Content-Type: message/delivery-status',
    '',
    'Reporting-MTA: dns; stand-in.example.org',
    '',
    `Final-Recipient: rfc822; ${failed}`,
    'Action: failed',
    'Status: 5.1.1',
    'Diagnostic-Code: smtp; 550 5.1.1 There is no such mailbox',
    '',
    `--${boundary}`,
    'Content-Type: text/rfc822-headers',
    '',
    `Message-ID: ${messageId}`,
    '',
    `--${boundary}--`,
    '',
  ].join('\r\n');
  const transport = createTransport({ host: at.host, port: at.port, secure: false, ignoreTLS: true });
  try {
    await transport.sendMail({ envelope: { from: '', to: [returnPath] }, raw });
  } catch {
    // The application takes no reports now; a real server would try again.
  } finally {
    transport.close();
  }
}
