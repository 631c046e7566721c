import { create } from 'content-disposition';
import { data } from 'react-router';
import type { DayDate } from '../../core/calendar/day.ts';
import { dayName, formatDay, weekdayOf } from '../../core/calendar/day.ts';
import { plannedDate, toRunDays } from '../../core/calendar/release.ts';
import { changeWords } from '../../core/fit/fit-change.ts';
import { namesIn } from '../../core/fit/movement-notes.ts';
import { sheetFigures } from '../../words/en/figures/sheet-figures.ts';
import { buildSheet } from '../../core/session/session-sheet.ts';
import { cutLetters } from '../../core/letters.ts';
import { getPaperSize } from '../../db/queries/doors/paper.ts';
import { listDays } from '../../db/queries/programme.ts';
import { notFound, withDay } from '../doors/coach-scope.ts';
import { countRead } from '../http/limits/costly-reads.ts';
import { nowMs, publicUrl } from '../config.ts';
import { fitDay } from '../participant/fitted-view.ts';
import { loadPersonView, openDay } from '../participant/person-view.ts';
import { parseOwnDay, withPersonalLink } from '../doors/personal-link.ts';
import { pdfOf } from './pdf-pool.ts';
import type { Paper } from './printed.ts';
import { planText } from '../write/session-view.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

type Part = 'day' | 'week';

/** What a file is called: the programme, which day or week of it, and the date. What no file's name takes is left out. */
const fileName = (title: string, date: DayDate): string =>
  `${cutLetters(title.replace(/[\p{Cc}\\/:*?"<>|]+/gu, ' ').trim(), 100)}, ${date}.pdf`;

/** A coach’s day, or its week, as written, with the link that leads people in. Nothing written there is a 404. */
export const coachPaper = (request: Request, params: Parameters<typeof withDay>[1], part: Part): Promise<Paper> =>
  withDay(request, params, async (db, { programme, place, coach }) => {
    await countRead(db, { kind: 'coach', id: coach.coachId, workspaceId: coach.workspaceId });
    const book = await loadWorkspaceBook(db);
    const days = toRunDays(await listDays(db, programme)).filter(
      (d) => d.week === place.week && (part === 'week' || d.weekday === place.weekday) && d.text.trim() !== '',
    );
    if (days.length === 0) return notFound();
    const { join, rules } = programme.run;
    const title = `${programme.title}, ${part === 'week' ? `week ${place.week}` : dayName(place, weekdayOf(programme.startsOn))}`;
    return {
      title,
      size: await getPaperSize(db),
      file: fileName(title, plannedDate(rules, { timeZone: 'UTC' }, days[0]!)),
      link:
        join.code !== null && join.isOpen
          ? { url: `${publicUrl().origin}/join/${join.code}`, words: 'Take part:' }
          : undefined,
      sessions: days.map((day) => {
        const planned = planText(day.text, book);
        return {
          above: `${formatDay(plannedDate(rules, { timeZone: 'UTC' }, day))}, week ${day.week}`,
          sheet: buildSheet(planned.document, planned.blocks, planned.plan, book.library),
          figures: sheetFigures(namesIn(planned.blocks), book.library),
          changes: [],
        };
      }),
    };
  });

/** A participant’s day as they do it, or all of its week that is open to them; nothing open is a 404. */
export const ownPaper = (params: { readonly token: string; readonly day: string }, part: Part): Promise<Paper> =>
  withPersonalLink(
    params.token,
    async (db, scope) => {
      await countRead(db, { kind: 'link', id: scope.enrolment.personId, workspaceId: scope.workspaceId });
      const place = parseOwnDay(params.day);
      const [view, book] = await Promise.all([loadPersonView(db, scope), loadWorkspaceBook(db)]);
      const open = view.strand.beads
        .filter((b) => b.week === place?.week && (part === 'week' || b.weekday === place.weekday))
        .flatMap((bead) => {
          const day = openDay(view, bead, scope.enrolment);
          return day ? [{ bead, day }] : [];
        });
      if (open.length === 0) throw data({ kind: 'closed' }, { status: 404 });
      const first = open[0]!.bead;
      const of =
        part === 'week' ? `week ${place!.week}` : dayName(first, weekdayOf(scope.enrolment.run.rules.startsOn));
      const title = `${scope.enrolment.programmeTitle}, ${of}`;
      return {
        title,
        size: await getPaperSize(db),
        file: fileName(title, first.date),
        sessions: await Promise.all(
          open.map(async ({ bead, day }) => {
            const { sheet, figures, changes, blocks } = await fitDay(db, day, scope, book);
            return {
              above: `${formatDay(bead.date)}, week ${bead.week}`,
              sheet,
              figures,
              changes: changeWords(changes, blocks),
            };
          }),
        ),
      };
    },
    { day: params.day },
  );

export const partOf = (request: Request): Part =>
  new URL(request.url).pathname.endsWith('/week.pdf') ? 'week' : 'day';

/** A paper as a PDF that a browser shows. */
export async function paperAnswer(paper: Paper): Promise<Response> {
  return new Response((await pdfOf(paper, nowMs())) as BodyInit, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': create(paper.file, { type: 'inline' }),
      'cache-control': 'private, no-store',
    },
  });
}
