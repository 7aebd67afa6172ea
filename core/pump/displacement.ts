/**
 * Displacement of a pair of external gears, m³/rev: D = (π/2) L (D_a² − a²), the ring swept between the tip circle and the
 * pitch line, where a is the centre distance of two equal gears.
 * Source: Ivantysyn & Ivantysynova, Hydrostatic Pumps and Motors, ch. 3 (displacement of external gear machines, contact term
 * left out: it takes off one or two percent for eight teeth and more).
 *
 * @param outside D_a, m  @param centres a, m  @param length gear length L, m
 */
export function gearDisplacement(outside: number, centres: number, length: number): number {
  if (!(centres > 0 && centres < outside))
    throw new RangeError('centres: must be positive and less than the outside diameter')
  return 0.5 * Math.PI * length * (outside * outside - centres * centres)
}

/**
 * Displacement of a gerotor, m³/rev: D = L n (A_max − A_min), with n inner lobes and the largest and smallest chamber
 * area; measured by planimeter, or scaled with length from a known pump.
 * Source: Ivantysyn & Ivantysynova, Hydrostatic Pumps and Motors, ch. 3 (ring gear machines).
 */
export function gerotorDisplacement(lobes: number, largest: number, smallest: number, length: number): number {
  if (!(largest > smallest && smallest >= 0)) throw new RangeError('largest: must exceed the smallest chamber area')
  return length * lobes * (largest - smallest)
}

/**
 * Displacement of a pair of external gears by their teeth, m³/rev: the tooth spaces of both, taken as half of the ring between root
 * and tip circle, D = (π/4) L (D_a² − D_f²). The pitch-line formula above gives a little less, since teeth do not reach the roots.
 * Source: Ivantysyn & Ivantysynova, Hydrostatic Pumps and Motors, ch. 3 (tooth-space method).
 */
export function gearDisplacementByRoots(outside: number, root: number, length: number): number {
  if (!(root > 0 && root < outside)) throw new RangeError('root: must be positive and less than the outside diameter')
  return 0.25 * Math.PI * length * (outside * outside - root * root)
}

/** Outside diameter and centre distance of equal standard gears, m: m (z + 2) and m z. */
export function gearFromModule(module: number, teeth: number): { outside: number; centres: number } {
  if (!(module > 0)) throw new RangeError('module: must be greater than zero')
  if (!(Number.isInteger(teeth) && teeth >= 6)) throw new RangeError('teeth: must be a whole number of six or more')
  return { outside: module * (teeth + 2), centres: module * teeth }
}
