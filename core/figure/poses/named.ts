import { readNamedPoses } from '../read-poses.ts';

/** Poses that movements begin from. Angles as in pose.ts; on the floor the figure is described as if it stood, then laid down. */
export const NAMED_POSES = readNamedPoses(`
stand: legs 0 0 out 3 3 turn 6 arms 2 10 armOut 7 5 on feet
stand-wide: stand out 20 20 turn 25
stand-guard: stand legs 14 -10 legL -8 -22 trunk 6 arms 25 125 armOut 10 -12 on feet
hips: stand arms -30 20 armOut 48 -48
hinged: stand trunk 68 legs 24 -6 arms 0 0 nod -20
squatting: stand trunk 42 legs 95 -30 out 12 6 turn 15 arms 88 90
split: stand legR 18 -4 legL -16 -30 on footR toesL
lunging: stand legR 92 -4 legL -8 -103 on footR toesL
plank: lay 75 legs 0 0 arms 90 90 nod -8 on toes hands level
forearm-plank: lay 85 legs 0 0 arms 90 180 nod -8 on toes elbows level
knee-plank: lay 70 legs 0 -75 point 50 arms 90 90 nod -8 on knees hands level
hands-knees: lay 85 legs 88 -2 point 60 arms 92 92 nod -10 on knees hands level
forearms-knees: lay 95 legs 90 0 point 60 arms 90 180 nod -10 on knees elbows level
supine: lay -90 legs 0 0 point 25 arms 0 0 armOut 18 18 nod 4 on seat back
hook: supine legs 50 -56 point 0 on seat back feet
tabletop: supine legs 90 0 point 20 on seat back
prone: lay 90 legs 0 0 point 72 arms 170 170 armOut 12 12 nod -12 on chest seat
side-lying: lay -87 0 -90 legs 0 0 point 15 armR 175 175 armOutR 0 0 armL 30 50 armOutL 5 -30 bend 0 on hipR
sit: legs 83 0 out 6 4 trunk 2 arms 28 62 armOut 6 2 on seat@chair feet
long-sit: legs 89 89 point 5 out 5 5 trunk 0 arms -20 -10 armOut 12 12 on seat
cross-sit: legs 84 92 out 50 -62 point 20 trunk 0 arms 35 62 armOut 14 14 on seat
bent-sit: trunk -12 legs 125 32 arms 50 75 on seat feet
kneel: legs 0 -90 point 75 out 6 0 arms 2 10 armOut 7 5 on knees
half-kneel: legR 93 0 legL 0 -90 pointL 70 arms 2 10 armOut 7 5 on kneeL footR
heel-sit: legs 66 -88 point 75 out 8 4 trunk 8 arms 35 60 on knees
hang: arms 178 178 armOut 8 8 legs 2 -8 point 30 on hands@bar
side-plank: lay -70 0 -90 legs 0 0 armR 0 0 armOutR 90 90 armL 0 0 armOutL 90 90 on footR handR level
forearm-side-plank: lay -75 0 -90 legs 0 0 armR 0 90 armOutR 90 0 armL 0 0 armOutL 90 90 on footR elbowR level
knee-side-plank: lay -70 0 -90 legs 0 -80 point 60 armR 0 90 armOutR 90 0 armL 0 0 armOutL 90 90 on kneeR elbowR level
crab: lay -40 trunk 0 legs 62 -42 arms -62 -62 nod 10 on feet hands level
`);
