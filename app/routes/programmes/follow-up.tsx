import { sessionTitle } from '../../../core/session/session-title.ts';
import { Input, Segmented } from 'antd';
import { memo, useMemo, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { DayDate } from '../../../core/calendar/day.ts';
import {
  dateOfDay,
  dayKey,
  dayName,
  formatDay,
  parseDayKey,
  placeOfDate,
  weekdayOf,
} from '../../../core/calendar/day.ts';
import { localDate, localTime, toRunDays } from '../../../core/calendar/release.ts';
import { buildStrands } from '../../../core/record/build-strand.ts';
import { isDueToday, packStrand, unpackStrand } from '../../../core/record/packed-strand.ts';
import { OUTCOME_WORDS } from '../../../core/record/record.ts';
import { formatScore } from '../../../core/record/score.ts';
import { detailWords } from '../../../core/record/detail-words.ts';
import { findTarget, heldWords } from '../../../core/record/targets.ts';
import type { EarlierRecord } from '../../../core/record/to-match.ts';
import { comparableScores, earlierRecords } from '../../../core/record/to-match.ts';
import type { Attendance } from '../../../core/record/strand.ts';
import { attendanceRatio } from '../../../core/record/strand.ts';
import { blockName } from '../../../core/session/explain.ts';
import type { RosterRow } from '../../../db/queries/person.ts';
import { listRoster } from '../../../db/queries/person.ts';
import { listDayPlaces } from '../../../db/queries/programme.ts';
import { findRecord, getVersionDocument, listPersonDays, listSentDays } from '../../../db/queries/record.ts';
import type { Db } from '../../../db/pool.ts';
import { withProgramme } from '../../../server/coach-scope.ts';
import { coachToday, coachZone } from '../../../server/coach-zone.ts';
import type { SaidLately } from '../../../server/said-lately.ts';
import { saidLately } from '../../../server/said-lately.ts';
import { runOutcomes } from '../../../server/run-outcomes.ts';
import { nowMs } from '../../../server/config.ts';
import { parseId } from '../../../server/parse-number.ts';
import { Bead, BeadMarks, STATE_WORDS } from '../../charts/bead.tsx';
import type { StrandDay } from '../../charts/strand-row.tsx';
import { StrandRow, strandPct } from '../../charts/strand-row.tsx';
import { usePrinting } from '../../components/use-printing.ts';
import { useWindowedRows } from '../../components/use-windowed-rows.ts';
import type { Route } from './+types/follow-up';

export const meta: Route.MetaFunction = () => [{ title: 'Follow up · Ysodos' }];

const SORTS = ['name', 'attendance', 'today'] as const;
type Sort = (typeof SORTS)[number];
const ROW_PX = 39;
/** Lines of what was said that leave the strands in sight. */
const FEW_SAID = 5;

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const [people, places, sentDays, outcomes] = await Promise.all([
      listRoster(db, programme.runId),
      listDayPlaces(db, programme.id),
      listSentDays(db, programme.runId),
      runOutcomes(db, programme.runId),
    ]);
    const sent = new Set(sentDays.map((d) => d.dayId));
    const lately = await saidLately(
      db,
      { runId: programme.runId, today: coachToday(request), timeZone: coachZone(request) },
      people,
      places,
    );
    const strands = buildStrands(
      programme.run.rules,
      toRunDays(places).map((p) => ({ ...p, sent: sent.has(p.dayId) })),
      people.map((p) => ({ ...p, records: outcomes.get(p.enrolmentId) ?? new Map<number, never>() })),
      nowMs(),
    );
    const search = new URL(request.url).searchParams;
    const today = coachToday(request);
    const place = placeOfDate(programme.startsOn, today);
    const chosen = people.find((p) => p.enrolmentId === parseId(search.get('person')));
    const day = parseDayKey(search.get('day') ?? '');
    const dayId = day && places.find((p) => p.week === day.week && p.weekday === day.weekday)?.dayId;
    const todays = strands.flatMap((s) =>
      s.beads.filter((b) => b.date === s.today && b.state !== 'unsent' && b.state !== 'before'),
    );
    const count = (...states: readonly string[]) => todays.filter((b) => states.includes(b.state)).length;
    return {
      weeks: programme.weeks,
      firstWeekday: weekdayOf(programme.startsOn),
      today: place && place.week <= programme.weeks ? place : null,
      todayWords: formatDay(today),
      counts: {
        open: todays.length - count('ahead'),
        logged: count('done', 'part', 'not-done'),
        ahead: count('ahead'),
      },
      days: places,
      lately,
      anySent: sentDays.length > 0,
      // One text for all: hundreds of small things cost more to encode one by one, here and on the page.
      packedRows: JSON.stringify(
        people.map(({ enrolmentId, name, detail }, i): PackedRow => {
          const { beads, attendance } = strands[i]!;
          return [enrolmentId, name, detail, packStrand(beads), attendance.kept, attendance.due];
        }),
      ),
      record:
        chosen && dayId !== undefined
          ? await recordWords(db, { ...programme, programmeId: programme.id }, chosen, dayId)
          : null,
    };
  });
}

/** What stands of one person and day, in words; null where they have said nothing. */
async function recordWords(
  db: Db,
  run: { readonly programmeId: number; readonly runId: number; readonly startsOn: DayDate },
  { enrolmentId, timeZone }: RosterRow,
  dayId: number,
) {
  const record = await findRecord(db, enrolmentId, dayId);
  if (!record) return null;
  const document = await getVersionDocument(db, record.versionId);
  const earlier = record.scores.length === 0 ? [] : await earlierOf(db, { ...run, enrolmentId }, dayId);
  const madeMs = Math.round(record.madeAtMs / 60_000) * 60_000;
  const inAnotherShape = (block: number) => record.fit.some((c) => c.isScored && c.block === block);
  return {
    outcome: record.outcome,
    shareRatio: record.shareRatio,
    effort: record.effort,
    remark: record.remark,
    fit: record.fit.map(({ from, to }) => ({ from, to })),
    details: detailWords(record.details),
    versionNumber: record.versionNumber,
    loggedWords: `${formatDay(localDate(madeMs, timeZone))}, ${localTime(madeMs, timeZone)} their time`,
    scoreWords: record.scores.map((s) => {
      const block = document.blocks[s.block] ?? { role: 'Main' as const };
      const scores = comparableScores(
        {
          ...s,
          key: s.key ?? '',
          retest: document.retest,
          isReshaped: inAnotherShape(s.block),
          isAdded: false,
          perRound: undefined,
        },
        earlier,
      );
      const held = findTarget(scores, {});
      const before = held ? heldWords(held, scores.length) : '';
      return `${blockName(block)}: ${formatScore(s)}${inAnotherShape(s.block) ? ' (in another shape)' : ''}${before && ` (before: ${before})`}`;
    }),
    title: sessionTitle(document),
  };
}

/** Their records on the days before one. */
async function earlierOf(
  db: Db,
  at: {
    readonly programmeId: number;
    readonly runId: number;
    readonly startsOn: DayDate;
    readonly enrolmentId: number;
  },
  dayId: number,
): Promise<EarlierRecord[]> {
  const days = await listPersonDays(db, at);
  return earlierRecords(
    days.map((d) => ({ ...d, date: dateOfDay(at.startsOn, d) })),
    dayId,
  );
}

type LoaderData = Route.ComponentProps['loaderData'];

type PackedRow = readonly [id: number, name: string, detail: string, strand: string, kept: number, due: number];

interface Row {
  readonly id: number;
  readonly name: string;
  readonly detail: string;
  readonly strand: string;
  readonly attendance: Attendance;
}

const unpackRows = (packed: string): Row[] =>
  (JSON.parse(packed) as PackedRow[]).map(([id, name, detail, strand, kept, due]) => ({
    id,
    name,
    detail,
    strand,
    attendance: { kept, due, ratio: attendanceRatio(kept, due) },
  }));

const strandDays = (row: Row, days: LoaderData['days']): StrandDay[] =>
  unpackStrand(row.strand).map((mark, i) => ({ ...days[i]!, ...mark }));

export default function FollowUp({ loaderData }: Route.ComponentProps) {
  const { packedRows, weeks, firstWeekday, today, todayWords, counts, record, days, lately, anySent } = loaderData;
  const rows = useMemo(() => unpackRows(packedRows), [packedRows]);
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const sort = SORTS.find((s) => s === search.get('sort')) ?? 'name';
  const wanted = (search.get('q') ?? '').trim().toLowerCase();
  const shown = useMemo(
    () =>
      sortRows(wanted === '' ? rows : rows.filter((r) => `${r.name} ${r.detail}`.toLowerCase().includes(wanted)), sort),
    [rows, wanted, sort],
  );
  const chosen = rows.find((r) => String(r.id) === search.get('person'));
  const chosenDays = useMemo(() => (chosen ? strandDays(chosen, days) : []), [chosen, days]);
  const chosenDay = chosenDays.find((b) => dayKey(b) === search.get('day'));
  const { attach, rows: rowsInSight, heightPx } = useWindowedRows(shown.length, ROW_PX);
  const isPrinting = usePrinting();
  const rowsDrawn = isPrinting ? shown.map((_, index) => ({ index, topPx: index * ROW_PX })) : rowsInSight;
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
        <p className="soft">
          Here stands who did which session, how hard it was and what they said. Nobody is in this programme yet.
        </p>
        <Link className="button-main" to="../people">
          Add people
        </Link>
      </div>
    );
  const nothingSaid = anySent
    ? 'Nobody has said anything since yesterday. What people log stands here first, with their words.'
    : 'Nothing was sent yet. Once a session is out, what people log of it stands here first.';
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
                  · <b>{counts.ahead}</b> opens later today
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
              { value: 'attendance', label: 'lowest attendance' },
              { value: 'today', label: 'not logged today' },
            ]}
          />
        </div>
      </div>
      {lately ? <SaidList lately={lately} linkTo={linkTo} /> : <p className="empty">{nothingSaid}</p>}
      <div className="follow-columns">
        <BeadMarks />
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
          <div ref={attach} className="follow-rows" style={{ height: heightPx }}>
            {rowsDrawn.map(({ index, topPx }) => {
              const row = shown[index]!;
              return (
                <PersonRow
                  key={row.id}
                  row={row}
                  days={days}
                  weeks={weeks}
                  today={today}
                  topPx={topPx}
                  isChosen={row === chosen}
                  selected={row === chosen ? (chosenDay?.dayId ?? null) : null}
                  path={linkTo({ person: String(row.id), day: null })}
                  onPick={(key) =>
                    void navigate(linkTo({ person: String(row.id), day: key }), { preventScrollReset: true })
                  }
                />
              );
            })}
          </div>
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
              <h2 dir="auto">{chosen.name}</h2>
              <p className="soft">{chosen.detail}</p>
              {chosenDay && (
                <div className="follow-record">
                  <h3>{dayName(chosenDay, firstWeekday)}</h3>
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
                      {record.details.map((d) => (
                        <p key={d} className="small">
                          {d}
                        </p>
                      ))}
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
                {chosenDays
                  .filter((b) => b.state !== 'before' && b.state !== 'unsent' && b.state !== 'ahead')
                  .map((b) => (
                    <li key={b.dayId}>
                      <Link
                        to={linkTo({ day: dayKey(b) })}
                        preventScrollReset
                        {...(b === chosenDay && { 'aria-current': true })}
                      >
                        {dayName(b, firstWeekday)}
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
                Attendance is what was done over what was due: parts count by their share, today once it is logged, days
                before joining not at all.
              </p>
            </section>
          )}
        </aside>
      </div>
    </div>
  );
}

/** What was said lately, before anything else: who, how hard, what they got, their words. */
function SaidList({
  lately,
  linkTo,
}: {
  lately: SaidLately;
  linkTo: (changes: Record<string, string | null>) => string;
}) {
  const [all, setAll] = useState(false);
  // Who has said more than "done" has a line; the others stand together.
  const telling = lately.said.filter((s) => s.remark !== '' || s.scores.length > 0 || s.outcome !== OUTCOME_WORDS.done);
  const plain = lately.said.filter((s) => !telling.includes(s));
  const shown = all ? telling : telling.slice(0, FEW_SAID);
  const nameLink = (s: Pick<SaidLately['said'][number], 'enrolmentId' | 'dayKey' | 'name'>) => (
    <Link to={linkTo({ person: String(s.enrolmentId), day: s.dayKey })} preventScrollReset dir="auto">
      {s.name}
    </Link>
  );
  return (
    <section className="said" aria-label={`Said ${lately.day}`}>
      <h2>
        Said {lately.day} <span className="soft">{lately.count}</span>
      </h2>
      {lately.pains.length > 0 && (
        <ul className="said-pains" aria-label="Something hurt">
          {lately.pains.map((p, i) => (
            <li key={i}>
              {nameLink(p)} <b>it hurt: {p.words}</b> <span className="soft small">{p.at}</span>
            </li>
          ))}
        </ul>
      )}
      <ul>
        {shown.map((s) => (
          <li key={`${s.enrolmentId} ${s.dayKey}`}>
            {nameLink(s)}
            <span className="said-effort">
              {s.effort === null ? (
                <span className="soft">–</span>
              ) : (
                <>
                  <span className="sr">effort </span>
                  <b>{s.effort}</b>
                  <i aria-hidden="true" style={{ width: `${s.effort * 10}%` }} />
                </>
              )}
            </span>
            <span className="said-words">
              <span className="soft">{[s.outcome, ...s.scores].join(' · ')}</span>
              {s.remark !== '' && <q dir="auto">{s.remark}</q>}
            </span>
            <span className="soft small">{s.at}</span>
          </li>
        ))}
        {plain.length > 0 && (
          <li className="said-plain">
            <span className="soft">done, effort</span>
            <span>
              {plain.map((s, i) => (
                <span key={`${s.enrolmentId} ${s.dayKey}`}>
                  {i > 0 && ' · '}
                  {nameLink(s)} {s.effort ?? <span className="soft">–</span>}
                </span>
              ))}
            </span>
          </li>
        )}
      </ul>
      {telling.length > FEW_SAID && (
        <button type="button" className="tool" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'fewer' : `all ${telling.length} with words or scores`}
        </button>
      )}
      {lately.count > lately.said.length && (
        <p className="soft small">{lately.count - lately.said.length} more stand in the strands below.</p>
      )}
    </section>
  );
}

interface PersonRowProps {
  readonly row: Row;
  readonly days: LoaderData['days'];
  readonly weeks: number;
  readonly today: LoaderData['today'];
  readonly topPx: number;
  readonly isChosen: boolean;
  readonly selected: number | null;
  readonly path: string;
  readonly onPick: (dayKey: string) => void;
}

const PersonRow = memo(function PersonRow(props: PersonRowProps) {
  const { row, days, weeks, today, topPx, isChosen, selected, path, onPick } = props;
  const beads = useMemo(() => strandDays(row, days), [row, days]);
  return (
    <div className={`follow-row${isChosen ? ' is-chosen' : ''}`} style={{ top: topPx }}>
      <Link className="follow-name" to={path} preventScrollReset>
        <b dir="auto">{row.name}</b> <span className="soft small">{row.detail}</span>
      </Link>
      <StrandRow
        beads={beads}
        weeks={weeks}
        today={today}
        selected={selected}
        label={`${row.name}: ${row.attendance.kept} of ${row.attendance.due} done`}
        onPick={(bead) => onPick(dayKey(bead))}
      />
      <AttendanceWords attendance={row.attendance} />
    </div>
  );
});

function AttendanceWords({ attendance: { kept, due, ratio } }: { attendance: Attendance }) {
  if (ratio === undefined) return <span className="right soft small">nothing due yet</span>;
  return (
    <span className="right">
      <b>{Math.round(ratio * 100)} %</b>{' '}
      <span className="soft small">
        {kept}/{due}
      </span>
    </span>
  );
}

function sortRows(rows: readonly Row[], sort: Sort): readonly Row[] {
  // By name they come from the database; sorting is stable, so that names decide among equals.
  switch (sort) {
    case 'name':
      return rows;
    case 'attendance':
      return rows.toSorted((a, b) => (a.attendance.ratio ?? 2) - (b.attendance.ratio ?? 2));
    case 'today':
      return rows.toSorted((a, b) => Number(isDueToday(b.strand)) - Number(isDueToday(a.strand)));
  }
}
