import { isBuiltin } from 'node:module'
import { build } from 'esbuild'
import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { LEAN, PROGRAM } from './program.mjs'

it('a service and a container run the server as every command here does', () => {
  const deployed = (name: string) => readFileSync(new URL(`../../deploy/${name}`, import.meta.url), 'utf8')
  expect(deployed('uldo.service')).toContain(`ExecStart=/usr/bin/node ${PROGRAM.join(' ')}\n`)
  expect(deployed('Containerfile')).toContain(`CMD ${JSON.stringify(['node', ...PROGRAM]).replaceAll(',', ', ')}\n`)
  for (const [name, value] of Object.entries(LEAN))
    for (const file of ['uldo.service', 'Containerfile']) expect(deployed(file)).toContain(` ${name}=${value}\n`)
})

it('the scripts that a container brings run on what it keeps: no package of theirs is for development alone', async () => {
  const { dependencies } = JSON.parse(readFileSync(new URL('../../package.json', import.meta.url), 'utf8')) as {
    dependencies: Record<string, string>
  }
  const { metafile } = await build({
    entryPoints: ['backup', 'restore', 'move', 'check', 'passphrase'].map((name) => `bin/${name}.ts`),
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    outdir: 'unused',
    write: false,
    metafile: true,
    logLevel: 'error',
  })
  const packages = Object.values(metafile.inputs)
    .flatMap(({ imports }) => imports.filter(({ external }) => external).map(({ path }) => path))
    .filter((path) => !path.startsWith('node:') && !isBuiltin(path))
    .map((path) => path.split('/', path.startsWith('@') ? 2 : 1).join('/'))
  expect(packages).toContain('zod')
  for (const name of ['tsx', ...packages]) expect(dependencies).toHaveProperty([name])
})
