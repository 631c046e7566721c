import type { PieceKind } from '../piece.ts';

/** What was taken stands so in its text: no pattern reads across it. */
const TAKEN = '\u0001';

/** A stretch of a source, half-open, and what it was taken for. */
export interface Taken {
  readonly start: number;
  readonly end: number;
  readonly as: PieceKind;
}

/** The text as patterns read it: in small letters, one kind of dash, cross, blank and quotation mark; as long as before. */
export const fold = (text: string): string =>
  [...text]
    .map((c) => (c.length === 1 ? (FOLDED[c] ?? small(c)) : (/[\p{L}\p{N}]/u.test(c) ? LETTER : SIGN).repeat(c.length)))
    .join('');

/** Stand for letters and signs beyond the first plane, so that places stay the same. */
const LETTER = '\u00bc';
const SIGN = '\u00a4';

const small = (c: string): string => (c.toLowerCase().length === 1 ? c.toLowerCase() : c);
const FOLDED: Readonly<Record<string, string>> = {
  '×': 'x',
  '–': '-',
  '—': '-',
  '−': '-',
  '‑': '-',
  '’': "'",
  '‘': "'",
  '′': "'",
  '″': '"',
  '“': '"',
  '”': '"',
  '„': '"',
  '\t': ' ',
  '\u00a0': ' ',
  '\u2009': ' ',
};

/** The source that was read last, folded: each of its lines is looked at in several ways. */
let last = { source: '', folded: '' };

function foldedOf(source: string): string {
  if (last.source !== source) last = { source, folded: fold(source) };
  return last.folded;
}

/** A stretch of a source from which phrases are taken; what is left is words. */
export class Strip {
  readonly taken: Taken[] = [];
  #text: string;
  readonly source: string;
  readonly start: number;

  /** `source` is the whole text; the strip is its part from `start` to `end`. */
  constructor(source: string, start: number, end: number) {
    this.source = source;
    this.start = start;
    this.#text = foldedOf(source).slice(start, end);
  }

  /** As it is read, with what was taken blotted out. */
  get text(): string {
    return this.#text;
  }

  /** Takes the first match of a pattern, without the blanks around it; undefined where there is none. */
  take(pattern: RegExp, as: PieceKind): RegExpExecArray | undefined {
    const match = pattern.exec(this.#text);
    if (!match || match[0].trim() === '') return undefined;
    this.#mark(match.index, match.index + match[0].length, as);
    return match;
  }

  /** Takes from one place of the strip to another. */
  takeRange(from: number, to: number, as: PieceKind): void {
    if (this.#text.slice(from, to).trim() !== '') this.#mark(from, to, as);
  }

  #mark(from: number, to: number, as: PieceKind): void {
    // A pattern may reach over what was taken before: that stays what it was.
    for (const { 0: run, index } of this.#text.slice(from, to).matchAll(new RegExp(`[^${TAKEN}]+`, 'gu'))) {
      const start = this.start + from + index + (run.length - run.trimStart().length);
      if (run.trim() !== '') this.taken.push({ start, end: start + run.trim().length, as });
    }
    this.#text = `${this.#text.slice(0, from)}${TAKEN.repeat(to - from)}${this.#text.slice(to)}`;
  }

  /** What was not taken, stretch by stretch, without what only sets things apart. Places are those of the strip. */
  left(): { readonly from: number; readonly to: number; readonly text: string }[] {
    const found: { from: number; to: number; text: string }[] = [];
    for (const { 0: run, index } of this.#text.matchAll(new RegExp(`[^${TAKEN}]+`, 'gu'))) {
      const lead = /^[^\p{L}\p{N}"(%@]*/u.exec(run)![0].length;
      const tail = /[^\p{L}\p{N}")%!?]*$/u.exec(run.slice(lead))![0].length;
      const text = run.slice(lead, run.length - tail);
      if (!/[\p{L}\p{N}]/u.test(text)) continue;
      found.push({ from: index + lead, to: index + run.length - tail, text });
    }
    return found;
  }

  /** Letters and digits that were not taken. */
  get lettersLeft(): number {
    return this.#text.replace(/[^\p{L}\p{N}]/gu, '').length;
  }

  get letters(): number {
    return this.source.slice(this.start, this.start + this.#text.length).replace(/[^\p{L}\p{N}]/gu, '').length;
  }

  /** The source's own letters of a stretch of the strip. */
  original(from: number, to: number): string {
    return this.source.slice(this.start + from, this.start + to);
  }
}
