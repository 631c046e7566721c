/** Logs that couldn't be sent yet, kept on the device. A record's own id makes sending one twice harmless. */
export interface KeptLog {
  readonly clientId: string;
  readonly url: string;
  /** The form, url-encoded. */
  readonly body: string;
  /** By the device's clock: of two logs of a day, the one made later stands, whichever arrives first. */
  readonly madeAtMs: number;
  /** Why the server didn't take it. It stays all the same, until it is sent another way or thrown away by hand. */
  readonly problem?: string;
}

const KEY = 'ysodos-kept-logs';

/** Told to the window when something was kept or didn’t go through. */
export const KEPT_EVENT = 'ysodos-kept';

/** Whatever was kept, by this version or an older one. A store that can't be read holds nothing to send. */
export function readKept(store: Storage = localStorage): KeptLog[] {
  try {
    const kept: unknown = JSON.parse(store.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.flatMap((k) => toKept(k)) : [];
  } catch {
    return [];
  }
}

function toKept(value: unknown): KeptLog[] {
  const { clientId, url, body, madeAtMs, problem } = (value ?? {}) as Partial<Record<keyof KeptLog, unknown>>;
  if (typeof clientId !== 'string' || typeof url !== 'string' || typeof body !== 'string') return [];
  return [
    {
      clientId,
      url,
      body,
      madeAtMs: typeof madeAtMs === 'number' ? madeAtMs : Date.now(),
      ...(typeof problem === 'string' && { problem }),
    },
  ];
}

/** False where the device keeps nothing (private windows may refuse): then a log is only sent, and the page has to say so. */
function writeKept(kept: readonly KeptLog[], store: Storage): boolean {
  try {
    store.setItem(KEY, JSON.stringify(kept));
    return true;
  } catch {
    return false;
  }
}

export const keepLog = (log: KeptLog, store: Storage = localStorage): boolean =>
  writeKept([...readKept(store).filter((k) => k.clientId !== log.clientId), log], store);
export const forgetLog = (clientId: string, store: Storage = localStorage): boolean =>
  writeKept(
    readKept(store).filter((k) => k.clientId !== clientId),
    store,
  );

/** An instant for a new log: the device's clock, but never before one that is kept here already. */
export const nextMadeAtMs = (nowMs: number, kept: readonly KeptLog[]): number =>
  Math.max(nowMs, ...kept.map((k) => k.madeAtMs + 1));

/** `stored`: the server has it; `refused`: it won't take it like this, and says why; `kept`: try again later. */
export type SendResult =
  | { readonly status: 'stored' }
  | { readonly status: 'kept' }
  | { readonly status: 'refused'; readonly httpStatus: number; readonly problem: string };

export const UNREADABLE = 'Something in it couldn’t be read.';

const PROBLEMS: Readonly<Record<number, string>> = {
  400: UNREADABLE,
  403: 'It came from another page than ours.',
  404: 'The link that it was made with no longer works, or the day isn’t open any more.',
  413: 'It is more than fits.',
};

export async function sendLog(log: KeptLog, nowMs: number = Date.now()): Promise<SendResult> {
  const body = new URLSearchParams(log.body);
  body.set('made-at', String(Math.round(log.madeAtMs)));
  body.set('sent-at', String(Math.round(Math.max(nowMs, log.madeAtMs))));
  try {
    const response = await fetch(log.url, {
      method: 'POST',
      body: body.toString(),
      redirect: 'manual',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });
    if (response.type === 'opaqueredirect' || response.ok) return { status: 'stored' };
    if (response.status === 429 || response.status >= 500) return { status: 'kept' };
    const problem = PROBLEMS[response.status] ?? `The server didn’t take it (${response.status}).`;
    return { status: 'refused', httpStatus: response.status, problem };
  } catch {
    return { status: 'kept' };
  }
}

/** The token of a personal link in a path of ours, `/p/TOKEN/…`; undefined elsewhere. */
export const linkOf = (url: string): string | undefined => /\/p\/([^/?#.]+)/.exec(url)?.[1];

/** The same log, to be sent with another link of the same person. */
export function withLink(log: KeptLog, token: string): KeptLog {
  const { problem: _problem, ...rest } = log;
  return { ...rest, url: log.url.replace(/\/p\/[^/?#.]+/, `/p/${token}`) };
}

const FIELD_WORDS: readonly (readonly [string, string])[] = [
  ['outcome', 'how much'],
  ['share', 'about (%)'],
  ['effort', 'effort'],
  ['remark', 'a word to the coach'],
];

/** What a kept log says, as text to copy: for telling the coach another way. */
export function logWords(log: KeptLog): string {
  const form = new URLSearchParams(log.body);
  const day = /\/(w\d+d\d)\//.exec(log.url)?.[1] ?? 'a day';
  // How much of it is asked on every form, and means something only where it was a part.
  if (form.get('outcome') !== 'part') form.delete('share');
  const said = FIELD_WORDS.flatMap(([name, words]) => (form.get(name) ? [`${words}: ${form.get(name)}`] : []));
  const scores = [...form].flatMap(([name, value]) =>
    name.startsWith('score-') && value !== '' ? [`${name.slice(6)}: ${value}`] : [],
  );
  return [`My session ${day}, ${new Date(log.madeAtMs).toLocaleString()}`, ...said, ...scores].join('\n');
}
