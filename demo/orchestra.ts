import type { DayDate } from '../core/calendar/day.ts';
import { addDays } from '../core/calendar/day.ts';

/** "Eight weeks to the summer tour": players in hotels, quiet floors, wrists and shoulders to spare, kit from a suitcase. */
export const ORCHESTRA_ROUTINES = [
  {
    name: 'Hands of a musician',
    text: 'Warm-up: 2 rounds\n6 wrist circle, slow\n5 wrist rock\n0:15/side forearm stretch\n8 shoulder roll\n',
  },
  {
    name: 'Hotel room, five minutes',
    text: 'Warm-up: flow\n10 march\n8 cat and cow\n6/side leg swing\n8 hip hinge\n5 roll-down, slow\n',
  },
  {
    name: 'After the concert',
    text: 'Cool-down: flow\n0:30 child’s pose\n0:30/side figure-four stretch\n0:30/side neck stretch\n1:00 calm breathing\n',
  },
] as const;

/** Places that are still to write, so that there is something to do. */
export const ORCHESTRA_UNWRITTEN = ['w7d5', 'w7d6', 'w8d1', 'w8d3', 'w8d5', 'w8d6'] as const;

/** Concerts and travel as an orchestra's office would send them; `mondayOfWeek` gives the date of a week's Monday. */
export function orchestraCalendar(mondayOfWeek: (week: number) => DayDate): string {
  const stamp = (date: DayDate) => date.replaceAll('-', '');
  const events: readonly (readonly [week: number, weekday: number, days: number, summary: string])[] = [
    [2, 7, 1, 'Matinée, Salt Market Hall'],
    [4, 4, 2, 'Travel to the lakes'],
    [6, 6, 1, 'Concert, the old granary'],
    [6, 7, 1, 'Travel home'],
    [8, 6, 2, 'Dress rehearsals'],
  ];
  return [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//The touring orchestra//Office//EN',
    ...events.flatMap(([week, weekday, days, summary], i) => {
      const date = addDays(mondayOfWeek(week), weekday - 1);
      return [
        'BEGIN:VEVENT',
        `UID:tour-${i + 1}@orchestra.example.org`,
        `DTSTAMP:${stamp(mondayOfWeek(1))}T080000Z`,
        `DTSTART;VALUE=DATE:${stamp(date)}`,
        `DTEND;VALUE=DATE:${stamp(addDays(date, days))}`,
        `SUMMARY:${summary}`,
        'END:VEVENT',
      ];
    }),
    'END:VCALENDAR',
    '',
  ].join('\r\n');
}

export const ORCHESTRA_PEOPLE: readonly (readonly [name: string, instrument: string, zone: string, temper: Temper])[] =
  [
    ['Amara Lindqvist', 'viola', 'Europe/Vienna', 'fader'],
    ['Benedek Soto', 'horn', 'Europe/Vienna', 'sore-wrist'],
    ['Cosima Ravn', 'flute', 'Europe/Lisbon', 'steady'],
    ['Dario Oyelaran', 'cello', 'Europe/Lisbon', 'weekend'],
    ['Elif Marchetti', 'violin', 'Europe/Vienna', 'steady'],
    ['Freya Nakagawa', 'oboe', 'Asia/Tokyo', 'usual'],
    ['Gil Abernethy', 'timpani', 'America/New_York', 'usual'],
    ['Hana Drozd', 'violin', 'Asia/Tokyo', 'steady'],
    ['Ines Calloway', 'harp', 'Europe/Lisbon', 'usual'],
    ['Jonas Petrakis', 'bass', 'Europe/Vienna', 'late'],
    ['Kirsi Valdez', 'clarinet', 'America/New_York', 'too-easy'],
    ['Lior Haugen', 'trumpet', 'Europe/Vienna', 'weekend'],
    ['Maeve Tanaka', 'violin', 'Pacific/Auckland', 'steady'],
    ['Nadim Brandt', 'viola', 'Europe/Vienna', 'usual'],
    ['Oda Ferreira', 'cello', 'Europe/Lisbon', 'comeback'],
    ['Pavel Iversen', 'trombone', 'Europe/Vienna', 'fader'],
    ['Quynh Almeida', 'violin', 'Asia/Tokyo', 'too-hard'],
    ['Rasmus Okafor', 'bassoon', 'America/New_York', 'usual'],
    ['Sanna Kowalczyk', 'violin', 'Europe/Vienna', 'steady'],
    ['Tomas Beaumont', 'percussion', 'Pacific/Auckland', 'usual'],
    ['Ulla Serrano', 'flute', 'Europe/Lisbon', 'paused'],
    ['Viggo Adeyemi', 'tuba', 'Europe/Vienna', 'weekend'],
    ['Wanda Castellano', 'violin', 'Europe/Vienna', 'leaver'],
    ['Xenia Halloran', 'viola', 'America/New_York', 'late'],
    ['Yannick Sørby', 'cello', 'Europe/Vienna', 'usual'],
    ['Zofia Mendes', 'horn', 'Pacific/Auckland', 'usual'],
  ];

/** How someone keeps to a programme, and how it is for them. */
export type Temper =
  | 'steady'
  | 'usual'
  | 'weekend'
  | 'fader'
  | 'sore-wrist'
  | 'late'
  /** Missed two weeks, and is back. */
  | 'comeback'
  /** Left before the week that it is now. */
  | 'leaver'
  /** Away for nine days, as agreed, and back. */
  | 'paused'
  | 'too-hard'
  | 'too-easy';
