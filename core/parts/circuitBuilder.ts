import type {
  BearingSpec,
  CheckSpec,
  ElementSpec,
  LinearSpec,
  Network,
  OrificeSpec,
  PipeSpec,
  PumpSpec,
  ReliefSpec,
} from '../circuit/types'
import type { Layout } from '../record/schema'
import type { Station } from '../record/quantity'

/** Where the oil goes, by kind. */
export const FLOW_KINDS = ['mains', 'rods', 'cam', 'lifters', 'rockers', 'jets', 'turbo', 'relief', 'lost'] as const
export type FlowKind = (typeof FLOW_KINDS)[number]

/** What an element is to a builder: its words, where it is set and by which reading; its kind, where oil leaves the circuit by it. */
export interface About {
  words: string
  /** A word or two for a drawing. */
  short?: string
  station?: Station
  /** Readings that set it: the first that is on record counts, else the first. */
  readings?: string[]
  kind?: FlowKind
}

/** What a node of the circuit holds when it is full, beside the pipe that leads to it, m³: fixed, or by its part's values. */
export interface Room {
  node: string
  part: string
  of: number | ((values: never) => number)
}

/** The oil circuit of a layout as its parts have made it. */
export interface CircuitPlan {
  network: Network
  /** Node on which the gauge stands, where filtered oil enters the gallery; the gallery's end. */
  gauge: string
  galleryEnd: string
  about: Map<string, About>
  rooms: Room[]
  /** Heights of nodes over the crank's axis for a stroke of 90 mm, m. */
  heights: Map<string, number>
}

/** What a part adds its elements and junctions to. A node is there once an element touches it. */
export interface CircuitBuilder extends Omit<CircuitPlan, 'network'> {
  pipe: (
    id: string,
    from: string,
    to: string,
    size: Pick<PipeSpec, 'length' | 'diameter' | 'k'>,
    about: About,
  ) => PipeSpec
  film: (id: string, from: string, about: About) => BearingSpec
  orifice: (id: string, from: string, to: string, about: About) => OrificeSpec
  linear: (id: string, from: string, to: string, about: About) => LinearSpec
  valve: (id: string, from: string, to: string, about: About) => CheckSpec
  relief: (id: string, from: string, to: string, about: About) => ReliefSpec
  pump: (id: string, from: string, to: string, about: About) => PumpSpec
  /** Room and height of a node, for filling. */
  junction: (node: string, more: { room?: Room['of']; height?: number }) => string
  /** The sump's node, whose pressure is that of the crankcase, Pa over the air; and a vessel that stands open to the air, such as a tank. */
  crankcase: { pressure?: number }
  open: (node: string) => string
  /** Point of the gallery that feeds a main, counted from 1. */
  gallery: (main: number) => string
  /** The node that the way from pump to gallery has come to: a part in line takes its oil there, and puts its own outlet in its place. */
  supply: string
}

export const SUMP = 'sump'
/** Loss of a sharp turn, entry or exit in creeping flow, K₁ of the two-K method (Hooper 1981). */
const CREEPING = 300

/**
 * A circuit to which parts add what they are, from the sump on.
 *
 * @param partName says whose room a junction's is
 */
export function circuitBuilder(layout: Layout, partName: () => string): { builder: CircuitBuilder; plan: CircuitPlan } {
  const network: Network = { nodes: [{ id: SUMP, pressure: 0 }], elements: [] }
  const known = new Set([SUMP])
  const gallery = (main: number) => `gallery ${main}`
  const plan: CircuitPlan = {
    network,
    gauge: gallery(Math.ceil(layout.mains / 2)),
    galleryEnd: gallery(layout.mains),
    about: new Map(),
    rooms: [],
    heights: new Map(),
  }
  const node = (id: string) => {
    if (!known.has(id)) {
      known.add(id)
      network.nodes.push({ id })
    }
    return id
  }
  const add = <T extends ElementSpec>(element: T, about: About): T => {
    node(element.from)
    node(element.to)
    network.elements.push(element)
    plan.about.set(element.id, about)
    return element
  }
  const builder: CircuitBuilder = {
    ...plan,
    gallery,
    supply: 'pump outlet',
    crankcase: network.nodes[0],
    open: (id) => {
      if (!known.has(id)) network.nodes.push({ id, pressure: 0 })
      known.add(id)
      return id
    },
    pipe: (id, from, to, { length, diameter, k = 0 }, about) =>
      add({ id, kind: 'pipe', from, to, length, diameter, roughness: 0, k, k1: CREEPING, head: 0 }, about),
    film: (id, from, about) => add({ id, kind: 'bearing', from, to: SUMP, conductance: 0, carried: 0 }, about),
    orifice: (id, from, to, about) =>
      add({ id, kind: 'orifice', from, to, diameter: 1e-3, dischargeCoefficient: 0.65 }, about),
    linear: (id, from, to, about) => add({ id, kind: 'linear', from, to, conductance: 1e-6 }, about),
    valve: (id, from, to, about) => add({ id, kind: 'check', from, to, diameter: 0.01, openingPressure: 1e5 }, about),
    relief: (id, from, to, about) => add({ id, kind: 'relief', from, to, openingPressure: 4e5 }, about),
    pump: (id, from, to, about) =>
      add({ id, kind: 'pump', from, to, displacement: 0, speed: 0, slipConductance: 0 }, about),
    junction: (id, { room, height }) => {
      if (room !== undefined) plan.rooms.push({ node: id, part: partName(), of: room })
      if (height !== undefined) plan.heights.set(id, height)
      return node(id)
    },
  }
  return { builder, plan }
}

/** An element of a plan by its name. Throws RangeError where the plan has none of that kind. */
export function elementOf<K extends ElementSpec['kind']>(
  { network }: Pick<CircuitPlan, 'network'>,
  id: string,
  kind: K,
): Extract<ElementSpec, { kind: K }> {
  const found = network.elements.find((element) => element.id === id)
  if (found?.kind !== kind) throw new RangeError(`${id}: the circuit has no ${kind} of this name`)
  return found as Extract<ElementSpec, { kind: K }>
}
