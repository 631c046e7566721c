import { UNREAD_TITLE } from '../../session/session-title.ts';
import type { DayPlace } from '../../calendar/day.ts';
import { dayKey, shortPlace } from '../../calendar/day.ts';
import { sameData } from '../../same-data.ts';
import { formatClock } from '../../words/format-clock.ts';
import type { DayPlan, DayPlanner } from '../day-plan.ts';
import { findLeverChanges } from '../week/explain-week.ts';
import type { SessionDocument } from '../../document/document.ts';
import { blockName } from '../../session/explain/explain.ts';
import type { Lever } from '../levers/lever.ts';
import { LEVER_KINDS, leverName } from '../levers/lever.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../programme-document.ts';
import { byPlace, themeOf } from '../programme-document.ts';

/** What an edit does to one place. */
export interface DayDifference {
  readonly place: DayPlace;
  readonly kind: 'new' | 'gone' | 'came' | 'went' | 'changed' | 'words-only';
  readonly title: string;
  /** `rounds 6 → 7, 24:00 → 28:00`; `from Wednesday`; empty for a plain new or gone one. */
  readonly words: string;
  readonly before: string;
  readonly after: string;
}

/** What differs between two states of a programme. */
export interface ProgrammeDifference {
  readonly days: readonly DayDifference[];
  /** All that isn't about one day: weeks, lighter weeks, tracks, themes, blocked days, guard rails. */
  readonly others: readonly string[];
}

/** Every lever on all of the work; block by block where there are several blocks of it. */
function comparedLevers({ blocks }: SessionDocument): Lever[] {
  const main = blocks.filter((b) => !b.source && b.role !== 'Warm-up' && b.role !== 'Cool-down');
  return LEVER_KINDS.flatMap((kind): Lever[] =>
    kind === 'effort' || main.length < 2 ? [{ kind }] : main.map((b) => ({ kind, in: blockName(b) })),
  );
}

/** What changed in a session, in terms of levers and length; `other lines` where it is something else. */
export function describeTextChange(before: DayPlan, after: DayPlan, planner: DayPlanner): string {
  const changes = findLeverChanges(before.document, after.document, comparedLevers(after.document), planner.scope);
  const [was, is] = [before.clockSec.likely, after.clockSec.likely];
  const words = [
    ...(before.title === after.title ? [] : [`now ${after.title || 'without a title'}`]),
    ...changes.map((c) => `${leverName(c.lever)} ${c.from} → ${c.to}`),
    ...(was === is ? [] : [`${formatClock(was)} → ${formatClock(is)}`]),
  ];
  return words.length === 0 ? 'other lines' : words.join(', ');
}

/** Day by day what an edit changes, in the order of the programme, and what else; nothing for two equal programmes. */
export function findDifferences(
  before: ProgrammeDocument,
  after: ProgrammeDocument,
  planner: DayPlanner,
): ProgrammeDifference {
  const [wasAt, isAt] = [before, after].map((p) => new Map(p.days.map((d) => [dayKey(d), d]))) as [
    Map<string, ProgrammeDay>,
    Map<string, ProgrammeDay>,
  ];
  const keys = new Map([...before.days, ...after.days].map((d) => [dayKey(d), { week: d.week, weekday: d.weekday }]));
  const isSame = (a: ProgrammeDay | undefined, b: ProgrammeDay | undefined) =>
    a === b ||
    (a !== undefined &&
      b !== undefined &&
      a.text === b.text &&
      sameTrack(a, b) &&
      themeOf(before, a) === themeOf(after, b));
  const changed = [...keys.values()]
    .filter((place) => !isSame(wasAt.get(dayKey(place)), isAt.get(dayKey(place))))
    .sort(byPlace);
  const left = changed.flatMap((place) => wasAt.get(dayKey(place)) ?? []);
  const days = changed.map((place): DayDifference => {
    const [was, is] = [wasAt.get(dayKey(place)), isAt.get(dayKey(place))];
    const [wasPlan, isPlan] = [was && planner.of(was.text), is && planner.of(is.text)];
    const title = isPlan?.title || wasPlan?.title || (is && !isPlan ? 'a session to write' : UNREAD_TITLE);
    const base = { place, title, before: was?.text ?? '', after: is?.text ?? '' };
    if (!is) {
      const goal =
        was!.text.trim() === ''
          ? undefined
          : changed.find((c) => {
              const there = isAt.get(dayKey(c));
              return there?.text === was!.text && sameSession(there, was!) && wasAt.get(dayKey(c))?.text !== was!.text;
            });
      return { ...base, kind: goal ? 'went' : 'gone', words: goal ? `to ${shortPlace(goal, after.firstWeekday)}` : '' };
    }
    const origin =
      is.text.trim() === '' || (was && was.text === is.text)
        ? undefined
        : left.find(
            (l) =>
              l.text === is.text && sameSession(l, is) && byPlace(l, place) !== 0 && !isSame(l, isAt.get(dayKey(l))),
          );
    if (origin)
      return {
        ...base,
        kind: 'came',
        words: `from ${shortPlace(origin, before.firstWeekday)}${was && wasPlan ? `, in place of ${wasPlan.title || UNREAD_TITLE}` : ''}`,
      };
    if (!was) return { ...base, kind: 'new', words: isPlan ? formatClock(isPlan.clockSec.likely) : '' };
    if (was.text === is.text) return { ...base, kind: 'words-only', words: describeSetting(was, is, before, after) };
    if (!wasPlan || !isPlan)
      return {
        ...base,
        kind: 'changed',
        words: isPlan ? `written, ${formatClock(isPlan.clockSec.likely)}` : 'emptied',
      };
    return { ...base, kind: 'changed', words: describeTextChange(wasPlan, isPlan, planner) };
  });
  return { days, others: describeOthers(before, after) };
}

/** A track's session is one week of its progression; a single one is its text. */
const sameSession = (a: ProgrammeDay, b: ProgrammeDay) => sameTrackId(a, b) && a.track?.week === b.track?.week;
const sameTrackId = (a: ProgrammeDay, b: ProgrammeDay) => a.track?.id === b.track?.id;
const sameTrack = (a: ProgrammeDay, b: ProgrammeDay) =>
  sameTrackId(a, b) && a.track?.week === b.track?.week && a.track?.isPinned === b.track?.isPinned;

function describeSetting(
  was: ProgrammeDay,
  is: ProgrammeDay,
  before: ProgrammeDocument,
  after: ProgrammeDocument,
): string {
  const words: string[] = [];
  const isPinned = (day: ProgrammeDay) => day.track?.isPinned === true;
  if (isPinned(was) !== isPinned(is) && is.track)
    words.push(isPinned(is) ? 'kept as it is' : 'follows its track again');
  if (!sameTrackId(was, is))
    words.push(is.track ? `joins ${after.tracks.find((t) => t.id === is.track!.id)?.name ?? 'a track'}` : 'on its own');
  else if (was.track?.week !== is.track?.week) words.push(`now week ${is.track?.week} of its progression`);
  if (themeOf(before, was) !== themeOf(after, is)) words.push(themeOf(after, is) ?? 'no theme');
  return words.join(', ') || 'as it is';
}

function describeOthers(before: ProgrammeDocument, after: ProgrammeDocument): string[] {
  const out: string[] = [];
  const differs = (key: keyof ProgrammeDocument) => !sameData(before[key], after[key]);
  if (before.title !== after.title) out.push(`The title becomes “${after.title}”.`);
  if (before.weeks !== after.weeks) out.push(`${before.weeks} → ${after.weeks} weeks.`);
  if (differs('lighter'))
    out.push(after.lighter.length === 0 ? 'No lighter weeks.' : `Lighter weeks: ${after.lighter.join(', ')}.`);
  for (const track of after.tracks) {
    const was = before.tracks.find((t) => t.id === track.id);
    if (!was) out.push(`New track: ${track.name}.`);
    else if (!sameData(was, track)) out.push(`Track ${track.name} changes.`);
  }
  for (const track of before.tracks)
    if (!after.tracks.some((t) => t.id === track.id)) out.push(`Track ${track.name} ends; its sessions stay.`);
  if (differs('themes')) out.push('Themes of the weekdays change.');
  if (differs('blocked'))
    out.push(
      after.blocked.length === 0
        ? 'No blocked days.'
        : `${after.blocked.length} blocked ${after.blocked.length === 1 ? 'day' : 'days'}.`,
    );
  if (differs('guards')) out.push('What is pointed out changes.');
  return out;
}

export const isNoDifference = (d: ProgrammeDifference): boolean => d.days.length === 0 && d.others.length === 0;
