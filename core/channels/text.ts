import type { Channel } from './channel.ts';

/** Whether this is a telephone number: seven digits or more, at most fifteen (ITU-T E.164), perhaps grouped, perhaps with a plus. */
const isPhoneNumber = (text: string): boolean => {
  const digits = text.replace(/\D/g, '').length;
  return /^\+?[0-9][0-9 ()/.-]*$/.test(text) && digits >= 7 && digits <= 15;
};

export const text: Channel<'text'> = {
  id: 'text',
  field: 'phone',
  isAddress: isPhoneNumber,
  refusal: 'That is no telephone number; write it like +351 910 000 111.',
  by: 'as a text',
  told: 'by text',
  as: 'as short texts',
  outage: null,
};
