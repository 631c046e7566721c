import type { Clock } from '../use-clock.ts';

/** What is heard: tones and voice, each with its own switch. */
export function SoundSwitches({ heard, hear }: Pick<Clock, 'heard' | 'hear'>) {
  return (
    <div className="clock-switches">
      {(['tones', 'voice'] as const).map((what) => (
        <button
          key={what}
          type="button"
          className="clock-sound"
          aria-pressed={heard[what]}
          onClick={() => hear({ ...heard, [what]: !heard[what] })}
        >
          {what === 'tones' ? 'Tones' : 'Voice'} {heard[what] ? 'on' : 'off'}
        </button>
      ))}
    </div>
  );
}
