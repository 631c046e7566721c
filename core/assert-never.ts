/** Closes a union: a case that was forgotten fails the type check, and at run time says which. */
export function assertNever(value: never): never {
  throw new TypeError(`unexpected case: ${JSON.stringify(value)}`);
}
