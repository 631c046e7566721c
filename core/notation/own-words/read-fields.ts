import { MAX_DURATION_SEC } from '../../limits.ts';
import { parseStrictly } from '../parse.ts';
import { takeHeader } from './phrases/header-phrases.ts';
import { takeRole } from './phrases/role-phrases.ts';
import { takeItem } from './phrases/item-phrases.ts';
import { D, toSeconds, re } from './phrases/spoken-numbers.ts';
import { Strip } from './phrases/strip.ts';
import type { Target, State } from './reading-state.ts';
import { take, takeAll, setTitle } from './reading-state.ts';
import { note } from './keep-words.ts';

const LENGTH = re`(?:\\b(?:session )?(?:length|duration|time|total(?: time)?)\\s*[:=]?\\s*|\\b(?:about|approx(?:imately)?\\.?|around|roughly|for)\\s+|~\\s*|\\()?(${D})(?:\\s*(?:in all|total|long|session|workout|today))?`;

const NO_KIT =
  /\b(?:no (?:kit|equipment|gear|weights)(?: (?:needed|required|today))?|bodyweight only|nothing needed)\b/;

const KIT =
  /\b(?:you(?:'ll| will)? (?:will )?need|needed|kit|equipment|gear|have ready|grab|bring)\s*(?:is|are|:)?\s*([^.!;\u0001]+)/;

/** "Bands and a mat, please": kit and nothing else. */
const KIT_ONLY = /^\W*([\p{L}][\p{L} ,&+-]{2,60})[\s,]+(?:please|needed|required)\W*$/u;

/** Title, length, kit and group, as they stand above a session. */
export function readField(state: State, strip: Strip): boolean {
  const titled = /^\s*(title|name|session|note|notes)\s*:\s*(?=\S)/.exec(strip.text);
  if (titled && state.isHead) {
    const from = titled[0].length;
    if (!titled[1]!.startsWith('note')) {
      if (state.title !== undefined || readsAsHeader(state, strip, from)) return false;
      strip.takeRange(0, strip.text.length, 'title');
      setTitle(state, strip.original(from, strip.text.length));
      takeAll(state, strip, { kind: 'field', field: 'Title' });
      return true;
    }
    return false;
  }
  if (!state.isHead) return false;
  if (/\bstations?\b/.test(strip.text)) state.saysStations = true;
  const group = /\b(\d{1,2})\s*(?:pupils|people|children|kids|students|athletes|players|participants|members)\b/.exec(
    strip.text,
  );
  const hasKit = NO_KIT.test(strip.text) || KIT.test(strip.text) || KIT_ONLY.test(strip.text);
  const isAlone = re`^\\W*(?:about|approx\\.?|around|roughly|~)?\\s*${D}\\W*$`.test(strip.text);
  const isLength =
    isAlone || /\b(?:session length|length|duration|total time|time|minutes?)\s*[:=]?\s*\d/.test(strip.text);
  const ending =
    re`^([^\\d]*?[\\p{L})])\\s*[,(-]+\\s*${D}\\W*$`.exec(strip.text) ??
    re`^([^\\d]*\\b(?:flow|session|workout|class|routine|circuit|practice|training|express|blast|challenge|fitness))\\s+${D}\\W*$`.exec(
      strip.text,
    );
  const role = takeRole(new Strip(state.source, strip.start, strip.start + strip.text.length));
  const isPartOf = role !== undefined && role.role !== 'Main';
  const isTitled =
    ending !== null &&
    !isPartOf &&
    toSeconds(strip.text.slice(ending[1]!.length).replace(/^[\s,(-]+/, '')) >= 300 &&
    !state.library.findByName(ending[1]!.trim());
  const inWords = isTitled || re`(?:\\babout|\\bapprox|\\baround|\\broughly|~|\\()\\s*${D}`.test(strip.text);
  if (!hasKit && !isLength && !inWords && !group && !/^\W*minutes\s+\d+/.test(strip.text)) return false;
  if (!hasKit && readsAsHeader(state, strip, 0)) return false;
  takeKit(state, strip);
  takeGroup(state, strip, group);
  takeLength(state, strip);
  const left = strip.left();
  const targetOf: Target = { kind: 'field', field: state.kit ? 'Kit' : 'Target' };
  if (
    left.length > 0 &&
    state.title === undefined &&
    left.length === 1 &&
    left[0]!.from < 3 &&
    !/[.!?]/.test(left[0]!.text)
  ) {
    const { from, to } = left[0]!;
    setTitle(state, strip.original(from, to));
    strip.takeRange(from, to, 'title');
  } else for (const { from, to } of left) note(state, strip, from, to);
  for (const t of strip.taken)
    take(
      state,
      t.start,
      t.end,
      t.as,
      t.as === 'title'
        ? { kind: 'field', field: 'Title' }
        : t.as === 'note'
          ? { kind: 'field', field: 'Note' }
          : t.as === 'length'
            ? { kind: 'field', field: 'Target' }
            : t.as === 'group'
              ? { kind: 'field', field: 'Group' }
              : targetOf,
    );
  return true;
}

/** How many take part. */
function takeGroup(state: State, strip: Strip, group: RegExpExecArray | null): void {
  if (!group || Number(group[1]) < 2) return;
  state.groupSize = Number(group[1]);
  strip.takeRange(group.index, group.index + group[0].length, 'group');
}

function takeKit(state: State, strip: Strip): void {
  if (strip.take(NO_KIT, 'kit')) {
    state.kit ??= [];
    return;
  }
  const match = KIT.exec(strip.text) ?? KIT_ONLY.exec(strip.text);
  if (!match) return;
  const pieces = match[1]!
    .split(/,|\band\b|\+|&|\//)
    .map((p) =>
      p
        .replace(/^\s*(?:an?|the|your|some|one)\s+/, '')
        .replace(/[()#"]/g, ' ')
        .replace(/\s+/g, ' ')
        .trim(),
    )
    .filter((p) => KIT.test(strip.text) || p.split(' ').length <= 3)
    .filter((p) => /\p{L}/u.test(p) && p.length <= 40 && parseStrictly(`Kit: ${p}`, state.library).issues.length === 0);
  // What can't be had as kit stays, and is kept as words.
  if (pieces.length === 0) return;
  strip.take(KIT.test(strip.text) ? KIT : KIT_ONLY, 'kit');
  state.kit = [...(state.kit ?? []), ...pieces].slice(0, 20);
}

function takeLength(state: State, strip: Strip): void {
  const bare = /^\W*minutes\s+(\d{1,3})\b/.exec(strip.text);
  const found = bare ?? LENGTH.exec(strip.text);
  if (!found || state.targetSec !== undefined) return;
  const sec = bare ? Number(bare[1]) * 60 : toSeconds(found[1]!);
  if (sec < 60 || sec > MAX_DURATION_SEC || sec % 60 !== 0) return;
  state.targetSec = sec;
  strip.takeRange(found.index, found.index + found[0].length, 'length');
}

/** Whether the words from `from` on say a clock, rounds or a movement with a number: then they are no field. */
function readsAsHeader({ source, library }: State, strip: Strip, from: number): boolean {
  const head = new Strip(source, strip.start + from, strip.start + strip.text.length);
  const facts = takeHeader(head);
  if (facts.time || facts.rounds || facts.list || facts.forTime || facts.role || facts.between) return true;
  const item = takeItem(new Strip(source, strip.start + from, strip.start + strip.text.length), library);
  return item !== undefined && item.isKnown && item.hasNumber;
}
