import { weekdayName } from '../../core/calendar/day.ts';
import type { ArrangeCost, ArrangeScope, Impossible, Placing } from '../../core/progress/arrange/arrange-week.ts';
import { pairFigures, pairMatter } from './guards.ts';

type Scope = Pick<ArrangeScope, 'firstWeekday' | 'sessions'>;

/** Two neighbouring days, the first of which is `day`: 0 is the last of the week before. */
function pairDays(day: number, { firstWeekday }: Scope): string {
  const name = (weekday: number) => weekdayName(weekday, firstWeekday);
  if (day === 0) return `the ${name(7)} before and ${name(1)}`;
  if (day === 7) return `${name(7)} and the ${name(1)} after`;
  return `${name(day)} and ${name(day + 1)}`;
}

/** What an order of a week is charged for. */
export function costWords(cost: ArrangeCost, scope: Scope): string {
  if (cost.kind === 'pair')
    return `${pairDays(cost.day, scope)}: both ${pairMatter(cost.facts)} (${pairFigures(cost.facts)})`;
  const { title, weekday } = scope.sessions[cost.session]!;
  return `${title} moves from ${weekdayName(weekday, scope.firstWeekday)}`;
}

/** Why a session stands on its day. */
export function placingWords(placing: Placing, scope: Scope): string {
  const { title, weekday } = scope.sessions[placing.session]!;
  const [to, from] = [placing.weekday, weekday].map((d) => weekdayName(d, scope.firstWeekday));
  switch (placing.kind) {
    case 'held':
      return `${title} is held on ${to}.`;
    case 'stays':
      return `${title} stays on ${to}.`;
    case 'blocked':
      return `${title} goes to ${to}: ${placing.with} on ${from}.`;
    case 'spares':
      return `${title} goes to ${to}, else ${costWords(placing.cost, scope)}.`;
    case 'moves': {
      const free =
        placing.leaves === undefined ? 'which is free' : `which ${scope.sessions[placing.leaves]!.title} leaves`;
      const taken = placing.takes === undefined ? '' : `; ${scope.sessions[placing.takes]!.title} takes ${from}`;
      return `${title} goes to ${to}, ${free}${taken}.`;
    }
  }
}

/** Why a week can't be arranged, and what can be done. */
export const impossibleWords = (result: Impossible): string =>
  result.why === 'no-day'
    ? `There is no day left for ${result.title}: every day it could have is blocked. Free one, or remove it this week.`
    : `${result.sessions} sessions don’t fit on the days that are left. Free a day, or remove a session this week.`;
