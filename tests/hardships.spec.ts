import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { userInfo } from 'node:os'
import { expect, test } from '@playwright/test'
import { LIBRARY, setClock } from '../bin/lib/hard/clock'
import { fullInMigration } from '../bin/lib/hard/fullBetween'
import { killedInCreation, killedInMigration, killedInMove } from '../bin/lib/hard/killed'
import { placesOn } from '../bin/lib/hard/places'
import { slowOnes } from '../bin/lib/load/slow'
import { buildId, startServer } from './server'

// A small share of `npm run hardships`, `fuzz`, `soak` and `bench:load slow`, which do more of each.
for (const [on, times] of [
  ['folder', 1],
  ['postgres', 1],
] as const) {
  test(`records that are made, or brought up to date, in a ${on}: killed in the middle they are whole after the next start`, async () => {
    test.setTimeout(420_000)
    const places = await placesOn(on)
    try {
      expect(await killedInCreation(places, times)).toContain('each time whole')
      expect(await killedInMigration(places, times)).toContain('each time whole')
    } finally {
      await places.stop()
    }
  })
}

test('records that are moved to a server: killed in the middle and run again they are whole there, and untouched where they came from', async () => {
  test.setTimeout(420_000)
  const places = await placesOn('folder')
  try {
    expect(await killedInMove(places, 1)).toContain('whole there')
  } finally {
    await places.stop()
  }
})

test('records that are brought up to date on a full disk: it says so, and with room they are whole', async () => {
  test.skip(userInfo().uid !== 0, 'only the superuser may mount a small disk')
  test.setTimeout(420_000)
  expect(await fullInMigration('folder', [300])).toContain('1 times too little: said so, and whole with room')
})

test('a clock that is set forth and back by a year: entries in their order, and a start is still stopped', async () => {
  test.skip(!existsSync(LIBRARY), 'libfaketime is not installed')
  test.setTimeout(420_000)
  expect(await setClock('folder')).toContain('stopped')
})

for (const [name, file, env] of [
  ['requests that nobody means well: no 5xx, no hang, memory within its bounds', 'fuzz', { FUZZ: '500' }],
  ['killed in bursts of changes: nothing that was acknowledged is lost', 'soak', { KILLS: '2' }],
] as const)
  test(name, async () => {
    test.setTimeout(420_000)
    const child = spawn(process.execPath, ['--import', 'tsx', `bin/${file}.mjs`], {
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk))
    expect(await new Promise((done) => child.once('close', done)), said).toBe(0)
  })

test('listeners that do not read and requests that trickle: whoever works is answered', async () => {
  const server = await startServer()
  const { answers, errors } = await slowOnes(server.address, await buildId(server, 'Ottiline'), 4, {
    deaf: 8,
    halting: 8,
  })
  expect(errors).toEqual([])
  expect(answers.length).toBeGreaterThan(5)
  await server.stop()
})
