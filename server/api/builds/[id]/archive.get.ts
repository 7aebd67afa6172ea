import { sendArchive } from '../../../archive/send'

/** A build as one archive: its file, history, runs, photos and cases. */
export default defineEventHandler(async (event) => {
  const { id, sheet } = await requireBuild(event)
  return sendArchive(event, [id], fileNameOf(sheet.name))
})
