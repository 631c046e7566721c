/** Logs that couldn't be sent yet, kept on the device. A record's own id makes sending one twice harmless. */
export interface KeptLog {
  readonly clientId: string;
  readonly url: string;
  /** The form, url-encoded. */
  readonly body: string;
}

const KEY = 'ysodos-kept-logs';

export function readKept(): KeptLog[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept)
      ? (kept as KeptLog[]).filter(
          (k) => typeof k?.clientId === 'string' && typeof k.url === 'string' && typeof k.body === 'string',
        )
      : [];
  } catch {
    return []; // A store that can't be read holds nothing to send.
  }
}

function writeKept(kept: readonly KeptLog[]): boolean {
  try {
    localStorage.setItem(KEY, JSON.stringify(kept));
    return true;
  } catch {
    return false; // Private windows may refuse; the log is then only sent, not kept.
  }
}

export const keepLog = (log: KeptLog): boolean =>
  writeKept([...readKept().filter((k) => k.clientId !== log.clientId), log]);
export const forgetLog = (clientId: string): boolean => writeKept(readKept().filter((k) => k.clientId !== clientId));

/** `stored`: the server has it; `refused`: it will never take it as it is; `kept`: try again later. */
export type SendResult = 'stored' | 'refused' | 'kept';

export async function sendLog(log: KeptLog): Promise<SendResult> {
  try {
    const response = await fetch(log.url, {
      method: 'POST',
      body: log.body,
      redirect: 'manual',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });
    if (response.type === 'opaqueredirect' || response.ok) return 'stored';
    return response.status >= 400 && response.status < 500 && response.status !== 429 ? 'refused' : 'kept';
  } catch {
    return 'kept';
  }
}
