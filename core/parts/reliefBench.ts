import { springRateOf, valveByParts } from './reliefSpring'
import { pumpDisplacement, pumpGaps } from './pumpReadings'
import type { Uncertain } from '../bearing/clearance'
import { oilGrade } from '../oil/grades'
import { oilAt, oilFrom } from '../oil/oil'
import { oilOf } from '../record/oil'
import { slipConductance } from '../pump/slip'
import { airReading, type DeadHead, deadHeadReading, type SpringUpdate, updateSpring } from '../relief/bench'
import { openingPressure, plungerArea, type ReliefValve } from '../relief/valve'
import { type ValveField, type ValveName, valveSourced, valveQuantity, valveValue } from './reliefReadings'
import type { BenchTest, Sheet } from '../record/schema'

export type { ValveName }

/** How a valve was tried on the bench: air on a fixture, or a pump dead-headed by a drill. */
export type BenchMethod = 'air' | 'dead-head'

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
