import { z } from 'zod'
import { Layout } from './schema'
import { PRESETS } from './layouts'

/** What a build is called, as a form and the server both take it. */
export const BuildNames = z.strictObject({
  name: z.string().trim().min(1, 'must be given, such as the boat or the owner').max(120),
  engine: z.string().trim().min(1, 'must be given: which engine it is').max(120),
  /** Vehicle or machine that it drives. */
  work: z.string().trim().max(200).default(''),
})

/** A new build from a preset. */
export const FromPreset = z.strictObject({
  preset: z.enum(Object.keys(PRESETS) as [string, ...string[]]),
  ...BuildNames.shape,
})

/** A new build from a layout of the shop's own. */
export const FromOwnLayout = z.strictObject({ layout: Layout, ...BuildNames.shape })
