import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Call } from '../../../core/clock/voice/calls.ts';
import type { ClockEvent, ClockState, Hurt } from '../../../core/clock/clock.ts';
import type { VoiceLevel } from '../../../core/clock/voice/voice.ts';
import { tapsOf } from '../../../core/clock/clock.ts';
import type { ShapeLadders } from '../../../core/clock/shapes.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import type { ScoredBlock } from '../../../core/record/scores/score.ts';
import type { ToMatch } from '../../../core/record/scores/to-match.ts';
import { focusHeading } from '../../shell/frame/focus.ts';
import { deliverLog, keepLog, nextMadeAtMs, readKept } from '../base/outbox-store.ts';
import { fewerChoices } from './fewer-choice.ts';
import { clockView } from './clock-view.ts';
import { seenByClock } from './log-link.ts';
import { useCalls } from './use-calls.ts';
import { clockKey, useRunningClock } from './use-running-clock.ts';
import { useWakeLock } from './use-wake-lock.ts';

/** Calls that are written on the screen for a moment; the others show by what it shows. */
const SHOWN: ReadonlySet<Call['cue']> = new Set(['halfway', 'switch', 'ten', 'work-cap', 'pace']);
/** How long a call stands on the screen. */
const FLASH_MS = 1600;
const SAME_TAP_MS = 350;

const NONE: readonly never[] = [];
const NOTHING = {};

export interface ClockSettings {
  readonly versionId: number;
  readonly stages: readonly Stage[];
  readonly scored: readonly ScoredBlock[];
  /** What is to be matched or beaten, by block: words of an earlier score. */
  readonly toMatch: ToMatch;
  readonly totalSec: number;
  readonly ladders: ShapeLadders;
  /** How much the voice says until somebody chooses. */
  readonly voice: VoiceLevel;
  /** The session's page. */
  readonly back: string;
}

/** Words of a call that stand on the screen for a moment. */
function useFlash() {
  const [flash, setFlash] = useState('');
  useEffect(() => {
    if (!flash) return;
    const timer = setTimeout(() => setFlash(''), FLASH_MS);
    return () => clearTimeout(timer);
  }, [flash]);
  return [flash, setFlash] as const;
}

/** Space pauses, arrows go on and back, r counts; not while something lies over the clock. */
function useClockKeys(send: (event: ClockEvent) => void, isPaused: boolean, isCovered: boolean): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isCovered) return;
      if (event.target instanceof HTMLElement && event.target.closest('a, button') && event.key === ' ') return;
      if (event.key === ' ') {
        event.preventDefault();
        send(isPaused ? 'resume' : 'pause');
      } else if (event.key === 'ArrowRight') send('next');
      else if (event.key === 'ArrowLeft') send('back');
      else if (event.key === 'r') send('tap');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [send, isPaused, isCovered]);
}

/** Tells the coach at once what hurts; without a network it is kept and sent later. */
async function tellHurt(hurt: Hurt, { versionId, back }: Pick<ClockSettings, 'versionId' | 'back'>): Promise<void> {
  const clientId = crypto.randomUUID();
  const { movement, area, did, to } = hurt;
  const fields = { 'client-id': clientId, 'version-id': String(versionId), movement, area, did, to };
  const madeAtMs = nextMadeAtMs(Date.now(), await readKept());
  const log = {
    clientId,
    url: `${location.origin}${back}/hurt`,
    body: new URLSearchParams(fields).toString(),
    madeAtMs,
  };
  await keepLog(log);
  await deliverLog(log);
}

/** Before, during or after; the buttons that led from one to the next are gone then, so that one goes on from what it says now. */
function usePhase(state: ClockState | null): 'before' | 'during' | 'after' {
  const phase = !state ? 'before' : state.status === 'finished' ? 'after' : 'during';
  const lastPhase = useRef(phase);
  useEffect(() => {
    if (lastPhase.current !== phase) focusHeading();
    lastPhase.current = phase;
  }, [phase]);
  return phase;
}

/** What can be done about the number of repetitions, worked out anew only where something about it changed. */
function useNumbers(state: ClockState | null, written: readonly Stage[]) {
  const { stage = 0, changes = NONE, tapsByStage = NOTHING, overStages = NONE } = state ?? {};
  return useMemo(
    () => fewerChoices({ stage, changes, tapsByStage, overStages }, written),
    [stage, changes, tapsByStage, overStages, written],
  );
}

/** All that the clock's screen shows and does: its state, what is heard, and what the log is told. */
export function useClock(settings: ClockSettings) {
  const { versionId, stages: written, scored, toMatch, totalSec, ladders, voice, back } = settings;
  const [flash, setFlash] = useFlash();
  const [sheet, setSheet] = useState<'shapes' | 'hurt' | null>(null);
  const [isGivenUp, setGivenUp] = useState(false);
  const tappedMs = useRef(0);
  const { wake, call, heard, hear } = useCalls(voice);
  const onCall = useCallback(
    ({ cue, words }: Call, stage: Stage) => {
      call(cue, words);
      if (SHOWN.has(cue)) setFlash(words);
      if (cue === 'go' && stage.isLastRound) setFlash('Last round');
      if (cue === 'rest' && stage.hasWater) setFlash('Water');
    },
    [call, setFlash],
  );
  const { state, shown, now, saved, send, start } = useRunningClock(written, ladders, clockKey(versionId), onCall);
  useWakeLock(state?.status === 'running');
  useClockKeys(send, state?.status === 'paused', sheet !== null);
  const phase = usePhase(state);
  const seen = useMemo(
    () => seenByClock(state, { written, shown, scored, ladders }).toString(),
    [state, written, shown, scored, ladders],
  );
  // Should the phone be put away now, the log still finds it.
  useEffect(() => {
    if (phase !== 'after') return;
    try {
      localStorage.setItem(`${clockKey(versionId)}-log`, `?${seen}`);
    } catch {
      // The link on this page has it all the same.
    }
  }, [phase, seen, versionId]);
  /** Anywhere on the screen: a wet finger may touch twice, and what comes right after a tap is the same one. */
  const countTap = () => {
    const at = performance.now();
    if (at - tappedMs.current < SAME_TAP_MS) return;
    tappedMs.current = at;
    send('tap');
  };
  const sayHurt = (hurt: Hurt) => {
    send({ kind: 'hurt', hurt });
    void tellHurt(hurt, settings);
    setSheet(null);
    if (hurt.did === 'ended') setGivenUp(true);
    else send('resume');
  };
  return {
    state,
    shown,
    view: state ? clockView(state, now, { stages: shown, scored, toMatch, totalSec }) : undefined,
    /** Whether something is done in a tempo, which may be counted. */
    hasTempo: written.some((s) => s.tempo !== null),
    tapsAt: (stage: number) => (state ? tapsOf(state, stage) : 0),
    saved,
    flash,
    heard,
    hear: (next: typeof heard) => {
      wake();
      hear(next);
    },
    sheet,
    setSheet,
    isGivenUp,
    numbers: useNumbers(state, written),
    /** From a tap: the number that it is now, once more. */
    sayNumber: (number: string) => {
      wake();
      call('number', `${number} now`);
      setFlash(`${number} now`);
    },
    logLink: `${back}/log?${seen}`,
    /** From a tap: browsers ask for one before they make a sound. */
    start: (from?: typeof saved) => {
      wake();
      start(from);
    },
    goOn: (event: ClockEvent) => {
      wake();
      send(event);
    },
    send,
    countTap,
    sayHurt,
  };
}

export type Clock = ReturnType<typeof useClock>;
