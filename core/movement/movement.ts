import type { PaceSec } from '../pace/pace.ts';
/** What the movement mostly is. */
export const PATTERNS = [
  'squat',
  'hinge',
  'lunge',
  'push',
  'pull',
  'press',
  'brace',
  'rotate',
  'jump',
  'locomotion',
  'carry',
  'mobility',
] as const;
export type Pattern = (typeof PATTERNS)[number];

/** `seated` is on a chair, a bench or a bed unless the movement is on the floor. */
export const POSITIONS = ['standing', 'kneeling', 'hands-and-knees', 'prone', 'supine', 'seated', 'hanging'] as const;
export type Position = (typeof POSITIONS)[number];

export const JOINTS = ['wrist', 'elbow', 'shoulder', 'neck', 'back', 'hip', 'knee', 'ankle'] as const;
export type Joint = (typeof JOINTS)[number];

/** 0 nothing, 1 little, 2 much, 3 very much. */
export type Grade = 0 | 1 | 2 | 3;

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
  readonly isOverhead: boolean;
  /** Down on the floor: one gets there and up again. */
  readonly isOnFloor: boolean;
  readonly preparesWrists: boolean;
  readonly demand: Readonly<Record<Joint, Grade>>;
  /** How hard landings are. */
  readonly impact: Grade;
  /** How much of it is heard below. */
  readonly noise: Grade;
  /** Ids of the movements that a compound is made of, in order; it is still counted as one. Empty for the others. */
  readonly parts: readonly string[];
  /** What must be at hand; places (wall, doorway) included. */
  readonly kit: readonly string[];
  /** How hard a usual dose feels among the others: 1 easy to 5 hard. Draws the height of the ribbon, and is held against a person's level. */
  readonly effortClass: 1 | 2 | 3 | 4 | 5;
  readonly paceSec: PaceSec;
  readonly paceSource: string;
  /** Short lines, each one thing. */
  readonly setUp: string;
  readonly doing: string;
  readonly watchFor: string;
  readonly breathing: string;
  readonly cautions: readonly string[];
  /** The address of a film of the coach's own; empty for what ships. */
  readonly film: string;
  /** A drawing of the coach's own, in the words of poses (core/figure); empty where it is drawn by its name. */
  readonly drawing: string;
}

/** `Step-back lunge` is `step-back-lunge`: letters and digits joined by single dashes. */
export function movementId(name: string): string {
  return (
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/\p{M}/gu, '')
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-+|-+$/g, '') || 'movement'
  );
}

/** What a movement asks of, coarsely: for telling whether neighbours tire the same place. */
export const AREAS = ['legs', 'hips and back', 'push', 'pull', 'trunk', 'heart and lungs', 'mobility'] as const;
export type Area = (typeof AREAS)[number];

const AREA_OF: Record<Pattern, Area> = {
  squat: 'legs',
  lunge: 'legs',
  hinge: 'hips and back',
  push: 'push',
  press: 'push',
  pull: 'pull',
  brace: 'trunk',
  rotate: 'trunk',
  jump: 'heart and lungs',
  locomotion: 'heart and lungs',
  carry: 'trunk',
  mobility: 'mobility',
};

export const areaOf = (movement: Pick<Movement, 'pattern'>): Area => AREA_OF[movement.pattern];

/** The body's weight rests on bent wrists (gripping a bar or a rope is not that). */
export const loadsWrists = (movement: Pick<Movement, 'demand' | 'pattern' | 'kit'>): boolean =>
  movement.demand.wrist >= 2 &&
  movement.pattern !== 'pull' &&
  movement.pattern !== 'carry' &&
  movement.pattern !== 'mobility' &&
  !movement.kit.includes('rope');

/** Both feet leave the floor and land. */
export const hasImpact = (movement: Pick<Movement, 'impact'>): boolean => movement.impact >= 2;
