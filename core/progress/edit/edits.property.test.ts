import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayKey } from '../../calendar/day.ts';
import { writeBundle, readBundle } from '../../exchange/programme-bundle.ts';
import { readEditsJson } from '../../exchange/programme-edit-json.ts';
import { toEditsJson } from '../../exchange/writing/write-edits.ts';
import { parseProgramme } from '../../exchange/programme-json.ts';
import { formatProgramme } from '../../exchange/writing/write-programme.ts';
import { applyProgrammeEdits } from './apply-programme-edit.ts';
import { arbitraryEdit, arbitraryPlace } from './arbitrary-edit.ts';
import { findDifferences, isNoDifference } from './find-differences.ts';
import { findGuards } from '../guards/find-guards.ts';
import { mergeEdits } from './merge-edits.ts';
import { planProgramme } from '../plan-programme.ts';
import { book, ENGINE_TEXT, FOUR_TEXT, makeProgramme, makeTrack, planner, STARTS_ON } from '../programme-fixture.ts';
import type { ProgrammeEdit } from './programme-edit.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../programme-document.ts';
import { byPlace, findProgrammeDay } from '../programme-document.ts';
import { pinDeviations } from './regenerate.ts';
import { runs } from '../../../tests/long.ts';
import { guardWords } from '../../../words/en/guards.ts';

const kind = <K extends ProgrammeEdit['kind']>(value: K) => fc.constant(value);
const START = makeProgramme({ weeks: 6 });
const sent = fc.subarray(START.days.map(dayKey), { maxLength: 4 });
const apply = (programme: ProgrammeDocument, edits: readonly ProgrammeEdit[], locked: readonly string[] = []) =>
  applyProgrammeEdits(programme, edits, { book, planner, locked: new Set(locked) });
/** Edits one after the other, those that are refused passed by. */
const reach = (edits: readonly ProgrammeEdit[], locked: readonly string[] = []) =>
  edits.reduce((now, e) => {
    const result = apply(now, [e], locked);
    return result.status === 'changed' ? result.programme : now;
  }, START);

describe('whatever is done to a programme', () => {
  it('stays a programme: a session a place, in order, in bounds; sessions of tracks as their levers write them, pinned and sent ones as they were', () => {
    fc.assert(
      fc.property(fc.array(arbitraryEdit, { maxLength: 8 }), sent, (edits, locked) => {
        let now = START;
        for (const e of edits) {
          const result = apply(now, [e], locked);
          if (result.status === 'refused') {
            expect(result.message).toMatch(/\.$/);
            continue;
          }
          const next = result.programme;
          expect(next.days.map(dayKey)).toEqual([...new Set(next.days.map(dayKey))]);
          expect([...next.days].sort(byPlace)).toEqual(next.days);
          for (const d of next.days)
            expect(d.week >= 1 && d.week <= next.weeks && d.weekday >= 1 && d.weekday <= 7).toBe(true);
          for (const key of locked) {
            const of = (p: ProgrammeDocument): ProgrammeDay => p.days.find((d) => dayKey(d) === key)!;
            expect(of(next).text).toBe(of(START).text);
          }
          for (const d of next.days) {
            const own = next.tracks.find((t) => t.id === d.track?.id);
            if (d.track) expect(own, `${d.track.id} is a track`).toBeDefined();
            if (d.track && !d.track.isPinned && !locked.includes(dayKey(d)))
              expect(d.text).toBe(book.week(own!, d.track.week, next.lighter).text);
          }
          now = next;
        }
      }),
      { numRuns: runs(400) },
    );
  });

  it('can be planned and looked at', () => {
    fc.assert(
      fc.property(fc.array(arbitraryEdit, { maxLength: 6 }), (edits) => {
        const programme = reach(edits);
        const weeks = planProgramme(programme, planner);
        expect(weeks.map((w) => w.days.filter(Boolean).length).reduce((a, b) => a + b, 0)).toBe(programme.days.length);
        for (const g of findGuards({
          programme,
          weeks,
          tracks: programme.tracks.map((t) => book.read(t)),
          run: { startsOn: STARTS_ON },
        })) {
          expect(g.weeks.every((w) => w >= 1 && w <= programme.weeks)).toBe(true);
          expect(guardWords(g, programme.firstWeekday)).toMatch(/\.$/);
          expect(guardWords(g, programme.firstWeekday)).not.toMatch(/NaN|undefined|Infinity/);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('goes out and in again without loss, as JSON and as texts', () => {
    fc.assert(
      fc.property(fc.array(arbitraryEdit, { maxLength: 6 }), (edits) => {
        const programme = reach(edits);
        expect(parseProgramme(formatProgramme(programme))).toEqual({ status: 'read', programme });
        expect(readBundle(writeBundle(programme))).toEqual({ status: 'read', programme });
        expect(pinDeviations(programme, book)).toEqual(programme);
      }),
      { numRuns: 100 },
    );
  });

  it('is told as a difference of exactly the days that differ, and of none where nothing does', () => {
    fc.assert(
      fc.property(
        fc.array(arbitraryEdit, { maxLength: 4 }),
        fc.array(arbitraryEdit, { maxLength: 3 }),
        (first, then) => {
          const before = reach(first);
          const result = apply(before, then);
          fc.pre(result.status === 'changed');
          const after = result.status === 'changed' ? result.programme : before;
          const difference = findDifferences(before, after, planner);
          const keys = new Set([...before.days, ...after.days].map(dayKey));
          const textOf = (p: ProgrammeDocument, key: string) => p.days.find((d) => dayKey(d) === key)?.text;
          const toldKeys = difference.days.map((d) => dayKey(d.place));
          for (const key of keys) if (textOf(before, key) !== textOf(after, key)) expect(toldKeys).toContain(key);
          for (const d of difference.days) {
            expect(d.before).toBe(textOf(before, dayKey(d.place)) ?? '');
            expect(d.after).toBe(textOf(after, dayKey(d.place)) ?? '');
            if (d.kind === 'new' || d.kind === 'gone')
              expect(findProgrammeDay(d.kind === 'new' ? before : after, d.place)).toBeUndefined();
          }
          expect(isNoDifference(findDifferences(before, before, planner))).toBe(true);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('goes over the wire as it is, and comes to the same all at once, one by one, or merged', () => {
    fc.assert(
      fc.property(fc.array(arbitraryEdit, { minLength: 1, maxLength: 5 }), (edits) => {
        expect(readEditsJson(toEditsJson(edits))).toEqual({ status: 'done', value: edits });
        const whole = apply(START, edits);
        fc.pre(whole.status === 'changed');
        expect(
          apply(
            START,
            edits.reduce<readonly ProgrammeEdit[]>((all, e) => mergeEdits(all, [e]), []),
          ),
        ).toEqual(whole);
        expect({ status: 'changed', programme: reach(edits) }).toEqual(whole);
      }),
      { numRuns: 200 },
    );
  });

  it('settings that replace each other keep their order with what moves days between them', () => {
    const spot = fc.constantFrom({ week: 1, weekday: 1 }, { week: 1, weekday: 4 });
    const third = (session: string) => makeTrack('third', session, []);
    const few: fc.Arbitrary<ProgrammeEdit> = fc.oneof(
      fc.record({
        kind: kind('set-day-theme'),
        place: spot,
        theme: fc.constantFrom(null, 'skill' as const, 'live' as const),
      }),
      fc.record({ kind: kind('move-day'), from: spot, to: spot }),
      fc.record({ kind: kind('set-track'), track: fc.constantFrom(third(FOUR_TEXT), third(ENGINE_TEXT)) }),
      fc.record({ kind: kind('remove-track'), id: fc.constant('third') }),
      fc.record({ kind: kind('join-track'), id: fc.constant('third'), places: fc.tuple(spot) }),
    );
    fc.assert(
      fc.property(fc.array(few, { minLength: 2, maxLength: 7 }), (edits) => {
        const whole = apply(START, edits);
        fc.pre(whole.status === 'changed');
        expect(
          apply(
            START,
            edits.reduce<readonly ProgrammeEdit[]>((all, e) => mergeEdits(all, [e]), []),
          ),
        ).toEqual(whole);
      }),
      { numRuns: runs(300) },
    );
  });

  it('a week put in and taken out, and a session moved there and back, leave it as it was', () => {
    fc.assert(
      fc.property(
        fc.array(arbitraryEdit, { maxLength: 3 }),
        fc.integer({ min: 1, max: 6 }),
        fc.constantFrom('lighter' as const, 'pause' as const),
        arbitraryPlace.filter((p) => p.week <= 6),
        (edits, at, as, to) => {
          const start = reach(edits);
          fc.pre(at <= start.weeks);
          const put = apply(start, [
            { kind: 'insert-week', at, as },
            { kind: 'remove-week', week: at },
          ]);
          expect(put).toEqual({ status: 'changed', programme: start });
          const from = { week: START.days[0]!.week, weekday: START.days[0]!.weekday };
          expect(
            apply(START, [
              { kind: 'move-day', from, to },
              { kind: 'move-day', from: to, to: from },
            ]),
          ).toEqual({ status: 'changed', programme: START });
        },
      ),
    );
  });
});
