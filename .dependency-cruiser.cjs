/** Imports point one way: see docs/architecture.md. */
const ROOMS = ['number', 'css', 'color', 'drawing', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds', 'site', 'collections', 'style', 'sections', 'logo', 'page', 'document', 'reach', 'change', 'sheets', 'difference', 'legibility', 'similar-colors', 'harmony', 'gather', 'render', 'specimen', 'stress', 'begin', 'formats', 'exchange', 'api'];
/** Rooms a room may enter. What stands later in the list is never entered from what stands earlier, with the few exceptions named here. */
const MAY = {
  number: [], css: [], color: ['number', 'css'], drawing: ['color'], palette: ['number', 'color'], ground: ['number', 'color', 'palette'], type: ['number'], shape: ['number'], fields: ['shape'], kinds: ['number', 'shape', 'fields'],
  site: ['number', 'css', 'color', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds'],
  collections: ['fields', 'kinds', 'site'],
  style: ['number', 'color', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds', 'site'],
  sections: ['color', 'fields', 'kinds', 'site', 'collections', 'style'],
  logo: ['number', 'color', 'fields', 'kinds', 'site', 'style'],
  page: ['number', 'shape', 'fields', 'kinds', 'site', 'collections', 'style', 'sections', 'logo'],
  document: ['fields', 'kinds', 'site', 'style', 'page'],
  change: ['number', 'color', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds', 'site', 'collections', 'style', 'sections', 'page', 'document'],
  sheets: ['fields', 'palette', 'site', 'collections', 'change'],
  reach: ['number', 'css', 'color', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds', 'site', 'style', 'page'],
  difference: ['number', 'fields', 'kinds', 'site', 'style', 'page', 'reach', 'change'],
  legibility: ['number', 'color', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds', 'site', 'style', 'page', 'reach', 'change', 'logo'],
  'similar-colors': ['number', 'color', 'palette', 'ground', 'fields', 'kinds', 'site', 'style', 'reach', 'change'],
  harmony: ['number', 'color', 'palette', 'fields', 'kinds', 'site', 'style', 'change', 'legibility'],
  gather: ['number', 'color', 'palette', 'fields', 'kinds', 'site', 'style', 'reach', 'change', 'legibility'],
  render: ['number', 'color', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds', 'site', 'collections', 'style', 'sections', 'page', 'logo'],
  stress: ['fields', 'kinds', 'site'],
  begin: ['color', 'palette', 'ground', 'type', 'site', 'style', 'sections'],
  specimen: ['number', 'color', 'type', 'shape', 'fields', 'kinds', 'site', 'style', 'logo', 'page', 'reach', 'render'],
  formats: ['number', 'css', 'color', 'palette', 'ground', 'type', 'shape', 'fields', 'kinds', 'site', 'collections', 'style', 'page', 'reach', 'change', 'render'],
  api: ['fields', 'palette', 'site', 'collections', 'page', 'change', 'legibility'],
  exchange: ['number', 'color', 'palette', 'ground', 'type', 'fields', 'kinds', 'site', 'collections', 'style', 'reach', 'change', 'formats'],
};

module.exports = {
  forbidden: [
    { name: 'no-cycle', severity: 'error', from: { pathNot: 'node_modules' }, to: { circular: true } },
    ...ROOMS.map((room) => ({
      name: `core-${room}-enters-only-what-is-below`, severity: 'error',
      from: { path: `^core/src/${room}/`, pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/', pathNot: [`^core/src/${room}/`, ...MAY[room].map((one) => `^core/src/${one}/index\\.ts$`)] },
    })),
    { name: 'core-knows-nobody', severity: 'error', from: { path: '^core/src', pathNot: '\\.spec\\.ts$|/testing/' }, to: { path: '^(server|web|demo|e2e)/|^node:|/(koa|pg|drizzle-orm|@angular|rxjs)/' } },
    { name: 'core-has-no-node', severity: 'error', from: { path: '^core/src', pathNot: '\\.spec\\.ts$|/testing/' }, to: { dependencyTypes: ['core'] } },
    { name: 'server-and-web-apart', severity: 'error', from: { path: '^server/' }, to: { path: '^web/' } },
    { name: 'web-and-server-apart', severity: 'error', from: { path: '^web/' }, to: { path: '^server/' } },
    { name: 'ui-has-no-store', severity: 'error', from: { path: '^web/src/ui/' }, to: { path: '^web/src/(state|api|steps|wall|desk|workers)/|@ngrx' } },
    { name: 'core-by-its-index', severity: 'error', from: { path: '^(server|web|demo)/', pathNot: '/testing/' }, to: { path: '^core/src/', pathNot: '^core/src/index\\.ts$' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: true, tsConfig: { fileName: 'web/tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'], extensions: ['.ts', '.js', '.mjs'] },
  },
};
