import { countedRounds, countWords } from '../../forms/count.ts';
import { capSecOf, formOf } from '../../forms/forms.ts';
import { spanWords } from '../../forms/rounds.ts';
import { joinWords } from '../../forms/say.ts';
import { formatClock } from '../../words/format-clock.ts';
import { isWork } from '../../words/describe-item.ts';
import { plural, wholeMinutes } from '../../words/words.ts';
import type { EstimateSec } from '../../pace/pace.ts';
import { isExact } from '../../pace/pace.ts';
import type { Block } from '../../document/document.ts';
import type { BlockPlan } from '../plan.ts';

/** `30:00`, or `about 5:10` where it is estimated. */
export const formatLength = (sec: EstimateSec): string =>
  isExact(sec) ? formatClock(sec.likely) : `about ${formatClock(sec.likely)}`;

/** `about 40 min`, for people. */
export const formatMinutes = (sec: EstimateSec): string =>
  `${isExact(sec) ? '' : 'about '}${wholeMinutes(sec.likely)} min`;

/** What a block is called where people read it: its label, or its role. */
export const blockName = (block: Pick<Block, 'role' | 'label'> | Pick<BlockPlan, 'role' | 'label'>): string =>
  block.label ?? block.role;

/** How an exact length came about ("6 rounds × 4 × 1:15"); for own pace, what is repeated. Empty where there is nothing to add up. */
export function explainLength(block: Block, plan: BlockPlan): string {
  if (block.items.length === 0) return '';
  const words = formOf(block.time).words.lengthWords(block.time, block, plan);
  return words !== '' && block.sets && isExact(plan.clockSec) ? `${plural(block.sets.count, 'set')} × ${words}` : words;
}

/** The rule of a block in a few words, as it stands beside its name: "a new one every 1:15, 6 rounds". */
export function describeBlock(block: Block, plan: BlockPlan): string {
  const form = formOf(block.time);
  const capSec = capSecOf(block);
  return joinWords(
    form.words.short(block.time, block, plan),
    ...howMuch(block, plan),
    capSec ? `at most ${formatClock(capSec)}` : '',
  );
}

/** How much of it: the list that counts, else its rounds, else its intervals. */
function howMuch({ count, time }: Block, plan: BlockPlan): string[] {
  const listed = countWords(count);
  const rounds = plan.rounds && plan.rounds.high > 1 ? `${spanWords(plan.rounds)} rounds` : '';
  const intervals =
    rounds === '' && plan.intervals && formOf(time).rule.pulse(time) ? plural(plan.intervals, 'interval') : '';
  return [countedRounds(count) === undefined ? rounds || intervals : '', listed];
}

/** Every rule of a block that its few words don't say, a line each: rests, caps, sets, who works when, what takes turns. */
export function ruleLines(block: Block): string[] {
  const { between, sets, time } = block;
  const range = ({ lowSec, highSec }: NonNullable<Block['between']>) =>
    lowSec === highSec ? formatClock(lowSec) : `${formatClock(lowSec)} to ${formatClock(highSec)}, as you choose,`;
  return [
    ...formOf(time).words.lines(time, block),
    ...turnLines(block),
    ...(between ? [`${range(between)} rest between ${between.of === 'rounds' ? 'rounds' : 'exercises'}`] : []),
    ...(sets ? [`${timesWords(sets.count)}${sets.restSec ? `, ${formatClock(sets.restSec)} between` : ''}`] : []),
  ];
}

const timesWords = (count: number): string => (count === 2 ? 'all of it twice' : `all of it ${count} times`);

/** Movements that take turns, each with its place: "window 1 lunge, window 2 dip". */
function turnLines(block: Block): string[] {
  const { time } = block;
  const form = formOf(time);
  return block.items.flatMap((item): string[] => {
    if (!isWork(item) || !item.inTurn) return [];
    const turns = form.steps.turns(time, block);
    const at = (i: number) => item.choices[i % item.choices.length]!.name;
    if (turns === null)
      return [
        `${form.words.turnWord} by ${form.words.turnWord}: ${item.choices.map((c) => c.name).join(', ')}, and again`,
      ];
    return [Array.from({ length: turns }, (_, i) => `${form.words.turnWord} ${i + 1} ${at(i)}`).join(', ')];
  });
}
