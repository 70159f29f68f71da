/** Imports run downward; each room of the core has one door; the core knows nothing of page, framework or Node. */
const ROOMS = [
  'fault',
  'language',
  'words',
  'memo',
  'change',
  'space',
  'table',
  'catalogue',
  'names',
  'form',
  'fit',
  'model',
  'figure',
  'decal',
  'scene',
  'joints',
  'motion',
  'placing',
  'fill',
  'count',
  'plan',
  'edits',
  'suggestions',
  'replay',
  'picture',
  'reading',
  'checks',
  'pipeline',
  'desk',
  'bags',
  'proof-build',
  'durations',
  'booklet',
  'formats',
]

/** A room may use those before it in the list only. */
const downward = ROOMS.map((room, i) => ({
  name: `down-only-${room}`,
  severity: 'error',
  from: { path: `^src/core/${room}/`, pathNot: '[.]test[.]ts$' },
  to: { path: `^src/core/(${ROOMS.slice(i + 1).join('|') || 'none'})/` },
}))

module.exports = {
  forbidden: [
    ...downward,
    {
      name: 'core-is-below-all',
      severity: 'error',
      from: { path: '^src/core', pathNot: '[.]test[.]ts$' },
      to: { path: '^src/(press|web|workers|server|cli)' },
    },
    { name: 'press-is-below', severity: 'error', from: { path: '^src/press' }, to: { path: '^src/(web|workers|server|cli)' } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/(core|press)', pathNot: '[.]test[.]ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'one-door',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/' },
      to: { path: '^src/core/([^/]+)/', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index[.]ts$'] },
    },
    {
      name: 'one-door-from-outside',
      severity: 'error',
      from: { path: '^src/(press|web|workers|server|cli)' },
      to: { path: '^src/core/', pathNot: '^src/core/[^/]+/index[.]ts$' },
    },
    {
      // The second opinion on plans: of the others it may know the types of documents and of printed plans alone.
      name: 'replay-shares-nothing',
      severity: 'error',
      from: { path: '^src/core/replay/', pathNot: '[.]test[.]ts$' },
      to: { path: '^src/core/', pathNot: '^src/core/(replay|catalogue|space)/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.js', '.mjs', '.json'] },
    doNotFollow: { path: 'node_modules' },
  },
}
