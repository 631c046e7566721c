import { randomUUID } from 'node:crypto';
import { loadFields } from '../../core/record/scores/load.ts';
import { optionFields, optionLines, optionValue } from '../../core/record/option-fields.ts';
import { roundFieldName } from '../../core/record/round-field-name.ts';
import { roundFields } from '../../core/record/round-fields.ts';
import type { RecordDetails, SessionRecord } from '../../core/record/record.ts';
import { withHistory } from '../../core/record/scores/sensible.ts';
import { overranFields } from '../../core/record/scores/overran.ts';
import { scoreFields, scoreValues } from '../../core/record/scores/score.ts';
import { blockName } from '../../core/session/explain/explain.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { countCorrections } from '../../db/queries/record.ts';
import { dayToMatch } from './earlier-scores.ts';
import { boundsOf } from './fitted-view.ts';
import { type OwnDayScope } from './own-day.ts';

/** What the clock saw of a record, as the form carries it. */
function seenText({
  details,
  shareRatio,
}: Pick<SessionRecord, 'shareRatio'> & { readonly details: RecordDetails }): string {
  const { chosen, fewer, ranSec, did } = details;
  if (!chosen && !fewer && !ranSec && !did) return '';
  return JSON.stringify({ chosen, fewer, ranSec, did, sharePct: Math.round(shareRatio * 100) });
}

export async function loadLog({ db, scope, view, sent, fitted }: OwnDayScope) {
  const { plan, blocks, document } = fitted;
  const { record } = sent;
  const match = dayToMatch(view, sent.dayId, fitted);
  const chosen = record?.details.chosen ?? [];
  const stored: Record<string, string> = record
    ? Object.assign<Record<string, string>, Record<string, string>>(
        {
          outcome: record.outcome,
          effort: record.effort === null ? '' : String(record.effort),
          remark: record.remark,
          share: String(Math.round(record.shareRatio * 100)),
          reason: record.details.reason ?? '',
          body: record.details.body ?? '',
          // A correction of something else keeps what the clock saw.
          seen: seenText(record),
          ...Object.fromEntries(optionFields(blocks).map((field) => [field.name, optionValue(field, chosen)])),
          ...Object.fromEntries(
            Object.entries(record.details.rounds ?? {}).map(([block, n]) => [roundFieldName(Number(block)), String(n)]),
          ),
          ...Object.fromEntries(
            Object.entries(record.details.overran ?? {}).map(([block, n]) => [`over-${block}`, String(n)]),
          ),
          ...Object.fromEntries(
            [...(record.details.loads ?? []), ...(record.details.steps ?? [])].flatMap((l): [string, string][] => [
              [`load-${l.block}-${l.item}`, 'step' in l ? l.step : String(l.kg)],
              ...(l.lastReps === undefined
                ? []
                : ([[`last-${l.block}-${l.item}`, (l.setReps ?? [l.lastReps]).join(' ')]] satisfies [
                    string,
                    string,
                  ][])),
            ]),
          ),
        },
        Object.fromEntries(record.scores.flatMap((s) => Object.entries(scoreValues(s)))),
      )
    : {};
  return {
    title: sessionTitle(document),
    versionId: sent.versionId,
    clientId: randomUUID(),
    hasRecord: record !== undefined,
    /** What this answers, should somebody say it anew. */
    after: record?.recordId ?? null,
    corrections: record ? await countCorrections(db, scope.enrolment.enrolmentId, sent.dayId) : 0,
    values: stored,
    toMatch: match,
    bounds: withHistory(boundsOf(fitted), match.targets),
    loads: loadFields(blocks, fitted.library.scales),
    rounds: roundFields(plan, blocks),
    options: optionFields(blocks).map((field) => ({ ...field, lines: optionLines(field, blocks, fitted.library) })),
    turns: overranFields(blocks, plan),
    scored: scoreFields(plan).map((s) => ({
      ...s,
      name: [blockName(blocks[s.block]!), s.whose].filter(Boolean).join(', '),
    })),
  };
}
