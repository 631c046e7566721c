import { Button } from 'antd';
import { useState } from 'react';
import type { Shape } from '../../core/forms/form.ts';
import { SHAPES } from '../../core/forms/forms.ts';
import { FIRST_SHAPES } from '../../core/session/starters.ts';
import { ClockShapePicture } from './cards/clock-shape-picture.tsx';
import type { RoutineChoice } from './routine-menu.tsx';

interface SessionStartProps {
  readonly routines: readonly RoutineChoice[];
  readonly onPaste: () => void;
  readonly onExample: () => void;
  readonly onBlock: (role: 'Warm-up' | 'Cool-down') => void;
  readonly onMain: (shape: Shape) => void;
  readonly onRoutine: (routine: RoutineChoice) => void;
}

/** Where nothing is written yet: what a session can begin with, each a tap away. */
export function SessionStart({ routines, onPaste, onExample, onBlock, onMain, onRoutine }: SessionStartProps) {
  const [all, setAll] = useState(false);
  const shapes = all ? [...FIRST_SHAPES, ...SHAPES.filter((s) => !FIRST_SHAPES.includes(s))] : FIRST_SHAPES;
  return (
    <section className="session-start" aria-label="To begin with">
      <h2>To begin with</h2>
      <div className="start-doors">
        <button type="button" className="start-card is-main" onClick={onPaste}>
          <b>Paste a plan</b>
          <span className="small">From a note, a mail, a page. It is read line by line, and you look at it first.</span>
        </button>
        <button type="button" className="start-card" onClick={onExample}>
          <b>Use this example</b>
          <span className="soft small">The grey text beside becomes yours to change.</span>
        </button>
      </div>
      <h2>Or tap a block</h2>
      <ul className="start-blocks">
        <li>
          <button type="button" onClick={() => onBlock('Warm-up')}>
            <b>Warm-up</b>
            <span className="soft small">two easy rounds</span>
          </button>
        </li>
        {shapes.map((shape) => (
          <li key={shape.id}>
            <button type="button" onClick={() => onMain(shape)}>
              <ClockShapePicture shape={shape} />
              <b>{shape.name}</b>
              <span className="soft small">{shape.means}</span>
            </button>
          </li>
        ))}
        <li>
          <button type="button" onClick={() => onBlock('Cool-down')}>
            <b>Cool-down</b>
            <span className="soft small">stretches, unhurried</span>
          </button>
        </li>
      </ul>
      {!all && (
        <p>
          <Button type="text" size="small" className="tool" onClick={() => setAll(true)}>
            all {SHAPES.length} forms
          </Button>
        </p>
      )}
      {routines.length > 0 && (
        <>
          <h2>Or one of your routines</h2>
          <p className="start-routines">
            {routines.map((r) => (
              <Button
                color="primary"
                variant="outlined"
                size="small"
                key={r.id}
                className="offer"
                onClick={() => onRoutine(r)}
              >
                {r.name}
              </Button>
            ))}
          </p>
        </>
      )}
    </section>
  );
}
