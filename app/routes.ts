import type { RouteConfig } from '@react-router/dev/routes';
import { index, layout, route } from '@react-router/dev/routes';

export default [
  index('routes/home.ts'),
  route('sign-in', 'routes/sign-in.tsx'),
  route('sign-out', 'routes/sign-out.ts'),
  route('theme', 'routes/theme.ts'),
  route('routines', 'routes/routines.ts'),
  route('programmes/:programmeId/days', 'routes/programmes/days.ts'),
  route('programmes/:programmeId/new-people', 'routes/programmes/new-people.ts'),
  route('programmes/:programmeId/crowd', 'routes/programmes/crowd.ts'),
  route('programmes/:programmeId/out', 'routes/programmes/out.ts'),
  route('programmes/:programmeId/plan/change', 'routes/programmes/plan-change.ts'),
  route('programmes/:programmeId/copy', 'routes/programmes/copy.ts'),
  route('healthz', 'routes/healthz.ts'),
  route('readyz', 'routes/readyz.ts'),
  layout('routes/coach.tsx', [
    route('programmes', 'routes/programmes.tsx'),
    route('programmes/:programmeId', 'routes/programmes/programme.tsx', [
      index('routes/programmes/home.ts'),
      route('plan', 'routes/programmes/plan.tsx'),
      route('write/:day', 'routes/programmes/write.tsx'),
      route('write/:day/draft', 'routes/programmes/draft.ts'),
      route('send/:day', 'routes/programmes/send.tsx'),
      route('follow-up', 'routes/programmes/follow-up.tsx'),
      route('people', 'routes/programmes/people.tsx'),
      route('movements', 'routes/programmes/movements.tsx'),
    ]),
  ]),
  layout('routes/person.tsx', [
    route('p/:token', 'routes/person/today.tsx'),
    route('p/:token/me', 'routes/person/me.tsx'),
    route('p/:token/:day', 'routes/person/day.tsx'),
    route('p/:token/:day/clock', 'routes/person/clock.tsx'),
    route('p/:token/:day/log', 'routes/person/log.tsx'),
  ]),
  route('*', 'routes/missing.tsx'),
] satisfies RouteConfig;
