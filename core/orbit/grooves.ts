import type { GrooveArcs } from '../bearing/grooved'

/** Grooves of the shells, the land beside them, m, and the pressure in them, Pa gauge. */
export interface OrbitGroove extends GrooveArcs {
  land: number
  feedPressure: number
}

/** A groove's end is felt over so many L/D to either side of it, rad. */
const EDGE = 0.5

/**
 * How much of the film's narrow place lies over a groove, 0 to 1, which parts it there into two lands.
 *
 * @param place of the thinnest film, rad from the crown of the upper shell, to either side
 */
export function grooveUnder(place: number, { upper, lower }: GrooveArcs, ratio: number): number {
  if (upper + lower >= 2 * Math.PI - 1e-6) return 1
  const away = Math.abs(place)
  const [start, end] = [0.5 * Math.PI, 0.5 * (Math.PI + lower)]
  const within = (past: number) => Math.min(1, Math.max(0, 0.5 + past / (2 * EDGE * ratio)))
  const inUpper = upper > 0 ? within(0.5 * upper - away) : 0
  // Where both halves are grooved up to the parting line there is no end there.
  const inLower = lower > 0 ? Math.min(upper >= Math.PI - 1e-6 ? 1 : within(away - start), within(end - away)) : 0
  return Math.min(1, Math.max(inUpper, inLower))
}
