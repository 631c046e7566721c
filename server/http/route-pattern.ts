interface RouteLike {
  readonly id: string;
  readonly parentId?: string | undefined;
  readonly path?: string | undefined;
}

/** Anything that no route of ours has. */
export const NO_ROUTE = '(no route)';

/**
 * What may stand in a log for an address: the pattern of the route that takes it (`/p/:token/:day`), never the address itself,
 * which holds personal links in whatever spelling. Patterns are read off the routes once.
 */
export function buildRoutePattern(routes: Readonly<Record<string, RouteLike | undefined>>): (path: string) => string {
  const full = (route: RouteLike): string => {
    const parent = route.parentId === undefined ? undefined : routes[route.parentId];
    return [parent ? full(parent) : '', route.path ?? ''].filter((part) => part !== '').join('/');
  };
  const patterns = [...new Set(Object.values(routes).map((route) => (route ? full(route) : '*')))]
    .filter((path) => !path.includes('*'))
    .map((path) => ({
      path: `/${path}`,
      test: new RegExp(
        `^/${path
          .replace(/[.+?^$()[\]{}|\\]/g, '\\$&')
          .replace(/\/:[^/]+\\\?/g, '(?:/[^/]+)?')
          .replace(/:[^/]+/g, '[^/]+')}$`,
      ),
    }))
    // A written word wins over a place for any.
    .sort((a, b) => a.path.split(':').length - b.path.split(':').length);
  return (path) => {
    if (path.startsWith('/assets/')) return '/assets/*';
    const plain = path.replace(/\.data$/, '').replace(/(?<=.)\/$/, '');
    return patterns.find((p) => p.test.test(plain))?.path ?? NO_ROUTE;
  };
}
