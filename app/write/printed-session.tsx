import type { Block, SessionDocument } from '../../core/document/document.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import { buildSheet } from '../../core/session/session-sheet.ts';
import { SessionList } from '../participant/base/session-list.tsx';
import { usePrinting } from '../parts/use-printing.ts';

interface PrintedSessionProps {
  readonly document: SessionDocument;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  /** `Wednesday 13 May` */
  readonly words: string;
  readonly library: MovementLibrary;
}

/** The session alone, as it goes on paper: nothing of it is on the screen. */
export function PrintedSession({ document, blocks, plan, words, library }: PrintedSessionProps) {
  if (!usePrinting()) return null;
  const { title, length, range, kit, note, blocks: lines } = buildSheet(document, blocks, plan, library);
  return (
    <article className="printed">
      <p>{words}</p>
      <h1>{title}</h1>
      <p>
        {[length, range, `have ready: ${kit}`].filter(Boolean).join(' · ')}
        {note !== '' && <b> {note}</b>}
      </p>
      <SessionList blocks={lines} />
    </article>
  );
}
