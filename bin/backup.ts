/** Backs the shop up, while its server runs or while it does not: one open archive with everything acknowledged until now. */
import { version } from '../package.json'
import { type BackupState, prepareBackups } from '../server/backup/service'
import type { Written } from '../server/backup/write'
import { dataFolder, end, serverOf, withShop } from './lib/shop'

const folder = dataFolder()
const address = serverOf(folder)
const written = address
  ? await asked(address)
  : await withShop(folder, (db) => prepareBackups(db, folder, version).now()).catch((error: Error) =>
      end(error.message, 1),
    )
console.log(
  `${written.file}: up to entry ${written.upTo.entry}, ${(written.bytes / 1e6).toFixed(1)} MB, read back whole.`,
)

async function asked(address: string): Promise<Written> {
  const told = async <T>(method: 'GET' | 'POST') => {
    const response = await fetch(`${address}/api/backups`, {
      method,
      ...(method === 'POST' ? { headers: { 'content-type': 'application/json' }, body: '{}' } : {}),
    }).catch((error: Error) => end(`The server at ${address} does not answer: ${error.message}`, 1))
    const answer = (await response.json()) as T & { error?: { message: string } }
    return response.ok
      ? { answer, goesOn: response.status === 202 }
      : end(answer.error?.message ?? `The server answered ${response.status}.`, 1)
  }
  const { answer, goesOn } = await told<Written>('POST')
  if (!goesOn) return answer
  for (;;) {
    await new Promise((done) => setTimeout(done, 1000))
    const { running, failed, made } = (await told<BackupState>('GET')).answer
    if (!running) return made && !failed ? made : end(`The backup came to nothing: ${failed}`, 1)
  }
}
