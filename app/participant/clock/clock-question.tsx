import { useState } from 'react';
import type { Stage } from '../../../core/clock/stage.ts';

/** What is asked for when the time of a stage is up: it stands while the rest runs, and can be left out. */
export function ClockQuestion({
  stage,
  taps,
  onAnswer,
}: {
  stage: Stage;
  taps: number;
  onAnswer: (value: number) => void;
}) {
  const asks = stage.asks!;
  const isSet = asks.what === 'set';
  const { round = [] } = asks;
  // Of a window the rounds that were tapped are known; what came after them is touched by its name.
  const whole = asks.what === 'reps' ? taps * (round.at(-1)?.reps ?? 0) : 0;
  const [value, setValue] = useState(isSet ? taps : whole);
  const { begun } = asks;
  const step = isSet && !begun ? 0.5 : 1;
  const next = begun ? begun.step * (value + 1) : 0;
  const [part, setPart] = useState(0);
  return (
    <div className="clock-question" role="group" aria-label={asks.question}>
      <p>{asks.question}</p>
      {round.length > 1 && (
        <div className="clock-round-parts">
          {round.slice(0, -1).map(({ words, reps }) => (
            <button
              key={`${words} ${reps}`}
              type="button"
              aria-pressed={value === whole + reps}
              onClick={() => setValue(whole + reps)}
            >
              up to {words}
            </button>
          ))}
        </div>
      )}
      <div>
        <button type="button" aria-label="less" onClick={() => setValue((v) => Math.max(0, v - step))}>
          −
        </button>
        <output>{value}</output>
        <button type="button" aria-label="more" onClick={() => setValue((v) => v + step)}>
          +
        </button>
        {!isSet && (
          <button type="button" aria-label="ten more" onClick={() => setValue((v) => v + 10)}>
            +10
          </button>
        )}
        {!begun && (
          <button type="button" className="is-main" onClick={() => onAnswer(value)}>
            That’s it
          </button>
        )}
      </div>
      {begun && (
        <>
          <p>and of the next {next}?</p>
          <div>
            <button type="button" aria-label="less of it" onClick={() => setPart((p) => Math.max(0, p - 1))}>
              −
            </button>
            <output>{Math.min(part, next - 1)}</output>
            <button type="button" aria-label="more of it" onClick={() => setPart((p) => Math.min(next - 1, p + 1))}>
              +
            </button>
            <button type="button" className="is-main" onClick={() => onAnswer(value + Math.min(part, next - 1) / next)}>
              That’s it
            </button>
          </div>
        </>
      )}
    </div>
  );
}
