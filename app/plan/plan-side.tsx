import { dayKey } from '../../core/calendar/day.ts';
import { WeekPanel } from './week-panel.tsx';
import type { Plan } from './use-plan.ts';
import { TrackRail } from './track/track-rail.tsx';
import { ReadyPress } from './ready-press.tsx';
import type { OpenDialog } from './plan-dialogs.tsx';
import { PlanBeginning, RecurOffers } from './plan-beginning.tsx';
import { GuardList } from './guard-list.tsx';
import type { PlanSpot } from './grid/plan-row.tsx';
import { RetestWords } from './dialogs/small-dialogs.tsx';
import { DayPanel } from './day-panel.tsx';
import type { SpineDay } from '../shell/spine.tsx';
import { plural } from '../../core/words/words.ts';
import { progressionWeek } from '../../core/progress/programme-document.ts';

interface PlanSideProps {
  readonly plan: Plan;
  readonly programmeId: string;
  readonly days: readonly SpineDay[];
  /** The same, by their keys. */
  readonly stored: ReadonlyMap<string, SpineDay>;
  readonly selected: PlanSpot | undefined;
  /** The track that was picked; without one, that of the chosen day stands there. */
  readonly trackId: string | undefined;
  readonly copied: number | undefined;
  readonly onTrack: (id: string) => void;
  readonly onCopy: (week: number) => void;
  readonly onDialog: (dialog: OpenDialog) => void;
  readonly onSelect: (spot: PlanSpot) => void;
}

/** Beside the grid: the chosen day or week, a track with what changes in it, and what is worth a look. */
export function PlanSide(props: PlanSideProps) {
  const { plan, programmeId, days, stored, selected, trackId, copied, onTrack, onCopy, onDialog, onSelect } = props;
  const { programme, propose } = plan;
  const writeBase = `/programmes/${programmeId}/write`;
  const today = days.find((d) => d.isToday);
  const place = selected && selected.weekday > 0 ? selected : undefined;
  const dayTrack = place && programme.days.find((d) => d.week === place.week && d.weekday === place.weekday)?.track?.id;
  const shownTrack =
    plan.tracks.find((t) => t.track.id === (trackId ?? dayTrack)) ??
    plan.tracks.find((t) => t.track.id === dayTrack) ??
    plan.tracks[0];
  return (
    <aside className="plan-side" aria-label="Beside the plan">
      {place && (
        <DayPanel
          key={dayKey(place)}
          plan={plan}
          place={place}
          words={stored.get(dayKey(place))?.words ?? ''}
          programmeId={programmeId}
          stored={stored.get(dayKey(place))}
          writePath={`${writeBase}/${dayKey(place)}`}
          isLocked={plan.locked.has(dayKey(place))}
          onShift={() => onDialog({ kind: 'shift', place })}
          onRetest={() => onDialog({ kind: 'retest', place })}
        />
      )}
      {selected?.weekday === 0 && (
        <WeekPanel
          plan={plan}
          week={selected.week}
          programmeId={programmeId}
          stored={days.filter((d) => d.week === selected.week)}
          copied={copied}
          onCopy={() => onCopy(selected.week)}
          onArrange={() => onDialog({ kind: 'arrange', week: selected.week })}
          onCompare={() => onDialog({ kind: 'compare', week: selected.week })}
        />
      )}
      {shownTrack && !plan.hasProposal && (
        <div className="panel-tools">
          <ReadyPress
            key={shownTrack.track.id}
            programmeId={programmeId}
            days={programme.days.flatMap((d) => (d.track?.id === shownTrack.track.id && stored.get(dayKey(d))) || [])}
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
          onPick={onTrack}
          onEdit={() => onDialog({ kind: 'track', id: shownTrack.track.id })}
        />
      ) : (
        programme.days.every((d) => d.text.trim() === '') && <PlanBeginning plan={plan} writeBase={writeBase} />
      )}
      <RecurOffers plan={plan} except={place} />
      <RetestWords plan={plan} />
      <GuardList
        guards={plan.guards}
        settings={programme.guards}
        firstWeekday={programme.firstWeekday}
        fromWeek={today?.week ?? 1}
        onSettings={(guards, words) => propose([{ kind: 'set-guards', guards }], words)}
        onShow={(g) =>
          onSelect(g.places[0] ?? { week: g.weeks.find((w) => w >= (today?.week ?? 1)) ?? g.weeks[0]!, weekday: 0 })
        }
      />
    </aside>
  );
}
