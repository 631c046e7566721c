import type { ExampleProgramme } from './example-programme.ts';

const FOUR_IN_TURN = `Title: Four in turn
Target: 33 min
Kit: bottle, chair
Effort: 6
Note: Soft feet: someone sleeps below you.

Warm-up: 2 rounds
6 wrist circle, slow
4/side kneeling hip opener
5 chair squat, tempo 4-1-2

Main (Four in turn): every 1:15 for 25:00, work cap 1:00
8 suitcase deadlift to row
10 bottle press
10 alt slow step-back lunge
0:40 wall sit or chair sit hold

Cool-down: flow
0:30/side doorway chest stretch
0:30/side calf stretch
`;

const GROWING_ROUNDS = `Title: Quiet legs, strong back
Target: 25 min
Kit: band
Effort: 7

Warm-up: flow
8 cat and cow
8 shoulder roll
6/side leg swing

Main (Growing rounds): work 30/40/50s rest 30s
squat
band row
alt step-back lunge
band pull-apart
glute bridge
each side side plank

Cool-down: flow
0:20/side hip flexor stretch
0:20/side forearm stretch
0:30 child’s pose
`;

const BY_FEEL = `Title: By feel, then down the ladder
Target: 18 min
Kit: chair, band
Effort: 6

Warm-up: 2 to 3 rounds
6 wrist circle
6 roll-down, slow

Main (By feel): work 0:40 rest 0:20, 2 rounds
chair squat
band press
alt bird dog
march, brisk

Finisher (Ladder): for time, reps 9-7-5-3
chair dip or wall push-up
bridge march

Cool-down: flow
0:30/side side stretch
0:30/side forearm stretch
`;

const LONG_ENGINE = `Title: Long engine
Target: 22 min
Kit: bottle
Effort: 8

Warm-up: flow
12 march
6 arm circle
5 hip hinge, slow

Main (Engine): amrap 8:00, 2 sets, rest 1:00
8 goblet squat
10 step jack
6 bent-over row
4/side dead bug

Cool-down: flow
0:30/side calf stretch
1:00 calm breathing
`;

const LOOSE_AND_LONG = `Title: Loose and long
Target: 8 min
Kit: towel
Effort: 2

Main (Mobility): 2 rounds
6 cat and cow
5/side thread the needle
6 "90-90 hip switch"
0:30/side hamstring stretch

Cool-down: flow
1:30 calm breathing
`;

/** Players in hotels: quiet floors, wrists and shoulders to spare, kit from a suitcase. */
export const EIGHT_WEEKS: ExampleProgramme = {
  title: 'Eight weeks to the summer tour',
  about:
    'Eight weeks, four days, quiet floors and a suitcase of kit: rounds and reps first, every fourth week lighter.',
  weeks: 8,
  lighter: [4, 8],
  tracks: [
    {
      id: 'four-in-turn',
      name: 'Four in turn',
      weekday: 1,
      theme: 'strength',
      school: 'rounds-and-reps',
      text: FOUR_IN_TURN,
      levers: [
        'rounds: wave 0, carry +1, lighter -1',
        'reps: wave +1, carry 0, lighter -2',
        'effort: wave 0, carry 0, lighter -2',
      ],
    },
    {
      id: 'growing-rounds',
      name: 'Growing rounds',
      weekday: 3,
      theme: 'intervals',
      school: 'density',
      text: GROWING_ROUNDS,
      levers: [
        'rest: wave 0, carry -5, lighter 0',
        'rounds: wave 0, carry 0, lighter -1',
        'effort: wave 0, carry 0, lighter -3',
      ],
    },
    {
      id: 'by-feel',
      name: 'By feel',
      weekday: 5,
      theme: 'by feel',
      school: 'by-feel',
      text: BY_FEEL,
      levers: ['reps of list in Ladder: at week 5 +1', 'effort: at week 5 +1'],
    },
    {
      id: 'long-engine',
      name: 'Long engine',
      weekday: 6,
      theme: 'strength',
      school: 'own-number',
      text: LONG_ENGINE,
      levers: ['clock: wave +60, carry 0, lighter -120', 'effort: wave 0, carry 0, lighter -3'],
    },
  ],
  others: [
    { week: 4, weekday: 5, text: LOOSE_AND_LONG, theme: 'mobility' },
    {
      week: 5,
      weekday: 5,
      isPinned: true,
      text: BY_FEEL.replace(
        'Effort: 6\n',
        'Effort: 7\nNote: Concert tomorrow? Leave the ladder out, and count the day as done.\n',
      ).replace('reps 9-7-5-3', 'reps 10-8-6-4-2'),
    },
    {
      week: 6,
      weekday: 3,
      isPinned: true,
      text: GROWING_ROUNDS.replace('Kit: band', 'Kit: band, chair').replace('rest 30s', 'rest 25s'),
    },
    { week: 8, weekday: 5, text: LOOSE_AND_LONG, theme: 'mobility' },
  ],
};
