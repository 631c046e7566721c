import type { ProgrammeDocument } from '../programme-document.ts';
import { EIGHT_WEEKS } from './eight-weeks.ts';
import type { ExampleProgramme } from './example-programme.ts';
import { buildExample } from './example-programme.ts';
import { STAIRS_AND_STORIES } from './stairs-and-stories.ts';

/** The complete programmes that ship with Ysodos, by id. */
export const EXAMPLES: Readonly<Record<string, ExampleProgramme>> = {
  'eight-weeks': EIGHT_WEEKS,
  'stairs-and-stories': STAIRS_AND_STORIES,
};

/** An example as a programme to start from; undefined for an id that there is none of. */
export function findExample(id: string): ProgrammeDocument | undefined {
  const example = Object.hasOwn(EXAMPLES, id) ? EXAMPLES[id] : undefined;
  return example && buildExample(example);
}
