/** Imports point one way: app -> features -> ui, server, workers -> db -> core. */
module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      comment: 'a cycle hides which of two files stands on the other',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'a rule must run alike in a page, a worker, a job and a test',
      from: { path: '^src/core/', pathNot: '[.]test[.]ts$' },
      to: { pathNot: '^src/core/|node_modules/(ajv|ajv-formats|@sinclair/typebox|papaparse)/' },
    },
    {
      name: 'db-knows-core-only',
      severity: 'error',
      comment: 'queries serve every caller',
      from: { path: '^src/db/' },
      to: { path: '^src/(app|features|ui|server|workers|cli)/' },
    },
    {
      name: 'middle-layer-stays-below',
      severity: 'error',
      comment: 'ui, server and workers are used by features, not the other way',
      from: { path: '^src/(ui|server|workers)/' },
      to: { path: '^src/(app|features)/' },
    },
    {
      name: 'workers-use-core-only',
      severity: 'error',
      comment: 'a worker has no database and no page',
      from: { path: '^src/workers/' },
      to: { path: '^src/(db|server|ui)/' },
    },
    {
      name: 'ui-has-no-server-code',
      severity: 'error',
      comment: 'shared pieces run in the browser',
      from: { path: '^src/ui/' },
      to: { path: '^src/(db|server)/' },
    },
    {
      name: 'features-know-no-sibling',
      severity: 'error',
      comment: 'what two features need belongs in ui, server, db or core',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'features-below-app',
      severity: 'error',
      comment: 'routes hand to features',
      from: { path: '^src/features/' },
      to: { path: '^src/app/' },
    },
    {
      name: 'cli-uses-core-only',
      severity: 'error',
      comment: 'the command line works without the database',
      from: { path: '^src/cli/' },
      to: { path: '^src/(app|features|ui|server|workers|db)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
