import { useMemo } from 'react';
import { Link } from 'react-router';
import { dayKey, formatDay, parseDayKey, weekdayOf } from '../../../core/calendar/day.ts';
import { localTime } from '../../../core/calendar/release.ts';
import { packStrand, unpackStrand } from '../../../core/record/packed-strand.ts';
import type pg from 'pg';
import type { SentDay } from '../../../db/queries/record.ts';
import { dayToMatch } from '../../../server/earlier-scores.ts';
import type { LinkScope } from '../../../server/personal-link.ts';
import { withPersonalLink } from '../../../server/personal-link.ts';
import type { OpenDay, PersonView } from '../../../server/person-view.ts';
import { loadPersonView } from '../../../server/person-view.ts';
import { fitDay } from '../../../server/fitted-view.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import { OwnStrand } from '../../components/own-strand.tsx';
import { toDaySession } from '../../components/day-session.ts';
import { DayView } from '../../components/day-view.tsx';
import type { Route } from './+types/today';

export const meta: Route.MetaFunction = () => [{ title: 'Today · Ysodos' }];

export async function loader({ params }: Route.LoaderArgs) {
  return withPersonalLink(params.token, async (db, scope) => {
    const view = await loadPersonView(db, scope);
    const { beads, today, attendance } = view.strand;
    const bead = beads.find(
      (b) => b.date === today && b.state !== 'unsent' && b.state !== 'ahead' && b.state !== 'before',
    );
    const day = bead && view.days.get(bead.dayId);
    const next = beads.find((b) => b.state === 'ahead');
    const open = beads
      .filter((b) => b.state === 'missed')
      .slice(-3)
      .reverse();
    return {
      care: scope.enrolment.profile.care,
      name: scope.enrolment.name,
      firstWeekday: weekdayOf(scope.enrolment.startsOn),
      programmeTitle: scope.enrolment.programmeTitle,
      todayWords: formatDay(today),
      days: beads.map((b) => dayKey(b)).join(' '),
      strand: packStrand(beads),
      attendance: { kept: attendance.kept, due: attendance.due },
      session:
        bead && day?.sent
          ? { ...(await showDay(db, scope, view, day.sent, day.record)), key: dayKey(bead), week: bead.week }
          : null,
      next: next ? { words: formatDay(next.date), time: localTime(next.releaseMs, scope.enrolment.timeZone) } : null,
      open: open.map((b) => ({
        key: dayKey(b),
        words: formatDay(b.date),
        title: view.days.get(b.dayId)?.sent?.title ?? 'a session',
      })),
    };
  });
}

/** Today's session as this person does it, held against what they did before. */
async function showDay(
  db: pg.PoolClient,
  scope: LinkScope,
  view: PersonView,
  sent: SentDay,
  record: OpenDay['record'],
) {
  const fitted = await fitDay(db, sent, scope, await loadWorkspaceBook(db));
  return toDaySession(fitted, { ...sent, record }, dayToMatch(view, sent.dayId, fitted).words);
}

/** A bead for each planned day. */
const ownBeads = (days: string, strand: string) => {
  const keys = days === '' ? [] : days.split(' ');
  return unpackStrand(strand).map((mark, i) => ({ ...parseDayKey(keys[i]!)!, ...mark }));
};

export default function Today({ loaderData, params }: Route.ComponentProps) {
  const { care, session, attendance, next, open, todayWords, days, strand, programmeTitle, name } = loaderData;
  const beads = useMemo(() => ownBeads(days, strand), [days, strand]);
  const base = `/p/${params.token}`;
  return (
    <main className="person">
      {care === 'wait' && (
        <p className="notice">
          Before you start: please see a clinician first. <Link to={`${base}/me`}>Why, and what then</Link>
        </p>
      )}
      {session ? (
        <DayView
          base={base}
          dayKey={session.key}
          session={session}
          above={`${todayWords} · week ${session.week}${attendance.due > 0 ? ` · ${attendance.kept} of ${attendance.due} done` : ''}`}
        />
      ) : (
        <article className="today">
          <p className="soft small today-above">
            {programmeTitle} · {todayWords}
          </p>
          <h1>Nothing today, {name.split(' ')[0]}</h1>
          <p>
            {next
              ? `Your next session opens on ${next.words} at ${next.time}, your time.`
              : 'No further session has been sent yet.'}
          </p>
          {open.length > 0 && (
            <section>
              <h2>If you have time</h2>
              <ul className="open-days">
                {open.map((o) => (
                  <li key={o.key}>
                    <Link to={`${base}/${o.key}`}>{o.title}</Link> <span className="soft">{o.words}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </article>
      )}
      <OwnStrand beads={beads} base={base} firstWeekday={loaderData.firstWeekday} />
      <p className="small me-door">
        <Link to={`${base}/me`}>My kit, and what I avoid</Link>
      </p>
    </main>
  );
}
