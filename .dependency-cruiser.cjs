// The rooms of the core in the order in which they stand on each other; each may import what comes before it, types too.
const rooms = require('./src/core/rooms.json').map(({ room }) => room)
const oneOf = (some) => `^src/core/(${some.join('|')})/`

/** Imports point one way: app -> features -> ui, server, workers -> db -> core. */
module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      comment: 'a cycle hides which of two files stands on the other',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'a rule must run alike in a page, a worker, a job and a test',
      from: { path: '^src/core/', pathNot: '[.]test[.]ts$' },
      to: { pathNot: '^src/core/|node_modules/(ajv|@sinclair/typebox|papaparse)/' },
    },
    {
      name: 'core-is-rooms',
      severity: 'error',
      comment: 'each file of the core lies in a room of src/core/rooms.json',
      from: {},
      to: { path: '^src/core/', pathNot: [oneOf(rooms), '^src/core/rooms[.]json$'] },
    },
    ...rooms.slice(0, -1).map((room, index) => ({
      name: `core-order-${room}`,
      severity: 'error',
      comment: `src/core/${room} stands below ${rooms[index + 1]} and what follows it in src/core/rooms.json`,
      from: { path: oneOf([room]), pathNot: '[.]test[.]ts$' },
      to: { path: oneOf(rooms.slice(index + 1)) },
    })),
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
      name: 'paper-and-archive-use-core-only',
      severity: 'error',
      comment: 'papers and zips are made by the server and by the command line alike',
      from: { path: '^src/(print|archive)/' },
      to: { path: '^src/(app|features|ui|server|workers|db|cli)/' },
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
