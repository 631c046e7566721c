import { readdirSync, readFileSync } from 'node:fs';
import type { SessionDocument } from '../../core/document/document.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { readOwnPlan } from '../../core/notation/own-words/read-plan.ts';
import { parseSession } from '../../core/notation/read-session.ts';

/** A plan as it is found, and the sessions that a coach means by it: by day, in notation. */
export interface WorkedPlan {
  readonly name: string;
  readonly source: string;
  /** The expected text of each day, by its place in the plan's week; 0 where the plan has no days. */
  readonly expected: readonly { readonly day: number; readonly text: string }[];
}

/** The plans of a folder: the source, a line of `=====`, the notation; further days behind `=== day N`. */
export const readCorpus = (folder: string): WorkedPlan[] =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.txt'))
    .sort()
    .map((file) => {
      const [source, all] = readFileSync(`${folder}/${file}`, 'utf8').split('\n=====\n');
      const [first, ...others] = all!.split(/^=== day (\d+)\n/m);
      const days = [{ day: 0, text: first! }];
      for (let i = 0; i < others.length; i += 2) days.push({ day: Number(others[i]), text: others[i + 1]! });
      return { name: file.replace(/\.txt$/, ''), source: source!, expected: days };
    });

/** The work of a session: all that isn't words alone. */
const workOf = ({ blocks, targetSec, kit }: SessionDocument) => ({
  targetSec,
  kit,
  blocks: blocks.map(({ label: _label, items, ...block }) => ({
    ...block,
    items: items.map((item) => {
      if (item.kind === 'rest') return item;
      const { words: _words, choices, ...work } = item;
      return { ...work, choices: choices.map((c) => ({ ...c, name: baseLibrary.findByName(c.name)?.id ?? c.name })) };
    }),
  })),
});

/** What was read of a plan beside what is meant: the work of each day that has some. */
export function compareWork({ source, expected }: WorkedPlan) {
  const plan = readOwnPlan(source, baseLibrary);
  const read = (text: string) => {
    const { document, issues } = parseSession(text, baseLibrary);
    if (issues.length > 0) throw new Error(`${issues[0]!.message}\n${text}`);
    return workOf(document);
  };
  const got = plan.days.filter((d) => d.text !== '');
  return {
    plan,
    got: got.map((d) => read(d.text)),
    meant: expected.map((d) => read(d.text)),
    texts: got.map((d) => d.text),
  };
}
