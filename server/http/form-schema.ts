import { number, string, ValidationError } from 'yup';
import type { Schema } from 'yup';
import { parseDayDate } from '../../core/calendar/day.ts';
import { isTimeZone } from '../../core/calendar/release.ts';
import { hasAtMost } from '../../core/letters.ts';

/** The first message of each field that a schema refuses, by field. */
export async function yupErrors(schema: Pick<Schema, 'validate'>, values: unknown): Promise<Record<string, string>> {
  try {
    await schema.validate(values, { abortEarly: false });
    return {};
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const found: Record<string, string> = {};
    for (const inner of error.inner.length > 0 ? error.inner : [error]) found[inner.path ?? ''] ??= inner.message;
    return found;
  }
}

/** The first thing that a schema refuses, in the order of its fields; undefined where it refuses nothing. */
export async function firstError(
  schema: Pick<Schema, 'validate'>,
  values: unknown,
): Promise<{ readonly field: string; readonly message: string } | undefined> {
  const [found] = Object.entries(await yupErrors(schema, values));
  return found && { field: found[0], message: found[1] };
}

/** Words of at most so many letters, as `message` says. */
export const words = (most: number, message = `At most ${most} letters.`) =>
  string().test('letters', message, hasAtMost(most));

/** As `words`, and not empty. */
export const someWords = (most: number, message: string) =>
  string().required(message).test('letters', message, hasAtMost(most));

export const zone = string().test(
  'zone',
  'That is no time zone known here; one is like Europe/Lisbon.',
  (value) => value !== undefined && isTimeZone(value),
);

const HOUR = /^([01]\d|2[0-3]):[0-5]\d$/;
export const isHour = (text: string): boolean => HOUR.test(text);

/** `07:30`, or nothing. */
export const hour = (message: string) =>
  string().test('hour', message, (value) => value === undefined || value === '' || isHour(value));

/** `2026-05-13`. */
export const day = (message: string) =>
  string()
    .required(message)
    .test('day', message, (value) => parseDayDate(value) !== undefined);

/** A whole number from `least` to `most`. */
export const whole = (least: number, most: number, message: string) =>
  number().typeError(message).integer(message).min(least, message).max(most, message);

/** People that a run or a live session takes, or nothing: as many as come. */
export const peopleLimit = (message: string) => whole(1, 20_000, message).nullable();
