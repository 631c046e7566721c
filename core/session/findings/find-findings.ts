import type { Finding, FindingScope, Severity } from './finding.ts';
import {
  findOddRest,
  findOverfullSlots,
  findPartRounds,
  findTightChangeOvers,
  findUnclearScores,
} from './clock-findings.ts';
import { findNaturalWords, findNewMovements, findOneSided } from './item-findings.ts';
import {
  findKit,
  findLateImpact,
  findLongWithoutWater,
  findOffTarget,
  findPreparation,
  findSameAreaInARow,
  findUnknownRoutines,
  findUnpreparedWrists,
} from './session-findings.ts';

const ORDER: Record<Severity, number> = { warning: 0, caution: 1, info: 2 };

const FINDERS = [
  findUnknownRoutines,
  findNaturalWords,
  findOverfullSlots,
  findOffTarget,
  findKit,
  findOneSided,
  findUnclearScores,
  findPreparation,
  findUnpreparedWrists,
  findTightChangeOvers,
  findSameAreaInARow,
  findLateImpact,
  findOddRest,
  findPartRounds,
  findLongWithoutWater,
  findNewMovements,
] as const;

/** All that is worth a look in a session, weightiest first, then by line. An empty session gives nothing. */
export function findFindings(scope: FindingScope): Finding[] {
  return FINDERS.flatMap((find) => find(scope)).sort(
    (a, b) => ORDER[a.severity] - ORDER[b.severity] || (a.line ?? 0) - (b.line ?? 0),
  );
}
