import type { Refused } from '../../result.ts';
import type { DayPlace } from '../../calendar/day.ts';
import type { BlockedDay, GuardSettings, ProgrammeDocument, Theme, Track } from '../programme-document.ts';

/** One change to a programme. The page proposes with these, and the server carries out the same ones. */
export type ProgrammeEdit =
  /** A new track, or a known one (same id) with another text, school or levers. */
  | { readonly kind: 'set-track'; readonly track: Track }
  /** Its sessions stay as they stand, each for itself. */
  | { readonly kind: 'remove-track'; readonly id: string }
  /** Makes the sessions of these places the track's; a place without a session gets one. */
  | { readonly kind: 'join-track'; readonly id: string; readonly places: readonly DayPlace[] }
  /** Takes the sessions of these places out of their tracks; the texts stay. */
  | { readonly kind: 'leave-track'; readonly places: readonly DayPlace[] }
  /** An empty session to write. */
  | { readonly kind: 'add-day'; readonly place: DayPlace }
  | { readonly kind: 'remove-day'; readonly place: DayPlace }
  | { readonly kind: 'set-text'; readonly place: DayPlace; readonly text: string }
  /** To another place; what stands there comes here. */
  | { readonly kind: 'move-day'; readonly from: DayPlace; readonly to: DayPlace }
  /** The sessions of one week in another order: from which weekday to which. */
  | {
      readonly kind: 'arrange-week';
      readonly week: number;
      readonly moves: readonly { readonly from: number; readonly to: number }[];
    }
  /** Replaces the other week's sessions; those of tracks are written for the week they come to. */
  | { readonly kind: 'copy-week'; readonly from: number; readonly to: number }
  /** Before the week that is now `at`. A lighter one has the same sessions, lighter; a pause has none. */
  | { readonly kind: 'insert-week'; readonly at: number; readonly as: 'lighter' | 'pause' }
  | { readonly kind: 'remove-week'; readonly week: number }
  /** All sessions from a place on, so many days later (or earlier, where there is room). */
  | { readonly kind: 'shift'; readonly from: DayPlace; readonly days: number }
  /** Keeps the text as it is, whatever the levers do; false lets go, and the track writes it anew. */
  | { readonly kind: 'pin'; readonly place: DayPlace; readonly isPinned: boolean }
  | { readonly kind: 'set-lighter'; readonly lighter: readonly number[] }
  | { readonly kind: 'set-theme'; readonly weekday: number; readonly theme: Theme | null }
  | { readonly kind: 'set-day-theme'; readonly place: DayPlace; readonly theme: Theme | null }
  | { readonly kind: 'set-blocked'; readonly blocked: readonly BlockedDay[] }
  | { readonly kind: 'set-guards'; readonly guards: GuardSettings }
  | { readonly kind: 'set-title'; readonly title: string }
  /** The same session at each of these places, with its `Retest:` line. */
  | { readonly kind: 'place-retest'; readonly text: string; readonly places: readonly DayPlace[] }
  /** All of it, as from a file. */
  | { readonly kind: 'replace'; readonly programme: ProgrammeDocument };

export type EditResult = { readonly status: 'changed'; readonly programme: ProgrammeDocument } | Refused;
