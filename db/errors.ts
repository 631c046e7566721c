/** A row that must be there is not, or belongs to another workspace: the two look the same from outside. */
export class NotFoundError extends Error {
  readonly what: string;
  constructor(what: string) {
    super(`${what} not found`);
    this.name = 'NotFoundError';
    this.what = what;
  }
}

/** Someone else changed the row in between; `revision` is the one that stands now. */
export class StaleError extends Error {
  readonly revision: number;
  constructor(revision: number) {
    super(`the row was changed in between and is at revision ${revision}`);
    this.name = 'StaleError';
    this.revision = revision;
  }
}

/** The data was made by a newer version of the application. */
export class NewerDataError extends Error {
  readonly dataNumber: number;
  readonly knownNumber: number;
  constructor(dataNumber: number, knownNumber: number) {
    super(`the data is at migration ${dataNumber}, and this version knows ${knownNumber}`);
    this.name = 'NewerDataError';
    this.dataNumber = dataNumber;
    this.knownNumber = knownNumber;
  }
}

/** The database can't be had just now: gone, starting, or with more to do than it can. Trying again later may do. */
export class DatabaseAwayError extends Error {
  constructor(cause: unknown) {
    super('the database does not answer', { cause });
    this.name = 'DatabaseAwayError';
  }
}
