import { cutLetters, hasAtMost } from '../core/letters.ts';
import { number, object, string, ValidationError } from 'yup';
import type { SessionRecord } from '../core/record/record.ts';
import { madeAt, MAX_REMARK_LENGTH, OUTCOMES } from '../core/record/record.ts';
import { parseScores } from '../core/record/score.ts';
import type { SessionPlan } from '../core/session/plan.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

const blankToNull = (_value: unknown, original: unknown) =>
  original === '' || original === undefined || original === null ? null : Number(original);

const logSchema = object({
  'client-id': string()
    .matches(UUID, 'This form is out of date; load the page again.')
    .required('This form is out of date; load the page again.'),
  outcome: string()
    .oneOf(OUTCOMES, 'Choose done, part of it, or not today.')
    .required('Choose done, part of it, or not today.'),
  share: number()
    .transform(blankToNull)
    .nullable()
    .typeError('Choose how much of it.')
    .integer('Choose how much of it.')
    .min(0, 'Choose how much of it.')
    .max(100, 'Choose how much of it.'),
  effort: number()
    .transform(blankToNull)
    .nullable()
    .typeError('Effort is a number from 0 to 10.')
    .integer('Effort is a whole number.')
    .min(0, 'Effort is a number from 0 to 10.')
    .max(10, 'Effort is a number from 0 to 10.'),
  remark: string()
    .default('')
    .test('letters', `A remark has at most ${MAX_REMARK_LENGTH} letters.`, hasAtMost(MAX_REMARK_LENGTH)),
});

export type LogForm =
  | { readonly status: 'success'; readonly clientId: string; readonly record: SessionRecord }
  | { readonly status: 'error'; readonly errors: Record<string, string>; readonly values: Record<string, string> };

/** Reads a log as it came from the form; every wrong field is named, and all that was typed comes back. */
export async function readLogForm(form: FormData, plan: SessionPlan, nowMs: number): Promise<LogForm> {
  const values = Object.fromEntries(
    [...form].slice(0, 200).flatMap(([k, v]) => (typeof v === 'string' ? [[k, cutLetters(v, 5000)]] : [])),
  );
  const errors = await yupErrors(logSchema, values);
  const { scores, errors: scoreErrors } = parseScores(plan, (name) => values[name] ?? '');
  for (const { name, message } of scoreErrors) errors[name] ??= message;
  if (Object.keys(errors).length > 0) return { status: 'error', errors, values };
  const read = logSchema.cast(values);
  const outcome = read.outcome as SessionRecord['outcome'];
  return {
    status: 'success',
    clientId: read['client-id'],
    record: {
      outcome,
      shareRatio: outcome === 'done' ? 1 : outcome === 'part' ? (read.share ?? 50) / 100 : 0,
      effort: outcome === 'not-done' ? null : (read.effort ?? null),
      remark: read.remark.trim(),
      scores: outcome === 'not-done' ? [] : scores,
      madeAtMs: madeAt({ madeAtMs: instant(values['made-at']), sentAtMs: instant(values['sent-at']) }, nowMs),
      loggedAtMs: nowMs,
    },
  };
}

/** An instant of the device's clock in ms; undefined where a page without script sends none. */
const instant = (text: string | undefined): number | undefined =>
  /^\d{12,14}$/.test(text ?? '') ? Number(text) : undefined;

/** The first message of each field that a schema refuses. */
export async function yupErrors(
  schema: { validate: (value: unknown, options: { abortEarly: false }) => Promise<unknown> },
  values: unknown,
): Promise<Record<string, string>> {
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
