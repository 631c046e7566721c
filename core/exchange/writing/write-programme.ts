import { printRule } from '../../progress/levers/lever-text.ts';
import type { ProgrammeDocument } from '../../progress/programme-document.ts';

export const PROGRAMME_FORMAT = 'ysodos-programme';
export const PROGRAMME_VERSION = 1;

/** A programme as the plain object of docs/programme.schema.json; unknown fields that were read are written back. */
export function toProgrammeJson(programme: ProgrammeDocument): Record<string, unknown> {
  const { extra, tracks, days, blocked, themes, ...known } = programme;
  return {
    ...extra,
    format: PROGRAMME_FORMAT,
    version: PROGRAMME_VERSION,
    title: known.title,
    weeks: known.weeks,
    ...(known.firstWeekday !== 1 && { firstWeekday: known.firstWeekday }),
    lighter: known.lighter,
    themes,
    tracks: tracks.map(({ extra: own, levers, ...t }) => ({
      ...own,
      id: t.id,
      name: t.name,
      school: t.school,
      levers: levers.map(printRule),
      text: t.text,
    })),
    days: days.map(({ extra: own, track, ...d }) => ({
      ...own,
      week: d.week,
      weekday: d.weekday,
      ...(d.theme && { theme: d.theme }),
      ...(track && { track: { id: track.id, week: track.week, pinned: track.isPinned } }),
      text: d.text,
    })),
    blocked: blocked.map(({ extra: own, ...b }) => ({ ...own, ...b })),
    guards: known.guards,
  };
}

/** One JSON document, indented; reading it gives the same programme. */
export const formatProgramme = (programme: ProgrammeDocument): string =>
  `${JSON.stringify(toProgrammeJson(programme), null, 2)}\n`;
