import { kitKey, PLACES, servesAs } from '../../movement/kit.ts';
import { areaOf, hasImpact, loadsWrists } from '../../movement/movement.ts';
import { formOf } from '../../forms/forms.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { buildCoolDown, buildWarmUp } from '../build-preparation.ts';
import { resolveMovement } from '../../forms/dose-parts.ts';
import { isWork } from '../../words/describe-item.ts';
import { blockName } from '../explain/explain.ts';
import type { Block } from '../../document/document.ts';
import type { Finding, FindingChange, FindingScope } from './finding.ts';
import { lineOfBlock, lineOfItem } from './finding.ts';

/** A length this far from the promise is mentioned. */
export const TARGET_TOLERANCE_RATIO = 0.1;
/** Sessions with less work than this need no warm-up or cool-down of their own (common practice, no source). */
export const SHORT_WORK_SEC = 8 * 60;
/** Mobility, stretches and other work of the easiest class prepare themselves. */
export const EASY_EFFORT_RATIO = 0.2;
/** Repetitions or seconds on bent wrists from which preparation is usual (common practice: "wrists before many burpees or push-ups"). */
export const MANY_WRIST_LOADS = 30;
const WRIST_CIRCLES = 6;
/** Landings later than this into a session come on tired legs (common practice, no source). */
export const FRESH_WORK_SEC = 20 * 60;
/** Effort class from which two neighbours for one area are mentioned. */
export const HARD_EFFORT_CLASS = 3;
/** The longest stretch without a rest of half a minute that passes unmentioned (common practice: "water at every round"). */
export const LONGEST_WITHOUT_WATER_SEC = 20 * 60;
export const DRINKING_REST_SEC = 30;
/** A rest to drink in, between two blocks. */
const WATER_REST_SEC = 60;

export function findUnknownRoutines({ document, source, routines }: FindingScope): Finding[] {
  return document.blocks.flatMap((block, b): Finding[] =>
    (block.source?.kind === 'routine' ? [block.source.name, ...(block.source.next ?? [])] : [])
      .filter((name) => !routines.has(name.toLowerCase()))
      .map((name) => ({
        code: 'unknown-routine',
        severity: 'warning',
        line: source.blocks[b]?.line ?? null,
        name,
        changes: [],
      })),
  );
}

/** The length against the promise, with the round or minute that would mend it. */
export function findOffTarget(scope: FindingScope): Finding[] {
  const { document, source, plan } = scope;
  const { targetSec } = document;
  if (targetSec === undefined || plan.timeline.length === 0) return [];
  const offSec = plan.clockSec.likely - targetSec;
  if (Math.abs(offSec) <= TARGET_TOLERANCE_RATIO * targetSec) return [];
  const minutes = Math.max(1, Math.round(plan.clockSec.likely / 60));
  return [
    {
      code: offSec > 0 ? 'over-target' : 'under-target',
      severity: 'caution',
      line: source.fields.Target ?? null,
      likelySec: plan.clockSec.likely,
      isEstimated: plan.estimated,
      targetSec,
      changes: [
        ...resizeBlock(scope, -offSec),
        ...(minutes * 60 <= MAX_DURATION_SEC && minutes * 60 !== targetSec
          ? [
              {
                does: { kind: 'target' as const, minutes },
                edits: [{ kind: 'set-field' as const, field: 'Target' as const, value: `${minutes} min` }],
              },
            ]
          : []),
      ],
    },
  ];
}

/** Adds or takes whole rounds (or minutes of an open span) of the longest block where that meets the promise. */
function resizeBlock({ document, plan }: FindingScope, wantedSec: number): FindingChange[] {
  const byLength = document.blocks
    .map((block, b) => ({ block, b, sec: plan.blocks[b]?.clockSec.likely ?? 0 }))
    .filter(({ block }) => !block.source && !block.sets && block.role !== 'Warm-up' && block.role !== 'Cool-down')
    .sort((x, y) => y.sec - x.sec);
  const slackSec = TARGET_TOLERANCE_RATIO * (document.targetSec ?? 0);
  for (const { block, b, sec } of byLength) {
    const { time } = block;
    const form = formOf(time);
    const size = form.levers.size(time, block);
    if (!size) continue;
    const unitSec = size.isSeconds ? 1 : sec / size.value;
    const step = size.isSeconds ? 60 : 1;
    const next = Math.round((size.value + wantedSec / unitSec) / step) * step;
    const missSec = Math.abs(wantedSec - (next - size.value) * unitSec);
    if (next < step || next === size.value || next > size.most || missSec > slackSec) continue;
    return [
      {
        does: { kind: 'resize', from: size.value, to: next, isSeconds: size.isSeconds, block: blockName(block) },
        edits: [{ kind: 'set-header', block: b, next: size.with(next) }],
      },
    ];
  }
  return [];
}

/** What was announced held against what the items need. Nothing was announced: nothing to hold. */
export function findKit({ document, source, plan, blocks, library }: FindingScope): Finding[] {
  const announced = document.kit;
  if (announced === undefined || plan.timeline.length === 0) return [];
  const needed = plan.kit.filter((piece) => !PLACES.includes(piece));
  const usable = new Set(needed);
  for (const block of blocks) {
    for (const item of block.items)
      if (isWork(item))
        for (const choice of item.choices)
          for (const piece of library.findByName(choice.name)?.kit ?? []) usable.add(piece);
  }
  const missing = needed.filter((piece) => !announced.some((a) => servesAs(a, piece)));
  // A movement that nobody knows may need any of it.
  const isOpen = blocks.some((block) =>
    block.items.some((item) => isWork(item) && item.choices.some((c) => !library.findByName(c.name))),
  );
  const unused = announced.filter(
    (a) =>
      !isOpen &&
      ![...usable].some((piece) => servesAs(a, piece)) &&
      !['mat', ...PLACES].some((piece) => servesAs(a, piece)),
  );
  const line = source.fields.Kit ?? null;
  const setKit = (kit: readonly string[]): FindingChange['edits'] => [
    { kind: 'set-field', field: 'Kit', value: kit.length === 0 ? 'none' : kit.join(', ') },
  ];
  const findings: Finding[] = [];
  const kept = announced.filter((a) => !unused.includes(a));
  // Of what is announced in too small a number, the number is raised.
  const rest = announced.filter((a) => !missing.some((m) => kitKey(m) === kitKey(a)));
  if (missing.length > 0) {
    findings.push({
      code: 'kit-missing',
      severity: 'caution',
      line,
      pieces: missing,
      changes: [{ does: { kind: 'announce', pieces: missing }, edits: setKit([...rest, ...missing]) }],
    });
  }
  if (unused.length > 0) {
    findings.push({
      code: 'kit-unused',
      severity: 'caution',
      line,
      pieces: unused,
      changes: [{ does: { kind: 'leave-out', pieces: unused }, edits: setKit(kept) }],
    });
  }
  return findings;
}

/** Work without a way in or out, with ones that fit what is worked. */
export function findPreparation({ blocks, plan, library }: FindingScope): Finding[] {
  const main = plan.timeline.filter(
    (s) =>
      s.kind !== 'rest' && s.effort > EASY_EFFORT_RATIO && !['Warm-up', 'Cool-down'].includes(blocks[s.block]!.role),
  );
  const workSec = main.reduce((sum, s) => sum + s.endSec - s.startSec, 0);
  if (workSec < SHORT_WORK_SEC) return [];
  const has = (role: Block['role']) => blocks.some((b) => b.role === role);
  const offer = (at: number, next: Block): FindingChange[] =>
    next.items.length === 0
      ? []
      : [
          {
            does: { kind: 'add', movements: next.items.filter(isWork).map((i) => i.choices[0]!.name) },
            edits: [{ kind: 'insert-block', at, next }],
          },
        ];
  return [
    ...(has('Warm-up')
      ? []
      : [
          {
            code: 'no-warm-up' as const,
            severity: 'caution' as const,
            line: null,
            changes: offer(0, buildWarmUp({ timeline: main }, library)),
          },
        ]),
    ...(has('Cool-down')
      ? []
      : [
          {
            code: 'no-cool-down' as const,
            severity: 'info' as const,
            line: null,
            changes: offer(blocks.length, buildCoolDown({ timeline: main }, library)),
          },
        ]),
  ];
}

/** Much weight on bent wrists before anything has made them ready. */
export function findUnpreparedWrists(scope: FindingScope): Finding[] {
  const { plan, library, document } = scope;
  let loads = 0;
  let first: { block: number; item: number | null } | undefined;
  for (const s of plan.timeline) {
    for (const part of s.movementId === null ? (s.expected ?? []) : [s]) {
      const movement = part.movementId === null ? undefined : library.find(part.movementId);
      if ((movement?.preparesWrists || saysWrists(scope, s.block, part)) && loads < MANY_WRIST_LOADS) return [];
      if (!movement || !loadsWrists(movement)) continue;
      first ??= { block: s.block, item: part.item };
      loads += part.reps ?? ('sec' in part ? 0 : part.endSec - part.startSec);
    }
  }
  if (!first || loads < MANY_WRIST_LOADS) return [];
  const warmUp = document.blocks.findIndex((b) => b.role === 'Warm-up' && !b.source);
  return [
    {
      code: 'wrists-unprepared',
      severity: 'caution',
      line: first.item === null ? lineOfBlock(scope, first.block) : lineOfItem(scope, first.block, first.item),
      loads,
      changes:
        warmUp < 0 || !library.find('wrist-circle')
          ? []
          : [
              {
                does: { kind: 'begin-with', reps: WRIST_CIRCLES, movement: 'wrist circle' },
                edits: [
                  {
                    kind: 'insert-item',
                    block: warmUp,
                    at: 0,
                    next: {
                      kind: 'work',
                      dose: { kind: 'reps', amount: { kind: 'fixed', value: WRIST_CIRCLES } },
                      choices: [{ name: 'wrist circle' }],
                      inTurn: false,
                    },
                  },
                ],
              },
            ],
    },
  ];
}

/** Wrists are prepared by words too: of a movement that nobody knows, or behind one that does. */
function saysWrists(
  { blocks, library }: FindingScope,
  block: number,
  part: { item: number | null; name: string | null },
) {
  const item = part.item === null ? undefined : blocks[block]?.items[part.item];
  const words = [
    ...(part.name !== null && !library.findByName(part.name) ? [part.name] : []),
    ...(item && isWork(item) ? (item.words ?? []) : []),
  ];
  return words.some((w) => /\bwrists?\b/i.test(w));
}

/** Two neighbours in a list that ask for the same place, with another order where there is one. */
export function findSameAreaInARow(scope: FindingScope): Finding[] {
  const findings: Finding[] = [];
  for (const [b, block] of scope.document.blocks.entries()) {
    if (
      block.role === 'Warm-up' ||
      block.role === 'Cool-down' ||
      block.items.length < 3 ||
      formOf(block.time).rule.carriesPairs
    )
      continue;
    const areas = block.items.map((item) => {
      const movement = isWork(item) ? resolveMovement(item, 0, scope.library).movement : undefined;
      return movement && movement.effortClass >= HARD_EFFORT_CLASS && !movement.isHold ? areaOf(movement) : undefined;
    });
    const ids = block.items.map((item) => (isWork(item) ? resolveMovement(item, 0, scope.library).id : ''));
    const clash = (list: readonly (string | undefined)[]) =>
      list.findIndex((a, i) => i > 0 && a !== undefined && a === list[i - 1]);
    // The sides of one movement belong together.
    const at = areas.findIndex((a, i) => i > 0 && a !== undefined && a === areas[i - 1] && ids[i] !== ids[i - 1]);
    if (at < 0) continue;
    const [one, other] = [resolvedName(scope, block, at - 1)!, resolvedName(scope, block, at)!];
    const changes: FindingChange[] = [];
    for (let to = 0; to <= block.items.length && changes.length === 0; to++) {
      if (to === at || to === at + 1) continue;
      const moved = areas.toSpliced(at, 1).toSpliced(to > at ? to - 1 : to, 0, areas[at]);
      if (clash(moved) < 0)
        changes.push({
          does: {
            kind: 'move',
            movement: other,
            to: to === block.items.length ? 'last' : to === 0 ? 'first' : { after: resolvedName(scope, block, to - 1) },
          },
          edits: [{ kind: 'move-item', block: b, item: at, toBlock: b, at: to }],
        });
    }
    findings.push({
      code: 'same-area-in-a-row',
      severity: 'info',
      line: lineOfItem(scope, b, at),
      one,
      other,
      area: areas[at]!,
      changes,
    });
  }
  return findings;
}

/** What a line is called; null where it is a rest. */
function resolvedName(scope: FindingScope, block: Block, index: number): string | null {
  const item = block.items[index];
  return item && isWork(item) ? resolveMovement(item, 0, scope.library).name : null;
}

/** Landings on tired legs. */
export function findLateImpact(scope: FindingScope): Finding[] {
  const { blocks } = scope;
  let workSec = 0;
  for (const s of scope.plan.timeline) {
    const parts = s.movementId === null ? (s.expected ?? []) : [s];
    const jump = parts
      .map((p) => (p.movementId === null ? undefined : scope.library.find(p.movementId)))
      .find((m) => m && hasImpact(m));
    const isFirst = s.item !== null && s.item === blocks[s.block]!.items.findIndex(isWork) && s.round <= 1;
    if (jump && workSec >= FRESH_WORK_SEC && !isFirst) {
      return [
        {
          code: 'impact-after-fatigue',
          severity: 'info',
          line: s.item === null ? lineOfBlock(scope, s.block) : lineOfItem(scope, s.block, s.item),
          movement: jump.name,
          workSec,
          changes: [],
        },
      ];
    }
    if (s.kind !== 'rest' && s.effort > EASY_EFFORT_RATIO) workSec += s.endSec - s.startSec;
  }
  return [];
}

/** A long stretch without a rest long enough to drink. */
export function findLongWithoutWater(scope: FindingScope): Finding[] {
  const { plan, blocks } = scope;
  let startSec = 0;
  let longest = { startSec: 0, endSec: 0 };
  let atSec = 0;
  for (const s of [...plan.timeline, undefined]) {
    const drinks = s === undefined || (s.kind === 'rest' && s.endSec - s.startSec >= DRINKING_REST_SEC);
    if (drinks) {
      if (atSec - startSec > longest.endSec - longest.startSec) longest = { startSec, endSec: atSec };
      startSec = s?.endSec ?? 0;
    }
    atSec = s?.endSec ?? atSec;
  }
  const longSec = longest.endSec - longest.startSec;
  if (longSec <= LONGEST_WITHOUT_WATER_SEC) return [];
  const firstBlock = plan.timeline.find((s) => s.endSec > longest.startSec)!.block;
  const lastBlock = plan.timeline.findLast((s) => s.startSec < longest.endSec)!.block;
  const after = firstBlock < lastBlock ? longestOf(scope, firstBlock, lastBlock - 1) : undefined;
  return [
    {
      code: 'long-without-water',
      severity: 'info',
      line: lineOfBlock(scope, firstBlock),
      longSec,
      drinkSec: DRINKING_REST_SEC,
      changes:
        after === undefined
          ? []
          : [
              {
                does: { kind: 'rest-after-block', sec: WATER_REST_SEC, block: blockName(blocks[after]!) },
                edits: [
                  {
                    kind: 'set-header',
                    block: after,
                    next: { ...scope.document.blocks[after]!, thenRestSec: WATER_REST_SEC },
                  },
                ],
              },
            ],
    },
  ];
}

function longestOf({ plan }: FindingScope, from: number, to: number): number {
  let best = from;
  for (let b = from; b <= to; b++) if (plan.blocks[b]!.clockSec.likely > plan.blocks[best]!.clockSec.likely) best = b;
  return best;
}
