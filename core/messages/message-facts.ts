import type { SessionSheet } from '../session/session-sheet.ts';

/** What someone is told, and by which occasion. */
export type MessageOccasion =
  /** A day's session is there. */
  | { readonly kind: 'session' }
  /** It was sent before, and a newer version is there. */
  | { readonly kind: 'change'; readonly number: number; readonly note: string }
  | { readonly kind: 'withdrawn'; readonly note: string }
  | { readonly kind: 'reminder' }
  /** `nextDay` is the day of the next session in words; empty where there is none. */
  | { readonly kind: 'rest'; readonly nextDay: string }
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

/** What a coach is told. */
export type CoachOccasion =
  | {
      readonly kind: 'flag';
      readonly programmeTitle: string;
      readonly dayWords: string;
      /** Until it goes out. */
      readonly hours: number;
      /** Where it comes first. */
      readonly first: string;
      readonly why: string;
    }
  | { readonly kind: 'letter'; readonly subject: string; readonly words: string }
  | { readonly kind: 'reset' }
  | { readonly kind: 'address' }
  | { readonly kind: 'told'; readonly subject: string; readonly words: string }
  | { readonly kind: 'invite'; readonly by: string; readonly workspace: string };

/** A link with the words that stand on it. */
export interface Door {
  readonly words: string;
  readonly url: string;
}

/** A message in words, before it takes on a form: server/messages makes text and HTML of it. */
export interface Letter {
  /** May hold what no mail's head can; it is cut where it becomes one. */
  readonly subject: string;
  /** What a window of a mail program calls it. */
  readonly title: string;
  /** Paragraphs, each of lines. */
  readonly opening: readonly (readonly string[])[];
  readonly door: Door;
  readonly sheet: SessionSheet | null;
  /** Paragraphs behind the session. */
  readonly asides: readonly string[];
  /** Whom it comes from, and how it ends. */
  readonly foot: { readonly from: string; readonly stop: Door | null };
  /** What a text message says; the link is put behind it. */
  readonly short: string;
}

/** A message as it leaves. */
export interface WrittenMessage {
  /** One line of at most 120 letters. */
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  /** For a text: at most two parts of 160 letters. */
  readonly short: string;
}
