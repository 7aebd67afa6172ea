import { pumpDisplacement } from './pumpReadings'
import { ruleOf } from '../house/limits'
import { type Limit, limitOf } from '../house/makerLimits'
import { oilOverMouth } from '../pickup/slosh'
import type { Verdict } from '../quantity/verdict'
import { length, MM } from './drafts'
import { reading, valueOf } from './reading'
import type { Sheet } from '../record/schema'
import type { Sourced } from '../record/sourced'

const wet = ({ drySump }: Sheet['layout']) => !drySump

/** Where the pickup stands in the sump. */
export const sump = {
  depth: reading(
    'pickup',
    'pickup.sumpDepth',
    'Sump depth from the rail',
    length(160 * MM, 0, [40 * MM, 500 * MM], { wanted: true, sigma: 0.5 * MM, minutes: 2 }),
    wet,
  ),
  gasket: reading(
    'pickup',
    'pickup.gasket',
    'Rail gasket, pressed, where the depth was taken without it',
    { ...length(0, 0, [0, 6 * MM], { sigma: 0.1 * MM, minutes: 2 }), fallbackSigma: 0 },
    wet,
  ),
  protrusion: reading(
    'pickup',
    'pickup.protrusion',
    'Pickup below the rail',
    length(150 * MM, 0.015, [20 * MM, 495 * MM], { wanted: true, sigma: 0.5 * MM, minutes: 6 }),
    wet,
  ),
}

/** Floor clearance under the pickup: sump depth and gasket less protrusion, m; with a dry sump its tank's outlet stands free. */
export function floorClearance(sheet: Sheet): Sourced {
  if (sheet.layout.drySump) return { value: 0.1, sigma: 0, source: 'computed' }
  const depth = valueOf(sheet, sump.depth)
  const protrusion = valueOf(sheet, sump.protrusion)
  const gasket = valueOf(sheet, sump.gasket)
  const source = depth.source === 'measured' && protrusion.source === 'measured' ? 'measured' : 'layout'
  if (source === 'layout') return { value: 0.01, sigma: 0.0025, source }
  return {
    value: depth.value + gasket.value - protrusion.value,
    sigma: Math.hypot(depth.sigma, gasket.sigma, protrusion.sigma),
    source,
  }
}

/** Share of a drawn vacuum that may be gone after a minute. */
export const VACUUM_LOST = 0.1

/** Verdict of the vacuum held on the pickup's tube; undefined until both readings are there. */
export function airTestVerdict(sheet: Sheet): Verdict | undefined {
  const [drawn, after] = ['pickup.vacuum', 'pickup.vacuumAfter'].map((key) => sheet.readings[key]?.value)
  if (drawn === undefined || after === undefined) return undefined
  return after < (1 - VACUUM_LOST) * drawn ? 'stop' : 'pass'
}

/** Scavenge stage over pressure stage of a dry sump; undefined until the former is known. */
export function scavengeRatio(sheet: Sheet): number | undefined {
  const scavenge = sheet.layout.drySump ? sheet.readings['pickup.scavenge']?.value : undefined
  return scavenge === undefined ? undefined : scavenge / pumpDisplacement(sheet).value
}

export function scavengeVerdict(sheet: Sheet): Verdict | undefined {
  const ratio = scavengeRatio(sheet)
  return ratio === undefined ? undefined : ratio < ruleOf(sheet, 'pickup.scavenge') ? 'stop' : 'pass'
}

export interface SloshOutlook {
  /** Tilt that the use asks for, rad. */
  tilt: number
  /** Oil left over the mouth, m, and what the house wants of it. */
  cover: number
  least: number
  verdict: Verdict
}

/** What is left over the pickup's mouth with the surface tilted as the use asks; undefined until oil depth and offset are known. */
export function sloshOf(sheet: Sheet): SloshOutlook | undefined {
  const of = (key: string) => sheet.readings[`pickup.${key}`]?.value
  const [oilDepth, offset] = [of('oilDepth'), of('offset')]
  if (sheet.layout.drySump || oilDepth === undefined || offset === undefined) return undefined
  const tilt = ruleOf(sheet, `tilt.${sheet.use}`)
  const cover = oilOverMouth({
    oilDepth,
    offset,
    floor: floorClearance(sheet).value,
    sumpLength: of('sumpLength'),
    tilt,
  })
  const least = ruleOf(sheet, 'pickup.cover')
  return { tilt, cover, least, verdict: cover <= 0 ? 'stop' : cover < least ? 'watch' : 'pass' }
}

export interface OilFill {
  /** Into the sump before priming: all of it, less what goes in with a filled filter, m³. */
  whole: number
  dryFilter: number
  filledFilter: number
  /** How high the whole fill stands over the floor with the passages empty, m; undefined without the floor's sizes. */
  depth?: number
}

/** Oil for priming by capacity; undefined until that is known. */
export function oilFill(sheet: Sheet): OilFill | undefined {
  const of = (key: string) => sheet.readings[`pickup.${key}`]?.value
  const capacity = of('capacity')
  if (capacity === undefined) return undefined
  const [length, width] = [of('sumpLength'), of('sumpWidth')]
  return {
    whole: capacity,
    dryFilter: capacity,
    filledFilter: capacity - (of('filterVolume') ?? 0),
    ...(length && width ? { depth: capacity / (length * width) } : {}),
  }
}

/** Limits of the pickup's height over the floor, m, and whose they are. */
export const floorLimits = (sheet: Sheet): { least: Limit; most: Limit } => ({
  least: limitOf(sheet, 'pickup.floorLeast'),
  most: limitOf(sheet, 'pickup.floorMost'),
})

/** Verdict of the floor clearance; undefined until both of its sides are measured. A maker's limit is a stop, the house's at half and double. */
export function floorVerdict(sheet: Sheet): Verdict | undefined {
  const floor = floorClearance(sheet)
  if (floor.source !== 'measured') return undefined
  const { least, most } = floorLimits(sheet)
  const [stopUnder, stopOver] = [
    least.source === 'maker' ? least.value : 0.5 * least.value,
    most.source === 'maker' ? most.value : 2 * most.value,
  ]
  if (floor.value < stopUnder || floor.value > stopOver || floor.value <= 0.5 * least.value) return 'stop'
  return floor.value < least.value || floor.value > most.value ? 'watch' : 'pass'
}
