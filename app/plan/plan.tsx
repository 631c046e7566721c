import { useEffect, useMemo, useState } from 'react';
import { useNavigate, useRouteLoaderData, useSearchParams } from 'react-router';
import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey, dayName, parseDayKey } from '../../core/calendar/day.ts';
import { makeTrack } from '../../core/progress/track/make-track.ts';
import { progressionWeek } from '../../core/progress/programme-document.ts';
import { findPlanChange, getPlan } from '../../db/queries/plan.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import { KeysHelp } from '../parts/keys-help.tsx';
import { ArrangeDialog } from './dialogs/arrange-dialog.tsx';
import { BlockedDialog } from './dialogs/blocked-dialog.tsx';
import { CompareDialog } from './dialogs/compare-dialog.tsx';
import { DayPanel } from './day-panel.tsx';
import { ExchangeDialog } from './dialogs/exchange-dialog.tsx';
import { FiguresDialog } from './dialogs/figures-dialog.tsx';
import { GuardList } from './guard-list.tsx';
import type { PlanSpot } from './grid/plan-row.tsx';
import { PlanBeginning } from './plan-beginning.tsx';
import { PlanGrid } from './grid/plan-grid.tsx';
import { PLAN_KEYS } from './grid/plan-keys.ts';
import { PlanTitle } from './plan-title.tsx';
import { ProposalBar } from './proposal-bar.tsx';
import { RetestDialog, RetestWords, ShiftDialog, TrackDialog } from './dialogs/small-dialogs.tsx';
import { TrackRail } from './track/track-rail.tsx';
import { usePlan } from './use-plan.ts';
import { useGuardChanges } from './use-guard-changes.ts';
import { WeekPanel } from './week-panel.tsx';
import { plural } from '../../core/words/words.ts';
import { ReadyPress } from './ready-press.tsx';
import planCss from './plan.css?url';
import type { Route } from './+types/plan';
import type { loader as programmeLoader } from '../shell/programme.tsx';
import { runDate } from '../../core/calendar/release.ts';

export { onlyNewPlaces as shouldRevalidate } from '../parts/only-new-places.ts';
export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: planCss }];

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

type OpenDialog =
  | { readonly kind: 'arrange' | 'compare'; readonly week: number }
  | { readonly kind: 'shift' | 'retest'; readonly place: DayPlace }
  | { readonly kind: 'blocked' | 'exchange' | 'figures' }
  | { readonly kind: 'track'; readonly id: string };

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
  const place = selected && selected.weekday > 0 ? selected : undefined;
  const dayTrack = place && programme.days.find((d) => d.week === place.week && d.weekday === place.weekday)?.track?.id;
  const shownTrack =
    plan.tracks.find((t) => t.track.id === (trackId ?? dayTrack)) ??
    plan.tracks.find((t) => t.track.id === dayTrack) ??
    plan.tracks[0];
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
  const onKey = (event: React.KeyboardEvent, on: PlanSpot): boolean => {
    const day = on.weekday > 0 ? programme.days.find((d) => d.week === on.week && d.weekday === on.weekday) : undefined;
    const isCommand = event.ctrlKey || event.metaKey;
    switch (event.key.toLowerCase()) {
      case 'n':
        if (isCommand || on.weekday === 0) return false;
        propose([{ kind: 'add-day', place: on }], `a session to write on ${dayName(on, programme.firstWeekday)}`);
        return true;
      case 'delete':
      case 'backspace':
        if (!day) return false;
        propose([{ kind: 'remove-day', place: on }], `the session of ${dayName(on, programme.firstWeekday)} removed`);
        return true;
      case 'p':
        if (isCommand || !day?.track) return false;
        propose(
          [{ kind: 'pin', place: on, isPinned: !day.track.isPinned }],
          day.track.isPinned
            ? `${dayName(on, programme.firstWeekday)} follows its track again`
            : `${dayName(on, programme.firstWeekday)} kept as it is`,
        );
        return true;
      case 't': {
        const made =
          isCommand || on.weekday === 0 ? undefined : makeTrack(programme, on, plan.tools.planner, plan.locked);
        if (made) propose(made.edits, made.words);
        return made !== undefined;
      }
      case 's':
        if (isCommand || on.weekday === 0) return false;
        setDialog({ kind: 'shift', place: on });
        return true;
      case 'r':
        if (isCommand || !day || day.text === '') return false;
        setDialog({ kind: 'retest', place: on });
        return true;
      case 'a':
        if (isCommand) return false;
        setDialog({ kind: 'arrange', week: on.week });
        return true;
      case 'c':
        if (isCommand && window.getSelection()?.toString()) return false;
        setCopied(on.week);
        return true;
      case 'v':
        if (copied === undefined || copied === on.week) return false;
        propose([{ kind: 'copy-week', from: copied, to: on.week }], `week ${copied} copied to week ${on.week}`);
        return true;
      case 'l':
        if (isCommand) return false;
        propose([{ kind: 'insert-week', at: on.week, as: 'lighter' }], `a lighter week before week ${on.week}`);
        return true;
      case 'd':
        if (isCommand) return false;
        setDialog({ kind: 'compare', week: on.week });
        return true;
      default:
        return false;
    }
  };
  useEffect(() => {
    const onWindowKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      // A list that has the focus has no use for these keys itself.
      if (target.closest('input, textarea, dialog')) return;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        if (plan.hasProposal) plan.leave();
        else if (event.shiftKey) plan.redo();
        else plan.undo();
      } else if (event.key === 'Escape' && plan.hasProposal && !event.defaultPrevented) plan.leave();
    };
    window.addEventListener('keydown', onWindowKey);
    return () => window.removeEventListener('keydown', onWindowKey);
  });
  const dialogTrack = dialog?.kind === 'track' ? programme.tracks.find((t) => t.id === dialog.id) : undefined;
  const close = () => setDialog(undefined);
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
              </div>
            )}
            <p>
              Ribbons share one time scale; lighter bars and soft ends are estimates. The small columns are repetitions
              by area.{' '}
              <button type="button" className="tool small" onClick={() => setDialog({ kind: 'figures' })}>
                As a table
              </button>
            </p>
            <KeysHelp keys={PLAN_KEYS} />
          </div>
        </div>
        <aside className="plan-side" aria-label="Beside the plan">
          {place && (
            <DayPanel
              key={dayKey(place)}
              plan={plan}
              place={place}
              words={stored.get(dayKey(place))?.words ?? ''}
              programmeId={loaderData.programmeId}
              stored={stored.get(dayKey(place))}
              writePath={`${base}/write/${dayKey(place)}`}
              isLocked={plan.locked.has(dayKey(place))}
              onShift={() => setDialog({ kind: 'shift', place })}
              onRetest={() => setDialog({ kind: 'retest', place })}
            />
          )}
          {selected?.weekday === 0 && (
            <WeekPanel
              plan={plan}
              week={selected.week}
              programmeId={loaderData.programmeId}
              stored={days.filter((d) => d.week === selected.week)}
              copied={copied}
              onCopy={() => setCopied(selected.week)}
              onArrange={() => setDialog({ kind: 'arrange', week: selected.week })}
              onCompare={() => setDialog({ kind: 'compare', week: selected.week })}
            />
          )}
          {shownTrack && !plan.hasProposal && (
            <div className="panel-tools">
              <ReadyPress
                key={shownTrack.track.id}
                programmeId={loaderData.programmeId}
                days={programme.days.flatMap(
                  (d) => (d.track?.id === shownTrack.track.id && stored.get(dayKey(d))) || [],
                )}
                words={(n) => `Mark ${plural(n, 'day')} of ${shownTrack.track.name} ready`}
              />
            </div>
          )}
          {shownTrack ? (
            <TrackRail
              key={shownTrack.track.id}
              programme={programme}
              read={shownTrack}
              tools={plan.tools}
              now={today && progressionWeek(programme, today.week)}
              propose={propose}
              onPick={setTrackId}
              onEdit={() => setDialog({ kind: 'track', id: shownTrack.track.id })}
            />
          ) : (
            <PlanBeginning plan={plan} writeBase={`${base}/write`} />
          )}
          <RetestWords plan={plan} />
          <GuardList
            guards={plan.guards}
            settings={programme.guards}
            firstWeekday={programme.firstWeekday}
            fromWeek={today?.week ?? 1}
            onSettings={(guards, words) => propose([{ kind: 'set-guards', guards }], words)}
            onShow={(g) =>
              select(g.places[0] ?? { week: g.weeks.find((w) => w >= (today?.week ?? 1)) ?? g.weeks[0]!, weekday: 0 })
            }
          />
        </aside>
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
      {dialog?.kind === 'arrange' && (
        <ArrangeDialog plan={plan} week={dialog.week} run={loaderData.run} onClose={close} />
      )}
      {dialog?.kind === 'compare' && <CompareDialog plan={plan} week={dialog.week} onClose={close} />}
      {dialog?.kind === 'shift' && <ShiftDialog plan={plan} place={dialog.place} onClose={close} />}
      {dialog?.kind === 'retest' && (
        <RetestDialog plan={plan} place={dialog.place} run={loaderData.run} onClose={close} />
      )}
      {dialog?.kind === 'blocked' && <BlockedDialog plan={plan} run={loaderData.run} onClose={close} />}
      {dialog?.kind === 'figures' && <FiguresDialog plan={plan} onClose={close} />}
      {dialog?.kind === 'exchange' && (
        <ExchangeDialog plan={plan} programmeId={loaderData.programmeId} onClose={close} />
      )}
      {dialogTrack && <TrackDialog plan={plan} track={dialogTrack} onClose={close} />}
    </div>
  );
}
