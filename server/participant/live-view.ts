import { randomUUID } from 'node:crypto';
import { formatDay } from '../../core/calendar/day.ts';
import { localDate, localTime } from '../../core/calendar/release.ts';
import type { StrandBead } from '../../core/record/adherence/build-strand.ts';
import type { NewRecord, PersonDay } from '../../db/queries/record.ts';
import { nowMs } from '../config.ts';
import type { PersonView } from './person-view.ts';

type Live = NonNullable<PersonDay['live']>;

/** A live session as a page tells someone of it. */
export interface LiveWords {
  /** How its day stands in addresses. */
  readonly key: string;
  /** `Saturday 16 May, 18:00`, in their own zone. */
  readonly words: string;
  readonly minutes: number;
  readonly place: string;
  readonly answer: 'yes' | 'no' | null;
  readonly came: boolean;
  /** It goes on now, or soon: who is there says so. */
  readonly isNow: boolean;
  /** Within a day from now, or on: it is what they came for. */
  readonly isNear: boolean;
  /** There is no room for another. */
  readonly isFull: boolean;
  readonly left: number | null;
}

/** Having been at a live session is a done one. */
export const doneByBeingThere = (r: {
  workspaceId: number;
  enrolmentId: number;
  versionId: number;
  atMs: number;
}): NewRecord => ({
  workspaceId: r.workspaceId,
  enrolmentId: r.enrolmentId,
  versionId: r.versionId,
  clientId: randomUUID(),
  record: {
    outcome: 'done',
    shareRatio: 1,
    effort: null,
    remark: '',
    scores: [],
    madeAtMs: r.atMs,
    loggedAtMs: nowMs(),
  },
});

const SOON_MS = 30 * 60_000;
const NEAR_MS = 24 * 3600_000;
const AFTERWARDS_MS = 3 * 3600_000;

/** The next live session of someone's days, or the one that goes on; undefined where there is none. */
export function nextLive({ strand, days }: PersonView): { readonly bead: StrandBead; readonly live: Live } | undefined {
  const all = strand.beads.flatMap((bead) => {
    const day = days.get(bead.dayId)!;
    return day.live && day.withdrawn === undefined && bead.state !== 'before' ? [{ bead, live: day.live }] : [];
  });
  return all
    .filter(({ live }) => live.atMs + live.minutes * 60_000 + AFTERWARDS_MS > nowMs())
    .sort((a, b) => a.live.atMs - b.live.atMs)[0];
}

export const describeLive = (live: Live, key: string, timeZone: string): LiveWords => {
  const left = live.limit === null ? null : Math.max(0, live.limit - live.going);
  return {
    key,
    words: `${formatDay(localDate(live.atMs, timeZone))}, ${localTime(live.atMs, timeZone)}`,
    minutes: live.minutes,
    place: live.place,
    answer: live.answer,
    came: live.came,
    isNow: live.atMs - SOON_MS <= nowMs() && nowMs() <= live.atMs + live.minutes * 60_000 + AFTERWARDS_MS,
    isNear: live.atMs - NEAR_MS <= nowMs(),
    isFull: left === 0 && live.answer !== 'yes',
    left,
  };
};
