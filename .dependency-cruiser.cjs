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

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    only('core-stands-alone', 'core', []),
    only('contract-below-both-ends', 'contract', ['core']),
    only('device-looks-down', 'device', ['contract', 'core']),
    only('server-looks-down', 'server', ['contract', 'core']),
    only('web-looks-down', 'web', ['contract', 'core']),
    {
      name: 'contract-takes-only-types-of-core',
      severity: 'error',
      comment:
        'nothing of the core is bundled through the contract (its test may hold the two lists together)',
      from: { path: '^contract/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/', dependencyTypesNot: ['type-only'] },
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
      from: { pathNot: '\\.test(-helper)?\\.ts$|^e2e/' },
      to: { path: '\\.test(-helper)?\\.ts$' },
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
