import { elementOf } from '../parts/circuitBuilder'
import { prepareEngine } from '../engine/engine'
import type { ElementSpec } from '../circuit/types'
import { slipConductance } from '../pump/slip'
import { AIR, ATMOSPHERE, OPEN_TO_AIR } from './air'
import { prepareAllotment } from './allotment'
import { setForFluid, CLEAR, type Plain, plainOf } from './mixture'
import { extendForPriming, hoseConductance, type PrimePlan, WIDE } from './circuit'
import type { Filling, FillingSetUp, Turning } from './types'
import { heightOf, roomOf } from './volumes'

const GRAVITY = 9.80665
/** Longest step, s, and the shortest one that a filling node is waited for. */
const LONGEST = 0.25
const SHORTEST = 2e-3
/** Flow below which a node counts as at rest, m³/s: four drops an hour. */
const AT_REST = 1e-10
/** Elasticity of oil with its passage, 1/Pa. */
const SOFTNESS = 1e-9
/** Share of its room at which a node counts as full, and as empty again. */
const FULL = 0.999
const EMPTY = 0.5
/** How firmly a full node with air passing through keeps its level. */
const RIGHTING = 5

/**
 * The filling of a circuit, marched in time. Every node is a room that holds oil and air; every way carries what its
 * upstream node lets go: air until that is full, then oil, with that fluid's viscosity, density and weight. Air is a spring
 * (isothermal, C = V / p), entered in the balance of its node by implicit Euler, so that any step is stable; a step ends where
 * a node fills. Oil is moved from node to node, never made: what was drawn is what is held, spilled and gone back.
 *
 * The pump's gaps slip by their law with the viscosity of air, cut down by how it is wetted or packed (`OPEN_TO_AIR`), until oil runs through.
 * The filling itself is Uldo's own lumped model; pipes, holes and films are the circuit's.
 */
export function prepareFilling(setUp: FillingSetUp): Filling {
  const { layout, leftOut = [], antiDrain = true } = setUp
  let { values, oil, temperature } = setUp
  let extended: PrimePlan | undefined
  const engine = prepareEngine(
    layout,
    leftOut,
    (plan) => (extended = extendForPriming(plan, setUp.tank?.port ?? 'gauge', antiDrain, layout.filter)),
    AT_REST,
  )
  const plan = extended!
  const [pump, suction, filter] = [
    elementOf(engine.plan, 'pump', 'pump'),
    elementOf(engine.plan, 'pickup', 'pipe'),
    elementOf(engine.plan, 'filter', 'linear'),
  ]
  const { circuit } = engine
  const { network, pressures, flows } = circuit
  const nodes = plan.stores.map(({ node }) => node)
  const placeOf = new Map(nodes.map((node, i) => [node, i]))
  const room = Float64Array.from(nodes, (node) => Math.max(1e-7, roomOf(node, engine.plan, values, setUp.filterVolume)))
  const height = Float64Array.from(nodes, (node) => heightOf(node, engine.plan, values))
  const share = (node: string) =>
    setUp.filled?.[node] ?? (node === 'filter can' && setUp.filter !== 'off' ? setUp.filter : 0)
  const held = Float64Array.from(nodes, (node, i) => share(node) * room[i])
  const flooded = Uint8Array.from(nodes, (_, i) => (held[i] >= FULL * room[i] ? 1 : 0))
  /** Liquid share of what each node lets go. */
  const gives = Float64Array.from(flooded)
  const own = Int32Array.from(nodes, (node) => circuit.indexOf(node))
  const index = Int32Array.from(network.elements, ({ from }) => placeOf.get(from) ?? -1)
  const target = Int32Array.from(network.elements, ({ to }) => placeOf.get(to) ?? -1)
  const stored = new Set<ElementSpec>(plan.stores.map(({ spring }) => spring))
  const moving = network.elements.map((element, e) => ({ element, e })).filter(({ element }) => !stored.has(element))
  const allotment = prepareAllotment(
    moving.map(({ e }) => e),
    index,
    target,
    network.elements.length,
    nodes.length,
  )
  const gaugePlace = circuit.indexOf(engine.plan.gauge)
  const pumpPlace = network.elements.indexOf(pump)
  const inletPlace = placeOf.get('pump inlet')!
  const outletPlace = circuit.indexOf('pump outlet')
  const originals = network.elements.map((element) => ('diameter' in element ? element.diameter : 0))
  const plains = new Array<Plain>(network.elements.length)
  let packing = setUp.packing
  let tankOil = setUp.tank?.volume ?? 0
  let padOpen = setUp.filter === 'off'
  let set: Turning | undefined
  let slip = { oil: 0, air: 0 }

  if (setUp.tank) {
    plan.tank.pressure = setUp.tank.pressure
    plan.hose.conductance = hoseConductance(oil)
  }

  /** Every element as it is with oil in it, at this turning. */
  function setPlain(turning: Turning): void {
    network.elements.forEach((element, e) => {
      if ('diameter' in element) element.diameter = originals[e]
    })
    engine.set(values, { speed: turning.crank, pumpSpeed: turning.pump, temperature, meanPressure: 0 }, oil)
    slip = {
      oil: slipConductance(values.pump, oil.viscosity * values.model.viscosity),
      air: slipConductance(values.pump, AIR.viscosity),
    }
    if (plan.pad) plan.pad.conductance = padOpen ? WIDE : 0
    if (padOpen) filter.conductance = 0
    for (const { element, e } of moving) {
      const [from, to] = [index[e], target[e]]
      plains[e] = plainOf(element, from >= 0 && to >= 0 ? oil.density * GRAVITY * (height[from] - height[to]) : 0)
    }
    set = { ...turning }
  }

  /** Liquid share of what an element carries: its upstream node's; oil from the sump and the tank, air from everything else that is open. */
  function carriedBy(element: ElementSpec, e: number): number {
    const back = flows[e] < 0
    const node = back ? target[e] : index[e]
    if (node >= 0) return gives[node]
    if (element === plan.hose) return tankOil > 0 ? 1 : 0
    return element.id === 'pickup' && !back ? 1 : 0
  }

  /** Gives every element the fluid that it carries now. */
  function setForMixture(): void {
    for (const { element, e } of moving) {
      const liquid = carriedBy(element, e)
      if (element.id === 'pickup') setSuction(e)
      else if (element.kind === 'pump') setPump(liquid)
      else if (element === plan.leak) plan.leak.conductance = leakConductance()
      else if (element !== plan.pad && element !== plan.hose) setForFluid(element, plains[e], liquid, oil)
    }
  }

  /** The pump slips by what is in its gaps; air goes through it at its inlet's volume and comes out at its outlet's. */
  function setPump(liquid: number): void {
    pump.slipConductance = liquid * slip.oil + (1 - liquid) * slip.air * OPEN_TO_AIR[packing]
    const squeezed = (ATMOSPHERE + pressures[own[inletPlace]]) / (ATMOSPHERE + Math.max(0, pressures[outletPlace]))
    pump.displacement = values.pump.displacement * (liquid + (1 - liquid) * (liquid > 0.01 ? Math.min(1, squeezed) : 1))
    if (liquid > CLEAR) packing = 'wet'
  }

  /** The joint's hole as a straight line to where it worked last: C_d A √(2 / (ρ_air Δp)). */
  function leakConductance(): number {
    if (!setUp.airLeak) return 0
    const drawing = Math.max(50, -pressures[own[inletPlace]])
    return 0.65 * 0.25 * Math.PI * setUp.airLeak ** 2 * Math.sqrt(2 / (AIR.density * drawing))
  }

  /** The suction tube stands as full as its node is: that long a column loses and weighs. */
  function setSuction(e: number): void {
    const full = Math.min(1, held[inletPlace] / room[inletPlace])
    suction.length = Math.max(0.02, full) * values.pickup.tubeLength
    suction.diameter = plains[e].diameter
    suction.head = -oil.density * GRAVITY * values.pickup.lift * (values.pickup.lift < 0 ? 1 : full)
  }

  /** One step of at most `most` seconds; the time it took. */
  function step(most: number, turning: Turning): number {
    if (!set || set.pump !== turning.pump || set.crank !== turning.crank) setPlain(turning)
    setForMixture()
    for (let i = 0; i < nodes.length; i++) plan.stores[i].air.pressure = pressures[own[i]]
    let seconds = most
    for (let trial = 0; ; trial++) {
      for (let i = 0; i < nodes.length; i++) {
        const absolute = Math.max(2e3, ATMOSPHERE + plan.stores[i].air.pressure!)
        const air = Math.max(0, room[i] - held[i])
        plan.stores[i].spring.conductance = (air / absolute + SOFTNESS * room[i]) / seconds
      }
      circuit.solve({ density: oil.density, viscosity: oil.viscosity * values.model.viscosity }, 1e-6)
      change()
      let fits = 1
      for (let i = 0; i < nodes.length; i++) {
        if (!flooded[i] && rate[i] > 0) fits = Math.min(fits, (room[i] - held[i]) / (rate[i] * seconds))
        else if (flooded[i] && rate[i] < 0)
          fits = Math.min(fits, Math.max(0, held[i] - 0.9 * EMPTY * room[i]) / (-rate[i] * seconds))
      }
      if (fits >= 0.999 || seconds <= SHORTEST || trial > 3) break
      seconds = Math.max(SHORTEST, fits * seconds)
      for (let i = 0; i < nodes.length; i++) pressures[own[i]] = plan.stores[i].air.pressure!
    }
    settle(seconds)
    return seconds
  }

  const rate = new Float64Array(nodes.length)
  const oilIn = new Float64Array(nodes.length)
  const allIn = new Float64Array(nodes.length)
  /** How fast each node's oil grows, m³/s. */
  function change(): void {
    rate.fill(0)
    oilIn.fill(0)
    allIn.fill(0)
    for (const { element, e } of moving) {
      const flow = Math.abs(flows[e])
      const liquid = flow * carriedBy(element, e)
      const [up, down] = flows[e] >= 0 ? [index[e], target[e]] : [target[e], index[e]]
      if (up >= 0) rate[up] -= liquid
      if (down >= 0) {
        rate[down] += liquid
        oilIn[down] += liquid
        allIn[down] += flow
      }
    }
  }

  /** Enters a step's oil in every node and in the account; nothing gives more than it has. */
  function settle(seconds: number): void {
    const carried = (e: number) => Math.abs(flows[e]) * carriedBy(network.elements[e], e) * seconds
    // The tank gives no more than is left in it.
    const open = (e: number, wanted: number) =>
      network.elements[e] === plan.hose && wanted > 0 ? Math.min(1, tankOil / wanted) : 1
    allotment.allot(flows, carried, held, open)
    for (const { element, e } of moving) {
      const [up, down] = [allotment.upstream(e), allotment.downstream(e)]
      const liquid = allotment.carries(e)
      if (liquid === 0) continue
      if (up >= 0) held[up] -= liquid
      if (down >= 0) held[down] += liquid
      if (element === plan.hose) {
        filling.pushed += flows[e] >= 0 ? liquid : -liquid
        tankOil -= flows[e] >= 0 ? liquid : -liquid
      } else if (element === plan.pad) filling.spilled += liquid
      else if (up < 0) filling.drawn += liquid
      else if (down < 0) filling.returned += liquid
    }
    for (let i = 0; i < nodes.length; i++) {
      if (!flooded[i] && held[i] >= FULL * room[i]) flooded[i] = 1
      else if (flooded[i] && held[i] < EMPTY * room[i]) flooded[i] = 0
      // Full, a node lets go what comes to it; with nothing coming it drains.
      gives[i] = !flooded[i]
        ? 0
        : oilIn[i] > 1e-12
          ? clamp(oilIn[i] / allIn[i] + RIGHTING * (held[i] / room[i] - 1))
          : 1
    }
    filling.time += seconds
    filling.gauge = pressures[gaugePlace]
    filling.inlet = pressures[own[inletPlace]]
    filling.outlet = pressures[outletPlace]
    filling.flow = flows[pumpPlace] * gives[inletPlace]
  }

  const filling: Filling = {
    time: 0,
    nodes,
    room,
    oil: held,
    flooded,
    drawn: 0,
    returned: 0,
    pushed: 0,
    spilled: 0,
    gauge: 0,
    inlet: 0,
    outlet: 0,
    flow: 0,
    engine,
    before: plan.before,
    advance: (seconds, turning) => {
      for (let left = seconds; left > 1e-9;) left -= step(Math.min(left, LONGEST), turning)
    },
    fitFilter: (filled) => {
      const can = placeOf.get('filter can')
      if (!padOpen || can === undefined) return
      padOpen = false
      filling.pushed += filled * room[can] - held[can]
      held[can] = filled * room[can]
      flooded[can] = filled >= FULL ? 1 : 0
      gives[can] = flooded[can]
      set = undefined
    },
    push: (open) => (plan.hose.conductance = open ? hoseConductance(oil) : 0),
    renew: (nextValues, nextOil, nextTemperature) => {
      values = nextValues
      oil = nextOil
      temperature = nextTemperature
      set = undefined
    },
  }
  return filling
}

function clamp(share: number): number {
  return Math.min(1, Math.max(0, share))
}
