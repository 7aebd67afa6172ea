/** Brings the shop's records to a PostgreSQL server, or back: `npm run move -- --from FOLDER --to postgres://…`, while no server runs on either. */
import { resolve } from 'node:path'
import { version } from '../package.json'
import { BadBackup } from '../server/backup/format'
import { moveToFolder, moveToServer } from '../server/backup/move'
import { plainly } from '../server/backup/service'
import { FolderInUse } from '../server/data/lock'
import { migrations } from '../server/data/migrationFiles'
import { DatabaseAway } from '../server/data/failure'
import { end, flag, withRecords } from './lib/shop'

const words = process.argv.slice(2)
const [from, to] = [flag(words, '--from'), flag(words, '--to')]
const isServer = (place: string) => /^postgres(ql)?:\/\//.test(place)
if (!from || !to || isServer(from) === isServer(to))
  end(
    'Say from where to where, one a folder and one a server: npm run move -- --from FOLDER --to postgres://user@host:5432/name',
  )
/** An address without its password. */
const shown = (place: string) => (isServer(place) ? place.replace(/(:\/\/[^:@/]+):[^@/]*@/, '$1@') : resolve(place))
try {
  const { builds, entries } = isServer(to)
    ? await withRecords(resolve(from), (db) => moveToServer(db, to, version, migrations))
    : await moveToFolder(from, resolve(to), version, migrations)
  console.log(
    `${builds} builds with ${entries} entries are in ${shown(to)} as well as in ${shown(from)}. Everybody signs in anew. Start with: ${isServer(to) ? 'ULDO_DATABASE_URL' : 'ULDO_DATA'}=… npm start`,
  )
} catch (error) {
  end(
    `Nothing was moved. ${error instanceof BadBackup || error instanceof FolderInUse || error instanceof DatabaseAway ? error.message : plainly(error)}`,
    1,
  )
}
