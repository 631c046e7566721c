import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { ArrangeResult, ArrangeScope } from '../../../core/progress/arrange/arrange-week.ts';
import type { ArrangeWorker } from '../../workers/arrange.worker.ts';

export type Arranged = { readonly status: 'searching' } | { readonly status: 'failed' } | ArrangeResult;

/** Has a week arranged in a worker; while it searches, and where that fails, it says so. */
export function useArrange(scope: ArrangeScope): Arranged {
  const [answer, setAnswer] = useState<{ readonly scope: ArrangeScope; readonly result: ArrangeResult | { readonly status: 'failed' } }>();
  const [remote, setRemote] = useState<Remote<ArrangeWorker>>();
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/arrange.worker.ts', import.meta.url), { type: 'module' });
    worker.onerror = () => setAnswer((now) => (now ? { ...now, result: { status: 'failed' } } : now));
    const wrapped = wrap<ArrangeWorker>(worker);
    setRemote(() => wrapped);
    return () => worker.terminate();
  }, []);
  useEffect(() => {
    if (!remote) return undefined;
    let isWanted = true;
    remote.arrangeWeek(scope).then((result) => { if (isWanted) setAnswer({ scope, result }); }, () => { if (isWanted) setAnswer({ scope, result: { status: 'failed' } }); });
    return () => { isWanted = false; };
  }, [remote, scope]);
  return answer?.scope === scope ? answer.result : { status: 'searching' };
}
