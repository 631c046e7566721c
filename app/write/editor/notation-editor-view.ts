import type { CompletionContext, CompletionResult } from '@codemirror/autocomplete';
import { acceptCompletion, autocompletion, completionStatus } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap, isolateHistory, redo, undo } from '@codemirror/commands';
import type { Action, Diagnostic } from '@codemirror/lint';
import { lintGutter, lintKeymap, setDiagnostics } from '@codemirror/lint';
import { EditorState, RangeSetBuilder } from '@codemirror/state';
import type { DecorationSet, ViewUpdate } from '@codemirror/view';
import {
  Decoration,
  drawSelection,
  EditorView,
  highlightActiveLine,
  hoverTooltip,
  keymap,
  lineNumbers,
  placeholder,
  tooltips,
  ViewPlugin,
} from '@codemirror/view';
import type { CompletionList } from '../../../core/notation/help/complete.ts';
import { doseStops, nextStop } from '../../../core/notation/dose-stops.ts';
import type { NotationIssue } from '../../../core/text/issue.ts';
import type { LineSpan } from '../../../core/notation/line-spans.ts';
import { lineSpans } from '../../../core/notation/line-spans.ts';
import { changeWords, findingWords } from '../../../words/en/findings.ts';
import type { SheetFigure } from '../../../core/figure/sheet-figure.ts';
import type { Finding, FindingChange } from '../../../core/session/findings/finding.ts';
import { EXAMPLE_SESSION } from '../../../core/session/starters.ts';

export interface EditorHandle {
  showMarks(issues: readonly NotationIssue[], findings: readonly Finding[]): void;
  /** Replaces from a column of a line (both from 1) up to another; one step of undo. */
  replace(line: number, column: number, endColumn: number, text: string): void;
  /** Makes the text another one, touching only what differs; one step of undo. */
  setText(text: string): void;
  goTo(line: number, column: number): void;
  undo(): void;
  redo(): void;
  focus(): void;
  /** After the editor was out of sight. */
  remeasure(): void;
  close(): void;
}

export interface EditorOptions {
  readonly text: string;
  readonly isReadOnly: boolean;
  readonly nonce: string;
  readonly onChange: (text: string) => void;
  /** Where the caret is: a line (from 1) and an offset in it. */
  readonly onCaret: (line: number, offset: number) => void;
  readonly onTake: (change: FindingChange) => void;
  /** Makes a movement known, or corrects how it was read. */
  readonly onKnow: (name: string) => void;
  /** What could stand at an offset of a line (from 1). */
  readonly complete: (text: string, line: number, offset: number) => CompletionList | undefined;
  /** What a movement looks like; null where it has no drawing. */
  readonly draw: (name: string) => Promise<SheetFigure | null>;
  /** The sums behind a place; undefined where there is nothing to add up. */
  readonly explain: (
    line: number,
    column: number,
  ) =>
    | {
        readonly lines: readonly string[];
        readonly from: number;
        readonly to: number;
        /** The movement here, whose drawing is shown. */
        readonly movement?: string;
        /** A name that was read here, which can be corrected. */
        readonly read?: string;
      }
    | undefined;
}

const MARKS: Record<LineSpan['kind'], Decoration> = {
  role: Decoration.mark({ class: 'nt-role' }),
  field: Decoration.mark({ class: 'nt-field' }),
  number: Decoration.mark({ class: 'nt-number' }),
  keyword: Decoration.mark({ class: 'nt-keyword' }),
  comment: Decoration.mark({ class: 'nt-comment' }),
  quoted: Decoration.mark({ class: 'nt-quoted' }),
};

function decorate(view: EditorView): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>();
  for (const { from, to } of view.visibleRanges) {
    for (let at = from; at <= to;) {
      const line = view.state.doc.lineAt(at);
      for (const span of lineSpans(line.text))
        builder.add(line.from + span.start, line.from + span.end, MARKS[span.kind]);
      at = line.to + 1;
    }
  }
  return builder.finish();
}

const highlighting = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;
    constructor(view: EditorView) {
      this.decorations = decorate(view);
    }
    update(update: ViewUpdate) {
      if (update.docChanged || update.viewportChanged) this.decorations = decorate(update.view);
    }
  },
  { decorations: (plugin) => plugin.decorations },
);

/** A drawing as an element of the page. */
function pictureOf(figure: SheetFigure | null): Element | null {
  if (!figure) return null;
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  svg.setAttribute('class', 'fig tip-picture');
  svg.setAttribute('viewBox', figure.box);
  svg.setAttribute('role', 'img');
  svg.setAttribute('aria-label', figure.words);
  svg.innerHTML = figure.markup;
  return svg;
}

const countWords = (text: string) => text.split(' ').length;

function completionSource(options: EditorOptions) {
  return (context: CompletionContext): CompletionResult | null => {
    const line = context.state.doc.lineAt(context.pos);
    const found = options.complete(context.state.doc.toString(), line.number, context.pos - line.from);
    if (!found || (!context.explicit && context.pos - line.from <= found.from)) return null;
    // A bare number names nothing yet: a list over it would only take the key that goes on to the next number.
    if (!context.explicit && /^[\d:.]+$/.test(line.text.slice(found.from, context.pos - line.from))) return null;
    const asked = countWords(line.text.slice(found.from, context.pos - line.from));
    const isSameList = (text: string) => /^[\p{L}\p{N}\s'’-]*$/u.test(text) && countWords(text) === asked;
    return {
      from: line.from + found.from,
      // With each further word, what can follow is another list: a name may be read from its words.
      ...(!found.isCut && { validFor: isSameList }),
      options: found.options.map((o) => ({
        label: o.label,
        apply: o.insert,
        detail: o.detail,
        type: o.kind,
        ...(o.kind === 'movement' && { info: () => options.draw(o.label).then(pictureOf, () => null) }),
      })),
    };
  };
}

/** Tab goes from number to number, and leaves the editor after the last one; Escape first leaves at once. */
const jump =
  (by: 1 | -1) =>
  (view: EditorView): boolean => {
    if (by > 0 && completionStatus(view.state) === 'active' && acceptCompletion(view)) return true;
    const { from, to } = view.state.selection.main;
    const stop = nextStop(doseStops(view.state.doc.toString()), { from, to }, by);
    if (!stop) return false;
    view.dispatch({ selection: { anchor: stop.from, head: stop.to }, scrollIntoView: true });
    return true;
  };

/** Opens CodeMirror with the session language in `host`. */
export function openEditor(host: HTMLElement, options: EditorOptions): EditorHandle {
  const sums = hoverTooltip(
    (view, pos) => {
      const line = view.state.doc.lineAt(pos);
      const found = options.explain(line.number, pos - line.from + 1);
      if (!found) return null;
      return {
        pos: line.from + found.from,
        end: line.from + found.to,
        above: true,
        create() {
          const dom = document.createElement('div');
          dom.className = 'sum-tip';
          for (const text of found.lines) dom.appendChild(document.createElement('p')).textContent = text;
          if (found.movement !== undefined)
            void options.draw(found.movement).then(
              (figure) => {
                const picture = pictureOf(figure);
                if (picture) dom.prepend(picture);
              },
              () => {},
            );
          if (found.read !== undefined) {
            const { read } = found;
            const button = dom.appendChild(document.createElement('button'));
            button.type = 'button';
            button.className = 'link';
            button.textContent = 'Not so? Correct it';
            button.addEventListener('click', () => options.onKnow(read));
          }
          return { dom };
        },
      };
    },
    { hoverTime: 250 },
  );
  const view = new EditorView({
    parent: host,
    state: EditorState.create({
      doc: options.text,
      extensions: [
        EditorView.cspNonce.of(options.nonce),
        EditorView.editable.of(!options.isReadOnly),
        EditorState.readOnly.of(options.isReadOnly),
        lineNumbers(),
        history(),
        drawSelection(),
        highlightActiveLine(),
        lintGutter({ hoverTime: 150 }),
        EditorView.lineWrapping,
        tooltips({ parent: document.body }),
        autocompletion({ override: [completionSource(options)], icons: false, maxRenderedOptions: 60 }),
        sums,
        keymap.of([
          { key: 'Tab', run: jump(1), shift: jump(-1) },
          { key: 'Mod-Shift-z', run: redo },
          ...lintKeymap,
          ...defaultKeymap,
          ...historyKeymap,
        ]),
        placeholder(EXAMPLE_SESSION.trimEnd()),
        highlighting,
        EditorView.contentAttributes.of({ 'aria-label': 'Session text', spellcheck: 'false', autocapitalize: 'off' }),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) options.onChange(update.state.doc.toString());
          if (!update.docChanged && !update.selectionSet) return;
          const { head } = update.state.selection.main;
          const line = update.state.doc.lineAt(head);
          options.onCaret(line.number, head - line.from);
        }),
      ],
    }),
  });
  const offset = (line: number, column: number) => {
    const { doc } = view.state;
    const at = doc.line(Math.min(Math.max(1, line), doc.lines));
    return Math.min(at.to, at.from + column - 1);
  };
  const change = (from: number, to: number, insert: string) =>
    view.dispatch({
      changes: { from, to, insert },
      selection: { anchor: from + insert.length },
      scrollIntoView: true,
      userEvent: 'input',
      annotations: isolateHistory.of('full'),
    });
  const issueMark = (issue: NotationIssue): Diagnostic => {
    const from = offset(issue.line, issue.column);
    const actions = issue.suggestions.slice(0, 3).map((s): Action => ({
      name: s,
      apply: () => change(offset(issue.line, issue.column), offset(issue.line, issue.endColumn), s),
    }));
    const { usual, nearest = [] } = issue;
    const whole = view.state.doc.line(Math.min(issue.line, view.state.doc.lines));
    const lines = usual === undefined ? nearest : [usual];
    actions.unshift(...lines.map((line): Action => ({ name: line, apply: () => change(whole.from, whole.to, line) })));
    return {
      from,
      to: Math.max(from, offset(issue.line, issue.endColumn)),
      severity: 'error',
      message: issue.message,
      actions,
    };
  };
  const findingMark = (finding: Finding): Diagnostic => {
    const line = view.state.doc.line(Math.min(finding.line!, view.state.doc.lines));
    return {
      from: line.from,
      to: line.from,
      severity: finding.severity === 'info' ? 'info' : 'warning',
      message: findingWords(finding),
      actions: [
        ...finding.changes
          .slice(0, 3)
          .map((c): Action => ({ name: changeWords(c.does), apply: () => options.onTake(c) })),
        ...(finding.code === 'new-movement'
          ? [{ name: 'make it known', apply: () => options.onKnow(finding.name) }]
          : []),
      ],
    };
  };
  return {
    showMarks(issues, findings) {
      view.dispatch(
        setDiagnostics(view.state, [
          ...issues.map(issueMark),
          ...findings.filter((f) => f.line !== null).map(findingMark),
        ]),
      );
    },
    replace: (line, column, endColumn, text) => {
      change(offset(line, column), offset(line, endColumn), text);
      view.focus();
    },
    setText(text) {
      const now = view.state.doc.toString();
      let from = 0;
      while (from < now.length && from < text.length && now[from] === text[from]) from++;
      let end = 0;
      while (
        end < now.length - from &&
        end < text.length - from &&
        now[now.length - 1 - end] === text[text.length - 1 - end]
      )
        end++;
      if (from === now.length && from === text.length) return;
      change(from, now.length - end, text.slice(from, text.length - end));
    },
    goTo: (line, column) => {
      view.dispatch({ selection: { anchor: offset(line, column) }, scrollIntoView: true });
      view.focus();
    },
    undo: () => void undo(view),
    redo: () => void redo(view),
    focus: () => view.focus(),
    remeasure: () => view.requestMeasure(),
    close: () => view.destroy(),
  };
}
