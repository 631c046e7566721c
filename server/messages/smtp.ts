import { createTransport } from 'nodemailer';
import { bounceTag } from '../doors/derived-token.ts';
import type { Hand, Handed } from './channel.ts';

/** Connections that one worker holds to the mail server. */
const CONNECTIONS = 8;
const PATIENCE_MS = 20_000;

interface SmtpError {
  readonly code?: string;
  readonly responseCode?: number;
  readonly response?: string;
  readonly message?: string;
}

/** What a mail server's refusal means: 5xx never, anything else perhaps later (RFC 5321, 4.2.1). */
export function judgeSmtpError(error: unknown): Handed {
  const { code, responseCode, response, message } = (error ?? {}) as SmtpError;
  const said = (response ?? message ?? 'the mail server gave no reason').replace(/\s+/g, ' ').slice(0, 250);
  if (responseCode !== undefined && responseCode >= 500 && code !== 'EAUTH')
    return { outcome: 'refused', reason: said };
  return {
    outcome: 'later',
    reason: responseCode === undefined ? `the mail server can’t be reached (${code ?? said})` : said,
    ...(responseCode === undefined && { isAway: true as const }),
  };
}

/** The id of a mail: the same for every try of a message, so that a reader's server can tell a second copy. */
export const mailId = (messageId: number, from: string): string =>
  `<ysodos-${messageId}@${from.slice(from.indexOf('@') + 1)}>`;

/** E-mail by SMTP. `url` may carry a sign-in; a plain connection is upgraded where the server can, on loopback it may stay plain. */
export function openSmtp(url: URL, from: string, secret: string): { readonly hand: Hand; readonly close: () => void } {
  const [local, domain] = [from.slice(0, from.indexOf('@')), from.slice(from.indexOf('@') + 1)];
  const isLoopback = /^(localhost|127(\.\d+){3}|\[::1\])$/.test(url.hostname);
  const transport = createTransport({
    host: url.hostname.replace(/^\[|\]$/g, ''),
    port: url.port === '' ? (url.protocol === 'smtps:' ? 465 : 587) : Number(url.port),
    secure: url.protocol === 'smtps:',
    ignoreTLS: isLoopback && url.protocol === 'smtp:',
    requireTLS: !isLoopback && url.protocol === 'smtp:',
    ...(url.username !== '' && {
      auth: { user: decodeURIComponent(url.username), pass: decodeURIComponent(url.password) },
    }),
    pool: true,
    maxConnections: CONNECTIONS,
    maxMessages: 500,
    connectionTimeout: PATIENCE_MS,
    greetingTimeout: PATIENCE_MS,
    socketTimeout: PATIENCE_MS,
    // What is in a message comes from people: nothing in it names a file or an address to fetch.
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  // A connection that is lost while it rests ends nothing: the next mail opens another.
  transport.on('error', () => undefined);
  const hand: Hand = async (mail) => {
    try {
      await transport.sendMail({
        from: { name: mail.fromName, address: from },
        to: { name: mail.toName, address: mail.to },
        subject: mail.written.subject,
        text: mail.written.text,
        html: mail.written.html,
        messageId: mailId(mail.messageId, from),
        date: new Date(mail.sentAtMs),
        // Reports of what can't be delivered come back under the message's own name.
        envelope: { from: `${local}+b-${bounceTag(secret, mail.messageId)}@${domain}`, to: [mail.to] },
        ...(mail.replyTo && { replyTo: mail.replyTo }),
        ...(mail.answersId !== undefined && {
          inReplyTo: mailId(mail.answersId, from),
          references: [mailId(mail.answersId, from)],
        }),
        headers: {
          ...(!mail.isByHand && { 'Auto-Submitted': 'auto-generated' }),
          ...(mail.stopLink && {
            'List-Unsubscribe': `<${mail.stopLink}>`,
            'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
          }),
        },
      });
      return { outcome: 'accepted' };
    } catch (error) {
      return judgeSmtpError(error);
    }
  };
  return { hand, close: () => transport.close() };
}
