/** Puts a backup back: `npm run restore -- FILE [--to FOLDER]`, into a data folder that has no records. */
import { resolve } from 'node:path'
import { BadBackup } from '../server/backup/format'
import { restoreBackup } from '../server/backup/restore'
import { plainly } from '../server/backup/service'
import { FolderInUse } from '../server/data/lock'
import { migrations } from '../server/data/migrationFiles'
import { dataFolder, end, flag } from './lib/shop'

const words = process.argv.slice(2)
const file = words.find((word, i) => !word.startsWith('--') && words[i - 1] !== '--to')
if (!file) end('Name the backup: npm run restore -- FILE [--to FOLDER]')
const folder = resolve(flag(words, '--to') ?? dataFolder())
try {
  const { head, builds, entries } = await restoreBackup(resolve(file), folder, migrations)
  console.log(
    `${builds} builds with ${entries} entries, as they stood at ${head.madeAt}, are back in ${folder}. Start with: ULDO_DATA=${folder} npm start`,
  )
} catch (error) {
  end(
    `${file} was not restored. ${error instanceof BadBackup || error instanceof FolderInUse ? error.message : plainly(error)}`,
    1,
  )
}
