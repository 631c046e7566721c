/** Imports run one way: routes -> components, charts -> core; routes -> server -> db -> core. No cycles. */
const notTo = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: to },
});
const LAYERS = [
  ['document', 'calendar', 'pace'],
  ['words'],
  ['movement'],
  ['forms'],
  ['notation'],
  ['session'],
  ['fit'],
  ['record', 'follow', 'progress'],
  ['exchange'],
];
module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
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
        dependencyTypesNot: ['type-only'],
      },
    })),
    notTo('core-imports-nothing-above', '^core/', '^(app|server|db|demo|bin|tests)/'),
    notTo('core-has-no-interface-or-database', '^core/', 'node_modules/(react|antd|pg|d3-|@codemirror|react-router)'),
    notTo('db-imports-only-core', '^db/', '^(app|server|demo|bin)/'),
    notTo('server-imports-no-screens', '^server/', '^(app|demo|bin)/'),
    notTo('nothing-imports-the-stand-in', '^(app|server|db|core|demo|bin)/', '^stand-in/'),
    notTo('the-stand-in-imports-nothing-of-ours', '^stand-in/', '^(app|server|db|core|demo|bin)/'),
    {
      name: 'components-import-no-routes-or-server',
      severity: 'error',
      from: { path: '^app/(components|charts|theme)/' },
      to: { path: '^(app/routes|server|db|demo|bin)/', dependencyTypesNot: ['type-only'] },
    },
    notTo('charts-import-no-components', '^app/charts/', '^app/components/'),
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.react-router' },
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js'] },
  },
};
