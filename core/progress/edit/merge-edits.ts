import type { ProgrammeEdit } from './programme-edit.ts';

/** What an edit sets, where a later one of the same takes its place. */
function subject(edit: ProgrammeEdit): string | undefined {
  switch (edit.kind) {
    case 'set-track':
      return `track ${edit.track.id}`;
    case 'set-theme':
      return `theme ${edit.weekday}`;
    case 'set-day-theme':
      return `theme ${edit.place.week} ${edit.place.weekday}`;
    case 'set-guards':
    case 'set-lighter':
    case 'set-title':
      return edit.kind;
    default:
      return undefined;
  }
}

/** Edits that were proposed and some more: a lever that is dragged on replaces its own last state instead of piling up. */
export function mergeEdits(edits: readonly ProgrammeEdit[], more: readonly ProgrammeEdit[]): ProgrammeEdit[] {
  const out = [...edits];
  for (const edit of more) {
    const about = subject(edit);
    const at = about === undefined ? -1 : out.findLastIndex((e) => subject(e) === about);
    // Only the last stretch of settings may be replaced in place: what moves days in between must keep its order.
    if (at >= 0 && out.slice(at).every((e) => subject(e) !== undefined)) out[at] = edit;
    else out.push(edit);
  }
  return out;
}
