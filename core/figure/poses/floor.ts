/** On hands, knees, back, belly and side: push-ups, planks, bridges, trunk work. */
export const FLOOR = `
push-up: side | plank > arms 38 128 armOut 14 4
slow-push-up = push-up
close-push-up: side | plank > arms 12 108
fist-push-up = push-up
diamond-push-up: side | plank armOut -10 -10 > arms 24 118 armOut 4 -24
hand-release-push-up: side | plank > arms 30 132 armOut 14 4 > lay 86 arms 20 150 armOut 30 10 on toes chest level
archer-push-up: front | plank armOut 42 42 > armR 20 110 armOutR 50 0 armL 80 80 armOutL 66 66
t-push-up: side | plank > arms 38 128 armOut 14 4 > plank > twist 70 armR 90 90 armL 0 0 armOutL 90 90 on toes handR
clap-push-up: side | plank > arms 38 128 armOut 14 4 > lay 68 arms 86 88 armOut -12 -12 up 0.07 on toes
knee-to-elbow-push-up: side alternates | plank > arms 42 126 armOut 14 4 legR 80 -30 outR 34 20 pointR 40 on toesL hands level
pseudo-planche-push-up: side | plank arms 72 72 > arms -4 96 armOut 12 4
planche-lean: side | plank arms 66 66
feet-raised-push-up: side | plank on toes@chair hands level > arms 38 128 armOut 14 4
knee-push-up: side | knee-plank > arms 38 128 armOut 14 4
wall-push-up: side | stand trunk 12 legs -12 -12 arms 86 86 point 6 on toes hands@wall > trunk 20 legs -20 -20 arms 36 116 armOut 12 4
forearm-wall-push: side | stand trunk 14 legs -14 -14 arms 86 172 on toes > trunk 10 legs -10 -10 arms 86 88 on toes hands@wall
wall-plank: side | stand trunk 14 legs -14 -14 arms 88 88 on toes hands@wall
wall-shoulder-tap: side alternates | stand trunk 14 legs -14 -14 out 10 10 arms 88 88 on toes hands@wall > armR 62 140 armOutR 0 -70 on toes handL@wall
chair-push-up: side | lay 50 legs 0 0 arms 90 90 nod -8 on toes hands@chair level > arms 38 128 armOut 14 4
chair-plank: side | lay 50 legs 0 0 arms 90 90 nod -8 on toes hands@chair level
chair-climber: side alternates | lay 50 legs 0 0 arms 90 90 nod -8 on toes hands@chair level > legR 92 -20 on toesL hands@chair level
wall-climber: side alternates | stand trunk 14 legs -14 -14 arms 88 88 on toes hands@wall > legR 92 -20 on toesL hands@wall
pike-push-up: side | lay 55 trunk 72 legs -2 -2 arms 108 108 armOut 4 4 nod 6 on toes hands level > arms 70 142 armOut 24 -8 trunk 76
pike-hold: side | lay 55 trunk 72 legs -2 -2 arms 108 108 armOut 4 4 nod 6 on toes hands level
downward-dog: side | lay 45 trunk 70 legs -4 -4 arms 112 112 nod 4 on toes hands level
handstand-hold: side | lay 176 legs 0 0 point 20 arms 178 178 on hands toes@wall
wall-walk: side | plank on hands toes > lay 150 legs 0 0 arms 176 176 on hands toes@wall+
plank: side | plank
forearm-plank: side | forearm-plank
long-lever-plank: side | forearm-plank arms 122 180
kneeling-plank: side | knee-plank arms 90 180 on knees elbows level
hover-hold: side | hands-knees legs 88 -12 point 4 on toes hands level
bear-plank: side | hands-knees legs 90 -10 point 0 on toes hands level
bear-shoulder-tap: side alternates | hands-knees legs 90 -10 point 0 out 12 8 on toes hands level > armR 62 140 armOutR 0 -70 on toes handL level
shoulder-tap: side alternates | plank out 10 10 > armR 62 140 armOutR 0 -70 on toes handL level
kneeling-shoulder-tap: side alternates | hands-knees > armR 62 140 armOutR 0 -70 on knees handL level
plank-reach: side alternates | plank out 8 8 > armR 172 172 on toes handL level
plank-walk: side | plank > forearm-plank on toes elbows+ level
plank-leg-lift: side alternates | plank > legR -20 -20 pointR 30 on toesL hands level
plank-toe-tap: rear alternates | plank > outR 24 24 on toesL hands toesR+ level
plank-jack: rear | plank > takes 0.6 out 22 22 on hands toes+ level
plank-step-out: rear alternates | plank > outR 24 24 on hands toesL toesR+ level
body-saw: side | forearm-plank on elbows toes level > arms 112 180 on elbows toes+ level
plank-knee-slide: side | plank > legs 90 -20 trunk 10 on hands toes+ level
plank-knee-to-elbow: side alternates | plank > legR 100 -18 pointR 30 on toesL hands level
mountain-climber: side alternates | plank > legR 100 -16 pointR 40 on toesL hands level
slow-mountain-climber = mountain-climber
renegade-row: side alternates | plank out 14 14 > armR -34 70 on toes handL level
open-up-plank: quarter alternates | plank out 8 8 > twist 72 armR 90 90 armL 0 0 armOutL 90 90 on toes handR
roll-out: side | hands-knees on knees hands level > knee-plank arms 150 150 on knees hands+ level
barbell-roll-out = roll-out
stir-the-pot: side | forearm-plank on toes elbows@ball level
walk-out: side | stand > trunk 62 curl 40 legs 4 0 arms 10 10 > lay 45 trunk 66 legs -4 -4 arms 114 114 on toes hands level > plank on toes hands+ level
walk-out-push-up: side | stand > trunk 62 curl 40 legs 4 0 arms 10 10 > plank on toes hands+ level > arms 38 128 armOut 14 4
short-walk-out: side | stand > trunk 62 legs 12 0 arms 30 30 > lay 50 legs 0 0 arms 90 90 on toes hands@chair level
bird-dog: side | hands-knees > legR -4 -4 pointR 10 armL 176 176 on kneeL handR level
forearm-bird-dog: side | forearms-knees > legR -4 -4 pointR 10 armL 176 176 on kneeL elbowR level
donkey-kick: side | hands-knees > legR -16 -100 pointR 0 on kneeL hands level
band-kickback: side | hands-knees > legR -12 -12 on kneeL hands level
rainbow-leg-lift: rear | hands-knees legR 0 0 outR -12 -12 on kneeL hands level > outR 34 34
fire-hydrant: rear | hands-knees > legR 84 0 outR 60 -8 on kneeL hands level
lateral-kickback: rear | hands-knees > legR 60 60 outR 58 58 on kneeL hands level
cat-and-cow: side | hands-knees curl -30 nod -24 > curl 52 trunk -12 nod 22
hip-rock: side | hands-knees > trunk 8 legs 112 0 arms 128 128
wrist-rock: side | hands-knees > legs 78 -2 arms 78 78
thread-the-needle: quarter | hands-knees > trunk 16 twist -44 armL 92 92 armR 80 80 armOutR -50 -60
bear-crawl: side alternates | hands-knees legs 90 -10 point 0 on toes hands level > legR 104 -10 armL 106 100 on toesL handR level
bear-walk: side alternates | lay 50 trunk 62 legs 4 -8 arms 118 118 on toes hands level > legR 26 -20 armL 130 120 on toesL handR level
side-plank: side | side-plank
kneeling-side-plank: side | knee-side-plank
kneeling-side-dip: side | knee-side-plank > bend -22 on elbowR kneeR+ level
side-plank-dip: side | forearm-side-plank on elbowR footR level > bend -20 on elbowR footR+ level
side-plank-leg-lift: side | forearm-side-plank > outL 34 34
side-plank-rotation: side | forearm-side-plank > armL 60 70 armOutL -30 -50
lying-side-leg-lift: side | side-lying > outL 38 38
inner-thigh-lift: side | side-lying legL 60 -30 outL 12 -6 > outR -16 -16
leg-circle: side round | side-lying outL 18 18 > legL 24 24 outL 26 26 > legL 0 0 outL 36 36 > legL -18 -18 outL 26 26
clam: quarter | side-lying legs 50 -40 > outL 44 -30
side-kick-series: side | side-lying outL 8 8 legL -18 -18 > legL 66 66
open-book: quarter | side-lying legs 80 -10 armR 90 90 armL 90 90 > twist 66 armL 0 0 armOutL 90 90
glute-bridge: side | hook > lay -90 trunk 0 legs 2 -78 on back feet level
bridge-hold: side | hook lay -90 legs 2 -78 arms 30 30 on back feet level
hip-thrust: side | lay -60 trunk 0 legs 70 -36 arms 20 60 on back@bench feet > lay -90 legs 0 -88 on back@bench feet level
frog-pump: top | hook out 40 -50
bridge-march: side alternates | hook lay -90 legs 2 -78 arms 30 30 on back feet level > legR 88 -10 on back footL level
single-leg-bridge: side | hook legR 50 50 on seat back footL > lay -90 legL 2 -78 legR 4 4 arms 30 30 on back footL level
raised-bridge: side | supine legs 84 4 on seat back feet@chair > lay -90 legs 14 -40 on back feet@chair level
bridge-slide: side | lay -90 legs 2 -78 arms 30 30 on back feet level > legs 14 -8 on back feet+ level
exercise-ball-leg-curl: side | lay -90 legs 0 -6 point -20 nod 10 arms 30 30 on back feet@ball level > legs 10 -64 on back feet@ball+ level
straight-leg-raise: side | supine legL 50 -56 on seat back footL > legR 52 52
short-arc-leg-extension: side | supine legR 32 -30 > legR 32 30
heel-slide: side | supine > legR 54 -60
dead-bug: side alternates | tabletop arms 90 90 > legR 12 10 armL 172 172
toe-tap-on-the-back: side alternates | tabletop > legR 62 -42
hollow-hold: side | supine legs 24 24 trunk 10 curl 24 arms 152 152 nod 8 on seat
tuck-hold: side | supine legs 112 20 trunk 10 curl 28 arms 50 50 nod 8 on seat
hollow-rock: side | supine legs 24 24 trunk 10 curl 24 arms 152 152 nod 8 on seat > lay -76
sit-up: side | hook arms 60 170 armOut 40 -30 > trunk 64 curl 20 arms 70 90 on seat feet
butterfly-sit-up: side | hook legs 46 -40 out 44 -44 arms 172 172 on seat back > trunk 74 curl 20 arms 92 92 on seat
toe-reach-crunch: side | supine legs 84 82 arms 90 90 > trunk 6 curl 38 arms 98 98 on seat
toe-touch = toe-reach-crunch
heel-touch: top alternates | hook trunk 3 curl 16 arms 0 0 armOut 14 14 on seat feet > bend 22
cross-crunch: quarter alternates | hook arms 60 170 armOut 50 -30 > trunk 6 curl 34 twist 34 legR 88 0 on seat footL
bicycle-crunch: quarter alternates | tabletop trunk 6 curl 30 arms 60 170 armOut 50 -30 on seat > twist 36 legR 104 -6 legL 26 22
double-crunch: side | hook arms 60 170 armOut 40 -30 > trunk 6 curl 34 legs 108 -4 on seat
reverse-crunch: side | tabletop > legs 128 24 trunk -24 on back
leg-lowering: side | supine legs 86 84 > legs 12 12
leg-drop = leg-lowering
v-up: side | supine arms 172 172 > trunk 54 curl 10 legs 62 62 arms 78 78 on seat
tuck-up: side | supine arms 172 172 > trunk 40 curl 24 legs 108 0 arms 76 76 on seat
flutter-kick: side alternates | supine trunk 4 curl 20 legs 14 14 nod 6 on seat > legR 28 28 legL 6 6
scissor-kick: side alternates | supine trunk 4 curl 20 legs 40 40 nod 6 on seat > legR 80 78 legL 14 14
roll-up: side | supine arms 172 172 > trunk 20 curl 50 nod 10 arms 92 92 on seat > trunk 84 curl 40 arms 96 96
hundred: side | supine legs 46 46 trunk 4 curl 34 arms 12 12 nod 8 on seat
single-leg-circle: side round | supine legR 80 80 outR -12 -12 > legR 62 62 outR 0 0 > legR 76 76 outR 26 26 > legR 92 92 outR 6 6
single-leg-stretch: side alternates | supine trunk 4 curl 34 legR 112 -4 legL 24 24 arms 64 70 nod 8 on seat > legs 70 12
double-leg-stretch: side | supine trunk 4 curl 34 legs 112 0 arms 64 66 nod 8 on seat > legs 40 40 arms 164 164
teaser: side | supine arms 172 172 > trunk 52 legs 50 50 arms 66 66 on seat
windscreen-wiper: top alternates | supine legs 88 0 arms 0 0 armOut 88 88 on seat back > outR 40 36 outL -40 -36
boat-hold: side | long-sit trunk -34 legs 126 124 arms 66 66
in-and-out: side | long-sit trunk -40 legs 112 100 arms -34 -14 > trunk -22 legs 138 42
seated-lean-back: side | bent-sit > trunk -38 arms 60 60
l-sit: side | hang legs 88 88 point 20
reverse-plank: side | lay -62 legs 0 0 point 50 arms -52 -52 nod -6 on feet hands level
crab-toe-touch: side alternates | crab > legR 88 84 armL 84 84 on footL handR level
superman: side | prone arms 176 176 > trunk -14 curl -14 legs -14 -14 arms 202 202 on seat
arch-hold: side | prone trunk -14 curl -14 legs -14 -14 on seat
arch-rock: side | prone trunk -14 curl -14 legs -14 -14 on seat > lay 98
back-extension: side | prone arms 172 178 armOut 66 -60 > trunk -16 curl -16 arms 196 202 on seat
back-extension-hold: side | prone trunk -16 curl -16 arms 196 202 armOut 66 -60 on seat
swan-dive = superman
prone-swimmer: side alternates | prone trunk -8 curl -10 legs -8 -8 on seat > armR 182 182 legL -20 -20
lying-leg-lift-back: side | prone arms 172 178 armOut 66 -60 > legR -22 -22
lying-leg-curl: side | prone arms 172 178 armOut 66 -60 > legR 0 -98
reverse-hyper: side | lay 90 legs 72 72 arms 172 178 armOut 66 -60 on seat@table chest@table > legs -4 -4
y-raise: top | prone arms 172 172 armOut 28 28 > trunk -8 curl -8 arms 200 200 armOut 30 30 on seat
t-raise: top | prone arms 60 60 armOut 84 84 > trunk -8 curl -8 arms -20 -20 armOut 78 78 on seat
w-raise: top | prone trunk -4 curl -4 arms 190 196 armOut 110 10 on seat > trunk -10 curl -10 arms 200 206 armOut 122 10
y-t-w = y-raise
snow-angel: top | prone trunk -6 curl -6 arms -14 -14 armOut 160 160 on seat > armOut 28 28
prone-pull-down: top | prone trunk -8 curl -8 arms 190 190 armOut 18 18 on seat > arms 196 206 armOut 126 10
cobra: side | prone arms -20 136 armOut 14 10 on seat hands > trunk -24 curl -36 nod -14 arms 40 96
upward-dog = cobra
sphinx: side | lay 90 trunk -20 curl -22 nod -8 legs 0 0 point 72 arms 90 180 on seat elbows
scorpion: top | prone arms 0 0 armOut 84 84 > legR -30 -100 outR -30 0
reverse-nordic: side | kneel arms 30 100 > trunk -36 legs 36 -90
tall-kneel-to-stand: side | kneel > half-kneel on kneeL footR+ > stand on footR footL+
floor-to-stand = tall-kneel-to-stand
hamstring-stretch: side | supine legR 84 84 armR 66 66 armL 66 66
figure-four-stretch: quarter | supine legL 96 8 legR 88 20 outR 46 -50 arms 70 60
knees-to-chest: side | supine legs 128 10 arms 66 70
lower-back-stretch = knees-to-chest
single-knee-to-chest: side | supine legR 128 10 arms 66 70
lying-twist: top | supine legL 0 0 legR 84 0 outR -44 -40 arms 0 0 armOut 86 86
legs-up-the-wall: side | supine legs 88 88 arms 0 0 armOut 40 40
lying-rest: side | supine
lying-breathing = lying-rest
diaphragmatic-breathing = lying-rest
quad-stretch-lying: top | side-lying legL -8 -128 armL -30 -20 armOutL 10 10
child-s-pose: side | heel-sit trunk 82 curl 26 arms 78 84 nod 4 on knees
puppy-pose: side | hands-knees trunk 26 legs 96 0 arms 150 156 on knees hands level
camel-pose: side | kneel trunk -26 curl -36 nod -20 legs 14 -90 arms -28 -20
shin-stretch: side | heel-sit trunk -12 arms -30 -30
half-get-up: side | supine legR 50 -56 armR 90 90 on seat back footR > trunk 58 armR 150 150 armL -40 -40 on seat footR
lying-floor-press: side | hook arms 10 90 armOut 40 0 > arms 90 90
floor-bench-press = lying-floor-press
squeeze-press: side | hook arms 10 90 armOut 10 0 > arms 90 90
bench-press: side | lay -90 legs 20 -66 arms 0 90 armOut 60 0 nod 4 on back@bench seat@bench feet > arms 90 90 armOut 4 4
chest-fly: quarter | hook arms 10 20 armOut 80 70 > arms 90 90 armOut 6 6
skull-crusher: side | hook arms 96 172 > arms 94 94
pullover: side | hook arms 90 92 > arms 168 172
`;
