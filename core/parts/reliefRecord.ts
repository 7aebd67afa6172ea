import { benchOf } from './reliefBench'
import { springRateOf, valveByParts } from './reliefSpring'
import type { Input } from './input'
import type { Uncertain } from '../bearing/clearance'
import { freeLengthFor, openingPressure, shimEffect } from '../relief/valve'
import { type FittedValve, type ValveField, type ValveName, valveQuantity, valveValue } from './reliefReadings'
import type { Sheet } from '../record/schema'

export type { ValveName }

/** The relief valve as recorded, defaults where not; its spring corrected by the bench where it was tried there. */
export function reliefValve(sheet: Sheet, name: ValveName = 'relief'): FittedValve {
  const valve = valveByParts(sheet, name)
  const bench = benchOf(sheet, name)
  return bench ? { ...valve, springRate: bench.springRate.value, freeLength: bench.freeLength.value } : valve
}

/**
 * The uncertain inputs of a valve. By parts each is uncertain for itself; once it was tried on the bench its opening pressure is known as
 * a whole, and plunger, free length and length fitted have no more to say of it.
 */
export function reliefInputs(sheet: Sheet, name: ValveName): Input<FittedValve>[] {
  const one = (
    field: ValveField,
    put: Input<FittedValve>['put'],
    held = valveValue(sheet, name, field),
  ): Input<FittedValve> => {
    const { key, label, station } = valveQuantity(sheet, name, field)
    return { key, label, station, source: held.source, value: held.value, sigma: held.sigma, put }
  }
  const common = [
    one('shims', (valve, x) => void (valve.shims[0] = x)),
    one('portDiameter', ({ port }, x) => {
      if (port.shape === 'round') port.diameter = x
    }),
    one('overlap', ({ port }, x) => void (port.overlap = Math.max(0, x))),
    one('returnLength', (valve, x) => void (valve.returnLength = x)),
    one('returnBore', (valve, x) => void (valve.returnBore = x)),
  ]
  const bench = benchOf(sheet, name)
  if (!bench) {
    return [
      one('plungerDiameter', (valve, x) => void (valve.plungerDiameter = x)),
      one('springRate', (valve, x) => void (valve.springRate = x), springRateOf(sheet, name)),
      one('freeLength', (valve, x) => void (valve.freeLength = x)),
      one('installedLength', (valve, x) => void (valve.installedLength = x)),
      ...common,
    ]
  }
  const now = { rate: bench.springRate.value, opening: bench.opening.value }
  const settle = (valve: FittedValve) => {
    valve.springRate = now.rate
    valve.freeLength = freeLengthFor({ ...valve, installedLength: bench.installed, shims: [bench.shims] }, now.opening)
  }
  const { label, station, key } = valveQuantity(sheet, name, 'benchPressure')
  return [
    one(
      'springRate',
      (valve, x) => {
        now.rate = x
        settle(valve)
      },
      { ...bench.springRate, source: springRateOf(sheet, name).source },
    ),
    {
      key,
      label,
      station,
      source: 'measured',
      ...bench.opening,
      put: (valve, x) => {
        now.opening = x
        settle(valve)
      },
    },
    ...common,
  ]
}

/** Opening pressure as the valve stands, with its standard uncertainty, Pa: by the bench where it was tried there, else by its parts. */
export function openingOf(sheet: Sheet, name: ValveName): Uncertain {
  const valve = reliefValve(sheet, name)
  const bench = benchOf(sheet, name)
  const sigma = (field: ValveField) => valveValue(sheet, name, field).sigma
  const value = openingPressure(valve)
  // Only what was shimmed or moved since the bench adds to what the bench left open.
  const moved =
    bench && (Math.abs(valve.shims[0] - bench.shims) > 1e-6 || Math.abs(valve.installedLength - bench.installed) > 1e-6)
  if (bench) return { value, sigma: Math.hypot(bench.opening.sigma, moved ? shimEffect(valve, sigma('shims')) : 0) }
  const parts = [
    (springRateOf(sheet, name).sigma / valve.springRate) * value,
    ...(['freeLength', 'installedLength', 'shims'] as const).map((field) => shimEffect(valve, sigma(field))),
    (2 * sigma('plungerDiameter') * value) / valve.plungerDiameter,
  ]
  return { value, sigma: Math.hypot(...parts) }
}
