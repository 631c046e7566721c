import type { Block, Role } from '../../document/document.ts';
import { ROLES } from '../../document/document.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { parseStrictly } from '../parse.ts';
import { printHeader, printItem } from '../print.ts';
import { openBlock, toBlock } from './build-blocks.ts';
import type { HeaderFacts } from './phrases/header-facts.ts';
import { takeHeader } from './phrases/header-phrases.ts';
import { takeItem } from './phrases/item-phrases.ts';
import { Strip } from './phrases/strip.ts';

const ROLE = new RegExp(`^\\s*(${ROLES.join('|')})\\b\\s*(?:\\(([^)]*)\\))?\\s*:?`, 'i');
const HEADER_WORDS = 400;

/**
 * A line of a session in the usual spelling, where its words have one reading as a header or an item and say nothing else; undefined
 * where they don't, or where it is spelt so already. `Main: 30 sec on, 15 off, four rounds` is `Main: work 0:30 rest 0:15, 4 rounds`.
 */
export function usualSpelling(line: string, library: MovementLibrary): string | undefined {
  if (line.length > HEADER_WORDS) return undefined;
  const usual = usualHeader(line, library) ?? plainItem(line, library);
  return usual === undefined || usual === line.trim() ? undefined : usual;
}

/** Whether a block has a place for all that its words say: what contradicts itself loses one of the two. */
function saysAll({ time, rounds, count, between, thenRestSec }: Block, facts: HeaderFacts): boolean {
  const caps = { own: 'capSec', slots: 'workCapSec', accumulate: 'capSec' } as const;
  const capKey = caps[time.kind as keyof typeof caps] as string | undefined;
  const total = facts.time?.kind === 'intervals' ? facts.time.total : undefined;
  return (
    (!facts.rounds ||
      rounds !== undefined ||
      (time.kind === 'intervals' && total === undefined) ||
      time.kind === 'slots') &&
    (total === undefined || (time.kind === 'intervals' && time.total === total)) &&
    (facts.times === undefined ||
      rounds?.high === facts.times ||
      (time.kind === 'intervals' && time.total === facts.times)) &&
    (facts.capSec === undefined || (capKey !== undefined && capKey in time)) &&
    (!facts.forTime || facts.capSec !== undefined || (time.kind === 'own' && time.forTime)) &&
    (!facts.list || count !== undefined) &&
    (!facts.between || between !== undefined || time.kind === 'windows') &&
    (facts.thenRestSec === undefined || thenRestSec !== undefined)
  );
}

export function usualHeader(line: string, library: MovementLibrary): string | undefined {
  const role = ROLE.exec(line);
  const strip = new Strip(line, role?.[0].length ?? 0, line.length);
  const facts = takeHeader(strip);
  if (strip.lettersLeft > 0 || strip.taken.length === 0 || facts.lacksLength) return undefined;
  const name = ROLES.find((r) => r.toLowerCase() === role?.[1]!.toLowerCase()) ?? facts.role ?? ('Main' satisfies Role);
  const open = { ...openBlock(name, { ...facts }), ...(role?.[2] && { label: role[2] }) };
  open.items.push({ kind: 'work', choices: [{ name: 'squat' }], inTurn: false });
  open.sets.push(undefined);
  const block = toBlock(open);
  if (!saysAll(block, facts)) return undefined;
  return reads(`${printHeader(block)}\nsquat`, library)?.split('\n')[0];
}

/** A line that names one movement, with what is said of it; free words only where a comma or bracket sets them apart. */
export function plainItem(line: string, library: MovementLibrary): string | undefined {
  const strip = new Strip(line, 0, line.length);
  const read = takeItem(strip, library);
  if (!read || !read.isKnown || read.doubts.length > 0 || read.sets !== undefined) return undefined;
  const said = strip.taken.filter((t) => t.as === 'note' || t.as === 'unread');
  const areApart = said.every((t) => t.as === 'note' && /[,;(]\s*(?:["“]|but |with )?$/.test(line.slice(0, t.start)));
  if (read.hasWords && !areApart) return undefined;
  return reads(`Main: flow\n${printItem(read.item, library)}`, library)?.split('\n')[1];
}

const reads = (text: string, library: MovementLibrary): string | undefined =>
  parseStrictly(text, library).issues.length === 0 ? text : undefined;
