/** Arrows point one way: app → ui, data, server → core. */
const only = (name, from, allowed) => ({
  name,
  comment: `${from} may use ${allowed.join(', ')} and nothing else of ours`,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: '^(app|ui|data|server|core|cli|e2e|workers)/', pathNot: `^(${allowed.join('|')})/` },
});

module.exports = {
  forbidden: [
    only('core-stands-alone', 'core', ['core']),
    only('data-on-core', 'data', ['data', 'core']),
    only('ui-on-core', 'ui', ['ui', 'core']),
    only('server-on-data', 'server', ['server', 'data', 'core']),
    only('workers-on-core', 'workers', ['workers', 'core']),
    only('cli-on-server', 'cli', ['cli', 'server', 'core']),
    only('app-on-all', 'app', ['app', 'ui', 'data', 'server', 'workers', 'core']),
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
      name: 'pages-keep-the-database-on-the-server',
      comment: 'what runs in the browser must not reach data/ or server/',
      severity: 'error',
      from: { path: '^app/visits/.*/(bench|findings|hours|kit|question|report|round)/' },
      to: { path: '^(data|server)/' },
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
