import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { isAway } from '../../core/calendar/absence.ts';
import type { Absence } from '../../core/calendar/absence.ts';
import { addDays } from '../../core/calendar/day.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { dumpSchema, SCHEMA_FILE } from '../../bin/parts/dump-schema.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase } from '../throwaway-database.ts';

let db: ThrowawayDatabase;
beforeAll(async () => {
  db = await makeThrowawayDatabase();
}, 120_000);
afterAll(() => db.drop());

const MONDAY = '2026-05-11' as DayDate;
const dates = Array.from({ length: 9 }, (_, i) => addDays(MONDAY, i - 1));
const ask = async (expression: string, values: unknown[]): Promise<unknown> =>
  (await db.owner.query<{ answer: unknown }>(`select ${expression} as answer`, values)).rows[0]!.answer;

const PERSON = 'jsonb_populate_record(null::person, $1::jsonb)';
const person = (more: object) =>
  JSON.stringify({ channel: 'email', address: 'a@example.org', address_state: 'confirmed', closed_at: null, ...more });

test('away on a day: the database and core say the same', async () => {
  const spans: readonly Absence[] = [
    { kind: 'pause', from: MONDAY, to: null },
    { kind: 'excused', from: addDays(MONDAY, 2), to: addDays(MONDAY, 2) },
    { kind: 'pause', from: addDays(MONDAY, 1), to: addDays(MONDAY, 4) },
  ];
  for (const absence of spans)
    for (const date of dates)
      expect([
        absence,
        date,
        await ask(
          `is_away_by(jsonb_populate_record(null::absence, jsonb_build_object('from_on', $1::date, 'to_on', $2::date)), $3::date)`,
          [absence.from, absence.to, date],
        ),
      ]).toEqual([absence, date, isAway([absence], date)]);
});

test('someone takes part from the day they joined to the day they left, both included', async () => {
  const takesPart = (left: DayDate | null, date: DayDate) =>
    ask(
      `takes_part(jsonb_populate_record(null::enrolment, jsonb_build_object('joined_on', $1::date, 'left_on', $2::date)), $3::date)`,
      [MONDAY, left, date],
    );
  for (const date of dates) {
    expect(await takesPart(null, date)).toBe(date >= MONDAY);
    expect(await takesPart(addDays(MONDAY, 3), date)).toBe(date >= MONDAY && date <= addDays(MONDAY, 3));
  }
});

test.each([
  ['confirmed', {}, true, 'email', true],
  ['given by their coach', { address_state: 'given', channel: 'text' }, true, 'text', true],
  ['to be confirmed', { address_state: 'asked' }, false, 'none', true],
  ['bounced', { address_state: 'bounced' }, false, 'none', true],
  ['stopped', { address_state: 'stopped' }, false, 'none', false],
  ['no messages wanted', { channel: 'none' }, false, 'none', false],
  ['no address', { address: '' }, false, 'none', false],
  ['their link was taken away', { closed_at: '2026-05-11T00:00:00Z' }, false, 'none', false],
])('reached, and by what; may be written to: %s', async (_, more, isReached, by, mayBe) => {
  expect([
    await ask(`is_reached(${PERSON})`, [person(more)]),
    await ask(`reached_by(${PERSON})`, [person(more)]),
    await ask(`may_be_written_to(${PERSON})`, [person(more)]),
  ]).toEqual([isReached, by, mayBe]);
});

test('what a stop holds back it holds until its moment, or for good', async () => {
  const holds = (until: string | null) =>
    ask(
      `holds_back(jsonb_populate_record(null::release_stop, jsonb_build_object('until', $1::timestamptz)), '2026-05-11T08:00:00Z')`,
      [until],
    );
  expect([
    await holds(null),
    await holds('2026-05-11T08:00:01Z'),
    await holds('2026-05-11T08:00:00Z'),
    await holds('2026-05-11T07:00:00Z'),
  ]).toEqual([true, true, false, false]);
});

test('db/schema.sql is what all migrations together make (else: npm run schema)', async () => {
  expect(await dumpSchema(db.ownerUrl)).toBe(readFileSync(SCHEMA_FILE, 'utf8'));
});
