/** What a coach may do in their workspace, the most first. */
export const COACH_ROLES = ['owner', 'coach', 'reader'] as const;
export type CoachRole = (typeof COACH_ROLES)[number];

export const isCoachRole = (text: string): text is CoachRole => (COACH_ROLES as readonly string[]).includes(text);

/** Whether a role may do what another is the least for: `mayAs('coach', 'reader')`. */
export const mayAs = (role: CoachRole, least: CoachRole): boolean =>
  COACH_ROLES.indexOf(role) <= COACH_ROLES.indexOf(least);

/** A reader sees no health remarks: nothing of what hurts, what is spared, and what people wrote. */
export const seesHealth = (role: CoachRole): boolean => mayAs(role, 'coach');
