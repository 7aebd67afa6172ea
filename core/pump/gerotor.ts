/** A gerotor by what makes its profile, m. */
export interface GerotorProfile {
  /** Lobes of the inner rotor; the outer has one more. */
  lobes: number
  /** Distance between the two centres. */
  eccentricity: number
  /** From the outer rotor's centre to the centres of its tooth arcs, and their radius. */
  toothCentres: number
  toothRadius: number
  length: number
}

/**
 * Chamber volume's rate of change with the inner rotor's angle, m³/rad, for the chamber between outer teeth k and k + 1 when the inner
 * rotor stands at `angle`: contacts lie on the lines from the tooth centres to the pitch point, and between two contacts
 *
 *   dV/dθ = (L/2) [(r_a² − r_b²) − (n/(n+1)) (R_a² − R_b²)]
 *
 * with r from the inner centre and R from the outer.
 * Source: Ivantysyn & Ivantysynova, Hydrostatic Pumps and Motors, ch. 3 (vector-ray method for gears).
 */
export function chamberRate(
  { lobes, eccentricity, toothCentres, toothRadius, length }: GerotorProfile,
  k: number,
  angle: number,
): number {
  const outerTurn = (lobes / (lobes + 1)) * angle
  const contact = (tooth: number) => {
    const at = outerTurn + (2 * Math.PI * tooth) / (lobes + 1)
    const cx = toothCentres * Math.cos(at)
    const cy = toothCentres * Math.sin(at)
    // Outer centre at 0, inner at −e, so that the pitch point stands at −e (n + 1), n e beyond the inner centre.
    const dx = -eccentricity * (lobes + 1) - cx
    const dy = -cy
    const reach = toothRadius / Math.hypot(dx, dy)
    const x = cx + dx * reach
    const y = cy + dy * reach
    return { inner: (x + eccentricity) ** 2 + y * y, outer: x * x + y * y }
  }
  const a = contact(k)
  const b = contact(k + 1)
  return 0.5 * length * (a.inner - b.inner - (lobes / (lobes + 1)) * (a.outer - b.outer))
}

/**
 * Displacement of a gerotor, m³ for a turn of the inner rotor, by integration of its profile: each chamber fills once while the inner rotor turns (n + 1)/n,
 * so that D = n (V_max − V_min).
 *
 * @throws RangeError naming the field that makes no rotor
 */
export function gerotorFromProfile(profile: GerotorProfile): number {
  const { lobes, eccentricity, toothCentres, toothRadius, length } = profile
  if (!(Number.isInteger(lobes) && lobes >= 3)) throw new RangeError('lobes: must be a whole number of three or more')
  if (!(eccentricity > 0)) throw new RangeError('eccentricity: must be greater than zero')
  if (!(toothCentres > eccentricity * (lobes + 1)))
    throw new RangeError('toothCentres: must exceed the pitch circle, eccentricity times the outer teeth')
  if (!(toothRadius > 0 && toothRadius < toothCentres))
    throw new RangeError('toothRadius: must be positive and less than toothCentres')
  if (!(length > 0)) throw new RangeError('length: must be greater than zero')
  const steps = 720
  const period = (2 * Math.PI * (lobes + 1)) / lobes
  let filled = 0
  for (let i = 0; i < steps; i++)
    filled += Math.max(0, chamberRate(profile, 0, ((i + 0.5) / steps) * period)) * (period / steps)
  return lobes * filled
}
