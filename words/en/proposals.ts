import type { ProposalKind } from '../../core/progress/person/propose.ts';

/** What is proposed, in a word or two. */
export const PROPOSAL_WORDS: Record<ProposalKind, string> = {
  'step-up': 'step up',
  ease: 'ease',
  hold: 'hold',
  'go-on': 'go on',
};
