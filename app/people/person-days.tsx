import { Button } from 'antd';
import { Form } from 'react-router';
import { plural } from '../../core/words/words.ts';
import type { PanelPerson } from '../../server/people/panel-person.ts';
import { Choice } from '../parts/fields/choice.tsx';
import { DayField } from '../parts/fields/day-field.tsx';

/** When someone's days are: away, back, with a lighter way in, gone. */
export function PersonDays({ person, error }: { person: PanelPerson; error: string | undefined }) {
  const { enrolmentId, absences, ownStart, hasLeft, backAfter, easedUntil, today } = person;
  const hidden = <input type="hidden" name="enrolmentId" value={enrolmentId} />;
  return (
    <section className="person-days" aria-label="Their days">
      {ownStart !== null && <p className="soft small">Their own day 1: {ownStart}.</p>}
      {hasLeft && <p className="plan-off">Has left. What they did stays.</p>}
      {backAfter !== null && (
        <Form method="post" preventScrollReset className="notice">
          {hidden}
          <p>
            Back after {plural(backAfter, 'day')} away. A week of easier shapes, a class below what they do, would be a
            way in.
          </p>
          <Button htmlType="submit" name="intent" value="ease">
            Make the first week easier
          </Button>{' '}
          <Button type="text" size="small" htmlType="submit" className="tool" name="intent" value="no-ease">
            as before
          </Button>
        </Form>
      )}
      {easedUntil !== null && (
        <Form method="post" preventScrollReset>
          {hidden}
          <p className="small">
            Easier until {easedUntil}.{' '}
            <Button type="text" size="small" htmlType="submit" className="tool" name="intent" value="no-ease">
              end it
            </Button>
          </p>
        </Form>
      )}
      {absences.length > 0 && (
        <ul>
          {absences.map((a) => (
            <li key={a.id}>
              <Form method="post" preventScrollReset>
                {hidden}
                <input type="hidden" name="absence" value={a.id} />
                {a.kind === 'pause' ? 'Pause' : 'Excused'}: {a.words}{' '}
                <Button type="text" size="small" htmlType="submit" className="tool" name="intent" value="not-away">
                  take it away
                </Button>
              </Form>
            </li>
          ))}
        </ul>
      )}
      {error && (
        <p className="field-error" role="alert">
          {error}
        </p>
      )}
      <details>
        <summary>Away, or gone …</summary>
        <Form method="post" preventScrollReset className="person-away">
          {hidden}
          <input type="hidden" name="intent" value="away" />
          <label>
            From
            <DayField name="from" defaultValue={today} required />
          </label>
          <label>
            to (left empty: until further notice)
            <DayField name="to" defaultValue="" />
          </label>
          <label>
            As
            <Choice
              name="kind"
              defaultValue="pause"
              options={[
                { value: 'pause', words: 'a pause' },
                { value: 'excused', words: 'excused' },
              ]}
            />
          </label>
          <Button htmlType="submit">Save</Button>
        </Form>
        <Form method="post" preventScrollReset>
          {hidden}
          <Button
            type="text"
            size="small"
            htmlType="submit"
            className="tool"
            name="intent"
            value={hasLeft ? 'not-left' : 'left'}
          >
            {hasLeft ? 'back in the run' : 'has left the run'}
          </Button>
        </Form>
      </details>
    </section>
  );
}
