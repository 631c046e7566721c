import type { Finding, FindingCode, Severity } from './finding.ts';

/** Findings of one kind, told as one. */
export interface FindingGroup {
  readonly code: FindingCode;
  readonly severity: Severity;
  readonly findings: readonly Finding[];
}

/** Several of one kind as one, each kind where its weightiest stood. */
export function groupFindings(findings: readonly Finding[]): FindingGroup[] {
  const groups = new Map<FindingCode, Finding[]>();
  for (const finding of findings) {
    const own = groups.get(finding.code);
    if (own) own.push(finding);
    else groups.set(finding.code, [finding]);
  }
  return [...groups].map(([code, own]) => ({
    code,
    severity: own[0]!.severity,
    findings: own,
  }));
}
