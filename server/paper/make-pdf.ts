import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import qrcode from 'qrcode';
import { CARE_NOTES } from '../../core/care.ts';
import { filmLines, lineText, sheetLength } from '../../core/exchange/session-text.ts';
import { sheetFilms } from '../../core/session/session-sheet.ts';
import type { Paper, PaperSession } from './printed.ts';

const resolveFont = createRequire(import.meta.url);
const font = (name: string): string => resolveFont.resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`);

const MARGIN = 48;
const INDENT = 14;
const SMALL = 9;
const BODY = 10.5;
const QR_PT = 84;

/** Black on white, no picture but the code: as it goes on paper. One session begins on a page of its own; `createdMs` is its date. */
export async function makePdf({ sessions, title, link }: Paper, createdMs: number): Promise<Buffer> {
  const doc = new PDFDocument({
    size: 'A4',
    margin: MARGIN,
    bufferPages: true,
    lang: 'en',
    info: { Title: title, Creator: 'Ysodos', CreationDate: new Date(createdMs) },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((ready, failed) => {
    doc.on('end', () => ready(Buffer.concat(chunks)));
    doc.on('error', failed);
  });
  doc.registerFont('plain', font('DejaVuSans')).registerFont('bold', font('DejaVuSans-Bold'));
  for (const [i, session] of sessions.entries()) {
    if (i > 0) doc.addPage();
    writeSession(doc, session);
  }
  if (sessions.length === 0) doc.font('plain').fontSize(BODY).text('Nothing is planned.');
  if (link) await writeLink(doc, link);
  writePageNumbers(doc, title);
  doc.end();
  return done;
}

function writeSession(doc: PDFKit.PDFDocument, { above, sheet, changes }: PaperSession): void {
  const width = doc.page.width - 2 * MARGIN;
  const small = (text: string) => doc.font('plain').fontSize(SMALL).text(text, { width });
  small(above);
  doc.moveDown(0.2).font('bold').fontSize(20).text(sheet.title, { width });
  doc
    .font('plain')
    .fontSize(BODY)
    .text(`${sheetLength(sheet)}. Have ready: ${sheet.kit}.`, { width });
  if (sheet.note !== '') doc.moveDown(0.3).font('bold').text(sheet.note, { width });
  for (const block of sheet.blocks) {
    keepTogether(doc, 4);
    doc.moveDown(0.8).font('bold').fontSize(12).text(block.name, { width, continued: true });
    doc.font('plain').fontSize(BODY).text(`   ${block.rule}`, { width });
    for (const rule of block.rules) small(rule);
    doc.fontSize(BODY);
    for (const line of block.lines) {
      keepTogether(doc, 1);
      doc.moveDown(0.15).text(`\u2610  ${lineText(line)}`, MARGIN + INDENT, undefined, { width: width - INDENT });
      doc.x = MARGIN;
    }
    if (block.thenRest !== undefined) small(block.thenRest);
  }
  if (changes.length > 0) {
    doc.moveDown(0.8);
    small(`In your shape: ${changes.join('; ')}.`);
  }
  const films = filmLines(sheetFilms(sheet));
  if (films !== '') small(films);
  doc.moveDown(0.8);
  small(`${CARE_NOTES.pain} ${CARE_NOTES.stop}`);
}

/** Begins a page where fewer than so many lines are left on this one. */
function keepTogether(doc: PDFKit.PDFDocument, lines: number): void {
  if (doc.y + lines * BODY * 1.6 > doc.page.height - MARGIN) doc.addPage();
}

async function writeLink(doc: PDFKit.PDFDocument, { url, words }: NonNullable<Paper['link']>): Promise<void> {
  const picture = await qrcode.toBuffer(url, { type: 'png', margin: 0, width: 400, errorCorrectionLevel: 'M' });
  if (doc.y + QR_PT + 30 > doc.page.height - MARGIN) doc.addPage();
  doc.moveDown(1);
  const top = doc.y;
  doc.image(picture, MARGIN, top, { width: QR_PT });
  doc
    .font('plain')
    .fontSize(SMALL)
    .text(`${words}\n${url}`, MARGIN + QR_PT + 14, top + 20, { width: doc.page.width - 2 * MARGIN - QR_PT - 14 });
}

function writePageNumbers(doc: PDFKit.PDFDocument, title: string): void {
  const { count } = doc.bufferedPageRange();
  if (count < 2) return;
  for (let i = 0; i < count; i++) {
    doc.switchToPage(i);
    // Within the margin: nothing may begin a page of its own there.
    doc.page.margins.bottom = 0;
    doc
      .font('plain')
      .fontSize(8)
      .text(`${title}, ${i + 1} of ${count}`, MARGIN, doc.page.height - 30, { lineBreak: false });
  }
}
