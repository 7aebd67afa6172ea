/** What the torque to turn the crank says after each cap. */
export interface TurningVerdict {
  verdict: 'pass' | 'watch' | 'stop'
  /** Main whose cap made it jump, from 1. */
  main?: number
  /** Mains whose caps were tightened since the reading before, where more than one was: the jump may be any of theirs. */
  among: number[]
  /** How much it jumped, and how much a cap usually adds here, N·m. */
  jump: number
  usual: number
  /** Caps set before the last reading, after which nothing was read. */
  gaps: number[]
}

/** A jump counts from this on, N·m, and from this many times what the other caps add. */
const FLOOR = 1
const TIMES = 3

/**
 * The order in which caps are tightened: as it was recorded, else from the middle out, the front one of a pair first.
 *
 * @param said mains by number, parted by commas
 */
export function capOrder(mains: number, said?: string): number[] {
  const own = said?.split(',').map((part) => Number(part.trim())) ?? []
  if (
    own.length === mains &&
    new Set(own).size === mains &&
    own.every((main) => Number.isInteger(main) && main >= 1 && main <= mains)
  )
    return own
  const middle = (mains + 1) / 2
  return Array.from({ length: mains }, (_, i) => i + 1).sort(
    (a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b,
  )
}

/**
 * Judges turning torque after each cap, in the order in which the caps were tightened: each reading is held against the one before it in that order. A cap that adds
 * over three times what the others do, and at least 1 N·m, has something behind a shell or under it, or is swapped, or its shell stands without its hole over the feed.
 * Twice is watched. Where caps between were not read, what was added is of all of them, and all are named.
 * House rule of Uldo; the trade knows it as: turn the crank after every cap.
 *
 * @param readings torque after a main's cap, N·m, by main
 * @param order mains in the order in which their caps were tightened
 */
export function judgeTurning(readings: ReadonlyMap<number, number>, order: number[]): TurningVerdict {
  const places = order.map((main, place) => ({ main, place })).filter(({ main }) => readings.has(main))
  const last = places[places.length - 1]?.place ?? -1
  const gaps = order.slice(0, Math.max(0, last)).filter((main) => !readings.has(main))
  if (places.length === 0) return { verdict: 'pass', among: [], jump: 0, usual: 0, gaps }
  const steps = places.map(({ main, place }, i) => {
    const from = i === 0 ? -1 : places[i - 1].place
    const among = order.slice(from + 1, place + 1)
    const added = readings.get(main)! - (i === 0 ? 0 : readings.get(places[i - 1].main)!)
    return { main, among, added, each: added / among.length }
  })
  let worst = steps[0]
  for (const step of steps) if (step.each > worst.each) worst = step
  const others = steps
    .filter((step) => step !== worst)
    .map(({ each }) => each)
    .sort((a, b) => a - b)
  const usual = others.length > 0 ? Math.max(0, others[Math.floor((others.length - 1) / 2)]) : 0
  // What the caps that were not read usually add is none of the jump.
  const jump = worst.added - (worst.among.length - 1) * usual
  const excess = others.length > 0 ? jump - usual : 0
  const verdict =
    excess >= FLOOR && jump >= TIMES * usual
      ? 'stop'
      : excess >= 0.5 * FLOOR && jump >= (TIMES - 1) * usual
        ? 'watch'
        : 'pass'
  return {
    verdict,
    ...(verdict === 'pass' ? {} : { main: worst.main }),
    among: verdict === 'pass' ? [] : worst.among,
    jump,
    usual,
    gaps,
  }
}

/** What to look at when a cap makes the crank stiff, in order. */
export const TURNING_CHECKS = [
  'Back of both shells of that cap: paint, marker, grit or a burr',
  'The cap’s own number and direction: not swapped, not turned round',
  'The shell’s oil hole over the feed, the tang in its notch',
  'Cap faces and dowels clean, nothing pinched',
  'Clearance of that journal again, by strip',
]
