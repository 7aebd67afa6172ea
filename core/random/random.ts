/** A stream of numbers even on [0, 1), the same for the same seed. */
export type Random = () => number

/**
 * Mulberry32: a 32-bit counter through a mixing function; enough for Monte Carlo of some thousand samples.
 * Source: T. Ettinger, public domain, 2017; passes the small battery of PractRand.
 */
export function seeded(seed: number): Random {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}

/** A standard normal deviate by the polar method, Marsaglia & Bray, SIAM Review 6 (1964). */
export function normal(random: Random): number {
  for (;;) {
    const u = 2 * random() - 1
    const v = 2 * random() - 1
    const s = u * u + v * v
    if (s > 0 && s < 1) return u * Math.sqrt((-2 * Math.log(s)) / s)
  }
}
