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

/** Scatter over its level with a sender's own noise taken off; a level under `least` counts as that, Pa. */
export function flickerOf(readings: readonly number[], noise = 4e3, least = 20e3): number {
  return Math.sqrt(Math.max(0, deviation(readings) ** 2 - noise ** 2)) / Math.max(mean(readings), least)
}
