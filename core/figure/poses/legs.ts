/** Squats, lunges, steps, balance and hinges on the feet. One movement a line; the right leg works where one does. */
export const LEGS = `
squat: side | stand > squatting
slow-squat = squat
goblet-squat: side | stand arms 15 140 armOut 8 -10 > trunk 30 legs 95 -30 out 14 8 turn 15
two-bottle-squat: side | stand arms 0 0 > trunk 40 legs 92 -30 out 12 6 arms 0 0
squat-pulse: side | squatting > legs 78 -24 trunk 36
chair-squat: side | stand > trunk 40 legs 83 0 arms 85 88 on feet seat@chair
sit-to-stand: side | stand arms 40 110 armOut 0 -30 > trunk 36 legs 83 0 on feet seat@chair
helped-sit-to-stand: side | stand > trunk 36 legs 83 0 arms 15 50 on feet seat@chair
single-leg-chair-stand: side | stand legL 25 15 on footR arms 60 80 > trunk 40 legR 83 0 legL 75 60 on footR seat@chair
sumo-squat: front | stand-wide out 26 24 turn 40 arms 0 5 > legs 40 0 out 62 4 turn 40 trunk 8 arms 10 10
plie: front | stand-wide out 24 22 turn 45 arms 0 0 armOut 20 20 > legs 25 0 out 56 4 turn 50 armOut 70 60
goddess-pose: front | stand-wide out 60 0 legs 30 0 turn 45 arms 0 0 armOut 90 170
front-squat: side | stand arms 60 150 > trunk 28 legs 97 -32 out 12 6 turn 15 arms 88 165
back-squat: side | stand arms -35 140 armOut 25 10 > trunk 46 legs 95 -28 out 12 6 turn 15 arms -5 125
zercher-squat: side | stand arms 10 95 > trunk 36 legs 95 -30 out 12 6 turn 15
overhead-squat: side | stand arms 178 178 armOut 22 22 > trunk 34 legs 97 -32 out 12 6 turn 15 arms 182 182
pistol-squat: side | stand legL 25 20 on footR arms 60 70 > trunk 38 legR 112 -36 legL 92 92 arms 85 90
shrimp-squat: side | stand legL 0 -110 pointL 40 on footR arms 40 60 > trunk 46 legR 92 -34 legL 10 -96 arms 85 90
sissy-squat: side | stand arms 40 60 > trunk -38 legs 38 -62 point -20 on toes arms 60 70
chair-pose: side | stand trunk 28 legs 62 -30 arms 152 154
horse-stance: front | stand-wide legs 30 0 out 62 4 turn 30 arms 40 95 armOut 20 -10
wall-sit: side | stand legs 89 0 trunk 0 arms 10 20 on feet back@wall
high-wall-sit: side | stand legs 58 -6 trunk 0 arms 5 10 on feet back@wall
chair-sit-hold: side | stand trunk 38 legs 82 -24 arms 85 90
calf-raise: side | stand > point 36 on toes
single-leg-calf-raise: side | stand legL 5 -75 on footR > pointR 36 on toesR
releve: front | stand turn 35 arms 10 60 armOut 30 -20 > point 40 on toes arms 160 165 armOut 20 -8
tibialis-raise: side | stand trunk -2 legs 8 8 on feet back@wall > point -28
heel-drop: side | stand lay 6 on toes@step > lay 8 point -20
squat-to-toes: side | squatting > stand point 36 on toes arms 170 172
squat-kick: side | squatting arms 40 115 > stand arms 25 120 legL 82 74 pointL -10 trunk -6 on footR
squat-to-reach: side | squatting > stand arms 176 176
squat-hold-stretch: side | stand trunk 26 legs 122 -32 out 24 10 turn 25 arms 42 120 armOut 8 -26
thruster: side | stand arms 40 150 > trunk 32 legs 95 -30 out 12 6 turn 15 arms 60 155 > stand arms 178 178
cluster = thruster
wall-ball: side | stand arms 45 140 > trunk 30 legs 95 -30 out 12 6 turn 15 > stand arms 160 165 point 25 on toes
step-back-lunge: side | stand > lunging on footR toesL+
slow-step-back-lunge = step-back-lunge
held-step-back-lunge = step-back-lunge
forward-lunge: side | stand > lunging on toesL footR+
walking-lunge: side round alternates travels | lunging on footR+ toesL > stand legL 40 -60 on footR
lunge-with-knee-drive: side | lunging arms 20 100 > stand legL 95 0 arms 20 100 on footR
lunge-and-touch: side | stand > lunging trunk 42 arms 30 20 on footR toesL+
split-squat: side | split > lunging
held-split-squat = split-squat
raised-split-squat: side | stand legR 22 0 legL -20 -72 pointL 60 on footR toesL@chair > legR 88 -14 legL -2 -104 trunk 18
side-lunge: front | stand arms 20 90 armOut 5 -40 > trunk 34 legR 78 -22 outR 22 4 legL 12 -6 outL 48 44 turnL 10 arms 40 95 on footL footR+
side-step-squat: front | stand arms 20 100 armOut 5 -40 > squatting out 28 8 arms 40 105 armOut 8 -40 on footL footR+
cossack-squat: front | stand-wide out 38 36 arms 20 95 armOut 5 -40 > trunk 36 legR 88 -34 outR 34 4 legL 0 0 outL 62 62 turnL 20 arms 50 95
curtsey-lunge: front | stand arms 20 100 armOut 5 -40 > legR 62 -12 outR -6 -3 legL -4 -56 outL -16 -24 trunk 22 on footR toesL+
step-up: side | stand legL 68 -12 on footR footL@step arms 10 80 > stand on footL@step footR@step+
low-step-up = step-up
step-down: side | stand legL 20 10 on footR@step > legR 42 -30 trunk 16 legL 12 -6 on footR@step footL+
side-leg-lift: front | hips outR 4 4 on footL > outR 38 38
standing-leg-lift-back: side | hips on footL > legR -33 -33 trunk 12
arabesque: side | stand on footL arms 80 80 armOut 40 40 > legR -64 -64 pointR 45 trunk 32 armR 95 95 armL 20 20
passe-balance: side | stand legR 88 -38 outR 40 -55 pointR 45 arms 45 70 on footL
single-leg-balance: side | hips legR 55 -20 on footL
tandem-stand: side | stand legR 10 8 legL -9 -9 out 0 0 turn 0 on feet
weight-shift: front | hips out 8 8 > roll 7 outR 1 1 outL 14 14
mountain-pose: front | stand arms 0 0 armOut 12 12
towel-side-slide: front | stand arms 20 100 armOut 5 -40 > trunk 28 legR 76 -30 legL 10 -4 outL 50 46 on footR footL+
monster-walk: front alternates | stand trunk 14 legs 24 -22 out 8 8 arms 30 105 armOut 8 -40 > outR 24 20 outL 18 14 on footL footR+
band-side-step = monster-walk
hip-hinge: side | hips > trunk 66 legs 24 -6
wall-hip-hinge = hip-hinge
suitcase-deadlift: side | stand arms 0 0 > trunk 58 legs 58 -14 arms 0 0 nod -16
deadlift: side | stand arms 4 4 armOut 5 2 > trunk 64 legs 44 -12 arms -4 -4 nod -18
barbell-deadlift: side | stand arms 8 8 armOut 6 4 > trunk 60 legs 62 -16 arms -4 -4 nod -18
rack-pull: side | stand arms 8 8 armOut 6 4 > trunk 46 legs 34 -8 arms -2 -2 nod -14
romanian-deadlift: side | stand arms 6 6 > trunk 72 legs 24 -4 arms -6 -6 nod -20
sumo-deadlift: front | stand-wide arms 0 0 armOut -6 -6 out 20 18 > legs 42 -6 out 44 4 trunk 52 arms 0 0 nod -20
single-leg-deadlift: side | stand on footR > trunk 74 legR 14 -4 legL -72 -66 pointL 20 arms 0 0 nod -20
held-single-leg-hinge = single-leg-deadlift
standing-bird-dog: side | stand on footR > trunk 70 legR 14 -4 legL -70 -70 pointL 20 armL 165 165 armR 20 20 nod -14
warrior-3: side | stand trunk 82 legR 6 -2 legL -86 -86 pointL 20 arms 168 168 nod -6 on footR
staggered-deadlift: side | split arms 4 4 > trunk 66 legR 26 -6 legL 2 -42 arms -4 -4 nod -18
bottle-swing: side | hinged arms -24 -24 > stand legs 0 0 arms 85 85 trunk -2
swing: side | hinged trunk 62 legs 36 -10 arms -26 -26 > stand arms 86 86 trunk -2
american-swing: side | hinged trunk 62 legs 36 -10 arms -26 -26 > stand arms 172 172
clean: side | hinged trunk 60 legs 42 -10 > stand armR 15 140 armL 10 20
snatch: side | hinged trunk 60 legs 42 -10 > stand armR 178 178 armL 10 20 armOutL 20 10
power-clean: side | hinged trunk 58 legs 62 -16 arms 0 0 > stand legs 4 -4 arms 40 20 armOut 40 -30 > trunk 14 legs 40 -24 arms 62 155
clean-pull: side | hinged trunk 58 legs 62 -16 arms 0 0 > stand point 30 on toes arms 10 -6 armOut 40 0
power-snatch: side | hinged trunk 58 legs 62 -16 arms 0 0 > stand point 25 on toes arms 20 10 armOut 50 -30 > stand legs 40 -24 trunk 14 arms 178 178
clean-and-jerk: side | hinged trunk 58 legs 62 -16 arms 0 0 > stand arms 62 155 > trunk 4 legs 30 -22 arms 62 155 > split legR 40 -10 legL -26 -50 arms 178 178 on footR+ toesL+
clean-and-press: side | hinged trunk 60 legs 42 -10 > stand armR 15 140 armL 10 20 > armR 178 178
sumo-deadlift-high-pull: front | stand-wide legs 42 -6 out 44 4 trunk 50 arms 0 0 nod -20 > stand-wide arms 0 0 armOut 100 -40
standing-hamstring-curl: side | stand arms 30 70 on footL > legR -2 -104
cable-kickback: side | stand trunk 16 arms 40 80 on footL > legR -34 -34
figure-eight: side | hinged trunk 58 legs 56 -16 out 18 10 armR -24 -24 armL 20 20 > armR 20 20 armL -24 -24
weighted-roll-down: side | stand > trunk 40 curl 70 nod 20 arms 0 0
roll-down: side | stand > trunk 30 curl 40 nod 25 arms 5 5 > trunk 50 curl 70 arms 0 0 legs 8 -2
ball-slam: side | stand arms 172 172 point 25 on toes > stand trunk 52 legs 60 -22 arms 20 20
rope-slam: side | stand trunk 10 legs 30 -22 arms 150 152 > trunk 40 legs 48 -22 arms 20 25
windmill: front | stand-wide turn 25 armR 0 0 armOutR 172 172 armL 0 0 armOutL 20 20 > bend -48 trunk 10 twist 30 armOutR 150 150 armOutL -4 -4
front-kick: side | stand-guard on feet > legR 86 20 on footL > legR 82 78 trunk -10 on footL
side-kick: front | stand arms 25 125 armOut 10 -12 on footL > legR 60 -20 outR 34 -20 roll 10 > legR 10 10 outR 68 68 roll 14
back-kick: side | stand-guard trunk 16 on footL > legR 60 -40 > legR -62 -66 pointR -10 trunk 52
roundhouse-kick: front | stand-guard > legR 40 -40 outR 60 20 on footL roll 8 > legR 60 55 outR 62 55 pointR 40 roll 14
knee-drive: side | split arms 150 150 > stand legL 98 -10 on footR arms 30 90
standing-knee-drive: side alternates | stand arms 20 100 > legR 98 -6 on footL
standing-knee-hug: side | stand on footL > legR 115 -20 arms 46 80
march: side alternates | stand > legR 84 -4 on footL armL 34 90 armR -24 30
run-on-the-spot: side alternates | stand arms 0 90 legR 70 -40 trunk 4 armL 40 118 armR -40 62 on toesL pointL 30 > legs 14 -30 up 0.03 air armR 0 90 armL 0 90
high-knees: side alternates | stand arms 10 90 point 20 on toes > legR 96 -8 armL 40 115 armR -30 62 pointL 28 on toesL
butt-kick: side alternates | stand arms 0 80 point 20 on toes > legR -4 -112 armL 30 100 armR -30 52 on toesL
fast-feet: front alternates | stand trunk 20 legs 28 -24 out 12 10 arms 30 100 > legR 42 -18 on toesL pointL 20
run: side round alternates travels | stand trunk 8 legR 60 -24 legL -24 -64 pointL 34 armL 36 118 armR -46 46 on toesL > legR 30 2 legL -4 -98 on footR armR -4 84 armL -4 84
sprint: side round alternates travels | stand trunk 14 legR 86 -20 legL -30 -56 pointL 38 armL 60 140 armR -62 30 on toesL > legR 34 4 legL 6 -116 on footR armR -4 84 armL -4 84
stride = run
shuttle-run = run
treadmill-run = run
walk: side round alternates travels | stand legR 24 16 legL -18 -30 pointL 10 on toesL footR armL 20 34 armR -22 -10 > legR 4 -4 legL 10 -50 on footR armL 0 14 armR 0 14
toe-walk: side round alternates travels | stand point 38 legR 18 12 legL -14 -22 on toes > legR 2 -2 legL 14 -40 on toesR
heel-walk: side round alternates travels | stand legR 20 18 legL -8 -14 point -20 on feet > legR 2 0 legL 12 -20 on footR
stair-climb: side | stand legL 66 -12 on footR footL@step > stand on footL@step footR@step+
heel-to-toe-walk = walk
dance-step: front alternates | stand arms 0 60 armOut 40 -20 > outR 24 20 legR 20 -10 legL 0 -10 armOut 60 20 on footL footR+
side-step: front alternates | stand arms 20 90 armOut 6 -30 > outR 26 22 legR 14 -12 legL 10 -12 on footL footR+
side-shuffle: front alternates | stand trunk 24 legs 40 -30 out 8 6 arms 30 105 > outR 34 26 on footL footR+
carioca: front | stand arms 0 0 armOut 80 80 > legR 16 0 outR -22 -22 on footL footR+
skater-step: quarter round alternates | stand trunk 40 legR 54 -28 outR 6 2 legL -28 -86 outL -18 -26 armL 60 70 armR -30 10 on footR+ toesL+
step-jack: front alternates | stand arms 0 0 armOut 8 6 > outR 34 34 arms 0 0 armOut 160 165 on footL footR+
low-step-jack: front alternates | stand arms 0 0 armOut 8 6 > outR 34 34 arms 0 0 armOut 85 85 on footL footR+
toe-tap: side alternates | stand > legR 46 -30 on footL toesR@step
stair-tap = toe-tap
heel-dig: side alternates | stand > legR 30 26 pointR -24 legL 10 -12 on footL
hamstring-curl-step: front alternates | stand-wide arms 20 90 out 12 12 > legR -2 -98 on footL arms 20 40
toy-soldier: side alternates | stand > legR 84 82 armL 84 84 on footL
thigh-slap: side alternates | stand > legR 84 -10 on footL armL 60 70
leg-swing: side | stand armL 40 60 legR -32 -40 on footL > legR 66 62
leg-swing-to-the-side: front | hips outR -18 -18 legR 14 14 on footL > outR 44 44 legR 0 0
hip-car: front round | hips on footL > legR 92 -6 > outR 55 -20 legR 60 -20 > legR -20 -80 outR 24 10
ankle-rock: side | half-kneel arms 40 70 > legR 98 -26 legL -14 -90 trunk 6
tendu: side | hips on footL turn 35 > legR 26 26 pointR 50
sled-push: side round alternates travels | stand trunk 52 legR 70 -20 legL -22 -54 arms 72 80 on toesL footR > legR 30 -30 legL 30 -70 on footR
sled-pull: side round alternates travels | stand trunk -14 legR 34 -6 legL 20 -30 arms 60 60 on footR footL > legR 20 -20 legL 34 -10
`;
