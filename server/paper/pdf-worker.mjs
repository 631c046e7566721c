// A thread that makes PDFs. It reads no TypeScript by itself, whatever the process was started with.
import { register } from 'tsx/esm/api';

register();
const { makePdf } = await import('./make-pdf.ts');

/** @param {{ paper: import('./printed.ts').Paper, createdMs: number }} task */
export default ({ paper, createdMs }) => makePdf(paper, createdMs);
