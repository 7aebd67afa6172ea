import type { EngineValues } from '../parts/list'
import type { Outlet } from '../parts/part'
import type { Sheet } from '../record/schema'
import { leftOutOf } from '../engine/inspections'
import { type Oil, oilAt } from '../oil/oil'
import { slipConductance } from '../pump/slip'
import { AIR, airPressure, OPEN_TO_AIR } from './air'
import { prepareFilling } from './filling'
import type { Filling, Turning } from './types'
import { outletsOf } from './outlets'
import type { PrimeSetUp } from './setUp'

/** Longest that anybody turns a pump in hope, s of turning; a stalled circuit is given up after this long of it without a drop, s. */
const LONGEST = 300
const PATIENCE = 15
/** A drop: what still counts as filling, m³. */
const DROP = 0.3e-6
/** Step of what is written down, s. */
const STEP = 0.5
/** Gauge pressure at which a circuit counts as holding, Pa. */
const HOLDS = 20e3
/** Oil let run at the open pad before the filter goes on, s. */
export const AT_PAD = 2

/** What the model needs of an engine to prime it. */
export interface PrimeModel {
  sheet: Sheet
  values: EngineValues
  oil: Oil
}

/** Something wrong that priming meets. */
export interface PrimeFault {
  /** Diameter of a hole that draws air at the pickup, m. */
  airLeak?: number
  /** Passages left out, by key, beside those that the sheet knows of. */
  leftOut?: string[]
}

export interface PrimeMoment {
  /** s of turning so far: the rests between bursts are none of it. */
  time: number
  /** Pa */
  gauge: number
  turning: boolean
  /** Oil in each room over what it holds, in the order of `nodes`. */
  full: number[]
}

export type Stall = 'not-turning' | 'cannot-draw' | 'cannot-push' | 'draws-air' | 'tank-empty' | 'no-hold' | 'slow'

export interface PrimeRun {
  setUp: PrimeSetUp
  primed: boolean
  /** Seconds of turning until oil runs before the filter, stands at the gauge, and the gauge reads nine tenths of where it settles. */
  timeToPad?: number
  timeToGauge?: number
  timeToPressure?: number
  outlets: (Outlet & { time?: number })[]
  /** s of rest between the starter's bursts, beside the turning. */
  rested: number
  /** Where the gauge settles, or stood when it was given up, Pa. */
  pressure: number
  /** Oil that filled the passages, and that ran out at the pad, m³. */
  used: number
  spilled: number
  reason?: Stall
  nodes: string[]
  moments: PrimeMoment[]
}

/** A way of priming made ready to be marched: its circuit and what turns when. */
export interface Priming {
  filling: Filling
  /** By the clock, rests between bursts among it. */
  turningAt: (seconds: number) => Turning
  /** While somebody holds the switch. */
  turning: (on: boolean) => Turning
}

export function preparePriming({ sheet, values, oil }: PrimeModel, setUp: PrimeSetUp, fault: PrimeFault = {}): Priming {
  const filled: Record<string, number> = {}
  let packing = setUp.packing
  if (setUp.method === 'hand' && setUp.port === 'pump') {
    filled['pump inlet'] = 1
    if (packing === 'dry') packing = 'oil'
  }
  // Into the pad until it drips: what lies between pump and pad is full, and the rotors are wetted from there.
  if (setUp.method === 'hand' && setUp.port === 'pad') {
    for (const node of ['pump outlet', 'cooler outlet']) filled[node] = 1
    if (packing === 'dry') packing = 'oil'
  }
  const filling = prepareFilling({
    layout: sheet.layout,
    values,
    oil: oilAt(oil, setUp.temperature),
    temperature: setUp.temperature,
    leftOut: [...leftOutOf(sheet), ...(fault.leftOut ?? [])],
    packing,
    filter: setUp.filter === 'off' && sheet.layout.filter ? 'off' : setUp.filter === 'filled' ? 1 : 0,
    antiDrain: setUp.antiDrain,
    filterVolume: setUp.filterVolume,
    airLeak: fault.airLeak,
    filled,
    ...(setUp.method === 'tank'
      ? { tank: { port: setUp.port, pressure: setUp.tankPressure, volume: setUp.tankVolume } }
      : {}),
    // By hand oil runs in under its own weight: a funnel half a metre over the port.
    ...(setUp.method === 'hand' && setUp.port === 'gauge'
      ? { tank: { port: 'gauge' as const, pressure: 4e3, volume: setUp.poured } }
      : {}),
  })
  const turning = (on: boolean): Turning =>
    setUp.method === 'drill'
      ? { pump: on ? setUp.drillSpeed : 0, crank: 0 }
      : setUp.method === 'tank'
        ? { pump: 0, crank: 0 }
        : { pump: on ? setUp.crankSpeed * values.pump.driveRatio : 0, crank: on ? setUp.crankSpeed : 0 }
  return { filling, turning, turningAt: (seconds) => turning(switchedOn(setUp, seconds)) }
}

/** Whether the switch is held, by the clock: a starter rests between its bursts; a drill and a tank go on. */
function switchedOn({ method, burst, rest }: PrimeSetUp, seconds: number): boolean {
  return method === 'drill' || method === 'tank' || seconds % (burst + rest) < burst
}

/**
 * Primes an engine by the model, from dry to full or to where it stalls, and says when oil is where.
 *
 * The pad's oil is let run for two seconds, then the filter goes on dry.
 */
export function primeRun(model: PrimeModel, setUp: PrimeSetUp, fault: PrimeFault = {}, longest = LONGEST): PrimeRun {
  const { filling, turningAt } = preparePriming(model, setUp, fault)
  const outlets: (Outlet & { time?: number })[] = outletsOf(model.sheet.layout)
  const place = new Map(filling.nodes.map((node, i) => [node, i]))
  const full = (node: string) => filling.flooded[place.get(node)!] === 1
  const moments: PrimeMoment[] = []
  const at: { pad?: number; gauge?: number } = {}
  let turned = 0
  let rested = 0
  let last = { held: 0, turned: 0 }
  const everything = () =>
    filling.flooded.every((each) => each === 1) || outlets.every(({ time }) => time !== undefined)
  const note = (on: boolean) =>
    moments.push({
      time: turned,
      gauge: filling.gauge,
      turning: on,
      full: [...filling.oil].map((oil, i) => Math.min(1, oil / filling.room[i])),
    })
  note(false)
  let since: number | undefined
  while (turned < longest) {
    const on = switchedOn(setUp, filling.time + 1e-6)
    filling.advance(STEP, turningAt(filling.time + 1e-6))
    if (on) turned += STEP
    else rested += STEP
    if (at.pad === undefined && setUp.method !== 'tank' && full(filling.before)) at.pad = turned
    if (setUp.filter === 'off' && at.pad !== undefined && turned >= at.pad + AT_PAD) filling.fitFilter(0)
    if (at.gauge === undefined && full(filling.engine.plan.gauge)) at.gauge = turned
    for (const outlet of outlets) if (outlet.time === undefined && full(outlet.node)) outlet.time = turned
    note(on)
    const held = filling.oil.reduce((sum, each) => sum + each, 0) + filling.spilled
    if (held - last.held > DROP) last = { held, turned }
    if (everything() && at.gauge !== undefined) since ??= turned
    if (since !== undefined && turned - since > 6 && steady(moments)) break
    if (turned - last.turned > PATIENCE && since === undefined) break
  }
  const pressure = settled(moments)
  const primed = since !== undefined && pressure > HOLDS
  const reached = moments.find(({ gauge }) => gauge >= 0.9 * pressure)
  return {
    setUp,
    primed,
    outlets,
    rested,
    pressure,
    nodes: filling.nodes,
    moments,
    used: filling.oil.reduce((sum, each) => sum + each, 0),
    spilled: filling.spilled,
    timeToPad: at.pad,
    timeToGauge: at.gauge,
    timeToPressure: primed ? reached?.time : undefined,
    ...(primed
      ? {}
      : {
          reason:
            since !== undefined || full(filling.engine.plan.gauge) ? 'no-hold' : whyStalled(model, setUp, fault, full),
        }),
  }
}

/** Whether the gauge has stood within 2 percent for three seconds of turning, whatever rests lie between. */
function steady(moments: PrimeMoment[]): boolean {
  const last = moments.filter(({ turning }) => turning).slice(-6)
  const gauges = last.map(({ gauge }) => gauge)
  return Math.max(...gauges) - Math.min(...gauges) < 0.02 * Math.max(...gauges, 1)
}

function settled(moments: PrimeMoment[]): number {
  const turning = moments.filter((moment) => moment.turning).slice(-4)
  return turning.length === 0 ? 0 : turning.reduce((sum, { gauge }) => sum + gauge, 0) / turning.length
}

/** What held the oil back, by what the pump could do with air against what was asked of it. */
function whyStalled(
  { values, oil }: PrimeModel,
  setUp: PrimeSetUp,
  fault: PrimeFault,
  full: (node: string) => boolean,
): Stall {
  if (setUp.method === 'tank') return 'tank-empty'
  if (fault.airLeak) return 'draws-air'
  const speed = setUp.method === 'drill' ? setUp.drillSpeed : setUp.crankSpeed * values.pump.driveRatio
  if (speed <= 0) return 'not-turning'
  if (full('pump inlet') && full('pump outlet')) return 'slow'
  const could = airPressure(
    values.pump.displacement,
    speed,
    slipConductance(values.pump, AIR.viscosity) * OPEN_TO_AIR[setUp.packing],
  )
  return could < oilAt(oil, setUp.temperature).density * 9.80665 * Math.max(0, values.pickup.lift)
    ? 'cannot-draw'
    : 'cannot-push'
}
