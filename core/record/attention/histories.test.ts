import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { addDays } from '../../calendar/day.ts';
import type { DayState } from '../adherence/strand.ts';
import { computeAdherence, isKept } from '../adherence/strand.ts';
import { findAttention } from './attention.ts';
import type { PersonHistory, RetestScore } from './history.ts';

const START = '2026-03-02' as DayDate;

const STATES: Readonly<Record<string, DayState>> = {
  D: 'done',
  d: 'part',
  '.': 'missed',
  n: 'not-done',
  e: 'excused',
  b: 'bonus',
  l: 'late',
  t: 'due',
};

/** The table of docs/attention.md: history, what goes with it, what is told. */
const ROWS = readFileSync('docs/attention.md', 'utf8')
  .split('\n')
  .filter((line) => /^\| \d/.test(line))
  .map((line) =>
    line
      .split('|')
      .slice(1, -1)
      .map((cell) => cell.trim()),
  );

function read(letters: string, withWords: string): PersonHistory {
  const marks = [...letters.replace(/[`\s]/g, '')];
  const places = marks.flatMap((mark, i) => (mark === '_' ? [] : [i]));
  const dates = places.map((i) => addDays(START, i));
  const states = places.map((i) => {
    const state = STATES[marks[i]!];
    if (!state) throw new Error(`${marks[i]} is no letter of a history`);
    return state;
  });
  const kept = states.flatMap((state, i) => (isKept(state) ? [i] : []));
  /** Values of the last sessions that were done, by their place. */
  const ofLast = (values: readonly number[]) =>
    new Map(values.map((value, k) => [kept[kept.length - values.length + k]!, value]));
  const today = addDays(START, marks.length - 1);
  const said = { effort: [] as number[], planned: [] as number[], retest: [] as number[] };
  let more: Partial<PersonHistory> = {};
  let isTrack = false;
  for (const words of withWords.split(';').map((w) => w.trim())) {
    const [what, ...rest] = words.split(' ');
    const numbers = rest.map(Number).filter((n) => !Number.isNaN(n));
    if (what === 'effort' || what === 'planned' || what === 'retest') said[what] = numbers;
    else if (what === 'track') isTrack = true;
    else if (what === 'bounced') more = { ...more, bounced: 'no such mailbox' };
    else if (what === 'pain')
      more = { ...more, pains: [{ dayId: 1, date: addDays(today, -numbers[0]!), words: 'knee' }] };
    else if (what === 'away')
      more = {
        ...more,
        absences: [{ kind: 'pause', from: addDays(START, numbers[0]! - 1), to: addDays(START, numbers[1]! - 1) }],
      };
    else if (what !== '') throw new Error(`“${words}” says nothing that goes with a history`);
  }
  const efforts = ofLast(said.effort);
  const plannedOf = ofLast(said.planned);
  const planned = states.map((_, i) => (said.planned.length === 1 ? said.planned[0]! : (plannedOf.get(i) ?? null)));
  const retests = [...ofLast(said.retest)].map(([i, reps]): RetestScore => ({
    dayId: i + 1,
    date: dates[i]!,
    key: 'engine',
    label: 'Engine',
    words: `${reps} reps`,
    score: { block: 0, kind: 'reps', reps },
    work: { perRound: null, plannedReps: null },
  }));
  return {
    today,
    joinedOn: START,
    leftOn: null,
    plan: {
      dayIds: states.map((_, i) => i + 1),
      works: places.map((place, i) => (isTrack ? `own ${i}` : `weekday ${place % 7}`)),
      tracks: states.map(() => (isTrack ? 'strength' : '')),
      planned,
      // As long each time: the load goes by the effort alone, and a little by the week.
      loadsAu: planned.map((effort, i) => (effort === null ? null : effort * (30 + i))),
    },
    dates,
    states,
    records: states.map((_, i) => ({ outcome: 'done', shareRatio: 1, effort: efforts.get(i) ?? null })),
    adherence: computeAdherence(states, { dates }),
    absences: [],
    pains: [],
    retests,
    bounced: null,
    ...more,
  };
}

describe('invented histories (docs/attention.md)', () => {
  test('there are sixty, each its own', () => {
    expect(ROWS.length).toBe(60);
    expect(new Set(ROWS.map((r) => `${r[1]} ${r[2]}`)).size).toBe(60);
    expect(ROWS.map((r) => Number(r[0]))).toEqual(ROWS.map((_, i) => i + 1));
    expect(ROWS.every((r) => r[4] !== '')).toBe(true);
  });
  test.each(ROWS)('%s %s %s: %s', (_no, letters, withWords, told) => {
    const codes = findAttention(read(letters, withWords)).map((i) => i.code);
    expect(codes.join(', ') || 'nothing').toBe(told);
  });
});
