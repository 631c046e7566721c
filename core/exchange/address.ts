/**
 * Whether this is an e-mail address that a message can be sent to: one local part and one domain with a dot, without blanks, angle
 * brackets or line breaks, of at most 120 letters (RFC 5321 allows 254; the form keeps 120).
 */
export const isEmailAddress = (text: string): boolean =>
  text.length <= 120 &&
  /^[^\s@<>",;:()[\]\\]{1,64}@[^\s@<>",;:()[\]\\]+\.[^\s@<>",;:()[\]\\.]{2,}$/u.test(text) &&
  !/\.\.|^\.|\.@|@[.-]/.test(text);

/** Whether this is a telephone number: seven digits or more, at most fifteen (ITU-T E.164), perhaps grouped, perhaps with a plus. */
export const isPhoneNumber = (text: string): boolean => {
  const digits = text.replace(/\D/g, '').length;
  return /^\+?[0-9][0-9 ()/.-]*$/.test(text) && digits >= 7 && digits <= 15;
};
