import type { Packing } from '../parts/primingWords'
import type { OilState } from '../oil/oil'

/** Air in a passage, at room temperature: Pa·s, kg/m³, and the atmosphere's pressure, Pa. */
export const AIR = { viscosity: 1.82e-5, density: 1.2 }
export const ATMOSPHERE = 101_325

/**
 * Share of a pump's gaps that is open to air: all of them dry; a film holds most of them oiled or wet; what was packed stays
 * until oil comes. The gaps' own law is pump/slip with the viscosity of air; the shares are Uldo's own closure.
 */
export const OPEN_TO_AIR: Record<Packing, number> = {
  dry: 1,
  oil: 0.15,
  wet: 0.1,
  'assembly-lubricant': 0.008,
  jelly: 0.006,
}

/** Pressure that a pump on air can make before all it moves slips back, Pa: p = D n / G_air. */
export function airPressure(displacement: number, speed: number, slipOnAir: number): number {
  return (displacement * speed) / slipOnAir
}

/**
 * Conductance of a narrow way for a mixture over its conductance for oil: μ_oil / μ, viscosities by volume.
 *
 * @param liquid share of the flow that is oil, 0 to 1
 */
export function laminarEase(liquid: number, { viscosity }: OilState): number {
  return 1 / (liquid + ((1 - liquid) * AIR.viscosity) / viscosity)
}

/** The same for a hole, whose flow goes with 1/√ρ. */
export function holeEase(liquid: number, { density }: OilState): number {
  return 1 / Math.sqrt(liquid + ((1 - liquid) * AIR.density) / density)
}
