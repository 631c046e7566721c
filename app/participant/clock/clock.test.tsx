import type { ComponentProps, ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { createRoutesStub } from 'react-router';
import { describe, expect, test, vi } from 'vitest';
import { buildStages } from '../../../core/clock/build-stages.ts';
import { withSetUps } from '../../../core/clock/voice/set-up.ts';
import type { ClockEvent, ClockState } from '../../../core/clock/clock.ts';
import { advance, startClock } from '../../../core/clock/clock.ts';
import { baseLibrary } from '../../../core/movement/library.ts';
import { parseSession } from '../../../core/notation/read-session.ts';
import { scoreFields } from '../../../core/record/scores/score.ts';
import { computePlan } from '../../../core/session/plan.ts';
import { resolveBlocks } from '../../../core/session/resolve.ts';
import { packRibbon } from '../../charts/session/pack-ribbon.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import type { ClockView } from './clock-view.ts';
import { clockView, comingIn } from './clock-view.ts';
import { ClockQuestion } from './clock-question.tsx';
import { AfterFace } from './faces/after-face.tsx';
import { BeforeFace } from './faces/before-face.tsx';
import { NextFace } from './faces/next-face.tsx';
import { StageButtons } from './faces/stage-buttons.tsx';
import { StageFace } from './faces/stage-face.tsx';
import { seenByClock } from './log-link.ts';
import { isSeenName } from './seen-names.ts';
import { shapePlaces } from './shape-places.ts';

const NO_MATCH = { words: {}, sameAs: {}, targets: {}, paced: {}, apart: {} };

/** The clock of a text after [event, at second] pairs, at a second. */
function at(text: string, events: readonly (readonly [ClockEvent, number])[], sec: number, match: string[] = []) {
  const { document, issues } = parseSession(text, baseLibrary);
  expect(issues).toEqual([]);
  const plan = computePlan(document, baseLibrary);
  const stages = withSetUps(buildStages(plan, resolveBlocks(document)), baseLibrary);
  const told = [...events, ['tick', sec] as const].flatMap(
    ([event, when]) =>
      [
        ['tick', when],
        [event, when],
      ] as const,
  );
  const state = told.reduce((s, [event, when]) => advance(s, event, stages, when * 1000), startClock(0));
  const view = clockView(state, sec * 1000, {
    stages,
    scored: [],
    toMatch: { ...NO_MATCH, words: Object.fromEntries(match.entries()) },
    totalSec: plan.clockSec.likely,
  });
  return { stages, state, view, ribbon: packRibbon(layoutRibbon(plan, { widthPx: 350, heightPx: 38 })) };
}
const viewAt = (...given: Parameters<typeof at>): ClockView => at(...given).view!;

/** What is to be read of it, with its buttons' names. */
function read(element: ReactElement): string {
  const Page = createRoutesStub([{ path: '/', Component: () => element }]);
  return renderToStaticMarkup(<Page />)
    .replace(/<svg.*?<\/svg>/g, '')
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}
const clock = {
  send: vi.fn(),
  goOn: vi.fn(),
  setSheet: vi.fn(),
  start: vi.fn(),
  hear: vi.fn(),
  heard: { tones: true, voice: 'off' as const, tempo: false },
  hasTempo: false,
  logLink: '/log',
  saved: undefined,
  numbers: { fewer: null, more: null, isOffered: false },
};
const plain = { onNumbers: vi.fn(), isOver: false };

const INTERVALS = 'Main: work 0:40 rest 0:20, 2 rounds\nsquat\neach side side plank';

describe('what the clock shows of a moment', () => {
  test('work by the clock counts down, with the side that it is', () => {
    const view = viewAt(INTERVALS, [], 5 + 60 + 25);
    expect(view).toMatchObject({ shownSec: 15, isOwn: false, side: 'now right', spentSec: 25 });
    expect(view.doneRatio).toBeCloseTo(25 / 40, 6);
    expect(read(<StageFace figures={{}} onSay={vi.fn()} view={view} cues={['hips high']} choice={undefined} />)).toBe(
      'Main round 1 of 2 side plank each side now right 0:15 hips high',
    );
  });

  test('a figure turns with its second: 40 stands for the first whole second', () => {
    expect([5, 5.5, 6, 44.9995].map((sec) => viewAt(INTERVALS, [], sec).shownSec)).toEqual([40, 40, 39, 0]);
  });

  test('at one’s own pace it counts up and waits', () => {
    const view = viewAt('Warm-up: flow\n10 squat', [], 12);
    expect(view).toMatchObject({ isOwn: true, shownSec: 7, numberNow: '10' });
    expect(read(<StageFace figures={{}} onSay={vi.fn()} view={view} cues={[]} choice={undefined} />)).toBe(
      'Warm-up squat 10 0:07 your own pace',
    );
    const choice = <button type="button">5 split squat</button>;
    expect(read(<StageFace figures={{}} onSay={vi.fn()} view={view} cues={[]} choice={choice} />)).toBe(
      'Warm-up Your choice 5 split squat 0:07 your own pace',
    );
  });

  test('a window shows its list, the number of the round that was tapped, and what is to be beaten', () => {
    const text = 'Main: amrap 9:00\n10 squat\n5/side split squat';
    const view = viewAt(text, [['tap', 20]], 30, ['3 rounds']);
    expect(view).toMatchObject({ taps: 1, match: '3 rounds', shownSec: 515 });
    expect(view.lines.map((line) => `${line.figure} ${line.name}`)).toEqual(['10 squat', '5 split squat']);
    expect(read(<StageFace figures={{}} onSay={vi.fn()} view={view} cues={[]} choice={undefined} />)).toContain(
      'match or beat 3 rounds',
    );
  });

  test('nothing is to be beaten while one waits', () => {
    expect(viewAt('Main: amrap 9:00\n10 squat', [], 2, ['3 rounds']).match).toBe('');
  });

  test('in a rest what comes next is shown large: side, number, how, and what is to be set up', () => {
    const next = (text: string, sec: number) => read(<NextFace next={comingIn(viewAt(text, [], sec))!} />);
    expect(next(INTERVALS, 50)).toBe('next side plank left first each side down to the floor hips up, stay');
    expect(next('Main: work 0:40 rest 0:20, 1 rounds\nsquat\n5/side split squat\n', 50)).toBe(
      'next split squat left first 5 each side sink straight down and rise',
    );
    expect(next('Main: work 0:40 rest 0:20, 1 rounds\nsquat\n13 goblet squat @ 12 kg, half each side\n', 50)).toContain(
      '7 left, 6 right',
    );
    expect(next('Warm-up: flow\n10 squat\n\nMain: amrap 5:00\n5 burpee\n10 bridge\n', 3)).toContain('squat 10');
    // A surprise isn't shown before its turn, nor what it needs.
    expect(next('Main: work 0:40 rest 0:20, 1 rounds\nsquat\n8 man-maker, a surprise\n', 50)).toBe(
      'next something more',
    );
    expect(comingIn(viewAt(INTERVALS, [], 20))).toBeUndefined();
  });

  test('over, there is nothing to show', () => {
    expect(at(INTERVALS, [], 4000).view).toBeUndefined();
  });
});

describe('the buttons of a stage', () => {
  const buttons = (text: string, events: readonly (readonly [ClockEvent, number])[], sec: number) => {
    const { view, ribbon } = at(text, events, sec);
    return read(<StageButtons {...plain} view={view!} clock={clock} ribbon={ribbon} hasShapes hasChoice={false} />);
  };
  test('by the clock: what comes next, back, pause, skip', () => {
    expect(buttons(INTERVALS, [], 10)).toMatch(/^next .*back pause skip easier \/ harder this hurts$/);
  });
  test('paused: go on, what is heard, and the way to the log', () => {
    expect(buttons(INTERVALS, [['pause', 10]], 20)).toMatch(
      /go on skip .* Tones on The voice says everything changes numbers nothing Stop here and log$/,
    );
  });
  test('at one’s own pace: on to the next', () => {
    expect(buttons('Warm-up: flow\n10 squat', [], 12)).toContain('Done, on to the next');
  });
  test('a window: one more round, and one less once there is one', () => {
    const text = 'Main: amrap 9:00\n10 squat';
    expect(buttons(text, [], 12)).toMatch(/One more round done: 0 back/);
    expect(buttons(text, [['tap', 20]], 30)).toMatch(/One more round done: 1 one less/);
  });
});

describe('a round more', () => {
  test('is offered by two buttons, and isn’t counted towards', () => {
    const text = 'Main: work 0:30 rest 0:10, 2 rounds, 1 more if time\nsquat';
    const { view, ribbon } = at(text, [], 90);
    expect(view!.stage.title).toBe('One round more, if you have time?');
    // The question is what stands large, not what would come.
    expect(comingIn(view!)).toBeUndefined();
    const words = read(
      <StageButtons {...plain} view={view!} clock={clock} ribbon={ribbon} hasShapes hasChoice={false} />,
    );
    expect(words).toContain('One round more That was enough back');
    expect(words).not.toMatch(/Ready|10 s more/);
  });
});

describe('what is asked when the time is up', () => {
  const asked = (text: string, taps: number) => {
    const { stages } = at(text, [], 1);
    const stage = stages.find((s) => s.asks)!;
    return read(<ClockQuestion stage={stage} taps={taps} onAnswer={vi.fn()} />);
  };
  test('how far into the round that wasn’t finished: by movement, or by number', () => {
    expect(asked('Main: amrap 5:00\n5 burpee\n6/side split squat\n10 squat', 3)).toBe(
      'How far into the round that wasn’t finished? up to 5 burpee up to 6 split squat − 0 + +10 That’s it',
    );
    const { stages } = at('Main: amrap 5:00\n5 burpee\n6/side split squat\n10 squat', [], 1);
    expect(stages.find((s) => s.asks)!.asks!.round!.map((r) => r.reps)).toEqual([5, 17, 27]);
  });
  test('of a window with a number for every line, the rounds that were tapped are counted already', () => {
    expect(asked('Main: windows 2:00 x 3\n5 burpee\n10 squat', 2)).toContain('up to 5 burpee − 30 +');
    expect(buttonsOf('Main: windows 2:00 x 3\n5 burpee\n10 squat')).toContain('One more round done: 0');
    // What is done as often as one can is counted by itself.
    expect(asked('Main: windows 2:00 x 3\n5 burpee\nmax squat', 0)).toMatch(/squat in window 1: how many\? − 0/);
    expect(buttonsOf('Main: windows 2:00 x 3\n5 burpee\nmax squat')).not.toContain('round done');
  });
  test('a pyramid asks for whole sets, and for what was done of the next', () => {
    expect(asked('Main: pyramid +4 in 1:00 rest 0:30\nsquat\npush-up', 1)).toContain(
      'How many sets did you finish? − 1 + and of the next 8? − 0 +',
    );
  });
  test('a round without a fixed number isn’t taken apart', () => {
    for (const line of ['[squat, march]', '5 squat or 6 lunge', '3+1 squat', '0:30 plank', 'squat'])
      expect(at(`Main: amrap 5:00\n5 burpee\n${line}`, [], 1).stages.some((s) => s.asks)).toBe(false);
  });
  const buttonsOf = (text: string) => {
    const { view, ribbon } = at(text, [], 12);
    return read(<StageButtons {...plain} view={view!} clock={clock} ribbon={ribbon} hasShapes hasChoice={false} />);
  };
});

describe('before and after', () => {
  const face = (
    saved: ClockState | undefined,
    isEmpty = false,
    warmUp: ComponentProps<typeof BeforeFace>['warmUp'] = null,
  ) =>
    read(
      <BeforeFace title="Legs" totalSec={120} isEmpty={isEmpty} clock={{ ...clock, saved }} back="/" warmUp={warmUp} />,
    );
  test('it is started, or gone on with where one stopped', () => {
    expect(face(undefined)).toMatch(/^Legs 2:00 Put the phone.* Start Back to the session$/);
    expect(face(startClock(0))).toContain('Go on where you stopped From the beginning');
    expect(face({ ...startClock(0), status: 'finished' })).toContain('It is done: log it');
  });
  test('a session without a warm-up asks for one before its start, with the coach’s words and film', () => {
    const none = { words: '', film: '' };
    expect(face(undefined, false, none)).toContain(
      'Did you warm up? This session begins with its main work. Move easily',
    );
    const own = { words: 'March, then circle your ankles.', film: 'https://example.org/film' };
    expect(face(undefined, false, own)).toContain('main work. March, then circle your ankles. See the warm-up');
    // Who goes on in the middle of it isn't asked, nor is anybody where nothing is to be done.
    for (const words of [face(startClock(0), false, own), face(undefined, true, own), face(undefined)])
      expect(words).not.toContain('warm up');
  });
  test('with nothing to time there is nothing to start', () => {
    expect(face(undefined, true)).toMatch(/nothing to time.*The voice says .* nothing Back to the session$/);
  });
  test('after the last stage the log is next', () => {
    expect(
      read(<AfterFace title="Legs" logLink="/log" again={['38 reps against 36 reps']} onBack={vi.fn()} />),
    ).toMatch(/That was all of it 38 reps against 36 reps.*Log it/);
  });
});

describe('what the log is told', () => {
  const session = ({ stages }: Pick<ReturnType<typeof at>, 'stages'>) => ({
    written: stages,
    shown: stages,
    scored: [],
    ladders: {},
  });
  test('nothing before it was started', () => {
    expect(seenByClock(null, session({ stages: [] })).toString()).toBe('');
  });
  test('how long it ran, and that something hurt', () => {
    const hurt = { block: 0, movement: 'squat', area: 'knee', did: 'ended', to: '' } as const;
    const told = at(INTERVALS, [[{ kind: 'hurt', hurt }, 20]], 45);
    const seen = seenByClock(told.state, session(told));
    expect(seen.get('clock')).toBe('0:40');
    expect([seen.get('body'), seen.get('reason')]).toEqual(['hurts', 'sore']);
    expect(JSON.parse(seen.get('seen')!)).toMatchObject({ ranSec: { 0: 40 } });
  });
  test('the log takes all that the clock tells it, and nothing else of its address', () => {
    const text = `Main: work 0:20 rest 0:10, 2 rounds, 1 more if time
squat

Finisher: pyramid +2 in 0:40 rest 0:20
burpee
sit-up

Main: amrap 1:00, 2 sets
5 squat`;
    const told = at(
      text,
      [
        ['tap', 90],
        ['tick', 150],
        ['tap', 170],
      ],
      400,
    );
    const { document } = parseSession(text, baseLibrary);
    const scored = scoreFields(computePlan(document, baseLibrary));
    const names = [...seenByClock(told.state, { ...session(told), scored }).keys()];
    expect(names).toEqual(expect.arrayContaining(['rounds-0', 'clock', 'seen']));
    const fields = scored.flatMap((s) => s.fields.map((f) => f.name));
    expect(fields).toContain('score-1-0-down');
    expect([...names, ...fields].filter((name) => !isSeenName(name))).toEqual([]);
    expect(['remark', 'effort', 'after', 'client-id', 'score', 'rounds-', 'seen2'].filter(isSeenName)).toEqual([]);
  });
});

test('shapes can be changed of what is done now, or was last where it rests', () => {
  const ladders = { squat: { names: ['chair squat', 'squat', 'pistol'], standIns: {}, at: 1 } };
  const { stages } = at(INTERVALS, [], 0);
  const first = { block: 0, movement: 'squat', name: 'squat', easier: 'chair squat', harder: 'pistol' };
  expect(shapePlaces(stages, 1, [], ladders)).toMatchObject([first]);
  expect(shapePlaces(stages, 2, [], ladders)).toMatchObject([first]);
  expect(shapePlaces(stages, 3, [], ladders)).toMatchObject([{ movement: 'side plank', easier: null, harder: null }]);
  expect(shapePlaces([], 0, [], ladders)).toEqual([]);
});
