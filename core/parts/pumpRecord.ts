import { gearDisplacement } from '../pump/displacement'
import type { PumpGaps } from '../pump/slip'
import type { Sheet } from '../record/schema'
import { type Held, requireValue } from '../engine/values'

/** Displacement: typed, or from the gears' geometry when all of it is recorded, or the layout's. */
export function pumpDisplacement(sheet: Sheet): Held {
  const held = requireValue(sheet, 'pump.displacement')
  if (held.source !== 'layout' || sheet.layout.pumpKind !== 'gear') return held
  const [outside, centres, length] = ['pump.rotorDiameter', 'pump.centres', 'pump.rotorLength'].map(
    (key) => sheet.readings[key]?.value,
  )
  if (outside === undefined || centres === undefined || length === undefined || centres >= outside) return held
  const value = gearDisplacement(outside, centres, length)
  return { value, sigma: 0.02 * value, source: 'computed' }
}

/** End clearance as it runs: what was measured, and the cover's gasket where it was not under it. */
export function endClearance(sheet: Sheet): Held {
  const gap = requireValue(sheet, 'pump.endClearance')
  const gasket = requireValue(sheet, 'pump.gasket')
  return gasket.value === 0
    ? gap
    : { value: gap.value + gasket.value, sigma: Math.hypot(gap.sigma, gasket.sigma), source: gap.source }
}

/** The pump's gaps as they run. */
export function pumpGaps(sheet: Sheet): PumpGaps {
  const of = (key: string) => requireValue(sheet, key).value
  return {
    rotorDiameter: of('pump.rotorDiameter'),
    rotorLength: of('pump.rotorLength'),
    endClearance: endClearance(sheet).value,
    tipClearance: of('pump.tipClearance'),
    ...(sheet.layout.pumpKind === 'gerotor' ? { sideClearance: of('pump.sideClearance') } : {}),
  }
}
