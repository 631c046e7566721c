/** An id as it stands in an address or a form: digits alone, within what the database can hold. Undefined for anything else. */
export const parseId = (text: unknown): number | undefined =>
  typeof text === 'string' && /^[1-9]\d{0,14}$/.test(text) ? Number(text) : undefined;

/** Largest revision that the database can hold. */
const MAX_REVISION = 2 ** 31 - 1;

/** A revision, from a form or from JSON; undefined for what can be none. */
export function parseRevision(value: unknown): number | undefined {
  const number = typeof value === 'string' && /^\d{1,10}$/.test(value) ? Number(value) : value;
  return typeof number === 'number' && Number.isInteger(number) && number >= 1 && number <= MAX_REVISION
    ? number
    : undefined;
}
