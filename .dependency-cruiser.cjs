/** The layers of docs/architecture.md, as rules. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-imports-core-only',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/core' },
    },
    {
      name: 'contract-imports-core-and-validators',
      severity: 'error',
      from: { path: '^src/contract', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot: '^src/(core|contract)|node_modules/(class-validator|class-transformer|reflect-metadata)',
      },
    },
    {
      name: 'server-not-client',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/client' },
    },
    {
      name: 'only-main-fills-the-demo',
      severity: 'error',
      from: { path: '^src/(core|contract|client|server)', pathNot: '^src/server/main\\.ts$|\\.test\\.tsx?$' },
      to: { path: '^src/demo' },
    },
    {
      name: 'client-not-server',
      severity: 'error',
      from: { path: '^src/client' },
      to: { path: '^src/server|^migrations' },
    },
    {
      name: 'features-meet-at-their-index',
      severity: 'error',
      from: { path: '^src/(server|client)/features/([^/]+)/' },
      to: { path: '^src/$1/features/([^/]+)/', pathNot: '^src/$1/features/($2/|[^/]+/index\\.tsx?$)' },
    },
    {
      name: 'migrations-stand-alone',
      severity: 'error',
      from: { path: '^migrations' },
      to: { path: '^src' },
    },
    {
      name: 'no-tests-in-product',
      severity: 'error',
      from: { path: '^src', pathNot: '\\.test\\.tsx?$' },
      to: { path: '\\.test\\.tsx?$|^tests|^e2e|^bench' },
    },
    { name: 'not-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default', 'require'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs', '.json'],
    },
  },
};
