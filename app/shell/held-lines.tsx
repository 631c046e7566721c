import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useFetcher, useRevalidator } from 'react-router';
import { formatClock } from '../../core/words/format-clock.ts';
import { plural } from '../../core/words/words.ts';
import type { HeldDay } from '../../db/queries/messages/stop.ts';

interface HeldLinesProps {
  readonly base: string;
  readonly held: readonly (HeldDay & { readonly key: string; readonly title: string })[];
  /** Messages that a press has laid, and until when they can be stopped. */
  readonly stoppable: { readonly messages: number; readonly untilMs: number } | null;
  /** When the page was loaded, by the server's clock. */
  readonly nowMs: number;
}

/** Whole seconds that are left of a time that the server gave, counted by the page's own clock from when it was loaded. */
function useSecondsLeft(untilMs: number | null, nowMs: number): number {
  const [leftSec, setLeftSec] = useState(untilMs === null ? 0 : Math.ceil((untilMs - nowMs) / 1000));
  useEffect(() => {
    if (untilMs === null) return;
    const startedAt = performance.now();
    const tick = () => setLeftSec(Math.max(0, Math.ceil((untilMs - nowMs - (performance.now() - startedAt)) / 1000)));
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [untilMs, nowMs]);
  return leftSec;
}

/** What is about to leave and can still be stopped, and what is held back: on every page of a run. */
export function HeldLines({ base, held, stoppable, nowMs }: HeldLinesProps) {
  const fetcher = useFetcher<{ error: string; told: string }>();
  const busy = fetcher.state !== 'idle';
  const act = (intent: string, day = '') =>
    void fetcher.submit({ intent, day }, { method: 'post', action: `${base}/send-choices` });
  const answer = busy ? undefined : fetcher.data;
  if (held.length === 0 && !stoppable && !answer) return null;
  return (
    <section className="held-lines" aria-label="About to leave, or held back">
      {answer && (answer.error || answer.told) && (
        <p role={answer.error ? 'alert' : 'status'} className={answer.error ? 'plan-off' : undefined}>
          {answer.error || answer.told}
        </p>
      )}
      {held.map((h) => (
        <div key={`${h.key} ${h.kind}`} className="held-line">
          {h.kind === 'grace' ? (
            <LeavingLine untilMs={h.untilMs} nowMs={nowMs}>
              <Link to={`${base}/send/${h.key}`}>{h.title}</Link> goes to {plural(h.people, 'person', 'people')}
            </LeavingLine>
          ) : (
            <span>
              <Link to={`${base}/send/${h.key}`}>{h.title}</Link> is held back from{' '}
              {plural(h.people, 'person', 'people')}.
            </span>
          )}
          {h.kind === 'grace' ? (
            <Button size="small" disabled={busy} onClick={() => act('stop', h.key)}>
              Stop it
            </Button>
          ) : (
            <>
              <Button size="small" disabled={busy} onClick={() => act('send-held', h.key)}>
                Send it now
              </Button>
              <Button size="small" disabled={busy} onClick={() => act('leave-held', h.key)}>
                Leave it out
              </Button>
            </>
          )}
        </div>
      ))}
      {stoppable && (
        <div className="held-line">
          <LeavingLine untilMs={stoppable.untilMs} nowMs={nowMs}>
            {plural(stoppable.messages, 'message leaves', 'messages leave')}
          </LeavingLine>
          <Button size="small" disabled={busy} onClick={() => act('stop-messages')}>
            Stop them
          </Button>
        </div>
      )}
    </section>
  );
}

/** What leaves, and in what time; once it has left, the page is loaded anew. */
function LeavingLine({
  untilMs,
  nowMs,
  children,
}: {
  untilMs: number | null;
  nowMs: number;
  children: React.ReactNode;
}) {
  const leftSec = useSecondsLeft(untilMs, nowMs);
  const { revalidate } = useRevalidator();
  const isOver = leftSec === 0;
  useEffect(() => {
    if (isOver) void revalidate();
  }, [isOver, revalidate]);
  return (
    <span>
      {children}{' '}
      {isOver ? (
        'now'
      ) : (
        <>
          in <b className="held-left">{formatClock(leftSec)}</b>
        </>
      )}
      .
    </span>
  );
}
