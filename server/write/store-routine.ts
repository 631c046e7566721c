import { object, string } from 'yup';
import { firstError } from '../http/form-schema.ts';
import { hasAtMost } from '../../core/letters.ts';
import type pg from 'pg';
import { data } from 'react-router';
import { readRoutine } from '../../core/session/read-routines.ts';
import { deleteRoutine, listRoutines, upsertRoutine } from '../../db/queries/routine.ts';
import { nowMs } from '../config.ts';
import { loadWorkspaceBook } from './workspace-book.ts';
import { formId, formLines, formText } from '../http/form-text.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';

const MAX_TEXT_LENGTH = 20_000;

const schema = object({
  name: string().required('Give it a name.').test('letters', 'A name has at most 80 letters.', hasAtMost(80)),
});

/** Stores, replaces or deletes a routine. 409 where the name is taken and replacing wasn't said. */
export async function storeRoutine(db: pg.PoolClient, coach: SignedInCoach, form: FormData) {
  if (formText(form, 'intent') === 'delete') {
    const gone = await deleteRoutine(db, formId(form, 'id'));
    return gone
      ? data({ error: '', taken: false })
      : data({ error: 'It is gone already.', taken: false }, { status: 404 });
  }
  const name = formText(form, 'name')
    .trim()
    .replace(/["“”\s]+/g, ' ')
    .trim();
  const text = formLines(form, 'text');
  const wrong = await firstError(schema, { name });
  if (wrong) return data({ error: wrong.message, taken: false }, { status: 400 });
  if (text.length > MAX_TEXT_LENGTH || !readRoutine(text, (await loadWorkspaceBook(db)).library))
    return data(
      {
        error:
          'A routine is one block that can be read, with items of its own, and not beyond what fits a warm-up or a cool-down.',
        taken: false,
      },
      { status: 400 },
    );
  const taken = (await listRoutines(db)).some((r) => r.name.toLowerCase() === name.toLowerCase());
  if (taken && formText(form, 'replace') !== 'yes')
    return data({ error: `There is a routine “${name}” already.`, taken: true }, { status: 409 });
  await upsertRoutine(db, { workspaceId: coach.workspaceId, name, text, now: new Date(nowMs()) });
  return data({ error: '', taken: false });
}
