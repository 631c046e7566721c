import { USAGE_WEEKS } from '../../core/limits.ts';
import type pg from 'pg';
import { data, redirect } from 'react-router';
import { compareDays, dayKey, weekdayOf } from '../../core/calendar/day.ts';
import { countUsage } from '../../core/session/count-usage.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import {
  deleteLadder,
  deleteOverride,
  deleteScale,
  upsertLadder,
  upsertOverride,
  upsertScale,
} from '../../db/queries/movement.ts';
import { listDays } from '../../db/queries/programme.ts';
import { type ProgrammeScope } from '../doors/coach-scope.ts';
import { coachToday } from '../doors/coach-zone.ts';
import { formText } from '../http/form-text.ts';
import { readKnownForm } from './known-form.ts';
import { readLadderForm, readMovementForm, readScaleForm } from './movement-form.ts';
import { planText } from '../write/session-view.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { runDate } from '../../core/calendar/release.ts';

export async function loadMovements(db: pg.PoolClient, { programme }: ProgrammeScope, request: Request) {
  const book = await loadWorkspaceBook(db);
  const today = coachToday(request);
  const days = (await listDays(db, programme))
    .filter((d) => d.text.trim() !== '' && compareDays(runDate(programme.run.rules, d), today) <= 0)
    .slice(-7 * USAGE_WEEKS);
  const recent = days.filter(
    (d) => compareDays(runDate(programme.run.rules, { week: d.week + USAGE_WEEKS, weekday: d.weekday }), today) > 0,
  );
  const usage = countUsage(recent.map((d) => ({ key: dayKey(d), plan: planText(d.text, book).plan })));
  return {
    layer: book.layer,
    usage: [...usage],
    programmeId: programme.key,
    firstWeekday: weekdayOf(programme.startsOn),
  };
}

export async function changeMovements(
  db: pg.PoolClient,
  { coach, programme }: ProgrammeScope,
  form: FormData,
  intent: string,
  now: Date,
) {
  const { library, layer } = await loadWorkspaceBook(db);
  const base = `/programmes/${programme.key}/movements`;
  const id = formText(form, 'id');
  if (intent === 'reset') {
    await deleteOverride(db, id);
    return redirect(baseLibrary.find(id) ? `${base}?m=${encodeURIComponent(id)}` : base);
  }
  if (intent === 'reset-ladder') {
    await deleteLadder(db, id);
    return redirect(`${base}?m=${encodeURIComponent(formText(form, 'from'))}`);
  }
  if (intent === 'know') {
    const read = readKnownForm(form, library, layer);
    if (read.status === 'error') return data({ errors: {}, rows: read.errors }, { status: 400 });
    for (const override of read.overrides) await upsertOverride(db, { workspaceId: coach.workspaceId, override, now });
    return data({ errors: {}, known: read.overrides.length });
  }
  if (intent === 'ladder') {
    const read = readLadderForm(form, library);
    if (read.status === 'error') return data({ errors: { ladder: read.error } }, { status: 400 });
    await upsertLadder(db, { workspaceId: coach.workspaceId, ladder: read.ladder, now });
    return redirect(`${base}?m=${encodeURIComponent(read.ladder.steps[0]!.movementId)}`);
  }
  if (intent === 'reset-scale') {
    await deleteScale(db, id);
    return redirect(`${base}?edit=scales`);
  }
  if (intent === 'scale') {
    const read = readScaleForm(form, library, layer.scales);
    if (read.status === 'error') return data({ errors: { scale: read.error } }, { status: 400 });
    await upsertScale(db, { workspaceId: coach.workspaceId, scale: read.scale, now });
    return redirect(`${base}?edit=scales`);
  }
  if (intent !== 'movement')
    return data({ errors: { form: 'That is no step of this page; load it again.' } }, { status: 400 });
  const read = readMovementForm(form, baseLibrary, library);
  if (read.status === 'error') return data({ errors: read.errors }, { status: 400 });
  if (Object.keys(read.override.fields).length === 0) await deleteOverride(db, read.override.movementId);
  else await upsertOverride(db, { workspaceId: coach.workspaceId, override: read.override, now });
  return redirect(`${base}?m=${encodeURIComponent(read.override.movementId)}`);
}
