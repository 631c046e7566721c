import { describe, expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { decodeCalendarText } from './decode-text.ts';
import { readCalendar } from './read-calendar.ts';

/**
 * Files in the manner of calendar programs, of our own making: what they have in common with files that such programs write is common
 * practice (no source). Each says which days it blocks in May 2026, as read in Lisbon, and what of it is left out.
 */
interface Sample {
  readonly manner: string;
  readonly bytes: Uint8Array;
  readonly days: readonly string[];
  readonly left?: readonly string[];
  readonly encoding?: string;
}

const utf8 = (text: string) => new TextEncoder().encode(text.replace(/\n/g, '\r\n'));
/** Letters up to U+00FF as one byte each; the dash as Windows-1252 has it. */
const latin = (text: string) =>
  Uint8Array.from([...text.replace(/\n/g, '\r\n')].map((c) => (c === '–' ? 0x96 : c.charCodeAt(0))));
const utf16 = (text: string, isLittle: boolean) =>
  Uint8Array.from(
    [...`\ufeff${text.replace(/\n/g, '\r\n')}`].flatMap((c) => {
      const code = c.charCodeAt(0);
      return isLittle ? [code & 255, code >> 8] : [code >> 8, code & 255];
    }),
  );

const SAMPLES: readonly Sample[] = [
  {
    manner: 'a web calendar: everything in UTC, zones in a header of its own, holidays shown as free',
    bytes: utf8(`BEGIN:VCALENDAR
PRODID:-//Web calendar 70.9054//EN
VERSION:2.0
CALSCALE:GREGORIAN
METHOD:PUBLISH
X-WR-CALNAME:Mirja
X-WR-TIMEZONE:Europe/Lisbon
BEGIN:VEVENT
DTSTART:20260514T230000Z
DTEND:20260515T003000Z
DTSTAMP:20260401T101112Z
UID:4k2@web.example.org
STATUS:CONFIRMED
SEQUENCE:1
SUMMARY:Night rehearsal
TRANSP:OPAQUE
END:VEVENT
BEGIN:VEVENT
DTSTART;VALUE=DATE:20260501
DTEND;VALUE=DATE:20260502
UID:holiday-1@web.example.org
SUMMARY:Labour Day
TRANSP:TRANSPARENT
END:VEVENT
END:VCALENDAR
`),
    days: ['2026-05-01 Labour Day (free)', '2026-05-15 Night rehearsal'],
  },
  {
    manner: 'a desktop suite: its own zone names with rules, CLASS and categories, folded at 75 within a word',
    bytes: utf8(`BEGIN:VCALENDAR
PRODID:-//Desktop suite 16.0 MIMEDIR//EN
VERSION:2.0
METHOD:PUBLISH
BEGIN:VTIMEZONE
TZID:GMT Standard Time
BEGIN:STANDARD
DTSTART:16010101T020000
RRULE:FREQ=YEARLY;BYDAY=-1SU;BYMONTH=10
TZOFFSETFROM:+0100
TZOFFSETTO:-0000
END:STANDARD
BEGIN:DAYLIGHT
DTSTART:16010101T010000
RRULE:FREQ=YEARLY;BYDAY=-1SU;BYMONTH=3
TZOFFSETFROM:-0000
TZOFFSETTO:+0100
END:DAYLIGHT
END:VTIMEZONE
BEGIN:VEVENT
CLASS:PUBLIC
CATEGORIES:Concert
DTSTART;TZID="GMT Standard Time":20260516T193000
DTEND;TZID="GMT Standard Time":20260516T220000
UID:040000008200E00074C5B7101A82E008
SUMMARY;LANGUAGE=en-gb:Spring gala of the municipal orchestra in the hall by
  the river
PRIORITY:5
END:VEVENT
END:VCALENDAR
`),
    days: ['2026-05-16 Spring gala of the municipal orchestra in the hall by the river'],
  },
  {
    manner: 'a telephone: an hour that floats, an alarm within, a moved day of a weekly event',
    bytes: utf8(`BEGIN:VCALENDAR
CALSCALE:GREGORIAN
PRODID:-//Telephone 17//EN
VERSION:2.0
BEGIN:VEVENT
CREATED:20260301T080000Z
DTSTART:20260504T180000
DTEND:20260504T190000
RRULE:FREQ=WEEKLY;UNTIL=20260518T180000
SUMMARY:Choir
UID:6F9619FF-8B86-D011-B42D-00CF4FC964FF
BEGIN:VALARM
ACTION:DISPLAY
DESCRIPTION:Reminder
TRIGGER:-PT15M
END:VALARM
END:VEVENT
BEGIN:VEVENT
DTSTART:20260513T180000
DTEND:20260513T190000
RECURRENCE-ID:20260511T180000
SUMMARY:Choir (moved)
UID:6F9619FF-8B86-D011-B42D-00CF4FC964FF
END:VEVENT
END:VCALENDAR
`),
    days: ['2026-05-04 Choir', '2026-05-13 Choir (moved)', '2026-05-18 Choir'],
  },
  {
    manner: 'groupware: one cancelled date of a series, a method, an organizer with names in quotes',
    bytes: utf8(`BEGIN:VCALENDAR
METHOD:REQUEST
PRODID:Groupware server
VERSION:2.0
BEGIN:VEVENT
ORGANIZER;CN="Office; tours, halls":mailto:office@example.org
DTSTART;VALUE=DATE:20260508
DTEND;VALUE=DATE:20260510
RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=2
SUMMARY:On tour
UID:tour@example.org
END:VEVENT
BEGIN:VEVENT
RECURRENCE-ID;VALUE=DATE:20260522
DTSTART;VALUE=DATE:20260522
DTEND;VALUE=DATE:20260524
STATUS:CANCELLED
SUMMARY:On tour
UID:tour@example.org
END:VEVENT
END:VCALENDAR
`),
    days: ['2026-05-08 On tour', '2026-05-09 On tour'],
    left: ['2 cancelled dates of repeating events'],
  },
  {
    manner: 'an old organizer: the first format, quoted-printable in Latin letters, repeats in its short grammar',
    bytes: utf8(`BEGIN:VCALENDAR
VERSION:1.0
PRODID:-//Organizer//NONSGML//EN
BEGIN:VEVENT
DTSTART:20260505T090000
DTEND:20260505T100000
SUMMARY;ENCODING=QUOTED-PRINTABLE;CHARSET=ISO-8859-1:Caf=E9, dann =
=DCbung
RRULE:W1 TU TH #4
AALARM:20260505T085500;;;
END:VEVENT
BEGIN:VEVENT
DTSTART:20260501T120000
DTEND:20260501T130000
SUMMARY;CHARSET=UTF-8;QUOTED-PRINTABLE:Erster Montag =C3=BCberall
RRULE:MP1 1+ MO #0
EXDATE:20260601T120000;20260706T120000
END:VEVENT
END:VCALENDAR
`),
    days: [
      '2026-05-04 Erster Montag überall',
      '2026-05-05 Café, dann Übung',
      '2026-05-07 Café, dann Übung',
      '2026-05-12 Café, dann Übung',
      '2026-05-14 Café, dann Übung',
    ],
  },
  {
    manner: 'a school’s holidays: years of them, all day, a duration instead of an end',
    bytes: utf8(`BEGIN:VCALENDAR
VERSION:2.0
PRODID:-//School holidays//DE
${[2024, 2025, 2026]
  .map(
    (year) => `BEGIN:VEVENT
UID:whit-${year}@school.example.org
DTSTART;VALUE=DATE:${year}0526
DURATION:P3D
SUMMARY:Whitsun holidays ${year}
END:VEVENT`,
  )
  .join('\n')}
END:VCALENDAR
`),
    days: ['2026-05-26 Whitsun holidays 2026', '2026-05-27 Whitsun holidays 2026', '2026-05-28 Whitsun holidays 2026'],
    left: ['2 events on other days than these'],
  },
  {
    manner: 'a timetable of a university: Windows letters without saying so, dates one by one',
    bytes: latin(`BEGIN:VCALENDAR
VERSION:2.0
PRODID:-//Timetable//FR
BEGIN:VEVENT
UID:cours-1
DTSTART;TZID=Europe/Paris:20260506T101500
DTEND;TZID=Europe/Paris:20260506T114500
RDATE;TZID=Europe/Paris:20260513T101500,20260520T101500
EXDATE;TZID=Europe/Paris:20260513T101500
SUMMARY:Théorie – salle à l'étage
END:VEVENT
END:VCALENDAR
`),
    days: ['2026-05-06 Théorie – salle à l’étage', '2026-05-20 Théorie – salle à l’étage'].map((d) =>
      d.replace('’', "'"),
    ),
    encoding: 'Windows-1252',
  },
  {
    manner: 'a spreadsheet saved as Unicode: UTF-16, the least that a calendar has',
    bytes: utf16(
      `BEGIN:VCALENDAR
VERSION:2.0
BEGIN:VEVENT
DTSTART:20260530
SUMMARY:Łódź
END:VEVENT
END:VCALENDAR
`,
      true,
    ),
    days: ['2026-05-30 Łódź'],
    encoding: 'UTF-16',
  },
  {
    manner: 'a league’s fixtures: tentative and called-off games, UTC, a place with commas',
    bytes: utf8(`BEGIN:VCALENDAR
VERSION:2.0
PRODID:-//League//Fixtures
${[
  ['09', 'CONFIRMED'],
  ['16', 'TENTATIVE'],
  ['23', 'CANCELLED'],
]
  .map(
    ([day, status]) => `BEGIN:VEVENT
UID:game-${day}@league.example.org
DTSTAMP:20260101T000000Z
DTSTART:202605${day}T130000Z
DTEND:202605${day}T150000Z
STATUS:${status}
LOCATION:Ground 2\\, north\\; by the mill
SUMMARY:Home game ${day}
END:VEVENT`,
  )
  .join('\n')}
END:VCALENDAR
`),
    days: ['2026-05-09 Home game 09', '2026-05-16 Home game 16'],
    left: ['1 cancelled event'],
  },
  {
    manner: 'a free desktop calendar: tasks and notes beside events, unknown properties, stretches of time as dates',
    bytes: utf8(`BEGIN:VCALENDAR
PRODID:-//Desktop//calendar//EN
VERSION:2.0
BEGIN:VTODO
UID:todo-1
SUMMARY:Book the hall
DUE;VALUE=DATE:20260510
END:VTODO
BEGIN:VJOURNAL
UID:note-1
SUMMARY:How it went
END:VJOURNAL
BEGIN:VEVENT
UID:shift-1
X-MOZ-LASTACK:20260401T000000Z
X-COLOR;X-DEPTH=24:#7b2b5e
DTSTART;TZID=America/Los_Angeles:20260502T200000
DTEND;TZID=America/Los_Angeles:20260502T230000
RDATE;TZID=America/Los_Angeles;VALUE=PERIOD:20260509T200000/PT3H,20260516T200000/20260516T230000
SUMMARY:Shift
END:VEVENT
END:VCALENDAR
`),
    days: ['2026-05-02 Shift', '2026-05-09 Shift', '2026-05-16 Shift'],
    left: ['2 tasks and notes'],
  },
  {
    manner: 'a ticket shop: one event, over midnight, lines that end with a bare line feed, no last line end',
    bytes: new TextEncoder().encode(`BEGIN:VCALENDAR
VERSION:2.0
BEGIN:VEVENT
UID:ticket-77
DTSTART;TZID=Europe/Lisbon:20260529T213000
DTEND;TZID=Europe/Lisbon:20260530T001500
SUMMARY:Late show\\, row 3
END:VEVENT
END:VCALENDAR`),
    days: ['2026-05-29 Late show, row 3', '2026-05-30 Late show, row 3'],
  },
  {
    manner: 'a planner of shifts: several calendars in one file, folded within a letter, a called-off message beside',
    bytes: (() => {
      const whole = utf8(`BEGIN:VCALENDAR
VERSION:2.0
BEGIN:VEVENT
UID:early
DTSTART;VALUE=DATE:20260511
SUMMARY:Frühschicht
END:VEVENT
END:VCALENDAR
BEGIN:VCALENDAR
VERSION:2.0
METHOD:CANCEL
BEGIN:VEVENT
UID:late
DTSTART;VALUE=DATE:20260512
SUMMARY:Late shift
END:VEVENT
END:VCALENDAR
`);
      // Between the two bytes of the ü.
      const at = whole.indexOf(0xbc);
      return Uint8Array.from([...whole.slice(0, at), 13, 10, 32, ...whole.slice(at)]);
    })(),
    days: ['2026-05-11 Frühschicht'],
    left: ['1 cancelled event'],
  },
];

describe('files in the manner of calendar programs', () => {
  test.each(SAMPLES)('$manner', ({ bytes, days, left = [], encoding = 'UTF-8' }) => {
    const decoded = decodeCalendarText(bytes);
    expect(decoded.encoding).toBe(encoding);
    const read = readCalendar(decoded.text, {
      from: '2026-05-01' as DayDate,
      to: '2026-05-31' as DayDate,
      timeZone: 'Europe/Lisbon',
    });
    expect(read.status).toBe('read');
    if (read.status !== 'read') return;
    expect(read.days.map((d) => `${d.date} ${d.words}${d.isFree ? ' (free)' : ''}`)).toEqual(days);
    expect(read.left).toEqual(left);
  });
  test('there are ten of them or more', () => expect(SAMPLES.length).toBeGreaterThanOrEqual(10));
});
