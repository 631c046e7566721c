import { Button, Tooltip } from 'antd';
import { useCallback, useEffect, useState } from 'react';
import { data, Form, Link, redirect, useNavigation, useRevalidator, useSearchParams, useSubmit } from 'react-router';
import type { DayPlace, Weekday } from '../../core/calendar/day.ts';
import { dayKey as keyOfDay, dayName, formatDay, parseDayKey, weekdayOf } from '../../core/calendar/day.ts';
import { findProgrammeDay } from '../../core/progress/programme-document.ts';
import type { TrackNote } from '../../core/progress/track/track-note.ts';
import { buildTrackNote } from '../../core/progress/track/track-note.ts';
import type { MovementLayer } from '../../core/movement/layer.ts';
import { printBlock } from '../../core/notation/apply-edits.ts';
import type { NotationIssue } from '../../core/text/issue.ts';
import { analyseText, isSendable } from '../../core/session/analyse.ts';
import type { Block } from '../../core/document/document.ts';
import type { GuideExample, GuideTopic } from '../../core/notation/guide.ts';
import { takeExample, topicAt } from '../../core/notation/guide.ts';
import { EXAMPLE_SESSION, starterBlock, starterMain } from '../../core/session/starters.ts';
import { computeRoomKit } from '../../core/session/room-kit.ts';
import { readRoutine } from '../../core/session/read-routines.ts';
import { StaleError } from '../../db/errors.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { deleteEmptyDay, insertDay, listProgrammes, updateDayReady } from '../../db/queries/programme.ts';
import { decideSend, runsOfPlan } from '../../server/send/send-decision.ts';
import { coachForm, notFound, withDay } from '../../server/doors/coach-scope.ts';
import { nowMs } from '../../server/config.ts';
import { formRevision, formText } from '../../server/http/form-text.ts';
import { trackBookOf } from '../../server/plan/plan-changes.ts';
import type { WorkspaceBook } from '../../server/write/workspace-book.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import { TrackWords } from '../plan/track/track-words.tsx';
import { CopyDialog } from './copy-dialog.tsx';
import type { DraftState } from './editor/draft-saver.ts';
import { KeepRoutineDialog } from './keep-routine-dialog.tsx';
import { useHelpKey, WRITE_KEYS } from '../parts/keys-help.tsx';
import { MakeKnownDialog } from './make-known-dialog.tsx';
import { NotationEditor } from './editor/notation-editor.tsx';
import { PasteDialog } from './paste-dialog.tsx';
import { SeeAs } from './see-as.tsx';
import { PlanPanel } from './plan-panel.tsx';
import type { RoutineChoice } from './routine-menu.tsx';
import { PrintedSession } from './printed-session.tsx';
import { RoutineMenu } from './routine-menu.tsx';
import { SessionCards } from './cards/session-cards.tsx';
import { SessionStart } from './session-start.tsx';
import { WritingGuide } from './writing-guide.tsx';
import { useIsReader } from '../parts/reader.tsx';
import { useDraft } from './editor/use-draft.ts';
import { useSessionEditing } from './editor/use-session-editing.ts';
import { unlessAsked, useLeaving } from '../parts/leaving.tsx';
import type { Route } from './+types/write';
import { runDate } from '../../core/calendar/release.ts';

export { onlyNewPlaces as shouldRevalidate } from '../parts/only-new-places.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `Write: ${loaderData?.name ?? ''} · Ysodos` }];

/** What the writer reads texts with. */
const bookFor = ({ stored, layer }: WorkspaceBook) => ({ routines: stored, layer });

export async function loader({ request, params }: Route.LoaderArgs) {
  return withDay(request, params, async (db, { day, place, programme }) => {
    const book = await loadWorkspaceBook(db);
    const plan = await getPlan(db, programme);
    return {
      ...bookFor(book),
      note: buildTrackNote(plan.programme, findProgrammeDay(plan.programme, place), trackBookOf(book)) ?? null,
      people: programme.people,
      programmes: (await listProgrammes(db, new Date(nowMs()))).map(({ id, title }) => ({ id, title })),
      name: dayName(place, weekdayOf(programme.startsOn)),
      firstWeekday: weekdayOf(programme.startsOn),
      words: formatDay(runDate(programme.run.rules, place)),
      dayKey: params.day,
      programmeId: programme.key,
      day: day
        ? {
            id: day.id,
            text: day.text,
            revision: day.revision,
            isReady: day.isReady,
            isRead: day.isRead,
            sentNumber: day.sent?.number ?? null,
            isAsSent: day.sent?.text === day.text,
          }
        : null,
    };
  });
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const intent = formText(form, 'intent');
  return withDay(request, params, async (db, { coach, programme, place, day }) => {
    if (intent === 'add') {
      await insertDay(db, {
        workspaceId: coach.workspaceId,
        programmeId: programme.id,
        ...place,
        now: new Date(nowMs()),
      });
      return data({ error: '' });
    }
    if (!day) return notFound();
    if (intent === 'remove') {
      if (!(await deleteEmptyDay(db, day.id)))
        return data(
          { error: 'Only an empty day that was never sent can be removed. Empty its text first.' },
          { status: 400 },
        );
      // The page then offers to put a session here: that is the way back.
      return data({ error: '' });
    }
    if (intent !== 'ready' && intent !== 'not-ready')
      return data({ error: 'That is no step of this page; load it again.' }, { status: 400 });
    const revision = formRevision(form);
    if (intent === 'ready') {
      const book = await loadWorkspaceBook(db);
      const analysis = analyseText(day.text, book.library, book.routines);
      const errors = analysis.issues.length;
      if (errors > 0)
        return data(
          { error: `${errors === 1 ? 'One thing' : `${errors} things`} can’t be read yet; mend that first.` },
          { status: 400 },
        );
      if (analysis.plan.timeline.length === 0)
        return data({ error: 'There is nothing in this session yet.' }, { status: 400 });
      if (!isSendable(analysis))
        return data(
          { error: 'It refers to a routine that isn’t there. Write the block out, or store the routine.' },
          { status: 400 },
        );
    }
    const isReady = intent === 'ready';
    const mark = async () => {
      try {
        await updateDayReady(db, { dayId: day.id, revision, isReady });
      } catch (error) {
        if (error instanceof StaleError)
          return data({ error: 'The text was changed in between; look at it again.' }, { status: 409 });
        throw error;
      }
      return isReady ? redirect(`/programmes/${programme.key}/send/${params.day}`) : data({ error: '' });
    };
    return decideSend(db, { ...coach, runIds: await runsOfPlan(db, programme) }, form, mark);
  });
}

export default function Write({ loaderData, actionData }: Route.ComponentProps) {
  const { day, name, words } = loaderData;
  const busy = useNavigation().state !== 'idle';
  if (!day) {
    return (
      <div className="no-session">
        <h1>{name}</h1>
        <p className="soft">{words}. The programme has no session on this day.</p>
        <Form method="post">
          <input type="hidden" name="intent" value="add" />
          <Button type="primary" htmlType="submit" loading={busy}>
            Put a session here
          </Button>
        </Form>
      </div>
    );
  }
  return <Writer key={day.id} {...loaderData} day={day} answer={actionData} busy={busy} />;
}

/** Long enough that passing through isn't reading. */
const READ_AFTER_MS = 2_000;

interface WriterProps {
  /** Of its track, where it is in one. */
  readonly note: TrackNote | null;
  readonly name: string;
  readonly words: string;
  readonly programmeId: string;
  readonly firstWeekday: Weekday;
  readonly day: {
    readonly id: number;
    readonly text: string;
    readonly revision: number;
    readonly isReady: boolean;
    readonly isRead: boolean;
    readonly sentNumber: number | null;
    readonly isAsSent: boolean;
  };
  readonly answer: Route.ComponentProps['actionData'];
  readonly busy: boolean;
  readonly dayKey: string;
  readonly routines: readonly RoutineChoice[];
  readonly layer: MovementLayer;
  /** How many there are. */
  readonly people: number;
  readonly programmes: readonly { readonly id: number; readonly title: string }[];
}

function Writer({
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
  useEffect(() => {
    // What a track or a copy wrote is read once it has been looked at here for a moment.
    if (isReader || day.isRead || day.text.trim() === '') return;
    const timer = setTimeout(() => {
      const body = JSON.stringify({ read: true, revision: day.revision });
      void fetch(draftPath, { method: 'POST', headers: { 'content-type': 'application/json' }, body })
        .then(revalidate)
        .catch(() => undefined);
    }, READ_AFTER_MS);
    return () => clearTimeout(timer);
  }, [isReader, day.isRead, day.text, day.revision, draftPath, revalidate]);
  const onText = useCallback((next: string) => saver.change(next), [saver]);
  const { text, library, analysis, editor, onChange, onEdit, onTake, complete, explain } = useSessionEditing(
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
  const [dialog, setDialog] = useState<'paste' | 'copy' | { readonly keep: number } | undefined>(
    params.get('paste') === 'on' ? 'paste' : undefined,
  );
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
  const isReady = day.isReady && text === day.text;
  const canBeReady = isSendable(analysis);
  const mark = async () => {
    if (await saver.save()) await leaving.send({ intent: 'ready', revision: String(saver.revision) });
  };
  const why =
    issues.length > 0
      ? 'Lines that can’t be read have to be mended first'
      : plan.timeline.length === 0
        ? 'There is nothing in this session yet'
        : 'It refers to a routine that isn’t there';
  const actions =
    isReady || (day.sentNumber !== null && text === day.text && day.isAsSent) ? (
      <>
        {isReady && !day.isAsSent && (
          <Button
            onClick={() => void submit({ intent: 'not-ready', revision: String(day.revision) }, { method: 'post' })}
          >
            Not ready after all
          </Button>
        )}
        <Link className="button-main" to={`${base}/send/${dayKey}`}>
          {day.isAsSent ? `Sent as version ${day.sentNumber}` : 'Ready: go on to Send'}
        </Link>
      </>
    ) : (
      <Tooltip title={canBeReady ? '' : why}>
        <Button
          type="primary"
          size="large"
          disabled={!canBeReady || draftState.kind === 'stale'}
          loading={busy}
          onClick={() => void mark()}
        >
          Mark ready
        </Button>
      </Tooltip>
    );
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
  const kept = typeof dialog === 'object' ? document.blocks[dialog.keep] : undefined;
  return (
    <div className="write">
      {leaving.dialog}
      <PrintedSession document={document} blocks={blocks} plan={plan} words={words} library={library} />
      <section className="write-text">
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
        {draftState.kind === 'stale' && (
          <div className="notice bad" role="alert">
            <p>
              <b>This day was changed elsewhere</b>, in another tab or by another coach. What you typed is still here
              and not saved.
            </p>
            <Button size="small" onClick={() => saver.settle(draftState.revision)}>
              Keep mine
            </Button>{' '}
            <Button
              size="small"
              onClick={() => {
                saver.settle(draftState.revision, draftState.theirs);
                editor.current?.setText(draftState.theirs);
              }}
            >
              Take theirs
            </Button>
          </div>
        )}
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
          <button type="button" className="tool" onClick={() => setDialog('paste')}>
            Paste a plan
          </button>
          <button type="button" className="tool" disabled={text.trim() === ''} onClick={() => setDialog('copy')}>
            Copy to …
          </button>
          <button
            type="button"
            className="tool is-keys"
            aria-label="How a session is written"
            title="How a session is written (?)"
            aria-pressed={withGuide}
            onClick={toggleGuide}
          >
            ?
          </button>
        </div>
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
          {text.trim() === '' && day.sentNumber === null && (
            <button
              type="button"
              className="link"
              onClick={() => void submit({ intent: 'remove' }, { method: 'post' })}
            >
              remove this day
            </button>
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
          actions={actions}
          guide={guide}
          below={<SeeAs analysis={analysis} library={library} programmeId={programmeId} count={people} />}
        />
      )}
      <MakeKnownDialog
        key={unknown.join()}
        names={unknown}
        library={library}
        programmeId={programmeId}
        onClose={() => setUnknown([])}
        onKnown={onKnown}
      />
      <PasteDialog
        open={dialog === 'paste'}
        library={library}
        hasText={text.trim() !== ''}
        week={parseDayKey(dayKey)?.week ?? 1}
        firstWeekday={firstWeekday}
        onPutOn={(place, found) => putOn(programmeId, firstWeekday, place, found)}
        onClose={() => setDialog(undefined)}
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
        onClose={() => setDialog(undefined)}
      />
      {kept && (
        <KeepRoutineDialog
          text={`${printBlock(kept, library).join('\n')}\n`}
          suggestedName={kept.label ?? kept.role.toLowerCase()}
          onClose={() => setDialog(undefined)}
        />
      )}
    </div>
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

function DraftWords({ state }: { state: DraftState }) {
  switch (state.kind) {
    case 'saved':
      return (
        <span className="soft" role="status">
          saved
        </span>
      );
    case 'typing':
      return (
        <span className="soft" role="status">
          not saved yet
        </span>
      );
    case 'offline':
      return (
        <span className="plan-off" role="status">
          no network: what you type stays here and is saved later
        </span>
      );
    case 'refused':
      return (
        <span className="plan-off" role="alert">
          {state.message}
        </span>
      );
    case 'stale':
      return (
        <span className="plan-off" role="status">
          not saved: changed elsewhere
        </span>
      );
  }
}
