/** Dependencies run one way; a circle, of types too, is an error. */
const notTests = '[.](test|spec)[.]ts$'

/** The layers of core, each knowing those before it only. Answers know one another, but never in a circle. */
const LAYERS = [
  ['quantity', 'random', 'root'],
  ['oil', 'film', 'bearing', 'cycle', 'orbit', 'pump', 'relief', 'pickup', 'orifice'],
  ['circuit'],
  ['record'],
  ['house'],
  ['parts'],
  ['engine'],
  [
    'targets',
    'outlook',
    'finder',
    'shells',
    'prime',
    'start',
    'trace',
    'progress',
    'shelf',
    'spreadsheet',
    'run',
    'logbook',
  ],
  ['rig'],
  ['practice'],
  ['verbs'],
]
const folders = (layers) => `^core/(${layers.flat().join('|')})/`
const upward = () =>
  LAYERS.slice(0, -1).map((layer, i) => ({
    name: `${layer.length > 1 ? (i === 0 ? 'quantity' : i === 1 ? 'physics' : 'answers') : layer[0]}-looks-down`,
    comment:
      'Arrows run one way: quantity, physics, circuit, record, house, parts, engine, answers, rig, practice, verbs.',
    severity: 'error',
    from: { path: folders([layer]), pathNot: notTests },
    to: { path: folders(LAYERS.slice(i + 1)) },
  }))

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'Files that need one another are one file, or three.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-alone',
      comment: 'core is computation alone: no interface, server, script or demo.',
      severity: 'error',
      from: { path: '^core/', pathNot: notTests },
      to: { path: '^(app|server|bin|demo|tests)/|^node_modules/(vue|nuxt|pinia|h3|primevue|@electric-sql)/' },
    },
    {
      name: 'core-without-machine',
      comment: 'core knows no file, no process and no clock.',
      severity: 'error',
      from: { path: '^core/', pathNot: notTests },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'app-without-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|bin)/', pathNot: '^server/$' },
    },
    {
      name: 'app-without-demo',
      severity: 'error',
      from: { path: '^app/', pathNot: notTests },
      to: { path: '^demo/' },
    },
    {
      name: 'server-without-app',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|bin)/|^node_modules/(vue|pinia|primevue)/' },
    },
    ...upward(),
    {
      name: 'no-circle-of-folders',
      comment: 'Folders that need one another are one thing, or three.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^core/' },
      to: { circular: true, path: '^core/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(\\.nuxt|\\.output|\\.cache)/|^core/.*[.]test[.]ts$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.core.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
