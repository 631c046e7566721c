import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { completeLine } from '../../core/notation/help/complete.ts';
import { doseStops, nextStop } from '../../core/notation/dose-stops.ts';
import { lineSpans } from '../../core/notation/line-spans.ts';
import { GUIDE } from '../../core/notation/help/guide.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { readRules, RULE_EXAMPLES } from '../../core/progress/levers/lever-text.ts';

/** A line with something wrong in it, one thing at a time: a word gone, a word twice, other numbers, a stray comma. */
function spoilt(line: string): string[] {
  const words = line.split(' ');
  return [
    ...words.map((_, i) => words.toSpliced(i, 1).join(' ')),
    ...words.map((w, i) => words.toSpliced(i, 0, w).join(' ')),
    ...[...line.matchAll(/\d+/g)].flatMap((m) =>
      ['0', '1000001', 'x'].map((n) => `${line.slice(0, m.index)}${n}${line.slice(m.index + m[0].length)}`),
    ),
    `${line},`,
    `${line}, zzz`,
    line.toUpperCase(),
    `"${line}`,
  ];
}

const told = (text: string): string =>
  parseSession(text, baseLibrary)
    .issues.map(
      (i) =>
        `${i.line}:${i.column}-${i.endColumn} ${i.code} ${i.message}${i.suggestions.length > 0 ? ` -> ${i.suggestions.join(' | ')}` : ''}`,
    )
    .join(' ;; ');

/** What is said where something can't be read, and where: kept as text beside this test (see worked-sessions.test.ts). */
describe('worked faults', () => {
  test.each(GUIDE.filter((s) => s.topic !== 'remark').map((s) => s.topic))('%s', async (topic) => {
    const { examples } = GUIDE.find((s) => s.topic === topic)!;
    const put = (line: string) => {
      switch (topic) {
        case 'field':
          return `${line}\nMain: flow\n5 squat\n`;
        case 'block':
          return `${line}\nsquat\n5 push-up\n`;
        case 'clause':
          return `Main (A): every 1:00 x 4\n5 squat\n\nMain: 3 rounds, ${line}\n5 squat\n`;
        case 'modifier':
          return `Main: 3 rounds\n10 squat, ${line}\n`;
        default:
          return `Main: 3 rounds\n5 march\n${line}\n`;
      }
    };
    const lines = [...new Set(examples.flatMap(({ write }) => [write, ...spoilt(write)]))];
    await expect(`${lines.map((l) => `${l} => ${told(put(l)) || 'fine'}`).join('\n')}\n`).toMatchFileSnapshot(
      `./faults/${topic}.txt`,
    );
  });

  test('rules of what changes', async () => {
    const lines = [...new Set(RULE_EXAMPLES.flatMap(({ line }) => [line, ...spoilt(line)]))];
    const rows = lines.map((l) => {
      const { rules, issues } = readRules(l);
      return `${l} => ${issues.map((i) => `${i.line}: ${i.message}`).join(' ;; ') || JSON.stringify(rules)}`;
    });
    await expect(`${rows.join('\n')}\n`).toMatchFileSnapshot('./faults/rules.txt');
  });

  test('what the editor marks, stops at, and offers', async () => {
    const lines = GUIDE.flatMap((s) => s.examples.map((e) => e.write));
    const scope = { library: baseLibrary, labels: ['A'], routines: ['easy'], inBlock: true };
    const rows = lines.map((line) => {
      const stops = doseStops(line);
      const all = [0, 3, line.length].map((at) => nextStop(stops, { from: at, to: at }, 1)?.from ?? '-');
      const offers = [0, 2, line.length].map((at) => {
        const list = completeLine(line, at, scope);
        return list ? `${list.from}:${list.options.length} ${list.options[0]?.insert ?? ''}` : 'none';
      });
      return `${line} | ${lineSpans(line)
        .map((s) => `${s.kind} ${s.start}-${s.end}`)
        .join(' ')} | ${stops.map((s) => `${s.from}-${s.to}`).join(' ')} | ${all.join(' ')} | ${offers.join(' / ')}`;
    });
    await expect(`${rows.join('\n')}\n`).toMatchFileSnapshot('./faults/editor.txt');
  });
});
