import { yupErrors } from '../http/form-schema.ts';
import { object, string } from 'yup';
import type { Hurt } from '../../core/clock/clock.ts';
import { cutLetters } from '../../core/letters.ts';
import { UUID } from './log-form.ts';

const hurtSchema = object({
  'client-id': string().matches(UUID, 'This came without its own id.').required('This came without its own id.'),
  movement: string().required('Which movement hurt is missing.').max(120, 'A movement has at most 120 letters.'),
  area: string().required('Where it hurt is missing.').max(40, 'A place has at most 40 letters.'),
  did: string()
    .oneOf(['stand-in', 'left-out', 'ended'], 'What was done is missing.')
    .required('What was done is missing.'),
  to: string().default('').max(120, 'A movement has at most 120 letters.'),
});

export type HurtForm =
  | { readonly status: 'success'; readonly clientId: string; readonly hurt: Omit<Hurt, 'block'> }
  | { readonly status: 'error'; readonly errors: Record<string, string> };

/** Reads what hurt as the clock tells it. */
export async function readHurtForm(form: FormData): Promise<HurtForm> {
  const values = Object.fromEntries(
    [...form].slice(0, 20).flatMap(([k, v]) => (typeof v === 'string' ? [[k, cutLetters(v, 500)]] : [])),
  );
  const errors = await yupErrors(hurtSchema, values);
  if (Object.keys(errors).length > 0) return { status: 'error', errors };
  const { movement, area, did, to, 'client-id': clientId } = hurtSchema.cast(values);
  return { status: 'success', clientId, hurt: { movement, area, did, to } };
}
