import { WEEK_MS } from '../../core/calendar/spans.ts';
import type pg from 'pg';
import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey, dayName, parseDayKey, weekdayOf } from '../../core/calendar/day.ts';
import { groupBy } from '../../core/group-by.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { rewriteText } from '../../core/notation/rewrite.ts';
import { loadHistories, shapeHabits } from './what-was-used.ts';
import { applyPulls } from '../../core/progress/levers/apply-lever.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { findProgrammeDay, isLighterWeek } from '../../core/progress/programme-document.ts';
import type { PersonChange, PersonReason, PersonWeek, Proposal } from '../../core/progress/person/propose.ts';
import { proposeForPerson } from '../../core/progress/person/propose.ts';
import type { GroupChange, GroupReason } from '../../core/progress/person/propose-group.ts';
import { proposeForGroup } from '../../core/progress/person/propose-group.ts';
import type { SchoolId } from '../../core/progress/track/schools.ts';
import type { SchoolStep } from '../../core/progress/track/school-step.ts';
import { overranShare } from '../../core/record/scores/overran.ts';
import { isKept, isOwed } from '../../core/record/adherence/strand.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { HURT_AREAS } from '../../core/clock/shapes.ts';
import { listPainSince } from '../../db/queries/pain.ts';
import { getPlan } from '../../db/queries/plan.ts';
import type { Programme } from '../../db/queries/programme.ts';
import type { ProposalAnswer } from '../../db/queries/proposal.ts';
import { listAnswers } from '../../db/queries/proposal.ts';
import { listStandingDetails } from '../../db/queries/standing.ts';
import { nowMs } from '../config.ts';
import type { PaceProposal } from './learned-paces.ts';
import { loadPaces } from './learned-paces.ts';
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

export interface PersonProposal extends Proposal<PersonChange, PersonReason>, Said {
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

export interface GroupProposal extends Proposal<GroupChange, GroupReason>, Said {
  readonly title: string;
  /** What accepting it would change, from the next unsent day on. */
  readonly days: readonly ChangedDay[];
}

export interface WhatNext {
  readonly paces: readonly PaceProposal[];
  readonly group: readonly GroupProposal[];
  readonly people: readonly PersonProposal[];
  /** What was answered and stands, the newest first. */
  readonly answers: readonly (ProposalAnswer & { readonly name: string; readonly isHeld: boolean })[];
}

/** Sessions with weights that are looked back on. */
const LOOK_BACK_WEEKS = 4;

/**
 * The last week of the plan that is over for someone and had something due, and that wasn't a lighter one: what was easy because it was
 * made so says nothing. Undefined before there is one.
 */
function lastWeekOf(p: FollowedPerson, days: RunFollow['days'], plan: ProgrammeDocument): number | undefined {
  let last: number | undefined;
  const open = new Set<number>();
  for (const [i, d] of days.entries()) {
    if (p.calendar.own[i]!.date >= p.calendar.today) open.add(d.week);
    else if (isOwed(p.states[i]!)) last = Math.max(last ?? 0, d.week);
  }
  while (last !== undefined && (open.has(last) || isLighterWeek(plan, last))) last = last > 1 ? last - 1 : undefined;
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
  const weeks = new Map(here.map((p) => [p.enrolmentId, lastWeekOf(p, days, stored.programme)]));
  const lastWeek = Math.max(0, ...[...weeks.values()].map((w) => w ?? 0));
  const recent = days.filter((d) => d.week > lastWeek - LOOK_BACK_WEEKS && d.sent);
  const details = await listStandingDetails(
    db,
    programme.runId,
    recent.map((d) => d.dayId),
  );
  const weekOf = new Map(days.map((d) => [d.dayId, d.week]));
  const schoolOf = new Map(stored.programme.tracks.map((t) => [t.id, t.school]));
  const placeOf = new Map(days.map((d, i) => [d.dayId, i]));
  const answered = new Set(answers.map((a) => `${a.enrolmentId ?? ''} ${a.key}`));
  const isOpen = (enrolmentId: number | '', p: { key: string }) => !answered.has(`${enrolmentId} ${p.key}`);
  const group = groupProposals(follow, lastWeek, { details, schoolOf }, programme).flatMap((p): GroupProposal[] => {
    if (!isOpen('', p)) return [];
    const changed = p.change
      ? changedDays(stored.programme, new Set(stored.sent), p.key, p.change, book, programme)
      : [];
    // What could change nothing any more is only said.
    return [{ ...p, ...say(p), change: changed.length > 0 ? p.change : null, days: changed }];
  });
  const detailsOf = groupBy(details, (d) => d.enrolmentId);
  const painsOf = groupBy(pains, (p) => p.enrolmentId);
  const proposals = here.flatMap((p): PersonProposal[] => {
    const week = weeks.get(p.enrolmentId);
    if (week === undefined) return [];
    const own = detailsOf.get(p.enrolmentId) ?? [];
    const { loads, kgOf } = loadHistories(own, days, book.library);
    // What hurt counts from the week on that is looked at, also in a lighter one behind it.
    const painDays = new Set(days.filter((d) => d.week >= week).map((d) => d.dayId));
    const personWeek: PersonWeek = {
      week,
      next: nextOf(
        days.filter((d, i) => d.week === week && isKept(p.states[i]!)),
        schoolOf,
      ),
      heldWeek: p.heldWeek,
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
        .filter((pain) => painDays.has(pain.dayId))
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
    answers: answers.map((a) => ({
      ...a,
      name: a.enrolmentId === null ? 'all' : (names.get(a.enrolmentId) ?? ''),
      isHeld: isHeldStill(a, people.find((p) => p.enrolmentId === a.enrolmentId)?.heldWeek),
    })),
  };
}

/** Whether what was accepted still holds numbers: those of all, or of the person whose held week that is now. */
export function isHeldStill(
  { answer, change }: Pick<ProposalAnswer, 'answer' | 'change'>,
  heldWeek: number | null | undefined,
): boolean {
  if (answer !== 'accepted') return false;
  const own = (change ?? {}) as Partial<GroupChange | PersonChange>;
  return own.kind === 'same-again' || (own.kind === 'hold' && own.week === heldWeek);
}

const say = ({ reason }: { readonly reason: PersonReason | GroupReason }): Said => ({
  words: proposalWords(reason),
  why: proposalWhy(reason),
});

type Detail = Awaited<ReturnType<typeof listStandingDetails>>[number];

type Schools = ReadonlyMap<string, SchoolId>;

/** How the school goes on with the last of some sessions: that of its track; where there is none, with reps. Null where it leaves it. */
function nextOf(
  done: RunFollow['days'],
  schoolOf: Schools,
): { readonly school: SchoolId; readonly step: SchoolStep } | null {
  const last = done.findLast((d) => d.facts && d.track !== '') ?? done.findLast((d) => d.facts);
  if (!last?.facts) return null;
  const school = schoolOf.get(last.track) ?? 'rounds-and-reps';
  const step = last.facts.nextSteps[school];
  return step && { school, step };
}

function groupProposals(
  { days, people }: RunFollow,
  week: number,
  { details, schoolOf }: { readonly details: readonly Detail[]; readonly schoolOf: Schools },
  programme: Programme,
): (Proposal<GroupChange, GroupReason> & { title: string })[] {
  const detailsOf = groupBy(details, (d) => d.dayId);
  const names = new Map(people.map((p) => [p.enrolmentId, p.name]));
  const isOver = (i: number) => people.some((p) => p.calendar.own[i]!.date < p.calendar.today);
  return days.flatMap((d, i) => {
    if (d.week !== week || !d.facts || !isOver(i)) return [];
    const owed = people.filter((p) => isOwed(p.states[i]!));
    const done = owed.filter((p) => isKept(p.states[i]!));
    const proposal = proposeForGroup({
      key: dayKey(d),
      title: d.facts.title,
      due: owed.length,
      doneBy: done.map((p) => p.name),
      planned: d.facts.effort,
      efforts: done.flatMap((p) => {
        const effort = p.records[i]?.effort;
        return typeof effort === 'number' ? [{ name: p.name, value: effort }] : [];
      }),
      turns: d.facts.turns.map((t) => ({
        block: t.name,
        lever: t.lever,
        shares: (detailsOf.get(d.dayId) ?? []).flatMap(({ enrolmentId, details: own }) => {
          const value = overranShare(own.overran, t);
          return value === undefined ? [] : [{ name: names.get(enrolmentId) ?? '', value }];
        }),
      })),
      next: nextOf([d], schoolOf),
    });
    return proposal ? [{ ...proposal, title: `${d.facts.title}, ${dayName(d, weekdayOf(programme.startsOn))}` }] : [];
  });
}

/** The days that a change for all would make otherwise: those not sent yet behind its session, that are the same session. */
export function changedDays(
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
  // What is lighter anyway, or is to be compared, isn't held.
  const isHeld = (d: ProgrammeDay) =>
    !isLighterWeek(plan, d.week) && parseSession(d.text, library).document.retest === undefined;
  return (change.kind === 'same-again' ? same.filter(isHeld) : same).flatMap((day) => {
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
