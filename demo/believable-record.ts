import { baseLibrary } from '../core/movement/library.ts';
import type { Block } from '../core/document/document.ts';
import { loadFields } from '../core/record/scores/load.ts';
import { overranFields } from '../core/record/scores/overran.ts';
import type { RecordDetails, SessionRecord } from '../core/record/record.ts';
import type { Score } from '../core/record/scores/score.ts';
import type { SessionPlan } from '../core/session/plan.ts';
import type { Temper } from './orchestra.ts';
import { pick } from './random.ts';

/** Chance that someone of this temper does a session: by weekday, and by how far the programme is (0 to 1). */
function chance(temper: Temper, weekday: number, farRatio: number): number {
  switch (temper) {
    case 'steady':
      return 0.97;
    case 'usual':
      return 0.84 - 0.1 * farRatio;
    case 'weekend':
      return weekday >= 5 ? 0.94 : 0.42;
    case 'fader':
      return farRatio < 0.6 ? 0.88 : 0.03;
    case 'sore-wrist':
      return 0.82;
    case 'late':
      return 0.86;
    case 'comeback':
      // Gone for a week and most of the next, and since then there each time.
      return (farRatio > 0.4 && farRatio < 0.7) || (farRatio >= 0.7 && farRatio < 0.9 && weekday < 6) ? 0 : 0.97;
    case 'leaver':
    case 'paused':
      return 0.9;
    case 'too-hard':
      return 0.84;
    case 'too-easy':
      return 0.97;
  }
}

/** How much harder than planned it feels to them. */
const BIAS: Record<Temper, number> = {
  steady: -0.8,
  usual: 0,
  weekend: 0,
  fader: 0.8,
  'sore-wrist': 1.2,
  late: 0.3,
  comeback: 0.4,
  leaver: 0.2,
  paused: 0,
  'too-hard': 2.6,
  'too-easy': -2.6,
};

const REMARKS = [
  'Did it in the green room.',
  'Felt good.',
  'Short of breath on the last round.',
  'Neighbours didn’t complain.',
  'Legs heavy after the flight.',
  'One minute more would have been too much.',
  'Nice one.',
] as const;
const WRIST = [
  'Left wrist sore, did the wall version.',
  'Wrist again, stopped before the end.',
  'Wrist fine until the push-ups.',
] as const;

/** What someone says they did, or undefined where they said nothing. */
export function believableRecord(
  random: () => number,
  person: {
    temper: Temper;
    weekday: number;
    farRatio: number;
    plannedEffort: number;
    plan: SessionPlan;
    blocks: readonly Block[];
    atMs: number;
  },
): SessionRecord | undefined {
  const { temper, plan } = person;
  if (random() > chance(temper, person.weekday, person.farRatio)) return undefined;
  const sore = temper === 'sore-wrist' && random() < 0.4;
  const draw = random();
  const outcome = sore || draw < 0.08 ? 'part' : draw < 0.1 ? 'not-done' : 'done';
  const scores =
    outcome === 'not-done'
      ? []
      : plan.blocks.flatMap((b, block) => believableScore(random, b.score, block, b.clockSec.likely, person.farRatio));
  return {
    outcome,
    shareRatio: outcome === 'done' ? 1 : outcome === 'part' ? pick(random, [0.25, 0.5, 0.5, 0.75]) : 0,
    effort:
      outcome === 'not-done' || random() < 0.08
        ? null
        : Math.max(0, Math.min(10, Math.round(person.plannedEffort + BIAS[temper] + (random() - 0.45) * 3))),
    remark: sore ? pick(random, WRIST) : random() < 0.1 ? pick(random, REMARKS) : '',
    scores,
    details: outcome === 'not-done' ? {} : believableDetails(random, person.blocks, plan),
    madeAtMs: person.atMs,
    loggedAtMs: person.atMs,
  };
}

/** Weights with their last sets, and turns that ran over, of those who like to say so. */
function believableDetails(random: () => number, blocks: readonly Block[], plan: SessionPlan): RecordDetails {
  const loads = loadFields(blocks, baseLibrary.scales).flatMap(({ block, item, movement, writtenKg, goal }) =>
    writtenKg === null || goal === null || random() < 0.3
      ? []
      : [{ block, item, movement, kg: writtenKg, lastReps: goal.high + Math.floor(random() * 3) }],
  );
  const overran = Object.fromEntries(
    overranFields(blocks, plan).flatMap(({ block, turns }) => {
      // Where four stations follow one another the minute gets tight.
      const tightness = blocks[block]!.items.length >= 4 ? 0.05 : 0.7;
      return random() < 0.5 ? [[block, Math.round(turns * Math.max(0, random() - tightness))] as const] : [];
    }),
  );
  return {
    ...(loads.length > 0 && { loads }),
    ...(Object.keys(overran).length > 0 && { overran }),
  };
}

function believableScore(
  random: () => number,
  kind: SessionPlan['blocks'][number]['score'],
  block: number,
  likelySec: number,
  farRatio: number,
): Score[] {
  if (random() < 0.15) return [];
  switch (kind) {
    case 'rounds+reps':
      return [
        {
          block,
          kind,
          rounds: Math.max(1, Math.round(likelySec / 95 + random() * 2 + farRatio)),
          reps: Math.floor(random() * 9),
        },
      ];
    case 'time':
      return [{ block, kind, sec: Math.round(likelySec * (0.82 + random() * 0.3 - farRatio * 0.05)) }];
    case 'reps':
      return [{ block, kind, reps: 10 + Math.floor(random() * 15) }];
    default:
      return [];
  }
}
