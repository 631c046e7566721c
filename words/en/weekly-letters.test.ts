import { describe, expect, test } from 'vitest';
import type { BoardPerson } from '../../core/record/scores/boards.ts';
import { teamBoard } from '../../core/record/scores/boards.ts';
import type { WeekFacts } from '../../core/record/adherence/week-facts.ts';
import { draftCoachLetter, draftLetter } from './weekly-letters.ts';

const person = (id: number, team: string, kept: number, more: Partial<BoardPerson> = {}): BoardPerson => ({
  id,
  name: `P${id}`,
  team,
  board: 'name',
  alias: '',
  kept,
  due: 10,
  ...more,
});

describe('letters', () => {
  const facts: WeekFacts = {
    programme: 'Stairs',
    week: 2,
    coach: 'Colm',
    due: 20,
    done: 15,
    minutes: 180,
    here: 18,
    joined: 20,
    teams: teamBoard([person(1, 'Harbour', 6), person(2, 'Market', 5)]),
    shared: { words: 'stairs climbed', total: 12345 },
    next: ['The first landing', 'A quiet shelf'],
    nextNote: '',
    needs: Array.from({ length: 12 }, (_, i) => ({ name: `P${i}`, why: 'missed two' })),
    good: [],
    proposals: 3,
  };
  test('to all: sums of all, and nobody’s own', () => {
    const { subject, words } = draftLetter(facts);
    expect(subject).toBe('Week 2: 15 sessions done');
    expect(words).toBe(
      'Hello all,\n\nweek 2 is over. Together you did 15 sessions, about 3 hours of work. So far: 12,345 stairs climbed. Each counts as it was done: another shape as that shape, fewer as fewer. Harbour kept most days a head, 6 of them.\n\nNext: The first landing and A quiet shelf.\n\nWhoever missed some: nothing needs catching up. The next session is the one that counts.\n\nColm',
    );
    expect(draftLetter({ ...facts, teams: [], shared: null, next: [] }).words).not.toMatch(/Harbour|So far|Next:/);
    expect(draftLetter({ ...facts, teams: teamBoard([person(1, 'A', 6), person(2, 'B', 6)]) }).words).toContain(
      'A and B are level with 6 days a head.',
    );
  });
  test('to the coach: who needs a word, ten by name, and what waits', () => {
    const { subject, words } = draftCoachLetter(facts);
    expect(subject).toBe('Stairs, week 2: 12 people to write to');
    expect(words).toContain('15 of 20 sessions due were done. 18 of 20 still take part.');
    expect(words).toContain('- P9: missed two\n- and 2 more');
    expect(words).toContain('3 proposals wait for you');
    expect(draftCoachLetter({ ...facts, needs: [], proposals: 0 }).subject).toContain('nobody needs a word');
  });
});
