import { sendArchive } from '../../../archive/send'

export default describedHandler(
  { about: 'A build as one archive: its file, history, runs, photos and cases.', gives: 'application/zip' },
  async (event) => {
    const { id, sheet } = await requireBuild(event)
    return sendArchive(event, [id], fileNameOf(sheet.name))
  },
)
