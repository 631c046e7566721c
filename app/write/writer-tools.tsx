import { Button, Segmented } from 'antd';
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
      <Segmented
        aria-label="Write as"
        size="small"
        value={asCards ? 'Cards' : 'Text'}
        options={['Text', 'Cards']}
        onChange={(as) => showAs(as === 'Cards')}
      />
      <RoutineMenu routines={routines} onInsert={onInsertRoutine} />
      <Button type="text" size="small" className="tool" onClick={onPaste}>
        Paste a plan
      </Button>
      <Button type="text" size="small" className="tool" disabled={!hasText} onClick={onCopy}>
        Copy to …
      </Button>
      <Button
        type="text"
        size="small"
        className="tool is-keys"
        aria-label="How a session is written"
        title="How a session is written (?)"
        aria-pressed={withGuide}
        onClick={onGuide}
      >
        ?
      </Button>
    </div>
  );
}
