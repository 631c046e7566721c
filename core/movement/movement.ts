/** What the movement mostly is. */
export const PATTERNS = [
  'squat', 'hinge', 'lunge', 'push', 'pull', 'press', 'brace', 'rotate', 'jump', 'locomotion', 'carry', 'mobility',
] as const;
export type Pattern = (typeof PATTERNS)[number];

export const POSITIONS = ['standing', 'kneeling', 'hands-and-knees', 'prone', 'supine', 'seated', 'hanging'] as const;
export type Position = (typeof POSITIONS)[number];

/** Seconds for one repetition, from quick to careful; for a hold the numbers are the usual seconds held. */
export interface PaceSec {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

export interface Movement {
  readonly id: string;
  readonly name: string;
  readonly otherNames: readonly string[];
  readonly pattern: Pattern;
  readonly position: Position;
  /** Done by time rather than by repetitions: holds, stretches, breathing. */
  readonly isHold: boolean;
  /** Works one side at a time. */
  readonly isOneSided: boolean;
  /** The body's weight rests on bent wrists. */
  readonly loadsWrists: boolean;
  readonly preparesWrists: boolean;
  /** Both feet leave the floor and land. */
  readonly hasImpact: boolean;
  /** Ids of the movements that a compound is made of, in order; it is still counted as one. Empty for the others. */
  readonly parts: readonly string[];
  /** What must be at hand, floor and wall aside. */
  readonly kit: readonly string[];
  /** How hard a usual dose feels among the others: 1 easy to 5 hard. Draws the height of the ribbon. */
  readonly effortClass: 1 | 2 | 3 | 4 | 5;
  readonly paceSec: PaceSec;
  /** One short line on what to watch for. */
  readonly watchFor: string;
}

/** `Step-back lunge` is `step-back-lunge`: letters and digits joined by single dashes. */
export function movementId(name: string): string {
  return name.normalize('NFKD').toLowerCase().replace(/\p{M}/gu, '').replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-+|-+$/g, '') || 'movement';
}

/** What a movement asks of, coarsely: for telling whether neighbours tire the same place. */
export const AREAS = ['legs', 'hips and back', 'push', 'pull', 'trunk', 'heart and lungs', 'mobility'] as const;
export type Area = (typeof AREAS)[number];

const AREA_OF: Record<Pattern, Area> = {
  squat: 'legs', lunge: 'legs', hinge: 'hips and back', push: 'push', press: 'push', pull: 'pull', brace: 'trunk', rotate: 'trunk',
  jump: 'heart and lungs', locomotion: 'heart and lungs', carry: 'trunk', mobility: 'mobility',
};

export const areaOf = (movement: Pick<Movement, 'pattern'>): Area => AREA_OF[movement.pattern];

/** On the floor or on hands: getting up from there to standing takes a few seconds. */
export const isOnFloor = (movement: Pick<Movement, 'position'>): boolean => ['hands-and-knees', 'prone', 'supine', 'kneeling'].includes(movement.position);
