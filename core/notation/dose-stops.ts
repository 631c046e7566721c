import { tokenizeLine } from '../text/tokens.ts';

/** Offsets into a text, half-open. */
export interface DoseStop {
  readonly from: number;
  readonly to: number;
}

/**
 * The numbers of a session in order, where the Tab key stops: of each line the counts and times that a coach changes,
 * a list or range as one. Titles, notes and comments have none.
 */
export function doseStops(text: string): DoseStop[] {
  const stops: DoseStop[] = [];
  let lineStart = 0;
  for (const line of text.split('\n')) {
    if (!/^\s*(?:title|note|retest|kit|film)\s*:/i.test(line)) stops.push(...lineStops(line, lineStart));
    lineStart += line.length + 1;
  }
  return stops;
}

const isNumber = (kind: string) => kind === 'number' || kind === 'clock';

function lineStops(line: string, lineStart: number): DoseStop[] {
  const { tokens } = tokenizeLine(line, 1);
  const stops: DoseStop[] = [];
  for (let i = 0; i < tokens.length; i++) {
    if (!isNumber(tokens[i]!.kind)) continue;
    const from = tokens[i]!.start;
    // A list (9-7-5, 10..1, 25/35/45) or a growing count (3+1) is one stop.
    while (['-', '..', '/', '+'].includes(tokens[i + 1]?.text ?? '') && tokens[i + 2] && isNumber(tokens[i + 2]!.kind))
      i += 2;
    stops.push({ from: lineStart + from, to: lineStart + tokens[i]!.end });
  }
  return stops;
}

/** The stop after a place, or before it; undefined beyond the last and the first. */
export function nextStop(
  stops: readonly DoseStop[],
  selection: { readonly from: number; readonly to: number },
  by: 1 | -1,
): DoseStop | undefined {
  return by > 0
    ? stops.find((s) => s.from >= selection.to && !(s.from === selection.from && s.to === selection.to))
    : stops.findLast((s) => s.to <= selection.from && !(s.from === selection.from && s.to === selection.to));
}
