import { DatePicker, TimePicker } from 'antd';
import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import { useState } from 'react';
import type { DayFieldProps, HourFieldProps } from './field-props.ts';

dayjs.extend(customParseFormat);

/** A day as every country reads it; a day may also be typed as numbers, year first. */
const DAY_FORMATS = ['ddd D MMM YYYY', 'D MMM YYYY', 'YYYY-MM-DD'];
const ISO_DAY = 'YYYY-MM-DD';
const HOUR = 'HH:mm';

export function PickedDay({
  name,
  label,
  defaultValue,
  onChange,
  min,
  max,
  readOnly = false,
  required = false,
  isBad,
}: DayFieldProps) {
  const [day, setDay] = useState(defaultValue);
  return (
    <>
      <DatePicker
        className="picked-day"
        format={DAY_FORMATS}
        value={day === '' ? null : dayjs(day, ISO_DAY)}
        disabled={readOnly}
        allowClear={!required}
        {...(isBad && { status: 'error' as const })}
        {...(min !== undefined && { minDate: dayjs(min, ISO_DAY) })}
        {...(max !== undefined && { maxDate: dayjs(max, ISO_DAY) })}
        {...(label !== undefined && { 'aria-label': label })}
        onChange={(next) => {
          const picked = next ? next.format(ISO_DAY) : '';
          setDay(picked);
          onChange?.(picked);
        }}
      />
      {name !== undefined && <input type="hidden" name={name} value={day} />}
    </>
  );
}

export function PickedHour({ name, label, defaultValue, isBad }: HourFieldProps) {
  const [hour, setHour] = useState(defaultValue);
  return (
    <>
      <TimePicker
        className="picked-hour"
        format={HOUR}
        {...(label !== undefined && { 'aria-label': label })}
        needConfirm={false}
        allowClear={false}
        value={hour === '' ? null : dayjs(hour, HOUR)}
        {...(isBad && { status: 'error' as const })}
        onChange={(next) => setHour(next ? next.format(HOUR) : '')}
      />
      <input type="hidden" name={name} value={hour} />
    </>
  );
}
