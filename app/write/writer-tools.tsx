import { RoutineMenu } from './routine-menu.tsx';
import type { RoutineChoice } from './routine-menu.tsx';

interface WriterToolsProps {
  readonly routines: readonly RoutineChoice[];
  readonly asCards: boolean;
  readonly showAs: (cards: boolean) => void;
  readonly withGuide: boolean;
  readonly hasText: boolean;
  readonly onInsertRoutine: (routine: RoutineChoice, how: 'copy' | 'refer') => void;
  readonly onPaste: () => void;
  readonly onCopy: () => void;
  readonly onGuide: () => void;
}

/** Text or cards, routines, pasting, copying, and how a session is written. */
export function WriterTools(props: WriterToolsProps) {
  const { routines, asCards, showAs, withGuide, hasText, onInsertRoutine, onPaste, onCopy, onGuide } = props;
  return (
    <div className="write-tools" role="toolbar" aria-label="Tools">
      <span className="write-as" role="group" aria-label="Write as">
        <button type="button" aria-pressed={!asCards} onClick={() => showAs(false)}>
          Text
        </button>
        <button type="button" aria-pressed={asCards} onClick={() => showAs(true)}>
          Cards
        </button>
      </span>
      <RoutineMenu routines={routines} onInsert={onInsertRoutine} />
      <button type="button" className="tool" onClick={onPaste}>
        Paste a plan
      </button>
      <button type="button" className="tool" disabled={!hasText} onClick={onCopy}>
        Copy to …
      </button>
      <button
        type="button"
        className="tool is-keys"
        aria-label="How a session is written"
        title="How a session is written (?)"
        aria-pressed={withGuide}
        onClick={onGuide}
      >
        ?
      </button>
    </div>
  );
}
