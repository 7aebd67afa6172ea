/** Dependencies run one way; a circle, of types too, is an error. */
const notTests = '[.](test|spec)[.]ts$'

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
      to: { path: '^(server|bin|demo)/', pathNot: '^server/$' },
    },
    {
      name: 'server-without-app',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|bin)/|^node_modules/(vue|pinia|primevue)/' },
    },
    {
      name: 'physics-without-circuit',
      comment: 'A formula knows no circuit and no answer.',
      severity: 'error',
      from: { path: '^core/(oil|film|cycle|orifice|random|units)/', pathNot: notTests },
      to: { path: '^core/(circuit|house|shelf|run|rig|outlook|start|prime|finder|trace)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(\\.nuxt|\\.output|\\.cache)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.core.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
