import { BoundedCache } from '../../core/bounded-cache.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { dayKey, formatDay } from '../../core/calendar/day.ts';
import type { DayPlace } from '../../core/calendar/day-place.ts';
import { countedDay } from '../../core/calendar/day-place.ts';
import type { OwnDay } from '../../core/calendar/release.ts';
import { localDate, localTime, ownDay, toRunDays } from '../../core/calendar/release.ts';
import type {
  CoachOccasion,
  MessageFacts,
  MessageOccasion,
  WrittenMessage,
} from '../../core/messages/message-facts.ts';
import { changeWords } from '../../core/fit/fit-change.ts';
import type { SessionSheet } from '../../core/session/session-sheet.ts';
import type { Db } from '../../db/pool.ts';
import type { Coach } from '../../db/queries/doors/coach.ts';
import { getCoachName, listCoaches } from '../../db/queries/doors/coach.ts';
import { insertCoachDoor } from '../../db/queries/doors/coach-door.ts';
import type { ClaimedMessage } from '../../db/queries/messages/message.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import { listEnrolmentsById } from '../../db/queries/person.ts';
import { insertAddressKey, messageLinkSalts } from '../../db/queries/doors/link.ts';
import type { RunDayToGo } from '../../db/queries/messages/release.ts';
import { listDaysToGo, listReleasedVersions } from '../../db/queries/messages/release.ts';
import { listFirstMessages } from '../../db/queries/messages/message.ts';
import { listRunDayStates } from '../../db/queries/run.ts';
import { deriveToken, makeSalt } from '../doors/derived-token.ts';
import type { FittedView } from '../participant/fitted-view.ts';
import { fitDay } from '../participant/fitted-view.ts';
import { hashToken } from '../doors/token.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { letterTo, letterToCoach } from '../../words/en/letters.ts';
import { writeLetter } from './write-letter.tsx';

/** A message, ready to leave by its channel; `stopLink` where it was subscribed to. */
export interface Composed {
  readonly toName: string;
  readonly fromName: string;
  readonly written: WrittenMessage;
  readonly stopLink?: string;
  readonly replyTo?: { readonly name: string; readonly address: string };
  readonly isByHand?: boolean;
  readonly answersId?: number;
}

/** Why a message isn't worth sending any more. */
export interface NotComposed {
  readonly dropped: string;
}

export interface ComposeScope {
  readonly workspaceId: number;
  readonly origin: string;
  readonly secret: string;
  readonly nowMs: number;
}

/** What messages of one run have in common. */
interface RunFacts {
  readonly days: ReadonlyMap<number, RunDayToGo & { readonly index: number; readonly of: number }>;
  readonly ordered: readonly (RunDayToGo & { readonly index: number; readonly of: number })[];
  readonly live: readonly { readonly dayId: number; readonly atMs: number; readonly place: string }[];
}

/** Sheets by fit: on one morning hundreds of people get a handful of them. */
const sheets = new WeakMap<FittedView, { readonly sheet: SessionSheet; readonly changes: readonly string[] }>();
const sheetOf = (fitted: FittedView) => {
  const known = sheets.get(fitted) ?? {
    sheet: fitted.sheet,
    changes: changeWords(fitted.changes, fitted.blocks),
  };
  sheets.set(fitted, known);
  return known;
};

/** Own days by run rules and calendar, for one batch after another. */
const ownDaysKnown = new BoundedCache<string, OwnDay>(2000);

/** Writes out messages of one workspace; each is composed, or it is said why it isn't worth sending any more. */
export async function composeMessages(
  db: Db,
  messages: readonly ClaimedMessage[],
  scope: ComposeScope,
): Promise<Map<number, Composed | NotComposed>> {
  const out = new Map<number, Composed | NotComposed>();
  const toPeople = messages.filter((m) => m.enrolmentId !== null);
  const enrolments = new Map(
    (await listEnrolmentsById(db, [...new Set(toPeople.map((m) => m.enrolmentId!))])).map((e) => [e.enrolmentId, e]),
  );
  const book = await loadWorkspaceBook(db);
  const salts = await messageLinkSalts(db, {
    workspaceId: scope.workspaceId,
    personIds: [...new Set([...enrolments.values()].filter((e) => !e.isClosed).map((e) => e.personId))],
    makeLink: () => makeSalt(scope.secret, 'link'),
    now: new Date(scope.nowMs),
  });
  const runs = new Map<number, RunFacts>();
  for (const e of enrolments.values()) if (!runs.has(e.runId)) runs.set(e.runId, await loadRunFacts(db, e));
  const versions = await listReleasedVersions(
    db,
    toPeople.flatMap((m) => (m.dayId === null ? [] : [{ enrolmentId: m.enrolmentId!, dayId: m.dayId }])),
  );
  const coaches = await listCoaches(db);
  const firsts = await listFirstMessages(
    db,
    toPeople.filter((m) => m.kind === 'change' || m.kind === 'withdrawn').map((m) => m.id),
  );
  for (const message of messages) {
    const enrolment = message.enrolmentId === null ? undefined : enrolments.get(message.enrolmentId);
    if (message.coachId !== null) out.set(message.id, await composeForCoach(db, message, scope));
    else if (!enrolment) out.set(message.id, { dropped: 'the person is no longer here' });
    else
      out.set(
        message.id,
        await composeForPerson(db, message, enrolment, {
          scope,
          book,
          run: runs.get(enrolment.runId)!,
          salt: salts.get(enrolment.personId) ?? '',
          versionId: versions.get(`${enrolment.enrolmentId} ${message.dayId}`) ?? message.versionId,
          coaches,
          answersId: firsts.get(message.id),
        }),
      );
  }
  return out;
}

async function loadRunFacts(db: Db, { programmeId, runId }: Enrolment): Promise<RunFacts> {
  const ordered = toRunDays(await listDaysToGo(db, { programmeId, runId }));
  const live = (await listRunDayStates(db, runId)).flatMap((d) =>
    d.live && d.withdrawnAtMs === null ? [{ dayId: d.dayId, atMs: d.live.atMs, place: d.live.place }] : [],
  );
  return { ordered, days: new Map(ordered.map((d) => [d.dayId, d])), live };
}

/** `Saturday 16 May, 18:00`, on someone's clock. */
export const instantWords = (ms: number, timeZone: string): string =>
  `${formatDay(localDate(ms, timeZone))}, ${localTime(ms, timeZone)}`;

interface PersonBatch {
  readonly scope: ComposeScope;
  readonly book: WorkspaceBook;
  readonly run: RunFacts;
  readonly salt: string;
  readonly versionId: number | null;
  /** Who coaches here, the first one first. */
  readonly coaches: readonly Coach[];
  readonly answersId: number | undefined;
}

const own = (enrolment: Enrolment, day: RunFacts['ordered'][number]): OwnDay =>
  ownDaysKnown.get(
    `${JSON.stringify(enrolment.run.rules)} ${enrolment.timeZone} ${enrolment.startsOn} ${enrolment.weekdays?.join('')} ${dayKey(day)} ${day.index} ${day.of}`,
    () => ownDay(enrolment.run.rules, enrolment, day),
  );

async function composeForPerson(
  db: Db,
  message: ClaimedMessage,
  enrolment: Enrolment,
  { scope, book, run, salt, versionId, coaches, answersId }: PersonBatch,
): Promise<Composed | NotComposed> {
  const { contact } = enrolment.profile;
  const coachName = coaches[0]?.name ?? '';
  if (contact.addressState === 'stopped') return { dropped: 'they want no messages' };
  if (enrolment.isClosed) return { dropped: 'their link was taken away' };
  if (contact.channel === 'none') return { dropped: 'they chose to get no messages' };
  const day = message.dayId === null ? undefined : run.days.get(message.dayId);
  if (message.dayId !== null && !day) return { dropped: 'the day is no longer there' };
  if (day?.isWithdrawn && message.kind !== 'withdrawn') return { dropped: 'the session was withdrawn' };
  const occasion = readOccasion(message, enrolment, run, scope);
  if (occasion.kind === 'confirm') {
    const salt = textOf(message.extra, 'salt');
    if (salt === '' || message.address !== enrolment.profile.address)
      return { dropped: 'the address is another one now' };
    await insertAddressKey(db, {
      workspaceId: scope.workspaceId,
      personId: enrolment.personId,
      address: message.address,
      tokenHash: hashToken(deriveToken(scope.secret, 'confirm', salt)),
      expiresAt: new Date(message.expiresAtMs),
    });
  }
  const path = `/p/${deriveToken(scope.secret, 'link', salt)}`;
  const fitted = day && versionId !== null ? await fitDay(db, { versionId }, { enrolment }, book) : undefined;
  const live = run.live
    .filter((l) => l.atMs > scope.nowMs && (message.kind !== 'live' || l.dayId === message.dayId))
    .sort((a, b) => a.atMs - b.atMs)[0];
  const stopLink = `${scope.origin}/stop/${enrolment.stopKey}`;
  const facts: MessageFacts = {
    occasion,
    name: enrolment.name,
    programmeTitle: enrolment.programmeTitle,
    coachName,
    dayWords: day
      ? dayWordsOf(own(enrolment, day).date, run.ordered, day)
      : formatDay(localDate(scope.nowMs, enrolment.timeZone)),
    sheet: fitted ? sheetOf(fitted).sheet : null,
    changes: fitted ? sheetOf(fitted).changes : [],
    live: live ? { words: instantWords(live.atMs, enrolment.timeZone), place: live.place } : null,
    link: `${scope.origin}${path}${day && message.kind !== 'withdrawn' ? `/r${enrolment.runId}-${dayKey(day)}` : ''}`,
    stopLink,
  };
  return {
    toName: enrolment.name,
    fromName: coachName,
    written: writeLetter(letterTo(facts)),
    ...(occasion.kind !== 'confirm' && { stopLink, ...replyTo(message, enrolment, coaches) }),
    ...(occasion.kind === 'note' && { isByHand: true }),
    ...(answersId !== undefined && { answersId }),
  };
}

/** `Wednesday 13 May`; with which day of how many it is where a programme is counted in days. */
function dayWordsOf(date: DayDate, days: readonly DayPlace[], place: DayPlace): string {
  const counted = countedDay(days, place);
  return counted ? `${formatDay(date)}, day ${counted.day} of ${counted.of}` : formatDay(date);
}

/** Whom an answer reaches: the address that the run gives; else the coach who wrote it; else the first one. */
function replyTo(
  { extra }: ClaimedMessage,
  { run, programmeTitle }: Enrolment,
  coaches: readonly Coach[],
): Pick<Composed, 'replyTo'> {
  if (run.replyTo !== '') return { replyTo: { name: programmeTitle, address: run.replyTo } };
  const by = coaches.find((c) => c.id === extra.byCoach) ?? coaches[0];
  return by ? { replyTo: { name: by.name, address: by.email } } : {};
}

/** A text that a message carries; empty where it carries none. */
function textOf(extra: ClaimedMessage['extra'], name: string): string {
  const value = extra[name];
  return typeof value === 'string' ? value : '';
}

function readOccasion(
  message: ClaimedMessage,
  enrolment: Enrolment,
  run: RunFacts,
  scope: ComposeScope,
): MessageOccasion {
  const note = typeof message.extra.note === 'string' ? message.extra.note : '';
  switch (message.kind) {
    case 'change':
      return { kind: 'change', number: message.number, note };
    case 'withdrawn':
      return { kind: 'withdrawn', note };
    case 'reminder':
      return { kind: 'reminder' };
    case 'live':
      return { kind: 'live' };
    case 'rest': {
      const next = run.ordered
        .map((day) => own(enrolment, day))
        .filter((day) => day.releaseMs > scope.nowMs)
        .sort((a, b) => a.releaseMs - b.releaseMs)[0];
      return { kind: 'rest', nextDay: next ? formatDay(next.date) : '' };
    }
    case 'note':
    case 'letter': {
      return { kind: message.kind, subject: textOf(message.extra, 'subject'), words: textOf(message.extra, 'words') };
    }
    case 'confirm':
      return {
        kind: 'confirm',
        link: `${scope.origin}/confirm/${deriveToken(scope.secret, 'confirm', textOf(message.extra, 'salt'))}`,
      };
    default:
      return { kind: 'session' };
  }
}

async function composeForCoach(db: Db, message: ClaimedMessage, scope: ComposeScope): Promise<Composed | NotComposed> {
  const text = (name: string) => textOf(message.extra, name);
  const name = await getCoachName(db, message.coachId!);
  if (message.kind === 'test') {
    const sample = readWritten(message.extra.written);
    return sample
      ? { toName: name, fromName: name, written: sample }
      : { dropped: 'there is nothing to try it with any more' };
  }
  const occasion: CoachOccasion =
    message.kind === 'flag'
      ? {
          kind: 'flag',
          programmeTitle: text('programmeTitle'),
          dayWords: text('dayWords'),
          hours: message.number,
          first: text('first'),
          why: text('why'),
        }
      : message.kind === 'letter'
        ? { kind: 'letter', subject: text('subject'), words: text('words') }
        : message.kind === 'invite'
          ? { kind: 'invite', by: text('by'), workspace: text('workspace') }
          : message.kind === 'told'
            ? { kind: 'told', subject: text('subject'), words: text('words') }
            : message.kind === 'address'
              ? { kind: 'address' }
              : { kind: 'reset' };
  const isDoor = occasion.kind === 'invite' || occasion.kind === 'reset' || occasion.kind === 'address';
  if (isDoor) {
    const token = deriveToken(scope.secret, 'door', text('salt'));
    await insertCoachDoor(db, {
      workspaceId: scope.workspaceId,
      kind: occasion.kind,
      coachId: occasion.kind === 'invite' ? null : message.coachId,
      email: message.address,
      salt: text('salt'),
      tokenHash: hashToken(token),
      now: new Date(message.createdAtMs),
      expiresAt: new Date(message.expiresAtMs),
    });
  }
  const link = isDoor
    ? `${scope.origin}/door/${deriveToken(scope.secret, 'door', text('salt'))}`
    : `${scope.origin}${text('path')}`;
  return {
    toName: occasion.kind === 'invite' ? message.address : name,
    fromName: 'Ysodos',
    written: writeLetter(letterToCoach(occasion, link)),
  };
}

/** A session's message as it was written for its coach to see; undefined where it was stored in another form. */
function readWritten(value: unknown): WrittenMessage | undefined {
  const { subject, text, html, short } = (value ?? {}) as Record<string, unknown>;
  return typeof subject === 'string' && typeof text === 'string' && typeof html === 'string'
    ? { subject, text, html, short: typeof short === 'string' ? short : subject }
    : undefined;
}
