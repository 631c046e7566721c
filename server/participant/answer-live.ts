import type pg from 'pg';
import { data, redirect } from 'react-router';
import { insertRecord } from '../../db/queries/record.ts';
import { upsertLiveReply } from '../../db/queries/live.ts';
import { nowMs } from '../config.ts';
import { doneByBeingThere } from './live-view.ts';
import { formText } from '../http/form-text.ts';
import { parseOwnDay, type LinkScope } from '../doors/personal-link.ts';
import { loadPersonView } from './person-view.ts';

export async function answerLive(
  db: pg.PoolClient,
  scope: LinkScope,
  dayText: string,
  params: { token: string },
  answer: string,
  form: FormData,
) {
  const place = parseOwnDay(dayText);
  const view = await loadPersonView(db, scope);
  const day = [...view.days.values()].find((d) => d.week === place?.week && d.weekday === place.weekday);
  if (!day?.live || day.withdrawn !== undefined) throw data({ kind: 'closed' }, { status: 404 });
  const back = redirect(`/p/${params.token}`);
  const now = new Date(nowMs());
  const { enrolmentId } = scope.enrolment;
  if (answer === 'came') {
    const came = await upsertLiveReply(db, {
      workspaceId: scope.workspaceId,
      runDayId: day.live.runDayId,
      enrolmentId,
      came: { code: formText(form, 'code') },
      now,
    });
    if (!came) return redirect(`/p/${params.token}?live=code`);
    if (day.sent && !day.record)
      await insertRecord(
        db,
        doneByBeingThere({
          workspaceId: scope.workspaceId,
          enrolmentId,
          versionId: day.sent.versionId,
          atMs: nowMs(),
        }),
      );
    return back;
  }
  if (answer !== 'yes' && answer !== 'no') throw data({ kind: 'closed' }, { status: 400 });
  const done = await upsertLiveReply(db, {
    workspaceId: scope.workspaceId,
    runDayId: day.live.runDayId,
    enrolmentId,
    answer,
    now,
  });
  return done ? back : redirect(`/p/${params.token}?live=full`);
}
