import type { Film, SessionSheet } from '../session/session-sheet.ts';
import { sheetFilms } from '../session/session-sheet.ts';
import { plural } from '../words/words.ts';
import { lineText, sheetLength, sheetText } from './session-text.ts';

/** What someone is told, and by which occasion. */
export type MessageOccasion =
  /** A day's session is there. */
  | { readonly kind: 'session' }
  /** It was sent before, and a newer version is there. */
  | { readonly kind: 'change'; readonly number: number; readonly note: string }
  | { readonly kind: 'withdrawn'; readonly note: string }
  | { readonly kind: 'reminder' }
  | { readonly kind: 'rest'; readonly next: string }
  | { readonly kind: 'live' }
  | { readonly kind: 'confirm'; readonly link: string }
  /** The coach's own words: to one, or as the week's letter to all. Line breaks stay. */
  | { readonly kind: 'note' | 'letter'; readonly subject: string; readonly words: string };

export interface LiveNote {
  /** `Saturday 16 May, 18:00`, on the reader's clock. */
  readonly words: string;
  readonly place: string;
}

/** All that a message to a participant is made of. */
export interface MessageFacts {
  readonly occasion: MessageOccasion;
  readonly name: string;
  readonly programmeTitle: string;
  readonly coachName: string;
  /** `Wednesday 13 May`, their day. */
  readonly dayWords: string;
  /** The session as they do it; null where the occasion has none. */
  readonly sheet: SessionSheet | null;
  /** What they do in another shape, and why. */
  readonly changes: readonly string[];
  readonly live: LiveNote | null;
  /** Where it stands for them. */
  readonly link: string;
  /** Ends their messages. */
  readonly stopLink: string;
}

export interface WrittenMessage {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  /** For a text: at most two parts of 160 letters. */
  readonly short: string;
}

const escapeHtml = (text: string): string =>
  text.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c]!);

/** One line, without what a mail's head can't hold. */
const oneLine = (text: string): string =>
  text
    // Control characters, line breaks among them.
    .replace(/[\p{Cc}\u2028\u2029]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** A sentence's end behind what someone wrote, unless it has one. */
const ended = (text: string): string => (/[.!?…]$/u.test(text) ? text : `${text}.`);

const cut = (text: string, letters: number): string =>
  text.length <= letters ? text : `${text.slice(0, letters - 1).trimEnd()}…`;

function lead(f: MessageFacts): { subject: string; first: string; link: string } {
  const { occasion, sheet, programmeTitle, dayWords } = f;
  const title = sheet?.title ?? programmeTitle;
  switch (occasion.kind) {
    case 'session':
      return {
        subject: `${title}, ${sheet?.length ?? ''}`,
        first: `${dayWords}: your session is there.`,
        link: 'Open it',
      };
    case 'change':
      return {
        subject: `Corrected: ${title}`,
        first: `${dayWords}: your coach has corrected the session${occasion.note === '' ? '.' : `: ${occasion.note}`}`,
        link: 'Open it as it is now',
      };
    case 'withdrawn':
      return {
        subject: `Withdrawn: ${title}`,
        first: `${dayWords}: your coach has withdrawn the session${occasion.note === '' ? '.' : `: ${ended(occasion.note)}`} Nothing is missing on your side.`,
        link: 'Your page',
      };
    case 'reminder':
      return {
        subject: `Still time: ${title}`,
        first: `You asked to be reminded in the evening: ${title} is still open${sheet ? `, ${sheet.length}` : ''}. Tomorrow is fine too.`,
        link: 'Open it',
      };
    case 'rest':
      return {
        subject: `Rest today`,
        first: `${dayWords}: no session today. ${occasion.next}`,
        link: 'Your page',
      };
    case 'live':
      return {
        subject: `Live soon: ${title}`,
        first: `The live session is near. ${f.live ? `${f.live.words}, your time.` : ''}`,
        link: 'Open it',
      };
    case 'note':
    case 'letter':
      return { subject: occasion.subject, first: '', link: 'Your page' };
    case 'confirm':
      return {
        subject: `Is this you? ${programmeTitle}`,
        first: `Someone asked for the sessions of ${programmeTitle} to come to this address. If that was you, confirm it; if not, do nothing and no more will come.`,
        link: 'Yes, send them here',
      };
  }
}

const showsSession = (kind: MessageOccasion['kind']): boolean => kind === 'session' || kind === 'change';

/**
 * The message to one participant: subject, plain text, HTML, and a short text. One glance long: title, length, kit, each block with
 * exact numbers as they do it, the link. The HTML has no pictures and is readable on light and dark paper.
 */
export function writeMessage(f: MessageFacts): WrittenMessage {
  if (f.occasion.kind === 'note' || f.occasion.kind === 'letter') return writeOwnWords(f, f.occasion);
  const { subject, first, link } = lead(f);
  const url = f.occasion.kind === 'confirm' ? f.occasion.link : f.link;
  const sheet = showsSession(f.occasion.kind) ? f.sheet : null;
  const hasSession = sheet !== null;
  const live = f.live ? `Next live: ${f.live.words}, your time${f.live.place === '' ? '' : `. ${f.live.place}`}` : '';
  const fit =
    hasSession && f.changes.length > 0
      ? `${plural(f.changes.length, 'line is', 'lines are')} in your shape: ${f.changes.join('; ')}.`
      : '';
  const films = sheet ? sheetFilms(sheet) : [];
  const stop = f.occasion.kind === 'confirm' ? '' : `No more messages: ${f.stopLink}`;
  const greeting = `${f.name.split(' ')[0] ?? f.name},`;
  const text = [
    `${greeting} ${first}`,
    `${link}: ${url}`,
    ...(sheet ? [sheetText(sheet)] : []),
    ...[fit, f.occasion.kind === 'live' ? '' : live].filter((part) => part !== ''),
    [`${f.coachName}, ${f.programmeTitle}`, ...(stop === '' ? [] : [stop])].join('\n'),
  ].join('\n\n');
  return {
    subject: cut(oneLine(subject), 120),
    text: `${text}\n`,
    html: html(
      { ...f, sheet },
      { greeting, first, link, url, fit, films, live: f.occasion.kind === 'live' ? '' : live, stop },
    ),
    short: shortText(f, url),
  };
}

/** A coach's own words, with the link of whom they go to. A short text has the first of them. */
function writeOwnWords(
  f: MessageFacts,
  { subject, words }: { readonly subject: string; readonly words: string },
): WrittenMessage {
  const e = escapeHtml;
  const paragraphs = words
    .trim()
    .split(/\n{2,}/)
    .map((p) => `<p>${p.split('\n').map(e).join('<br>')}</p>`)
    .join('');
  return {
    subject: cut(oneLine(subject), 120),
    text: `${words.trim()}\n\nYour page: ${f.link}\n\n${f.programmeTitle}\nNo more messages: ${f.stopLink}\n`,
    html: `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta name="color-scheme" content="light dark"><title>${e(subject)}</title><style>${STYLE}</style></head><body><main>${paragraphs}<p><a class="go" href="${e(f.link)}">Your page</a></p><p><small>${e(f.programmeTitle)}<br><a href="${e(f.stopLink)}">No more messages</a></small></p></main></body></html>`,
    short: `${cut(oneLine(words), Math.max(20, 300 - f.link.length))} ${f.link}`,
  };
}

function shortText(f: MessageFacts, url: string): string {
  const room = 300 - url.length;
  const { subject } = lead(f);
  const kit = showsSession(f.occasion.kind) && f.sheet ? ` Have ready: ${f.sheet.kit}.` : '';
  return `${cut(oneLine(`${subject}.${kit}`), Math.max(20, room))} ${url}`;
}

interface Parts {
  readonly greeting: string;
  readonly first: string;
  readonly link: string;
  readonly url: string;
  readonly fit: string;
  readonly films: readonly Film[];
  readonly live: string;
  readonly stop: string;
}

const STYLE = `body{margin:0;background:#faf6ee;color:#2b2622;font:16px/1.5 "Atkinson Hyperlegible Next",Verdana,sans-serif}
main{max-width:34em;margin:0 auto;padding:20px}h1{font-size:22px;line-height:1.2;margin:0 0 4px}h2{font-size:16px;margin:18px 0 4px}
p{margin:0 0 10px}ul{margin:0;padding-left:20px}a{color:#7b2b5e}.go{display:inline-block;background:#7b2b5e;color:#fff;text-decoration:none;padding:10px 18px;border-radius:6px}
small,.soft{color:#6b6259}@media (prefers-color-scheme:dark){body{background:#1f1b1d;color:#efe8df}a{color:#e39ac4}.go{background:#e39ac4;color:#1f1b1d}small,.soft{color:#b8aca3}}`;

function html(f: MessageFacts, p: Parts): string {
  const e = escapeHtml;
  const blocks = (f.sheet?.blocks ?? []).map(
    (b) =>
      `<h2>${e(b.name)} <span class="soft">${e(b.rule)}</span></h2>${b.rules.map((r) => `<p class="soft">${e(r)}</p>`).join('')}<ul>${b.lines
        .map((l) => `<li>${e(lineText(l))}</li>`)
        .join('')}</ul>${b.thenRest === undefined ? '' : `<p class="soft">${e(b.thenRest)}</p>`}`,
  );
  const session = f.sheet
    ? `<h1>${e(f.sheet.title)}</h1><p>${e(sheetLength(f.sheet))}<br>Have ready: ${e(f.sheet.kit)}</p>${f.sheet.note === '' ? '' : `<p>${e(f.sheet.note)}</p>`}`
    : '';
  const more = [p.fit, p.live].filter((part) => part !== '').map((part) => `<p>${e(part)}</p>`);
  const films = p.films.map(({ of, url }) => `<p>Film of ${e(of)}: <a href="${e(url)}">${e(url)}</a></p>`).join('');
  const stop = p.stop === '' ? '' : `<br><a href="${e(f.stopLink)}">No more messages</a>`;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta name="color-scheme" content="light dark"><meta name="supported-color-schemes" content="light dark"><title>${e(f.sheet?.title ?? f.programmeTitle)}</title><style>${STYLE}</style></head><body><main><p>${e(p.greeting)} ${e(p.first)}</p>${session}<p><a class="go" href="${e(p.url)}">${e(p.link)}</a></p>${blocks.join('')}${more.join('')}${films}<p><small>${e(f.coachName)}, ${e(f.programmeTitle)}${stop}</small></p></main></body></html>`;
}

/** What a coach is told. */
export type CoachOccasion =
  | {
      readonly kind: 'flag';
      readonly programmeTitle: string;
      readonly dayWords: string;
      readonly hours: number;
      readonly first: string;
      readonly why: string;
    }
  | { readonly kind: 'letter'; readonly subject: string; readonly words: string }
  | { readonly kind: 'reset' }
  | { readonly kind: 'address' }
  | { readonly kind: 'told'; readonly subject: string; readonly words: string }
  | { readonly kind: 'invite'; readonly by: string; readonly workspace: string };

/** `in 3 hours`, `in a day`, `in 2 days`. */
export const formatAhead = (hours: number): string =>
  hours < 24
    ? `in ${plural(hours, 'hour')}`
    : hours === 24
      ? 'in a day'
      : `in ${plural(Math.round(hours / 24), 'day')}`;

/** The message to a coach, by e-mail: in words, with the one link that it is about. */
export function writeCoachMessage(o: CoachOccasion, link: string): Omit<WrittenMessage, 'short'> {
  const [subject, words, door] =
    o.kind === 'flag'
      ? [
          `Not ready: ${o.dayWords}, ${o.programmeTitle}`,
          `The session for ${o.dayWords} goes out ${formatAhead(o.hours)}, first to ${o.first}, and ${o.why}.`,
          'Go to it',
        ]
      : o.kind === 'letter'
        ? [o.subject, o.words, 'Follow up']
        : o.kind === 'told'
          ? [o.subject, o.words, 'Look at your sign-in']
          : o.kind === 'address'
            ? [
                'Is this address yours?',
                'Someone who coaches with Ysodos wants to sign in with this address from now on. If that is you, say so within a day; if not, do nothing, and nothing is changed.',
                'It is mine',
              ]
            : o.kind === 'reset'
              ? [
                  'A new password',
                  'Someone asked for a new password for this address. If that was you, choose one within an hour; if not, do nothing, and the old one stays.',
                  'Choose a new password',
                ]
              : [
                  `${o.by} invites you`,
                  `${o.by} would like you to coach with them in “${o.workspace}”. The link can be used once, within a week.`,
                  'Come in',
                ];
  const e = escapeHtml;
  return {
    subject: cut(oneLine(subject), 120),
    text: `${words}\n\n${door}: ${link}\n`,
    html: `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="color-scheme" content="light dark"><title>${e(subject)}</title><style>${STYLE}</style></head><body><main><p style="white-space:pre-line">${e(words)}</p><p><a class="go" href="${e(link)}">${e(door)}</a></p></main></body></html>`,
  };
}
