import { plural } from '../../words/words.ts';
import type { Finding, FindingCode, Severity } from './finding.ts';

/** Findings of one kind, told as one. */
export interface FindingGroup {
  readonly code: FindingCode;
  readonly severity: Severity;
  /** What they are about, where there are several: `4 movements are new here`. */
  readonly heading: string;
  readonly findings: readonly Finding[];
}

const HEADINGS: Readonly<Record<FindingCode, (count: number) => string>> = {
  'new-movement': (n) => `${plural(n, 'movement')} are new here: taken as written, at a usual pace, with kit left open`,
  'unknown-routine': (n) => `${plural(n, 'routine')} are not stored`,
  'one-sided': (n) => `${plural(n, 'movement')} work one side at a time; say how left and right are counted`,
  'overfull-slot': (n) => `${plural(n, 'turn')} don’t hold what is put in them`,
  'over-target': (n) => `${n} times over the target length`,
  'under-target': (n) => `${n} times short of the target length`,
  'kit-missing': (n) => `${plural(n, 'piece')} of kit are not announced`,
  'kit-unused': (n) => `${plural(n, 'piece')} of kit are not used`,
  'no-warm-up': () => 'There is no warm-up',
  'no-cool-down': () => 'There is no cool-down',
  'wrists-unprepared': (n) => `${plural(n, 'load')} on unprepared wrists`,
  'same-area-in-a-row': (n) => `${plural(n, 'pair')} of neighbours ask for the same place`,
  'impact-after-fatigue': (n) => `${plural(n, 'landing')} on tired legs`,
  'score-unclear': (n) => `${plural(n, 'score')} can’t be told from what is written`,
  'rest-odd': (n) => `${plural(n, 'block')} with unusual rest`,
  'change-over-tight': (n) => `${plural(n, 'change-over')} are tight`,
  'long-without-water': (n) => `${plural(n, 'stretch', 'stretches')} without water`,
  'part-round': (n) => `${plural(n, 'block')} end in the middle of a round`,
};

/** Several of one kind as one, each kind where its weightiest stood. A kind of one has no heading. */
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
    heading: own.length === 1 ? '' : HEADINGS[code](own.length),
    findings: own,
  }));
}
