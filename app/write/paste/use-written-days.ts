import { useState } from 'react';
import { useFetcher } from 'react-router';
import type { DayPlace } from '../../../core/calendar/day.ts';
import { dayKey } from '../../../core/calendar/day.ts';
import { toEditsJson } from '../../../core/exchange/writing/write-edits.ts';
import type { ProgrammeEdit } from '../../../core/progress/edit/programme-edit.ts';
import { plural } from '../../../core/words/words.ts';
import type { action as changeAction } from '../../plan/plan-change.ts';
import { unlessAsked, useLeaving } from '../../parts/leaving.tsx';

/** Days of a pasted plan that are written on the programme in one go. */
export interface WrittenDays {
  /** The plan's revision that was looked at. */
  readonly revision: number;
  readonly edits: readonly ProgrammeEdit[];
  readonly places: readonly DayPlace[];
}

export interface WritingDays {
  readonly write: (days: WrittenDays) => void;
  readonly undo: () => void;
  readonly isBusy: boolean;
  /** Why the days couldn’t be written or taken back; empty where nothing was wrong. */
  readonly problem: string;
  /** What was written last. */
  readonly written: { readonly places: readonly DayPlace[]; readonly isUndone: boolean } | undefined;
  /** How often days were written or taken back: a dialog begins anew with each. */
  readonly count: number;
  /** How often the text of the day that is open was changed by it: the writer begins anew with each. */
  readonly turn: number;
  readonly dialog: React.ReactNode;
}

/** Writes the days of a pasted plan, and takes them back: one change of the programme, as on Plan. */
export function useWrittenDays(programmeId: string, openDay: string): WritingDays {
  const fetcher = useFetcher<typeof changeAction>();
  const action = `/programmes/${programmeId}/plan/change`;
  const leaving = useLeaving(
    fetcher.data,
    (fields) => void fetcher.submit(fields, { method: 'post', action }),
    fetcher.state !== 'idle',
  );
  const [asked, setAsked] = useState<{ readonly days: WrittenDays; readonly isUndo: boolean }>();
  const [seen, setSeen] = useState<unknown>();
  const [written, setWritten] = useState<WritingDays['written'] & { readonly revision: number }>();
  const [turn, setTurn] = useState(0);
  const [count, setCount] = useState(0);
  // Only once the page was loaded anew: until then the old text would be seen.
  const answer = fetcher.state === 'idle' ? unlessAsked(fetcher.data) : undefined;
  if (answer && answer !== seen && asked) {
    setSeen(answer);
    if (answer.status === 'changed') {
      const { places } = asked.days;
      setCount(count + 1);
      setWritten({ places, isUndone: asked.isUndo, revision: answer.revision });
      if (places.some((place) => dayKey(place) === openDay)) setTurn(turn + 1);
    }
  }
  return {
    write: (days) => {
      setAsked({ days, isUndo: false });
      leaving.send({
        intent: 'change',
        words: `${plural(days.places.length, 'day')} of a pasted plan`,
        edits: toEditsJson(days.edits),
        revision: String(days.revision),
      });
    },
    undo: () => {
      if (!asked || !written) return;
      setAsked({ ...asked, isUndo: true });
      leaving.send({ intent: 'undo-this', revision: String(written.revision) });
    },
    isBusy: fetcher.state !== 'idle',
    problem: answer?.status === 'refused' ? answer.message : '',
    written,
    count,
    turn,
    dialog: leaving.dialog,
  };
}
