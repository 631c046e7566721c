import type { Choice, Dose, Sides, WorkItem } from '../../../document/document.ts';
import type { MovementLibrary } from '../../../movement/library.ts';
import { nearestMovements } from '../../../movement/nearest-movements.ts';
import { MAX_OPTIONS } from '../../read-item.ts';
import { takeDose, takeMeasured, takeSides } from './dose-phrases.ts';
import type { Doubt, Draft } from './item-draft.ts';
import { takeLoad } from './load-phrases.ts';
import { takeManner, takeRestAtEnd, takeRestBehind, takeTempo } from './manner-phrases.ts';
import { FILLERS, takeName, takeNumbered } from './name-phrases.ts';
import { mayBeWork } from './open-words.ts';
import { takeOffered } from './option-phrases.ts';
import type { Offered } from './option-phrases.ts';
import type { Strip } from './strip.ts';
import { inParts } from './word-parts.ts';

/** What a line says of one movement. */
export interface ItemFacts {
  readonly item: WorkItem;
  /** So many sets of it, where the line says so. */
  readonly sets?: number;
  /** A rest that the line names behind it. */
  readonly restSec?: number;
  /** Whether the movement is one that the library knows, or reads. */
  readonly isKnown: boolean;
  /** Whether it says how much. */
  readonly hasNumber: boolean;
  /** Whether its name begins the line, and what follows is set apart. */
  readonly isFirst: boolean;
  /** Whether words are left that were read as nothing. */
  readonly hasWords: boolean;
  readonly doubts: readonly Doubt[];
}

/** Takes what `strip` says of a movement and how much of it; undefined where no movement is left in it. */
export const takeItem = (strip: Strip, library: MovementLibrary): ItemFacts | undefined =>
  takeRow([{ strip }], library);

/** As takeItem, of several stretches that speak of one movement: the cells of a row. Its name stands in the last. */
export function takeRow(parts: readonly { readonly strip: Strip }[], library: MovementLibrary): ItemFacts | undefined {
  const draft: Draft = { words: [] };
  const doubts: Doubt[] = [];
  const offered = parts.map(({ strip }) => takeOffered(strip, (part) => readOption(part, library), library));
  const numbered = takeNumbered(parts.at(-1)!.strip, library);
  let sides: Sides | undefined;
  let dosed: { dose?: Dose; sets?: number } = {};
  let restSec: number | undefined;
  for (const { strip } of parts) {
    restSec = takeRestBehind(strip) ?? restSec;
    takeManner(strip, draft);
    takeLoad(strip, draft);
    const doubt = takeTempo(strip, draft, parts.length > 1);
    if (doubt) doubts.push(doubt);
    sides = takeSides(strip, draft) ?? sides;
    if (dosed.dose === undefined) dosed = { ...dosed, ...takeDose(strip, takeMeasured(strip, draft), sides) };
  }
  if (restSec === undefined && dosed.sets !== undefined && dosed.dose?.kind !== 'time')
    restSec = takeRestAtEnd(parts.at(-1)!.strip);
  const named = numbered ?? takeName(parts.at(-1)!.strip, library);
  if (!named) return undefined;
  const isMeasured = dosed.dose?.kind === 'distance' || dosed.dose?.kind === 'energy';
  const choices = isMeasured ? named.choices.map(onMachine) : named.choices;
  const { isKnown } = named;
  const hasWords = parts.map(({ strip }) => takeWords(strip, draft, doubts)).some(Boolean);
  if (!isKnown) {
    const piece = parts.at(-1)!.strip.taken.find((t) => t.as === 'movement')!;
    const name = choices[0]!.name;
    doubts.push({
      start: piece.start,
      end: piece.end,
      facts: { code: 'new-movement', name, near: nearTo(name, library) },
    });
  }
  const { dose, sets } = dosed;
  const { words, ...rest } = withOffered(draft, choices, offered);
  return {
    item: {
      kind: 'work',
      ...(dose && { dose }),
      inTurn: false,
      ...rest,
      ...(words.length > 0 && { words }),
    },
    ...(sets !== undefined && { sets }),
    ...(restSec !== undefined && { restSec }),
    isKnown,
    hasNumber: dose !== undefined && dose.kind !== 'given',
    isFirst: isSetApart(parts.at(-1)!.strip),
    hasWords,
    doubts,
  };
}

/** What is measured in metres or calories is done on a machine, whatever else the word means: "row 250 m" (common practice). */
const onMachine = (choice: Choice): Choice => (choice.name === 'bent-over row' ? { name: 'rowing machine' } : choice);

/** What an option can say of itself; its words go to the line. */
const OPTION_KEYS = new Set(['kind', 'dose', 'choices', 'inTurn', 'tempo', 'pauseSec', 'load', 'words']);

/** An option of a line; undefined where a word of it stays open. */
function readOption(strip: Strip, library: MovementLibrary): WorkItem | undefined {
  const read = takeRow([{ strip }], library);
  if (!read?.isKnown || read.hasWords || read.doubts.length > 0 || read.sets !== undefined) return undefined;
  return Object.keys(read.item).every((key) => OPTION_KEYS.has(key)) ? read.item : undefined;
}

/** What is offered beside a movement. Where each option is loaded in its own way, so is the first. */
function withOffered(
  draft: Draft,
  choices: readonly Choice[],
  offered: readonly Offered[],
): Draft & Pick<WorkItem, 'choices'> {
  // "8 dips (scale: bench dips)": what is the same thing here offers nothing.
  const others = offered
    .flatMap((o) => o.choices)
    .filter((c) => Object.keys(c).length > 1 || c.name !== choices[0]!.name);
  const harder = offered.flatMap((o) => o.harder ?? [])[0];
  const { load, tempo, pauseSec, ...line } = draft;
  const own = { ...(load && { load }), ...(tempo && { tempo }), ...(pauseSec && { pauseSec }) };
  const isOwn = offered.some((o) => o.areWhole) && choices.length === 1;
  const every = [...(isOwn ? [{ ...choices[0]!, ...own }] : choices), ...others];
  const all = every.slice(0, MAX_OPTIONS);
  const words = [
    ...line.words,
    ...offered.flatMap((o) => o.words),
    ...every.slice(MAX_OPTIONS).map((c) => `or ${c.name}`),
  ];
  return { ...line, words, ...(!isOwn && own), ...(harder !== undefined && { harder }), choices: all };
}

function isSetApart(strip: Strip): boolean {
  const name = strip.taken.find((t) => t.as === 'movement')!;
  const before = strip.source.slice(strip.start, name.start);
  return (
    !/[\p{L}\p{N}]/u.test(before) && /^\s*[,;:(-]/.test(strip.source.slice(name.end, strip.start + strip.text.length))
  );
}

/** What a new name may be meant as, in the plural too; at most three. */
const nearTo = (name: string, library: MovementLibrary): string[] =>
  [...new Set([...nearestMovements(name, library), ...nearestMovements(name.replace(/s$/, ''), library)])].slice(0, 3);

/** Keeps what is left of a strip as words; whether there was any. */
function takeWords(strip: Strip, draft: Draft, doubts: Doubt[]): boolean {
  let hasWords = false;
  for (const { from, to } of strip.left()) {
    if (FILLERS.test(strip.text.slice(from, to))) {
      strip.takeRange(from, to, 'dose');
      continue;
    }
    hasWords = true;
    draft.words.push(...inParts(strip.original(from, to).replace(/["“”„]/g, '’')));
    const isNumber = mayBeWork(strip.text.slice(from, to));
    strip.takeRange(from, to, isNumber ? 'unread' : 'note');
    if (isNumber) doubts.push({ start: strip.start + from, end: strip.start + to, facts: { code: 'unread' } });
  }
  return hasWords;
}
