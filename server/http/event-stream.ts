/** How often a stream looks anew, and for how long it stays open. */
export interface StreamPace {
  readonly lookEveryMs: number;
  /** After so many looks without news a comment is sent: proxies end what is silent. */
  readonly sayEvery: number;
  readonly openForMs: number;
}

/**
 * Server-sent events: `first` at once, then what `look` gives, as often as it is another line than before. Ends with
 * the request, after its time, or where `look` fails; `leave` is called once, at the end.
 */
export function eventStream(
  signal: AbortSignal,
  first: string,
  look: () => Promise<string>,
  leave: () => void,
  pace: StreamPace,
): Response {
  let last = first;
  const text = new TextEncoder();
  const endsAt = performance.now() + pace.openForMs;
  let timer: NodeJS.Timeout | undefined;
  let isOver = false;
  const end = () => {
    if (isOver) return;
    isOver = true;
    clearTimeout(timer);
    leave();
  };
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (line: string) => controller.enqueue(text.encode(line));
      const close = () => {
        if (isOver) return;
        end();
        controller.close();
      };
      signal.addEventListener('abort', close);
      send(`retry: 3000\ndata: ${last}\n\n`);
      let silent = 0;
      const again = async () => {
        const now = await look();
        if (isOver) return;
        if (now !== last) {
          last = now;
          silent = 0;
          send(`data: ${now}\n\n`);
        } else if (++silent % pace.sayEvery === 0) send(': still here\n\n');
        if (performance.now() > endsAt) close();
        else next();
      };
      const next = () => {
        // Whatever is in the way (the database, a sign-in that ended): the browser asks anew, and is told.
        timer = setTimeout(() => void again().catch(close), pace.lookEveryMs);
        timer.unref();
      };
      next();
    },
    cancel: end,
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
