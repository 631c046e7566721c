/** "Eight weeks to the summer tour": players in hotels, quiet floors, wrists and shoulders to spare, kit from a suitcase. */
export const ORCHESTRA_WEEKS = 8;
/** Monday, Wednesday, Friday, Saturday. */
export const ORCHESTRA_WEEKDAYS = [1, 3, 5, 6] as const;

export const ORCHESTRA_ROUTINES = [
  { name: 'Hands of a musician', text: 'Warm-up: 2 rounds\n6 wrist circle, slow\n5 wrist rock\n0:15/side forearm stretch\n8 shoulder roll\n' },
  { name: 'Hotel room, five minutes', text: 'Warm-up: flow\n10 march\n8 cat and cow\n6/side leg swing\n8 hip hinge\n5 roll-down, slow\n' },
  { name: 'After the concert', text: 'Cool-down: flow\n0:30 child’s pose\n0:30/side figure-four stretch\n0:30/side neck stretch\n1:00 calm breathing\n' },
] as const;

const isLighter = (week: number) => week % 4 === 0;

function fourInTurn(week: number): string {
  const rounds = isLighter(week) ? 4 : week > 4 ? 6 : 5;
  const more = isLighter(week) ? -2 : (week - 1) % 4;
  const seconds = rounds * 4 * 75;
  return `Title: Four in turn
Target: ${Math.round((seconds + 420) / 300) * 5} min
Kit: bottle, chair
Effort: ${isLighter(week) ? 4 : 6}
Note: Soft feet: someone sleeps below you.

Warm-up: 2 rounds
6 wrist circle, slow
4/side kneeling hip opener
5 chair squat, tempo 4-1-2

Main (Four in turn): every 1:15 for ${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}, work cap 1:00
${8 + more} suitcase deadlift to row
${10 + more} bottle press
${10 + more * 2} alt slow step-back lunge
0:40 wall sit or chair sit hold

Cool-down: flow
0:30/side doorway chest stretch
0:30/side calf stretch
`;
}

function growingRounds(week: number): string {
  const times = isLighter(week) ? '30/30s rest 30s' : week > 4 ? '30/40/50s rest 25s' : '30/40/50s rest 30s';
  return `Title: Quiet legs, strong back
Target: ${isLighter(week) ? 15 : 25} min
Kit: ${week === 6 ? 'band, chair' : 'band'}
Effort: ${isLighter(week) ? 4 : 7}

Warm-up: flow
8 cat and cow
8 shoulder roll
6/side leg swing

Main (Growing rounds): work ${times}
squat
band row
alt step-back lunge
band pull-apart
glute bridge
each side side plank

Cool-down: flow
0:20/side hip flexor stretch
0:20/side forearm stretch
0:30 child’s pose
`;
}

function byFeel(week: number): string {
  if (isLighter(week)) {
    return `Title: Loose and long
Target: 8 min
Kit: towel
Effort: 2

Main (Mobility): 2 rounds
6 cat and cow
5/side thread the needle
6 "90-90 hip switch"
0:30/side hamstring stretch

Cool-down: flow
1:30 calm breathing
`;
  }
  return `Title: By feel, then down the ladder
Target: ${week > 4 ? 20 : 18} min
Kit: chair, band
Effort: ${week > 4 ? 7 : 6}
${week === 5 ? 'Note: Concert tomorrow? Leave the ladder out, and count the day as done.\n' : ''}
Warm-up: 2 to 3 rounds
6 wrist circle
6 roll-down, slow

Main (By feel): work 0:40 rest 0:20, ${week > 4 ? 3 : 2} rounds
chair squat
band press
bird dog
march, brisk

Finisher (Ladder): for time, reps ${week > 4 ? '10-8-6-4-2' : '9-7-5-3'}
chair dip or wall push-up
bridge march

Cool-down: flow
0:30/side side stretch
0:30/side forearm stretch
`;
}

function longEngine(week: number): string {
  const minutes = isLighter(week) ? 6 : 8 + Math.min(2, (week - 1) % 4);
  return `Title: Long engine
Target: ${minutes * 2 + 4} min
Kit: bottle
Effort: ${isLighter(week) ? 5 : 8}

Warm-up: flow
12 march
6 arm circle
5 hip hinge, slow

Main (Engine): amrap ${minutes}:00, 2 sets, rest 1:00
8 goblet squat
10 step jack
6 bent-over row
4/side dead bug

Cool-down: flow
0:30/side calf stretch
1:00 calm breathing
`;
}

/** The text of a day; empty where it is still to write. */
export function orchestraText(week: number, weekday: number): string {
  if (week === 8 || (week === 7 && weekday > 4)) return '';
  switch (weekday) {
    case 1: return fourInTurn(week);
    case 3: return growingRounds(week);
    case 5: return byFeel(week);
    default: return longEngine(week);
  }
}

export const ORCHESTRA_PEOPLE: readonly (readonly [name: string, instrument: string, zone: string, temper: Temper])[] = [
  ['Amara Lindqvist', 'viola', 'Europe/Vienna', 'fader'], ['Benedek Soto', 'horn', 'Europe/Vienna', 'sore-wrist'], ['Cosima Ravn', 'flute', 'Europe/Lisbon', 'steady'],
  ['Dario Oyelaran', 'cello', 'Europe/Lisbon', 'weekend'], ['Elif Marchetti', 'violin', 'Europe/Vienna', 'steady'], ['Freya Nakagawa', 'oboe', 'Asia/Tokyo', 'usual'],
  ['Gil Abernethy', 'timpani', 'America/New_York', 'usual'], ['Hana Drozd', 'violin', 'Asia/Tokyo', 'steady'], ['Ines Calloway', 'harp', 'Europe/Lisbon', 'usual'],
  ['Jonas Petrakis', 'bass', 'Europe/Vienna', 'late'], ['Kirsi Valdez', 'clarinet', 'America/New_York', 'steady'], ['Lior Haugen', 'trumpet', 'Europe/Vienna', 'weekend'],
  ['Maeve Tanaka', 'violin', 'Pacific/Auckland', 'steady'], ['Nadim Brandt', 'viola', 'Europe/Vienna', 'usual'], ['Oda Ferreira', 'cello', 'Europe/Lisbon', 'usual'],
  ['Pavel Iversen', 'trombone', 'Europe/Vienna', 'fader'], ['Quynh Almeida', 'violin', 'Asia/Tokyo', 'usual'], ['Rasmus Okafor', 'bassoon', 'America/New_York', 'usual'],
  ['Sanna Kowalczyk', 'violin', 'Europe/Vienna', 'steady'], ['Tomas Beaumont', 'percussion', 'Pacific/Auckland', 'usual'], ['Ulla Serrano', 'flute', 'Europe/Lisbon', 'usual'],
  ['Viggo Adeyemi', 'tuba', 'Europe/Vienna', 'weekend'], ['Wanda Castellano', 'violin', 'Europe/Vienna', 'usual'], ['Xenia Halloran', 'viola', 'America/New_York', 'late'],
  ['Yannick Sørby', 'cello', 'Europe/Vienna', 'usual'], ['Zofia Mendes', 'horn', 'Pacific/Auckland', 'usual'],
];

/** How someone keeps to a programme. */
export type Temper = 'steady' | 'usual' | 'weekend' | 'fader' | 'sore-wrist' | 'late';
