import './production.ts';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { createServer } from 'node:http';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import compression from 'compression';
import { pino } from 'pino';
import type { ServerBuild } from 'react-router';
import serveStatic from 'serve-static';
import { publicUrl, trustedProxies } from '../config.ts';
import { buildAddressOf, cleanHeaders } from './client-address.ts';
import { drainBody, sendFetchResponse, toFetchRequest } from './fetch-adapter.ts';
import type { Told } from './plain-page.ts';
import { COMMON_HEADERS, plainAnswer, toldIn } from './plain-page.ts';
import { judgeRange, refuseRequest } from './refuse-request.ts';
import { buildRoutePattern } from './route-pattern.ts';
import { networkOf } from './limits/network.ts';
import { SaveOrder, saverOf } from './save-order.ts';
import { UnfinishedBodies } from './limits/unfinished.ts';
import { MAX_IN_FLIGHT, MAX_UNFINISHED, PATIENCE_MS, SLOWEST_BODY } from './limits/limits.ts';
import { isOneClick, isSameOrigin } from './origin-check.ts';

export interface RunningServer {
  readonly server: Server;
  /** Runs `stop` once something was thrown that nobody caught: nothing goes on in a state that nobody knows. */
  readonly onFatal: (stop: () => void) => void;
  readonly hasFailed: () => boolean;
  /** Unexpected errors since the process started. */
  readonly faultCount: () => number;
  /** Takes no more, lets open requests end for `graceMs`, then ends them. */
  readonly close: (graceMs?: number) => Promise<void>;
}

export interface ListenOptions {
  readonly port: number;
  readonly host: string;
  readonly patienceMs?: { readonly headers: number; readonly request: number; readonly look: number };
}

type Middleware = (request: IncomingMessage, response: ServerResponse, next: (error?: unknown) => void) => void;

/** The built application, with the router's own handler in it: one copy of the router, and no development one. */
interface ApplicationBuild extends ServerBuild {
  readonly entry: ServerBuild['entry'] & {
    readonly module: {
      readonly createRequestHandler: (build: ServerBuild, mode: string) => (request: Request) => Promise<Response>;
      readonly closeDatabase: () => Promise<void>;
      readonly closePdfPool: () => Promise<void>;
      readonly startSignsOfLife: () => () => void;
      readonly countFault: () => void;
      readonly faultCount: () => number;
      readonly describeFault: (error: unknown) => object;
    };
  };
}

const isStatus = (error: unknown): error is { readonly statusCode: number } =>
  error instanceof Error && 'statusCode' in error && typeof error.statusCode === 'number';

/** How long to wait with another try, by status. */
const RETRY_AFTER_SEC: Readonly<Record<number, string>> = { 429: '20', 503: '2' };
const UNWANTED_BODY_MS = 3_000;
const PUBLIC_SEC = 300;
const YEAR_SEC = 31_536_000;

/** Whether the router asks, which reads its own answers. */
const isDataOf = (request: IncomingMessage): boolean => (request.url ?? '').split('?')[0]!.endsWith('.data');
const wantsPage = (request: IncomingMessage): boolean =>
  (request.headers.accept ?? '').includes('text/html') && !isDataOf(request);

/** Serves the production build. Rejects with the socket's error where the port can't be had, and with SettingError on bad settings. */
export async function listen({ port, host, patienceMs = PATIENCE_MS }: ListenOptions): Promise<RunningServer> {
  const log = pino({ level: process.env.LOG_LEVEL ?? 'info', base: null });
  const site = publicUrl();
  const isHttps = site.protocol === 'https:';
  /** As the browser knows us; only held against where a form says it comes from. Links are made from PUBLIC_URL. */
  const originOf = (request: IncomingMessage) => `${site.protocol}//${request.headers.host ?? site.host}`;
  const addressOf = buildAddressOf(trustedProxies());
  const build = (await import(pathToFileURL(resolve('build/server/index.js')).href)) as unknown as ApplicationBuild;
  const { createRequestHandler, closeDatabase, closePdfPool, startSignsOfLife, countFault, faultCount, describeFault } =
    build.entry.module;
  const handle = createRequestHandler(build, 'production');
  const patternOf = buildRoutePattern(build.routes);
  const files = resolve('build/client');
  const serveFile = serveStatic(files, {
    index: false,
    redirect: false,
    cacheControl: false,
    setHeaders: (response, path) => {
      const isHashed = path.startsWith(join(files, 'assets'));
      response.setHeader(
        'cache-control',
        isHashed ? `public, max-age=${YEAR_SEC}, immutable` : `public, max-age=${PUBLIC_SEC}`,
      );
    },
  });
  const compress = compression() as unknown as Middleware;
  const bodies = new UnfinishedBodies(MAX_UNFINISHED);
  const looking = setInterval(() => bodies.cutSlow(SLOWEST_BODY), patienceMs.look).unref();
  const saves = new SaveOrder(PATIENCE_MS.save);
  let inFlight = 0;

  const fault = (where: string, error: unknown) => {
    countFault();
    log.error({ where, ...describeFault(error) });
  };

  const say = (request: IncomingMessage, response: ServerResponse, status: number, told?: Told) => {
    if (response.headersSent) {
      response.destroy();
      return;
    }
    const answer = plainAnswer(status, wantsPage(request), told);
    for (const name of response.getHeaderNames()) response.removeHeader(name);
    response.writeHead(answer.status, answer.headers);
    response.end(request.method === 'HEAD' ? undefined : answer.body);
  };

  const runApplication = async (request: IncomingMessage, response: ServerResponse) => {
    const controller = new AbortController();
    response.on('close', () => {
      if (!response.writableFinished) controller.abort();
    });
    const headers = cleanHeaders(request.rawHeaders, addressOf(request));
    const asked = toFetchRequest(request, originOf(request), headers, controller.signal);
    if (!isSameOrigin(asked)) {
      say(request, response, 403);
      return;
    }
    // The router would hold it against the host.
    if (isOneClick(asked)) asked.headers.delete('origin');
    const saver = saverOf(request.url ?? '', request.headers.cookie ?? '');
    const isSave = request.method !== 'GET' && request.method !== 'HEAD';
    if (saver !== undefined && !isSave) await saves.settled(saver);
    const answer = await (saver !== undefined && isSave ? saves.save(saver, () => handle(asked)) : handle(asked));
    const isPage = (answer.headers.get('content-type') ?? '').includes('text/html');
    // An address that a person went to answers with a page, whatever went wrong behind it; a method that it hasn't, with those that it has.
    const isRefusedMethod = answer.status === 405 && !isDataOf(request);
    if (isRefusedMethod || (answer.status >= 400 && !isPage && wantsPage(request))) {
      say(request, response, answer.status, await toldIn(answer));
      return;
    }
    const retryAfter = RETRY_AFTER_SEC[answer.status];
    if (retryAfter !== undefined) response.setHeader('retry-after', retryAfter);
    await sendFetchResponse(answer, response, request.method === 'HEAD');
  };

  const answer = (request: IncomingMessage, response: ServerResponse) => {
    for (const [name, value] of Object.entries(COMMON_HEADERS)) response.setHeader(name, value);
    if (isHttps) response.setHeader('strict-transport-security', `max-age=${YEAR_SEC}; includeSubDomains`);
    const refused = refuseRequest(request);
    if (refused !== undefined) {
      say(request, response, refused);
      return;
    }
    const range = request.headers.range === undefined ? 'take' : judgeRange(request.headers.range);
    if (range === 'pass') delete request.headers.range;
    if (range === 'refuse') {
      say(request, response, 416);
      return;
    }
    // A file is read, and nothing else can be done with it; any other method is for the application to take or refuse.
    const serve: Middleware =
      request.method === 'GET' || request.method === 'HEAD'
        ? (serveFile as Middleware)
        : (_request, _response, next) => next();
    compress(request, response, () =>
      serve(request, response, (error) => {
        // A part or a state of a file that there isn't (RFC 9110, 13.1.1 and 14.4).
        const status = isStatus(error) ? error.statusCode : undefined;
        if (status !== undefined && status < 500) {
          say(request, response, status);
          return;
        }
        if (error) fault('file', error);
        if (inFlight >= MAX_IN_FLIGHT || !bodies.begin(request, networkOf(addressOf(request)))) {
          say(request, response, 503);
          return;
        }
        inFlight++;
        runApplication(request, response)
          .catch((error: unknown) => {
            fault('request', error);
            say(request, response, 500);
          })
          .finally(() => inFlight--);
      }),
    );
  };

  const server = createServer({ connectionsCheckingInterval: patienceMs.look }, (request, response) => {
    const startedMs = performance.now();
    response.on('error', () => undefined);
    response.on('finish', () => {
      log.info({
        method: request.method,
        route: patternOf((request.url ?? '').split('?')[0]!),
        status: response.statusCode,
        ms: Math.round((performance.now() - startedMs) * 10) / 10,
      });
      // What of a body nobody has read runs into nothing, so that it counts no longer; what is still coming of it for a while, so that
      // the answer is seen.
      drainBody(request);
      if (!request.complete) {
        setTimeout(() => request.destroy(), UNWANTED_BODY_MS).unref();
      }
    });
    try {
      answer(request, response);
    } catch (error) {
      fault('answer', error);
      say(request, response, 500);
    }
  });
  server.headersTimeout = patienceMs.headers;
  server.requestTimeout = patienceMs.request;
  server.keepAliveTimeout = PATIENCE_MS.keepAlive;
  const onProcessFault = (error: unknown) => fault('process', error);
  let failed = false;
  let stop: (() => void) | undefined;
  const onUncaught = (error: unknown) => {
    onProcessFault(error);
    if (failed) return;
    failed = true;
    if (stop) stop();
    else process.exit(1);
  };
  process.on('unhandledRejection', onProcessFault);
  process.on('uncaughtException', onUncaught);
  await new Promise<void>((done, failed) => {
    server.once('error', failed);
    server.listen(port, host, done);
  });
  const endSignsOfLife = startSignsOfLife();
  return {
    server,
    faultCount,
    hasFailed: () => failed,
    onFatal: (then) => (stop = then),
    close: async (graceMs = 0) => {
      endSignsOfLife();
      clearInterval(looking);
      const closed = new Promise<void>((done) => server.close(() => done()));
      server.closeIdleConnections();
      const timer = setTimeout(() => server.closeAllConnections(), graceMs);
      await closed;
      clearTimeout(timer);
      await closePdfPool();
      await closeDatabase();
      process.off('unhandledRejection', onProcessFault);
      process.off('uncaughtException', onUncaught);
    },
  };
}
