import { listBuilds } from '../data/builds'
import { getHouse } from '../data/house'
import { shelfWhole } from '../data/wholeBuild'
import { sendArchive } from '../archive/send'

export default describedHandler(
  {
    about:
      'The whole shop as one archive: every engine on the floor or archived with its history, runs and photos, the rules, and what lies on the shelf.',
    gives: 'application/zip',
  },
  async (event) => {
    const db = requireDatabase()
    const builds = (await listBuilds(db)).map(({ id }) => id)
    const { house } = await getHouse(db)
    return sendArchive(event, builds, 'uldo-shop', { house, shelf: await shelfWhole(db) })
  },
)
