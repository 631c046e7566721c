/** Jumps, hops and burpees. */
export const JUMPS = `
jumping-jack: front | stand arms 0 0 armOut 10 8 > takes 0.8 out 22 22 arms 0 0 armOut 168 172 point 20 on toes+
half-jack: front | stand arms 0 0 armOut 10 8 > out 22 22 armOut 90 90 point 20 on toes+
seal-jack: front | stand arms 88 88 armOut -4 -4 > out 22 22 armOut 82 82 point 20 on toes+
power-jack: front | squatting out 4 4 arms 40 20 armOut 10 0 > stand out 24 24 arms 0 0 armOut 168 172 up 0.06 air
squat-jack: front | stand arms 30 105 armOut 6 -40 > squatting out 30 8 arms 40 105 armOut 6 -40 on feet+
cross-jack: front | stand out 22 22 arms 0 0 armOut 88 88 > outR -8 -8 outL -8 -8 legR 6 6 legL -6 -6 arms 60 60 armOut -40 -40 on feet+
squat-jump: side | squatting arms -30 -20 > stand arms 166 168 point 52 up 0.14 air
drop-squat: side | stand arms 20 100 point 10 on toes > squatting out 20 8 arms 40 110 on feet
vertical-jump: side | squatting trunk 50 arms -50 -40 > stand arms 174 174 point 52 up 0.18 air
tuck-jump: side | squatting legs 60 -20 trunk 26 arms -20 0 > stand legs 112 0 trunk 12 arms 70 90 up 0.16 air
frog-jump: side | squatting trunk 34 curl 30 legs 112 -34 out 26 10 arms 24 6 > stand arms 120 130 legs -6 -20 point 50 up 0.14 air
broad-jump: side travels | squatting trunk 50 arms -50 -40 > lay 24 legs -6 -14 point 50 arms 140 140 up 0.12 air > lay 0 squatting arms 70 80 on feet+
box-jump: side | squatting trunk 46 arms -40 -30 > stand legs 80 -10 trunk 20 arms 80 90 up 0.3 air > squatting legs 70 -26 arms 60 70 on feet@box+ > stand on feet@box
depth-jump: side | stand on feet@box > squatting on feet+ > stand arms 170 172 point 50 up 0.14 air
lunge-jump: side alternates | lunging arms 20 100 > legR 30 -10 legL -6 -50 pointL 30 pointR 40 arms 20 90 up 0.12 air
skater-jump: quarter round alternates | stand trunk 40 legR 54 -28 outR 6 2 legL -28 -86 outL -18 -26 armL 60 70 armR -30 10 on footR+ > trunk 16 legs 20 -30 out 16 14 up 0.06 air
skip: side | stand arms 2 50 armOut 16 40 point 24 on toes > point 44 up 0.06 air
double-skip: side | stand arms 2 50 armOut 16 40 point 24 on toes > point 50 up 0.14 air
rope-free-skip = skip
alternating-skip: side alternates | stand arms 2 50 armOut 16 40 legL 20 -20 pointR 24 on toesR > pointR 44 up 0.05 air
pogo-hop: side | stand arms 10 60 point 20 on toes > point 52 up 0.1 air
line-hop: front | stand roll 6 arms 20 100 armOut 6 -40 legs 14 -12 on feet > roll -6 up 0.05 air
ski-jump = line-hop
hop: side | stand legL 30 -50 legR 14 -14 on footR arms 20 90 > legR 0 0 pointR 50 up 0.09 air
skip-step: side alternates | stand > legR 92 -8 pointL 50 armL 60 120 armR -30 40 up 0.06 air
bound: side alternates travels | stand trunk 6 legR 40 0 legL -20 -60 on footR > legR -20 -50 pointR 50 legL 88 -6 armR 60 120 armL -40 30 up 0.12 air
heel-click: front | stand legs 20 -16 arms 0 0 armOut 20 20 > out 30 -20 armOut 60 60 up 0.14 air
snap-down: side | stand arms 172 172 point 30 on toes > squatting trunk 40 legs 64 -24 arms -40 -30 on feet
hurdle-hop = tuck-jump
squat-thrust: side | squatting trunk 36 curl 50 legs 110 -24 nod -30 arms 16 20 on feet hands > plank on hands toes+ level
squat-thrust-jump = burpee
sprawl: side | stand > squatting trunk 36 curl 50 legs 110 -24 nod -30 arms 16 20 on feet hands > plank on hands toes+ level
step-back-squat-thrust: side | stand > squatting trunk 36 curl 50 legs 110 -24 nod -30 arms 16 20 on feet hands > plank on hands toes+ level
burpee: side round | stand > squatting trunk 36 curl 50 legs 110 -24 nod -30 arms 16 20 on feet hands > plank on hands toes+ level > arms 38 128 armOut 14 4 > plank on hands toes level > squatting trunk 36 curl 50 legs 110 -24 nod -30 arms 16 20 on hands feet+ > squatting arms -20 -10 on feet > stand arms 172 172 point 52 up 0.14 air
burpee-broad-jump = burpee
wall-squat-thrust: side | stand trunk -2 legs 0 0 arms 86 88 on feet hands@wall > trunk 24 legs -22 -22 arms 86 88 on hands@wall toes+
`;
