import type { AwayView, LateDayView } from '../../server/send/load-send.ts';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { Link, useFetcher } from 'react-router';
import { plural } from '../../core/words/words.ts';

const AWAY_WORDS: Record<AwayView['what'], string> = {
  work: 'No worker was running',
  serve: 'No page could be opened',
  mail: 'The mail server took no messages',
};

/** What did not go out, since when and why, and what is to become of it. */
export function LateDays({
  base,
  late,
  away,
  shifts,
}: {
  base: string;
  late: readonly LateDayView[];
  away: readonly AwayView[];
  shifts: readonly { readonly id: number; readonly words: string }[];
}) {
  const fetcher = useFetcher<{ error: string; told: string }>();
  const busy = fetcher.state !== 'idle';
  const answer = busy ? undefined : fetcher.data;
  const act = (fields: Record<string, string>) =>
    void fetcher.submit(fields, { method: 'post', action: `${base}/send-choices` });
  if (late.length === 0 && away.length === 0 && shifts.length === 0 && !answer) return null;
  return (
    <section className="late-days" aria-label="What did not go out">
      {away.map((a) => (
        <p key={a.what + a.words} className="late-away">
          {AWAY_WORDS[a.what]} {a.words}.
        </p>
      ))}
      {answer && (
        <p role={answer.error ? 'alert' : 'status'} className={answer.error ? 'plan-off' : 'soft'}>
          {answer.error || answer.told}
        </p>
      )}
      {late.map((day) => (
        <LateDayRow key={day.key} base={base} day={day} busy={busy} act={act} />
      ))}
      {shifts.map((s) => (
        <p key={s.id} className="soft small">
          {s.words}{' '}
          <Button
            type="link"
            size="small"
            className="link"
            disabled={busy}
            onClick={() => act({ intent: 'move-back', shift: String(s.id) })}
          >
            Take it back
          </Button>
        </p>
      ))}
    </section>
  );
}

function LateDayRow({
  base,
  day,
  busy,
  act,
}: {
  base: string;
  day: LateDayView;
  busy: boolean;
  act: (fields: Record<string, string>) => void;
}) {
  const [zone, setZone] = useState('');
  const people = zone === '' ? day.people : (day.zones.find((z) => z.timeZone === zone)?.people ?? 0);
  const choose = (intent: string) => act({ intent, day: day.key, zone });
  return (
    <div className="late-day">
      <p>
        <Link to={`${base}/send/${day.key}`}>{day.title}</Link>, {day.words}, did not go out to{' '}
        <b>{plural(day.people, 'person', 'people')}</b> before their day was over. Nobody is said to have missed it.
      </p>
      <div className="late-choices">
        {day.zones.length > 1 && (
          <Select
            size="small"
            aria-label={`For whom: ${day.title}`}
            value={zone}
            onChange={setZone}
            options={[
              { value: '', label: `all ${day.people}` },
              ...day.zones.map((z) => ({ value: z.timeZone, label: `${z.name}, ${z.people}` })),
            ]}
          />
        )}
        <Button size="small" disabled={busy} onClick={() => choose('late-send')}>
          Send it to {people} now
        </Button>
        <Button size="small" disabled={busy} onClick={() => choose('late-leave')}>
          Leave it out
        </Button>
        <Button size="small" disabled={busy} onClick={() => choose('move-on')}>
          Move the plan on a week from here
        </Button>
      </div>
    </div>
  );
}
