import { data } from 'react-router';
import { parseDayKey } from '../../core/calendar/day.ts';
import { coachForm, withProgramme } from '../../server/doors/coach-scope.ts';
import { formLines } from '../../server/http/form-text.ts';
import { markReady } from '../../server/plan/mark-ready.ts';
import { decideSend, runsOfPlan } from '../../server/send/send-decision.ts';
import type { Route } from './+types/ready';

/** Marks several days ready in one press: a week, a track, all that was read. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const places = formLines(form, 'days')
    .split(' ')
    .flatMap((key) => parseDayKey(key) ?? []);
  return withProgramme(request, params.programmeId, async (db, { coach, programme }) =>
    decideSend(db, { ...coach, runIds: await runsOfPlan(db, programme) }, form, async () =>
      data({ told: await markReady(db, programme, places) }),
    ),
  );
}
