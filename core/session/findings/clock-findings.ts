import { commonStep, fitSlots, withCount } from '../../forms/slot-fit.ts';
import { listedNumbers } from '../../forms/count.ts';
import { formOf } from '../../forms/forms.ts';
import { plural } from '../../words/words.ts';
import { formatClock } from '../../words/format-clock.ts';
import { isWork } from '../../words/describe-item.ts';
import { resolveMovement } from '../../forms/dose-parts.ts';
import type { Block, WorkItem } from '../../document/document.ts';
import type { Finding, FindingScope } from './finding.ts';
import { lineOfBlock, lineOfItem } from './finding.ts';
import type { SessionEdit } from '../../notation/session-edit.ts';

/** Usual work to rest in timed work: 1:1 (power) to 3:1 (conditioning) (common practice, no source). */
export const USUAL_WORK_TO_REST = { low: 1, high: 3 } as const;
/** From this much timed work on, a clock without any rest is mentioned (common practice, no source). */
export const LONG_WITHOUT_REST_SEC = 5 * 60;
/** The least time in which one gets up from the floor and ready (common practice, no source). */
export const RISE_SEC = 5;

/** Slots of an every-minute block that don't hold what is put in them. */
export function findOverfullSlots(scope: FindingScope): Finding[] {
  const findings: Finding[] = [];
  for (const [b, block] of scope.document.blocks.entries()) {
    const fits = fitSlots(block, scope.library);
    const step = commonStep(block, scope.library);
    for (const fit of fits) {
      if (fit.status === 'fits') continue;
      const item = block.items[fit.item] as WorkItem;
      const from = fit.firstRound > 1 ? `From round ${fit.firstRound} on, ` : '';
      const need = `${formatClock(fit.needSec.likely)} of work (${formatClock(fit.needSec.low)} to ${formatClock(fit.needSec.high)})`;
      const verdict =
        fit.status === 'overfull'
          ? `more than the ${formatClock(fit.slotSec)} of the turn`
          : `later than ${formatClock(fit.capSec)}, when work should be over`;
      const written =
        item.dose?.kind === 'reps' && item.dose.amount.kind === 'fixed'
          ? item.dose.amount.value
          : item.dose?.kind === 'time' && item.dose.amountSec.kind === 'fixed'
            ? item.dose.amountSec.value
            : undefined;
      const alone =
        fit.largestCount !== undefined && written !== undefined && fit.largestCount < written
          ? fit.largestCount
          : undefined;
      const show = (n: number) => (item.dose?.kind === 'time' ? formatClock(n) : String(n));
      findings.push({
        code: 'overfull-slot',
        severity: fit.status === 'overfull' ? 'warning' : 'caution',
        line: lineOfItem(scope, b, fit.item),
        message: `${from}${resolveMovement(item, 0, scope.library).name}: ${need}, ${verdict}.`.replace(/^./, (c) =>
          c.toUpperCase(),
        ),
        changes: [
          ...(alone !== undefined
            ? [
                {
                  label: `${show(alone)} instead of ${show(written!)}`,
                  edits: [{ kind: 'set-item' as const, block: b, item: fit.item, next: withCount(item, alone) }],
                },
              ]
            : []),
          ...(step !== undefined && step > 0
            ? [{ label: `${step} off every station`, edits: offEveryStation(block, b, step) }]
            : []),
        ],
      });
    }
  }
  return findings;
}

function offEveryStation(block: Block, b: number, step: number): SessionEdit[] {
  return block.items.flatMap((item, i): SessionEdit[] =>
    item.kind === 'work' && item.dose?.kind === 'reps' && item.dose.amount.kind === 'fixed'
      ? [{ kind: 'set-item', block: b, item: i, next: withCount(item, item.dose.amount.value - step) }]
      : [],
  );
}

const ratio = (work: number, rest: number) => {
  const r = work / rest;
  return r >= 1 ? `${Number(r.toFixed(1))}:1` : `1:${Number((1 / r).toFixed(1))}`;
};

/** Work and rest outside what is usual; information only. */
export function findOddRest(scope: FindingScope): Finding[] {
  const findings: Finding[] = [];
  for (const [b, block] of scope.document.blocks.entries()) {
    const pulse = formOf(block.time).rule.pulse(block.time);
    if (!pulse || block.role === 'Warm-up' || block.role === 'Cool-down') continue;
    const line = lineOfBlock(scope, b);
    const rounds = Math.max(pulse.workSec.length, pulse.restSec.length);
    const at = (list: readonly number[], i: number) => list[Math.min(i, list.length - 1)] ?? 0;
    if (pulse.restSec.length === 0) {
      const restItem = block.items.some((item) => item.kind === 'rest');
      const workSec = scope.plan.blocks[b]?.workSec ?? 0;
      if (!restItem && !block.between && workSec >= LONG_WITHOUT_REST_SEC) {
        findings.push({
          code: 'rest-odd',
          severity: 'info',
          line,
          message: `${formatClock(workSec)} of work by the clock without a rest in it. Usual is one part of rest to 1 to 3 of work.`,
          changes:
            pulse.workSec.length === 1
              ? [
                  {
                    label: `rest ${formatClock(Math.max(5, Math.round(pulse.workSec[0]! / 3 / 5) * 5))} after each`,
                    edits: [
                      {
                        kind: 'set-header',
                        block: b,
                        next: {
                          ...block,
                          time: pulse.withRest(Math.max(5, Math.round(pulse.workSec[0]! / 3 / 5) * 5)),
                        },
                      },
                    ],
                  },
                ]
              : [],
        });
      }
      continue;
    }
    for (let i = 0; i < rounds; i++) {
      const [work, rest] = [at(pulse.workSec, i), at(pulse.restSec, i)];
      const r = work / rest;
      if (r >= USUAL_WORK_TO_REST.low && r <= USUAL_WORK_TO_REST.high) continue;
      findings.push({
        code: 'rest-odd',
        severity: 'info',
        line,
        message: `${rounds > 1 ? `Round ${i + 1}: ` : ''}${formatClock(work)} work to ${formatClock(rest)} rest is ${ratio(work, rest)}. Usual for such work is 1:1 to 3:1; other ratios have their reasons.`,
        changes: [],
      });
      break;
    }
  }
  return findings;
}

/** Getting up from the floor in less than a few seconds, by the clock. */
export function findTightChangeOvers(scope: FindingScope): Finding[] {
  const findings: Finding[] = [];
  for (const [b, block] of scope.document.blocks.entries()) {
    const pulse = formOf(block.time).rule.pulse(block.time);
    if (!pulse) continue;
    const restSec = Math.min(...(pulse.restSec.length > 0 ? pulse.restSec : [0]));
    if (restSec >= RISE_SEC || block.items.length < 2) continue;
    for (const [i, item] of block.items.entries()) {
      const next = block.items[(i + 1) % block.items.length]!;
      if (!isWork(item) || !isWork(next)) continue;
      const [one, other] = [
        resolveMovement(item, 0, scope.library).movement,
        resolveMovement(next, 0, scope.library).movement,
      ];
      if (!one || !other || !one.isOnFloor || other.position !== 'standing') continue;
      findings.push({
        code: 'change-over-tight',
        severity: 'caution',
        line: lineOfItem(scope, b, i),
        message: `From ${one.name} on the floor to ${other.name} on the feet in ${restSec === 0 ? 'no time' : `${restSec} s`}; getting up takes ${RISE_SEC} s or more.`,
        changes: [
          {
            label: `rest 0:10`,
            edits: [{ kind: 'set-header', block: b, next: { ...block, time: pulse.withRest(10) } }],
          },
        ],
      });
      break;
    }
  }
  return findings;
}

/** Forms whose score can't be told from what is written. */
export function findUnclearScores(scope: FindingScope): Finding[] {
  const findings: Finding[] = [];
  for (const [b, block] of scope.document.blocks.entries()) {
    const works = block.items.flatMap((item, i) => (item.kind === 'work' ? [{ item, i }] : []));
    const push = (
      item: number | undefined,
      message: string,
      severity: 'info' | 'caution',
      changes: Finding['changes'] = [],
    ) =>
      findings.push({
        code: 'score-unclear',
        severity,
        line: item === undefined ? lineOfBlock(scope, b) : lineOfItem(scope, b, item),
        message,
        changes,
      });
    const bare = works.find(
      ({ item }) => (item.dose === undefined || item.dose.kind === 'given') && listedNumbers(block.count).length === 0,
    );
    const form = formOf(block.time);
    const from = form.rule.numbersFrom(block.time);
    if (from !== null && bare && block.count?.kind !== 'by-feel' && works.length >= from) {
      const { item, i } = bare;
      const name = resolveMovement(item, 0, scope.library).name;
      push(i, `How many of the ${name}? Without a number the score can’t be compared.`, 'caution', [
        {
          label: '10',
          edits: [
            {
              kind: 'set-item',
              block: b,
              item: i,
              next: {
                ...item,
                dose: {
                  kind: 'reps',
                  amount: { kind: 'fixed', value: 10 },
                  ...(item.dose?.kind === 'given' && { sides: item.dose.sides }),
                },
              },
            },
          ],
        },
      ]);
      continue;
    }
    const advice = form.rule.maxAdvice(block.time, block);
    if (advice)
      push(
        advice.item,
        advice.message,
        'caution',
        advice.putLast
          ? [
              {
                label: 'put it last',
                edits: [{ kind: 'move-item', block: b, item: advice.item, toBlock: b, at: block.items.length }],
              },
            ]
          : [],
      );
  }
  return findings;
}

/** A clock that ends in the middle of a round: its last items are done once less than the others. */
export function findPartRounds(scope: FindingScope): Finding[] {
  return scope.document.blocks.flatMap((block, b): Finding[] => {
    const rounds = scope.plan.blocks[b]?.rounds;
    const slot = formOf(block.time).rule.slot(block.time);
    if (!slot || !rounds || rounds.low === rounds.high || block.source) return [];
    const items = block.items.length;
    const over = slot.slots - rounds.low * items;
    const whole = [rounds.low, rounds.high].filter((n) => n > 0);
    return [
      {
        code: 'part-round',
        severity: 'info',
        line: lineOfBlock(scope, b),
        message: `${slot.slots} turns are ${plural(rounds.low, 'round')} of ${items} and ${over} more: the first ${over === 1 ? 'item comes' : `${over} items come`} once more than the others.`,
        changes: whole.map((n) => ({
          label: `${plural(n, 'round')}, ${formatClock(n * items * slot.slotSec)}`,
          edits: [
            {
              kind: 'set-header' as const,
              block: b,
              next: { ...block, time: formOf(block.time).notation.withNumber(block.time, 'slots', n * items) },
            },
          ],
        })),
      },
    ];
  });
}
