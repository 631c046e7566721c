/** Squat, lunge and hinge. Columns: see parse-rows.ts. */
export const LOWER_BODY = `
squat | air squat, bodyweight squat | squat | standing | | | 3 | 1.6/2.2/3 | 00001221 | 00 | feet hip-wide, toes a little out | sit down between the heels, then stand tall | knees follow the toes, whole foot stays down
slow squat | tempo squat | squat | standing | | | 3 | 4/5/7 | 00001221 | 00 | as for a squat, arms in front | three counts down, one up, no rest at the top | same depth every time
chair squat | box squat | squat | standing | | chair | 2 | 2/2.8/4 | 00001111 | 00 | chair behind you against the wall | hips back until the seat is touched, stand up | touch the seat, don’t drop onto it
sit-to-stand | chair stand | squat | standing | | chair | 2 | 2/3/4.5 | 00001111 | 00 | sit near the front edge, feet under the knees | lean forward, stand, sit down slowly | lean forward first, then stand tall
helped sit-to-stand | hands-on-thighs stand | squat | standing | | chair | 1 | 2.5/3.5/5 | 00001111 | 00 | sit near the edge, hands on the thighs | push with hands and legs to stand | breathe out as you rise
seated heel press | heel press | squat | seated | | | 1 | 2/3/4 | 00000000 | 00 | sit tall, feet flat under the knees | press the heels down as if to stand, let go | thighs tighten, shoulders stay loose
goblet squat | front-held squat | squat | standing | | bottle | 3 | 2/2.8/4 | 00101221 | 00 | hold the weight close to the chest | squat with the elbows inside the knees | hold the weight close to the chest
two-bottle squat | weighted squat | squat | standing | | bottle | 3 | 2/2.8/4 | 00001221 | 00 | a bottle in each hand, arms long | squat and stand, weights beside the legs | weights go straight down
calf raise | heel raise | squat | standing | | | 1 | 1.2/1.8/2.5 | 00000012 | 00 | feet hip-wide, fingertips on a wall if needed | rise onto the toes, lower slowly | pause at the top, lower slowly
seated calf raise | seated heel lift | squat | seated | | | 1 | 1.2/1.8/2.5 | 00000001 | 00 | sit tall, feet flat | lift both heels, lower slowly | weight over the big toe
single-leg calf raise | | squat | standing | 1 | | 2 | 1.4/2/3 | 00000012 | 00 | one foot, fingertips on a wall | rise and lower on one leg | ankle doesn’t roll out
wall sit | wall squat hold | squat | standing | h | wall | 3 | 20/40/60 | 00000120 | 00 | back against the wall, feet a step away | slide down and stay | lower back flat on the wall
high wall sit | half wall sit | squat | standing | h | wall | 2 | 20/40/60 | 00000110 | 00 | as for a wall sit, but high | bend the knees only a little and stay | knees over the ankles
chair sit hold | hover over the chair | squat | standing | h | chair | 3 | 15/30/45 | 00001120 | 00 | stand before the chair | hover just above the seat | hover just above the seat, weight in the heels
sumo squat | wide squat | squat | standing | | | 3 | 1.8/2.4/3.2 | 00001221 | 00 | feet wide, toes out | sit straight down, stand | knees open over the toes
squat pulse | half squat pulse | squat | standing | | | 3 | 0.7/1/1.4 | 00001221 | 00 | low in a squat | small moves up and down | chest stays up
single-leg chair stand | single-leg sit-to-stand | squat | standing | 1 | chair | 4 | 2.5/3.5/5 | 00001231 | 00 | one foot off the floor before a chair | sit and stand on one leg | knee doesn’t fall in
step-back lunge | reverse lunge | lunge | standing | 1 | | 3 | 2/2.8/3.8 | 00001221 | 00 | feet hip-wide, hands where they help | step back, knee towards the floor, push back up | front heel stays down, chest tall
slow step-back lunge | | lunge | standing | 1 | | 3 | 3.2/4.1/5.2 | 00001221 | 00 | as for a step-back lunge | three counts down, one up | three counts down, one up
held step-back lunge | chair-held lunge | lunge | standing | 1 | chair | 2 | 2.4/3.2/4.2 | 00001111 | 00 | one hand on a chair back | step back half as far, come up | the hand only steadies
forward lunge | lunge, front lunge | lunge | standing | 1 | | 3 | 2/2.8/3.8 | 00001231 | 01 | feet hip-wide | step forward, sink, push back | step long enough that the heel stays down
walking lunge | | lunge | standing | 1 | | 4 | 1.8/2.4/3.2 | 00001231 | 01 | a few metres of floor | lunge forward from leg to leg | tall between the steps
side lunge | lateral lunge | lunge | standing | 1 | | 3 | 2/2.8/3.8 | 00001221 | 00 | feet together | step wide, sit into that leg, push back | sit back into the bent leg
side step squat | | lunge | standing | | | 2 | 2/2.8/3.6 | 00001111 | 00 | feet together, knees soft | step to the side into a shallow squat, and back | stay low and quiet
curtsey lunge | | lunge | standing | 1 | | 3 | 2/2.8/3.8 | 00001232 | 00 | feet hip-wide | step one foot behind and across, sink, return | hips face forward
split squat | static lunge | lunge | standing | 1 | | 3 | 2/2.8/4 | 00001221 | 00 | one foot forward, one back, both stay | sink straight down and rise | back knee goes straight down
held split squat | supported split squat | lunge | standing | 1 | chair | 2 | 2.2/3/4.2 | 00001111 | 00 | split stance, a hand on a chair back | sink half way and rise | weight in the front heel
raised split squat | rear-foot-raised split squat | lunge | standing | 1 | chair | 4 | 2.4/3.2/4.5 | 00001232 | 00 | back foot on a chair against the wall | sink and rise on the front leg | hips stay square
step-up | stair step | lunge | standing | 1 | step | 3 | 1.8/2.5/3.5 | 00001121 | 01 | whole foot on a firm step | stand up on that leg, step down | whole foot on the step
low step-up | low step | lunge | standing | 1 | step | 2 | 1.6/2.2/3 | 00000111 | 00 | the lowest step there is | step up and down without a push from below | quiet feet
stair tap | toe tap on the step | locomotion | standing | | step | 2 | 0.5/0.7/1 | 00000111 | 01 | face a step | tap it with one foot, then the other | light feet, tall back
seated knee lift | seated hip flexion | lunge | seated | 1 | | 1 | 1.4/2/3 | 00000100 | 00 | sit tall near the edge of the seat | lift one knee, lower it slowly | lean back no further than the chair does
seated leg extension | seated knee extension | lunge | seated | 1 | | 1 | 1.6/2.2/3 | 00000010 | 00 | sit tall, thighs on the seat | straighten one knee, hold a breath, lower | thigh stays on the seat
hip hinge | good morning | hinge | standing | | | 2 | 2/2.8/4 | 00001110 | 00 | feet hip-wide, hands on the hips | push the hips back, stand tall again | hips go back, back stays long
wall hip hinge | hip tap to the wall | hinge | standing | | wall | 1 | 2/2.8/4 | 00001100 | 00 | a foot’s length before a wall, back to it | touch the wall with the seat, stand up | knees stay soft
seated hinge | seated good morning | hinge | seated | | | 1 | 2/3/4 | 00001100 | 00 | sit at the edge, feet wide | lean forward from the hips, come up tall | long back, not a round one
suitcase deadlift | bottle deadlift | hinge | standing | | bottle | 3 | 2.2/3/4 | 10001210 | 01 | a weight beside each foot | hinge, take hold, stand up, set down | weight close to the leg, shoulders level
suitcase deadlift to row | deadlift and row | hinge | standing | | bottle | 4 | 3.6/4.5/6 | 11102210 | 01 | weights beside the feet | hinge, row once, stand, set down | row only once the back is set | suitcase deadlift, bent-over row
single-leg deadlift | single-leg hinge | hinge | standing | 1 | | 3 | 2.5/3.5/5 | 00001212 | 00 | weight on one foot, knee soft | hinge, other leg goes back, stand tall | hips stay level
held single-leg hinge | supported single-leg deadlift | hinge | standing | 1 | chair | 2 | 2.5/3.5/5 | 00001111 | 00 | one foot, fingertips on a chair back | hinge a little, back to tall | look at one place
staggered deadlift | kickstand deadlift | hinge | standing | 1 | bottle | 3 | 2.4/3.2/4.4 | 10001210 | 01 | one foot forward, toes of the other beside its heel | hinge on the front leg, stand | most weight in front
bottle swing | weight swing | hinge | standing | | bottle | 4 | 1.3/1.6/2 | 11102211 | 00 | a weight with a handle, feet wide | hips snap forward, weight floats to the chest | the hips throw, the arms only hold
glute bridge | bridge | hinge | supine | | | 2 | 1.6/2.2/3 | 00011100 | 00 | on your back, feet flat under the knees | lift the hips, lower slowly | ribs down, push through the heels
bridge march | marching bridge | hinge | supine | | | 2 | 1.5/2.2/3 | 00011100 | 00 | hips up in a bridge | lift one foot, then the other | hips stay up and level
bridge hold | | hinge | supine | h | | 2 | 20/30/45 | 00011100 | 00 | as for a glute bridge | stay up | breathe, hips high
single-leg bridge | | hinge | supine | 1 | | 3 | 1.8/2.5/3.5 | 00012200 | 00 | bridge position, one leg long | lift and lower on one leg | hips stay level
raised bridge | feet-raised bridge | hinge | supine | | chair | 3 | 1.8/2.5/3.5 | 00012200 | 00 | heels on a chair against the wall | lift the hips, lower slowly | press the heels down
bridge slide | towel leg slide | hinge | supine | | towel | 4 | 2.5/3.5/5 | 00012210 | 00 | bridge, heels on a towel on a smooth floor | slide out and back with the hips up | hips don’t sink
superman | prone back raise | hinge | prone | | | 2 | 2/2.8/4 | 00112000 | 00 | on your front, arms long | lift chest and legs a little, lower | long rather than high
standing leg lift back | standing hip extension | hinge | standing | 1 | | 1 | 1.6/2.2/3 | 00001100 | 00 | hand on a wall or chair | one leg goes back, return | back doesn’t arch
side leg lift | standing hip abduction | lunge | standing | 1 | | 1 | 1.6/2.2/3 | 00000101 | 00 | hand on a wall or chair | lift one leg to the side, lower slowly | toes point forward
lying side leg lift | side-lying leg raise | lunge | supine | 1 | | 1 | 1.6/2.2/3 | 00010100 | 00 | on your side, head on the arm | lift the top leg, lower slowly | hips stacked
clam | side-lying knee opener | lunge | supine | 1 | | 1 | 1.6/2.2/3 | 00010100 | 00 | on your side, knees bent | open the top knee, close slowly | hips don’t roll back
towel lunge slide | sliding lunge | lunge | standing | 1 | towel | 4 | 2.2/3/4.2 | 00001231 | 00 | one foot on a towel on a smooth floor | slide it back into a lunge, and in | front leg does the work
towel side slide | sliding side lunge | lunge | standing | 1 | towel | 3 | 2.2/3/4.2 | 00001221 | 00 | one foot on a towel on a smooth floor | slide it out to the side, and in | sit back, chest up
band side step | lateral band walk | lunge | standing | | band | 2 | 1.2/1.6/2.2 | 00000111 | 00 | band above the knees, knees soft | step sideways and back | toes forward, band tight
`;
