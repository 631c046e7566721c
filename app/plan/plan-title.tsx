import { Button } from 'antd';
import { countSessions } from '../../core/progress/week/count-sessions.ts';
import { totalLikelySec } from '../../core/progress/plan-programme.ts';
import { findSchool } from '../../core/progress/track/schools.ts';
import { formatHours } from '../../core/words/words.ts';
import { CommitInput } from '../parts/commit-input.tsx';
import type { Plan } from './use-plan.ts';

interface PlanTitleProps {
  readonly plan: Plan;
  readonly undo: string | null;
  readonly redo: string | null;
  /** The week that the buttons mean. */
  readonly week: number;
  readonly onArrange: (week: number) => void;
  readonly onBlocked: () => void;
  readonly onExchange: () => void;
}

/** What the programme is, at a glance, and what is done with all of it. */
export function PlanTitle({ plan, undo, redo, week, onArrange, onBlocked, onExchange }: PlanTitleProps) {
  const { programme, weeks, propose } = plan;
  const totalSec = totalLikelySec(weeks);
  const { sessions, toWrite } = countSessions(programme.days);
  const schools = [...new Set(programme.tracks.map((t) => findSchool(t.school).name.toLowerCase()))];
  const lighter = weeks.filter((w) => w.isLighter).map((w) => w.week);
  const facts = [
    `${sessions} ${sessions === 1 ? 'session' : 'sessions'}`,
    ...(totalSec > 0 ? [`${formatHours(totalSec)} written`] : []),
    ...(toWrite > 0 ? [`${toWrite} to write`] : []),
    ...(lighter.length > 0 ? [`lighter: ${lighter.length === 1 ? 'week' : 'weeks'} ${lighter.join(', ')}`] : []),
    ...(schools.length > 0 && schools.length < 3
      ? [schools.join(', ')]
      : schools.length > 2
        ? [`${schools.length} ways of progressing`]
        : []),
  ];
  return (
    <div className="page-title plan-title">
      <h1>
        <span className="sr">{programme.title}</span>
        <CommitInput
          aria-label="Title of the programme"
          value={programme.title}
          maxLength={120}
          size={programme.title.length + 3}
          onCommit={(title) => {
            if (title.trim() === '') return 'A programme needs a title.';
            propose([{ kind: 'set-title', title: title.trim() }], `“${title.trim()}” as its title`);
            return undefined;
          }}
        />
      </h1>
      <div className="planner-actions">
        <Button onClick={() => onArrange(week)}>Arrange week {week}</Button>
        <Button
          onClick={() =>
            propose(
              [{ kind: 'insert-week', at: Math.min(week + 1, programme.weeks + 1), as: 'lighter' }],
              `a lighter week after week ${week}`,
            )
          }
        >
          Add lighter week
        </Button>
        <Button onClick={onBlocked}>Blocked days</Button>
        <Button onClick={onExchange}>Export and import</Button>
        <Button
          type="text"
          size="small"
          className="tool"
          disabled={!undo || plan.busy || plan.hasProposal}
          title={undo ? `Take back: ${undo}` : undefined}
          onClick={plan.undo}
        >
          Undo
        </Button>
        <Button
          type="text"
          size="small"
          className="tool"
          disabled={!redo || plan.busy || plan.hasProposal}
          title={redo ? `Again: ${redo}` : undefined}
          onClick={plan.redo}
        >
          Redo
        </Button>
      </div>
      <p className="soft">{facts.join(' · ')}</p>
    </div>
  );
}
