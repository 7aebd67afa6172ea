/** Arithmetic mean; 0 of an empty list. */
export function mean(values: readonly number[] | Float64Array): number {
  return (values as readonly number[]).reduce((sum, each) => sum + each, 0) / Math.max(1, values.length)
}

/** Standard deviation about the mean, of all there are; 0 of an empty list. */
export function deviation(values: readonly number[]): number {
  const middle = mean(values)
  return Math.sqrt(mean(values.map((each) => (each - middle) ** 2)))
}

/** The middle value; of an even number the lower of the two. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? 0
}

/**
 * Scatter about the best curve through the values that only rises, or only falls, in their order: what comes up, by a slope or
 * at once, has none; what goes up and down has all of it.
 * Source: Barlow, Bartholomew, Bremner & Brunk, Statistical Inference under Order Restrictions (1972), pool adjacent violators.
 */
export function scatterAboutRise(values: readonly number[]): number {
  return Math.min(aboutRise(values), aboutRise([...values].reverse()))
}
function aboutRise(values: readonly number[]): number {
  const pools: { sum: number; count: number }[] = []
  for (const value of values) {
    let last = { sum: value, count: 1 }
    while (pools.length > 0 && pools.at(-1)!.sum / pools.at(-1)!.count > last.sum / last.count) {
      const before = pools.pop()!
      last = { sum: before.sum + last.sum, count: before.count + last.count }
    }
    pools.push(last)
  }
  const curve = pools.flatMap(({ sum, count }) => Array.from({ length: count }, () => sum / count))
  return Math.sqrt(mean(values.map((each, i) => (each - curve[i]) ** 2)))
}

/** Scatter over its level with a sender's own noise taken off; a level under `least` counts as that, Pa. */
export function flickerOf(
  readings: readonly number[],
  scatter = deviation(readings),
  noise = 4e3,
  least = 20e3,
): number {
  return Math.sqrt(Math.max(0, scatter ** 2 - noise ** 2)) / Math.max(mean(readings), least)
}
