import { pieceCount } from '../../core/movement/kit.ts';
import type { MaxAdvice } from '../../core/forms/form.ts';
import type { Area } from '../../core/movement/movement.ts';
import type { ChangeFacts, FindingCode, FindingFacts } from '../../core/session/findings/finding.ts';
import type { FindingGroup } from '../../core/session/findings/group-findings.ts';
import { formatClock } from '../../core/words/format-clock.ts';
import { listWords, plural } from '../../core/words/words.ts';

const capital = (text: string): string => text.replace(/^./u, (c) => c.toUpperCase());

const isOne = (pieces: readonly string[]): boolean => pieces.length === 1 && pieceCount(pieces[0]!) === 1;

const SCORE_WORDS: Readonly<Record<MaxAdvice['why'], string>> = {
  'max-never-done': '“for time” is finished when all is done, and “max” is never done; give it a number.',
  'max-no-total': '“max” is no total; give it a number.',
  'max-not-last': 'Nothing after “max” is reached in a window; put it last.',
  'max-in-turns': '“max” inside a list that goes round and round has no end; give it a number, or a clock of its own.',
  'nothing-climbs':
    'Nothing climbs here: every line has a number of its own. Take it from one, “burpee” instead of “5 burpee”.',
};

/** `the pushing muscles`, `the legs`, `breath`: what both of two neighbours ask for. */
const askedFor = (area: Area): string =>
  area === 'heart and lungs' ? 'breath' : area === 'push' || area === 'pull' ? `the ${area}ing muscles` : `the ${area}`;

const ratioWords = (work: number, rest: number): string => {
  const ratio = work / rest;
  return ratio >= 1 ? `${Number(ratio.toFixed(1))}:1` : `1:${Number((1 / ratio).toFixed(1))}`;
};

function overfullWords({ movement, fromRound, needSec, limit }: Extract<FindingFacts, { code: 'overfull-slot' }>) {
  const need = `${formatClock(needSec.likely)} of work (${formatClock(needSec.low)} to ${formatClock(needSec.high)})`;
  const verdict =
    limit.kind === 'turn'
      ? `more than the ${formatClock(limit.sec)} of the turn`
      : `later than ${formatClock(limit.sec)}, when work should be over`;
  return capital(`${fromRound > 1 ? `From round ${fromRound} on, ` : ''}${movement}: ${need}, ${verdict}.`);
}

function targetWords({
  likelySec,
  isEstimated,
  targetSec,
}: Extract<FindingFacts, { code: 'over-target' | 'under-target' }>) {
  const offSec = likelySec - targetSec;
  return `${formatClock(likelySec)}${isEstimated ? ' likely' : ''} is ${formatClock(Math.abs(offSec))} ${offSec > 0 ? 'over' : 'short of'} the target of ${formatClock(targetSec)}.`;
}

/** A finding in a sentence. */
export function findingWords(f: FindingFacts): string {
  switch (f.code) {
    case 'new-movement':
      return `“${f.name}” is new here: it is taken as written, at a usual pace; which kit it needs stays open.`;
    case 'natural-words':
      return `Taken as “${f.usual.join('”, “')}”.`;
    case 'unknown-routine':
      return `No routine is stored under “${f.name}”; this block is empty until there is one.`;
    case 'one-sided':
      return f.side === null
        ? `The ${f.movement} works one side at a time; say how left and right are counted.`
        : `Only the ${f.side} side of the ${f.movement} is written in this block.`;
    case 'overfull-slot':
      return overfullWords(f);
    case 'over-target':
    case 'under-target':
      return targetWords(f);
    case 'kit-missing':
      return capital(`${listWords(f.pieces)} ${isOne(f.pieces) ? 'is' : 'are'} needed and not announced.`);
    case 'kit-unused':
      return capital(
        `${listWords(f.pieces)} ${isOne(f.pieces) ? 'is' : 'are'} announced, and nothing here uses ${isOne(f.pieces) ? 'it' : 'them'}.`,
      );
    case 'no-warm-up':
      return 'There is no warm-up before this much work.';
    case 'no-cool-down':
      return 'Nothing brings them down again after the work.';
    case 'wrists-unprepared':
      return `${f.loads} repetitions or seconds on bent wrists, and nothing has made them ready.`;
    case 'same-area-in-a-row':
      return capital(`${f.one} and ${f.other} follow each other, and both ask for ${askedFor(f.area)}.`);
    case 'impact-after-fatigue':
      return capital(
        `${f.movement} comes after ${formatClock(f.workSec)} of work, on tired legs. Stepping instead, or earlier in the session, is easier to land.`,
      );
    case 'score-unclear':
      return f.why === 'no-number'
        ? `How many of the ${f.movement}? Without a number the score can’t be compared.`
        : SCORE_WORDS[f.why];
    case 'rest-odd':
      return f.restSec === 0
        ? `${formatClock(f.workSec)} of work by the clock without a rest in it. Usual is one part of rest to 1 to 3 of work.`
        : `${f.round === null ? '' : `Round ${f.round}: `}${formatClock(f.workSec)} work to ${formatClock(f.restSec)} rest is ${ratioWords(f.workSec, f.restSec)}. Usual for such work is 1:1 to 3:1; other ratios have their reasons.`;
    case 'change-over-tight':
      return `From ${f.from} on the floor to ${f.to} on the feet in ${f.restSec === 0 ? 'no time' : `${f.restSec} s`}; getting up takes ${f.leastSec} s or more.`;
    case 'long-without-water':
      return `${formatClock(f.longSec)} go by without ${f.drinkSec} s to drink.`;
    case 'part-round':
      return `${f.slots} turns are ${plural(f.rounds, 'round')} of ${f.items} and ${f.over} more: the first ${f.over === 1 ? 'item comes' : `${f.over} items come`} once more than the others.`;
  }
}

/** A way out, as it stands on a button. */
export function changeWords(c: ChangeFacts): string {
  switch (c.kind) {
    case 'rename':
      return c.name;
    case 'spell-as-usual':
      return 'write it so';
    case 'number':
      return String(c.value);
    case 'dose':
      return c.dose;
    case 'half-each-side':
      return 'half each side';
    case 'add-side':
      return `add the ${c.side}`;
    case 'fewer': {
      const show = (n: number) => (c.isSeconds ? formatClock(n) : String(n));
      return `${show(c.to)} instead of ${show(c.from)}`;
    }
    case 'fewer-everywhere':
      return `${c.step} off every station`;
    case 'rest-after-each':
      return `rest ${formatClock(c.sec)} after each`;
    case 'rest':
      return `rest ${formatClock(c.sec)}`;
    case 'put-last':
      return 'put it last';
    case 'whole-rounds':
      return `${plural(c.rounds, 'round')}, ${formatClock(c.sec)}`;
    case 'target':
      return `make the target ${c.minutes} min`;
    case 'resize':
      return `${c.isSeconds ? `${formatClock(c.to)} instead of ${formatClock(c.from)}` : `${plural(c.to, 'round')} instead of ${c.from}`} in ${c.block}`;
    case 'announce':
      return `announce ${listWords(c.pieces)}`;
    case 'leave-out':
      return `don’t announce ${isOne(c.pieces) ? 'it' : 'them'}`;
    case 'add':
      return `add ${c.movements.join(', ')}`;
    case 'begin-with':
      return `begin with ${plural(c.reps, c.movement)}`;
    case 'move':
      return typeof c.to === 'string' ? `${c.movement} ${c.to}` : `${c.movement} after ${c.to.after ?? 'the rest'}`;
    case 'rest-after-block':
      return `${formatClock(c.sec)} of rest after ${c.block}`;
  }
}

const HEADINGS: Readonly<Record<FindingCode, (count: number) => string>> = {
  'new-movement': (n) => `${plural(n, 'movement')} are new here: taken as written, at a usual pace, with kit left open`,
  'natural-words': (n) => `${plural(n, 'line')} in your own words, each taken as its usual spelling`,
  'unknown-routine': (n) => `${plural(n, 'routine')} are not stored`,
  'one-sided': (n) => `${plural(n, 'movement')} work one side at a time; say how left and right are counted`,
  'overfull-slot': (n) => `${plural(n, 'turn')} don’t hold what is put in them`,
  'over-target': (n) => `${n} times over the target length`,
  'under-target': (n) => `${n} times short of the target length`,
  'kit-missing': (n) => `${plural(n, 'piece')} of kit are not announced`,
  'kit-unused': (n) => `${plural(n, 'piece')} of kit are not used`,
  'no-warm-up': () => 'There is no warm-up',
  'no-cool-down': () => 'There is no cool-down',
  'wrists-unprepared': (n) => `${plural(n, 'load')} on unprepared wrists`,
  'same-area-in-a-row': (n) => `${plural(n, 'pair')} of neighbours ask for the same place`,
  'impact-after-fatigue': (n) => `${plural(n, 'landing')} on tired legs`,
  'score-unclear': (n) => `${plural(n, 'score')} can’t be told from what is written`,
  'rest-odd': (n) => `${plural(n, 'block')} with unusual rest`,
  'change-over-tight': (n) => `${plural(n, 'change-over')} are tight`,
  'long-without-water': (n) => `${plural(n, 'stretch', 'stretches')} without water`,
  'part-round': (n) => `${plural(n, 'block')} end in the middle of a round`,
};

/** What several findings of a kind are about: `4 movements are new here`. A kind of one needs no heading: empty. */
export const findingsHeading = ({ code, findings }: FindingGroup): string =>
  findings.length === 1 ? '' : HEADINGS[code](findings.length);
