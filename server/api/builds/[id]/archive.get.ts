import { sendArchive } from '../../../archive/send'

/** A build as one archive: its file, history, runs, photos and cases. */
export default defineEventHandler(async (event) => {
  const { id, sheet } = await requireBuild(event)
  const name =
    sheet.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'build'
  return sendArchive(event, [id], name)
})
