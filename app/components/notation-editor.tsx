import { useContext, useEffect, useRef } from 'react';
import type { NotationIssue } from '../../core/notation/issue.ts';
import { NonceContext } from './nonce-context.ts';
import type { EditorHandle } from './notation-editor-view.ts';

interface NotationEditorProps {
  readonly initialText: string;
  readonly issues: readonly NotationIssue[];
  readonly onChange: (text: string) => void;
  /** Set once the editor stands; lets buttons outside change the text, with undo. */
  readonly handle: React.RefObject<EditorHandle | null>;
}

/** The session's text. A plain field on the server and until the editor has loaded; nothing typed in between is lost. */
export function NotationEditor({ initialText, issues, onChange, handle }: NotationEditorProps) {
  const nonce = useContext(NonceContext);
  const host = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const change = useRef(onChange);
  const latestIssues = useRef(issues);
  useEffect(() => { change.current = onChange; }, [onChange]);
  useEffect(() => {
    latestIssues.current = issues;
    handle.current?.showIssues(issues);
  }, [issues, handle]);
  useEffect(() => {
    let gone = false;
    let view: EditorHandle | undefined;
    void import('./notation-editor-view.ts').then(({ openEditor }) => {
      if (gone || !host.current) return;
      const plain = field.current;
      view = openEditor(host.current, { text: plain?.value ?? initialText, nonce, onChange: (text) => change.current(text) });
      if (plain) plain.hidden = true;
      if (document.activeElement === plain) view.focus();
      view.showIssues(latestIssues.current);
      handle.current = view;
    });
    return () => {
      gone = true;
      view?.close();
      handle.current = null;
    };
    // The editor owns its text from here on; a new day brings a new component (key).
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [nonce]);
  return (
    <div className="editor" ref={host}>
      <textarea ref={field} aria-label="Session text" defaultValue={initialText} spellCheck={false} onChange={(event) => onChange(event.target.value)} />
    </div>
  );
}
