import type { Movement } from '../movement.ts';
import { areaOf } from '../movement.ts';
import type { Modifier } from './modifier.ts';
import { MODIFIERS, isWeight } from './modifiers.ts';
import { nameWords } from './words.ts';

/** Words that join: what follows is a part of its own, or how it is done. */
const JOINS = new Set(['with', 'to', 'into', 'and', 'then', 'plus', 'in', 'on', 'from', 'between', 'followed', 'by']);
const ARTICLES = new Set(['a', 'an', 'the', 'your', 'my', 'of', 'each']);

/** What the words up to here are: a head, modifiers that they may be (the first that the head takes), a joining word. */
export interface Entry {
  head?: Movement;
  modifiers?: Modifier[];
  isJoin?: true;
}

export interface Match {
  readonly entry: Entry;
  readonly length: number;
}

interface Node extends Entry {
  readonly next: Map<string, Node>;
}

/** A head with what is said of it. */
export interface Shape {
  readonly head: Movement;
  readonly modifiers: readonly Modifier[];
}

/** A movement of the shelf that is another one with modifiers: a squat jump is a squat, jumped. */
export interface Derived extends Shape {
  readonly movement: Movement;
}

export interface Lexicon {
  /** What the words from one on may be, and how many words each takes, the shortest first. */
  matches(words: readonly string[], from: number): readonly Match[];
  /** Every word that a name may have. */
  readonly vocabulary: ReadonlySet<string>;
  /** The head of a movement and what its own name says of it. */
  shapeOf(movement: Movement): Shape;
  /** Movements of the shelf made from this head. */
  derivedFrom(head: Movement): readonly Derived[];
  /** The movement of the shelf that is made of these parts, in order. */
  compoundOf(key: string): Movement | undefined;
  /** The plain word for a head. */
  headName(head: Movement): string;
}

const newNode = (): Node => ({ next: new Map() });

export const withoutArticles = (words: readonly string[]): string[] => words.filter((w) => !ARTICLES.has(w));

const HELD_WAYS = new Set(['goblet', 'rack', 'suitcase', 'overhead', 'machine', 'band']);

const byId = (a: Modifier, b: Modifier) => (a.id < b.id ? -1 : 1);

/** The modifiers of a shape by which two are the same: each once, in one order, without the empty ones. */
export const sortModifiers = (modifiers: readonly Modifier[]): Modifier[] =>
  [...new Set(modifiers)].filter((m) => m.family !== 'empty').sort(byId);

export const shapeKey = ({ head, modifiers }: Shape): string => [head.id, ...modifiers.map((m) => m.id)].join('|');

/** A weight alone, however it is held: one does for the other in a shape of the shelf. */
export const isWeightImplement = (modifier: Modifier): boolean => {
  if (HELD_WAYS.has(modifier.id)) return false;
  const { weight } =
    modifier.family === 'implement' ? modifier.change({ kit: [], pattern: 'mobility' } as unknown as Movement) : {};
  return weight !== undefined && isWeight(weight);
};

/** Builds the words that a name can be read from: the modifiers, and the names of a library's movements as heads. */
export function buildLexicon(
  movements: readonly Movement[],
  parse: (words: readonly string[], lexicon: Lexicon) => readonly Shape[] | undefined,
): Lexicon {
  const root = newNode();
  const vocabulary = new Set<string>();
  const nodeOf = (words: readonly string[]): Node => {
    let node = root;
    for (const word of words) {
      vocabulary.add(word);
      let next = node.next.get(word);
      if (!next) {
        next = newNode();
        node.next.set(word, next);
      }
      node = next;
    }
    return node;
  };
  for (const word of JOINS) nodeOf([word]).isJoin = true;
  for (const modifier of MODIFIERS) {
    for (const phrase of modifier.words) {
      const words = withoutArticles(nameWords(phrase));
      if (words.length === 0) continue;
      const node = nodeOf(words);
      if (!node.modifiers?.includes(modifier)) (node.modifiers ??= []).push(modifier);
    }
  }
  const names = movements
    .flatMap((m) => [[m.name, m] as const])
    .concat(movements.flatMap((m) => m.otherNames.map((o) => [o, m] as const)));
  for (const [name, movement] of names) {
    const words = withoutArticles(nameWords(name));
    if (words.length > 0) nodeOf(words).head ??= movement;
  }
  const matchesOf = (words: readonly string[], from: number, entryOf: (node: Node, at: number) => Entry): Match[] => {
    let node: Node | undefined = root;
    const found: Match[] = [];
    for (let i = from; i < words.length; i++) {
      node = node.next.get(words[i]!);
      if (!node) break;
      const entry = entryOf(node, i);
      if (entry.head || entry.modifiers || entry.isJoin) found.push({ entry, length: i - from + 1 });
    }
    return found;
  };

  // While movements are taken apart, none of them is known to be made from another.
  const shapes = new Map<string, Shape>();
  const derived = new Map<string, Derived[]>();
  const compounds = new Map<string, Movement>();
  const plain = new Map<string, string>();
  const bare = { head: undefined as Movement | undefined };
  const lexicon: Lexicon = {
    matches: (words, from) => matchesOf(words, from, (node) => node),
    vocabulary,
    shapeOf: (movement) => shapes.get(movement.id) ?? { head: movement, modifiers: [] },
    derivedFrom: (head) => derived.get(head.id) ?? [],
    compoundOf: (key) => compounds.get(key),
    headName: (head) => plain.get(head.id) ?? head.name,
  };
  const inner: Lexicon = {
    ...lexicon,
    // The name being taken apart isn't its own head.
    matches: (words, from) =>
      matchesOf(words, from, ({ head, modifiers, isJoin }, at) => ({
        ...(head && head !== bare.head && !(from === 0 && at === words.length - 1) && { head }),
        ...(modifiers && { modifiers }),
        ...(isJoin && { isJoin }),
      })),
  };
  const own: { movement: Movement; parts: readonly Shape[] }[] = [];
  for (const movement of movements) {
    const mine = [movement.name, ...movement.otherNames];
    bare.head = movement;
    const read = mine.map((name) => {
      const words = withoutArticles(nameWords(name));
      return { name, parts: words.length > 1 ? parse(words, inner) : undefined };
    });
    for (const { parts } of read) if (parts) own.push({ movement, parts });
    const simple = read.filter((r) => r.parts === undefined && !saysModifier(r.name, root)).map((r) => r.name);
    const [shortest] = [...simple].sort((a, b) => a.length - b.length);
    // Its own name, where that is a plain one and not much longer.
    const isPlain = shortest !== undefined && simple.includes(movement.name);
    if (shortest !== undefined)
      plain.set(movement.id, isPlain && movement.name.length <= shortest.length + 3 ? movement.name : shortest);
  }
  // Made from one that is itself made from another: from that one.
  const expand = ({ head, modifiers }: Shape): Shape => {
    const under = shapes.get(head.id);
    return {
      head: under?.head ?? head,
      modifiers: sortModifiers([...(under?.modifiers ?? []), ...modifiers]),
    };
  };
  for (const { movement, parts } of own) {
    if (parts.length > 1) continue;
    const base = expand(parts[0]!);
    if (base.modifiers.length === 0 || base.head === movement) continue;
    // A word that happens to be in a name doesn't make it a kind of another movement.
    const changesPattern = base.modifiers.some((m) => m.id === 'jump' || m.id === 'no-jump');
    if (!changesPattern && areaOf(base.head) !== areaOf(movement)) continue;
    if (!shapes.has(movement.id)) shapes.set(movement.id, base);
    const list = derived.get(base.head.id) ?? [];
    list.push({ ...base, movement });
    derived.set(base.head.id, list);
  }
  for (const { movement, parts } of own) {
    if (parts.length < 2) continue;
    const key = parts.map((part) => shapeKey(expand(part))).join('+');
    if (!compounds.has(key)) compounds.set(key, movement);
  }
  return lexicon;
}

/** A name that has a modifier in it is no plain word for a head. */
function saysModifier(name: string, root: Node): boolean {
  return withoutArticles(nameWords(name)).some((word) => (root.next.get(word)?.modifiers?.length ?? 0) > 0);
}
