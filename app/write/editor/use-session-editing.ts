import { isWork } from '../../../core/words/describe-item.ts';
import { loadFigures } from '../../parts/figure/load-figures.ts';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { MovementLayer } from '../../../core/movement/layer.ts';
import { layerLibrary } from '../../../core/movement/layer.ts';
import { baseLibrary } from '../../../core/movement/library.ts';
import { applyEdits } from '../../../core/notation/apply-edits.ts';
import { completeLine } from '../../../core/notation/help/complete.ts';
import { analyseText } from '../../../core/session/analyse.ts';
import { explainItem } from '../../../core/session/explain/explain-item.ts';
import { explainLength } from '../../../core/session/explain/explain.ts';
import type { FindingChange } from '../../../core/session/findings/finding.ts';
import { explainReading, listReadings } from '../../../core/session/list-readings.ts';
import { readRoutines } from '../../../core/session/read-routines.ts';
import type { SessionEdit } from '../../../core/notation/session-edit.ts';
import type { EditorHandle } from './notation-editor-view.ts';

/** The text being written, what it comes to, and the ways to change it that the text and the cards share. */
export function useSessionEditing(
  initialText: string,
  stored: readonly { readonly name: string; readonly text: string }[],
  layer: MovementLayer,
  onText: (text: string) => void,
) {
  const library = useMemo(() => layerLibrary(baseLibrary, layer).library, [layer]);
  const [text, setText] = useState(initialText);
  const routines = useMemo(() => readRoutines(stored, library), [stored, library]);
  const analysis = useMemo(() => analyseText(text, library, routines), [text, library, routines]);
  const editor = useRef<EditorHandle | null>(null);
  const onChange = useCallback(
    (next: string) => {
      setText(next);
      onText(next);
    },
    [onText],
  );
  const onEdit = useCallback(
    (edits: readonly SessionEdit[]) => editor.current?.setText(applyEdits(text, edits, library)),
    [text, library],
  );
  const onTake = useCallback((change: FindingChange) => onEdit(change.edits), [onEdit]);
  const complete = useCallback(
    (whole: string, line: number, offset: number) => {
      const lines = whole.split('\n');
      const inBlock = analysis.source.blocks.some((b) => b.line < line);
      return completeLine(lines[line - 1] ?? '', offset, {
        library,
        routines: stored.map((r) => r.name),
        inBlock,
        labels: analysis.document.blocks.flatMap((b, i) =>
          b.label !== undefined && (analysis.source.blocks[i]?.line ?? 0) < line ? [b.label] : [],
        ),
      });
    },
    [analysis, library, stored],
  );
  const explain = useCallback(
    (line: number, column: number) => {
      const { source, blocks, plan } = analysis;
      for (const [b, at] of source.blocks.entries()) {
        if (at.line === line) {
          const sum = explainLength(blocks[b]!, plan.blocks[b]!);
          return sum ? { lines: [sum], from: 0, to: text.split('\n')[line - 1]?.length ?? 0 } : undefined;
        }
        const i = at.items.findIndex((item) => item.line === line);
        if (i < 0) continue;
        const place = at.items[i]!;
        if (column - 1 > place.movement.end) return undefined;
        const item = blocks[b]!.items[i];
        const movement = item && isWork(item) ? library.findByName(item.choices[0]!.name) : undefined;
        const [read] = listReadings([{ ...blocks[b]!, items: blocks[b]!.items.slice(i, i + 1) }], library);
        const lines = [...(read ? [explainReading(read)] : []), ...explainItem(blocks[b]!, b, i, plan, library)];
        return lines.length > 0
          ? {
              lines,
              from: place.dose?.start ?? place.movement.start,
              to: place.movement.end,
              ...(movement && { movement: movement.name }),
              ...(read && { read: read.name }),
            }
          : undefined;
      }
      return undefined;
    },
    [analysis, library, text],
  );
  const draw = useCallback(
    async (name: string) => {
      const movement = library.findByName(name);
      return movement ? (await loadFigures()).sheetFigure(movement, library) : null;
    },
    [library],
  );
  return { text, library, analysis, editor, onChange, onEdit, onTake, complete, explain, draw };
}
