import type { SlotsRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_SLOTS } from '../../limits.ts';
import { done, refused } from '../../result.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';

export interface Draft {
  readonly slotSec: number;
  readonly forSec?: number;
  readonly slots?: number;
}

const HOW_LONG = 'Say how long the turns go on: “every 1:00 for 16:00”, “every 1:00 x 16” or “every 1:00, 4 rounds”.';

export const notation: FormNotation<SlotsRule, Draft> = {
  shapes: [
    shape(
      'every',
      'every …',
      'a new item every so often; the rest is what is left',
      'Main: every 0:20 x 4\n6 squat\n4 burpee',
      ({ count, items }) => ({ ...count, time: { kind: 'slots', slotSec: 60, slots: items * 4 } }),
    ),
  ],
  shapeOf: () => 'every',
  clauses: [
    {
      words: ['every'],
      starts: [
        { label: 'every', insert: 'every 1:00 x 16', detail: 'turns by the clock: the rest is what is left' },
        {
          label: 'every, rounds',
          insert: 'every 1:00, 5 rounds',
          detail: 'turns by the clock, the whole list so many times',
        },
      ],
      read(cursor, token) {
        const slotSec = cursor.duration('The length of a turn');
        if (cursor.takeMark('x')) return { slotSec, slots: cursor.count('The number of turns', 1, MAX_SLOTS) };
        if (cursor.takeWords('for')) return { slotSec, forSec: cursor.duration('The length of the clock') };
        // Rounds may follow in a clause of their own; whether they do is known once all are read.
        if (cursor.done || cursor.peek()?.text === ',') return { slotSec };
        return cursor.fail('missing', HOW_LONG, [], token, cursor.tokens[cursor.at - 1]);
      },
    },
    {
      words: ['emom'],
      starts: [{ label: 'emom', insert: 'emom 16:00', detail: 'every minute on the minute' }],
      read(cursor) {
        if (cursor.done || cursor.peek()?.text === ',') return { slotSec: 60 };
        return { slotSec: 60, forSec: cursor.duration('The length of the emom') };
      },
    },
  ],
  extras: ['workCap'],
  takes: { rounds: true, list: true, 'by-feel': true, between: true },
  make(draft, said, { cursor, token, lastToken }) {
    const { slotSec, forSec } = draft;
    if (said.rounds && (forSec !== undefined || draft.slots !== undefined))
      cursor.fail(
        'contradiction',
        'The clock of this block says how long it goes on; leave the rounds out.',
        [],
        said.rounds.token,
      );
    if (!said.rounds && forSec === undefined && draft.slots === undefined)
      cursor.fail('missing', HOW_LONG, [], token, lastToken);
    if (forSec !== undefined && slotSec > forSec)
      cursor.fail('contradiction', 'One turn is longer than the whole clock.', [], token);
    // With rounds the number of slots is known once the items are: settleRounds.
    const slots = draft.slots ?? (forSec === undefined ? 1 : forSec / slotSec);
    if (!Number.isInteger(slots)) {
      const whole = Math.floor(slots);
      cursor.fail(
        'contradiction',
        `${formatClock(forSec!)} doesn’t hold a whole number of turns of ${formatClock(slotSec)}.`,
        [whole, whole + 1].map((n) => `every ${formatClock(slotSec)} for ${formatClock(n * slotSec)}`),
        token,
        lastToken,
      );
    }
    if (slots > MAX_SLOTS)
      cursor.fail('bad-value', `That would be ${slots} turns; at most ${MAX_SLOTS} are read.`, [], token);
    const workCap = said.extras.workCap;
    if (workCap && workCap.value > slotSec)
      cursor.fail('contradiction', 'The work cap is later than the end of the turn.', [], workCap.token);
    return { kind: 'slots', slotSec, slots, ...(workCap && { workCapSec: workCap.value }) };
  },
  settle(rule, block) {
    if (!block.rounds || block.items.length === 0) return done(block);
    const { rounds, ...rest } = block;
    const slots = rounds.high * block.items.length;
    if (rounds.low !== rounds.high)
      return refused('A clock of turns runs so many rounds and no other; write one number.', `${rounds.high} rounds`);
    if (slots > MAX_SLOTS || slots * rule.slotSec > MAX_DURATION_SEC)
      return refused(
        `${plural(slots, 'turn')} of ${formatClock(rule.slotSec)} are more than six hours or ${MAX_SLOTS} turns; write fewer rounds.`,
      );
    return done({ ...rest, time: { ...rule, slots } });
  },
  print: (rule) => [
    `every ${formatClock(rule.slotSec)} for ${formatClock(rule.slotSec * rule.slots)}`,
    ...(rule.workCapSec ? [`work cap ${formatClock(rule.workCapSec)}`] : []),
  ],
  restNeedsLength: false,
  numbers: (rule) => [
    {
      key: 'slotSec',
      label: 'every',
      value: rule.slotSec,
      unit: 'sec',
      least: rule.workCapSec ?? 1,
      most: Math.floor(MAX_DURATION_SEC / rule.slots),
    },
    {
      key: 'slots',
      label: 'slots',
      value: rule.slots,
      unit: 'count',
      least: 1,
      most: Math.min(MAX_SLOTS, Math.floor(MAX_DURATION_SEC / rule.slotSec)),
    },
    ...(rule.workCapSec
      ? [
          {
            key: 'workCapSec',
            label: 'work over by',
            value: rule.workCapSec,
            unit: 'sec' as const,
            least: 1,
            most: rule.slotSec,
          },
        ]
      : []),
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: value }),
};
