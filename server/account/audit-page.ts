import type pg from 'pg';
import type { AuditKind } from '../../core/audit.ts';
import { AUDIT_KINDS, isAuditKind } from '../../core/audit.ts';
import { formatDay } from '../../core/calendar/day.ts';
import { localDate, localTime } from '../../core/calendar/release.ts';
import type { NotedAct } from '../../db/queries/doors/audit.ts';
import { listAudit } from '../../db/queries/doors/audit.ts';
import { parseId } from '../http/parse-number.ts';
import { AUDIT_WORDS } from '../../words/en/coaches.ts';

/** What can be looked for: kinds that belong together. */
export const AUDIT_GROUPS = {
  'sign-in': 'Sign-in',
  coaches: 'Who coaches here',
  sending: 'Sending',
  people: 'People',
  exports: 'Exports',
} as const;
export type AuditGroup = keyof typeof AUDIT_GROUPS;

const GROUP_OF: Record<AuditKind, AuditGroup> = {
  'signed-in': 'sign-in',
  'wrong-password': 'sign-in',
  'wrong-code': 'sign-in',
  'recovery-code': 'sign-in',
  'signed-out': 'sign-in',
  'session-ended': 'sign-in',
  'all-sessions-ended': 'sign-in',
  password: 'sign-in',
  name: 'sign-in',
  address: 'sign-in',
  'second-step-on': 'sign-in',
  'second-step-off': 'sign-in',
  'recovery-codes': 'sign-in',
  invited: 'coaches',
  'invitation-withdrawn': 'coaches',
  joined: 'coaches',
  role: 'coaches',
  'coach-removed': 'coaches',
  exported: 'exports',
  sent: 'sending',
  held: 'sending',
  stopped: 'sending',
  withdrew: 'sending',
  'let-go': 'sending',
  letter: 'sending',
  'people-added': 'people',
  'person-read': 'people',
  'person-changed': 'people',
  'person-acted': 'people',
  'person-link': 'people',
  'person-revoked': 'people',
  'person-removed': 'people',
  'person-deleted': 'people',
  'programme-deleted': 'sending',
};

/** What nobody does by themselves: it is worth a look. */
const WARNINGS: readonly string[] = ['wrong-password', 'wrong-code', 'recovery-code', 'second-step-off'];

const isGroup = (text: string | null): text is AuditGroup => text !== null && Object.hasOwn(AUDIT_GROUPS, text);

export interface AuditSearch {
  readonly group: AuditGroup | null;
  readonly coachId: number | null;
  readonly personId: number | null;
  readonly beforeId: number | null;
}

export function readAuditSearch(search: URLSearchParams): AuditSearch {
  const group = search.get('what');
  return {
    group: isGroup(group) ? group : null,
    coachId: parseId(search.get('who')) ?? null,
    personId: parseId(search.get('about')) ?? null,
    beforeId: parseId(search.get('before')) ?? null,
  };
}

export interface AuditLine {
  readonly id: number;
  readonly day: string;
  readonly time: string;
  readonly who: string;
  readonly words: string;
  readonly isWarning: boolean;
}

/** `sent: Tuesday’s session · Sunrise mobility` */
const wordsOf = ({ kind, person, programme, detail }: NotedAct): string => {
  const what = isAuditKind(kind) ? AUDIT_WORDS[kind] : kind;
  const about = person === null ? 'someone who was removed since' : person;
  return [[what, about, detail].filter((w) => w !== '').join(' '), programme].filter((w) => w !== '').join(' · ');
};

/** What was done, in words on the coach's clock, the newest first. */
export async function loadAudit(
  db: pg.PoolClient,
  { group, ...search }: AuditSearch,
  at: { readonly timeZone: string; readonly limit: number },
): Promise<AuditLine[]> {
  const kinds = group === null ? null : AUDIT_KINDS.filter((k) => GROUP_OF[k] === group);
  const acts = await listAudit(db, { ...search, kinds, limit: at.limit });
  return acts.map((act) => ({
    id: act.id,
    day: formatDay(localDate(act.atMs, at.timeZone)),
    time: localTime(act.atMs, at.timeZone),
    who: act.coach === '' ? 'Somebody' : act.coach,
    words: wordsOf(act),
    isWarning: WARNINGS.includes(act.kind),
  }));
}
