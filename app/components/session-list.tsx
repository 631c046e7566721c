import type { MovementNotes } from '../../core/movement/movement-notes.ts';
import { isWork, itemDetails, itemName, speakDose } from '../../core/session/describe-item.ts';
import type { Block } from '../../core/session/document.ts';
import { blockName, describeBlock, formatMinutes } from '../../core/session/explain.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import { formatClock } from '../../core/notation/format-clock.ts';

/** `0:40`, or `30, 40, 50 s` where it changes by round. */
const workTimes = (workSec: readonly number[]) =>
  workSec.length === 1 ? formatClock(workSec[0]!) : `${workSec.join(', ')} s`;
/** Figures longer than this stand on a line of their own. */
const SHORT_FIGURE = 7;

/** A session as a participant reads it: each block's rule in words, then what to do with its numbers in front. */
export function SessionList({
  blocks,
  plan,
  notes = {},
}: {
  blocks: readonly Block[];
  plan: SessionPlan;
  notes?: MovementNotes;
}) {
  return (
    <div className="session-list">
      {blocks.map((block, index) => {
        const blockPlan = plan.blocks[index]!;
        return (
          <section key={index}>
            <h2>
              {blockName(block)}{' '}
              <span className="soft">
                {describeBlock(block, blockPlan)} · {formatMinutes(blockPlan.clockSec)}
              </span>
            </h2>
            <ol>
              {block.items.map((item, i) => {
                if (!isWork(item)) {
                  return (
                    <li key={i} className="is-rest">
                      <b>{item.sec ? formatClock(item.sec) : ''}</b>
                      <div>rest</div>
                    </li>
                  );
                }
                const ownNumber = item.dose !== undefined && item.dose.kind !== 'given';
                const { figure } = speakDose(item.dose, ownNumber ? undefined : block.count);
                const details = itemDetails(item, block.count);
                const shown = figure || (block.time.kind === 'intervals' ? workTimes(block.time.workSec) : '');
                return (
                  <li key={i} className={shown.length > SHORT_FIGURE ? 'is-long' : undefined}>
                    <b>{shown}</b>
                    <div>
                      {itemName(item)} <HowTo names={item.choices.map((c) => c.name)} notes={notes} />
                      {details.length > 0 && <small>{details.join(' · ')}</small>}
                    </div>
                  </li>
                );
              })}
            </ol>
            {block.thenRestSec !== undefined && (
              <p className="soft small">then rest {formatClock(block.thenRestSec)}</p>
            )}
          </section>
        );
      })}
    </div>
  );
}

/** Set-up, doing and what to watch for, kept folded until asked for. Works without script. */
function HowTo({ names, notes }: { names: readonly string[]; notes: MovementNotes }) {
  const known = names.filter((name) => notes[name]);
  if (known.length === 0) return null;
  return (
    <details className="how-to">
      <summary>
        how<span className="sr"> to do {known.join(' or ')}</span>
      </summary>
      {known.map((name) => {
        const note = notes[name]!;
        return (
          <div key={name}>
            {known.length > 1 && <b>{name}</b>}
            <p>
              {note.setUp}: {note.doing}.
            </p>
            <p>
              Watch for: {note.watchFor}. Breathe {note.breathing}.
            </p>
            {note.cautions.map((c) => (
              <p key={c} className="soft">
                {c}
              </p>
            ))}
          </div>
        );
      })}
    </details>
  );
}
