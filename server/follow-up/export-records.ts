import type pg from 'pg';
import { note } from '../doors/audit.ts';
import { requireProof } from '../doors/prove-again.ts';
import { countRead } from '../http/limits/costly-reads.ts';
import { type ProgrammeScope } from '../doors/coach-scope.ts';
import { fileAnswer, toCsv } from '../http/csv.ts';
import { loadRunFollow } from './run-follow.ts';

/** Who did what in a run, a line for each person and day that was theirs: CSV or JSON, by the address. */
export async function exportRecords(db: pg.PoolClient, { programme, coach }: ProgrammeScope, request: Request) {
  await countRead(db, { kind: 'coach', id: coach.coachId, workspaceId: coach.workspaceId });
  requireProof(request, coach);
  await note(db, coach, 'exported', { programmeId: programme.id, detail: 'who did what' });
  const { people, days, retention } = await loadRunFollow(db, programme);
  const isCsv = new URL(request.url).pathname.endsWith('.csv');
  const own = people.map((p) => ({
    name: p.name,
    team: p.detail,
    timeZone: p.timeZone,
    joinedOn: p.joinedOn,
    leftOn: p.leftOn,
    done: p.adherence.done,
    due: p.adherence.due,
    inARow: p.adherence.inARow,
    minutesDone: Math.round(p.adherence.worked / 60),
    minutesPrescribed: Math.round(p.adherence.prescribed / 60),
    stillTakesPart: p.isHere,
    asks: p.items.map((i) => i.code),
    days: days.flatMap(({ week, weekday, facts }, i) =>
      p.states[i] === 'before' || p.states[i] === 'unsent'
        ? []
        : [
            {
              week,
              weekday,
              date: p.calendar.own[i]!.date,
              session: facts?.title ?? '',
              state: p.states[i]!,
              share: p.records[i]?.shareRatio ?? null,
              effort: p.records[i]?.effort ?? null,
              plannedEffort: facts?.effort ?? null,
            },
          ],
    ),
  }));
  if (!isCsv)
    return fileAnswer(
      'follow-up',
      false,
      `${JSON.stringify({ programme: programme.title, retention, people: own }, null, 2)}\n`,
    );
  return fileAnswer(
    'follow-up',
    true,
    toCsv(
      own.flatMap((p) =>
        p.days.map((d) => ({
          name: p.name,
          team: p.team,
          zone: p.timeZone,
          week: d.week,
          day: d.weekday,
          date: d.date,
          session: d.session,
          state: d.state,
          share: d.share ?? '',
          effort: d.effort ?? '',
          planned: d.plannedEffort ?? '',
        })),
      ),
    ),
  );
}
