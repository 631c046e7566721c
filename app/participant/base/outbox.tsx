import { useCallback, useEffect, useState } from 'react';
import { useLocation, useParams, useRevalidator } from 'react-router';
import type { KeptLog } from './outbox-store.ts';
import { plural } from '../../../core/words/words.ts';
import {
  dayOf,
  deliverLog,
  forgetLog,
  isWaiting,
  KEPT_EVENT,
  keepLog,
  linkOf,
  logWords,
  readKept,
  UNREADABLE,
  withLink,
} from './outbox-store.ts';

const RETRY_MS = 20_000;
const SHOWN_ARRIVED = 3;

/** `w2d5, 07:12`: a log by its day and when it was made. */
const keptWords = (log: KeptLog): string =>
  `${new URLSearchParams(log.body).has('area') ? 'what hurt in ' : ''}${dayOf(log)}, ${new Date(log.madeAtMs).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`;

/**
 * Sends what is kept as soon as it can, and says so while something waits. What the server doesn't take stays, with why, until it
 * is sent with the link of this page, copied, or thrown away.
 */
export function Outbox() {
  const [kept, setKept] = useState<readonly KeptLog[]>([]);
  const { revalidate } = useRevalidator();
  const { token } = useParams();
  const { pathname } = useLocation();
  const flush = useCallback(async () => {
    let stored = false;
    for (const log of (await readKept()).filter(isWaiting)) {
      const { status } = await deliverLog(log);
      stored ||= status === 'stored';
    }
    setKept(await readKept());
    if (stored) void revalidate();
  }, [revalidate]);
  useEffect(() => {
    let busy = false;
    const run = () => {
      if (busy) return;
      busy = true;
      void flush().finally(() => {
        busy = false;
      });
    };
    run();
    const timer = setInterval(run, RETRY_MS);
    const look = () => void readKept().then(setKept);
    const onSight = () => document.visibilityState === 'visible' && run();
    window.addEventListener('online', run);
    window.addEventListener(KEPT_EVENT, look);
    document.addEventListener('visibilitychange', onSight);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', run);
      window.removeEventListener(KEPT_EVENT, look);
      document.removeEventListener('visibilitychange', onSight);
    };
  }, [flush]);
  const waiting = kept.filter(isWaiting);
  const arrived = kept.filter((k) => k.arrivedAtMs !== undefined);
  // One that is being mended in the form of this page is seen there.
  const stuck = kept.filter((k) => k.problem !== undefined && !(k.url.endsWith(pathname) && k.problem === UNREADABLE));
  // What has arrived is told where a page ends; what hasn't lies over it.
  if (waiting.length + stuck.length === 0)
    return arrived.length === 0 ? null : (
      <p className="outbox-arrived" role="status">
        Nothing waits on this phone. Arrived lately: {arrived.slice(-SHOWN_ARRIVED).map(keptWords).join('; ')}.
      </p>
    );
  return (
    <section className="outbox" aria-label="Kept on this phone" role="status">
      {waiting.length > 0 && (
        <p>
          <b>Only on this phone so far:</b> {plural(waiting.length, 'log')} ({waiting.map(keptWords).join('; ')}). Sent
          by itself as soon as there is a network.
        </p>
      )}
      {stuck.map((log) => (
        <StuckLog
          key={log.clientId}
          log={log}
          token={token}
          onSend={(next) => {
            void keepLog(next).then(flush);
          }}
          onThrow={() => {
            void forgetLog(log.clientId);
          }}
        />
      ))}
    </section>
  );
}

interface StuckLogProps {
  readonly log: KeptLog;
  /** Of the link of this page. */
  readonly token: string | undefined;
  readonly onSend: (log: KeptLog) => void;
  readonly onThrow: () => void;
}

function StuckLog({ log, token, onSend, onThrow }: StuckLogProps) {
  const [copied, setCopied] = useState(false);
  const [asking, setAsking] = useState(false);
  const isOtherLink = token !== undefined && linkOf(log.url) !== token;
  const copy = () => void navigator.clipboard.writeText(logWords(log)).then(() => setCopied(true));
  return (
    <div className="outbox-stuck">
      <p>
        <b>A log is still on this phone.</b> {log.problem} Nothing of it is lost.
      </p>
      <pre className="small">{logWords(log)}</pre>
      <p className="outbox-doors">
        {token !== undefined && (
          <button type="button" onClick={() => onSend(withLink(log, token))}>
            {isOtherLink ? 'It is mine: send it with this link' : 'Try again'}
          </button>
        )}
        <button type="button" onClick={copy}>
          {copied ? 'copied' : 'Copy it'}
        </button>
        {asking ? (
          <button type="button" onClick={onThrow}>
            Yes, throw it away
          </button>
        ) : (
          <button type="button" onClick={() => setAsking(true)}>
            Throw it away …
          </button>
        )}
      </p>
    </div>
  );
}
