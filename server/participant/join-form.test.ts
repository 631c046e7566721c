import { describe, expect, test } from 'vitest';
import { SCREENING_QUESTIONS } from '../../core/screening.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import type { Run } from '../../db/queries/run.ts';
import { readJoinForm } from './join-form.ts';
import { readMeForm } from './me-form.ts';
import { ownStart } from '../people/roster-defaults.ts';
import { readRunForm } from '../send/run-form.ts';
import { parseOwnDay } from '../doors/personal-link.ts';
import { parseProgrammeKey } from '../doors/coach-scope.ts';
import { PAUSES_MS, endOf, pauseMs } from '../messages/deliver.ts';
import { judgeSmtpError } from '../messages/smtp.ts';

const form = (fields: Record<string, string | readonly string[]>): FormData => {
  const data = new FormData();
  for (const [key, value] of Object.entries(fields))
    for (const one of typeof value === 'string' ? [value] : value) data.append(key, one);
  return data;
};
const ANSWERED = Object.fromEntries(SCREENING_QUESTIONS.map((_, i) => [`care-${i}`, 'no']));
const WHOLE = {
  name: ' Ana ',
  timeZone: 'Europe/Lisbon',
  channel: 'email',
  email: 'ana@example.org',
  consent: 'yes',
  ...ANSWERED,
};

describe('who joins', () => {
  test('says who they are, where, how they are reached, what fits them; the answers themselves are not kept', async () => {
    expect(
      await readJoinForm(
        form({
          ...WHOLE,
          'kit-said': 'only',
          kit: ['chair', 'rocket'],
          spare: ['wrists', 'pride'],
          weekday: ['6', '2', '9', '2'],
        }),
        ['chair'],
      ),
    ).toEqual({
      status: 'success',
      values: {
        name: 'Ana',
        timeZone: 'Europe/Lisbon',
        channel: 'email',
        address: 'ana@example.org',
        kit: ['chair'],
        spares: ['wrists'],
        care: 'clear',
        weekdays: [2, 6],
      },
    });
    expect(await readJoinForm(form({ ...WHOLE, channel: 'none', 'care-1': 'yes' }), [])).toMatchObject({
      values: { channel: 'none', address: '', kit: null, care: 'wait', weekdays: null },
    });
    expect(await readJoinForm(form({ ...WHOLE, 'care-1': 'yes', seen: 'yes' }), [])).toMatchObject({
      values: { care: 'seen' },
    });
  });
  test.each([
    ['name', { name: ' ' }],
    ['name', { name: 'x'.repeat(61) }],
    ['name', { name: 'Win at https://x.example' }],
    ['name', { name: 'www.example' }],
    ['name', { name: 'Ana <b>' }],
    ['name', { name: 'bets.com' }],
    ['timeZone', { timeZone: 'Mars/Base' }],
    ['email', { email: 'ana' }],
    ['phone', { channel: 'text', phone: '12' }],
    ['care', { 'care-0': '' }],
    ['consent', { consent: '' }],
  ] as const)('an error in %s keeps all that was typed, and nobody joins', async (field, more) => {
    const read = await readJoinForm(form({ ...WHOLE, ...more }), []);
    expect(read.status).toBe('error');
    if (read.status !== 'error') return;
    expect(Object.keys(read.errors)).toEqual([field]);
    expect(read.said).toMatchObject({ consent: expect.anything() as string, 'care-1': 'no' });
  });
});

const RUN: Run = {
  id: 1,
  title: 'Spring',
  replyTo: '',
  rules: {
    startsOn: '2026-05-11' as DayDate,
    calendar: 'host',
    releaseTime: '05:00',
    releaseZone: null,
    lookAheadDays: 0,
    makeUpDays: 7,
  },
  isByHand: false,
  joinsLate: 'with-rest',
  heldAtMs: null,
  endedOn: null,
  archivedAtMs: null,
  join: { code: null, isOpen: false, limit: null, words: '' },
  hasFeed: false,
  clock: { voice: 'all', warmUp: { words: '', film: '' } },
  hasBoards: false,
};
const AT = { today: '2026-05-13' as DayDate, isNew: false };

describe('a run’s settings', () => {
  test('what the form doesn’t name stays', async () => {
    expect(await readRunForm(form({ title: 'Autumn' }), RUN, AT)).toMatchObject({
      status: 'success',
      settings: { ...RUN.rules, title: 'Autumn', isByHand: false, joinsLate: 'with-rest' },
    });
  });
  test('an instant needs a zone; each person’s own clock has none', async () => {
    expect(await readRunForm(form({ release: 'instant', releaseZone: 'Europe/Lisbon' }), RUN, AT)).toMatchObject({
      settings: { releaseZone: 'Europe/Lisbon' },
    });
    expect(await readRunForm(form({ release: 'instant', releaseZone: '' }), RUN, AT)).toMatchObject({
      errors: { releaseZone: expect.any(String) as string },
    });
    expect(await readRunForm(form({ release: 'local', releaseZone: 'Europe/Lisbon' }), RUN, AT)).toMatchObject({
      settings: { releaseZone: null },
    });
  });
  test('a new run begins today or later; one that began may keep its day', async () => {
    expect(await readRunForm(form({ startsOn: '2026-05-12' }), RUN, { ...AT, isNew: true })).toMatchObject({
      errors: { startsOn: expect.stringContaining('has passed') as string },
    });
    expect((await readRunForm(form({ startsOn: '2026-05-13' }), RUN, { ...AT, isNew: true })).status).toBe('success');
    expect((await readRunForm(form({ startsOn: '2026-05-12' }), RUN, AT)).status).toBe('success');
  });
  test('made up for at any time, or for so many days', async () => {
    expect(await readRunForm(form({ makeUpDays: '' }), RUN, AT)).toMatchObject({ settings: { makeUpDays: null } });
    expect(await readRunForm(form({ makeUpDays: '0' }), RUN, AT)).toMatchObject({ settings: { makeUpDays: 0 } });
    expect(await readRunForm(form({ makeUpDays: '60', by: 'hand' }), RUN, AT)).toMatchObject({
      settings: { makeUpDays: 60, isByHand: true },
    });
    expect((await readRunForm(form({ makeUpDays: '61' }), RUN, AT)).status).toBe('error');
  });
  test('who joins has a day 1 of their own on an own calendar, or late where the late begin from the beginning', () => {
    const on = (date: string, run: Partial<Run> = {}) => ownStart({ ...RUN, ...run }, date as DayDate);
    expect(on('2026-05-20')).toBeNull();
    expect(on('2026-05-20', { joinsLate: 'from-day-1' })).toBe('2026-05-20');
    expect(on('2026-05-11', { joinsLate: 'from-day-1' })).toBeNull();
    const own = { rules: { ...RUN.rules, calendar: 'own' as const } };
    expect(on('2026-05-20', own)).toBe('2026-05-20');
    expect(on('2026-05-01', own)).toBe('2026-05-11');
  });
});

test('messages: quiet hours whole or not at all, an address for the channel that was chosen', async () => {
  const read = (fields: Record<string, string>) =>
    readMeForm(form({ part: 'messages', timeZone: 'UTC', ...fields }), []);
  expect(await read({ channel: 'none' })).toEqual({
    status: 'success',
    change: { channel: 'none', timeZone: 'UTC', quiet: null, wantsRestDays: false, reminderAt: null },
  });
  expect(
    await read({
      channel: 'text',
      phone: '+351 910 000 111',
      quietFrom: '22:00',
      quietTo: '07:00',
      restDays: 'yes',
      reminderAt: '19:30',
    }),
  ).toMatchObject({
    change: {
      channel: 'text',
      address: '+351 910 000 111',
      quiet: { from: '22:00', to: '07:00' },
      wantsRestDays: true,
      reminderAt: '19:30',
    },
  });
  expect(await read({ channel: 'email', email: '', quietTo: '07:00' })).toMatchObject({
    errors: { email: expect.any(String) as string, quiet: expect.any(String) as string },
  });
});

test('a day in an address of someone’s, and a programme with its run', () => {
  expect(parseOwnDay('w5d3')).toEqual({ week: 5, weekday: 3 });
  expect(parseOwnDay('r17-w5d3')).toEqual({ week: 5, weekday: 3 });
  for (const wrong of ['r-w5d3', 'r0-w5d3', '17-w5d3', 'w5d8', 'w53d1', '', 'r17-w5d3 '])
    expect([wrong, parseOwnDay(wrong)]).toEqual([wrong, undefined]);
  expect(parseProgrammeKey('3')).toEqual({ id: 3 });
  expect(parseProgrammeKey('3-7')).toEqual({ id: 3, runId: 7 });
  for (const wrong of ['', '-7', '3-', '3-x', '3-7-9', '3.0', undefined])
    expect([wrong, parseProgrammeKey(wrong)]).toEqual([wrong, undefined]);
});

describe('what becomes of a message', () => {
  const message = { attempts: 1, expiresAtMs: 1e12 };
  test('pauses grow, each a quarter more or less', () => {
    for (let i = 1; i < PAUSES_MS.length; i++) expect(PAUSES_MS[i]!).toBeGreaterThan(PAUSES_MS[i - 1]!);
    expect([pauseMs(1, 0), pauseMs(1, 0.5), pauseMs(1, 1)]).toEqual([45_000, 60_000, 75_000]);
    expect(pauseMs(PAUSES_MS.length, 0.5)).toBe(480 * 60_000);
    expect(pauseMs(PAUSES_MS.length + 1, 0.5)).toBeUndefined();
  });
  test('accepted, refused, again later, or given up once its day would have passed', () => {
    expect(endOf(message, { outcome: 'accepted' }, 1000, 0.5)).toEqual({ state: 'accepted', at: new Date(1000) });
    expect(endOf(message, { outcome: 'refused', reason: 'no' }, 1000, 0.5)).toEqual({ state: 'refused', reason: 'no' });
    expect(endOf(message, { outcome: 'later', reason: 'busy' }, 1000, 0.5)).toEqual({
      state: 'waiting',
      reason: 'busy',
      nextTryAt: new Date(61_000),
      isTry: true,
    });
    expect(endOf({ ...message, expiresAtMs: 61_000 }, { outcome: 'later', reason: 'busy' }, 1000, 0.5)).toMatchObject({
      state: 'gave-up',
    });
    expect(endOf({ ...message, expiresAtMs: 61_001 }, { outcome: 'later', reason: 'busy' }, 1000, 0.5)).toMatchObject({
      state: 'waiting',
    });
    expect(endOf({ ...message, attempts: 9 }, { outcome: 'later', reason: 'busy' }, 1000, 0.5)).toEqual({
      state: 'gave-up',
      reason: 'after 9 tries: busy',
    });
  });
  // RFC 5321, 4.2.1: 4yz passes, 5yz is for good.
  test('a mail server’s answer', () => {
    expect(judgeSmtpError({ responseCode: 550, response: '550 5.1.1  no\r\nsuch box' })).toEqual({
      outcome: 'refused',
      reason: '550 5.1.1 no such box',
    });
    expect(judgeSmtpError({ responseCode: 451, response: '451 later' })).toEqual({
      outcome: 'later',
      reason: '451 later',
    });
    expect(judgeSmtpError({ responseCode: 535, code: 'EAUTH', response: '535 who are you' })).toMatchObject({
      outcome: 'later',
    });
    expect(judgeSmtpError({ code: 'ECONNREFUSED', message: 'connect' })).toEqual({
      outcome: 'later',
      reason: 'the mail server can’t be reached (ECONNREFUSED)',
      isAway: true,
    });
    expect(judgeSmtpError(undefined)).toMatchObject({ outcome: 'later' });
  });
});
