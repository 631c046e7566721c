import type { MovementLibrary } from '../../movement/library.ts';
import { completeName } from '../../movement/name/complete-name.ts';
import { usualDose } from '../../movement/usual-dose.ts';
import { ROLES, SESSION_FIELDS } from '../../document/document.ts';
import { CLAUSE_STARTS } from '../../forms/clauses.ts';
import { printDose } from '../print.ts';
import { tokenizeLine } from '../../text/tokens.ts';

export interface Completion {
  /** What is shown and matched. */
  readonly label: string;
  /** What is written in place of the word being typed. */
  readonly insert: string;
  /** A few words on what it means. */
  readonly detail: string;
  readonly kind: 'role' | 'field' | 'clause' | 'movement' | 'modifier' | 'reference';
}

export interface CompletionList {
  /** Offset into the line from which the choice replaces. */
  readonly from: number;
  readonly options: readonly Completion[];
  /** True where more would fit than is offered: with the next letter, ask again. */
  readonly isCut?: boolean;
}

/** What may follow a movement, after a comma. */
export const MODIFIER_STARTS: readonly (readonly [insert: string, detail: string])[] = [
  ['tempo 4-1-2', 'down, pause, up, in seconds'],
  ['pause 3s', 'in every repetition'],
  ['then hold 0:10', 'after the repetitions'],
  ['then hold by count', 'as many seconds as reps'],
  ['@ 8 kg', 'load'],
  ['@ 2x8 kg', 'two of them'],
  ['@ effort 7', 'of 10'],
  ['@ 8/10/12 kg', 'another load each round'],
  ['half each side', 'shared out, the first side takes the odd one'],
  ['may be split', 'in smaller parts'],
  ['brisk', 'quicker than usual'],
  ['steady', 'the usual pace'],
  ['slow', 'slower than usual'],
  ['easier wall push-up', 'your own easier version'],
  ['harder ring push-up', 'your own harder version'],
  ['a surprise', 'not shown before its turn'],
  ['at least 10', 'so many, in an interval'],
  ['cue "chest up"', 'said at its turn'],
  ['watch "knees in"', 'the fault to look out for, said at its first turn'],
  ['@ green band', 'a step of a scale of your own'],
];
/** What may stand above the first block. */
export const FIELD_STARTS: Record<(typeof SESSION_FIELDS)[number], [insert: string, detail: string]> = {
  Title: ['Title: ', 'what it is called'],
  Target: ['Target: 30 min', 'the target length'],
  Group: ['Group: 12 people', 'for stations, teams, partners'],
  Kit: ['Kit: chair, bottle', 'what you announce'],
  Effort: ['Effort: 6', 'planned, 0 to 10'],
  Retest: ['Retest: spring-baseline', 'sessions to be compared'],
  Note: ['Note: ', 'one line for participants'],
  Film: ['Film: https://example.org/film', 'a film of your own, as a link'],
};

/** What may stand around the text being completed. */
export interface CompletionScope {
  readonly library: MovementLibrary;
  /** Labels of the blocks above. */
  readonly labels: readonly string[];
  readonly routines: readonly string[];
  /** True once a block stands above this line. */
  readonly inBlock: boolean;
}

/** Most names that are offered because they can be read from their words. */
const MOST_READ_NAMES = 12;

/** A line that begins a block. */
export const HEADER = new RegExp(`^\\s*(?:${ROLES.join('|')}|Warmup|Cooldown)\\s*(?:\\([^)]*\\))?\\s*:`, 'i');

/** What could stand at an offset of a line. Undefined where nothing is to be offered (in a comment or quotation). */
export function completeLine(line: string, offset: number, scope: CompletionScope): CompletionList | undefined {
  const before = line.slice(0, offset);
  const { comment, issues } = tokenizeLine(before, 1);
  if (comment !== undefined || issues.some((i) => i.code === 'unclosed-quote')) return undefined;
  const header = HEADER.exec(before);
  if (header) return completeClause(before, header[0].length, scope);
  if (/^\s*\p{L}+\s*:/u.test(before)) return undefined;
  const comma = before.lastIndexOf(',');
  const bracket = before.lastIndexOf('[');
  if (comma >= 0 && bracket <= before.lastIndexOf(']') && scope.inBlock) {
    return {
      from: skipBlanks(before, comma + 1),
      options: MODIFIER_STARTS.map(([insert, detail]) => ({ label: insert, insert, detail, kind: 'modifier' })),
    };
  }
  const lineStart = skipBlanks(before, 0);
  const starts: Completion[] = [
    ...ROLES.map((role): Completion => ({
      label: `${role}:`,
      insert: `${role}: `,
      detail: 'a new block',
      kind: 'role',
    })),
    ...SESSION_FIELDS.filter((f) => !scope.inBlock || f === 'Film').map((f): Completion => ({
      label: `${f}:`,
      insert: FIELD_STARTS[f][0],
      detail: FIELD_STARTS[f][1],
      kind: 'field',
    })),
  ];
  if (!scope.inBlock) return { from: lineStart, options: starts };
  const from = movementStart(
    before,
    Math.max(lineStart, bracket < 0 ? 0 : skipBlanks(before, Math.max(bracket, comma) + 1)),
  );
  const hasDose = from > lineStart;
  const movements = scope.library.movements.map((m): Completion => {
    const dose = printDose(usualDose(m));
    return {
      label: m.name,
      insert: hasDose ? m.name : `${dose} ${m.name}`,
      detail: hasDose ? [m.pattern, ...m.kit].join(', ') : dose,
      kind: 'movement',
    };
  });
  const names = completeName(before.slice(from), scope.library, MOST_READ_NAMES + 1);
  const isCut = names.length > MOST_READ_NAMES;
  const read = names.slice(0, MOST_READ_NAMES).map((name): Completion => {
    const dose = printDose(usualDose(scope.library.findByName(name)!));
    return { label: name, insert: hasDose ? name : `${dose} ${name}`, detail: 'read from its words', kind: 'movement' };
  });
  return { from, options: hasDose ? [...read, ...movements] : [...read, ...movements, ...starts], isCut };
}

const skipBlanks = (text: string, from: number): number => {
  let at = from;
  while (at < text.length && /\s/.test(text[at]!)) at++;
  return at;
};

/** After a dose, a side, or an "or", the movement begins. */
function movementStart(before: string, from: number): number {
  const { tokens } = tokenizeLine(before, 1);
  let start = from;
  for (const [i, t] of tokens.entries()) {
    if (t.start < from) continue;
    const next = tokens[i + 1];
    const gap = next ? next.start > t.end : t.end < before.length;
    const isDose =
      t.kind === 'number' ||
      t.kind === 'clock' ||
      (t.kind === 'mark' && ['/', '-', '+', '..'].includes(t.text)) ||
      (t.kind === 'word' &&
        ['s', 'sec', 'min', 'm', 'cal', 'max', 'alt', 'pairs', 'each', 'side', 'to', 'left', 'right', 'or'].includes(
          t.text,
        ));
    if (!isDose && t.text !== 'or') continue;
    if (gap || t.text === 'or') start = skipBlanks(before, t.end);
  }
  return start;
}

function completeClause(before: string, afterColon: number, scope: CompletionScope): CompletionList {
  const comma = before.lastIndexOf(',');
  const from = skipBlanks(before, Math.max(afterColon, comma + 1));
  const references: Completion[] = [
    ...scope.labels.map((l): Completion => ({
      label: `same as ${l}`,
      insert: `same as "${l}"`,
      detail: 'again, to match or beat it',
      kind: 'reference',
    })),
    ...scope.routines.map((r): Completion => ({
      label: `routine ${r}`,
      insert: `routine "${r}"`,
      detail: 'a stored routine',
      kind: 'reference',
    })),
  ];
  return {
    from,
    options: [...CLAUSE_STARTS.map((start): Completion => ({ ...start, kind: 'clause' })), ...references],
  };
}
