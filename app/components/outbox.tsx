import { useEffect, useState } from 'react';
import { useRevalidator } from 'react-router';
import { forgetLog, readKept, sendLog } from './outbox-store.ts';

const RETRY_MS = 20_000;

/** Sends what is kept as soon as it can, and says so while something waits. */
export function Outbox() {
  const [waiting, setWaiting] = useState(0);
  const { revalidate } = useRevalidator();
  useEffect(() => {
    let stopped = false;
    let busy = false;
    const flush = async () => {
      if (busy) return;
      busy = true;
      let stored = false;
      for (const log of readKept()) {
        const result = await sendLog(log);
        if (result !== 'kept') forgetLog(log.clientId);
        stored ||= result === 'stored';
      }
      busy = false;
      if (stopped) return;
      setWaiting(readKept().length);
      if (stored) void revalidate();
    };
    void flush();
    const timer = setInterval(() => void flush(), RETRY_MS);
    const onOnline = () => void flush();
    window.addEventListener('online', onOnline);
    return () => {
      stopped = true;
      clearInterval(timer);
      window.removeEventListener('online', onOnline);
    };
  }, [revalidate]);
  if (waiting === 0) return null;
  return (
    <p className="outbox" role="status">
      No network: {waiting === 1 ? 'one log is' : `${waiting} logs are`} kept on this phone and sent later.
    </p>
  );
}
