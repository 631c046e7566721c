import type { TrackNote } from '../../../core/progress/track/track-note.ts';

/** What a session of a track changed against the week before it, and why. */
export function TrackWords({ note, hint }: { note: TrackNote; hint?: string }) {
  const { track, week, isPinned, words, why } = note;
  if (isPinned)
    return (
      <p className="small">
        <b className="plan-pin">Kept as it is.</b> Changed by hand; {track} goes on without touching it.
      </p>
    );
  if (words === '')
    return (
      <p className="small">
        The first of {track}, as written. {hint && <span className="soft">{hint}</span>}
      </p>
    );
  return (
    <div className="small week-words">
      <p>
        <b>Week {week}:</b> {words}
      </p>
      {(why.length > 0 || hint) && <p className="soft">{[...why, hint].filter(Boolean).join(' · ')}</p>}
    </div>
  );
}
