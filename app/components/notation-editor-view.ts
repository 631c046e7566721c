import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { lintGutter, setDiagnostics } from '@codemirror/lint';
import { EditorState, RangeSetBuilder } from '@codemirror/state';
import type { DecorationSet, ViewUpdate } from '@codemirror/view';
import { Decoration, drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers, placeholder, ViewPlugin } from '@codemirror/view';
import type { NotationIssue } from '../../core/notation/issue.ts';
import type { LineSpan } from '../../core/notation/line-spans.ts';
import { lineSpans } from '../../core/notation/line-spans.ts';

export interface EditorHandle {
  showIssues(issues: readonly NotationIssue[]): void;
  /** Replaces from a column of a line (both from 1) up to another; one step of undo. */
  replace(line: number, column: number, endColumn: number, text: string): void;
  setText(text: string): void;
  goTo(line: number, column: number): void;
  focus(): void;
  close(): void;
}

const MARKS: Record<LineSpan['kind'], Decoration> = {
  role: Decoration.mark({ class: 'nt-role' }), field: Decoration.mark({ class: 'nt-field' }), number: Decoration.mark({ class: 'nt-number' }),
  keyword: Decoration.mark({ class: 'nt-keyword' }), comment: Decoration.mark({ class: 'nt-comment' }), quoted: Decoration.mark({ class: 'nt-quoted' }),
};

function decorate(view: EditorView): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>();
  for (const { from, to } of view.visibleRanges) {
    for (let at = from; at <= to;) {
      const line = view.state.doc.lineAt(at);
      for (const span of lineSpans(line.text)) builder.add(line.from + span.start, line.from + span.end, MARKS[span.kind]);
      at = line.to + 1;
    }
  }
  return builder.finish();
}

const highlighting = ViewPlugin.fromClass(class {
  decorations: DecorationSet;
  constructor(view: EditorView) {
    this.decorations = decorate(view);
  }
  update(update: ViewUpdate) {
    if (update.docChanged || update.viewportChanged) this.decorations = decorate(update.view);
  }
}, { decorations: (plugin) => plugin.decorations });

const EXAMPLE = 'Title: Quiet legs, strong back\nTarget: 30 min\n\nWarm-up: 2 rounds\n6 wrist circle\n8 chair squat\n\nMain: every 1:00 for 16:00\n10 squat\n8 chair push-up';

/** Opens CodeMirror with the session language in `host`. */
export function openEditor(host: HTMLElement, options: { text: string; nonce: string; onChange: (text: string) => void }): EditorHandle {
  const view = new EditorView({
    parent: host,
    state: EditorState.create({
      doc: options.text,
      extensions: [
        EditorView.cspNonce.of(options.nonce), lineNumbers(), history(), drawSelection(), highlightActiveLine(), lintGutter(), EditorView.lineWrapping,
        keymap.of([...defaultKeymap, ...historyKeymap]), placeholder(EXAMPLE), highlighting,
        EditorView.contentAttributes.of({ 'aria-label': 'Session text', spellcheck: 'false', autocapitalize: 'off' }),
        EditorView.updateListener.of((update) => { if (update.docChanged) options.onChange(update.state.doc.toString()); }),
      ],
    }),
  });
  const offset = (line: number, column: number) => {
    const { doc } = view.state;
    const at = doc.line(Math.min(Math.max(1, line), doc.lines));
    return Math.min(at.to, at.from + column - 1);
  };
  const change = (from: number, to: number, insert: string) => view.dispatch({ changes: { from, to, insert }, selection: { anchor: from + insert.length }, scrollIntoView: true, userEvent: 'input' });
  return {
    showIssues(issues) {
      view.dispatch(setDiagnostics(view.state, issues.map((issue) => {
        const from = offset(issue.line, issue.column);
        return { from, to: Math.max(from, offset(issue.line, issue.endColumn)), severity: 'error' as const, message: issue.message };
      })));
    },
    replace: (line, column, endColumn, text) => {
      change(offset(line, column), offset(line, endColumn), text);
      view.focus();
    },
    setText: (text) => change(0, view.state.doc.length, text),
    goTo: (line, column) => {
      view.dispatch({ selection: { anchor: offset(line, column) }, scrollIntoView: true });
      view.focus();
    },
    focus: () => view.focus(),
    close: () => view.destroy(),
  };
}
