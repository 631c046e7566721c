import { useFetcher } from 'react-router';
import type { ActAnswer } from '../../../server/follow-up/attention-acts.ts';

/** The one fetcher of all that is done on Follow up: a panel goes when its item is acted upon, and what came of it is told elsewhere. `about`: the form that it answers. */
export const useActFetcher = () => useFetcher<ActAnswer & { readonly about: string }>({ key: 'follow-act' });
