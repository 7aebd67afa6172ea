import type { EngineValues } from '../engine/engine'
import type { CircuitPlan } from '../engine/plan'
import type { PipeSpec } from '../circuit/types'

const LITRE = 1e-3
const CC = 1e-6

/** Room for oil, m³, that nobody measures: typical ones. */
const ROOM = {
  pumpOutlet: 15 * CC,
  cooler: 0.25 * LITRE,
  filterOutlet: 20 * CC,
  mainGroove: 1.5 * CC,
  hole: 0.5 * CC,
  rockers: 40 * CC,
  turbo: 10 * CC,
  lifter: 3 * CC,
}

/** A filter of the usual size, m³. */
export const USUAL_FILTER = 0.4 * LITRE

/** Heights over the crank's axis for a stroke of 90 mm, m; they grow with the stroke. The oil lies under the axis. */
const HEIGHT = {
  oil: -0.12,
  pump: -0.06,
  cooler: -0.02,
  filter: -0.04,
  gallery: 0.06,
  main: 0,
  rod: 0,
  cam: 0.13,
  rockers: 0.28,
  turbo: 0.16,
}
const STROKE = 0.09

/** What a node of the circuit holds when full, m³: the pipe that leads to it, and its own room. */
export function roomOf(
  node: string,
  plan: CircuitPlan,
  values: EngineValues,
  filterVolume: number,
  lifters: number,
): number {
  const pipes = plan.network.elements.filter(
    (element): element is PipeSpec => element.kind === 'pipe' && element.to === node && element.id !== 'pickup',
  )
  const led = pipes.reduce((sum, { length, diameter }) => sum + 0.25 * Math.PI * diameter * diameter * length, 0)
  const own = ownRoom(node, values, filterVolume)
  return led + own + (node === plan.galleryEnd ? lifters * ROOM.lifter : 0)
}

function ownRoom(node: string, values: EngineValues, filterVolume: number): number {
  if (node === 'pump inlet') return 0.25 * Math.PI * values.tubeDiameter ** 2 * values.tubeLength + values.displacement
  if (node === 'pump outlet') return ROOM.pumpOutlet + values.displacement
  if (node === 'cooler outlet') return ROOM.cooler
  if (node === 'filter can') return filterVolume
  if (node === 'filter outlet') return ROOM.filterOutlet
  if (node === 'rockers') return ROOM.rockers
  if (node === 'turbo') return ROOM.turbo
  return /^main/.test(node) ? ROOM.mainGroove : /^(rod|cam)/.test(node) ? ROOM.hole : 0
}

/** Height of a node over the oil's surface, m: the pump's as measured, others by the engine's size. */
export function heightOf(node: string, values: EngineValues): number {
  if (node === 'pump inlet' || node === 'pump outlet') return Math.max(0, values.lift)
  const word = node.split(' ')[0] as keyof typeof HEIGHT
  const scale = values.stroke / STROKE
  const over = HEIGHT[word] ?? 0
  return (over - HEIGHT.oil) * scale
}
