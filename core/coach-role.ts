/** What a coach may do in their workspace, the most first. */
export const COACH_ROLES = ['owner', 'coach', 'reader'] as const;
export type CoachRole = (typeof COACH_ROLES)[number];

export const isCoachRole = (text: string): text is CoachRole => (COACH_ROLES as readonly string[]).includes(text);

/** Whether a role may do what another is the least for: `mayAs('coach', 'reader')`. */
export const mayAs = (role: CoachRole, least: CoachRole): boolean =>
  COACH_ROLES.indexOf(role) <= COACH_ROLES.indexOf(least);

/** A reader sees no health remarks: nothing of what hurts, what is spared, and what people wrote. */
export const seesHealth = (role: CoachRole): boolean => mayAs(role, 'coach');

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
