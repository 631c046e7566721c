import type { WeeksPicture } from '../../core/progress/week/weeks-picture.ts';
import type pg from 'pg';
import { formatShortDay } from '../../core/calendar/day.ts';
import { countSessions } from '../../core/progress/week/count-sessions.ts';
import { EXAMPLES, findExample } from '../../core/progress/examples/examples.ts';
import { pictureWeeks } from '../../core/progress/week/weeks-picture.ts';
import { listDaysByProgramme, listProgrammes } from '../../db/queries/programme.ts';
import { nowMs } from '../config.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { planText } from '../write/session-view.ts';
import { listPicturedTemplates } from './template-pictures.ts';
import { lastDate } from '../../core/calendar/release.ts';

/** What a programme can start from. */
export interface ProgrammeStart {
  /** `empty`, `example:ID`, `template:ID` or `file`. */
  readonly from: string;
  readonly title: string;
  /** What it is, in a line; empty where its picture says it. */
  readonly about: string;
  /** Null where there is nothing to draw. */
  readonly picture: WeeksPicture | null;
}

/** Every programme with its stored days, and what a new one can start from. */
export async function loadProgrammes(db: pg.PoolClient) {
  const programmes = await listProgrammes(db, new Date(nowMs()));
  const book = await loadWorkspaceBook(db);
  const planOf = (text: string) => planText(text, book);
  const byProgramme = await listDaysByProgramme(
    db,
    programmes.map((p) => p.runId),
  );
  return {
    planOf,
    programmes: programmes.map((programme) => {
      const own = byProgramme.get(programme.id) ?? [];
      return {
        ...programme,
        own,
        starts: formatShortDay(programme.startsOn),
        ends: formatShortDay(lastDate(programme.run.rules, programme.weeks)),
        ...countSessions(own),
        canDelete: programme.people === 0 && own.every((d) => d.sent === null),
      };
    }),
    templates: (await listPicturedTemplates(db, book)).map(({ id, title, picture }) => ({
      id,
      start: {
        from: `template:${id}`,
        title,
        about: picture ? 'Your template.' : 'Your template; a part of it can’t be read any more.',
        picture,
      } satisfies ProgrammeStart,
    })),
    examples: Object.entries(EXAMPLES).map(([id, { title, about }]): ProgrammeStart => ({
      from: `example:${id}`,
      title,
      about,
      picture: pictureWeeks(findExample(id)!, planOf),
    })),
  };
}
