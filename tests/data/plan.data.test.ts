import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { applyProgrammeEdits } from '../../core/progress/edit/apply-programme-edit.ts';
import { arbitraryEdit } from '../../core/progress/edit/arbitrary-edit.ts';
import { book, makeProgramme } from '../../core/progress/programme-fixture.ts';
import { findExample } from '../../core/progress/examples/examples.ts';
import type { ProgrammeEdit } from '../../core/progress/edit/programme-edit.ts';
import { emptyProgramme, findProgrammeDay } from '../../core/progress/programme-document.ts';
import { toProgrammeJson } from '../../core/exchange/writing/write-programme.ts';
import { NotFoundError, StaleError } from '../../db/errors.ts';
import { getPlan, insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, insertVersion, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { deleteTemplate, getTemplateDocument, listTemplates, upsertTemplate } from '../../db/queries/template.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { changePlan, undoPlan } from '../../server/plan/plan-changes.ts';
import { programmeToStartFrom } from '../../server/shell/start-programme.ts';
import type { Db } from '../../db/pool.ts';
import { EMPTY_BOOK } from '../../server/write/workspace-book.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

const NOW = new Date('2026-05-13T09:00:00Z');
const MONDAY = '2026-05-11' as DayDate;
const FORM = { startsOn: MONDAY, weeks: 2, weekdays: [1], lighterEvery: 0, document: '' };

let db: ThrowawayDatabase;
let mine: { workspaceId: number; coachId: number };
let other: { workspaceId: number; coachId: number };
beforeAll(async () => {
  db = await makeThrowawayDatabase();
  mine = await makeWorkspace(db.owner, 'planner');
  other = await makeWorkspace(db.owner, 'neighbour');
}, 120_000);
afterAll(async () => {
  await db.drop();
});

const inMine = <T>(work: Parameters<typeof withWorkspace<T>>[2]) => withWorkspace(db.pool, mine.workspaceId, work);
const make = () =>
  inMine((c) =>
    insertProgramme(c, {
      workspaceId: mine.workspaceId,
      programme: findExample('eight-weeks')!,
      startsOn: MONDAY,
      now: NOW,
    }),
  );
const seen = (c: Db, programmeId: number) => getProgramme(c, programmeId, { now: NOW });
const plan = (programmeId: number) => inMine(async (c) => getPlan(c, await seen(c, programmeId)));
const scope = async (programmeId: number) => ({
  workspaceId: mine.workspaceId,
  coachId: mine.coachId,
  programmeId,
  runId: (await inMine((c) => seen(c, programmeId))).runId,
  now: NOW,
});
async function change(programmeId: number, ...edits: ProgrammeEdit[]) {
  const { revision } = await plan(programmeId);
  const at = await scope(programmeId);
  return inMine((c) => changePlan(c, EMPTY_BOOK, at, { revision, words: 'a change', edits }));
}
const undo = (programmeId: number, which: 'undo' | 'redo' = 'undo') =>
  scope(programmeId).then((at) => inMine((c) => undoPlan(c, at, which)));
async function writeDay(programmeId: number, week: number, weekday: number, text: string) {
  await inMine(async (c) => {
    const day = (await listDays(c, await seen(c, programmeId))).find((d) => d.week === week && d.weekday === weekday)!;
    await updateDayText(c, { dayId: day.id, revision: day.revision, text, now: NOW });
  });
}
async function send(programmeId: number, week: number, weekday: number) {
  await inMine(async (c) => {
    const { runId } = await seen(c, programmeId);
    const day = (await listDays(c, await seen(c, programmeId))).find((d) => d.week === week && d.weekday === weekday)!;
    await insertVersion(c, {
      workspaceId: mine.workspaceId,
      runId,
      dayId: day.id,
      number: 1,
      text: day.text,
      document: { blocks: [] },
      changeNote: '',
      coachId: mine.coachId,
      now: NOW,
    });
  });
}
const at = (week: number, weekday: number) => ({ week, weekday });

describe('a stored plan', () => {
  test('is the document that was put in', async () => {
    expect((await plan(await make())).programme).toEqual(findExample('eight-weeks'));
  });

  test('a text changed in the writer is a pin; put back, it is none', async () => {
    const id = await make();
    const was = findProgrammeDay((await plan(id)).programme, at(2, 1))!;
    await writeDay(id, 2, 1, `${was.text}# mine\n`);
    expect(findProgrammeDay((await plan(id)).programme, at(2, 1))!.track!.isPinned).toBe(true);
    await writeDay(id, 2, 1, was.text);
    expect(findProgrammeDay((await plan(id)).programme, at(2, 1))).toEqual(was);
  });

  test('changes by edits, and goes back and forth', async () => {
    const id = await make();
    const before = (await plan(id)).programme;
    expect(
      await change(
        id,
        { kind: 'insert-week', at: 3, as: 'lighter' },
        { kind: 'move-day', from: at(1, 1), to: at(1, 2) },
      ),
    ).toMatchObject({ status: 'changed' });
    const after = (await plan(id)).programme;
    expect(after.weeks).toBe(9);
    expect(await undo(id)).toMatchObject({ status: 'changed', words: 'Taken back: a change.' });
    expect((await plan(id)).programme).toEqual(before);
    expect(await undo(id, 'redo')).toMatchObject({ status: 'changed' });
    expect((await plan(id)).programme).toEqual(after);
    await undo(id);
    await change(id, { kind: 'set-title', title: 'Another' });
    expect(await undo(id, 'redo')).toMatchObject({ status: 'refused', message: 'There is nothing to redo.' });
  });

  test('undo leaves what was changed by hand since, and says so', async () => {
    const id = await make();
    await change(
      id,
      { kind: 'set-title', title: 'Another' },
      { kind: 'copy-week', from: 1, to: 2 },
      { kind: 'remove-day', place: at(7, 6) },
    );
    await change(
      id,
      { kind: 'set-text', place: at(6, 2), text: 'Main: flow\n5 squat\n' },
      { kind: 'remove-day', place: at(7, 1) },
    );
    await writeDay(id, 6, 2, 'Main: flow\n9 squat\n');
    expect(await undo(id)).toMatchObject({
      status: 'changed',
      words: expect.stringContaining('1 day was changed or sent since, and stays as it is.'),
    });
    const { programme } = await plan(id);
    expect(findProgrammeDay(programme, at(6, 2))!.text).toBe('Main: flow\n9 squat\n');
    expect(findProgrammeDay(programme, at(7, 1))).toBeDefined();
  });

  test('refuses what moves a sent session, whole, and leaves it to levers as it was', async () => {
    const id = await make();
    await send(id, 1, 1);
    const before = await plan(id);
    expect(before.sent).toEqual(['w1d1']);
    expect(
      await change(id, { kind: 'set-title', title: 'x' }, { kind: 'shift', from: at(1, 1), days: 1 }),
    ).toMatchObject({ status: 'refused', message: expect.stringContaining('has been sent') });
    expect(await plan(id)).toEqual(before);
    const track = before.programme.tracks.find((t) => t.id === 'four-in-turn')!;
    await change(id, { kind: 'set-track', track: { ...track, text: track.text.replace('8 suitcase', '9 suitcase') } });
    const after = (await plan(id)).programme;
    expect(findProgrammeDay(after, at(1, 1))!.text).toContain('8 suitcase');
    expect(findProgrammeDay(after, at(5, 1))!.text).toContain('9 suitcase');
    await send(id, 5, 1);
    await undo(id);
    expect(findProgrammeDay((await plan(id)).programme, at(5, 1))!.text).toContain('9 suitcase');
  });

  test('a change against an older plan is refused; two at once: one of them', async () => {
    const id = await make();
    const { revision } = await plan(id);
    const own = await scope(id);
    const attempt = (title: string) =>
      inMine((c) => changePlan(c, EMPTY_BOOK, own, { revision, words: 'x', edits: [{ kind: 'set-title', title }] }));
    const results = await Promise.allSettled([attempt('One'), attempt('Two')]);
    expect(results.filter((r) => r.status === 'fulfilled')).toHaveLength(1);
    expect(results.find((r) => r.status === 'rejected')).toMatchObject({ reason: expect.any(StaleError) as Error });
  });

  test('a session that moves unchanged stays marked ready; one that changes doesn’t', async () => {
    const id = await make();
    await inMine(async (c) => {
      for (const d of (await listDays(c, await seen(c, id))).filter((x) => x.week === 2))
        await updateDayReady(c, { dayId: d.id, revision: d.revision, isReady: true });
    });
    await change(id, { kind: 'move-day', from: at(2, 1), to: at(2, 2) });
    expect((await plan(id)).ready).toEqual(['w2d2', 'w2d3', 'w2d5', 'w2d6']);
    const track = (await plan(id)).programme.tracks.find((t) => t.id === 'four-in-turn')!;
    await change(id, { kind: 'set-track', track: { ...track, levers: [] } });
    expect((await plan(id)).ready).toEqual(['w2d3', 'w2d5', 'w2d6']);
  });

  test('a session keeps its identity wherever it goes; what comes in its place has another', async () => {
    const id = await make();
    const own = async () => (await plan(id)).sessions;
    const before = await own();
    await change(id, { kind: 'move-day', from: at(2, 1), to: at(2, 2) });
    const moved = await own();
    expect(moved.get('w2d2')).toBe(before.get('w2d1'));
    expect([...moved.keys()].sort()).not.toContain('w2d1');
    // Two change places.
    await change(id, { kind: 'move-day', from: at(2, 2), to: at(2, 3) });
    const swapped = await own();
    expect([swapped.get('w2d3'), swapped.get('w2d2')]).toEqual([before.get('w2d1'), before.get('w2d3')]);
    await undo(id);
    await undo(id);
    expect(await own()).toEqual(before);
    // Another text at the same place is the same session, changed; a copy is one of its own.
    await change(id, { kind: 'set-text', place: at(2, 1), text: 'Main: 3 rounds\n10 squat' });
    expect((await own()).get('w2d1')).toBe(before.get('w2d1'));
    await change(id, { kind: 'copy-week', from: 2, to: 3 });
    const copied = await own();
    expect(new Set(copied.values()).size).toBe(copied.size);
    for (const weekday of [1, 3, 5, 6]) expect(copied.get(`w2d${weekday}`)).toBe(before.get(`w2d${weekday}`));
  });

  test('a session that only reads like a ready one elsewhere is not ready by that', async () => {
    const id = await make();
    await inMine(async (c) => {
      const day = (await listDays(c, await seen(c, id))).find((d) => d.week === 2 && d.weekday === 6)!;
      await updateDayReady(c, { dayId: day.id, revision: day.revision, isReady: true });
    });
    const { programme } = await plan(id);
    expect(findProgrammeDay(programme, at(6, 6))!.text).toBe(findProgrammeDay(programme, at(2, 6))!.text);
    await change(id, { kind: 'insert-week', at: 6, as: 'pause' });
    expect((await plan(id)).ready).toEqual(['w2d6']);
  });

  test('another workspace sees and changes nothing of it', async () => {
    const id = await make();
    const own = await scope(id);
    await expect(withWorkspace(db.pool, other.workspaceId, (c) => getPlan(c, { id, runId: 1 }))).rejects.toThrow(
      NotFoundError,
    );
    await expect(
      withWorkspace(db.pool, other.workspaceId, (c) =>
        changePlan(
          c,
          EMPTY_BOOK,
          { ...own, workspaceId: other.workspaceId, coachId: other.coachId },
          { revision: 1, words: 'x', edits: [{ kind: 'set-title', title: 'theirs' }] },
        ),
      ),
    ).rejects.toThrow(NotFoundError);
  });

  test('is what the page showed, whatever the edits; each step goes back and forth', async () => {
    const start = makeProgramme({ weeks: 6 });
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(arbitraryEdit, { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 4 }),
        async (steps) => {
          const id = await inMine((c) =>
            insertProgramme(c, { workspaceId: mine.workspaceId, programme: start, startsOn: MONDAY, now: NOW }),
          );
          const states = [start];
          for (const edits of steps) {
            const shown = applyProgrammeEdits(states.at(-1)!, edits, { book, locked: new Set() });
            const answer = await change(id, ...edits);
            expect(answer.status).toBe(shown.status);
            if (shown.status === 'refused') expect(answer).toMatchObject({ message: shown.message });
            else states.push(shown.programme);
            expect((await plan(id)).programme).toEqual(states.at(-1));
          }
          for (const state of states.toReversed().slice(1)) {
            expect((await undo(id)).status).toBe('changed');
            expect((await plan(id)).programme).toEqual(state);
          }
          expect((await undo(id)).status).toBe('refused');
          for (const state of states.slice(1)) {
            await undo(id, 'redo');
            expect((await plan(id)).programme).toEqual(state);
          }
        },
      ),
      { numRuns: 25 },
    );
  }, 120_000);

  test('keeps the last fifty changes', async () => {
    const id = await make();
    for (let i = 0; i < 55; i++) await change(id, { kind: 'set-title', title: `Title ${i}` });
    const { rows } = await db.owner.query<{ count: string }>(
      'select count(*) from programme_change where programme_id = $1',
      [id],
    );
    expect(Number(rows[0]!.count)).toBe(50);
  });
});

describe('templates, and what a programme starts from', () => {
  test('one is saved, listed, replaced by its title in any case, started from, and deleted', async () => {
    const programme = findExample('stairs-and-stories')!;
    await inMine((c) =>
      upsertTemplate(c, {
        workspaceId: mine.workspaceId,
        title: 'Stairs',
        document: toProgrammeJson(programme),
        now: NOW,
      }),
    );
    await inMine((c) =>
      upsertTemplate(c, {
        workspaceId: mine.workspaceId,
        title: 'STAIRS',
        document: toProgrammeJson(programme),
        now: NOW,
      }),
    );
    const [template, ...others] = await inMine(listTemplates);
    expect([template, others]).toEqual([{ id: template!.id, title: 'STAIRS', changedAtMs: NOW.getTime() }, []]);
    expect(await inMine((c) => programmeToStartFrom(c, `template:${template!.id}`, FORM))).toEqual({ programme });
    await expect(
      withWorkspace(db.pool, other.workspaceId, (c) => getTemplateDocument(c, template!.id)),
    ).rejects.toThrow(NotFoundError);
    expect(await inMine((c) => deleteTemplate(c, template!.id))).toBe(true);
    expect(await inMine((c) => deleteTemplate(c, template!.id))).toBe(false);
  });

  test('empty days, a file, and what there is none of', async () => {
    expect(await inMine((c) => programmeToStartFrom(c, 'empty', FORM))).toEqual({
      programme: emptyProgramme({ title: '', weeks: 2, weekdays: [1] }),
    });
    expect(await inMine((c) => programmeToStartFrom(c, 'file', { ...FORM, document: '{' }))).toMatchObject({
      message: expect.stringMatching(/no JSON/),
    });
    expect(await inMine((c) => programmeToStartFrom(c, 'example:nothing', FORM))).toEqual({
      message: 'Choose what to start from.',
    });
  });
});
