import { Link, useFetcher } from 'react-router';
import type { loader } from './send-people.ts';

/** How far a day has come with each person; loaded when it is opened. */
export function DayPeople({ base, dayKey }: { base: string; dayKey: string }) {
  const fetcher = useFetcher<typeof loader>();
  const people = fetcher.data;
  return (
    <details
      className="day-people"
      onToggle={(event) => {
        if (event.currentTarget.open) void fetcher.load(`${base}/send/${dayKey}/people`);
      }}
    >
      <summary>Person by person</summary>
      {people === undefined ? (
        <p className="soft small">Loading …</p>
      ) : (
        <ul>
          {people.map((p) => (
            <li key={p.enrolmentId} className={isLost(p.message) ? 'needs-you' : undefined}>
              <Link to={`${base}/people?person=${p.enrolmentId}`}>{p.name}</Link>
              <span>{wordsFor(p)}</span>
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}

type Person = NonNullable<ReturnType<typeof useFetcher<typeof loader>>['data']>[number];

const isLost = (state: Person['message']): boolean => state === 'bounced' || state === 'refused' || state === 'gave-up';

/** The furthest that it has come, and what stands in the way. */
function wordsFor(p: Person): string {
  if (p.logged) return 'logged';
  if (p.begun) return 'begun';
  if (p.opened) return 'opened';
  if (isLost(p.message)) return `the message didn’t reach them: ${p.reason}`;
  if (p.message === 'accepted') return 'delivered';
  if (p.message === 'waiting' || p.message === 'sending')
    return `the message waits${p.reason === '' ? '' : `: ${p.reason}`}`;
  return p.releasedAtMs === null ? 'not released yet' : 'released';
}
