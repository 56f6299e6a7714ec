/** Arrows point one way: app → ui, data, server → core. */
const only = (name, from, allowed) => ({
  name,
  comment: `${from} may use ${allowed.join(', ')} and nothing else of ours`,
  severity: 'error',
  // A test may drive several layers at once.
  from: { path: `^${from}/`, pathNot: '\\.database\\.test\\.ts$' },
  to: { path: '^(app|ui|data|server|core|cli|e2e|workers)/', pathNot: `^(${allowed.join('|')})/` },
});

/**
 * The folders of core, from the ground up: each may use those before it. Files at the root of core (errors, the list of kinds
 * of rows, commands, the document) hold it together. The simulator stands beside the product and no path of it leans on that.
 */
const CORE = [
  'units',
  'pixels',
  'geometry',
  'rows',
  'humidity',
  'radiometry',
  'weather',
  'frame',
  'formats',
  'scale',
  'detect',
  'causes',
  'heating',
  'compare',
  'water',
  'camera',
  'house',
  'visit',
  'round',
  'candidates',
  'circuit',
  'hunt',
  'proof',
  'building',
  'report',
  'letter',
  'sharing',
  'simulate',
];
const inOrder = CORE.map((folder, i) => ({
  name: `core-${folder}-in-order`,
  comment: `core/${folder} may use core/${CORE.slice(0, i).join(', core/') || 'nothing'}`,
  severity: 'error',
  from: { path: `^core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^core/\\w+/', pathNot: `^core/(${CORE.slice(0, i + 1).join('|')})/` },
}));

module.exports = {
  forbidden: [
    only('core-stands-alone', 'core', ['core']),
    only('data-on-core', 'data', ['data', 'core']),
    only('ui-on-core', 'ui', ['ui', 'core']),
    only('server-on-data', 'server', ['server', 'data', 'core']),
    only('workers-on-core', 'workers', ['workers', 'core']),
    only('cli-on-server', 'cli', ['cli', 'server', 'core']),
    only('app-on-all', 'app', ['app', 'ui', 'data', 'server', 'workers', 'core']),
    ...inOrder,
    {
      name: 'core-is-pure',
      comment: 'core may use zod, suncalc, papaparse and uuid, and nothing that needs a platform',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|^core/testing/' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/(zod|suncalc|papaparse|uuid|@types/papaparse)/' },
    },
    {
      name: 'core-without-its-test-material',
      comment: 'core/testing is for tests only',
      severity: 'error',
      from: { path: '^(core|data|server|ui|app|cli)/', pathNot: '\\.test\\.ts$|^core/testing/' },
      to: { path: '^core/testing/' },
    },
    {
      name: 'the-database-is-asked-in-few-places',
      comment:
        'only pages, layouts, routes and what they share reach data/ or server/: everything else of app/ runs in the browser',
      severity: 'error',
      from: {
        path: '^app/',
        pathNot: '(^app/api/|/(page|layout|route)\\.tsx?$|^app/(page|layout|loaded)\\.tsx?$|\\.test\\.tsx?$)',
      },
      to: { path: '^(data|server)/' },
    },
    {
      name: 'the-database-is-opened-in-one-place',
      comment: 'routes and pages ask with asking() of server/asking.ts',
      severity: 'error',
      from: { path: '^app/', pathNot: '^app/api/health/' },
      to: { path: '^data/connection' },
    },
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(\\.next|\\.den|node_modules/(?!zod))' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
};
