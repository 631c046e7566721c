import { useState } from 'react';
import { doubleProgression, isTwoForTwo } from '../../../core/progress/track/double-progression.ts';

const readSets = (text: string): number[] => (text.match(/\d{1,3}/g) ?? []).map(Number);

/** What comes next for someone, from what they did: the load-first school's arithmetic, by hand. */
export function NextStep() {
  const [sets, setSets] = useState('12 12 12');
  const [before, setBefore] = useState('12');
  const [low, setLow] = useState(8);
  const [high, setHigh] = useState(12);
  const [goal, setGoal] = useState(10);
  const reps = readSets(sets);
  const isRange = low >= 1 && low <= high;
  const step = isRange && reps.length > 0 ? doubleProgression(reps, { low, high, loadKg: 0, stepKg: 1 }) : undefined;
  const lastSets = [...readSets(before).slice(-1), ...reps.slice(-1)];
  const number = (label: string, value: number, set: (n: number) => void) => (
    <input
      type="number"
      aria-label={label}
      min={1}
      max={100}
      value={value}
      onChange={(event) => set(event.target.valueAsNumber || 1)}
    />
  );
  return (
    <div className="next-step">
      <p>
        <b>What next for someone?</b> Sets today{' '}
        <input aria-label="Sets today" size={9} value={sets} onChange={(event) => setSets(event.target.value)} /> of{' '}
        {number('Lowest reps', low, setLow)} to {number('Highest reps', high, setHigh)}:{' '}
        <b role="status">
          {step === undefined
            ? 'write the sets, like 12 12 11'
            : step.kind === 'next-load'
              ? `the next load, from ${step.reps}`
              : `the same load, ${step.reps} each`}
        </b>
      </p>
      <p>
        Last set the time before{' '}
        <input
          aria-label="Last set the time before"
          size={3}
          value={before}
          onChange={(event) => setBefore(event.target.value)}
        />
        , goal {number('Goal', goal, setGoal)}: two or more over it in the last set, twice running, is{' '}
        <b role="status">{isTwoForTwo(goal, lastSets) ? 'so: 2 to 10 % more load' : 'not so yet'}</b>{' '}
        <span className="soft">(2-for-2, from memory)</span>
      </p>
    </div>
  );
}
