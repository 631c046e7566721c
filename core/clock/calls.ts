import type { Stage } from './stage.ts';
import { isWaiting, spokenStart } from './stage.ts';

/** What the clock calls, by tone, by voice and on the screen. */
export type Cue =
  | 'ready'
  | 'go'
  | 'rest'
  | 'three'
  | 'two'
  | 'one'
  | 'halfway'
  | 'switch'
  | 'ten'
  | 'work-cap'
  | 'pace'
  | 'number'
  | 'coach'
  | 'finish';

/** A call that became due. */
export interface Call {
  readonly cue: Cue;
  /** The stage that it belongs to, and its second there. */
  readonly stage: number;
  readonly atSec: number;
  /** What a voice says; empty where a sound is enough. */
  readonly words: string;
  /** How long ago it was due when the clock was asked. */
  readonly lateMs: number;
}

interface TimedCue {
  readonly atSec: number;
  readonly cue: Cue;
}

/** A clock stage shorter than this has no call at half of its time. */
const HALFWAY_FROM_SEC = 30;
/** Two calls nearer to each other than this can't both be understood. */
const APART_SEC = 4;
/** Of a list, a voice names so many. */
const MOST_SPOKEN = 3;

/** The calls of a stage with their seconds from its start, in order; `extraSec` was added to it. Own-pace stages have only the first. */
export function cuesOf(stage: Stage, extraSec = 0): TimedCue[] {
  const durationSec = stage.durationSec + extraSec;
  const isClock = stage.ruledBy === 'clock';
  if (isClock && durationSec === 0) return [];
  const cues: TimedCue[] = [{ atSec: 0, cue: stage.kind === 'rest' ? 'rest' : isWaiting(stage) ? 'ready' : 'go' }];
  const isFree = (sec: number) => !cues.some((c) => Math.abs(c.atSec - sec) < APART_SEC);
  if (isClock) {
    for (const atSec of stage.switchAtSec) cues.push({ atSec, cue: 'switch' });
    const half = Math.round(durationSec / 2);
    if (stage.workCapSec !== null && stage.workCapSec < durationSec - APART_SEC)
      cues.push({ atSec: stage.workCapSec, cue: 'work-cap' });
    for (const { atSec } of stage.paceMarks) if (isFree(atSec)) cues.push({ atSec, cue: 'pace' });
    if (stage.kind === 'work' || stage.kind === 'span') {
      // Never where work should be over by then.
      const isOver = stage.workCapSec !== null && half >= stage.workCapSec;
      if (durationSec >= HALFWAY_FROM_SEC && isFree(half) && !isOver) cues.push({ atSec: half, cue: 'halfway' });
    }
    if (durationSec >= HALFWAY_FROM_SEC && isFree(durationSec - 10)) cues.push({ atSec: durationSec - 10, cue: 'ten' });
    for (const [before, cue] of [
      [3, 'three'],
      [2, 'two'],
      [1, 'one'],
    ] as const) {
      if (durationSec > before && !cues.some((c) => c.atSec === durationSec - before && c.atSec !== 0))
        cues.push({ atSec: durationSec - before, cue });
    }
    // What the coach says displaces no count, and no count displaces it.
    for (const atSec of new Set(stage.coachCues.map((c) => c.atSec)))
      if (atSec > 0 && atSec < durationSec) cues.push({ atSec, cue: 'coach' });
  }
  return cues.sort((a, b) => a.atSec - b.atSec);
}

const firstOf = (words: string): string => words.split(', ').slice(0, MOST_SPOKEN).join(', ');

const count = (n: number, unit: string): string => `${n} ${unit}${n === 1 ? '' : 's'}`;

/** A time as a voice says it: "0:40" is "40 seconds". */
export const sayTimes = (words: string): string =>
  words.replace(/\b(\d{1,3}):([0-5]\d)\b/g, (_all, min: string, sec: string) => {
    const [m, s] = [Number(min), Number(sec)];
    return [...(m > 0 ? [count(m, 'minute')] : []), ...(s > 0 || m === 0 ? [count(s, 'second')] : [])].join(' ');
  });

/** What a voice says at a call; empty where a sound is enough. `next` is the next stage in which something is done. */
export const cueWords = (cue: TimedCue, stage: Stage, next: Stage | undefined): string =>
  sayTimes(wordsOf(cue, stage, next));

function wordsOf({ atSec, cue }: TimedCue, stage: Stage, next: Stage | undefined): string {
  switch (cue) {
    case 'ready':
      return next ? `Get ready. ${firstOf(next.nextWords)}` : 'Get ready';
    case 'go':
      return [stage.isLastRound ? (stage.optional ? 'Last round, if you like' : 'Last round') : '', spoken(stage)]
        .filter(Boolean)
        .join('. ');
    case 'rest':
      return ['Rest', stage.hasWater ? 'Water' : '', next ? `Next: ${firstOf(next.nextWords)}` : '']
        .filter(Boolean)
        .join('. ');
    case 'three':
      return 'Three';
    case 'two':
      return 'Two';
    case 'one':
      return 'One';
    case 'halfway':
      return 'Halfway';
    case 'switch':
      return stage.switchAtSec.length === 1 && stage.sides[1] ? `Switch sides, now ${stage.sides[1]}` : 'Switch sides';
    case 'ten':
      return 'Ten seconds';
    case 'work-cap':
      return 'Work should be over';
    case 'pace':
      return stage.paceMarks.find((m) => m.atSec === atSec)?.words ?? '';
    case 'coach':
      return stage.coachCues
        .filter((c) => c.atSec === atSec)
        .map((c) => c.words)
        .join('. ');
    case 'number':
      return '';
    case 'finish':
      return 'That was all. Well done.';
  }
}

/** What begins: its number where all of its list has one, else its dose, name and side; then what the coach says to it. */
function spoken(stage: Stage): string {
  const number = stage.kind === 'span' ? sameFigure(stage) : '';
  const own = stage.coachCues.filter((c) => c.atSec === 0).map((c) => c.words);
  const start = spokenStart(stage);
  return [[start, ...(start.includes(number) ? [] : [number])].join(', '), ...own].filter(Boolean).join('. ');
}

/** The number that every line of a list has in this turn; empty where they differ. */
function sameFigure({ lines }: Stage): string {
  // A way down begins with the set that one stopped in: the clock knows it, not the list.
  if (lines.some((l) => l.carried?.kind === 'set' && l.carried.direction === 'down')) return '';
  const figures = new Set(lines.filter((l) => l.movement !== '').map((l) => l.figure));
  const [figure] = figures;
  if (figures.size !== 1 || figure === undefined || !/^\d+$/.test(figure)) return '';
  return lines.filter((l) => l.movement !== '').length > 1 ? `${figure} of each` : `${figure}`;
}

/** The next stage after one in which something is done; undefined where none is left. */
export const nextToDo = (stages: readonly Stage[], after: number): Stage | undefined => {
  for (let i = after + 1; i < stages.length; i++) {
    const stage = stages[i]!;
    if (stage.kind !== 'rest' && !isWaiting(stage)) return stage;
  }
  return undefined;
};

/** The calls of a stage that became due after `fromSec` and up to `toSec` of it, with how long ago each was, at second `spentSec` of it. */
export function callsBetween(
  stages: readonly Stage[],
  at: number,
  [fromSec, toSec]: readonly [number, number],
  spentSec: number,
  extraSec: number,
): Call[] {
  const stage = stages[at]!;
  return cuesOf(stage, extraSec)
    .filter((c) => c.atSec > fromSec && c.atSec <= toSec)
    .map((c) => ({
      ...c,
      stage: at,
      words: cueWords(
        c,
        stage,
        c.cue === 'ready' ? (isWaiting(stage) ? nextToDo(stages, at) : undefined) : nextToDo(stages, at),
      ),
      lateMs: (spentSec - c.atSec) * 1000,
    }));
}

/** A call later than this is shown by where the clock is now; no voice catches up with it. */
const TOO_LATE_MS = 2500;

/**
 * Of the calls that are due at once, those that still mean something: all that are just late; after a sleep, the one that began what
 * runs now, and the end.
 */
export function worthCalling(due: readonly Call[]): readonly Call[] {
  const beginning = due.findLast((c) => c.atSec === 0);
  return due.filter((c) => c.lateMs <= TOO_LATE_MS || c === beginning || c.cue === 'finish');
}
