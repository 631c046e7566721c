import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { makeShelf, SHELF_FILE } from '../../bin/tools/library.ts';
import { analyseText } from '../session/analyse.ts';
import { countShapes, SEEN_AS } from '../fit/count-shapes.ts';
import { countUsage } from '../session/count-usage.ts';
import { findMovements } from './find-movements.ts';
import { ANYONE } from './fit-movement.ts';
import { joinKit, kitKey, kitPieces, readPiece, sayPiece, servesAs } from './kit.ts';
import { checkMovement, findLadderCycle, layerLibrary, withFields } from './layer.ts';
import { baseLibrary, buildLibrary } from './library.ts';
import { JOINTS, PATTERNS } from './movement.ts';
import { nearestMovements } from './nearest-movements.ts';
import { readBreathingSheet, readCautionSheet, readMovementSheet } from './review.ts';

const schema = JSON.parse(readFileSync(new URL('../../docs/movement.schema.json', import.meta.url), 'utf8')) as object;
const validate = new Ajv2020({ strict: true, unicodeRegExp: true }).compile(schema);

describe('the movements that ship', () => {
  test('are at least 180, each valid by the published schema', () => {
    expect(baseLibrary.movements.length).toBeGreaterThanOrEqual(180);
    for (const movement of baseLibrary.movements) {
      validate(movement);
      expect({ id: movement.id, errors: validate.errors ?? [] }).toEqual({ id: movement.id, errors: [] });
    }
  });
  test('hold to the rules that a coach’s own are held to', () => {
    for (const movement of baseLibrary.movements)
      expect({ id: movement.id, issues: checkMovement(movement, baseLibrary.movements) }).toEqual({
        id: movement.id,
        issues: [],
      });
  });
  test('have ladders without a circle, on which no step is easier by effort class by more than one than the step below', () => {
    expect(findLadderCycle(baseLibrary.ladders)).toBeUndefined();
    for (const ladder of baseLibrary.ladders) {
      const classes = ladder.steps.map((s) => baseLibrary.find(s.movementId)!.effortClass);
      for (let i = 1; i < classes.length; i++)
        expect({
          ladder: ladder.id,
          step: ladder.steps[i]!.movementId,
          fell: classes[i - 1]! - classes[i]! > 1,
        }).toEqual({ ladder: ladder.id, step: ladder.steps[i]!.movementId, fell: false });
    }
  });
  test('have something seated, quiet and without kit in every pattern, that asks for little everywhere', () => {
    for (const pattern of PATTERNS) {
      const open = baseLibrary.movements.filter(
        (m) =>
          m.pattern === pattern &&
          m.position === 'seated' &&
          !m.isOnFloor &&
          m.kit.length === 0 &&
          m.noise < 2 &&
          !m.isOverhead &&
          JOINTS.every((j) => m.demand[j] < 2),
      );
      expect({ pattern, count: open.length > 0 }).toEqual({ pattern, count: true });
    }
  });
  test('have the paces seen in trained followers (docs/formulas.md 1, common practice, no source)', () => {
    const likely = (id: string) => baseLibrary.find(id)!.paceSec.likely;
    expect([
      likely('step-back-squat-thrust'),
      likely('side-plank-dip'),
      likely('sit-up'),
      likely('walk-out-push-up'),
    ]).toEqual([3.75, 1.5, 3.3, 3.75]);
    expect([Math.round(60 / likely('mountain-climber') / 2), Math.round(60 / likely('plank-jack') / 2)]).toEqual([
      42, 42,
    ]);
    expect(60 / likely('burpee')).toBeGreaterThanOrEqual(10);
  });
});

describe('the review form', () => {
  const sheet = readFileSync(new URL('./library/lower-body.csv', import.meta.url), 'utf8');
  const [heading, first] = sheet.split('\n') as [string, string];
  const columns = heading.split(',');
  const withCell = (column: string, value: string) => {
    const cells = (Papa.parse<string[]>(first).data[0] ?? []).slice();
    cells[columns.indexOf(column)] = value;
    return `${heading}\n${first}\n${Papa.unparse([cells])}\n`;
  };
  test('is what is shipped', () => {
    expect(makeShelf()).toBe(readFileSync(SHELF_FILE, 'utf8'));
  });
  test('has a column a joint', () => {
    expect(JOINTS.every((j) => columns.includes(j))).toBe(true);
  });
  test.each([
    ['pattern', 'hop'],
    ['position', 'flying'],
    ['floor', 'perhaps'],
    ['counted', 'twice'],
    ['sides', 'left'],
    ['overhead', '1'],
    ['effort', '7'],
    ['quick s', '0'],
    ['quick s', 'fast'],
    ['likely s', '1'],
    ['careful s', '2'],
    ['knee', '4'],
    ['ankle', ''],
    ['impact', '-1'],
    ['noise', '1.5'],
    ['doing', ''],
    ['name', 'a|b'],
    ['pace source', 'guessed'],
  ])('%s can’t be “%s”: the message names the row and the column', (column, value) => {
    const read = readMovementSheet('lower-body.csv', withCell(column, value));
    expect(read).toMatchObject({ status: 'refused' });
    expect('message' in read && read.message).toMatch(new RegExp(`^lower-body\\.csv, row 3, column “${column}”`));
  });
  test('misses no column and has none of its own; the other sheets hold to theirs', () => {
    const message = (read: object) => ('message' in read ? read.message : '');
    expect(message(readMovementSheet('x.csv', 'name\nsquat'))).toBe('x.csv: the column “other names” is missing');
    expect(message(readMovementSheet('x.csv', `${heading},colour\n`))).toBe(
      'x.csv: “colour” is no column of this sheet',
    );
    expect(message(readMovementSheet('x.csv', `${heading}\nsquat,air squat\n`))).toMatch(/^x\.csv, row 2: /);
    const cautions = 'place,from grade,what they hear\n';
    expect(readCautionSheet('c.csv', `${cautions}knee,1,Slowly.`)).toEqual({
      status: 'done',
      value: [['knee', 1, 'Slowly.']],
    });
    expect(message(readCautionSheet('c.csv', `${cautions}toe,1,Slowly.`))).toMatch(/^c\.csv, row 2, column “place”/);
    expect(message(readBreathingSheet('b.csv', 'pattern,breathing\nsquat,in\nsquat,out'))).toBe(
      'b.csv: “squat” has to stand there once',
    );
    expect(
      message(
        readBreathingSheet(
          'b.csv',
          PATTERNS.slice(1).reduce((t, p) => `${t}${p},in\n`, 'pattern,breathing\n'),
        ),
      ),
    ).toBe('b.csv: “squat” has to stand there once');
  });
});

describe('a library', () => {
  test('has each name once, and no ladder to nowhere', () => {
    expect(() => buildLibrary([...baseLibrary.movements, { ...baseLibrary.find('squat')!, id: 'squat-2' }])).toThrow(
      /names two movements/,
    );
    expect(() =>
      buildLibrary(baseLibrary.movements, [{ id: 'l', name: 'L', steps: [{ movementId: 'nothing', change: '' }] }]),
    ).toThrow(/no movement/);
  });
});

describe('a workspace’s own layer', () => {
  const own = {
    movementId: 'harbour-step',
    fields: { name: 'harbour step', pattern: 'locomotion' as const, effortClass: 2 as const },
  };
  test('adds and changes, and leaves the base as it is', () => {
    const { library } = layerLibrary(baseLibrary, {
      overrides: [own, { movementId: 'squat', fields: { paceSec: { low: 2, likely: 3, high: 4 } } }],
      scales: [],
      ladders: [
        {
          id: 'harbour',
          name: 'Harbour',
          steps: [
            { movementId: 'march', change: '' },
            { movementId: 'harbour-step', change: 'with a turn' },
          ],
        },
      ],
    });
    expect(library.find('squat')!.paceSec.likely).toBe(3);
    expect(baseLibrary.find('squat')!.paceSec.likely).toBe(2.2);
    expect(library.findByName('Harbour steps')!.id).toBe('harbour-step');
    expect(library.ladders.at(-1)!.name).toBe('Harbour');
    expect(analyseText('Main: 3 rounds\n10 squat', library).plan.clockSec.likely).toBe(90);
    expect(layerLibrary(baseLibrary, { overrides: [], ladders: [], scales: [] }).library).toBe(baseLibrary);
  });
  test('what breaks a rule is left out, and said by field', () => {
    const bad = [
      { movementId: 'push-up', fields: { name: 'squat' } },
      { movementId: 'plank', fields: { paceSec: { low: 3, likely: 2, high: 1 } } },
    ];
    expect(
      layerLibrary(baseLibrary, {
        overrides: bad,
        scales: [],
        ladders: [
          {
            id: 'x',
            name: 'X',
            steps: [
              { movementId: 'push-up', change: '' },
              { movementId: 'wall-push-up', change: '' },
            ],
          },
        ],
      }),
    ).toMatchObject({
      library: { ladders: baseLibrary.ladders },
      passedBy: [{ what: 'the movement “push-up”' }, { what: 'the movement “plank”' }, { what: 'the ladder “X”' }],
    });
    const issues = (id: string, fields: object) =>
      checkMovement(withFields(baseLibrary.find(id), { movementId: id, fields }), baseLibrary.movements).map(
        (i) => i.field,
      );
    expect(issues('push-up', { name: 'air squat' })).toEqual(['name']);
    expect(issues('push-up', { name: '' })).toEqual(['name']);
    expect(issues('push-up', { paceSec: { low: -1, likely: 2, high: 3 } })).toEqual(['paceSec']);
    expect(issues('push-up', { otherNames: ['burpee'] })).toEqual(['otherNames']);
    const onlyBar = baseLibrary.movements.filter((m) => m.pattern !== 'carry');
    expect(
      checkMovement(
        withFields(baseLibrary.find('suitcase-carry'), { movementId: 'suitcase-carry', fields: {} }),
        onlyBar,
      ).map((i) => i.field),
    ).toEqual(['kit']);
  });
  test('two ladders that disagree make a circle', () => {
    expect(
      findLadderCycle([
        {
          id: 'a',
          name: 'a',
          steps: [
            { movementId: 'x', change: '' },
            { movementId: 'y', change: '' },
          ],
        },
        {
          id: 'b',
          name: 'b',
          steps: [
            { movementId: 'y', change: '' },
            { movementId: 'x', change: '' },
          ],
        },
      ]),
    ).toEqual(['y', 'x']);
  });
});

describe('finding', () => {
  const names = (words: string, more = {}) =>
    findMovements(baseLibrary, { words, spares: [], ...more }).map((m) => m.name);
  test('by words of the name first, by other names and descriptions after, by the nearest where nothing matches', () => {
    expect(names('wall sit')[0]).toBe('wall sit');
    expect(names('press-up')[0]).toBe('push-up');
    expect(names('towel').length).toBeGreaterThan(3);
    expect(names('burpeee')).toContain('burpee');
    expect(names('')).toHaveLength(baseLibrary.movements.length);
  });
  test('by pattern, position, kit and what is to be spared', () => {
    const push = findMovements(baseLibrary, {
      words: '',
      pattern: 'push',
      kit: 'none',
      spares: ['wrists', 'no-floor'],
    });
    expect(push.map((m) => m.name)).toEqual(['forearm wall push', 'palm press', 'wall push-up']);
    expect(
      findMovements(baseLibrary, { words: '', position: 'hanging', spares: [] }).every((m) => m.position === 'hanging'),
    ).toBe(true);
    expect(names('', { kit: 'dumbbell' })).toContain('goblet squat');
  });
  test('names near to one that nothing knows', () => {
    expect(nearestMovements('pushup', baseLibrary)[0]).toBe('push-up');
    expect(nearestMovements('qqq', baseLibrary)).toEqual([]);
  });
});

test('kit is counted, and does for other kit only where it should', () => {
  expect(
    ['2 bottles', 'bottles', 'a bottle', 'a pair of dumbbells', '2 x boxes', 'Jump ropes', 'three chairs'].map(
      readPiece,
    ),
  ).toEqual([
    { key: 'bottle', count: 2 },
    { key: 'bottle', count: undefined },
    { key: 'bottle', count: 1 },
    { key: 'dumbbell', count: 2 },
    { key: 'box', count: 2 },
    { key: 'rope', count: undefined },
    { key: 'chair', count: 3 },
  ]);
  const does = (announced: string, needed: string) => servesAs(announced, needed);
  expect([
    does('bottle', 'dumbbell'),
    does('dumbbell', 'bottle'),
    does('bottle', 'barbell'),
    does('dumbbell', 'barbell'),
  ]).toEqual([true, true, false, false]);
  expect([
    does('chair', 'step'),
    does('band', 'loop band'),
    does('loop band', 'band'),
    does('towel', 'slider'),
  ]).toEqual([false, true, false, true]);
  expect([
    does('1 dumbbell', '2 dumbbells'),
    does('2 dumbbells', '2 dumbbells'),
    does('dumbbells', '2 dumbbells'),
    does('2 bottles', 'dumbbell'),
  ]).toEqual([false, true, true, true]);
  expect(joinKit(['bottle', 'band', '2 bottles', 'bottle'])).toEqual(['2 bottles', 'band']);
  expect([sayPiece('box', 2), sayPiece('band', 1), sayPiece('bench', 3)]).toEqual(['2 boxes', 'band', '3 benches']);
});

test('kit by many names', () => {
  expect([kitKey('2 bottles'), kitKey('a chair'), kitKey('Benches')]).toEqual(['bottle', 'chair', 'bench']);
  expect([servesAs('dumbbell', 'bottle'), servesAs('sofa', 'step'), servesAs('bench', 'chair')]).toEqual([
    true,
    false,
    true,
  ]);
  expect(kitPieces(baseLibrary.movements)).not.toContain('wall');
});

test('who gets what: each line with how many do which shape', () => {
  const { document, blocks } = analyseText('Main: 3 rounds\n10 burpee\n10 squat', baseLibrary);
  const people = [
    ANYONE,
    { ...ANYONE, spares: ['quiet' as const] },
    { ...ANYONE, spares: ['quiet' as const] },
    { ...ANYONE, spares: ['seated-only' as const] },
  ];
  expect(countShapes(document, blocks, people, baseLibrary)).toEqual([
    {
      block: 0,
      item: 0,
      written: 'burpee',
      asWritten: 1,
      others: [
        { name: 'step-back squat thrust', people: 2 },
        { name: 'seated heel drum', people: 1 },
      ],
    },
    { block: 0, item: 1, written: 'squat', asWritten: 3, others: [{ name: 'seated heel press', people: 1 }] },
  ]);
  expect(countShapes(document, blocks, [], baseLibrary)).toEqual([]);
  expect(countShapes(document, blocks, [SEEN_AS.gentle], baseLibrary)).toHaveLength(2);
});

test('usage counts days, repetitions and seconds', () => {
  const { plan } = analyseText('Main: 3 rounds\n10 squat\n0:20 plank', baseLibrary);
  const usage = countUsage([
    { key: 'w1d1', plan },
    { key: 'w1d3', plan },
  ]);
  expect(usage.get('squat')).toEqual({ days: ['w1d1', 'w1d3'], reps: 60, heldSec: 0 });
  expect(usage.get('plank')).toMatchObject({ reps: 0, heldSec: 120 });
  expect(countUsage([]).size).toBe(0);
});

describe('a movement that is to be saved', () => {
  const issues = (fields: object) =>
    checkMovement(
      withFields(baseLibrary.find('push-up'), { movementId: 'push-up', fields }),
      baseLibrary.movements,
    ).map((i) => i.field);
  test.each([
    ['names that repeat', { otherNames: ['press one', 'Press  One'] }, 'otherNames'],
    ['its own name again', { otherNames: ['Push-up'] }, 'otherNames'],
    ['a name of nothing', { otherNames: ['’'] }, 'otherNames'],
    ['21 names', { otherNames: Array.from({ length: 21 }, (_, i) => `push ${i} times`) }, 'otherNames'],
    ['81 letters', { name: 'x'.repeat(81) }, 'name'],
    ['a name of quotation marks', { name: '’’' }, 'name'],
    ['impact 4', { impact: 4 }, 'impact'],
    ['noise 1.5', { noise: 1.5 }, 'noise'],
    ['demand -1', { demand: { ...baseLibrary.find('push-up')!.demand, knee: -1 } }, 'demand'],
    ['effort class 0', { effortClass: 0 }, 'effortClass'],
    ['201 letters of set-up', { setUp: '😀'.repeat(201) }, 'setUp'],
    ['21 cautions', { cautions: Array(21).fill('slowly') }, 'cautions'],
    ['a caution of 201 letters', { cautions: ['x'.repeat(201)] }, 'cautions'],
    ['a film that is no address', { film: 'javascript:alert(1)' }, 'film'],
    ['kit with a long name', { kit: ['x'.repeat(61)] }, 'kit'],
    ['parts that are none', { parts: ['nothing'] }, 'parts'],
    ['itself as a part', { parts: ['push-up'] }, 'parts'],
    ['a pace of 0', { paceSec: { low: 0, likely: 1, high: 2 } }, 'paceSec'],
    ['a pace of 601', { paceSec: { low: 1, likely: 2, high: 601 } }, 'paceSec'],
  ])('can’t have %s', (_what, fields, field) => {
    expect(issues(fields)).toEqual([field]);
  });
  test('may be at each limit', () => {
    const fields = {
      otherNames: Array.from({ length: 20 }, (_, i) => `push ${i} times`),
      setUp: '😀'.repeat(200),
      cautions: Array(20).fill('x'.repeat(200)) as string[],
      paceSec: { low: 0.1, likely: 0.1, high: 600 },
      kit: Array.from({ length: 20 }, (_, i) => `${i}`.padEnd(60, 'x')),
      impact: 3,
      noise: 0,
    };
    expect(issues(fields)).toEqual([]);
    expect(issues({ name: 'x'.repeat(80) })).toEqual([]);
  });
  test('that was stored in another shape is passed by with why, whatever it is', () => {
    for (const override of [
      null,
      7,
      {},
      { movementId: 'plank' },
      { movementId: 'plank', fields: { name: 3 } },
      { movementId: 'plank', fields: { nothing: 1 } },
      { movementId: '', fields: {} },
      { movementId: 'plank', fields: { demand: { wrist: 1 } } },
    ]) {
      const { library, passedBy } = layerLibrary(baseLibrary, {
        overrides: [override as never],
        ladders: [],
        scales: [],
      });
      expect([override, passedBy.length, library.movements.length]).toEqual([
        override,
        1,
        baseLibrary.movements.length,
      ]);
    }
    for (const ladder of [
      null,
      7,
      {},
      { id: 'x', name: 'X', steps: [null] },
      { id: 'x', name: 'X', steps: [{ movementId: 'plank' }] },
    ]) {
      const { library, passedBy } = layerLibrary(baseLibrary, {
        overrides: [],
        ladders: [ladder as never],
        scales: [],
      });
      expect([ladder, passedBy.length, library.ladders.length]).toEqual([ladder, 1, baseLibrary.ladders.length]);
    }
  });
});
