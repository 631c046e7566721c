import type { MovementLibrary } from '../movement/library.ts';
import type { NotationIssue } from '../text/issue.ts';
import type { SessionSource } from '../notation/parse.ts';
import { usualSpelling } from '../notation/own-words/usual-spelling.ts';
import { nearestLines } from '../notation/own-words/nearest-lines.ts';
import { tailOf } from '../notation/apply-edits.ts';
import { parseSession } from '../notation/read-session.ts';
import type { Block, SessionDocument } from '../document/document.ts';
import { findFindings } from './findings/find-findings.ts';
import type { Finding } from './findings/finding.ts';
import type { SessionPlan } from './plan.ts';
import { computePlan } from './plan.ts';
import type { Routines } from './resolve.ts';
import { resolveBlocks } from './resolve.ts';

/** All that a session's text comes to. */
export interface SessionAnalysis {
  readonly document: SessionDocument;
  readonly issues: readonly NotationIssue[];
  readonly source: SessionSource;
  /** With `same as` and `routine` resolved. */
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  readonly findings: readonly Finding[];
}

/** Nobody mends more than these one by one. */
const MOST_OFFERED = 12;

/** Faults of words that weren't understood; others contradict, or are too large, and no other wording mends them. */
const WORDS_MISREAD: ReadonlySet<NotationIssue['code']> = new Set([
  'unknown-clause',
  'unknown-modifier',
  'unexpected-character',
  'bad-value',
  'missing',
]);

/** The line in the usual spelling, where it has one reading; else the lines that come nearest. */
function linesFor(line: string, library: MovementLibrary): Pick<NotationIssue, 'usual' | 'nearest'> {
  // A remark behind the line stays behind whatever is offered for it.
  const tail = tailOf(line);
  const words = line.trimEnd().slice(0, line.trimEnd().length - tail.length);
  const usual = usualSpelling(words, library);
  return usual === undefined
    ? { nearest: nearestLines(words, library).map((near) => near + tail) }
    : { usual: usual + tail };
}

/** Beside what can't be read, its line as it is usually written: a line that has one reading is one thing to mend, however many clauses it has. */
function withUsual(issues: readonly NotationIssue[], text: string, library: MovementLibrary): NotationIssue[] {
  const lines = text.split(/\r\n|\n|\r/);
  const known = new Map<number, Pick<NotationIssue, 'usual' | 'nearest'>>();
  return issues.flatMap((issue) => {
    const isSeen = known.has(issue.line);
    if (!isSeen && known.size < MOST_OFFERED) known.set(issue.line, linesFor(lines[issue.line - 1] ?? '', library));
    const { usual, nearest = [] } = known.get(issue.line) ?? {};
    if (usual !== undefined) return isSeen ? [] : [{ ...issue, usual }];
    return [isSeen || nearest.length === 0 || !WORDS_MISREAD.has(issue.code) ? issue : { ...issue, nearest }];
  });
}

/** Reads a text, plans it, and says what is worth a look: the one path for writer, server, workers and command line. */
export function analyseText(text: string, library: MovementLibrary, routines: Routines = new Map()): SessionAnalysis {
  const { document, issues, source } = parseSession(text, library);
  const blocks = resolveBlocks(document, routines);
  const plan = computePlan(document, library, routines);
  return {
    document,
    issues: issues.length === 0 ? issues : withUsual(issues, text, library),
    source,
    blocks,
    plan,
    findings: findFindings({ document, source, blocks, plan, library, routines }),
  };
}

/** True where a session may be marked ready: all of it can be read, it refers to nothing that is missing, and there is something in it. */
export const isSendable = ({
  issues,
  findings,
  plan,
}: Pick<SessionAnalysis, 'issues' | 'findings' | 'plan'>): boolean =>
  issues.length === 0 && plan.timeline.length > 0 && !findings.some((f) => f.code === 'unknown-routine');
