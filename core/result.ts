/** Why something isn't done: a sentence with its way out; `remedy` is what to write instead, where that is known. */
export interface Refused {
  readonly status: 'refused';
  readonly message: string;
  readonly remedy?: string;
}

/** What may be refused: the value, or why not. */
export type Result<T> = { readonly status: 'done'; readonly value: T } | Refused;

export const done = <T>(value: T): Result<T> => ({ status: 'done', value });

export const refused = (message: string, remedy?: string): Refused => ({
  status: 'refused',
  message,
  ...(remedy !== undefined && { remedy }),
});
