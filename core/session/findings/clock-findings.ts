import { commonStep, fitSlots, withCount } from '../../forms/slot-fit.ts';
import { listedNumbers } from '../../forms/count.ts';
import { formOf } from '../../forms/forms.ts';
import { isWork } from '../../words/describe-item.ts';
import { resolveMovement } from '../../forms/dose-parts.ts';
import type { Block, Dose, WorkItem } from '../../document/document.ts';
import type { Finding, FindingScope } from './finding.ts';
import { lineOfBlock, lineOfItem } from './finding.ts';
import type { SessionEdit } from '../../notation/session-edit.ts';

/** Usual work to rest in timed work: 1:1 (power) to 3:1 (conditioning) (common practice, no source). */
export const USUAL_WORK_TO_REST = { low: 1, high: 3 } as const;
/** From this much timed work on, a clock without any rest is mentioned (common practice, no source). */
export const LONG_WITHOUT_REST_SEC = 5 * 60;
/** The least time in which one gets up from the floor and ready (common practice, no source). */
export const RISE_SEC = 5;

/** A rest in which it is done without haste. */
const RISEN_SEC = 10;
/** Repetitions that are offered where none are said. */
const USUAL_REPS = 10;

/** Slots of an every-minute block that don't hold what is put in them. */
export function findOverfullSlots(scope: FindingScope): Finding[] {
  const findings: Finding[] = [];
  for (const [b, block] of scope.document.blocks.entries()) {
    const fits = fitSlots(block, scope.library);
    const step = commonStep(block, scope.library);
    for (const fit of fits) {
      if (fit.status === 'fits') continue;
      const item = block.items[fit.item] as WorkItem;
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
      findings.push({
        code: 'overfull-slot',
        severity: fit.status === 'overfull' ? 'warning' : 'caution',
        line: lineOfItem(scope, b, fit.item),
        movement: resolveMovement(item, 0, scope.library).name,
        fromRound: fit.firstRound,
        needSec: fit.needSec,
        limit: fit.status === 'overfull' ? { kind: 'turn', sec: fit.slotSec } : { kind: 'cap', sec: fit.capSec },
        changes: [
          ...(alone !== undefined
            ? [
                {
                  does: {
                    kind: 'fewer' as const,
                    from: written!,
                    to: alone,
                    isSeconds: item.dose?.kind === 'time',
                  },
                  edits: [{ kind: 'set-item' as const, block: b, item: fit.item, next: withCount(item, alone) }],
                },
              ]
            : []),
          ...(step !== undefined && step > 0
            ? [{ does: { kind: 'fewer-everywhere' as const, step }, edits: offEveryStation(block, b, step) }]
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

/** A third of the work, in steps of five seconds. */
const usualRestSec = (workSec: number): number => Math.max(5, Math.round(workSec / 3 / 5) * 5);

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
          workSec,
          restSec: 0,
          round: null,
          changes:
            pulse.workSec.length === 1
              ? [
                  {
                    does: { kind: 'rest-after-each', sec: usualRestSec(pulse.workSec[0]!) },
                    edits: [
                      {
                        kind: 'set-header',
                        block: b,
                        next: {
                          ...block,
                          time: pulse.withRest(usualRestSec(pulse.workSec[0]!)),
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
        workSec: work,
        restSec: rest,
        round: rounds > 1 ? i + 1 : null,
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
        from: one.name,
        to: other.name,
        restSec,
        leastSec: RISE_SEC,
        changes: [
          {
            does: { kind: 'rest', sec: RISEN_SEC },
            edits: [{ kind: 'set-header', block: b, next: { ...block, time: pulse.withRest(RISEN_SEC) } }],
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
    const bare = works.find(
      ({ item }) => (item.dose === undefined || item.dose.kind === 'given') && listedNumbers(block.count).length === 0,
    );
    const form = formOf(block.time);
    const from = form.rule.numbersFrom(block.time);
    if (from !== null && bare && block.count?.kind !== 'by-feel' && works.length >= from) {
      const { item, i } = bare;
      const name = resolveMovement(item, 0, scope.library).name;
      const dose: Dose = {
        kind: 'reps',
        amount: { kind: 'fixed', value: USUAL_REPS },
        ...(item.dose?.kind === 'given' && { sides: item.dose.sides }),
      };
      findings.push({
        code: 'score-unclear',
        why: 'no-number',
        movement: name,
        severity: 'caution',
        line: lineOfItem(scope, b, i),
        changes: [
          {
            does: { kind: 'number', value: USUAL_REPS },
            edits: [{ kind: 'set-item', block: b, item: i, next: { ...item, dose } }],
          },
        ],
      });
      continue;
    }
    const advice = form.rule.maxAdvice(block.time, block);
    if (advice)
      findings.push({
        code: 'score-unclear',
        why: advice.why,
        severity: 'caution',
        line: lineOfItem(scope, b, advice.item),
        changes: advice.putLast
          ? [
              {
                does: { kind: 'put-last' },
                edits: [{ kind: 'move-item', block: b, item: advice.item, toBlock: b, at: block.items.length }],
              },
            ]
          : [],
      });
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
        slots: slot.slots,
        rounds: rounds.low,
        items,
        over,
        changes: whole.map((n) => ({
          does: { kind: 'whole-rounds' as const, rounds: n, sec: n * items * slot.slotSec },
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
