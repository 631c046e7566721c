import { Button, Popconfirm } from 'antd';
import { Link, useSubmit } from 'react-router';
import type { Weekday } from '../../core/calendar/day.ts';
import { dayName, parseDayKey } from '../../core/calendar/day.ts';
import type { Movement } from '../../core/movement/movement.ts';
import { JOINTS } from '../../core/movement/movement.ts';
import type { NameReading } from '../../core/movement/name/read-name.ts';
import { explainReading } from '../../core/session/list-readings.ts';
import { formatClock } from '../../core/words/format-clock.ts';

/** Eight small bars, wrist to ankle: where a movement asks for much. */
export function DemandBars({ movement }: { movement: Movement }) {
  const words = JOINTS.filter((j) => movement.demand[j] > 0)
    .map((j) => `${j} ${movement.demand[j]}`)
    .join(', ');
  return (
    <svg
      className="demand"
      viewBox="0 0 64 16"
      preserveAspectRatio="none"
      role="img"
      aria-label={words === '' ? 'asks for little' : `asks for ${words}`}
    >
      {JOINTS.map((j, i) => (
        <rect
          key={j}
          x={i * 8}
          y={15 - movement.demand[j] * 4.6}
          width="6"
          height={movement.demand[j] * 4.6 + 1}
          className={movement.demand[j] >= 2 ? 'is-much' : ''}
        >
          <title>{`${j} ${movement.demand[j]}`}</title>
        </rect>
      ))}
    </svg>
  );
}

interface MovementTextProps {
  readonly movement: Movement;
  readonly usage: readonly string[];
  readonly reps: number;
  readonly heldSec: number;
  readonly programmeId: string;
  readonly firstWeekday: Weekday;
  /** That count as the last ones. */
  readonly weeks: number;
  readonly isOwn: boolean;
  /** What was read of it, where it stands on no shelf. */
  readonly reading: NameReading | undefined;
  readonly isChanged: boolean;
  readonly editPath: string;
}

/** A movement's lines, what it asks for, and where it stands in the last weeks. */
export function MovementText({
  movement: m,
  usage,
  reps,
  heldSec,
  programmeId,
  firstWeekday,
  weeks,
  isOwn,
  reading,
  isChanged,
  editPath,
}: MovementTextProps) {
  const submit = useSubmit();
  const much = JOINTS.filter((j) => m.demand[j] > 0).map((j) => `${j} ${m.demand[j]}`);
  return (
    <>
      {reading && (
        <p className="movement-read">
          {explainReading(reading).replace(/^r/, 'R')}.{' '}
          <Link to={editPath} preventScrollReset>
            Correct it, and it is ours
          </Link>
        </p>
      )}
      {m.otherNames.length > 0 && <p className="soft small">also {m.otherNames.join(', ')}</p>}
      <dl className="movement-text">
        {m.setUp && (
          <div>
            <dt>Set-up</dt>
            <dd>{m.setUp}</dd>
          </div>
        )}
        {m.doing && (
          <div>
            <dt>Doing</dt>
            <dd>{m.doing}</dd>
          </div>
        )}
        {m.watchFor && (
          <div>
            <dt>Watch for</dt>
            <dd>{m.watchFor}</dd>
          </div>
        )}
        {m.breathing && (
          <div>
            <dt>Breathing</dt>
            <dd>{m.breathing}</dd>
          </div>
        )}
        {m.film !== '' && (
          <div>
            <dt>Film</dt>
            <dd>
              <a href={m.film} rel="noreferrer noopener">
                {m.film}
              </a>
            </dd>
          </div>
        )}
        <div>
          <dt>{m.isHold ? 'Held' : 'Pace'}</dt>
          <dd>
            {m.paceSec.low} to {m.paceSec.high} s, likely {m.paceSec.likely}
            {m.isHold ? '' : ' each'} <span className="soft small">({m.paceSource})</span>
          </dd>
        </div>
        <div>
          <dt>Asks for</dt>
          <dd>
            {[`effort class ${m.effortClass}`, ...much, ...(m.impact > 0 ? [`impact ${m.impact}`] : []), ...m.kit].join(
              ', ',
            )}
          </dd>
        </div>
        {m.parts.length > 0 && (
          <div>
            <dt>Made of</dt>
            <dd>{m.parts.map((p) => p.replaceAll('-', ' ')).join(', ')}; counted as one</dd>
          </div>
        )}
      </dl>
      {m.cautions.map((c) => (
        <p key={c} className="small movement-caution">
          {c}
        </p>
      ))}
      <p className="small">
        {usage.length === 0 ? (
          `Not in use these ${weeks} weeks.`
        ) : (
          <>
            In use{reps > 0 && `, ${reps} in all`}
            {heldSec > 0 && `, ${formatClock(heldSec)} held`}:{' '}
            {usage.slice(-6).map((key, i) => (
              <span key={key}>
                {i > 0 && ', '}
                <Link to={`/programmes/${programmeId}/write/${key}`}>{dayName(parseDayKey(key)!, firstWeekday)}</Link>
              </span>
            ))}
          </>
        )}
      </p>
      <p className="small">
        {!reading && (
          <Link to={editPath} preventScrollReset>
            {isOwn ? 'Change it' : 'Change it for us'}
          </Link>
        )}{' '}
        {isChanged && (
          <Popconfirm
            title={isOwn ? `Delete “${m.name}”?` : 'Back to what ships?'}
            okText={isOwn ? 'Delete' : 'Back'}
            onConfirm={() => void submit({ intent: 'reset', id: m.id }, { method: 'post' })}
          >
            <Button type="link" size="small" className="link">
              {isOwn ? 'delete' : 'back to what ships'}
            </Button>
          </Popconfirm>
        )}
      </p>
    </>
  );
}
