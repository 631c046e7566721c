import type { Block } from '../../core/document/document.ts';
import { changeWords } from '../../words/en/findings.ts';
import { formatCheckReport } from '../../words/en/check-report.ts';
import { explainChange } from '../../core/fit/fit-change.ts';
import { fitSession } from '../../core/fit/fit-session.ts';
import { countShapes, SEEN_AS } from '../../core/fit/count-shapes.ts';
import { cuesOf, cueWords, nextToDo } from '../../core/clock/voice/calls.ts';
import { advance, startClock, topSetOf } from '../../core/clock/clock.ts';
import { seenScores } from '../../core/clock/seen-scores.ts';
import type { Stage } from '../../core/clock/stage.ts';
import { buildStages } from '../../core/clock/build-stages.ts';
import { carriedFigure } from '../../core/clock/stage.ts';
import { headerNumbers, stepHeaderNumber, withHeaderNumber, withShape } from '../../core/forms/clock-shape.ts';
import { capSecOf, formOf, scoreOf, shapeOf, SHAPES, slotOf } from '../../core/forms/forms.ts';
import { commonStep, fitSlots } from '../../core/forms/slot-fit.ts';
import { ANYONE } from '../../core/movement/fit-movement.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import { applyEdits, printBlock } from '../../core/notation/apply-edits.ts';
import { printSession } from '../../core/notation/print.ts';
import { applyLever, usualBy } from '../../core/progress/levers/apply-lever.ts';
import { leverChoices } from '../../core/progress/levers/lever-choices.ts';
import { leverOffers } from '../../core/progress/levers/lever-offers.ts';
import { findSchool, schoolFits, SCHOOL_IDS, schoolLevers } from '../../core/progress/track/schools.ts';
import { scoreFields } from '../../core/record/scores/score.ts';
import { analyseText } from '../../core/session/analyse.ts';
import { computeAreaWork } from '../../core/session/area-work.ts';
import { buildCoolDown, buildWarmUp } from '../../core/session/build-preparation.ts';
import { explainItem } from '../../core/session/explain/explain-item.ts';
import type { SessionAnalysis } from '../../core/session/analyse.ts';
import { computeRoomKit } from '../../core/session/room-kit.ts';
import { buildSheet } from '../../core/session/session-sheet.ts';

const json = (value: unknown) => JSON.stringify(value);

/** All that is made of a session, a line each: what a coach reads of it, what a participant gets, what a lever would do. */
export function describeSession(text: string, library: MovementLibrary): string {
  const analysis = analyseText(text, library);
  return [
    formatCheckReport('session', analysis, library),
    ...describeTimeline(analysis),
    ...describeFindings(text, analysis, library),
    ...analysis.blocks.flatMap((block, b) => describeBlock(block, b, analysis, library)),
    `sheet ${json(buildSheet(analysis.document, analysis.blocks, analysis.plan, library))}`,
    `room ${json(computeRoomKit(analysis.document.groupSize, analysis.blocks, library))}`,
    `areas ${json(computeAreaWork(analysis.plan, library))}`,
    ...[buildWarmUp(analysis.plan, library), buildCoolDown(analysis.plan, library)].map(
      (b) => `offer ${printBlock(b, library).join(' / ')}`,
    ),
    ...describePeople(analysis, library),
    ...describeLevers(analysis, library),
    ...describeClock(analysis),
    '',
  ].join('\n');
}

function describeTimeline({ plan }: SessionAnalysis): string[] {
  return [
    ...plan.blocks.map((b) => `block ${json({ ...b, scoreForm: b.scoreForm?.kind ?? null })}`),
    ...fewOf(
      plan.timeline.map(
        (s) =>
          `${s.startSec}-${s.endSec} ${s.kind} ${s.name ?? ''}${s.side ? ` ${s.side}` : ''}${s.reps === null ? '' : ` x${s.reps}`} r${s.round} e${s.effort}${s.estimated ? ' about' : ''}${s.expected ? ` likely ${s.expected.map((p) => `${p.name ?? p.kind} ${p.sec.likely}`).join(', ')}` : ''}`,
      ),
    ),
  ];
}

/** Every way out of a finding, taken. */
function describeFindings(text: string, { findings }: SessionAnalysis, library: MovementLibrary): string[] {
  return findings.flatMap((f) =>
    f.changes.map(
      (c) =>
        `${f.code} ${f.line ?? '-'} “${changeWords(c.does)}”: ${json(changedLines(text, applyEdits(text, c.edits, library)))}`,
    ),
  );
}

const changedLines = (before: string, after: string): string[] => {
  const known = before.split('\n');
  return after.split('\n').filter((line) => !known.includes(line));
};

function describeBlock(block: Block, b: number, { plan }: SessionAnalysis, library: MovementLibrary): string[] {
  const form = formOf(block.time);
  return [
    `form ${b} ${shapeOf(block).id} ${json(headerNumbers(block))} slot ${json(slotOf(block))} cap ${json(capSecOf(block) ?? null)} pulse ${json(form.rule.pulse(block.time))} size ${json(form.levers.size(block.time, block)?.value ?? null)}`,
    `score ${b} ${json(scoreOf(block))}`,
    `fits ${b} ${json(fitSlots(block, library))} step ${json(commonStep(block, library) ?? null)}`,
    ...block.items.map((_, i) => `item ${b}.${i} ${json(explainItem(block, b, i, plan, library))}`),
    ...headerNumbers(block).flatMap((n) =>
      ([1, -1] as const).map(
        (by) =>
          `header ${b} ${n.key} ${by}: ${printBlock(withHeaderNumber(block, n.key, stepHeaderNumber(n, by)), library)[0]}`,
      ),
    ),
    ...SHAPES.map((s) => `as ${b} ${s.id}: ${printBlock(withShape(block, s), library)[0]}`),
  ];
}

function describePeople({ document, blocks }: SessionAnalysis, library: MovementLibrary): string[] {
  const people = [
    { ...ANYONE, spares: ['quiet' as const, 'wrists' as const] },
    { ...ANYONE, spares: ['seated-only' as const] },
    { ...ANYONE, kit: ['chair'], levels: { push: 2 as const, squat: 2 as const } },
    SEEN_AS.gentle,
  ];
  return [
    ...people.flatMap((person, p) =>
      fitSession(document, blocks, person, library).changes.map(
        (c) => `fit ${p} ${c.block}.${c.item} ${c.how} ${explainChange(c)}${c.isScored ? ' (scored)' : ''}`,
      ),
    ),
    `shapes ${json(countShapes(document, blocks, people, library))}`,
  ];
}

function describeLevers({ document }: SessionAnalysis, library: MovementLibrary): string[] {
  const before = printSession(document, library);
  return [
    ...leverChoices(document, [], library).flatMap(({ lever, now }) => {
      const by = usualBy(lever.kind, document);
      return [by, -by, 3 * by].map(
        (pull) =>
          `lever ${json(lever)} ${now} ${pull}: ${json(changedLines(before, printSession(applyLever(document, { lever, by: pull }, library), library)))}`,
      );
    }),
    ...leverOffers(document, 6, library).map((o) => `offer ${json(o)}`),
    ...SCHOOL_IDS.filter((id) => schoolFits(findSchool(id), document, library)).map(
      (id) => `school ${id} ${json(schoolLevers(id, document, library))}`,
    ),
  ];
}

/** The clock from the first stage to the last, a tap or a second of waiting at a time. */
function describeClock({ plan, blocks }: SessionAnalysis): string[] {
  const stages = buildStages(plan, blocks);
  const shown = fewOf(stages.map((s, i) => describeStage(s, i, stages)));
  return [...shown, ...play(stages, scoreFields(plan))];
}

/** The first and the last of many. */
const fewOf = (lines: readonly string[]): string[] =>
  lines.length <= 24 ? [...lines] : [...lines.slice(0, 20), `… ${lines.length - 22} more`, ...lines.slice(-2)];

function describeStage(s: Stage, i: number, stages: readonly Stage[]): string {
  const lines = s.lines.map((l) =>
    l.carried
      ? `${l.name} ${l.details} ${[0, 1, 2, 7].map((taps) => carriedFigure(l.carried!, taps, 3)).join('|')}`
      : `${l.figure} ${l.name} ${l.details} ${(l.names ?? []).join('|')}`,
  );
  const {
    kind,
    ruledBy,
    durationSec,
    block,
    item,
    movement,
    round,
    rounds,
    set,
    sets,
    title,
    nextWords,
    figure,
    details,
  } = s;
  return [
    `stage ${i} ${kind} ${ruledBy} ${durationSec}s block ${block} item ${item} ${movement} round ${round}/${rounds} set ${set}/${sets}`,
    `“${title}” ${figure} ${details} next “${nextWords}” ${s.timelineStartSec}-${s.timelineEndSec}`,
    `switch ${s.switchAtSec.join(',')} over ${s.workCapSec} cap ${s.capSec} enough ${s.enoughFromSec} taps ${s.taps} of ${s.partners} asks ${json(s.asks)} ends ${s.ends}${s.optional ? ' optional' : ''}${s.isLastRound ? ' last round' : ''}${s.hasWater ? ' water' : ''}`,
    ...(s.rules.length > 0 ? [`rules ${s.rules.join('; ')}`] : []),
    ...(lines.length > 0 ? [`lines ${lines.join(' / ')}`] : []),
    `cues ${cuesOf(s)
      .map((c) => `${c.atSec} ${cueWords(c, s, { next: nextToDo(stages, i), roomSec: Infinity, isTold: true })}`)
      .join('; ')}`,
  ].join(' | ');
}

const MOST_TURNS = 4000;

/** Followed as someone would: own pace a little slower than likely, a tap now and then, an answer where one is asked for. */
function play(stages: readonly Stage[], scored: ReturnType<typeof scoreFields>): string[] {
  if (stages.length === 0) return [];
  let nowMs = 0;
  let state = startClock(nowMs);
  const told: string[] = [];
  for (let turn = 0; turn < MOST_TURNS && state.status !== 'finished'; turn++) {
    const at = state.stage;
    const stage = stages[at]!;
    if (stage.taps)
      for (const event of ['tap', 'tap', 'tap', 'untap'] as const) state = advance(state, event, stages, nowMs);
    if (stage.asks) state = advance(state, { kind: 'answer', stage: at, value: 7 + at }, stages, nowMs);
    nowMs += stage.ruledBy === 'clock' ? 7000 : 1100 * Math.max(1, stage.durationSec);
    state = advance(state, stage.ruledBy === 'clock' ? 'tick' : 'next', stages, nowMs);
    if (state.stage !== at) told.push(`${at}@${nowMs / 1000}`);
  }
  return [
    `played ${told.join(' ')}`,
    `ran ${json(state.spentByBlockMs)} taps ${json(state.tapsByStage)} top ${stages.map((_, i) => topSetOf(state, stages, i)).join(',')}`,
    `seen ${json(seenScores(state, stages, scored))}`,
  ];
}
