import type { WeekFacts } from '../../core/record/adherence/week-facts.ts';
import { listWords, plural, tenth } from '../../core/words/words.ts';

/** A letter as a coach gets it to change and send. */
export interface DraftLetter {
  readonly subject: string;
  readonly words: string;
}

const big = (n: number): string => n.toLocaleString('en');
const MOST_NAMED = 10;

/** The week's letter to all, drafted from its figures: sums of all alone, nobody's own. */
export function draftLetter(f: WeekFacts): DraftLetter {
  const first = f.teams.filter((t) => t.place === 1);
  const teams =
    f.teams.length < 2
      ? ''
      : first.length === 1
        ? `${first[0]!.of.team} kept most days a head, ${tenth(first[0]!.of.mean)} of them.`
        : `${listWords(first.map((t) => t.of.team))} are level with ${tenth(first[0]!.of.mean)} days a head.`;
  return {
    subject: `Week ${f.week}: ${plural(f.done, 'session')} done`,
    words: [
      'Hello all,',
      [
        `week ${f.week} is over. Together you did ${plural(f.done, 'session')}, about ${plural(Math.round(f.minutes / 60), 'hour')} of work.`,
        ...(f.shared
          ? [
              `So far: ${big(f.shared.total)} ${f.shared.words}. Each counts as it was done: another shape as that shape, fewer as fewer.`,
            ]
          : []),
        ...(teams === '' ? [] : [teams]),
      ].join(' '),
      ...(f.next.length > 0 ? [`Next: ${listWords(f.next)}.${f.nextNote === '' ? '' : ` ${f.nextNote}`}`] : []),
      'Whoever missed some: nothing needs catching up. The next session is the one that counts.',
      f.coach,
    ].join('\n\n'),
  };
}

/** The week's letter to the coach: what came of it, who needs a word, what is to be decided. */
export function draftCoachLetter(f: WeekFacts): DraftLetter {
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
