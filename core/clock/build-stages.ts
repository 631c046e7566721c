import type { Block, Item, WorkItem } from '../document/document.ts';
import { asCounted } from '../document/option.ts';
import { capSecOf, slotOf, stageWordsOf } from '../forms/forms.ts';
import type { Part, Step } from '../forms/step.ts';
import { blockName, describeBlock, ruleLines } from '../session/explain/explain.ts';
import type { SessionPlan } from '../session/plan.ts';
import { isLikelyStep } from '../session/plan.ts';
import { isWork, itemDetails, itemName, loadAt, speakDose, SURPRISE } from '../words/describe-item.ts';
import { formatClock } from '../words/format-clock.ts';
import { bareFigure, carriedOf, countedReps, repsAtTurn } from './figures.ts';
import type { PaceMark, Stage, StageLine } from './stage.ts';
import { withCoachCues } from './voice/coach-cues.ts';
import { carriedFigure, figureOf, hasWork, isWaiting, spokenStart } from './stage.ts';

/** A rest shorter than this is none to drink in (common practice, no source). */
const WATER_FROM_SEC = 15;

/** Time to get to the mat, and into position before a hold (common practice, no source). */
export const GET_READY_SEC = 5;
/** After work at one's own pace, before a clock starts: so long it waits for a tap (common practice, no source). */
export const READY_SEC = 10;
/** So long one may think about a round more (common practice, no source). */
export const OFFER_SEC = 20;

/** The stages of a session, in order. `blocks` are the resolved ones that the plan was computed from. An empty plan gives none. */
export function buildStages(plan: SessionPlan, blocks: readonly Block[]): Stage[] {
  const stages: Stage[] = [];
  let atSec = 0;
  for (const [index, step] of plan.steps.entries()) {
    const block = blocks[step.block]!;
    const counted = isLikelyStep(step, plan.blocks[step.block]!.likelyRounds);
    const startSec = Math.min(atSec, plan.clockSec.likely);
    if (counted) atSec += step.sec.likely;
    const stage = toStage(step, block, plan, startSec, Math.min(atSec, plan.clockSec.likely));
    const next = plan.steps[index + 1];
    if (offersRound(plan.steps, index)) stages.push(roundOffer(stage));
    if (step.purpose === 'change-over') {
      // At one's own pace a change-over needs no clock; before something timed it is the time to get into position.
      if (next?.ruledBy === 'clock')
        stages.push({
          ...waiting(stage),
          kind: 'get-ready',
          durationSec: GET_READY_SEC,
          timelineEndSec: stage.timelineEndSec,
        });
      continue;
    }
    const before = stages.at(-1);
    if (!before) stages.push({ ...waiting(stage), kind: 'get-ready', durationSec: GET_READY_SEC });
    else if (
      before.block !== step.block &&
      before.ruledBy === 'own' &&
      step.ruledBy === 'clock' &&
      stage.kind !== 'rest'
    )
      stages.push({ ...waiting(stage), kind: 'ready', durationSec: READY_SEC });
    stages.push(...splitHolds(stage, step));
  }
  const rulesOf = (block: number): string[] => [
    describeBlock(blocks[block]!, plan.blocks[block]!),
    ...ruleLines(blocks[block]!),
  ];
  const told = withCoachCues(stages, blocks);
  return told.map((stage, i) => {
    const next = told[i + 1];
    if (stage.kind !== 'rest' && !isWaiting(stage) && beginsLastRound(stages, i))
      return { ...stage, isLastRound: true };
    const isBeginning = i === 0 || stages[i - 1]!.block !== stage.block;
    const hasWater = stage.kind === 'rest' && stage.durationSec >= WATER_FROM_SEC && endsRound(stages, i);
    if (stage.kind === 'rest' && next && next.block !== stage.block)
      return { ...stage, hasWater, title: `Rest before ${next.blockName}`, rules: rulesOf(next.block) };
    if (stage.offersRound) return { ...stage, title: 'One round more, if you have time?' };
    if (!next || !isWaiting(stage)) return hasWater ? { ...stage, hasWater } : stage;
    return {
      ...stage,
      ...(isBeginning && { rules: rulesOf(stage.block) }),
      title: i === 0 ? 'Get ready' : stage.kind === 'ready' ? `${next.blockName}: ready?` : `Get ready: ${next.title}`,
    };
  });
}

/** Whether a step is the first of a round that isn't owed. A climb goes on by itself for as long as it can. */
function offersRound(steps: readonly Step[], at: number): boolean {
  const { optional, purpose, block, set, round } = steps[at]!;
  if (!optional || purpose === 'climb') return false;
  const before = steps[at - 1];
  return before?.block !== block || before.set !== set || before.round !== round;
}

const roundOffer = (first: Stage): Stage => ({
  ...waiting(first),
  kind: 'ready',
  durationSec: OFFER_SEC,
  round: first.round,
  offersRound: true,
  ends: 'That was enough',
});

/** Whether a stage is the first of the last of several rounds. */
function beginsLastRound(stages: readonly Stage[], at: number): boolean {
  const { round, rounds, block, set } = stages[at]!;
  if (rounds < 2 || round !== rounds) return false;
  const before = stages.slice(0, at).findLast((s) => s.kind !== 'rest' && !isWaiting(s));
  return before?.block !== block || before.set !== set || before.round !== round;
}

/** Whether what is done after a rest is of another round, set or block than what was done before it. */
function endsRound(stages: readonly Stage[], at: number): boolean {
  const before = stages.slice(0, at).findLast(hasWork);
  const after = stages.slice(at + 1).find(hasWork);
  return (
    before !== undefined &&
    after !== undefined &&
    (before.block !== after.block || before.set !== after.set || before.round !== after.round)
  );
}

/** A stage before another, in which nothing is done or counted yet. */
const waiting = (stage: Stage): Stage => ({
  ...stage,
  ruledBy: 'clock',
  title: 'Get ready',
  figure: '',
  reps: null,
  details: '',
  lines: [],
  switchAtSec: [],
  holds: [],
  tempo: null,
  setUp: null,
  round: 0,
  timelineEndSec: stage.timelineStartSec,
  workCapSec: null,
  overFromSec: null,
  taps: null,
  asks: null,
  ends: null,
  enoughFromSec: null,
  paceMarks: [],
  likelyTapsSec: [],
  coachCues: [],
});

/** Repetitions at one's own pace with a hold behind them: the hold has a clock of its own. */
function splitHolds(stage: Stage, step: Step): Stage[] {
  const holds = step.parts.filter((p) => p.kind === 'hold' && !p.estimated);
  if (step.ruledBy !== 'own' || step.lists || holds.length === 0 || holds.length === step.parts.length) return [stage];
  let atSec = stage.timelineStartSec;
  return step.parts.map((part): Stage => {
    const startSec = atSec;
    atSec = Math.min(stage.timelineEndSec, atSec + part.sec.likely);
    const side = part.side === null ? [] : [part.side];
    const isHold = part.kind === 'hold' && !part.estimated;
    return {
      ...stage,
      ruledBy: isHold ? 'clock' : 'own',
      durationSec: part.sec.likely,
      title: isHold ? `hold ${part.name ?? ''}`.trim() : stage.title,
      figure: isHold ? formatClock(part.sec.likely) : part.reps === null ? stage.figure : String(part.reps),
      reps: isHold ? null : part.reps === null ? stage.reps : { as: 'one', numbers: [part.reps] },
      details: [...side, ...(isHold ? [] : [stage.details])].filter(Boolean).join(' · '),
      sides: side,
      switchAtSec: [],
      tempo: isHold || !stage.tempo ? null : { ...stage.tempo, reps: part.reps },
      timelineStartSec: startSec,
      timelineEndSec: atSec,
    };
  });
}

function toStage(step: Step, block: Block, plan: SessionPlan, startSec: number, endSec: number): Stage {
  const own = plan.blocks[step.block]!;
  const isRest = step.parts.every((p) => p.kind === 'rest');
  const lead = step.parts.find((p) => p.kind !== 'rest');
  const listed = step.lists ?? false;
  const item = lead && lead.item !== null ? block.items[lead.item] : undefined;
  const words =
    item && isWork(item) && lead
      ? itemWords(item, lead, step, block)
      : { title: '', figure: '', details: '', reps: null };
  const said = listed && !isRest ? stageWordsOf(block, step) : undefined;
  const lines = listed ? step.items.flatMap((i) => stageLine(block, i, step)) : [];
  const isChosenRest = isRest && step.sec.low !== step.sec.high && step.ruledBy === 'clock';
  const title = isRest ? restTitle(step) : (said?.title ?? words.title);
  const sides = [...new Set(step.parts.flatMap((p) => p.side ?? []))];
  return {
    kind: isRest ? 'rest' : listed ? 'span' : 'work',
    ruledBy: step.ruledBy,
    durationSec: isChosenRest ? step.sec.high : step.sec.likely,
    block: step.block,
    blockName: blockName(block),
    round: step.round,
    rounds: said?.of ?? own.rounds?.high ?? 0,
    set: step.set,
    sets: own.sets,
    item: listed || isRest ? null : (lead?.item ?? null),
    movement: listed || isRest || !item || !isWork(item) ? '' : movementOf(item, lead?.name),
    title,
    nextWords: listed
      ? step.items.map((i, n) => (isSurprise(block.items[i]) ? SURPRISE : (lines[n]?.name ?? ''))).join(', ')
      : isSurprise(item)
        ? SURPRISE
        : spokenStart({ figure: words.figure, title: words.title, sides, switchAtSec: switches(step) }),
    figure: listed ? '' : words.figure,
    reps: listed || isRest || step.carried !== undefined ? null : words.reps,
    details: listed ? '' : words.details,
    rules: [],
    lines,
    sides,
    switchAtSec: switches(step),
    workCapSec: step.workCapSec ?? null,
    overFromSec: step.purpose === 'slot' && !isRest ? (slotOf(block)?.capSec ?? null) : null,
    optional: step.optional,
    offersRound: false,
    timelineStartSec: startSec,
    timelineEndSec: endSec,
    capSec: capSecOf(block) ?? null,
    taps: said?.taps ?? null,
    partners: said?.partners ?? 1,
    swapsByItem: said?.swapsByItem ?? false,
    asks: said?.asks ?? null,
    ends: said?.ends ?? null,
    enoughFromSec: isChosenRest ? step.sec.low : null,
    isLastRound: false,
    hasWater: false,
    paceMarks: isRest ? [] : statedPace(step, block),
    likelyTapsSec: likelyTaps(step),
    coachCues: [],
    setUp: null,
    holds: timedHolds(step),
    tempo: listed || isRest || !item || !isWork(item) ? null : tempoOf(item, step),
  };
}

/** The tempo of a line's repetitions; null where it has none. */
function tempoOf(item: WorkItem, { parts }: Step): Stage['tempo'] {
  const { tempo } = asCounted(item);
  const reps = parts.reduce((sum, p) => sum + (p.reps ?? 0), 0);
  return tempo ? { ...tempo, reps: reps > 0 ? reps : null } : null;
}

/** Where a hold begins within work by the clock. */
function timedHolds(step: Step): Stage['holds'] {
  if (step.ruledBy !== 'clock' || step.parts.some((p) => p.estimated && p.kind !== 'rest')) return [];
  let atSec = 0;
  return step.parts.flatMap((part, i) => {
    const own = { atSec, sec: part.sec.likely };
    atSec += part.sec.likely;
    return part.kind === 'hold' && step.parts[i - 1]?.kind === 'work' ? [own] : [];
  });
}

/** Where one should be at the coach's stated pace, each minute; each quarter of a shorter stretch. */
function statedPace(step: Step, { pacePerMin }: Block): Stage['paceMarks'] {
  if (pacePerMin === undefined || step.ruledBy !== 'clock' || step.parts.every((p) => p.kind !== 'open')) return [];
  const lengthSec = step.sec.likely;
  const everySec = lengthSec >= 120 ? 60 : Math.max(15, Math.round(lengthSec / 4));
  const marks: PaceMark[] = [];
  for (let atSec = everySec; atSec < lengthSec; atSec += everySec) {
    const reps = Math.round((pacePerMin * atSec) / 60);
    marks.push({ atSec, words: `${reps} by now`, reps });
  }
  return marks;
}

/** Where the list of an open stretch begins again in its likely course. */
function likelyTaps(step: Step): number[] {
  const found: number[] = [];
  let sec = 0;
  let last = -1;
  for (const part of step.expected ?? []) {
    if (part.kind === 'hold') {
      sec += part.sec.likely;
      continue;
    }
    const at = part.item === null ? -1 : step.items.indexOf(part.item);
    if (at >= 0 && at < last) found.push(sec);
    else if (at >= 0 && at === last && step.items.length === 1 && part.side !== 'right') found.push(sec);
    if (at >= 0) last = at;
    sec += part.sec.likely;
  }
  return found.filter((s) => s > 0);
}

const isSurprise = (item: Item | undefined): boolean => item !== undefined && isWork(item) && item.surprise === true;

/** The movement of an item, as it is written: the first choice, or the one whose turn it is. */
const movementOf = (item: WorkItem, turn: string | null | undefined): string =>
  item.inTurn && turn ? turn : item.choices[0]!.name;

function itemWords(item: WorkItem, lead: Part, step: Step, block: Block) {
  const spoken = speakDose(item.dose, block.count);
  const reps = countedReps(item, step);
  const counted = reps ? figureOf(reps) : '';
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
    reps,
    title: item.inTurn ? (lead.name ?? '') : itemName(loadedAt(item, step.round - 1)),
    figure,
    details: itemDetails(loadedAt(item, step.round - 1), undefined).join(' · '),
  };
}

/** The item with the weight of a round, from 0. */
const loadedAt = (item: WorkItem, round: number): WorkItem => ({
  ...item,
  ...(item.load && { load: loadAt(item.load, round) }),
  choices: item.choices.map((c) => (c.load ? { ...c, load: loadAt(c.load, round) } : c)),
});

function stageLine(block: Block, index: number, step: Step): StageLine[] {
  const item = block.items[index]!;
  if (!isWork(item))
    return [{ item: index, movement: '', figure: item.sec ? formatClock(item.sec) : '', name: 'rest', details: '' }];
  const turn = Math.max(1, step.round) - 1;
  const name = item.inTurn ? item.choices[turn % item.choices.length]!.name : itemName(item);
  const carried = carriedOf(item, block, step);
  const isOpenSpan = step.purpose === 'span';
  const reps = carried ? undefined : repsAtTurn(item, block, step, turn);
  return [
    {
      item: index,
      movement: movementOf(item, item.inTurn ? name : undefined),
      figure: carried ? carriedFigure(carried, 0, 0) : reps ? figureOf(reps) : bareFigure(item, block, step),
      ...(reps && { reps }),
      name,
      details: itemDetails(isOpenSpan ? item : loadedAt(item, turn), undefined).join(' · '),
      ...(carried && { carried }),
      ...(item.inTurn && isOpenSpan && { names: item.choices.map((c) => c.name) }),
    },
  ];
}

function restTitle(step: Step): string {
  switch (step.purpose) {
    case 'set-rest':
      return 'Rest before the next set';
    case 'team-rest':
      return 'Your team works';
    default:
      return 'Rest';
  }
}

/** Where the side changes: at exact times; in a slot also where the first side is likely done. */
function switches(step: Step): number[] {
  const at: number[] = [];
  let sec = 0;
  for (const [i, part] of step.parts.entries()) {
    const before = step.parts.slice(0, i).findLast((p) => p.side !== null);
    const isTimed = !part.estimated || step.purpose === 'slot';
    if (before && part.side !== null && part.side !== before.side && step.ruledBy === 'clock' && isTimed) at.push(sec);
    sec += part.sec.likely;
  }
  return at;
}
