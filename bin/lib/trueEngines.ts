/**
 * Engines as they truly could be, and what a builder's instruments make of them: drawn around what a record and the layout's defaults say, by the sheet's quantities
 * and figures written here, not by the model's own list of inputs.
 */
import { quantitiesOf } from '../../core/engine/catalogue'
import { oilAt } from '../../core/oil/oil'
import { type Model, modelOf } from '../../core/outlook/model'
import type { Running } from '../../core/engine/engine'
import { bearingsOf } from '../../core/parts/clearances'
import { normal, type Random } from '../../core/random/random'
import type { Reading, Sheet } from '../../core/record/schema'

/** What is drawn of one thing by its name, in its standard deviations. */
export type Drawn = (what: string) => number

export const cut = (random: Random) => Math.max(-3, Math.min(3, normal(random)))
const SIDE = /^(main|rod)\.\d+\.(journal|bore|housing|wall|clearance)/

/** A true engine: what is on record is what it is, what nobody recorded lies around the layout's defaults, and bearings assumed together are off together. */
export function trueSheet(sheet: Sheet, drawn: Drawn): Sheet {
  const truth = structuredClone(sheet)
  const put = (key: string, value: number) => (truth.readings[key] = { value, source: 'measured' })
  for (const { key, fallback, fallbackSigma } of quantitiesOf(sheet.layout))
    if (!(key in sheet.readings) && fallback !== undefined && fallbackSigma && !(key === 'pump.displacement'))
      put(
        key,
        fallback > 0
          ? Math.max(0.05 * fallback, fallback + drawn(key) * fallbackSigma)
          : Math.abs(drawn(key)) * fallbackSigma,
      )
  for (const set of ['main', 'rod'] as const) {
    const off = drawn(`${set} assumed`)
    for (const { number, clearance, journal } of bearingsOf(sheet, set))
      if (clearance.source !== 'measured' && !journal)
        put(`${set}.${number}.clearance`, Math.max(8e-6, clearance.value + off * clearance.sigma))
  }
  return truth
}

/** What a builder's instruments make of a true engine: the same sheet with every reading off by its instrument's zero and its own scatter. */
export function readSheet(sheet: Sheet, random: Random, zero?: Drawn): Sheet {
  const read = structuredClone(sheet)
  const zeros = new Map<string, number>()
  const zeroOf = (name: string) => {
    if (!zeros.has(name)) zeros.set(name, zero ? zero(name) : cut(random))
    return zeros.get(name)!
  }
  const sigmas = new Map(quantitiesOf(sheet.layout).map(({ key, sigma }) => [key, sigma]))
  for (const [key, reading] of Object.entries(read.readings) as [string, Reading][]) {
    const sigma = reading.uncertainty ?? sigmas.get(key) ?? 0
    const side = SIDE.exec(key)?.[2]
    const error = side
      ? Math.SQRT1_2 * (zeroOf(reading.instrument ?? (side === 'housing' ? 'bore' : side)) + cut(random))
      : cut(random)
    if (reading.source !== 'planned' && !key.startsWith('brief.') && !key.startsWith('start.'))
      reading.value = reading.value > 0 ? Math.max(0.05 * reading.value, reading.value + error * sigma) : reading.value
  }
  return read
}

/** Gauge of the true engine at each moment, Pa: its oil, its holes and its films as they happen to be. */
export function trueGauges(truth: Sheet, moments: Running[], drawn: Drawn): number[] {
  const model: Model = modelOf(truth)
  const { values } = model
  values.model.viscosity = 1 + 0.06 * drawn('oil')
  values.model.discharge = 0.65 + 0.04 * drawn('discharge')
  values.model.leakage = 1 + 0.1 * drawn('leakage')
  values.model.heat = 0.7 + 0.1 * drawn('heat')
  values.model.highShear = Math.max(model.oil.highShearLeast, 1 + model.oil.highShearSpread * drawn('high shear'))
  // A displacement by geometry is out by two percent; one by the layout's typical pump by fifteen.
  const assumed = model.inputs.find(({ key }) => key === 'pump.displacement')!
  if (!('pump.displacement' in truth.readings))
    values.pump.displacement *= 1 + (assumed.sigma / assumed.value) * drawn('pump.displacement')
  return moments.map((moment) => model.engine.gauge(values, moment, oilAt(model.oil, moment.temperature), 1e-6))
}
