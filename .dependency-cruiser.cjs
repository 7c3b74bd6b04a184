/** Imports go one way. */
const MODELS = '^core/src/science/';
/** A room of the core: a folder, or one on a floor of several. */
const ROOM = '((?:science|registers)/[^/]+|products/methods|daybook/(?:learn|worth)|[^/]+)';

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: '^(server|web|e2e|tools)/' },
    },
    {
      name: 'models-know-no-wire',
      severity: 'error',
      from: { path: MODELS, pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/', pathNot: MODELS },
    },
    {
      name: 'web-and-server-never-meet',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|e2e|tools)/' },
    },
    {
      name: 'server-and-web-never-meet',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|e2e|tools)/' },
    },
    {
      name: 'what-the-page-holds-knows-no-view',
      severity: 'error',
      from: { path: '^web/src/data/' },
      to: { path: '^web/src/(app|charts|parts|places)/' },
    },
    {
      name: 'parts-know-no-place',
      severity: 'error',
      from: { path: '^web/src/(charts|parts|workers)/' },
      to: { path: '^web/src/(app|places)/' },
    },
    {
      name: 'places-do-not-meet',
      severity: 'error',
      from: { path: '^web/src/places/([^/]+)/' },
      to: { path: '^web/src/(app|places)/', pathNot: '^web/src/places/$1/' },
    },
    {
      name: 'siblings-meet-through-their-index',
      severity: 'error',
      from: { path: `^core/src/${ROOM}/`, pathNot: '\\.test\\.ts$|/fixtures/' },
      to: { path: `^core/src/${ROOM}/`, pathNot: ['^core/src/$1/', `^core/src/${ROOM}/index\\.ts$`] },
    },
    {
      name: 'core-uses-little',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$|/fixtures/' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/zod' },
    },
    {
      name: 'no-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '\\.css$|^@fontsource|^typeorm$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.css'],
    },
  },
};
