import { ruleOf } from '../house/limits'
import { oilOverMouth } from '../pickup/slosh'
import type { Verdict } from '../quantity/verdict'
import { pumpDisplacement } from './pumpRecord'
import type { Sheet } from '../record/schema'
import { type Held, heldValue } from '../engine/values'

/** Floor clearance under the pickup: sump depth and gasket less protrusion, m; with a dry sump its tank's outlet stands free. */
export function floorClearance(sheet: Sheet): Held {
  if (sheet.layout.drySump) return { value: 0.1, sigma: 0, source: 'computed' }
  const depth = heldValue(sheet, 'pickup.sumpDepth')!
  const protrusion = heldValue(sheet, 'pickup.protrusion')!
  const gasket = heldValue(sheet, 'pickup.gasket')!
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
