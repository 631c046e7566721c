import { dayKey, formatDay, weekdayOf } from '../../core/calendar/day.ts';
import type { StrandBead } from '../../core/record/adherence/build-strand.ts';
import { packStrand } from '../../core/record/adherence/packed-strand.ts';
import type pg from 'pg';
import { dayToMatch } from './earlier-scores.ts';
import { describeLive, nextLive } from './live-view.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import { isForKeeping, keptToday } from './kept-pages.ts';
import { ownDayKey, parseOwnDay } from '../doors/personal-link.ts';
import type { OpenDay, PersonView } from './person-view.ts';
import { placeWords } from '../../words/en/days.ts';
import { isOpen, loadPersonView, nextOpening, noteSeen, openDay } from './person-view.ts';
import { loadWelcome } from './welcome.ts';
import { nowMs } from '../config.ts';
import { fitDay } from './fitted-view.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** What a live session's form comes back with. */
const LIVE_TOLD: Readonly<Record<string, string>> = {
  code: 'That is not the code of the room. It is shown there.',
  full: 'The last place has just been taken.',
};

/** Today's day, where it has come and something of it stands. */
const todaysBead = ({ strand, days }: PersonView, { enrolment }: LinkScope): StrandBead | undefined =>
  strand.beads.find((b) => {
    const day = days.get(b.dayId)!;
    return b.date === strand.today && b.state !== 'before' && day.sent !== undefined && isOpen(b, day, enrolment);
  });

/** Why there is nothing today, where there should be something: said as it is. */
function whyNothing({ strand, days }: PersonView, { enrolment }: LinkScope): string | null {
  const { run } = enrolment;
  if (run.archivedAtMs !== null || (enrolment.leftOn !== null && enrolment.leftOn < strand.today))
    return 'This has come to its end. What you did stays here.';
  const bead = strand.beads.find((b) => b.date === strand.today);
  const day = bead && days.get(bead.dayId);
  if (!bead || !day || bead.state === 'before' || bead.state === 'ahead') return null;
  if (bead.state === 'excused') return 'You are excused today; nothing is expected of you.';
  if (day.stop?.kind === 'left-out') return 'Your first session is the next one; nothing is expected of you today.';
  if (day.withdrawn !== undefined)
    return `Your coach has withdrawn today’s session${day.withdrawn === '' ? '.' : `: ${day.withdrawn}`}`;
  if (bead.releaseMs > nowMs()) return null;
  if (run.heldAtMs !== null || day.stop)
    return 'Your coach holds the sessions back for a moment. Today’s comes as soon as they go on.';
  return 'Your coach is still writing today’s session. It stands here as soon as it is ready.';
}

/** What their other runs have for today. */
async function othersToday(db: pg.PoolClient, scope: LinkScope) {
  const found = [];
  for (const enrolment of scope.enrolments) {
    if (enrolment === scope.enrolment) continue;
    const own = { ...scope, enrolment };
    const view = await loadPersonView(db, own);
    const bead = todaysBead(view, own);
    if (bead)
      found.push({
        key: ownDayKey(own, bead),
        title: view.days.get(bead.dayId)?.sent?.title ?? 'a session',
        programmeTitle: enrolment.programmeTitle,
      });
  }
  return found;
}

/** Today's session as this person does it, held against what they did before. */
async function showDay(db: pg.PoolClient, scope: LinkScope, view: PersonView, open: OpenDay, book: WorkspaceBook) {
  const fitted = await fitDay(db, open, scope, book);
  return { fitted, open, toMatch: dayToMatch(view, open.dayId, fitted) };
}

export async function loadToday(db: pg.PoolClient, scope: LinkScope, request: Request, search: URLSearchParams) {
  const { enrolment } = scope;
  const [view, book] = await Promise.all([loadPersonView(db, scope), loadWorkspaceBook(db)]);
  const { beads, today, adherence } = view.strand;
  const kept = keptToday(request);
  const place = kept === undefined ? undefined : parseOwnDay(kept);
  const bead = place
    ? beads.find((b) => b.week === place.week && b.weekday === place.weekday)
    : todaysBead(view, scope);
  const open = bead && openDay(view, bead, enrolment, place !== undefined);
  const next = nextOpening(view, scope);
  // Before the day is noted as opened: whoever has opened nothing is new.
  const welcome = isForKeeping(request) ? null : await loadWelcome(db, scope, view, search.get('new') === 'yes', next);
  if (open && !isForKeeping(request)) await noteSeen(db, scope, view, open, 'opened');
  const missed = beads
    .filter((b) => b.state === 'missed' && (b.closesMs === null || b.closesMs > nowMs()))
    .slice(-3)
    .reverse();
  const live = nextLive(view);
  return {
    care: enrolment.profile.care,
    name: enrolment.name,
    firstWeekday: weekdayOf(enrolment.startsOn ?? enrolment.run.rules.startsOn),
    programmeTitle: enrolment.programmeTitle,
    todayWords: formatDay(place && bead ? bead.date : today),
    days: beads.map((b) => dayKey(b)).join(' '),
    strand: packStrand(beads),
    adherence: { done: adherence.done, due: adherence.due },
    shown: open ? { ...(await showDay(db, scope, view, open, book)), key: ownDayKey(scope, bead) } : null,
    why: open ? null : whyNothing(view, scope),
    next,
    place: bead ? placeWords(beads, bead) : '',
    live: live ? describeLive(live.live, ownDayKey(scope, live.bead), enrolment.timeZone) : null,
    open: missed.map((b) => ({
      key: ownDayKey(scope, b),
      words: formatDay(b.date),
      title: view.days.get(b.dayId)?.sent?.title ?? 'a session',
    })),
    others: await othersToday(db, scope),
    welcome,
    asked: enrolment.profile.contact.addressState === 'asked' ? enrolment.profile.address : null,
    liveTold: LIVE_TOLD[search.get('live') ?? ''] ?? null,
  };
}
