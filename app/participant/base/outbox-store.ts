import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';

/** What couldn't be sent yet, or just was, kept on the device. A record's own id makes sending one twice harmless. */
export interface KeptLog {
  readonly clientId: string;
  readonly url: string;
  /** The form, url-encoded. */
  readonly body: string;
  /** By the device's clock: of two logs of a day, the one made later stands, whichever arrives first. */
  readonly madeAtMs: number;
  /** Why the server didn't take it. It stays all the same, until it is sent another way or thrown away by hand. */
  readonly problem?: string;
  /** When the server had it, by the device's clock. It then stays for a while, for showing that it has arrived. */
  readonly arrivedAtMs?: number;
}

interface PhoneSchema extends DBSchema {
  logs: { key: string; value: KeptLog };
}

const NAME = 'ysodos';
/** Where versions before this one kept them. */
const OLD_KEY = 'ysodos-kept-logs';
/** What has arrived is shown for so long. */
export const SHOW_ARRIVED_MS = 14 * 24 * 3600 * 1000;

/** Told to the window when something was kept, has arrived or didn’t go through. */
export const KEPT_EVENT = 'ysodos-kept';

let opened: Promise<IDBPDatabase<PhoneSchema>> | undefined;

/** The phone's own store. Rejects where the browser keeps nothing (private windows may refuse). */
function openPhone(): Promise<IDBPDatabase<PhoneSchema>> {
  opened ??= openDB<PhoneSchema>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('logs', { keyPath: 'clientId' });
    },
    // A newer version of the application in another tab: this one lets go, and opens anew when it needs to.
    blocking: (_from, _to, event) => {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
    terminated: () => {
      opened = undefined;
    },
  })
    .then(async (db) => {
      await takeOver(db);
      return db;
    })
    .catch((error: unknown) => {
      opened = undefined;
      throw error;
    });
  return opened;
}

/** Logs that a version before this one kept move over, and are only then taken away there. */
async function takeOver(db: IDBPDatabase<PhoneSchema>): Promise<void> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(OLD_KEY) ?? '[]');
    for (const log of Array.isArray(kept) ? kept.flatMap(toKept) : []) await db.put('logs', log);
    localStorage.removeItem(OLD_KEY);
  } catch {
    // What can't be read holds nothing to send; it is left where it is.
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

/** All that is kept, the oldest first; nothing where the device keeps nothing. */
export async function readKept(): Promise<KeptLog[]> {
  try {
    return (await (await openPhone()).getAll('logs')).sort((a, b) => a.madeAtMs - b.madeAtMs);
  } catch {
    return [];
  }
}

const tell = () => void window.dispatchEvent(new Event(KEPT_EVENT));

/** False where the device keeps nothing: then a log is only sent, and the page has to say so. */
export async function keepLog(log: KeptLog): Promise<boolean> {
  try {
    await (await openPhone()).put('logs', log);
    tell();
    return true;
  } catch {
    return false;
  }
}

export async function forgetLog(clientId: string): Promise<void> {
  try {
    await (await openPhone()).delete('logs', clientId);
    tell();
  } catch {
    // Nothing was kept, so nothing is left.
  }
}

/** Notes that the server has a log, and lets go of those that have been there for long. */
export async function markArrived(log: KeptLog, nowMs: number = Date.now()): Promise<void> {
  const { problem: _problem, ...sent } = log;
  await keepLog({ ...sent, arrivedAtMs: nowMs });
  for (const old of await readKept())
    if (old.arrivedAtMs !== undefined && nowMs - old.arrivedAtMs > SHOW_ARRIVED_MS) await forgetLog(old.clientId);
}

export const isWaiting = (log: KeptLog): boolean => log.arrivedAtMs === undefined && log.problem === undefined;

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

/** Too early, too many, too busy: it is sent again later. */
const isForLater = (status: number): boolean => status === 425 || status === 429 || status >= 500;

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
    if (isForLater(response.status)) return { status: 'kept' };
    const problem = PROBLEMS[response.status] ?? `The server didn’t take it (${response.status}).`;
    return { status: 'refused', httpStatus: response.status, problem };
  } catch {
    return { status: 'kept' };
  }
}

/** Sends one log, and notes on the phone what came of it. */
export async function deliverLog(log: KeptLog): Promise<SendResult> {
  const result = await sendLog(log);
  if (result.status === 'stored') await markArrived(log);
  if (result.status === 'refused') await keepLog({ ...log, problem: result.problem });
  return result;
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
  ['reason', 'because'],
  ['effort', 'effort'],
  ['body', 'the body feels'],
  ['movement', 'it hurt at'],
  ['area', 'where'],
  ['remark', 'a word to the coach'],
];

/** The day that a log is of, as it stands in addresses. */
export const dayOf = (log: KeptLog): string => /\/((?:r\d+-)?w\d+d\d)\//.exec(log.url)?.[1] ?? 'a day';

/** What a kept log says, as text to copy: for telling the coach another way. */
export function logWords(log: KeptLog): string {
  const form = new URLSearchParams(log.body);
  // How much of it is asked on every form, and means something only where it was a part.
  if (form.get('outcome') !== 'part') form.delete('share');
  const said = FIELD_WORDS.flatMap(([name, words]) => (form.get(name) ? [`${words}: ${form.get(name)}`] : []));
  const scores = [...form].flatMap(([name, value]) =>
    name.startsWith('score-') && value !== '' ? [`${name.slice(6)}: ${value}`] : [],
  );
  return [`My session ${dayOf(log)}, ${new Date(log.madeAtMs).toLocaleString()}`, ...said, ...scores].join('\n');
}
