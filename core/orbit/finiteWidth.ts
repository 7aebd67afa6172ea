import { type Mobility, shortMobility } from './mobility'
import { ANGLES, ECCENTRICITIES, RATIOS } from './mobilityTable'
import table from './finiteWidth.json'

const ROW = ANGLES.length
/** ln (1 − ε) at the table's places. */
const GAPS = ECCENTRICITIES.map((eccentricity) => Math.log(1 - eccentricity))
const LOGARITHMS = table.map((each) => Float64Array.from(each.flat(2), Math.log))
const FULLEST = 0.9999

/** A bearing of one L/D. */
export interface FiniteMobility {
  /** Fills `out` for a journal's eccentricity ratio along the load and across it. */
  at: (along: number, across: number, out: Mobility) => void
  /** Peak pressure in the film there, over the load on L D. */
  peakAt: (along: number, across: number) => number
}

/**
 * Mobility of a bearing of finite width: the short bearing's (`shortMobility`) times what the grid solver finds over it, by a table over eccentricity ratio, angle to the load and L/D, made by `bin/mobility.ts`. Where the film is thin
 * it is long beside its own narrow part, and real films yield more than short ones: at L/D 0.3 and ε 0.95 twice as fast. Between the table's places within 2 percent of the grid
 * (core/orbit/mobility.test.ts).
 *
 * @param ratio L/D
 */
export function finiteMobility(ratio: number): FiniteMobility {
  const own = ofRatio(ratio)
  let first = 0
  let down = 0
  let right = 0
  /** Finds the table's places about a journal's. */
  function place(along: number, across: number): void {
    const eccentricity = Math.min(FULLEST, Math.sqrt(along * along + across * across))
    const angle = (Math.atan2(Math.abs(across), along) * 180) / Math.PI
    const gap = Math.log(1 - eccentricity)
    let i = 0
    while (i < GAPS.length - 2 && GAPS[i + 1] > gap) i++
    let j = 0
    while (j < ROW - 2 && ANGLES[j + 1] < angle) j++
    down = Math.max(0, (GAPS[i] - gap) / (GAPS[i] - GAPS[i + 1]))
    right = (angle - ANGLES[j]) / (ANGLES[j + 1] - ANGLES[j])
    first = 3 * (i * ROW + j)
  }
  function between(k: number): number {
    const above = own[first + k] + right * (own[first + 3 + k] - own[first + k])
    const below = own[first + 3 * ROW + k] + right * (own[first + 3 * ROW + 3 + k] - own[first + 3 * ROW + k])
    return Math.exp(above + down * (below - above))
  }
  return {
    at: (along, across, out) => {
      place(along, across)
      const short = shortMobility(along, across, ratio)
      out.along = between(0) * short.along
      out.across = between(1) * short.across
    },
    peakAt: (along, across) => {
      place(along, across)
      return between(2)
    },
  }
}

/** Logarithms of the table at an L/D, by a straight line over its logarithm; outside the table the outermost stands. */
function ofRatio(ratio: number): Float64Array {
  let r = 0
  while (r < RATIOS.length - 2 && RATIOS[r + 1] < ratio) r++
  const part = Math.min(1, Math.max(0, Math.log(ratio / RATIOS[r]) / Math.log(RATIOS[r + 1] / RATIOS[r])))
  const [one, other] = [LOGARITHMS[r], LOGARITHMS[r + 1]]
  return one.map((value, k) => value + part * (other[k] - value))
}
