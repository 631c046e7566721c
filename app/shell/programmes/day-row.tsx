import { WEEKDAYS, weekdaysFrom } from '../../../core/calendar/day.ts';
import type { Weekday } from '../../../core/calendar/day.ts';

interface DayRowProps {
  /** The weekday that the row begins with. */
  readonly first: Weekday;
  readonly value: readonly Weekday[];
  readonly onChange: (next: readonly Weekday[]) => void;
  readonly label: string;
}

/** The seven days of a week in a row, each on or off. */
export function DayRow({ first, value, onChange, label }: DayRowProps) {
  return (
    <div className="day-row" role="group" aria-label={label}>
      {weekdaysFrom(first).map((name) => {
        const weekday = WEEKDAYS.findIndex((w) => w === name) + 1;
        const isOn = value.includes(weekday);
        return (
          <button
            key={name}
            type="button"
            aria-pressed={isOn}
            onClick={() =>
              onChange(isOn ? value.filter((w) => w !== weekday) : [...value, weekday].sort((a, b) => a - b))
            }
          >
            {name.slice(0, 3)}
          </button>
        );
      })}
    </div>
  );
}
