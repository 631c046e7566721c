/** Arms and upper back: presses, raises, rows, curls, carries, and trunk work on one's feet or on a chair. */
export const UPPER = `
bottle-press: front | stand arms 0 0 armOut 24 160 > armOut 172 178
overhead-press: side | stand arms 40 150 > arms 178 178
band-press = bottle-press
single-bottle-press: front | stand armR 0 0 armOutR 24 160 > armOutR 172 178
half-kneeling-press: front | half-kneel armR 0 0 armOutR 24 160 > armOutR 172 178
seated-bottle-press: front | sit arms 0 0 armOut 24 160 > armOut 172 178
half-turn-press: front | sit arms 30 160 armOut 0 0 > arms 0 0 armOut 172 178
turning-press: front | stand arms 40 160 armOut 4 4 > arms 0 0 armOut 172 178
push-press: front | stand arms 0 0 armOut 24 160 > legs 26 -22 > stand arms 0 0 armOut 172 178
push-jerk: side | stand arms 60 155 > legs 28 -24 > legs 22 -18 arms 178 178
landmine-press: side | stand trunk 8 armR 20 140 armL 10 20 > armR 122 126
bottoms-up-press = single-bottle-press
curl-to-press: side | stand arms 0 0 > arms 8 140 > arms 178 178
front-raise: side | stand arms 2 4 > arms 90 90
lateral-raise: front | stand arms 0 0 armOut 8 8 > armOut 90 90
scaption: quarter | stand arms 2 2 armOut 8 8 > arms 60 60 armOut 62 62
plate-press: side | stand arms 20 120 armOut 10 -20 > arms 90 90 armOut -16 -16
squeeze-together-press = plate-press
steering-wheel: front | stand arms 90 90 armOut -8 -8 > armR 110 104 armL 70 76
halo: front round | stand arms 130 40 armOut 40 -60 > bend 0 arms 150 200 armOut 60 -30
triceps-extension: side | stand arms 172 26 > arms 174 176
french-press = triceps-extension
triceps-kickback: side | hinged trunk 56 arms -46 30 > arms -50 -56
triceps-press-down: side | stand arms 4 100 > arms 4 8
cuban-press: front | stand arms 0 0 armOut 10 10 > armOut 88 0 > armOut 88 178 > armOut 172 178
behind-and-before-press: side | stand arms 50 160 > arms 178 178
muscle-snatch: side | hinged arms 0 0 > stand arms 60 -30 armOut 60 -40 > stand arms 178 178 armOut 16 16
forearm-slide-on-the-wall: side | stand arms 84 176 on feet elbows@wall > arms 140 176 on feet
seated-front-reach: side | sit arms 10 100 > arms 90 90
seated-side-raise: front | sit arms 0 0 armOut 10 10 > armOut 90 90
arm-raise: side | sit arms 10 20 > arms 172 174
man-maker: side | plank > arms 38 128 armOut 14 4 > plank armR -34 70 on toes handL level > squatting arms 20 120 on feet > stand arms 178 178
devil-press: side | plank arms 38 128 > plank > hinged on feet > stand arms 178 178
biceps-curl: side | stand arms 0 4 > arms 6 146
rotating-curl = biceps-curl
seated-curl: side | sit arms 6 14 > arms 10 146
towel-curl = seated-curl
concentration-curl: side | sit trunk 40 armR 20 16 armL 40 90 > armR 22 140
preacher-curl: side | sit trunk 8 arms 50 56 > arms 52 160
spider-curl: side | lay 60 legs 10 -10 arms 60 60 nod -10 on toes chest@table > arms 62 190
drag-curl: side | stand arms 2 6 > arms -44 96
bent-over-row: side | hinged arms 0 0 > arms -62 14
barbell-row = bent-over-row
t-bar-row = bent-over-row
gorilla-row: side alternates | hinged trunk 72 arms 0 0 > armR -62 14
supported-row: side | hinged trunk 70 armL 14 6 legR -6 -30 armR 0 0 > armR -62 14
upright-row: front | stand arms 0 0 armOut -8 -8 > arms 0 0 armOut 96 -48
high-pull = upright-row
reverse-fly: front | hinged arms 0 0 armOut 4 4 > armOut 88 84
band-pull-apart: front | stand arms 90 90 armOut -6 -6 > armOut 78 78
seated-pull-apart: front | sit arms 90 90 armOut -6 -6 > armOut 78 78
band-face-pull: side | stand arms 88 88 > arms 60 120 armOut 60 -10
standing-band-row: side | stand arms 84 86 > arms -40 80
band-row: side | long-sit arms 72 72 > arms -44 76
cable-row = band-row
lat-pull-down: front | sit arms 0 0 armOut 158 166 > armOut 50 160
band-pull-down = lat-pull-down
straight-arm-pull-down: side | stand trunk 16 arms 100 100 > arms -6 -4
elbow-draw-back: side | sit arms 60 80 > arms -40 80
external-rotation: front | stand armR 2 88 armOutR 4 -50 > armOutR 4 50
internal-rotation: front | stand armR 2 88 armOutR 4 50 > armOutR 4 -50
doorframe-row: side | stand trunk -24 legs 24 24 arms 62 66 on feet hands@wall > trunk -6 legs 6 6 arms -20 90
strap-row: side | stand trunk -32 legs 32 32 arms 66 70 on feet hands@strap > trunk -14 legs 14 14 arms -20 100
ring-row = strap-row
rowing-machine: side | long-sit legs 112 50 trunk 22 arms 76 78 on seat@step > legs 84 82 trunk -14 arms -30 84
ski-machine: side | stand arms 150 152 > trunk 46 legs 30 -16 arms -20 -24
bar-hang: side | hang
pull-up: side | hang > arms 40 164 armOut 20 -6
chin-up = pull-up
slow-chin-up-lowering = pull-up
commando-pull-up = pull-up
archer-pull-up: front | hang armOut 30 30 > armR 0 0 armOutR 50 168 armL 0 0 armOutL 126 130 on handR@bar handL@bar
hanging-knee-raise: side | hang > legs 100 6
hanging-leg-raise: side | hang > legs 94 92
muscle-up: side | hang > arms 40 164 armOut 20 -6
bar-row: side | lay -66 legs 0 0 point 0 arms 88 90 nod 6 on feet hands@rail > lay -52 arms -6 110 armOut 30 0
table-row = bar-row
bar-dip: side | stand legs 10 -40 arms 4 4 point 40 on hands@dip > arms -58 22 trunk 14
ring-dip = bar-dip
chair-dip: side | lay -10 legs 62 40 point -10 trunk 4 arms -22 -16 on hands@chair feet > arms -72 16 legs 84 62
bent-knee-chair-dip: side | lay -6 legs 70 -10 arms -22 -16 on hands@chair feet > arms -72 16 legs 92 -6
standing-chest-fly: front | stand arms 90 90 armOut 76 76 > armOut -6 -6
cable-crossover = standing-chest-fly
cable-chest-fly = standing-chest-fly
machine-chest-fly: front | sit arms 90 90 armOut 76 76 > armOut -6 -6
band-chest-press: side | sit arms -30 90 > arms 88 88
incline-bench-press: side | lay -40 legs 90 -10 arms 10 130 armOut 40 0 on back@chair feet > arms 126 130
chest-pass: side | stand arms 0 110 armOut 10 -10 > arms 90 90
rotational-throw: front | stand-wide arms 60 70 legs 20 -16 twist -50 > twist 44
jab: side | stand-guard armL 40 138 > armL 90 90 twist 20
hook: front | stand-guard armR 60 120 armOutR 60 -30 > armR 88 90 armOutR 40 -50 twist 34
uppercut: side | stand-guard armR -10 80 > armR 50 150 twist 20
shadow-boxing: side alternates | stand-guard > armL 90 90 twist 20
seated-punches: side alternates | sit arms 20 125 > armR 90 90 twist 16
speed-bag: front | stand arms 80 140 armOut 40 -60 > arms 70 160 armOut 50 -30
rope-wave: side | stand trunk 24 legs 44 -30 arms 20 70 > arms 60 90
alternating-rope-wave: side alternates | stand trunk 24 legs 44 -30 arms 30 70 > armR 60 100 armL 10 50
snake-wave: front | stand trunk 20 legs 44 -30 out 14 10 arms 40 70 armOut 20 20 > armOut -6 -6
suitcase-carry: side round alternates travels | stand legR 24 16 legL -18 -30 pointL 10 arms 0 0 on toesL footR > legR 4 -4 legL 10 -50 on footR
one-side-carry = suitcase-carry
front-carry: side round alternates travels | stand legR 24 16 legL -18 -30 pointL 10 arms 10 120 armOut 4 -14 on toesL footR > legR 4 -4 legL 10 -50 on footR
rack-carry = front-carry
bear-hug-carry: side round alternates travels | stand legR 24 16 legL -18 -30 pointL 10 arms 50 96 armOut 10 -30 on toesL footR > legR 4 -4 legL 10 -50 on footR
overhead-carry: side round alternates travels | stand legR 24 16 legL -18 -30 pointL 10 armR 178 178 on toesL footR > legR 4 -4 legL 10 -50 on footR
standing-hold: front | stand arms 0 0
around-the-world: front round | stand arms 40 40 armOut -14 -14 > arms 0 0 armR -10 -10 armOutR 20 20 armL 30 30 armOutL -20 -20 > arms -34 -34 armOut -10 -10 > armL -10 -10 armOutL 20 20 armR 30 30 armOutR -20 -20
standing-twist: quarter alternates | stand arms 70 110 armOut 40 -60 > twist 52
band-twist: quarter | stand arms 88 90 armOut -10 -10 twist -50 > twist 50
landmine-twist: front alternates | stand legs 14 -12 arms 110 112 armOut -8 -8 > twist 40 bend -14 arms 70 70
wood-chop: front | stand-wide arms 150 152 armOut -6 -6 twist -44 bend 6 > legs 30 -24 trunk 34 twist 44 arms 30 30
low-chop: front | stand-wide legs 30 -24 trunk 34 twist -44 arms 30 30 armOut -6 -6 > stand-wide arms 150 152 armOut -6 -6 twist 44
standing-side-bend: front | stand armL 0 0 armOutL 150 190 > bend 30 armOutL 176 184
side-stretch: front | stand armL 0 0 armOutL 172 172 armR -20 20 armOutR 40 -40 bend 28
half-moon-pose: front | stand arms 0 0 armOut 176 176 bend 30
standing-cross-crunch: front alternates | stand arms 60 170 armOut 60 -20 > legR 92 -6 outR -10 0 twist 40 trunk 14 on footL
standing-crunch: side alternates | stand arms 160 165 > legR 92 -6 trunk 12 arms 40 80 on footL
band-hold: side | stand arms 86 86
seated-twist: front alternates | sit arms 60 110 armOut 40 -60 > twist 46
seated-turn = seated-twist
seated-rotation = seated-twist
seated-twist-stretch: quarter | sit twist 50 armR 50 80 armL -30 10
seated-knee-tuck: side | sit trunk -24 legs 76 40 arms -30 -10 on seat@chair > legs 112 20 trunk -8
seated-march: side alternates | sit > legR 108 10 on seat@chair footL
seated-knee-lift: side | sit > legR 108 10 on seat@chair footL
seated-leg-extension: side | sit > legR 88 86 on seat@chair footL
leg-extension: side | sit > legs 88 84 on seat@chair
machine-leg-curl: side | sit legs 86 80 on seat@chair > legs 84 -20
seated-leg-swing: side | sit legR 88 20 on seat@chair footL > legR 88 74
seated-heel-press: side | sit > point 0
seated-calf-raise: side | sit > point 34 on seat@chair toes
seated-toe-lift: side | sit legs 83 8 > point -24
seated-heel-drum: side | sit > point 30 on seat@chair toes
seated-jack: front | sit arms 0 0 armOut 14 14 > legs 78 20 out 26 20 arms 0 0 armOut 158 166 on seat@chair feet+
seated-hinge: side | sit arms 40 110 armOut 30 -30 > trunk 50
seated-hip-squeeze: front | sit out 12 6 > out 3 2
hip-adduction-machine: front | sit out 40 34 on seat@chair > out 6 4
hip-abduction-machine: front | sit out 6 4 on seat@chair > out 40 34
`;
