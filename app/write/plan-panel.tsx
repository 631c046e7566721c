import { Button } from 'antd';
import { MAX_LINE_LENGTH } from '../../core/notation/parse.ts';
import type { NotationIssue } from '../../core/text/issue.ts';
import type { Block, SessionDocument } from '../../core/document/document.ts';
import { blockName, explainLength, formatLength } from '../../core/session/explain/explain.ts';
import { wholeMinutes } from '../../core/words/words.ts';
import { formatRange } from '../../core/words/format-range.ts';
import type { RoomKit } from '../../core/session/room-kit.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import { formatClock } from '../../core/words/format-clock.ts';
import { layoutRibbon } from '../charts/ribbon-layout.ts';
import { Ribbon } from '../charts/session/ribbon.tsx';
import { TimeAxis } from '../charts/time-axis.tsx';
import type { Finding, FindingChange } from '../../core/session/findings/finding.ts';
import { FindingsList } from './findings-list.tsx';

/** The line that an issue stands on, from its beginning to its end. */
const wholeLine = (issue: NotationIssue): NotationIssue => ({ ...issue, column: 1, endColumn: MAX_LINE_LENGTH + 1 });

/** Whole lines that are offered in place of one that can't be read. */
const offeredLines = ({ usual, nearest = [] }: NotationIssue): readonly string[] =>
  usual === undefined ? nearest : [usual];

interface PlanPanelProps {
  readonly document: SessionDocument;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  readonly issues: readonly NotationIssue[];
  readonly onGoTo: (issue: NotationIssue) => void;
  readonly findings: readonly Finding[];
  readonly onGoToLine: (line: number) => void;
  readonly onTake: (change: FindingChange) => void;
  readonly onKnow: (names: readonly string[]) => void;
  readonly room: readonly RoomKit[];
  readonly onApply: (issue: NotationIssue, suggestion: string) => void;
  readonly actions: React.ReactNode;
  /** In place of the sums, while it is open. */
  readonly guide?: React.ReactNode;
  /** Below the blocks. */
  readonly below?: React.ReactNode;
}

const WIDTH = 700;
const BLOCK_WIDTH = 220;

/** What the text comes to: its length, the ribbon, every block's sum, what can't be read, what is counted. */
export function PlanPanel({
  document,
  blocks,
  plan,
  issues,
  findings,
  room,
  onGoTo,
  onGoToLine,
  onApply,
  onTake,
  onKnow,
  actions,
  guide,
  below,
}: PlanPanelProps) {
  const { clockSec } = plan;
  const notes = [
    formatRange(clockSec),
    document.targetSec === undefined ? '' : `target ${wholeMinutes(document.targetSec)} min`,
  ].filter(Boolean);
  const off = findings.find((f) => f.code === 'over-target' || f.code === 'under-target');
  return (
    <div className="plan-panel">
      <div className="plan-length">
        <p className="display" aria-live="polite">
          {formatClock(clockSec.likely)}
        </p>
        <p className="soft">
          {notes.join(' · ')}
          {off && (
            <b className="plan-off">
              {' '}
              {wholeMinutes(Math.abs(clockSec.likely - document.targetSec!))} min{' '}
              {off.code === 'over-target' ? 'over' : 'short'}
            </b>
          )}
        </p>
        <div className="plan-actions">{actions}</div>
      </div>
      <Ribbon
        layout={layoutRibbon(plan, { widthPx: WIDTH, heightPx: 76 })}
        stretch
        title={`Ribbon of the session, ${formatLength(clockSec)}`}
      />
      <TimeAxis totalSec={clockSec.likely} widthPx={WIDTH} />
      {guide}
      <div className="plan-columns" hidden={guide !== undefined}>
        <div>
          {plan.blocks.map((b, i) => {
            const own = { blocks: plan.blocks, timeline: ownTimeline(plan, i) };
            return (
              <section key={i} className="plan-block">
                <h2>
                  {blockName(b)} <span className="soft">{b.label ? b.role.toLowerCase() : ''}</span>
                </h2>
                <b className="num">{formatLength(b.clockSec)}</b>
                <Ribbon
                  layout={layoutRibbon(own, {
                    widthPx: BLOCK_WIDTH,
                    heightPx: 22,
                    secPerPx: Math.max(1, ...plan.blocks.map((x) => x.clockSec.likely)) / BLOCK_WIDTH,
                  })}
                />
                <span className="soft small">{explainLength(blocks[i]!, b)}</span>
              </section>
            );
          })}
          {plan.blocks.length > 0 && (
            <p className="plan-kit">
              <b>Kit</b> {plan.kit.length === 0 ? 'none needed' : plan.kit.join(' · ')}
              {room.length > 0 && (
                <span className="soft small">
                  {' '}
                  · for {document.groupSize} in one room: {room.map((k) => `${k.count} × ${k.piece}`).join(', ')}
                </span>
              )}
            </p>
          )}
          {below}
        </div>
        <div>
          <Issues issues={issues} onGoTo={onGoTo} onApply={onApply} />
          <FindingsList findings={findings} onGoTo={onGoToLine} onTake={onTake} onKnow={onKnow} />
          {plan.movements.length > 0 && (
            <section className="counted">
              <h2>Counted</h2>
              <table>
                <thead className="sr">
                  <tr>
                    <th>movement</th>
                    <th>repetitions or time</th>
                  </tr>
                </thead>
                <tbody>
                  {plan.movements.map((m) => (
                    <tr key={m.id}>
                      <td>{m.name}</td>
                      <td>
                        {[
                          m.reps > 0 ? String(m.reps) : '',
                          m.heldSec > 0 ? formatClock(m.heldSec) : '',
                          m.hasOpenDose ? (m.reps > 0 ? '+ open' : 'open') : '',
                        ]
                          .filter(Boolean)
                          .join(' + ')
                          .replace('+ + ', '+ ')}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          )}
        </div>
      </div>
    </div>
  );
}

/** One block's part of the timeline, from 0. */
function ownTimeline(plan: SessionPlan, block: number): SessionPlan['timeline'] {
  const own = plan.timeline.filter((s) => s.block === block);
  const from = own[0]?.startSec ?? 0;
  const until = from + (plan.blocks[block]?.clockSec.likely ?? 0);
  return own
    .filter((s) => s.startSec < until)
    .map((s) => ({ ...s, startSec: s.startSec - from, endSec: s.endSec - from }));
}

/** What can't be read, each with its place and what to write instead. */
function Issues({ issues, onGoTo, onApply }: Pick<PlanPanelProps, 'issues' | 'onGoTo' | 'onApply'>) {
  if (issues.length === 0) return null;
  return (
    <section className="worth">
      <h2>{issues.length === 1 ? 'One thing can’t be read' : `${issues.length} things can’t be read`}</h2>
      <ul>
        {issues.slice(0, 12).map((issue, i) => (
          <li key={i}>
            <Button type="link" size="small" className="link" onClick={() => onGoTo(issue)}>
              Line {issue.line}, column {issue.column}.
            </Button>{' '}
            {issue.message}
            {(offeredLines(issue).length > 0 || issue.suggestions.length > 0) && (
              <p>
                {offeredLines(issue).map((line) => (
                  <Button
                    color="primary"
                    variant="outlined"
                    size="small"
                    className="offer"
                    key={line}
                    onClick={() => onApply(wholeLine(issue), line)}
                  >
                    {line}
                  </Button>
                ))}
                {(issue.nearest ? [] : issue.suggestions.slice(0, 3)).map((s) => (
                  <Button
                    color="primary"
                    variant="outlined"
                    size="small"
                    className="offer"
                    key={s}
                    onClick={() => onApply(issue, s)}
                  >
                    {s}
                  </Button>
                ))}
              </p>
            )}
          </li>
        ))}
      </ul>
      {issues.length > 12 && <p className="soft small">and {issues.length - 12} more</p>}
    </section>
  );
}
