import { lazy, Suspense, useState } from 'react';
import type { DayFieldProps, HourFieldProps } from './field-props.ts';
import { useInBrowser } from './use-in-browser.ts';

// Loaded where a page has one: they weigh more than most pages.
const PickedDay = lazy(async () => ({ default: (await import('./pickers.tsx')).PickedDay }));
const PickedHour = lazy(async () => ({ default: (await import('./pickers.tsx')).PickedHour }));

/** A day of the calendar. */
export function DayField(props: DayFieldProps) {
  const { name, label, defaultValue, min, max, readOnly, required, onChange } = props;
  // What is written before the picker comes goes over to it.
  const [day, setDay] = useState(defaultValue);
  const take = (next: string) => {
    setDay(next);
    onChange?.(next);
  };
  const plain = (
    <input
      type="date"
      aria-label={label}
      value={day}
      onChange={(event) => take(event.target.value)}
      {...{ name, min, max, readOnly, required }}
    />
  );
  if (!useInBrowser()) return plain;
  return (
    <Suspense fallback={plain}>
      <PickedDay {...props} defaultValue={day} onChange={take} />
    </Suspense>
  );
}

/** An hour of the day, as `05:00`. */
export function HourField(props: HourFieldProps) {
  const { name, label, defaultValue } = props;
  const plain = <input type="time" aria-label={label} name={name} defaultValue={defaultValue} required />;
  if (!useInBrowser()) return plain;
  return (
    <Suspense fallback={plain}>
      <PickedHour {...props} />
    </Suspense>
  );
}
