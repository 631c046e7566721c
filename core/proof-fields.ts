/** The fields in which a coach shows that it is they: their password, and the code of their second step. */
export const PROOF_FIELDS = { password: 'own-password', code: 'own-code' } as const;
