/**
 * The lengths of a body's parts as fractions of its height. Source: Drillis and Contini (1966) as reprinted in D. A. Winter,
 * "Biomechanics and Motor Control of Human Movement", from memory. The trunk is divided in two; joints lie inside the
 * widths across shoulders (0.259) and hips (0.191), by common practice.
 */
export const BODY = {
  thigh: 0.245,
  shank: 0.246,
  ankleHeight: 0.039,
  heel: 0.035,
  ball: 0.085,
  toe: 0.117,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.075,
  lowerTrunk: 0.13,
  upperTrunk: 0.158,
  neck: 0.108,
  headRadius: 0.062,
  halfShoulders: 0.112,
  halfHips: 0.062,
} as const;

/** How thick the body is around a place that may touch, in body heights (common practice, no source). */
export const THICKNESS = {
  seat: 0.055,
  back: 0.055,
  chest: 0.055,
  head: 0.062,
  hip: 0.06,
  knee: 0.028,
  elbow: 0.022,
  hand: 0.018,
  ball: 0,
  shin: 0.026,
} as const;

/** Parts of the body's mass; both sides together where there are two. Source: Dempster (1955) by way of Winter, from memory. */
export const MASS = {
  head: 0.081,
  trunk: 0.497,
  upperArms: 0.056,
  forearms: 0.032,
  hands: 0.012,
  thighs: 0.2,
  shanks: 0.093,
  feet: 0.029,
} as const;

/**
 * How far a joint goes, in degrees. Source: American Academy of Orthopaedic Surgeons, "Joint Motion", from memory, with
 * what the body's weight or a hand adds in deep squats, kneeling and stretches (common practice).
 */
export const RANGE_DEG = {
  /** AAOS 135; 160 where one sits on one's heels. */
  kneeBend: [-3, 162],
  /** AAOS 150. */
  elbowBend: [-3, 155],
  /** AAOS 120 bent and 30 back; 150 where the thigh is drawn to the chest, the pelvis turning with it. */
  hipForward: [-35, 150],
  /** AAOS 45; a straddle reaches further. */
  hipOut: [-45, 70],
  /** AAOS 180 forwards and 60 back. */
  shoulderForward: [-70, 190],
  /** AAOS 20; more with the body's weight on it. */
  ankleUp: 42,
  /** AAOS 50; kneeling and hanging stretch it further. */
  ankleDown: 75,
  /** Lumbar and thoracic together. */
  trunkCurl: [-60, 90],
  trunkBend: [-50, 50],
  trunkTwist: [-75, 75],
} as const;

/** Heights of what one stands, sits or leans on, in body heights of a person of 1.75 m (common practice). */
export const LEVEL = {
  floor: 0,
  step: 0.115,
  slider: 0.01,
  bench: 0.25,
  chair: 0.26,
  box: 0.3,
  ball: 0.31,
  table: 0.42,
  bar: 1.27,
  dip: 0.62,
} as const;
export type Level = keyof typeof LEVEL;
