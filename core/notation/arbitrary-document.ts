/** Every session document that the notation can say, at random: for property tests only. */
import { countSteps, MAX_STEPS } from '../forms/count-steps.ts';
import fc from 'fast-check';
import { formOf, SHAPES } from '../forms/forms.ts';
import { baseLibrary } from '../movement/library.ts';
import type {
  Amount,
  Block,
  BlockCue,
  Choice,
  Comments,
  CountRule,
  Dose,
  Item,
  Load,
  SessionDocument,
  Span,
  TimeRule,
  WorkItem,
} from '../document/document.ts';
import { ROLES } from '../document/document.ts';

type Bag = Record<string, unknown>;
/** Leaves out what is undefined, as the reader does. */
const compact = <T extends object>(bag: T): T =>
  Object.fromEntries(Object.entries(bag).filter(([, v]) => v !== undefined)) as T;
const maybe = <T>(arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> =>
  fc.option(arbitrary, { nil: undefined, freq: 3 });

const WORDS = [
  'slow',
  'Knees',
  'über',
  'two',
  '10',
  'max',
  'rest',
  'left',
  'or',
  'then',
  'x8',
  'don’t',
  'half',
  'reps',
  'main',
  'title',
  'each',
  'side',
  'in',
  '12',
];
const phrase = (most: number) =>
  fc.array(fc.constantFrom(...WORDS), { minLength: 1, maxLength: most }).map((w) => w.join(' '));
const ODD_NAMES = [
  'rest',
  'max',
  'left hook',
  '10 squat',
  'alt',
  'each side',
  'squat or march',
  '90-90 hip switch',
  'a, b',
  'title: x',
  'Main: flow',
  '# no comment',
  '@ home',
  '[three]',
  'x',
  '3 to 5',
  '30 s',
  'then hold',
  'Nordic hop-over',
  '–',
  '½ turn',
  'warm-up (a): b',
];
const NAMES = [...baseLibrary.movements.map((m) => m.name), ...ODD_NAMES];
const name = fc.oneof({ weight: 6, arbitrary: fc.constantFrom(...NAMES) }, { weight: 1, arbitrary: phrase(4) });
const commentWords = fc.oneof(phrase(4), fc.constantFrom('a # b', '"quoted', 'Main: flow', '100 %', '→ later'));
const comments: fc.Arbitrary<Comments | undefined> = fc.oneof(
  { weight: 6, arbitrary: fc.constant(undefined) },
  {
    weight: 1,
    arbitrary: fc
      .record({ before: maybe(fc.array(commentWords, { minLength: 1, maxLength: 2 })), after: maybe(commentWords) })
      .map((c) => (c.before || c.after ? (compact(c) as Comments) : undefined)),
  },
);

const count = (most = 60) => fc.integer({ min: 1, max: most });
const sec = (most = 600) => fc.integer({ min: 1, max: most });
const range = (most: number) =>
  fc
    .tuple(fc.integer({ min: 1, max: most - 1 }), fc.integer({ min: 1, max: most }))
    .map(([low, more]) => ({ low, high: Math.min(10_000, low + more) }));
const amount = (most: number): fc.Arbitrary<Amount> =>
  fc.oneof(
    count(most).map((value) => ({ kind: 'fixed' as const, value })),
    range(most).map((r) => ({ kind: 'range' as const, ...r })),
    fc.array(count(most), { minLength: 2, maxLength: 6 }).map((values) => ({ kind: 'list' as const, values })),
    fc.record({ kind: fc.constant('growing' as const), start: count(most), step: count(9) }),
  );
const sides = maybe(fc.constantFrom('each' as const, 'alternate' as const, 'pairs' as const));
const dose: fc.Arbitrary<Dose> = fc.oneof(
  fc.record({ kind: fc.constant('reps' as const), amount: amount(100), sides }).map((d) => compact(d) as Dose),
  fc
    .record({ kind: fc.constant('time' as const), amountSec: amount(300), sides: maybe(fc.constant('each' as const)) })
    .map((d) => compact(d) as Dose),
  fc.record({ kind: fc.constant('distance' as const), metres: count(2000), sides }).map((d) => compact(d) as Dose),
  fc.record({ kind: fc.constant('energy' as const), kcal: count(100) }),
  fc.record({ kind: fc.constant('max' as const), sides }).map((d) => compact(d) as Dose),
  fc.record({
    kind: fc.constant('given' as const),
    sides: fc.constantFrom('each' as const, 'alternate' as const, 'pairs' as const),
  }),
);
const load: fc.Arbitrary<Load> = fc.oneof(
  fc
    .record({
      kind: fc.constant('weight' as const),
      kg: fc.integer({ min: 1, max: 160 }).map((q) => q / 4),
      pieces: fc.integer({ min: 1, max: 4 }),
      laterKg: maybe(fc.array(fc.integer({ min: 1, max: 160 }), { minLength: 1, maxLength: 3 })),
    })
    .map((l) => compact(l) as Load),
  fc.record({ kind: fc.constant('share' as const), pct: fc.integer({ min: 1, max: 150 }) }),
  fc.record({ kind: fc.constant('effort' as const), effort: fc.integer({ min: 0, max: 10 }) }),
  fc.record({ kind: fc.constant('step' as const), step: fc.constantFrom('green band', 'heavy', 'feet on the step') }),
);

const tempo = fc.record({
  downSec: fc.integer({ min: 0, max: 9 }),
  pauseSec: fc.integer({ min: 0, max: 9 }),
  upSec: fc.integer({ min: 1, max: 9 }),
});
/** What an option may say of itself alone. */
const ownOfOption = { tempo: maybe(tempo), pauseSec: maybe(sec(20)), load: maybe(load) };

/** A dose that doesn't hang on the block's clock can also stand before an alternative. */
const choices: fc.Arbitrary<{ choices: Choice[]; inTurn: boolean }> = fc.oneof(
  { weight: 5, arbitrary: name.map((n) => ({ choices: [{ name: n }], inTurn: false })) },
  {
    weight: 1,
    arbitrary: fc
      .array(name, { minLength: 2, maxLength: 4 })
      .map((names) => ({ choices: names.map((n) => ({ name: n })), inTurn: true })),
  },
  {
    weight: 1,
    arbitrary: fc
      .tuple(
        fc.record({ name, ...ownOfOption }).map((c) => compact(c) as Choice),
        fc.array(
          fc.record({ name, dose: maybe(dose), ...ownOfOption }).map((c) => compact(c) as Choice),
          { minLength: 1, maxLength: 2 },
        ),
      )
      .map(([first, others]) => ({ choices: [first, ...others], inTurn: false })),
  },
);

export const arbitraryWorkItem: fc.Arbitrary<WorkItem> = fc
  .record({
    dose: maybe(dose),
    side: maybe(fc.constantFrom('left' as const, 'right' as const)),
    choice: choices,
    tempo: maybe(tempo),
    pauseSec: maybe(sec(20)),
    thenHold: maybe(fc.oneof(sec(90), fc.constant('by-count' as const))),
    load: maybe(load),
    halfEachSide: maybe(fc.constant(true)),
    mayBeSplit: maybe(fc.constant(true)),
    speed: maybe(fc.constantFrom('brisk' as const, 'steady' as const, 'slow' as const)),
    easier: maybe(name),
    harder: maybe(name),
    surprise: maybe(fc.constant(true as const)),
    atLeast: maybe(fc.integer({ min: 1, max: 60 })),
    cue: maybe(fc.constantFrom('sit back', 'über, alles')),
    watch: maybe(fc.constantFrom('knees in', 'a # b')),
    words: maybe(fc.array(phrase(5), { minLength: 1, maxLength: 2 })),
    comments,
  })
  .map(({ choice, ...own }) => {
    const countsSides = own.dose !== undefined && 'sides' in own.dose && own.dose.sides !== undefined;
    return compact({
      kind: 'work' as const,
      ...own,
      ...choice,
      side: countsSides ? undefined : own.side,
      halfEachSide: countsSides || (own.side && !countsSides) ? undefined : own.halfEachSide,
    });
  });

const restItem = (needsLength: boolean): fc.Arbitrary<Item> =>
  fc
    .record({ kind: fc.constant('rest' as const), sec: needsLength ? sec(120) : maybe(sec(120)), comments })
    .map((r) => compact(r) as Item);

/** A list done with one side, then with the other. */
const sideList: fc.Arbitrary<Item[]> = fc
  .array(fc.record({ kind: fc.constant('work' as const), dose: maybe(count(30)), name, load: maybe(load) }), {
    minLength: 1,
    maxLength: 3,
  })
  .map((own) =>
    (['left', 'right'] as const).flatMap((side) =>
      own.map(
        ({ kind, dose: value, name: words, load: kg }) =>
          compact({
            kind,
            dose: value === undefined ? undefined : { kind: 'reps', amount: { kind: 'fixed', value } },
            side,
            choices: [{ name: words }],
            inTurn: false,
            load: kg,
          }) as Item,
      ),
    ),
  );

const items = (needsLength: boolean): fc.Arbitrary<Item[]> =>
  fc
    .tuple(
      arbitraryWorkItem,
      fc.array(fc.oneof({ weight: 6, arbitrary: arbitraryWorkItem }, { weight: 1, arbitrary: restItem(needsLength) }), {
        maxLength: 5,
      }),
    )
    .chain(([first, rest]) =>
      fc
        .oneof({ weight: 5, arbitrary: fc.constant<Item[]>([]) }, { weight: 1, arbitrary: sideList })
        .map((list) => [first, ...list, ...rest]),
    );

const span: fc.Arbitrary<Span> = fc.oneof(
  count(8).map((n) => ({ low: n, high: n })),
  fc.tuple(count(4), fc.integer({ min: 0, max: 3 })).map(([low, more]) => ({ low, high: low + more })),
);
const list = fc.array(count(30), { minLength: 1, maxLength: 6 });
const listRule = (cycling: fc.Arbitrary<boolean>): fc.Arbitrary<CountRule> =>
  fc.record({ kind: fc.constant('list' as const), values: list, cycling });
const byFeel: fc.Arbitrary<CountRule> = fc.constant({ kind: 'by-feel' });

interface Rules {
  time: TimeRule;
  count?: CountRule;
  rounds?: Span;
  relay?: { teamSize?: number };
}
const counted = maybe(fc.oneof(listRule(fc.boolean()), byFeel));
const rules = (time: fc.Arbitrary<TimeRule>): fc.Arbitrary<Rules> =>
  fc.record({ time, count: counted }).map((r) => compact(r) as Rules);

const own: fc.Arbitrary<Rules> = fc
  .record({
    forTime: fc.boolean(),
    capSec: maybe(sec(1800)),
    rounds: maybe(span),
    count: counted,
    relay: maybe(fc.record({ teamSize: maybe(fc.integer({ min: 2, max: 12 })) }).map(compact)),
    values: list,
  })
  .map(({ forTime, capSec, rounds, count: rule, relay, values }): Rules => {
    const time = compact({ kind: 'own' as const, forTime, capSec }) as TimeRule;
    if (relay) return { time, relay: relay, count: { kind: 'list', values, cycling: false } };
    if (rule?.kind === 'list') {
      if (rule.cycling) return { time, count: rule, rounds: rounds ?? { low: 2, high: 2 } };
      return {
        time,
        count: rule,
        ...(rounds && {
          rounds: rule.values.length === 1 ? rounds : { low: rule.values.length, high: rule.values.length },
        }),
      };
    }
    if (rule || rounds || forTime || capSec) return compact({ time, count: rule, rounds });
    return { time: { kind: 'flow' } };
  });

const intervals: fc.Arbitrary<Rules> = fc
  .record({
    rounds: fc.integer({ min: 1, max: 4 }),
    workByRound: fc.boolean(),
    restByRound: fc.boolean(),
    hasRest: fc.boolean(),
    work: fc.array(sec(120), { minLength: 4, maxLength: 4 }),
    rest: fc.array(sec(60), { minLength: 4, maxLength: 4 }),
    total: maybe(count(24)),
    stations: fc.boolean(),
    count: counted,
    said: fc.boolean(),
  })
  .map((x): Rules => {
    const workSec = x.work.slice(0, x.workByRound ? x.rounds : 1);
    const restSec = x.hasRest ? x.rest.slice(0, x.restByRound ? x.rounds : 1) : [];
    const byRound = Math.max(workSec.length, restSec.length);
    const total = byRound <= 1 ? x.total : undefined;
    const listed =
      x.count?.kind === 'list' && !x.count.cycling && x.count.values.length > 1 ? x.count.values.length : undefined;
    const wanted = byRound > 1 ? byRound : (listed ?? x.rounds);
    const fits = byRound <= 1 || listed === undefined || listed === byRound;
    return compact({
      time: compact({ kind: 'intervals' as const, workSec, restSec, total, stations: x.stations }),
      count: x.count,
      rounds: total === undefined && x.said && fits ? { low: wanted, high: wanted } : undefined,
    });
  });

const pyramid: fc.Arbitrary<Rules> = fc
  .record({ work: sec(180), rest: maybe(sec(90)), step: fc.integer({ min: 1, max: 9 }) })
  .map(({ work, rest, step }) => ({
    time: { kind: 'pyramid', step, workSec: work, restSec: rest ?? 0 },
  }));

const slots: fc.Arbitrary<TimeRule> = fc
  .record({ slotSec: fc.integer({ min: 5, max: 180 }), slots: count(40), cap: maybe(fc.integer({ min: 1, max: 100 })) })
  .map(
    ({ slotSec, slots: n, cap }) =>
      compact({
        kind: 'slots' as const,
        slotSec,
        slots: n,
        workCapSec: cap === undefined ? undefined : Math.max(1, Math.floor((slotSec * cap) / 100)),
      }) as TimeRule,
  );

const THREE = { rounds: { low: 3, high: 3 } };

const timed: fc.Arbitrary<Rules> = fc.oneof(
  fc.constant<Rules>({ time: { kind: 'flow' } }),
  own,
  intervals,
  pyramid,
  rules(slots),
  rules(
    fc
      .record({ kind: fc.constant('span' as const), sec: sec(3600), turnsOf: maybe(fc.integer({ min: 2, max: 6 })) })
      .map((t) => compact(t) as TimeRule),
  ),
  rules(
    fc.record({
      kind: fc.constant('windows' as const),
      windowSec: sec(300),
      windows: count(12),
      restSec: fc.integer({ min: 0, max: 90 }),
    }),
  ),
  // Every shape that can be picked, with its usual numbers: a new form is in all properties from its first day.
  fc
    .constantFrom(...SHAPES)
    .map((shape): Rules =>
      shape.make({ count: {}, rounds: THREE, anyRounds: THREE, between: {}, hasCyclingList: false, items: 3 }),
    ),
);

const around = fc.record({
  between: maybe(
    fc
      .record({
        of: fc.constantFrom('rounds' as const, 'items' as const),
        lowSec: sec(60),
        more: fc.integer({ min: 0, max: 60 }),
      })
      .map(({ of, lowSec, more }) => ({ of, lowSec, highSec: lowSec + more })),
  ),
  sets: maybe(fc.record({ count: fc.integer({ min: 1, max: 4 }), restSec: maybe(sec(180)) }).map(compact)),
  thenRestSec: maybe(sec(300)),
});

const films = fc.constantFrom('https://films.example.org/a', 'http://example.org/w?v=1&t=2#at');

const cueWords = fc.constantFrom('breathe', 'über: alles, “x”');
const blockCue: fc.Arbitrary<BlockCue> = fc.oneof(
  cueWords.map((words): BlockCue => ({ at: 'halfway', words })),
  fc.record({ at: fc.constantFrom('second' as const, 'last' as const), sec: sec(600), words: cueWords }),
  fc.record({ at: fc.constant('round' as const), round: fc.integer({ min: 1, max: 9 }), words: cueWords }),
);

export const arbitraryBlock: fc.Arbitrary<Block> = fc
  .record({
    role: fc.constantFrom(...ROLES),
    hasLabel: fc.boolean(),
    words: fc.oneof(phrase(3), fc.constantFrom('A: b', 'x (y', 'über, alles')),
    timed,
    around,
    isScored: fc.boolean(),
    film: maybe(films),
    cues: maybe(fc.array(blockCue, { minLength: 1, maxLength: 3 })),
    watch: maybe(fc.constantFrom('knees falling in', 'x: y, z')),
    pacePerMin: maybe(fc.integer({ min: 1, max: 60 })),
    comments,
  })
  .chain((x) => {
    const form = formOf(x.timed.time);
    const { between, ...beside } = x.around;
    return items(form.notation.restNeedsLength).map(
      (list_) =>
        compact({
          role: x.role,
          label: x.hasLabel ? x.words : undefined,
          ...x.timed,
          ...beside,
          ...(form.notation.takes.between === true && { between }),
          scored: x.isScored ? true : undefined,
          film: x.film,
          cues: x.cues,
          watch: x.watch,
          pacePerMin: x.pacePerMin,
          comments: x.comments,
          items: list_,
        }) as Block,
    );
  });

const field = (bag: Bag) => compact(bag);

export const arbitraryDocument: fc.Arbitrary<SessionDocument> = fc
  .record({
    title: maybe(phrase(6)),
    targetSec: maybe(sec(7200)),
    groupSize: maybe(count(400)),
    kit: maybe(fc.array(fc.constantFrom('chair', 'bottle', 'long band', 'mat'), { maxLength: 3 })),
    effort: maybe(fc.integer({ min: 0, max: 10 })),
    retest: maybe(phrase(2)),
    note: maybe(phrase(9)),
    film: maybe(films),
    blocks: fc.array(arbitraryBlock, { maxLength: 4 }),
    end: maybe(fc.array(commentWords, { minLength: 1, maxLength: 2 })),
    refers: fc.boolean(),
    titleComment: comments,
  })
  .map((x): SessionDocument => {
    // Labels are told apart, and one block may refer to another.
    const blocks = x.blocks.map((b, i) => (b.label === undefined ? b : { ...b, label: `${b.label} ${i + 1}` }));
    const target = blocks.find((b) => b.label !== undefined);
    const referring: Block[] =
      x.refers && target
        ? [
            { role: 'Finisher', time: { kind: 'flow' }, source: { kind: 'same-as', label: target.label! }, items: [] },
            {
              role: 'Cool-down',
              time: { kind: 'flow' },
              source: { kind: 'routine', name: 'long one' },
              thenRestSec: 30,
              items: [],
            },
            {
              role: 'Finisher',
              time: { kind: 'flow' },
              source: { kind: 'routine', name: 'pump-a', next: ['slow, start', 'long one'] },
              items: [],
            },
          ]
        : [];
    const commented = field({
      Title: x.title === undefined ? undefined : x.titleComment,
      end: x.end ? { before: x.end } : undefined,
    });
    return field({
      title: x.title,
      targetSec: x.targetSec,
      groupSize: x.groupSize,
      kit: x.kit,
      effort: x.effort,
      retest: x.retest,
      note: x.note,
      film: x.film,
      blocks: [...blocks, ...referring],
      comments: Object.keys(commented).length > 0 ? commented : undefined,
    }) as unknown as SessionDocument;
  })
  .filter(isLed);

/** Short enough to be led, done again wherever it is referred to, and with room for a line more. */
function isLed({ blocks }: SessionDocument): boolean {
  const again = 1 + blocks.filter((b) => b.source?.kind === 'same-as').length;
  return 2 * again * blocks.reduce((sum, b) => sum + countSteps(b), 0) <= MAX_STEPS;
}
