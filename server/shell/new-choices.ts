import { MAX_WEEKS } from '../../core/calendar/day.ts';
import { cookie, readOwnCookie } from '../http/cookies.ts';

/** What was chosen for the last programme of empty days that this browser made; else what most have. */
export interface NewChoices {
  readonly weeks: number;
  /** 1 Monday to 7 Sunday. */
  readonly weekdays: readonly number[];
  /** Every so manieth week is lighter; 0 for none. */
  readonly lighterEvery: number;
}

const NAME = 'ysodos_new';
const YEAR_SEC = 365 * 24 * 3600;
const USUAL: NewChoices = { weeks: 4, weekdays: [1, 3, 5], lighterEvery: 4 };

/** `6.135.4`: weeks, weekdays, every which week is lighter. Anything else that stands there counts as nothing. */
export function readChoices(request: Request): NewChoices {
  const found = /^(\d{1,2})\.([1-7]{1,7})\.([03-6])$/.exec(readOwnCookie(request, NAME) ?? '');
  const weeks = Number(found?.[1]);
  return found && weeks >= 1 && weeks <= MAX_WEEKS
    ? { weeks, weekdays: [...new Set(found[2])].map(Number), lighterEvery: Number(found[3]) }
    : USUAL;
}

/** The header that remembers them for a year. */
export const rememberChoices = ({ weeks, weekdays, lighterEvery }: NewChoices): Record<string, string> => ({
  'set-cookie': cookie(NAME, `${weeks}.${[...new Set(weekdays)].join('')}.${lighterEvery}`, YEAR_SEC),
});
