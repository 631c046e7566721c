import { explainChange } from '../../core/fit/fit-change.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { dateOfDay, formatDay } from '../../core/calendar/day.ts';
import { localDate, localTime } from '../../core/calendar/release.ts';
import { detailWords } from '../../words/en/record/record.ts';
import { scoresAgain } from '../../core/record/scores/again.ts';
import { repsOfRound } from '../../core/record/scores/score-key.ts';
import { resolveBlocks } from '../../core/session/resolve.ts';
import { scoreOf } from '../../core/forms/forms.ts';
import { scoreSums } from '../../core/record/scores/score-sums.ts';
import { againWords, sumWords } from '../../words/en/record/scores.ts';
import { formatScore, whoseWords } from '../../core/record/scores/score.ts';
import { findTarget, heldWords } from '../../core/record/scores/targets.ts';
import type { EarlierRecord } from '../../core/record/scores/to-match.ts';
import { comparableScores, earlierRecords, repeatedBlocks } from '../../core/record/scores/to-match.ts';
import { blockName } from '../../core/session/explain/explain.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import type { Db } from '../../db/pool.ts';
import type { RosterRow } from '../../db/queries/person.ts';
import { findRecord, getVersionDocument, listPersonDays } from '../../db/queries/record.ts';

/** What stands of one person and day, in words; null where they have said nothing. */
export async function recordWords(
  db: Db,
  run: { readonly programmeId: number; readonly runId: number; readonly startsOn: DayDate },
  { enrolmentId, timeZone }: Pick<RosterRow, 'enrolmentId' | 'timeZone'>,
  dayId: number,
) {
  const record = await findRecord(db, enrolmentId, dayId);
  if (!record) return null;
  const document = await getVersionDocument(db, record.versionId);
  const blocks = resolveBlocks(document);
  const times = blocks.flatMap((block, at) => {
    const form = scoreOf(block);
    return form ? [{ block: at, sets: block.sets?.count ?? 1, persons: form.persons }] : [];
  });
  const earlier = record.scores.length === 0 ? [] : await earlierOf(db, { ...run, enrolmentId }, dayId);
  const madeMs = Math.round(record.madeAtMs / 60_000) * 60_000;
  const inAnotherShape = (block: number) => record.fit.some((c) => c.isScored && c.block === block);
  return {
    outcome: record.outcome,
    shareRatio: record.shareRatio,
    effort: record.effort,
    remark: record.remark,
    fit: record.fit.map(explainChange),
    details: detailWords(record.details),
    versionNumber: record.versionNumber,
    loggedWords: `${formatDay(localDate(madeMs, timeZone))}, ${localTime(madeMs, timeZone)} their time`,
    scoreWords: record.scores.map((s) => {
      const block = document.blocks[s.block] ?? { role: 'Main' as const };
      const scores = comparableScores(
        {
          ...s,
          key: s.key ?? '',
          retest: document.retest,
          isReshaped: inAnotherShape(s.block),
          isAdded: false,
          perRound: undefined,
        },
        earlier,
      );
      const held = findTarget(scores, {});
      const before = held ? heldWords(held, scores.length) : '';
      const own = times.find((t) => t.block === s.block);
      const whose = own ? whoseWords(s.part ?? 1, own) : '';
      return `${[blockName(block), whose].filter(Boolean).join(', ')}: ${formatScore(s)}${inAnotherShape(s.block) ? ' (in another shape)' : ''}${before && ` (before: ${before})`}`;
    }),
    sumWords: scoreSums(record.scores, times, (b) => repsOfRound(blocks[b]!)).map(
      (sum) => `${blockName(document.blocks[sum.block]!)}: ${sumWords(sum)}`,
    ),
    againWords: scoresAgain(repeatedBlocks(document), record.scores, (b) => repsOfRound(blocks[b]!)).map(
      (again) => `${blockName(document.blocks[again.block]!)}: ${againWords(again, true)}`,
    ),
    title: sessionTitle(document),
  };
}

/** Their records on the days before one. */
async function earlierOf(
  db: Db,
  at: {
    readonly programmeId: number;
    readonly runId: number;
    readonly startsOn: DayDate;
    readonly enrolmentId: number;
  },
  dayId: number,
): Promise<EarlierRecord[]> {
  const days = await listPersonDays(db, at);
  return earlierRecords(
    days.map((d) => ({ ...d, date: dateOfDay(at.startsOn, d) })),
    dayId,
  );
}
