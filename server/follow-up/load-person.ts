import { numbersOverTime } from '../participant/numbers-over-time.ts';
import type pg from 'pg';
import { seesHealth } from '../../core/coach-role.ts';
import { dayKey, formatDay, formatShortDay, weekdayOf } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { explainChange } from '../../core/fit/fit-change.ts';
import { SPARE_WORDS } from '../../core/movement/spare.ts';
import { helpedSince } from '../../core/record/attention/attention.ts';
import type { ActKind } from '../../core/record/attention/attention-rules.ts';
import { isAttentionCode } from '../../core/record/attention/attention-rules.ts';
import { detailWords, painWords } from '../../words/en/record/record.ts';
import { packStrand } from '../../core/record/adherence/packed-strand.ts';
import { formatScore } from '../../core/record/scores/score.ts';
import { isKept, isOwed } from '../../core/record/adherence/strand.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { listActs } from '../../db/queries/act.ts';
import { listPainOf } from '../../db/queries/pain.ts';
import { listSaidBy, listSentTo } from '../../db/queries/person-page.ts';
import { getEnrolment } from '../../db/queries/person.ts';
import { noteRead } from '../doors/audit.ts';
import { notFound } from '../doors/coach-scope.ts';
import { fitDay } from '../participant/fitted-view.ts';
import { instantWords } from '../messages/compose.ts';
import { historyOf, loadRunFollow } from './run-follow.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { listSentDays } from '../../db/queries/record.ts';
import { paceWords } from '../../words/en/record/record.ts';
import { attentionWords, DONE_WORDS, helpedWords, RULE_WORDS } from '../../words/en/attention.ts';
import { MESSAGE_WORDS, SENT_WORDS } from '../../words/en/messages.ts';
import { OUTCOME_WORDS } from '../../words/en/record/record.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import type { FollowedPerson, RunFollow } from './run-follow.ts';

const SHOWN_MESSAGES = 60;

/** One person of a run as their coach sees them; without health and words where the coach may not see those. 404 where there is none. */
export async function loadPerson(
  db: pg.PoolClient,
  { programme, coach }: ProgrammeScope,
  asked: { readonly enrolmentId: number | undefined; readonly zone: string },
) {
  const canSee = seesHealth(coach.role);
  const follow = await loadRunFollow(db, programme);
  const person = follow.people.find((p) => p.enrolmentId === asked.enrolmentId);
  if (!person) return notFound();
  const enrolment = await getEnrolment(db, person.enrolmentId);
  if (canSee) noteRead(coach, enrolment.personId);
  const { days } = follow;
  return {
    key: programme.key,
    id: person.enrolmentId,
    name: person.name,
    team: person.detail,
    firstWeekday: weekdayOf(enrolment.startsOn ?? programme.startsOn),
    timeZone: person.timeZone.replaceAll('_', ' '),
    joined: formatDay(person.joinedOn),
    isHere: person.isHere,
    adherence: person.adherence,
    behind: daysBehind(person, days),
    dayKeys: days.map((d) => dayKey(d)).join(' '),
    strand: packStrand(person.states.map((state, i) => ({ state, shareRatio: person.records[i]?.shareRatio }))),
    canSee,
    numbers: await numbersOverTime(
      db,
      person.enrolmentId,
      new Map(days.map((d, i) => [d.dayId, person.calendar.own[i]!.date])),
    ),
    efforts: effortsOf(person, days),
    said: await saidBy(db, person, days, canSee),
    ...(canSee ? await seenByCoach(db, follow, person, enrolment, asked.zone, programme) : NOT_SEEN),
  };
}

/** What a reader is shown in place of what only a coach sees. */
const NOT_SEEN = { heldWeek: null, pace: '', items: [], pains: [], sentTo: [], fit: null, profile: [], acts: [] };

type Days = RunFollow['days'];
type Enrolment = Awaited<ReturnType<typeof getEnrolment>>;

/** Why they need a word, what hurts, what they were sent, how sessions fit them, and what was done about it. */
async function seenByCoach(
  db: pg.PoolClient,
  follow: RunFollow,
  person: FollowedPerson,
  enrolment: Enrolment,
  zone: string,
  programme: ProgrammeScope['programme'],
) {
  const [pains, sentTo, acts, fit] = await Promise.all([
    listPainOf(db, person.enrolmentId),
    listSentTo(db, person.enrolmentId, SHOWN_MESSAGES),
    listActs(db, person.enrolmentId),
    nextFit(db, follow.days, person, enrolment, programme),
  ]);
  const titleOf = new Map(follow.days.map((d) => [d.dayId, d.facts?.title ?? '']));
  const history = historyOf(follow, person);
  return {
    heldWeek: person.heldWeek,
    pace: paceWords(enrolment.pace),
    items: person.items.map((item) => ({ code: item.code, why: attentionWords(item) })),
    pains: pains.map((p) => ({ words: painWords(p), at: formatShortDay(localDate(p.toldAtMs, person.timeZone)) })),
    sentTo: sentTo.map((m) => ({
      words: m.subject === '' ? MESSAGE_WORDS[m.kind] : m.subject,
      day: m.dayId === null ? '' : (titleOf.get(m.dayId) ?? ''),
      state: `${SENT_WORDS[m.state]}${m.reason === '' || m.state === 'accepted' ? '' : `: ${m.reason}`}`,
      at: instantWords(m.atMs, zone),
    })),
    fit,
    profile: profileWords(enrolment.profile, person.level),
    acts: acts.map((a) => ({
      id: a.id,
      isNote: a.kind === 'note',
      what: a.kind === 'note' ? '' : DONE_WORDS[a.kind as ActKind],
      why: isAttentionCode(a.code) ? RULE_WORDS[a.code].name.toLowerCase() : '',
      words: a.words,
      by: a.by,
      at: instantWords(a.madeAtMs, zone),
      helped:
        a.kind === 'note' || a.kind === 'snoozed'
          ? ''
          : helpedWords(helpedSince(history, localDate(a.madeAtMs, person.timeZone))),
    })),
  };
}

/** Their days that are over: done, or owed and not done. */
const daysBehind = ({ states, calendar: { own } }: FollowedPerson, days: Days) =>
  days.flatMap((d, i) =>
    isOwed(states[i]!)
      ? [{ key: dayKey(d), words: formatShortDay(own[i]!.date), state: states[i]!, isKept: isKept(states[i]!) }]
      : [],
  );

/** Effort planned and felt, of each day that was done. */
const effortsOf = ({ states, records, calendar: { own } }: FollowedPerson, days: Days) =>
  days.flatMap((d, i) =>
    isKept(states[i]!)
      ? [
          {
            key: dayKey(d),
            words: formatShortDay(own[i]!.date),
            planned: d.facts?.effort ?? null,
            felt: records[i]?.effort ?? null,
          },
        ]
      : [],
  );

/** What they said of each session; how it was for them only where the coach may see it. */
async function saidBy(db: pg.PoolClient, person: FollowedPerson, days: Days, canSee: boolean) {
  const at = new Map(days.map((d, i) => [d.dayId, { day: d, date: person.calendar.own[i]!.date }]));
  return (await listSaidBy(db, person.enrolmentId)).map((s) => {
    const of = at.get(s.dayId);
    return {
      key: of ? dayKey(of.day) : '',
      words: of ? formatShortDay(of.date) : '',
      title: of?.day.facts?.title ?? '',
      told: [
        `${OUTCOME_WORDS[s.outcome]}${s.outcome === 'part' ? `, ${Math.round(s.shareRatio * 100)} %` : ''}`,
        ...(s.effort === null ? [] : [`effort ${s.effort}`]),
        ...s.scores.map(formatScore),
        ...(canSee ? detailWords(s.details) : []),
      ].join(' · '),
      remark: canSee ? s.remark : '',
    };
  });
}

/** How the session that is theirs today or next fits them, as far as it was sent; null where there is none. */
async function nextFit(
  db: pg.PoolClient,
  days: Days,
  { calendar: { own, today } }: FollowedPerson,
  enrolment: Enrolment,
  programme: ProgrammeScope['programme'],
) {
  const next = days.findIndex((d, i) => d.sent && own[i]!.date >= today);
  const version = (await listSentDays(db, programme.runId)).find((d) => d.dayId === days[next]?.dayId);
  if (!version) return null;
  const { document, changes } = await fitDay(db, version, { enrolment }, await loadWorkspaceBook(db));
  return { of: document.title ?? sessionTitle(document), changes: changes.map(explainChange) };
}

/** What fits them, in short phrases. */
const profileWords = (profile: Enrolment['profile'], level: number | null): string[] => [
  profile.kit === undefined
    ? 'whatever kit is asked'
    : profile.kit.length === 0
      ? 'no kit'
      : `has ${profile.kit.join(', ')}`,
  ...(profile.spares.length > 0 ? [`avoids ${profile.spares.map((s) => SPARE_WORDS[s]).join(', ')}`] : []),
  ...(level === null ? [] : [`level ${level} at the lowest`]),
  ...profile.swaps.map((s) => `${s.to} instead of ${s.from}`),
  ...profile.doses.map((d) => d.words),
];
