/** Arrows point one way: app → ui, data, server → core. */
const only = (name, from, allowed) => ({
  name,
  comment: `${from} may use ${allowed.join(', ')} and nothing else of ours`,
  severity: 'error',
  // A test may drive several layers at once.
  from: { path: `^${from}/`, pathNot: '\\.database\\.test\\.ts$' },
  to: { path: '^(app|ui|data|server|core|cli|e2e|workers|scripts)/', pathNot: `^(${allowed.join('|')})/` },
});

const TESTS = '\\.test\\.tsx?$|^core/testing/';

/** The rooms of core, from the ground up, and the folders in each: whoever stands later may use those before it. */
const ROOMS = {
  ground: [],
  method: [
    'radiometry',
    'weather',
    'frame',
    'formats',
    'scale',
    'building',
    'detect',
    'causes',
    'heating',
    'compare',
    'water',
    'simulate',
  ],
  model: [],
  work: ['house', 'camera', 'visit', 'round', 'findings', 'heating', 'water', 'proof', 'loan', 'practice'],
  paper: [],
};
/** Each place of core, in its order: a flat room, or a folder of a room. */
const PLACES = Object.entries(ROOMS).flatMap(([room, folders]) =>
  folders.length > 0 ? folders.map((folder) => `${room}/${folder}`) : [room],
);
const inOrder = PLACES.map((place, i) => ({
  name: `core-${place.replace('/', '-')}-in-order`,
  comment: `core/${place} may use ${PLACES.slice(0, i).join(', ') || 'nothing'}`,
  severity: 'error',
  from: { path: `^core/${place}/`, pathNot: TESTS },
  // All of core, files at its root as well.
  to: { path: '^core/', pathNot: `^core/(${PLACES.slice(0, i + 1).join('|')})/` },
}));

/** What core may use of packages: none of it needs a platform. */
const PURE = ['zod', 'suncalc', 'papaparse', 'uuid', 'fft\\.js', '@types/papaparse'];

/** Stages of a visit take nothing from each other; what several of them draw lies in the folders beside them. */
const STAGE = '^app/visits/\\[visit\\]/(hours|kit|round|bench|findings|heat|water|proof|report)/';

module.exports = {
  forbidden: [
    only('core-stands-alone', 'core', ['core']),
    only('data-on-core', 'data', ['data', 'core']),
    only('ui-on-core', 'ui', ['ui', 'core']),
    only('server-on-data', 'server', ['server', 'data', 'core']),
    only('workers-on-core', 'workers', ['workers', 'core']),
    only('cli-on-server', 'cli', ['cli', 'server', 'core']),
    only('app-on-all', 'app', ['app', 'ui', 'data', 'server', 'workers', 'core']),
    only('e2e-on-server', 'e2e', ['e2e', 'scripts', 'server', 'data', 'core']),
    only('scripts-on-e2e', 'scripts', ['scripts', 'e2e', 'cli', 'server', 'data', 'core']),
    {
      name: 'core-has-rooms',
      comment: `a file of core lies in one of its rooms: ${PLACES.join(', ')}`,
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `^core/(${PLACES.join('|')}|testing)/` },
    },
    ...inOrder,
    {
      name: 'core-is-pure',
      comment: 'core may use zod, suncalc, papaparse, uuid and fft.js, and nothing that needs a platform',
      severity: 'error',
      from: { path: '^core/', pathNot: TESTS },
      to: { pathNot: `^core/|(^|node_modules/)(${PURE.join('|')})(/|$)` },
    },
    {
      name: 'stages-stand-alone',
      comment: 'a stage of a visit takes nothing from another one',
      severity: 'error',
      from: { path: STAGE },
      to: { path: STAGE, pathNot: '^app/visits/\\[visit\\]/$1/' },
    },
    {
      name: 'core-without-its-test-material',
      comment: 'core/testing is for tests only',
      severity: 'error',
      from: { path: '^(core|data|server|ui|app|cli)/', pathNot: TESTS },
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
    exclude: { path: '^\\.(next|den)/' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
};
