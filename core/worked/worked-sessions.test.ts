import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { movementId } from '../movement/movement.ts';
import { parseSession } from '../notation/parse.ts';
import { describeSession } from './describe-session-fixture.ts';
import { FORM_SESSIONS } from './form-sessions-fixture.ts';

/**
 * Worked sessions: all that is made of each, kept as text beside this test and read through once (sessions/*.txt). What changes there
 * is meant to, or isn't; `npx vitest run -u --project unit core/worked` keeps what was meant.
 */
describe('worked sessions', () => {
  test.each(Object.entries(FORM_SESSIONS))('%s is read without an error', (_title, text) => {
    expect(parseSession(text, baseLibrary).issues).toEqual([]);
  });
  test.each(Object.entries(FORM_SESSIONS))('%s', async (title, text) => {
    await expect(describeSession(text, baseLibrary)).toMatchFileSnapshot(`./sessions/${movementId(title)}.txt`);
  });
});
