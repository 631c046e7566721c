import type { Block } from '../../../core/document/document.ts';
import { perWords } from '../../../core/record/scores/score-rate.ts';
import type { Worth, WorthPace, WorthScore } from '../../../core/record/adherence/worth.ts';
import { formatScore } from '../../../core/record/scores/score.ts';
import { blockName } from '../../../core/session/explain/explain.ts';
import { plural } from '../../../core/words/words.ts';

/** Of the movements, those that most was done of are named. */
const MOST_NAMED = 3;
/** Counts out of a share are told in tens from this number on. */
const TENS_FROM = 20;

const told = (n: number, isAbout: boolean): number =>
  isAbout && n >= TENS_FROM ? Math.round(n / 10) * 10 : Math.round(n);

/** What a session was worth, in a few lines. A number that is less than the last is put beside it, and no more said. */
export function worthWords(
  { minutes, isAboutMinutes, reps, isAboutReps, movements, compared, paced }: Worth,
  blocks: readonly Pick<Block, 'role' | 'label'>[],
): string[] {
  const count =
    reps !== null && reps >= 1
      ? `, ${isAboutReps ? 'about ' : ''}${plural(told(reps, isAboutReps), 'repetition')}`
      : '';
  const named = movements
    .map(({ name, reps: own }) => ({ name, reps: told(own, isAboutReps) }))
    .filter((m) => m.reps > 0)
    .slice(0, MOST_NAMED)
    .map((m) => `${m.reps} ${m.name}`);
  return [
    `${isAboutMinutes ? 'about ' : ''}${plural(minutes, 'minute')}${count}`,
    ...(named.length > 1 ? [`most of it ${named.join(', ')}`] : []),
    ...compared.map((own) => `${blockName(blocks[own.block] ?? { role: 'Main' })}: ${besideLast(own)}`),
    ...paced.map((own) => `${blockName(blocks[own.block] ?? { role: 'Main' })}: ${besidePace(own)}`),
  ];
}

/** Of another length: the pace is told beside the earlier one, and no more said where it is slower. */
function besidePace({ rate, amount, before, dayWords }: WorthPace): string {
  const [mine, theirs] = [perWords(amount, rate), perWords(before, rate)];
  if (mine === theirs) return `${mine}, as on ${dayWords}`;
  const isBetter = rate.per === 'round' ? amount < before : amount > before;
  return isBetter
    ? `${mine}, ${rate.per === 'round' ? 'quicker' : 'more'} than ${theirs} on ${dayWords}`
    : `${mine}, beside ${theirs} on ${dayWords}`;
}

function besideLast({ score, last, stands }: WorthScore): string {
  const mine = formatScore(score);
  const other = `${formatScore(last.score)} on ${last.dayWords}`;
  switch (stands) {
    case 'best':
      return `${mine}, your best so far`;
    case 'better':
      return `${mine}, ${score.kind === 'time' ? 'quicker' : 'more'} than ${other}`;
    case 'same':
      return `${mine}, as on ${last.dayWords}`;
    case 'less':
      return `${mine}, beside ${other}`;
  }
}
