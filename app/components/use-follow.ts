import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Cue, FollowEvent, FollowState } from '../../core/follow/follow.ts';
import { advance, cuesBetween, stageSpentMs, startFollow } from '../../core/follow/follow.ts';
import type { Stage } from '../../core/follow/stage.ts';

const TICK_MS = 100;
/** A clock that was left longer ago than this isn't taken up again. */
const RESUME_WITHIN_MS = 3 * 3600 * 1000;

interface Saved {
  readonly savedAtMs: number;
  readonly state: FollowState;
}

function readStore(key: string): string {
  try {
    return localStorage.getItem(key) ?? '';
  } catch {
    return ''; // A store that may not be read holds nothing to take up.
  }
}

function parseSaved(text: string, stageCount: number): FollowState | undefined {
  try {
    const saved = JSON.parse(text || 'null') as Saved | null;
    if (!saved || Date.now() - saved.savedAtMs > RESUME_WITHIN_MS || saved.state.stage >= stageCount) return undefined;
    return { ...startFollow(0), ...saved.state, status: 'paused' };
  } catch {
    return undefined;
  }
}

const noChanges = () => () => undefined;

/**
 * Drives the follow clock: ticks it, keeps it over a reload (it then waits, paused), and reports each call once.
 * `state` is null until it is started.
 */
export function useFollow(stages: readonly Stage[], key: string, onCue: (cue: Cue, stage: Stage) => void) {
  const [state, setState] = useState<FollowState | null>(null);
  const [now, setNow] = useState(0);
  const current = useRef<FollowState | null>(null);
  const heard = useRef<{ stage: number; sec: number }>({ stage: -1, sec: 0 });
  const cue = useRef(onCue);
  useEffect(() => {
    cue.current = onCue;
  }, [onCue]);
  const stored = useSyncExternalStore(
    noChanges,
    () => readStore(key),
    () => '',
  );
  const saved = useMemo(() => parseSaved(stored, stages.length), [stored, stages.length]);

  const apply = useCallback(
    (next: FollowState, at: number) => {
      const before = current.current;
      current.current = next;
      setState(next);
      setNow(at);
      const stage = stages[next.stage];
      const sec = stageSpentMs(next, at) / 1000;
      if (next.status === 'finished') {
        if (before?.status !== 'finished') cue.current('finish', stages.at(-1)!);
      } else if (stage) {
        const isNew = heard.current.stage !== next.stage || sec < heard.current.sec - 0.5;
        const from = isNew ? -1 : heard.current.sec;
        // After a long sleep only the last call still means something.
        const due = next.status === 'running' ? cuesBetween(stage, from, sec) : [];
        const last = due.at(-1);
        if (last) cue.current(last, stage);
        if (next.status === 'running') heard.current = { stage: next.stage, sec };
      }
      if (
        before?.stage !== next.stage ||
        before.status !== next.status ||
        before.tapsByStage !== next.tapsByStage ||
        before.answersByStage !== next.answersByStage
      ) {
        try {
          if (next.status === 'finished') localStorage.removeItem(key);
          else
            localStorage.setItem(
              key,
              JSON.stringify({
                savedAtMs: at,
                state: { ...next, spentMs: stageSpentMs(next, at), anchorMs: at },
              } satisfies Saved),
            );
        } catch {
          /* Without a store the clock still runs; only a reload starts it afresh. */
        }
      }
    },
    [stages, key],
  );

  const send = useCallback(
    (event: FollowEvent) => {
      if (!current.current) return;
      const at = Date.now();
      apply(advance(advance(current.current, 'tick', stages, at), event, stages, at), at);
    },
    [apply, stages],
  );

  const start = useCallback(
    (from?: FollowState) => {
      const at = Date.now();
      apply(from ? { ...from, status: 'running', anchorMs: at } : startFollow(at), at);
    },
    [apply],
  );

  const running = state?.status === 'running';
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => send('tick'), TICK_MS);
    return () => clearInterval(timer);
  }, [running, send]);

  return { state, now, saved, send, start };
}
