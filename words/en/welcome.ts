import { plural } from '../../core/words/words.ts';

/** What somebody who comes in is welcomed with. */
export interface WelcomeFacts {
  readonly coachName: string;
  /** What the coach says of it, as on the join page; empty where they said nothing. */
  readonly about: string;
  readonly sessions: number;
  readonly weeks: number;
  readonly firstWords: string;
  readonly lastWords: string;
  /** When the next session opens, on their clock. */
  readonly next: { readonly words: string; readonly time: string } | null;
  /** An address that waits to be confirmed. */
  readonly asked: string | null;
}

/** Who coaches, what it is, when it begins, and how to keep the page: a paragraph each. */
export function welcomeWords(w: WelcomeFacts): readonly string[] {
  const when = w.firstWords === w.lastWords ? `on ${w.firstWords}` : `from ${w.firstWords} to ${w.lastWords}`;
  const what = `${plural(w.sessions, 'session')}${w.weeks > 1 ? ` in ${w.weeks} weeks` : ''}, ${when}.`;
  return [
    [
      ...(w.coachName === '' ? [] : [`${w.coachName} coaches you.`]),
      what,
      ...(w.next ? [`The next one opens on ${w.next.words} at ${w.next.time}, your time.`] : []),
    ].join(' '),
    ...(w.about === '' ? [] : [w.about]),
    'This page is yours alone: keep its address. Put it on the phone’s home screen, or bookmark it; each message brings it as well.',
    ...(w.asked === null
      ? []
      : [`A message is on its way to ${w.asked}: confirm it there, and your sessions come to it.`]),
  ];
}
