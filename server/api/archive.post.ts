import { BadArchive } from '../archive/format'
import { readArchive } from '../archive/read'
import { takeArchive } from '../archive/take'

/** Largest archive that is taken in at once, bytes: a larger shop is moved by a backup. */
const LIMIT = 300e6

export default describedHandler(
  { about: 'Takes an archive of builds in: all of it or nothing.', takes: ['application/zip'] },
  async (event) => {
    const bytes = await requireBytes(event, LIMIT, 'Archive')
    try {
      const taken = await takeArchive(requireDatabase(), await readArchive(bytes))
      setResponseStatus(event, 201)
      if (taken.house === 'taken' || taken.shelf > 0) announceShop({ kind: 'shelf' })
      return taken
    } catch (error) {
      throw error instanceof BadArchive ? refusal(400, 'bad-archive', error.message) : error
    }
  },
)
