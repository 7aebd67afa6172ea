import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { newSheet, PRESETS } from '#core/build/layouts'
import { Sheet } from '#core/build/schema'
import { insertBuild } from '../../data/builds'

const name = z.string().trim().min(1, 'must not be empty').max(120)
const FromFile = z.strictObject({ sheet: Sheet })
const FromLayout = z.strictObject({ preset: z.enum(Object.keys(PRESETS) as [string, ...string[]]), name, engine: name, work: z.string().trim().max(200).default('') })

/** A new build from a layout, or from a build file. */
export default defineEventHandler(async (event) => {
  const body = await requireJson(event, z.record(z.string(), z.unknown()), 'New build')
  const wanted = 'sheet' in body ? requireValid(FromFile, body, 'New build') : requireValid(FromLayout, body, 'New build')
  const sheet = 'sheet' in wanted ? wanted.sheet : newSheet(wanted.preset, wanted.name, wanted.engine, wanted.work)
  const { id, revision } = await insertBuild(requireDatabase(), randomUUID(), sheet)
  setResponseStatus(event, 201)
  return { id, revision, sheet }
})
