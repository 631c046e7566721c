import { unpackFigure } from '../../core/figure/pack.ts';
import type { SheetFigure } from '../../core/figure/sheet-figure.ts';
import type { PictureLine } from '../../core/figure/still.ts';
import { drawStill, stillLines } from '../../core/figure/still.ts';
import PDFDocument from 'pdfkit';
import qrcode from 'qrcode';
import { CARE_NOTES } from '../../core/care.ts';
import { filmLines, lineText, sheetLength } from '../../core/exchange/session-text.ts';
import { sheetFilms } from '../../core/session/session-sheet.ts';
import { easternOf } from './pdf-fonts.ts';
import type { Span } from './pdf-text.ts';
import { PdfText } from './pdf-text.ts';
import type { Paper, PaperSession } from './printed.ts';

const MARGIN = 48;
const INDENT = 14;
const TINY = 8;
const SMALL = 9;
const BODY = 10.5;
const QR_PT = 84;
/** Letters that are named where they are missing. */
const MOST_MISSING = 12;

type Doc = PDFKit.PDFDocument;
type Part = PDFKit.PDFStructureElement;

/**
 * Black on white, no picture but the code: as it goes on paper. One session begins on a page of its own; `createdMs` is its date. What
 * each part is stands in it (PDF/UA-1, ISO 14289: tags, language, title, an outline), for whoever has it read aloud.
 */
export async function makePdf({ sessions, title, link, size }: Paper, createdMs: number): Promise<Buffer> {
  const doc = new PDFDocument({
    size: size === 'letter' ? 'LETTER' : 'A4',
    margin: MARGIN,
    bufferPages: true,
    lang: 'en',
    pdfVersion: '1.7',
    // The types don't know it yet.
    subset: 'PDF/UA' as 'PDF/A-3a',
    tagged: true,
    displayTitle: true,
    info: { Title: title, Creator: 'Ysodos', CreationDate: new Date(createdMs) },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((ready, failed) => {
    doc.on('end', () => ready(Buffer.concat(chunks)));
    doc.on('error', failed);
  });
  const root = doc.struct('Document');
  doc.addStructure(root);
  const writer = new Writer(doc, root, new PdfText(doc));
  for (const [i, session] of sessions.entries()) {
    if (i > 0) doc.addPage();
    writer.session(session);
  }
  if (sessions.length === 0) writer.paragraph([{ text: 'Nothing is planned.', size: BODY }]);
  writer.missing();
  if (link) await writer.link(link);
  root.end();
  writer.pageNumbers(title);
  doc.end();
  return done;
}

/** The room of a drawing beside its line, in points. */
const FIGURE = { width: 62, height: 34 } as const;
/** Ink on paper: the further limbs and where it starts are lighter. */
const INK: Readonly<Record<PictureLine['part'], readonly [colour: string, widthUnits: number]>> = {
  floor: ['#bbb', 1.6],
  place: ['#999', 2.4],
  far: ['#777', 5.2],
  trunk: ['#444', 7.6],
  head: ['#000', 3.4],
  leg: ['#000', 5.8],
  arm: ['#000', 4.4],
  kit: ['#999', 3.4],
  fill: ['#999', 0.8],
  arc: ['#555', 1.5],
};
const FILLED: readonly PictureLine['part'][] = ['trunk', 'head', 'fill'];

/** Draws a movement within its room. */
function drawFigure(doc: Doc, { packed }: SheetFigure, { left, top }: { left: number; top: number }): void {
  const still = drawStill(unpackFigure(packed));
  const { frame } = still;
  const scale = Math.min(FIGURE.width / frame.width, FIGURE.height / frame.height);
  doc
    .save()
    .translate(left + FIGURE.width - frame.width * scale, top)
    .scale(scale)
    .translate(-frame.left, -frame.top);
  doc.lineCap('round').lineJoin('round');
  for (const { part, d, isFaint } of stillLines(still)) {
    const [colour, width] = INK[part];
    doc
      .path(d)
      .lineWidth(width)
      .opacity(isFaint ? 0.25 : 1);
    if (FILLED.includes(part)) doc.fillAndStroke(colour, colour);
    else doc.stroke(colour);
  }
  doc.restore();
}

/** Parts of a paper, each with what it is. */
class Writer {
  readonly #doc: Doc;
  readonly #root: Part;
  readonly #text: PdfText;
  /** What is written belongs to it. */
  #section: Part;

  constructor(doc: Doc, root: Part, text: PdfText) {
    this.#doc = doc;
    this.#root = root;
    this.#text = text;
    this.#section = root;
  }

  get #width(): number {
    return this.#doc.page.width - 2 * MARGIN;
  }

  paragraph(spans: readonly Span[], kind = 'P', into: Part = this.#section): void {
    into.add(this.#part(kind, () => this.#text.write(spans, { x: MARGIN, width: this.#width })));
  }

  /** A part with what is drawn in it. */
  #part(kind: string, draw: () => void): Part {
    return this.#doc.struct(kind, {}, draw);
  }

  #small(text: string): void {
    this.paragraph([{ text, size: SMALL }]);
  }

  #gap(points: number): void {
    this.#doc.y += points;
  }

  session({ above, sheet, figures, changes }: PaperSession): void {
    const doc = this.#doc;
    this.#section = doc.struct('Sect');
    this.#root.add(this.#section);
    this.#text.eastern = easternOf(JSON.stringify(sheet));
    doc.outline.addItem(`${sheet.title}, ${above}`);
    this.#small(above);
    this.#gap(2);
    this.paragraph([{ text: sheet.title, size: 20, isBold: true }], 'H1');
    this.paragraph([{ text: `${sheetLength(sheet)}. Have ready: ${sheet.kit}.`, size: BODY }]);
    if (sheet.note !== '') {
      this.#gap(3);
      this.paragraph([{ text: sheet.note, size: BODY, isBold: true }]);
    }
    for (const block of sheet.blocks) this.#block(block, figures);
    if (changes.length > 0) {
      this.#gap(9);
      this.#small(`In your shape: ${changes.join('; ')}.`);
    }
    const films = filmLines(sheetFilms(sheet));
    if (films !== '') this.#small(films);
    this.#gap(9);
    this.#small(`${CARE_NOTES.pain} ${CARE_NOTES.stop}`);
    this.#section.end();
    this.#section = this.#root;
  }

  #block(block: PaperSession['sheet']['blocks'][number], figures: PaperSession['figures']): void {
    const doc = this.#doc;
    this.#keepTogether(4);
    this.#gap(9);
    this.paragraph(
      [
        { text: block.name, size: 12, isBold: true },
        { text: `   ${block.rule}`, size: BODY },
      ],
      'H2',
    );
    for (const rule of block.rules) this.#small(rule);
    const list = doc.struct('L');
    if (block.lines.length > 0) this.#section.add(list);
    for (const line of block.lines) {
      const figure = line.choices?.map((choice) => figures[choice]).find((known) => known);
      this.#keepTogether(figure ? 2 : 1);
      this.#gap(2);
      const item = doc.struct('LI');
      list.add(item);
      const y = doc.y;
      item.add(
        this.#part('Lbl', () =>
          this.#text.write([{ text: '\u2610', size: BODY }], { x: MARGIN + INDENT, width: INDENT + 4 }),
        ),
      );
      doc.y = y;
      const x = MARGIN + 2 * INDENT + 4;
      item.add(
        this.#part('LBody', () =>
          this.#text.write([{ text: lineText(line), size: BODY }], {
            x,
            width: this.#width + MARGIN - x - (figure ? FIGURE.width : 0),
          }),
        ),
      );
      if (figure) {
        const left = MARGIN + this.#width - FIGURE.width;
        item.add(doc.struct('Figure', { alt: figure.words }, () => drawFigure(doc, figure, { left, top: y })));
        doc.y = Math.max(doc.y, y + FIGURE.height);
      }
      item.end();
    }
    if (block.lines.length > 0) list.end();
    if (block.thenRest !== undefined) this.#small(block.thenRest);
  }

  /** Begins a page where fewer than so many lines are left on this one. */
  #keepTogether(lines: number): void {
    if (this.#doc.y + lines * BODY * 1.6 > this.#doc.page.height - MARGIN) this.#doc.addPage();
  }

  async link({ url, words }: NonNullable<Paper['link']>): Promise<void> {
    const doc = this.#doc;
    const picture = await qrcode.toBuffer(url, { type: 'png', margin: 0, width: 400, errorCorrectionLevel: 'M' });
    if (doc.y + QR_PT + 30 > doc.page.height - MARGIN) doc.addPage();
    this.#gap(12);
    const top = doc.y;
    this.#root.add(
      doc.struct('Figure', { alt: `A code that opens ${url}` }, () => {
        doc.image(picture, MARGIN, top, { width: QR_PT });
      }),
    );
    doc.y = top + 20;
    const x = MARGIN + QR_PT + 14;
    for (const text of [words, url])
      this.#root.add(
        this.#part('P', () => this.#text.write([{ text, size: SMALL }], { x, width: this.#width + MARGIN - x })),
      );
  }

  /** What no font here has, said where it would be missed, with another way. */
  missing(): void {
    const { missing } = this.#text;
    if (missing.length === 0) return;
    this.#gap(9);
    const points = missing.map((letter) => `U+${letter.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`);
    this.#small(
      `${missing.length === 1 ? 'One letter isn’t' : `${missing.length} letters aren’t`} in the fonts of this file and ${missing.length === 1 ? 'stands' : 'stand'} as a box (${points.slice(0, MOST_MISSING).join(', ')}${missing.length > MOST_MISSING ? ' …' : ''}). The page of the week, printed from a browser, has them.`,
    );
  }

  pageNumbers(title: string): void {
    const doc = this.#doc;
    const { count } = doc.bufferedPageRange();
    if (count < 2) return;
    for (let i = 0; i < count; i++) {
      doc.switchToPage(i);
      // Within the margin: nothing may begin a page of its own there.
      doc.page.margins.bottom = 0;
      doc.y = doc.page.height - 30;
      doc.markContent('Artifact', { type: 'Pagination' });
      this.#text.write([{ text: `${title}, ${i + 1} of ${count}`, size: TINY }], { x: MARGIN, width: this.#width });
      doc.endMarkedContent();
    }
  }
}
