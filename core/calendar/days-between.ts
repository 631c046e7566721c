import { Temporal } from 'temporal-polyfill';
import { BoundedCache } from '../bounded-cache.ts';
import type { DayDate } from './day.ts';

const EPOCH = Temporal.PlainDate.from('1970-01-01');
/** Histories ask for the same few hundred dates again and again. */
const epochDays = new BoundedCache<DayDate, number>(2000);
const epochDay = (date: DayDate): number =>
  epochDays.get(date, () => EPOCH.until(Temporal.PlainDate.from(date), { largestUnit: 'days' }).days);

/** Days from one date to another, negative where `to` is the earlier one. */
export const daysBetween = (from: DayDate, to: DayDate): number => epochDay(to) - epochDay(from);
