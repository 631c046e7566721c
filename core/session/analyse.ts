import type { MovementLibrary } from '../movement/library.ts';
import type { NotationIssue } from '../text/issue.ts';
import type { SessionSource } from '../notation/parse.ts';
import { parseSession } from '../notation/parse.ts';
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

/** Reads a text, plans it, and says what is worth a look: the one path for writer, server, workers and command line. */
export function analyseText(text: string, library: MovementLibrary, routines: Routines = new Map()): SessionAnalysis {
  const { document, issues, source } = parseSession(text, library);
  const blocks = resolveBlocks(document, routines);
  const plan = computePlan(document, library, routines);
  return {
    document,
    issues,
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
