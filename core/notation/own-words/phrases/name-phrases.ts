import type { Choice } from '../../../document/document.ts';
import { cutLetters } from '../../../letters.ts';
import type { MovementLibrary } from '../../../movement/library.ts';
import { MAX_NAME_LENGTH } from '../../../limits.ts';
import type { Strip } from './strip.ts';

/** Small words that say nothing of their own. */
export const FILLERS =
  /^(?:(?:then|and|now|next|do|does|for|of|in|the|a|an|with|x|total|rounds?|sets?|reps?|each|all|it is|it's|so|ok|okay|today|we|we'll|you|you'll|you will|i|i'd|i'd like|i want|want|to|let's|please|just|go|go for|going|do|doing|done|have|on|at|hold|after that|after this|afterwards|finally|lastly|nft|breaths|going through|working through|set your timer|set a timer|get through|work through|taking|having|through the day|over the day|during the day|we're|you're|let us|after each round|each round|every round|main bit|main part|bit|part|in (?:the )?(?:remaining time|time (?:left|remaining))|to finish|to finish off|keep going|keep going round|keep moving|first|first up|first of all|start|start with|starting with|perform|complete|is|are|be|as well|too|up|your|that|this|those|these)(?![\w])[\s,.:;!-]*)+$/i;

const LEAD =
  /^(?:(?:then|and|now|next|also|finally|first|first up|first of all|you|you'll|we|we'll|you will|commence with|start off with|kick off with|i want you|i'd like you|i want|we're going to|you're going to|we are going to|you are going to|going to|to|let's|please|just|go for|do|doing|does|perform|complete|hold|some|a|an|the|of|in|with|for|after that|afterwards|lastly|last thing|after|next up|have|has|got|comes?|is|are|start with|starting with|follow(?:ed)? by)[\s,]+)+/;
const TAIL =
  /\s+(?:for|of|x|total|each|in all|and|then|at|with|through(?:out)? the day|over the day|during the day|all day|after (?:each|every) round|(?:each|every) round|to finish|to end|to finish off)$/;

export function shelfName(words: string, library: MovementLibrary): string {
  const known = library.findByName(words)!;
  return library.findOnShelf(known.id) ? known.name : words.toLowerCase();
}

/** What of the words is a movement's name, longest first; else all of them, as a name that is new. */
export function takeName(strip: Strip, library: MovementLibrary): { choices: Choice[]; isKnown: boolean } | undefined {
  const runs = strip.left();
  const candidates = runs.flatMap(({ from, to, text }) => {
    const inner = FILLERS.test(text) ? undefined : trimmed(strip.text, from, to);
    return inner ? [inner] : [];
  });
  for (const { from, to } of candidates) {
    const choices = choicesOf(strip.text.slice(from, to), library);
    if (!choices) continue;
    strip.takeRange(from, to, 'movement');
    return { choices, isKnown: true };
  }
  for (const { from, to } of candidates) {
    const segment = /^[^,;:(]+(?=\s*[,;:(])/.exec(strip.text.slice(from, to))?.[0].trimEnd();
    const choices = segment === undefined ? undefined : choicesOf(segment, library);
    if (!choices) continue;
    strip.takeRange(from, from + segment!.length, 'movement');
    return { choices, isKnown: true };
  }
  // "tricep dips (on a chair)": what stands in brackets may tell which it is.
  for (const { from, to } of candidates) {
    const aside = /^([^()]+?)\s*\(([^()]+)\)$/.exec(strip.text.slice(from, to));
    const choices = aside ? choicesOf(aside[1]!, library) : undefined;
    if (!choices) continue;
    strip.takeRange(from, from + aside![1]!.length, 'movement');
    return { choices, isKnown: true };
  }
  for (const { from, to } of candidates) {
    const words = strip.text.slice(from, to);
    const cut = longestKnown(words, library);
    if (!cut || !mayBeCut(words, cut)) continue;
    strip.takeRange(from + cut.from, from + cut.to, 'movement');
    return { choices: cut.choices, isKnown: true };
  }
  // "press-ups on the elbows (cobra)": what is known of it stands in brackets.
  for (const { from, to } of candidates) {
    const inside = /\(([^()]+)\)/.exec(strip.text.slice(from, to));
    const choices = inside ? choicesOf(inside[1]!.trim(), library) : undefined;
    if (!choices) continue;
    const at = from + inside!.index + 1;
    strip.takeRange(at, at + inside![1]!.length, 'movement');
    return { choices, isKnown: true };
  }
  const first = candidates.find(({ from, to }) => {
    const words = strip.text.slice(from, to);
    return /\p{L}{2}/u.test(words) && !FILLERS.test(words);
  });
  if (!first) return undefined;
  const words = strip.text.slice(first.from, first.to);
  const bracket = words.search(/\s*[("]|[,:;]\s|\.\s/);
  const to = bracket > 1 ? first.from + bracket : first.to;
  const name = cutLetters(
    strip.text
      .slice(first.from, to)
      .replace(/["()[\]{}#@|\\<>=~^%:;,]/g, ' ')
      .replace(/\s+/g, ' ')
      .trim(),
    MAX_NAME_LENGTH,
  ).trim();
  if (!/\p{L}{2}/u.test(name)) return undefined;
  strip.takeRange(first.from, to, 'movement');
  return { choices: [{ name }], isKnown: false };
}

/** A name with a number of its own: "warrior 2" is no two of anything. */
export function takeNumbered(
  strip: Strip,
  library: MovementLibrary,
): { choices: Choice[]; isKnown: boolean } | undefined {
  const found = /\b(?:warrior|phase|position)\s*(?:[1-3]|i{1,3})\b/.exec(strip.text);
  if (!found || !library.findByName(found[0])) return undefined;
  strip.takeRange(found.index, found.index + found[0].length, 'movement');
  return { choices: [{ name: shelfName(found[0], library) }], isKnown: true };
}

/** A stretch without the small words at its ends. */
function trimmed(text: string, from: number, to: number): { from: number; to: number } | undefined {
  const words = text.slice(from, to);
  const lead = LEAD.exec(words)?.[0].length ?? 0;
  let rest = words.slice(lead);
  for (let tail = TAIL.exec(rest); tail; tail = TAIL.exec(rest)) rest = rest.slice(0, tail.index);
  return rest.trim() === '' ? undefined : { from: from + lead, to: from + lead + rest.length };
}

/** One movement, or up to three to choose from. */
function choicesOf(said: string, library: MovementLibrary): Choice[] | undefined {
  const words = Object.hasOwn(SHORT, said.trim()) ? SHORT[said.trim()]! : spelledOut(said);
  if (FILLERS.test(words)) return undefined;
  // "cat/cow" is one movement, not two.
  const known = [
    words,
    words.replace(/\s*\/\s*/g, '-'),
    words.replace(DOING, (_all, verb: string) => (/^(?:lung|rais|circl)$/.test(verb) ? `${verb}e` : verb)),
  ].find((w) => library.findByName(w));
  if (known !== undefined) return [{ name: shelfName(known, library) }];
  const parts = words.split(/\s+or\s+|\s*\/\s*/).map((p) => p.trim());
  return parts.length > 1 && parts.length <= 3 && parts.every((p) => library.findByName(p))
    ? parts.map((p) => ({ name: shelfName(p, library) }))
    : undefined;
}

/** How an old drill says it: "trunk forward bending". */
const DOING = /\b(bend|stretch|swing|lift|twist|roll|jump|kick|press|lower|turn|lean|step|touch|lung|rais|circl)ing\b/g;

/** Kit that trainers write in two letters (common practice). */
const KIT_SHORT: Readonly<Record<string, string>> = {
  db: 'dumbbell',
  dbs: 'dumbbell',
  'dumb-bell': 'dumbbell',
  'dumb-bells': 'dumbbell',
  kb: 'kettlebell',
  kbs: 'kettlebell',
  bb: 'barbell',
  sb: 'stability ball',
  pvc: 'stick',
  mb: 'medicine ball',
  bw: 'bodyweight',
  sl: 'single-leg',
  sa: 'single-arm',
  '1-arm': 'single-arm',
  '1-leg': 'single-leg',
};

const spelledOut = (said: string): string =>
  said.replace(/(?<![\w-])[\w-]{2,10}(?=[\s-]\p{L}{2})/gu, (word) =>
    Object.hasOwn(KIT_SHORT, word) ? KIT_SHORT[word]! : word,
  );

/** What trainers write in a few letters (common practice). */
const SHORT: Readonly<Record<string, string>> = {
  sq: 'squat',
  'goblet sq': 'goblet squat',
  hollow: 'hollow hold',
  wallsit: 'wall sit',
  'wall squats': 'wall sit',
  'wall squat': 'wall sit',
  sqs: 'squat',
  bs: 'back squat',
  fs: 'front squat',
  bsq: 'back squat',
  fsq: 'front squat',
  gsq: 'goblet squat',
  dl: 'deadlift',
  dls: 'deadlift',
  rdl: 'Romanian deadlift',
  rdls: 'Romanian deadlift',
  sldl: 'single-leg deadlift',
  bp: 'bench press',
  bench: 'bench press',
  ohp: 'overhead press',
  bor: 'bent-over row',
  hspu: 'handstand push-up',
  kbs: 'kettlebell swing',
  'kb s': 'kettlebell swing',
  pu: 'push-up',
  pus: 'push-up',
  pushups: 'push-up',
  pullups: 'pull-up',
  du: 'double under',
  dus: 'double under',
  jj: 'jumping jack',
  mc: 'mountain climber',
  mcs: 'mountain climber',
  ht: 'hip thrust',
  gb: 'glute bridge',
  bss: 'Bulgarian split squat',
  su: 'sit-up',
  sus: 'sit-up',
  t2b: 'toes to bar',
  ttb: 'toes to bar',
  wb: 'wall ball',
  hlr: 'hanging leg raise',
  hrpu: 'hand-release push-up',
  'db bench': 'dumbbell bench press',
  'bb bench': 'bench press',
  cgbp: 'close-grip bench press',
  lpd: 'lat pull-down',
  rfess: 'raised split squat',
  tgu: 'get-up',
  wgs: 'world’s greatest stretch',
};

/** Words that tell how without changing what. */
const MANNERS =
  /^(?:(?:gentle|easy|light|good|big|proper|nice|controlled|strict|deep|full|small|more|quick|fast|unbroken|heavy|air|slow|steady|solid|clean|standard|regular|relaxed|really|very|and|more|as|on|the|your|of|with|a|an|to)(?![\w])[\s,.-]*)+$/;
/** So long a text names a movement among other things. */
const LONG_WORDS = 6;

const MOST_WORDS = 12;

/** Whether a movement may be named by a part of the words: what else stands there doesn't make it another one. */
function mayBeCut(words: string, { from, to }: { readonly from: number; readonly to: number }): boolean {
  const others = [words.slice(0, from), words.slice(to)].map((w) => w.replace(/[^\p{L}\s-]/gu, ' ').trim());
  return (
    (words.match(/[\p{L}-]+/gu)?.length ?? 0) >= LONG_WORDS ||
    /[,;(:]/.test(words[to] ?? '') ||
    others.every((w) => w === '' || MANNERS.test(w))
  );
}

/** The longest run of words that is a movement. */
function longestKnown(
  words: string,
  library: MovementLibrary,
): { from: number; to: number; choices: Choice[] } | undefined {
  const places = [...words.matchAll(/[^\s,;()]+/g)]
    .slice(0, MOST_WORDS)
    .map((m) => ({ from: m.index, to: m.index + m[0].length }));
  for (let length = places.length; length >= 1; length--)
    for (let at = 0; at + length <= places.length; at++) {
      const [from, to] = [places[at]!.from, places[at + length - 1]!.to];
      const choices = choicesOf(words.slice(from, to), library);
      if (choices) return { from, to, choices };
    }
  return undefined;
}
