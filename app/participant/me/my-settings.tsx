import { Form } from 'react-router';
import { WEEKDAYS } from '../../../core/calendar/day-place.ts';
import type { OwnCalendar } from '../../../core/calendar/own-calendar.ts';
import { ALARMS_MIN } from '../../../core/calendar/own-calendar.ts';
import type { Contact } from '../../../db/queries/person.ts';
import type { Note } from './me-pages.ts';
import { useZones } from '../../parts/use-zones.ts';

const STATE_WORDS: Record<Contact['addressState'], string> = {
  given: '',
  asked: 'It isn’t confirmed yet: look for our message there.',
  confirmed: '',
  bounced: 'Our last message to it came back. Is it right?',
  stopped: 'You asked for no more messages. Save it to have them again.',
};

/** By what, where and when messages come. */
export function MyMessages({
  timeZone,
  address,
  contact,
  errors,
  values,
  note,
}: {
  timeZone: string;
  address: string;
  contact: Contact;
  errors: Record<string, string>;
  values: Record<string, string>;
  note: Note;
}) {
  const zones = useZones();
  const { channel, quiet, wantsRestDays, reminderAt, addressState } = contact;
  const chosen = values.channel ?? (addressState === 'stopped' ? 'none' : channel);
  const isEmail = address.includes('@');
  const error = (name: string) =>
    errors[name] && (
      <p className="field-error" role="alert">
        {errors[name]}
      </p>
    );
  return (
    <Form method="post" preventScrollReset noValidate>
      {note('messages')}
      <input type="hidden" name="part" value="messages" />
      {STATE_WORDS[addressState] !== '' && <p className="notice">{STATE_WORDS[addressState]}</p>}
      <fieldset>
        <legend>Each session’s message comes</legend>
        <label>
          <input type="radio" name="channel" value="email" defaultChecked={chosen === 'email'} /> by e-mail to
        </label>
        <input
          name="email"
          type="email"
          aria-label="E-mail"
          maxLength={120}
          defaultValue={values.email ?? (isEmail ? address : '')}
        />
        {error('email')}
        <label>
          <input type="radio" name="channel" value="text" defaultChecked={chosen === 'text'} /> by a short text to
        </label>
        <input
          name="phone"
          type="tel"
          aria-label="Number"
          maxLength={30}
          defaultValue={values.phone ?? (isEmail ? '' : address)}
        />
        {error('phone')}
        <label>
          <input type="radio" name="channel" value="none" defaultChecked={chosen === 'none'} /> not at all
        </label>
      </fieldset>
      <label className="join-field">
        My time zone
        <input name="timeZone" list="my-zones" defaultValue={values.timeZone ?? timeZone} />
      </label>
      <datalist id="my-zones">
        {zones.map((z) => (
          <option key={z} value={z} />
        ))}
      </datalist>
      {error('timeZone')}
      <p className="me-hours">
        <label>
          Quiet from <input type="time" name="quietFrom" defaultValue={values.quietFrom ?? quiet?.from ?? ''} />
        </label>
        <label>
          to <input type="time" name="quietTo" defaultValue={values.quietTo ?? quiet?.to ?? ''} />
        </label>
      </p>
      {error('quiet')}
      <p className="me-hours">
        <label>
          Remind me in the evening, at{' '}
          <input type="time" name="reminderAt" defaultValue={values.reminderAt ?? reminderAt ?? ''} />
        </label>
      </p>
      {error('reminderAt')}
      <label className="me-seen">
        <input type="checkbox" name="restDays" value="yes" defaultChecked={wantsRestDays} /> A word on rest days too
      </label>
      <button className="quiet-button" type="submit">
        Save my messages
      </button>
    </Form>
  );
}

/** When days are mine: pauses, excused days, weekdays. */
export function MyDays({
  today,
  absences,
  isOwn,
  weekdays,
  errors,
  note,
}: {
  today: string;
  absences: readonly {
    readonly id: number;
    readonly kind: 'pause' | 'excused';
    readonly words: string;
    readonly isMine: boolean;
  }[];
  isOwn: boolean;
  weekdays: readonly number[];
  errors: Record<string, string>;
  note: Note;
}) {
  const isPaused = absences.some((a) => a.kind === 'pause');
  return (
    <>
      <section>
        <h2>Away</h2>
        {['pause', 'back', 'absence-off'].map((part) => (
          <div key={part}>{note(part)}</div>
        ))}
        {absences.length > 0 && (
          <ul className="me-absences">
            {absences.map((a) => (
              <li key={a.id}>
                {a.kind === 'pause' ? 'Pause' : 'Excused'}: {a.words}
                {a.isMine && (
                  <Form method="post" preventScrollReset>
                    <input type="hidden" name="part" value="absence-off" />
                    <button type="submit" className="quiet-button" name="absence" value={a.id}>
                      Take it back
                    </button>
                  </Form>
                )}
              </li>
            ))}
          </ul>
        )}
        <Form method="post" preventScrollReset noValidate>
          <input type="hidden" name="part" value="pause" />
          <p className="soft small">
            On tour, unwell, a day off: nothing is expected of you then, and no message comes. Leave the end open if you
            don’t know it.
          </p>
          <p className="me-hours">
            <label>
              From <input type="date" name="from" defaultValue={today} min={today} />
            </label>
            <label>
              to <input type="date" name="to" min={today} />
            </label>
          </p>
          {errors.pause && (
            <p className="field-error" role="alert">
              {errors.pause}
            </p>
          )}
          <button className="quiet-button" type="submit">
            I am away then
          </button>
        </Form>
        {isPaused && (
          <Form method="post" preventScrollReset>
            <input type="hidden" name="part" value="back" />
            <button className="quiet-button" type="submit">
              I am back
            </button>
          </Form>
        )}
      </section>
      {isOwn && (
        <Form method="post" preventScrollReset>
          <h2>My weekdays</h2>
          {note('weekdays')}
          <input type="hidden" name="part" value="weekdays" />
          <fieldset className="join-days">
            <legend className="sr">Weekdays</legend>
            {WEEKDAYS.map((day, i) => (
              <label key={day}>
                <input type="checkbox" name="weekday" value={i + 1} defaultChecked={weekdays.includes(i + 1)} />{' '}
                {day.slice(0, 3)}
              </label>
            ))}
          </fieldset>
          <p className="soft small">None: the days as they are planned.</p>
          <button className="quiet-button" type="submit">
            Save my weekdays
          </button>
        </Form>
      )}
    </>
  );
}

const ALARM_WORDS: Readonly<Record<(typeof ALARMS_MIN)[number], string>> = {
  0: 'remind me at that time',
  10: 'remind me 10 minutes before',
  30: 'remind me half an hour before',
  60: 'remind me an hour before',
};

/** Sessions in one's own calendar program: its address, the hour they stand at there, whether that rings. */
export function MyCalendar({
  calendar,
  origin,
  errors,
  values,
  note,
  feed,
}: {
  calendar: OwnCalendar;
  origin: string;
  errors: Record<string, string>;
  values: Record<string, string>;
  note: Note;
  feed: string | undefined;
}) {
  return (
    <section>
      <h2>My calendar</h2>
      {note('calendar-off')}
      {feed !== undefined ? (
        <p className="notice" role="status">
          Give this to your calendar as a subscription; it is shown this once, and opens nothing else:{' '}
          <code className="me-feed">
            {origin}
            {feed}
          </code>
        </p>
      ) : (
        <p className="soft small">
          Your sessions in your own calendar program. An address made before ends with a new one.
        </p>
      )}
      <Form method="post" preventScrollReset className="me-hours">
        <button className="quiet-button" type="submit" name="part" value="calendar">
          Make an address for it
        </button>
        <button className="quiet-button" type="submit" name="part" value="calendar-off">
          Take it away
        </button>
      </Form>
      <Form method="post" preventScrollReset noValidate>
        {note('calendar-hour')}
        <input type="hidden" name="part" value="calendar-hour" />
        <p className="me-hours">
          <label>
            In my calendar at{' '}
            <input type="time" name="calendarAt" defaultValue={values.calendarAt ?? calendar.at ?? ''} />
          </label>
          <label>
            <span className="sr">Reminder</span>
            <select name="alarm" defaultValue={values.alarm ?? calendar.alarmMin ?? ''}>
              <option value="">don’t remind me</option>
              {ALARMS_MIN.map((min) => (
                <option key={min} value={min}>
                  {ALARM_WORDS[min]}
                </option>
              ))}
            </select>
          </label>
        </p>
        {errors.calendarAt && (
          <p className="field-error" role="alert">
            {errors.calendarAt}
          </p>
        )}
        <p className="soft small">
          Without an hour they stand where they open, and others don’t see you as busy; with one you are, and never
          before they open. A live session stands at its own time.
        </p>
        <button className="quiet-button" type="submit">
          Save my hour
        </button>
      </Form>
    </section>
  );
}
