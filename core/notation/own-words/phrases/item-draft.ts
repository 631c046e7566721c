import type { WorkItem } from '../../../document/document.ts';
import type { Doubt as WholeDoubt } from '../piece.ts';

/** A doubt before anybody has answered it. */
export type Doubt = Omit<WholeDoubt, 'chosen'>;

export type Draft = { -readonly [K in keyof WorkItem]?: WorkItem[K] } & { words: string[] };
