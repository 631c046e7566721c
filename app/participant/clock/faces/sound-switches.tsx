import { VOICE_LEVELS } from '../../../../core/clock/voice/voice.ts';
import type { Clock } from '../use-clock.ts';

const LEVEL_WORDS = { all: 'everything', changes: 'changes', numbers: 'numbers', off: 'nothing' } as const;

/** What is heard: tones on or off, and how much a voice says. */
export function SoundSwitches({ heard, hear, hasTempo }: Pick<Clock, 'heard' | 'hear' | 'hasTempo'>) {
  return (
    <div className="clock-switches">
      <button
        type="button"
        className="clock-sound"
        aria-pressed={heard.tones}
        onClick={() => hear({ ...heard, tones: !heard.tones })}
      >
        Tones {heard.tones ? 'on' : 'off'}
      </button>
      <fieldset className="clock-voice">
        <legend>The voice says</legend>
        {VOICE_LEVELS.map((level) => (
          <label key={level}>
            <input
              type="radio"
              name="voice"
              value={level}
              checked={heard.voice === level}
              onChange={() => hear({ ...heard, voice: level })}
            />
            <span>{LEVEL_WORDS[level]}</span>
          </label>
        ))}
      </fieldset>
      {hasTempo && (
        <button
          type="button"
          className="clock-sound"
          aria-pressed={heard.tempo}
          onClick={() => hear({ ...heard, tempo: !heard.tempo })}
        >
          Tempo {heard.tempo ? 'counted aloud' : 'not counted'}
        </button>
      )}
    </div>
  );
}
