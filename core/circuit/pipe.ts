import type { Fluid, FlowSlope, PipeSpec } from './types'

/** Below this Reynolds number Churchill's factor is 64/Re to fourteen figures, and the pipe has a closed form. */
const PLAINLY_LAMINAR = 1000

/**
 * Darcy friction factor for all flows: f = 8 [(8/Re)¹² + (A + B)^−1.5]^(1/12),
 * A = (2.457 ln(1 / ((7/Re)^0.9 + 0.27 e/D)))¹⁶, B = (37530/Re)¹⁶.
 * Source: Churchill, Friction-factor equation spans all fluid-flow regimes, Chemical Engineering 84 (1977).
 */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  if (reynolds < PLAINLY_LAMINAR) return 64 / reynolds
  const a = sixteenth(2.457 * Math.log(1 / ((7 / reynolds) ** 0.9 + 0.27 * relativeRoughness)))
  const b = sixteenth(37530 / reynolds)
  const sum = a + b
  return 8 * ((8 / reynolds) ** 12 + 1 / (sum * Math.sqrt(sum))) ** (1 / 12)
}

/** x¹⁶ by squaring: a quarter of the time of a power. */
function sixteenth(x: number): number {
  const fourth = x * x * x * x
  return fourth * fourth * fourth * fourth
}

/**
 * Pressure lost in a pipe with fittings: Δp = (f L/D + K₁/Re + K∞) ρ v²/2, Pa, for a flow ≥ 0.
 * Source: Darcy-Weisbach; fittings by the two-K method, Hooper, Chemical Engineering 88 (1981).
 */
export function pipeLoss(pipe: PipeSpec, flow: number, { density, viscosity }: Fluid): number {
  if (flow <= 0) return 0
  const area = 0.25 * Math.PI * pipe.diameter * pipe.diameter
  const velocity = flow / area
  const reynolds = (density * velocity * pipe.diameter) / viscosity
  const friction = frictionFactor(reynolds, (pipe.roughness ?? 0) / pipe.diameter) * (pipe.length / pipe.diameter)
  return (friction + (pipe.k1 ?? 0) / reynolds + (pipe.k ?? 0)) * 0.5 * density * velocity * velocity
}

/**
 * Flow for a pressure difference and its slope.
 *
 * While laminar the loss is a Q + b Q², solved directly; above that by Newton on the loss, which rises steadily with Q, begun
 * where this pipe last ended: along a sweep that is nearly there.
 */
export function pipeFlow(pipe: PipeSpec, difference: number, fluid: Fluid, out: FlowSlope): void {
  const drive = difference + (pipe.head ?? 0)
  const size = Math.abs(drive)
  const d = pipe.diameter
  const area = 0.25 * Math.PI * d * d
  const a = (fluid.viscosity * (8 * Math.PI * pipe.length + 0.5 * area * (pipe.k1 ?? 0) / d)) / (area * area)
  const b = (0.5 * fluid.density * (pipe.k ?? 0)) / (area * area)
  let flow = (2 * size) / (a + Math.sqrt(a * a + 4 * b * size))
  let slope = 1 / (a + 2 * b * flow)
  const laminar = (PLAINLY_LAMINAR * area * fluid.viscosity) / (fluid.density * d)
  if (flow >= laminar) {
    if (pipe.lastFlow !== undefined && pipe.lastFlow > laminar) flow = pipe.lastFlow
    for (let i = 0; i < 50; i++) {
      const loss = pipeLoss(pipe, flow, fluid)
      const step = 1e-6 * flow
      slope = step / (pipeLoss(pipe, flow + step, fluid) - loss)
      const next = Math.max(0.2 * flow, flow + (size - loss) * slope)
      const change = Math.abs(next - flow)
      flow = next
      if (change <= 1e-12 * flow) break
    }
    pipe.lastFlow = flow
  }
  out.flow = drive < 0 ? -flow : flow
  out.slopeFrom = slope
  out.slopeTo = -slope
}
