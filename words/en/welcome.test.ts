import { expect, test } from 'vitest';
import { welcomeWords } from './welcome.ts';

const FACTS = {
  coachName: 'Mirja Solheim',
  about: '',
  sessions: 32,
  weeks: 8,
  firstWords: 'Monday 13 April',
  lastWords: 'Saturday 6 June',
  next: null,
  asked: null,
};

test('who coaches, what it is, from when to when, and how to keep the page', () => {
  expect(welcomeWords(FACTS)).toEqual([
    'Mirja Solheim coaches you. 32 sessions in 8 weeks, from Monday 13 April to Saturday 6 June.',
    expect.stringMatching(/^This page is yours alone/),
  ]);
});

test('what is known besides is said at its place', () => {
  const said = welcomeWords({
    ...FACTS,
    coachName: '',
    about: 'Three mornings, together.',
    sessions: 1,
    weeks: 1,
    lastWords: 'Monday 13 April',
    next: { words: 'Monday 13 April', time: '05:00' },
    asked: 'a@example.org',
  });
  expect(said[0]).toBe('1 session, on Monday 13 April. The next one opens on Monday 13 April at 05:00, your time.');
  expect(said[1]).toBe('Three mornings, together.');
  expect(said[3]).toMatch(/^A message is on its way to a@example.org/);
});
