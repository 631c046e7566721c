import type { Block } from '../../document/document.ts';
import { isWork } from '../../words/describe-item.ts';
import type { Stage } from '../stage.ts';
import { hasWork } from '../stage.ts';

/** The stages with what the coach says in each: to a movement at its turn, the fault to look out for at the first, and at its time within the block. */
export function withCoachCues(stages: readonly Stage[], blocks: readonly Block[]): Stage[] {
  const told = stages.map((stage) => ({ ...stage, coachCues: itemCues(stage, stages, blocks[stage.block]!) }));
  for (const [index, { cues = [], watch }] of blocks.entries()) {
    const own = told.filter((s) => s.block === index && hasWork(s));
    const [first] = own;
    const endSec = told.findLast((s) => s.block === index)?.timelineEndSec ?? 0;
    if (!first) continue;
    if (watch !== undefined) tell(first, 0, `Watch: ${watch}`);
    for (const cue of cues) {
      if (cue.at === 'round') {
        const begins = own.find((s) => s.round === cue.round);
        if (begins) tell(begins, 0, cue.words);
        continue;
      }
      const lengthSec = endSec - first.timelineStartSec;
      const inSec = cue.at === 'halfway' ? lengthSec / 2 : cue.at === 'last' ? lengthSec - cue.sec : cue.sec;
      const atSec = first.timelineStartSec + inSec;
      const stage = inSec < 0 ? undefined : own.find((s) => atSec < s.timelineEndSec);
      // At one's own pace only a beginning is certain.
      if (stage)
        tell(stage, stage.ruledBy === 'clock' ? Math.max(0, Math.round(atSec - stage.timelineStartSec)) : 0, cue.words);
    }
  }
  return told;
}

function tell(stage: { coachCues: Stage['coachCues'] }, atSec: number, words: string): void {
  stage.coachCues = [...stage.coachCues, { atSec, words }];
}

/** What is said of a movement as its turn begins: its cue each time, its fault the first time. */
function itemCues(stage: Stage, stages: readonly Stage[], block: Block): Stage['coachCues'] {
  if (!hasWork(stage)) return [];
  const own = stage.item === null ? stage.lines.map((l) => l.item) : [stage.item];
  return own.flatMap((i) => {
    const item = block.items[i];
    if (!item || !isWork(item)) return [];
    const words = [
      ...(item.cue === undefined ? [] : [item.cue]),
      ...(item.watch !== undefined && isFirstOf(stage, stages) ? [`Watch: ${item.watch}`] : []),
    ];
    return words.map((said) => ({ atSec: 0, words: said, item: i }));
  });
}

/** Whether a stage is the first of its block that is about its item. */
const isFirstOf = (stage: Stage, stages: readonly Stage[]): boolean =>
  stages.find((s) => s.block === stage.block && hasWork(s) && s.item === stage.item) === stage;
