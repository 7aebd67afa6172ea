import type { H3Event } from 'h3'
import { sendStream, setResponseHeader } from 'h3'
import { requireDatabase } from '../utils/database'
import { learntFor } from '../threads/experience'
import { type Asked, writeArchive } from './write'

/** Sends an archive of builds under a name, as it is put together. */
export async function sendArchive(event: H3Event, builds: string[], name: string, shop?: Asked['shop']) {
  const db = requireDatabase()
  const { stream } = await writeArchive(db, {
    builds,
    experienceOf: async (build, sheet) => (await learntFor(db, build, sheet).catch(() => undefined))?.experience,
    ...(shop ? { shop } : {}),
    application: String(useRuntimeConfig().app.buildId),
    now: Date.now(),
  })
  setResponseHeader(event, 'content-type', 'application/zip')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${name}.uldo.zip"`)
  return sendStream(event, stream)
}
