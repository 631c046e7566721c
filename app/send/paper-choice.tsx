import type { PaperSize } from '../../db/queries/doors/paper.ts';
import { Choice } from '../parts/fields/choice.tsx';

const SIZES: readonly { readonly value: PaperSize; readonly words: string }[] = [
  { value: 'a4', words: 'A4' },
  { value: 'letter', words: 'Letter' },
];

/** What paper is in the printers: of everything that is printed in this workspace. */
export function PaperChoice({ paper, onChoose }: { paper: PaperSize; onChoose: (paper: string) => void }) {
  return <Choice isQuiet label="Paper" value={paper} onChange={onChoose} options={SIZES} />;
}
