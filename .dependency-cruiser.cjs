/** The house's rule: arrows only run down, web → contract → core and server → contract → core, and never in a circle. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `${from} imports nothing of ours but ${allowed.join(', ') || 'nothing'}`,
  from: { path: `^${from}/` },
  to: {
    path: `^(core|contract|device|server|web|e2e|tools)/`,
    pathNot: `^(${[from, ...allowed].join('|')})/`,
  },
});

/** A layer of the server or of the web imports itself and those below it. */
const layer = (name, below, of = 'server') => ({
  name: `${of}-${name}-looks-down`,
  severity: 'error',
  comment: `${of}/src/${name} imports of the ${of} nothing but ${below.join(', ') || 'itself'}`,
  from: { path: `^${of}/src/${name}/` },
  to: { path: `^${of}/src/`, pathNot: `^${of}/src/(${[name, ...below].join('|')})/` },
});

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    only('core-stands-alone', 'core', []),
    only('contract-below-both-ends', 'contract', ['core']),
    only('device-looks-down', 'device', ['contract', 'core']),
    only('server-looks-down', 'server', ['contract', 'core']),
    only('web-looks-down', 'web', ['contract', 'core']),
    // The server's layers: views → advice → evidence → records → platform, and nothing upwards.
    layer('platform', []),
    layer('records', ['platform']),
    layer('evidence', ['records', 'platform']),
    layer('advice', ['evidence', 'records', 'platform']),
    layer('views', ['advice', 'evidence', 'records', 'platform']),
    // The web's: app → features → parts → offline → data, and ui below all of them but data.
    layer('data', [], 'web'),
    layer('ui', [], 'web'),
    layer('offline', ['data', 'ui'], 'web'),
    layer('parts', ['offline', 'data', 'ui'], 'web'),
    layer('features', ['parts', 'offline', 'data', 'ui'], 'web'),
    {
      name: 'features-do-not-know-each-other',
      severity: 'error',
      comment: 'what two screens share is parts, data or ui',
      from: { path: '^web/src/features/([^/]+)/' },
      to: { path: '^web/src/features/', pathNot: '^web/src/features/$1/' },
    },
    {
      name: 'folders-not-in-a-circle',
      severity: 'error',
      comment: 'two folders of the server that import one another are one folder',
      scope: 'folder',
      from: { path: '^server/src' },
      to: { circular: true },
    },
    {
      name: 'nothing-imports-the-demo',
      severity: 'error',
      comment: 'the demo goes through records like anybody else; only what serves starts it',
      from: { path: '^server/src', pathNot: '^server/src/(demo/|serve\\.ts$)' },
      to: { path: '^server/src/demo/' },
    },
    {
      name: 'a-noun-keeps-its-repository',
      severity: 'error',
      comment:
        'a noun is read and written through its service; what its repository answers may be named as a type',
      from: { path: '^server/src/([^/]+/[^/]+)/' },
      to: {
        path: '^server/src/records/[^/]+/.*\\.repository\\.ts$',
        pathNot: '^server/src/$1/',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'a-noun-keeps-its-tables',
      severity: 'error',
      comment: 'an entity names the shape of a row to others; only its own module reads and writes the table',
      from: { path: '^server/src/([^/]+/[^/]+)/' },
      to: {
        path: '\\.entity\\.ts$',
        pathNot: '^server/src/$1/',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'the-app-is-made-of-modules',
      severity: 'error',
      from: { path: '^server/src/app\\.module\\.ts$' },
      to: { path: '^server/src/', pathNot: '\\.module\\.ts$|/schema\\.ts$|/config\\.ts$' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'no interface, network, disk or database in the core (its tests may read reference figures)',
      from: { path: '^core/src', pathNot: '\\.test(-helper)?\\.ts$' },
      to: { path: '^(node:|react|@nestjs|typeorm|pg$|d3)|^(fs|http|net|path)$' },
    },
    {
      name: 'no-tests-in-product',
      severity: 'error',
      from: { pathNot: '\\.test(-helper)?\\.tsx?$|^e2e/' },
      to: { path: '\\.test(-helper)?\\.tsx?$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.data)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['source', 'import', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js'],
    },
  },
};
