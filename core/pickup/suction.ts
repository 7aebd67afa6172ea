/**
 * Loss coefficient of a step in the bore, of the velocity head in the tube: a narrower port behind it contracts the stream,
 * K = 0.5 (1 − A₂/A₁)·(A₁/A₂)², a wider one lets it burst out, K = (1 − A₁/A₂)².
 * Source: Borda–Carnot for the widening; Idelchik, Handbook of Hydraulic Resistance, 4th ed., sections 3 and 4, for the sharp contraction.
 *
 * @param tube inside diameter of the tube, m  @param port diameter of the bore that it meets, m
 * @example stepLoss(0.016, 0.016) // 0
 */
export function stepLoss(tube: number, port: number): number {
  const ratio = (port / tube) ** 2
  return ratio < 1 ? (0.5 * (1 - ratio)) / (ratio * ratio) : (1 - 1 / ratio) ** 2
}

/**
 * Loss coefficient of a pickup's way in, of the velocity head in the tube: through the ring between mouth and floor, and through the open part of
 * the screen. Each is one velocity head of its own area.
 * Source: Idelchik, Handbook of Hydraulic Resistance, 4th ed., section 8 (screens, sharp-edged mesh), taken as one head of the open area.
 */
export function entryLoss({ tube, mouth, floor, open }: PickupMouth): number {
  const area = 0.25 * Math.PI * tube * tube
  const { ring, screen } = inletAreas(mouth, floor, open)
  return (area / ring) ** 2 + (area / screen) ** 2
}

export interface PickupMouth {
  /** Inside diameter of the tube, of the mouth, m. */
  tube: number
  mouth: number
  /** Clearance to the floor, m. */
  floor: number
  /** Share of the screen that is open: mesh and dirt together. */
  open: number
}

/** Areas that oil passes on its way in, m²: the ring under the mouth's rim, and the open part of the screen. */
export function inletAreas(mouth: number, floor: number, open: number): { ring: number; screen: number } {
  return {
    ring: Math.PI * mouth * Math.max(0.5e-3, floor),
    screen: 0.25 * Math.PI * mouth * mouth * Math.max(0.005, open),
  }
}
