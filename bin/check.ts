/** Reads all records and replays all entries of all builds against their sheets: says what differs, and ends with 1 when anything does. */
import { checkRecords, type Damage } from '../server/data/integrity'
import { dataFolder, end, serverOf, whereRecordsAre, withShop } from './lib/shop'

const folder = dataFolder()
const address = serverOf(folder)
const damage = address ? await asked(address) : await withShop(folder, checkRecords)
for (const { where, why } of damage) console.log(`${where}: ${why}`)
console.log(
  damage.length === 0
    ? `The records in ${whereRecordsAre(folder)} hold together.`
    : `${damage.length} do not hold together.`,
)
process.exit(damage.length === 0 ? 0 : 1)

async function asked(address: string): Promise<Damage[]> {
  const response = await fetch(`${address}/api/check`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{}',
  }).catch((error: Error) => end(`The server at ${address} does not answer: ${error.message}`))
  if (!response.ok) end(`The server answered ${response.status}.`)
  return ((await response.json()) as { damage: Damage[] }).damage
}
