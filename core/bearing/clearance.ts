/** A value with its standard uncertainty, both in the same unit. */
export interface Uncertain {
  value: number
  sigma: number
}

/**
 * Vertical diametral clearance: C = D_bore − D_journal, m.
 * Standard uncertainties combine by root sum of squares (GUM, JCGM 100:2008, 5.1.2) for two separate instruments.
 *
 * @throws RangeError if the journal does not go into the bore
 * @example diametralClearance({ value: 0.066037, sigma: 2e-6 }, { value: 0.065981, sigma: 2e-6 }).value // 5.6e-5
 */
export function diametralClearance(bore: Uncertain, journal: Uncertain): Uncertain {
  const value = bore.value - journal.value
  if (!(value > 0)) throw new RangeError('bore: must be larger than the journal')
  return { value, sigma: Math.hypot(bore.sigma, journal.sigma) }
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
