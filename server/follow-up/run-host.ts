import { addDays, formatShortDay } from '../../core/calendar/day.ts';
import { localDate, runPlace, runDate } from '../../core/calendar/release.ts';
import type { BoardPerson, Placed, TeamRow } from '../../core/record/scores/boards.ts';
import { teamBoard } from '../../core/record/scores/boards.ts';
import type { WeekFacts } from '../../core/record/adherence/week-facts.ts';
import { sumWeek } from '../../core/record/adherence/week-facts.ts';
import { ATTENTION_RULES } from '../../core/record/attention/attention-rules.ts';
import type { DoneAs } from '../../core/record/scores/shared-total.ts';
import { sharedReps } from '../../core/record/scores/shared-total.ts';
import type { Db } from '../../db/pool.ts';
import type { HostSettings } from '../../db/queries/host.ts';
import { getHostSettings, listBoardNames } from '../../db/queries/host.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listStandingShapes } from '../../db/queries/standing-shapes.ts';
import { nowMs } from '../config.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import type { RunFollow } from './run-follow.ts';
import { loadRunFollow, needOf } from './run-follow.ts';
import { attentionWords } from '../../words/en/attention.ts';

/** What a host and the people of a run see of each other. */
export interface RunHost {
  readonly settings: HostSettings;
  readonly people: readonly BoardPerson[];
  readonly teams: readonly Placed<TeamRow>[];
  /** The shared total; 0 where none is set. */
  readonly total: number;
}

/** Boards and the shared total of a run: all of it follows from the records, and is counted anew each time. */
export async function loadRunHost(db: Db, programme: Programme, follow: RunFollow): Promise<RunHost> {
  const { runId } = programme;
  const [settings, names] = await Promise.all([getHostSettings(db, runId), listBoardNames(db, runId)]);
  const people = follow.people.map((p): BoardPerson => ({
    id: p.enrolmentId,
    name: p.name,
    team: p.detail,
    board: names.get(p.enrolmentId)?.board ?? 'name',
    alias: names.get(p.enrolmentId)?.alias ?? '',
    kept: p.adherence.done,
    due: p.adherence.due,
  }));
  const shared = settings.shared
    ? await sharedOf(db, runId, settings.shared.movements, follow)
    : new Map<number, number>();
  return {
    settings,
    people,
    teams: teamBoard(people, shared),
    total: [...shared.values()].reduce((a, b) => a + b, 0),
  };
}

/** What each person gave to the shared total, by enrolment. What was done beside the plan counts too: it was done. */
async function sharedOf(
  db: Db,
  runId: number,
  movements: readonly string[],
  { days, people }: RunFollow,
): Promise<Map<number, number>> {
  const counting = days.filter((d) => d.facts);
  const placeOf = new Map(days.map((d, i) => [d.dayId, i]));
  const [said, { library }] = await Promise.all([
    listStandingShapes(
      db,
      runId,
      counting.map((d) => d.dayId),
    ),
    loadWorkspaceBook(db),
  ]);
  const saidOf = new Map(said.map((s) => [`${s.enrolmentId} ${s.dayId}`, s]));
  // Many do the same in place of the same: each name is looked up once.
  const idOf = new Map<string, string | null>();
  const toId = (name: string): string | null => {
    const known = idOf.get(name);
    if (known !== undefined) return known;
    const id = name === '' ? null : (library.findByName(name)?.id ?? null);
    idOf.set(name, id);
    return id;
  };
  return new Map(
    people.map((p) => [
      p.enrolmentId,
      counting.reduce((sum, d) => {
        const standing = p.records[placeOf.get(d.dayId)!];
        if (!standing || standing.outcome === 'not-done') return sum;
        const { scores = [], shapes = [] } = saidOf.get(`${p.enrolmentId} ${d.dayId}`) ?? {};
        const doneAs = shapes.map(({ to, ...shape }): DoneAs => ({ ...shape, id: toId(to) }));
        return sum + sharedReps(movements, d.facts!, { shareRatio: standing.shareRatio, scores, doneAs });
      }, 0),
    ]),
  );
}

/** The week that letters are about: the last that is over by the run's own calendar, or the first one while it goes on. */
export function letterWeek(programme: Programme): number {
  const place = runPlace(programme.run.rules, localDate(nowMs(), 'UTC'));
  return Math.min(programme.weeks, Math.max(1, (place?.week ?? 1) - 1));
}

/** What a week came to, for its letters and the summary. */
export function weekFacts(
  programme: Programme,
  follow: RunFollow,
  host: RunHost,
  at: { readonly week: number; readonly coach: string; readonly proposals: number },
): WeekFacts {
  const { days, people, retention } = follow;
  const today = localDate(nowMs(), 'UTC');
  const soon = addDays(today, 7);
  const next = days
    .filter((d) => d.facts && d.week > at.week)
    .map((d) => ({ title: d.facts!.title, date: runDate(programme.run.rules, d) }))
    .filter((d) => d.date >= today && d.date < soon)
    .map((d) => `${d.title} on ${formatShortDay(d.date)}`);
  // One line a person: what presses most.
  const about = people
    .toSorted((a, b) => needOf(b) - needOf(a))
    .flatMap(({ name, items: [i] }) =>
      i ? [{ name, why: attentionWords(i), isGood: ATTENTION_RULES[i.code].isGood === true }] : [],
    );
  return {
    programme: programme.title,
    week: at.week,
    coach: at.coach,
    ...sumWeek(
      at.week,
      days.map((d) => ({ week: d.week, likelySec: d.facts?.likelySec ?? 0 })),
      people,
    ),
    here: retention.here,
    joined: retention.joined,
    teams: host.settings.hasBoards ? host.teams : [],
    shared: host.settings.shared ? { words: host.settings.shared.words, total: host.total } : null,
    next,
    nextNote: '',
    needs: about.filter((a) => !a.isGood),
    good: about.filter((a) => a.isGood),
    proposals: at.proposals,
  };
}

export const loadHost = async (db: Db, programme: Programme) => {
  const follow = await loadRunFollow(db, programme);
  return { follow, host: await loadRunHost(db, programme, follow) };
};
