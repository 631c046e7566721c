import { expect, test } from 'vitest';
import type { NewRounds } from '../../forms/form.ts';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { rewriteText } from '../../notation/rewrite.ts';
import { applyLever, newRoundsOf } from './apply-lever.ts';
import { printRule, readRule } from './lever-text.ts';

const lever = (newRounds?: NewRounds) => ({ kind: 'rounds', ...(newRounds && { newRounds }) }) as const;
function grown(text: string, by: number, newRounds?: NewRounds): string {
  const parsed = parseSession(text, baseLibrary);
  expect(parsed.issues).toEqual([]);
  const next = applyLever(parsed.document, { lever: lever(newRounds), by }, baseLibrary);
  return rewriteText({ text, ...parsed }, next, baseLibrary).trim();
}

test.each([
  ['Main: for time, reps 21-15-9\nsquat', ['21-15-9-3-1', '21-15-9-9-9', '21-15-9-21-15']],
  ['Main: 3 rounds\n9-7-5 squat', ['9-7-5-3-1 squat', '9-7-5-5-5', '9-7-5-9-7']],
  ['Main: work 0:30/0:40/0:50 rest 0:20\nsquat', ['30/40/50/60/70s', '30/40/50/50/50s', '30/40/50/30/40s']],
])('two rounds more of a list by round go on, end as it did, or begin again: %j', (text, wanted) => {
  const [on, last, first] = (['go-on', 'as-last', 'from-first'] as const).map((how) => grown(text, 2, how));
  for (const [i, own] of [on, last, first].entries()) expect(own).toContain(wanted[i]);
});

test('movements that take turns go round; or the last of them stays', () => {
  const text = 'Main: 3 rounds\n10 [push-up, knee push-up, wall push-up]';
  expect(grown(text, 1, 'from-first')).toBe('Main: 4 rounds\n10 [push-up, knee push-up, wall push-up]');
  expect(grown(text, 1, 'as-last')).toBe('Main: 4 rounds\n10 [push-up, knee push-up, wall push-up, wall push-up]');
});

test('it is asked only where it makes a difference, and written beside the rule', () => {
  const asks = (text: string) => newRoundsOf(parseSession(text, baseLibrary).document, lever(), baseLibrary);
  expect(asks('Main: for time, reps 21-15-9\nsquat')).toBe('go-on');
  expect(asks('Main: 3 rounds\n9-7-5 squat')).toBe('as-last');
  expect(asks('Main: 3 rounds\n10 [push-up, knee push-up, wall push-up]')).toBe('go-on');
  expect(asks('Main: 3 rounds\n10 squat')).toBeUndefined();
  const line = 'rounds: +1 a week, new rounds like the last, lighter -1';
  const rule = readRule(line);
  expect(rule).toMatchObject({ value: { lever: { kind: 'rounds', newRounds: 'as-last' } } });
  expect(rule.status === 'done' && printRule(rule.value)).toBe(line);
  expect(readRule('reps: +1 a week, new rounds from the first')).toMatchObject({ status: 'refused' });
});
