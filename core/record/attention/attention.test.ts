import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { addDays } from '../../calendar/day.ts';
import { seededRandom } from '../../../demo/random.ts';
import type { Act } from './attention.ts';
import type { PersonHistory } from './history.ts';
import { findAttention, helpedSince, isQuiet } from './attention.ts';
import type { AttentionCode } from './attention-rules.ts';
import { ATTENTION_RULES, readAttentionSettings } from './attention-rules.ts';
import type { DayState } from '../adherence/strand.ts';
import { computeAdherence } from '../adherence/strand.ts';

const START = '2026-05-04' as DayDate;

/** A day every second date; a number behind a state is its effort: `done 7`. */
function history(said: readonly string[], more: Partial<PersonHistory> = {}): PersonHistory {
  const states = said.map((text) => text.split(' ')[0] as DayState);
  const dates = said.map((_, i) => addDays(START, 2 * i));
  return {
    today: addDays(START, Math.max(0, 2 * (said.length - 1))),
    joinedOn: START,
    leftOn: null,
    plan: planOf(
      said.length,
      said.map(() => 'same'),
    ),
    dates,
    states,
    records: said.map((text) => felt(text.split(' ')[1])),
    adherence: computeAdherence(states, { dates }),
    absences: [],
    pains: [],
    retests: [],
    bounced: null,
    ...more,
  };
}
/** Days without a track, nothing planned. */
const planOf = (days: number, works: readonly string[]): PersonHistory['plan'] => ({
  dayIds: works.map((_, i) => i + 1),
  works,
  tracks: Array.from({ length: days }, () => ''),
  planned: Array.from({ length: days }, () => null),
  loadsAu: Array.from({ length: days }, () => null),
});
const felt = (effort: string | number | undefined) => ({
  outcome: 'done' as const,
  shareRatio: 1,
  effort: effort === undefined ? null : Number(effort),
});
const codes = (h: PersonHistory, settings = {}): AttentionCode[] => findAttention(h, settings).map((i) => i.code);
const times = (n: number, state: string) => Array.from({ length: n }, () => state);

describe('rules fire at their threshold, and not before', () => {
  test('a single miss is no alarm, two in a row ask for a word; rest, excused and open days between say nothing', () => {
    expect(codes(history([...times(6, 'done'), 'missed']))).toEqual([]);
    expect(codes(history([...times(6, 'done'), 'missed', 'missed']))).toEqual(['missed-in-a-row']);
    expect(codes(history([...times(6, 'done'), 'missed', 'excused', 'not-done', 'due']))).toEqual(['missed-in-a-row']);
    expect(codes(history([...times(6, 'done'), 'missed', 'done', 'missed']))).toEqual([]);
    expect(findAttention(history([...times(6, 'done'), 'missed', 'missed']))[0]).toEqual({
      code: 'missed-in-a-row',
      missed: 2,
      doneBefore: 6,
      dueBefore: 6,
      evidence: [
        { dayId: 8, kind: 'state', state: 'missed' },
        { dayId: 7, kind: 'state', state: 'missed' },
      ],
      occasion: addDays(START, 10),
    });
  });

  test('never started after two due days; not who has done something beside them', () => {
    expect(codes(history(['missed']))).toEqual([]);
    expect(codes(history(['missed', 'missed']))).toEqual(['never-started']);
    expect(codes(history(['bonus', 'missed', 'missed']))).toEqual(['missed-in-a-row']);
  });

  test('half of what they did before, over the last seven due days; not with too little before', () => {
    const half = ['done', 'missed', 'done', 'missed', 'done', 'missed', 'done'];
    const lately = ['missed', 'done', 'missed', 'done', 'missed', 'missed', 'done'];
    expect(codes(history([...times(5, 'done'), ...lately]))).toEqual(['fading']);
    expect(codes(history([...times(4, 'done'), ...lately]))).toEqual([]);
    expect(codes(history([...times(5, 'done'), ...half]))).toEqual([]);
  });

  test('few done for three weeks: not where some of them were agreed to be away', () => {
    const few = ['done', 'missed', 'missed', 'done', 'missed', 'missed', 'done', 'missed', 'missed', 'done', 'missed'];
    expect(codes(history(few))).toEqual(['low']);
    expect(codes(history(few.with(4, 'excused')))).toEqual([]);
    expect(codes(history(few.with(0, 'excused')))).toEqual([]);
    expect(codes(history(few), { low: { threshold: 30 } })).toEqual([]);
  });

  test('half of what they did isn’t told beside what says the same, and is beside anything else', () => {
    const fading = [...times(5, 'done'), 'missed', 'done', 'missed', 'done', 'missed', 'missed', 'done'];
    const ended = [...times(5, 'done'), 'done', 'missed', 'done', 'missed', 'done', 'missed', 'missed'];
    expect(codes(history(ended))).toEqual(['missed-in-a-row']);
    expect(codes(history(ended), { 'missed-in-a-row': { off: true } })).toEqual(['fading']);
    expect(codes(history(fading, { bounced: 'mailbox full' }))).toEqual(['bounced', 'fading']);
  });

  test('effort 9 three times running; two, or an 8 among them, isn’t', () => {
    expect(codes(history(['done 5', 'done 9', 'done 10', 'part 9']))).toEqual(['effort-high']);
    expect(codes(history(['done 5', 'done 9', 'done 8', 'done 9']))).toEqual([]);
    expect(codes(history(['done 9', 'done 9']))).toEqual([]);
    expect(codes(history(['done 5', 'done 9', 'missed', 'done 9', 'done', 'done 9']))).toEqual(['effort-high']);
  });

  test('the same work felt harder each time; not other work, nor a small rise', () => {
    expect(codes(history(['done 4', 'done 6', 'done 7']))).toEqual(['effort-rising']);
    expect(codes(history(['done 4', 'done 4', 'done 7']))).toEqual([]);
    expect(codes(history(['done 5', 'done 6', 'done 7']))).toEqual([]);
    const h = history(['done 4', 'done 6', 'done 7']);
    expect(codes({ ...h, plan: { ...h.plan, works: ['a', 'b', 'c'] } })).toEqual([]);
    expect(codes({ ...h, plan: { ...h.plan, works: ['', '', ''] } })).toEqual([]);
    expect(codes(h, { 'effort-rising': { threshold: 4 } })).toEqual([]);
  });

  const retest = (i: number, amount: number, key = 'engine') => ({
    dayId: i,
    date: addDays(START, 2 * (i - 1)),
    key,
    label: 'Engine',
    words: `${amount} reps`,
    score: { block: 0, kind: 'reps' as const, reps: amount },
    work: { perRound: null, plannedReps: null },
  });
  test('a retest that went down by a tenth; one that went up is a good word; another shape is no comparison', () => {
    const days = ['done', 'done', 'done'];
    expect(codes(history(days, { retests: [retest(1, 50), retest(3, 45)] }))).toEqual(['score-fell']);
    expect(codes(history(days, { retests: [retest(1, 50), retest(3, 46)] }))).toEqual([]);
    expect(codes(history(days, { retests: [retest(1, 50), retest(3, 51)] }))).toEqual([]);
    expect(codes(history(days, { retests: [retest(1, 50), retest(2, 49), retest(3, 51)] }))).toEqual(['best-score']);
    expect(codes(history(days, { retests: [retest(1, 50), retest(3, 40, 'knees')] }))).toEqual([]);
    expect(codes(history(days, { retests: [retest(3, 40)] }))).toEqual([]);
  });

  test('pain within the week, an address that bounces, sessions beside the plan', () => {
    const pains = [{ dayId: 1, date: START, words: 'knee, at squat' }];
    expect(codes(history(['done'], { pains }))).toEqual(['pain']);
    expect(codes(history(['done'], { pains, today: addDays(START, 6) }))).toEqual(['pain']);
    expect(codes(history(['done'], { pains, today: addDays(START, 7) }))).toEqual([]);
    expect(codes(history(['done'], { bounced: 'no such mailbox' }))).toEqual(['bounced']);
    expect(codes(history(['done', 'bonus', 'bonus']))).toEqual(['far-more']);
    expect(codes(history(['done', 'bonus']))).toEqual([]);
  });

  test('a good word: the first week, and a return after days away; none for long ago', () => {
    const week = ['done', 'part', 'done', 'done'];
    expect(codes(history([...week], { today: addDays(START, 7) }))).toEqual(['first-week']);
    expect(codes(history([...week], { today: addDays(START, 6) }))).toEqual([]);
    expect(codes(history([...week], { today: addDays(START, 11) }))).toEqual([]);
    expect(codes(history(['done', 'missed', 'done', 'done'], { today: addDays(START, 7) }))).toEqual([]);
    const absences = [{ kind: 'pause' as const, from: addDays(START, 2), to: addDays(START, 5) }];
    expect(codes(history(['done', 'excused', 'excused', 'done'], { absences }))).toEqual(['back']);
    expect(codes(history(['done', 'excused', 'excused', 'due'], { absences }))).toEqual([]);
  });

  test('nothing of who has left, nor by a rule that is off; the most pressing first', () => {
    const h = history([...times(6, 'done 5'), 'missed', 'missed'], { bounced: 'gone' });
    expect(codes(h)).toEqual(['bounced', 'missed-in-a-row']);
    expect(codes(h, { bounced: { off: true } })).toEqual(['missed-in-a-row']);
    expect(codes(h, { 'missed-in-a-row': { threshold: 3 } })).toEqual(['bounced']);
    expect(codes({ ...h, leftOn: h.today })).toEqual([]);
    expect(codes(history([]))).toEqual([]);
  });
});

test('what was acted upon is quiet until there is a new occasion, what was put off until its day', () => {
  const item = findAttention(history([...times(6, 'done'), 'missed', 'missed']))[0]!;
  const today = addDays(START, 14);
  const act = (more: Partial<Act>): Act => ({
    code: item.code,
    occasion: item.occasion,
    kind: 'asked',
    madeOn: addDays(START, 2),
    untilOn: null,
    ...more,
  });
  expect(isQuiet(item, [], today)).toBe(false);
  expect(isQuiet(item, [act({})], today)).toBe(true);
  expect(isQuiet(item, [act({ occasion: 'another' })], today)).toBe(false);
  expect(isQuiet(item, [act({ occasion: 'another', madeOn: addDays(today, -6) })], today)).toBe(true);
  expect(isQuiet(item, [act({ occasion: 'another', madeOn: addDays(today, -7) })], today)).toBe(false);
  expect(isQuiet(item, [act({ untilOn: today })], today)).toBe(true);
  expect(isQuiet(item, [act({ untilOn: addDays(today, -1) })], today)).toBe(false);
  expect(isQuiet(item, [act({ code: 'pain' })], today)).toBe(false);
});

test('whether it helped: due days since beside as many before', () => {
  const h = history([...times(3, 'done'), 'missed', 'missed', 'done', 'done', 'due']);
  const helped = helpedSince(h, addDays(START, 8));
  expect(helped).toEqual({ due: 2, done: 2, dueBefore: 5, doneBefore: 3 });
  // Five due days on either side.
  const long = history(times(14, 'done'));
  expect(helpedSince(long, addDays(START, 12))).toEqual({ due: 5, done: 5, dueBefore: 5, doneBefore: 5 });
});

test('settings that are stored are taken as far as they can be used', () => {
  expect(readAttentionSettings(null)).toEqual({});
  expect(readAttentionSettings({ pain: { off: true }, nonsense: {}, fading: 3 })).toEqual({ pain: { off: true } });
  expect(readAttentionSettings({ 'missed-in-a-row': { threshold: 1 } })).toEqual({ 'missed-in-a-row': {} });
  expect(readAttentionSettings({ 'missed-in-a-row': { threshold: 10 } })).toEqual({
    'missed-in-a-row': { threshold: 10 },
  });
  expect(readAttentionSettings({ back: { threshold: 3 } })).toEqual({ back: {} });
});

/** Eight weeks of six sessions, looked at every day by a coach who acts on all that is shown: how often each rule asked. */
function simulate(random: () => number, chance: (day: number) => number, effort: (day: number) => number) {
  const asked: AttentionCode[] = [];
  const acts: Act[] = [];
  const states: DayState[] = [];
  const efforts: number[] = [];
  for (let day = 0; day < 56; day++) {
    if (day % 7 === 6) continue;
    states.push(random() < chance(day) ? 'done' : 'missed');
    efforts.push(Math.max(0, Math.min(10, Math.round(effort(day) + (random() - 0.5) * 3))));
    const today = addDays(START, day);
    const dates = states.map((_, i) => addDays(START, Math.floor(i / 6) * 7 + (i % 6)));
    const h: PersonHistory = {
      today,
      joinedOn: START,
      leftOn: null,
      plan: planOf(
        states.length,
        states.map((_, i) => String(i % 6)),
      ),
      dates,
      states,
      records: efforts.map(felt),
      adherence: computeAdherence(states, { dates }),
      absences: [],
      pains: [],
      retests: [],
      bounced: null,
    };
    for (const item of findAttention(h)) {
      if (isQuiet(item, acts, today)) continue;
      asked.push(item.code);
      acts.push({ code: item.code, occasion: item.occasion, kind: 'seen', madeOn: today, untilOn: null });
    }
  }
  return asked;
}

describe('simulated histories', () => {
  const PEOPLE = 200;
  const share = (asked: AttentionCode[][], wanted: (code: AttentionCode) => boolean) =>
    asked.filter((own) => own.some(wanted)).length / PEOPLE;
  const all = (chance: (day: number) => number, effort: (day: number) => number = () => 6) => {
    const random = seededRandom(5);
    return Array.from({ length: PEOPLE }, () => simulate(random, chance, effort));
  };
  const isWorry = (code: AttentionCode) => ATTENTION_RULES[code].isGood !== true;

  test('steady people are asked about less than once in eight weeks', () => {
    // 97 of 100 and 93 of 100 due days done; efforts around the plan.
    for (const [rate, most] of [
      [0.97, 0.35],
      [0.93, 1],
    ] as const) {
      const asked = all(() => rate);
      const aPerson = asked.flat().filter(isWorry).length / PEOPLE;
      expect(aPerson).toBeLessThanOrEqual(most);
    }
  });
  test('who fades is noticed, nearly always', () => {
    const faders = all((day) => (day < 28 ? 0.9 : 0.15));
    expect(share(faders, (c) => c === 'missed-in-a-row' || c === 'fading')).toBeGreaterThanOrEqual(0.99);
  });
  test('who gives all every time, and for whom the same gets harder, too', () => {
    expect(
      share(
        all(
          () => 0.95,
          () => 10,
        ),
        (c) => c === 'effort-high',
      ),
    ).toBeGreaterThanOrEqual(0.99);
    expect(
      share(
        all(
          () => 0.97,
          (day) => 2 + day / 6,
        ),
        (c) => c === 'effort-rising',
      ),
    ).toBeGreaterThanOrEqual(0.8);
  });
});
