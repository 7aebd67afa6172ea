import { setImmediate as turn } from 'node:timers/promises'
import { houseRules } from '#core/house/limits'
import { type Need, needOf } from '#core/plan/need'
import { assumedPace, type Pace } from '#core/plan/pace'
import { listFloor, sheetsOf } from '../data/floor'
import { getHouse } from '../data/house'
import { paceHistories } from '../data/pace'
import { inThread } from '../threads/pool'

/** What an engine still wants, kept while its revision and the house's rules are the same. */
const known = new Map<string, { from: string; name: string; need: Need }>()
/** The shop's pace is learnt anew so often, ms. */
const LEARNT = 10 * 60_000
let pace: { at: number; pace: Pace } | undefined
/** Sheets looked through before others have their turn. */
const PIECE = 4

export default describedHandler(
  {
    about:
      'What every engine on the floor still wants, the pace of the shop, and the server’s clock: what its plan is made from.',
  },
  async () => {
    const db = requireDatabase()
    const [floor, { house }] = await Promise.all([listFloor(db), getHouse(db)])
    const rules = houseRules(house)
    const by = JSON.stringify(rules)
    const listed = floor
      .filter(({ place }) => place === 'floor')
      .map(({ id, revision }) => ({ id, from: `${revision} ${by}` }))
    const anew = listed.filter(({ id, from }) => known.get(id)?.from !== from)
    const sheets = await sheetsOf(
      db,
      anew.map(({ id }) => id),
    )
    for (const [i, { id, from }] of anew.entries()) {
      if (i % PIECE === PIECE - 1) await turn()
      const sheet = sheets.get(id)
      if (sheet) known.set(id, { from, name: sheet.name, need: needOf({ ...sheet, house: rules }) })
    }
    for (const id of known.keys()) if (!listed.some((each) => each.id === id)) known.delete(id)
    if (!pace || Date.now() - pace.at > LEARNT)
      pace = {
        at: Date.now(),
        // What is busy elsewhere is asked again later; until then it is assumed.
        pace: await inThread('pace', await paceHistories(db)).catch(() => pace?.pace ?? assumedPace()),
      }
    return {
      now: Date.now(),
      pace: pace.pace,
      engines: listed.flatMap(({ id }) => {
        const each = known.get(id)
        return each ? [{ id, name: each.name, need: each.need }] : []
      }),
    }
  },
)
