import type { Block, SessionDocument } from '../document/document.ts';
import { countLetters } from '../letters.ts';
import { MAX_NAME_LENGTH } from '../limits.ts';

/** Routines that one line goes through. */
export const MAX_NEXT = 12;

const LINE = /^\s*next\s+of\b(.*)$/i;
const PART = /"[^"]*"|“[^”]*”|,|[^,"“”]+|["“”]/g;

export type NextRead =
  | { readonly kind: 'next'; readonly names: readonly string[]; readonly comment: string | undefined }
  | { readonly kind: 'fault'; readonly message: string };

/** Reads `next of pump-a, pump-b, pump-c`: stored routines of which each week takes the next; undefined for any other line. */
export function readNextRoutines(line: string): NextRead | undefined {
  const found = LINE.exec(line);
  if (!found) return undefined;
  const hash = found[1]!.search(/(?<=^|\s)#/);
  const list = hash < 0 ? found[1]! : found[1]!.slice(0, hash);
  const comment = hash < 0 ? undefined : found[1]!.slice(hash + 1).trim();
  const names = [''];
  for (const { 0: part } of list.matchAll(PART)) {
    const before = names.at(-1)!;
    const isQuoted = part.length > 1 && /^["“]/.test(part);
    if (part === ',') names.push('');
    else if (/^["“”]$/.test(part) || (before !== '' && part.trim() !== ''))
      return fault('Quotation marks belong around a whole name: next of "slow start", pump.');
    else names[names.length - 1] = before + (isQuoted ? part.slice(1, -1) : part).trim();
  }
  if (names.includes('')) return fault('Nothing stands between two commas; take one out.');
  if (names.length < 2) return fault('Name at least two stored routines, with commas: next of pump-a, pump-b.');
  if (names.length > MAX_NEXT) return fault(`One line goes through at most ${MAX_NEXT} routines.`);
  const long = names.find((name) => countLetters(name) > MAX_NAME_LENGTH);
  if (long !== undefined) return fault(`A routine’s name has at most ${MAX_NAME_LENGTH} letters.`);
  return { kind: 'next', names, comment };
}

const fault = (message: string): NextRead => ({ kind: 'fault', message });

const quoted = (name: string): string => (/^[\p{L}\p{N}][\p{L}\p{N} _-]*$/u.test(name) ? name : `"${name}"`);

/** The line as it is printed. */
export const printNextRoutines = (names: readonly string[]): string => `next of ${names.map(quoted).join(', ')}`;

/** A list that begins `by` places later, what stood before at its end. */
const turned = <T>(list: readonly T[], by: number): readonly T[] => {
  const first = by % list.length;
  return [...list.slice(first), ...list.slice(0, first)];
};

/** All stored routines that a block goes through, this week's first; empty where it goes through none. */
export const nextRoutines = ({ source }: Pick<Block, 'source'>): readonly string[] =>
  source?.kind === 'routine' && source.next ? [source.name, ...source.next] : [];

/** The session `weeks` later: where a block takes the next of some routines, that one comes first in its list. */
export function turnRoutines(document: SessionDocument, weeks: number): SessionDocument {
  if (weeks === 0 || document.blocks.every((b) => nextRoutines(b).length === 0)) return document;
  return {
    ...document,
    blocks: document.blocks.map((block) => {
      const names = nextRoutines(block);
      if (names.length === 0) return block;
      const [name, ...next] = turned(names, weeks);
      return { ...block, source: { kind: 'routine', name: name!, next } };
    }),
  };
}

/** As `turnRoutines`, for a text: only the lines that name routines change, and only the order of the names. */
export function turnRoutineLines(text: string, weeks: number): string {
  if (weeks === 0 || !/next\s+of/i.test(text)) return text;
  return text.replace(/[^\r\n]+/g, (line) => {
    const read = readNextRoutines(line);
    if (read?.kind !== 'next') return line;
    const comment = read.comment === undefined ? '' : ` # ${read.comment}`;
    return `${printNextRoutines(turned(read.names, weeks))}${comment}`;
  });
}
