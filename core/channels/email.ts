import type { Channel } from './channel.ts';

/**
 * Whether this is an e-mail address that a message can be sent to: one local part and one domain with a dot, without blanks, angle
 * brackets or line breaks, of at most 120 letters (RFC 5321 allows 254; the form keeps 120).
 */
export const isEmailAddress = (text: string): boolean =>
  text.length <= 120 &&
  /^[^\s@<>",;:()[\]\\]{1,64}@[^\s@<>",;:()[\]\\]+\.[^\s@<>",;:()[\]\\.]{2,}$/u.test(text) &&
  !/\.\.|^\.|\.@|@[.-]/.test(text);

export const email: Channel<'email'> = {
  id: 'email',
  field: 'email',
  isAddress: isEmailAddress,
  refusal: 'That is no e-mail address.',
  by: 'by e-mail',
  told: 'by e-mail',
  as: 'as e-mail',
  outage: 'mail',
};
