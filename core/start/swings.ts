import { deviation, mean } from '../quantity/mean'

/** A needle swings about its mean by more than this at a speed as steady as that, over so many seconds, in so many readings. */
const SWINGS = { share: 0.1, steady: 0.04, seconds: 6, readings: 12 }

/**
 * A needle that swings while the speed stands still: air in the oil, or a plunger that sticks. The scatter is taken between the tenth from below and the
 * tenth from above, so that single spikes make none.
 *
 * @param past readings, Pa, with the speed they were read at, rev/s, by their time, s
 * @param least mean below which the scatter is held against this instead, Pa
 */
export function swings(
  past: readonly { time: number; reading: number; speed: number }[],
  now: number,
  least: number,
): boolean {
  const window = past.filter(({ time }) => now - time <= SWINGS.seconds)
  if (window.length < SWINGS.readings) return false
  const speeds = window.map((each) => each.speed)
  if (deviation(speeds) > SWINGS.steady * mean(speeds)) return false
  const readings = window.map((each) => each.reading).sort((a, b) => a - b)
  const cut = Math.ceil(0.1 * readings.length)
  return (readings[readings.length - 1 - cut] - readings[cut]) / 2 > SWINGS.share * Math.max(mean(readings), least)
}
