import type { Pattern, Position } from './movement.ts';

/**
 * The movements that ship with Ysodos, one a row:
 * name | other names | pattern | position | flags | kit | effort class | seconds a repetition low/likely/high | watch for.
 * Flags: `h` done by time (the seconds are then how long it is usually held), `1` one side at a time, `w` weight on
 * bent wrists, `j` both feet land, `p` prepares the wrists. A tenth column names the parts of a compound movement.
 * Seconds a repetition: common practice, no source; where FACTS names a pace seen, the likely value is that.
 */
export type LibraryRow = readonly [
  name: string, otherNames: string, pattern: Pattern, position: Position, flags: string, kit: string,
  effortClass: 1 | 2 | 3 | 4 | 5, pace: string, watchFor: string, parts?: string,
];

export const LIBRARY_ROWS: readonly LibraryRow[] = [
  // squat
  ['squat', 'air squat, bodyweight squat', 'squat', 'standing', '', '', 3, '1.6/2.2/3', 'knees follow the toes, whole foot stays down'],
  ['chair squat', 'box squat', 'squat', 'standing', '', 'chair', 2, '2/2.8/4', 'touch the seat, don’t drop onto it'],
  ['sit-to-stand', 'chair stand', 'squat', 'seated', '', 'chair', 2, '2/3/4.5', 'lean forward first, then stand tall'],
  ['goblet squat', '', 'squat', 'standing', '', 'bottle', 3, '2/2.8/4', 'hold the weight close to the chest'],
  ['split squat', '', 'squat', 'standing', '1', '', 3, '2/2.8/4', 'back knee goes straight down'],
  ['calf raise', 'heel raise', 'squat', 'standing', '', '', 1, '1.2/1.8/2.5', 'pause at the top, lower slowly'],
  ['wall sit', '', 'squat', 'standing', 'h', 'wall', 3, '20/40/60', 'lower back flat on the wall'],
  ['chair sit hold', 'hover over the chair', 'squat', 'standing', 'h', 'chair', 3, '15/30/45', 'hover just above the seat, weight in the heels'],
  ['sumo squat', 'wide squat', 'squat', 'standing', '', '', 3, '1.8/2.4/3.2', 'knees open over the toes'],
  // lunge
  ['step-back lunge', 'reverse lunge', 'lunge', 'standing', '1', '', 3, '2/2.8/3.8', 'front heel stays down, chest tall'],
  ['slow step-back lunge', '', 'lunge', 'standing', '1', '', 3, '3.2/4.1/5.2', 'three counts down, one up'],
  ['side lunge', 'lateral lunge', 'lunge', 'standing', '1', '', 3, '2/2.8/3.8', 'sit back into the bent leg'],
  ['curtsey lunge', '', 'lunge', 'standing', '1', '', 3, '2/2.8/3.8', 'hips face forward'],
  ['step-up', 'stair step', 'lunge', 'standing', '1', 'step', 3, '1.8/2.5/3.5', 'whole foot on the step'],
  ['stair tap', 'toe tap on the step', 'locomotion', 'standing', '', 'step', 2, '0.5/0.7/1', 'light feet, tall back'],
  // hinge
  ['hip hinge', 'good morning', 'hinge', 'standing', '', '', 2, '2/2.8/4', 'hips go back, back stays long'],
  ['suitcase deadlift', '', 'hinge', 'standing', '', 'bottle', 3, '2.2/3/4', 'weight close to the leg, shoulders level'],
  ['suitcase deadlift to row', '', 'hinge', 'standing', '', 'bottle', 4, '3.6/4.5/6', 'row only once the back is set', 'suitcase deadlift, bent-over row'],
  ['single-leg deadlift', 'single-leg hinge', 'hinge', 'standing', '1', '', 3, '2.5/3.5/5', 'hips stay level'],
  ['glute bridge', 'bridge', 'hinge', 'supine', '', '', 2, '1.6/2.2/3', 'ribs down, push through the heels'],
  ['bridge march', '', 'hinge', 'supine', '', '', 2, '1.5/2.2/3', 'hips stay up and level'],
  ['bridge hold', '', 'hinge', 'supine', 'h', '', 2, '20/30/45', 'breathe, hips high'],
  ['single-leg bridge', '', 'hinge', 'supine', '1', '', 3, '1.8/2.5/3.5', 'hips stay level'],
  ['bottle swing', '', 'hinge', 'standing', '', 'bottle', 4, '1.3/1.6/2', 'the hips throw, the arms only hold'],
  // push
  ['push-up', 'press-up', 'push', 'prone', 'w', '', 4, '1.4/2/3', 'body in one line, chest before face'],
  ['knee push-up', '', 'push', 'kneeling', 'w', '', 3, '1.4/2/3', 'hips forward, not up'],
  ['wall push-up', '', 'push', 'standing', '', 'wall', 1, '1.4/1.9/2.6', 'elbows at half height'],
  ['chair push-up', 'incline push-up, hands-raised push-up', 'push', 'standing', 'w', 'chair', 3, '1.5/2.1/3', 'chair against the wall'],
  ['chair dip', 'bench dip', 'push', 'seated', 'w', 'chair', 3, '1.6/2.2/3', 'shoulders away from the ears'],
  ['walk-out', 'inchworm', 'push', 'standing', 'w', '', 3, '3.5/5/7', 'soft knees on the way down'],
  ['walk-out push-up', 'walk-out and push-up', 'push', 'standing', 'w', '', 4, '3/3.75/6', 'hips still while the hands walk', 'walk-out, push-up'],
  // press
  ['bottle press', 'overhead bottle press', 'press', 'standing', '', 'bottle', 3, '1.8/2.4/3.4', 'ribs down, no leaning back'],
  ['band press', '', 'press', 'standing', '', 'band', 2, '1.6/2.2/3', 'wrists straight'],
  ['lateral raise', 'side raise', 'press', 'standing', '', 'bottle', 2, '1.8/2.4/3.2', 'not above the shoulders'],
  ['biceps curl', 'bottle curl', 'pull', 'standing', '', 'bottle', 2, '1.6/2.2/3', 'elbows stay at the sides'],
  // pull
  ['band pull-apart', '', 'pull', 'standing', '', 'band', 2, '1.4/2/2.8', 'shoulder blades together, ribs down'],
  ['band row', 'seated band row', 'pull', 'seated', '', 'band', 2, '1.6/2.2/3', 'pull to the lowest rib'],
  ['bent-over row', 'bottle row', 'pull', 'standing', '', 'bottle', 3, '1.6/2.2/3', 'back long, elbows brush the ribs'],
  ['towel pull', 'towel row hold', 'pull', 'standing', 'h', 'towel', 2, '15/20/30', 'pull the towel apart, shoulders down'],
  ['superman', 'prone back raise', 'hinge', 'prone', '', '', 2, '2/2.8/4', 'look at the floor, lift a little'],
  ['prone swimmer', '', 'pull', 'prone', '', '', 2, '1/1.4/2', 'belly light, neck long'],
  // brace and rotate
  ['plank', 'high plank', 'brace', 'prone', 'hw', '', 3, '20/40/60', 'ribs and hips in one line'],
  ['forearm plank', '', 'brace', 'prone', 'h', '', 3, '20/40/60', 'push the floor away'],
  ['side plank', '', 'brace', 'prone', 'h1', '', 3, '15/30/45', 'elbow under the shoulder'],
  ['side plank dip', 'side-plank hip dip, hip dip', 'brace', 'prone', '1', '', 3, '1.2/1.5/2.2', 'dip the hip, not the shoulder'],
  ['dead bug', '', 'brace', 'supine', '', '', 2, '2.2/3/4', 'lower back stays on the floor'],
  ['hollow hold', '', 'brace', 'supine', 'h', '', 3, '15/25/40', 'lower back pressed down'],
  ['bird dog', '', 'brace', 'hands-and-knees', '', '', 2, '2.4/3.2/4.5', 'hips still, reach long'],
  ['sit-up', 'full sit-up', 'brace', 'supine', '', '', 3, '2.6/3.3/4', 'roll up, don’t pull the neck'],
  ['toe reach crunch', 'crunch', 'brace', 'supine', '', '', 2, '1.2/1.7/2.4', 'ribs toward hips'],
  ['seated twist', 'russian twist', 'rotate', 'seated', '', '', 2, '0.9/1.2/1.8', 'turn the ribs, not only the arms'],
  ['standing twist', '', 'rotate', 'standing', '', '', 1, '1/1.4/2', 'heels may turn'],
  ['shoulder tap', 'plank shoulder tap', 'brace', 'prone', 'w', '', 3, '0.9/1.2/1.8', 'hips stay still; tap-tap is two'],
  ['hover hold', 'bear hold', 'brace', 'hands-and-knees', 'hw', '', 3, '15/25/40', 'knees a hand’s width up'],
  ['mountain climber', '', 'locomotion', 'prone', 'w', '', 4, '0.55/0.71/1', 'shoulders over the hands'],
  ['plank jack', '', 'jump', 'prone', 'wj', '', 4, '0.55/0.71/1', 'hips still, soft feet'],
  // jump and locomotion
  ['burpee', '', 'jump', 'standing', 'wj', '', 5, '4/5/6.5', 'step back whenever form goes', 'step-back squat thrust, squat jump'],
  ['step-back squat thrust', 'no-jump burpee, walking burpee', 'locomotion', 'standing', 'w', '', 4, '3/3.75/5', 'step, don’t drop, into the plank'],
  ['jumping jack', 'star jump', 'jump', 'standing', 'j', '', 3, '0.8/1/1.3', 'soft landings'],
  ['step jack', '', 'locomotion', 'standing', '', '', 2, '0.9/1.2/1.6', 'arms all the way up'],
  ['squat jump', '', 'jump', 'standing', 'j', '', 5, '1.6/2.1/3', 'land softly, then go again'],
  ['skip', 'rope skip, single skip', 'jump', 'standing', 'j', 'rope', 3, '0.45/0.55/0.7', 'wrists turn the rope'],
  ['double skip', 'double under', 'jump', 'standing', 'j', 'rope', 5, '0.6/0.9/1.4', 'jump higher, not harder'],
  ['march', 'marching on the spot', 'locomotion', 'standing', '', '', 1, '0.5/0.7/1', 'tall back, knees to hip height'],
  ['high knees', '', 'jump', 'standing', 'j', '', 4, '0.35/0.45/0.6', 'light on the balls of the feet'],
  ['fast feet', '', 'locomotion', 'standing', '', '', 3, '0.25/0.35/0.5', 'small quick steps'],
  ['skater step', '', 'locomotion', 'standing', '', '', 3, '1/1.4/2', 'knee over foot on each landing'],
  ['shadow boxing', 'straight punches', 'locomotion', 'standing', '', '', 3, '0.45/0.6/0.9', 'hips turn with every punch'],
  ['bear crawl', '', 'locomotion', 'hands-and-knees', 'w', '', 4, '1/1.4/2', 'knees low, back flat'],
  ['suitcase carry', 'farmer carry', 'carry', 'standing', 'h', 'bottle', 2, '20/40/60', 'stand tall, don’t lean'],
  ['run', 'jog', 'locomotion', 'standing', 'j', '', 4, '0.3/0.36/0.45', 'easy shoulders'],
  // mobility, stretches, preparation
  ['wrist circle', 'wrist roll', 'mobility', 'standing', 'p', '', 1, '2/3/4', 'both ways'],
  ['wrist rock', 'palms-down rock', 'mobility', 'hands-and-knees', 'p', '', 1, '2/3/4', 'stop before it pinches'],
  ['arm circle', '', 'mobility', 'standing', '', '', 1, '1.5/2/3', 'large and slow'],
  ['shoulder roll', '', 'mobility', 'standing', '', '', 1, '1.5/2/3', 'up, back and down'],
  ['neck turn', '', 'mobility', 'seated', '', '', 1, '3/4/6', 'only as far as is easy'],
  ['cat and cow', 'cat-cow', 'mobility', 'hands-and-knees', '', '', 1, '3.5/5/7', 'move with the breath'],
  ['thread the needle', '', 'mobility', 'hands-and-knees', '1', '', 1, '3.5/5/7', 'hips stay over the knees'],
  ['kneeling hip opener', '', 'mobility', 'kneeling', '1', '', 1, '3/4/6', 'tuck the tail, then lean'],
  ['90-90 hip switch', '', 'mobility', 'seated', '', '', 1, '2.5/3.5/5', 'tall back, hands behind if needed'],
  ['leg swing', '', 'mobility', 'standing', '1', '', 1, '1/1.4/2', 'hold on to something'],
  ['ankle rock', '', 'mobility', 'standing', '1', '', 1, '2/3/4', 'heel stays down'],
  ['roll-down', 'standing roll-down', 'mobility', 'standing', '', '', 1, '5/7/10', 'one bone after the other'],
  ['doorway chest stretch', 'chest stretch', 'mobility', 'standing', 'h1', 'wall', 1, '15/30/45', 'forearm on the frame, turn away'],
  ['hip flexor stretch', '', 'mobility', 'kneeling', 'h1', '', 1, '15/30/45', 'tuck the tail'],
  ['hamstring stretch', '', 'mobility', 'supine', 'h1', 'towel', 1, '15/30/45', 'towel round the foot, knee soft'],
  ['calf stretch', '', 'mobility', 'standing', 'h1', 'wall', 1, '15/30/45', 'back heel down'],
  ['figure-four stretch', '', 'mobility', 'supine', 'h1', '', 1, '15/30/45', 'pull the thigh, not the shin'],
  ['child’s pose', 'rest pose', 'mobility', 'kneeling', 'h', '', 1, '20/40/60', 'breathe into the back'],
  ['forearm stretch', 'wrist stretch', 'mobility', 'standing', 'h1p', '', 1, '10/20/30', 'gently, elbow straight'],
  ['side stretch', '', 'mobility', 'standing', 'h1', '', 1, '10/20/30', 'reach up before over'],
  ['neck stretch', '', 'mobility', 'seated', 'h1', '', 1, '10/20/30', 'let the weight of the head do it'],
  ['calm breathing', 'box breathing, slow breathing', 'mobility', 'seated', 'h', '', 1, '30/60/120', 'longer out than in'],
  ['shake out', '', 'mobility', 'standing', 'h', '', 1, '10/20/30', 'loose hands, loose jaw'],
];
