import type pg from 'pg';
import { EASE_DAYS } from '../../core/calendar/absence.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays, dayKey } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { cutLetters } from '../../core/letters.ts';
import type { FitPerson, Level } from '../../core/movement/fit-movement.ts';
import type { MovementOverride } from '../../core/movement/layer.ts';
import type { OwnDose } from '../../core/movement/own-dose.ts';
import type { Spare } from '../../core/movement/spare.ts';
import type { ProgrammeEdit } from '../../core/progress/edit/programme-edit.ts';
import { changedDoses, changedLevels, withSpare, withSwap } from '../../core/progress/person/change-person.ts';
import type { GroupChange } from '../../core/progress/person/propose-group.ts';
import type { PersonChange } from '../../core/progress/person/propose.ts';
import { findProgrammeDay } from '../../core/progress/programme-document.ts';
import { plural } from '../../core/words/words.ts';
import { deleteOverride, upsertOverride } from '../../db/queries/movement.ts';
import { getEnrolment, updatePlace, updateProfile } from '../../db/queries/person.ts';
import { getPlan } from '../../db/queries/plan.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { insertAnswer, listAnswers, lockAnswers, updateAnswerUndone } from '../../db/queries/proposal.ts';
import { listBegun } from '../../db/queries/standing.ts';
import { nowMs } from '../config.ts';
import { note } from '../doors/audit.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import { changePlan } from '../plan/plan-changes.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import type { ChangedDay, GroupProposal } from './proposals.ts';
import { changedDays, isHeldStill, loadWhatNext } from './proposals.ts';
import type { RunFollow } from './run-follow.ts';
import { loadRunFollow } from './run-follow.ts';

export type NextAnswer =
  { readonly status: 'done'; readonly words: string } | { readonly status: 'refused'; readonly message: string };

interface PersonWas {
  readonly swaps?: FitPerson['swaps'];
  readonly doses?: readonly OwnDose[];
  readonly levels?: Readonly<Record<string, Level>>;
  readonly easedUntil?: DayDate | null;
  readonly heldWeek?: number | null;
  /** What wasn't spared before. */
  readonly spare?: Spare;
}
interface GroupWas {
  readonly days?: readonly ChangedDay[];
  readonly pace?: { readonly movement: string; readonly fields: MovementOverride['fields'] | null };
}

/** Accepts or declines proposals; `by` is another number than was proposed, where one was written. All or none of them. */
export async function answerProposals(
  db: pg.PoolClient,
  scope: ProgrammeScope,
  wanted: readonly { readonly enrolmentId: number | null; readonly key: string; readonly by: number | undefined }[],
  answer: 'accepted' | 'declined',
): Promise<NextAnswer> {
  await lockAnswers(db, scope.programme.runId);
  const follow = await loadRunFollow(db, scope.programme);
  const { group, people } = await loadWhatNext(db, scope.programme, follow);
  const now = new Date(nowMs());
  const { coachId, workspaceId } = scope.coach;
  let count = 0;
  for (const { enrolmentId, key, by } of wanted) {
    const proposal =
      enrolmentId === null
        ? group.find((p) => p.key === key)
        : people.find((p) => p.enrolmentId === enrolmentId && p.key === key);
    // Answered meanwhile, or no longer so: the page that comes says how it stands.
    if (!proposal) continue;
    let was: object = {};
    let change = proposal.change;
    if (answer === 'accepted' && change) {
      if (enrolmentId === null) {
        const own = proposal as GroupProposal;
        const done = await changeProgramme(db, scope, own, by);
        if (done.status === 'refused') return done;
        was = { days: done.days };
        change = done.change;
      } else {
        change = withBy(change as PersonChange, by);
        was = await changePerson(db, follow, enrolmentId, change, proposal.words);
        await note(db, scope.coach, 'person-changed', {
          enrolmentId,
          programmeId: scope.programme.id,
          detail: 'a proposal was taken',
        });
      }
    }
    await insertAnswer(db, {
      workspaceId,
      runId: scope.programme.runId,
      enrolmentId,
      key,
      answer,
      words: `${by === undefined ? proposal.words : `${proposal.words} (${by > 0 ? '+' : ''}${by})`}, because ${proposal.why}`,
      change: change ?? {},
      was,
      coachId,
      now,
    });
    count++;
  }
  if (count === 0) return { status: 'refused', message: 'That was answered already, or is no longer so.' };
  return { status: 'done', words: `${count === 1 ? 'It is' : `${count} are`} ${answer}.` };
}

/** Takes a pace that was seen, or leaves the one that is planned with. What is planned, and fitted, from now on goes by it. */
export async function answerPace(
  db: pg.PoolClient,
  { programme, coach }: ProgrammeScope,
  key: string,
  answer: 'accepted' | 'declined',
): Promise<NextAnswer> {
  await lockAnswers(db, programme.runId);
  const pace = (await loadWhatNext(db, programme)).paces.find((p) => p.key === key);
  if (!pace) return { status: 'refused', message: 'That was answered already, or is no longer so.' };
  const now = new Date(nowMs());
  const { workspaceId, coachId } = coach;
  const { overrides } = (await loadWorkspaceBook(db)).layer;
  const own = overrides.find((o) => o.movementId === pace.movement)?.fields;
  if (answer === 'accepted')
    await upsertOverride(db, {
      workspaceId,
      override: { movementId: pace.movement, fields: { ...own, paceSec: pace.seen } },
      now,
    });
  await insertAnswer(db, {
    workspaceId,
    runId: programme.runId,
    enrolmentId: null,
    key,
    answer,
    words: `${pace.name}: ${pace.seen.likely} s a repetition instead of ${pace.now.likely}, because of ${pace.records} records`,
    change: { paceSec: pace.seen },
    was: { pace: { movement: pace.movement, fields: own ?? null } },
    coachId,
    now,
  });
  return { status: 'done', words: `${pace.name}: ${answer}.` };
}

const MOST_BY = 50;

/** A number that stands in place of the proposed one: undefined where nothing was written, `none` where it can't be one. */
export function parseBy(text: string): number | undefined | 'none' {
  const written = text.trim().replace('−', '-').replace(',', '.');
  if (written === '') return undefined;
  const by = Number(written);
  return Number.isFinite(by) && by !== 0 && Math.abs(by) <= MOST_BY ? by : 'none';
}

/** A change with another number than was proposed. */
export function withBy(change: PersonChange, by: number | undefined): PersonChange {
  if (by === undefined) return change;
  if (change.kind === 'lever') return { ...change, by };
  if (change.kind !== 'dose') return change;
  return change.loadBy === undefined ? { ...change, repsBy: by } : { ...change, loadBy: by };
}

async function changePerson(
  db: pg.PoolClient,
  follow: RunFollow,
  enrolmentId: number,
  change: PersonChange,
  words: string,
): Promise<PersonWas> {
  const person = await getEnrolment(db, enrolmentId);
  const today = localDate(nowMs(), person.timeZone);
  switch (change.kind) {
    case 'eased':
      await updatePlace(db, enrolmentId, { easedUntil: addDays(today, EASE_DAYS) });
      return { easedUntil: person.easedUntil };
    case 'spare': {
      const { spares } = person.profile;
      await updateProfile(db, enrolmentId, { spares: withSpare(spares, change.spare) });
      return spares.includes(change.spare) ? {} : { spare: change.spare };
    }
    case 'swap': {
      const { swaps } = person.profile;
      await updateProfile(db, enrolmentId, { swaps: withSwap(swaps, change) });
      return { swaps };
    }
    case 'level': {
      const { levels } = person.profile;
      await updateProfile(db, enrolmentId, { levels: changedLevels(levels, change) });
      return { levels };
    }
    case 'hold':
    case 'let-go':
      await updatePlace(db, enrolmentId, { heldWeek: change.kind === 'hold' ? change.week : null });
      return { heldWeek: person.heldWeek };
    case 'lever':
    case 'dose': {
      const { doses } = person.profile;
      // From the next session that they haven't begun: today's, if it is still before them.
      const followed = follow.people.find((p) => p.enrolmentId === enrolmentId);
      const todays = follow.days.flatMap((d, i) => (followed?.calendar.own[i]!.date === today ? [d.dayId] : []));
      const since = (await listBegun(db, enrolmentId, todays)).size > 0 ? addDays(today, 1) : today;
      await updateProfile(db, enrolmentId, { doses: changedDoses(doses, change, { since, words }) });
      return { doses };
    }
  }
}

async function changeProgramme(
  db: pg.PoolClient,
  { programme, coach }: ProgrammeScope,
  proposal: GroupProposal,
  by: number | undefined,
): Promise<
  { status: 'refused'; message: string } | { status: 'done'; days: readonly ChangedDay[]; change: GroupChange }
> {
  const book = await loadWorkspaceBook(db);
  const stored = await getPlan(db, { id: programme.id, runId: programme.runId }, true);
  const change: GroupChange =
    proposal.change!.kind === 'pull' && by !== undefined ? { ...proposal.change!, by } : proposal.change!;
  const days = changedDays(stored.programme, new Set(stored.sent), proposal.key, change, book, programme);
  if (days.length === 0) return { status: 'refused', message: 'Nothing that isn’t sent yet would change by it.' };
  const edits = days.map((d): ProgrammeEdit => ({ kind: 'set-text', place: d.place, text: d.after }));
  const done = await changePlan(db, book, planScope(programme, coach), {
    revision: stored.revision,
    words: `${proposal.title}: ${proposal.words}`,
    edits,
  });
  return done.status === 'refused' ? done : { status: 'done', days, change };
}

const planScope = (programme: Programme, coach: ProgrammeScope['coach']) => ({
  workspaceId: coach.workspaceId,
  programmeId: programme.id,
  runId: programme.runId,
  coachId: coach.coachId,
  now: new Date(nowMs()),
});

/** Writes days that an answer changed anew, as far as they still stand as it left them and aren't sent; which ones those are. */
async function rewriteDays(
  db: pg.PoolClient,
  { programme, coach }: ProgrammeScope,
  changed: readonly ChangedDay[],
  { words, textOf }: { readonly words: string; readonly textOf: (day: ChangedDay, place: number) => string },
): Promise<
  | { readonly status: 'refused'; readonly message: string }
  | { readonly status: 'done'; readonly days: readonly ChangedDay[] }
> {
  const book = await loadWorkspaceBook(db);
  const stored = await getPlan(db, { id: programme.id, runId: programme.runId }, true);
  const days = changed.filter(
    (d) => findProgrammeDay(stored.programme, d.place)?.text === d.after && !stored.sent.includes(dayKey(d.place)),
  );
  if (days.length === 0) return { status: 'done', days };
  const done = await changePlan(db, book, planScope(programme, coach), {
    revision: stored.revision,
    words: cutLetters(words, 200),
    edits: days.map((d, i): ProgrammeEdit => ({ kind: 'set-text', place: d.place, text: textOf(d, i) })),
  });
  return done.status === 'refused' ? done : { status: 'done', days };
}

/** Takes an answer back, with what followed from it: what was sent or changed otherwise since stays as it is. */
export async function undoAnswer(
  db: pg.PoolClient,
  scope: ProgrammeScope,
  answerId: number,
): Promise<NextAnswer | undefined> {
  const { programme, coach } = scope;
  await lockAnswers(db, programme.runId);
  const found = (await listAnswers(db, programme.runId)).find((a) => a.id === answerId);
  if (!found) return undefined;
  const now = new Date(nowMs());
  let kept = 0;
  if (found.answer === 'accepted' && found.enrolmentId !== null) {
    const was = found.was as PersonWas;
    if (was.heldWeek !== undefined) await updatePlace(db, found.enrolmentId, { heldWeek: was.heldWeek });
    if (was.easedUntil !== undefined) await updatePlace(db, found.enrolmentId, { easedUntil: was.easedUntil });
    if (was.spare) {
      const { profile } = await getEnrolment(db, found.enrolmentId);
      await updateProfile(db, found.enrolmentId, { spares: profile.spares.filter((s) => s !== was.spare) });
    }
    if (was.swaps) await updateProfile(db, found.enrolmentId, { swaps: was.swaps });
    if (was.levels) await updateProfile(db, found.enrolmentId, { levels: was.levels });
    if (was.doses) {
      // Others may have come since: only what this one added goes.
      const { profile } = await getEnrolment(db, found.enrolmentId);
      const added = profile.doses.findLastIndex((d) => found.words.startsWith(d.words));
      await updateProfile(db, found.enrolmentId, { doses: profile.doses.filter((_, i) => i !== added) });
    }
  }
  const { days: changed = [], pace } = found.was as GroupWas;
  if (found.answer === 'accepted' && pace) {
    const { movement: movementId, fields } = pace;
    if (fields) await upsertOverride(db, { workspaceId: coach.workspaceId, override: { movementId, fields }, now });
    else await deleteOverride(db, movementId);
  }
  if (found.answer === 'accepted' && found.enrolmentId === null && changed.length > 0) {
    const done = await rewriteDays(db, scope, changed, {
      words: `taken back: ${found.words}`,
      textOf: (d) => d.before,
    });
    if (done.status === 'refused') return done;
    kept = changed.length - done.days.length;
  }
  await updateAnswerUndone(db, answerId, now);
  return {
    status: 'done',
    words: `Taken back.${kept === 0 ? '' : ` ${kept} ${kept === 1 ? 'day was' : 'days were'} sent or changed since, and stay.`}`,
  };
}

/**
 * Lets go what was held: someone goes on with everybody; for all, the sessions that aren't sent yet go on from where they were held, in
 * the order in which they were planned. Undefined where nothing of that answer is held.
 */
export async function letGo(
  db: pg.PoolClient,
  scope: ProgrammeScope,
  answerId: number,
): Promise<NextAnswer | undefined> {
  const { programme } = scope;
  await lockAnswers(db, programme.runId);
  const found = (await listAnswers(db, programme.runId)).find((a) => a.id === answerId);
  if (!found) return undefined;
  const heldWeek = found.enrolmentId === null ? null : (await getEnrolment(db, found.enrolmentId)).heldWeek;
  if (!isHeldStill(found, heldWeek)) return undefined;
  if (found.enrolmentId !== null) return letPersonGo(db, scope, found.enrolmentId);
  const { days = [] } = found.was as GroupWas;
  const done = await rewriteDays(db, scope, days, {
    words: `let go: ${found.words}`,
    // The first that is left goes on with what the first one that was held was to be.
    textOf: (_day, i) => days[i]!.before,
  });
  if (done.status === 'refused') return done;
  const held = done.days;
  await updateAnswerUndone(db, answerId, new Date(nowMs()));
  return {
    status: 'done',
    words:
      held.length === 0
        ? 'Let go; nothing of it was still to be sent.'
        : `Let go: ${plural(held.length, 'session')} ${held.length === 1 ? 'goes' : 'go'} on from there.`,
  };
}

/** Lets one person go on with everybody again; undefined where they aren't in this run, or keep nothing. */
export async function letPersonGo(
  db: pg.PoolClient,
  { programme, coach }: ProgrammeScope,
  enrolmentId: number,
): Promise<NextAnswer | undefined> {
  const person = await getEnrolment(db, enrolmentId);
  if (person.runId !== programme.runId || person.heldWeek === null) return undefined;
  await updatePlace(db, enrolmentId, { heldWeek: null });
  await note(db, coach, 'person-changed', {
    enrolmentId,
    programmeId: programme.id,
    detail: `week ${person.heldWeek} was let go`,
  });
  return { status: 'done', words: 'Let go: from the next session on as everybody.' };
}
