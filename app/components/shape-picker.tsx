import { Popover } from 'antd';
import { useState } from 'react';
import type { ClockShape } from '../../core/forms/clock-shape.ts';
import { CLOCK_SHAPES, SHAPE_WORDS } from '../../core/forms/clock-shape.ts';
import { ClockShapePicture } from './clock-shape-picture.tsx';

interface ShapePickerProps {
  readonly current?: ClockShape;
  readonly onPick: (shape: ClockShape) => void;
  /** The button's own words; absent: the picture of the current form. */
  readonly label?: string;
}

/** The forms of a block as pictures of their time. */
export function ShapePicker({ current, onPick, label }: ShapePickerProps) {
  const [open, setOpen] = useState(false);
  const pictures = (
    <ul className="shapes">
      {CLOCK_SHAPES.map((shape) => (
        <li key={shape}>
          <button
            type="button"
            aria-pressed={shape === current}
            onClick={() => {
              setOpen(false);
              onPick(shape);
            }}
          >
            <ClockShapePicture shape={shape} />
            <span>
              <b>{SHAPE_WORDS[shape].name}</b> {SHAPE_WORDS[shape].means}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      placement="bottomLeft"
      content={pictures}
      destroyOnHidden
    >
      <button
        type="button"
        className={label ? 'shape-add' : 'shape-now'}
        aria-expanded={open}
        title={current && `${SHAPE_WORDS[current].name}: ${SHAPE_WORDS[current].means}`}
      >
        {label ?? (
          <>
            <ClockShapePicture shape={current!} />
            <span className="sr">form of this block: {SHAPE_WORDS[current!].name}</span>
          </>
        )}
      </button>
    </Popover>
  );
}
