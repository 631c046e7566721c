import { describe, expect, test } from 'vitest';
import { stepHeaderNumber } from '../../core/forms/clock-shape.ts';
import { SHAPES } from '../../core/forms/forms.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { nearestMovements } from '../../core/movement/nearest-movements.ts';
import { UNREAD } from '../../core/movement/name/unread-fixture.ts';
import { printHeader } from '../../core/notation/print.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { dragRule, offsetAt, withLighterWeek, withScheduleKind } from '../../core/progress/levers/drag-rule.ts';
import { insertWeek, removeWeek } from '../../core/progress/edit/edit-weeks.ts';
import { needRules, printRule, readRule } from '../../core/progress/levers/lever-text.ts';
import type { ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { makeProgramme } from '../../core/progress/programme-fixture.ts';
import type { ScheduleKind, ScheduleScope } from '../../core/progress/track/schedule.ts';
import { pullsAt } from '../../core/progress/track/schedule.ts';
import { starterMain } from '../../core/session/starters.ts';
import { stepDose } from '../../core/session/step-dose.ts';
import type { Score } from '../../core/record/scores/score.ts';
import { formatScore, isBetter, scoreAmount, scoreValues } from '../../core/record/scores/score.ts';

const RULES = [
  'rounds: +1 a week, lighter -1',
  'rounds: +1 a week, lighter 0, not lighter in week 4',
  'rounds: at week 3 +1, at week 6 +2',
  'reps: by week 0 1 2',
  'reps: by week 0 1 2 -1 3 4 5 6 7, lighter -2',
  'reps: wave +1, carry +2, lighter -3',
  'reps: double to 12, load +2.5',
  'rest: -5 a week up to 30 min',
];
const KINDS: readonly ScheduleKind[] = ['each-week', 'at-weeks', 'list', 'wave', 'double', 'until-length'];
const SCOPE: ScheduleScope = { lighter: [4, 8], baseReps: 8, mostSteps: 4 };
const rulesOf = (lines: readonly string[]) =>
  lines.flatMap((l) => {
    const read = readRule(l);
    return read.status === 'done' ? [read.value] : [];
  });

/** What steps, drags and edits of weeks come to: kept as text beside this test (see worked-sessions.test.ts). */
describe('worked steps', () => {
  test('rules, pulled and dragged', async () => {
    const rows = rulesOf(RULES).flatMap((rule) => [
      `${printRule(rule)} => ${[1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map((w) => `${offsetAt(rule, w, SCOPE)}${pullsAt(rule, w, SCOPE).length > 1 ? '*' : ''}`).join(' ')}`,
      ...[1, 3, 4, 8].flatMap((week) =>
        [-1, 0, 5].map((by) => `  week ${week} to ${by}: ${printRule(dragRule(rule, week, by, SCOPE))}`),
      ),
      ...KINDS.map(
        (kind) =>
          `  as ${kind}: ${printRule(withScheduleKind(rule, kind, 9, { ...SCOPE, lengthSec: 1500, targetSec: 1800 }))}`,
      ),
      ...[4, 8].flatMap((week) =>
        [true, false].map((on) => `  lighter in ${week} ${on}: ${printRule(withLighterWeek(rule, week, on))}`),
      ),
      `  back: ${printRule(withLighterWeek(withLighterWeek(withLighterWeek(rule, 8, false), 4, false), 12, false))}`,
    ]);
    await expect(`${rows.join('\n')}\n`).toMatchFileSnapshot('./steps/rules.txt');
  });

  test('weeks put in and removed, with what changes', async () => {
    const programme = makeProgramme({ weeks: 5, lighter: [2, 4] });
    const own: ProgrammeDocument = {
      ...programme,
      tracks: programme.tracks.map((t, i) => ({
        ...t,
        levers: needRules(RULES.filter((_, k) => k % 2 === i && !RULES[k]!.startsWith('rest'))),
      })),
    };
    const told = (p: ProgrammeDocument) =>
      `weeks ${p.weeks} lighter ${p.lighter.join(' ')} days ${p.days.map((d) => `${d.week}/${d.weekday}:${d.track?.week ?? '-'}`).join(' ')}\n  ${p.tracks.map((t) => t.levers.map(printRule).join(' | ')).join('\n  ')}`;
    const rows = [1, 2, 3, 4, 5, 6].flatMap((at) => [
      `lighter before ${at}: ${told(insertWeek(own, at, 'lighter', (t) => t))}`,
      `pause before ${at}: ${told(insertWeek(own, at, 'pause', (t) => t))}`,
      ...(at > 5 ? [] : [`without ${at}: ${told(removeWeek(own, at))}`]),
    ]);
    await expect(`${rows.join('\n')}\n`).toMatchFileSnapshot('./steps/weeks.txt');
  });

  test('doses and numbers of headers, up and down', async () => {
    const DOSES = [
      '1',
      '7',
      '10/side',
      '3 to 5',
      '5-4-3',
      '3+1',
      '0:01',
      '0:07',
      '9:55',
      '10:00',
      '0:30/side',
      '10 m',
      '90 m',
      '100 m',
      '350 m',
      '400 m',
      '1000 m',
      '5 cal',
      '12 cal',
      'max',
    ];
    const rows = DOSES.flatMap((d) => {
      const item = parseSession(`Main: 3 rounds\n${d} squat\n`, baseLibrary).document.blocks[0]?.items[0];
      return item?.kind === 'work' && item.dose
        ? [`${d} => ${JSON.stringify([stepDose(item.dose, 1), stepDose(item.dose, -1)])}`]
        : [];
    });
    const numbers = [1, 5, 60, 115, 120, 121, 135, 595, 600, 601, 660].map(
      (value) =>
        `${value} => ${(['count', 'sec'] as const).flatMap((unit) => ([1, -1] as const).map((by) => stepHeaderNumber({ value, unit }, by))).join(' ')}`,
    );
    await expect(`${[...rows, ...numbers].join('\n')}\n`).toMatchFileSnapshot('./steps/doses.txt');
  });

  test('forms: what they are called, drawn as and begun with', async () => {
    const rows = SHAPES.map(
      (s) =>
        `${s.id} ${s.name}: ${s.means} | ${printHeader(starterMain(s, baseLibrary))} | ${JSON.stringify(s.picture)}`,
    );
    await expect(`${rows.join('\n')}\n`).toMatchFileSnapshot('./steps/forms.txt');
  });

  test('scores against each other', async () => {
    const scores: readonly Score[] = [
      { block: 0, kind: 'rounds+reps', rounds: 7, reps: 4 },
      { block: 0, kind: 'rounds+reps', rounds: 7, reps: 5 },
      { block: 0, kind: 'rounds+reps', rounds: 8, reps: 0 },
      { block: 0, kind: 'reps', reps: 41 },
      { block: 0, kind: 'reps', reps: 42 },
      { block: 0, kind: 'time', sec: 312 },
      { block: 0, kind: 'time', sec: 311 },
      { block: 0, kind: 'reps-per-window', reps: [12, 11, 10] },
      { block: 0, kind: 'reps-per-window', reps: [12, 12, 10] },
      { block: 0, kind: 'whole-slots', slots: 9 },
      { block: 0, kind: 'whole-slots', slots: 10 },
    ];
    const rows = scores.map(
      (a) =>
        `${formatScore(a)} ${scoreAmount(a)} ${JSON.stringify(scoreValues(a))} beats ${
          scores
            .filter((b) => isBetter(a, b))
            .map(formatScore)
            .join(', ') || 'none'
        }`,
    );
    await expect(`${rows.join('\n')}\n`).toMatchFileSnapshot('./steps/scores.txt');
  });

  test('the nearest of names that can’t be read', async () => {
    const names = [
      ...UNREAD.map((u) => (typeof u === 'string' ? u : String(u))),
      'squatt',
      'pushup',
      'lunge walk',
      'revers lunge',
      'planck',
      'brupee',
      'glut bridge',
      'montain climber',
      'jumping jaks',
      'kettle swing',
    ];
    const rows = names.map((n) => `${n} => ${nearestMovements(n, baseLibrary).join(', ')}`);
    await expect(`${rows.join('\n')}\n`).toMatchFileSnapshot('./steps/nearest.txt');
  });
});
