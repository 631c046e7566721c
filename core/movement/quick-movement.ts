import { joinKit } from './kit.ts';
import type { MovementOverride } from './layer.ts';
import { withFields } from './layer.ts';
import type { MovementLibrary } from './library.ts';
import type { Grade, Joint, Movement, Pattern } from './movement.ts';
import { movementId } from './movement.ts';
import { readLoosely } from './name/read-loosely.ts';
import { nearestMovements } from './nearest-movements.ts';

/** What a new movement may ask much of, in the words of what people spare. */
export const QUICK_ASKS = [
  'wrists',
  'shoulders',
  'neck',
  'back',
  'hips',
  'knees',
  'ankles',
  'jumping',
  'overhead',
  'floor',
] as const;
export type QuickAsk = (typeof QUICK_ASKS)[number];

const JOINT_OF: Partial<Record<QuickAsk, Joint>> = {
  wrists: 'wrist',
  shoulders: 'shoulder',
  neck: 'neck',
  back: 'back',
  hips: 'hip',
  knees: 'knee',
  ankles: 'ankle',
};

/** The few answers by which a new movement is known: enough for the sums, the kit and who spares it. */
export interface QuickMovement {
  readonly name: string;
  readonly isHold: boolean;
  readonly isOneSided: boolean;
  readonly pattern: Pattern;
  readonly kit: readonly string[];
  /** A repetition, or how long it is usually held. */
  readonly likelySec: number;
  readonly effortClass: Movement['effortClass'];
  readonly asks: readonly QuickAsk[];
}

/** Words that say what kind of thing a movement is where nothing else of it is known (common practice, no source). */
const WORD_HINTS: readonly (readonly [words: RegExp, fields: Partial<Omit<Movement, 'id'>>])[] = [
  [
    /stretch|pose|opener|release/,
    { pattern: 'mobility', isHold: true, effortClass: 1, paceSec: { low: 15, likely: 30, high: 45 } },
  ],
  [/breath|relax/, { pattern: 'mobility', isHold: true, effortClass: 1, paceSec: { low: 30, likely: 60, high: 120 } }],
  [/hold|hang|balance|stand$|sit$/, { pattern: 'brace', isHold: true, paceSec: { low: 10, likely: 20, high: 40 } }],
  [/jump|hop|leap|skip|bound/, { pattern: 'jump', impact: 3, noise: 3, effortClass: 4 }],
  [
    /run|sprint|walk|crawl|march|step|shuffle|drill/,
    { pattern: 'locomotion', paceSec: { low: 0.5, likely: 0.8, high: 1.2 } },
  ],
  [/squat/, { pattern: 'squat' }],
  [/lunge/, { pattern: 'lunge', isOneSided: true }],
  [/row|pull|curl/, { pattern: 'pull' }],
  [/press|raise|fly/, { pattern: 'press' }],
  [/push|dip/, { pattern: 'push' }],
  [/twist|rotat|chop|turn/, { pattern: 'rotate' }],
  [/plank|crunch|sit.?up|core|flag/, { pattern: 'brace', isOnFloor: true, position: 'supine' }],
  [/carry/, { pattern: 'carry', isHold: true, paceSec: { low: 20, likely: 40, high: 60 } }],
  [/bridge|hinge|lift|swing/, { pattern: 'hinge' }],
  [/circle|roll|mobil|swing/, { pattern: 'mobility', effortClass: 1 }],
];

/**
 * A movement for a name that is new here, filled in by what its words suggest: by what of it can be read, else by the nearest of its
 * kind, else by single words. A reading comes as it is read. It is the coach's to correct.
 */
export function suggestMovement(name: string, library: MovementLibrary): Movement {
  const read = library.findByName(name);
  if (read) return { ...read, paceSource: 'the coach’s own' };
  const loose = readLoosely(name, library)?.movement;
  const [near] = loose ? [] : nearestMovements(name, library, 1);
  const kin = loose ?? (near === undefined ? undefined : library.findByName(near));
  const hint = WORD_HINTS.find(([words]) => words.test(name.toLowerCase()))?.[1] ?? {};
  const {
    id: _id,
    name: _name,
    otherNames: _others,
    parts: _parts,
    ...fields
  } = kin ?? { ...hint, id: '', name: '', otherNames: [], parts: [] };
  return withFields(undefined, {
    movementId: movementId(name),
    fields: { ...fields, name: name.trim().toLowerCase(), paceSource: 'the coach’s own' },
  });
}

/** The few answers that a movement gives. */
export function toQuick(m: Movement): QuickMovement {
  const asks = QUICK_ASKS.filter((ask) => {
    const joint = JOINT_OF[ask];
    if (joint) return m.demand[joint] >= 2;
    return ask === 'jumping' ? m.impact >= 2 : ask === 'overhead' ? m.isOverhead : m.isOnFloor;
  });
  return {
    name: m.name,
    isHold: m.isHold,
    isOneSided: m.isOneSided,
    pattern: m.pattern,
    kit: m.kit,
    likelySec: m.paceSec.likely,
    effortClass: m.effortClass,
    asks,
  };
}

/** The answers laid over what was suggested: what wasn't asked stays as it was. */
export function fromQuick(quick: QuickMovement, suggested: Movement): MovementOverride {
  const has = (ask: QuickAsk) => quick.asks.includes(ask);
  const demand = { ...suggested.demand };
  for (const [ask, joint] of Object.entries(JOINT_OF) as [QuickAsk, Joint][])
    demand[joint] = (has(ask) ? Math.max(2, demand[joint]) : Math.min(1, demand[joint])) as Grade;
  const landing = (grade: Grade): Grade =>
    has('jumping') ? (Math.max(2, grade) as Grade) : (Math.min(1, grade) as Grade);
  const isOnFloor = has('floor');
  const isFloorPosition = ['kneeling', 'hands-and-knees', 'prone', 'supine'].includes(suggested.position);
  const by = quick.likelySec / suggested.paceSec.likely;
  const sec = (n: number) => Math.max(0.1, Math.round(n * by * 100) / 100);
  const { id: _id, parts: _parts, ...rest } = suggested;
  return {
    movementId: suggested.id,
    fields: {
      ...rest,
      name: quick.name,
      pattern: quick.pattern,
      isHold: quick.isHold,
      isOneSided: quick.isOneSided,
      isOverhead: has('overhead'),
      isOnFloor,
      position: isOnFloor || !isFloorPosition ? suggested.position : 'standing',
      demand,
      impact: landing(suggested.impact),
      noise: landing(suggested.noise),
      kit: joinKit(quick.kit),
      effortClass: quick.effortClass,
      paceSec: {
        low: Math.min(sec(suggested.paceSec.low), quick.likelySec),
        likely: quick.likelySec,
        high: Math.max(sec(suggested.paceSec.high), quick.likelySec),
      },
    },
  };
}
