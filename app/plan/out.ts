import { writeBundle, zipBundle } from '../../core/exchange/programme-bundle.ts';
import { formatProgramme } from '../../core/exchange/writing/write-programme.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { costlyByCoach, countRead } from '../../server/http/limits/costly-reads.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import type { Route } from './+types/out';

/** A file's name from a title: letters, digits and dashes. */
const fileName = (title: string) =>
  title
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'programme';

/** The whole programme as one JSON document (`?as=json`), or as a zip of readable texts (`?as=texts`). */
export async function loader({ request, params }: Route.LoaderArgs) {
  return costlyByCoach(request, () =>
    withProgramme(request, params.programmeId, async (db, { programme, coach }) => {
      await countRead(db, { kind: 'coach', id: coach.coachId, workspaceId: coach.workspaceId });
      const plan = (await getPlan(db, programme)).programme;
      const asTexts = new URL(request.url).searchParams.get('as') === 'texts';
      const name = `${fileName(plan.title)}.${asTexts ? 'zip' : 'json'}`;
      return new Response(asTexts ? (zipBundle(writeBundle(plan)) as BodyInit) : formatProgramme(plan), {
        headers: {
          'content-type': asTexts ? 'application/zip' : 'application/json; charset=utf-8',
          'content-disposition': `attachment; filename="${name}"`,
          'cache-control': 'no-store',
        },
      });
    }),
  );
}
