import { describe, expect, it } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { readCalendar } from './read-calendar.ts';

const calendar = (...events: string[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//try//EN',
    ...events.flatMap((e) => ['BEGIN:VEVENT', ...e.split('\n'), 'END:VEVENT']),
    'END:VCALENDAR',
    '',
  ].join('\r\n');
const days = (source: string, from: string, to: string, timeZone = 'UTC') => {
  const read = readCalendar(source, { from: from as DayDate, to: to as DayDate, timeZone });
  return read.status === 'read' ? read.days.map((d) => `${d.date} ${d.words}`) : [read.message];
};

describe('blocked days from a calendar file', () => {
  it('an all-day event ends before its DTEND (the RFC’s festival, 28 June to 8 July 2007; from memory)', () => {
    const source = calendar(
      'UID:20070423T123432Z-541111@example.org\nDTSTAMP:20070423T123432Z\nDTSTART;VALUE=DATE:20070628\nDTEND;VALUE=DATE:20070709\nSUMMARY:Festival',
    );
    const found = days(source, '2007-06-01', '2007-07-31');
    expect([found.length, found[0], found.at(-1)]).toEqual([11, '2007-06-28 Festival', '2007-07-08 Festival']);
    expect(days(source, '2007-07-07', '2007-07-31')).toEqual(['2007-07-07 Festival', '2007-07-08 Festival']);
  });

  it('a timed event counts on the day of its own zone, one in UTC on that of the coach’s', () => {
    expect(
      days(
        calendar(
          'UID:a\nDTSTART;TZID=Europe/Vienna:20260516T193000\nDTEND;TZID=Europe/Vienna:20260516T220000\nSUMMARY:Concert',
        ),
        '2026-05-01',
        '2026-05-31',
      ),
    ).toEqual(['2026-05-16 Concert']);
    const late = calendar('UID:b\nDTSTART:20260516T230000Z\nDTEND:20260516T233000Z\nSUMMARY:Call');
    expect(days(late, '2026-05-01', '2026-05-31')).toEqual(['2026-05-16 Call']);
    expect(days(late, '2026-05-01', '2026-05-31', 'Europe/Vienna')).toEqual(['2026-05-17 Call']);
  });

  it('over midnight it is two days, up to midnight one', () => {
    expect(
      days(calendar('UID:a\nDTSTART:20260516T220000\nDTEND:20260517T010000\nSUMMARY:Gala'), '2026-05-01', '2026-05-31'),
    ).toEqual(['2026-05-16 Gala', '2026-05-17 Gala']);
    expect(
      days(calendar('UID:a\nDTSTART:20260516T220000\nDTEND:20260517T000000\nSUMMARY:Gala'), '2026-05-01', '2026-05-31'),
    ).toEqual(['2026-05-16 Gala']);
  });

  it('follows repeats through the span, with exceptions and cancelled ones', () => {
    const weekly =
      'UID:r\nDTSTART;VALUE=DATE:20260502\nRRULE:FREQ=WEEKLY;COUNT=4\nEXDATE;VALUE=DATE:20260516\nSUMMARY:Matinée';
    expect(days(calendar(weekly), '2026-05-01', '2026-05-31')).toEqual([
      '2026-05-02 Matinée',
      '2026-05-09 Matinée',
      '2026-05-23 Matinée',
    ]);
    const moved = 'UID:r\nRECURRENCE-ID;VALUE=DATE:20260509\nDTSTART;VALUE=DATE:20260510\nSUMMARY:Matinée';
    expect(days(calendar(weekly, moved), '2026-05-01', '2026-05-31')).toEqual([
      '2026-05-02 Matinée',
      '2026-05-10 Matinée',
      '2026-05-23 Matinée',
    ]);
    expect(
      days(calendar('UID:c\nDTSTART;VALUE=DATE:20260502\nSTATUS:CANCELLED\nSUMMARY:Off'), '2026-05-01', '2026-05-31'),
    ).toEqual([]);
    expect(
      days(calendar('UID:e\nDTSTART;VALUE=DATE:20200101\nRRULE:FREQ=DAILY\nSUMMARY:Daily'), '2026-05-01', '2026-05-03'),
    ).toHaveLength(3);
  });

  it('folded and escaped lines, and no summary', () => {
    expect(
      days(
        calendar('UID:f\nDTSTART;VALUE=DATE:20260502\nSUMMARY:Brahms\\, Mahler\n  and more\\nat the hall'),
        '2026-05-01',
        '2026-05-31',
      ),
    ).toEqual(['2026-05-02 Brahms, Mahler and more at the hall']);
    expect(days(calendar('UID:g\nDTSTART;VALUE=DATE:20260502'), '2026-05-01', '2026-05-31')).toEqual([
      '2026-05-02 busy',
    ]);
  });

  it('says so where it is no calendar, and takes an empty one', () => {
    expect(days('hello', '2026-05-01', '2026-05-31')[0]).toMatch(/no calendar file/);
    expect(days('BEGIN:VCARD\r\nEND:VCARD\r\n', '2026-05-01', '2026-05-31')[0]).toMatch(/no VCALENDAR/);
    expect(days(calendar(), '2026-05-01', '2026-05-31')).toEqual([]);
    expect(days('x'.repeat(2_000_001), '2026-05-01', '2026-05-31')[0]).toMatch(/2 MB/);
  });

  const span = { from: '2026-05-01' as DayDate, to: '2027-04-30' as DayDate, timeZone: 'UTC' };
  const repeating = (rule: string, start = '20200101T100000Z') =>
    calendar(`UID:r\nDTSTART:${start}\nDURATION:PT1H\nRRULE:${rule}\nSUMMARY:Bell`);

  it.each([
    'FREQ=SECONDLY',
    'FREQ=MINUTELY;COUNT=3',
    'FREQ=HOURLY',
    'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30',
    'FREQ=YEARLY;BYDAY=1MO;BYMONTH=4;BYMONTHDAY=15',
  ])('%s is refused with the event named', (rule) => {
    expect(readCalendar(repeating(rule), span)).toMatchObject({
      status: 'refused',
      message: expect.stringContaining('“Bell”') as string,
    });
    // Folded in the middle of the word, as a calendar may do it.
    expect(readCalendar(repeating(rule).replace('FREQ=', 'FRE\r\n Q='), span).status).toBe('refused');
  });

  it('takes a rule without an end, one from long ago, one on leap days, and one at several hours', () => {
    const found = (rule: string, start?: string) => {
      const read = readCalendar(repeating(rule, start), span);
      return read.status === 'read' ? read.days.length : read.message;
    };
    expect(found('FREQ=DAILY')).toBe(365);
    expect(found('FREQ=DAILY', '19950101T100000Z')).toBe(365);
    expect(found('FREQ=WEEKLY;BYDAY=MO,WE')).toBe(104);
    expect(found('FREQ=DAILY;BYMONTH=2;BYMONTHDAY=29')).toBe(0);
    expect(found('FREQ=DAILY;BYHOUR=8,12,18;BYMINUTE=0,15,30,45;BYSECOND=0,10,20,30,40,50')).toBe(365);
    expect(found('FREQ=DAILY;BYHOUR=8,18;COUNT=10', '20260501T080000Z')).toBe(5);
  });

  it('reads several calendars in one file, and passes by what is none', () => {
    const one = calendar('UID:a\nDTSTART;VALUE=DATE:20260502\nSUMMARY:One');
    const two = calendar('UID:b\nDTSTART;VALUE=DATE:20260503\nSUMMARY:Two');
    const read = readCalendar(`${one}${two}BEGIN:VCARD\r\nFN:Nobody\r\nEND:VCARD\r\n`, span);
    expect(read).toMatchObject({ status: 'read', events: 2, left: ['1 part that is no calendar'] });
    expect(read.status === 'read' && read.days.map((d) => d.words)).toEqual(['One', 'Two']);
  });

  it('reads a file as far as it goes, and says what it left out', () => {
    const good = 'UID:a\nDTSTART;TZID=Nowhere/Zone:20260502T200000\nSUMMARY:Good';
    const bad = 'UID:b\nDTSTART:20260503\nSUMMARY:Bad\nno line of a calendar';
    const zone =
      'BEGIN:VTIMEZONE\r\nTZID:Nowhere/Zone\r\nBEGIN:STANDARD\r\nDTSTART:what\r\nthis is no line\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n';
    const read = readCalendar(calendar(good, bad).replace('BEGIN:VEVENT', `${zone}BEGIN:VEVENT`), span);
    expect(read).toMatchObject({
      status: 'read',
      events: 1,
      left: ['1 event that can’t be read', '1 zone rule that can’t be read'],
    });
    expect(read.status === 'read' && read.days.map((d) => `${d.date} ${d.words}`)).toEqual(['2026-05-02 Good']);
  });

  it('says so where there are more than a thousand days', () => {
    const many = calendar(
      ...Array.from({ length: 4 }, (_, i) => `UID:e${i}\nDTSTART;VALUE=DATE:20260401\nRRULE:FREQ=DAILY\nSUMMARY:E${i}`),
    );
    const read = readCalendar(many, span);
    expect(read.status === 'read' && [read.days.length, read.left]).toEqual([1000, ['460 days beyond the first 1000']]);
    expect(readCalendar(calendar('UID:c\nDTSTART;VALUE=DATE:20260502\nSTATUS:CANCELLED'), span)).toMatchObject({
      left: ['1 cancelled event'],
    });
  });

  it('single dates beside a rule and without one, as days, times and periods', () => {
    const event = (more: string) => calendar(`UID:r\nDTSTART;VALUE=DATE:20260504\nSUMMARY:Fair\n${more}`);
    expect(days(event('RDATE;VALUE=DATE:20260511,20260520'), '2026-05-01', '2026-05-31')).toEqual([
      '2026-05-04 Fair',
      '2026-05-11 Fair',
      '2026-05-20 Fair',
    ]);
    expect(days(event('RRULE:FREQ=WEEKLY;COUNT=2\nRDATE;VALUE=DATE:20260520'), '2026-05-01', '2026-05-31')).toEqual([
      '2026-05-04 Fair',
      '2026-05-11 Fair',
      '2026-05-20 Fair',
    ]);
    const timed = calendar(
      'UID:p\nDTSTART:20260504T100000Z\nDTEND:20260504T110000Z\nSUMMARY:Fair\nRDATE;VALUE=PERIOD:20260512T100000Z/20260512T120000Z',
    );
    expect(days(timed, '2026-05-01', '2026-05-31')).toEqual(['2026-05-04 Fair', '2026-05-12 Fair']);
  });

  it('a moved day without the event that repeats stands by itself; what takes events back leaves none', () => {
    const moved = calendar('UID:m\nDTSTART;VALUE=DATE:20260506\nRECURRENCE-ID;VALUE=DATE:20260504\nSUMMARY:Moved');
    expect(days(moved, '2026-05-01', '2026-05-31')).toEqual(['2026-05-06 Moved']);
    const back = calendar('UID:c\nDTSTART;VALUE=DATE:20260502\nSUMMARY:Off').replace(
      'VERSION:2.0',
      'VERSION:2.0\r\nMETHOD:CANCEL',
    );
    expect(readCalendar(back, span)).toMatchObject({ days: [], left: ['1 cancelled event'] });
  });

  it('says so where it is saved in another encoding', () => {
    const utf16 = Buffer.from(calendar('UID:a\nDTSTART;VALUE=DATE:20260502'), 'utf16le').toString('latin1');
    expect(readCalendar(utf16, span)).toMatchObject({
      status: 'refused',
      message: expect.stringContaining('UTF-8') as string,
    });
  });

  it.each([
    ['FREQ=DAILY;INTERVAL=2147483647', 'repeats in steps of 2147483647'],
    ['FREQ=DAILY;INTERVAL=0', 'repeats in steps of 0'],
    ['FREQ=WEEKLY;INTERVAL=-1', 'repeats in steps of -1'],
    ['FREQ=DAILY;INTERVAL=1001', 'repeats in steps of 1001'],
    ['FREQ=DAILY;COUNT=-4', 'repeats -4 times'],
    ['FREQ=DAILY;UNTIL=99999999', 'ends on 99999999'],
    ['FREQ=DAILY;UNTIL=20260230', 'ends on 20260230'],
    ['FREQ=DAILY;UNTIL=soon', 'ends on soon'],
  ])('%s is refused before it is followed, by the words of its event', (rule, why) => {
    const source = calendar(
      'UID:x\nDTSTART;VALUE=DATE:20260101\nRRULE:FREQ=DAILY;COUNT=2\nSUMMARY:Fine',
      `UID:y\nDTSTART;VALUE=DATE:20260101\nRRULE:${rule}\nSUMMARY:Strange`,
    );
    expect(days(source, '2026-01-01', '2026-12-31')).toEqual([expect.stringContaining(`“Strange” ${why}`)]);
  });

  it('what repeats since long ago is refused, but a birthday of which nobody knows the year', () => {
    const since = (year: string, freq: string) =>
      days(
        calendar(`UID:x\nDTSTART;VALUE=DATE:${year}0301\nRRULE:FREQ=${freq}\nSUMMARY:Old`),
        '2026-01-01',
        '2026-12-31',
      );
    expect(since('0001', 'DAILY')).toEqual([expect.stringContaining('since the year 1')]);
    expect(since('1899', 'WEEKLY')).toEqual([expect.stringContaining('since the year 1899')]);
    expect(since('1604', 'YEARLY')).toEqual(['2026-03-01 Old']);
    expect(since('1900', 'MONTHLY')).toHaveLength(12);
    expect(since('2026', 'MONTHLY;INTERVAL=1000')).toEqual(['2026-03-01 Old']);
  });
});
