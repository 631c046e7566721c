import { WEEK_MS } from '../../core/calendar/spans.ts';
import type pg from 'pg';
import { EASE_DAYS } from '../../core/calendar/absence.ts';
import type { DayDate, DayPlace } from '../../core/calendar/day.ts';
import { addDays, dayKey, dayName, parseDayKey, weekdayOf } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { groupBy } from '../../core/group-by.ts';
import type { Level } from '../../core/movement/fit-movement.ts';
import type { OwnDose } from '../../core/movement/own-dose.ts';
import { cutLetters } from '../../core/letters.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { rewriteText } from '../../core/notation/rewrite.ts';
import type { FitPerson } from '../../core/movement/fit-movement.ts';
import { loadHistories, shapeHabits } from './what-was-used.ts';
import { changedDoses, changedLevels, withSpare, withSwap } from '../../core/progress/person/change-person.ts';
import { applyPulls } from '../../core/progress/levers/apply-lever.ts';
import type { ProgrammeEdit } from '../../core/progress/edit/programme-edit.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { findProgrammeDay } from '../../core/progress/programme-document.ts';
import type { GroupChange, PersonChange, PersonWeek, Proposal } from '../../core/progress/person/propose.ts';
import { proposeForGroup, proposeForPerson } from '../../core/progress/person/propose.ts';
import { overranShare } from '../../core/record/scores/overran.ts';
import { isKept, isOwed } from '../../core/record/adherence/strand.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import type { MovementOverride } from '../../core/movement/layer.ts';
import { deleteOverride, upsertOverride } from '../../db/queries/movement.ts';
import { HURT_AREAS } from '../../core/clock/shapes.ts';
import type { Spare } from '../../core/movement/spare.ts';
import { listPainSince } from '../../db/queries/pain.ts';
import { getEnrolment, updatePlace, updateProfile } from '../../db/queries/person.ts';
import { getPlan } from '../../db/queries/plan.ts';
import type { Programme } from '../../db/queries/programme.ts';
import type { ProposalAnswer } from '../../db/queries/proposal.ts';
import { insertAnswer, listAnswers, lockAnswers, updateAnswerUndone } from '../../db/queries/proposal.ts';
import { listBegun, listStandingDetails } from '../../db/queries/standing.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import { note } from '../doors/audit.ts';
import { nowMs } from '../config.ts';
import type { PaceProposal } from './learned-paces.ts';
import { loadPaces } from './learned-paces.ts';
import { changePlan } from '../plan/plan-changes.ts';
import type { FollowedPerson, RunFollow } from './run-follow.ts';
import { loadRunFollow } from './run-follow.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { proposalWords, proposalWhy } from '../../words/en/proposals.ts';

/** What is proposed and why, in words. */
interface Said {
  readonly words: string;
  readonly why: string;
}

export interface PersonProposal extends Proposal<PersonChange>, Said {
  readonly enrolmentId: number;
  readonly name: string;
  readonly team: string;
}

/** A session that would be otherwise. */
export interface ChangedDay {
  readonly place: DayPlace;
  readonly name: string;
  readonly before: string;
  readonly after: string;
}

export interface GroupProposal extends Proposal<GroupChange>, Said {
  readonly title: string;
  /** What accepting it would change, from the next unsent day on. */
  readonly days: readonly ChangedDay[];
}

export interface WhatNext {
  readonly paces: readonly PaceProposal[];
  readonly group: readonly GroupProposal[];
  readonly people: readonly PersonProposal[];
  /** What was answered and stands, the newest first. */
  readonly answers: readonly (ProposalAnswer & { readonly name: string })[];
}

/** Sessions with weights that are looked back on. */
const LOOK_BACK_WEEKS = 4;

/** The last week of the plan that is over for someone and had something due; undefined before there is one. */
function lastWeekOf(p: FollowedPerson, days: RunFollow['days']): number | undefined {
  let last: number | undefined;
  const open = new Set<number>();
  for (const [i, d] of days.entries()) {
    if (p.calendar.own[i]!.date >= p.calendar.today) open.add(d.week);
    else if (isOwed(p.states[i]!)) last = Math.max(last ?? 0, d.week);
  }
  while (last !== undefined && open.has(last)) last = last > 1 ? last - 1 : undefined;
  return last;
}

/** What is proposed for everybody after the week that is over, each with what came of it. */
export async function loadWhatNext(db: pg.PoolClient, programme: Programme, known?: RunFollow): Promise<WhatNext> {
  const now = nowMs();
  const follow = known ?? (await loadRunFollow(db, programme));
  const { days, people } = follow;
  const [answers, stored, pains, book] = await Promise.all([
    listAnswers(db, programme.runId),
    getPlan(db, { id: programme.id, runId: programme.runId }),
    listPainSince(db, programme.runId, now - 2 * WEEK_MS),
    loadWorkspaceBook(db),
  ]);
  const here = people.filter((p) => p.isHere);
  const weeks = new Map(here.map((p) => [p.enrolmentId, lastWeekOf(p, days)]));
  const lastWeek = Math.max(0, ...[...weeks.values()].map((w) => w ?? 0));
  const recent = days.filter((d) => d.week > lastWeek - LOOK_BACK_WEEKS && d.sent);
  const details = await listStandingDetails(
    db,
    programme.runId,
    recent.map((d) => d.dayId),
  );
  const weekOf = new Map(days.map((d) => [d.dayId, d.week]));
  const placeOf = new Map(days.map((d, i) => [d.dayId, i]));
  const answered = new Set(answers.map((a) => `${a.enrolmentId ?? ''} ${a.key}`));
  const isOpen = (enrolmentId: number | '', p: { key: string }) => !answered.has(`${enrolmentId} ${p.key}`);
  const group = groupProposals(follow, lastWeek, details, programme).flatMap((p): GroupProposal[] => {
    if (!isOpen('', p)) return [];
    const changed = p.change
      ? changedDays(stored.programme, new Set(stored.sent), p.key, p.change, book, programme)
      : [];
    // What could change nothing any more is only said.
    return [{ ...p, ...say(p), change: changed.length > 0 ? p.change : null, days: changed }];
  });
  const detailsOf = groupBy(details, (d) => d.enrolmentId);
  const painsOf = groupBy(pains, (p) => p.enrolmentId);
  const school = stored.programme.tracks.some((t) => t.school === 'load') ? 'load' : 'reps';
  const proposals = here.flatMap((p): PersonProposal[] => {
    const week = weeks.get(p.enrolmentId);
    if (week === undefined) return [];
    const own = detailsOf.get(p.enrolmentId) ?? [];
    const { loads, kgOf } = loadHistories(own, days, book.library);
    const weekDays = new Set(days.filter((d) => d.week === week).map((d) => d.dayId));
    const personWeek: PersonWeek = {
      week,
      school,
      loads,
      shapes: shapeHabits(
        own,
        recent.filter((d) => isKept(p.states[placeOf.get(d.dayId)!]!)),
        book.library,
      ),
      fewerIn: own.filter((d) => weekOf.get(d.dayId) === week && d.details.fewer).length,
      sessions: days.flatMap((d, i) =>
        d.week === week
          ? [
              {
                dayId: d.dayId,
                state: p.states[i]!,
                effort: p.records[i]?.effort ?? null,
                planned: d.facts?.effort ?? null,
              },
            ]
          : [],
      ),
      pains: (painsOf.get(p.enrolmentId) ?? [])
        .filter((pain) => weekDays.has(pain.dayId))
        .map((pain) => ({
          words: `${pain.area}, at ${pain.movement}`,
          spare: HURT_AREAS.find((a) => a.area === pain.area)?.spare ?? null,
        })),
    };
    const proposal = proposeForPerson(personWeek, (movement) => kgOf.get(movement) ?? 0);
    return proposal && isOpen(p.enrolmentId, proposal)
      ? [{ ...proposal, ...say(proposal), enrolmentId: p.enrolmentId, name: p.name, team: p.detail }]
      : [];
  });
  const names = new Map(people.map((p) => [p.enrolmentId, p.name]));
  const paces = (await loadPaces(db, programme.runId, follow, book)).filter((p) => isOpen('', p));
  return {
    paces,
    group,
    people: proposals,
    answers: answers.map((a) => ({ ...a, name: a.enrolmentId === null ? 'all' : (names.get(a.enrolmentId) ?? '') })),
  };
}

const say = ({ reason }: Pick<Proposal<unknown>, 'reason'>): Said => ({
  words: proposalWords(reason),
  why: proposalWhy(reason),
});

type Detail = Awaited<ReturnType<typeof listStandingDetails>>[number];

function groupProposals(
  { days, people }: RunFollow,
  week: number,
  details: readonly Detail[],
  programme: Programme,
): (Proposal<GroupChange> & { title: string })[] {
  const detailsOf = groupBy(details, (d) => d.dayId);
  const isOver = (i: number) => people.some((p) => p.calendar.own[i]!.date < p.calendar.today);
  return days.flatMap((d, i) => {
    if (d.week !== week || !d.facts || !isOver(i)) return [];
    const owed = people.filter((p) => isOwed(p.states[i]!));
    const done = owed.filter((p) => isKept(p.states[i]!));
    const proposal = proposeForGroup({
      key: dayKey(d),
      title: d.facts.title,
      due: owed.length,
      done: done.length,
      planned: d.facts.effort,
      efforts: done.flatMap((p) => p.records[i]?.effort ?? []),
      turns: d.facts.turns.map((t) => ({
        block: t.name,
        lever: t.lever,
        shares: (detailsOf.get(d.dayId) ?? []).flatMap((said) => overranShare(said.details.overran, t) ?? []),
      })),
    });
    return proposal ? [{ ...proposal, title: `${d.facts.title}, ${dayName(d, weekdayOf(programme.startsOn))}` }] : [];
  });
}

/** The days that a change for all would make otherwise: those not sent yet behind its session, that are the same session. */
function changedDays(
  plan: ProgrammeDocument,
  sent: ReadonlySet<string>,
  key: string,
  change: GroupChange,
  { library }: WorkspaceBook,
  programme: Programme,
): ChangedDay[] {
  const place = parseDayKey(key.split(' ')[0]!);
  const source = place && findProgrammeDay(plan, place);
  if (!source || source.text.trim() === '') return [];
  const titleOf = (day: ProgrammeDay) => sessionTitle(parseSession(day.text, library).document).toLowerCase();
  const title = titleOf(source);
  const isLater = (d: ProgrammeDay) => d.week > source.week || (d.week === source.week && d.weekday > source.weekday);
  const same = plan.days.filter(
    (d) =>
      isLater(d) &&
      !sent.has(dayKey(d)) &&
      d.text.trim() !== '' &&
      (source.track ? d.track?.id === source.track.id : title !== '' && titleOf(d) === title),
  );
  const first = weekdayOf(programme.startsOn);
  return (change.kind === 'same-again' ? same.slice(0, 1) : same).flatMap((day) => {
    const after = change.kind === 'same-again' ? source.text : pulled(day.text, change, library);
    return after === day.text
      ? []
      : [{ place: { week: day.week, weekday: day.weekday }, name: dayName(day, first), before: day.text, after }];
  });
}

function pulled(
  text: string,
  change: Extract<GroupChange, { kind: 'pull' }>,
  library: WorkspaceBook['library'],
): string {
  const { document, source, issues } = parseSession(text, library);
  return issues.length > 0
    ? text
    : rewriteText({ text, document, source }, applyPulls(document, [change], library), library);
}

export type NextAnswer =
  { readonly status: 'done'; readonly words: string } | { readonly status: 'refused'; readonly message: string };

interface PersonWas {
  readonly swaps?: FitPerson['swaps'];
  readonly doses?: readonly OwnDose[];
  readonly levels?: Readonly<Record<string, Level>>;
  readonly easedUntil?: DayDate | null;
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
  if (by === undefined || change.kind !== 'dose') return change;
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
    const book = await loadWorkspaceBook(db);
    const stored = await getPlan(db, { id: programme.id, runId: programme.runId }, true);
    const back = changed.filter(
      (d) => findProgrammeDay(stored.programme, d.place)?.text === d.after && !stored.sent.includes(dayKey(d.place)),
    );
    kept = changed.length - back.length;
    if (back.length > 0) {
      const done = await changePlan(db, book, planScope(programme, coach), {
        revision: stored.revision,
        words: cutLetters(`taken back: ${found.words}`, 200),
        edits: back.map((d): ProgrammeEdit => ({ kind: 'set-text', place: d.place, text: d.before })),
      });
      if (done.status === 'refused') return done;
    }
  }
  await updateAnswerUndone(db, answerId, now);
  return {
    status: 'done',
    words: `Taken back.${kept === 0 ? '' : ` ${kept} ${kept === 1 ? 'day was' : 'days were'} sent or changed since, and stay.`}`,
  };
}
