/** What a loader or action answered, whether it returned or threw it. */
export interface RouteAnswer {
  readonly status: number;
  readonly location: string | null;
  // A test looks into whatever came back.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  readonly data: any;
  readonly setCookie: string | null;
}

interface CallOptions {
  readonly params?: Record<string, string>;
  readonly form?: Record<string, string | readonly string[]>;
  readonly json?: unknown;
  readonly cookie?: string;
  readonly headers?: Record<string, string>;
}

// Each route has arguments of its own type; a test calls them all alike.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type RouteFunction = (args: any) => unknown;

function body(form: CallOptions['form']): URLSearchParams {
  const fields = new URLSearchParams();
  for (const [key, value] of Object.entries(form ?? {}))
    for (const one of typeof value === 'string' ? [value] : value) fields.append(key, one);
  return fields;
}

/** Calls a loader (no form or json) or an action with a Request, as the framework does. */
export async function callRoute(route: RouteFunction, path: string, options: CallOptions = {}): Promise<RouteAnswer> {
  const headers = new Headers({ ...(options.cookie && { cookie: options.cookie }), ...options.headers });
  if (options.json !== undefined) headers.set('content-type', 'application/json');
  const isPost = options.form !== undefined || options.json !== undefined;
  const request = new Request(`http://127.0.0.1:4310${path}`, {
    headers,
    ...(isPost && {
      method: 'POST',
      body: options.json !== undefined ? JSON.stringify(options.json) : body(options.form),
    }),
  });
  let result: unknown;
  try {
    result = await route({ request, params: options.params ?? {}, context: {} });
  } catch (thrown) {
    if (!(thrown instanceof Response) && !isData(thrown)) throw thrown;
    result = thrown;
  }
  if (result instanceof Response)
    return {
      status: result.status,
      location: result.headers.get('location'),
      data: undefined,
      setCookie: result.headers.get('set-cookie'),
    };
  if (isData(result)) return { status: result.init?.status ?? 200, location: null, data: result.data, setCookie: null };
  return { status: 200, location: null, data: result, setCookie: null };
}

const isData = (x: unknown): x is { data: unknown; init: { status?: number } | null } =>
  typeof x === 'object' && x !== null && (x as { type?: string }).type === 'DataWithResponseInit';
