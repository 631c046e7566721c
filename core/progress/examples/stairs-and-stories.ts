import type { Theme } from '../programme-document.ts';
import type { SchoolId } from '../track/schools.ts';
import type { ExampleProgramme, ExampleTrack } from './example-programme.ts';

const session = (title: string, kit: string, effort: number, main: string): string =>
  `Title: ${title}\nTarget: 12 min\nKit: ${kit}\nEffort: ${effort}\n\nWarm-up: 2 rounds\n10 march\n6 shoulder roll\n6 wrist circle\n\n${main}\nCool-down: flow\n0:20/side calf stretch\n0:20/side side stretch\n`;

const STAIRCASE = session(
  'The long staircase',
  'step',
  7,
  'Main (Staircase): amrap 8:00\n10 alt step-up\n6 squat\n8 standing twist\n',
);
const RETEST = STAIRCASE.replace(
  'Effort: 7\n',
  'Effort: 7\nRetest: staircase\nNote: Write your rounds down; we come back to this one.\n',
);

const track = (
  weekday: number,
  id: string,
  name: string,
  theme: Theme,
  school: SchoolId,
  levers: readonly string[],
  text: string,
): ExampleTrack => ({ weekday, id, name, theme, school, levers, text });

/** Readers of a town's library branches: twelve minutes a day, every day. */
export const STAIRS_AND_STORIES: ExampleProgramme = {
  title: 'Stairs and Stories, 28 days',
  about:
    'Twenty-eight days of twelve minutes: a theme a weekday, a little more every week, one staircase to meet again at the end.',
  weeks: 4,
  lighter: [],
  tracks: [
    track(
      1,
      'landing',
      'The first landing',
      'strength',
      'rounds-and-reps',
      ['reps: +1 a week'],
      session(
        'The first landing',
        'step, chair',
        5,
        'Main (Landing): every 1:00 for 9:00\n8 alt step-up\n6 wall push-up\n8 sit-to-stand\n',
      ),
    ),
    track(
      2,
      'shelf',
      'A quiet shelf',
      'strength',
      'rounds-and-reps',
      ['reps of chair squat: +1 a week', 'reps of chair push-up: +1 a week'],
      session(
        'A quiet shelf',
        'chair',
        4,
        'Main (Shelf): 4 rounds, rest 0:30 between rounds\n8 chair squat\n6 chair push-up\n5/side bird dog\n0:20 bridge hold\n',
      ),
    ),
    track(
      3,
      'chapter',
      'Up with the chapter',
      'intervals',
      'rounds-and-reps',
      ['work: +5 a week until 13:00'],
      session(
        'Up with the chapter',
        'step',
        6,
        'Main (Chapter): work 0:25 rest 0:20, 3 rounds\nstair tap\nwall push-up\nsquat\nstep jack\n',
      ),
    ),
    track(
      4,
      'window',
      'By the window',
      'by feel',
      'by-feel',
      [],
      session(
        'By the window',
        'chair',
        4,
        'Main (Window): by feel, 7 rounds\n6 to 10 sit-to-stand\n4 to 6 chair push-up\n0:20 to 0:40 chair sit hold\n',
      ),
    ),
    track(5, 'staircase', 'The long staircase', 'intervals', 'own-number', ['clock: by week 0 60 120 0'], STAIRCASE),
    track(
      6,
      'two-at-a-time',
      'Two at a time',
      'strength',
      'rounds-and-reps',
      ['reps of list: by week 0 0 2 2'],
      session(
        'Two at a time',
        'none',
        6,
        'Main (Two at a time): for time, reps 14-13-12-10-8\nsquat\nknee push-up or wall push-up\nalt step-back lunge\n',
      ),
    ),
    track(
      7,
      'slow-page',
      'A slow page',
      'mobility',
      'by-feel',
      [],
      'Title: A slow page\nTarget: 12 min\nKit: none\nEffort: 2\nNote: No number is owed today.\n\nMain (Slow page): 3 rounds\n5 roll-down, slow\n6 cat and cow\n4/side thread the needle\n0:30/side hip flexor stretch\n\nCool-down: flow\n1:30 calm breathing\n',
    ),
  ],
  others: [1, 4].map((week) => ({ week, weekday: 5, text: RETEST })),
};
