import bidiFactory from 'bidi-js';
import LineBreaker from 'linebreak';
import type { FontFamily } from './pdf-fonts.ts';
import { familiesFor, fontFile } from './pdf-fonts.ts';

/** Some words of a paragraph, in one size and weight. */
export interface Span {
  readonly text: string;
  readonly size: number;
  readonly isBold?: boolean;
}

export interface Place {
  readonly x: number;
  readonly width: number;
}

interface Letter {
  readonly text: string;
  readonly span: Span;
  readonly family: FontFamily;
}

interface Line {
  /** The first letter of it, and the one behind its last. */
  readonly from: number;
  readonly to: number;
}

/** Of bidi-js, whose own types miss that levels are bytes. */
interface Embedding {
  readonly levels: Uint8Array;
  readonly paragraphs: readonly { readonly level: number }[];
}

interface Bidi {
  getEmbeddingLevels: (text: string) => Embedding;
  /** Stretches to turn round, one after the other; both ends are in. */
  getReorderSegments: (text: string, embedding: Embedding, start: number, end: number) => [number, number][];
  getMirroredCharactersMap: (text: string, levels: Uint8Array, start: number, end: number) => Map<number, string>;
}

const bidi = bidiFactory() as unknown as Bidi;
/** Any feature: the font then sets a run as a whole, letters of Arabic joined, instead of word by word. */
const AS_A_WHOLE = ['kern'] as const;
/** The font that a document writes with, as pdfkit keeps it: it has no word for what is in it. */
interface OpenFont {
  readonly _font: { readonly font: { hasGlyphForCodePoint: (codePoint: number) => boolean } };
}

const LINE_HEIGHT = 1.3;
/** Stands where no font has a letter. */
const BOX = '\u25a1';
const RIGHT_TO_LEFT = /[\p{sc=Arab}\p{sc=Hebr}\p{sc=Syrc}\p{sc=Thaa}\p{sc=Nkoo}]/u;

/**
 * Paragraphs on the pages of a PDF: each letter in a font that has it, lines broken where Unicode lets them (UAX 14, linebreak), and set
 * in the order in which they are read (UAX 9, bidi-js), from the right where a paragraph begins so.
 */
export class PdfText {
  readonly #doc: PDFKit.PDFDocument;
  readonly #opened = new Set<string>();
  readonly #families = new Map<string, FontFamily>();
  readonly #missing = new Set<string>();
  /** Whose Han letters are meant. */
  eastern: FontFamily = 'chinese';

  constructor(doc: PDFKit.PDFDocument) {
    this.#doc = doc;
  }

  /** Letters that were written and that no font has, in the order in which they came. */
  get missing(): readonly string[] {
    return [...this.#missing];
  }

  /** Writes a paragraph below what stands, on a page of its own where this one is full. */
  write(spans: readonly Span[], { x, width }: Place): void {
    const { text, letters } = this.#lettersOf(spans);
    if (letters.length === 0) return;
    const embedding = bidi.getEmbeddingLevels(text);
    const isFromRight = (embedding.paragraphs[0]?.level ?? 0) % 2 === 1;
    for (const line of this.#linesOf(text, letters, width)) {
      const height = LINE_HEIGHT * Math.max(...letters.slice(line.from, line.to).map((l) => l.span.size));
      if (this.#doc.y + height > this.#doc.page.height - this.#doc.page.margins.bottom) this.#doc.addPage();
      const { y } = this.#doc;
      const runs = runsOf(text, letters, embedding, line);
      const widths = runs.map((run) => this.#widthOf(run.text, run.letter));
      let at = isFromRight ? x + width - widths.reduce((sum, w) => sum + w, 0) : x;
      for (const [i, run] of runs.entries()) {
        const { span } = run.letter;
        this.#use(run.letter);
        // Runs of different sizes stand on one line: their feet are at the same height.
        this.#doc.text(run.text, at, y + (height / LINE_HEIGHT - span.size) * 0.93, {
          lineBreak: false,
          features: [...AS_A_WHOLE],
        });
        at += widths[i]!;
      }
      this.#doc.x = x;
      this.#doc.y = y + height;
    }
  }

  /** Letters by their place in the text; of a pair of surrogates the second is empty. */
  #lettersOf(spans: readonly Span[]): { readonly text: string; readonly letters: Letter[] } {
    const letters: Letter[] = [];
    let text = '';
    for (const span of spans) {
      const words = span.text.normalize('NFC').replace(/\s/gu, ' ');
      text += words;
      let family: FontFamily = 'western';
      for (const letter of words) {
        // A mark stands over the letter before it, in its font.
        const isMark = /\p{M}/u.test(letter);
        if (!isMark) family = this.#familyOf(letter, span);
        const own = { text: letter, span, family };
        const isMissing = isMark ? !this.#has(own) : this.#missing.has(letter);
        letters.push({ ...own, text: isMissing ? (isMark ? '' : BOX) : letter });
        if (letter.length === 2) letters.push({ text: '', span, family });
      }
    }
    return { text, letters };
  }

  /** The first font that has a letter, of those whose letter it could be. */
  #familyOf(letter: string, span: Span): FontFamily {
    const key = `${letter}${this.eastern}`;
    const known = this.#families.get(key);
    if (known) return known;
    const found = familiesFor(letter, this.eastern).find((family) => this.#has({ text: letter, span, family }));
    if (!found) this.#missing.add(letter);
    const family = found ?? 'western';
    this.#families.set(key, family);
    return family;
  }

  #has(letter: Letter): boolean {
    this.#use(letter);
    const { font } = (this.#doc as unknown as OpenFont)._font;
    return font.hasGlyphForCodePoint(letter.text.codePointAt(0)!);
  }

  #use({ span, family }: Letter): void {
    const name = `${family}${span.isBold ? '-bold' : ''}`;
    if (!this.#opened.has(name)) {
      this.#doc.registerFont(name, fontFile(family, span.isBold ?? false));
      this.#opened.add(name);
    }
    this.#doc.font(name).fontSize(span.size);
  }

  #widthOf(text: string, letter: Letter): number {
    this.#use(letter);
    return this.#doc.widthOfString(text, { features: [...AS_A_WHOLE] });
  }

  /** How wide a stretch is as it stands, run by run. */
  #measure(letters: readonly Letter[], from: number, to: number): number {
    let width = 0;
    for (let i = from; i < to;) {
      let end = i + 1;
      while (end < to && isAlike(letters[end]!, letters[i]!)) end++;
      const text = letters.slice(i, end).map((l) => l.text);
      width += this.#widthOf(text.join(''), letters[i]!);
      i = end;
    }
    return width;
  }

  #linesOf(text: string, letters: readonly Letter[], width: number): Line[] {
    const lines: Line[] = [];
    const breaker = new LineBreaker(text);
    let [from, to] = [0, 0];
    for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
      const end = trimmedEnd(text, from, next.position);
      if (to > from && this.#measure(letters, from, end) > width) {
        lines.push({ from, to: trimmedEnd(text, from, to) });
        from = to;
      }
      // A word that is wider than the page is broken where it has to be.
      for (let fits = this.#fitting(letters, from, next.position, width); fits < next.position;) {
        if (trimmedEnd(text, from, next.position) <= fits) break;
        lines.push({ from, to: fits });
        from = fits;
        fits = this.#fitting(letters, from, next.position, width);
      }
      to = next.position;
    }
    if (to > from) lines.push({ from, to: Math.max(from + 1, trimmedEnd(text, from, to)) });
    return lines;
  }

  /** Up to where a stretch fits in a width; one letter at least. */
  #fitting(letters: readonly Letter[], from: number, to: number, width: number): number {
    if (this.#measure(letters, from, to) <= width) return to;
    let [fits, breaks] = [from + 1, to];
    while (breaks - fits > 1) {
      const middle = (fits + breaks) >> 1;
      if (this.#measure(letters, from, middle) <= width) fits = middle;
      else breaks = middle;
    }
    return letters[fits]?.text === '' ? fits + 1 : fits;
  }
}

const isAlike = (a: Letter, b: Letter): boolean => a.span === b.span && a.family === b.family;

const trimmedEnd = (text: string, from: number, to: number): number => from + text.slice(from, to).trimEnd().length;

interface Run {
  readonly text: string;
  readonly letter: Letter;
}

/** The stretches of a line from left to right, each of one font and one direction. */
function runsOf(text: string, letters: readonly Letter[], embedding: Embedding, { from, to }: Line): Run[] {
  const order = Array.from({ length: to - from }, (_, i) => from + i);
  for (const [start, end] of bidi.getReorderSegments(text, embedding, from, to - 1)) {
    const turned = order.slice(start - from, end - from + 1).reverse();
    order.splice(start - from, turned.length, ...turned);
  }
  const { levels } = embedding;
  const mirrored = bidi.getMirroredCharactersMap(text, levels, from, to - 1);
  const runs: Run[] = [];
  for (let i = 0; i < order.length;) {
    const first = order[i]!;
    const step = levels[first]! % 2 === 1 ? -1 : 1;
    let end = i + 1;
    while (
      end < order.length &&
      order[end] === order[end - 1]! + step &&
      levels[order[end]!] === levels[first] &&
      isAlike(letters[order[end]!]!, letters[first]!)
    )
      end++;
    const own = order.slice(i, end);
    const seen = own.map((at) => mirrored.get(at) ?? letters[at]!.text);
    // Fonts turn letters of these scripts themselves, given in the order in which they are said.
    const isTurned = step === -1 && RIGHT_TO_LEFT.test(seen.join(''));
    runs.push({ text: (isTurned ? seen.reverse() : seen).join(''), letter: letters[first]! });
    i = end;
  }
  return runs;
}
