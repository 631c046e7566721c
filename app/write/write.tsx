import { Button } from 'antd';
import { data, Form, redirect, useNavigation } from 'react-router';
import { dayName, formatDay, weekdayOf } from '../../core/calendar/day.ts';
import { findProgrammeDay } from '../../core/progress/programme-document.ts';
import { buildTrackNote } from '../../core/progress/track/track-note.ts';
import { analyseText, isSendable } from '../../core/session/analyse.ts';
import { StaleError } from '../../db/errors.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { deleteEmptyDay, insertDay, listProgrammes, updateDayReady } from '../../db/queries/programme.ts';
import { decideSend, runsOfPlan } from '../../server/send/send-decision.ts';
import { coachForm, notFound, withDay } from '../../server/doors/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { formRevision, formText } from '../../server/http/form-text.ts';
import { trackBookOf } from '../../server/plan/plan-changes.ts';
import type { WorkspaceBook } from '../../server/write/workspace-book.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import type { Route } from './+types/write';
import { runDate } from '../../core/calendar/release.ts';
import { Writer } from './writer.tsx';

export { onlyNewPlaces as shouldRevalidate } from '../parts/only-new-places.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `Write: ${loaderData?.name ?? ''} · Ysodos` }];

/** What the writer reads texts with. */
const bookFor = ({ stored, layer }: WorkspaceBook) => ({ routines: stored, layer });

export async function loader({ request, params }: Route.LoaderArgs) {
  return withDay(request, params, async (db, { day, place, programme }) => {
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
  });
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const intent = formText(form, 'intent');
  return withDay(request, params, async (db, { coach, programme, place, day }) => {
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
  });
}

export default function Write({ loaderData, actionData }: Route.ComponentProps) {
  const { day, name, words } = loaderData;
  const busy = useNavigation().state !== 'idle';
  if (!day) {
    return (
      <div className="no-session">
        <h1>{name}</h1>
        <p className="soft">{words}. The programme has no session on this day.</p>
        <Form method="post">
          <input type="hidden" name="intent" value="add" />
          <Button type="primary" htmlType="submit" loading={busy}>
            Put a session here
          </Button>
        </Form>
      </div>
    );
  }
  return <Writer key={day.id} {...loaderData} day={day} answer={actionData} busy={busy} />;
}
