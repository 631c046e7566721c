import { Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate, useRouteLoaderData, useSearchParams } from 'react-router';
import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey, dayName, parseDayKey } from '../../core/calendar/day.ts';
import { findPlanChange, getPlan } from '../../db/queries/plan.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import { KeysHelp } from '../parts/keys-help.tsx';
import type { PlanSpot } from './grid/plan-row.tsx';
import { PlanGrid } from './grid/plan-grid.tsx';
import { PLAN_KEYS } from './grid/plan-keys.ts';
import { PlanTitle } from './plan-title.tsx';
import { ProposalBar } from './proposal-bar.tsx';
import { usePlan } from './use-plan.ts';
import { useGuardChanges } from './use-guard-changes.ts';
import { plural } from '../../core/words/words.ts';
import { FillPress } from './fill-press.tsx';
import { ReadyPress } from './ready-press.tsx';
import planCss from './plan.css?url';
import { pageTitle } from '../parts/page-title.ts';
import type { Route } from './+types/plan';
import type { loader as programmeLoader } from '../shell/programme.tsx';
import { runDate } from '../../core/calendar/release.ts';
import { type OpenDialog, PlanDialogs } from './plan-dialogs.tsx';
import { PlanSide } from './plan-side.tsx';
import { usePlanKeys } from './use-plan-keys.ts';

export { onlyNewPlaces as shouldRevalidate } from '../parts/only-new-places.ts';
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: planCss }];
export const meta: Route.MetaFunction = ({ loaderData }) => pageTitle('Plan', loaderData?.programme.title);

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const { layer, stored } = await loadWorkspaceBook(db);
    const [undo, redo] = [
      await findPlanChange(db, programme.id, 'undo'),
      await findPlanChange(db, programme.id, 'redo'),
    ];
    const plan = await getPlan(db, programme);
    return {
      programmeId: programme.key,
      programme: plan.programme,
      revision: plan.revision,
      sent: plan.sent,
      passedBy: plan.passedBy,
      layer,
      stored,
      run: { startsOn: programme.startsOn, shifts: programme.run.rules.shifts ?? [] },
      undo: undo?.words ?? null,
      redo: redo?.words ?? null,
    };
  });
}

/** The place that the address names: `?at=w5d3`, or `?at=week-5`. */
function readSpot(at: string | null, weeks: number): PlanSpot | undefined {
  const week = /^week-(\d{1,2})$/.exec(at ?? '');
  const spot = week ? { week: Number(week[1]), weekday: 0 } : parseDayKey(at ?? '');
  return spot && spot.week >= 1 && spot.week <= weeks ? spot : undefined;
}

/** The spine opened up: weeks under each other on one time scale, what they ask, and the levers that make them grow. */
export default function PlanPage({ loaderData }: Route.ComponentProps) {
  const { days } = useRouteLoaderData<typeof programmeLoader>('shell/programme')!;
  const plan = usePlan(loaderData);
  const { programme, propose } = plan;
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const [spot, setSpot] = useState(() => readSpot(params.get('at'), programme.weeks));
  const [trackId, setTrackId] = useState<string>();
  const [copied, setCopied] = useState<number>();
  const [dialog, setDialog] = useState<OpenDialog>();
  const stored = useMemo(() => new Map(days.map((d) => [d.key, d])), [days]);
  const blocked = useMemo(
    () =>
      new Map(
        programme.blocked.flatMap((b) =>
          days.filter((d) => runDate(loaderData.run, d) === b.date).map((d) => [d.key, b.words] as const),
        ),
      ),
    [programme.blocked, days, loaderData.run],
  );
  const today = days.find((d) => d.isToday);
  const selected = spot && spot.week <= programme.weeks ? spot : undefined;
  const { added, gone } = useGuardChanges(loaderData, plan);
  const base = `/programmes/${loaderData.programmeId}`;
  const at = selected ? (selected.weekday === 0 ? `week-${selected.week}` : dayKey(selected)) : undefined;
  useEffect(() => {
    if (!at || params.get('at') === at) return;
    setParams(
      (now) => {
        now.set('at', at);
        return now;
      },
      { replace: true, preventScrollReset: true },
    );
  }, [at, params, setParams]);
  const select = (next: PlanSpot) => {
    setSpot(next);
    setTrackId(undefined);
  };
  const open = (to: DayPlace) => void navigate(`${base}/write/${dayKey(to)}`);
  const onKey = usePlanKeys({ plan, copied, onCopy: setCopied, onDialog: setDialog });
  return (
    <div className={`plan${programme.weeks > 10 ? ' is-long' : ''}`}>
      {loaderData.passedBy.length > 0 && (
        <p className="notice bad" role="status">
          A part of this plan can’t be used and is passed by: {loaderData.passedBy.join(', ')}. It goes with the next
          change that you make here.
        </p>
      )}
      <PlanTitle
        plan={plan}
        undo={loaderData.undo}
        redo={loaderData.redo}
        week={selected?.week ?? today?.week ?? 1}
        onArrange={(week) => setDialog({ kind: 'arrange', week })}
        onBlocked={() => setDialog({ kind: 'blocked' })}
        onExchange={() => setDialog({ kind: 'exchange' })}
      />
      <div className="planner-columns">
        <div className="plan-main">
          <PlanGrid
            programme={programme}
            weeks={plan.weeks}
            guards={plan.guards}
            difference={plan.difference}
            stored={stored}
            locked={plan.locked}
            blocked={blocked}
            selected={selected}
            onSelect={select}
            onKey={onKey}
            onOpen={open}
            onMove={(from, to) =>
              propose(
                [{ kind: 'move-day', from, to }],
                `${dayName(from, programme.firstWeekday)} to ${dayName(to, programme.firstWeekday)}`,
              )
            }
          />
          <div className="soft small plan-legend">
            {!plan.hasProposal && (
              <div className="panel-tools">
                <ReadyPress
                  programmeId={loaderData.programmeId}
                  days={days.filter((d) => d.state === 'draft')}
                  words={(n) => `Mark ready all that was read: ${plural(n, 'day')}`}
                />
                <FillPress plan={plan} />
              </div>
            )}
            <p>
              Ribbons share one time scale; lighter bars and soft ends are estimates. The small columns are work by
              area.{' '}
              <Button type="text" size="small" className="tool small" onClick={() => setDialog({ kind: 'figures' })}>
                As a table
              </Button>
            </p>
            <KeysHelp keys={PLAN_KEYS} />
          </div>
        </div>
        <PlanSide
          {...{ plan, stored, selected, copied }}
          days={days}
          programmeId={loaderData.programmeId}
          trackId={trackId}
          onTrack={setTrackId}
          onCopy={setCopied}
          onDialog={setDialog}
          onSelect={select}
        />
      </div>
      {plan.leaving}
      {!plan.hasProposal && (plan.problem || plan.told) && (
        <p className={`plan-said${plan.problem ? ' plan-off' : ''}`} role={plan.problem ? 'alert' : 'status'}>
          {plan.problem || plan.told}
        </p>
      )}
      {plan.hasProposal && (
        <ProposalBar
          words={plan.words}
          problem={plan.problem}
          firstWeekday={programme.firstWeekday}
          difference={plan.difference}
          newGuards={added}
          goneGuards={gone}
          busy={plan.busy}
          takesFocus={!plan.words.includes(': ')}
          onTake={plan.take}
          onLeave={plan.leave}
        />
      )}
      <PlanDialogs
        {...{ plan, dialog }}
        run={loaderData.run}
        programmeId={loaderData.programmeId}
        onClose={() => setDialog(undefined)}
      />
    </div>
  );
}
