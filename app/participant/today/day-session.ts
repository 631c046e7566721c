import { changeWords } from '../../../core/fit/fit-change.ts';
import { OUTCOME_WORDS } from '../../../words/en/record/record.ts';
import { formatScore } from '../../../core/record/scores/score.ts';
import { scoresAgain } from '../../../core/record/scores/again.ts';
import { repsOfRound } from '../../../core/record/scores/score-key.ts';
import { blockName } from '../../../core/session/explain/explain.ts';
import { againWords } from '../../../words/en/record/scores.ts';
import type { ToMatch } from '../../../core/record/scores/to-match.ts';
import { worthOf } from '../../../core/record/adherence/worth.ts';
import { worthWords } from '../../../words/en/record/worth.ts';
import type { FittedView } from '../../../server/participant/fitted-view.ts';
import type { OpenDay } from '../../../server/participant/person-view.ts';
import { packRibbon } from '../../charts/session/pack-ribbon.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import type { DaySession } from '../base/day-view.tsx';
import { TODAY_RIBBON } from '../base/today-card.tsx';

/** What a session's page shows that hangs on its fit alone, made once for each. */
const shown = new WeakMap<FittedView, Pick<DaySession, 'sheet' | 'ribbon' | 'changes' | 'notes' | 'figures'>>();

function showFit(fitted: FittedView) {
  let known = shown.get(fitted);
  if (!known) {
    known = {
      sheet: fitted.sheet,
      ribbon: packRibbon(layoutRibbon(fitted.plan, TODAY_RIBBON)),
      changes: changeWords(fitted.changes, fitted.blocks),
      notes: fitted.notes,
      figures: fitted.figures,
    };
    shown.set(fitted, known);
  }
  return known;
}

function worthLines(record: NonNullable<OpenDay['record']>, fitted: FittedView, toMatch: ToMatch): string[] {
  const worth = worthOf(record, fitted, toMatch, fitted.library);
  return worth ? worthWords(worth, fitted.blocks) : [];
}

/** A day as its page shows it: no more than that goes to the phone. */
export function toDaySession(
  fitted: FittedView,
  { number, changeNote, record, newer }: Pick<OpenDay, 'number' | 'changeNote' | 'record' | 'newer'>,
  toMatch: ToMatch,
): DaySession {
  return {
    ...showFit(fitted),
    toMatch: toMatch.words,
    apart: toMatch.apart,
    worth: record
      ? [
          ...worthLines(record, fitted, toMatch),
          ...scoresAgain(toMatch.sameAs, record.scores, (b) => repsOfRound(fitted.blocks[b]!)).map(
            (again) => `${blockName(fitted.blocks[again.block]!)}: ${againWords(again, false)}`,
          ),
        ]
      : [],
    number,
    changeNote,
    newer: newer ? { changeNote: newer.changeNote } : null,
    record: record
      ? {
          outcomeWords: OUTCOME_WORDS[record.outcome],
          effort: record.effort,
          scoreWords: record.scores.map(formatScore),
        }
      : null,
  };
}
