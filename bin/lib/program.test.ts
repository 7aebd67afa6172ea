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
