import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { computePlan } from '../session/plan.ts';
import type { SessionDocument } from './document.ts';
import { upgradeDocument } from './upgrade.ts';

test('a pyramid that was sent before it was a form of its own means what it meant', () => {
  const text = 'Main: pyramid +3 in 1:15 rest 0:45, then rest 1:00\nsquat\nburpee\npush-up\nmarch';
  const { document } = parseSession(text, baseLibrary);
  const stored = {
    blocks: document.blocks.map(({ time: _time, ...block }) => ({
      ...block,
      time: { kind: 'intervals', workSec: [75], restSec: [45], stations: false },
      count: { kind: 'pyramid', step: 3 },
    })),
  } as unknown as SessionDocument;
  expect(upgradeDocument(stored)).toEqual(document);
  expect(computePlan(upgradeDocument(stored), baseLibrary).clockSec.likely).toBe(540);
  expect(upgradeDocument(document)).toBe(document);
});
