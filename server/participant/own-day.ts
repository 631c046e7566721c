import { data } from 'react-router';
import type pg from 'pg';
import type { FittedView } from './fitted-view.ts';
import { fitDay } from './fitted-view.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import { isForKeeping } from './kept-pages.ts';
import { parseOwnDay, withPersonalLink } from '../doors/personal-link.ts';
import type { OpenDay, PersonView } from './person-view.ts';
import { loadPersonView, noteSeen, openDay } from './person-view.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

export interface OwnDayScope {
  readonly db: pg.PoolClient;
  readonly scope: LinkScope;
  readonly view: PersonView;
  readonly sent: OpenDay;
  /** The day as they do it. */
  readonly fitted: FittedView;
}

/**
 * Runs `work` on a day that is open to the person behind a link, and notes that they have opened it, or begun: from then on its version
 * is theirs. One that isn't open, or isn't there, is a 404; a phone that keeps pages for later gets those to come, unopened.
 */
export const withOwnDay = <T>(
  request: Request,
  params: { readonly token: string; readonly day: string },
  what: 'opened' | 'begun',
  work: (own: OwnDayScope) => T | Promise<T>,
): Promise<T> =>
  withPersonalLink(
    params.token,
    async (db, scope) => {
      const place = parseOwnDay(params.day);
      const [view, book] = await Promise.all([loadPersonView(db, scope), loadWorkspaceBook(db)]);
      const isKept = isForKeeping(request);
      const sent = place && openDay(view, place, scope.enrolment, isKept);
      if (!sent) throw data({ kind: 'closed' }, { status: 404 });
      // A phone that keeps a day for later hasn't opened it.
      if (!isKept) await noteSeen(db, scope, view, sent, what);
      return work({ db, scope, view, sent, fitted: await fitDay(db, sent, scope, book) });
    },
    { day: params.day },
  );
