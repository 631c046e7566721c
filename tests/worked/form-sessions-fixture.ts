/** Sessions in which every form, count rule and modifier stands somewhere (invented; the wording of docs/notation.md). */
export const FORM_SESSIONS: Readonly<Record<string, string>> = {
  'clocks of one kind': `Title: Clocks
Target: 30 min
Kit: chair, 2 bottles
Effort: 6
Note: One bottle is enough.

Warm-up: 2 rounds
6 wrist circle
8 march

Main (Minutes): every 1:15 x 8, work cap 0:50
10 squat
8 chair push-up
0:30 plank
10/side bent-over row, @ 2x6 kg

Main (Turns): work 0:40 rest 0:20, 3 rounds, rest 1:00 between rounds
[squat, lunge, march]
each side side plank
sit-up

Cool-down: flow
0:40/side calf stretch
5 cat and cow, slow`,
  'own pace': `Title: Own pace
Target: 25 min

Main (List): 3 rounds, rest 0:30 to 0:45 between rounds, 2 sets, rest 1:30, then rest 2:00
12 squat, tempo 3-1-1
8 to 10 push-up, pause 2s
10 sit-up, then hold 0:10
13 split squat, half each side

Finisher (Ladder): for time, cap 8:00, reps 21-15-9
burpee
squat`,
  'as many as you can': `Title: As many
Retest: spring-baseline

Main (Engine): amrap 12:00
5 burpee
10 push-up
15 squat

Main (Windows): windows 2:00 x 3 rest 1:00
200 m run
max push-up

Finisher: amrap 6:00, reps 3-6-9 cycling
sit-up
squat jump`,
  'up and down': `Title: Up and down

Main (Pyramid): pyramid +2 in 1:15 rest 0:45
push-up
squat
sit-up
burpee

Main (Climb): climb 2 by 2 every 1:00
burpee
squat

Main (Gather): accumulate, cap 8:00
100 squat
60 push-up`,
  'a room': `Title: A room
Group: 13 people
Kit: chair, band, bottles, mat

Main (Stations): stations, work 1:00 rest 0:15, 2 rounds
12 squat
band row
0:40 plank
10 bottle press

Main (Relay): relay 6-4-2 teams of 4
burpee
squat

Finisher: turns of 2 in 6:00
10 push-up`,
  'loads and choices': `Title: Loads

Main (Strength): 5 rounds, rest 2:00 between rounds
5 deadlift, @ 40 kg
5 bottle press or 8 wall push-up, @ effort 8
6+2 squat
10-8-6 sit-up
10 pairs single-leg deadlift
15 cal rowing machine
400 m run

Main (Again): same as Strength

Finisher: work 20/30/40s rest 10s
left 5 single-leg deadlift
right 5 single-leg deadlift
max jumping jack`,
  'long and dry': `Title: Long
Target: 45 min

Main: amrap 35:00
20 squat jump
20 burpee
20 push-up`,
  'nothing but holds': `Main: 4 rounds
0:30 plank
0:20/side side plank
0:40 wall sit
0:15 to 0:30 hollow hold
0:20 rest`,
  'half a round': `Main: every 1:00 x 7
10 squat
8 push-up
6 burpee

Main: work 0:30 rest 0:05, 2 rounds
burpee
bear crawl
dead bug`,
  'too much': `Target: 10 min
Kit: kettlebell

Main: every 0:20 x 9
14 burpee
12 push-up

Finisher: 10 rounds
20 squat jump`,
};
