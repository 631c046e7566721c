import { useState } from 'react';
import type { Shape } from '../../../core/forms/form.ts';
import { SHAPES } from '../../../core/forms/forms.ts';
import { ClockShapePicture } from './clock-shape-picture.tsx';
import { MenuPopover } from '../../parts/menu-popover.tsx';

interface ShapePickerProps {
  readonly current?: Shape;
  readonly onPick: (shape: Shape) => void;
  /** The button's own words; absent: the picture of the current form. */
  readonly label?: string;
}

/** The forms of a block as pictures of their time. */
export function ShapePicker({ current, onPick, label }: ShapePickerProps) {
  const [open, setOpen] = useState(false);
  const pictures = (
    <ul className="shapes">
      {SHAPES.map((shape) => (
        <li key={shape.id}>
          <button
            type="button"
            aria-pressed={shape.id === current?.id}
            onClick={() => {
              setOpen(false);
              onPick(shape);
            }}
          >
            <ClockShapePicture shape={shape} />
            <span>
              <b>{shape.name}</b> {shape.means}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
  return (
    <MenuPopover open={open} onOpenChange={setOpen} content={pictures}>
      <button
        type="button"
        className={label ? 'shape-add' : 'shape-now'}
        aria-expanded={open}
        title={current && `${current.name}: ${current.means}`}
      >
        {label ?? (
          <>
            <ClockShapePicture shape={current!} />
            <span className="sr">form of this block: {current!.name}</span>
          </>
        )}
      </button>
    </MenuPopover>
  );
}
