import { cutLetters } from '../../../core/letters.ts';
import { data, Link, redirect } from 'react-router';
import { kitPieces } from '../../../core/movement/kit.ts';
import { localDate } from '../../../core/calendar/release.ts';
import type { PersonProfile } from '../../../db/queries/person.ts';
import { listAbsences } from '../../../db/queries/absence.ts';
import { nowMs, publicUrl } from '../../../server/config.ts';
import { absenceWords, changeMe, changePlace } from '../../../server/participant/me-changes.ts';
import { SaveNote } from '../../parts/save-note.tsx';
import type { MePage } from './me-pages.ts';
import { ME_PAGES, mePath, pageOfPart, readMePage } from './me-pages.ts';
import { MyCalendar, MyDays, MyMessages } from './my-settings.tsx';
import { MyHealth } from './my-health.tsx';
import { MyKit } from './my-kit.tsx';
import { notFound } from '../../../server/doors/coach-scope.ts';
import { formText } from '../../../server/http/form-text.ts';
import { readMeForm } from '../../../server/participant/me-form.ts';
import { personForm, withPersonalLink } from '../../../server/doors/personal-link.ts';
import { loadWorkspaceBook } from '../../../server/write/workspace-book.ts';
import type { Route } from './+types/me';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${ME_PAGES[(loaderData as { page: MePage } | undefined)?.page ?? 'kit'].title} · Ysodos` },
];

export async function loader({ params, request }: Route.LoaderArgs) {
  const page = readMePage(params.page);
  if (!page) return notFound();
  return withPersonalLink(params.token, async (db, { enrolment }) => {
    const { library } = await loadWorkspaceBook(db);
    return {
      page,
      pieces: kitPieces(library.movements),
      ...ownWords(enrolment.profile),
      kept: new URL(request.url).searchParams.get('kept'),
      origin: publicUrl().origin,
      timeZone: enrolment.timeZone,
      isOwn: enrolment.run.rules.calendar === 'own' || enrolment.startsOn !== null,
      weekdays: enrolment.weekdays ?? [],
      today: localDate(nowMs(), enrolment.timeZone),
      absences: (await listAbsences(db, enrolment.enrolmentId)).map((a) => ({
        id: a.id,
        kind: a.kind,
        words: absenceWords(a),
        isMine: a.saidBy === 'person',
      })),
    };
  });
}

/** What somebody has said of themselves, as its forms show it. */
const ownWords = ({ kit, spares, care, careShared, address, contact, calendar }: PersonProfile) => ({
  kit: kit ?? null,
  spares,
  care,
  careShared,
  address,
  contact,
  calendar,
});

export async function action({ params, request }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  const part = formText(form, 'part');
  const page = pageOfPart(part);
  const kept = `${mePath(`/p/${params.token}`, page)}?kept=${encodeURIComponent(part)}`;
  return withPersonalLink(params.token, async (db, scope) => {
    const answer = await changePlace(db, scope, part, form);
    if (answer?.feed !== undefined) return data({ page, errors: {}, values: {}, feed: answer.feed });
    if (answer?.error !== undefined)
      return data({ page, errors: { [part]: answer.error }, values: {}, feed: undefined }, { status: 400 });
    if (answer) return redirect(kept);
    const read = await readMeForm(form, kitPieces((await loadWorkspaceBook(db)).library.movements));
    if (read.status === 'error') {
      const values = Object.fromEntries(
        [...form].flatMap(([k, v]) => (typeof v === 'string' ? [[k, cutLetters(v, 2000)]] : [])),
      );
      return data({ page, errors: read.errors, values, feed: undefined }, { status: 400 });
    }
    await changeMe(db, scope, part, read.change);
    return redirect(kept);
  });
}

/** What a participant says of themselves: four short pages of plain forms. */
export default function Me({ loaderData, actionData, params }: Route.ComponentProps) {
  const { kept } = loaderData;
  const page = actionData?.page ?? loaderData.page;
  const feed = actionData && 'feed' in actionData ? actionData.feed : undefined;
  const errors: Record<string, string> = actionData?.errors ?? {};
  const values: Record<string, string> = actionData?.values ?? {};
  const note = (part: string) =>
    kept === part && !actionData && <SaveNote>Saved. Your sessions follow it from now on.</SaveNote>;
  const base = `/p/${params.token}`;
  return (
    <main className="person me">
      <p className="small">
        <Link to={base}>To today</Link>
      </p>
      <h1>{ME_PAGES[page].title}</h1>
      <nav className="me-pages" aria-label="About me">
        {(Object.keys(ME_PAGES) as MePage[]).map((p) => (
          <Link key={p} to={mePath(base, p)} aria-current={p === page ? 'page' : undefined}>
            {ME_PAGES[p].short}
          </Link>
        ))}
      </nav>
      {page === 'kit' && <MyKit {...loaderData} note={note} />}
      {page === 'health' && <MyHealth {...loaderData} errors={errors} values={values} note={note} />}
      {page === 'messages' && <MyMessages {...loaderData} errors={errors} values={values} note={note} />}
      {page === 'days' && (
        <>
          <MyDays {...loaderData} errors={errors} note={note} />
          <MyCalendar {...loaderData} errors={errors} values={values} note={note} feed={feed} />
        </>
      )}
    </main>
  );
}
