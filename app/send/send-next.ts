import { redirect } from 'react-router';
import { dayKey } from '../../core/calendar/day.ts';
import { listDayPlaces } from '../../db/queries/programme.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { loadCalendars } from '../../server/jobs/release-run.ts';
import { nextGoing } from '../../server/send/send-view.ts';
import type { Route } from './+types/send-next';

/** Send opens on what goes out next; where nothing does, on the last day. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const next = nextGoing(programme, await loadCalendars(db, programme), nowMs(), () => '');
    const places = await listDayPlaces(db, programme.id);
    const place = next ?? places.at(-1) ?? { week: 1, weekday: 1 };
    return redirect(`/programmes/${programme.key}/send/${dayKey(place)}`);
  });
}
