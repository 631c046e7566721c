import type { Choice, WorkItem } from '../../../document/document.ts';
import type { MovementLibrary } from '../../../movement/library.ts';
import { shelfName } from './name-phrases.ts';
import { N, re } from './spoken-numbers.ts';
import { Strip } from './strip.ts';
import { inParts } from './word-parts.ts';

/** What a line offers beside its movement. */
export interface Offered {
  /** Each with what is said of it alone. */
  readonly choices: readonly Choice[];
  readonly harder?: string;
  /** What has no place in an option: why one would take it, how many of the harder one. */
  readonly words: readonly string[];
  /** Whether the options are counted or loaded each in its own way: then the first one's load is its own too. */
  readonly areWhole: boolean;
}

/** Reads a stretch as a movement with how much of it; undefined where something in it stays open. */
export type ReadOption = (strip: Strip) => WorkItem | undefined;

const EASIER =
  '(?:or|mod(?:s|ified|ification)?|scaled?|scaling|easier|easy option|beginners?|options?|alternatives?|alternatively|regress(?:ion|ed)?|instead|otherwise|low impact|no impact)';
const HARDER = '(?:harder|progress(?:ion|ed)?|advanced|level up|spicy|make it harder)';
const MARKED = new RegExp(`^\\s*(?:(${EASIER})|(${HARDER}))(?![\\w'-])\\s*(?:version|option)?\\s*[:=-]?\\s*(.+)$`);
/** In brackets, or behind a comma or dash and with a colon. */
const ASIDE = new RegExp(
  `\\(\\s*((?:${EASIER}|${HARDER})(?![\\w'-])[^()]+)\\)|(?:,|;|\\s-)\\s*((?:${EASIER}|${HARDER})(?:\\s+(?:version|option))?\\s*[:=]\\s*[^;()]+)`,
);
/** One offer of several: up to a comma behind which another mark stands. */
const PART = new RegExp(`(?:[^,;]|[,;](?!\\s*(?:${EASIER}|${HARDER})(?![\\w'-])))+`, 'g');
const SPLIT = /[\s,;]+or(?: else)?\s+|\s+\/\s+/g;
/** Why one would take it: says nothing about what it is. */
const WHY =
  /[\s,(]*\b(?:if (?:you )?(?:have |has |need |prefer |want |like )?(?:no |any )?[\w' -]+|as needed|by feel|your choice)\)?\s*$/;
const COUNTED = re`^[\\s(]*(?:${N})(?![\\w])`;
const LOADED = /@|\d\s*(?:kgs?|kilos?|lbs?|pounds?)\b/;
const MOST_OPTIONS = 2;

const NOTHING: Pick<Offered, 'choices' | 'words'> = { choices: [], words: [] };

/** Takes the other movements that a line offers, in brackets, behind a mark such as "easier:", or behind "or" and "/". */
export function takeOffered(strip: Strip, read: ReadOption, library: MovementLibrary): Offered {
  const marked = takeMarked(strip, read, library);
  const whole = marked.choices.length < MOST_OPTIONS ? takeAlternatives(strip, read, library) : NOTHING;
  return {
    ...marked,
    choices: [...whole.choices, ...marked.choices],
    words: [...whole.words, ...marked.words],
    areWhole: whole.choices.length > 0 || marked.choices.some((c) => Object.keys(c).length > 1),
  };
}

const optionOf = (read: WorkItem, library: MovementLibrary): Choice => {
  const { dose, tempo, pauseSec, load } = read;
  return {
    name: shelfName(read.choices[0]!.name, library),
    ...(dose && { dose }),
    ...(tempo && { tempo }),
    ...(pauseSec && { pauseSec }),
    ...(load && { load }),
  };
};

interface ReadPart {
  readonly option: Choice;
  readonly words: readonly string[];
}

/** A part of a strip, read as an option; what it says besides, as words that name the option. */
function readPart(
  strip: Strip,
  from: number,
  to: number,
  read: ReadOption,
  library: MovementLibrary,
): ReadPart | undefined {
  const why = WHY.exec(strip.text.slice(from, to));
  const end = why && why.index > 0 ? from + why.index : to;
  const item = read(new Strip(strip.source, strip.start + from, strip.start + end));
  if (!item) return undefined;
  const option = optionOf(item, library);
  const reason = strip
    .original(end, to)
    .replace(/["“”„()]/g, ' ')
    .replace(/^[\s,]+|\s+$/g, '');
  const words = [...(item.words ?? []), ...(reason === '' ? [] : [reason])];
  return { option, words: words.flatMap((w) => inParts(`${option.name} ${w}`)) };
}

function takeMarked(strip: Strip, read: ReadOption, library: MovementLibrary): Omit<Offered, 'areWhole'> {
  const choices: Choice[] = [];
  const words: string[] = [];
  let harder: string | undefined;
  for (let i = 0; i < MOST_OPTIONS; i++) {
    const match = ASIDE.exec(strip.text);
    if (!match) break;
    const inner = (match[1] ?? match[2])!;
    const at = match.index + match[0].indexOf(inner);
    const parts = [...inner.matchAll(PART)].map((m) => {
      const said = MARKED.exec(m[0]);
      const from = said ? at + m.index + m[0].length - said[3]!.length : 0;
      const part = said ? readPart(strip, from, from + said[3]!.length, read, library) : undefined;
      const original = strip
        .original(at + m.index, at + m.index + m[0].length)
        .replace(/["“”„]/g, '’')
        .trim();
      return part && { ...part, isHarder: said![2] !== undefined, original };
    });
    if (!parts.every((p) => p !== undefined)) break;
    strip.takeRange(match.index, match.index + match[0].length, 'option');
    for (const { isHarder, option, words: said, original } of parts) {
      words.push(...said);
      if (!isHarder) choices.push(option);
      // A harder neighbour has no number of its own, and there is one of them.
      else if (harder !== undefined || Object.keys(option).length > 1) words.push(...inParts(original));
      if (isHarder) harder ??= option.name;
    }
  }
  return { choices, words, ...(harder !== undefined && { harder }) };
}

/** `10 reverse lunges or 5 each leg split squats @ 8 kg`: each side of the "or" is a movement with its number or load. */
function takeAlternatives(strip: Strip, read: ReadOption, library: MovementLibrary): typeof NOTHING {
  const splits = [...strip.text.matchAll(SPLIT)];
  if (splits.length === 0 || splits.length > MOST_OPTIONS) return NOTHING;
  const first = strip.text.slice(0, splits[0]!.index);
  const from = splits.map((m) => m.index + m[0].length);
  const to = [...splits.slice(1).map((m) => m.index), strip.text.length];
  const isApart = splits.some((m) => m[0].startsWith(','));
  const isOwn = isApart || from.some((start, i) => COUNTED.test(strip.text.slice(start, to[i]))) || LOADED.test(first);
  if (!isOwn || !/\p{L}{2}/u.test(first)) return NOTHING;
  const parts = from.map((start, i) => readPart(strip, start, to[i]!, read, library));
  const main = read(new Strip(strip.source, strip.start, strip.start + splits[0]!.index));
  if (!main || !parts.every((part) => part !== undefined)) return NOTHING;
  strip.takeRange(splits[0]!.index, strip.text.length, 'option');
  return { choices: parts.map((p) => p.option), words: parts.flatMap((p) => p.words) };
}
