import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { ruleOf } from '../house/limits'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { slipConductance } from '../pump/slip'
import { prepareFilling } from './filling'
import { preparePriming, type PrimeModel } from './run'
import { type PrimeSetUp, primeSetUpOf } from './setUp'

const GRAVITY = 9.80665
const HOUR = 3600
/** What an anti-drain valve that holds still lets back, m³/(s·Pa): 5 mL in a day under 1 kPa. */
const SEEP = 5.8e-14
/** Nodes up to the filter, which run back through the pump; of what lies after it the bearings' own film stays by capillarity, and the rest runs out. */
const BEFORE_FILTER = ['filter can', 'cooler outlet', 'pump outlet', 'pump inlet']
const drains = (node: string) => !BEFORE_FILTER.includes(node)

/**
 * How full each node is after an engine has stood primed, by its name.
 *
 * What lies after the filter runs out through the bearings, under the gallery's height, each film with the conductance of a journal on its shell. What
 * lies before it runs back through the pump's gaps under the height of the filter and the pump, as fast as air is let in past the anti-drain
 * valve: that valve's seep where it holds, the gaps alone where there is none. The filter empties first, then the tube.
 */
export function filledAfter(model: PrimeModel, seconds: number, setUp: PrimeSetUp): Record<string, number> {
  const { filling } = preparePriming(model, { ...setUp, method: 'drill', filter: 'dry' })
  const { sheet, values } = model
  const oil = oilAt(model.oil, setUp.temperature)
  filling.advance(1e-3, { pump: 0, crank: 0 })
  const { network } = filling.engine.circuit
  filling.engine.set(values, { speed: 0, pumpSpeed: 0, temperature: setUp.temperature, meanPressure: 0 }, oil)
  const films = network.elements.reduce(
    (sum, element) =>
      element.kind === 'bearing'
        ? sum + element.conductance + (element.groove?.fed.reduce((all, each) => all + Math.max(0, each), 0) ?? 0)
        : sum,
    0,
  )
  const stroke = values.crank.stroke / 0.09
  const fallOf = (height: number) => oil.density * GRAVITY * height
  const rooms = new Map(filling.nodes.map((node, i) => [node, filling.room[i]]))
  const sum = (test: (node: string) => boolean) =>
    filling.nodes.filter(test).reduce((all, node) => all + rooms.get(node)!, 0)

  // The head falls with the level, so what is left falls as 1 / e.
  const after = sum(drains)
  const galleries = Math.exp((-films * fallOf(0.06 * stroke) * seconds) / after)
  const slip = slipConductance(values.pump, oil.viscosity)
  const back = sheet.layout.filter && setUp.antiDrain ? 1 / (1 / slip + 1 / SEEP) : slip
  let gone = back * fallOf(Math.max(0.05, values.pickup.lift) + 0.05 * stroke) * seconds
  const drained: Record<string, number> = Object.fromEntries(
    filling.nodes.map((node) => [node, drains(node) ? galleries : 1]),
  )
  // A dry sump's tank stands over the pump and keeps it full.
  if (values.pickup.lift < 0) gone = 0
  for (const node of BEFORE_FILTER) {
    const holds = rooms.get(node)
    if (holds === undefined) continue
    const left = Math.max(0, holds - gone)
    gone = Math.max(0, gone - holds)
    drained[node] = left / holds
  }
  return drained
}

/** Seconds until the gauge holds a third of what it will, when the engine fires after standing; Infinity when it never does in 30 s. */
export function timeToPressureAfter(model: PrimeModel, seconds: number, setUp: PrimeSetUp): number {
  const { sheet, values } = model
  const speed = requireValue(sheet, 'brief.coldIdleSpeed').value
  const filling = prepareFilling({
    layout: sheet.layout,
    values,
    oil: oilAt(model.oil, setUp.temperature),
    temperature: setUp.temperature,
    packing: 'wet',
    filter: 1,
    antiDrain: setUp.antiDrain,
    filterVolume: setUp.filterVolume,
    filled: filledAfter(model, seconds, setUp),
  })
  const settles = 30e3
  while (filling.time < 30) {
    filling.advance(0.25, { pump: speed * values.pump.driveRatio, crank: speed })
    if (filling.gauge >= settles) return filling.time
  }
  return Infinity
}

export interface PrimeClock {
  /** Seconds that a prime is good for. */
  good: number
  /** What ends it. */
  because: 'late-pressure' | 'drained' | 'house'
}

/** Share of the gallery's oil below which bearings count as started dry. */
const DRAINED = 0.25

/**
 * How long a prime is good for: until, by the model, three quarters of the gallery's oil have run out through the bearings or the gauge would
 * come later than the house's deadline, and no longer than the house has it in any case.
 */
export function primeClock(sheet: Sheet): PrimeClock {
  const model = modelOf(filledFor(sheet, 'start'))
  const setUp = primeSetUpOf(sheet)
  const most = ruleOf(sheet, 'prime.goodFor')
  const deadline = ruleOf(sheet, 'start.deadline')
  const drained = (seconds: number) => filledAfter(model, seconds, setUp)[`gallery 1`] < DRAINED
  const late = (seconds: number) => drained(seconds) || timeToPressureAfter(model, seconds, setUp) > deadline
  if (!late(most)) return { good: most, because: 'house' }
  let low = 0
  let high = most
  for (let i = 0; i < 12 && high - low > 0.25 * HOUR; i++) {
    const middle = 0.5 * (low + high)
    if (late(middle)) high = middle
    else low = middle
  }
  return { good: low, because: drained(high) ? 'drained' : 'late-pressure' }
}
