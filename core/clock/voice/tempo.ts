import type { Stage } from '../stage.ts';
import type { TimedCue } from './cue.ts';

/** So long what begins is said before its tempo is counted. */
export const TEMPO_FROM_SEC = 4;
/** The counting down at the end of a time goes before the tempo. */
const LAST_SEC = 3;

const COUNT_WORDS = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const counted = (n: number): string => COUNT_WORDS[n] ?? String(n);

type Tempo = NonNullable<Stage['tempo']>;

const repSecOf = ({ downSec, pauseSec, upSec }: Tempo): number => downSec + pauseSec + upSec;

/** What is counted at a second of a repetition: `down`, `two`, `three`, `pause`, `up`, `two`. */
export function tempoWord(tempo: Tempo, atSec: number): string {
  const { downSec, pauseSec } = tempo;
  if (atSec < downSec) return atSec === 0 ? 'down' : counted(atSec + 1);
  const inPause = atSec - downSec;
  if (inPause < pauseSec) return inPause === 0 ? 'pause' : counted(inPause + 1);
  const inUp = inPause - pauseSec;
  return inUp === 0 ? 'up' : counted(inUp + 1);
}

/** The seconds of a stage at which its tempo is counted, for all of its repetitions, or as long as its time lasts. */
export function tempoCues({ tempo, ruledBy, durationSec, switchAtSec }: Stage): TimedCue[] {
  if (!tempo || repSecOf(tempo) < 1) return [];
  const byClock = ruledBy === 'clock';
  const lengthSec = tempo.reps === null ? Infinity : tempo.reps * repSecOf(tempo);
  const untilSec = Math.min(
    TEMPO_FROM_SEC + lengthSec,
    byClock ? durationSec - LAST_SEC : TEMPO_FROM_SEC + durationSec,
  );
  const cues: TimedCue[] = [];
  for (let atSec = TEMPO_FROM_SEC; atSec < untilSec; atSec++)
    if (!switchAtSec.includes(atSec)) cues.push({ atSec, cue: 'tempo' });
  return cues;
}

/** What is counted at a second of a stage. */
export const tempoAt = (tempo: Tempo, atSec: number): string =>
  tempoWord(tempo, (atSec - TEMPO_FROM_SEC) % repSecOf(tempo));
