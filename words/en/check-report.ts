import { findingsHeading, findingWords } from './findings.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { groupFindings } from '../../core/session/findings/group-findings.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import { explainReading, listReadings } from '../../core/session/list-readings.ts';
import type { EstimateSec } from '../../core/pace/pace.ts';
import type { SessionAnalysis } from '../../core/session/analyse.ts';
import { blockName, describeBlock, explainLength, formatLength } from '../../core/session/explain/explain.ts';
import { formatRange } from '../../core/words/format-range.ts';
import { formatClock } from '../../core/words/format-clock.ts';

const clock = ({ low, likely, high }: EstimateSec) => ({
  low: Math.round(low),
  likely: Math.round(likely),
  high: Math.round(high),
});

/** One file's object of `check --json` (docs/notation.md, "From the command line"). */
export function buildCheckReport(file: string, analysis: SessionAnalysis, library: MovementLibrary) {
  const { issues, plan, findings, blocks } = analysis;
  return {
    file,
    ok: issues.length === 0,
    errors: issues.map(({ line, column, code, message, suggestions }) => ({
      line,
      column,
      code,
      message,
      suggestions,
    })),
    clockSeconds: clock(plan.clockSec),
    estimated: plan.estimated,
    workSeconds: plan.workSec,
    restSeconds: plan.restSec,
    reps: plan.reps,
    kit: plan.kit,
    blocks: plan.blocks.map((b) => ({
      role: b.role,
      label: b.label,
      estimated: b.estimated,
      clockSeconds: clock(b.clockSec),
      workSeconds: b.workSec,
      restSeconds: b.restSec,
      rounds: b.rounds,
      intervals: b.intervals,
      score: b.score,
      reps: b.reps,
    })),
    timeline: plan.timeline.map((s) => ({
      start: s.startSec,
      end: s.endSec,
      kind: s.kind,
      block: s.block,
      round: s.round,
      movement: s.movementId,
      side: s.side,
      reps: s.reps,
      estimated: s.estimated,
    })),
    readings: listReadings(blocks, library).map(({ name, movementId, said, safeSide }) => ({
      name,
      movement: movementId,
      said,
      safeSide,
    })),
    findings: findings.map((f) => ({ code: f.code, severity: f.severity, line: f.line, message: findingWords(f) })),
  };
}

/** The same for people: a line a block, what is counted, what is worth a look. */
export function formatCheckReport(file: string, analysis: SessionAnalysis, library: MovementLibrary): string {
  const { document, plan, blocks, findings } = analysis;
  const range = formatRange(plan.clockSec);
  const lines = [
    `${file}: ${sessionTitle(document) || 'nothing to do yet'}, ${formatLength(plan.clockSec)}${range ? ` (${range})` : ''}`,
  ];
  for (const [i, b] of plan.blocks.entries()) {
    const sum = explainLength(blocks[i]!, b);
    lines.push(
      `  ${formatLength(b.clockSec).padStart(12)}  ${blockName(b)}: ${describeBlock(blocks[i]!, b)}${sum ? ` (${sum})` : ''}`,
    );
  }
  const counts = plan.movements.map(
    (m) =>
      [m.reps > 0 ? `${m.reps}` : '', m.heldSec > 0 ? formatClock(m.heldSec) : '', m.hasOpenDose ? 'open' : '']
        .filter(Boolean)
        .join(' + ') + ` ${m.name}`,
  );
  if (counts.length > 0) lines.push(`  counted: ${counts.join(', ')}`);
  lines.push(`  kit: ${plan.kit.length === 0 ? 'none' : plan.kit.join(', ')}`);
  for (const reading of listReadings(blocks, library)) lines.push(`  “${reading.name}” is ${explainReading(reading)}`);
  for (const group of groupFindings(findings)) {
    const { severity, findings: own } = group;
    const heading = findingsHeading(group);
    if (heading !== '') lines.push(`  ${severity}: ${heading}`);
    for (const f of own)
      lines.push(
        `  ${heading === '' ? `${severity}: ` : '  '}${f.line === null ? '' : `line ${f.line}: `}${findingWords(f)}`,
      );
  }
  return lines.join('\n');
}
