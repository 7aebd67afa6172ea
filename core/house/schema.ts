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

/** A shop's first day: common instruments and strips, nothing on the shelf. */
export const FIRST_HOUSE: House = {
  units: 'mm, bar',
  instruments: [
    { name: 'Micrometer 50 to 75', resolution: 1e-6, repeatability: 1.5e-6 }, { name: 'Micrometer 25 to 50', resolution: 1e-6, repeatability: 1.5e-6 },
    { name: 'Bore gauge 50 to 100', resolution: 1e-6, repeatability: 2.5e-6 }, { name: 'Caliper', resolution: 1e-5, repeatability: 1e-5 },
    { name: 'Feeler gauge', resolution: 1e-5, repeatability: 5e-6 }, { name: 'Depth gauge', resolution: 2e-5, repeatability: 2e-5 },
  ],
  strips: [{ name: 'Fine, 0.025 to 0.076 mm', lines: [[1.3e-3, 76e-6], [1.65e-3, 63e-6], [2.05e-3, 51e-6], [2.75e-3, 38e-6], [4.2e-3, 25e-6]].map(([width, clearance]) => ({ width, clearance })) }],
  layouts: [], shells: [],
}

const DAY = 86_400_000

/**
 * Standard uncertainty of one reading, m: half a step of the display (rectangular), repeatability, and a zero that drifts by half a step
 * for each week since it was checked, up to two steps; never checked counts as two.
 * Source: GUM, JCGM 100:2008, 4.3.7 and 5.1.2; the drift is a house rule.
 *
 * @param at when it was read, ms
 */
export function instrumentSigma({ resolution, repeatability, zeroedAt }: Instrument, at: number): number {
  const weeks = zeroedAt ? Math.max(0, at - Date.parse(zeroedAt)) / (7 * DAY) : Infinity
  const drift = resolution * Math.min(2, 0.5 * weeks)
  return Math.hypot(resolution / Math.sqrt(12), repeatability, drift / Math.sqrt(3))
}
