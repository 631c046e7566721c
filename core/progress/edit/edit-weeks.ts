import type { DayPlace } from '../../calendar/day.ts';
import { MAX_WEEKS } from '../../calendar/day.ts';
import { rewriteText } from '../../notation/rewrite.ts';
import { parseSession } from '../../notation/read-session.ts';
import { applyPulls } from '../levers/apply-lever.ts';
import type { ProgressScope } from '../track/build-track.ts';
import type { ProgrammeDay, ProgrammeDocument, Track } from '../programme-document.ts';
import { byPlace, progressionWeek } from '../programme-document.ts';
import type { LeverRule, Pull } from '../track/schedule.ts';

/** How a session that is in no track is made lighter: a round less, and two points of effort (common practice, no source). */
const LIGHTER_PULLS: readonly Pull[] = [
  { lever: { kind: 'rounds' }, by: -1 },
  { lever: { kind: 'windows' }, by: -1 },
  { lever: { kind: 'effort' }, by: -2 },
];

/** A session's text, lighter. A session that offers nothing for it comes back as it is. */
export function lightenText(text: string, { library }: ProgressScope): string {
  const { document, source } = parseSession(text, library);
  return rewriteText({ text, document, source }, applyPulls(document, LIGHTER_PULLS, library), library);
}

/** The lighter weeks that a rule passes by, where weeks move. */
const moveLighter = (rule: LeverRule, next: (week: number) => number): LeverRule =>
  rule.notLighterIn ? { ...rule, notLighterIn: [...new Set(rule.notLighterIn.map(next))] } : rule;

/** Weeks of the progression from `at` on become one later, up to the last there can be; lists get an entry for the new week. */
function makeRoom(own: LeverRule, at: number): LeverRule {
  const rule = moveLighter(own, (week) => (week >= at && week < MAX_WEEKS ? week + 1 : week));
  const { schedule } = rule;
  switch (schedule.kind) {
    case 'at-weeks':
      return {
        ...rule,
        schedule: {
          ...schedule,
          steps: schedule.steps.map((s) => (s.week >= at && s.week < MAX_WEEKS ? { ...s, week: s.week + 1 } : s)),
        },
      };
    case 'list': {
      if (schedule.values.length < at) return rule;
      const values = [...schedule.values];
      values.splice(at - 1, 0, rule.lighterBy ?? Math.min(0, values[at - 2] ?? 0));
      return { ...rule, schedule: { ...schedule, values: values.slice(0, MAX_WEEKS) } };
    }
    default:
      return rule;
  }
}

function takeRoom(own: LeverRule, at: number): LeverRule {
  const rule = moveLighter(own, (week) => (week > at ? week - 1 : week));
  const { schedule } = rule;
  switch (schedule.kind) {
    case 'at-weeks':
      return {
        ...rule,
        schedule: { ...schedule, steps: schedule.steps.map((s) => (s.week > at ? { ...s, week: s.week - 1 } : s)) },
      };
    case 'list':
      return schedule.values.length < at || schedule.values.length === 1
        ? rule
        : { ...rule, schedule: { ...schedule, values: schedule.values.filter((_, i) => i !== at - 1) } };
    default:
      return rule;
  }
}

const mapRules = (tracks: readonly Track[], next: (rule: LeverRule) => LeverRule): Track[] =>
  tracks.map((t) => ({ ...t, levers: t.levers.map(next) }));

/** A session of a track with another week of the progression, wherever it stands. */
const renumber = (day: ProgrammeDay, next: (week: number) => number): ProgrammeDay =>
  day.track ? { ...day, track: { ...day.track, week: next(day.track.week) } } : day;

/**
 * A week more before week `at` (one past the end appends). A lighter one repeats the sessions of week `at` (or of the
 * one before, at the end) as a new lighter week of the progression; a pause has no sessions and holds the progression.
 */
export function insertWeek(
  programme: ProgrammeDocument,
  at: number,
  as: 'lighter' | 'pause',
  lighten: (text: string) => string,
): ProgrammeDocument {
  const later = programme.days.map((d) => (d.week >= at ? { ...d, week: d.week + 1 } : d));
  if (as === 'pause') return { ...programme, weeks: programme.weeks + 1, days: later };
  const step = at > programme.weeks ? progressionWeek(programme, programme.weeks) + 1 : progressionWeek(programme, at);
  const model = programme.days.filter((d) => d.week === Math.min(at, programme.weeks));
  const own = model.map((d): ProgrammeDay => {
    const { track, ...rest } = d;
    return {
      ...rest,
      week: at,
      ...(track
        ? { track: { id: track.id, week: step, isPinned: false } }
        : { text: d.text === '' ? '' : lighten(d.text) }),
    };
  });
  return {
    ...programme,
    weeks: programme.weeks + 1,
    lighter: [...programme.lighter.map((l) => (l >= step ? l + 1 : l)).filter((l) => l <= MAX_WEEKS), step].sort(
      (a, b) => a - b,
    ),
    tracks: mapRules(programme.tracks, (rule) => makeRoom(rule, step)),
    days: [...later.map((d) => renumber(d, (own) => (own >= step ? own + 1 : own))), ...own].sort(byPlace),
  };
}

/**
 * Takes a week out with its sessions. A lighter week's place in the progression goes with it, unless a session that was
 * moved elsewhere still stands for it; any other leaves the progression as it is.
 */
export function removeWeek(programme: ProgrammeDocument, week: number): ProgrammeDocument {
  const step = progressionWeek(programme, week);
  const others = programme.days.filter((d) => d.week !== week);
  const isLighter = programme.lighter.includes(step) && !others.some((d) => d.track?.week === step);
  const days = others.map((d) => (d.week > week ? { ...d, week: d.week - 1 } : d));
  if (!isLighter) return { ...programme, weeks: programme.weeks - 1, days };
  return {
    ...programme,
    weeks: programme.weeks - 1,
    lighter: programme.lighter.filter((l) => l !== step).map((l) => (l > step ? l - 1 : l)),
    tracks: mapRules(programme.tracks, (rule) => takeRoom(rule, step)),
    days: days.map((d) => renumber(d, (own) => (own > step ? own - 1 : own))),
  };
}

/** All sessions from a place on, so many calendar days later or earlier; the programme grows by weeks where it must. */
export function shiftDays(
  programme: ProgrammeDocument,
  from: DayPlace,
  days: number,
  refuse: (message: string) => never,
): ProgrammeDocument {
  if (!Number.isInteger(days) || days === 0 || Math.abs(days) > 56) refuse('Shift by 1 to 56 days, earlier or later.');
  const moved = programme.days.filter((d) => byPlace(d, from) >= 0);
  if (moved.length === 0) refuse('There are no sessions from that day on.');
  const stay = programme.days.filter((d) => byPlace(d, from) < 0);
  const next = moved
    .map((d) => {
      const at = (d.week - 1) * 7 + d.weekday - 1 + days;
      return { ...d, week: Math.floor(at / 7) + 1, weekday: (((at % 7) + 7) % 7) + 1 };
    })
    .sort(byPlace);
  const last = stay.sort(byPlace).at(-1);
  if (next[0]!.week < 1 || (last && byPlace(next[0]!, last) <= 0))
    refuse('There is no room for that: a session stands in the way. Shift by fewer days.');
  return { ...programme, weeks: Math.max(programme.weeks, next.at(-1)!.week), days: [...stay, ...next] };
}
