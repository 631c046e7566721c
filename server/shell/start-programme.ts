import type { DayDate } from '../../core/calendar/day.ts';
import { weekdayOf } from '../../core/calendar/day.ts';
import { parseProgramme, readProgrammeValue } from '../../core/exchange/programme-json.ts';
import { findExample } from '../../core/progress/examples/examples.ts';
import type { ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { emptyProgramme, everyNth } from '../../core/progress/programme-document.ts';
import { pinDeviations } from '../../core/progress/edit/regenerate.ts';
import type { Db } from '../../db/pool.ts';
import { getTemplateDocument } from '../../db/queries/template.ts';
import { trackBookOf } from '../plan/plan-changes.ts';
import { parseId } from '../http/parse-number.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

interface StartOptions {
  readonly startsOn: DayDate;
  readonly weeks: number;
  readonly weekdays: readonly number[];
  /** Every so manieth week is lighter; 0 for none. */
  readonly lighterEvery: number;
  /** A file's JSON document, where it starts from a file. */
  readonly document: string;
}

/**
 * What a new programme begins with: `empty` days, `example:ID`, `template:ID`, or a `file`. Sessions that this workspace's
 * movements would write otherwise are pinned, so that none changes unasked. A file’s blocked days are days of the calendar and stay.
 * Its weeks begin on the weekday of `startsOn`: day 1 of a template stands there, whatever day it was made for.
 */
export async function programmeToStartFrom(
  db: Db,
  from: string,
  options: StartOptions,
): Promise<{ readonly programme: ProgrammeDocument } | { readonly message: string }> {
  const firstWeekday = weekdayOf(options.startsOn);
  if (from === 'empty')
    return {
      programme: emptyProgramme({
        title: '',
        weeks: options.weeks,
        firstWeekday,
        weekdays: options.weekdays,
        lighter: everyNth(options.weeks, options.lighterEvery),
      }),
    };
  const [kind, id = ''] = from.split(':');
  const found =
    kind === 'example'
      ? findExample(id)
      : kind === 'template'
        ? asProgramme(readProgrammeValue(await getTemplateDocument(db, parseId(id) ?? 0)))
        : kind === 'file'
          ? asProgramme(parseProgramme(options.document))
          : undefined;
  if (typeof found === 'string') return { message: found };
  if (!found) return { message: 'Choose what to start from.' };
  return { programme: pinDeviations({ ...found, firstWeekday }, trackBookOf(await loadWorkspaceBook(db))) };
}

const asProgramme = (read: ReturnType<typeof parseProgramme>): ProgrammeDocument | string =>
  read.status === 'read'
    ? read.programme
    : read.issues
        .map((i) => `${i.path} ${i.message}`.trim())
        .slice(0, 5)
        .join(' ');
