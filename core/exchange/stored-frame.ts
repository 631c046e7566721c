import type { ProgrammeDocument } from '../progress/programme-document.ts';
import { emptyProgramme } from '../progress/programme-document.ts';
import { readProgrammeValue } from './programme-json.ts';
import { toProgrammeJson } from './writing/write-programme.ts';

/** What of a programme isn't in its days. */
export type PlanFrame = Omit<ProgrammeDocument, 'days'>;

export interface StoredFrame {
  readonly frame: PlanFrame;
  /** Parts of it that can't be used and were passed by, in words: `a track (Engine)`. */
  readonly passedBy: readonly string[];
}

const PARTS = ['lighter', 'themes', 'tracks', 'blocked', 'guards', 'extra'] as const;
type Part = (typeof PARTS)[number];
const PART_WORDS: Record<Part, string> = {
  lighter: 'its lighter weeks',
  themes: 'what its weekdays are for',
  tracks: 'a track',
  blocked: 'a blocked day',
  guards: 'the settings of its guard rails',
  extra: 'fields of a file that it came from',
};

/**
 * A programme's frame as it was stored, by what reads a programme's file. A part that can't be used (a track whose levers nobody
 * knows any more, days that are none) is passed by and named; the rest stands. Never throws.
 */
export function readStoredFrame(
  stored: unknown,
  at: Pick<ProgrammeDocument, 'title' | 'weeks' | 'firstWeekday'>,
): StoredFrame {
  const { days: _days, ...blank } = emptyProgramme({
    title: at.title,
    weeks: at.weeks,
    firstWeekday: at.firstWeekday,
    weekdays: [],
  });
  if (stored === null || typeof stored !== 'object' || Array.isArray(stored))
    return { frame: blank, passedBy: ['all but its days'] };
  const parts = stored as Partial<Record<Part, unknown>>;
  const whole = readWith(
    blank,
    Object.fromEntries(PARTS.flatMap((p) => (parts[p] === undefined ? [] : [[p, parts[p]]]))),
  );
  if (whole) return { frame: whole, passedBy: [] };
  const passedBy: string[] = [];
  let frame: PlanFrame = blank;
  const take = (part: Part, value: unknown, words: string) => {
    const next = readWith(frame, { [part]: value });
    if (next) frame = next;
    else passedBy.push(words);
  };
  for (const part of PARTS) {
    const value = parts[part];
    if (value === undefined) continue;
    if ((part === 'tracks' || part === 'blocked') && Array.isArray(value))
      for (const one of value as readonly unknown[])
        take(part, [...frame[part], one], `${PART_WORDS[part]}${nameOf(one)}`);
    else take(part, value, PART_WORDS[part]);
  }
  return { frame, passedBy };
}

/** A frame with other parts in place of its own, where a file with them could be read. */
function readWith(frame: PlanFrame, parts: Record<string, unknown>): PlanFrame | undefined {
  try {
    const read = readProgrammeValue(toProgrammeJson({ ...frame, ...parts, days: [] }));
    if (read.status !== 'read') return undefined;
    const { days: _days, ...next } = read.programme;
    return next;
  } catch {
    return undefined; // Whatever was stored there, it is no part of a programme.
  }
}

function nameOf(one: unknown): string {
  const { name, words } = (one ?? {}) as { name?: unknown; words?: unknown };
  const said = typeof name === 'string' ? name : typeof words === 'string' ? words : '';
  return said === '' ? '' : ` (${said.slice(0, 60)})`;
}
