import type { RouteConfigEntry } from '@react-router/dev/routes';
import routes from '../../app/routes.ts';

/** Who a route is for, and what a visitor who may see it gets. Later work adds its rows here: a route that is missing fails the tests. */
export interface Access {
  /** open: for anybody. coach: by a session. person: by a personal link. key: by a token of another kind, which opens that alone. */
  readonly by: 'open' | 'coach' | 'person' | 'key';
  /** What a coach, or the person whose link it is, gets. */
  readonly own: readonly number[];
  /** What a reader gets, where that is another than what a coach does. */
  readonly reader?: readonly number[];
  /** What a coach who is no owner gets, where that is another. */
  readonly second?: readonly number[];
  /** What a form of nonsense gets from who may send one; `none`: it takes no forms. `open`: readers send it too. */
  readonly form: 'none' | 'coach' | 'owner' | 'open';
}

const OK = [200];
const page: Access = { by: 'coach', own: OK, form: 'none' };
const changing: Access = { by: 'coach', own: OK, form: 'coach' };
/** Of people's health, or to do something with: a reader has none of it. */
const coachesOnly = (form: Access['form']): Access => ({ by: 'coach', own: OK, reader: [403], form });
const person: Access = { by: 'person', own: OK, form: 'none' };
const saying: Access = { by: 'person', own: OK, form: 'open' };
/** Takes forms alone. */
const onlyForms = (access: Access): Access => ({ ...access, own: [400, 404, 405] });

export const MATRIX: Readonly<Record<string, Access>> = {
  '/': { by: 'open', own: [302], form: 'none' },
  '/sign-in': { by: 'open', own: [200, 302], form: 'open' },
  '/sign-in/code': { by: 'open', own: [302], form: 'open' },
  '/forgot': { by: 'open', own: OK, form: 'open' },
  '/door/:token': { by: 'key', own: [404], form: 'open' },
  '/join/:code': { by: 'key', own: [404], form: 'open' },
  '/sign-out': { by: 'open', own: [302], form: 'open' },
  '/theme': { by: 'open', own: [302], form: 'open' },
  '/healthz': { by: 'open', own: OK, form: 'none' },
  '/readyz': { by: 'open', own: OK, form: 'none' },
  '/stop/:key': { by: 'key', own: [404], form: 'open' },
  '/confirm/:token': { by: 'key', own: [404], form: 'open' },
  '/calendar/:token': { by: 'key', own: [404], form: 'none' },
  '/*': { by: 'open', own: [404], form: 'none' },

  '/account': { ...page, form: 'open' },
  '/account/again': { ...page, form: 'open' },
  '/account/coaches': { ...page, form: 'owner' },
  '/account/done': { ...page, reader: [403], second: [403] },
  '/account/done.csv': { ...page, reader: [403], second: [403] },

  '/home.json': page,
  '/routines': onlyForms(changing),
  '/programmes': changing,
  '/programmes/:programmeId': { ...page, own: [302] },
  '/programmes/:programmeId/days': page,
  '/programmes/:programmeId/new-people': onlyForms(changing),
  '/programmes/:programmeId/people.csv': coachesOnly('none'),
  '/programmes/:programmeId/crowd': page,
  '/programmes/:programmeId/send/:day/people': coachesOnly('none'),
  '/programmes/:programmeId/today-line': page,
  '/programmes/:programmeId/insights.csv': coachesOnly('none'),
  '/programmes/:programmeId/insights.json': coachesOnly('none'),
  '/programmes/:programmeId/records.csv': coachesOnly('none'),
  '/programmes/:programmeId/records.json': coachesOnly('none'),
  '/programmes/:programmeId/find': page,
  '/programmes/:programmeId/out': page,
  '/programmes/:programmeId/ready': onlyForms(changing),
  '/programmes/:programmeId/send-choices': onlyForms(changing),
  '/programmes/:programmeId/plan/change': onlyForms(changing),
  '/programmes/:programmeId/copy': onlyForms(changing),
  '/programmes/:programmeId/send/:day/sheet.pdf': page,
  '/programmes/:programmeId/send/:day/week.pdf': page,
  '/programmes/:programmeId/send/:day/week': page,
  '/programmes/:programmeId/summary': page,
  '/programmes/:programmeId/plan': page,
  '/programmes/:programmeId/write/:day': changing,
  '/programmes/:programmeId/write/:day/draft': onlyForms(changing),
  '/programmes/:programmeId/send': { ...page, own: [302] },
  '/programmes/:programmeId/send/:day': changing,
  '/programmes/:programmeId/outbox': coachesOnly('coach'),
  '/programmes/:programmeId/run': coachesOnly('coach'),
  '/programmes/:programmeId/follow-up': changing,
  '/programmes/:programmeId/follow-up/person/:enrolmentId': changing,
  '/programmes/:programmeId/follow-up/next': coachesOnly('coach'),
  // Nothing may be proposed for them just now.
  '/programmes/:programmeId/follow-up/next/:enrolmentId': { ...coachesOnly('none'), own: [200, 404] },
  '/programmes/:programmeId/follow-up/working': page,
  '/programmes/:programmeId/follow-up/teams': coachesOnly('coach'),
  '/programmes/:programmeId/people': changing,
  '/programmes/:programmeId/movements': changing,

  '/p/:token': person,
  '/p/:token/:day': person,
  '/p/:token/:day/clock': person,
  '/p/:token/:day/log': saying,
  '/p/:token/:day/week': person,
  '/p/:token/:day/sheet.pdf': person,
  '/p/:token/:day/week.pdf': person,
  '/p/:token/:day/hurt': onlyForms(saying),
  '/p/:token/copy.json': person,
  '/p/:token/copy.csv': person,
  '/p/:token/keep.json': person,
  '/p/:token/app.webmanifest': person,
  '/p/:token/live': onlyForms(saying),
  '/p/:token/me/:page?': saying,
  '/p/:token/weeks': person,
  '/p/:token/team': person,
  // By a link of its own kind, not by the personal one.
  '/p/:token/calendar.ics': { ...person, own: [404] },
};

/** Every address that the route table knows, with its parameters by name. */
export function tableOf(entries: readonly RouteConfigEntry[] = routes, above = ''): string[] {
  return entries.flatMap((entry) => {
    const path = entry.path === undefined ? above : `${above}/${entry.path}`;
    const isPage = entry.path !== undefined || entry.index === true;
    return [...(isPage ? [path === '' ? '/' : path] : []), ...tableOf(entry.children ?? [], path)];
  });
}
