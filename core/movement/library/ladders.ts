import type { LadderRow } from '../ladder.ts';

/**
 * Shape ladders that ship, easiest first: what changes from the step below stands beside each. Make easier first by
 * shape (knees, incline, step), then by count, then by rest (common practice, no source).
 */
export const LADDER_ROWS: readonly LadderRow[] = [
  [
    'squat',
    'Squat',
    [
      ['seated heel press', 'sitting'],
      ['helped sit-to-stand', 'hands help'],
      ['sit-to-stand', 'legs alone'],
      ['chair squat', 'only touch the seat'],
      ['squat', 'without the chair'],
      ['goblet squat', 'a weight at the chest'],
      ['slow squat', 'three counts down'],
    ],
  ],
  [
    'single-leg-squat',
    'Squat on one leg',
    [
      ['held split squat', 'a hand helps'],
      ['split squat', 'hands free'],
      ['raised split squat', 'back foot up'],
      ['single-leg chair stand', 'one leg alone'],
    ],
  ],
  [
    'squat-hold',
    'Squat held',
    [
      ['high wall sit', 'high'],
      ['wall sit', 'thighs level'],
      ['chair sit hold', 'no wall'],
    ],
  ],
  [
    'squat-jump',
    'Squat with a jump',
    [
      ['sit-to-stand', 'from the chair'],
      ['squat', 'without the chair'],
      ['squat to toes', 'onto the toes'],
      ['squat jump', 'off the floor'],
    ],
  ],
  [
    'calf',
    'Calves',
    [
      ['seated calf raise', 'sitting'],
      ['calf raise', 'standing'],
      ['single-leg calf raise', 'on one leg'],
    ],
  ],
  [
    'lunge',
    'Lunge',
    [
      ['seated knee lift', 'sitting'],
      ['side step squat', 'a step to the side'],
      ['held step-back lunge', 'a hand helps'],
      ['step-back lunge', 'hands free'],
      ['slow step-back lunge', 'three counts down'],
      ['forward lunge', 'forward'],
      ['walking lunge', 'moving'],
      ['lunge jump', 'with a jump'],
    ],
  ],
  [
    'side-lunge',
    'Lunge to the side',
    [
      ['side leg lift', 'no weight on it'],
      ['side step squat', 'shallow'],
      ['side lunge', 'deep'],
    ],
  ],
  [
    'step',
    'Step up',
    [
      ['seated knee lift', 'sitting'],
      ['stair tap', 'tap only'],
      ['low step-up', 'a low step'],
      ['step-up', 'a full step'],
    ],
  ],
  [
    'hinge',
    'Hinge',
    [
      ['seated hinge', 'sitting'],
      ['wall hip hinge', 'a wall behind'],
      ['hip hinge', 'standing free'],
      ['suitcase deadlift', 'with a weight'],
      ['suitcase deadlift to row', 'and a row'],
      ['bottle swing', 'quick'],
    ],
  ],
  [
    'single-leg-hinge',
    'Hinge on one leg',
    [
      ['standing leg lift back', 'upright'],
      ['held single-leg hinge', 'a hand helps'],
      ['staggered deadlift', 'the other foot helps'],
      ['single-leg deadlift', 'one foot alone'],
    ],
  ],
  [
    'bridge',
    'Bridge',
    [
      ['glute bridge', 'both feet'],
      ['bridge march', 'foot by foot'],
      ['single-leg bridge', 'one foot'],
      ['raised bridge', 'feet up'],
      ['bridge slide', 'sliding'],
    ],
  ],
  [
    'push',
    'Push-up',
    [
      ['palm press', 'palm to palm'],
      ['forearm wall push', 'forearms on the wall'],
      ['wall push-up', 'hands on the wall'],
      ['chair push-up', 'hands on a chair'],
      ['knee push-up', 'knees down'],
      ['push-up', 'from the toes'],
      ['slow push-up', 'three counts down'],
      ['close push-up', 'hands together'],
      ['feet-raised push-up', 'feet up'],
    ],
  ],
  [
    'fist',
    'Push-up with straight wrists',
    [
      ['fist push-up', 'on fists'],
      ['push-up', 'on flat hands'],
    ],
  ],
  [
    'walk-out',
    'Walk-out',
    [
      ['short walk-out', 'hands on a chair'],
      ['walk-out', 'to the floor'],
      ['walk-out push-up', 'and a push-up'],
    ],
  ],
  [
    'dip',
    'Dip',
    [
      ['palm press', 'palm to palm'],
      ['triceps kickback', 'a light weight'],
      ['bent-knee chair dip', 'legs help'],
      ['chair dip', 'arms alone'],
    ],
  ],
  [
    'press',
    'Press overhead',
    [
      ['seated front reach', 'to shoulder height'],
      ['forearm slide on the wall', 'sliding up a wall'],
      ['band press', 'a band'],
      ['seated bottle press', 'sitting, a weight'],
      ['bottle press', 'standing'],
      ['overhead press', 'one heavier weight'],
      ['curl to press', 'with a curl'],
      ['pike push-up', 'own weight'],
    ],
  ],
  [
    'raise',
    'Arm raise',
    [
      ['seated side raise', 'sitting, no weight'],
      ['lateral raise', 'standing, a weight'],
    ],
  ],
  [
    'row',
    'Row',
    [
      ['elbow draw-back', 'no kit'],
      ['seated pull-apart', 'a light band'],
      ['band row', 'a band'],
      ['supported row', 'a hand helps'],
      ['bent-over row', 'hinged'],
      ['bar row', 'own weight'],
      ['table row', 'under a table'],
    ],
  ],
  [
    'chin',
    'Chin-up',
    [
      ['band pull-down', 'a band'],
      ['bar hang', 'hang only'],
      ['scapular pull', 'shoulders only'],
      ['slow chin-up lowering', 'down only'],
      ['chin-up', 'up and down'],
      ['pull-up', 'palms away'],
    ],
  ],
  [
    'curl',
    'Curl',
    [
      ['towel curl', 'against the foot'],
      ['seated curl', 'sitting'],
      ['biceps curl', 'standing'],
    ],
  ],
  [
    'plank',
    'Plank',
    [
      ['seated brace', 'sitting'],
      ['wall plank', 'at the wall'],
      ['chair plank', 'on a chair'],
      ['kneeling plank', 'knees down'],
      ['forearm plank', 'on the forearms'],
      ['plank', 'on the hands'],
    ],
  ],
  [
    'tap',
    'Shoulder tap',
    [
      ['wall shoulder tap', 'at the wall'],
      ['kneeling shoulder tap', 'on hands and knees'],
      ['shoulder tap', 'in a plank'],
      ['plank walk', 'down to the forearms'],
    ],
  ],
  [
    'side-plank',
    'Side plank',
    [
      ['wall side plank', 'at the wall'],
      ['kneeling side plank', 'knee down'],
      ['side plank', 'feet'],
    ],
  ],
  [
    'side-dip',
    'Side dip',
    [
      ['standing side bend', 'standing'],
      ['kneeling side dip', 'knee down'],
      ['side plank dip', 'feet'],
    ],
  ],
  [
    'back-down',
    'Belly, on the back',
    [
      ['heel slide', 'foot by foot'],
      ['tuck hold', 'knees in'],
      ['dead bug', 'arm and leg'],
      ['hollow hold', 'long'],
      ['leg lowering', 'both legs'],
    ],
  ],
  [
    'sit-up',
    'Sit-up',
    [
      ['seated lean-back', 'from a chair'],
      ['toe reach crunch', 'half way'],
      ['sit-up', 'all the way'],
    ],
  ],
  [
    'bird-dog',
    'Bird dog',
    [
      ['standing bird dog', 'standing'],
      ['forearm bird dog', 'on forearms'],
      ['bird dog', 'on hands'],
      ['hover hold', 'knees off'],
    ],
  ],
  [
    'twist',
    'Twist',
    [
      ['seated turn', 'on a chair'],
      ['standing twist', 'standing'],
      ['low chop', 'a weight, half way'],
      ['seated twist', 'on the floor'],
      ['wood chop', 'a weight, all the way'],
      ['open-up plank', 'in a plank'],
    ],
  ],
  [
    'squat-thrust',
    'Squat thrust',
    [
      ['wall squat thrust', 'at the wall'],
      ['chair squat thrust', 'on a chair'],
      ['step-back squat thrust', 'to the floor, stepping'],
      ['burpee', 'with push-up and jump'],
    ],
  ],
  [
    'climber',
    'Climber',
    [
      ['seated march', 'sitting'],
      ['standing knee drive', 'standing'],
      ['wall climber', 'at the wall'],
      ['chair climber', 'on a chair'],
      ['slow mountain climber', 'on the floor, slowly'],
      ['mountain climber', 'quick'],
    ],
  ],
  [
    'jack',
    'Jack',
    [
      ['seated jack', 'sitting'],
      ['low step jack', 'arms low'],
      ['step jack', 'stepping'],
      ['jumping jack', 'jumping'],
    ],
  ],
  [
    'plank-jack',
    'Jack in a plank',
    [
      ['low step jack', 'standing'],
      ['plank step-out', 'stepping'],
      ['plank jack', 'jumping'],
    ],
  ],
  [
    'run',
    'Run',
    [
      ['seated march', 'sitting'],
      ['march', 'walking'],
      ['fast feet', 'quick and low'],
      ['run on the spot', 'running'],
      ['high knees', 'knees high'],
      ['run', 'away from the spot'],
    ],
  ],
  [
    'rope',
    'Skip',
    [
      ['seated heel drum', 'sitting'],
      ['heel lift skip', 'toes stay down'],
      ['rope-free skip', 'no rope'],
      ['skip', 'with the rope'],
      ['double skip', 'twice a jump'],
    ],
  ],
  [
    'skater',
    'Skater',
    [
      ['side step', 'a small step'],
      ['skater step', 'a long step'],
      ['skater jump', 'a leap'],
    ],
  ],
  [
    'carry',
    'Carry',
    [
      ['grip hold', 'sitting'],
      ['tall stand', 'standing'],
      ['standing hold', 'with weights'],
      ['suitcase carry', 'walking'],
      ['one-side carry', 'one weight'],
      ['overhead carry', 'overhead'],
    ],
  ],
  [
    'tuck-jump',
    'Tuck jump',
    [
      ['standing knee drive', 'knee by knee'],
      ['squat to toes', 'onto the toes'],
      ['vertical jump', 'off the floor'],
      ['tuck jump', 'knees to the chest'],
    ],
  ],
  [
    'box-jump',
    'Box',
    [
      ['low step-up', 'a low step'],
      ['step-up', 'a full step'],
      ['step-over', 'over it'],
      ['box jump', 'with a jump'],
    ],
  ],
  [
    'thruster',
    'Thruster',
    [
      ['squat to reach', 'without a weight'],
      ['bottle press', 'arms alone'],
      ['push press', 'with a dip'],
      ['thruster', 'from a full squat'],
      ['cluster', 'from the floor'],
    ],
  ],
  [
    'swing',
    'Swing',
    [
      ['hip hinge', 'without a weight'],
      ['romanian deadlift', 'slow, with a weight'],
      ['swing', 'quick'],
      ['american swing', 'overhead'],
    ],
  ],
  [
    'clean',
    'Clean and snatch',
    [
      ['deadlift', 'from the floor'],
      ['high pull', 'to the chest'],
      ['clean', 'to the shoulder'],
      ['snatch', 'overhead'],
    ],
  ],
  [
    'v-up',
    'V-up',
    [
      ['toe reach crunch', 'shoulders only'],
      ['tuck-up', 'knees in'],
      ['v-up', 'legs long'],
    ],
  ],
  [
    'hanging-raise',
    'Hanging raise',
    [
      ['bar hang', 'hang only'],
      ['hanging knee raise', 'bent knees'],
      ['hanging leg raise', 'straight legs'],
    ],
  ],
  [
    'hamstring-curl',
    'Hamstring curl',
    [
      ['standing hamstring curl', 'standing'],
      ['glute bridge', 'hips up'],
      ['hamstring curl', 'sliding'],
      ['nordic curl', 'own weight'],
    ],
  ],
  [
    'donkey-kick',
    'Leg back',
    [
      ['standing leg lift back', 'standing'],
      ['donkey kick', 'on hands and knees'],
    ],
  ],
  [
    'hydrant',
    'Leg to the side',
    [
      ['side leg lift', 'standing'],
      ['fire hydrant', 'on hands and knees'],
    ],
  ],
  [
    'pistol',
    'Pistol squat',
    [
      ['sit-to-stand', 'both legs'],
      ['single-leg chair stand', 'one leg, from a chair'],
      ['pistol squat', 'all the way'],
    ],
  ],
  [
    'cossack',
    'Cossack squat',
    [
      ['side step squat', 'shallow'],
      ['side lunge', 'one side'],
      ['cossack squat', 'side to side'],
    ],
  ],
  [
    'power-jack',
    'Jacks',
    [
      ['step jack', 'stepping'],
      ['half jack', 'small'],
      ['seal jack', 'arms forward'],
      ['squat jack', 'low'],
      ['power jack', 'with a squat'],
    ],
  ],
  [
    'kick',
    'Kick',
    [
      ['heel dig', 'heel to the floor'],
      ['standing knee drive', 'knee up'],
      ['front kick', 'kicked'],
    ],
  ],
  [
    'bench-press',
    'Bench press',
    [
      ['palm press', 'palm to palm'],
      ['band chest press', 'a band'],
      ['lying floor press', 'on the floor'],
      ['bench press', 'on a bench'],
    ],
  ],
  [
    'fly',
    'Fly',
    [
      ['seated chest opener', 'no kit'],
      ['standing chest fly', 'a band'],
      ['chest fly', 'lying, with weights'],
    ],
  ],
  [
    'reverse-fly',
    'Reverse fly',
    [
      ['elbow draw-back', 'no kit'],
      ['band pull-apart', 'a band'],
      ['reverse fly', 'with weights'],
    ],
  ],
  [
    'pull-down',
    'Pull-down',
    [
      ['prone pull-down', 'lying'],
      ['band pull-down', 'a band'],
      ['lat pull-down', 'a machine'],
    ],
  ],
  [
    'handstand',
    'Upside down',
    [
      ['forearm slide on the wall', 'standing'],
      ['pike hold', 'hips high'],
      ['handstand hold', 'against a wall'],
      ['handstand push-up', 'and push'],
    ],
  ],
  [
    'balance',
    'Balance',
    [
      ['tall stand', 'both feet'],
      ['tandem stand', 'foot before foot'],
      ['single-leg balance', 'one foot'],
    ],
  ],
  [
    'sprint',
    'Sprint',
    [
      ['seated march', 'sitting'],
      ['walk', 'walking'],
      ['stride', 'fast and relaxed'],
      ['sprint', 'fast'],
    ],
  ],
  [
    'sprawl',
    'Down and up',
    [
      ['chair squat thrust', 'on a chair'],
      ['step-back squat thrust', 'stepping'],
      ['squat thrust', 'jumping'],
      ['sprawl', 'quick'],
      ['burpee', 'with a push-up and jump'],
    ],
  ],
  [
    'get-up',
    'Get-up',
    [
      ['half get-up', 'half way'],
      ['get-up', 'all the way'],
    ],
  ],
  [
    'crawl',
    'Crawl',
    [
      ['bird dog', 'arm and leg in place'],
      ['bear walk', 'hips high'],
      ['bear crawl', 'knees low'],
    ],
  ],
  [
    'bar-dip',
    'Bar dip',
    [
      ['bent-knee chair dip', 'legs help'],
      ['chair dip', 'on a chair'],
      ['bar dip', 'own weight'],
    ],
  ],
  [
    'roll-out',
    'Roll-out',
    [
      ['kneeling plank', 'held'],
      ['plank', 'from the toes'],
      ['roll-out', 'rolling out'],
    ],
  ],
];
