import { expect, test } from 'vitest';
import { decodeCalendarText } from './decode-text.ts';
import { readCalendar } from './read-calendar.ts';
import type { DayDate } from '../calendar/day.ts';

const LINES =
  'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART;VALUE=DATE:20260502\r\nSUMMARY:Köln, “Fest”\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n';
const words = (bytes: Uint8Array) => {
  const read = readCalendar(decodeCalendarText(bytes).text, {
    from: '2026-05-01' as DayDate,
    to: '2026-05-31' as DayDate,
    timeZone: 'UTC',
  });
  return read.status === 'read' ? read.days.map((d) => d.words) : read.message;
};

test('UTF-8, with and without its mark, UTF-16 both ways round, and Windows-1252 are recognised', () => {
  const utf8 = Buffer.from(LINES, 'utf8');
  const utf16 = Buffer.from(`\ufeff${LINES}`, 'utf16le');
  const swapped = Buffer.from(utf16).swap16();
  const cp1252 = Buffer.from(LINES.replace('“', '\x93').replace('”', '\x94'), 'latin1');
  for (const [bytes, encoding] of [
    [utf8, 'UTF-8'],
    [Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), utf8]), 'UTF-8'],
    [utf16, 'UTF-16'],
    [swapped, 'UTF-16'],
    [cp1252, 'Windows-1252'],
  ] as const) {
    expect(decodeCalendarText(bytes).encoding).toBe(encoding);
    expect(words(bytes)).toEqual(['Köln, “Fest”']);
  }
});

test('a fold within a letter of two bytes, as some programs make it, loses nothing', () => {
  const bytes = Buffer.from(LINES, 'utf8');
  const at = bytes.indexOf(Buffer.from('ö', 'utf8')) + 1;
  for (const fold of ['\r\n ', '\n\t', '\r '])
    expect(words(Buffer.concat([bytes.subarray(0, at), Buffer.from(fold), bytes.subarray(at)]))).toEqual([
      'Köln, “Fest”',
    ]);
});

test('nothing, and what is no text, is read as what it is', () => {
  expect(decodeCalendarText(new Uint8Array()).text).toBe('');
  expect(decodeCalendarText(new Uint8Array([0xff])).encoding).toBe('Windows-1252');
  expect(typeof words(new Uint8Array([0, 1, 2, 255, 254]))).toBe('string');
});
