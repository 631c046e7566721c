import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { movementId } from '../../core/movement/movement.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { describeSession } from './describe-session-fixture.ts';
import { FORM_SESSIONS } from './form-sessions-fixture.ts';

/**
 * Worked sessions: all that is made of each, kept as text beside this test and read through once (sessions/*.txt). What changes there
 * is meant to, or isn't; `npx vitest run -u --project unit tests/worked` keeps what was meant.
 */
describe('worked sessions', () => {
  test.each(Object.entries(FORM_SESSIONS))('%s is read without an error', (_title, text) => {
    expect(parseSession(text, baseLibrary).issues).toEqual([]);
  });
  test.each(Object.entries(FORM_SESSIONS))('%s', async (title, text) => {
    await expect(describeSession(text, baseLibrary)).toMatchFileSnapshot(`./sessions/${movementId(title)}.txt`);
  });
});
