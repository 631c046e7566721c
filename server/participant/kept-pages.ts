import { createHash } from 'node:crypto';
import { addDays, dayKey, formatShortDay } from '../../core/calendar/day.ts';
import { instantAt } from '../../core/calendar/release.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import { ownDayKey } from '../doors/personal-link.ts';
import type { PersonView } from './person-view.ts';
import { openDay } from './person-view.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

/** Said by the service worker when it fetches a page to keep it: nobody has opened it, and it may be of a day to come. */
export const KEEP_HEADER = 'keep-page';

export const isForKeeping = (request: Request): boolean => request.headers.get(KEEP_HEADER) === '1';

/** Sent days from today on that a phone keeps, and days behind that can still be made up. */
const MOST_AHEAD = 7;
const MOST_BEHIND = 4;

/** A day as a phone keeps it. */
export interface KeptDay {
  /** As it stands in addresses. */
  readonly key: string;
  readonly words: string;
  readonly title: string;
  /** From when it may be opened, and until when it is today's. */
  readonly opensMs: number;
  readonly fromMs: number;
  readonly untilMs: number;
}

export interface KeptPage {
  readonly path: string;
  /** Another one where the page has changed. */
  readonly tag: string;
}

/** What a phone keeps of someone's pages, for when there is no network. */
export interface KeptPages {
  readonly days: readonly KeptDay[];
  readonly pages: readonly KeptPage[];
  /** When this was said, for a phone whose clock is wrong. */
  readonly nowMs: number;
}

declare const __BUILD_ID__: string;
const build = typeof __BUILD_ID__ === 'undefined' ? 'dev' : __BUILD_ID__;

const tagOf = (...parts: readonly unknown[]): string =>
  createHash('sha256')
    .update(JSON.stringify([build, ...parts]))
    .digest('base64url')
    .slice(0, 16);

/** The days and pages that the phone of someone keeps: today's and the next seven that were sent, and those that can be made up. */
export function listKeptPages(
  token: string,
  scope: Pick<LinkScope, 'enrolment' | 'enrolments'>,
  view: PersonView,
  book: Pick<WorkspaceBook, 'key'>,
  nowMs: number,
): KeptPages {
  const { enrolment } = scope;
  const { beads, today } = view.strand;
  const sent = beads.flatMap((bead) => {
    const open = openDay(view, bead, enrolment, true);
    return open ? [{ bead, open }] : [];
  });
  const ahead = sent.filter(({ bead }) => bead.date >= today).slice(0, MOST_AHEAD);
  const behind = sent
    .filter(({ bead }) => bead.date < today && (bead.closesMs === null || bead.closesMs > nowMs))
    .slice(-MOST_BEHIND);
  const base = `/p/${token}`;
  const profile = tagOf(
    enrolment.profile,
    enrolment.easedUntil,
    enrolment.heldWeek,
    enrolment.pace,
    enrolment.timeZone,
    book.key,
  );
  const record = (at: (typeof sent)[number]) => [at.open.versionId, at.open.newer ?? 0, at.open.record ?? null];
  const all = tagOf(
    profile,
    today,
    beads.map((b) => [b.state, b.shareRatio]),
    sent.map(record),
  );
  const kept = [...behind, ...ahead];
  return {
    nowMs,
    days: kept.map(({ bead, open }) => ({
      key: ownDayKey(scope, bead),
      words: formatShortDay(bead.date),
      title: open.title ?? 'a session',
      opensMs: bead.lookMs,
      fromMs: bead.releaseMs,
      untilMs: instantAt(addDays(bead.date, 1), '00:00', enrolment.timeZone),
    })),
    pages: [
      { path: base, tag: all },
      ...['', '/health', '/messages', '/days'].map((page) => ({ path: `${base}/me${page}`, tag: all })),
      { path: `${base}/weeks`, tag: all },
      ...ahead.map(({ bead }) => ({ path: `${base}?on=${ownDayKey(scope, bead)}`, tag: tagOf(all, dayKey(bead)) })),
      ...kept.flatMap((at) => {
        const tag = tagOf(profile, record(at), all);
        const path = `${base}/${ownDayKey(scope, at.bead)}`;
        return ['', '/clock', '/log'].map((part) => ({ path: `${path}${part}`, tag }));
      }),
    ],
  };
}

/** The day that a kept page of today is to be of: named by the service worker, and only by it. */
export const keptToday = (request: Request): string | undefined =>
  isForKeeping(request) ? (new URL(request.url).searchParams.get('on') ?? undefined) : undefined;
