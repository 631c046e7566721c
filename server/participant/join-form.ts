import { object, string } from 'yup';
import { yupErrors, zone } from '../http/form-schema.ts';
import { hasAtMost, cutLetters } from '../../core/letters.ts';
import { judgeScreening, SCREENING_QUESTIONS } from '../../core/screening.ts';
import type { CareState } from '../../core/screening.ts';
import { readContact } from './contact-form.ts';
import type { Spare } from '../../core/movement/spare.ts';
import { isSpare } from '../../core/movement/spare.ts';
import type { Channel } from '../../db/queries/person.ts';
import { formText } from '../http/form-text.ts';

/** What a stranger writes here is read in messages and on pages: it is a name, and no way to send words or links to anybody. */
const MOST_NAME = 60;
const isLinkLike = (name: string): boolean =>
  /[@<>]|\/\/|www\.|\.[a-z]{2,}\//i.test(name) || /\.(?:com|org|net|info|io|ru|cn|xyz|top|link)\b/i.test(name);

const schema = object({
  name: string()
    .required('Say what your coach calls you.')
    .test('letters', `A name has at most ${MOST_NAME} letters.`, hasAtMost(MOST_NAME))
    .test('link', 'A name has no link or address in it.', (name) => !isLinkLike(name ?? '')),
  timeZone: zone,
  consent: string().oneOf(['yes'], 'Without your consent nothing is stored, and you can’t take part here.'),
});

/** What someone says of themselves as they join. */
export interface JoinValues {
  readonly name: string;
  readonly timeZone: string;
  readonly channel: Channel;
  readonly address: string;
  readonly kit: readonly string[] | null;
  readonly spares: readonly Spare[];
  readonly care: CareState;
  readonly weekdays: readonly number[] | null;
}

export type JoinForm =
  | { readonly status: 'success'; readonly values: JoinValues }
  | { readonly status: 'error'; readonly errors: Record<string, string>; readonly said: Record<string, string> };

/**
 * Reads a join form; everything that was typed comes back beside the errors. Health answers fail closed: each question is answered, or
 * nobody joins; the answers themselves are not kept.
 */
export async function readJoinForm(form: FormData, pieces: readonly string[]): Promise<JoinForm> {
  const text = (name: string) => formText(form, name).trim();
  const said = Object.fromEntries(
    [...form].slice(0, 200).flatMap(([k, v]) => (typeof v === 'string' ? [[k, cutLetters(v, 500)]] : [])),
  );
  const [name, timeZone] = [text('name'), text('timeZone')];
  const { channel, address, errors: contactErrors } = readContact(text);
  const answers = SCREENING_QUESTIONS.map((_, i) => {
    const answer = text(`care-${i}`);
    return answer === 'yes' || answer === 'no' ? answer : undefined;
  });
  const care = judgeScreening(answers, text('seen') === 'yes');
  const errors: Record<string, string> = {
    ...(await yupErrors(schema, { name, timeZone, consent: text('consent') })),
    ...contactErrors,
    ...(!care && { care: 'Please answer each question.' }),
  };
  const weekdays = form
    .getAll('weekday')
    .map(Number)
    .filter((d) => Number.isInteger(d) && d >= 1 && d <= 7);
  if (Object.keys(errors).length > 0 || !care) return { status: 'error', errors, said };
  const strings = (field: string) => form.getAll(field).filter((v): v is string => typeof v === 'string');
  return {
    status: 'success',
    values: {
      name,
      timeZone,
      channel,
      address,
      kit: text('kit-said') === 'only' ? strings('kit').filter((k) => pieces.includes(k)) : null,
      spares: strings('spare').filter(isSpare),
      care,
      weekdays: weekdays.length > 0 ? [...new Set(weekdays)].sort((a, b) => a - b) : null,
    },
  };
}
