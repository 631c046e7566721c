/** Whether two values hold the same plain data, in whatever order their keys come; a key that is undefined is none. */
export function sameData(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const keys = Object.keys(a).filter((k) => (a as Record<string, unknown>)[k] !== undefined);
  const otherKeys = Object.keys(b).filter((k) => (b as Record<string, unknown>)[k] !== undefined);
  return (
    keys.length === otherKeys.length &&
    keys.every((k) => sameData((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k]))
  );
}
