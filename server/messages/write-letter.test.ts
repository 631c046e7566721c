import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { computePlan } from '../../core/session/plan.ts';
import { resolveBlocks } from '../../core/session/resolve.ts';
import { buildSheet } from '../../core/session/session-sheet.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import type { MessageFacts, MessageOccasion } from '../../core/messages/message-facts.ts';
import { aheadWords, letterTo, letterToCoach } from '../../words/en/letters.ts';
import { writeLetter } from './write-letter.tsx';

const TEXT = `Title: Quiet legs, strong back
Effort: 6
Note: Shoes off.
Film: https://films.example.org/quiet-legs
Warm-up: 2 rounds
6 arm circle each side

Main: work 0:40 rest 0:20, 3 rounds, then rest 1:00
squat
push-up`;
const { document } = parseSession(TEXT, baseLibrary);
const sheet = buildSheet(document, resolveBlocks(document), computePlan(document, baseLibrary), baseLibrary);

const writeMessage = (f: MessageFacts) => writeLetter(letterTo(f));
const facts = (occasion: MessageOccasion, more: Partial<MessageFacts> = {}): MessageFacts => ({
  occasion,
  name: 'Ana Fennick',
  programmeTitle: 'Mornings',
  coachName: 'Mirja Solheim',
  dayWords: 'Wednesday 13 May',
  sheet,
  changes: ['knee push-up instead of push-up: sore wrists'],
  live: { words: 'Saturday 16 May, 18:00', place: 'Hall 2' },
  link: 'https://ysodos.example.org/p/TOKEN/w1d3',
  stopLink: 'https://ysodos.example.org/stop/KEY',
  ...more,
});

describe('a message', () => {
  test.each([
    [{ kind: 'session' }, 'Quiet legs, strong back, about 8 min', 'your session is there'],
    [
      { kind: 'change', number: 2, note: '8, not 10' },
      'Corrected: Quiet legs, strong back',
      'corrected the session: 8, not 10',
    ],
    [{ kind: 'change', number: 2, note: '' }, 'Corrected: Quiet legs, strong back', 'corrected the session.'],
    [
      { kind: 'withdrawn', note: 'wrong day' },
      'Withdrawn: Quiet legs, strong back',
      'withdrawn the session: wrong day. Nothing is missing on your side.',
    ],
    [{ kind: 'reminder' }, 'Still time: Quiet legs, strong back', 'Tomorrow is fine too.'],
    [{ kind: 'rest', nextDay: 'Friday 15 May' }, 'Rest today', 'no session today. The next one is on Friday 15 May.'],
    [{ kind: 'live' }, 'Live soon: Quiet legs, strong back', 'Saturday 16 May, 18:00, your time.'],
    [
      { kind: 'confirm', link: 'https://ysodos.example.org/stop/KEY/confirm' },
      'Is this you? Mornings',
      'if not, do nothing',
    ],
  ] as const)('of %j', (occasion, subject, words) => {
    const written = writeMessage(facts(occasion));
    expect(written.subject.replace(/about \d+/, 'about 8')).toBe(subject);
    expect(written.text).toContain(words);
    expect(written.text.startsWith('Ana, ')).toBe(true);
    const isConfirm = occasion.kind === 'confirm';
    expect(written.text.includes('https://ysodos.example.org/stop/KEY\n')).toBe(!isConfirm);
    expect(written.text.includes('/p/TOKEN/w1d3')).toBe(!isConfirm);
    // The whole session only where it is about it.
    expect(written.text.includes('Have ready:')).toBe(occasion.kind === 'session' || occasion.kind === 'change');
    expect(written.html).not.toMatch(/<img|<script|<link|src=|@import|url\(/);
  });

  test('as a short text holds the link whole, in two parts at the most, however long the title', () => {
    const long = writeMessage(facts({ kind: 'session' }, { sheet: { ...sheet, title: 'x'.repeat(400) } }));
    expect(long.short.length).toBeLessThanOrEqual(306);
    expect(long.short.endsWith(' https://ysodos.example.org/p/TOKEN/w1d3')).toBe(true);
    expect(long.subject.length).toBe(120);
  });

  test('lets nothing of a text into a mail’s head or its HTML', () => {
    const nasty = writeMessage(
      facts(
        { kind: 'change', number: 2, note: '<script>alert(1)</script>' },
        { sheet: { ...sheet, title: 'A\r\nBcc: x@example.org\u2028<b>"&' } },
      ),
    );
    expect(nasty.subject).toBe('Corrected: A Bcc: x@example.org <b>"&');
    expect(nasty.html).not.toContain('<script>');
    expect(nasty.html).toContain('&lt;script&gt;alert(1)&lt;/script&gt;');
    expect(nasty.html).toContain('&lt;b&gt;&quot;&amp;');
  });

  test('says the live date only where there is one, and the film as a plain link', () => {
    expect(writeMessage(facts({ kind: 'session' })).text).toContain(
      'Next live: Saturday 16 May, 18:00, your time. Hall 2',
    );
    expect(writeMessage(facts({ kind: 'session' }, { live: null })).text).not.toContain('live');
    expect(writeMessage(facts({ kind: 'session' })).html).toContain('<a href="https://films.example.org/quiet-legs">');
  });
});

test('what a coach is told has its one link', () => {
  const write = (...of: Parameters<typeof letterToCoach>) => writeLetter(letterToCoach(...of));
  const flag = write(
    {
      kind: 'flag',
      programmeTitle: 'Mornings',
      dayWords: 'Monday 11 May',
      hours: 3,
      first: 'Auckland',
      why: 'it is still to write',
    },
    'https://x.example.org/w',
  );
  expect(flag.subject).toBe('Not ready: Monday 11 May, Mornings');
  expect(flag.text).toContain('goes out in 3 hours, first to Auckland, and it is still to write.');
  expect([48, 24, 3, 1].map(aheadWords)).toEqual(['in 2 days', 'in a day', 'in 3 hours', 'in 1 hour']);
  expect(write({ kind: 'reset' }, 'https://x.example.org/d').text).toContain('within an hour');
  expect(write({ kind: 'invite', by: 'Mirja', workspace: 'Tour' }, 'https://x.example.org/d').text).toContain('“Tour”');
});
