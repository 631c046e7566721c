import { createHmac } from 'node:crypto';
import type { Hand } from './channel.ts';

const PATIENCE_MS = 15_000;

/** `t=SECONDS,v1=HEX`: HMAC-SHA-256 of `SECONDS.BODY`, as is common practice for signed posts. */
export const signBody = (secret: string, body: string, atSec: number): string =>
  `t=${atSec},v1=${createHmac('sha256', secret).update(`${atSec}.${body}`).digest('hex')}`;

/** Texts by one HTTP POST of `{ id, to, text }`, signed. 2xx: accepted; 4xx but 408 and 429: refused for good; anything else: later. */
export function openTextGateway(gateway: { readonly url: URL; readonly secret: string }): Hand {
  return async ({ messageId, to, written }) => {
    const body = JSON.stringify({ id: `ysodos-${messageId}`, to, text: written.short });
    try {
      const response = await fetch(gateway.url, {
        method: 'POST',
        body,
        redirect: 'error',
        signal: AbortSignal.timeout(PATIENCE_MS),
        headers: {
          'content-type': 'application/json',
          // The same for every try: the service may tell a second copy by it.
          'idempotency-key': `ysodos-${messageId}`,
          // Signatures are judged by the world's clock, not by one that was stopped for a demo.
          'x-signature': signBody(gateway.secret, body, Math.floor(Date.now() / 1000)),
        },
      });
      const said = (await response.text()).replace(/\s+/g, ' ').slice(0, 200);
      if (response.ok) return { outcome: 'accepted' };
      const reason = `the text service said ${response.status}${said === '' ? '' : `: ${said}`}`;
      const isForGood = response.status >= 400 && response.status < 500 && ![408, 429].includes(response.status);
      return { outcome: isForGood ? 'refused' : 'later', reason };
    } catch (error) {
      return { outcome: 'later', reason: `the text service can’t be reached (${(error as Error).name})` };
    }
  };
}
