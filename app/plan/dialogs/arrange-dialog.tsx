import { Checkbox, Radio } from 'antd';
import { useMemo, useState } from 'react';
import { weekdaysFrom } from '../../../core/calendar/day.ts';
import { arrangementEdit, buildArrangeScope } from '../../../core/progress/arrange/arrange-scope.ts';
import type { Arrangement, ArrangeScope } from '../../../core/progress/arrange/arrange-week.ts';
import { ARRANGE_POINTS } from '../../../core/progress/arrange/arrange-week.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';
import { Dialog } from '../../parts/dialog.tsx';
import { planRibbon } from '../grid/plan-cell.tsx';
import { useArrange } from './use-arrange.ts';
import type { Plan } from '../use-plan.ts';
import type { RunDates } from '../../../core/calendar/release.ts';
import { impossibleWords, placingWords, costWords } from '../../../words/en/arrange.ts';

interface ArrangeDialogProps {
  readonly plan: Plan;
  readonly week: number;
  readonly run: RunDates;
  readonly onClose: () => void;
}

/** The best order of a week by exact search: what is held, which days may be used, why each stands where, and what comes second. */
export function ArrangeDialog({ plan, week, run, onClose }: ArrangeDialogProps) {
  const { programme, tools, locked } = plan;
  const own = programme.days.filter((d) => d.week === week);
  const [fixed, setFixed] = useState<readonly number[]>([]);
  const [weekdays, setWeekdays] = useState<readonly number[]>(own.map((d) => d.weekday));
  const [second, setSecond] = useState(false);
  const scope = useMemo(
    () => buildArrangeScope(programme, week, { planner: tools.planner, run, locked }, { fixed, weekdays }),
    [programme, week, tools, run, locked, fixed, weekdays],
  );
  const result = useArrange(scope);
  const chosen = result.status === 'arranged' ? (second && result.runnerUp ? result.runnerUp : result.best) : undefined;
  const isSame = chosen?.weekdays.every((d, i) => d === scope.sessions[i]!.weekday) ?? true;
  const toggle = (list: readonly number[], day: number) =>
    list.includes(day) ? list.filter((d) => d !== day) : [...list, day];
  return (
    <Dialog
      open
      wide
      title={`Arrange week ${week}`}
      okText={isSame ? 'Stays as it is' : 'Propose this'}
      okDisabled={!chosen || isSame}
      onCancel={onClose}
      onOk={() => {
        plan.propose([arrangementEdit(week, scope, chosen!)], `week ${week} arranged`);
        onClose();
      }}
    >
      <div className="arrange">
        <fieldset>
          <legend>Days that may have a session</legend>
          {weekdaysFrom(scope.firstWeekday).map((name, i) => {
            const blocked = scope.blocked.find((b) => b.weekday === i + 1);
            return (
              <Checkbox
                key={name}
                checked={weekdays.includes(i + 1)}
                onChange={() => setWeekdays(toggle(weekdays, i + 1))}
              >
                {' '}
                {name.slice(0, 3)}
                {blocked && (
                  <span className="soft small">
                    {' '}
                    {blocked.words}, {blocked.rule}
                  </span>
                )}
              </Checkbox>
            );
          })}
        </fieldset>
        <fieldset>
          <legend>Held where they are</legend>
          {scope.sessions.map((s) => {
            const isOwn = fixed.includes(s.weekday);
            return (
              <Checkbox
                key={s.weekday}
                checked={s.isFixed}
                disabled={s.isFixed && !isOwn}
                onChange={() => setFixed(toggle(fixed, s.weekday))}
              >
                {' '}
                {s.title}
                {s.isFixed && !isOwn && <span className="soft small"> sent or live</span>}
              </Checkbox>
            );
          })}
        </fieldset>
        <div className="arrange-result" aria-live="polite">
          {result.status === 'searching' && <p className="soft">Trying every order …</p>}
          {result.status === 'failed' && <p className="plan-off">The search stopped. Close this and open it again.</p>}
          {result.status === 'impossible' && <p className="plan-off">{impossibleWords(result)}</p>}
          {result.status === 'arranged' && (
            <>
              <Order
                name="Best"
                order={result.best}
                scope={scope}
                isChosen={!second || !result.runnerUp}
                onChoose={() => setSecond(false)}
              />
              <ul className="arrange-reasons small">
                {result.reasons.map((placing) => (
                  <li key={placing.session}>{placingWords(placing, scope)}</li>
                ))}
              </ul>
              {result.runnerUp && (
                <Order
                  name="Runner-up"
                  order={result.runnerUp}
                  scope={scope}
                  isChosen={second}
                  onChoose={() => setSecond(true)}
                />
              )}
              <p className="soft small">
                Fewer points are better: {ARRANGE_POINTS.hard} for two hard days touching, {ARRANGE_POINTS.joint} for a
                joint and {ARRANGE_POINTS.area} for an area asked on neighbouring days, {ARRANGE_POINTS.moved} for each
                day that a session moves (common practice, no source).
              </p>
              {result.now && (
                <p className="soft small">
                  As it is now:{' '}
                  {result.now.points === 0
                    ? 'nothing to say against it'
                    : `${result.now.points} points: ${result.now.costs.map((cost) => costWords(cost, scope)).join('; ')}`}
                  .
                </p>
              )}
            </>
          )}
        </div>
      </div>
    </Dialog>
  );
}

function Order({
  name,
  order,
  scope,
  isChosen,
  onChoose,
}: {
  name: string;
  order: Arrangement;
  scope: ArrangeScope;
  isChosen: boolean;
  onChoose: () => void;
}) {
  return (
    <div className={`arrange-order${isChosen ? ' is-chosen' : ''}`}>
      <Radio name="order" checked={isChosen} onChange={onChoose}>
        {' '}
        <b>{name}</b>{' '}
        <span className="soft">
          {order.points} {order.points === 1 ? 'point' : 'points'}
        </span>
      </Radio>
      <ol>
        {weekdaysFrom(scope.firstWeekday).map((day, i) => {
          const at = order.weekdays.indexOf(i + 1);
          const session = scope.sessions[at];
          return (
            <li key={day} className={session && session.weekday !== i + 1 ? 'is-moved' : undefined}>
              <span className="soft small">{day.slice(0, 3)}</span>
              {session?.plan && <Ribbon layout={planRibbon(session.plan)} stretch />}
              <span className="small">{session?.title ?? ''}</span>
            </li>
          );
        })}
      </ol>
      {order.costs.length > 0 && (
        <p className="small">{order.costs.map((cost) => `${costWords(cost, scope)}: ${cost.points}`).join(' · ')}</p>
      )}
    </div>
  );
}
