import fc from 'fast-check';
import ICAL from 'ical.js';
import ical from 'node-ical';
import { expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import type { CalendarEntry, PlannedEvent } from './calendar-entries.ts';
import { CALLED_OFF_MS, followEntries } from './calendar-entries.ts';
import type { FeedEvent } from './calendar-feed.ts';
import { writeFeed } from './calendar-feed.ts';

const NOW = Date.parse('2026-05-13T09:00:00Z');
const event = (uid: string, more: Partial<PlannedEvent> = {}): PlannedEvent => ({
  uid,
  start: { ms: NOW },
  minutes: 30,
  title: 'Four in turn',
  description: '',
  isBusy: false,
  isCancelled: false,
  alarmMin: null,
  ...more,
});
const given = (more: Partial<FeedEvent>, name = 'Mornings'): string =>
  writeFeed({ name, description: '', events: [{ ...event('one'), sequence: 0, changedMs: NOW, ...more }] });
const jcal = (file: string) => new ICAL.Component(ICAL.parse(file) as never);
const first = (file: string) => jcal(file).getFirstSubcomponent('vevent')!;
const read = (file: string) => Object.values(ical.sync.parseICS(file)).find((c) => c?.type === 'VEVENT') as ical.VEvent;

test('an hour on every clock has no zone: Monday stays Monday in Los Angeles and in Auckland', () => {
  const file = given({ start: { date: '2026-05-11' as DayDate, time: '05:00' }, minutes: 45 });
  expect(file).toContain('\r\nDTSTART:20260511T050000\r\nDTEND:20260511T054500\r\n');
  const start = first(file).getFirstPropertyValue('dtstart') as ICAL.Time;
  expect([start.zone.tzid, start.toString()]).toEqual(['floating', '2026-05-11T05:00:00']);
  const other = read(file).start;
  expect([other.getDate(), other.getHours(), other.getMinutes()]).toEqual([11, 5, 0]);
});

test('an instant is one, on days when clocks change too', () => {
  // Auckland puts its clocks back on 5 April 2026 at 3:00 (14:00 UTC of the day before); Los Angeles put them on on 8 March.
  for (const at of ['2026-04-04T13:30:00Z', '2026-04-04T14:30:00Z', '2026-03-08T09:30:00Z', '2026-03-08T10:30:00Z']) {
    const file = given({ start: { ms: Date.parse(at) } });
    expect((first(file).getFirstPropertyValue('dtstart') as ICAL.Time).toJSDate().getTime()).toBe(Date.parse(at));
    expect(read(file).start.getTime()).toBe(Date.parse(at));
    expect(read(file).end!.getTime()).toBe(Date.parse(at) + 30 * 60_000);
  }
});

test('it takes nobody’s time and doesn’t ring unless it is asked to; called off it does neither', () => {
  const part = (more: Partial<FeedEvent>) => {
    const e = first(given(more));
    const alarm = e.getFirstSubcomponent('valarm');
    return [
      e.getFirstPropertyValue('transp'),
      e.getFirstPropertyValue('status'),
      alarm === null ? null : String(alarm.getFirstPropertyValue('trigger')),
    ];
  };
  expect(part({})).toEqual(['TRANSPARENT', 'CONFIRMED', null]);
  expect(part({ isBusy: true, alarmMin: 10 })).toEqual(['OPAQUE', 'CONFIRMED', '-PT10M']);
  expect(part({ alarmMin: 0 })).toEqual(['TRANSPARENT', 'CONFIRMED', 'PT0S']);
  expect(part({ isBusy: true, alarmMin: 10, isCancelled: true })).toEqual(['TRANSPARENT', 'CANCELLED', null]);
});

test('names and words come back as they were, whatever is in them', () => {
  const text = fc
    .array(fc.constantFrom('a', ' ', ',', ';', ':', '"', '\\', '\n', 'ß', '早', '😀', 'END:VEVENT'), { maxLength: 60 })
    .map((parts) => parts.join(''));
  fc.assert(
    fc.property(text, text, (name, title) => {
      const file = given({ title: `t${title}.`, description: `d${title}`, place: `p${title}` }, `n${name}`);
      expect(file.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
      // The reader leaves names that it doesn't know as they stand; under one that is TEXT it unescapes them.
      expect(jcal(file.replace('X-WR-CALNAME', 'COMMENT')).getFirstPropertyValue('comment')).toBe(`n${name}`);
      const e = first(file);
      expect(['summary', 'description', 'location'].map((p) => e.getFirstPropertyValue(p))).toEqual([
        `t${title}.`,
        `d${title}`,
        `p${title}`,
      ]);
      expect(read(file).summary).toBe(`t${title}.`);
    }),
  );
});

test('the same entries give the same bytes', () => {
  expect(given({})).toBe(given({}));
});

const DAY = 24 * 3600_000;
test('a UID is for life: sequences rise with each change, and only then; what vanishes is called off for 60 days', () => {
  const begun = followEntries([], [event('one'), event('two')], NOW);
  expect(begun.entries.map((e) => [e.event.uid, e.sequence, e.changedMs])).toEqual([
    ['one', 0, NOW],
    ['two', 0, NOW],
  ]);
  expect(followEntries(begun.entries, [event('one'), event('two')], NOW + DAY)).toEqual({
    entries: begun.entries,
    changed: [],
    forgotten: [],
  });
  const moved = followEntries(begun.entries, [event('one', { start: { ms: NOW + DAY } })], NOW + DAY);
  expect(moved.changed.map((e) => [e.event.uid, e.sequence, e.changedMs, e.event.isCancelled, e.goneMs])).toEqual([
    ['one', 1, NOW + DAY, false, null],
    ['two', 1, NOW + DAY, true, NOW + DAY],
  ]);
  const later = (atMs: number, now = [event('one', { start: { ms: NOW + DAY } })]) =>
    followEntries(moved.entries, now, atMs);
  expect(later(NOW + DAY + CALLED_OFF_MS - 1).entries).toEqual(moved.entries);
  expect(later(NOW + DAY + CALLED_OFF_MS)).toMatchObject({ entries: [{ event: { uid: 'one' } }], forgotten: ['two'] });
  expect(CALLED_OFF_MS).toBe(60 * DAY);
  // It comes back under its name, above what called it off.
  expect(later(NOW + 2 * DAY, [event('one'), event('two')]).entries).toMatchObject([
    { sequence: 2, changedMs: NOW + 2 * DAY },
    { sequence: 2, event: { isCancelled: false }, goneMs: null },
  ]);
});

test('whatever a calendar goes through, no sequence and no moment of a UID ever goes back, and nothing vanishes unsaid', () => {
  const step = fc.uniqueArray(
    fc.record({ uid: fc.constantFrom('a', 'b', 'c', 'd'), title: fc.constantFrom('x', 'y') }),
    { selector: (e) => e.uid },
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      let known: readonly CalendarEntry[] = [];
      for (const [i, events] of steps.entries()) {
        const next = followEntries(
          known,
          events.map((e) => event(e.uid, { title: e.title })),
          NOW + i * DAY,
        ).entries;
        for (const old of known) {
          const now = next.find((e) => e.event.uid === old.event.uid)!;
          const isChanged = JSON.stringify(now.event) !== JSON.stringify(old.event);
          expect(now.sequence).toBe(old.sequence + (isChanged ? 1 : 0));
          expect(now.changedMs).toBe(isChanged ? NOW + i * DAY : old.changedMs);
        }
        expect(next.filter((e) => !e.event.isCancelled).map((e) => e.event.uid)).toEqual(events.map((e) => e.uid));
        known = next;
      }
    }),
  );
});
