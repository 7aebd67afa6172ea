import { type BearingSpec, FLOW, FROM, TO } from './types'

/** Feed pressure at which a film is two thirds supplied with what turning carries away, Pa. */
const SUPPLY = 5e3
/** From here on a film is supplied to the sixteenth figure, Pa. */
const SUPPLIED = 37 * SUPPLY
/** Slots: conductance, carried, pieces; then what each piece is fed and squeezed. */
const HEAD = 3

export function bearingSlots({ groove }: BearingSpec): number {
  return HEAD + 2 * (groove?.fed.length ?? 0)
}

export function setBearing({ conductance, carried, groove }: BearingSpec, slots: Float64Array, at: number): void {
  const pieces = groove?.pieces ?? 0
  slots[at] = conductance
  slots[at + 1] = carried + (groove?.carried ?? 0)
  slots[at + 2] = pieces
  for (let k = 0; k < pieces; k++) {
    slots[at + HEAD + 2 * k] = groove!.fed[k]
    slots[at + HEAD + 2 * k + 1] = groove!.wedge[k]
  }
}

/**
 * Flow out of a running bearing: Q = G Δp + s Q_c + Σ max(0, a Δp + s b), s = 1 − exp(−Δp / 5 kPa).
 *
 * Pressure-fed leakage adds to what turning carries out of the ends; beside a groove the two meet piece by piece of its arc
 * (bearing/leakage). What turning carries fades as feed pressure does, since a film cannot give what it is not given; the
 * fading is Uldo's own closure.
 */
export function bearingLaw(slots: Float64Array, at: number, difference: number, out: Float64Array): void {
  const fade = difference > SUPPLIED ? 0 : difference > 0 ? Math.exp(-difference / SUPPLY) : 1
  const supplied = difference > 0 ? 1 - fade : difference / SUPPLY
  const rate = fade / SUPPLY
  let flow = slots[at] * difference + slots[at + 1] * supplied
  let slope = slots[at] + slots[at + 1] * rate
  const end = at + HEAD + 2 * slots[at + 2]
  for (let k = at + HEAD; k < end; k += 2) {
    const own = slots[k] * difference + slots[k + 1] * supplied
    const lean = slots[k] + slots[k + 1] * rate
    if (difference > 0 ? own > 0 : lean > 0) {
      flow += own
      slope += lean
    }
  }
  out[FLOW] = flow
  out[FROM] = slope
  out[TO] = -slope
}
