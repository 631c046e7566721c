import { formatClock } from '../words/format-clock.ts';
import type { Block } from '../document/document.ts';
import { isWork, itemDetails, itemName, speakDose } from '../words/describe-item.ts';
import { blockName } from '../session/explain.ts';
import type { SessionPlan } from '../session/plan.ts';
import type { Part, Step } from '../forms/step.ts';
import { likelyRounds, roundsOf } from '../forms/unroll.ts';

/** A line of the list that a span or window is filled from. */
export interface StageLine {
  readonly figure: string;
  readonly name: string;
  readonly details: string;
}

/** One thing that the clock shows. */
export interface Stage {
  readonly kind: 'work' | 'rest' | 'get-ready' | 'span';
  /** `clock`: counts down and goes on by itself; `own`: counts up and waits for a tap. */
  readonly ruledBy: 'clock' | 'own';
  /** Seconds of a clock stage; for own pace the likely ones. */
  readonly durationSec: number;
  readonly block: number;
  readonly blockName: string;
  /** From 1; 0 outside rounds. */
  readonly round: number;
  readonly rounds: number;
  readonly set: number;
  readonly title: string;
  /** The dose, large: `14`, `0:40`. */
  readonly figure: string;
  readonly details: string;
  /** What fills an open span. */
  readonly lines: readonly StageLine[];
  /** Seconds from its start at which sides are switched. */
  readonly switchAtSec: readonly number[];
  readonly workCapSec: number | null;
  readonly optional: boolean;
  /** Where on the likely timeline it begins and ends, for the marker on the ribbon. */
  readonly timelineStartSec: number;
  readonly timelineEndSec: number;
  /** The block ends at this many seconds since its start, whatever is left of it. */
  readonly capSec: number | null;
  /** Rounds of this span are tapped and counted. */
  readonly countsRounds: boolean;
}

/** Time to get to the mat, and into position before a hold (common practice, no source). */
export const GET_READY_SEC = 5;

/** The stages of a session, in order. `blocks` are the resolved ones that the plan was computed from. An empty plan gives none. */
export function buildStages(plan: SessionPlan, blocks: readonly Block[]): Stage[] {
  const stages: Stage[] = [];
  let atSec = 0;
  for (const [index, step] of plan.steps.entries()) {
    const block = blocks[step.block]!;
    const counted = !step.optional || step.round <= likelyRounds(roundsOf(block));
    const startSec = Math.min(atSec, plan.clockSec.likely);
    if (counted) atSec += step.sec.likely;
    const stage = toStage(step, block, plan, startSec, Math.min(atSec, plan.clockSec.likely));
    const isFirst = stages.length === 0;
    if (step.purpose === 'change-over') {
      // At one's own pace a change-over needs no clock; before something timed it is the time to get into position.
      if (plan.steps[index + 1]?.ruledBy === 'clock')
        stages.push({ ...stage, kind: 'get-ready', ruledBy: 'clock', durationSec: GET_READY_SEC });
      continue;
    }
    if (isFirst) {
      stages.push({
        ...stage,
        kind: 'get-ready',
        ruledBy: 'clock',
        durationSec: GET_READY_SEC,
        title: 'Get ready',
        figure: '',
        details: '',
        lines: [],
        switchAtSec: [],
        round: 0,
        timelineEndSec: stage.timelineStartSec,
        workCapSec: null,
      });
    }
    stages.push(stage);
  }
  return stages.map((stage, i) =>
    stage.kind === 'get-ready' && stages[i + 1]
      ? { ...stage, title: i === 0 ? 'Get ready' : `Get ready: ${stages[i + 1]!.title}` }
      : stage,
  );
}

function toStage(step: Step, block: Block, plan: SessionPlan, startSec: number, endSec: number): Stage {
  const rounds =
    plan.blocks[step.block]!.rounds?.high ??
    (step.purpose === 'pyramid'
      ? Math.ceil(block.items.length / 2)
      : block.time.kind === 'windows'
        ? block.time.windows
        : 0);
  const isRest = step.parts.every((p) => p.kind === 'rest');
  const lead = step.parts.find((p) => p.kind !== 'rest');
  const listed = step.purpose === 'span' || step.purpose === 'window' || step.purpose === 'pyramid';
  const item = lead && lead.item !== null ? block.items[lead.item] : undefined;
  const words =
    item && isWork(item) && lead ? itemWords(item, lead, step, block) : { title: '', figure: '', details: '' };
  return {
    kind: isRest ? 'rest' : listed ? 'span' : 'work',
    ruledBy: step.ruledBy,
    durationSec: step.sec.likely,
    block: step.block,
    blockName: blockName(block),
    round: step.round,
    rounds,
    set: step.set,
    title: isRest ? restTitle(step) : listed ? spanTitle(step, block) : words.title,
    figure: listed ? '' : words.figure,
    details: listed ? '' : words.details,
    lines: listed ? step.items.flatMap((i) => stageLine(block, i, step)) : [],
    switchAtSec: switches(step),
    workCapSec: step.workCapSec ?? null,
    optional: step.optional,
    timelineStartSec: startSec,
    timelineEndSec: endSec,
    capSec: block.time.kind === 'own' ? (block.time.capSec ?? null) : null,
    countsRounds: step.purpose === 'span',
  };
}

function itemWords(item: Parameters<typeof itemName>[0], lead: Part, step: Step, block: Block) {
  const spoken = speakDose(item.dose, block.count);
  const sideReps = step.parts.filter((p) => p.reps !== null);
  const each = sideReps.length > 1 && sideReps.every((p) => p.reps === sideReps[0]!.reps);
  const counted =
    item.dose?.kind === 'reps' && item.dose.amount.kind === 'range'
      ? spoken.figure
      : sideReps.length === 0
        ? ''
        : each || sideReps.length === 1
          ? String(pairsShown(item, sideReps[0]!.reps!))
          : sideReps.map((p) => p.reps).join(' + ');
  const timed = item.dose?.kind === 'time' ? formatClock(step.parts.find((p) => p.kind !== 'rest')!.sec.likely) : '';
  const figure =
    counted ||
    timed ||
    (spoken.figure === 'max'
      ? 'max'
      : item.dose?.kind === 'distance' || item.dose?.kind === 'energy'
        ? spoken.figure
        : '');
  return {
    title: item.inTurn ? (lead.name ?? '') : itemName(item),
    figure,
    details: itemDetails(item, undefined).join(' · '),
  };
}

const pairsShown = (item: Parameters<typeof itemName>[0], reps: number) =>
  item.dose && 'sides' in item.dose && item.dose.sides === 'pairs' ? reps / 2 : reps;

function stageLine(block: Block, index: number, step: Step): StageLine[] {
  const item = block.items[index]!;
  if (!isWork(item)) return [{ figure: item.sec ? formatClock(item.sec) : '', name: 'rest', details: '' }];
  const name = item.inTurn ? item.choices[(Math.max(1, step.round) - 1) % item.choices.length]!.name : itemName(item);
  return [
    { figure: speakDose(item.dose, block.count).figure, name, details: itemDetails(item, undefined).join(' · ') },
  ];
}

function restTitle(step: Step): string {
  switch (step.purpose) {
    case 'set-rest':
      return 'Rest before the next set';
    case 'then-rest':
      return 'Rest';
    case 'team-rest':
      return 'Your team works';
    default:
      return 'Rest';
  }
}

function spanTitle(step: Step, block: Block): string {
  if (step.purpose === 'pyramid' && block.count?.kind === 'pyramid') {
    return step.direction === 'up'
      ? `Up by ${block.count.step} a set`
      : `Down by ${block.count.step} from the set you stopped in`;
  }
  if (step.purpose === 'window') return `Window ${step.round}, from the top`;
  return block.time.kind === 'span' && block.time.turnsOf
    ? `In turns of ${block.time.turnsOf}`
    : 'As many rounds as you can';
}

/** Where the side changes between parts whose times are exact. */
function switches(step: Step): number[] {
  const at: number[] = [];
  let sec = 0;
  for (const [i, part] of step.parts.entries()) {
    const before = step.parts.slice(0, i).findLast((p) => p.side !== null);
    if (before && part.side !== null && part.side !== before.side && step.ruledBy === 'clock' && !part.estimated)
      at.push(sec);
    sec += part.sec.likely;
  }
  return at;
}
