import { flowAndSlope } from '../orifice/orifice'
import { FROM, TO } from './types'

/** A hole as an element's law: its flow, and how it changes with the pressure at either end. */
export function holeLaw(slots: Float64Array, at: number, difference: number, out: Float64Array): void {
  flowAndSlope(slots, at, difference, out)
  out[TO] = -out[FROM]
}
