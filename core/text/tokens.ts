import type { NotationIssue } from './issue.ts';

/**
 * Tokens of one line. `start` and `end` are offsets into the line, half-open. `spaced` tells whether a
 * blank stands before, since `30s` and `30 s` read alike but `x8` and `x 8` must too.
 */
export interface Token {
  readonly kind: 'word' | 'number' | 'clock' | 'quoted' | 'mark';
  /** The word in lower case, the mark, or the quoted text without its quotes. */
  readonly text: string;
  /** A number's value, or a clock time in seconds; NaN for the others. */
  readonly value: number;
  readonly start: number;
  readonly end: number;
  readonly spaced: boolean;
}

export interface LineTokens {
  readonly tokens: readonly Token[];
  readonly comment: string | undefined;
  readonly issues: readonly NotationIssue[];
}

const isDigit = (c: string) => c >= '0' && c <= '9';
const isLetter = (c: string) =>
  (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c > '\u007f' && /\p{L}|\p{M}/u.test(c));
const isSpace = (c: string) =>
  c === ' ' || c === '\t' || c === '\r' || c === '\u00a0' || c === '\u202f' || c === '\u2009' || c === '\ufeff';
const isDash = (c: string) => c === '-' || c === '–' || c === '—' || c === '·' || c === '‑' || c === '−';
const DASHES = /[–—·‑−]/g;
const MARKS = new Set([',', ':', '(', ')', '[', ']', '/', '+', '@', '%', '.', ';', '&']);
const OPENING_QUOTES = new Set(['"', '“', '„', '”']);
const CLOSING_QUOTES = new Set(['"', '“', '”']);

/** Splits one line into tokens in one pass; what is no part of the notation is reported and skipped. */
export function tokenizeLine(text: string, line: number): LineTokens {
  const tokens: Token[] = [];
  const issues: NotationIssue[] = [];
  let comment: string | undefined;
  let at = 0;
  let spaced = false;
  const push = (kind: Token['kind'], tokenText: string, value: number, end: number) => {
    tokens.push({ kind, text: tokenText, value, start: at, end, spaced });
    at = end;
    spaced = false;
  };
  while (at < text.length) {
    const c = text[at]!;
    const next = text[at + 1] ?? '';
    if (isSpace(c)) {
      spaced = true;
      at++;
    } else if (c === '#') {
      comment = text.slice(at + 1).trim();
      break;
    } else if (OPENING_QUOTES.has(c)) {
      let end = at + 1;
      while (end < text.length && !CLOSING_QUOTES.has(text[end]!)) end++;
      if (end >= text.length) {
        issues.push({
          line,
          column: at + 1,
          endColumn: text.length + 1,
          code: 'unclosed-quote',
          message: 'The quotation mark is never closed; write another " after the words.',
          suggestions: [],
        });
      }
      push('quoted', text.slice(at + 1, end).trim(), NaN, Math.min(end + 1, text.length));
    } else if (isDigit(c)) {
      readNumber(text, at, push);
    } else if (c === '×' || ((c === 'x' || c === 'X') && !isLetter(next))) {
      push('mark', 'x', NaN, at + 1);
    } else if (isLetter(c)) {
      const end = wordEnd(text, at);
      push('word', text.slice(at, end).toLowerCase().replace(DASHES, '-').replace(/’/g, "'"), NaN, end);
    } else if (c === '.' && next === '.') {
      push('mark', '..', NaN, at + 2);
    } else if (c === '…') {
      push('mark', '..', NaN, at + 1);
    } else if (isDash(c)) {
      push('mark', '-', NaN, at + 1);
    } else if (MARKS.has(c)) {
      push('mark', c, NaN, at + 1);
    } else {
      const end = at + (text.codePointAt(at)! > 0xffff ? 2 : 1);
      issues.push({
        line,
        column: at + 1,
        endColumn: end + 1,
        code: 'unexpected-character',
        message: `“${text.slice(at, end)}” has no meaning here; remove it, or put the words around it in quotation marks.`,
        suggestions: [],
      });
      at = end;
      spaced = true;
    }
  }
  return { tokens, comment, issues };
}

type Push = (kind: Token['kind'], text: string, value: number, end: number) => void;

function readNumber(text: string, start: number, push: Push): void {
  let end = start;
  while (end < text.length && isDigit(text[end]!)) end++;
  if (text[end] === ':' && isDigit(text[end + 1] ?? '')) {
    const parts = [Number(text.slice(start, end))];
    while (text[end] === ':' && isDigit(text[end + 1] ?? '') && parts.length < 3) {
      let stop = end + 1;
      while (stop < text.length && isDigit(text[stop]!)) stop++;
      parts.push(Number(text.slice(end + 1, stop)));
      end = stop;
    }
    push('clock', text.slice(start, end), clockSeconds(parts), end);
    return;
  }
  if (text[end] === '.' && isDigit(text[end + 1] ?? '')) {
    end++;
    while (end < text.length && isDigit(text[end]!)) end++;
  }
  push('number', text.slice(start, end), Number(text.slice(start, end)), end);
}

/** Minutes and seconds, or hours, minutes and seconds; NaN where a part after the first is 60 or more. */
function clockSeconds(parts: readonly number[]): number {
  if (parts.slice(1).some((p) => p > 59)) return NaN;
  return parts.reduce((sum, part) => sum * 60 + part, 0);
}

/** A word goes on through letters, apostrophes, and dashes or digits that a letter or digit follows. */
function wordEnd(text: string, start: number): number {
  let end = start;
  while (end < text.length) {
    const c = text[end]!;
    const next = text[end + 1] ?? '';
    if (isLetter(c) || isDigit(c)) end++;
    else if ((c === "'" || c === '’') && isLetter(next)) end++;
    else if (isDash(c) && c !== '—' && c !== '·' && (isLetter(next) || isDigit(next))) end++;
    else break;
  }
  return end;
}
