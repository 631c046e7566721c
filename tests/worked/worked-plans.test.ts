import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { movementId } from '../../core/movement/movement.ts';
import type { GuessedDay } from '../../core/notation/pasted/guess.ts';
import { guessDays, guessSession } from '../../core/notation/pasted/guess.ts';
import { parseSession } from '../../core/notation/parse.ts';
import { PLAIN_PLANS } from './plain-plans-fixture.ts';

/** Worked plans: how each is read, line by line, kept as text beside this test (see worked-sessions.test.ts). */
describe('worked plans', () => {
  test.each(Object.entries(PLAIN_PLANS))('%s', async (title, plain) => {
    const days = guessDays(plain, baseLibrary);
    const told = [guessSession(plain, baseLibrary), ...days].flatMap((d) => [
      `# ${'weekday' in d ? `${(d as GuessedDay).heading} (${(d as GuessedDay).weekday})` : 'as one'}`,
      d.text,
      ...d.lines.map((l) => `${l.becomes}${l.isSure ? '' : '?'} “${l.source}”${l.why ? `: ${l.why}` : ''}`),
    ]);
    for (const d of days) expect(parseSession(d.text, baseLibrary).issues).toEqual([]);
    await expect(`${told.join('\n')}\n`).toMatchFileSnapshot(`./plans/${movementId(title)}.txt`);
  });
});
