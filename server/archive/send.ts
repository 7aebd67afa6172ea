import { pipeline } from 'node:stream/promises'
import type { H3Event } from 'h3'
import { setResponseHeader } from 'h3'
import { requireDatabase } from '../utils/database'
import { learntOf, shopLessons } from '../threads/experience'
import { type Asked, writeArchive } from './write'

/** Sends an archive of builds under a name, as it is put together; what fails on the way cuts it off, so that half of one is never taken for a whole. */
export async function sendArchive(event: H3Event, builds: string[], name: string, shop?: Asked['shop']): Promise<void> {
  const db = requireDatabase()
  const lessons = await shopLessons(db).catch(() => [])
  const stream = await writeArchive(db, {
    builds,
    experienceOf: async (build, sheet) => (await learntOf(lessons, build, sheet).catch(() => undefined))?.experience,
    ...(shop ? { shop } : {}),
    application: String(useRuntimeConfig().app.buildId),
    now: Date.now(),
  })
  setResponseHeader(event, 'content-type', 'application/zip')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${name}.uldo.zip"`)
  event._handled = true
  await pipeline(stream, event.node.res).catch((error: NodeJS.ErrnoException) => {
    // Whoever asked has gone.
    if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') console.error(`The archive ${name} broke off: ${error.message}`)
  })
}
