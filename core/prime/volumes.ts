import type { PipeSpec } from '../circuit/types'
import type { CircuitPlan } from '../parts/circuitBuilder'
import type { EngineValues } from '../parts/list'

/** A filter of the usual size, m³. */
export const USUAL_FILTER = 0.4e-3

/** The stroke that nodes' heights are given for, and the oil's surface under the crank's axis there, m: they grow with the stroke. */
const STROKE = 0.09
const OIL = -0.12

/** What a node of the circuit holds when full, m³: the pipe that leads to it, and its parts' own room. */
export function roomOf(node: string, plan: CircuitPlan, values: EngineValues, filterVolume: number): number {
  if (node === 'filter can') return filterVolume
  const pipes = plan.network.elements.filter(
    (element): element is PipeSpec => element.kind === 'pipe' && element.to === node && element.id !== 'pickup',
  )
  const led = pipes.reduce((sum, { length, diameter }) => sum + 0.25 * Math.PI * diameter * diameter * length, 0)
  return plan.rooms
    .filter((room) => room.node === node)
    .reduce(
      (sum, { part, of }) => sum + (typeof of === 'number' ? of : of(values[part as keyof EngineValues] as never)),
      led,
    )
}

/** Height of a node over the oil's surface, m: the pump's as measured, others by the engine's size. */
export function heightOf(node: string, plan: CircuitPlan, values: EngineValues): number {
  if (node === 'pump inlet' || node === 'pump outlet') return Math.max(0, values.pickup.lift)
  return (((plan.heights.get(node) ?? 0) - OIL) * values.crank.stroke) / STROKE
}
