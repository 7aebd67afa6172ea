import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { FromOwnLayout, FromPreset } from '#core/record/begin'
import { newSheet } from '#core/record/layouts'
import { checkSheet } from '#core/engine/checkSheet'
import { Sheet } from '#core/record/schema'
import { insertBuild } from '../../data/builds'

/** An id of the sender's own, so that what is sent twice is begun once. */
const Named = z.looseObject({ id: z.uuid().optional() })
const FromFile = z.strictObject({ sheet: Sheet })

export default describedHandler(
  {
    about: 'A new build from a preset, from a layout of the shop’s own, or from a build file.',
    body: z.union([FromFile, FromOwnLayout, FromPreset]),
  },
  async (event) => {
    const body = await requireJson(event, z.record(z.string(), z.unknown()), 'New build')
    const { id: own = randomUUID(), ...rest } = requireValid(Named, body, 'New build')
    const { id, revision, sheet } = await insertBuild(requireDatabase(), own, sheetOf(rest))
    setResponseStatus(event, 201)
    return { id, revision, sheet }
  },
)

function sheetOf(body: Record<string, unknown>): Sheet {
  if ('sheet' in body) {
    // It is judged by this house's rules from now on.
    const { sheet } = requireValid(FromFile, body, 'New build')
    delete sheet.house
    const problems = checkSheet(sheet)
    if (problems.length > 0)
      throw refusal(400, 'invalid', `New build: ${problems[0].path} ${problems[0].message}`, { problems })
    return sheet
  }
  if ('layout' in body) {
    const { layout, name, engine, work } = requireValid(FromOwnLayout, body, 'New build')
    return { ...newSheet('inline4', name, engine, work), layout }
  }
  const { preset, name, engine, work } = requireValid(FromPreset, body, 'New build')
  return newSheet(preset, name, engine, work)
}
