import { data, redirect } from 'react-router';
import { insertRecord } from '../../../db/queries/record.ts';
import { upsertLiveReply } from '../../../db/queries/live.ts';
import { nowMs } from '../../../server/config.ts';
import { doneByBeingThere } from '../../../server/participant/live-view.ts';
import { formText } from '../../../server/http/form-text.ts';
import { parseOwnDay, personForm, withPersonalLink } from '../../../server/doors/personal-link.ts';
import { loadPersonView } from '../../../server/participant/person-view.ts';
import type { Route } from './+types/live';

/** Whether someone comes to a live session, or that they are there: by the code that the room sees. Being there is a done session. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  const dayText = formText(form, 'day');
  const answer = formText(form, 'answer');
  return withPersonalLink(
    params.token,
    async (db, scope) => {
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
    },
    { day: dayText },
  );
}
