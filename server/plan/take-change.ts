import { object } from 'yup';
import { firstError, someWords } from '../http/form-schema.ts';
import type pg from 'pg';
import { cutLetters } from '../../core/letters.ts';
import { data } from 'react-router';
import { readEditsJson, withoutDates } from '../../core/exchange/programme-edit-json.ts';
import { toProgrammeJson } from '../../core/exchange/writing/write-programme.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { upsertTemplate } from '../../db/queries/template.ts';
import { type ProgrammeScope } from '../doors/coach-scope.ts';
import { nowMs } from '../config.ts';
import { formRevision, formLines, formText } from '../http/form-text.ts';
import { changePlan, undoPlan } from './plan-changes.ts';
import { decideSend, runsOfPlan } from '../send/send-decision.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

export const refused = (message: string, status = 400) => data({ status: 'refused' as const, message }, { status });

const templateSchema = object({ title: someWords(120, 'A template needs a title of at most 120 letters.') });

/** Changes a plan by the edits that were shown before; takes a change back; saves the plan as a template. */
export async function takeChange(
  db: pg.PoolClient,
  { coach, programme }: ProgrammeScope,
  intent: string,
  form: FormData,
) {
  const at = {
    workspaceId: coach.workspaceId,
    programmeId: programme.id,
    runId: programme.runId,
    coachId: coach.coachId,
    now: new Date(nowMs()),
  };
  switch (intent) {
    case 'undo-this': {
      // One change is taken back, not whatever came after it.
      const { revision } = await getPlan(db, programme);
      if (revision !== formRevision(form))
        return refused('The plan was changed again since then. Look at it on Plan, and take it back there.', 409);
      return decideSend(db, { ...at, runIds: await runsOfPlan(db, programme) }, form, async () =>
        data(await undoPlan(db, at, 'undo')),
      );
    }
    case 'undo':
    case 'redo':
      return decideSend(db, { ...at, runIds: await runsOfPlan(db, programme) }, form, async () =>
        data(await undoPlan(db, at, intent)),
      );
    case 'save-template': {
      const title = formText(form, 'title').trim();
      const wrong = await firstError(templateSchema, { title });
      if (wrong) return refused(wrong.message);
      const stored = await getPlan(db, programme);
      const plan = withoutDates({ ...stored.programme, title });
      await upsertTemplate(db, {
        workspaceId: coach.workspaceId,
        title,
        document: toProgrammeJson(plan),
        now: at.now,
      });
      return data({
        status: 'changed' as const,
        revision: stored.revision,
        words: `Saved as the template “${title}”`,
      });
    }
    case 'change': {
      const read = readEditsJson(formLines(form, 'edits'));
      if (read.status === 'refused') return refused(read.message);
      const words = cutLetters(formText(form, 'words').trim(), 200) || 'a change';
      const { value: edits } = read;
      const book = await loadWorkspaceBook(db);
      return decideSend(db, { ...at, runIds: await runsOfPlan(db, programme) }, form, async () => {
        const answer = await changePlan(db, book, at, { revision: formRevision(form), words, edits });
        return data(answer, { status: answer.status === 'refused' ? 400 : 200 });
      });
    }
    default:
      return refused('That is no step of this page; load it again.');
  }
}
