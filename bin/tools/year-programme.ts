import { everyNth, NO_GUARD_SETTINGS } from '../../core/progress/programme-document.ts';
import type { ProgrammeDocument, Track } from '../../core/progress/programme-document.ts';
import { EIGHT_WEEKS } from '../../core/progress/examples/eight-weeks.ts';
import { needRules } from '../../core/progress/levers/lever-text.ts';

const LEVERS = needRules(['reps: +1 a week', 'work: +1 a week', 'clock: +1 a week']);

/** A year of six days a week in which no two sessions are alike: for measuring. */
export function yearProgramme(): ProgrammeDocument {
  const tracks = Array.from({ length: 6 }, (_, i): Track => {
    const model = EIGHT_WEEKS.tracks[i % EIGHT_WEEKS.tracks.length]!;
    return {
      id: `t${i}`,
      name: `${model.name} ${i}`,
      school: 'rounds-and-reps',
      levers: LEVERS,
      text: model.text.replace('Title: ', `Title: ${i} `),
    };
  });
  return {
    title: 'A year',
    weeks: 52,
    lighter: everyNth(52, 4),
    themes: {},
    tracks,
    firstWeekday: 1,
    blocked: [],
    guards: NO_GUARD_SETTINGS,
    days: Array.from({ length: 52 * 6 }, (_, k) => ({
      week: Math.floor(k / 6) + 1,
      weekday: (k % 6) + 1,
      text: '',
      track: { id: `t${k % 6}`, week: Math.floor(k / 6) + 1, isPinned: false },
    })),
  };
}
