/**
 * Whether a request that changes something comes from a page of ours. Browsers say where a form comes from;
 * a request that doesn't say is refused, as is one from elsewhere.
 */
export function isSameOrigin(request: Request): boolean {
  if (request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS') return true;
  const origin = request.headers.get('origin');
  if (origin && origin !== 'null') {
    try {
      const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host') ?? new URL(request.url).host;
      return new URL(origin).host === host;
    } catch {
      return false;
    }
  }
  return request.headers.get('sec-fetch-site') === 'same-origin';
}
