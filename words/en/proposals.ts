import { SPARE_WORDS } from '../../core/movement/spare.ts';
import type { GroupReason } from '../../core/progress/person/propose-group.ts';
import type { LoadSign, PersonReason, ProposalKind } from '../../core/progress/person/propose.ts';
import { findSchool } from '../../core/progress/track/schools.ts';
import type { SchoolStep } from '../../core/progress/track/school-step.ts';
import { formatBy } from '../../core/progress/levers/lever.ts';
import { listWords, plural, tenth } from '../../core/words/words.ts';

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
    case 'felt-easier-by-all':
      return `${stepWords(reason.step)}, the next step of “${findSchool(reason.school).name.toLowerCase()}”`;
    case 'turns':
      return `${reason.reps} reps off every station of ${reason.block}`;
    case 'little-done':
      return `the numbers of week ${reason.week} again, until you let go`;
    case 'let-go':
      return `let go of the numbers of week ${reason.week}: on with everybody`;
    case 'few':
    case 'felt-harder-by-all':
      return 'the same again, until you let go';
    case 'still-held':
      return `week ${reason.week} again, as agreed`;
    case 'as-planned':
    case 'unrated':
    case 'felt-as-planned':
      return 'as planned';
  }
}

/** A school's next step, as something that is done. */
function stepWords(step: SchoolStep): string {
  if (step.kind === 'shape') return `${step.toName} in place of ${step.fromName}`;
  const { lever, by } = step;
  switch (lever) {
    case 'reps':
      return `${by === 1 ? 'one rep' : `${by} reps`} more on every line of the main work, two where sides take turns`;
    case 'load':
      return `${by} kg more where a weight is written`;
    case 'rounds':
      return `${by === 1 ? 'one round' : `${by} rounds`} more`;
    case 'work':
      return `${by} s more of work each time`;
    case 'rest':
      return `${-by} s less of rest`;
    case 'clock':
      return by < 0 ? `${-by} s less for the same work` : `${by} s longer`;
    default:
      return formatBy(lever, by);
  }
}

/** Why something is done as it was earlier, as the person reads it. */
export const heldWords = (week: number): string => `as in week ${week}, agreed with your coach`;

const sessionsDone = ({ done, due }: { readonly done: number; readonly due: number }): string =>
  `${done} of ${plural(due, 'session')} done`;
const toldEfforts = (efforts: readonly number[]): string =>
  efforts.length === 0 ? '' : `, effort ${listWords(efforts.map(String))}`;

const silentWords = (silent: number): string => (silent === 0 ? '' : `; ${silent} didn’t say`);

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
    case 'still-held':
      return sessionsDone(reason);
    case 'let-go':
      return `${sessionsDone(reason)} with them`;
    case 'felt-harder':
      return `${sessionsDone(reason)}${toldEfforts(reason.efforts)}, ${tenth(reason.by)} more than planned`;
    case 'load':
      return `${sessionsDone(reason)}, ${signWords(reason.sign)}`;
    case 'own-shape':
      return `taken by choice in the last ${plural(reason.times, 'session')} that had it`;
    case 'fewer':
      return `${sessionsDone(reason)}, fewer repetitions on the way in ${reason.sessions} of them`;
    case 'felt-easier':
      return `${sessionsDone(reason)}${toldEfforts(reason.efforts)}, ${tenth(reason.by)} less than planned`;
    case 'as-planned':
      return `${sessionsDone(reason)}${toldEfforts(reason.efforts)}`;
    case 'turns':
      return reason.names
        ? `${listWords(reason.names)} overran the turn`
        : `${reason.over} of ${reason.said} who said overran the turn${silentWords(reason.silent)}`;
    case 'few':
      return reason.names
        ? `${reason.names.length === 0 ? 'nobody' : `only ${listWords(reason.names)}`} of ${reason.due} did it`
        : `${reason.done} of ${reason.due} did it`;
    case 'unrated':
      return `${reason.done} of ${reason.due} did it, and no effort is planned to hold theirs against`;
    case 'felt-harder-by-all':
    case 'felt-easier-by-all':
    case 'felt-as-planned':
      return reason.names
        ? `${listWords(reason.names)} felt it as ${reason.felt} in the middle, planned ${reason.planned}`
        : `${reason.done} of ${reason.due} did it; effort ${reason.felt} in the middle of ${reason.said} who said, planned ${reason.planned}${silentWords(reason.silent)}`;
  }
}
