/** One command from a fresh clone to the running demo. `--fresh` puts the demo data back as it was; `--port N` takes another port. */
import { rmSync } from 'node:fs'
import { ensureInstalled, ensureBuilt, ensurePassphrase, serve } from './lib/prepare.mjs'

const words = process.argv.slice(2)
const port = words.includes('--port') ? words[words.indexOf('--port') + 1] : (process.env.PORT ?? '4477')
const data = process.env.ULDO_DATA ?? '.data/demo'
await ensureInstalled()
await ensureBuilt()
if (words.includes('--fresh')) {
  console.log('Putting the demo data back as it was.')
  rmSync(`${data}/records`, { recursive: true, force: true })
}
ensurePassphrase(data)
await serve({ data, port, demo: true })
