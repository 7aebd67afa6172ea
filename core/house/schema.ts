import { z } from 'zod'
import { Layout } from '../build/schema'
import { UNIT_CHOICES } from '../units/units'

/** What a shop keeps for all of its builds: units, instruments, strip scales, layouts of its own, shells in stock. */

const name = z.string().trim().min(1, 'must not be empty').max(80)
const length = z.number().positive().max(1)

export const Instrument = z.strictObject({
  name,
  /** Smallest step that it shows, m. */
  resolution: length,
  /** Standard deviation of the same reading taken again, m. */
  repeatability: z.number().min(0).max(1e-3),
  /** Last time its zero was checked, ISO 8601. */
  zeroedAt: z.iso.datetime({ offset: true }).optional(),
})
export type Instrument = z.infer<typeof Instrument>

export const StripScale = z.strictObject({
  name,
  /** Lines printed on the sleeve, m. */
  lines: z.array(z.strictObject({ width: length, clearance: length })).min(2).max(20),
})
export type StripScale = z.infer<typeof StripScale>

export const ShellItem = z.strictObject({
  id: name,
  /** Which engine it is for, as builds name it; empty fits all. */
  engine: z.string().trim().max(120),
  set: z.enum(['main', 'rod']),
  half: z.enum(['upper', 'lower']),
  /** Wall over the standard shell's, m. */
  wall: z.number().min(-2e-3).max(2e-3),
  count: z.number().int().min(0).max(999),
})
export type ShellItem = z.infer<typeof ShellItem>

export const House = z.strictObject({
  units: z.enum(Object.keys(UNIT_CHOICES) as [string, ...string[]]),
  instruments: z.array(Instrument).max(100),
  strips: z.array(StripScale).max(40),
  layouts: z.array(z.strictObject({ name, layout: Layout })).max(200),
  shells: z.array(ShellItem).max(2000),
})
export type House = z.infer<typeof House>
