import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import { dayKey } from '../../../core/calendar/day.ts';
import { applyProgrammeEdits } from '../../../core/progress/edit/apply-programme-edit.ts';
import { findDifferences } from '../../../core/progress/edit/find-differences.ts';
import { planProgramme } from '../../../core/progress/plan-programme.ts';
import { book, guardsOf, makeProgramme, planner, singles } from '../../../core/progress/programme-fixture.ts';
import type { ProgrammeEdit } from '../../../core/progress/edit/programme-edit.ts';
import type { ProgrammeDocument } from '../../../core/progress/programme-document.ts';
import type { SpineDay } from '../../shell/spine.tsx';
import { planRows, PlanRow } from './plan-row.tsx';

const NOTHING = {
  stored: new Map<string, SpineDay>(),
  locked: new Set<string>(),
  blocked: new Map<string, string>(),
  changes: new Map(),
  guards: [],
  isNow: false,
  isDrawn: true,
};

function draw(
  programme: ProgrammeDocument,
  week: number,
  over: Partial<React.ComponentProps<typeof PlanRow>> = {},
): string {
  return renderToStaticMarkup(
    <PlanRow
      {...NOTHING}
      row={planRows(planProgramme(programme, planner))[week - 1]!}
      firstWeekday={1}
      themes={programme.themes}
      {...over}
    />,
  );
}
/** What each cell is called, by its key. */
const names = (html: string): Record<string, string> =>
  Object.fromEntries(
    [...html.matchAll(/data-cell="(w\d+d\d)"[^>]*><span class="sr">([^<]*)</g)].map((m) => [m[1]!, m[2]!]),
  );
const textOf = (html: string, className: string) =>
  new RegExp(`class="${className}[^"]*"[^>]*>(.*?)</`).exec(html)?.[1] ?? '';
const SQUATS = (min: number) => `Title: Squats\nEffort: 5\n\nMain: work 1:00 x ${min}\nsquat\n`;

describe('a week on the plan', () => {
  test('names every day: what it is, how long, and what is special about it', () => {
    const programme = makeProgramme({ themes: { 1: 'strength' } });
    const result = applyProgrammeEdits(programme, [{ kind: 'pin', place: { week: 2, weekday: 4 }, isPinned: true }], {
      book,
      locked: new Set(),
    });
    if (result.status === 'refused') throw new Error(result.message);
    const own = names(draw(result.programme, 2, { blocked: new Map([['w2d4', 'Concert']]) }));
    expect(Object.keys(own)).toEqual([1, 2, 3, 4, 5, 6, 7].map((weekday) => dayKey({ week: 2, weekday })));
    expect(own.w2d1).toMatch(/^Monday, week 2, Four in turn, 24 min, .*strength$/);
    expect(own.w2d4).toMatch(/^Thursday, week 2, Long engine, \d+ min, .*kept as it is, blocked: Concert$/);
    expect(own.w2d2).toMatch(/^Tuesday, week 2, no session/);
    expect(names(draw(singles([[1, 3, '']], 1), 1)).w1d3).toBe('Wednesday, week 1, to write');
  });

  test('tells what a proposal does to a day', () => {
    const before = makeProgramme({ lighter: [] });
    const edits: ProgrammeEdit[] = [
      { kind: 'move-day', from: { week: 1, weekday: 6 }, to: { week: 1, weekday: 7 } },
      { kind: 'set-text', place: { week: 1, weekday: 2 }, text: SQUATS(12) },
    ];
    const after = applyProgrammeEdits(before, edits, { book, locked: new Set() });
    if (after.status === 'refused') throw new Error(after.message);
    const changes = new Map(findDifferences(before, after.programme, planner).days.map((d) => [dayKey(d.place), d]));
    const html = draw(after.programme, 1, { changes });
    expect(names(html).w1d2).toMatch(/proposed: new 12:00$/);
    expect(names(html).w1d7).toMatch(/proposed: came from Sat, week 1$/);
    expect(names(html).w1d6).toMatch(/proposed: went to Sun, week 1$/);
    expect(html.match(/is-changed/g)).toHaveLength(3);
  });

  test('has its load against the last week that isn’t lighter, its minutes, and what is still to write', () => {
    const programme = {
      ...singles(
        [
          [1, 1, SQUATS(20)],
          [2, 1, SQUATS(10)],
          [3, 1, SQUATS(22)],
          [4, 1, SQUATS(22)],
          [4, 3, ''],
        ],
        4,
      ),
      lighter: [2],
    };
    const rows = [1, 2, 3, 4].map((week) => draw(programme, week));
    expect(
      rows.map((html) =>
        /<b>(\d+)<\/b><span class="soft small"[^>]*>([^<]*)</.exec(html.slice(html.indexOf('plan-sum')))?.slice(1),
      ),
    ).toEqual([
      ['100', ''],
      ['50', '−50 %'],
      ['110', '+10 %'],
      ['110', ''],
    ]);
    expect(rows.map((html) => textOf(html, 'plan-minutes'))).toEqual([
      '20 min',
      '10 min',
      '22 min',
      '22 min · 1 to write',
    ]);
    expect(rows[1]).toContain('Week 2, lighter');
    expect(rows[2]).toContain('title="against week 1"');
  });

  test('of nothing has no figures; one that is all to write says how much', () => {
    const empty = draw(singles([], 2), 2);
    expect(textOf(empty, 'plan-minutes')).toBe('');
    expect(empty).toContain('work: none');
    const unwritten = draw(
      singles(
        [
          [1, 1, ''],
          [1, 2, ''],
        ],
        1,
      ),
      1,
    );
    expect(textOf(unwritten, 'plan-minutes')).toBe('2 to write');
    expect(unwritten.slice(unwritten.indexOf('plan-sum'))).not.toContain('<b>0</b>');
  });

  test('marks what is worth a look with its words, five marks at most', () => {
    const programme = singles(
      [1, 2, 3, 4, 5, 6, 7].map((d) => [1, d, SQUATS(d === 7 ? 20 : 30).replace('Effort: 5', 'Effort: 8')] as const),
      1,
    );
    const guards = guardsOf(programme);
    expect(guards.length).toBeGreaterThan(5);
    const html = draw(programme, 1, { guards });
    expect(html).toContain(`${guards.length} worth a look`);
    expect(html.slice(html.indexOf('worth a look')).split('</span></div>')[0]!.match(/<i>/g)).toHaveLength(5);
  });

  test('keeps the place of a ribbon that is far out of sight, and one cell alone in the order of the Tab key', () => {
    const far = draw(makeProgramme(), 1, { isDrawn: false });
    expect(far).toContain('plan-undrawn');
    expect(far).not.toContain('ribbon-work');
    const focused = draw(makeProgramme(), 1, { focusWeekday: 4, selectedWeekday: 4 });
    expect(focused.match(/tabindex="0"/g)).toHaveLength(1);
    expect(/data-cell="w1d4" aria-selected="true"/.test(focused)).toBe(true);
  });

  test('draws all ribbons of a programme on one scale', () => {
    const rows = planRows(
      planProgramme(
        singles(
          [
            [1, 1, SQUATS(10)],
            [2, 1, SQUATS(40)],
          ],
          2,
        ),
        planner,
      ),
    );
    expect(rows.map((r) => r.longestSec)).toEqual([2400, 2400]);
    const width = (week: number) =>
      /class="plan-ribbon" style="width:([\d.]+)%"/.exec(
        draw(
          singles(
            [
              [1, 1, SQUATS(10)],
              [2, 1, SQUATS(40)],
            ],
            2,
          ),
          week,
        ),
      )![1];
    expect([width(1), width(2)]).toEqual(['25', '100']);
    expect(planRows([])).toEqual([]);
  });
});
