/** What a coach does that is noted, by kind; AUDIT_WORDS says each. */
export const AUDIT_KINDS = [
  'signed-in',
  'wrong-password',
  'wrong-code',
  'recovery-code',
  'signed-out',
  'session-ended',
  'all-sessions-ended',
  'password',
  'name',
  'address',
  'second-step-on',
  'second-step-off',
  'recovery-codes',
  'invited',
  'invitation-withdrawn',
  'joined',
  'role',
  'coach-removed',
  'exported',
  'sent',
  'held',
  'stopped',
  'withdrew',
  'let-go',
  'letter',
  'people-added',
  'person-read',
  'person-changed',
  'person-acted',
  'person-link',
  'person-revoked',
  'person-removed',
  'person-deleted',
  'programme-deleted',
] as const;
export type AuditKind = (typeof AUDIT_KINDS)[number];

/** How long what was noted is kept, in days. */
export const AUDIT_DAYS = 400;

export const isAuditKind = (text: string): text is AuditKind => (AUDIT_KINDS as readonly string[]).includes(text);
