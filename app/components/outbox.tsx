import { useCallback, useEffect, useState } from 'react';
import { useLocation, useParams, useRevalidator } from 'react-router';
import type { KeptLog } from './outbox-store.ts';
import {
  forgetLog,
  KEPT_EVENT,
  keepLog,
  linkOf,
  logWords,
  readKept,
  sendLog,
  UNREADABLE,
  withLink,
} from './outbox-store.ts';

const RETRY_MS = 20_000;

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
    for (const log of readKept().filter((k) => k.problem === undefined)) {
      const result = await sendLog(log);
      if (result.status === 'stored') forgetLog(log.clientId);
      if (result.status === 'refused') keepLog({ ...log, problem: result.problem });
      stored ||= result.status === 'stored';
    }
    setKept(readKept());
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
    const look = () => setKept(readKept());
    window.addEventListener('online', run);
    window.addEventListener(KEPT_EVENT, look);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', run);
      window.removeEventListener(KEPT_EVENT, look);
    };
  }, [flush]);
  const waiting = kept.filter((k) => k.problem === undefined).length;
  // One that is being mended in the form of this page is seen there.
  const stuck = kept.filter((k) => k.problem !== undefined && !(k.url.endsWith(pathname) && k.problem === UNREADABLE));
  if (waiting + stuck.length === 0) return null;
  return (
    <section className="outbox" aria-label="Kept on this phone" role="status">
      {waiting > 0 && (
        <p>No network: {waiting === 1 ? 'one log is' : `${waiting} logs are`} kept on this phone and sent later.</p>
      )}
      {stuck.map((log) => (
        <StuckLog
          key={log.clientId}
          log={log}
          token={token}
          onSend={(next) => {
            keepLog(next);
            void flush();
          }}
          onThrow={() => {
            forgetLog(log.clientId);
            setKept(readKept());
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
