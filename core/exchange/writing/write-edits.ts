import type { ProgrammeEdit } from '../../progress/edit/programme-edit.ts';
import type { Track } from '../../progress/programme-document.ts';
import { emptyProgramme } from '../../progress/programme-document.ts';
import { toProgrammeJson } from './write-programme.ts';

/** Edits as they go over the wire: tracks and programmes as in a programme's file, all else as it is. */
export const toEditsJson = (edits: readonly ProgrammeEdit[]): string =>
  JSON.stringify(
    edits.map((edit) => {
      switch (edit.kind) {
        case 'set-track':
          return { kind: edit.kind, track: trackJson(edit.track) };
        case 'replace':
          return { kind: edit.kind, programme: toProgrammeJson(edit.programme) };
        default:
          return edit;
      }
    }),
  );

const BLANK = emptyProgramme({ title: 'x', weeks: 1, weekdays: [] });
const trackJson = (track: Track): unknown => (toProgrammeJson({ ...BLANK, tracks: [track] }).tracks as unknown[])[0];
