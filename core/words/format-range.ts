import type { EstimateSec } from '../pace/pace.ts';
import { isExact } from '../pace/pace.ts';
import { formatClock } from './format-clock.ts';

/** `4:00 to 6:50`; empty where nothing is estimated. */
export const formatRange = (sec: EstimateSec): string =>
  isExact(sec) ? '' : `${formatClock(sec.low)} to ${formatClock(sec.high)}`;
