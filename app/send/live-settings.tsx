import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { plural } from '../../core/words/words.ts';
import { DayField, HourField } from '../parts/fields/day-field.tsx';

interface LiveValues {
  readonly date: string;
  readonly time: string;
  readonly words: string;
  readonly minutes: number;
  readonly place: string;
  readonly limit: number | null;
  readonly code: string | null;
  readonly going: number;
  readonly came: number;
}

/** When and where a day is live, who comes, and the code for the room. */
export function LiveSettings({
  live,
  zone,
  programmeId,
  dayKey,
  onSave,
}: {
  live: LiveValues | null;
  zone: string;
  programmeId: string;
  dayKey: string;
  onSave: (fields: Record<string, string>) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  return (
    <section className="send-live" aria-label="Live">
      <h2>Live</h2>
      {live ? (
        <p>
          <b>{live.words}</b> your time, {live.minutes} min{live.place !== '' && `, ${live.place}`}.{' '}
          {live.limit === null
            ? `${live.going} said yes`
            : `${live.going} of ${plural(live.limit, 'place', 'places')} taken`}
          {live.came > 0 && `, ${live.came} came`}. Code for the room: <b className="live-code">{live.code}</b>.{' '}
          <Link to={`/programmes/${programmeId}/people?live=${dayKey}`}>Tick by name</Link>
        </p>
      ) : (
        <p className="soft">Everybody does it at their own hour.</p>
      )}
      <Button type="link" size="small" className="link" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {live ? 'Change it' : 'Make it a live session'}
      </Button>
      {isOpen && (
        <form
          className="live-form"
          onSubmit={(event) => {
            event.preventDefault();
            const form = new FormData(event.currentTarget);
            setOpen(false);
            onSave({
              intent: 'live',
              isLive: 'yes',
              timeZone: zone,
              ...Object.fromEntries(
                ['date', 'time', 'minutes', 'place', 'limit'].map((n) => {
                  const value = form.get(n);
                  return [n, typeof value === 'string' ? value : ''];
                }),
              ),
            });
          }}
        >
          <label>
            Date
            <DayField name="date" defaultValue={live?.date ?? ''} required />
          </label>
          <label>
            Hour, in {zone}
            <HourField name="time" defaultValue={live?.time ?? '18:00'} />
          </label>
          <label>
            Minutes
            <Input type="number" name="minutes" min={5} max={600} defaultValue={live?.minutes ?? 60} />
          </label>
          <label>
            Place or link
            <Input name="place" maxLength={300} defaultValue={live?.place} placeholder="https://… or Hall 2" />
          </label>
          <label>
            Places, if they are limited
            <Input type="number" name="limit" min={1} max={20000} defaultValue={live?.limit ?? ''} />
          </label>
          <Button htmlType="submit">Save</Button>
          {live && (
            <Button
              type="text"
              size="small"
              className="tool"
              onClick={() => {
                setOpen(false);
                onSave({ intent: 'live', isLive: 'no' });
              }}
            >
              not live after all
            </Button>
          )}
        </form>
      )}
    </section>
  );
}
