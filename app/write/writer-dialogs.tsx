import type { Weekday } from '../../core/calendar/day.ts';
import { parseDayKey } from '../../core/calendar/day.ts';
import { withoutFields } from '../../core/progress/edit/place-days.ts';
import type { WritingDays } from './paste/use-written-days.ts';
import { PasteDialog } from './paste/paste-dialog.tsx';
import { MakeKnownDialog } from './make-known-dialog.tsx';
import { KeepRoutineDialog } from './keep-routine-dialog.tsx';
import type { EditorHandle } from './editor/notation-editor-view.ts';
import { CopyDialog } from './copy-dialog.tsx';
import { printBlock } from '../../core/notation/apply-edits.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { SessionDocument } from '../../core/document/document.ts';

export type WriterDialog = 'paste' | 'copy' | { readonly keep: number } | { readonly dropped: string };

interface WriterDialogsProps {
  readonly text: string;
  readonly document: SessionDocument;
  readonly library: MovementLibrary;
  readonly programmeId: string;
  readonly firstWeekday: Weekday;
  readonly dayKey: string;
  readonly programmes: readonly { readonly id: number; readonly title: string }[];
  /** Names that are to be made known. */
  readonly unknown: readonly string[];
  readonly dialog: WriterDialog | undefined;
  readonly editor: React.RefObject<EditorHandle | null>;
  readonly writing: Pick<WritingDays, 'write' | 'isBusy' | 'problem' | 'count'>;
  readonly onKnown: () => void;
  readonly onClose: () => void;
}

/** What lies over the writer: pasting, copying, keeping a block as a routine, making movements known. */
export function WriterDialogs(props: WriterDialogsProps) {
  const { text, document, library, programmeId, firstWeekday, dayKey, programmes } = props;
  const { unknown, dialog, editor, writing, onKnown, onClose } = props;
  const kept = typeof dialog === 'object' && 'keep' in dialog ? document.blocks[dialog.keep] : undefined;
  const dropped = typeof dialog === 'object' && 'dropped' in dialog ? dialog.dropped : undefined;
  return (
    <>
      <MakeKnownDialog
        key={unknown.join()}
        names={unknown}
        library={library}
        programmeId={programmeId}
        onClose={onKnown}
        onKnown={onKnown}
      />
      <PasteDialog
        key={`${dropped ?? ''} ${writing.count}`}
        open={dialog === 'paste' || dropped !== undefined}
        {...(dropped !== undefined && { dropped })}
        library={library}
        hasText={text.trim() !== ''}
        week={parseDayKey(dayKey)?.week ?? 1}
        firstWeekday={firstWeekday}
        programmeId={programmeId}
        busy={writing.isBusy}
        problem={writing.problem}
        onWrite={writing.write}
        onClose={onClose}
        onTake={(found, mode) =>
          editor.current?.setText(mode === 'replace' ? found : `${text.trimEnd()}\n\n${withoutFields(found)}`)
        }
      />
      <CopyDialog
        open={dialog === 'copy'}
        text={text}
        programmeId={programmeId}
        dayKey={dayKey}
        programmes={programmes}
        onClose={onClose}
      />
      {kept && (
        <KeepRoutineDialog
          text={`${printBlock(kept, library).join('\n')}\n`}
          suggestedName={kept.label ?? kept.role.toLowerCase()}
          onClose={onClose}
        />
      )}
    </>
  );
}
