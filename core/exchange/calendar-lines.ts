/**
 * The lines of a calendar file as RFC 5545 has them, unfolded as they come in. Values in quoted-printable are decoded, and days get the
 * kind that they miss. A file of the first format (vCalendar 1.0, 1996; its grammar from memory), which telephones and old programs still
 * write, says the same in the second: repeats in the short grammar spelt out, dates of a list parted by commas.
 */
export function asSecondFormat(text: string): string {
  const isFirst = /^VERSION:\s*1\.0\s*$/im.test(text);
  const lines = /QUOTED-PRINTABLE/i.test(text) ? joinSoftBreaks(text.split('\n')).map(decodeLine) : text.split('\n');
  return lines.map((line) => withKind(isFirst ? secondLine(line) : line)).join('\n');
}

/** TEXT of a calendar file (RFC 5545, 3.3.11). */
export const escapeText = (text: string): string =>
  text.replace(/[\\;,]/g, (c) => `\\${c}`).replace(/\r\n|\r|\n/g, String.raw`\n`);

const BARE_DAYS = /^(DTSTART|DTEND|RECURRENCE-ID|EXDATE|RDATE)(?:;[^:]*)?:\s*(\d{8}(?:,\d{8})*)\s*$/i;

/** Some programs leave out that a value is a day. */
function withKind(line: string): string {
  const [, name, days] = BARE_DAYS.exec(line) ?? [];
  return name === undefined || days === undefined ? line : `${name};VALUE=DATE:${days}`;
}

const QUOTED = /^([^:]*);(?:ENCODING=)?QUOTED-PRINTABLE((?:;[^:]*)?):(.*)$/i;

/** A quoted-printable value goes on with the next line where it ends with `=` (RFC 2045, 6.7). */
function joinSoftBreaks(lines: readonly string[]): string[] {
  const out: string[] = [];
  let open: string[] = [];
  for (const line of lines) {
    const goesOn = line.endsWith('=') && (open.length > 0 || QUOTED.test(line));
    open.push(goesOn ? line.slice(0, -1) : line);
    if (goesOn) continue;
    out.push(open.join(''));
    open = [];
  }
  return open.length > 0 ? [...out, open.join('')] : out;
}

/** A line whose value is in quoted-printable with its letters, escaped as TEXT is (RFC 5545, 3.3.11). */
function decodeLine(line: string): string {
  const [, head, tail, value] = QUOTED.exec(line) ?? [];
  if (head === undefined || tail === undefined || value === undefined) return line;
  const params = `${head}${tail}`;
  const charset = /;CHARSET=("?)([^;:"]+)\1/i.exec(params)?.[2] ?? 'utf-8';
  const bytes = Uint8Array.from(
    [...value.matchAll(/=([0-9a-f]{2})|([\s\S])/gi)].flatMap(([, hex, letter]) =>
      hex !== undefined ? [parseInt(hex, 16)] : [...new TextEncoder().encode(letter)],
    ),
  );
  const words = escapeText(decoderOf(charset).decode(bytes));
  return `${params.replace(/;CHARSET=("?)[^;:"]+\1/i, '')}:${words}`;
}

function decoderOf(charset: string): TextDecoder {
  try {
    return new TextDecoder(charset);
  } catch {
    return new TextDecoder('windows-1252');
  }
}

/** What the two formats write differently, of what dates are read from. */
function secondLine(line: string): string {
  const colon = line.indexOf(':');
  const name = line.slice(0, Math.max(0, colon)).toUpperCase();
  const value = line.slice(colon + 1).trim();
  if (name === 'VERSION') return 'VERSION:2.0';
  if (name === 'EXDATE' || name === 'RDATE') return `${name}:${value.split(/[;,]\s*/).join(',')}`;
  if (name === 'RRULE' || name === 'EXRULE') return `${name}:${secondRule(value) ?? value}`;
  return line;
}

const FREQUENCIES: Readonly<Record<string, string>> = {
  D: 'DAILY',
  W: 'WEEKLY',
  MP: 'MONTHLY',
  MD: 'MONTHLY',
  YM: 'YEARLY',
  YD: 'YEARLY',
};
const LIST_PARTS: Readonly<Record<string, string>> = { W: 'BYDAY', MD: 'BYMONTHDAY', YM: 'BYMONTH', YD: 'BYYEARDAY' };

/**
 * `W2 MO WE #10`: every second week on those days, ten times; `MP1 1+ MO 1- FR`: the first Monday and the last Friday; `#0`: without an
 * end; an instant at the end: until then. Undefined where it is no such rule.
 */
function secondRule(rule: string): string | undefined {
  const [first = '', ...rest] = rule.split(/\s+/);
  const [, kind, interval] = /^(D|W|MP|MD|YM|YD)(\d+)$/i.exec(first) ?? [];
  const frequency = FREQUENCIES[kind?.toUpperCase() ?? ''];
  if (kind === undefined || interval === undefined || frequency === undefined) return undefined;
  const parts = [`FREQ=${frequency}`, `INTERVAL=${interval}`];
  const list: string[] = [];
  let place = '';
  for (const part of rest) {
    const [, count] = /^#(\d+)$/.exec(part) ?? [];
    const [, nth, sign] = /^([1-5])([+-])$/.exec(part) ?? [];
    if (count !== undefined) {
      if (Number(count) > 0) parts.push(`COUNT=${count}`);
    } else if (/^\d{8}(T\d{6}Z?)?$/i.test(part)) parts.push(`UNTIL=${part}`);
    else if (nth !== undefined) place = sign === '-' ? `-${nth}` : nth;
    else if (/^(MO|TU|WE|TH|FR|SA|SU)$/i.test(part)) list.push(`${place}${part.toUpperCase()}`);
    else if (/^LD$/i.test(part)) list.push('-1');
    else if (/^-?\d{1,3}$/.test(part)) list.push(part);
    else if (/^\d{1,3}([+-])$/.test(part)) list.push(part.endsWith('-') ? `-${part.slice(0, -1)}` : part.slice(0, -1));
    // An hour within the day: only days are wanted.
    else if (!/^\d{4}$/.test(part)) return undefined;
  }
  const by = kind.toUpperCase() === 'MP' ? 'BYDAY' : LIST_PARTS[kind.toUpperCase()];
  if (by !== undefined && list.length > 0) parts.push(`${by}=${list.join(',')}`);
  return parts.join(';');
}
