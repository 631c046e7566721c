import { data } from 'react-router';
import type pg from 'pg';
import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey, parseDayKey } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import type { LinkKind } from '../../db/queries/doors/link.ts';
import { enterByLink } from '../../db/queries/person.ts';
import { findPersonalLink } from '../../db/queries/doors/link.ts';
import { nowMs } from '../config.ts';
import { inEnteredWorkspace, onDatabase } from '../database.ts';
import { spendQuota } from '../http/limits/quota.ts';
import { readForm } from '../http/read-body.ts';
import { hashToken, isTokenShaped } from './token.ts';

export interface LinkScope {
  readonly workspaceId: number;
  /** The person in the run that the page is about: the one that the day names, or their usual one. */
  readonly enrolment: Enrolment;
  /** Their runs, the usual one first. */
  readonly enrolments: readonly Enrolment[];
}

/** A day in an address of theirs: `w5d3`, in another than their usual run `r7-w5d3`. */
const OWN_DAY = /^(?:r([1-9]\d{0,14})-)?(w\d+d\d)$/;

/** The place that a day in an address of theirs names. */
export const parseOwnDay = (day: string): DayPlace | undefined => parseDayKey(OWN_DAY.exec(day)?.[2] ?? '');

/** How a day of an enrolment stands in addresses. */
export const ownDayKey = (
  { enrolment, enrolments }: Pick<LinkScope, 'enrolment' | 'enrolments'>,
  place: DayPlace,
): string => `${enrolment === enrolments[0] ? '' : `r${enrolment.runId}-`}${dayKey(place)}`;

const noLink = (): never => {
  throw data({ kind: 'link' }, { status: 404 });
};

/**
 * Runs `work` for the person behind a link, in the run that `day` names. A link that is unknown, revoked or malformed, or whose
 * person is in no run, is one and the same 404.
 */
export async function withPersonalLink<T>(
  token: string,
  work: (db: pg.PoolClient, scope: LinkScope) => Promise<T>,
  at: { readonly day?: string; readonly kinds?: readonly LinkKind[] } = {},
): Promise<T> {
  const opened = isTokenShaped(token)
    ? await inEnteredWorkspace(
        (db) => enterByLink(db, hashToken(token), localDate(nowMs(), 'UTC'), at.kinds),
        async (db, { workspaceId, enrolments }) => {
          const runId = OWN_DAY.exec(at.day ?? '')?.[1];
          const enrolment = runId === undefined ? enrolments[0] : enrolments.find((e) => e.runId === Number(runId));
          return enrolment ? work(db, { workspaceId, enrolment, enrolments }) : noLink();
        },
      )
    : undefined;
  return opened ? opened.result : noLink();
}

/** The form that the person behind a link sends: whose link it is is known before it is read, and it counts towards what one may store. */
export async function personForm(request: Request, token: string): Promise<FormData> {
  const link = isTokenShaped(token) ? await onDatabase((db) => findPersonalLink(db, hashToken(token))) : undefined;
  const { workspaceId, personId: id } = link ?? noLink();
  const { form, bytes } = await readForm(request);
  await spendQuota({ kind: 'link', id, workspaceId }, bytes);
  return form;
}
