/** A production build, when a source is not the one that was built. */
import { ensureBuilt } from './lib/prepare.mjs'

await ensureBuilt()
