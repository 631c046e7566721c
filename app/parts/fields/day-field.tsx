import { lazy, Suspense } from 'react';
import type { DayFieldProps, HourFieldProps } from './field-props.ts';
import { useInBrowser } from './use-in-browser.ts';

// Loaded where a page has one: they weigh more than most pages.
const PickedDay = lazy(async () => ({ default: (await import('./pickers.tsx')).PickedDay }));
const PickedHour = lazy(async () => ({ default: (await import('./pickers.tsx')).PickedHour }));

/** A day of the calendar. */
export function DayField(props: DayFieldProps) {
  const { name, label, defaultValue, min, max, readOnly, required } = props;
  const plain = <input type="date" aria-label={label} {...{ name, defaultValue, min, max, readOnly, required }} />;
  if (!useInBrowser()) return plain;
  return (
    <Suspense fallback={plain}>
      <PickedDay {...props} />
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
