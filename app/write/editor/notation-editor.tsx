import { useContext, useEffect, useImperativeHandle, useRef } from 'react';
import type { NotationIssue } from '../../../core/text/issue.ts';
import type { Finding } from '../../../core/session/findings/finding.ts';
import { NonceContext } from '../../shell/frame/nonce-context.ts';
import { useIsReader } from '../../parts/reader.tsx';
import type { EditorHandle, EditorOptions } from './notation-editor-view.ts';

interface NotationEditorProps extends Pick<
  EditorOptions,
  'onChange' | 'onCaret' | 'onTake' | 'onKnow' | 'complete' | 'explain' | 'draw'
> {
  readonly initialText: string;
  readonly issues: readonly NotationIssue[];
  readonly findings: readonly Finding[];
  readonly isHidden: boolean;
  /** Set once the editor stands; lets buttons outside change the text, with undo. */
  readonly handle: React.RefObject<EditorHandle | null>;
}

/** Marks wait until the hand rests, so that a keystroke is never held up by them. */
const MARKS_AFTER_MS = 180;

/** The plain field as an editor: what is changed by buttons before the real one has loaded. */
function plainHandle(field: HTMLTextAreaElement, onChange: (text: string) => void): EditorHandle {
  const setText = (text: string) => {
    field.value = text;
    onChange(text);
  };
  const focus = () => field.focus();
  const nothing = () => undefined;
  return {
    setText,
    focus,
    goTo: focus,
    replace(line, column, endColumn, text) {
      const lines = field.value.split('\n');
      const own = lines[line - 1] ?? '';
      setText(lines.with(line - 1, `${own.slice(0, column - 1)}${text}${own.slice(endColumn - 1)}`).join('\n'));
    },
    showMarks: nothing,
    undo: nothing,
    redo: nothing,
    remeasure: nothing,
    close: nothing,
  };
}

/** The session's text. A plain field on the server and until the editor has loaded; nothing typed in between is lost. */
export function NotationEditor({
  initialText,
  issues,
  findings,
  isHidden,
  handle,
  onChange,
  onCaret,
  onTake,
  onKnow,
  complete,
  explain,
  draw,
}: NotationEditorProps) {
  const nonce = useContext(NonceContext);
  const isReadOnly = useIsReader();
  const host = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const latest = useRef({ onChange, onCaret, onTake, onKnow, complete, explain, draw, issues, findings });
  useEffect(() => {
    latest.current = { onChange, onCaret, onTake, onKnow, complete, explain, draw, issues, findings };
  });
  // Until the editor has loaded, buttons change the plain field; it takes over what stands there.
  useImperativeHandle(handle, () => plainHandle(field.current!, (text) => latest.current.onChange(text)), []);
  useEffect(() => {
    const timer = setTimeout(() => handle.current?.showMarks(issues, findings), MARKS_AFTER_MS);
    return () => clearTimeout(timer);
  }, [issues, findings, handle]);
  useEffect(() => {
    if (!isHidden) handle.current?.remeasure();
  }, [isHidden, handle]);
  useEffect(() => {
    let gone = false;
    let view: EditorHandle | undefined;
    void import('./notation-editor-view.ts').then(({ openEditor }) => {
      if (gone || !host.current) return;
      const plain = field.current;
      view = openEditor(host.current, {
        text: plain?.value ?? initialText,
        nonce,
        isReadOnly,
        onChange: (text) => latest.current.onChange(text),
        onCaret: (...at) => latest.current.onCaret(...at),
        onTake: (change) => latest.current.onTake(change),
        onKnow: (name) => latest.current.onKnow(name),
        complete: (...at) => latest.current.complete(...at),
        explain: (...at) => latest.current.explain(...at),
        draw: (name) => latest.current.draw(name),
      });
      if (plain) plain.hidden = true;
      if (document.activeElement === plain) view.focus();
      view.showMarks(latest.current.issues, latest.current.findings);
      handle.current = view;
    });
    return () => {
      gone = true;
      view?.close();
      handle.current = null;
    };
    // The editor owns its text from here on; a new day brings a new component (key).
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [nonce, isReadOnly]);
  return (
    <div className="editor" ref={host} hidden={isHidden}>
      <textarea
        ref={field}
        aria-label="Session text"
        defaultValue={initialText}
        spellCheck={false}
        onChange={(event) => onChange(event.target.value)}
      />
    </div>
  );
}
