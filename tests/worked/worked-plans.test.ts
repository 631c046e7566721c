import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { movementId } from '../../core/movement/movement.ts';
import { readOwnPlan } from '../../core/notation/own-words/read-plan.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { doubtChoices, doubtWords } from '../../words/en/own-words.ts';
import { PLAIN_PLANS } from './plain-plans-fixture.ts';

/** Worked plans: how each is read, piece by piece, kept as text beside this test (see worked-sessions.test.ts). */
describe('worked plans', () => {
  test.each(Object.entries(PLAIN_PLANS))('%s', async (title, plain) => {
    const { days, pieces, doubts } = readOwnPlan(plain, baseLibrary);
    const said = (start: number, end: number) => plain.slice(start, end).replaceAll('\n', ' / ');
    const told = [
      ...days.map((d) => `# ${d.heading} (${d.weekday})\n${d.text}`),
      ...pieces.map((p) => `${p.day} ${p.as} “${said(p.start, p.end)}” ${p.line ?? '-'}`),
      ...doubts.map((d) => `? ${doubtWords(d.facts, said(d.start, d.end))} ${doubtChoices(d.facts).join(' | ')}`),
    ];
    for (const d of days) expect(parseSession(d.text, baseLibrary).issues).toEqual([]);
    await expect(`${told.join('\n')}\n`).toMatchFileSnapshot(`./plans/${movementId(title)}.txt`);
  });
});
