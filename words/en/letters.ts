import type { CoachOccasion, Letter, MessageFacts, MessageOccasion } from '../../core/messages/message-facts.ts';
import { plural } from '../../core/words/words.ts';

/** A sentence's end behind what someone wrote, unless it has one. */
const ended = (text: string): string => (/[.!?…]$/u.test(text) ? text : `${text}.`);

/** Subject, first sentence, and what stands on the link. */
function lead(f: MessageFacts): { subject: string; first: string; door: string } {
  const { occasion, sheet, programmeTitle, dayWords } = f;
  const title = sheet?.title ?? programmeTitle;
  switch (occasion.kind) {
    case 'session':
      return {
        subject: `${title}, ${sheet?.length ?? ''}`,
        first: `${dayWords}: your session is there.`,
        door: 'Open it',
      };
    case 'change':
      return {
        subject: `Corrected: ${title}`,
        first: `${dayWords}: your coach has corrected the session${occasion.note === '' ? '.' : `: ${occasion.note}`}`,
        door: 'Open it as it is now',
      };
    case 'withdrawn':
      return {
        subject: `Withdrawn: ${title}`,
        first: `${dayWords}: your coach has withdrawn the session${occasion.note === '' ? '.' : `: ${ended(occasion.note)}`} Nothing is missing on your side.`,
        door: 'Your page',
      };
    case 'reminder':
      return {
        subject: `Still time: ${title}`,
        first: `You asked to be reminded in the evening: ${title} is still open${sheet ? `, ${sheet.length}` : ''}. Tomorrow is fine too.`,
        door: 'Open it',
      };
    case 'rest':
      return {
        subject: `Rest today`,
        first: `${dayWords}: no session today.${occasion.nextDay === '' ? '' : ` The next one is on ${occasion.nextDay}.`}`,
        door: 'Your page',
      };
    case 'live':
      return {
        subject: `Live soon: ${title}`,
        first: `The live session is near.${f.live ? ` ${f.live.words}, your time.` : ''}`,
        door: 'Open it',
      };
    case 'note':
    case 'letter':
      return { subject: occasion.subject, first: '', door: 'Your page' };
    case 'confirm':
      return {
        subject: `Is this you? ${programmeTitle}`,
        first: `Someone asked for the sessions of ${programmeTitle} to come to this address. If that was you, confirm it; if not, do nothing and no more will come.`,
        door: 'Yes, send them here',
      };
  }
}

const showsSession = (kind: MessageOccasion['kind']): boolean => kind === 'session' || kind === 'change';

const paragraphs = (words: string): string[][] =>
  words
    .trim()
    .split(/\n{2,}/)
    .map((paragraph) => paragraph.split('\n'));

/**
 * What a text message says: who writes, in which programme, then what a mail would say first. A correction and a
 * withdrawal name their day and the coach's reason, since a text has no thread to stand in.
 */
function shortTo(f: MessageFacts, subject: string): string {
  const { occasion, sheet, dayWords } = f;
  const from = [f.coachName, f.programmeTitle].filter((part) => part !== '').join(', ');
  const reason = (note: string) => (note === '' ? '' : ` ${ended(note)}`);
  const kit = sheet ? ` Have ready: ${sheet.kit}.` : '';
  switch (occasion.kind) {
    case 'session':
      return `${from}: ${subject}.${kit}`;
    case 'change':
      return `${from}: ${dayWords} is corrected.${reason(occasion.note)}${kit}`;
    case 'withdrawn':
      return `${from}: ${dayWords} is withdrawn.${reason(occasion.note)} Nothing is missing on your side.`;
    case 'note':
    case 'letter':
      return `${from}: ${occasion.words}`;
    case 'confirm':
      return `${subject} Open this to confirm:`;
    case 'reminder':
    case 'rest':
    case 'live':
      return `${from}: ${ended(subject)}`;
  }
}

/** What someone who takes part is told: one glance long. */
export function letterTo(f: MessageFacts): Letter {
  const { occasion } = f;
  const { subject, first, door } = lead(f);
  const stop = { words: 'No more messages', url: f.stopLink };
  if (occasion.kind === 'note' || occasion.kind === 'letter')
    return {
      subject,
      title: subject,
      opening: paragraphs(occasion.words),
      door: { words: door, url: f.link },
      sheet: null,
      asides: [],
      foot: { from: f.programmeTitle, stop },
      short: shortTo(f, subject),
    };
  const sheet = showsSession(occasion.kind) ? f.sheet : null;
  return {
    subject,
    title: sheet?.title ?? f.programmeTitle,
    opening: [[`${f.name.split(' ')[0] ?? f.name}, ${first}`]],
    door: { words: door, url: occasion.kind === 'confirm' ? occasion.link : f.link },
    sheet,
    asides: [
      ...(sheet && f.changes.length > 0
        ? [`${plural(f.changes.length, 'line is', 'lines are')} in your shape: ${f.changes.join('; ')}.`]
        : []),
      ...(f.live && occasion.kind !== 'live'
        ? [`Next live: ${f.live.words}, your time${f.live.place === '' ? '' : `. ${f.live.place}`}`]
        : []),
    ],
    foot: { from: `${f.coachName}, ${f.programmeTitle}`, stop: occasion.kind === 'confirm' ? null : stop },
    short: shortTo(f, subject),
  };
}

/** `in 3 hours`, `in a day`, `in 2 days`. */
export const aheadWords = (hours: number): string =>
  hours < 24
    ? `in ${plural(hours, 'hour')}`
    : hours === 24
      ? 'in a day'
      : `in ${plural(Math.round(hours / 24), 'day')}`;

function coachLead(o: CoachOccasion): { subject: string; words: string; door: string } {
  switch (o.kind) {
    case 'flag':
      return {
        subject: `Not ready: ${o.dayWords}, ${o.programmeTitle}`,
        words: `The session for ${o.dayWords} goes out ${aheadWords(o.hours)}, first to ${o.first}, and ${o.why}.`,
        door: 'Go to it',
      };
    case 'letter':
      return { subject: o.subject, words: o.words, door: 'Follow up' };
    case 'told':
      return { subject: o.subject, words: o.words, door: 'Look at your sign-in' };
    case 'address':
      return {
        subject: 'Is this address yours?',
        words:
          'Someone who coaches with Ysodos wants to sign in with this address from now on. If that is you, say so within a day; if not, do nothing, and nothing is changed.',
        door: 'It is mine',
      };
    case 'reset':
      return {
        subject: 'A new password',
        words:
          'Someone asked for a new password for this address. If that was you, choose one within an hour; if not, do nothing, and the old one stays.',
        door: 'Choose a new password',
      };
    case 'invite':
      return {
        subject: `${o.by} invites you`,
        words: `${o.by} would like you to coach with them in “${o.workspace}”. The link can be used once, within a week.`,
        door: 'Come in',
      };
  }
}

/** What a coach is told, with the one link that it is about. */
export function letterToCoach(occasion: CoachOccasion, link: string): Letter {
  const { subject, words, door } = coachLead(occasion);
  return {
    subject,
    title: subject,
    opening: paragraphs(words),
    door: { words: door, url: link },
    sheet: null,
    asides: [],
    foot: { from: '', stop: null },
    short: subject,
  };
}
