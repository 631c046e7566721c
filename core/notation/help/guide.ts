import type { Block } from '../../document/document.ts';
import { SESSION_FIELDS } from '../../document/document.ts';
import { withShape } from '../../forms/clock-shape.ts';
import { COMMON_STARTS, EXTRA_CLAUSES } from '../../forms/clauses.ts';
import type { Shape } from '../../forms/form.ts';
import { SHAPES } from '../../forms/forms.ts';
import { tailOf } from '../apply-edits.ts';
import { FIELD_STARTS, HEADER, MODIFIER_STARTS } from './complete.ts';
import { printHeader } from '../print.ts';
import { tokenizeLine } from '../../text/tokens.ts';

/** Places of a session's text, each with its part of the guide. */
export const GUIDE_TOPICS = ['field', 'block', 'clause', 'item', 'modifier', 'remark'] as const;
export type GuideTopic = (typeof GUIDE_TOPICS)[number];

export interface GuideExample {
  /** As it is written there. */
  readonly write: string;
  readonly means: string;
  /** The form that it begins, for its picture. */
  readonly shape?: Shape;
}

export interface GuideSection {
  readonly topic: GuideTopic;
  readonly title: string;
  readonly says: string;
  readonly examples: readonly GuideExample[];
}

const FIELD_VALUES: Partial<Record<(typeof SESSION_FIELDS)[number], string>> = {
  Title: 'Title: Quiet legs, strong back',
  Note: 'Note: Shoes off, the floor below is asleep.',
};
/** What a form is shown with: two movements. */
const TWO_ITEMS: Block = {
  role: 'Main',
  time: { kind: 'flow' },
  items: ['squat', 'push-up'].map((name) => ({ kind: 'work' as const, choices: [{ name }], inTurn: false })),
};

/** Writing a session on one page: what can stand where, with examples that can be taken. */
export const GUIDE: readonly GuideSection[] = [
  {
    topic: 'field',
    title: 'Above the first block',
    says: 'What the session is called, how long it should take, what to have ready. All of it can be left out. A film may also stand in a block, under its first line.',
    examples: SESSION_FIELDS.map((f) => ({ write: FIELD_VALUES[f] ?? FIELD_STARTS[f][0], means: FIELD_STARTS[f][1] })),
  },
  {
    topic: 'block',
    title: 'A block begins',
    says: 'Warm-up, Skill, Main, Finisher or Cool-down, a name in brackets if you like, a colon, and how its time runs.',
    examples: [
      ...SHAPES.map((shape) => ({ write: printHeader(withShape(TWO_ITEMS, shape)), means: shape.means, shape })),
      { write: 'Main (Ladder): reps 9-7-5-3', means: 'named, so that a later block can be the same' },
    ],
  },
  {
    topic: 'clause',
    title: 'After the form, with commas',
    says: 'Rests, repeats and rules of a block.',
    examples: [...COMMON_STARTS, ...Object.values(EXTRA_CLAUSES).map((e) => e.start)].map(({ insert, detail }) => ({
      write: insert,
      means: detail,
    })),
  },
  {
    topic: 'item',
    title: 'A line of a block',
    says: 'How many, then the movement, as you would say it. Names are read from their words: “DB reverse lunge + curl”. In place of all lines, “next of pump-a, pump-b” takes the next stored routine each week.',
    examples: [
      { write: '10 squat', means: 'ten' },
      { write: '8/side reverse lunge', means: 'eight with each side' },
      { write: '10 alt lunge', means: 'ten in all, sides in turn' },
      { write: '3 to 5 burpee', means: 'as many as they choose' },
      { write: '0:30 plank', means: 'by time' },
      { write: '0:30/side side plank', means: 'by time, each side' },
      { write: 'max push-up', means: 'as many as they can; scored' },
      { write: '200 m run', means: 'by distance' },
      { write: '12 squat or sit-to-stand', means: 'leaves the choice' },
      { write: '3+1 jumping jack', means: 'three, one more each round' },
      { write: '0:30 rest', means: 'a rest of its own' },
      { write: 'left then right: clam, bridge', means: 'the list with the left, then with the right' },
      { write: '10 alt lunge or 5/side split squat @ 8 kg', means: 'two options, each with its own number and load' },
    ],
  },
  {
    topic: 'modifier',
    title: 'After the movement, with commas',
    says: 'How it is done and with what.',
    examples: [
      ...MODIFIER_STARTS.map(([write, means]) => ({ write, means })),
      { write: '"heels down"', means: 'your own words, for participants' },
    ],
  },
  {
    topic: 'remark',
    title: 'Remarks',
    says: 'From # to the end of the line is for you alone.',
    examples: [{ write: '# easier than last week, on purpose', means: 'nobody else sees it' }],
  },
];

/** Which part of the guide a place belongs to: a line (from 1) and an offset in it. */
export function topicAt(text: string, line: number, offset: number): GuideTopic {
  const lines = text.split('\n');
  const own = lines[line - 1] ?? '';
  const before = own.slice(0, offset);
  if (tokenizeLine(before, 1).comment !== undefined) return 'remark';
  const header = HEADER.exec(own);
  if (header) return before.includes(',') && offset > header[0].length ? 'clause' : 'block';
  const blocks = lines.slice(0, line - 1).filter((l) => HEADER.test(l)).length;
  if (blocks === 0) return /^\s*\p{L}+\s*:/u.test(own) || lines.some((l) => l.trim() !== '') ? 'field' : 'block';
  if (own.trim() === '' && isAfterBlank(lines, line)) return 'block';
  const bracket = before.lastIndexOf('[');
  return before.includes(',') && bracket <= before.lastIndexOf(']') ? 'modifier' : 'item';
}

/** A blank line below a blank line or at the very end of a block's lines: a new block is likely. */
const isAfterBlank = (lines: readonly string[], line: number): boolean => (lines[line - 2] ?? '').trim() === '';

/** A text with an example put in, and the line (from 1) that it went to. */
export interface Taken {
  readonly text: string;
  readonly line: number;
}

const isHeader = (line: string): boolean => HEADER.test(line);

/** Puts an example of the guide where it belongs, seen from a line of the text (from 1). What stands there is kept. */
export function takeExample(text: string, line: number, topic: GuideTopic, write: string): Taken {
  const lines = text.replace(/\n+$/, '').split('\n');
  const at = Math.min(line, lines.length) - 1;
  const header = lines.findLastIndex((l, i) => i <= at && isHeader(l));
  const firstHeader = lines.findIndex(isHeader);
  const put = (index: number, own: readonly string[], replaces = 0): Taken => {
    const next = lines.toSpliced(index, replaces, ...own);
    return { text: `${next.join('\n').replace(/\n+$/, '')}\n`, line: index + own.length };
  };
  switch (topic) {
    case 'field': {
      const name = write.slice(0, write.indexOf(':') + 1).toLowerCase();
      const known = lines.findIndex((l, i) => (firstHeader < 0 || i < firstHeader) && l.toLowerCase().startsWith(name));
      if (known >= 0) return put(known, [write], 1);
      const above = lines.slice(0, firstHeader < 0 ? lines.length : firstHeader);
      return put(above.findLastIndex((l) => l.trim() !== '') + 1, firstHeader === 0 ? [write, ''] : [write]);
    }
    case 'block': {
      const next = lines.findIndex((l, i) => i > at && isHeader(l));
      const end = lastWritten(lines, next < 0 ? lines.length : next);
      const own = write.split('\n');
      return put(end, [...(end === 0 ? [] : ['']), ...own, ...(next < 0 ? [] : [''])], next < 0 ? 0 : next - end);
    }
    case 'clause': {
      const index = header < 0 ? firstHeader : header;
      if (index < 0) return put(lastWritten(lines, lines.length), [`Main: ${write}`]);
      return put(index, [joined(lines[index]!, /:\s*$/.test(bare(lines[index]!)) ? ` ${write}` : `, ${write}`)], 1);
    }
    case 'item': {
      if (header < 0)
        return put(
          firstHeader + 1,
          firstHeader < 0 ? [...lines.filter((l) => l.trim() !== ''), 'Main: flow', write] : [write],
          firstHeader < 0 ? lines.length : 0,
        );
      return lines[at]!.trim() === '' ? put(at, [write], 1) : put(at + 1, [write]);
    }
    case 'modifier': {
      const isItem = (l: string | undefined) => l !== undefined && bare(l).trim() !== '' && !isHeader(l);
      const index =
        header >= 0 && at > header && isItem(lines[at])
          ? at
          : lines.findIndex((l, i) => i > Math.max(header, firstHeader) && isItem(l));
      return index < 0 ? { text, line } : put(index, [joined(lines[index]!, `, ${write}`)], 1);
    }
    case 'remark':
      return put(at, [lines[at]!.includes('#') ? lines[at]! : `${lines[at]!.trimEnd()} ${write}`.trimStart()], 1);
  }
}

/** One past the last line above `end` that isn't blank. */
const lastWritten = (lines: readonly string[], end: number): number =>
  lines.slice(0, end).findLastIndex((l) => l.trim() !== '') + 1;

/** A line without its remark. */
const bare = (line: string): string => line.slice(0, line.length - tailOf(line).length);
const joined = (line: string, more: string): string => `${bare(line).trimEnd()}${more}${tailOf(line)}`;
