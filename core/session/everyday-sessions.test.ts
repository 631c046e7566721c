import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from './analyse.ts';
import { SESSIONS } from './everyday-sessions-fixture.ts';
import { listReadings } from './list-readings.ts';

describe('twenty sessions of everyday names', () => {
  const texts = Object.entries(SESSIONS);
  test('are twenty', () => expect(texts).toHaveLength(20));
  test.each(texts)('%s: read without an error, and nothing in it is new', (_title, text) => {
    const { issues, findings } = analyseText(text, baseLibrary);
    expect(issues).toEqual([]);
    expect(findings.filter((f) => f.code === 'new-movement')).toEqual([]);
  });
  test('what is read in them says itself, and needs kit as its words say', () => {
    const { blocks, plan } = analyseText(SESSIONS.compounds!, baseLibrary);
    const said = listReadings(blocks, baseLibrary).map((r) => r.said);
    expect(said).toContain('step-back lunge, then biceps curl');
    expect(plan.kit).toContain('2 dumbbells');
  });
});
