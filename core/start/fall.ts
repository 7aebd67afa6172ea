import { mean } from '../quantity/mean'
import type { Envelope } from './envelope'
import { stretch, SURE } from './stretch'

/** Least fall that counts, Pa, and s over which it is looked for. */
const LEAST_FALL = 30e3
export const FALL_WINDOW = 12
/** Mean speeds of ten seconds that count as the same, share. */
const SAME_SPEED = 0.08
/** s for which a fall must stand: longer than half a hunt. */
const FALL_SURE = 3

/** Looks for a fall against what the model expects of the same speeds: the best of the last seconds at its fastest, against now at its slowest. */
export function prepareFall() {
  let ratios: { time: number; ratio: number; pressure: number; speed: number }[] = []
  const sure = stretch()

  /**
   * The limit that is fallen under, Pa; undefined where it does not fall, or not for long enough.
   *
   * @param falling share of the pressure that may be lost
   * @param speeds of the last seconds, rev/s
   * @param whole read by a hand: one reading is enough
   */
  function step(
    now: number,
    seconds: number,
    pressure: number,
    { slowest, fastest }: Envelope,
    speeds: readonly { speed: number }[],
    falling: number,
    whole: boolean,
  ): number | undefined {
    const steady = mean(speeds.map((each) => each.speed))
    ratios.push({ time: now, ratio: fastest > 0 ? pressure / fastest : 1, pressure, speed: steady })
    while (now - ratios[0].time > FALL_WINDOW) ratios.shift()
    // Only what stood at the same speed: with the oil's temperature somewhat out, the step from one speed to another reads as a fall.
    const before = ratios.filter(
      (each) => now - each.time >= SURE.seconds && Math.abs(each.speed - steady) <= SAME_SPEED * steady,
    )
    if (before.length < SURE.readings) return undefined
    // The best that stood, not a spike: the third best.
    const best = [...before].sort((a, b) => b.ratio - a.ratio)[SURE.readings - 1]
    const limit = (1 - falling) * best.ratio * slowest
    const falls = sure.step(pressure < limit && best.pressure - pressure > LEAST_FALL, seconds)
    return falls.holds(whole) && (whole || falls.seconds >= FALL_SURE) ? limit : undefined
  }
  return {
    step,
    clear() {
      ratios = []
      sure.clear()
    },
  }
}
