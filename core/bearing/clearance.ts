/** A value with its standard uncertainty, both in the same unit. */
export interface Uncertain {
  value: number
  sigma: number
}

/**
 * Clearance at running temperature: C_hot = D_b (1 + α_h ΔT) − D_j (1 + α_j ΔT), m,
 * with linear expansion coefficients of housing and journal, 1/K.
 */
export function hotClearance(
  clearance: number,
  diameter: number,
  rise: number,
  housing: number,
  journal: number,
): number {
  return clearance * (1 + housing * rise) + diameter * (housing - journal) * rise
}

/** Linear expansion, 1/K. Source: Machinery's Handbook, 31st ed., table of thermal expansion. */
export const EXPANSION = { iron: 10.8e-6, steel: 11.7e-6, aluminium: 22.5e-6 } as const
