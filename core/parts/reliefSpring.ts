import { rateFromHeights, rateFromWire } from '../relief/spring'
import type { FittedValve } from './reliefReadings'
import { risesBetweenHeights, type ValveField, type ValveName, valveSourced, valveValue } from './reliefReadings'
import type { Sheet } from '../record/schema'
import type { Sourced } from '../record/sourced'

export type { ValveName }

/** How far a seller's word may be out, as a share of what he says and of the spring before. */
const WORD = { share: 0.5, before: 0.05 }

/** Spring rate: typed; else from two loads at two heights; else from the wire; else by its seller's word, wide and assumed; else the layout's. */
export function springRateOf(sheet: Sheet, name: ValveName): Sourced {
  const typed = valveValue(sheet, name, 'springRate')
  if (typed.source !== 'layout') return typed
  const of = (field: ValveField) => valveSourced(sheet, name, field)
  const [h1, f1, h2, f2] = (['height1', 'load1', 'height2', 'load2'] as const).map(of)
  if (h1 && f1 && h2 && f2 && risesBetweenHeights(sheet.readings, name)) {
    const value = rateFromHeights({ height: h1.value, load: f1.value }, { height: h2.value, load: f2.value })
    const share = Math.hypot(
      Math.hypot(f1.sigma, f2.sigma) / (f2.value - f1.value),
      Math.hypot(h1.sigma, h2.sigma) / (h1.value - h2.value),
    )
    return { value, sigma: Math.abs(value * share), source: 'computed' }
  }
  const [wire, coil, coils] = (['wire', 'coilDiameter', 'coils'] as const).map(of)
  if (wire && coil && coils) {
    const value = rateFromWire(wire.value, coil.value, coils.value)
    return {
      value,
      sigma:
        value * Math.hypot((4 * wire.sigma) / wire.value, (3 * coil.sigma) / coil.value, coils.sigma / coils.value),
      source: 'computed',
    }
  }
  const said = of('saidStiffer')?.value
  if (said === undefined) return typed
  const before = of('rateBefore') ?? typed
  return {
    value: before.value * (1 + said),
    sigma: Math.hypot(before.sigma * (1 + said), before.value * WORD.share * said, before.value * WORD.before),
    source: 'layout',
  }
}

/** The valve as measured by parts, before any bench test. */
export function valveByParts(sheet: Sheet, name: ValveName): FittedValve {
  const of = (field: ValveField) => valveValue(sheet, name, field).value
  return {
    plungerDiameter: of('plungerDiameter'),
    springRate: springRateOf(sheet, name).value,
    freeLength: of('freeLength'),
    installedLength: of('installedLength'),
    shims: [of('shims')],
    solidLength: valveSourced(sheet, name, 'solidLength')?.value,
    port: { shape: 'round', diameter: of('portDiameter'), overlap: of('overlap') },
    returnLength: of('returnLength'),
    returnBore: of('returnBore'),
  }
}
