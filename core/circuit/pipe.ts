import { FLOW, FROM, type Fluid, type PipeSpec, TO } from './types'

/** Below this Reynolds number Churchill's factor is 64/Re to nine figures, and the pipe has a closed form. */
const PLAINLY_LAMINAR = 1300

/**
 * Darcy friction factor for all flows: f = 8 [(8/Re)¹² + (A + B)^−1.5]^(1/12),
 * A = (2.457 ln(1 / ((7/Re)^0.9 + 0.27 e/D)))¹⁶, B = (37530/Re)¹⁶.
 * Source: Churchill, Friction-factor equation spans all fluid-flow regimes, Chemical Engineering 84 (1977).
 */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  return friction(reynolds, relativeRoughness).factor
}

const found = { factor: 0, slope: 0 }

/** Churchill's factor and its slope with Reynolds number, written into one object that is used again. */
function friction(reynolds: number, relativeRoughness: number): typeof found {
  if (reynolds < PLAINLY_LAMINAR) {
    found.factor = 64 / reynolds
    found.slope = -found.factor / reynolds
    return found
  }
  const smooth = Math.exp(0.9 * Math.log(7 / reynolds))
  const inner = smooth + 0.27 * relativeRoughness
  const log = -Math.log(inner)
  const a = sixteenth(2.457 * log)
  const b = sixteenth(37530 / reynolds)
  const laminar = twelfth(8 / reynolds)
  const sum = a + b
  const turbulent = 1 / (sum * Math.sqrt(sum))
  const base = laminar + turbulent
  // d ln A / d ln Re = 16 · 0.9 (7/Re)^0.9 / (inner · log), d ln B / d ln Re = −16.
  const growth = (a * ((14.4 * smooth) / (inner * log)) - 16 * b) / sum
  found.factor = 8 * Math.pow(base, 1 / 12)
  found.slope = (found.factor * (-12 * laminar - 1.5 * turbulent * growth)) / (12 * base * reynolds)
  return found
}

/** x¹⁶ and x¹² by squaring: a quarter of the time of a power. */
function sixteenth(x: number): number {
  const fourth = x * x * x * x
  return fourth * fourth * fourth * fourth
}
function twelfth(x: number): number {
  const fourth = x * x * x * x
  return fourth * fourth * fourth
}

/**
 * Pressure lost in a pipe with fittings: Δp = (f L/D + K₁/Re + K∞) ρ v²/2, Pa, for a flow ≥ 0.
 * Source: Darcy-Weisbach; fittings by the two-K method, Hooper, Chemical Engineering 88 (1981).
 */
export function pipeLoss(pipe: PipeSpec, flow: number, fluid: Fluid): number {
  if (flow <= 0) return 0
  setPipe(pipe, fluid, scratch, 0)
  return lossAndSlope(scratch, 0, flow).loss
}

/** Slots of a pipe: laminar loss a Q + b Q², where it ends, head; what turbulence needs; where the last solution ended. */
const [A, B, LAMINAR, HEAD, REYNOLDS, DYNAMIC, SLENDER, K, K1, ROUGH, LAST_FLOW, LAST_DRIVE, LAST_SLOPE] = Array.from(
  { length: 13 },
  (_, slot) => slot,
)
export const PIPE_SLOTS = 13
const scratch = new Float64Array(PIPE_SLOTS)

/** Writes a pipe's numbers for a fluid; where the last solution ended is left as it is. */
export function setPipe(pipe: PipeSpec, { density, viscosity }: Fluid, slots: Float64Array, at: number): void {
  const d = pipe.diameter
  const area = 0.25 * Math.PI * d * d
  const k = pipe.k ?? 0
  const k1 = pipe.k1 ?? 0
  slots[at + A] = (viscosity * (8 * Math.PI * pipe.length + (0.5 * area * k1) / d)) / (area * area)
  slots[at + B] = (0.5 * density * k) / (area * area)
  slots[at + LAMINAR] = (PLAINLY_LAMINAR * area * viscosity) / (density * d)
  slots[at + HEAD] = pipe.head ?? 0
  slots[at + REYNOLDS] = (density * d) / (area * viscosity)
  slots[at + DYNAMIC] = (0.5 * density) / (area * area)
  slots[at + SLENDER] = pipe.length / d
  slots[at + K] = k
  slots[at + K1] = k1
  slots[at + ROUGH] = (pipe.roughness ?? 0) / d
}

const lost = { loss: 0, slope: 0 }

/** The loss above and its slope with flow, Pa·s/m³, written into one object that is used again. */
function lossAndSlope(slots: Float64Array, at: number, flow: number): typeof lost {
  const reynolds = slots[at + REYNOLDS] * flow
  const { factor, slope } = friction(reynolds, slots[at + ROUGH])
  const slender = slots[at + SLENDER]
  const head = slots[at + DYNAMIC] * flow * flow
  const creeping = slots[at + K1] / reynolds
  lost.loss = (factor * slender + creeping + slots[at + K]) * head
  lost.slope = (2 * lost.loss + (slope * reynolds * slender - creeping) * head) / flow
  return lost
}

/**
 * Flow for a pressure difference and its slope.
 *
 * While laminar the loss is a Q + b Q², solved directly; above that by Newton on the loss, which rises steadily with Q, begun
 * along the tangent where this pipe last ended: along a sweep that is nearly there.
 */
export function pipeLaw(slots: Float64Array, at: number, difference: number, out: Float64Array): void {
  const drive = difference + slots[at + HEAD]
  const size = Math.abs(drive)
  const a = slots[at + A]
  const b = slots[at + B]
  const laminar = slots[at + LAMINAR]
  let flow = b === 0 ? size / a : (2 * size) / (a + Math.sqrt(a * a + 4 * b * size))
  let slope = 1 / (a + 2 * b * flow)
  if (flow >= laminar) {
    const guess = slots[at + LAST_FLOW] + (size - slots[at + LAST_DRIVE]) * slots[at + LAST_SLOPE]
    if (guess > laminar && guess < flow) flow = guess
    // Newton doubles the figures: a step of 3·10⁻⁶ leaves an error of some 10⁻¹¹.
    for (let i = 0; i < 50; i++) {
      const { loss, slope: steepness } = lossAndSlope(slots, at, flow)
      slope = 1 / steepness
      const next = Math.max(0.2 * flow, flow + (size - loss) * slope)
      const change = Math.abs(next - flow)
      flow = next
      if (change <= 3e-6 * flow) break
    }
    slots[at + LAST_FLOW] = flow
    slots[at + LAST_DRIVE] = size
    slots[at + LAST_SLOPE] = slope
  }
  out[FLOW] = drive < 0 ? -flow : flow
  out[FROM] = slope
  out[TO] = -slope
}
