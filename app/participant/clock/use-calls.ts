import { useCallback, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Cue } from '../../../core/clock/voice/cue.ts';
import type { Speaking, VoiceLevel } from '../../../core/clock/voice/voice.ts';
import { decideSpeech, isSaid, VOICE_LEVELS } from '../../../core/clock/voice/voice.ts';

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
  hold: [
    [520, 0.2],
    [520, 0.2],
  ],
  tempo: [],
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
  readonly voice: VoiceLevel;
  /** Whether a tempo is counted aloud. */
  readonly tempo: boolean;
}

const KEY = 'ysodos-calls';

const BOTH: Heard = { tones: true, voice: 'all', tempo: false };

function readStored(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return ''; // A store that may not be read says nothing.
  }
}

/** What was chosen on this phone, else what is usual in this run. */
function parseHeard(text: string, usual: VoiceLevel): Heard {
  const both: Heard = { ...BOTH, voice: usual };
  try {
    const { tones, voice, tempo } = JSON.parse(text || '{}') as {
      tones?: boolean;
      voice?: VoiceLevel | boolean;
      tempo?: boolean;
    };
    // A phone that was used before there were levels keeps what it chose: on or off.
    const level = voice === false ? 'off' : VOICE_LEVELS.find((l) => l === voice);
    return { tones: tones ?? both.tones, voice: level ?? both.voice, tempo: tempo ?? both.tempo };
  } catch {
    return both;
  }
}

const noChanges = () => () => undefined;

/** Calls by tone, and by voice where the browser has one. `wake` must be called from a tap: browsers ask for it. */
export function useCalls(usual: VoiceLevel) {
  const audio = useRef<AudioContext | null>(null);
  const speaking = useRef<Speaking | undefined>(undefined);
  const stored = useSyncExternalStore(noChanges, readStored, () => '');
  const [chosen, setHeard] = useState<Heard | null>(null);
  const heard = useMemo(() => chosen ?? parseHeard(stored, usual), [chosen, stored, usual]);
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
      const isWished = cue === 'tempo' ? heard.tempo && heard.voice !== 'off' : isSaid(cue, heard.voice);
      if (words && isWished && typeof speechSynthesis !== 'undefined') {
        const { how, speaking: next } = decideSpeech({ cue, words }, speaking.current, performance.now());
        speaking.current = next;
        if (how === 'drop') return;
        if (how === 'instead') speechSynthesis.cancel();
        speechSynthesis.speak(Object.assign(new SpeechSynthesisUtterance(words), { lang: 'en', rate: 1.1 }));
      }
    },
    [heard],
  );
  return { wake, call, heard, hear };
}
