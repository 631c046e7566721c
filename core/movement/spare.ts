import type { Movement } from './movement.ts';

/** What a person may have to spare. */
export const SPARES = [
  'wrists',
  'shoulders',
  'knees',
  'back',
  'neck',
  'ankles',
  'no-floor',
  'no-jumping',
  'quiet',
  'no-overhead',
  'seated-only',
  'pregnancy',
] as const;
export type Spare = (typeof SPARES)[number];

export const SPARE_WORDS: Record<Spare, string> = {
  wrists: 'sore wrists',
  shoulders: 'sore shoulders',
  knees: 'sore knees',
  back: 'sore back',
  neck: 'sore neck',
  ankles: 'sore ankles',
  'no-floor': 'not down to the floor',
  'no-jumping': 'no jumping',
  quiet: 'quiet floor',
  'no-overhead': 'nothing overhead',
  'seated-only': 'seated only',
  pregnancy: 'pregnancy',
};

export const isSpare = (text: string): text is Spare => SPARES.some((s) => s === text);

/** A demand of this grade on a place that is to be spared is too much. */
const TOO_MUCH = 2;

/** Whether a movement asks for what is to be spared. The bounds are common practice, no source; licensed practice and local rules go before them. */
const ASKS: Record<Spare, (m: Movement) => boolean> = {
  wrists: (m) => m.demand.wrist >= TOO_MUCH,
  shoulders: (m) => m.demand.shoulder >= TOO_MUCH || m.isOverhead,
  knees: (m) => m.demand.knee >= TOO_MUCH,
  back: (m) => m.demand.back >= TOO_MUCH,
  neck: (m) => m.demand.neck >= TOO_MUCH,
  ankles: (m) => m.demand.ankle >= TOO_MUCH,
  'no-floor': (m) => m.isOnFloor,
  'no-jumping': (m) => m.impact >= 2,
  quiet: (m) => m.noise >= 2 || m.impact >= 2,
  'no-overhead': (m) => m.isOverhead,
  'seated-only': (m) => m.position !== 'seated' || m.isOnFloor,
  pregnancy: (m) =>
    m.impact >= 2 ||
    m.position === 'prone' ||
    m.position === 'supine' ||
    m.position === 'hanging' ||
    m.demand.back >= TOO_MUCH,
};

/** One bit a thing to spare, in the order of SPARES. */
export const spareBits = (spares: readonly Spare[]): number =>
  spares.reduce((bits, s) => bits | (1 << SPARES.indexOf(s)), 0);

const asked = new WeakMap<Movement, number>();

/** The things to spare that a movement asks for, as bits. */
export function askedBits(movement: Movement): number {
  let bits = asked.get(movement);
  if (bits === undefined) {
    bits = spareBits(SPARES.filter((s) => ASKS[s](movement)));
    asked.set(movement, bits);
  }
  return bits;
}
