import { guestSheet } from '#core/house/guest'
import { houseRules } from '#core/house/limits'
import { digestOf } from '../access/secret'
import { logAccess } from '../data/accessLog'
import { getBuild } from '../data/builds'
import { getHouse } from '../data/house'
import { linkOf } from '../data/links'
import { experienced } from '../threads/experience'

export default describedHandler(
  {
    about:
      'What a customer’s link opens, by its secret (`authorization: Bearer …`): what the gauge card and the build sheet of one build say, as it stands now, and by what units and rules.',
  },
  async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    const secret = /^Bearer (\S{20,200})$/i.exec(getRequestHeader(event, 'authorization') ?? '')?.[1]
    const db = requireDatabase()
    const link = secret === undefined ? undefined : await linkOf(db, digestOf(secret))
    const build = link && (await getBuild(db, link.build))
    if (!link || !build)
      throw refusal(404, 'unknown-link', 'This link opens nothing, or no longer. Ask the shop for a new one.')
    if (link.first) await logAccess(db, 'link-used', originOf(event), `${link.name} (${build.sheet.name})`)
    const { house } = await getHouse(db)
    const { units, instruments, rules, school } = house
    const { name, until, madeBy } = link
    return {
      ...{ name, until, madeBy },
      sheet: guestSheet({ ...(await experienced(db, build.id, build.sheet)), house: houseRules(house) }),
      house: { units, rules, school, instruments: instruments.map(({ zeroedAt: _when, ...each }) => each) },
    }
  },
)
