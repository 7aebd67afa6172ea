import type { Input } from './input'
import type { Uncertain } from '../bearing/clearance'
import { oilGrade } from '../oil/grades'
import { oilAt, oilFrom } from '../oil/oil'
import { oilOf } from '../record/oil'
import { slipConductance } from '../pump/slip'
import { airReading, type DeadHead, deadHeadReading, type SpringUpdate, updateSpring } from '../relief/bench'
import { rateFromHeights, rateFromWire } from '../relief/spring'
import { freeLengthFor, openingPressure, plungerArea, type ReliefValve, shimEffect } from '../relief/valve'
import { pumpDisplacement, pumpGaps } from './pump'
import {
  risesBetweenHeights,
  type ValveField,
  type ValveName,
  valveSourced,
  valveQuantity,
  valveValue,
} from './reliefReadings'
import type { BenchTest, Sheet } from '../record/schema'
import type { Sourced } from '../record/sourced'

export type { ValveName }

/** How a valve was tried on the bench: air on a fixture, or a pump dead-headed by a drill. */
export type BenchMethod = 'air' | 'dead-head'

/** Spring rate: typed; else from two loads at two heights; else from the wire; else the layout's. */
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
  return typed
}

/** The valve as measured by parts, before any bench test. */
function valveByParts(sheet: Sheet, name: ValveName): ReliefValve {
  const of = (field: ValveField) => valveValue(sheet, name, field).value
  return {
    plungerDiameter: of('plungerDiameter'),
    springRate: springRateOf(sheet, name).value,
    freeLength: of('freeLength'),
    installedLength: of('installedLength'),
    shims: [of('shims')],
    solidLength: valveSourced(sheet, name, 'solidLength')?.value,
    port: { shape: 'round', diameter: of('portDiameter'), overlap: of('overlap') },
  }
}

/** The relief valve as recorded, defaults where not; its spring corrected by the bench where it was tried there. */
export function reliefValve(sheet: Sheet, name: ValveName = 'relief'): ReliefValve {
  const valve = valveByParts(sheet, name)
  const bench = benchOf(sheet, name)
  return bench ? { ...valve, springRate: bench.springRate.value, freeLength: bench.freeLength.value } : valve
}

export interface Bench extends SpringUpdate {
  method: BenchMethod
  reading: number
  /** Opening pressure as it stood on the bench, with what is left uncertain of it, Pa. */
  opening: Uncertain
  /** Length fitted and shims then, m. */
  installed: number
  shims: number
}

/** A line of a valve's bench log, by its key; the reading that is written and not in the log yet has none. */
export type BenchLine = BenchTest & { key?: string }

/** The bench log of a valve, in the order in which it was tried. */
export function benchLog(sheet: Sheet, name: ValveName): BenchLine[] {
  const number = (key = '') => Number(key.split('.')[1])
  const lines: BenchLine[] = Object.entries(sheet.benches ?? {})
    .filter(([key]) => key.startsWith(`${name}.`))
    .map(([key, test]) => ({ key, ...test }))
    .sort((a, b) => number(a.key) - number(b.key))
  const written = writtenTest(sheet, name)
  return written ? [...lines, written] : lines
}

/** The test as it stands in the valve's own readings: written down, or in a file from before there was a log. */
export function writtenTest(sheet: Sheet, name: ValveName): BenchTest | undefined {
  const reading = sheet.readings[`${name}.benchPressure`]
  if (!reading) return undefined
  const parts = valveByParts(sheet, name)
  const of = (field: ValveField) => valveValue(sheet, name, field).value
  const method: BenchMethod = sheet.choices[`${name}.bench`] === 'dead-head' ? 'dead-head' : 'air'
  return {
    method,
    reading: reading.value,
    fitted: true,
    installed: valveSourced(sheet, name, 'benchInstalled')?.value ?? parts.installedLength,
    shims: valveSourced(sheet, name, 'benchShims')?.value ?? parts.shims[0],
    ...(reading.uncertainty === undefined ? {} : { uncertainty: reading.uncertainty }),
    ...(reading.instrument ? { instrument: reading.instrument } : {}),
    ...(reading.by ? { by: reading.by } : {}),
    ...(reading.at ? { at: reading.at } : {}),
    ...(method === 'dead-head'
      ? {
          oil: sheet.choices[`${name}.benchOil`] ?? sheet.oil.grade,
          temperature: of('benchTemperature'),
          speed: of('benchSpeed'),
        }
      : {}),
  }
}

/** The bench log once the spring is another one: its tests were of the one before. */
export function withoutFitted(sheet: Sheet, name: ValveName): Sheet['benches'] {
  return Object.fromEntries(
    Object.entries(sheet.benches ?? {}).map(([key, test]) => [
      key,
      key.startsWith(`${name}.`) ? { ...test, fitted: false } : test,
    ]),
  )
}

/** The test that counts: the last that is marked as the spring stands now; undefined when it was not tried. */
export function benchOf(sheet: Sheet, name: ValveName): Bench | undefined {
  const test = benchLog(sheet, name).findLast(({ fitted }) => fitted)
  return test && benchSays(sheet, name, test)
}

/** What one test says of a valve. */
export function benchSays(sheet: Sheet, name: ValveName, test: BenchTest): Bench {
  const reading = {
    value: test.reading,
    sigma: test.uncertainty ?? valveQuantity(sheet, name, 'benchPressure').sigma,
  }
  const parts = valveByParts(sheet, name)
  const { installed, shims, method } = test
  const valve: ReliefValve = { ...parts, installedLength: installed, shims: [shims] }
  const rate = springRateOf(sheet, name)
  const free = valveValue(sheet, name, 'freeLength')
  // The length fitted adds to what is uncertain of the preload.
  const belief = {
    springRate: rate,
    freeLength: {
      value: free.value,
      sigma: Math.hypot(free.sigma, valveValue(sheet, name, 'installedLength').sigma),
    },
  }
  const rig = method === 'dead-head' ? deadHeadRig(sheet, name, test) : undefined
  const update = updateSpring(valve, belief, reading, (tried) =>
    rig ? deadHeadReading(tried, rig) : airReading(tried),
  )
  const corrected: ReliefValve = { ...valve, springRate: update.springRate.value, freeLength: update.freeLength.value }
  const area = plungerArea(valve.plungerDiameter)
  const byRate = openingPressure(corrected) / corrected.springRate
  const byFree = corrected.springRate / area
  const variance =
    (byRate * update.springRate.sigma) ** 2 +
    (byFree * update.freeLength.sigma) ** 2 +
    2 * byRate * byFree * update.covariance
  return {
    ...update,
    method,
    reading: reading.value,
    opening: { value: openingPressure(corrected), sigma: Math.sqrt(Math.max(variance, 1)) },
    installed,
    shims,
  }
}

/** The drill-driven fixture: this build's pump in the bench's oil. */
export function deadHeadRig(
  sheet: Sheet,
  name: ValveName,
  test: Pick<BenchTest, 'oil' | 'temperature' | 'speed'> = { oil: sheet.choices[`${name}.benchOil`] },
): DeadHead {
  const of = (field: ValveField) => valveValue(sheet, name, field).value
  const grade = oilGrade(test.oil ?? '')
  const oil = oilAt(grade ? oilFrom(grade) : oilOf(sheet), test.temperature ?? of('benchTemperature'))
  return {
    displacement: pumpDisplacement(sheet).value,
    speed: test.speed ?? of('benchSpeed'),
    slipConductance: slipConductance(pumpGaps(sheet), oil.viscosity),
    density: oil.density,
    viscosity: oil.viscosity,
  }
}

/**
 * The uncertain inputs of a valve. By parts each is uncertain for itself; once it was tried on the bench its opening pressure is known as
 * a whole, and plunger, free length and length fitted have no more to say of it.
 */
export function reliefInputs(sheet: Sheet, name: ValveName): Input<ReliefValve>[] {
  const one = (
    field: ValveField,
    put: Input<ReliefValve>['put'],
    held = valveValue(sheet, name, field),
  ): Input<ReliefValve> => {
    const { key, label, station } = valveQuantity(sheet, name, field)
    return { key, label, station, source: held.source, value: held.value, sigma: held.sigma, put }
  }
  const common = [
    one('shims', (valve, x) => void (valve.shims[0] = x)),
    one('portDiameter', ({ port }, x) => {
      if (port.shape === 'round') port.diameter = x
    }),
    one('overlap', ({ port }, x) => void (port.overlap = Math.max(0, x))),
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
  const settle = (valve: ReliefValve) => {
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
