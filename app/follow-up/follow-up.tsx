import { Button } from 'antd';
import { channelOf } from '../../core/channels/channels.ts';
import { useMemo } from 'react';
import { data, Link, useNavigate, useSearchParams } from 'react-router';
import { seesHealth } from '../../core/coach-role.ts';
import {
  dayKey,
  dayName,
  formatDay,
  formatShortDay,
  parseDayKey,
  weekdayOf,
  type DayDate,
} from '../../core/calendar/day.ts';
import { dayKey as keyOfDay } from '../../core/calendar/day-place.ts';
import { plural } from '../../core/words/words.ts';
import { packStrand } from '../../core/record/adherence/packed-strand.ts';
import { getEnrolment } from '../../db/queries/person.ts';
import { actOnPerson, isReached, keepRules, takeBack } from '../../server/follow-up/attention-acts.ts';
import { noteRead } from '../../server/doors/audit.ts';
import type { ProgrammeScope } from '../../server/doors/coach-scope.ts';
import { coachForm, notFound, withProgramme } from '../../server/doors/coach-scope.ts';
import { coachToday, coachZone } from '../../server/doors/coach-zone.ts';
import { formText } from '../../server/http/form-text.ts';
import { parseId } from '../../server/http/parse-number.ts';
import { recordWords } from '../../server/follow-up/record-words.ts';
import type { FollowedPerson, RunFollow } from '../../server/follow-up/run-follow.ts';
import { loadRunFollow, needOf } from '../../server/follow-up/run-follow.ts';
import { askLately, saidLately } from '../../server/follow-up/said-lately.ts';
import { loadTodayLine } from '../../server/follow-up/today-line.ts';
import { attentionWords, evidenceWords } from '../../words/en/attention.ts';
import { STATE_WORDS } from '../../words/en/days.ts';
import { Bead, BeadMarks } from '../charts/session/bead.tsx';
import { ActPanel } from './strands/act-panel.tsx';
import { useActFetcher } from './strands/use-act-fetcher.ts';
import { FollowLinks } from './strands/follow-links.tsx';
import { FollowTools } from './strands/follow-tools.tsx';
import { NeedList } from './strands/need-list.tsx';
import type { NeedItem, Row } from './strands/rows.ts';
import {
  arrangeRows,
  filterOf,
  packItems,
  packRows,
  SORTS,
  strandDays,
  unpackItems,
  unpackRows,
} from './strands/rows.ts';
import { RulesPanel } from './strands/rules-panel.tsx';
import { SaidList } from './strands/said-list.tsx';
import { StrandGrid, StrandTable } from './strands/strand-grid.tsx';
import { TodayLine } from './strands/today-line.tsx';
import followCss from './follow-up.css?url';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/follow-up';
import { runPlace } from '../../core/calendar/release.ts';
import { OUTCOME_WORDS } from '../../words/en/record/record.ts';
import type pg from 'pg';

export const meta: Route.MetaFunction = ({ matches }) => programmePage(matches, 'Follow up');
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: followCss }];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme, coach }) => {
    const today = coachToday(request);
    const [follow, line, asked] = await Promise.all([
      loadRunFollow(db, programme),
      loadTodayLine(db, programme),
      askLately(db, { runId: programme.runId, today, timeZone: coachZone(request) }),
    ]);
    const canSee = seesHealth(coach.role);
    const { people, days, retention, settings } = follow;
    const search = new URL(request.url).searchParams;
    return {
      ...runHead(programme, today),
      coachName: coach.coachName,
      canSee,
      line,
      retention: { ...retention, words: formatShortDay(today) },
      settings,
      days: days.map(({ dayId: id, week, weekday }) => ({ dayId: id, week, weekday })),
      lately: canSee ? saidLately(asked, people, days) : null,
      anySent: days.some((d) => d.sent),
      ...packPeople(follow),
      ...(!canSee && { packedRows: readerRows(follow), packedItems: packItems([]) }),
      ...(canSee ? await chosenOf(db, { programme, coach }, follow, search) : { chosen: null, record: null }),
    };
  });
}

function runHead({ key, title, weeks, startsOn, run }: ProgrammeScope['programme'], today: DayDate) {
  const place = runPlace(run.rules, today);
  return {
    key,
    title,
    weeks,
    firstWeekday: weekdayOf(startsOn),
    today: place && place.week <= weeks ? place : null,
    todayWords: formatDay(today),
  };
}

/** Everybody as the page carries them, made once for what a run was found to be. */
const packed = new WeakMap<RunFollow['people'], ReturnType<typeof packPeopleAnew>>();

function packPeople({ people, days }: RunFollow) {
  let known = packed.get(people);
  if (!known) packed.set(people, (known = packPeopleAnew({ people, days })));
  return known;
}

function packPeopleAnew({ people, days }: Pick<RunFollow, 'people' | 'days'>) {
  const zones = [...new Set(people.map((p) => p.timeZone))].sort();
  const keys = new Map(days.map((d) => [d.dayId, dayKey(d)]));
  return {
    zones,
    packedRows: packRows(people.map(toRow), zones),
    packedItems: packItems(people.flatMap((p) => needItems(p, keys))),
  };
}

/** As a reader has them: in the order of their attendance, without who needs a word and why. */
function readerRows({ people }: Pick<RunFollow, 'people'>) {
  const zones = [...new Set(people.map((p) => p.timeZone))].sort();
  return packRows(
    people.map((p) => ({ ...toRow(p), need: 0 })),
    zones,
  );
}

const toRow = (p: FollowedPerson): Row => ({
  id: p.enrolmentId,
  name: p.name,
  team: p.detail,
  zone: p.timeZone,
  level: p.level ?? 0,
  strand: packStrand(p.states.map((state, i) => ({ state, shareRatio: p.records[i]?.shareRatio }))),
  attendance: p.adherence,
  inARow: p.adherence.inARow,
  need: needOf(p),
  isHere: p.isHere,
});

const needItems = (p: FollowedPerson, keys: ReadonlyMap<number, string>): NeedItem[] =>
  p.items.map((item) => ({
    id: p.enrolmentId,
    code: item.code,
    why: attentionWords(item),
    toThem: attentionWords(item, 'person'),
    evidence: item.evidence.flatMap((evidence) => {
      const key = keys.get(evidence.dayId);
      return key === undefined ? [] : [[key, evidenceWords(evidence)] as const];
    }),
    occasion: item.occasion,
  }));

/** Who is chosen, and what they said of the day that is; null where nobody is, or no day. */
async function chosenOf(
  db: pg.PoolClient,
  { programme, coach }: ProgrammeScope,
  follow: RunFollow,
  search: URLSearchParams,
) {
  const { people, days } = follow;
  const chosen = people.find((p) => p.enrolmentId === parseId(search.get('person')));
  if (!chosen) return { chosen: null, record: null };
  const day = parseDayKey(search.get('day') ?? '');
  const dayId = day && days.find((d) => d.week === day.week && d.weekday === day.weekday)?.dayId;
  const at = { ...programme, programmeId: programme.id };
  return {
    chosen: await chosenPerson(db, coach, chosen, follow),
    record: dayId === undefined ? null : await recordWords(db, at, chosen, dayId),
  };
}

async function chosenPerson(
  db: Parameters<typeof getEnrolment>[0],
  coach: ProgrammeScope['coach'],
  p: FollowedPerson,
  { days }: RunFollow,
) {
  const enrolment = await getEnrolment(db, p.enrolmentId);
  noteRead(coach, enrolment.personId);
  const { contact, address } = enrolment.profile;
  return {
    id: p.enrolmentId,
    name: p.name,
    isReached: isReached(enrolment),
    by: contact.channel === 'none' ? '' : channelOf(contact.channel).by,
    address,
    today: p.calendar.today,
    movements: [...new Set(days.flatMap((d) => d.facts?.movements ?? []))].sort(),
    dates: days.map((d, i) => [dayKey(d), formatShortDay(p.calendar.own[i]!.date), p.calendar.own[i]!.date] as const),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  return withProgramme(request, params.programmeId, async (db, scope) => {
    const intent = formText(form, 'intent');
    const answer =
      intent === 'act'
        ? await actOnPerson(db, scope, form)
        : intent === 'undo-act'
          ? await takeBack(db, scope, form)
          : intent === 'rules'
            ? await keepRules(db, scope, form)
            : undefined;
    if (!answer) return notFound();
    return data({ ...answer, about: formText(form, 'about') }, { status: answer.status === 'refused' ? 400 : 200 });
  });
}

type LoaderData = Route.ComponentProps['loaderData'];
type LinkTo = (changes: Record<string, string | null>) => string;

export default function FollowUp({ loaderData }: Route.ComponentProps) {
  const { packedRows, packedItems, zones, weeks, firstWeekday, today, todayWords, days, lately, anySent, line } =
    loaderData;
  const rows = useMemo(() => unpackRows(packedRows, zones), [packedRows, zones]);
  const items = useMemo(() => unpackItems(packedItems), [packedItems]);
  const byId = useMemo(() => new Map(rows.map((r) => [r.id, r])), [rows]);
  const ordered = useMemo(
    () => items.toSorted((a, b) => (byId.get(b.id)?.need ?? 0) - (byId.get(a.id)?.need ?? 0)),
    [items, byId],
  );
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const sort = SORTS.find((s) => s === search.get('sort')) ?? 'need';
  const shown = useMemo(() => arrangeRows(rows, filterOf(search), sort), [rows, search, sort]);
  const chosen = rows.find((r) => String(r.id) === search.get('person'));
  const linkTo: LinkTo = (changes) => {
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
          Here stands who needs a word, who did which session, and what they said. Nobody is in this programme yet.
        </p>
        <Link className="button-main" to="../people">
          Add people
        </Link>
      </div>
    );
  const chosenDay = chosen && strandDays(chosen, days).find((b) => keyOfDay(b) === search.get('day'));
  const pathOf = (row: Row) => linkTo({ person: String(row.id), day: null, item: null, rules: null });
  const isTable = search.get('view') === 'table';
  return (
    <div className="follow-up">
      <div className="page-title follow-title">
        <h1>{todayWords}</h1>
        <FollowLinks current="now" />
      </div>
      <TodayLine first={line} address={`/programmes/${loaderData.key}/today-line`} />
      <DoneWords />
      <div className="follow-columns">
        <BeadMarks />
        <div className="follow-main">
          {!loaderData.canSee && <p className="soft">Who needs a word, and what people said, is for coaches to see.</p>}
          {loaderData.canSee && (
            <NeedList
              items={ordered}
              rows={byId}
              days={days}
              chosen={`${search.get('person') ?? ''} ${search.get('item') ?? ''}`}
              linkTo={linkTo}
            />
          )}
          {!loaderData.canSee ? null : lately ? (
            <SaidList lately={lately} linkTo={linkTo} />
          ) : (
            <p className="empty">
              {anySent
                ? 'Nobody has said anything since yesterday. What people log stands here, with their words.'
                : 'Nothing was sent yet. Once a session is out, what people log of it stands here.'}
            </p>
          )}
          <section aria-label="Strands">
            <h2 className="strands-title">
              Everybody{' '}
              <span className="soft">
                {loaderData.retention.here} of {loaderData.retention.joined} still take part on{' '}
                {loaderData.retention.words}
              </span>
            </h2>
            <FollowTools rows={rows} sort={sort} isTable={isTable} linkTo={linkTo} programmeKey={loaderData.key} />
            {isTable ? (
              <StrandTable rows={shown} days={days} pathOf={pathOf} />
            ) : (
              <StrandGrid
                rows={shown}
                all={rows.length}
                days={days}
                weeks={weeks}
                firstWeekday={firstWeekday}
                today={today}
                chosen={chosen}
                chosenDayId={chosenDay?.dayId ?? null}
                pathOf={pathOf}
                onPick={(row, key) =>
                  void navigate(linkTo({ person: String(row.id), day: key, item: null, rules: null }), {
                    preventScrollReset: true,
                  })
                }
              />
            )}
          </section>
        </div>
        <aside className="follow-side">
          {search.get('rules') === 'yes' ? (
            <RulesPanel settings={loaderData.settings} close={linkTo({ rules: null })} />
          ) : chosen && loaderData.chosen?.id === chosen.id ? (
            <BesidePanel {...{ loaderData, chosen, chosenDay, items: ordered, search, linkTo }} />
          ) : (
            <BeadKey />
          )}
        </aside>
      </div>
    </div>
  );
}

/** What was just done, wherever on the page, with the way back. */
function DoneWords() {
  const fetcher = useActFetcher();
  const told = fetcher.data;
  if (told?.status !== 'done' || fetcher.state !== 'idle') return null;
  return (
    <p className="notice follow-done" role="status">
      {told.words}{' '}
      {told.undo && (
        <fetcher.Form method="post" className="inline-form">
          <input type="hidden" name="intent" value="undo-act" />
          <input type="hidden" name="enrolmentId" value={told.undo.enrolmentId} />
          <input type="hidden" name="actId" value={told.undo.actId} />
          <Button type="text" size="small" htmlType="submit" className="tool">
            take it back
          </Button>
        </fetcher.Form>
      )}
    </p>
  );
}

interface BesideProps {
  readonly loaderData: LoaderData;
  readonly chosen: Row;
  readonly chosenDay: ReturnType<typeof strandDays>[number] | undefined;
  readonly items: readonly NeedItem[];
  readonly search: URLSearchParams;
  readonly linkTo: LinkTo;
}

/** One person beside the others: what asks for a word, the day that was picked, the way to all of them. */
function BesidePanel({ loaderData, chosen, chosenDay, items, search, linkTo }: BesideProps) {
  const person = loaderData.chosen!;
  const own = items.filter((i) => i.id === chosen.id);
  const item = own.find((i) => i.code === search.get('item')) ?? (chosenDay ? undefined : own[0]);
  const dayWords = new Map(person.dates.map(([key, words, date]) => [key, { words, date }]));
  return (
    <section className="follow-panel" aria-label={chosen.name}>
      <Link
        className="follow-close"
        to={linkTo({ person: null, day: null, item: null })}
        preventScrollReset
        aria-label="Close"
      >
        ×
      </Link>
      <h2 dir="auto">{chosen.name}</h2>
      <p className="soft small">
        {[chosen.team, `${chosen.attendance.done} of ${chosen.attendance.due} done`].filter(Boolean).join(' · ')} ·{' '}
        <Link to={`../follow-up/person/${chosen.id}`}>all about them</Link>
      </p>
      {chosenDay && <DayBeside loaderData={loaderData} day={chosenDay} />}
      {item && (
        <ActPanel
          key={`${item.id} ${item.code}`}
          item={item}
          person={person}
          coachName={loaderData.coachName}
          programmeTitle={loaderData.title}
          dayWords={dayWords}
          linkTo={linkTo}
        />
      )}
      {own.length > 1 && (
        <p className="small">
          {own
            .filter((i) => i !== item)
            .map((i) => (
              <Link key={i.code} to={linkTo({ item: i.code, day: null })} preventScrollReset>
                {i.why}
              </Link>
            ))}
        </p>
      )}
      {!item && !chosenDay && <p>Nothing about them asks for a word just now.</p>}
      <h3>All days</h3>
      <ul className="follow-days">
        {strandDays(chosen, loaderData.days)
          .filter((b) => b.state !== 'before' && b.state !== 'unsent' && b.state !== 'ahead')
          .map((b) => (
            <li key={b.dayId}>
              <Link
                to={linkTo({ day: keyOfDay(b), item: null })}
                preventScrollReset
                {...(b.dayId === chosenDay?.dayId && { 'aria-current': true })}
              >
                {dayName(b, loaderData.firstWeekday)}
              </Link>{' '}
              <span className="soft">{STATE_WORDS[b.state]}</span>
            </li>
          ))}
      </ul>
    </section>
  );
}

function DayBeside({ loaderData, day }: { loaderData: LoaderData; day: NonNullable<BesideProps['chosenDay']> }) {
  const { record, firstWeekday } = loaderData;
  return (
    <div className="follow-record">
      <h3>{dayName(day, firstWeekday)}</h3>
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
          {[...record.sumWords, ...record.againWords].map((s) => (
            <p key={s}>{s}</p>
          ))}
          {record.fit.length > 0 && (
            <p className="small">
              <span className="soft">As it fitted them:</span> {record.fit.join('; ')}
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
        <p>{STATE_WORDS[day.state]}.</p>
      )}
    </div>
  );
}

const KEY_STATES = [
  'done',
  'part',
  'due',
  'missed',
  'not-done',
  'late',
  'bonus',
  'excused',
  'not-due',
  'ahead',
] as const;

function BeadKey() {
  return (
    <section className="follow-key" aria-label="What the marks mean">
      {KEY_STATES.map((state) => (
        <p key={state} className="small soft">
          <svg viewBox="0 0 18 18" width="18" height="18" aria-hidden="true">
            <Bead x={9} y={9} state={state} />
          </svg>{' '}
          {STATE_WORDS[state]}
        </p>
      ))}
      <details className="small">
        <summary>How it is counted</summary>
        <p className="soft">
          Due is what was sent, from joining to now on their own calendar, less rest, excused and paused days and what
          was withdrawn; today once it is logged. Done is what was done of it, in whole or in part, made up within the
          run’s window at the latest; what was done beside it raises nothing. Someone still takes part who has done one
          of the last {plural(6, 'due day')}. There is no agreed definition: so both numbers always stand there.
        </p>
      </details>
    </section>
  );
}
