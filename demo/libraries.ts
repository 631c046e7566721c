import type { Temper } from './orchestra.ts';
import { pick, seededRandom } from './random.ts';

/** "Stairs and Stories, 28 days": readers of a town's library branches, twelve minutes a day. */
export const LIBRARY_WEEKS = 4;
export const LIBRARY_WEEKDAYS = [1, 2, 3, 4, 5, 6, 7] as const;

export const LIBRARY_ROUTINES = [
  { name: 'Between the shelves', text: 'Warm-up: 2 rounds\n10 march\n6 shoulder roll\n6/side leg swing\n' },
  { name: 'Last page', text: 'Cool-down: flow\n0:20/side calf stretch\n0:20/side side stretch\n1:00 calm breathing\n' },
] as const;

const THEMES = ['The first landing', 'A quiet shelf', 'Up with the chapter', 'By the window', 'The long staircase', 'Two at a time', 'A slow page'] as const;

/** The text of a day: a theme a weekday, a little more every week. */
export function libraryText(week: number, weekday: number): string {
  const head = (kit: string, effort: number) => `Title: ${THEMES[weekday - 1]}\nTarget: 12 min\nKit: ${kit}\nEffort: ${effort}\n\nWarm-up: 2 rounds\n10 march\n6 shoulder roll\n6 wrist circle\n`;
  const tail = '\nCool-down: flow\n0:20/side calf stretch\n0:20/side side stretch\n';
  const more = week - 1;
  switch (weekday) {
    case 1: return `${head('step', 5)}\nMain (Landing): every 1:00 for 9:00\n${8 + more} alt step-up\n${6 + more} wall push-up\n${8 + more} sit-to-stand\n${tail}`.replace('Kit: step', 'Kit: step, chair');
    case 2: return `${head('chair', 4)}\nMain (Shelf): 4 rounds, rest 0:30 between rounds\n${8 + more} chair squat\n${6 + more} chair push-up\n5/side bird dog\n0:20 bridge hold\n${tail}`;
    case 3: return `${head('step', 6)}\nMain (Chapter): work ${25 + more * 5}s rest ${20 - more * 2}s, 3 rounds\nstair tap\nwall push-up\nsquat\nstep jack\n${tail}`;
    case 4: return `${head('chair', 4)}\nMain (Window): by feel, 7 rounds\n6 to ${10 + more} sit-to-stand\n4 to ${6 + more} chair push-up\n0:20 to 0:40 chair sit hold\n${tail}`;
    case 5: return `${head('step', 7)}\nMain (Staircase): amrap ${8 + Math.min(2, more)}:00\n10 alt step-up\n6 squat\n8 standing twist\n${tail}`;
    case 6: return `${head('none', 6)}\nMain (Two at a time): for time, reps ${week > 2 ? '16-14-12-10-8' : '14-12-10-8-8'}\nsquat\nknee push-up or wall push-up\nalt step-back lunge\n${tail}`;
    default: return `Title: ${THEMES[6]}\nTarget: 12 min\nKit: none\nEffort: 2\nNote: No number is owed today.\n\nMain (Slow page): 3 rounds\n5 roll-down, slow\n6 cat and cow\n4/side thread the needle\n0:30/side hip flexor stretch\n\nCool-down: flow\n1:30 calm breathing\n`;
  }
}

const BRANCHES = ['Harbour', 'Old Mill', 'Station', 'Hillside', 'Market', 'Orchard', 'Lighthouse'] as const;
const GIVEN = ['Ada', 'Bruno', 'Clio', 'Denis', 'Edda', 'Fabian', 'Greta', 'Hugo', 'Ilse', 'Jamal', 'Katya', 'Leif', 'Mina', 'Noor', 'Otis', 'Petra', 'Ravi', 'Selma', 'Tariq', 'Una'] as const;
const FAMILY = ['Arden', 'Bellweather', 'Corvane', 'Dunmarsh', 'Elderby', 'Fennick', 'Garrowhill', 'Hatherly', 'Inchmere', 'Jessop', 'Kilvane', 'Lorimer', 'Marchbank', 'Netherby'] as const;
const TEMPERS: readonly Temper[] = ['steady', 'steady', 'usual', 'usual', 'usual', 'weekend', 'fader', 'late', 'late', 'late'];

/** 140 readers in seven branch teams, each name once. */
export function libraryPeople(): (readonly [name: string, branch: string, zone: string, temper: Temper])[] {
  const random = seededRandom(28);
  return Array.from({ length: 140 }, (_, i) => [
    `${GIVEN[i % GIVEN.length]} ${FAMILY[(i + Math.floor(i / GIVEN.length) * 3) % FAMILY.length]}`, BRANCHES[i % BRANCHES.length]!, 'Europe/Dublin', pick(random, TEMPERS),
  ] as const);
}
