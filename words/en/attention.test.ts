import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import type { AttentionFacts } from '../../core/record/attention/history.ts';
import { ATTENTION_CODES, ATTENTION_RULES } from '../../core/record/attention/attention-rules.ts';
import { attentionWords, draftNote, evidenceWords, helpedWords, RULE_WORDS } from './attention.ts';

const FACTS: readonly AttentionFacts[] = [
  { code: 'pain', times: 1, said: 'knee, at squat' },
  { code: 'pain', times: 3, said: 'knee' },
  { code: 'bounced', reason: 'mailbox full' },
  { code: 'never-started', due: 2 },
  { code: 'missed-in-a-row', missed: 2, doneBefore: 6, dueBefore: 6 },
  { code: 'missed-in-a-row', missed: 4, doneBefore: 5, dueBefore: 6 },
  { code: 'fading', done: 2, due: 7, doneBefore: 9, dueBefore: 10 },
  { code: 'effort-high', efforts: [9, 10, 9] },
  { code: 'low', done: 3, due: 9 },
  { code: 'felt-above', efforts: [8, 9, 8], planned: [6, 6, 6], by: 2 },
  { code: 'felt-below', efforts: [5, 6, 5.5], planned: [6, 7, 8], by: 1 },
  { code: 'effort-rising', efforts: [4, 6, 7], planned: [5, 5, 5] },
  { code: 'effort-rising', efforts: [4, 6, 8], planned: [5, 6, 6] },
  { code: 'score-fell', label: 'Engine', score: '45 reps', before: '50 reps' },
  { code: 'best-score', label: 'Engine', score: '51 reps', of: 2 },
  { code: 'far-more', sessions: 2 },
  { code: 'first-week', sessions: 4 },
  { code: 'back', after: { kind: 'away', days: 1 }, done: 1 },
  { code: 'back', after: { kind: 'missed', due: 4 }, done: 2 },
];

test('each reason is one sentence with its figures, and another where the person reads it themselves', () => {
  expect(FACTS.map((f) => attentionWords(f))).toMatchInlineSnapshot(`
    [
      "They said that something hurts: knee, at squat.",
      "3 times they said that something hurts: knee.",
      "The last message came back: mailbox full.",
      "2 due days so far, none done yet.",
      "The last two due days weren’t done; before that 6 of 6 were.",
      "The last 4 due days weren’t done; before that 5 of 6 were.",
      "2 of the last 7 due days done; before that 9 of 10.",
      "Effort 9, 10, 9 in the last three sessions.",
      "3 of 9 due days done in the last three weeks.",
      "The last 3 sessions felt like 8, 9, 8, where 6 was planned: the middle one 2 points more.",
      "The last 3 sessions felt like 5, 6, 5.5, where 6, 7, 8 were planned: the middle one 1 point less.",
      "The same session felt like 4, then 6, then 7.",
      "Much the same session felt like 4, then 6, then 8, where 5, then 6, then 6 were planned.",
      "Engine: 45 reps, after 50 reps.",
      "Engine: 51 reps, the best of 2.",
      "2 sessions within a week that weren’t due.",
      "All 4 sessions of their first week are done.",
      "Back after 1 day away.",
      "2 sessions in a row after 4 due days missed.",
    ]
  `);
  const differ = FACTS.filter((f) => attentionWords(f) !== attentionWords(f, 'person'));
  expect(differ.map((f) => attentionWords(f, 'person'))).toMatchInlineSnapshot(`
    [
      "You said that something hurts: knee, at squat.",
      "3 times you said that something hurts: knee.",
      "All 4 sessions of your first week are done.",
    ]
  `);
});

test('a day that a reason rests on is said by what counts of it', () => {
  expect(evidenceWords({ dayId: 1, kind: 'effort', effort: 9 })).toBe('effort 9');
  expect(evidenceWords({ dayId: 1, kind: 'state', state: 'bonus' })).toBe('done beside what was due');
  expect(evidenceWords({ dayId: 1, kind: 'said', words: 'knee' })).toBe('knee');
});

test('what came of a word is told once a due day has come since', () => {
  expect(helpedWords({ due: 2, done: 2, dueBefore: 5, doneBefore: 3 })).toBe('since then 2 of 2 done, before 3 of 5');
  expect(helpedWords({ due: 0, done: 0, dueBefore: 5, doneBefore: 3 })).toBe('');
});

test('a draft has the name, the facts and the coach, and scolds nobody', () => {
  for (const facts of FACTS) {
    const text = draftNote(
      { code: facts.code, toThem: attentionWords(facts, 'person') },
      { name: 'Ada Arden', coach: 'Colm', programme: 'Stairs' },
    );
    expect(text.startsWith('Ada,\n\n')).toBe(true);
    expect(text.endsWith('\n\nColm')).toBe(true);
    expect(text).not.toMatch(/you should have|disappoint|excuse|fail|must|\bthey\b/i);
  }
});

test('a rule says its threshold', () => {
  expect(RULE_WORDS['missed-in-a-row'].means(4)).toBe('The last 4 due days weren’t done. One alone says nothing.');
});

test('what a coach can set is what docs/formulas.md says of it', () => {
  const said = readFileSync('docs/formulas.md', 'utf8');
  const table = said.slice(said.indexOf('| asked about')).split('\n\n')[0]!.trim().split('\n').slice(2);
  const told = table.map((line) =>
    line
      .split('|')
      .slice(1, -1)
      .map((cell) => cell.trim()),
  );
  const rules = ATTENTION_CODES.map((code) => {
    const { weight, threshold: t } = ATTENTION_RULES[code];
    const { name, unit } = RULE_WORDS[code];
    return [name, weight, t?.usual, t?.low, t?.high, unit].map((x) => String(x ?? ''));
  });
  expect(told).toEqual(rules);
  // In that order they are found, and told.
  const weights = rules.map((r) => Number(r[1]));
  expect(weights).toEqual(weights.toSorted((a, b) => b - a));
});
