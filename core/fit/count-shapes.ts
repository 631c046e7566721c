import type { Block, SessionDocument } from '../document/document.ts';
import { isWork, itemName } from '../words/describe-item.ts';
import type { FitPerson, Level } from '../movement/fit-movement.ts';
import { ANYONE } from '../movement/fit-movement.ts';
import { isReshaped } from './fit-change.ts';
import { fitSession } from './fit-session.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { PATTERNS } from '../movement/movement.ts';

/** How many people do one written line in which shape. */
export interface ShapeCount {
  readonly block: number;
  readonly item: number;
  readonly written: string;
  readonly asWritten: number;
  /** Other shapes, most people first. */
  readonly others: readonly { readonly name: string; readonly people: number }[];
}

/** For every line that someone does otherwise: who many do what. A line that all do as written is left out; nobody: empty. */
export function countShapes(
  document: SessionDocument,
  blocks: readonly Block[],
  people: readonly FitPerson[],
  library: MovementLibrary,
): ShapeCount[] {
  const counts = new Map<string, Map<string, number>>();
  // Many people are alike: each kind is fitted once.
  const kinds = new Map<string, { person: FitPerson; people: number }>();
  for (const person of people) {
    const key = JSON.stringify([person.kit, person.levels, person.spares, person.swaps]);
    const kind = kinds.get(key);
    if (kind) kind.people++;
    else kinds.set(key, { person, people: 1 });
  }
  for (const { person, people: number } of kinds.values()) {
    for (const change of fitSession(document, blocks, person, library).changes.filter(isReshaped)) {
      const key = `${change.block}/${change.item}`;
      const own = counts.get(key) ?? new Map<string, number>();
      own.set(change.to, (own.get(change.to) ?? 0) + number);
      counts.set(key, own);
    }
  }
  return blocks.flatMap((block, b) =>
    block.items.flatMap((item, i): ShapeCount[] => {
      const own = counts.get(`${b}/${i}`);
      if (!own || !isWork(item)) return [];
      const others = [...own]
        .map(([name, number]) => ({ name, people: number }))
        .sort((x, y) => y.people - x.people || (x.name < y.name ? -1 : 1));
      return [
        {
          block: b,
          item: i,
          written: itemName(item),
          asWritten: people.length - others.reduce((sum, o) => sum + o.people, 0),
          others,
        },
      ];
    }),
  );
}

const upTo = (level: Level): FitPerson => ({ ...ANYONE, levels: Object.fromEntries(PATTERNS.map((p) => [p, level])) });

/** Three kinds of participant to look through, by the hardest effort class they do. */
export const SEEN_AS: Readonly<Record<'gentle' | 'standard' | 'strong', FitPerson>> = {
  gentle: upTo(2),
  standard: upTo(4),
  strong: upTo(5),
};
