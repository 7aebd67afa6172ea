/** Washers of one kind in the drawer, m. */
export interface Washer {
  id: string
  thickness: number
  count: number
  /** Outside and hole diameter; where given they are checked against plug and spring. */
  outside?: number
  hole?: number
  /** Rusts into the oil when it is not. */
  stainless?: boolean
}

/** What a washer must fit, m. */
export interface Seat {
  /** Bore that it lies in. */
  plugBore?: number
  /** Hole in the plug that must stay open. */
  plugHole?: number
  /** Mean coil diameter of the spring that sits on it. */
  springDiameter?: number
}

export interface Stack {
  /** Washers taken, by id, and how many of each. */
  washers: { id: string; thickness: number; count: number }[]
  pieces: number
  /** Total thickness after grinding, m. */
  thickness: number
  /** Over what is wanted, m; negative is under. */
  off: number
  /** One washer ground down by so much, m. */
  grind?: { id: string; by: number }
}

/** Grid on which stacks are found, m: a micrometer's tenth of a hundredth. */
const GRID = 2e-6
/** Most that is ground off a washer, and least that is left of it, m. */
const MOST_GROUND = 0.35e-3
const LEAST_LEFT = 0.3e-3

/** Why a washer does not fit. */
export type WasherFault =
  'wider-than-plug' | 'hole-under-plugs' | 'narrower-than-spring' | 'hole-over-spring' | 'not-stainless'

/** Why a washer does not fit; undefined when it does, or where what would tell is not known. */
export function washerFault(washer: Washer, seat: Seat): WasherFault | undefined {
  // What is not known fits: neither comparison holds.
  const { outside = NaN, hole = NaN } = washer
  const { plugBore = NaN, plugHole = NaN, springDiameter = NaN } = seat
  if (outside >= plugBore) return 'wider-than-plug'
  if (hole < plugHole) return 'hole-under-plugs'
  if (outside < springDiameter) return 'narrower-than-spring'
  if (hole > springDiameter) return 'hole-over-spring'
  return washer.stainless === false ? 'not-stainless' : undefined
}

/**
 * The stack nearest a wanted thickness with the fewest pieces; and, where that is further off than `close`, the one that comes
 * to it with one washer ground down by at most 0.35 mm, fewest pieces first, then least ground.
 *
 * Fewest pieces for every sum of the drawer's washers is a bounded knapsack, solved by dynamic programming on a 2 µm grid.
 * Source: Kellerer, Pferschy & Pisinger, Knapsack Problems (2004), ch. 7.
 *
 * @param wanted m  @param close m
 * @returns the plain stack, and the ground one where it does better
 * @throws RangeError naming the field when nothing can be stacked
 */
export function planStack(
  drawer: Washer[],
  wanted: number,
  seat: Seat = {},
  close = 5e-6,
): { plain: Stack; ground?: Stack } {
  if (!(wanted >= 0 && wanted <= 0.02)) throw new RangeError('wanted: must lie between 0 and 20 mm')
  const washers = drawer.filter((washer) => washer.count > 0 && washer.thickness > 0 && !washerFault(washer, seat))
  if (washers.length === 0) throw new RangeError('drawer: no washer that fits')
  const top = Math.round((wanted + MOST_GROUND + Math.max(...washers.map((washer) => washer.thickness))) / GRID)
  const sums = fewestPieces(washers, top)
  const goal = Math.round(wanted / GRID)

  let best = 0
  for (let sum = 0; sum <= top; sum++) {
    if (sums.pieces[sum] === Infinity) continue
    const better = Math.abs(sum - goal) - Math.abs(best - goal)
    if (better < 0 || (better === 0 && sums.pieces[sum] < sums.pieces[best])) best = sum
  }
  const plain = stackOf(washers, sums, best, wanted)
  if (Math.abs(plain.off) <= close) return { plain }

  let over = -1
  for (let sum = goal + 1; sum <= Math.min(top, goal + Math.round(MOST_GROUND / GRID)); sum++) {
    if (
      sums.pieces[sum] < (over < 0 ? Infinity : sums.pieces[over]) &&
      thickest(washers, sums, sum) - (sum - goal) * GRID >= LEAST_LEFT
    )
      over = sum
  }
  if (over < 0) return { plain }
  const stack = stackOf(washers, sums, over, wanted)
  const { id } = stack.washers.reduce((most, washer) => (washer.thickness > most.thickness ? washer : most))
  return { plain, ground: { ...stack, thickness: wanted, off: 0, grind: { id, by: stack.off } } }
}

interface Sums {
  /** Fewest pieces that make each sum, and the kind and count last added to reach it. */
  pieces: Float64Array
  taken: Uint8Array[]
}

function fewestPieces(washers: Washer[], top: number): Sums {
  let pieces = new Float64Array(top + 1).fill(Infinity)
  pieces[0] = 0
  const taken: Uint8Array[] = []
  for (const { thickness, count } of washers) {
    const size = Math.round(thickness / GRID)
    const next = pieces.slice()
    const own = new Uint8Array(top + 1)
    for (let sum = 0; sum <= top; sum++) {
      for (let n = 1; n <= count && n <= 255 && n * size <= sum; n++) {
        if (pieces[sum - n * size] + n < next[sum]) {
          next[sum] = pieces[sum - n * size] + n
          own[sum] = n
        }
      }
    }
    pieces = next
    taken.push(own)
  }
  return { pieces, taken }
}

/** Walks back what was taken for a sum. */
function membersOf(
  washers: Washer[],
  { taken }: Sums,
  sum: number,
): { id: string; thickness: number; count: number }[] {
  const members: { id: string; thickness: number; count: number }[] = []
  for (let kind = washers.length - 1; kind >= 0; kind--) {
    const count = taken[kind][sum]
    if (count === 0) continue
    members.push({ id: washers[kind].id, thickness: washers[kind].thickness, count })
    sum -= count * Math.round(washers[kind].thickness / GRID)
  }
  return members.reverse()
}

function thickest(washers: Washer[], sums: Sums, sum: number): number {
  return Math.max(0, ...membersOf(washers, sums, sum).map((member) => member.thickness))
}

function stackOf(washers: Washer[], sums: Sums, sum: number, wanted: number): Stack {
  const members = membersOf(washers, sums, sum)
  const thickness = members.reduce((total, member) => total + member.thickness * member.count, 0)
  return {
    washers: members,
    pieces: members.reduce((total, member) => total + member.count, 0),
    thickness,
    off: thickness - wanted,
  }
}
