/** Sessions with the names that coaches of many schools write every day (invented for this test; common practice, no source). */
export const SESSIONS: Readonly<Record<string, string>> = {
  'kettlebell, one bell': `Warm-up: 2 rounds
8 halos
10 kettlebell deadlifts

Main: every 1:00 x 15
15 two-handed kettlebell swings
8/side single-arm kettlebell press
10 goblet squats

Cool-down: flow
0:40/side hip flexor stretch
0:40 child's pose`,
  'dumbbell full body': `Main: 4 rounds, rest 1:00 between rounds
10 dumbbell thrusters
10/side single-arm dumbbell rows
12 DB Romanian deadlifts
10 alternating dumbbell lunges
8 dumbbell bench press
12 hammer curls`,
  'barbell evening': `Warm-up: flow
10 good mornings
10 air squats

Main: 5 rounds
5 barbell back squats
5 barbell overhead press
5 barbell rows

Finisher: 3 rounds
8 barbell hip thrusts
12 skull crushers`,
  'band in a hotel': `Main: work 0:40 rest 0:20, 3 rounds
banded squat
band row
banded glute bridge
band pull-aparts
banded good mornings
band chest press`,
  'bodyweight on the floor': `Main: amrap 12:00
10 hand-release push-ups
15 jump squats
20 alternating reverse lunges
10 v-ups
20 mountain climbers`,
  'low impact': `Main: work 0:45 rest 0:15, 3 rounds
low-impact jumping jacks
step-back burpees
squat to calf raise
standing crunches
marching on the spot
incline push-ups`,
  'core, ten minutes': `Main: work 0:30 rest 0:10, 2 rounds
bicycle crunches
dead bugs
flutter kicks
plank shoulder taps
Russian twists
hollow hold
side plank with rotation, half each side
toe touches`,
  'legs and glutes': `Warm-up: 2 rounds
10/side clamshells
10/side fire hydrants
10/side donkey kicks

Main: 4 rounds
10/side Bulgarian split squats with dumbbells
12 sumo squat pulses
15 hip thrusts
10/side curtsy lunges
20 single-leg calf raises, half each side
0:40 wall sit`,
  'runner’s strength': `Warm-up: flow
10/side leg swings
20 A-skips
20 butt kicks

Main: 3 rounds
8/side single-leg RDL
10/side step-ups
12/side single-leg glute bridge
15 calf raises
0:30/side Copenhagen plank`,
  'older adults, with a chair': `Warm-up: flow
20 seated marches
10 shoulder rolls
8/side ankle circles

Main: 2 rounds
8 sit to stands
10 wall push-ups
10/side seated knee raises
10/side seated leg extensions
10 heel raises
0:20/side single-leg balance
10 arm raises

Cool-down: flow
0:30/side seated hamstring stretch
1:00 deep breathing`,
  'at the desk': `Main: flow
5 neck rolls
10 chin tucks
10 shoulder shrugs
8 seated cat cow
10 desk push-ups
10/side seated spinal twists
8 wrist circles
0:20/side triceps stretch`,
  'mobility flow': `Main: flow
6 cat-cow
5/side thread the needle
5/side world's greatest stretch
0:30 downward dog
0:30 cobra
0:40/side pigeon pose
0:40/side couch stretch
6/side 90-90 hip switch
5/side open book`,
  'circuit with machines': `Main: 3 rounds
500 m rowing machine
15 wall balls
12 box jumps
10 pull-ups
15 kettlebell swings
20 cal air bike`,
  'for time': `Main: for time, reps 21-15-9
dumbbell thrusters
burpee pull-ups
box step-overs`,
  'every minute': `Main: every 1:00 x 12
12 dumbbell snatches
10 burpees over the dumbbell`,
  'boxing round': `Main: work 3:00 rest 1:00, 3 rounds
[jab cross, hooks, uppercuts]
squat with front kick
sprawls`,
  compounds: `Main: 3 rounds
10/side reverse lunge with biceps curl
10 squat to overhead press with dumbbells
8 push-up to renegade row
10 deadlift to upright row with dumbbells
8/side lateral lunge with front raise
10 glute bridge with floor press
6 inchworm with push-up`,
  'gymnastic evening': `Main: 4 rounds
5 strict pull-ups
8 ring rows
6 pike push-ups
0:20 L-sit
0:30 handstand hold
10 hanging knee raises
8 negative chin-ups`,
  'jumps and landings': `Warm-up: 2 rounds
20 pogo hops
10 snap downs

Main: 4 rounds, rest 1:30 between rounds
5 broad jumps
6 tuck jumps
10 skater jumps
5/side single-leg hops
10 lateral hops`,
  'rope and floor': `Main: work 0:30 rest 0:15, 4 rounds
jump rope
high knees
plank jacks
bear crawls
skaters
double unders`,
};
