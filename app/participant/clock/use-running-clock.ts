import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { CLOCK_KEY } from '../base/kept-pages.ts';
import type { Call } from '../../../core/clock/voice/calls.ts';
import { worthCalling } from '../../../core/clock/voice/calls.ts';
import type { ClockEvent, ClockState } from '../../../core/clock/clock.ts';
import { runClock, nextCallInMs, stageSpentMs, startClock } from '../../../core/clock/clock.ts';
import type { ShapeLadders } from '../../../core/clock/shapes.ts';
import { applyShapes } from '../../../core/clock/shapes.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import type { ClockReading, SteadyClock } from '../../../core/clock/steady-clock.ts';
import { advanceSteady, startSteady } from '../../../core/clock/steady-clock.ts';

/** The figures are drawn at least so often; calls are waited for by themselves. */
const DRAW_MS = 100;
const SAVE_EVERY_MS = 1000;
/** A clock that was left longer ago than this isn't taken up again. */
const RESUME_WITHIN_MS = 24 * 3600 * 1000;

/** Told to the window at every call, with how late it was: for measuring. */
export const CALL_EVENT = 'ysodos-call';

interface Saved {
  readonly savedAtMs: number;
  readonly state: ClockState;
}

function readStore(key: string): string {
  try {
    return localStorage.getItem(key) ?? '';
  } catch {
    return ''; // A store that may not be read holds nothing to take up.
  }
}

function writeStore(key: string, saved: Saved): void {
  try {
    localStorage.setItem(key, JSON.stringify(saved));
  } catch {
    // Without a store the clock still runs; only a reload starts it afresh.
  }
}

function parseSaved(text: string, stageCount: number): ClockState | undefined {
  try {
    const saved = JSON.parse(text || 'null') as Saved | null;
    if (!saved || Date.now() - saved.savedAtMs > RESUME_WITHIN_MS || saved.state.stage > stageCount) return undefined;
    const { status } = saved.state;
    return { ...startClock(0), ...saved.state, status: status === 'finished' ? 'finished' : 'paused' };
  } catch {
    return undefined;
  }
}

const noChanges = () => () => undefined;
const readClocks = (): ClockReading => ({ runningMs: performance.now(), wallMs: Date.now() });

/**
 * Drives the follow clock: wakes it for every call, keeps it over a reload (it then waits, paused, at the same second), and hands each
 * call on once. `state` is null until it is started; `shown` are the stages in the shapes that were chosen.
 */
export function useRunningClock(
  stages: readonly Stage[],
  ladders: ShapeLadders,
  key: string,
  onCall: (call: Call, stage: Stage) => void,
) {
  const [state, setState] = useState<ClockState | null>(null);
  const [now, setNow] = useState(0);
  const current = useRef<ClockState | null>(null);
  const steady = useRef<SteadyClock | null>(null);
  const savedAt = useRef(0);
  const handler = useRef(onCall);
  useEffect(() => {
    handler.current = onCall;
  }, [onCall]);
  const stored = useSyncExternalStore(
    noChanges,
    () => readStore(key),
    () => '',
  );
  const saved = useMemo(() => parseSaved(stored, stages.length), [stored, stages.length]);
  const changes = state?.changes;
  const shown = useMemo(() => applyShapes(stages, changes ?? [], ladders), [stages, changes, ladders]);

  const readNow = useCallback((): number => {
    const read = readClocks();
    steady.current = steady.current ? advanceSteady(steady.current, read) : startSteady(read);
    return steady.current.atMs;
  }, []);

  const save = useCallback(() => {
    const state = current.current;
    if (!state) return;
    const at = readNow();
    savedAt.current = at;
    writeStore(key, { savedAtMs: Date.now(), state: { ...state, spentMs: stageSpentMs(state, at), anchorMs: 0 } });
  }, [key, readNow]);

  const send = useCallback(
    (event: ClockEvent) => {
      const before = current.current;
      if (!before) return;
      const at = readNow();
      const { state: next, calls } = runClock(before, event, applyShapes(stages, before.changes, ladders), at);
      current.current = next;
      setState(next);
      setNow(at);
      for (const call of worthCalling(calls)) {
        handler.current(call, stages[call.stage] ?? stages.at(-1)!);
        window.dispatchEvent(new CustomEvent(CALL_EVENT, { detail: call }));
      }
      const moved = before.stage !== next.stage || before.status !== next.status || event !== 'tick';
      if (moved || at - savedAt.current > SAVE_EVERY_MS) save();
    },
    [ladders, readNow, save, stages],
  );

  const start = useCallback(
    (from?: ClockState) => {
      const at = readNow();
      const next = from
        ? ({ ...from, status: from.status === 'finished' ? 'finished' : 'running', anchorMs: at } as const)
        : startClock(at);
      current.current = next;
      setState(next);
      setNow(at);
      send('tick');
    },
    [readNow, send],
  );

  const running = state?.status === 'running';
  useEffect(() => {
    if (!running) return;
    let timer = 0;
    const wake = () => {
      send('tick');
      const state = current.current;
      const wait = state ? nextCallInMs(state, applyShapes(stages, state.changes, ladders), readNow()) : undefined;
      timer = window.setTimeout(wake, Math.min(DRAW_MS, wait ?? DRAW_MS));
    };
    wake();
    // A phone that is put away keeps the second that it was put away at.
    const keep = () => save();
    const onSight = () => (document.visibilityState === 'visible' ? send('tick') : save());
    window.addEventListener('pagehide', keep);
    document.addEventListener('visibilitychange', onSight);
    return () => {
      window.clearTimeout(timer);
      window.removeEventListener('pagehide', keep);
      document.removeEventListener('visibilitychange', onSight);
    };
  }, [running, send, stages, ladders, readNow, save]);

  return { state, shown, now, saved, send, start };
}

/** Where the clock of a version is kept. */
export const clockKey = (versionId: number): string => `${CLOCK_KEY}${versionId}`;

/** Forgets a clock whose session has been logged. */
export function forgetClock(versionId: number): void {
  try {
    localStorage.removeItem(clockKey(versionId));
    localStorage.removeItem(`${clockKey(versionId)}-log`);
  } catch {
    // Nothing could be kept, so nothing is left.
  }
}
