import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { App } from 'h3'
import { z } from 'zod'
import { Sheet } from '#core/record/schema'
import { NAME_LENGTH, ROLES } from '#core/house/people'
import { House } from '#core/house/schema'
import { ShelfEntry } from '#core/shelf/schema'
import { version } from '../../package.json'
import { sessionKey } from '../access/keys'
import { isOwn, NotLetIn } from '../access/network'
import { RESTORING } from '../backup/restore'
import { prepareBackups, remedy } from '../backup/service'
import { insertBuild, listBuilds } from '../data/builds'
import { type Database, hasAlone, joined, migrate, type Migration } from '../data/database'
import { demoPlan } from '../data/demoPlan'
import { DatabaseAway, inWords } from '../data/failure'
import { putHouse } from '../data/house'
import { checkRecords, type Damage } from '../data/integrity'
import { addPerson } from '../data/people'
import { writeItems } from '../data/shelf'
import { FolderInUse, lockFolder } from '../data/lock'
import { makeRecords } from '../data/makeRecords'
import { openPostgres } from '../data/postgres'
import { sharedSecret } from '../data/secrets'
import { keepTidy } from '../data/tidy'
import { resumeRigs, stopRigs } from '../rig/clock'
import { resumeWatches, stopWatches } from '../watch/clock'

/** What the check of the records at start has come to. */
export const recordsState: { checked: boolean; damage: Damage[] } = { checked: false, damage: [] }

/** Opens the records at start: lock, database, migrations, demo builds when asked; closes them when told to stop. */
export default defineNitroPlugin((nitro) => {
  requireOwnHost()
  const folder = resolve(process.env.ULDO_DATA ?? 'data')
  let release: () => void
  try {
    release = lockFolder(folder, ownAddress())
  } catch (error) {
    console.error(
      error instanceof FolderInUse
        ? error.message
        : `The data folder ${folder} cannot be used: ${plainly(error as Error)}`,
    )
    process.exit(error instanceof FolderInUse ? 3 : 4)
  }
  const opening = open(folder, nitro.h3App).catch((error: Error) => {
    if (error instanceof NotLetIn) {
      console.error(error.message)
      release()
      process.exit(6)
    }
    if (error instanceof DatabaseAway) {
      console.error(`${error.message}. Start PostgreSQL, or mend ULDO_DATABASE_URL.`)
      release()
      process.exit(7)
    }
    console.error(
      `The records ${process.env.ULDO_DATABASE_URL ? 'on the PostgreSQL server' : `in ${folder}`} could not be opened: ${plainly(error)}${/backup|restore|full/.test(plainly(error)) ? '' : ` ${remedy(folder)}`}`,
    )
    release()
    process.exit(4)
  })
  const stop = async () => {
    closeNetwork()
    await sayFarewell()
    await leaveOthers()
    stopRigs()
    stopWatches()
    await currentBackups()?.stop()
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

/** Plain HTTP is answered on this machine alone: the network is let in by ULDO_HOST, over HTTPS. */
function requireOwnHost(): void {
  process.env.HOST ??= process.env.NITRO_HOST ?? '127.0.0.1'
  const { HOST: host } = process.env
  if (isOwn(host)) return
  console.error(
    `HOST=${host} would answer the whole network without a sign-in. Leave HOST out, and name the address for the network with ULDO_HOST=${host}: it is served over HTTPS.`,
  )
  process.exit(6)
}

/** Where a script on this machine can ask this server. */
function ownAddress(): string {
  const host = process.env.HOST ?? '127.0.0.1'
  return `http://${host.includes(':') ? `[${host}]` : host}:${process.env.PORT ?? process.env.NITRO_PORT ?? '3000'}`
}

/** A folder that holds something and no database is never made into a new one. */
function refuseStrangeFolder(folder: string): void {
  if (existsSync(join(folder, '..', RESTORING)))
    throw new Error(
      `A restore into this folder was broken off. Run it again: npm run restore -- FILE --to ${join(folder, '..')}`,
    )
  if (!existsSync(folder)) return
  const holds = readdirSync(folder)
  if (holds.length > 0 && !holds.includes('PG_VERSION'))
    throw new Error(
      `${folder} is not empty and holds no records that can be read (PG_VERSION is missing). Nothing was changed. ${remedy(join(folder, '..'))} Or name another folder with ULDO_DATA.`,
    )
}

const PLAIN: Record<string, string> = {
  EACCES: 'this user may not write there. Give the folder to the user that runs Uldo.',
  EROFS: 'it lies on a disk that can only be read.',
  ENOSPC: 'its disk is full. Make room and start again.',
  ENOTDIR: 'it is a file and no folder.',
  EIO: 'its disk cannot be read.',
}
/** A failure in words that say what to do. */
const plainly = (error: unknown) => inWords(error, PLAIN)

/**
 * Puts the demo shop into records that hold no build: whole or not at all, whatever ends the server in the middle. Of several servers that start on an empty
 * database one does it, and the others wait for it.
 */
async function putDemoIn(database: Database): Promise<void> {
  if ((await listBuilds(database)).length > 0) return
  const builds = useStorage('assets:demo')
  const shop = useStorage('assets:shop')
  await database.transaction(async (tx) => {
    const own = randomUUID()
    if ((await sharedSecret(tx, 'demo', () => own)) !== own) return
    const ids = new Map<string, string>()
    for (const key of (await builds.getKeys()).sort().reverse()) {
      const sheet = Sheet.parse(await builds.getItem(key))
      ids.set(sheet.name, randomUUID())
      await insertBuild(tx, ids.get(sheet.name)!, sheet)
    }
    const house = House.parse(await shop.getItem('house.json'))
    await putHouse(joined(tx), 0, { ...house, plan: demoPlan(await shop.getItem('plan.json'), ids, Date.now()) })
    for (const { name, role } of z.array(Person).parse(await shop.getItem('people.json')))
      await addPerson(tx, name, role)
    await writeItems(joined(tx), z.array(ShelfEntry).parse(await shop.getItem('shelf.json')))
  })
}

/** The records: of a PostgreSQL server where one is named, else of the data folder. */
async function openRecords(folder: string, server: string | undefined): Promise<Database> {
  if (server) return openPostgres(server)
  const records = join(folder, 'records')
  refuseStrangeFolder(records)
  await makeRecords(records)
  return hasAlone(await PGlite.create(records))
}

async function open(folder: string, application: App): Promise<Database> {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const server = process.env.ULDO_DATABASE_URL
  const database = await openRecords(folder, server)
  await migrate(database, await migrations())
  if (process.env.ULDO_DEMO) await putDemoIn(database)
  // A session that one server began goes on at every other.
  process.env.NUXT_SESSION_PASSWORD = server
    ? await sharedSecret(database, 'session', () => sessionKey(folder))
    : sessionKey(folder)
  await letNetworkIn(database, folder, application)
  provideDatabase(database)
  const backups = prepareBackups(database, folder, version)
  provideBackups(backups)
  backups.start()
  // Beside the work, and told by the health route: a large shop is read in a while.
  void checkRecords(database).then(
    (damage) => {
      recordsState.checked = true
      recordsState.damage = damage
      for (const { where, why } of damage) console.error(`The records do not hold together: ${where}: ${why}`)
    },
    (error: Error) => console.error(`The records could not be checked: ${error.message}`),
  )
  if (server) joinOthers(server, database)
  else {
    keepTidy(database)
    await resumeRigs(database)
    await resumeWatches(watchParts())
  }
  // What makes the page is loaded now, and not when somebody waits for it.
  void fetch(ownAddress()).then(
    (page) => page.arrayBuffer(),
    () => undefined,
  )
  return database
}

const Person = z.strictObject({ name: z.string().max(NAME_LENGTH), role: z.enum(ROLES) })

async function migrations(): Promise<Migration[]> {
  const files = useStorage('assets:migrations')
  const keys = await files.getKeys()
  return Promise.all(
    keys.map(async (key) => ({ name: key.replace(/\.sql$/, ''), sql: String(await files.getItemRaw(key)) })),
  )
}
