import { data } from 'react-router';
import type pg from 'pg';
import { isVersionOf } from '../../db/queries/record.ts';
import { formText } from '../http/form-text.ts';
import type { FittedView } from './fitted-view.ts';
import type { Sensible } from '../../core/record/scores/doubts.ts';
import { withHistory } from '../../core/record/scores/sensible.ts';
import { dayToMatch } from './earlier-scores.ts';
import { boundsOf, fitDay } from './fitted-view.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import { parseOwnDay, withPersonalLink } from '../doors/personal-link.ts';
import { isOpen, loadPersonView, noteSeen, openDay } from './person-view.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

export interface LoggedDay {
  readonly db: pg.PoolClient;
  readonly scope: LinkScope;
  readonly versionId: number;
  /** The version as they do it. */
  readonly fitted: FittedView;
  /** What nobody, and not they themselves by what they did before, is likely to exceed. */
  readonly bounds: readonly Sensible[];
  readonly book: WorkspaceBook;
}

/**
 * Runs `work` on the version of a day that something is told of: the one that the phone names, where it is one of this day; it may have
 * been corrected or withdrawn since. A day whose hour hasn't come is 425, so that what was kept is sent again later; any other is 404.
 */
export const withLoggedDay = <T>(
  params: { readonly token: string; readonly day: string },
  form: FormData,
  work: (day: LoggedDay) => T | Promise<T>,
): Promise<T> =>
  withPersonalLink(
    params.token,
    async (db, scope) => {
      const place = parseOwnDay(params.day);
      const [view, book] = await Promise.all([loadPersonView(db, scope), loadWorkspaceBook(db)]);
      const bead = view.strand.beads.find((b) => b.week === place?.week && b.weekday === place.weekday);
      if (!bead) throw data({ kind: 'closed' }, { status: 404 });
      const { enrolment } = scope;
      if (!isOpen(bead, view.days.get(bead.dayId)!, enrolment)) throw data({ kind: 'early' }, { status: 425 });
      const sent = openDay(view, bead, enrolment);
      const named = /^[1-9]\d{0,14}$/.test(formText(form, 'version-id'))
        ? Number(formText(form, 'version-id'))
        : undefined;
      const at = { runId: enrolment.runId, dayId: bead.dayId };
      const isNamed =
        named !== undefined && named !== sent?.versionId && (await isVersionOf(db, { ...at, versionId: named }));
      const versionId = isNamed ? named : sent?.versionId;
      if (versionId === undefined) throw data({ kind: 'closed' }, { status: 404 });
      if (sent) await noteSeen(db, scope, view, sent, 'begun');
      const fitted = await fitDay(db, { versionId }, scope, book);
      const { targets } = dayToMatch(view, bead.dayId, fitted);
      return work({ db, scope, versionId, fitted, bounds: withHistory(boundsOf(fitted), targets), book });
    },
    { day: params.day },
  );
