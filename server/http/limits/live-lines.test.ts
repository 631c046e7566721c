import { expect, test } from 'vitest';
import { LIVE_LINES } from './limits.ts';
import { openLine } from './live-lines.ts';

test('one coach, one workspace and all together have so many lines open, and closing one makes room once', () => {
  const own = Array.from({ length: LIVE_LINES.coach }, () => openLine({ coachId: 1, workspaceId: 1 }));
  expect(own.every(Boolean)).toBe(true);
  expect(openLine({ coachId: 1, workspaceId: 1 })).toBeUndefined();
  const others = [];
  for (let coachId = 2; ; coachId++) {
    const line = openLine({ coachId, workspaceId: 1 });
    if (!line) break;
    others.push(line);
  }
  expect(others).toHaveLength(LIVE_LINES.workspace - LIVE_LINES.coach);
  // Another workspace isn't kept waiting by this one.
  const elsewhere = openLine({ coachId: 500, workspaceId: 2 });
  expect(elsewhere).toBeDefined();
  own[0]!();
  own[0]!();
  expect(openLine({ coachId: 1, workspaceId: 1 })).toBeDefined();
  expect(openLine({ coachId: 1, workspaceId: 1 })).toBeUndefined();
  let all = LIVE_LINES.workspace + 1;
  for (let workspaceId = 10; openLine({ coachId: 1000 + workspaceId, workspaceId }); workspaceId++) all++;
  expect(all).toBe(LIVE_LINES.inAll);
});
