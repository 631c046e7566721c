import type { TrackNote } from '../../../core/progress/track-note.ts';

/** What a session of a track changed against the week before it, and why. */
export function TrackWords({ note }: { note: TrackNote }) {
  const { track, week, isPinned, words, why } = note;
  if (isPinned) return <p className="small"><b className="plan-pin">Pinned.</b> Changed by hand; the levers of {track} pass it by.</p>;
  if (words === '') return <p className="small">The first of {track}, as written.</p>;
  return (
    <div className="small week-words">
      <p><b>Week {week}:</b> {words}</p>
      {why.length > 0 && <p className="soft">{why.join(' · ')}</p>}
    </div>
  );
}
