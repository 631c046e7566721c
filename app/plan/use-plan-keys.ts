import { useEffect } from 'react';
import { dayName } from '../../core/calendar/day.ts';
import { makeTrack } from '../../core/progress/track/make-track.ts';
import type { PlanSpot } from './grid/plan-row.tsx';
import type { OpenDialog } from './plan-dialogs.tsx';
import type { Plan } from './use-plan.ts';
import { copiedWords } from '../../words/en/plan.ts';

interface PlanKeys {
  readonly plan: Plan;
  /** The week that was copied. */
  readonly copied: number | undefined;
  readonly onCopy: (week: number) => void;
  readonly onDialog: (dialog: OpenDialog) => void;
}

/** Undo, redo and Escape anywhere on the page; gives what a key does on a spot of the grid: true where it did something. */
export function usePlanKeys({ plan, copied, onCopy, onDialog }: PlanKeys) {
  const { programme, propose } = plan;
  useEffect(() => {
    const onWindowKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      // A list that has the focus has no use for these keys itself.
      if (target.closest('input, textarea, .dialog-root')) return;
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
  return (event: React.KeyboardEvent, on: PlanSpot): boolean => {
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
        onDialog({ kind: 'shift', place: on });
        return true;
      case 'r':
        if (isCommand || !day || day.text === '') return false;
        onDialog({ kind: 'retest', place: on });
        return true;
      case 'a':
        if (isCommand) return false;
        onDialog({ kind: 'arrange', week: on.week });
        return true;
      case 'c':
        if (isCommand && window.getSelection()?.toString()) return false;
        onCopy(on.week);
        return true;
      case 'v':
        if (copied === undefined || copied === on.week) return false;
        propose([{ kind: 'copy-week', from: copied, to: on.week }], copiedWords(copied, [on.week]));
        return true;
      case 'l':
        if (isCommand) return false;
        propose([{ kind: 'insert-week', at: on.week, as: 'lighter' }], `a lighter week before week ${on.week}`);
        return true;
      case 'd':
        if (isCommand) return false;
        onDialog({ kind: 'compare', week: on.week });
        return true;
      default:
        return false;
    }
  };
}
