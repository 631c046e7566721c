import { Button, Checkbox } from 'antd';
import { useCallback, useEffect, useState } from 'react';
import { WritingGuide } from './writing-guide.tsx';
import { WriterTools } from './writer-tools.tsx';
import type { WriterDay } from './writer-day.ts';
import type { WriterDialog } from './writer-dialogs.tsx';
import { WriterDialogs } from './writer-dialogs.tsx';
import { SessionStart } from './session-start.tsx';
import { SeeAs } from './see-as.tsx';
import type { RoutineChoice } from './routine-menu.tsx';
import { ReadyActions } from './ready-actions.tsx';
import type { WritingDays, WrittenDays } from './paste/use-written-days.ts';
import { PrintedSession } from './printed-session.tsx';
import { PlanPanel } from './plan-panel.tsx';
import { useSessionEditing } from './editor/use-session-editing.ts';
import { useSpelling } from './editor/use-spelling.ts';
import { useDraft } from './editor/use-draft.ts';
import { NotationEditor } from './editor/notation-editor.tsx';
import { StaleNotice, DraftWords } from './editor/draft-words.tsx';
import { SessionCards } from './cards/session-cards.tsx';
import { TrackWords } from '../plan/track/track-words.tsx';
import { useIsReader } from '../parts/reader.tsx';
import { useLeaving, unlessAsked } from '../parts/leaving.tsx';
import { useHelpKey, WRITE_KEYS } from '../parts/keys-help.tsx';
import type { NotationIssue } from '../../core/text/issue.ts';
import { starterMain, EXAMPLE_SESSION, starterBlock } from '../../core/session/starters.ts';
import { computeRoomKit } from '../../core/session/room-kit.ts';
import { readRoutine } from '../../core/session/read-routines.ts';
import type { TrackNote } from '../../core/progress/track/track-note.ts';
import type { GuideExample, GuideTopic } from '../../core/notation/help/guide.ts';
import { takeExample, topicAt } from '../../core/notation/help/guide.ts';
import { printBlock } from '../../core/notation/apply-edits.ts';
import type { MovementLayer } from '../../core/movement/layer.ts';
import type { Weekday } from '../../core/calendar/day.ts';
import type { Block } from '../../core/document/document.ts';
import type { Route } from './+types/write';
import { useSubmit, useRevalidator, useSearchParams } from 'react-router';

export interface WriterProps {
  /** Of its track, where it is in one. */
  readonly note: TrackNote | null;
  readonly name: string;
  readonly words: string;
  readonly programmeId: string;
  readonly firstWeekday: Weekday;
  readonly day: WriterDay;
  readonly answer: Route.ComponentProps['actionData'];
  readonly busy: boolean;
  readonly dayKey: string;
  readonly routines: readonly RoutineChoice[];
  readonly layer: MovementLayer;
  /** How many there are. */
  readonly people: number;
  readonly programmes: readonly { readonly id: number; readonly title: string }[];
  /** Writing the days of a pasted plan. */
  readonly writing: WritingDays;
}

const NOT_SAVED =
  'What stands in the writer couldn’t be saved, so nothing was written on other days either. Close this, see what is said there, and paste again.';

/** Long enough that passing through isn't reading. */
const READ_AFTER_MS = 2_000;

/** Marks what a track or a copy wrote as read, once it has been looked at for a moment. */
function useReadMark(day: WriterDay, draftPath: string, isReader: boolean, revalidate: () => Promise<void>): void {
  useEffect(() => {
    if (isReader || day.isRead || day.text.trim() === '') return;
    const timer = setTimeout(() => {
      const body = JSON.stringify({ read: true, revision: day.revision });
      void fetch(draftPath, { method: 'POST', headers: { 'content-type': 'application/json' }, body })
        .then(revalidate)
        .catch(() => undefined);
    }, READ_AFTER_MS);
    return () => clearTimeout(timer);
  }, [isReader, day.isRead, day.text, day.revision, draftPath, revalidate]);
}

/** The session's text or cards, what it comes to, and what is done with it. */
export function Writer({
  name,
  words,
  note,
  day,
  answer,
  busy,
  programmeId,
  firstWeekday,
  dayKey,
  routines,
  layer,
  people,
  programmes,
  writing,
}: WriterProps) {
  const submit = useSubmit();
  const leaving = useLeaving(answer, (fields) => submit(fields, { method: 'post' }), busy);
  const error = unlessAsked(answer)?.error ?? '';
  const { revalidate } = useRevalidator();
  const onSaved = useCallback(() => void revalidate(), [revalidate]);
  const base = `/programmes/${programmeId}`;
  const { saver, state: draftState } = useDraft(`${base}/write/${dayKey}/draft`, day, onSaved);
  const isReader = useIsReader();
  const draftPath = `${base}/write/${dayKey}/draft`;
  useReadMark(day, draftPath, isReader, revalidate);
  const onText = useCallback((next: string) => saver.change(next), [saver]);
  const { text, library, analysis, editor, onChange, onEdit, onTake, complete, explain, draw } = useSessionEditing(
    day.text,
    routines,
    layer,
    onText,
  );
  const { document, issues, findings, plan, blocks } = analysis;
  const [params, setParams] = useSearchParams();
  const asCards = params.get('as') === 'cards';
  const withGuide = params.get('guide') === 'on';
  const [caret, setCaret] = useState({ line: 1, offset: 0 });
  const onCaret = useCallback((line: number, offset: number) => setCaret({ line, offset }), []);
  const spelling = useSpelling(text, findings, caret.line, onTake);
  const [dialog, setDialog] = useState<WriterDialog | undefined>(
    params.get('paste') === 'on' && writing.written === undefined ? 'paste' : undefined,
  );
  const [seenWritten, setSeenWritten] = useState(writing.written);
  if (writing.written !== seenWritten) {
    // The days are written: what was pasted is done with.
    setSeenWritten(writing.written);
    setDialog(undefined);
  }
  // What is typed is stored first: what a pasted plan meets on this day is then what stands here.
  const [isUnsaved, setUnsaved] = useState(false);
  const writeDays = async (days: WrittenDays) => {
    const isSaved = await saver.save();
    setUnsaved(!isSaved);
    if (isSaved) writing.write(days);
  };
  const [unknown, setUnknown] = useState<readonly string[]>([]);
  const onKnown = useCallback(() => setUnknown([]), []);
  const setParam = useCallback(
    (name: string, value: string | null) =>
      setParams(
        (now) => {
          if (value === null) now.delete(name);
          else now.set(name, value);
          return now;
        },
        { replace: true, preventScrollReset: true },
      ),
    [setParams],
  );
  const showAs = (cards: boolean) => setParam('as', cards ? 'cards' : null);
  const showGuide = useCallback((on: boolean) => setParam('guide', on ? 'on' : null), [setParam]);
  const toggleGuide = useCallback(() => showGuide(!withGuide), [showGuide, withGuide]);
  useHelpKey(toggleGuide);
  const onTakeExample = (topic: GuideTopic, { write, shape }: GuideExample) => {
    const own = shape ? printBlock(starterMain(shape, library), library).join('\n') : write;
    const taken = takeExample(text, caret.line, topic, topic === 'block' && !shape ? `${write}\nsquat` : own);
    editor.current?.setText(taken.text);
    editor.current?.goTo(taken.line, (taken.text.split('\n')[taken.line - 1] ?? '').length + 1);
  };
  const insert = (at: number, next: Block) => {
    onEdit([{ kind: 'insert-block', at, next }]);
    // One goes on in the text, or on the card, that has just come.
    setTimeout(() => (asCards ? undefined : editor.current?.focus()), 0);
  };
  const onGoToLine = (line: number, column = 1) => {
    if (asCards) showAs(false);
    setTimeout(() => editor.current?.goTo(line, column), 0);
  };
  const onApply = (issue: NotationIssue, suggestion: string) =>
    editor.current?.replace(issue.line, issue.column, issue.endColumn, suggestion);
  const mark = async () => {
    if (await saver.save()) await leaving.send({ intent: 'ready', revision: String(saver.revision) });
  };
  const onInsertRoutine = (routine: RoutineChoice, how: 'copy' | 'refer') => {
    const block = readRoutine(routine.text, library);
    if (!block) return;
    const next: Block =
      how === 'copy'
        ? block
        : { role: block.role, time: { kind: 'flow' }, source: { kind: 'routine', name: routine.name }, items: [] };
    onEdit([{ kind: 'insert-block', at: block.role === 'Warm-up' ? 0 : document.blocks.length, next }]);
  };
  const isBlank = text.trim() === '';
  const guide = withGuide ? (
    <WritingGuide
      topic={topicAt(text, caret.line, caret.offset)}
      keys={WRITE_KEYS}
      onTake={onTakeExample}
      onClose={() => showGuide(false)}
    />
  ) : undefined;
  return (
    <div className="write">
      {leaving.dialog}
      <PrintedSession document={document} blocks={blocks} plan={plan} words={words} library={library} />
      <section
        className="write-text"
        onDragOverCapture={(event) => {
          if (event.dataTransfer.types.includes('Files')) event.preventDefault();
        }}
        onDropCapture={(event) => {
          const file = event.dataTransfer.files[0];
          if (!file) return;
          // A plan is looked at before it is taken; the editor would put it in as it is.
          event.preventDefault();
          event.stopPropagation();
          void file.text().then((dropped) => setDialog({ dropped }));
        }}
      >
        <div className="write-title">
          <h1>{name}</h1>
          <span className="soft">{words}</span>
        </div>
        {note && <TrackWords note={note} hint={`of the track ${note.track}; what you change here is kept as it is`} />}
        {error && (
          <p className="notice bad" role="alert">
            {error}
          </p>
        )}
        <StaleNotice {...{ saver, editor }} state={draftState} />
        <WriterTools
          {...{ routines, asCards, showAs, withGuide, onInsertRoutine }}
          hasText={text.trim() !== ''}
          onPaste={() => setDialog('paste')}
          onCopy={() => setDialog('copy')}
          onGuide={toggleGuide}
        />
        <NotationEditor
          initialText={day.text}
          issues={issues}
          findings={findings}
          isHidden={asCards}
          onChange={onChange}
          onCaret={onCaret}
          onTake={onTake}
          onKnow={(one) => setUnknown([one])}
          complete={complete}
          explain={explain}
          draw={draw}
          handle={editor}
        />
        {asCards && (
          <SessionCards
            analysis={analysis}
            library={library}
            onEdit={onEdit}
            onUndo={() => editor.current?.undo()}
            onRedo={() => editor.current?.redo()}
            onKeep={(keep) => setDialog({ keep })}
          />
        )}
        <p className="write-foot small">
          <DraftWords state={draftState} />
          <Checkbox checked={spelling.isOn} onChange={(event) => spelling.setOn(event.target.checked)}>
            Write my own words in the usual spelling when I leave the line
          </Checkbox>
          {text.trim() === '' && day.sentNumber === null && (
            <Button
              type="link"
              size="small"
              className="link"
              onClick={() => void submit({ intent: 'remove' }, { method: 'post' })}
            >
              remove this day
            </Button>
          )}
        </p>
      </section>
      {isBlank ? (
        <div className="plan-panel">
          <SessionStart
            routines={routines}
            onPaste={() => setDialog('paste')}
            onExample={() => {
              editor.current?.setText(EXAMPLE_SESSION);
              editor.current?.focus();
            }}
            onBlock={(role) => insert(0, starterBlock(role, plan, library))}
            onMain={(shape) => insert(0, starterMain(shape, library))}
            onRoutine={(routine) => onInsertRoutine(routine, 'copy')}
          />
          {guide}
        </div>
      ) : (
        <PlanPanel
          document={document}
          blocks={blocks}
          plan={plan}
          issues={issues}
          findings={findings}
          room={computeRoomKit(document.groupSize, blocks, library)}
          onGoTo={(issue) => onGoToLine(issue.line, issue.column)}
          onGoToLine={onGoToLine}
          onApply={onApply}
          onTake={onTake}
          onKnow={setUnknown}
          actions={
            <ReadyActions
              {...{ day, text, analysis }}
              draft={draftState}
              isBusy={busy}
              sendPath={`${base}/send/${dayKey}`}
              onReady={() => void mark()}
              onNotReady={() =>
                void submit({ intent: 'not-ready', revision: String(day.revision) }, { method: 'post' })
              }
            />
          }
          guide={guide}
          below={<SeeAs analysis={analysis} library={library} programmeId={programmeId} count={people} />}
        />
      )}
      <WriterDialogs
        {...{ text, document, library, programmeId, firstWeekday, dayKey, programmes, unknown, dialog, editor }}
        writing={{
          ...writing,
          write: (days) => void writeDays(days),
          problem: isUnsaved ? NOT_SAVED : writing.problem,
        }}
        onKnown={onKnown}
        onClose={() => setDialog(undefined)}
      />
    </div>
  );
}
