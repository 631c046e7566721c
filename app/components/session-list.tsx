import { isWork, itemDetails, itemName, speakDose } from '../../core/session/describe-item.ts';
import type { Block } from '../../core/session/document.ts';
import { blockName, describeBlock, formatMinutes } from '../../core/session/explain.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import { formatClock } from '../../core/notation/format-clock.ts';

/** `0:40`, or `30, 40, 50 s` where it changes by round. */
const workTimes = (workSec: readonly number[]) => (workSec.length === 1 ? formatClock(workSec[0]!) : `${workSec.join(', ')} s`);
/** Figures longer than this stand on a line of their own. */
const SHORT_FIGURE = 7;

/** A session as a participant reads it: each block's rule in words, then what to do with its numbers in front. */
export function SessionList({ blocks, plan }: { blocks: readonly Block[]; plan: SessionPlan }) {
  return (
    <div className="session-list">
      {blocks.map((block, index) => {
        const blockPlan = plan.blocks[index]!;
        return (
          <section key={index}>
            <h2>{blockName(block)} <span className="soft">{describeBlock(block, blockPlan)} · {formatMinutes(blockPlan.clockSec)}</span></h2>
            <ol>
              {block.items.map((item, i) => {
                if (!isWork(item)) {
                  return <li key={i} className="is-rest"><b>{item.sec ? formatClock(item.sec) : ''}</b><div>rest</div></li>;
                }
                const ownNumber = item.dose !== undefined && item.dose.kind !== 'given';
                const { figure } = speakDose(item.dose, ownNumber ? undefined : block.count);
                const details = itemDetails(item, block.count);
                const shown = figure || (block.time.kind === 'intervals' ? workTimes(block.time.workSec) : '');
                return (
                  <li key={i} className={shown.length > SHORT_FIGURE ? 'is-long' : undefined}>
                    <b>{shown}</b>
                    <div>{itemName(item)}{details.length > 0 && <small>{details.join(' · ')}</small>}</div>
                  </li>
                );
              })}
            </ol>
            {block.thenRestSec !== undefined && <p className="soft small">then rest {formatClock(block.thenRestSec)}</p>}
          </section>
        );
      })}
    </div>
  );
}
