/**
 * What may happen to a server while records are made, brought up to date or moved, and while it works: killed in the middle, a disk that is full, a clock that is
 * set forth and back by a year. Nothing that was acknowledged is lost, and what does not go on says what to do.
 *
 *   npm run hardships                       records in a folder
 *   ON=postgres npm run hardships           on a PostgreSQL server
 *   TIMES=50 ONLY=creation npm run hardships
 *
 * A full disk needs a superuser (it mounts a small one); the clock needs Debian's package libfaketime.
 */
import { fullDisk } from './lib/hard/disk'
import { fullInMigration, fullInMove } from './lib/hard/fullBetween'
import { setClock } from './lib/hard/clock'
import { killedInCreation, killedInMigration, killedInMove } from './lib/hard/killed'
import { placesOn } from './lib/hard/places'
// @ts-expect-error a script without types of its own
import { ensureBuilt, ensureInstalled } from './lib/prepare.mjs'

const TIMES = Number(process.env.TIMES ?? 20)
const ON = process.env.ON ?? 'folder'
const HARDSHIPS = { creation: killedInCreation, migration: killedInMigration, move: killedInMove }
await (ensureInstalled as () => Promise<void>)()
await (ensureBuilt as () => Promise<void>)()
const wanted = (name: string) => !process.env.ONLY || process.env.ONLY === name
let failed = false
async function tried(name: string, work: () => Promise<string>) {
  if (!wanted(name)) return
  const began = Date.now()
  try {
    console.log(`${name}: ${await work()}, in ${((Date.now() - began) / 1000).toFixed(0)} s`)
  } catch (error) {
    failed = true
    console.log(`${name}: FAILED: ${(error as Error).message}`)
  }
}
for (const [name, hardship] of Object.entries(HARDSHIPS))
  await tried(name, async () => {
    const places = await placesOn(ON)
    return hardship(places, TIMES).finally(() => places.stop())
  })
await tried('disk', () => fullDisk(ON))
await tried('disk in migration', () => fullInMigration(ON))
await tried('disk in move', () => fullInMove(ON))
await tried('clock', () => setClock(ON))
process.exitCode = failed ? 1 : 0
