/** Plans as they are found elsewhere (invented; the ways of writing are common practice). */
export const PLAIN_PLANS: Readonly<Record<string, string>> = {
  'numbered list': `Leg day
3 rounds
1. Squats x 10
2. Push ups 3x8
3. 30 sec plank
4. Lunges 8 each leg
Rest 90 sec between rounds
Cool down:
- hamstring stretch 30s each side`,
  'minutes by rounds': `EMOM 12 min:
Min 1: 10 burpees
Min 2: 15 air squats
Min 3: rest

AMRAP 8
5 pull-ups
10 push-ups
15 squats`,
  ladders: `For time: 21-15-9 thrusters, pull-ups
Then tabata: 8 rounds 20s on 10s off
mountain climbers
10-9-8-7-6-5-4-3-2-1 kettlebell swings
40 sec work / 20 sec rest x 3 rounds
jumping jacks
high knees`,
  'weights and sets': `Warm-up
5 min easy jog
Main set
4 x 6-8 goblet squat @ 16 kg
3 sets of 12 DB rows (2x10 kg)
5x5 back squat (60 kg)
3 x 30s side plank per side
Farmer's carry 40 m x 4
Finisher: 50 burpees for time, 10 min cap`,
  'a whole week': `Monday: strength
5 rounds
10 squats
10 push-ups
Wednesday
Rest day, walk 30 min
Friday - conditioning
AMRAP 10 minutes
10 burpees
20 lunges
Day 6: long
run 5 km`,
  'prose and doubts': `Hello everyone! Bring water.
Do as many rounds as you can.
10
dragon flags 5
squat
http://example.invalid/video
3x
Plank (see description) hold for 1 min
x3`,
};
