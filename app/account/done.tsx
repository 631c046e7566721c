import { Button, Select } from 'antd';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { AUDIT_DAYS } from '../../core/audit.ts';
import { listCoaches } from '../../db/queries/doors/coach.ts';
import type { AuditLine } from '../../server/account/audit-page.ts';
import { AUDIT_GROUPS, loadAudit, readAuditSearch } from '../../server/account/audit-page.ts';
import { withCoach } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { AccountPage } from './account-page.tsx';
import accountCss from './account.css?url';
import type { Route } from './+types/done';

export const meta: Route.MetaFunction = () => [{ title: 'What was done · Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: accountCss }];

const SHOWN = 100;

export async function loader({ request }: Route.LoaderArgs) {
  return withCoach(
    request,
    async (db) => {
      const search = readAuditSearch(new URL(request.url).searchParams);
      const lines = await loadAudit(db, search, { timeZone: coachZone(request), limit: SHOWN + 1 });
      return {
        lines: lines.slice(0, SHOWN),
        older: lines.length > SHOWN ? lines[SHOWN - 1]!.id : null,
        isOlder: search.beforeId !== null,
        groups: Object.entries(AUDIT_GROUPS),
        coaches: (await listCoaches(db)).map((c) => ({ id: c.id, name: c.name })),
      };
    },
    'owner',
  );
}

const byDay = (lines: readonly AuditLine[]): (readonly [string, readonly AuditLine[]])[] => {
  const days = new Map<string, AuditLine[]>();
  for (const line of lines) days.set(line.day, [...(days.get(line.day) ?? []), line]);
  return [...days];
};

export default function Done({ loaderData }: Route.ComponentProps) {
  const { lines, groups, coaches, older, isOlder } = loaderData;
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const to = (changes: Record<string, string | null>) => {
    const next = new URLSearchParams(search);
    for (const [name, value] of Object.entries(changes)) {
      if (value) next.set(name, value);
      else next.delete(name);
    }
    return `?${next}`;
  };
  return (
    <AccountPage title="What was done">
      <p className="soft">
        Who signed in, invited, exported, sent and withdrew, and who read or changed what about a person. Kept for{' '}
        {AUDIT_DAYS} days; nobody can change it.
      </p>
      <div className="done-tools">
        <label>
          What
          <Select
            aria-label="What"
            style={{ width: 190 }}
            value={search.get('what') ?? ''}
            onChange={(what) => void navigate(to({ what, before: null }))}
            options={[{ value: '', label: 'Everything' }, ...groups.map(([value, label]) => ({ value, label }))]}
          />
        </label>
        <label>
          By whom
          <Select
            aria-label="By whom"
            style={{ width: 190 }}
            value={search.get('who') ?? ''}
            onChange={(who) => void navigate(to({ who, before: null }))}
            options={[
              { value: '', label: 'Everybody' },
              ...coaches.map((c) => ({ value: String(c.id), label: c.name })),
            ]}
          />
        </label>
        <Button href={`/account/done.csv${to({ before: null })}`}>Take it out as CSV</Button>
      </div>
      {lines.length === 0 && <p className="empty">Nothing of the kind was noted.</p>}
      {byDay(lines).map(([day, ofDay]) => (
        <section key={day}>
          <h2 className="done-day">{day}</h2>
          <ul className="done-lines">
            {ofDay.map((line) => (
              <li key={line.id} className={line.isWarning ? 'is-warning' : ''}>
                <span className="soft">{line.time}</span>
                <span>
                  <b>{line.who}</b> {line.words}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p>
        {older !== null && <Link to={to({ before: String(older) })}>Older</Link>}{' '}
        {isOlder && <Link to={to({ before: null })}>To the newest</Link>}
      </p>
    </AccountPage>
  );
}
