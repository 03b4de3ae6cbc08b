/**
 * The layer rule: web → contract → core, server → contract → core. Web and server never meet; core imports nothing of
 * the others.
 */
module.exports = {
  forbidden: [
    { name: 'unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'circular',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    // In core not even types go round: a subject can be read without the one that reads it.
    { name: 'core-has-no-circles', severity: 'error', from: { path: '^core/' }, to: { circular: true } },
    {
      name: 'core-knows-nobody',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(contract|server|web|demo|e2e|bench|scripts)/' },
    },
    // Of the outside only small pure packages: statistics, schemas, decimals, CSV, seeded numbers, dates,
    // canonical JSON.
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'core'],
        pathNot: [
          'node_modules/(@stdlib|zod|decimal\\.js|papaparse|@types/papaparse)/',
          'node_modules/(pure-rand|canonicalize|@?date-fns|fft\\.js)/',
        ],
      },
    },
    {
      name: 'contract-knows-core',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(server|web|demo|e2e|bench|scripts)/' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/src/' },
      to: { path: '^(web|demo|e2e|bench)/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|demo|e2e|bench|scripts)/' },
    },
    { name: 'demo-not-web', severity: 'error', from: { path: '^demo/' }, to: { path: '^web/' } },
    // A folder's index names what the rest of the house may use.
    {
      name: 'core-by-its-index',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json', '.css'],
    },
  },
};
