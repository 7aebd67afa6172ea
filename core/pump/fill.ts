/** Gauge pressures at the pump's inlet between which dissolved air comes out and the chambers stop filling, Pa. */
export const AIR_RELEASE = -30e3
export const EMPTY = -95e3
/** Suction at which a pump starves, Pa below the air: from there dissolved air comes out of the oil. */
export const STARVES = -AIR_RELEASE

/**
 * Share of each chamber that fills with oil at an inlet pressure: 1 above −30 kPa gauge, falling in a straight line to 0 at
 * −95 kPa, where only vapour is left.
 * Source: air release of mineral oil at about 0.7 bar absolute, Totten, Handbook of Hydraulic Fluid Technology, 2nd ed.,
 * ch. 2; the straight line is Uldo's own.
 *
 * @param inlet pressure at the pump inlet, Pa gauge
 */
export function fillShare(inlet: number): number {
  if (inlet >= AIR_RELEASE) return 1
  if (inlet <= EMPTY) return 0
  return (inlet - EMPTY) / (AIR_RELEASE - EMPTY)
}

/** d(fillShare)/d(inlet), 1/Pa. */
export function fillSlope(inlet: number): number {
  if (inlet >= AIR_RELEASE || inlet <= EMPTY) return 0
  return 1 / (AIR_RELEASE - EMPTY)
}
