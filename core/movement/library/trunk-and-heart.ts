/** Brace, rotate, jump, locomotion and carry. Columns: see parse-rows.ts. */
export const TRUNK_AND_HEART = `
plank | high plank | brace | prone | h | | 3 | 20/40/60 | 21212110 | 00 | hands under the shoulders, legs long | stay in one line | seat tight, neck long
forearm plank | | brace | prone | h | | 3 | 20/40/60 | 01212110 | 00 | elbows under the shoulders | stay in one line | press the floor away
kneeling plank | knee plank | brace | kneeling | h | | 2 | 20/30/45 | 01111010 | 00 | forearms and knees on something soft | one line from knee to head | hips forward
chair plank | raised plank | brace | standing | h | chair | 2 | 20/40/60 | 11101100 | 00 | forearms or hands on a chair against the wall | one slanting line, stay | no sag
wall plank | standing plank | brace | standing | h | wall | 1 | 20/40/60 | 01100000 | 00 | forearms on a wall, feet a step away | one line, press lightly, stay | ribs in
seated brace | sitting brace | brace | seated | h | | 1 | 10/20/30 | 00000000 | 00 | sit tall away from the back of the chair | tighten the belly as if to cough, breathe on | don’t hold the breath
plank walk | up-down plank | brace | prone | | | 4 | 2.4/3.2/4.5 | 22312110 | 01 | from plank to forearms | one arm down, the other, and up again | hips stay still
shoulder tap | plank shoulder tap | brace | prone | | | 3 | 0.9/1.2/1.8 | 22212110 | 00 | plank, feet wide | tap one shoulder, then the other | hips stay still
kneeling shoulder tap | | brace | hands-and-knees | | | 2 | 1/1.4/2 | 21211010 | 00 | on hands and knees | tap one shoulder, then the other | weight stays in the middle
wall shoulder tap | | brace | standing | | wall | 1 | 1/1.3/1.9 | 11100000 | 00 | hands on a wall, feet a step away | tap one shoulder, then the other | hips face the wall
side plank | | brace | prone | h1 | | 3 | 15/30/45 | 11312110 | 00 | on one forearm, feet stacked or apart | hips up, stay | long from ear to ankle
kneeling side plank | bent-knee side plank | brace | kneeling | h1 | | 2 | 15/30/45 | 01211110 | 00 | forearm and lower knee on the floor | hips up, stay | shoulder over the elbow
wall side plank | standing side plank | brace | standing | h1 | wall | 1 | 15/25/40 | 01100000 | 00 | one forearm on a wall, feet away | one slanting line, stay | ribs in
side plank dip | side-plank hip dip, hip dip | brace | prone | 1 | | 3 | 1.2/1.5/2.2 | 11312110 | 00 | side plank on the forearm | hip towards the floor, and up | move from the waist
kneeling side dip | bent-knee side-plank dip | brace | kneeling | 1 | | 2 | 1.3/1.7/2.4 | 01211110 | 00 | kneeling side plank | hip down, and up | small and slow
standing side bend | bottle side bend | brace | standing | 1 | | 1 | 1.8/2.4/3.2 | 00001000 | 00 | feet hip-wide, one hand slides down the leg | bend to the side, come up | no twist
dead bug | | brace | supine | | | 2 | 2.2/3/4 | 00111100 | 00 | on your back, knees over the hips | opposite arm and leg long, and back | lower back stays down
heel slide | lying heel slide | brace | supine | | | 1 | 2/2.8/4 | 00001100 | 00 | on your back, feet flat | slide one heel out and in, then the other | belly stays flat
hollow hold | | brace | supine | h | | 3 | 15/25/40 | 00122100 | 00 | on your back, legs and arms long | shoulders and legs off the floor, stay | lower back stays down
tuck hold | bent-knee hollow hold | brace | supine | h | | 2 | 15/25/40 | 00011100 | 00 | on your back, knees in | shoulders a little up, stay | chin in
bird dog | | brace | hands-and-knees | | | 2 | 2.4/3.2/4.5 | 11111010 | 00 | on hands and knees | opposite arm and leg long, and back | long rather than high
forearm bird dog | | brace | hands-and-knees | | | 2 | 2.4/3.2/4.5 | 01111010 | 00 | on forearms and knees | one leg long, and back, in turn | hips level
standing bird dog | | brace | standing | | chair | 1 | 2.4/3.2/4.5 | 00101101 | 00 | fingertips on a chair back | opposite arm and leg reach, and back | look at one place
sit-up | full sit-up | brace | supine | | | 3 | 2.6/3.3/4 | 00012200 | 00 | on your back, feet flat | roll up to sitting, lower slowly | arms don’t pull the head
toe reach crunch | crunch | brace | supine | | | 2 | 1.2/1.7/2.4 | 00021000 | 00 | on your back, legs up or bent | reach towards the toes, lower | look between the knees
reverse crunch | | brace | supine | | | 2 | 1.6/2.2/3 | 00011100 | 00 | on your back, knees over the hips | curl the seat off the floor, lower | no swing
leg lowering | leg raise | brace | supine | | | 3 | 2.2/3/4 | 00003200 | 00 | on your back, legs up | lower the legs as far as the back stays down | stop before the back lifts
seated knee tuck | chair knee tuck | brace | seated | | chair | 2 | 1.6/2.2/3 | 10002100 | 00 | at the edge, hands beside the seat | draw both knees in, out again | lean back a little, chest open
seated lean-back | seated back lean | brace | seated | | | 1 | 2/3/4 | 00001000 | 00 | sit at the front edge, arms crossed | lean back a little, come tall | long back
hover hold | bear hold | brace | hands-and-knees | h | | 3 | 15/25/40 | 22211120 | 00 | hands and knees, toes tucked | knees a hand off the floor, stay | back flat as a table
standing cross crunch | standing knee to elbow | brace | standing | | | 2 | 1/1.4/2 | 00001101 | 00 | stand tall, hands at the ears | knee to the opposite elbow, in turn | standing leg stays long
band hold | band press-out, anti-rotation press | brace | standing | 1 | band | 2 | 2.4/3.2/4.5 | 01101000 | 00 | band on a firm anchor beside you | press the hands forward, return | hips don’t turn
back-extension hold | prone back hold | brace | prone | h | | 2 | 10/20/30 | 00112000 | 00 | on your front, hands at the sides | chest a little up, stay | look at the floor
seated twist | russian twist | rotate | seated | f | | 2 | 0.9/1.2/1.8 | 00013100 | 00 | on the floor, knees bent, lean back | turn from side to side | turn the chest, not only the arms
standing twist | | rotate | standing | | | 1 | 1/1.4/2 | 00001000 | 00 | feet hip-wide, arms loose | turn from side to side | heels may lift
seated turn | chair twist | rotate | seated | | | 1 | 1.6/2.2/3 | 00001000 | 00 | sit tall, arms crossed | turn to one side, then the other | the seat stays still
band twist | standing band rotation | rotate | standing | 1 | band | 2 | 1.8/2.4/3.2 | 01102000 | 00 | band on a firm anchor, arms long | turn away from it, return slowly | turn from the ribs
wood chop | bottle chop | rotate | standing | 1 | bottle | 3 | 1.8/2.4/3.2 | 11202110 | 00 | weight in both hands high to one side | swing down across, and up | knees turn with you
low chop | half chop | rotate | standing | 1 | bottle | 2 | 1.8/2.4/3.2 | 11101110 | 00 | weight at one hip | lift to the other shoulder, and back | slow down
open-up plank | plank rotation | rotate | prone | | | 4 | 2/2.8/4 | 22312110 | 00 | plank, feet wide | open one arm to the ceiling, in turn | hips high
windscreen wiper | lying knee drop | rotate | supine | | | 1 | 2.4/3.2/4.5 | 00001100 | 00 | on your back, feet wide | both knees to one side, then the other | shoulders stay down
mountain climber | | locomotion | prone | | | 4 | 0.55/0.71/1 | 22212110 | 11 | plank | knees to the chest in turn, quickly | hips level
slow mountain climber | plank knee drive | locomotion | prone | | | 3 | 1.2/1.6/2.2 | 22212110 | 00 | plank | one knee in, back, the other | no bounce
chair climber | raised mountain climber | locomotion | standing | | chair | 3 | 0.8/1.1/1.5 | 21201100 | 00 | hands on a chair against the wall | knees in, in turn | shoulders over the hands
wall climber | wall knee drive | locomotion | standing | | wall | 2 | 0.8/1.1/1.5 | 11100100 | 00 | hands on a wall, body slanted | knees up, in turn | light feet
standing knee drive | knee lift | locomotion | standing | | | 2 | 0.8/1.1/1.5 | 00000111 | 00 | stand tall | drive one knee up, in turn | tall on the standing leg
burpee | full burpee | jump | standing | | | 5 | 4/5/6.5 | 32323322 | 33 | stand, space to lie down | hands down, legs back, chest down, up, jump | form before speed | step-back squat thrust, squat jump
step-back squat thrust | no-jump burpee, walking burpee | locomotion | standing | | | 4 | 3/3.75/5 | 21212221 | 01 | stand, hands will go to the floor | hands down, step back, step in, stand | step, don’t hop
chair squat thrust | hands-raised burpee | locomotion | standing | | chair | 3 | 3/3.75/5 | 21201111 | 01 | hands on a chair against the wall | step back to a slant, step in, stand | chair doesn’t slide
wall squat thrust | wall burpee | locomotion | standing | | wall | 2 | 3/3.75/5 | 11101111 | 00 | hands on a wall | step back, step in, stand tall | quiet feet
squat to reach | squat and reach | locomotion | standing | o | | 2 | 2/2.6/3.4 | 00101111 | 00 | feet hip-wide | shallow squat, then reach up | heels stay down
plank jack | | jump | prone | | | 4 | 0.55/0.71/1 | 22212111 | 22 | plank, feet together | feet apart and together in small jumps | hips level
plank step-out | walking plank jack | locomotion | prone | | | 3 | 1/1.3/1.8 | 22212110 | 00 | plank | one foot out and in, then the other | hips still
jumping jack | star jump | jump | standing | o | | 3 | 0.8/1/1.3 | 00200122 | 22 | stand, arms down | jump feet apart, arms up, and back | land softly
step jack | | locomotion | standing | | | 2 | 0.9/1.2/1.6 | 00100111 | 00 | stand, arms down | step to one side with arms out, in turn | quiet feet
low step jack | arms-low step jack | locomotion | standing | | | 1 | 0.9/1.2/1.6 | 00000101 | 00 | stand, hands on the hips | tap one foot to the side, in turn | tall back
seated jack | chair jack | jump | seated | | | 1 | 0.9/1.2/1.6 | 00000100 | 00 | sit tall at the edge | open and close the legs, toes tapping | arms may join
squat jump | | jump | standing | | | 5 | 1.6/2.1/3 | 00002333 | 33 | squat half way | jump, land softly, sink | knees follow the toes
squat to toes | squat to calf raise | squat | standing | | | 3 | 1.8/2.4/3.2 | 00001122 | 00 | feet hip-wide | squat, stand, rise onto the toes | quick up, no jump
lunge jump | jumping lunge | jump | standing | | | 5 | 1/1.4/2 | 00002333 | 33 | split stance | jump and change legs | land softly, chest tall
broad jump | standing long jump | jump | standing | | | 5 | 2.5/3.2/4.5 | 00002333 | 33 | room in front | jump forward, walk back | land with both feet flat
skater jump | | jump | standing | | | 4 | 1/1.3/1.8 | 00001232 | 22 | weight on one leg | leap sideways to the other | knee over the foot
skater step | | locomotion | standing | | | 3 | 1/1.4/2 | 00001121 | 00 | weight on one leg | long quiet step sideways, in turn | stay low
side step | step touch | locomotion | standing | | | 1 | 0.9/1.2/1.6 | 00000011 | 00 | feet together | step to the side, close, and back | knees soft
skip | rope skip, single skip | jump | standing | | rope | 3 | 0.45/0.55/0.7 | 10100122 | 22 | rope behind the heels | small jumps over the rope | wrists turn, not arms
double skip | double under | jump | standing | | rope | 5 | 0.6/0.9/1.4 | 20200133 | 33 | rope behind the heels | jump higher, rope passes twice | land softly
rope-free skip | shadow skip | jump | standing | | | 2 | 0.45/0.55/0.7 | 00000122 | 11 | as if with a rope | small springs, hands turning | heels hardly lift
heel lift skip | quiet skip | jump | standing | | | 1 | 0.7/0.9/1.2 | 00000011 | 00 | feet together, hands turning as with a rope | lift the heels in time, toes stay down | quiet as a cat
seated heel drum | heel drum | jump | seated | | | 1 | 0.35/0.5/0.7 | 00000000 | 00 | sit tall, feet flat | lift the heels in quick turn | toes stay down
rope wave | double rope wave | locomotion | standing | | heavy rope | 4 | 0.6/0.8/1.1 | 11201110 | 01 | an end in each hand, rope on a firm anchor | both arms up and down together | knees soft, ribs in
alternating rope wave | alternating wave | locomotion | standing | | heavy rope | 3 | 0.4/0.55/0.8 | 11201110 | 01 | an end in each hand, rope on a firm anchor | one arm up, one down, quickly | back long, shoulders low
rope slam | | hinge | standing | | heavy rope | 4 | 1.2/1.6/2.2 | 11202111 | 12 | both ends in the hands, tall | lift, and throw the rope down with a hinge | back stays long
plank knee slide | towel knee tuck | brace | prone | | towel | 4 | 1.6/2.2/3 | 22212210 | 00 | plank, toes on a towel on a smooth floor | draw both knees in, slide out | hips low
march | marching on the spot | locomotion | standing | | | 1 | 0.5/0.7/1 | 00000101 | 00 | stand tall | lift the feet in turn, arms swing | quiet feet
seated march | chair march | locomotion | seated | | | 1 | 0.5/0.7/1 | 00000100 | 00 | sit tall | lift the feet in turn, arms swing | tall back
high knees | | jump | standing | | | 4 | 0.35/0.45/0.6 | 00001222 | 22 | stand tall | run on the spot, knees to the hips | land on the balls of the feet
fast feet | | locomotion | standing | | | 3 | 0.25/0.35/0.5 | 00000111 | 11 | low stance | small quick steps | stay low and light
shadow boxing | straight punches | locomotion | standing | | | 3 | 0.45/0.6/0.9 | 01101000 | 00 | one foot forward, hands up | punch and draw back, in turn | elbows never lock
seated punches | chair boxing | locomotion | seated | | | 1 | 0.5/0.7/1 | 00100000 | 00 | sit tall, hands up | punch and draw back, in turn | soft elbows
bear crawl | | locomotion | hands-and-knees | | | 4 | 1/1.4/2 | 22212120 | 01 | knees a hand off the floor | opposite hand and foot, forward and back | back flat
crab walk | | locomotion | seated | f | | 3 | 1/1.4/2 | 32302110 | 01 | seated on the floor, hands behind, hips up | walk on hands and feet | chest open
run | jog | locomotion | standing | | | 4 | 0.3/0.36/0.45 | 00001122 | 22 | a way to run | easy, then as the session says | quick light steps
run on the spot | jog on the spot | locomotion | standing | | | 3 | 0.33/0.4/0.5 | 00000122 | 22 | room to stand | easy running without leaving | heels low behind
stair climb | climb the stairs | locomotion | standing | | step | 3 | 0.6/0.8/1.1 | 00000121 | 01 | a staircase with a rail | up at your pace, walk down | whole foot on the step
suitcase carry | farmer carry | carry | standing | h | bottle | 2 | 20/40/60 | 11101000 | 00 | a weight in each hand | walk tall | shoulders level
one-side carry | single suitcase carry | carry | standing | h1 | bottle | 2 | 20/30/45 | 11101000 | 00 | a weight in one hand | walk tall, no lean | as if both hands held one
overhead carry | waiter carry | carry | standing | h1o | bottle | 3 | 15/25/40 | 22211000 | 00 | one weight overhead, arm straight | walk slowly | ribs in
front carry | hugged carry | carry | standing | h | bottle | 2 | 20/40/60 | 11101000 | 00 | a weight hugged to the chest | walk tall | don’t lean back
grip hold | fist squeeze | carry | seated | h | | 1 | 10/20/30 | 10000000 | 00 | sit tall, fists closed, or on a rolled towel | squeeze, breathe, let go at the end | shoulders loose
standing hold | weight hold | carry | standing | h | bottle | 1 | 20/40/60 | 11000000 | 00 | a weight in each hand | stand tall and stay | knees soft
tall stand | standing tall | carry | standing | h | | 1 | 15/30/45 | 00000000 | 00 | feet hip-wide, arms long, fists closed | grow tall, squeeze, breathe | weight in the middle of the feet
`;
