import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { z } from 'zod'
import { Sheet } from '#core/build/schema'
import { House } from '#core/house/schema'
import { ShelfEntry } from '#core/shelf/schema'
import { insertBuild, listBuilds } from '../data/builds'
import { migrate, type Migration } from '../data/database'
import { putHouse } from '../data/house'
import { writeItems } from '../data/shelf'
import { FolderInUse, lockFolder } from '../data/lock'
import { resumeRigs, stopRigs } from '../rig/clock'
import { resumeWatches, stopWatches } from '../watch/clock'

/** Opens the records at start: lock, database, migrations, demo builds when asked; closes them when told to stop. */
export default defineNitroPlugin(() => {
  const folder = resolve(process.env.ULDO_DATA ?? 'data')
  let release: () => void
  try {
    release = lockFolder(folder)
  } catch (error) {
    if (!(error instanceof FolderInUse)) throw error
    console.error(error.message)
    process.exit(3)
  }
  const opening = open(folder).catch((error: Error) => {
    console.error(`The records in ${folder} could not be opened: ${error.message}`)
    release()
    process.exit(4)
  })
  const stop = async () => {
    stopRigs()
    stopWatches()
    const database = await opening
    await database.close().catch((error: Error) => console.error(error.message))
    release()
    process.exit(0)
  }
  // Open event streams would hold up the listener's own farewell; the records must be closed first and fully.
  process.env.NITRO_SHUTDOWN_DISABLED = 'true'
  process.once('SIGTERM', stop)
  process.once('SIGINT', stop)
})

async function open(folder: string): Promise<PGlite> {
  mkdirSync(folder, { recursive: true })
  const database = await PGlite.create(join(folder, 'records'))
  await migrate(database, await migrations())
  if (process.env.ULDO_DEMO && (await listBuilds(database)).length === 0) {
    const builds = useStorage('assets:demo')
    for (const key of (await builds.getKeys()).sort().reverse()) await insertBuild(database, randomUUID(), Sheet.parse(await builds.getItem(key)))
    await putHouse(database, 0, House.parse(await useStorage('assets:shop').getItem('house.json')))
    await writeItems(database, z.array(ShelfEntry).parse(await useStorage('assets:shop').getItem('shelf.json')))
  }
  provideDatabase(database)
  await resumeRigs(database)
  await resumeWatches(watchParts())
  return database
}

async function migrations(): Promise<Migration[]> {
  const files = useStorage('assets:migrations')
  const keys = await files.getKeys()
  return Promise.all(keys.map(async (key) => ({ name: key.replace(/\.sql$/, ''), sql: String(await files.getItemRaw(key)) })))
}
