/** Imports run one way: routes -> parts, charts -> core; routes -> server -> db -> core. No cycles. */
import { readFileSync } from 'node:fs';

/** The files that answer requests: app/routes.ts names them. They alone run on the server too. */
const ROUTES = [...readFileSync(`${import.meta.dirname}/app/routes.ts`, 'utf8').matchAll(/'([^']+)\.tsx?'/g)].map(
  ([, file]) => file,
);
const notTo = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: to },
});
const LAYERS = [
  ['document', 'calendar', 'channels', 'text', 'pace'],
  ['words'],
  ['movement'],
  ['forms'],
  ['notation'],
  ['session'],
  ['fit'],
  ['record', 'clock', 'progress'],
  ['exchange'],
];
export default {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    // The layers of core, lowest first: what stands above is imported from nowhere below.
    ...LAYERS.map((_, i) => ({
      name: `core-layer-${LAYERS[i][0]}`,
      severity: 'error',
      from: { path: `^core/(${LAYERS[i].join('|')})/`, pathNot: '(\\.test|arbitrary-[a-z]+|-fixture)\\.ts$' },
      to: {
        path: `^core/(${
          LAYERS.slice(i + 1)
            .flat()
            .join('|') || '-'
        })/`,
      },
    })),
    notTo('core-imports-nothing-above', '^core/', '^(app|server|db|demo|bin|tests|words)/'),
    notTo('words-import-only-core', '^words/', '^(app|server|db|demo|bin|stand-in)/'),
    notTo('the-database-says-nothing', '^db/', '^words/'),
    notTo(
      'core-has-no-interface-or-database',
      '^core/',
      'node_modules/(react|antd|pg|d3-(?!array)|@codemirror|react-router)',
    ),
    notTo('db-imports-only-core', '^db/', '^(app|server|demo|bin)/'),
    notTo('server-imports-no-screens', '^server/', '^(app|demo|bin)/'),
    notTo('nothing-imports-the-stand-in', '^(app|server|db|core|demo|bin)/', '^stand-in/'),
    notTo('the-stand-in-imports-nothing-of-ours', '^stand-in/', '^(app|server|db|core|demo|bin)/'),
    {
      name: 'only-routes-import-the-server',
      severity: 'error',
      from: { path: '^app/.+/', pathNot: [`^app/(${ROUTES.join('|')})\\.tsx?$`, '\\.test\\.tsx?$'] },
      to: { path: `^(app/(${ROUTES.join('|')})\\.tsx?|(server|db|demo|bin)/.+)`, dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'charts-import-nothing-but-charts',
      severity: 'error',
      from: { path: '^app/[^.]*charts/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^app/', pathNot: 'charts/|^app/parts/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'parts-import-no-room',
      severity: 'error',
      from: { path: '^app/parts/' },
      to: { path: '^app/', pathNot: '^app/(parts|charts|shell/frame)/', dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.react-router' },
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js'] },
  },
};
