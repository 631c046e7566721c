/** What the environment says, read once. */
const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; ./ysodos demo sets it`);
  return value;
};

export const databaseUrl = (): string => need('YSODOS_DATABASE_URL');
/** Cookies are sent over https only, except on loopback, where the demo has no certificate. */
export const secureCookies = process.env.YSODOS_SECURE_COOKIES === 'yes';

const fixedNow = process.env.YSODOS_NOW === undefined ? undefined : Date.parse(process.env.YSODOS_NOW);
if (fixedNow !== undefined && Number.isNaN(fixedNow))
  throw new Error('YSODOS_NOW is no instant like 2026-05-13T09:00:00Z');

/** The present instant; a stopped clock where the demo was started with --now. */
export const nowMs = (): number => fixedNow ?? Date.now();
