import { listWords, plural } from '../../words/words.ts';
import type { Placed, TeamRow } from '../scores/boards.ts';
import type { DayState, Standing } from './strand.ts';
import { isKept, isOwed } from './strand.ts';

/** How much a part is taken for where nobody said. */
const HALF = 0.5;

/** What a week came to, for its letters. */
export interface WeekFacts {
  readonly programme: string;
  readonly week: number;
  readonly coach: string;
  readonly due: number;
  readonly done: number;
  readonly minutes: number;
  readonly here: number;
  readonly joined: number;
  readonly teams: readonly Placed<TeamRow>[];
  readonly shared: { readonly words: string; readonly total: number } | null;
  /** Titles of the next days' sessions. */
  readonly next: readonly string[];
  readonly nextNote: string;
  /** Who needs a word, and why; for the coach. */
  readonly needs: readonly { readonly name: string; readonly why: string }[];
  /** For whom a good word is due. */
  readonly good: readonly { readonly name: string; readonly why: string }[];
  readonly proposals: number;
}

/** Sessions that were due and done in a week, by everybody, and about how long all that was. */
export function sumWeek(
  week: number,
  days: readonly { readonly week: number; readonly likelySec: number }[],
  people: readonly {
    readonly states: readonly DayState[];
    readonly records: readonly (Pick<Standing, 'shareRatio'> | undefined)[];
  }[],
): Pick<WeekFacts, 'due' | 'done' | 'minutes'> {
  let [due, done, sec] = [0, 0, 0];
  for (const [i, day] of days.entries()) {
    if (day.week !== week) continue;
    for (const { states, records } of people) {
      if (isOwed(states[i]!)) due++;
      if (!isKept(states[i]!)) continue;
      done++;
      sec += day.likelySec * (states[i] === 'part' ? (records[i]?.shareRatio ?? HALF) : 1);
    }
  }
  return { due, done, minutes: Math.round(sec / 60) };
}

export interface Letter {
  readonly subject: string;
  readonly words: string;
}

const big = (n: number): string => n.toLocaleString('en');
const MOST_NAMED = 10;

/** The week's letter to all, drafted from its figures: sums of all alone, nobody's own. */
export function draftLetter(f: WeekFacts): Letter {
  const first = f.teams.filter((t) => t.place === 1);
  const teams =
    f.teams.length < 2
      ? ''
      : first.length === 1
        ? `${first[0]!.of.team} kept most days a head, ${first[0]!.of.mean} of them.`
        : `${listWords(first.map((t) => t.of.team))} are level with ${first[0]!.of.mean} days a head.`;
  return {
    subject: `Week ${f.week}: ${plural(f.done, 'session')} done`,
    words: [
      'Hello all,',
      [
        `week ${f.week} is over. Together you did ${plural(f.done, 'session')}, about ${plural(Math.round(f.minutes / 60), 'hour')} of work.`,
        ...(f.shared ? [`So far: ${big(f.shared.total)} ${f.shared.words}.`] : []),
        ...(teams === '' ? [] : [teams]),
      ].join(' '),
      ...(f.next.length > 0 ? [`Next: ${listWords(f.next)}.${f.nextNote === '' ? '' : ` ${f.nextNote}`}`] : []),
      'Whoever missed some: nothing needs catching up. The next session is the one that counts.',
      f.coach,
    ].join('\n\n'),
  };
}

/** The week's letter to the coach: what came of it, who needs a word, what is to be decided. */
export function draftCoachLetter(f: WeekFacts): Letter {
  const list = (items: readonly { readonly name: string; readonly why: string }[]) => [
    ...items.slice(0, MOST_NAMED).map((n) => `- ${n.name}: ${n.why}`),
    ...(items.length > MOST_NAMED ? [`- and ${items.length - MOST_NAMED} more`] : []),
  ];
  return {
    subject: `${f.programme}, week ${f.week}: ${f.needs.length === 0 ? 'nobody needs a word' : `${plural(f.needs.length, 'person', 'people')} to write to`}`,
    words: [
      `Week ${f.week} of ${f.programme}: ${f.done} of ${plural(f.due, 'session')} due ${f.done === 1 ? 'was' : 'were'} done. ${f.here} of ${f.joined} still take part.`,
      ...(f.needs.length > 0 ? [['Who needs a word:', ...list(f.needs)].join('\n')] : []),
      ...(f.good.length > 0 ? [['A good word is due:', ...list(f.good)].join('\n')] : []),
      f.proposals === 0
        ? 'Nothing is to be decided for next week.'
        : `${plural(f.proposals, 'proposal waits', 'proposals wait')} for you under What next.`,
    ].join('\n\n'),
  };
}
