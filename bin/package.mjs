/**
 * Makes the package `@uldo/core` for other programs: the verbs as functions, with their types. Prints the path of its archive.
 *
 *   npm run -s package          into .cache/package
 *   npm run -s package -- DIR   into DIR
 */
import { execFileSync } from 'node:child_process'
import { copyFileSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { build } from 'esbuild'
import { root } from './lib/prepare.mjs'

const into = resolve(process.argv[2] ?? join(root, '.cache/package'))
const own = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'))
rmSync(join(into, 'package'), { recursive: true, force: true })
const folder = join(into, 'package')
mkdirSync(folder, { recursive: true })

// Its types name Zod's, and the solver brings a file of its own: both stay packages; the rest goes in.
await build({
  entryPoints: [join(root, 'core/verbs/index.ts')],
  outfile: join(folder, 'index.js'),
  bundle: true,
  platform: 'neutral',
  mainFields: ['module', 'main'],
  conditions: ['import'],
  format: 'esm',
  target: 'es2022',
  external: ['zod', 'highs'],
  legalComments: 'linked',
  logLevel: 'error',
})
execFileSync(
  process.execPath,
  [
    join(root, 'node_modules/typescript/bin/tsc'),
    '--project',
    join(root, 'tsconfig.package.json'),
    '--outDir',
    join(folder, 'types'),
  ],
  { cwd: root, stdio: 'inherit' },
)
// A program that resolves modules as Node.js does wants to be told each file.
for (const name of readdirSync(join(folder, 'types'), { recursive: true }).filter((each) => each.endsWith('.d.ts'))) {
  const file = join(folder, 'types', name)
  const text = readFileSync(file, 'utf8')
  writeFileSync(file, text.replace(/((?:from|import\()\s*['"])(\.{1,2}\/[^'"]+)(?=['"])/g, '$1$2.js'))
}
copyFileSync(join(root, 'LICENSE'), join(folder, 'LICENSE'))
copyFileSync(join(root, 'core/README.md'), join(folder, 'README.md'))
writeFileSync(
  join(folder, 'package.json'),
  `${JSON.stringify(
    {
      name: '@uldo/core',
      version: own.version,
      description:
        'The oil circuit of a rebuilt engine: what its gauge will read, its priming, its start watched, its faults traced',
      license: own.license,
      type: 'module',
      engines: own.engines,
      exports: { '.': { types: './types/verbs/index.d.ts', default: './index.js' } },
      files: ['index.js', 'types', 'README.md', 'LICENSE'],
      sideEffects: false,
      dependencies: { highs: own.dependencies.highs, zod: own.dependencies.zod },
    },
    null,
    2,
  )}\n`,
)
const [packed] = JSON.parse(
  execFileSync('npm', ['pack', '--json', '--pack-destination', into, '--loglevel=error'], {
    cwd: folder,
    encoding: 'utf8',
  }),
)
console.log(join(into, packed.filename))
