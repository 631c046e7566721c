import { Form } from 'react-router';
import { CARE_NOTES } from '../../../core/care.ts';
import { SPARE_WORDS, SPARES } from '../../../core/movement/spare.ts';
import { SCREENING_QUESTIONS } from '../../../core/screening.ts';
import type { PersonProfile } from '../../../db/queries/person.ts';
import type { Note } from './me-pages.ts';

const CARE_WORDS = {
  'not-asked': 'Not answered yet.',
  clear: 'Nothing stands in the way, by your answers.',
  wait: 'Please see a clinician before you start. Your coach sees only “wait”.',
  seen: 'A clinician has been seen.',
} as const;

interface MyHealthProps extends Pick<PersonProfile, 'spares' | 'care' | 'careShared'> {
  readonly errors: Record<string, string>;
  readonly values: Record<string, string>;
  readonly note: Note;
}

/** What somebody avoids, the questions before starting, and how all of it is forgotten. */
export function MyHealth({ spares, care, careShared, errors, values, note }: MyHealthProps) {
  return (
    <>
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
    </>
  );
}
