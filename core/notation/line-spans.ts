import { ROLES, SESSION_FIELDS } from '../document/document.ts';
import { tokenizeLine } from '../text/tokens.ts';

/** A stretch of a line that an editor draws in its own way; offsets are half-open. */
export interface LineSpan {
  readonly kind: 'role' | 'field' | 'number' | 'keyword' | 'comment' | 'quoted';
  readonly start: number;
  readonly end: number;
}

const ROLE_WORDS = new Set([...ROLES.map((r) => r.toLowerCase()), 'warmup', 'cooldown', 'warm', 'cool']);
const FIELD_WORDS = new Set(SESSION_FIELDS.map((f) => f.toLowerCase()));
const DOSE_WORDS = new Set(['s', 'sec', 'min', 'm', 'cal', 'max', 'alt', 'pairs', 'each', 'side', 'to']);

/** What each part of a line is, as far as one line alone can tell; in order, without overlaps. */
export function lineSpans(text: string): LineSpan[] {
  const { tokens, comment } = tokenizeLine(text, 1);
  const spans: LineSpan[] = [];
  const first = tokens[0];
  const colon = tokens.findIndex((t) => t.kind === 'mark' && t.text === ':');
  const isHeader = first !== undefined && colon > 0 && ROLE_WORDS.has(first.text);
  const isField = first !== undefined && colon === 1 && FIELD_WORDS.has(first.text);
  if (isField) spans.push({ kind: 'field', start: first.start, end: tokens.at(-1)!.end });
  else if (isHeader) {
    spans.push({ kind: 'role', start: first.start, end: tokens[colon]!.end });
    for (const t of tokens.slice(colon + 1)) {
      if (t.kind === 'word') spans.push({ kind: 'keyword', start: t.start, end: t.end });
      else if (t.kind === 'number' || t.kind === 'clock') spans.push({ kind: 'number', start: t.start, end: t.end });
      else if (t.kind === 'quoted') spans.push({ kind: 'quoted', start: t.start, end: t.end });
    }
  } else {
    let inDose = true;
    let inModifier = false;
    let sidesSaid = false;
    for (const t of tokens) {
      if (t.kind === 'mark' && (t.text === ',' || t.text === '@')) inModifier = true;
      inDose &&=
        t.kind === 'number' ||
        t.kind === 'clock' ||
        t.kind === 'mark' ||
        (DOSE_WORDS.has(t.text) && !(sidesSaid && t.text === 'side'));
      sidesSaid ||= t.text === 'side';
      if (t.kind === 'quoted') spans.push({ kind: 'quoted', start: t.start, end: t.end });
      else if (inDose && t.text !== ',') spans.push({ kind: 'number', start: t.start, end: t.end });
      else if (inModifier && t.text !== ',')
        spans.push({
          kind: t.kind === 'number' || t.kind === 'clock' ? 'number' : 'keyword',
          start: t.start,
          end: t.end,
        });
      else if (t.kind === 'word' && t.text === 'or') spans.push({ kind: 'keyword', start: t.start, end: t.end });
    }
  }
  if (comment !== undefined) {
    const hash = text.indexOf('#', spans.at(-1)?.end ?? 0);
    if (hash >= 0) spans.push({ kind: 'comment', start: hash, end: text.length });
  }
  return spans;
}
