import { channelOf } from '../../core/channels/channels.ts';
import { randomUUID } from 'node:crypto';
import pLimit from 'p-limit';
import type pg from 'pg';
import { quietUntil } from '../../core/calendar/quiet.ts';
import type { ClaimedMessage, MessageEnd } from '../../db/queries/messages/message.ts';
import { claimMessages, renewLeases, updateMessages } from '../../db/queries/messages/message.ts';
import { noteMail } from '../../db/queries/pulse.ts';
import { listContacts } from '../../db/queries/person.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import type { Channels, Handed } from './channel.ts';
import { MISSING } from './channel.ts';
import type { Composed, ComposeScope, NotComposed } from './compose.ts';
import { composeMessages } from './compose.ts';

/** How long a worker that dies with messages keeps them from others; one that lives renews it. */
const LEASE_MS = 120_000;
const RENEW_MS = 30_000;
/** Messages on their way at once. */
const AT_ONCE = 10;
/** A channel gives a message up after 20 s. Never more are taken than one lease can send at that rate. */
const SLOWEST_MS = 20_000;
const BATCH = Math.floor(LEASE_MS / SLOWEST_MS) * AT_ONCE;

const MINUTE_MS = 60_000;
/** The pause after each try that failed; after the last of them a message is given up. */
export const PAUSES_MS: readonly number[] = [1, 3, 10, 30, 60, 120, 240, 480].map((min) => min * MINUTE_MS);

/** The pause after the `attempts`th try, half of it by chance, so that many that failed together don't come back together. */
export function pauseMs(attempts: number, chance: number): number | undefined {
  const pause = PAUSES_MS[attempts - 1];
  return pause === undefined ? undefined : Math.round(pause * (0.75 + chance / 2));
}

/** What follows from one try. */
export function endOf(
  message: Pick<ClaimedMessage, 'attempts' | 'expiresAtMs'>,
  handed: Handed,
  nowMs: number,
  chance: number,
): MessageEnd {
  if (handed.outcome === 'accepted') return { state: 'accepted', at: new Date(nowMs) };
  if (handed.outcome === 'refused') return { state: 'refused', reason: handed.reason };
  const pause = pauseMs(message.attempts, chance);
  if (pause === undefined) return { state: 'gave-up', reason: `after ${message.attempts} tries: ${handed.reason}` };
  const nextMs = nowMs + pause;
  return nextMs >= message.expiresAtMs
    ? { state: 'gave-up', reason: `its day passes before another try: ${handed.reason}` }
    : { state: 'waiting', reason: handed.reason, nextTryAt: new Date(nextMs), isTry: true };
}

export interface DeliverScope extends Omit<ComposeScope, 'nowMs'> {
  readonly channels: Channels;
  readonly now: () => number;
  readonly random: () => number;
}

/**
 * Sends what is due in a workspace until nothing is: takes a batch, writes it, hands each on, and commits what became of it before
 * anything else is done with it. Killed in between, a message is handed on again under the same id once its lease ends. Gives how
 * many were accepted.
 */
export async function deliverWorkspace(
  pool: pg.Pool,
  scope: DeliverScope,
  isStopping: () => boolean = () => false,
): Promise<number> {
  let accepted = 0;
  while (!isStopping()) {
    const batch = await deliverBatch(pool, scope);
    if (batch === undefined) break;
    accepted += batch;
  }
  return accepted;
}

async function deliverBatch(pool: pg.Pool, scope: DeliverScope): Promise<number | undefined> {
  const { workspaceId } = scope;
  const nowMs = scope.now();
  const owner = randomUUID();
  const inWorkspace = <T>(work: (db: pg.PoolClient) => Promise<T>) => withWorkspace(pool, workspaceId, work);
  const claimed = await inWorkspace((db) =>
    claimMessages(db, { now: new Date(nowMs), leaseUntil: new Date(nowMs + LEASE_MS), owner, limit: BATCH }),
  );
  if (claimed.length === 0) return undefined;
  const end = (ids: readonly number[], what: MessageEnd) => inWorkspace((db) => updateMessages(db, ids, what, owner));
  const worth: ClaimedMessage[] = [];
  const contacts = await inWorkspace((db) =>
    listContacts(
      db,
      claimed.flatMap((m) => m.personId ?? []),
    ),
  );
  for (const message of claimed) {
    const contact = message.personId === null ? undefined : contacts.get(message.personId);
    const quiet =
      contact && message.kind !== 'confirm' ? quietUntil(contact.quiet, contact.timeZone, nowMs) : undefined;
    if (message.expiresAtMs <= nowMs)
      await end([message.id], { state: 'dropped', reason: 'its day had passed before it could be sent' });
    else if (quiet !== undefined)
      await end([message.id], {
        state: 'waiting',
        reason: 'in their quiet hours',
        nextTryAt: new Date(quiet),
        isTry: false,
      });
    else worth.push(message);
  }
  const composed = await inWorkspace((db) => composeMessages(db, worth, { ...scope, nowMs }));
  const limit = pLimit(AT_ONCE);
  let accepted = 0;
  const mail = { taken: 0, failed: 0 };
  // What is no longer ours is another worker's: it isn't sent by us as well.
  let ours = new Set(worth.map((m) => m.id));
  let leaseEndsMs = nowMs + LEASE_MS;
  const renewal = setInterval(() => {
    const until = scope.now() + LEASE_MS;
    inWorkspace((db) => renewLeases(db, { ids: [...ours], owner, leaseUntil: new Date(until) })).then(
      (ids) => {
        ours = new Set(ids);
        leaseEndsMs = until;
      },
      () => undefined, // Without the database the lease runs out, and what hasn't left stays.
    );
  }, RENEW_MS);
  const sending = Promise.all(
    worth.map((message) =>
      limit(async () => {
        const ready = composed.get(message.id)!;
        if ('dropped' in ready) {
          await end([message.id], { state: 'dropped', reason: ready.dropped });
          return;
        }
        if (!ours.has(message.id) || scope.now() >= leaseEndsMs) return;
        const handed = await hand(message, ready, scope);
        // One message that is put off says nothing of the others: only a server that doesn't answer is away.
        if (channelOf(message.channel).outage === 'mail') {
          if (handed.outcome === 'accepted') mail.taken++;
          if (handed.outcome === 'later' && handed.isAway) mail.failed++;
        }
        await end([message.id], endOf(message, handed, scope.now(), scope.random()));
        if (handed.outcome === 'accepted') accepted++;
      }),
    ),
  );
  await sending.finally(() => clearInterval(renewal));
  if (mail.taken + mail.failed > 0) await inWorkspace((db) => noteMail(db, mail.taken > 0, new Date(scope.now())));
  return accepted;
}

async function hand(
  message: ClaimedMessage,
  { written, stopLink, ...composed }: Exclude<Composed | NotComposed, NotComposed>,
  { channels }: DeliverScope,
): Promise<Handed> {
  const handOn = channels.hand[message.channel];
  if (!handOn) return { outcome: 'refused', reason: MISSING[message.channel] };
  return handOn({
    messageId: message.id,
    to: message.address,
    ...composed,
    written: { ...written, short: written.short ?? written.subject },
    ...(stopLink && { stopLink }),
    sentAtMs: message.createdAtMs,
  });
}
