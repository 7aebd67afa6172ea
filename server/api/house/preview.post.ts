import { z } from 'zod'
import { houseRules } from '#core/house/limits'
import { House } from '#core/house/schema'
import { listBuilds } from '../../data/builds'
import { getHouse } from '../../data/house'
import { experienced } from '../../threads/experience'
import { inThread, TooBusy } from '../../threads/pool'

const Body = z.strictObject({ rules: House.shape.rules, school: House.shape.school })

/** Builds looked through at a time, each of which takes up to a second the first time; and how long all may take, ms. What was solved by then is not solved again. */
const PIECE = 2
const LONGEST = 15_000
/** What other engines teach is waited for so long, ms. */
const LESSONS = 3000

export default describedHandler(
  { about: 'Which builds’ verdicts would move by other house rules, before they are written.', body: Body },
  async (event) => {
    const wanted = await requireJson(event, Body, 'House rules')
    const db = requireDatabase()
    const { house } = await getHouse(db)
    const builds = await listBuilds(db)
    const moved: Awaited<ReturnType<typeof inThread<'preview'>>> = []
    const began = Date.now()
    try {
      // In pieces, so that what else is computed comes in between.
      for (let from = 0; from < builds.length; from += PIECE) {
        // Whoever asked has another question by now.
        if (event.node.res.destroyed) return []
        if (Date.now() - began > LONGEST)
          throw new TooBusy(
            `${from} of ${builds.length} engines are looked through by now. Ask again: it goes on from there.`,
          )
        moved.push(
          ...(await inThread(
            'preview',
            await Promise.all(
              builds.slice(from, from + PIECE).map(async ({ id, sheet }) => ({
                id,
                name: sheet.name,
                engine: sheet.engine,
                // As its own strip has it.
                sheet: await experienced(db, id, sheet, LESSONS),
              })),
            ),
            houseRules(house),
            houseRules(wanted),
          )),
        )
      }
    } catch (error) {
      throw error instanceof TooBusy ? refusal(429, 'busy', error.message) : error
    }
    return moved
  },
)
