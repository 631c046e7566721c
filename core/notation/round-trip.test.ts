import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { computePlan } from '../session/plan.ts';
import { arbitraryBlock, arbitraryDocument, arbitraryWorkItem } from './arbitrary-document.ts';
import { applyEdits } from './apply-edits.ts';
import { MAX_TEXT_BYTES } from './parse.ts';
import { parseSession } from './read-session.ts';
import { printSession } from './print.ts';
import { runs } from '../../tests/long.ts';

const read = (text: string) => parseSession(text, baseLibrary);

describe('text and document are two forms of one thing', () => {
  test('parse(print(document)) = document', () => {
    fc.assert(
      fc.property(arbitraryDocument, (document) => {
        const { document: again, issues } = read(printSession(document, baseLibrary));
        expect(issues).toEqual([]);
        expect(again).toEqual(document);
      }),
      { numRuns: runs(2500) },
    );
  });

  test('print(parse(print(document))) = print(document)', () => {
    fc.assert(
      fc.property(arbitraryDocument, (document) => {
        const text = printSession(document, baseLibrary);
        expect(printSession(read(text).document, baseLibrary)).toBe(text);
      }),
      { numRuns: runs(500) },
    );
  });

  test('any text is read without a crash, and what was read prints and reads back', () => {
    const line = fc.oneof(
      fc.string({ maxLength: 60 }),
      fc.string({ unit: 'grapheme', maxLength: 40 }),
      fc
        .array(
          fc.constantFrom(
            'Main',
            'Warm-up',
            ':',
            '(',
            ')',
            'every',
            '1:00',
            'for',
            'x',
            '8',
            'reps',
            '21-15-9',
            '..',
            'rest',
            'between',
            'rounds',
            '/side',
            'alt',
            '@',
            'kg',
            '[',
            ']',
            ',',
            '"',
            '#',
            'or',
            'to',
            '+',
            'tempo',
            'squat',
            'same as',
            '0',
            '99999',
          ),
          { maxLength: 12 },
        )
        .map((w) => w.join(' ')),
    );
    fc.assert(
      fc.property(
        fc.array(line, { maxLength: 25 }).map((l) => l.join('\n')),
        (text) => {
          const { document, issues, source } = read(text);
          const lines = text.split(/\r\n|\n|\r/).length;
          for (const issue of issues) {
            expect(issue.line).toBeGreaterThan(0);
            expect(issue.line).toBeLessThanOrEqual(lines);
            expect(issue.column).toBeGreaterThan(0);
            expect(issue.endColumn).toBeGreaterThanOrEqual(issue.column);
          }
          expect(source.blocks).toHaveLength(document.blocks.length);
          expect(() => computePlan(document, baseLibrary)).not.toThrow();
          if (issues.length === 0) expect(read(printSession(document, baseLibrary)).document).toEqual(document);
        },
      ),
      { numRuns: runs(1500) },
    );
  });
});

describe('a plan adds up, whatever is written', () => {
  test('the timeline has no gaps, its parts add up to the blocks, the blocks to the session', () => {
    fc.assert(
      fc.property(arbitraryDocument, (document) => {
        const plan = computePlan(document, baseLibrary);
        let atSec = 0;
        for (const s of plan.timeline) {
          expect(s.startSec).toBe(atSec);
          expect(s.endSec).toBeGreaterThan(s.startSec);
          atSec = s.endSec;
        }
        expect(atSec).toBe(plan.clockSec.likely);
        expect(plan.workSec + plan.restSec).toBe(plan.clockSec.likely);
        expect(plan.blocks.reduce((sum, b) => sum + b.clockSec.likely + b.thenRestSec, 0)).toBe(plan.clockSec.likely);
        for (const b of plan.blocks) {
          expect(b.workSec + b.restSec).toBe(b.clockSec.likely);
          expect(b.clockSec.low).toBeLessThanOrEqual(b.clockSec.likely);
          expect(b.clockSec.likely).toBeLessThanOrEqual(b.clockSec.high);
          expect(b.estimated).toBe(b.clockSec.low !== b.clockSec.high);
        }
        for (const [id, reps] of Object.entries(plan.reps))
          expect(plan.blocks.reduce((sum, b) => sum + (b.reps[id] ?? 0), 0)).toBe(reps);
      }),
      { numRuns: runs(800) },
    );
  });
});

describe('an edit changes what it says and nothing else', () => {
  const withPlace = arbitraryDocument.filter((d) => d.blocks.some((b) => b.items.length > 0));
  const bare = <T extends { comments?: unknown }>(x: T): T => {
    const { comments: _comments, ...rest } = x;
    return rest as T;
  };
  const place = (document: { blocks: readonly { items: readonly unknown[] }[] }, at: number) => {
    const places = document.blocks.flatMap((b, block) => b.items.map((_, item) => ({ block, item })));
    return places[at % places.length]!;
  };

  test('set-item', () => {
    fc.assert(
      fc.property(withPlace, fc.nat(), arbitraryWorkItem, (document, at, next) => {
        const { block, item } = place(document, at);
        const text = applyEdits(
          printSession(document, baseLibrary),
          [{ kind: 'set-item', block, item, next }],
          baseLibrary,
        );
        const before = document.blocks[block]!.items[item]!;
        const wanted = document.blocks.map((b, i) =>
          i === block
            ? {
                ...b,
                items: b.items.map((x, j) =>
                  j === item ? { ...bare(next), ...(before.comments && { comments: before.comments }) } : x,
                ),
              }
            : b,
        );
        expect(read(text).document.blocks).toEqual(wanted);
      }),
      { numRuns: runs(400) },
    );
  });

  test('insert-item, then remove-item, is the text before', () => {
    fc.assert(
      fc.property(withPlace, fc.nat(), arbitraryWorkItem, (document, at, next) => {
        const { block, item } = place(document, at);
        const text = printSession(document, baseLibrary);
        const more = applyEdits(text, [{ kind: 'insert-item', block, at: item + 1, next: bare(next) }], baseLibrary);
        expect(read(more).document.blocks[block]!.items[item + 1]).toEqual(bare(next));
        expect(read(more).document.blocks[block]!.items).toHaveLength(document.blocks[block]!.items.length + 1);
        const less = applyEdits(more, [{ kind: 'remove-item', block, item: item + 1 }], baseLibrary);
        // What is put into a list of one side sets it apart: then it says the same in several lines.
        if (/^(?:left|right) then/m.test(text)) expect(read(less).document).toEqual(read(text).document);
        else expect(less).toBe(text);
      }),
      { numRuns: runs(400) },
    );
  });

  test('move-item takes its comments along and leaves the others in order', () => {
    fc.assert(
      fc.property(withPlace, fc.nat(), fc.nat(), (document, at, to) => {
        const { block, item } = place(document, at);
        const items = document.blocks[block]!.items;
        const target = to % (items.length + 1);
        const text = applyEdits(
          printSession(document, baseLibrary),
          [{ kind: 'move-item', block, item, toBlock: block, at: target }],
          baseLibrary,
        );
        const rest = items.filter((_, j) => j !== item);
        rest.splice(target > item ? target - 1 : target, 0, items[item]!);
        expect(read(text).document.blocks[block]!.items).toEqual(rest);
      }),
      { numRuns: runs(400) },
    );
  });

  test('move-block, insert-block and remove-block', () => {
    fc.assert(
      fc.property(withPlace, fc.nat(), fc.nat(), arbitraryBlock, (document, from, to, fresh) => {
        const { blocks } = document;
        const text = printSession(document, baseLibrary);
        const block = from % blocks.length;
        const at = to % (blocks.length + 1);
        const moved = blocks.filter((_, i) => i !== block);
        moved.splice(at > block ? at - 1 : at, 0, blocks[block]!);
        expect(read(applyEdits(text, [{ kind: 'move-block', block, at }], baseLibrary)).document.blocks).toEqual(moved);
        const next = bare({ ...fresh, label: 'brand new', items: fresh.items.map(bare) });
        const more = applyEdits(text, [{ kind: 'insert-block', at, next }], baseLibrary);
        expect(read(more).document.blocks).toEqual(blocks.toSpliced(at, 0, next));
        expect(read(applyEdits(more, [{ kind: 'remove-block', block: at }], baseLibrary)).document.blocks).toEqual(
          blocks,
        );
      }),
      { numRuns: runs(400) },
    );
  });

  test('set-field writes, replaces and takes out', () => {
    fc.assert(
      fc.property(arbitraryDocument, fc.integer({ min: 1, max: 90 }), (document, minutes) => {
        const text = applyEdits(
          printSession(document, baseLibrary),
          [{ kind: 'set-field', field: 'Target', value: `${minutes} min` }],
          baseLibrary,
        );
        expect(read(text)).toMatchObject({ issues: [], document: { targetSec: minutes * 60 } });
        const gone = read(applyEdits(text, [{ kind: 'set-field', field: 'Target', value: null }], baseLibrary));
        expect(gone.document.targetSec).toBeUndefined();
        expect(gone.document.blocks).toEqual(document.blocks);
      }),
      { numRuns: runs(300) },
    );
  });

  test('lines that can’t be read stay as they are', () => {
    const text = '# mine\nMain: 3 rounds\n10 squat # deep\n??? what\n8 march\n\nFinisher: flow\n5 burpee\n';
    expect(
      applyEdits(
        text,
        [
          { kind: 'move-item', block: 0, item: 0, toBlock: 1, at: 1 },
          {
            kind: 'set-item',
            block: 1,
            item: 1,
            next: {
              kind: 'work',
              dose: { kind: 'reps', amount: { kind: 'fixed', value: 12 } },
              choices: [{ name: 'squat' }],
              inTurn: false,
            },
          },
        ],
        baseLibrary,
      ),
    ).toBe('# mine\nMain: 3 rounds\n??? what\n8 march\n\nFinisher: flow\n5 burpee\n12 squat # deep\n');
  });

  test('a place that isn’t there is refused', () => {
    expect(() => applyEdits('Main: flow\n5 squat', [{ kind: 'remove-item', block: 0, item: 1 }], baseLibrary)).toThrow(
      RangeError,
    );
    expect(() => applyEdits('Main: flow\n5 squat', [{ kind: 'move-block', block: 2, at: 0 }], baseLibrary)).toThrow(
      RangeError,
    );
  });
});

test('the largest text that is read at all', () => {
  const largest = `${'x'.repeat(199)}\n`.repeat(MAX_TEXT_BYTES / 200);
  expect(read(largest).issues[0]!.code).not.toBe('too-large');
  expect(read(`${largest}x`).issues[0]!.code).toBe('too-large');
});
