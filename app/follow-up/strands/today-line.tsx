import { useEffect, useState } from 'react';
import { zoneName } from '../../../core/calendar/day-place.ts';
import { plural } from '../../../core/words/words.ts';
import type { TodayLine as Line } from '../../../server/follow-up/today-line.ts';

const STAGES = ['released', 'delivered', 'opened', 'begun', 'logged'] as const;

/** Today's session as it goes around the world: what the server said first, then what it says while it happens. */
export function TodayLine({ first, address }: { first: Line; address: string }) {
  const [told, setTold] = useState<{ readonly line: Line; readonly of: Line }>();
  const [isLive, setLive] = useState(false);
  useEffect(() => {
    const source = new EventSource(address);
    source.onopen = () => setLive(true);
    source.onerror = () => setLive(false);
    source.onmessage = (event: MessageEvent<string>) => setTold({ line: JSON.parse(event.data) as Line, of: first });
    return () => source.close();
  }, [address, first]);
  const line = told?.of === first ? told.line : first;
  if (line.people === 0) return <p className="soft today-none">No session today.</p>;
  const asleep = line.asleep.reduce((n, z) => n + z.people, 0);
  return (
    <section className="today-line" aria-label="Today’s session">
      <ol>
        {STAGES.map((stage) => (
          <li key={stage}>
            <b>{line[stage]}</b> <span>{stage}</span>
            <i aria-hidden="true" style={{ width: `${(100 * line[stage]) / line.people}%` }} />
          </li>
        ))}
      </ol>
      <p className="soft small">
        of {plural(line.people, 'person', 'people')} whose day it is
        {asleep > 0 &&
          ` · ${asleep} still asleep: ${line.asleep.map((z) => `${z.people} in ${zoneName(z.zone)}, opens ${z.opens}`).join('; ')}`}
        {isLive && <span className="today-live"> · live</span>}
      </p>
    </section>
  );
}
