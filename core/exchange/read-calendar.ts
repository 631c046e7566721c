import ICAL from 'ical.js';
import type { DayDate } from '../calendar/day.ts';
import { addDays, parseDayDate } from '../calendar/day.ts';
import { localDate } from '../calendar/release.ts';
import { groupBy } from '../group-by.ts';
import { cutLetters } from '../letters.ts';
import { readCalendars } from './calendar-components.ts';
import { asSecondFormat } from './calendar-lines.ts';
import { EndlessRuleError, withStepLimit } from './rule-steps.ts';

/** One event of a calendar file on one day. */
export interface CalendarDay {
  readonly date: DayDate;
  readonly words: string;
  readonly uid: string;
  /** Its calendar shows the time as free: a birthday, a school's holidays. */
  readonly isFree: boolean;
}

export type ReadCalendar =
  | {
      readonly status: 'read';
      readonly days: readonly CalendarDay[];
      readonly events: number;
      /** What of the file was left out, in words: `2 cancelled events`. */
      readonly left: readonly string[];
    }
  | { readonly status: 'refused'; readonly message: string };

export interface CalendarSpan {
  readonly from: DayDate;
  readonly to: DayDate;
  /** Of whoever reads: times in UTC count on its days. */
  readonly timeZone: string;
}

const MAX_BYTES = 2_000_000;
/** As many as a programme's file takes. */
export const MAX_CALENDAR_DAYS = 1000;
const IN_A_DAY = ['SECONDLY', 'MINUTELY', 'HOURLY'];
const DAY_PARTS = ['BYHOUR', 'BYMINUTE', 'BYSECOND'] as const;

const refused = (message: string): ReadCalendar => ({ status: 'refused', message });

/**
 * The days between two dates (both included) that a calendar file's events lie on (RFC 5545, read with ical.js). An
 * all-day event ends before its DTEND; a timed one counts on the days of its own zone, one in UTC on those of
 * `timeZone`. Repeating events are followed through the span; cancelled ones are left out. A file may hold several calendars, and
 * parts that can't be read: it is read as far as it goes, and says what it left out. Rules that never come to a date, or
 * repeat by the second, minute or hour, are refused before they are followed.
 */
export function readCalendar(source: string, span: CalendarSpan): ReadCalendar {
  if (source.length > MAX_BYTES)
    return refused('A calendar file has at most 2 MB; export only the months of the programme.');
  const text = asSecondFormat(unfold(source));
  if (text.includes('\0')) return refused('This is no text in UTF-8; export the calendar anew, as .ics.');
  const strange = findStrangeRule(text);
  if (strange)
    return refused(
      `“${strange.words}” ${strange.why}, which nobody can mean. Mend it in the calendar, or remove it, and export it again.`,
    );
  const left: string[] = [];
  const calendars = readCalendars(text, left);
  if (calendars === undefined) return refused('This is no calendar file; export one that ends in .ics.');
  if (calendars.length === 0) return refused('This is no calendar file: it has no VCALENDAR.');
  const hasted = findHasted(calendars);
  if (hasted !== undefined)
    return refused(
      `“${hasted}” repeats by the second, minute or hour, which names no days. Remove it from the calendar, and export it again.`,
    );
  const found = new DayCollector(span);
  try {
    withStepLimit((onDate) => {
      for (const calendar of calendars) collectEvents(calendar, found, onDate);
    });
  } catch (error) {
    if (!(error instanceof EndlessRuleError)) throw error;
    return refused(
      `The rule of “${found.current}” comes to no date that there is, or to more than can be followed. Remove it from the calendar, and export it again.`,
    );
  }
  return { status: 'read', days: found.sorted(), events: found.events, left: [...left, ...found.left()] };
}

/** Lines as they are meant: a line break and a blank go on with the line before (RFC 5545, 3.1). */
const unfold = (source: string): string =>
  source
    .replace(/^\ufeff/, '')
    .replace(/\r\n|\r/g, '\n')
    .replace(/\n[ \t]/g, '');

/** Steps further apart, and starts longer ago, than any plan of a person has. */
const MAX_INTERVAL = 1000;
const FIRST_YEAR = 1900;

/**
 * A rule that would be followed for ever, or can't be meant, as it is written: ical.js takes a bad interval for 1, and counts on from the
 * year 1. Events that come each year may begin long ago: some programs write birthdays so.
 */
function findStrangeRule(text: string): { readonly words: string; readonly why: string } | undefined {
  let words = '';
  let year = FIRST_YEAR;
  let why = '';
  for (const line of text.split('\n')) {
    const colon = line.indexOf(':');
    if (colon < 0) continue;
    const name = line.slice(0, colon).split(';', 1)[0]!.toUpperCase();
    const value = line.slice(colon + 1).trim();
    if (name === 'BEGIN' && value.toUpperCase() === 'VEVENT') [words, year, why] = ['', FIRST_YEAR, ''];
    else if (name === 'SUMMARY') words = oneLine(value);
    else if (name === 'DTSTART') year = /^\d{4}/.test(value) ? Number(value.slice(0, 4)) : FIRST_YEAR;
    else if (name === 'RRULE' || name === 'EXRULE') why ||= strangeIn(value) ?? '';
    if (name === 'RRULE' && year < FIRST_YEAR && !/FREQ=YEARLY/i.test(value)) why ||= `repeats since the year ${year}`;
    if (why !== '' && name === 'END') return { words: words || 'busy', why };
  }
  return undefined;
}

/** What is strange in a rule's parts; undefined where nothing is. */
function strangeIn(rule: string): string | undefined {
  for (const part of rule.split(';')) {
    const [key = '', value = ''] = part.split('=', 2).map((p) => p.trim());
    const isWhole = /^\d{1,9}$/.test(value) && Number(value) >= 1;
    switch (key.toUpperCase()) {
      case 'INTERVAL':
        if (!isWhole || Number(value) > MAX_INTERVAL)
          return `repeats in steps of ${cutLetters(value, 20) || 'nothing'}`;
        break;
      case 'COUNT':
        if (!isWhole) return `repeats ${cutLetters(value, 20) || 'no'} times`;
        break;
      case 'UNTIL': {
        const date = `${value.slice(0, 4)}-${value.slice(4, 6)}-${value.slice(6, 8)}`;
        if (!/^\d{8}(T\d{6}Z?)?$/i.test(value) || parseDayDate(date) === undefined)
          return `ends on ${cutLetters(value, 20) || 'nothing'}`;
        break;
      }
      default:
    }
  }
  return undefined;
}

/**
 * The words of an event that repeats by the second, minute or hour. Of the others the hours within a day are taken out of the rule:
 * only days are wanted, and each would be found as many times over.
 */
function findHasted(calendars: readonly ICAL.Component[]): string | undefined {
  for (const event of calendars.flatMap((c) => c.getAllSubcomponents('vevent'))) {
    for (const property of event.getAllProperties('rrule')) {
      const rule = property.getFirstValue() as unknown;
      if (!(rule instanceof ICAL.Recur)) continue;
      if (IN_A_DAY.includes(rule.freq)) return wordsOf(event);
      const parts = rule.parts as Record<string, unknown[] | undefined>;
      const perDay = DAY_PARTS.reduce((product, part) => product * Math.max(1, parts[part]?.length ?? 1), 1);
      for (const part of DAY_PARTS) delete parts[part];
      if (rule.count) rule.count = Math.ceil(rule.count / perDay);
      property.setValue(rule);
    }
  }
  return undefined;
}

const wordsOf = (event: ICAL.Component): string => {
  const words = event.getFirstPropertyValue('summary');
  return oneLine(typeof words === 'string' ? words : '') || 'busy';
};

const oneLine = (words: string | null | undefined): string =>
  cutLetters((words ?? '').replace(/\p{Cc}+/gu, ' ').trim(), 200);

/** Days as they are found, and what wasn't taken. */
class DayCollector {
  readonly #days = new Map<string, CalendarDay>();
  readonly #span: CalendarSpan;
  events = 0;
  cancelled = 0;
  unread = 0;
  tasks = 0;
  #cancelledDates = 0;
  #elsewhere = 0;
  #beyond = 0;
  #zones = false;
  /** The words of the event that is being followed. */
  current = '';

  constructor(span: CalendarSpan) {
    this.#span = span;
  }

  /** The days of one event; nothing of it where it throws. */
  addEvent(event: ICAL.Event, onDate: () => void): void {
    const own: CalendarDay[] = [];
    let cancelled = 0;
    for (const { start, end, item } of occurrences(event, this.#span, onDate)) {
      const dates = [...datesOf(start, end, this.#span)];
      if (item.component.getFirstPropertyValue('status') === 'CANCELLED') {
        cancelled += dates.length;
        continue;
      }
      const isFree = item.component.getFirstPropertyValue('transp') === 'TRANSPARENT';
      const words = oneLine(item.summary) || 'busy';
      for (const date of dates) own.push({ date, words, uid: event.uid ?? '', isFree });
    }
    this.#cancelledDates += cancelled;
    if (own.length + cancelled === 0) this.#elsewhere++;
    for (const day of own) {
      const key = `${day.date} ${day.uid} ${day.words}`;
      if (this.#days.has(key) || this.#days.size < MAX_CALENDAR_DAYS) this.#days.set(key, day);
      else this.#beyond++;
    }
  }

  /** Remembers that the zone rules of a calendar can't be followed. */
  passZones(): void {
    this.#zones = true;
  }

  sorted(): CalendarDay[] {
    return [...this.#days.values()].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  }

  left(): string[] {
    const count = (n: number, one: string, more: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : more}`]);
    return [
      ...count(this.cancelled, 'cancelled event', 'cancelled events'),
      ...count(this.#cancelledDates, 'cancelled date of a repeating event', 'cancelled dates of repeating events'),
      ...count(this.#elsewhere, 'event on other days than these', 'events on other days than these'),
      ...count(this.tasks, 'task or note', 'tasks and notes'),
      ...count(this.unread, 'event that can’t be read', 'events that can’t be read'),
      ...(this.#zones ? ['zone rules that can’t be followed; times are taken as they are written'] : []),
      ...count(this.#beyond, `day beyond the first ${MAX_CALENDAR_DAYS}`, `days beyond the first ${MAX_CALENDAR_DAYS}`),
    ];
  }
}

/** Dates that are named as stretches of time, by when those begin: only the day is wanted. */
function periodsAsStarts(component: ICAL.Component): void {
  for (const property of component.getAllProperties('rdate')) {
    const values = property.getValues() as unknown[];
    if (!values.some((v) => v instanceof ICAL.Period)) continue;
    const starts = new ICAL.Property('rdate');
    starts.resetType('date-time');
    starts.setValues(values.map((v) => (v instanceof ICAL.Period ? v.start : v)));
    component.removeProperty(property);
    component.addProperty(starts);
  }
}

/** Follows the events of one calendar; those that its zone rules break are followed again without them. */
function collectEvents(calendar: ICAL.Component, found: DayCollector, onDate: () => void): void {
  const components = calendar.getAllSubcomponents('vevent');
  for (const kind of ['vtodo', 'vjournal']) found.tasks += calendar.getAllSubcomponents(kind).length;
  const masters = new Set(
    components.filter((c) => !c.hasProperty('recurrence-id')).map((c) => c.getFirstPropertyValue('uid')),
  );
  const moved = groupBy(
    components.filter((c) => c.hasProperty('recurrence-id') && masters.has(c.getFirstPropertyValue('uid'))),
    (c) => c.getFirstPropertyValue('uid'),
  );
  // What takes events back has none that stands (RFC 5546, 3.2.5).
  const takesBack = String(calendar.getFirstPropertyValue('method') ?? '').toUpperCase() === 'CANCEL';
  const broken: ICAL.Component[] = [];
  for (const component of components) {
    // A moved day goes with the event that repeats; where that isn't in the file, it stands by itself.
    if (component.hasProperty('recurrence-id')) {
      if (masters.has(component.getFirstPropertyValue('uid'))) continue;
      component.removeAllProperties('recurrence-id');
    }
    periodsAsStarts(component);
    found.events++;
    if (takesBack || component.getFirstPropertyValue('status') === 'CANCELLED') found.cancelled++;
    else if (!component.hasProperty('dtstart')) found.unread++;
    else {
      found.current = wordsOf(component);
      onDate();
      const exceptions = moved.get(component.getFirstPropertyValue('uid')) ?? [];
      if (!tryEvent(component, exceptions, found, onDate)) broken.push(component);
    }
  }
  if (broken.length === 0) return;
  const hasZones = calendar.getFirstSubcomponent('vtimezone') !== null;
  if (hasZones) calendar.removeAllSubcomponents('vtimezone');
  for (const component of broken) {
    onDate();
    const exceptions = moved.get(component.getFirstPropertyValue('uid')) ?? [];
    const again = hasZones ? new ICAL.Component(component.toJSON() as unknown[]) : component;
    if (hasZones && tryEvent(again, exceptions, found, onDate)) found.passZones();
    else found.unread++;
  }
}

function tryEvent(
  component: ICAL.Component,
  exceptions: ICAL.Component[],
  found: DayCollector,
  onDate: () => void,
): boolean {
  try {
    found.addEvent(new ICAL.Event(component, { exceptions }), onDate);
    return true;
  } catch (error) {
    if (error instanceof EndlessRuleError) throw error;
    return false;
  }
}

const dayOf = (time: ICAL.Time): DayDate =>
  `${String(time.year).padStart(4, '0')}-${String(time.month).padStart(2, '0')}-${String(time.day).padStart(2, '0')}` as DayDate;

/** Whether an event's own date is one that it leaves out. */
const isTakenOut = ({ component, startDate }: ICAL.Event): boolean =>
  component
    .getAllProperties('exdate')
    .flatMap((p) => p.getValues() as unknown[])
    .some((value) => value instanceof ICAL.Time && value.compare(startDate) === 0);

interface Occurrence {
  readonly start: ICAL.Time;
  readonly end: ICAL.Time;
  readonly item: ICAL.Event;
}

function* occurrences(event: ICAL.Event, { from, to }: CalendarSpan, onDate: () => void): Generator<Occurrence> {
  if (!event.isRecurring()) {
    yield { start: event.startDate, end: event.endDate ?? event.startDate, item: event };
    return;
  }
  // Dates that are named one by one come beside the event's own, which a rule brings along (RFC 5545, 3.8.5.2).
  if (!event.component.hasProperty('rrule') && !isTakenOut(event))
    yield { start: event.startDate, end: event.endDate ?? event.startDate, item: event };
  const iterator = event.iterator();
  // Long before the span only one that was moved could still lie in it.
  const days = Math.ceil(event.duration.toSeconds() / 86_400) + 2;
  const earliest = Object.keys(event.exceptions ?? {}).length > 0 ? '' : addDays(from, -Math.min(days, 3660));
  for (;;) {
    const next = iterator.next();
    onDate();
    if (!next || dayOf(next) > to) return;
    if (dayOf(next) < earliest) continue;
    const details = event.getOccurrenceDetails(next);
    yield { start: details.startDate, end: details.endDate, item: details.item };
  }
}

function* datesOf(
  start: ICAL.Time,
  end: ICAL.Time,
  { from, to, timeZone }: { from: DayDate; to: DayDate; timeZone: string },
): Generator<DayDate> {
  const isUtc = (time: ICAL.Time) => !time.isDate && time.zone === ICAL.Timezone.utcTimezone;
  const dateOf = (time: ICAL.Time) => (isUtc(time) ? localDate(time.toUnixTime() * 1000, timeZone) : dayOf(time));
  const first = dateOf(start);
  const endsAtMidnight = !end.isDate && !isUtc(end) && end.hour === 0 && end.minute === 0 && end.second === 0;
  const last = dateOf(end);
  const until = (end.isDate || endsAtMidnight) && last > first ? addDays(last, -1) : last;
  for (let date = first < from ? from : first; date <= until && date <= to; date = addDays(date, 1)) yield date;
}
