import { yupErrors } from '../http/form-schema.ts';
import { parseId } from '../http/parse-number.ts';
import { cutLetters, foldToLine, foldToLines, hasAtMost } from '../../core/letters.ts';
import { number, object, string } from 'yup';
import type { Block } from '../../core/document/document.ts';
import { isPlace, MOST_SEEN, readChoices } from '../../core/record/read-seen.ts';
import type { RecordDetails, SessionRecord, UsedLoad, UsedStep } from '../../core/record/record.ts';
import {
  BODY_FEELINGS,
  clockOffSec,
  madeAt,
  MAX_LOAD_KG,
  MAX_REMARK_LENGTH,
  OUTCOMES,
  REASONS,
} from '../../core/record/record.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { LoadField } from '../../core/record/scores/load.ts';
import { loadFields, readSets } from '../../core/record/scores/load.ts';
import { readRounds, roundFields } from '../../core/record/round-fields.ts';
import { optionFields, withOptions } from '../../core/record/option-fields.ts';
import { overranFields } from '../../core/record/scores/overran.ts';
import { parseScores, scoreFields } from '../../core/record/scores/score.ts';
import { comparedBy } from '../../core/record/scores/score-rate.ts';
import type { Sensible } from '../../core/record/scores/doubts.ts';
import { findDoubts, outcomeDoubt } from '../../core/record/scores/doubts.ts';
import type { SessionPlan } from '../../core/session/plan.ts';

export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

const blankToNull = (_value: unknown, original: unknown) =>
  original === '' || original === undefined || original === null ? null : Number(original);

const logSchema = object({
  'client-id': string()
    .matches(UUID, 'This form is out of date; load the page again.')
    .required('This form is out of date; load the page again.'),
  outcome: string()
    .oneOf(OUTCOMES, 'Choose done, part of it, or not today.')
    .required('Choose done, part of it, or not today.'),
  share: number()
    .transform(blankToNull)
    .nullable()
    .typeError('Choose how much of it.')
    .integer('Choose how much of it.')
    .min(0, 'Choose how much of it.')
    .max(100, 'Choose how much of it.'),
  effort: number()
    .transform(blankToNull)
    .nullable()
    .typeError('Effort is a number from 0 to 10.')
    .integer('Effort is a whole number.')
    .min(0, 'Effort is a number from 0 to 10.')
    .max(10, 'Effort is a number from 0 to 10.'),
  remark: string()
    .default('')
    .test('letters', `A remark has at most ${MAX_REMARK_LENGTH} letters.`, hasAtMost(MAX_REMARK_LENGTH)),
});

/** A session as the person who logs it did it. */
export interface LoggedSession {
  readonly plan: SessionPlan;
  readonly blocks: readonly Block[];
  readonly bounds: readonly Sensible[];
  readonly library: Pick<MovementLibrary, 'scales'>;
}

export type LogForm =
  | { readonly status: 'success'; readonly clientId: string; readonly record: SessionRecord }
  | { readonly status: 'error'; readonly errors: Record<string, string>; readonly values: Record<string, string> };

/** Reads a log as it came from the form; every wrong field is named, and all that was typed comes back. */
export async function readLogForm(
  form: FormData,
  { plan, blocks, bounds, library }: LoggedSession,
  nowMs: number,
): Promise<LogForm> {
  const values = Object.fromEntries(
    [...form]
      .slice(0, 200)
      .flatMap(([k, v]) =>
        typeof v === 'string' ? [[k, cutLetters((k === 'remark' ? foldToLines : foldToLine)(v), 5000)]] : [],
      ),
  );
  const errors = await yupErrors(logSchema, values);
  const { scores, errors: scoreErrors } = parseScores(plan, (name) => values[name] ?? '');
  for (const { name, message } of scoreErrors) errors[name] ??= message;
  const value = (name: string) => values[name] ?? '';
  // What a phone kept and sends by itself was asked there; nobody could answer now.
  const unclear = values['sent-at'] === undefined && outcomeDoubt(scoreFields(plan), value, values.outcome);
  if (unclear) errors.outcome ??= unclear;
  const isSure = values.sure === 'yes';
  if (!isSure && values.outcome !== 'not-done')
    for (const { name, message } of findDoubts(scoreFields(plan), (n) => values[n] ?? '', bounds)) {
      errors[name] ??= message;
      errors.sure = 'Is that right?';
    }
  const { loads, steps } = readLoads(values, loadFields(blocks, library.scales), errors);
  const overran = readOverran(values, blocks, plan, errors);
  const { did, sharePct, ...clockSeen } = readSeen(values.seen);
  if (Object.keys(errors).length > 0) return { status: 'error', errors, values };
  const read = logSchema.cast(values);
  const outcome = read.outcome as SessionRecord['outcome'];
  const device = { madeAtMs: instant(values['made-at']), sentAtMs: instant(values['sent-at']) };
  const off = clockOffSec(device.sentAtMs, nowMs);
  const isDone = outcome !== 'not-done';
  const reason = REASONS.find((r) => r === values.reason);
  const body = BODY_FEELINGS.find((b) => b === values.body);
  const chosen = withOptions(clockSeen.chosen ?? [], optionFields(blocks), value);
  const chosenOf = (block: number) => chosen.filter((c) => c.block === block);
  const { fewer } = clockSeen;
  const rounds = readRounds(roundFields(plan, blocks), value);
  const details: RecordDetails = {
    ...(reason && outcome !== 'done' && { reason }),
    ...(body && { body }),
    ...(isDone && loads.length > 0 && { loads }),
    ...(isDone && steps.length > 0 && { steps }),
    ...(isDone && Object.keys(overran).length > 0 && { overran }),
    ...(isDone && clockSeen.ranSec && { ranSec: clockSeen.ranSec }),
    ...(isDone && Object.keys(rounds).length > 0 && { rounds }),
    ...(isDone && chosen.length > 0 && { chosen }),
    ...(isDone && fewer && { fewer }),
    // Another share than the clock saw: their word goes.
    ...(outcome === 'part' && read.share === sharePct && Object.keys(did).length > 0 && { did }),
    ...(off !== undefined && { clockOffSec: off }),
  };
  return {
    status: 'success',
    clientId: read['client-id'],
    record: {
      outcome,
      shareRatio: outcome === 'done' ? 1 : outcome === 'part' ? (read.share ?? 50) / 100 : 0,
      effort: outcome === 'not-done' ? null : (read.effort ?? null),
      remark: read.remark.trim(),
      scores: isDone
        ? scores.map((s) => ({
            ...s,
            ...comparedBy(blocks[s.block]!, plan.blocks[s.block]!, chosenOf(s.block), fewer?.[s.block]),
          }))
        : [],
      details,
      afterId: parseId(values.after) ?? null,
      madeAtMs: madeAt(device, nowMs),
      loggedAtMs: nowMs,
    },
  };
}

/** The weights, and the steps of scales, that were used; a field that is blank or as good as blank gives none. */
function readLoads(
  values: Record<string, string>,
  fields: readonly LoadField[],
  errors: Record<string, string>,
): { loads: UsedLoad[]; steps: UsedStep[] } {
  const loads: UsedLoad[] = [];
  const steps: UsedStep[] = [];
  for (const { name, block, item, movement, writtenKg, scale, goal, lastName } of fields) {
    const text = (values[name] ?? '').trim().replace(',', '.');
    const last = goal ? (values[lastName] ?? '').trim() : '';
    const sets = readSets(last);
    if (last !== '' && !sets)
      errors[lastName] ??= 'Repetitions set by set, like 12 12 11, or of the last set alone, like 12.';
    const used = {
      block,
      item,
      movement,
      ...(sets && { lastReps: sets.at(-1)! }),
      ...(sets && sets.length > 1 && { setReps: sets }),
    };
    if (scale) {
      const step = scale.steps.find((s) => s === text) ?? (last === '' ? undefined : scale.written);
      if (step !== undefined) steps.push({ ...used, step });
      continue;
    }
    if (text === '' && (last === '' || writtenKg === null)) continue;
    const kg = text === '' ? writtenKg! : Number(text);
    if ((text === '' || /^\d{1,3}(\.\d{1,2})?$/.test(text)) && kg <= MAX_LOAD_KG) loads.push({ ...used, kg });
    else errors[name] ??= `A weight is a number of kilograms from 0 to ${MAX_LOAD_KG}, like 12 or 7.5.`;
  }
  return { loads, steps };
}

/** The turns that ran over, by block; a field that is blank says nothing. */
function readOverran(
  values: Record<string, string>,
  blocks: readonly Block[],
  plan: SessionPlan,
  errors: Record<string, string>,
): Record<number, number> {
  return Object.fromEntries(
    overranFields(blocks, plan).flatMap(({ name, block, turns }): [number, number][] => {
      const text = (values[name] ?? '').trim();
      if (text === '') return [];
      if (/^\d{1,4}$/.test(text) && Number(text) <= turns) return [[block, Number(text)]];
      errors[name] ??= `A whole number of turns, from 0 to ${turns}.`;
      return [];
    }),
  );
}

/** What the clock saw, as the page put it: shapes, seconds, what was done. What isn't of that shape says nothing. */
function readSeen(
  text: string | undefined,
): Pick<RecordDetails, 'chosen' | 'fewer' | 'ranSec'> & { did: Record<string, number>; sharePct: number | undefined } {
  let seen: { chosen?: unknown; fewer?: unknown; ranSec?: unknown; did?: unknown; sharePct?: unknown } | null;
  try {
    seen = JSON.parse(text || 'null') as typeof seen;
  } catch {
    return { did: {}, sharePct: undefined }; // Cut off, or not ours: what was typed stands without it.
  }
  const { chosen, fewer } = readChoices(seen);
  const ran = typeof seen?.ranSec === 'object' && seen.ranSec !== null ? Object.entries(seen.ranSec) : [];
  const ranSec = ran
    .slice(0, MOST_SEEN)
    .flatMap(([block, sec]): [number, number][] =>
      isPlace(Number(block)) && typeof sec === 'number' && sec >= 0 && sec < 86_400
        ? [[Number(block), Math.round(sec)]]
        : [],
    );
  const did = typeof seen?.did === 'object' && seen.did !== null ? Object.entries(seen.did) : [];
  return {
    sharePct: typeof seen?.sharePct === 'number' ? seen.sharePct : undefined,
    did: Object.fromEntries(
      did
        .slice(0, MOST_SEEN)
        .filter(
          ([key, ratio]) => /^\d{1,3}(-\d{1,3})?$/.test(key) && typeof ratio === 'number' && ratio >= 0 && ratio < 1,
        ),
    ),
    ...(chosen.length > 0 && { chosen }),
    ...(Object.keys(fewer).length > 0 && { fewer }),
    ...(ranSec.length > 0 && { ranSec: Object.fromEntries(ranSec) }),
  };
}

/** An instant of the device's clock in ms; undefined where a page without script sends none. */
const instant = (text: string | undefined): number | undefined =>
  /^\d{12,14}$/.test(text ?? '') ? Number(text) : undefined;
