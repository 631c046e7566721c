import type { DayPlace, Weekday } from '../../core/calendar/day.ts';
import { dayKey as keyOfDay, dayName, parseDayKey } from '../../core/calendar/day.ts';
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
  readonly onKnown: () => void;
  readonly onClose: () => void;
}

/** What lies over the writer: pasting, copying, keeping a block as a routine, making movements known. */
export function WriterDialogs(props: WriterDialogsProps) {
  const { text, document, library, programmeId, firstWeekday, dayKey, programmes } = props;
  const { unknown, dialog, editor, onKnown, onClose } = props;
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
        key={dropped ?? ''}
        open={dialog === 'paste' || dropped !== undefined}
        {...(dropped !== undefined && { dropped })}
        library={library}
        hasText={text.trim() !== ''}
        week={parseDayKey(dayKey)?.week ?? 1}
        firstWeekday={firstWeekday}
        onPutOn={(place, found) => putOn(programmeId, firstWeekday, place, found)}
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

/** Puts a text on another day of the programme, unless something stands there; what came of it, in words. */
async function putOn(
  programmeId: string,
  first: Weekday,
  place: DayPlace,
  text: string,
): Promise<{ done: boolean; words: string }> {
  try {
    const response = await fetch(`/programmes/${programmeId}/copy`, {
      method: 'POST',
      body: new URLSearchParams({ text, toProgramme: String(programmeId), toDay: keyOfDay(place) }),
    });
    const answer = (await response.json()) as { error?: string };
    return response.ok
      ? { done: true, words: `${dayName(place, first)}: written` }
      : { done: false, words: answer.error ?? `${dayName(place, first)}: it couldn’t be written` };
  } catch {
    return { done: false, words: `${dayName(place, first)}: no network, nothing was written` };
  }
}

/** What is put below a session brings its blocks, not its title. */
const withoutFields = (text: string): string => text.replace(/^(?:Title: .*\n)+\n?/, '');
