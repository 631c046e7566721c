import { Input, Segmented } from 'antd';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { dayKey, dayName, formatDay, parseDayKey, placeOfDate } from '../../../core/calendar/day.ts';
import { groupBy } from '../../../core/group-by.ts';
import { localDate, localTime } from '../../../core/calendar/release.ts';
import { buildStrands } from '../../../core/record/build-strand.ts';
import { OUTCOME_WORDS } from '../../../core/record/record.ts';
import { formatScore } from '../../../core/record/score.ts';
import { blockName } from '../../../core/session/explain.ts';
import { listParticipants } from '../../../db/queries/person.ts';
import { listDayPlaces } from '../../../db/queries/programme.ts';
import { listRecords, listSentDays } from '../../../db/queries/record.ts';
import { withProgramme } from '../../../server/coach-scope.ts';
import { coachToday } from '../../../server/coach-zone.ts';
import { nowMs } from '../../../server/config.ts';
import { Bead, STATE_WORDS } from '../../charts/bead.tsx';
import { StrandRow, strandPct } from '../../charts/strand-row.tsx';
import type { Route } from './+types/follow-up';

export const meta: Route.MetaFunction = () => [{ title: 'Follow up · Ysodos' }];

const SORTS = ['name', 'attendance', 'today'] as const;
type Sort = (typeof SORTS)[number];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const people = await listParticipants(db, programme.runId);
    const places = await listDayPlaces(db, programme.id);
    const sentDays = await listSentDays(db, programme.runId);
    const records = await listRecords(db, programme.runId);
    const sent = new Set(sentDays.map((d) => d.dayId));
    const days = places.map((p) => ({ ...p, sent: sent.has(p.dayId) }));
    const byPerson = groupBy(records, (r) => r.enrolmentId);
    const own = people.map((p) => new Map((byPerson.get(p.enrolmentId) ?? []).map((r) => [r.dayId, r])));
    const now = nowMs();
    const strands = buildStrands(
      programme,
      days,
      people.map((p, i) => ({ ...p, records: own[i]! })),
      now,
    );
    const search = new URL(request.url).searchParams;
    const today = coachToday(request);
    const place = placeOfDate(programme.startsOn, today);
    const chosenDay = parseDayKey(search.get('day') ?? '');
    const chosenId = Number(search.get('person') ?? 0);
    const at = people.findIndex((p) => p.enrolmentId === chosenId);
    const record =
      at >= 0 && chosenDay
        ? (byPerson.get(chosenId) ?? []).find((r) =>
            places.some((p) => p.dayId === r.dayId && p.week === chosenDay.week && p.weekday === chosenDay.weekday),
          )
        : undefined;
    const version = record && sentDays.find((d) => d.dayId === record.dayId);
    const todays = strands.flatMap((s) =>
      s.beads.filter((b) => b.date === s.today && b.state !== 'unsent' && b.state !== 'before'),
    );
    return {
      weeks: programme.weeks,
      today: place && place.week <= programme.weeks ? place : null,
      todayWords: formatDay(today),
      counts: {
        open: todays.filter((b) => b.state !== 'ahead').length,
        logged: todays.filter((b) => ['done', 'part', 'not-done'].includes(b.state)).length,
        ahead: todays.filter((b) => b.state === 'ahead').length,
      },
      rows: people.map((p, i) => ({
        enrolmentId: p.enrolmentId,
        name: p.name,
        detail: p.detail,
        joinedOn: p.joinedOn,
        today: strands[i]!.today,
        beads: strands[i]!.beads,
        attendance: strands[i]!.attendance,
      })),
      record:
        record && version
          ? {
              ...record,
              loggedWords: `${formatDay(localDate(record.loggedAtMs, people[at]!.timeZone))}, ${localTime(record.loggedAtMs, people[at]!.timeZone)} their time`,
              scoreWords: record.scores.map(
                (s) =>
                  `${blockName(version.document.blocks[s.block] ?? { role: 'Main' })}: ${formatScore(s)}${record.fit.some((c) => c.isScored && c.block === s.block) ? ' (in another shape)' : ''}`,
              ),
              title: version.document.title ?? 'Session',
            }
          : null,
    };
  });
}

export default function FollowUp({ loaderData }: Route.ComponentProps) {
  const { rows, weeks, today, todayWords, counts, record } = loaderData;
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const sort = SORTS.find((s) => s === search.get('sort')) ?? 'name';
  const wanted = (search.get('q') ?? '').trim().toLowerCase();
  const shown = sortRows(
    rows.filter((r) => `${r.name} ${r.detail}`.toLowerCase().includes(wanted)),
    sort,
  );
  const chosen = rows.find((r) => r.enrolmentId === Number(search.get('person')));
  const chosenDay = chosen?.beads.find((b) => dayKey(b) === search.get('day'));
  const linkTo = (changes: Record<string, string | null>) => {
    const next = new URLSearchParams(search);
    for (const [key, value] of Object.entries(changes)) {
      if (value === null || value === '') next.delete(key);
      else next.set(key, value);
    }
    return `?${next.toString()}`;
  };
  if (rows.length === 0)
    return (
      <div className="no-session">
        <h1>Follow up</h1>
        <p className="soft">Nobody is in this programme yet.</p>
        <Link className="button-main" to="../people">
          Add people
        </Link>
      </div>
    );
  return (
    <div className="follow-up">
      <div className="page-title">
        <h1>{todayWords}</h1>
        <p>
          {counts.open + counts.ahead === 0 ? (
            <span className="soft">no session today</span>
          ) : (
            <>
              <b>{counts.open}</b> open · <b>{counts.logged}</b> logged
              {counts.ahead > 0 && (
                <>
                  {' '}
                  · <b>{counts.ahead}</b> not yet morning
                </>
              )}
            </>
          )}
        </p>
        <div className="follow-tools">
          <Input
            allowClear
            placeholder="Find a person"
            aria-label="Find a person"
            defaultValue={search.get('q') ?? ''}
            onChange={(e) =>
              setSearch(
                (s) => {
                  const n = new URLSearchParams(s);
                  if (e.target.value) n.set('q', e.target.value);
                  else n.delete('q');
                  return n;
                },
                { replace: true, preventScrollReset: true },
              )
            }
          />
          <Segmented
            value={sort}
            aria-label="Sort by"
            onChange={(value) =>
              void navigate(linkTo({ sort: value === 'name' ? null : String(value) }), { preventScrollReset: true })
            }
            options={[
              { value: 'name', label: 'name' },
              { value: 'attendance', label: 'least kept' },
              { value: 'today', label: 'not logged today' },
            ]}
          />
        </div>
      </div>
      <div className="follow-columns">
        <div className="follow-grid">
          <div className="follow-row follow-head">
            <span className="soft small">
              {shown.length === rows.length ? `${rows.length} people` : `${shown.length} of ${rows.length} people`}
            </span>
            <svg width="100%" height="16" aria-hidden="true">
              {Array.from(
                { length: weeks },
                (_, w) =>
                  (weeks <= 16 || w % 4 === 0) && (
                    <text
                      key={w}
                      className={today?.week === w + 1 ? 'is-now' : ''}
                      x={`${strandPct(w + 1, 1, weeks)}%`}
                      dx="-4"
                      y="12"
                    >
                      {weeks <= 16 ? `week ${w + 1}` : w + 1}
                    </text>
                  ),
              )}
            </svg>
            <span className="soft small right">attendance</span>
          </div>
          {shown.map((row) => (
            <div className={`follow-row${row === chosen ? ' is-chosen' : ''}`} key={row.enrolmentId}>
              <Link
                className="follow-name"
                to={linkTo({ person: String(row.enrolmentId), day: null })}
                preventScrollReset
              >
                <b>{row.name}</b> <span className="soft small">{row.detail}</span>
              </Link>
              <StrandRow
                beads={row.beads}
                weeks={weeks}
                today={today}
                selected={row === chosen ? (chosenDay?.dayId ?? null) : null}
                label={`${row.name}: ${row.attendance.kept} of ${row.attendance.due} kept`}
                onPick={(bead) =>
                  void navigate(linkTo({ person: String(row.enrolmentId), day: dayKey(bead) }), {
                    preventScrollReset: true,
                  })
                }
              />
              <span className="right">
                {row.attendance.ratio === undefined ? (
                  <span className="soft small">nothing due yet</span>
                ) : (
                  <>
                    <b>{Math.round(row.attendance.ratio * 100)} %</b>{' '}
                    <span className="soft small">
                      {row.attendance.kept}/{row.attendance.due}
                    </span>
                  </>
                )}
              </span>
            </div>
          ))}
          {shown.length === 0 && <p className="empty">Nobody is called that here.</p>}
        </div>
        <aside className="follow-side">
          {chosen ? (
            <section className="follow-panel" aria-label={chosen.name}>
              <Link
                className="follow-close"
                to={linkTo({ person: null, day: null })}
                preventScrollReset
                aria-label="Close"
              >
                ×
              </Link>
              <h2>{chosen.name}</h2>
              <p className="soft">{chosen.detail}</p>
              {chosenDay && (
                <div className="follow-record">
                  <h3>{dayName(chosenDay)}</h3>
                  {record ? (
                    <>
                      <p>
                        {record.title}, version {record.versionNumber}
                      </p>
                      <p>
                        <b>{OUTCOME_WORDS[record.outcome]}</b>
                        {record.outcome === 'part' && `, about ${Math.round(record.shareRatio * 100)} %`}
                        {record.effort !== null && `, effort ${record.effort} of 10`}
                      </p>
                      {record.scoreWords.map((s) => (
                        <p key={s}>{s}</p>
                      ))}
                      {record.fit.length > 0 && (
                        <p className="small">
                          <span className="soft">In their shape:</span>{' '}
                          {record.fit.map((c) => `${c.to} instead of ${c.from}`).join(', ')}
                        </p>
                      )}
                      {record.remark && <blockquote>{record.remark}</blockquote>}
                      <p className="soft small">logged {record.loggedWords}</p>
                    </>
                  ) : (
                    <p>{STATE_WORDS[chosenDay.state]}.</p>
                  )}
                </div>
              )}
              <h3>All days</h3>
              <ul className="follow-days">
                {chosen.beads
                  .filter((b) => b.state !== 'before' && b.state !== 'unsent' && b.state !== 'ahead')
                  .map((b) => (
                    <li key={b.dayId}>
                      <Link
                        to={linkTo({ day: dayKey(b) })}
                        preventScrollReset
                        {...(b === chosenDay && { 'aria-current': true })}
                      >
                        {dayName(b)}
                      </Link>{' '}
                      <span className="soft">{STATE_WORDS[b.state]}</span>
                    </li>
                  ))}
              </ul>
            </section>
          ) : (
            <section className="follow-key" aria-label="What the marks mean">
              {(['done', 'part', 'due', 'missed', 'not-done', 'ahead'] as const).map((state) => (
                <p key={state} className="small soft">
                  <svg viewBox="0 0 18 18" width="18" height="18" aria-hidden="true">
                    <Bead x={9} y={9} state={state} />
                  </svg>{' '}
                  {STATE_WORDS[state]}
                </p>
              ))}
              <p className="small soft">
                Attendance is what was kept over what was due: parts count by their share, today once it is logged, days
                before joining not at all.
              </p>
            </section>
          )}
        </aside>
      </div>
    </div>
  );
}

type Row = Route.ComponentProps['loaderData']['rows'][number];

function sortRows(rows: readonly Row[], sort: Sort): Row[] {
  const byName = (a: Row, b: Row) => a.name.localeCompare(b.name, 'en');
  const notLogged = (r: Row) => (r.beads.some((b) => b.state === 'due') ? 0 : 1);
  switch (sort) {
    case 'name':
      return rows.toSorted(byName);
    case 'attendance':
      return rows.toSorted((a, b) => (a.attendance.ratio ?? 2) - (b.attendance.ratio ?? 2) || byName(a, b));
    case 'today':
      return rows.toSorted((a, b) => notLogged(a) - notLogged(b) || byName(a, b));
  }
}
