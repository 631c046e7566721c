import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { SCREENING_QUESTIONS } from '../../core/screening.ts';
import { analyseText } from '../../core/session/analyse.ts';
import { coachZone } from '../doors/coach-zone.ts';
import { sensibleBounds } from '../../core/record/scores/sensible.ts';
import { readLogForm } from './log-form.ts';
import { readMeForm } from './me-form.ts';
import { isSameOrigin } from '../http/origin-check.ts';
import { readProfileForm } from '../people/profile-form.ts';
import { safePath } from '../doors/coach-session.ts';
import { rosterDefaults } from '../people/roster-defaults.ts';
import { hashToken, isTokenShaped, makeToken } from '../doors/token.ts';

const form = (fields: Record<string, string | readonly string[]>): FormData => {
  const data = new FormData();
  for (const [key, value] of Object.entries(fields))
    for (const one of typeof value === 'string' ? [value] : value) data.append(key, one);
  return data;
};

describe('what a person says of themselves', () => {
  const answers = (yes: number[], more = {}) =>
    form({
      part: 'care',
      ...Object.fromEntries(SCREENING_QUESTIONS.map((_, i) => [`care-${i}`, yes.includes(i) ? 'yes' : 'no'])),
      ...more,
    });
  test('kit: whatever is asked, or only what is known', async () => {
    expect(await readMeForm(form({ part: 'kit', 'kit-said': 'all', kit: ['chair'] }), ['chair'])).toEqual({
      status: 'success',
      change: { kit: null },
    });
    expect(
      await readMeForm(form({ part: 'kit', 'kit-said': 'only', kit: ['chair', 'rocket'] }), ['chair', 'band']),
    ).toEqual({
      status: 'success',
      change: { kit: ['chair'] },
    });
    expect(await readMeForm(form({ part: 'kit', 'kit-said': 'only' }), ['chair'])).toEqual({
      status: 'success',
      change: { kit: [] },
    });
  });
  test('an hour in one’s own calendar, and whether it rings', async () => {
    const said = (fields: Record<string, string>) => readMeForm(form({ part: 'calendar-hour', ...fields }), []);
    const change = (calendar: object) => ({ status: 'success', change: { calendar } });
    expect(await said({ calendarAt: ' 07:00 ', alarm: '10' })).toEqual(change({ at: '07:00', alarmMin: 10 }));
    expect(await said({ calendarAt: '', alarm: '' })).toEqual(change({ at: null, alarmMin: null }));
    expect(await said({ calendarAt: '', alarm: '0' })).toEqual(change({ at: null, alarmMin: 0 }));
    expect(await said({ calendarAt: '06:30', alarm: '7' })).toEqual(change({ at: '06:30', alarmMin: null }));
    expect(await said({ calendarAt: '7' })).toMatchObject({ errors: { calendarAt: expect.any(String) as string } });
  });
  test('health answers fail closed, keep only what follows, and can be forgotten', async () => {
    expect(await readMeForm(answers([]), [])).toEqual({ status: 'success', change: { care: 'clear', careShared: '' } });
    expect(await readMeForm(answers([1]), [])).toMatchObject({ change: { care: 'wait' } });
    expect(await readMeForm(answers([1], { seen: 'yes', shared: ' a knee ' }), [])).toEqual({
      status: 'success',
      change: { care: 'seen', careShared: 'a knee' },
    });
    expect(await readMeForm(form({ part: 'care', 'care-0': 'no' }), [])).toMatchObject({
      status: 'error',
      errors: { care: expect.any(String) as string },
    });
    expect(await readMeForm(answers([], { shared: 'x'.repeat(501) }), [])).toMatchObject({
      status: 'error',
      errors: { shared: expect.any(String) as string },
    });
    expect(await readMeForm(form({ part: 'forget' }), [])).toEqual({
      status: 'success',
      change: { care: 'not-asked', careShared: '', spares: [] },
    });
  });
});

describe('what a coach writes of a person', () => {
  const FIELDS = {
    name: ' Ada ',
    detail: '',
    timeZone: 'Europe/Vienna',
    address: 'ada@example.org',
    kit: 'Chair, 2 bottles',
    spare: ['knees', 'sadness'],
    'level-push': '3',
    'level-hinge': '9',
    swaps: 'press-up → wall push-up\n\n',
  };
  test('is read with names in any spelling, and what is unknown left out', async () => {
    expect(await readProfileForm(form(FIELDS), baseLibrary)).toEqual({
      status: 'success',
      change: {
        name: 'Ada',
        detail: '',
        timeZone: 'Europe/Vienna',
        address: 'ada@example.org',
        kit: ['chair', '2 bottles'],
        spares: ['knees'],
        levels: { push: 3 },
        swaps: [{ from: 'push-up', to: 'wall-push-up' }],
      },
    });
    expect(await readProfileForm(form({ ...FIELDS, kit: '' }), baseLibrary)).toMatchObject({ change: { kit: null } });
    expect(await readProfileForm(form({ ...FIELDS, kit: 'None' }), baseLibrary)).toMatchObject({ change: { kit: [] } });
  });
  test('every wrong field is named at once', async () => {
    const read = await readProfileForm(
      form({ ...FIELDS, name: 'x'.repeat(81), timeZone: 'Mars', swaps: 'a -> b' }),
      baseLibrary,
    );
    expect(read.status === 'error' && Object.keys(read.errors).sort()).toEqual(['name', 'swaps', 'timeZone']);
  });
});

describe('a log', () => {
  const { plan: own, blocks } = analyseText('Main: for time, reps 9-6-3\nsquat', baseLibrary);
  const plan = { plan: own, blocks, bounds: sensibleBounds(own, blocks, baseLibrary), library: baseLibrary };
  const FIELDS = {
    outcome: 'done',
    share: '50',
    effort: '',
    remark: ' ok ',
    'client-id': '00000000-0000-4000-8000-000000000001',
  };
  test('what the clock saw of each line is kept for a part of just that share; another word goes before it', async () => {
    const seen = JSON.stringify({ sharePct: 12, did: { '0-0': 0.1, '0-1': 1, '1': 0, x: 0.5, '0-2': 'all' } });
    const details = async (more: Record<string, string>) => {
      const read = await readLogForm(form({ ...FIELDS, seen, ...more }), plan, 5);
      return read.status === 'success' ? read.record.details?.did : undefined;
    };
    expect(await details({ outcome: 'part', share: '12' })).toEqual({ '0-0': 0.1, '1': 0 });
    expect(await details({ outcome: 'part', share: '50' })).toBeUndefined();
    expect(await details({ outcome: 'done' })).toBeUndefined();
    expect(await details({ outcome: 'part', share: '12', seen: '{"did":7,"sharePct":12}' })).toBeUndefined();
  });

  test('the step of a scale that was used is one of it; with repetitions alone it is the written one', async () => {
    const { plan: banded, blocks: lines } = analyseText('Main: 3 rounds\n12 band row @ medium band', baseLibrary);
    const session = { plan: banded, blocks: lines, bounds: [], library: baseLibrary };
    const steps = async (more: Record<string, string>) => {
      const read = await readLogForm(form({ ...FIELDS, ...more }), session, 5);
      return read.status === 'success' ? read.record.details?.steps : undefined;
    };
    const used = { block: 0, item: 0, movement: 'band row' };
    expect(await steps({ 'load-0-0': 'heavy band', 'last-0-0': '12' })).toEqual([
      { ...used, step: 'heavy band', lastReps: 12 },
    ]);
    expect(await steps({ 'last-0-0': '12' })).toEqual([{ ...used, step: 'medium band', lastReps: 12 }]);
    expect(await steps({ 'load-0-0': 'golden band' })).toBeUndefined();
  });

  test('an unrated session has no effort, done is all of it, not today is none of it', async () => {
    expect(await readLogForm(form(FIELDS), plan, 5)).toMatchObject({
      status: 'success',
      record: { outcome: 'done', shareRatio: 1, effort: null, remark: 'ok', loggedAtMs: 5 },
    });
    expect(await readLogForm(form({ ...FIELDS, outcome: 'part', share: '25', effort: '4' }), plan, 5)).toMatchObject({
      record: { shareRatio: 0.25, effort: 4 },
    });
    const nothing = { outcome: 'not-done', effort: '4' };
    expect(await readLogForm(form({ ...FIELDS, ...nothing }), plan, 5)).toMatchObject({
      record: { shareRatio: 0, effort: null, scores: [] },
    });
  });
  test('a number beside “not today” is asked about; what a phone kept and sends by itself is taken', async () => {
    const both = { ...FIELDS, outcome: 'not-done', 'score-0-time': '5:00' };
    const read = await readLogForm(form(both), plan, 5);
    expect(read).toMatchObject({ status: 'error', values: { 'score-0-time': '5:00' } });
    expect(read.status === 'error' && Object.keys(read.errors)).toEqual(['outcome']);
    expect(await readLogForm(form({ ...both, 'sent-at': '4' }), plan, 5)).toMatchObject({ status: 'success' });
  });
  test.each([
    ['outcome', 'maybe'],
    ['effort', '11'],
    ['effort', 'hard'],
    ['share', '150'],
    ['client-id', 'me'],
    ['remark', 'x'.repeat(1001)],
    ['score-0-time', 'soon'],
  ])('%s %j is refused at its field, with all that was typed', async (field, value) => {
    const read = await readLogForm(form({ ...FIELDS, [field]: value }), plan, 5);
    expect(read.status === 'error' && Object.keys(read.errors)).toContain(field);
    expect(read.status === 'error' && read.values.remark).toBeDefined();
  });
});

describe('doors', () => {
  test('a path to come back to is one of ours', () => {
    expect(safePath('/programmes/1/plan?x=1')).toBe('/programmes/1/plan?x=1');
    for (const other of [
      null,
      '',
      '//elsewhere.example.org',
      '/\\elsewhere',
      'https://elsewhere.example.org',
      'programmes',
      '/x"y',
    ])
      expect(safePath(other)).toBe('/programmes');
  });
  test('tokens are long, of one shape, and only their hash is kept', () => {
    const tokens = Array.from({ length: 50 }, makeToken);
    expect(new Set(tokens).size).toBe(50);
    expect(tokens.every(isTokenShaped)).toBe(true);
    expect(isTokenShaped('short')).toBe(false);
    expect(hashToken(tokens[0]!)).toEqual(hashToken(tokens[0]!));
    expect(hashToken(tokens[0]!)).not.toEqual(hashToken(tokens[1]!));
  });
  test('a change comes from a page of ours', () => {
    const ask = (headers: Record<string, string>, method = 'POST') =>
      isSameOrigin(new Request('http://ysodos.example.org/x', { method, headers }));
    expect(ask({}, 'GET')).toBe(true);
    expect(ask({ origin: 'http://ysodos.example.org' })).toBe(true);
    expect(ask({ origin: 'http://elsewhere.example.org' })).toBe(false);
    expect(ask({ origin: 'null' })).toBe(false);
    expect(ask({ origin: ':::' })).toBe(false);
    expect(ask({})).toBe(false);
    expect(ask({ 'sec-fetch-site': 'same-origin' })).toBe(true);
    // What a client says of itself isn't believed; behind a proxy, `listen` makes the request's address from PUBLIC_URL.
    expect(ask({ origin: 'https://front.example.org', 'x-forwarded-host': 'front.example.org' })).toBe(false);
    expect(ask({ origin: 'https://ysodos.example.org' })).toBe(false);
  });
  test('a coach is where the browser says; made-up, unreadable and missing zones are UTC', () => {
    const zone = (cookie?: string) =>
      coachZone(new Request('http://ysodos.example.org/', { headers: cookie ? { cookie } : {} }));
    expect(zone('a=b; ysodos_zone=Pacific%2FHonolulu')).toBe('Pacific/Honolulu');
    for (const other of [
      undefined,
      'ysodos_zone=',
      'ysodos_zone=Mars%2FBase',
      'ysodos_zone=%E0%A4%A',
      'ysodos_zone=%2B02%3A00',
      'other=Europe%2FVienna',
    ])
      expect(zone(other)).toBe('UTC');
  });
  test('a new person is taken to be where most are, from today or the first day to come', () => {
    expect(rosterDefaults('2999-01-07' as DayDate, [], 'Asia/Tokyo')).toEqual({
      timeZone: 'Asia/Tokyo',
      joinedOn: '2999-01-07',
    });
    expect(
      rosterDefaults(
        '2020-01-06' as DayDate,
        [{ timeZone: 'UTC' }, { timeZone: 'Asia/Tokyo' }, { timeZone: 'Asia/Tokyo' }],
        'UTC',
      ).timeZone,
    ).toBe('Asia/Tokyo');
  });
});
