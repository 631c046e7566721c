import type { DayPlace } from '../../core/calendar/day.ts';
import type { RunDates } from '../../core/calendar/release.ts';
import type { Plan } from './use-plan.ts';
import { ShiftDialog, RetestDialog, TrackDialog } from './dialogs/small-dialogs.tsx';
import { FiguresDialog } from './dialogs/figures-dialog.tsx';
import { ExchangeDialog } from './dialogs/exchange-dialog.tsx';
import { CompareDialog } from './dialogs/compare-dialog.tsx';
import { BlockedDialog } from './dialogs/blocked-dialog.tsx';
import { ArrangeDialog } from './dialogs/arrange-dialog.tsx';

/** What lies over the plan. */
export type OpenDialog =
  | { readonly kind: 'arrange' | 'compare'; readonly week: number }
  | { readonly kind: 'shift' | 'retest'; readonly place: DayPlace }
  | { readonly kind: 'blocked' | 'exchange' | 'figures' }
  | { readonly kind: 'track'; readonly id: string };

interface PlanDialogsProps {
  readonly plan: Plan;
  readonly dialog: OpenDialog | undefined;
  readonly run: RunDates;
  readonly programmeId: string;
  readonly onClose: () => void;
}

/** The dialog that is open, if any. */
export function PlanDialogs({ plan, dialog, run, programmeId, onClose }: PlanDialogsProps) {
  if (!dialog) return null;
  const track = dialog.kind === 'track' ? plan.programme.tracks.find((t) => t.id === dialog.id) : undefined;
  return (
    <>
      {dialog.kind === 'arrange' && <ArrangeDialog plan={plan} week={dialog.week} run={run} onClose={onClose} />}
      {dialog.kind === 'compare' && <CompareDialog plan={plan} week={dialog.week} onClose={onClose} />}
      {dialog.kind === 'shift' && <ShiftDialog plan={plan} place={dialog.place} onClose={onClose} />}
      {dialog.kind === 'retest' && <RetestDialog plan={plan} place={dialog.place} run={run} onClose={onClose} />}
      {dialog.kind === 'blocked' && <BlockedDialog plan={plan} run={run} onClose={onClose} />}
      {dialog.kind === 'figures' && <FiguresDialog plan={plan} onClose={onClose} />}
      {dialog.kind === 'exchange' && <ExchangeDialog plan={plan} programmeId={programmeId} onClose={onClose} />}
      {track && <TrackDialog plan={plan} track={track} onClose={onClose} />}
    </>
  );
}
