import { execFileSync, spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { relief, VERBS } from '../../core/verbs'

const root = fileURLToPath(new URL('../..', import.meta.url))
/** A program elsewhere that has the package among its own. */
const program = mkdtempSync(join(tmpdir(), 'uldo-package-'))
beforeAll(() => {
  const archive = execFileSync(process.execPath, ['bin/package.mjs', program], { cwd: root, encoding: 'utf8' }).trim()
  const place = join(program, 'node_modules/@uldo/core')
  mkdirSync(place, { recursive: true })
  execFileSync('tar', ['-xzf', archive, '-C', place, '--strip-components=1'])
  for (const name of ['zod', 'highs', '@types'])
    symlinkSync(join(root, 'node_modules', name), join(program, 'node_modules', name))
  writeFileSync(join(program, 'package.json'), JSON.stringify({ type: 'module' }))
}, 120_000)
afterAll(() => rmSync(program, { recursive: true, force: true }))

it('the example of its page runs in a program elsewhere, and says what this one does', () => {
  const example = /```js\n([\s\S]*?)```/.exec(readFileSync(join(root, 'core/README.md'), 'utf8'))![1]!
  writeFileSync(
    join(program, 'example.js'),
    `import { readFileSync } from 'node:fs'\nconst buildFile = JSON.parse(readFileSync(process.argv[2], 'utf8'))\n${example}`,
  )
  const run = (file: object) => {
    writeFileSync(join(program, 'build.json'), JSON.stringify(file))
    return spawnSync(process.execPath, ['example.js', 'build.json'], { cwd: program, encoding: 'utf8' })
  }
  const build = JSON.parse(readFileSync(join(root, 'demo/builds/ottiline.json'), 'utf8')) as { readings: object }
  const said = run(build)
  const valve = {
    plungerDiameter: 0.0127,
    springRate: 5900,
    freeLength: 0.048,
    installedLength: 0.041,
    port: { shape: 'round', diameter: 0.0065 },
  } as const
  expect(said.stdout).toContain(`opens at ${(relief(valve).openingPressure / 1e5).toFixed(2)} bar`)
  const { states } = VERBS.outlook.run(build) as { states: { name: string; pressure: number }[] }
  for (const { name, pressure } of states) expect(said.stdout).toContain(`${name} ${pressure}`)
  const bad = run({ ...build, readings: { ...build.readings, 'main.9.bore': { value: 0.06, source: 'measured' } } })
  expect(bad.stderr.trim()).toBe('readings.main.9.bore: is not a reading of this layout')
}, 60_000)

it('its types are there for a program that resolves modules as Node.js does, and refuse what does not fit', () => {
  writeFileSync(
    join(program, 'program.ts'),
    `import { outlook, viscosity, VERBS, type Verb } from '@uldo/core'
const { points } = viscosity({ kv40: 108, kv100: 14.6, density15: 880, temperatures: [20] })
export const dynamic: number = points[0]!.dynamic
export const least: number = outlook({} as Parameters<typeof outlook>[0]).states[0]!.low
export const verb: Verb | undefined = VERBS.trace
// @ts-expect-error an oil has two viscosities
viscosity({ kv40: 108, density15: 880, temperatures: [20] })
`,
  )
  const { status, stdout } = spawnSync(
    process.execPath,
    [
      join(root, 'node_modules/typescript/bin/tsc'),
      ...'--noEmit --strict --skipLibCheck --noUncheckedIndexedAccess --module nodenext --target es2022 program.ts'.split(
        ' ',
      ),
    ],
    { cwd: program, encoding: 'utf8' },
  )
  expect([stdout, status]).toEqual(['', 0])
}, 60_000)
