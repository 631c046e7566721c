import type { SessionEdit } from '../../notation/session-edit.ts';
import { resolveMovement } from '../../forms/dose-parts.ts';
import { isWork } from '../../words/describe-item.ts';
import type { Block, Dose, WorkItem } from '../../document/document.ts';
import type { ChangeFacts, Finding, FindingChange, FindingScope } from './finding.ts';
import { lineOfItem } from './finding.ts';
import { nearestMovements } from '../../movement/nearest-movements.ts';
import { readLoosely } from '../../movement/name/read-loosely.ts';
import { printDose } from '../../notation/print.ts';

/** Items that stand in the text themselves, block by block. */
function* writtenItems({ document }: FindingScope): Generator<{ block: Block; b: number; item: WorkItem; i: number }> {
  for (const [b, block] of document.blocks.entries()) {
    for (const [i, item] of block.items.entries()) if (isWork(item)) yield { block, b, item, i };
  }
}

/** New names that get offers of what was meant. */
const MOST_OFFERED = 40;

/** Movements that the library doesn't know, each once: with what of the name can be read, then the nearest of the same kind. */
/** Lines in natural words, each with the edit that writes it in the usual spelling. */
export function findNaturalWords({ document, source }: FindingScope): Finding[] {
  return source.natural.map(({ line, usual }): Finding => {
    const edits = source.blocks.flatMap((own, block): SessionEdit[] => {
      if (own.line === line) return [{ kind: 'set-header', block, next: document.blocks[block]! }];
      const item = own.items.findIndex((i) => i.line === line);
      return item < 0 ? [] : [{ kind: 'set-item', block, item, next: document.blocks[block]!.items[item]! }];
    });
    return {
      code: 'natural-words',
      severity: 'info',
      line,
      usual,
      changes: edits.length > 0 ? [{ does: { kind: 'spell-as-usual' }, edits: edits.slice(0, 1) }] : [],
    };
  });
}

export function findNewMovements(scope: FindingScope): Finding[] {
  const { library } = scope;
  const seen = new Set<string>();
  const findings: Finding[] = [];
  for (const { b, item, i } of writtenItems(scope)) {
    for (const [c, choice] of item.choices.entries()) {
      const key = choice.name.toLowerCase();
      if (library.findByName(choice.name) || seen.has(key)) continue;
      seen.add(key);
      // A text of nothing but new names is none that a coach would mend one by one.
      const isOffered = findings.length < MOST_OFFERED;
      const loose = isOffered ? readLoosely(choice.name, library) : undefined;
      const near = !isOffered
        ? []
        : [...new Set([...(loose ? [loose.name] : []), ...nearestMovements(choice.name, library)])].slice(0, 3);
      findings.push({
        code: 'new-movement',
        // Nobody who should spare it is told to yet.
        severity: 'caution',
        line: lineOfItem(scope, b, i),
        name: choice.name,
        changes: near.map((name) => ({
          does: { kind: 'rename', name },
          edits: [
            {
              kind: 'set-item',
              block: b,
              item: i,
              next: { ...item, choices: item.choices.map((x, at) => (at === c ? { ...x, name } : x)) },
            },
          ],
        })),
      });
    }
  }
  return findings;
}

const withSides = (dose: Dose | undefined, sides: 'each' | 'alternate'): Dose | undefined => {
  switch (dose?.kind) {
    case undefined:
      return { kind: 'given', sides };
    case 'reps':
    case 'max':
    case 'distance':
      return { ...dose, sides };
    case 'time':
      return sides === 'each' ? { ...dose, sides } : undefined;
    default:
      return undefined;
  }
};

/** One-sided movements whose line doesn't say how the sides are counted, and a left without its right. */
export function findOneSided(scope: FindingScope): Finding[] {
  const findings: Finding[] = [];
  for (const { block, b, item, i } of writtenItems(scope)) {
    const { movement, name } = resolveMovement(item, 0, scope.library);
    if (!movement?.isOneSided || item.halfEachSide) continue;
    if (item.side) {
      const other = item.side === 'left' ? 'right' : 'left';
      const answered = block.items.some(
        (x) => isWork(x) && x.side === other && resolveMovement(x, 0, scope.library).id === movement.id,
      );
      if (answered) continue;
      const { comments: _comments, ...bare } = item;
      findings.push({
        code: 'one-sided',
        severity: 'caution',
        line: lineOfItem(scope, b, i),
        movement: name,
        side: item.side,
        changes: [
          {
            does: { kind: 'add-side', side: other },
            edits: [{ kind: 'insert-item', block: b, at: i + 1, next: { ...bare, side: other } }],
          },
        ],
      });
      continue;
    }
    if (item.dose && 'sides' in item.dose && item.dose.sides) continue;
    if (item.dose?.kind === 'energy') continue;
    const change = (does: ChangeFacts, next: WorkItem): FindingChange => ({
      does,
      edits: [{ kind: 'set-item', block: b, item: i, next }],
    });
    const each = withSides(item.dose, 'each');
    const alternate = withSides(item.dose, 'alternate');
    findings.push({
      code: 'one-sided',
      severity: 'caution',
      line: lineOfItem(scope, b, i),
      movement: name,
      side: null,
      changes: [
        ...(each ? [change({ kind: 'dose', dose: printDose(each) }, { ...item, dose: each })] : []),
        ...(alternate ? [change({ kind: 'dose', dose: printDose(alternate) }, { ...item, dose: alternate })] : []),
        ...(item.dose?.kind === 'time' || item.dose?.kind === 'reps'
          ? [change({ kind: 'half-each-side' }, { ...item, halfEachSide: true })]
          : []),
      ],
    });
  }
  return findings;
}
