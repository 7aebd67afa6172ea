import type { JournalPosition } from '../bearing/eccentricity'
import { FilmError } from './types'

/** What a search needs to know of a solution: the film's force without units. */
interface Pushed {
  force: { cos: number; sin: number }
}

const CLOSE = 1e-5
const MOST_STEPS = 40

/**
 * Eccentricity at which a film of one variable carries a load: secant with a bracket, on the scale ln ε/(1 − ε) against
 * ln W, on which load is nearly a power law.
 */
export function searchLoad<T extends Pushed>(guess: number, solve: (eccentricity: number) => T, load: number): T {
  let x = logit(bounded(guess))
  let low = -Infinity
  let high = Infinity
  let before: { x: number; y: number } | undefined
  for (let step = 0; step < MOST_STEPS; step++) {
    const found = solve(fromLogit(x))
    const y = Math.log(Math.hypot(found.force.cos, found.force.sin) / load)
    if (Math.abs(y) < CLOSE) return found
    if (y > 0) high = x
    else low = x
    const slope = before ? (y - before.y) / (x - before.x) : 1.4
    before = { x, y }
    let next = x - y / (slope > 0.2 ? slope : 1.4)
    if (!(next > low && next < high)) next = Number.isFinite(low + high) ? 0.5 * (low + high) : x - Math.sign(y) * 1.5
    if (next < -14 || high - low < 1e-10) throw new FilmError('load', 'is less than the feed pressure alone carries')
    if (next > 10) throw new FilmError('load', 'is more than this film carries at any eccentricity')
    x = next
  }
  throw new FilmError('load', 'the film does not settle under it')
}

/**
 * Position of a journal whose feed stands still under the load, which points along column 0: two balances, along and across
 * the load, in ln ε/(1 − ε) and the attitude, by Broyden's method. Forces are compressed by asinh, a logarithm that bears a sign.
 * Source: Broyden, Mathematics of Computation 19 (1965).
 */
export function searchPosition<T extends Pushed>(
  guess: JournalPosition,
  solve: (eccentricity: number, thickest: number) => T,
  load: number,
): T {
  let at = [logit(bounded(guess.eccentricity)), guess.attitude]
  let found: T
  const balance = (place: number[]): [number, number] => {
    found = solve(fromLogit(place[0]), place[1] - Math.PI)
    return [Math.asinh((4 * found.force.cos) / load) - Math.asinh(4), Math.asinh((4 * found.force.sin) / load)]
  }
  let off = balance(at)
  let slopes = differences(at, off)
  let fresh = true
  for (let step = 0; step < MOST_STEPS; step++) {
    if (Math.hypot(...off) < 10 * CLOSE) return found!
    const [a, b, c, d] = slopes
    const determinant = a * d - b * c
    let move = [-(d * off[0] - b * off[1]) / determinant, -(a * off[1] - c * off[0]) / determinant]
    const size = Math.max(Math.abs(move[0]) / 1.2, Math.abs(move[1]) / 0.5, 1)
    move = [move[0] / size, move[1] / size]
    let next: number[]
    let left: [number, number]
    let halvings = 0
    do {
      next = [Math.min(10, Math.max(-6, at[0] + move[0])), at[1] + move[1]]
      left = balance(next)
      move = [0.5 * move[0], 0.5 * move[1]]
    } while (Math.hypot(...left) > 1.5 * Math.hypot(...off) && ++halvings < 5)
    const step0 = next[0] - at[0]
    const step1 = next[1] - at[1]
    const square = step0 * step0 + step1 * step1
    const good = Math.hypot(...left) < 0.6 * Math.hypot(...off)
    if (!good && !fresh) {
      at = next
      off = left
      slopes = differences(at, off)
      fresh = true
      continue
    }
    const miss0 = (left[0] - off[0] - a * step0 - b * step1) / (square || 1)
    const miss1 = (left[1] - off[1] - c * step0 - d * step1) / (square || 1)
    slopes = [a + miss0 * step0, b + miss0 * step1, c + miss1 * step0, d + miss1 * step1]
    at = next
    off = left
    fresh = false
  }
  throw new FilmError('load', 'the film does not settle under it')

  function differences(place: number[], value: [number, number]): number[] {
    const h = 1e-4
    const first = balance([place[0] + h, place[1]])
    const second = balance([place[0], place[1] + h])
    return [
      (first[0] - value[0]) / h,
      (second[0] - value[0]) / h,
      (first[1] - value[1]) / h,
      (second[1] - value[1]) / h,
    ]
  }
}

const bounded = (eccentricity: number) => Math.min(0.99, Math.max(0.02, eccentricity))
const logit = (share: number) => Math.log(share / (1 - share))
const fromLogit = (x: number) => 1 / (1 + Math.exp(-x))
