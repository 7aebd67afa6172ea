/** Starts the shop's own Uldo: builds when the build is stale, then serves the data folder. */
import { ensureInstalled, ensureBuilt, ensurePassphrase, serve } from './lib/prepare.mjs'

await ensureInstalled()
await ensureBuilt()
ensurePassphrase(process.env.ULDO_DATA ?? 'data')
await serve({ data: process.env.ULDO_DATA ?? 'data', port: process.env.PORT ?? '4400', demo: false })
