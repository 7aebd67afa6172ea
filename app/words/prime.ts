import type { PrimeWord } from '#core/prime/watch'

/** What comes next in a prime that goes as it should; times in seconds of turning. */
export type Coming =
  { code: 'fit-filter' | 'will-not-prime' | 'rising' } | { code: 'gauge-after'; from: number; to: number }

/** What has been seen of it, pressures in Pa. */
export interface PrimeSaid {
  gauge: number
  sender?: number
  oilAtPad: boolean
  ceiling: number
  coming: Coming
}

/** The sentence under a prime's word, with its numbers. */
export function primeWords(
  { code, by }: Pick<PrimeWord, 'code' | 'by'>,
  { gauge, sender = 0, oilAtPad, ceiling, coming }: PrimeSaid,
  p: (pressure: number) => string,
): string {
  switch (code) {
    case 'late-pad':
      return `Oil should have been at the pad ${Math.round(by)} s ago: stop, look at pickup and pump.`
    case 'late-gauge':
      return oilAtPad
        ? `Oil came to the pad, but the gauge should have moved ${Math.round(by)} s ago: stop, look behind the pad.`
        : `The gauge should have moved ${Math.round(by)} s ago: stop, look at pickup, pump and filter.`
    case 'low':
      return `${p(gauge)} and no more: ${p(by)} under the least to accept.`
    case 'flickers':
      return `The needle swings by ${Math.round(100 * by)} percent: air comes with the oil. Look at the pickup’s seal and tube.`
    case 'gauges-differ':
      return `The sender says ${p(sender)}, the gauge ${p(gauge)}. Believe the gauge; mend or replace the sender.`
    case 'not-watching':
      return by > 0
        ? `Nothing was read for ${Math.round(by)} s: look at the mechanical gauge, or stop.`
        : `No prediction: only the limit of ${p(ceiling)} and a gauge that does not move are watched. It cannot be called primed.`
    case 'over-limit':
      return `${p(ceiling + by)}, over the ${p(ceiling)} that filter and seals may see. Let go at once; look for a relief valve that sticks shut.`
    case 'over-band':
      return `${p(by)} above what the model says: thicker or colder oil than recorded, or a relief valve that sticks. It does not count as primed.`
    case 'primed':
      return `${p(gauge)} stands. Look at every outlet, then hold a minute longer.`
    case 'going-well':
      return comingWords(coming)
  }
}

function comingWords(coming: Coming): string {
  switch (coming.code) {
    case 'fit-filter':
      return 'Oil runs at the pad: stop, fit the filter with its seal oiled, then go on.'
    case 'will-not-prime':
      return 'By the model it will not prime like this: be ready to stop.'
    case 'gauge-after':
      return `Oil at the gauge after ${Math.round(coming.from)} to ${Math.round(coming.to)} s of turning.`
    case 'rising':
      return 'Rising as it should.'
  }
}
