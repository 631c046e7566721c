import { describe, expect, test } from 'vitest';
import type { Absence } from './absence.ts';
import { isAway, returnFromPause } from './absence.ts';
import type { DayDate } from './day.ts';
import { goingState, isSure } from './going.ts';
import { quietUntil } from './quiet.ts';

const d = (text: string) => text as DayDate;
const pause = (from: string, to: string | null, kind: Absence['kind'] = 'pause'): Absence => ({
  kind,
  from: d(from),
  to: to === null ? null : d(to),
});

describe('away', () => {
  test('from the first to the last of its days, or until further notice', () => {
    const absences = [pause('2026-05-11', '2026-05-12'), pause('2026-06-01', null)];
    expect(
      ['2026-05-10', '2026-05-11', '2026-05-12', '2026-05-13', '2026-05-31', '2026-06-01', '2027-01-01'].map((x) =>
        isAway(absences, d(x)),
      ),
    ).toEqual([false, true, true, false, false, true, true]);
  });

  test('back from a pause of more than a week: for the week after it', () => {
    const eight = [pause('2026-05-01', '2026-05-08')];
    expect(returnFromPause(eight, d('2026-05-08'))).toBeUndefined();
    expect(returnFromPause(eight, d('2026-05-09'))).toEqual({ days: 8, backOn: '2026-05-09' });
    expect(returnFromPause(eight, d('2026-05-15'))).toEqual({ days: 8, backOn: '2026-05-09' });
    expect(returnFromPause(eight, d('2026-05-16'))).toBeUndefined();
    expect(returnFromPause([pause('2026-05-02', '2026-05-08')], d('2026-05-09'))).toBeUndefined();
    expect(returnFromPause([pause('2026-05-01', '2026-05-08', 'excused')], d('2026-05-09'))).toBeUndefined();
    expect(returnFromPause([...eight, pause('2026-05-09', null)], d('2026-05-10'))).toBeUndefined();
    expect(returnFromPause([pause('2026-05-01', null)], d('2026-05-10'))).toBeUndefined();
  });
});

describe('quiet hours', () => {
  const until = (from: string, to: string, iso: string, zone = 'UTC') => {
    const ms = quietUntil({ from, to }, zone, Date.parse(iso));
    return ms === undefined ? undefined : new Date(ms).toISOString().slice(0, 16);
  };
  test('over midnight or by day, from the first minute to before the last', () => {
    expect(until('22:00', '07:00', '2026-05-11T21:59:00Z')).toBeUndefined();
    expect(until('22:00', '07:00', '2026-05-11T22:00:00Z')).toBe('2026-05-12T07:00');
    expect(until('22:00', '07:00', '2026-05-12T06:59:00Z')).toBe('2026-05-12T07:00');
    expect(until('22:00', '07:00', '2026-05-12T07:00:00Z')).toBeUndefined();
    expect(until('12:00', '13:00', '2026-05-12T12:30:00Z')).toBe('2026-05-12T13:00');
    expect(until('12:00', '13:00', '2026-05-12T13:00:00Z')).toBeUndefined();
    expect(until('12:00', '12:00', '2026-05-12T12:00:00Z')).toBeUndefined();
    expect(quietUntil(null, 'UTC', 0)).toBeUndefined();
  });
  test('on their own clock, through a night that is an hour shorter', () => {
    expect(until('22:00', '07:00', '2026-03-28T23:30:00Z', 'Europe/Lisbon')).toBe('2026-03-29T06:00');
    expect(until('22:00', '07:00', '2026-05-12T12:00:00Z', 'Pacific/Auckland')).toBe('2026-05-12T19:00');
  });
});

describe('what will become of a day', () => {
  const facts = { isWithdrawn: false, isSent: false, isWritten: true, isReady: true, isRead: true, releaseMs: 1000 };
  const itself = { isByHand: false, heldAtMs: null };
  test.each([
    ['goes', itself, facts, 500],
    ['by-hand', { ...itself, isByHand: true }, facts, 500],
    ['not-ready', itself, { ...facts, isReady: false }, 500],
    ['to-read', itself, { ...facts, isReady: false, isRead: false }, 500],
    ['unwritten', itself, { ...facts, isWritten: false, isReady: false }, 500],
    ['ahead', itself, { ...facts, isSent: true }, 999],
    ['out', itself, { ...facts, isSent: true }, 1000],
    ['withdrawn', itself, { ...facts, isSent: true, isWithdrawn: true }, 2000],
    ['held', { ...itself, heldAtMs: 400 }, facts, 500],
    ['held', { ...itself, heldAtMs: 999 }, { ...facts, isSent: true }, 2000],
    ['out', { ...itself, heldAtMs: 1000 }, { ...facts, isSent: true }, 2000],
  ] as const)('%s', (state, run, day, nowMs) => {
    expect(goingState(run, day, nowMs)).toBe(state);
    expect(isSure(state)).toBe(['goes', 'ahead', 'out'].includes(state));
  });
});
