import type { SessionRecord } from '../core/record/record.ts';
import type { Score } from '../core/record/score.ts';
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
  }
}

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
  person: { temper: Temper; weekday: number; farRatio: number; plannedEffort: number; plan: SessionPlan; atMs: number },
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
        : Math.max(0, Math.min(10, Math.round(person.plannedEffort + (random() - 0.45) * 3))),
    remark: sore ? pick(random, WRIST) : random() < 0.1 ? pick(random, REMARKS) : '',
    scores,
    madeAtMs: person.atMs,
    loggedAtMs: person.atMs,
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
