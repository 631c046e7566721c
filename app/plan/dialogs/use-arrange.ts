import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { ArrangeResult, ArrangeScope } from '../../../core/progress/arrange/arrange-week.ts';
import type { ArrangeWorker } from './arrange.worker.ts';

export type Arranged = { readonly status: 'searching' } | { readonly status: 'failed' } | ArrangeResult;

/** Has a week arranged in a worker; while it searches, and where that fails, it says so. */
export function useArrange(scope: ArrangeScope): Arranged {
  const [answer, setAnswer] = useState<{
    readonly scope: ArrangeScope;
    readonly result: ArrangeResult | { readonly status: 'failed' };
  }>();
  const held = useRef<{ readonly worker: Worker; readonly remote: Remote<ArrangeWorker> }>(undefined);
  useEffect(
    () => () => {
      held.current?.worker.terminate();
      held.current = undefined;
    },
    [],
  );
  useEffect(() => {
    let isWanted = true;
    const answerWith = (result: ArrangeResult | { readonly status: 'failed' }) => {
      if (isWanted) setAnswer({ scope, result });
    };
    if (!held.current) {
      const worker = new Worker(new URL('./arrange.worker.ts', import.meta.url), { type: 'module' });
      held.current = { worker, remote: wrap<ArrangeWorker>(worker) };
    }
    const { worker, remote } = held.current;
    worker.onerror = () => answerWith({ status: 'failed' });
    remote.arrangeWeek(scope).then(answerWith, () => answerWith({ status: 'failed' }));
    return () => {
      isWanted = false;
    };
  }, [scope]);
  return answer?.scope === scope ? answer.result : { status: 'searching' };
}
