import { monotonyWords, strainWords } from '../../words/en/guards.ts';
import { Button } from 'antd';
import { AREAS } from '../../core/movement/movement.ts';
import { formatClock } from '../../core/words/format-clock.ts';
import { progressionWeek } from '../../core/progress/programme-document.ts';
import { plural, wholeMinutes } from '../../core/words/words.ts';
import { ReadyPress } from './ready-press.tsx';
import type { SpineDay } from '../shell/spine.tsx';
import type { Plan } from './use-plan.ts';
import { emptyWeeksAfter } from '../../core/progress/edit/fill-weeks.ts';
import { copiedWords, weeksWords } from '../../words/en/plan.ts';

interface WeekPanelProps {
  readonly plan: Plan;
  readonly week: number;
  readonly programmeId: string;
  readonly stored: readonly SpineDay[];
  /** The week that was taken to be copied. */
  readonly copied: number | undefined;
  readonly onCopy: () => void;
  readonly onArrange: () => void;
  readonly onCompare: () => void;
}

/** One week: its figures, each with its sum, and what can be done with the whole of it. */
export function WeekPanel({ plan, week, programmeId, stored, copied, onCopy, onArrange, onCompare }: WeekPanelProps) {
  const { programme, propose } = plan;
  const own = plan.weeks[week - 1]!;
  const step = progressionWeek(programme, week);
  const plans = own.days.flatMap((d) => d?.plan ?? []);
  const toggle = () =>
    propose(
      [
        {
          kind: 'set-lighter',
          lighter: own.isLighter ? programme.lighter.filter((l) => l !== step) : [...programme.lighter, step],
        },
      ],
      own.isLighter ? `week ${week} no longer lighter` : `week ${week} lighter`,
    );
  return (
    <section className="day-panel" aria-label="Week">
      <h2>
        Week {week}{' '}
        <span className="soft small">
          {own.isLighter ? 'lighter' : ''}
          {step !== week && ` week ${step} of the progression`}
        </span>
      </h2>
      <dl className="week-figures">
        <div>
          <dt>planned load</dt>
          <dd>
            {plans
              .filter((p) => p.loadAu !== undefined)
              .map((p) => `${p.effort} × ${Math.round((p.clockSec.likely / 60) * 10) / 10}`)
              .join(' + ') || 'nothing written'}{' '}
            = <b>{Math.round(own.loadAu)}</b>
            {own.unratedSessions > 0 && `, ${own.unratedSessions} without an effort`}
          </dd>
        </div>
        <div>
          <dt>minutes</dt>
          <dd>
            <b>{wholeMinutes(own.likelySec)}</b>, of them work {formatClock(own.workSec)}
          </dd>
        </div>
        <div>
          <dt>monotony, strain</dt>
          <dd>
            {own.monotony === undefined ? (
              'an effort or a session is missing'
            ) : (
              <>
                <b>{monotonyWords(own.monotony)}</b> (sample SD), <b>{strainWords(own.strainAu)}</b>
              </>
            )}
          </dd>
        </div>
        <div>
          <dt>repetitions</dt>
          <dd>
            {AREAS.filter((a) => own.repsByArea[a])
              .map((a) => `${a} ${own.repsByArea[a]}`)
              .join(' · ') || 'none counted'}
          </dd>
        </div>
      </dl>
      {!plan.hasProposal && (
        <div className="panel-tools">
          <ReadyPress
            programmeId={programmeId}
            days={stored}
            words={(n) => `Mark ${plural(n, 'day')} of this week ready`}
          />
        </div>
      )}
      <p className="panel-tools">
        <Button htmlType="button" onClick={onArrange}>
          Arrange
        </Button>
        <Button htmlType="button" onClick={onCompare}>
          Compare
        </Button>
        <Button htmlType="button" onClick={onCopy}>
          Copy
        </Button>
        {copied !== undefined && copied !== week && (
          <Button
            htmlType="button"
            onClick={() => propose([{ kind: 'copy-week', from: copied, to: week }], copiedWords(copied, [week]))}
          >
            Put week {copied} here
          </Button>
        )}
      </p>
      {own.toWrite < own.days.filter(Boolean).length && <CopyToEmpty plan={plan} week={week} />}
      <p className="panel-tools small">
        <Button type="text" size="small" className="tool" onClick={toggle}>
          {own.isLighter ? 'not lighter' : 'make it lighter'}
        </Button>
        <Button
          type="text"
          size="small"
          className="tool"
          onClick={() =>
            propose([{ kind: 'insert-week', at: week, as: 'lighter' }], `a lighter week before week ${week}`)
          }
        >
          a lighter week before it
        </Button>
        <Button
          type="text"
          size="small"
          className="tool"
          onClick={() => propose([{ kind: 'insert-week', at: week, as: 'pause' }], `a pause before week ${week}`)}
        >
          a pause before it
        </Button>
        {week === programme.weeks && (
          <Button
            type="text"
            size="small"
            className="tool"
            onClick={() => propose([{ kind: 'insert-week', at: week + 1, as: 'pause' }], 'one week more at the end')}
          >
            one week more
          </Button>
        )}
        <Button
          type="text"
          size="small"
          className="tool"
          onClick={() => propose([{ kind: 'remove-week', week }], `week ${week} removed`)}
        >
          remove the week
        </Button>
      </p>
    </section>
  );
}

/** Copies a week to all later weeks in which nothing is written yet. */
function CopyToEmpty({ plan: { programme, locked, propose }, week }: { plan: Plan; week: number }) {
  const empty = emptyWeeksAfter(programme, week, locked);
  if (empty.length === 0) return null;
  return (
    <p className="panel-tools">
      <Button
        htmlType="button"
        onClick={() =>
          propose(
            empty.map((to) => ({ kind: 'copy-week', from: week, to })),
            copiedWords(week, empty),
          )
        }
      >
        Copy it to {empty.length === 1 ? '' : 'the empty '}
        {weeksWords(empty)}
      </Button>
    </p>
  );
}
