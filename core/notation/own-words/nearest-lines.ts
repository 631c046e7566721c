import { ROLES } from '../../document/document.ts';
import { CLAUSE_STARTS } from '../../forms/clauses.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { nearestMovements } from '../../movement/nearest-movements.ts';
import { editDistance, nearestWords } from '../../words/nearest.ts';
import { parseStrictly } from '../parse.ts';
import { printDose, printHeader, printItem } from '../print.ts';
import { openBlock, toBlock } from './build-blocks.ts';
import { MODIFIER_STARTS } from '../help/complete.ts';
import { usualSpelling } from './usual-spelling.ts';
import { takeHeader } from './phrases/header-phrases.ts';
import { takeItem } from './phrases/item-phrases.ts';
import { Strip } from './phrases/strip.ts';

/** Lines that are offered in place of one that can't be read. */
const MOST_LINES = 2;
/** Of longer lines nothing is offered. */
const MOST_LETTERS = 200;
const ROLE = new RegExp(`^\\s*(${ROLES.join('|')})\\b\\s*(?:\\(([^)]*)\\))?\\s*:`, 'i');

/**
 * Up to two whole lines that come nearest to one that can't be read: first what was understood of it alone, then with the nearest
 * word for what wasn't. Each can be read as it stands, and none is the line that was typed.
 */
export function nearestLines(line: string, library: MovementLibrary): readonly string[] {
  if (line.trim() === '' || line.length > MOST_LETTERS) return [];
  const host = ROLE.test(line) ? (text: string) => `${text}\nsquat` : (text: string) => `Main: flow\n${text}`;
  const isReadable = (text: string) => parseStrictly(host(text), library).issues.length === 0;
  const respelt = respell(line).trim();
  const near = [
    usualSpelling(respelt, library) ?? respelt,
    ...(ROLE.test(line) ? headerLines(line) : itemLines(line, library)),
  ];
  return [...new Set(near)]
    .filter((text) => text !== '' && text !== line.trim() && isReadable(text))
    .slice(0, MOST_LINES);
}

/** The words that clauses and modifiers are made of. */
const KEYWORDS: readonly string[] = [
  ...new Set(
    [...CLAUSE_STARTS.map((s) => s.insert), ...MODIFIER_STARTS.map(([insert]) => insert)].flatMap((insert) =>
      insert
        .replace(/"[^"]*"/g, '')
        .toLowerCase()
        .split(/[^\p{L}]+/u)
        .filter((word) => word.length >= 3),
    ),
  ),
];

/** The line with each word that is one letter off a keyword spelt as that. */
const respell = (line: string): string =>
  line.replace(/\p{L}{3,}/gu, (word, at: number) =>
    at === 0 || KEYWORDS.includes(word.toLowerCase())
      ? word
      : (KEYWORDS.find((keyword) => editDistance(word.toLowerCase(), keyword, 1) <= 1) ?? word),
  );

/** A header by what was understood of its clauses, then with the clause that its other words come nearest to. */
function headerLines(line: string): string[] {
  const [whole, roleWord, label] = ROLE.exec(line)!;
  const role = ROLES.find((r) => r.toLowerCase() === roleWord!.toLowerCase())!;
  const strip = new Strip(line, whole.length, line.length);
  const facts = takeHeader(strip);
  const open = { ...openBlock(role, { ...facts }), ...(label && { label }) };
  open.items.push({ kind: 'work', choices: [{ name: 'squat' }], inTurn: false });
  open.sets.push(undefined);
  const known = facts.lacksLength ? `${role}:` : printHeader(toBlock(open));
  const isUnderstood = strip.taken.length > 0 && !facts.lacksLength;
  const words = strip.left().flatMap(({ text }) =>
    text
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((w) => w.length > 2),
  );
  const starts = new Map(CLAUSE_STARTS.map((s) => [s.label.split(' ')[0]!.toLowerCase(), s.insert]));
  const clauses = words.flatMap((word) => nearestWords(word, [...starts.keys()], 1).map((near) => starts.get(near)!));
  return [
    ...(isUnderstood ? [known] : []),
    ...clauses.map((clause) =>
      isUnderstood ? `${known}, ${clause}` : `${role}${label ? ` (${label})` : ''}: ${clause}`,
    ),
  ];
}

/** An item by what was understood of it, its other words set in quotes, then with the nearest movements. */
function itemLines(line: string, library: MovementLibrary): string[] {
  const strip = new Strip(line, 0, line.length);
  const read = takeItem(strip, library);
  const names =
    read && !read.isKnown ? [read.item.choices[0]!.name] : read ? [] : [line.replace(/[^\p{L}\s-]/gu, ' ').trim()];
  const dose = read?.item.dose ? `${printDose(read.item.dose)} ` : '';
  const near = names.flatMap((name) => nearestMovements(name, library, MOST_LINES)).map((name) => `${dose}${name}`);
  return [...(read?.isKnown ? [printItem(read.item, library)] : []), ...near];
}
