import { seesHealth } from '../../core/coach-role.ts';
import { formatShortDay, parseDayKey, dayName, formatDay, weekdayOf } from '../../core/calendar/day.ts';
import { localTime, localDate } from '../../core/calendar/release.ts';
import { listParticipants } from '../../db/queries/person.ts';
import { noteRead } from '../doors/audit.ts';
import { coachZone } from '../doors/coach-zone.ts';
import { nowMs, publicUrl } from '../config.ts';
import { rosterDefaults } from './roster-defaults.ts';
import { parseId } from '../http/parse-number.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import type pg from 'pg';
import { returnFromPause } from '../../core/calendar/absence.ts';
import { absenceWords } from '../participant/me-changes.ts';
import { SPARE_WORDS } from '../../core/movement/spare.ts';
import type { Participant, PersonProfile } from '../../db/queries/person.ts';
import { countLogged } from '../../db/queries/own.ts';
import { listAbsences } from '../../db/queries/absence.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import type { PanelPerson, RollPerson } from './panel-person.ts';
import type { DayPlace } from '../../core/calendar/day.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { findDay } from '../../db/queries/programme.ts';
import { listRunDayStates } from '../../db/queries/run.ts';
import { listLiveReplies } from '../../db/queries/live.ts';

/** Who said what of a live day, and who came; null where it is none. */
async function liveRoll(
  db: pg.PoolClient,
  programme: Programme,
  people: readonly Participant[],
  place: DayPlace | undefined,
) {
  const day = place && (await findDay(db, programme, place.week, place.weekday));
  const state = day && (await listRunDayStates(db, programme.runId)).find((s) => s.dayId === day.id);
  if (!day || !state?.live) return null;
  const replies = new Map((await listLiveReplies(db, state.runDayId)).map((r) => [r.enrolmentId, r]));
  return {
    words: dayName(day, weekdayOf(programme.startsOn)),
    action: `/programmes/${programme.key}/send/w${day.week}d${day.weekday}`,
    people: people.map(({ enrolmentId, name }): RollPerson => {
      const reply = replies.get(enrolmentId);
      return { id: enrolmentId, name, answer: reply?.answer ?? null, came: reply?.came ?? false };
    }),
  };
}

async function panelPerson(db: pg.PoolClient, person: Participant): Promise<PanelPerson> {
  const { library } = await loadWorkspaceBook(db);
  const name = (id: string) => library.find(id)?.name ?? id;
  const swapWords = person.profile.swaps.map((s) => `${name(s.from)} -> ${name(s.to)}`).join('\n');
  const today = localDate(nowMs(), person.timeZone);
  const back = returnFromPause(person.absences, today);
  const isEased = person.easedUntil !== null && person.easedUntil >= today;
  return {
    enrolmentId: person.enrolmentId,
    name: person.name,
    detail: person.detail,
    timeZone: person.timeZone,
    profile: person.profile,
    swapWords,
    absences: (await listAbsences(db, person.enrolmentId)).map((a) => ({
      id: a.id,
      kind: a.kind,
      words: absenceWords(a),
    })),
    ownStart: person.startsOn === null ? null : formatDay(person.startsOn),
    hasLeft: person.leftOn !== null && person.leftOn <= today,
    backAfter: back && !isEased && person.easedUntil === null ? back.days : null,
    easedUntil: isEased ? formatDay(person.easedUntil) : null,
    today,
    logged: await countLogged(db, person.personId),
  };
}

/** Kit, things to spare and levels in a few words; only what differs from anyone. Empty where nothing does. */
function fitWords({ kit, spares, levels, swaps }: PersonProfile): string {
  const limits = Object.entries(levels).filter(([, level]) => level < 5);
  const levelWords =
    limits.length > 3
      ? `level ${Math.min(...limits.map(([, l]) => l))} and up`
      : limits.map(([pattern, level]) => `${pattern} ${level}`).join(', ');
  return [
    spares.map((s) => SPARE_WORDS[s]).join(', '),
    kit === undefined ? '' : kit.length === 0 ? 'no kit' : kit.join(', '),
    levelWords,
    swaps.length === 0 ? '' : `${swaps.length} ${swaps.length === 1 ? 'swap' : 'swaps'}`,
  ]
    .filter((w) => w !== '')
    .join(' · ');
}

/** Everybody of a run, who is chosen, and the roll of a live day where one is asked for. */
export async function loadPeople(db: pg.PoolClient, { programme, coach }: ProgrammeScope, request: Request) {
  const canSee = seesHealth(coach.role);
  const people = await listParticipants(db, programme.runId);
  const chosen = people.find((p) => p.enrolmentId === parseId(new URL(request.url).searchParams.get('person')));
  if (chosen && canSee) noteRead(coach, chosen.personId);
  const now = nowMs();
  const clocks = new Map([...new Set(people.map((p) => p.timeZone))].map((zone) => [zone, localTime(now, zone)]));
  return {
    programmeId: programme.key,
    defaults: rosterDefaults(programme.startsOn, people, coachZone(request)),
    origin: publicUrl().origin,
    people: people.map((p) => ({
      id: p.enrolmentId,
      name: p.name,
      detail: p.detail,
      timeZone: p.timeZone,
      address: p.profile.address,
      fit: canSee ? fitWords(p.profile) : '',
      isWaiting: canSee && p.profile.care === 'wait',
      joined: formatShortDay(p.joinedOn),
      isLate: p.joinedOn > programme.startsOn,
      hasLink: p.hasLink,
      isClosed: p.isClosed,
    })),
    clocks: Object.fromEntries(clocks),
    chosen: chosen && canSee ? await panelPerson(db, chosen) : null,
    roll: await liveRoll(db, programme, people, parseDayKey(new URL(request.url).searchParams.get('live') ?? '')),
    partly: !canSee ? [] : people.filter((p) => p.profile.isPartly).map((p) => p.name),
  };
}
