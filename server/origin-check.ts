/**
 * Whether a request that changes something comes from a page of ours. Browsers say where a form comes from;
 * a request that doesn't say is refused, as is one from elsewhere. The request's own address is made by `listen` from the
 * scheme of PUBLIC_URL and the host that was asked.
 */
export function isSameOrigin(request: Request): boolean {
  if (request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS') return true;
  const origin = request.headers.get('origin');
  if (!origin || origin === 'null') return request.headers.get('sec-fetch-site') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).origin === new URL(request.url).origin;
}
