import { string } from 'yup';

/** The passwords used most, 49,233 of them: the 10,000 that are asked for (NIST SP 800-63B 3.1.1.2 asks for a list, not a length) and more. */
let common: Promise<ReadonlySet<string>> | undefined;

/** Read at the first use: only who chooses a password needs it. */
const commonPasswords = (): Promise<ReadonlySet<string>> =>
  (common ??= import('@zxcvbn-ts/language-common').then(({ dictionary }) => {
    const all: readonly (string | number)[] = dictionary['passwords-common'];
    return new Set(all.map((p) => String(p).toLowerCase()));
  }));

/** Whether a password is among those that are tried first. */
export const isCommonPassword = async (password: string): Promise<boolean> =>
  (await commonPasswords()).has(password.trim().toLowerCase());

/** A password that somebody chooses. */
export const newPassword = string()
  .required('Choose a password.')
  .min(10, 'At least ten letters; a few words in a row are good.')
  .max(200, 'That is too long for a password.')
  .test(
    'common',
    'That is one of the passwords that are tried first. Choose another: a few words in a row are good.',
    async (value) => (value === undefined ? true : !(await isCommonPassword(value))),
  );
