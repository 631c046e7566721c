import { expect, test } from 'vitest';
import { EXAMPLES, findExample } from '../progress/examples/examples.ts';
import { readStoredFrame } from './stored-frame.ts';

const AT = { title: 'Spring', weeks: 8, firstWeekday: 3 };

test('a frame that was stored whole comes back whole', () => {
  for (const id of Object.keys(EXAMPLES)) {
    const { days: _days, ...frame } = findExample(id)!;
    const read = readStoredFrame(JSON.parse(JSON.stringify(frame)), frame);
    expect(read.passedBy).toEqual([]);
    expect(read.frame).toEqual(frame);
  }
  expect(readStoredFrame({}, AT)).toMatchObject({
    passedBy: [],
    frame: { title: 'Spring', weeks: 8, firstWeekday: 3, tracks: [] },
  });
});

test('a part that can’t be used is passed by and named, and the rest stands', () => {
  const { days: _days, ...frame } = findExample(Object.keys(EXAMPLES)[0]!)!;
  const broken = {
    ...frame.tracks[0],
    id: 'broken',
    name: 'Broken',
    levers: [{ lever: { kind: 'speed' }, schedule: 7 }],
  };
  const read = readStoredFrame(
    {
      ...frame,
      tracks: [...frame.tracks, broken, null],
      lighter: 'often',
      blocked: [{ date: '2026-02-30', words: 'no day' }],
      guards: { off: [3] },
    },
    frame,
  );
  expect(read.frame.tracks).toEqual(frame.tracks);
  expect(read.frame.lighter).toEqual([]);
  expect(read.passedBy).toEqual([
    'its lighter weeks',
    'a track (Broken)',
    'a track',
    'a blocked day (no day)',
    'the settings of its guard rails',
  ]);
});

test.each([null, 7, 'x', [], { tracks: 7 }, { themes: [1] }, { guards: [[]] }, { extra: 7 }, { lighter: [{}] }])(
  '%j never throws',
  (stored) => {
    expect(readStoredFrame(stored, AT).frame).toMatchObject({ title: 'Spring', weeks: 8 });
  },
);
