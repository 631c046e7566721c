/** Circles, stretches and breathing. */
export const MOBILITY = `
arm-circle: side round | stand arms 0 0 armOut 10 10 > arms 90 90 > arms 178 178 > arms 262 262 armOut 30 30 > arms 360 360 armOut 10 10
arm-swing: front | stand arms 88 88 armOut -30 -30 > armOut 78 78
elbow-circle: front round | stand arms 60 170 armOut 60 -20 > arms 120 190 armOut 60 -20 > arms 60 170 armOut 96 10
overhead-reach: side | stand arms 20 30 > arms 174 176
shoulder-flexion = overhead-reach
band-pass-through: side | stand arms 10 10 armOut 24 24 > arms 178 178 > arms 226 226
pendulum-swing: side | hinged trunk 62 armL 30 10 armR -20 -20 > armR 26 26
standing-cat-and-cow: side | hinged trunk 40 curl -24 legs 30 -16 arms 30 20 nod -20 > trunk 30 curl 50 nod 20
seated-cat-and-cow: side | sit trunk 6 curl -20 nod -18 > trunk -10 curl 44 nod 20
body-roll: side | stand trunk -10 curl -10 > trunk 16 curl 30 legs 20 -14
chin-lift: side | sit > nod -34
thoracic-extension: side | sit arms 60 170 armOut 40 -30 > trunk -4 curl -26 nod -14 arms 90 190
upper-back-stretch: side | sit trunk 4 curl 34 nod 20 arms 80 86 armOut -8 -14
seated-chest-opener: side | sit trunk -4 curl -16 nod -8 arms -40 -36
chest-opener: side | stand trunk -4 curl -16 nod -8 arms -44 -46
standing-quad-stretch: side | stand armL 84 84 armR -34 -10 legR -6 -132 on footL handL@wall
calf-stretch: side | stand trunk 12 legL 32 -6 legR -24 -26 arms 84 86 on footL footR hands@wall
soleus-stretch: side | stand trunk 4 legL 46 -14 legR 6 -34 arms 84 88 on footL footR hands@wall
forward-fold: side | stand trunk 84 curl 40 legs 10 0 arms 0 0 nod 10
standing-hip-flexor-stretch: side | split legR 44 -10 legL -26 -34 trunk -4 arms 20 90
hip-flexor-stretch: side | half-kneel legR 92 -10 legL -22 -90 trunk -2 arms 40 80
standing-hip-opener: front | hips legR 84 -4 outR 10 4 on footL > legR 60 -24 outR 58 0
world-s-greatest-stretch: quarter | split legR 104 -14 legL -36 -56 trunk 44 curl 20 arms 40 34 on footR toesL > twist -56 armR 0 0 armOutR 96 96
kneeling-hip-opener: side | half-kneel arms 40 80 > legR 104 -16 legL -16 -90 trunk -2
couch-stretch: side | half-kneel legL -10 -150 trunk 0 arms 40 80 on footR kneeL
adductor-stretch: front | stand-wide trunk 10 legR 40 -14 outR 40 6 outL 44 44 arms 30 60
shoulder-stretch: front | stand armR 84 84 armOutR -62 -62 armL 50 110 armOutL 10 -70
triceps-stretch: side | stand armR 172 30 armL 170 150 armOutL 40 -50
biceps-stretch: side | stand armR -60 -60 on feet handR@wall
doorway-chest-stretch: front | stand armR 0 0 armOutR 88 176
lat-stretch: side | hinged trunk 74 arms 100 100 nod 0
triangle-pose: front | stand-wide out 28 28 arms 0 0 armOut 88 88 bend 48 roll 2
warrior-pose: front | stand-wide legR 60 0 outR 60 4 outL 42 42 arms 0 0 armOut 88 88 turnR 80
sun-salutation: side | stand arms 174 174 > trunk 84 curl 30 arms 0 0 legs 8 0 > lay 45 curl 0 trunk 66 legs -4 -4 arms 114 114 on toes hands level > plank on toes hands+ level > lay 75 trunk -18 curl -30 nod -20 legs 2 2 arms 66 78 on toes hands+ level
seated-hamstring-stretch: side | sit legR 80 80 trunk 40 arms 50 60 on seat@chair footL
seated-figure-four: front | sit legR 84 10 outR 40 -62 trunk 16 on seat@chair footL
glute-stretch-seated = seated-figure-four
seated-side-stretch: front | sit armL 0 0 armOutL 168 168 bend 28
seated-lower-back-stretch: side | sit trunk 58 curl 44 nod 14 arms 20 10
calm-breathing: side | sit
seated-toe-touch: side | long-sit trunk 48 curl 34 arms 70 72 nod 6
straddle-stretch: top | long-sit out 44 44 trunk 44 curl 20 arms 72 74
butterfly-stretch: front | long-sit legs 84 92 out 56 -66 arms 40 70 armOut 6 -4
mermaid-stretch: front | cross-sit armL 0 0 armOutL 168 172 bend 26
chair-leaning-rest: side | sit trunk 62 curl 30 arms 66 90
ankle-circle: side round | sit legR 88 40 on seat@chair footL > pointR 26 > pointR -18
ankle-pump: side | long-sit point 30 > point -14
ankle-bend-with-a-band = ankle-pump
elbow-bend-and-straighten: side | sit armR 10 20 > armR 10 146
`;
