import type { CoachRole } from '../../core/coach-role.ts';
import type { AuditKind } from '../../core/audit.ts';

/** What a role is called, and what it means. */
export const ROLE_WORDS: Record<CoachRole, { readonly name: string; readonly as: string; readonly says: string }> = {
  owner: { name: 'Owner', as: 'as an owner', says: 'Does everything, and says who else coaches here.' },
  coach: { name: 'Coach', as: 'as a coach', says: 'Plans, writes, sends and follows up; sees health remarks.' },
  reader: {
    name: 'Reader',
    as: 'to read',
    says: 'Sees plans and figures, but no health remarks and nothing that people wrote; changes and sends nothing.',
  },
};

/** What the kinds are called, as the end of a sentence that begins with the coach's name. */
export const AUDIT_WORDS: Record<AuditKind, string> = {
  'signed-in': 'signed in',
  'wrong-password': 'was asked for a password, and a wrong one was given',
  'wrong-code': 'was asked for a code, and a wrong one was given',
  'recovery-code': 'signed in with a recovery code',
  'signed-out': 'signed out',
  'session-ended': 'signed another browser out',
  'all-sessions-ended': 'signed out everywhere',
  password: 'has a new password',
  name: 'changed their name',
  address: 'has a new e-mail address',
  'second-step-on': 'turned the second step on',
  'second-step-off': 'turned the second step off',
  'recovery-codes': 'made new recovery codes',
  invited: 'invited',
  'invitation-withdrawn': 'withdrew the invitation of',
  joined: 'came in by invitation, as',
  role: 'gave a role:',
  'coach-removed': 'removed the coach',
  exported: 'exported',
  sent: 'sent',
  held: 'held the run',
  stopped: 'stopped what was about to leave',
  withdrew: 'withdrew',
  'let-go': 'let the run go on',
  letter: 'sent a letter',
  'people-added': 'added people:',
  'person-read': 'read the page of',
  'person-changed': 'changed what is kept of',
  'person-acted': 'noted or wrote something about',
  'person-link': 'made a link for',
  'person-revoked': 'took away the link of',
  'person-removed': 'took out of a programme',
  'person-deleted': 'deleted, with all that they logged,',
  'programme-deleted': 'deleted the programme',
};
