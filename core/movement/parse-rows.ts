import type { Grade, Joint, Movement, Pattern, Position } from './movement.ts';
import { JOINTS, movementId, PATTERNS, POSITIONS } from './movement.ts';

/**
 * The reviewed files of the library, one movement a line, columns parted by `|`:
 * name | other names | pattern | position | flags | kit | effort class | seconds a repetition low/likely/high |
 * demand on wrist elbow shoulder neck back hip knee ankle, 0 to 3 each | impact and noise | set-up | doing | watch for |
 * parts of a compound.
 * Flags: `h` done by time (the seconds are then how long it is usually held), `1` one side at a time, `o` overhead,
 * `f` on the floor though seated, `p` prepares the wrists. A line that breaks a rule is our own mistake: a RangeError
 * names it.
 */
export function parseRows(text: string): Movement[] {
  return text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map(parseRow);
}

const FLOOR: readonly Position[] = ['kneeling', 'hands-and-knees', 'prone', 'supine'];
const BREATHING: Record<Pattern, string> = {
  squat: 'in on the way down, out as you rise',
  lunge: 'in on the way down, out as you rise',
  hinge: 'in as you fold, out as you rise',
  push: 'in on the way down, out as you push',
  press: 'out as the arms go up',
  pull: 'out as you pull',
  brace: 'small steady breaths, never held',
  rotate: 'out as you turn',
  jump: 'short and regular, out on landing',
  locomotion: 'in rhythm with the steps',
  carry: 'steady, shoulders down',
  mobility: 'slow, longer out than in',
};
/** What someone with a sore place hears about it (common practice, no source). */
const CAUTION: Record<Joint, string> = {
  wrist: 'Sore wrists: forearms, fists, or hands on something raised.',
  elbow: 'Sore elbows: smaller, slower, or leave it out.',
  shoulder: 'Sore shoulders: another grip, a smaller way, or hands lower.',
  neck: 'Sore neck: keep the head down, or leave it out.',
  back: 'Sore back: stop before it arches or rounds.',
  hip: 'Sore hips: half as deep.',
  knee: 'Sore knees: half as deep, or hold on to something.',
  ankle: 'Sore ankles: flat and slow, near a wall.',
};
const SEEN = new Set([
  'step-back squat thrust',
  'side plank dip',
  'sit-up',
  'walk-out push-up',
  'mountain climber',
  'plank jack',
  'burpee',
]);

function parseRow(line: string): Movement {
  const cells = line.split('|').map((c) => c.trim());
  const fail = (what: string): never => {
    throw new RangeError(`${what} in the library's line “${cells[0]}”`);
  };
  if (cells.length < 13 || cells.length > 14) fail(`${cells.length} columns instead of 13 or 14`);
  const [name, others, pattern, position, flags, kit, effort, pace, demandText, grades, setUp, doing, watchFor, parts] =
    cells as [
      string,
      string,
      string,
      string,
      string,
      string,
      string,
      string,
      string,
      string,
      string,
      string,
      string,
      string?,
    ];
  if (!PATTERNS.some((p) => p === pattern)) fail(`an unknown pattern “${pattern}”`);
  if (!POSITIONS.some((p) => p === position)) fail(`an unknown position “${position}”`);
  const [low, likely, high] = pace.split('/').map(Number);
  if (!(low! > 0 && low! <= likely! && likely! <= high!)) fail(`a pace that is not low/likely/high: ${pace}`);
  if (!/^[0-3]{8}$/.test(demandText)) fail(`a demand that is not eight grades: ${demandText}`);
  if (!/^[0-3]{2}$/.test(grades)) fail(`impact and noise that are not two grades: ${grades}`);
  if (!/^[1-5]$/.test(effort)) fail(`an effort class that is not 1 to 5: ${effort}`);
  if (setUp === '' || doing === '' || watchFor === '') fail('a missing description');
  const demand = Object.fromEntries(JOINTS.map((joint, i) => [joint, Number(demandText[i]) as Grade])) as Record<
    Joint,
    Grade
  >;
  const impact = Number(grades[0]) as Grade;
  return {
    id: movementId(name),
    name,
    otherNames: words(others),
    pattern: pattern as Pattern,
    position: position as Position,
    isHold: flags.includes('h'),
    isOneSided: flags.includes('1'),
    isOverhead: flags.includes('o'),
    isOnFloor: FLOOR.some((p) => p === position) || flags.includes('f'),
    preparesWrists: flags.includes('p'),
    demand,
    impact,
    noise: Number(grades[1]) as Grade,
    parts: words(parts ?? '').map(movementId),
    kit: words(kit),
    effortClass: Number(effort) as Movement['effortClass'],
    paceSec: { low: low!, likely: likely!, high: high! },
    paceSource: SEEN.has(name)
      ? 'seen in trained followers (common practice, no source)'
      : 'common practice, no source',
    setUp,
    doing,
    watchFor,
    breathing: BREATHING[pattern as Pattern],
    cautions: [
      ...JOINTS.filter((joint) => demand[joint] >= 2).map((joint) => CAUTION[joint]),
      ...(impact >= 2 ? ['People living below, or tired legs: step instead of jumping.'] : []),
    ],
  };
}

const words = (text: string) =>
  text
    .split(',')
    .map((w) => w.trim())
    .filter((w) => w !== '');
