import { useCallback, useRef } from 'react';
import type { Cue } from '../../core/follow/follow.ts';

/** Frequencies and lengths of a call's tones, one after the other: [hertz, seconds]. */
const TONES: Record<Cue, readonly (readonly [number, number])[]> = {
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

/** Calls by tone, and by voice where the browser has one. `wake` must be called from a tap: browsers ask for it. */
export function useCalls() {
  const audio = useRef<AudioContext | null>(null);
  const wake = useCallback(() => {
    audio.current ??= typeof AudioContext === 'undefined' ? null : new AudioContext();
    void audio.current?.resume();
  }, []);
  const call = useCallback((cue: Cue, words: string, how: 'sound' | 'voice' | 'off') => {
    if (how === 'off') return;
    const context = audio.current;
    if (context) {
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
    if (how === 'voice' && words && typeof speechSynthesis !== 'undefined') {
      speechSynthesis.cancel();
      speechSynthesis.speak(Object.assign(new SpeechSynthesisUtterance(words), { lang: 'en', rate: 1.1 }));
    }
  }, []);
  return { wake, call };
}
