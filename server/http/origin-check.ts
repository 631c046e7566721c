/** One click in a mail program (RFC 8058) comes from nowhere; its address is a secret of its own, and it can only end messages. */
const STOP = /^\/stop\/[0-9a-f-]{36}$/;

export const isOneClick = ({ url }: Pick<Request, 'url'>): boolean => STOP.test(new URL(url).pathname);

/**
 * Whether a request that changes something comes from a page of ours. Browsers say where a form comes from;
 * a request that doesn't say is refused, as is one from elsewhere. The request's own address is made by `listen` from the
 * scheme of PUBLIC_URL and the host that was asked.
 */
export function isSameOrigin(request: Request): boolean {
  if (isOneClick(request)) return true;
  if (request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS') return true;
  const origin = request.headers.get('origin');
  if (!origin || origin === 'null') return request.headers.get('sec-fetch-site') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).origin === new URL(request.url).origin;
}
