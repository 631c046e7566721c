import type { Cue, TimedCue } from './cue.ts';
import { formatClock } from '../../words/format-clock.ts';
import { capitalized } from '../../words/words.ts';
import { isSurprise, partsWords, setUpWords } from './set-up.ts';
import { tempoAt, tempoCues } from './tempo.ts';
import type { SpokenPart } from './spoken-parts.ts';
import { fitParts } from './spoken-parts.ts';
import type { SetUp, Stage } from '../stage.ts';
import { hasWork, isWaiting, spokenStart } from '../stage.ts';

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

/** A clock stage shorter than this has no call at half of its time. */
const HALFWAY_FROM_SEC = 30;
/** Two calls nearer to each other than this can't both be understood. */
const APART_SEC = 4;
/** A rest of this length leaves time to say what is to be set up for what comes. */
const TOLD_FROM_SEC = 8;
/** Of a list, a voice names so many. */
const MOST_SPOKEN = 3;

/** The calls of a stage with their seconds from its start, in order; `extraSec` was added to it. Own-pace stages have only the first. */
export function cuesOf(stage: Stage, extraSec = 0): TimedCue[] {
  const durationSec = stage.durationSec + extraSec;
  const isClock = stage.ruledBy === 'clock';
  if (isClock && durationSec === 0) return [];
  // It asks; a countdown would press.
  if (stage.offersRound) return [{ atSec: 0, cue: 'ready' }];
  const cues: TimedCue[] = [{ atSec: 0, cue: stage.kind === 'rest' ? 'rest' : isWaiting(stage) ? 'ready' : 'go' }];
  const isFree = (sec: number) => !cues.some((c) => Math.abs(c.atSec - sec) < APART_SEC);
  if (isClock) {
    for (const atSec of stage.switchAtSec) cues.push({ atSec, cue: 'switch' });
    for (const { atSec } of stage.holds) cues.push({ atSec, cue: 'hold' });
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

/** What is known around a call, for what a voice says at it. */
export interface CallScope {
  /** The next stage in which something is done. */
  readonly next: Stage | undefined;
  /** Seconds until the next call that a voice says. */
  readonly roomSec: number;
  /** Whether what begins was said before, in a rest or while getting ready. */
  readonly isTold: boolean;
}

/** What a voice says at a call, as much of it as there is time for; empty where a sound is enough. */
export const cueWords = (cue: TimedCue, stage: Stage, scope: CallScope): string =>
  fitParts(
    partsOf(cue, stage, scope).map((part) => ({ ...part, words: sayTimes(part.words) })),
    scope.roomSec,
  );

const one = (words: string): SpokenPart[] => [{ words, weight: 3 }];

function partsOf({ atSec, cue }: TimedCue, stage: Stage, { next, isTold }: CallScope): SpokenPart[] {
  switch (cue) {
    case 'ready':
      if (stage.offersRound) return one('One round more, if you have time?');
      return [{ words: 'Get ready', weight: next ? 1 : 3 }, ...(next ? ahead(next, '') : [])];
    case 'go':
      return [
        { words: stage.isLastRound ? 'Last round' : '', weight: 1 },
        ...beginning(stage),
        ...(isTold || !stage.setUp ? [] : setUpParts(stage.setUp)),
      ];
    case 'rest':
      return [
        { words: 'Rest', weight: next ? 1 : 3 },
        { words: stage.hasWater ? 'Water' : '', weight: 0 },
        ...(next ? ahead(next, 'Next: ') : []),
      ];
    case 'three':
      return one('Three');
    case 'two':
      return one('Two');
    case 'one':
      return one('One');
    case 'halfway':
      return one('Halfway');
    case 'switch':
      return one(
        stage.switchAtSec.length === 1 && stage.sides[1] ? `Switch sides, now ${stage.sides[1]}` : 'Switch sides',
      );
    case 'hold': {
      const sec = stage.holds.find((h) => h.atSec === atSec)?.sec;
      return [
        { words: 'Hold', weight: 3 },
        { words: sec === undefined ? '' : formatClock(sec), weight: 2, after: ', ' },
      ];
    }
    case 'ten':
      return one('Ten seconds');
    case 'work-cap':
      return one('Work should be over');
    case 'pace':
      return one(stage.paceMarks.find((m) => m.atSec === atSec)?.words ?? '');
    case 'coach':
      return stage.coachCues.filter((c) => c.atSec === atSec).map((c) => ({ words: c.words, weight: 3 }));
    case 'tempo':
      return stage.tempo ? one(tempoAt(stage.tempo, atSec)) : [];
    case 'number':
      return [];
    case 'finish':
      return one('That was all. Well done.');
  }
}

/** What comes next: its name with side and dose, what is to be set up for it, what it is made of. */
const ahead = (next: Stage, lead: string): SpokenPart[] => [
  { words: `${lead}${firstOf(next.nextWords)}`, weight: 3 },
  ...(next.setUp && !isSurprise(next) ? setUpParts(next.setUp) : []),
];

const setUpParts = (setUp: SetUp): SpokenPart[] => [
  { words: capitalized(setUpWords(setUp).join(', ')), weight: 2 },
  { words: capitalized(partsWords(setUp)), weight: 1 },
];

/** What begins: its number where all of its list has one, else its dose, name and side; then what the coach says to it. */
function beginning(stage: Stage): SpokenPart[] {
  const number = stage.kind === 'span' ? sameFigure(stage) : '';
  const start = spokenStart(stage);
  return [
    { words: start, weight: 3 },
    { words: start.includes(number) ? '' : number, weight: 3, after: ', ' },
    ...stage.coachCues.filter((c) => c.atSec === 0).map((c): SpokenPart => ({ words: c.words, weight: 2 })),
  ];
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
  const cues = cuesOf(stage, extraSec);
  const before = stages[at - 1];
  const isTold = !isSurprise(stage) && before !== undefined && !hasWork(before) && before.durationSec >= TOLD_FROM_SEC;
  return [...cues, ...tempoCues(stage)]
    .sort((a, b) => a.atSec - b.atSec)
    .filter((c) => c.atSec > fromSec && c.atSec <= toSec)
    .map((c) => ({
      ...c,
      stage: at,
      words: cueWords(c, stage, {
        next: c.cue === 'ready' && !isWaiting(stage) ? undefined : nextToDo(stages, at),
        roomSec: roomAfter(c, cues, stage, extraSec),
        isTold,
      }),
      lateMs: (spentSec - c.atSec) * 1000,
    }));
}

/** Seconds from a call to the next one, or to the end of its stage; at one's own pace nothing presses. */
function roomAfter({ atSec }: TimedCue, cues: readonly TimedCue[], stage: Stage, extraSec: number): number {
  if (stage.ruledBy === 'own') return Infinity;
  const after = cues.find((c) => c.atSec > atSec)?.atSec ?? stage.durationSec + extraSec;
  return after - atSec;
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
