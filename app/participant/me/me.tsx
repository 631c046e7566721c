import { cutLetters } from '../../../core/letters.ts';
import { data, Form, Link, redirect } from 'react-router';
import { CARE_NOTES } from '../../../core/care.ts';
import { SCREENING_QUESTIONS } from '../../../core/screening.ts';
import { kitPieces, STAND_IN_WORDS } from '../../../core/movement/kit.ts';
import { SPARE_WORDS, SPARES } from '../../../core/movement/spare.ts';
import { localDate } from '../../../core/calendar/release.ts';
import { listAbsences } from '../../../db/queries/absence.ts';
import { nowMs, publicUrl } from '../../../server/config.ts';
import { absenceWords, changeMe, changePlace } from '../../../server/participant/me-changes.ts';
import { SaveNote } from '../../parts/save-note.tsx';
import { MyCalendar, MyDays, MyMessages } from './my-settings.tsx';
import { formText } from '../../../server/http/form-text.ts';
import { readMeForm } from '../../../server/participant/me-form.ts';
import { personForm, withPersonalLink } from '../../../server/doors/personal-link.ts';
import { loadWorkspaceBook } from '../../../server/write/workspace-book.ts';
import type { Route } from './+types/me';

export const meta: Route.MetaFunction = () => [{ title: 'My kit, my messages, and what I avoid · Ysodos' }];

export async function loader({ params, request }: Route.LoaderArgs) {
  return withPersonalLink(params.token, async (db, { enrolment }) => {
    const { library } = await loadWorkspaceBook(db);
    const { kit, spares, care, careShared } = enrolment.profile;
    return {
      pieces: kitPieces(library.movements),
      kit: kit ?? null,
      spares,
      care,
      careShared,
      kept: new URL(request.url).searchParams.get('kept'),
      origin: publicUrl().origin,
      timeZone: enrolment.timeZone,
      address: enrolment.profile.address,
      contact: enrolment.profile.contact,
      calendar: enrolment.profile.calendar,
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

export async function action({ params, request }: Route.ActionArgs) {
  const form = await personForm(request, params.token);
  const part = formText(form, 'part');
  return withPersonalLink(params.token, async (db, scope) => {
    const answer = await changePlace(db, scope, part, form);
    if (answer?.feed !== undefined) return data({ errors: {}, values: {}, feed: answer.feed });
    if (answer?.error !== undefined)
      return data({ errors: { [part]: answer.error }, values: {}, feed: undefined }, { status: 400 });
    if (answer) return redirect(`/p/${params.token}/me?kept=${encodeURIComponent(part)}`);
    const read = await readMeForm(form, kitPieces((await loadWorkspaceBook(db)).library.movements));
    if (read.status === 'error') {
      const values = Object.fromEntries(
        [...form].flatMap(([k, v]) => (typeof v === 'string' ? [[k, cutLetters(v, 2000)]] : [])),
      );
      return data({ errors: read.errors, values, feed: undefined }, { status: 400 });
    }
    await changeMe(db, scope, formText(form, 'part'), read.change);
    return redirect(`/p/${params.token}/me?kept=${encodeURIComponent(formText(form, 'part'))}`);
  });
}

const CARE_WORDS = {
  'not-asked': 'Not answered yet.',
  clear: 'Nothing stands in the way, by your answers.',
  wait: 'Please see a clinician before you start. Your coach sees only “wait”.',
  seen: 'A clinician has been seen.',
} as const;

/** What a participant says of themselves. Plain forms, one a part; each keeps by itself. */
/** Pieces shown at once, those that most movements ask for; the others behind one more tap. */
const MOST_USUAL = 12;

export default function Me({ loaderData, actionData, params }: Route.ComponentProps) {
  const { pieces, kit, spares, care, careShared, kept } = loaderData;
  const feed = actionData && 'feed' in actionData ? actionData.feed : undefined;
  const errors: Record<string, string> = actionData?.errors ?? {};
  const values: Record<string, string> = actionData?.values ?? {};
  const note = (part: string) =>
    kept === part && !actionData && <SaveNote>Saved. Your sessions follow it from now on.</SaveNote>;
  const box = (piece: string) => (
    <label key={piece}>
      <input type="checkbox" name="kit" value={piece} defaultChecked={kit?.includes(piece) ?? false} /> <b>{piece}</b>
      {Object.hasOwn(STAND_IN_WORDS, piece) && <small>{STAND_IN_WORDS[piece]}</small>}
    </label>
  );
  const isUsual = (piece: string, i: number) => i < MOST_USUAL || (kit?.includes(piece) ?? false);
  const usual = pieces.filter(isUsual);
  const rare = pieces.filter((piece, i) => !isUsual(piece, i));
  return (
    <main className="person me">
      <p className="small">
        <Link to={`/p/${params.token}`}>To today</Link>
      </p>
      <h1>My kit, my messages, and what I avoid</h1>
      <Form method="post" preventScrollReset>
        <h2>Kit at hand</h2>
        {note('kit')}
        <input type="hidden" name="part" value="kit" />
        <fieldset>
          <legend className="sr">Kit</legend>
          <label>
            <input type="radio" name="kit-said" value="all" defaultChecked={kit === null} /> I find whatever a session
            asks for
          </label>
          <label>
            <input type="radio" name="kit-said" value="only" defaultChecked={kit !== null} /> I have only this:
          </label>
          <div className="me-kit">{usual.map(box)}</div>
          {rare.length > 0 && (
            <details className="me-kit-more">
              <summary>Other kit</summary>
              <div className="me-kit">{rare.map(box)}</div>
            </details>
          )}
        </fieldset>
        <button className="quiet-button" type="submit">
          Save my kit
        </button>
      </Form>
      <Form method="post" preventScrollReset>
        <h2>What I avoid</h2>
        {note('spares')}
        <input type="hidden" name="part" value="spares" />
        <p className="soft small">
          Each session then shows you another shape, and says why. Pain that stays or grows belongs to a clinician.
        </p>
        <fieldset className="me-spares">
          <legend className="sr">What to avoid</legend>
          {SPARES.map((s) => (
            <label key={s}>
              <input type="checkbox" name="spare" value={s} defaultChecked={spares.includes(s)} /> {SPARE_WORDS[s]}
            </label>
          ))}
        </fieldset>
        <button className="quiet-button" type="submit">
          Save what I avoid
        </button>
      </Form>
      <Form method="post" preventScrollReset>
        <h2>Before you start</h2>
        {note('care')}
        <p className={care === 'wait' ? 'notice bad' : 'soft'}>{CARE_WORDS[care]}</p>
        <input type="hidden" name="part" value="care" />
        <p>Do you have, or have you had:</p>
        {errors.care && (
          <p className="field-error" role="alert">
            {errors.care}
          </p>
        )}
        {SCREENING_QUESTIONS.map((question, i) => (
          <fieldset key={question} className="me-question">
            <legend>{question}?</legend>
            <label>
              <input type="radio" name={`care-${i}`} value="no" defaultChecked={values[`care-${i}`] === 'no'} /> no
            </label>
            <label>
              <input type="radio" name={`care-${i}`} value="yes" defaultChecked={values[`care-${i}`] === 'yes'} /> yes
            </label>
          </fieldset>
        ))}
        <label className="me-seen">
          <input type="checkbox" name="seen" value="yes" defaultChecked={values.seen === 'yes'} /> A clinician knows of
          it and says I may take part
        </label>
        <label className="remark-label" htmlFor="shared">
          What your coach may know of it (you need not say anything)
        </label>
        <textarea id="shared" name="shared" rows={2} maxLength={500} defaultValue={values.shared ?? careShared} />
        {errors.shared && <p className="field-error">{errors.shared}</p>}
        <p className="soft small">
          The answers themselves are not kept, only what follows from them. {CARE_NOTES.stop}
        </p>
        <button className="quiet-button" type="submit">
          Save this
        </button>
      </Form>
      <MyMessages {...loaderData} errors={errors} values={values} note={note} />
      <MyDays {...loaderData} errors={errors} note={note} />
      <MyCalendar {...loaderData} errors={errors} values={values} note={note} feed={feed} />
      {(care !== 'not-asked' || spares.length > 0 || careShared !== '') && (
        <Form method="post">
          <input type="hidden" name="part" value="forget" />
          {note('forget')}
          <details className="me-forget">
            <summary>Forget what I said about my health …</summary>
            <p className="soft small">
              What you avoid, your answers’ outcome and what your coach may know are gone then.
            </p>
            <button className="quiet-button" type="submit">
              Yes, forget it
            </button>
          </details>
        </Form>
      )}
    </main>
  );
}
