import type pg from 'pg';
import { data, redirect } from 'react-router';
import { dayName, formatDay, weekdayOf } from '../../core/calendar/day.ts';
import { findProgrammeDay } from '../../core/progress/programme-document.ts';
import { buildTrackNote } from '../../core/progress/track/track-note.ts';
import { analyseText, isSendable } from '../../core/session/analyse.ts';
import { StaleError } from '../../db/errors.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { deleteEmptyDay, insertDay, listProgrammes, updateDayReady } from '../../db/queries/programme.ts';
import { decideSend, runsOfPlan } from '../send/send-decision.ts';
import { notFound, type DayScope } from '../doors/coach-scope.ts';
import { nowMs } from '../config.ts';
import { formRevision } from '../http/form-text.ts';
import { trackBookOf } from '../plan/plan-changes.ts';
import type { WorkspaceBook } from './workspace-book.ts';
import { loadWorkspaceBook } from './workspace-book.ts';
import { runDate } from '../../core/calendar/release.ts';

/** What the writer reads texts with. */
const bookFor = ({ stored, layer }: WorkspaceBook) => ({ routines: stored, layer });

export async function loadWrite(
  db: pg.PoolClient,
  { day, place, programme }: DayScope,
  params: { programmeId: string; day: string },
) {
  const book = await loadWorkspaceBook(db);
  const plan = await getPlan(db, programme);
  return {
    ...bookFor(book),
    note: buildTrackNote(plan.programme, findProgrammeDay(plan.programme, place), trackBookOf(book)) ?? null,
    people: programme.people,
    programmes: (await listProgrammes(db, new Date(nowMs()))).map(({ id, title }) => ({ id, title })),
    name: dayName(place, weekdayOf(programme.startsOn)),
    firstWeekday: weekdayOf(programme.startsOn),
    words: formatDay(runDate(programme.run.rules, place)),
    dayKey: params.day,
    programmeId: programme.key,
    day: day
      ? {
          id: day.id,
          text: day.text,
          revision: day.revision,
          isReady: day.isReady,
          isRead: day.isRead,
          sentNumber: day.sent?.number ?? null,
          isAsSent: day.sent?.text === day.text,
        }
      : null,
  };
}

export async function changeWritten(
  db: pg.PoolClient,
  { coach, programme, place, day }: DayScope,
  intent: string,
  form: FormData,
  params: { programmeId: string; day: string },
) {
  if (intent === 'add') {
    await insertDay(db, {
      workspaceId: coach.workspaceId,
      programmeId: programme.id,
      ...place,
      now: new Date(nowMs()),
    });
    return data({ error: '' });
  }
  if (!day) return notFound();
  if (intent === 'remove') {
    if (!(await deleteEmptyDay(db, day.id)))
      return data(
        { error: 'Only an empty day that was never sent can be removed. Empty its text first.' },
        { status: 400 },
      );
    // The page then offers to put a session here: that is the way back.
    return data({ error: '' });
  }
  if (intent !== 'ready' && intent !== 'not-ready')
    return data({ error: 'That is no step of this page; load it again.' }, { status: 400 });
  const revision = formRevision(form);
  if (intent === 'ready') {
    const book = await loadWorkspaceBook(db);
    const analysis = analyseText(day.text, book.library, book.routines);
    const errors = analysis.issues.length;
    if (errors > 0)
      return data(
        { error: `${errors === 1 ? 'One thing' : `${errors} things`} can’t be read yet; mend that first.` },
        { status: 400 },
      );
    if (analysis.plan.timeline.length === 0)
      return data({ error: 'There is nothing in this session yet.' }, { status: 400 });
    if (!isSendable(analysis))
      return data(
        { error: 'It refers to a routine that isn’t there. Write the block out, or store the routine.' },
        { status: 400 },
      );
  }
  const isReady = intent === 'ready';
  const mark = async () => {
    try {
      await updateDayReady(db, { dayId: day.id, revision, isReady });
    } catch (error) {
      if (error instanceof StaleError)
        return data({ error: 'The text was changed in between; look at it again.' }, { status: 409 });
      throw error;
    }
    return isReady ? redirect(`/programmes/${programme.key}/send/${params.day}`) : data({ error: '' });
  };
  return decideSend(db, { ...coach, runIds: await runsOfPlan(db, programme) }, form, mark);
}
