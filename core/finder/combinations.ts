import type { Offer } from './types'

/** Every combination of what is offered and what is fitted. */
export function combinationsOf(offer: Offer): number {
  return [offer.springs, offer.stacks, offer.oils, offer.pumps, offer.shells].reduce(
    (product, list) => product * (list.length + 1),
    1,
  )
}
