import { type PumpGaps, slipConductance } from './slip'

/** A pump to be cut, m. */
export interface SalvageCase {
  gaps: PumpGaps
  /** Depth of the track worn into the cover. */
  coverWear: number
  /** To come off the whole face of the cover. */
  coverCut: number
  /** To come off the body's face, and off the bottom of its pocket. */
  bodyCut: number
  pocketCut: number
  /** Thickness of the cover, and depth of the pocket's floor, now; and what must be left of each. */
  coverThickness: number
  floorThickness: number
  leastThickness: number
  /** Least end clearance for rotors that must turn freely. */
  leastEndClearance?: number
}

export interface Salvage {
  /** End clearance after the cut, m. */
  endClearance: number
  coverLeft: number
  floorLeft: number
  /** Slip conductance before and after, m³/(s·Pa). */
  slipBefore: number
  slipAfter: number
  /** Why it cannot be done, in words; none when it can. */
  problems: string[]
}

/**
 * What a cut does. The cover's worn track adds to the end clearance and a cut across the whole face takes it away, all of it once the cut
 * reaches the track's bottom; a cut on the body's face lowers the end clearance by as much, unless the pocket is cut with it:
 *
 *   e′ = e − min(wear, cover cut) − body cut + pocket cut
 */
export function salvage(
  {
    gaps,
    coverWear,
    coverCut,
    bodyCut,
    pocketCut,
    coverThickness,
    floorThickness,
    leastThickness,
    leastEndClearance = 25e-6,
  }: SalvageCase,
  viscosity: number,
): Salvage {
  const endClearance = gaps.endClearance - Math.min(coverWear, coverCut) - bodyCut + pocketCut
  const coverLeft = coverThickness - coverCut
  const floorLeft = floorThickness - pocketCut
  const problems = [
    ...(endClearance < leastEndClearance
      ? [`End clearance falls to ${microns(endClearance)}: the rotors bind. Cut the pocket with the body.`]
      : []),
    ...(coverCut > 0 && coverCut < coverWear
      ? [`${microns(coverWear - coverCut)} of the track is left: cut the cover flat across its whole face.`]
      : []),
    ...(coverLeft < leastThickness
      ? [`The cover is left ${millimetres(coverLeft)} thick, under ${millimetres(leastThickness)}.`]
      : []),
    ...(floorLeft < leastThickness
      ? [`The pocket’s floor is left ${millimetres(floorLeft)} thick, under ${millimetres(leastThickness)}.`]
      : []),
  ]
  return {
    endClearance,
    coverLeft,
    floorLeft,
    problems,
    slipBefore: slipConductance(gaps, viscosity),
    slipAfter: slipConductance({ ...gaps, endClearance: Math.max(0, endClearance) }, viscosity),
  }
}

/** Ways to mend a pump by cutting it. */
export type SalvageWay = 'cover' | 'lapped' | 'machined'

/** Deepest that a pocket's floor is lapped by hand and still flat, m. */
const GENTLY = 30e-6

/** A worn pump, by what each way of cutting it would take off. */
export type WornPump = Omit<SalvageCase, 'coverCut' | 'bodyCut' | 'pocketCut'> & {
  /** Depth of the track in the pocket's floor, where it was measured. */
  floorWear?: number
}

/**
 * What each way of cutting leaves: the cover alone, flat down to its track's bottom; the pocket's floor lapped as well, gently, which adds what it takes to the end clearance; the floor machined
 * and the face with it by the same amount, which does not.
 */
export function salvageWays(worn: WornPump, viscosity: number): (Salvage & { way: SalvageWay })[] {
  const { floorWear } = worn
  const cut = (way: SalvageWay, pocketCut: number, bodyCut: number) => ({
    way,
    ...salvage({ ...worn, coverCut: worn.coverWear, pocketCut, bodyCut }, viscosity),
  })
  if (floorWear === undefined) return [cut('cover', 0, 0)]
  const lapped = cut('lapped', floorWear, 0)
  if (floorWear > GENTLY)
    lapped.problems.unshift(`${microns(floorWear)} is more than lapping takes off and stays flat: machine it.`)
  return [cut('cover', 0, 0), lapped, cut('machined', floorWear, floorWear)]
}

const microns = (value: number) => `${Math.round(value * 1e6)} µm`
const millimetres = (value: number) => `${(value * 1e3).toFixed(2)} mm`
