import ICAL from 'ical.js';

/** The calendars of a text; where a part can't be read, all but that part. Undefined where the text is none at all. */
export function readCalendars(text: string, left: string[]): ICAL.Component[] | undefined {
  const whole = parseComponents(text);
  if (whole) {
    const beside = whole.filter((c) => c.name !== 'vcalendar').length;
    if (beside > 0 && beside < whole.length)
      left.push(`${beside} ${beside === 1 ? 'part that is' : 'parts that are'} no calendar`);
    return whole.filter((c) => c.name === 'vcalendar');
  }
  if (!/^BEGIN:VCALENDAR\s*$/im.test(text)) return undefined;
  return [readInParts(text, left)];
}

function parseComponents(text: string): ICAL.Component[] | undefined {
  try {
    const parsed = ICAL.parse(text) as unknown[];
    const roots = (typeof parsed[0] === 'string' ? [parsed] : parsed) as unknown[][];
    return roots.map((root) => new ICAL.Component(root));
  } catch {
    return undefined;
  }
}

/** Events and zones of a text, from the line on which one begins to the next that ends one of its kind; in one pass. */
function partsOf(text: string): { readonly part: string; readonly kind: 'VEVENT' | 'VTIMEZONE' }[] {
  const parts: { part: string; kind: 'VEVENT' | 'VTIMEZONE' }[] = [];
  let open: { kind: 'VEVENT' | 'VTIMEZONE'; lines: string[] } | undefined;
  for (const line of text.split(/\r\n|\r|\n/)) {
    const mark = line.trimEnd().toUpperCase();
    if (!open && (mark === 'BEGIN:VEVENT' || mark === 'BEGIN:VTIMEZONE'))
      open = { kind: mark === 'BEGIN:VEVENT' ? 'VEVENT' : 'VTIMEZONE', lines: [] };
    open?.lines.push(line);
    if (open && mark === `END:${open.kind}`) {
      parts.push({ part: open.lines.join('\n'), kind: open.kind });
      open = undefined;
    }
  }
  return parts;
}

/** One calendar out of all events and zones of a text that can be read each by itself. */
function readInParts(text: string, left: string[]): ICAL.Component {
  const calendar = new ICAL.Component('vcalendar');
  const unread = { VEVENT: 0, VTIMEZONE: 0 };
  for (const { part, kind } of partsOf(text)) {
    const read = parseComponents(`BEGIN:VCALENDAR\n${part}\nEND:VCALENDAR\n`)?.[0]?.getAllSubcomponents()[0];
    if (read) calendar.addSubcomponent(read);
    else unread[kind]++;
  }
  if (unread.VEVENT > 0) left.push(`${unread.VEVENT} ${unread.VEVENT === 1 ? 'event' : 'events'} that can’t be read`);
  if (unread.VTIMEZONE > 0)
    left.push(`${unread.VTIMEZONE} zone ${unread.VTIMEZONE === 1 ? 'rule' : 'rules'} that can’t be read`);
  if (unread.VEVENT + unread.VTIMEZONE === 0) left.push('what follows after a line that can’t be read');
  return calendar;
}
