import { SPARE_WORDS } from '../../core/movement/spare.ts';
import type { GroupReason, LoadSign, PersonReason, ProposalKind } from '../../core/progress/person/propose.ts';
import { listWords, plural } from '../../core/words/words.ts';

/** What is proposed, in a word or two. */
export const PROPOSAL_WORDS: Record<ProposalKind, string> = {
  'step-up': 'step up',
  ease: 'ease',
  hold: 'hold',
  'go-on': 'go on',
};

/** What is proposed: `2 reps off every station of Main`. */
export function proposalWords(reason: PersonReason | GroupReason): string {
  switch (reason.code) {
    case 'pain':
      return reason.spare === null ? 'a week of easier shapes' : `other shapes for ${SPARE_WORDS[reason.spare]}`;
    case 'felt-harder':
      return 'a week of easier shapes';
    case 'load':
      return 'kg' in reason.more
        ? `${reason.name}: ${reason.more.kg} kg more, the smallest step`
        : `${reason.name}: ${reason.more.step}, the step after ${reason.more.after}`;
    case 'own-shape':
      return `${reason.to} in place of ${reason.from} from now on`;
    case 'fewer':
      return 'one rep fewer on every line of the main work';
    case 'felt-easier':
      return 'kg' in reason.more
        ? `${reason.more.kg} kg more where a weight is written`
        : `${reason.more.reps === 1 ? 'one rep' : `${reason.more.reps} reps`} more on every line of the main work`;
    case 'turns':
      return `${reason.reps} reps off every station of ${reason.block}`;
    case 'felt-easier-by-all':
      return 'one rep more on every line';
    case 'little-done':
    case 'few':
    case 'felt-harder-by-all':
      return 'the same again';
    case 'as-planned':
    case 'unrated':
    case 'felt-as-planned':
      return 'as planned';
  }
}

const oneDecimal = (value: number): number => Math.round(value * 10) / 10;
const sessionsDone = ({ done, due }: { readonly done: number; readonly due: number }): string =>
  `${done} of ${plural(due, 'session')} done`;
const toldEfforts = (efforts: readonly number[]): string =>
  efforts.length === 0 ? '' : `, effort ${listWords(efforts.map(String))}`;

const signWords = (sign: LoadSign): string =>
  sign.kind === 'top'
    ? `${sign.sets.join(', ')} of ${sign.goalReps} to ${sign.ceilingReps}, every set at the top`
    : `${sign.lastSets.join(' and ')} in the last sets against ${sign.goalReps}`;

/** Why it is proposed, with the figures. */
export function proposalWhy(reason: PersonReason | GroupReason): string {
  switch (reason.code) {
    case 'pain':
      return `it hurt: ${reason.said}`;
    case 'little-done':
      return `${sessionsDone(reason)}: first more of it, then harder`;
    case 'felt-harder':
      return `${sessionsDone(reason)}${toldEfforts(reason.efforts)}, ${oneDecimal(reason.by)} more than planned`;
    case 'load':
      return `${sessionsDone(reason)}, ${signWords(reason.sign)}`;
    case 'own-shape':
      return `taken by choice in the last ${plural(reason.times, 'session')} that had it`;
    case 'fewer':
      return `${sessionsDone(reason)}, fewer repetitions on the way in ${reason.sessions} of them`;
    case 'felt-easier':
      return `${sessionsDone(reason)}${toldEfforts(reason.efforts)}, ${oneDecimal(reason.by)} less than planned`;
    case 'as-planned':
      return `${sessionsDone(reason)}${toldEfforts(reason.efforts)}`;
    case 'turns':
      return `${reason.over} of ${reason.of} overran the turn`;
    case 'few':
    case 'unrated':
      return `${reason.done} of ${reason.due} did it`;
    case 'felt-harder-by-all':
    case 'felt-easier-by-all':
    case 'felt-as-planned':
      return `${reason.done} of ${reason.due} did it; effort ${reason.felt} in the middle of ${reason.ratings}, planned ${reason.planned}`;
  }
}
