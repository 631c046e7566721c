import { expose } from 'comlink';
import { arrangeWeek } from '../../../core/progress/arrange/arrange-week.ts';

/** The search for the best order of a week, off the page's own thread. */
const worker = { arrangeWeek };
export type ArrangeWorker = typeof worker;
expose(worker);
