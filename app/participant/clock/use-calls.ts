import { useCallback, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Cue } from '../../../core/clock/calls.ts';

/** Frequencies and lengths of a call's tones, one after the other: [hertz, seconds]. */
const TONES: Record<Cue, readonly (readonly [number, number])[]> = {
  ready: [[520, 0.12]],
  three: [[660, 0.11]],
  two: [[660, 0.11]],
  one: [[660, 0.11]],
  go: [[990, 0.34]],
  rest: [[440, 0.3]],
  halfway: [
    [660, 0.1],
    [880, 0.16],
  ],
  switch: [
    [520, 0.12],
    [780, 0.12],
    [520, 0.2],
  ],
  ten: [[780, 0.08]],
  number: [[780, 0.06]],
  coach: [[620, 0.08]],
  pace: [[880, 0.1]],
  'work-cap': [
    [440, 0.14],
    [440, 0.14],
  ],
  finish: [
    [660, 0.16],
    [880, 0.16],
    [1100, 0.4],
  ],
};
const GAP_SEC = 0.05;

/** What is heard: each has its own switch. All of it is also seen. */
export interface Heard {
  readonly tones: boolean;
  readonly voice: boolean;
}

const KEY = 'ysodos-calls';

const BOTH: Heard = { tones: true, voice: true };

function readStored(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return ''; // A store that may not be read says nothing.
  }
}

function parseHeard(text: string): Heard {
  try {
    return { ...BOTH, ...(JSON.parse(text || '{}') as Partial<Heard>) };
  } catch {
    return BOTH;
  }
}

const noChanges = () => () => undefined;

/** Calls by tone, and by voice where the browser has one. `wake` must be called from a tap: browsers ask for it. */
export function useCalls() {
  const audio = useRef<AudioContext | null>(null);
  const stored = useSyncExternalStore(noChanges, readStored, () => '');
  const [chosen, setHeard] = useState<Heard | null>(null);
  const heard = useMemo(() => chosen ?? parseHeard(stored), [chosen, stored]);
  const wake = useCallback(() => {
    audio.current ??= typeof AudioContext === 'undefined' ? null : new AudioContext();
    void audio.current?.resume();
  }, []);
  const hear = useCallback((next: Heard) => {
    setHeard(next);
    try {
      localStorage.setItem(KEY, JSON.stringify(next));
    } catch {
      // It holds for this page only.
    }
  }, []);
  const call = useCallback(
    (cue: Cue, words: string) => {
      const context = audio.current;
      if (heard.tones && context) {
        let at = context.currentTime;
        for (const [hertz, sec] of TONES[cue]) {
          const oscillator = context.createOscillator();
          const gain = context.createGain();
          oscillator.frequency.value = hertz;
          gain.gain.setValueAtTime(0.0001, at);
          gain.gain.exponentialRampToValueAtTime(0.35, at + 0.015);
          gain.gain.exponentialRampToValueAtTime(0.0001, at + sec);
          oscillator.connect(gain).connect(context.destination);
          oscillator.start(at);
          oscillator.stop(at + sec);
          at += sec + GAP_SEC;
        }
      }
      if (heard.voice && words && typeof speechSynthesis !== 'undefined') {
        speechSynthesis.cancel();
        speechSynthesis.speak(Object.assign(new SpeechSynthesisUtterance(words), { lang: 'en', rate: 1.1 }));
      }
    },
    [heard],
  );
  return { wake, call, heard, hear };
}
